// Tasks for children on paper: what is asked, with room to draw and to write.
import type { ReactNode } from 'react';
import type { SheetView } from '../core/core';
import { names } from '../shell/names';
import css from './TaskItems.module.css';
import { largest, lowered, Pictured } from './Pictured';
import type { Block } from './usePages';

const cx = names(css);

type Task = SheetView['tasks'][number];
type Line = NonNullable<Task['lines']>[number];

/** One thing to do, with its lines on the answer page; so many stand side by side. */
interface Item {
  node: ReactNode;
  answers: string[];
  across: number;
}

/** All tasks as blocks, numbered through; and the answers by their numbers. */
export function sheetBlocks(tasks: Task[]): { blocks: Block[]; answers: string[][] } {
  const blocks: Block[] = [];
  const answers: string[][] = [];
  let n = 0;
  const rows = (key: string, items: Item[]) => {
    for (let i = 0; i < items.length;) {
      const across = items[i]!.across;
      let end = i;
      while (end < items.length && end < i + across && items[end]!.across === across) end++;
      blocks.push({
        key: `${key} ${i}`,
        node: (
          <div className={cx('row')} style={{ gridTemplateColumns: `repeat(${across}, 1fr)` }}>
            {items.slice(i, end).map((item, k) => {
              n++;
              answers.push(item.answers);
              return (
                <div key={k} className={cx('item')}>
                  <span className={cx('n')}>{n}</span>
                  {item.node}
                </div>
              );
            })}
          </div>
        ),
      });
      i = end;
    }
  };
  for (let i = 0; i < tasks.length;) {
    const { kind } = tasks[i]!;
    let end = i;
    while (end < tasks.length && tasks[end]!.kind === kind) end++;
    const group = tasks.slice(i, end);
    const key = `${kind} ${i}`;
    blocks.push({ key, heads: true, node: <h2 className={cx('asked')}>{headOf(group)}</h2> });
    if (kind === 'match' || kind === 'turns') {
      for (const [k, task] of group.entries()) {
        if (k > 0)
          blocks.push({
            key: `${key} ask ${k}`,
            heads: true,
            node: <h2 className={cx('asked')}>{task.ask}</h2>,
          });
        if (task.bank)
          blocks.push({ key: `${key} bank ${k}`, heads: true, node: <Bank texts={task.bank} /> });
        if (kind === 'turns') {
          n++;
          answers.push(task.answers);
          blocks.push(...turnRows(`${key} ${k}`, task.lines ?? []));
        } else rows(`${key} ${k}`, matchItems(task));
      }
    } else {
      if (group[0]!.bank && kind !== 'choose' && kind !== 'explain')
        blocks.push({ key: `${key} bank`, heads: true, node: <Bank texts={group[0]!.bank} /> });
      rows(
        key,
        group.flatMap((task) => itemsOf(task, group)),
      );
    }
    i = end;
  }
  return { blocks, answers };
}

/** What stands over tasks of a kind: what each asks, where that is the same. */
function headOf(group: Task[]): string {
  const [first] = group;
  return group.every((t) => t.ask === first!.ask) ? first!.ask : (first!.head ?? '');
}

function itemsOf(task: Task, group: Task[]): Item[] {
  switch (task.kind) {
    case 'read':
    case 'ways':
      return [readItem(task, group)];
    case 'steps':
      return [stepsItem(task, group)];
    case 'count':
    case 'choose':
    case 'own':
    case 'explain':
      return [openItem(task, group)];
    case 'build':
      return [
        {
          across: 2,
          answers: task.answers,
          node: (
            <>
              <p className={cx('of')}>{group.length > 1 ? task.of : ''}</p>
              {task.blanks.map((b) => (
                <div key={b.id} className={cx('box')} />
              ))}
            </>
          ),
        },
      ];
    case 'column':
      return [
        {
          across: 3,
          answers: task.answers,
          node: (
            <>
              {unaligned(task) && <p className={cx('of')}>{task.of}</p>}
              <Grid task={task} />
            </>
          ),
        },
      ];
  }
  return fillItems(task);
}

/** Whether the numbers of a written method are the child's to write. */
const unaligned = (task: Task) =>
  task.lines!.every((l) => l.cells.every((c) => !c.text || /^[+−×÷]$/.test(c.text)));

