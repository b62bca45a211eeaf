// What becomes of a showing: the board as it was prepared again, or the lesson as it was shown.
import { call } from '../core/core';
import { attempt, edit } from '../state/acts';
import { notify, useLesson } from '../state/lesson';
import { changePrepared, preparedHandle } from '../state/session';

/** Brings the prepared board back. */
export function startAgain() {
  const other = preparedHandle();
  const { scene } = useLesson.getState().frame;
  if (other === undefined) return;
  edit((handle) => call('startAgain', { handle, other, scene }));
}

/** Keeps what the teacher notes for herself: in the showing, and in the lesson for the next class. */
export function noteAside(scene: string, aside: string) {
  edit((handle) => call('setScene', { handle, scene, aside }));
  attempt(() => changePrepared((handle) => call('setScene', { handle, scene, aside })));
}

/** Clears the record alone; undo brings it back. */
export function clearRecord() {
  edit((handle) => call('clear', { handle, what: ['record'] }));
}

/** Keeps the board as it now stands in the lesson. */
export function keepBoard() {
  const { scene } = useLesson.getState().frame;
  keep((handle, other) => call('keepInLesson', { handle, other, scene }), 'The board is kept in the lesson.');
}

/** Adds the lines of the record to the lesson's. */
export function keepRecord() {
  keep(
    (handle, other) => call('keepRecord', { handle, other, scene: '' }),
    'The record is kept in the lesson.',
  );
}

function keep(run: Parameters<typeof changePrepared>[0], done: string) {
  const { borrowed, readOnly } = useLesson.getState();
  if (borrowed) return notify('info', `This lesson is ${borrowed.by}’s: only she changes it.`);
  if (readOnly) {
    return notify('info', 'Another tab is writing on this lesson. Take over there to keep it.');
  }
  if (attempt(() => changePrepared(run))) notify('info', done);
}