/** As long as the text that belongs there, at least. */
const FORMS: Record<string, string> = {
  number: '16mm',
  units: '100%',
  expanded: '100%',
  words: '100%',
  sum: '100%',
};

function readItem(task: Task, group: Task[]): Item {
  const room = largest(group.flatMap((t) => t.views));
  const wide = room.w / room.h > 4;
  return {
    across: wide ? 1 : 2,
    answers: task.answers,
    node: (
      <>
        {group.some((t) => t.ask !== group[0]!.ask) && <p>{task.ask}</p>}
        <span className={cx('picture')}>
          <Pictured
            models={task.views[0]!.models}
            room={lowered(room, task.views[0]!)}
            name="A board to read"
          />
        </span>
        {task.blanks.map((b) => (
          <p key={b.id} className={cx('gap-line')}>
            {task.blanks.length > 1 && <span>{b.label}</span>}
            <i
              style={{ minWidth: FORMS[b.gives] ?? '16mm' }}
              className={cx(b.gives === 'number' ? 'square' : 'write')}
            />
          </p>
        ))}
      </>
    ),
  };
}

/** The board as the class left it, room to draw each step, and what it comes to. */
function stepsItem(task: Task, group: Task[]): Item {
  const said = task.lines!.filter((l) => l.kind === 'said');
  return {
    across: 1,
    answers: task.answers,
    node: (
      <>
        {group.some((t) => t.ask !== group[0]!.ask) && <p className={cx('of')}>{task.ask}</p>}
        {said.map((l, i) => (
          <p key={i}>{l.cells[0]?.text}</p>
        ))}
        <div className={cx('beside')}>
          <span className={cx('picture')}>
            <Pictured models={task.views[0]!.models} room={largest(task.views)} name="The board before it" />
          </span>
          {task.blanks
            .filter((b) => b.gives === 'board')
            .map((b) => (
              <div key={b.id} className={cx('box')} />
            ))}
        </div>
        <p className={cx('gap-line')}>
          <span>{task.of} =</span> <i className={cx('square')} style={{ minWidth: FORMS.number }} />
        </p>
      </>
    ),
  };
}

/** What is drawn, chosen and said in words: room for each. */
function openItem(task: Task, group: Task[]): Item {
  const said = group.some((t) => t.ask !== group[0]!.ask);
  return {
    across: task.kind === 'count' ? 2 : 1,
    answers: task.answers,
    node: (
      <>
        {said && <p>{task.ask}</p>}
        {task.views[0] && (
          <span className={cx('picture')}>
            <Pictured models={task.views[0].models} room={largest(task.views)} name="The board" />
          </span>
        )}
        {task.bank && <Bank texts={task.bank} />}
        {task.blanks
          .filter((b) => b.gives !== 'bank')
          .map((b) =>
            b.gives === 'board' ? (
              <div key={b.id} className={cx('box')} />
            ) : (
              <p key={b.id} className={cx('gap-line')}>
                <span>{b.label}</span>
                <i className={cx('write')} />
                {b.gives === 'reason' && <i className={cx('write whole')} />}
              </p>
            ),
          )}
      </>
    ),
  };
}

function matchItems(task: Task): Item[] {
  const room = largest(task.views);
  return task.views.map((view, i) => ({
    across: room.w / room.h > 4 ? 1 : 2,
    answers: [task.answers[i]!.replace(/^\d+: /, '')],
    node: (
      <div className={cx('matched')}>
        <span className={cx('picture')}>
          <Pictured models={view.models} room={lowered(room, view)} name="A board to match" />
        </span>
        <i className={cx('square wide')} />
      </div>
    ),
  }));
}

function Bank({ texts }: { texts: string[] }) {
  return (
    <ul className={cx('bank')} aria-label="To choose from">
      {texts.map((text, i) => (
        <li key={i}>{text}</li>
      ))}
    </ul>
  );
}

/** A written method on squared paper: digits stand under their like. */
function Grid({ task }: { task: Task }) {
  const rest = task.blanks.find((b) => b.id === 'remainder');
  // What a place leaves is written small before the next digit: there is room in its square.
  const lines = task.lines!.filter((l) => !(rest && l.kind === 'mark'));
  return (
    <div className={cx('grid-beside')}>
      {task.views[0] && (
        <span className={cx('picture')}>
          <Pictured models={task.views[0].models} room={largest(task.views)} name="The board beside it" />
        </span>
      )}
      <table className={cx(rest ? 'grid shared' : 'grid')}>
        <tbody>
          {lines.map((line, i) => (
            <tr key={i} className={cx(`line-${line.kind.replace(/ \d$/, '')}`)}>
              {line.cells.map((cell, k) => (
                <td key={k} data-point={cell.point} className={cx(cell.point ? 'point' : '')}>
                  {cell.text}
                </td>
              ))}
            </tr>
          ))}
        </tbody>
      </table>
      {rest && (
        <p className={cx('gap-line')}>
          <span>{rest.label}</span> <i className={cx('square')} />
        </p>
      )}
    </div>
  );
}

/** Lines with gaps, each an item; the rows of a table are one. */
function fillItems(task: Task): Item[] {
  const items: Item[] = [];
  const answers = [...task.answers];
  const lines = task.lines ?? [];
  for (let i = 0; i < lines.length;) {
    const line = lines[i]!;
    if (line.kind === 'heads') {
      let end = i + 1;
      while (lines[end]?.kind === 'row') end++;
      items.push({
        across: line.cells.length > 3 ? 1 : 2,
        answers: answers.splice(0, end - i - 1),
        node: <Table heads={line} rows={lines.slice(i + 1, end)} />,
      });
      i = end;
      continue;
    }
    items.push({
      across: ACROSS[line.kind] ?? 2,
      answers: answers.splice(0, 1),
      node: <Filled line={line} />,
    });
    i++;
  }
  return items;
}

const ACROSS: Record<string, number> = { sentence: 2, bond: 3, chain: 1 };

function Table({ heads, rows }: { heads: Line; rows: Line[] }) {
  return (
    <table className={cx('table')}>
      <thead>
        <tr>
          {heads.cells.map((c, k) => (
            <th key={k}>{c.text}</th>
          ))}
        </tr>
      </thead>
      <tbody>
        {rows.map((row, i) => (
          <tr key={i}>
            {row.cells.map((c, k) => (
              <td key={k}>{c.text}</td>
            ))}
          </tr>
        ))}
      </tbody>
    </table>
  );
}

function Filled({ line }: { line: Line }) {
  if (line.kind === 'bond') {
    const [whole, ...parts] = line.cells;
    return (
      <svg className={cx('bond')} viewBox="0 0 200 120" role="img" aria-label="A whole and its parts">
        {parts.map((p, i) => {
          const x = (200 * (i + 0.5)) / parts.length;
          return (
            <g key={i}>
              <line x1={100} y1={30} x2={x} y2={90} />
              <circle cx={x} cy={90} r={26} />
              <text x={x} y={98}>
                {p.text}
              </text>
            </g>
          );
        })}
        <circle cx={100} cy={30} r={26} />
        <text x={100} y={38}>
          {whole?.text}
        </text>
      </svg>
    );
  }
  if (line.kind === 'chain') {
    return (
      <p className={cx('chain')}>
        {line.cells.map((c, k) =>
          k % 2 === 1 ? (
            <span key={k} className={cx('arrow')}>
              {c.text}
            </span>
          ) : (
            <span key={k} className={cx('square wide')}>
              {c.text}
            </span>
          ),
        )}
      </p>
    );
  }
  return (
    <p className={cx('sentence')}>
      {line.cells.map((c, k) =>
        c.blank ? <i key={k} className={cx('square')} /> : <span key={k}>{c.text}</span>,
      )}
    </p>
  );
}

/** A page for turns: a row for each, with room to draw. */
function turnRows(key: string, lines: Line[]): Block[] {
  return lines.map((line, i) => ({
    key: `${key} turn ${i}`,
    heads: line.kind === 'heads',
    node: (
      <div className={cx(line.kind === 'heads' ? 'turn turn-heads' : 'turn')}>
        {line.cells.map((c, k) => (
          <span key={k}>{c.text}</span>
        ))}
      </div>
    ),
  }));
}

/** The answer page: every answer by its number. */
export function AnswerList({ answers }: { answers: string[][] }) {
  return (
    <ol className={cx('answers')}>
      {answers.map((lines, i) => (
        <li key={i}>
          {lines.map((text, k) => (
            <span key={k}>{text}</span>
          ))}
        </li>
      ))}
    </ol>
  );
}
