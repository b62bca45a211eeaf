// Generated from docs/schema/door.schema.json by `make generate`. Do not edit.

/**
 * One model, told by its kind.
 */
export type Model = Blocks | Rack;
/**
 * A place: a power of ten.
 */
export type Place =
  | 'millions'
  | 'hundred thousands'
  | 'ten thousands'
  | 'thousands'
  | 'hundreds'
  | 'tens'
  | 'ones'
  | 'tenths'
  | 'hundredths'
  | 'thousandths';
export type UnitForm = Count[];
/**
 * One act, told by its kind.
 */
export type Move =
  | MoveBlocksBuild
  | MoveBlocksPlace
  | MoveBlocksTake
  | MoveBlocksCross
  | MoveBlocksRestore
  | MoveBlocksRemove
  | MoveBlocksBundle
  | MoveBlocksUnbundle
  | MoveBlocksJoin
  | MoveBlocksApart
  | MoveBlocksRing
  | MoveBlocksCounted
  | MoveBlocksTidy
  | MoveBlocksClear
  | MoveBlocksLay
  | MoveBlocksView
  | MoveBlocksStyle
  | MoveBlocksColumns
  | MoveRackSlide
  | MoveRackBuild
  | MoveRackHome
  | MoveRackRows
  | MoveBoardCover
  | MoveBoardUncover
  | MoveBoardAddModel
  | MoveBoardRemoveModel
  | MoveBoardTitle;
/**
 * Pieces as drawn: [id, look, x, y, w, h, part, marks], in model units.
 */
export type Pieces = unknown[][];

export interface DoorTypes {
  lesson: Lesson;
  turned: Turned;
  verb: Verb;
  method: MethodInfo;
  plain: Plain;
  reading: Reading;
  became: Became;
  edit: Edit;
}
export interface Lesson {
  /**
   * The version of the file form.
   */
  format: 1;
  /**
   * The lesson's own name; a new one is given on import.
   */
  id: string;
  /**
   * What the shelf shows.
   */
  title: string;
  /**
   * What the class is to notice.
   */
  objective?: string;
  words: Words;
  /**
   * The scenes in order.
   *
   * @maxItems 200
   */
  scenes: Scene[];
  /**
   * What is kept beside the board, across scenes.
   *
   * @maxItems 2000
   */
  record?: Entry[];
}
/**
 * What the class calls things.
 */
export interface Words {
  /**
   * What the class calls making ten of a place into one of the next, and back.
   */
  regroup?: 'bundle' | 'regroup' | 'exchange' | 'trade' | 'rename' | 'carry';
  /**
   * What the class calls the ones.
   */
  ones?: 'ones' | 'units';
}
export interface Scene {
  /**
   * Its name in the lesson; no two scenes share one.
   */
  id: string;
  /**
   * What the stem shows.
   */
  title: string;
  start: Board;
  /**
   * The steps in order.
   *
   * @maxItems 500
   */
  steps?: Step[];
  /**
   * The read-outs that are shown; the others are held back.
   */
  show?: string[];
  /**
   * Where the written method puts its regroup marks; above when left out.
   */
  marks?: 'above' | 'below';
  made?: Made;
}
/**
 * The board before the first step.
 */
export interface Board {
  /**
   * @minItems 1
   * @maxItems 4
   */
  models: Model[];
  /**
   * @maxItems 4
   */
  titles?: string[];
  covers?: Cover[];
}
export interface Blocks {
  kind: 'blocks';
  /**
   * Columns when left out.
   */
  view?: 'columns' | 'mat';
  /**
   * Solid when left out.
   */
  style?: 'solid' | 'sketch';
  /**
   * The largest column shown though empty.
   */
  upTo?:
    | 'millions'
    | 'hundred thousands'
    | 'ten thousands'
    | 'thousands'
    | 'hundreds'
    | 'tens'
    | 'ones'
    | 'tenths'
    | 'hundredths'
    | 'thousandths';
  /**
   * Places whose addends lie together.
   */
  joined?: Place[];
  pieces: Run[];
}
export interface Run {
  place: Place;
  count: number;
  part?: number;
  state?: 'play' | 'crossed' | 'taken' | 'spent';
  new?: boolean;
  ringed?: boolean;
  /**
   * Free positions on the mat in model units, one for each block of the run.
   */
  at?: number[][];
}
export interface Rack {
  kind: 'rack';
  /**
   * Beads on the reading side of each row, 0 to 10.
   *
   * @minItems 1
   * @maxItems 10
   */
  rows: number[];
  /**
   * Pushes since all beads were home.
   */
  pushes?: number;
}
export interface Cover {
  model: number;
  zone: string;
}
export interface Step {
  /**
   * What the teacher says.
   */
  say: string | Message;
  /**
   * What she asks.
   */
  ask: string | Message;
  /**
   * The answer, held back until it is revealed.
   */
  answer: string | Message;
  /**
   * What to look at.
   */
  look: string | Message;
  /**
   * The moves, in order.
   *
   * @maxItems 2000
   */
  moves: Move[];
  /**
   * What is written.
   *
   * @maxItems 200
   */
  write: Write[];
  /**
   * The exact value of the pieces in play on the first model afterwards; empty when not known.
   */
  total: string;
  /**
   * Those pieces as they then lie.
   */
  unitForm: string;
}
export interface Message {
  id: string;
  values?: Value[];
}
export interface Value {
  name: string;
  role: string;
  text?: string;
  place?: Place;
  form?: UnitForm;
}
export interface Count {
  place: Place;
  count: number;
}
/**
 * Put the number on the board at once, in place of what is there.
 */
export interface MoveBlocksBuild {
  kind: 'build';
  /**
   * Which model of the board, the first when left out.
   */
  model?: number;
  /**
   * A number (146) or a unit form (14 tens 6 ones).
   */
  amount: string;
  /**
   * The addend that the blocks belong to; 0 for none.
   */
  part?: number;
}
/**
 * Put an amount on the board beside what is there.
 */
export interface MoveBlocksPlace {
  kind: 'place';
  /**
   * Which model of the board, the first when left out.
   */
  model?: number;
  /**
   * A number (146) or a unit form (14 tens 6 ones).
   */
  amount: string;
  /**
   * The addend that the blocks belong to; 0 for none.
   */
  part?: number;
}
/**
 * Take blocks away to the Taken tray.
 */
export interface MoveBlocksTake {
  kind: 'take';
  /**
   * Which model of the board, the first when left out.
   */
  model?: number;
  /**
   * Which blocks.
   */
  pieces: Select[];
}
export interface Select {
  /**
   * A place: a power of ten.
   */
  place:
    | 'millions'
    | 'hundred thousands'
    | 'ten thousands'
    | 'thousands'
    | 'hundreds'
    | 'tens'
    | 'ones'
    | 'tenths'
    | 'hundredths'
    | 'thousandths';
  /**
   * Where the pieces are; in play when left out.
   */
  state?: 'play' | 'crossed' | 'taken' | 'spent' | 'any';
  /**
   * Only pieces of this addend; 0 is pieces of none.
   */
  part?: number;
  /**
   * How many, lowest slots first; all when left out.
   */
  count?: number;
  /**
   * Exactly these slots.
   */
  slots?: number[];
}
/**
 * Cross blocks out where they lie.
 */
export interface MoveBlocksCross {
  kind: 'cross';
  /**
   * Which model of the board, the first when left out.
   */
  model?: number;
  /**
   * Which blocks.
   */
  pieces: Select[];
}
/**
 * Put crossed-out or taken blocks back in play.
 */
export interface MoveBlocksRestore {
  kind: 'restore';
  /**
   * Which model of the board, the first when left out.
   */
  model?: number;
  /**
   * Which blocks.
   */
  pieces: Select[];
}
/**
 * Put blocks away without a trace.
 */
export interface MoveBlocksRemove {
  kind: 'remove';
  /**
   * Which model of the board, the first when left out.
   */
  model?: number;
  /**
   * Which blocks.
   */
  pieces: Select[];
}
/**
 * Ten blocks of a place become one of the next.
 */
export interface MoveBlocksBundle {
  kind: 'bundle';
  /**
   * Which model of the board, the first when left out.
   */
  model?: number;
  /**
   * A place: a power of ten.
   */
  place:
    | 'millions'
    | 'hundred thousands'
    | 'ten thousands'
    | 'thousands'
    | 'hundreds'
    | 'tens'
    | 'ones'
    | 'tenths'
    | 'hundredths'
    | 'thousandths';
  /**
   * Which blocks; the lowest slots in play when left out.
   */
  pieces?: Select[];
  /**
   * Leave the bundled blocks crossed out, out of play.
   */
  trace?: boolean;
}
/**
 * A block becomes ten of the next smaller place, or more of a smaller one.
 */
export interface MoveBlocksUnbundle {
  kind: 'unbundle';
  /**
   * Which model of the board, the first when left out.
   */
  model?: number;
  /**
   * A place: a power of ten.
   */
  place:
    | 'millions'
    | 'hundred thousands'
    | 'ten thousands'
    | 'thousands'
    | 'hundreds'
    | 'tens'
    | 'ones'
    | 'tenths'
    | 'hundredths'
    | 'thousandths';
  /**
   * How many blocks; 1 when left out.
   */
  count?: number;
  /**
   * Which blocks; the lowest slots in play when left out.
   */
  pieces?: Select[];
  /**
   * A place: a power of ten.
   */
  to?:
    | 'millions'
    | 'hundred thousands'
    | 'ten thousands'
    | 'thousands'
    | 'hundreds'
    | 'tens'
    | 'ones'
    | 'tenths'
    | 'hundredths'
    | 'thousandths';
}
/**
 * The addends of a place lie together.
 */
export interface MoveBlocksJoin {
  kind: 'join';
  /**
   * Which model of the board, the first when left out.
   */
  model?: number;
  /**
   * A place: a power of ten.
   */
  place:
    | 'millions'
    | 'hundred thousands'
    | 'ten thousands'
    | 'thousands'
    | 'hundreds'
    | 'tens'
    | 'ones'
    | 'tenths'
    | 'hundredths'
    | 'thousandths';
}
/**
 * The addends of a place lie in their rows again.
 */
export interface MoveBlocksApart {
  kind: 'apart';
  /**
   * Which model of the board, the first when left out.
   */
  model?: number;
  /**
   * A place: a power of ten.
   */
  place:
    | 'millions'
    | 'hundred thousands'
    | 'ten thousands'
    | 'thousands'
    | 'hundreds'
    | 'tens'
    | 'ones'
    | 'tenths'
    | 'hundredths'
    | 'thousandths';
}
/**
 * Ring blocks; an empty choice is refused.
 */
export interface MoveBlocksRing {
  kind: 'ring';
  /**
   * Which model of the board, the first when left out.
   */
  model?: number;
  /**
   * Which blocks.
   */
  pieces: Select[];
}
/**
 * Take the mark off new blocks.
 */
export interface MoveBlocksCounted {
  kind: 'counted';
  /**
   * Which model of the board, the first when left out.
   */
  model?: number;
}
/**
 * Loose blocks go to their slots; rings, marks and traces are put away.
 */
export interface MoveBlocksTidy {
  kind: 'tidy';
  /**
   * Which model of the board, the first when left out.
   */
  model?: number;
}
/**
 * Put all blocks away.
 */
export interface MoveBlocksClear {
  kind: 'clear';
  /**
   * Which model of the board, the first when left out.
   */
  model?: number;
}
/**
 * Move blocks freely on the open mat.
 */
export interface MoveBlocksLay {
  kind: 'lay';
  /**
   * Which model of the board, the first when left out.
   */
  model?: number;
  /**
   * Which blocks.
   */
  pieces: Select[];
  /**
   * To the right, in model units.
   */
  dx: number;
  /**
   * Down, in model units.
   */
  dy: number;
}
/**
 * Columns or an open mat.
 */
export interface MoveBlocksView {
  kind: 'view';
  /**
   * Which model of the board, the first when left out.
   */
  model?: number;
  /**
   * columns or mat.
   */
  view: 'columns' | 'mat';
}
/**
 * Solid blocks or a sketch.
 */
export interface MoveBlocksStyle {
  kind: 'style';
  /**
   * Which model of the board, the first when left out.
   */
  model?: number;
  /**
   * solid or sketch.
   */
  style: 'solid' | 'sketch';
}
/**
 * Show columns up to a place though they are empty.
 */
export interface MoveBlocksColumns {
  kind: 'columns';
  /**
   * Which model of the board, the first when left out.
   */
  model?: number;
  /**
   * A place: a power of ten.
   */
  place:
    | 'millions'
    | 'hundred thousands'
    | 'ten thousands'
    | 'thousands'
    | 'hundreds'
    | 'tens'
    | 'ones'
    | 'tenths'
    | 'hundredths'
    | 'thousandths';
}
/**
 * Push beads of one row or several in one push.
 */
export interface MoveRackSlide {
  kind: 'slide';
  /**
   * Which model of the board, the first when left out.
   */
  model?: number;
  /**
   * The rows that go in this one push.
   *
   * @minItems 1
   * @maxItems 10
   */
  rows: Push[];
}
export interface Push {
  /**
   * The row, 1 at the top.
   */
  row: number;
  /**
   * Beads on the reading side afterwards.
   */
  to: number;
}
/**
 * Show a number in the fewest pushes, rows filled from the top.
 */
export interface MoveRackBuild {
  kind: 'build';
  /**
   * Which model of the board, the first when left out.
   */
  model?: number;
  /**
   * A whole number (42) or a unit form (4 tens 2 ones).
   */
  amount: string;
}
/**
 * Push all beads home and count pushes afresh.
 */
export interface MoveRackHome {
  kind: 'home';
  /**
   * Which model of the board, the first when left out.
   */
  model?: number;
}
/**
 * Change the number of rows. A row with beads on the reading side does not go.
 */
export interface MoveRackRows {
  kind: 'rows';
  /**
   * Which model of the board, the first when left out.
   */
  model?: number;
  /**
   * How many rows, 1 to 10.
   */
  count: number;
}
/**
 * Lay a cover over one zone of a model. Its number is not read out until it is shown again.
 */
export interface MoveBoardCover {
  kind: 'cover';
  /**
   * Which model of the board, the first when left out.
   */
  model?: number;
  /**
   * A column (ones), a row (row 1) or one side of it (row 1 left). To show again, an empty zone means all.
   */
  zone: string;
}
/**
 * Show a covered zone again, or all of a model.
 */
export interface MoveBoardUncover {
  kind: 'uncover';
  /**
   * Which model of the board, the first when left out.
   */
  model?: number;
  /**
   * A column (ones), a row (row 1) or one side of it (row 1 left). To show again, an empty zone means all.
   */
  zone: string;
}
/**
 * Put another model beside the others.
 */
export interface MoveBoardAddModel {
  kind: 'addModel';
  /**
   * Which model of the board, the first when left out.
   */
  model?: number;
  /**
   * The kind of the new model.
   */
  of: string;
}
/**
 * Put a model away with its pieces.
 */
export interface MoveBoardRemoveModel {
  kind: 'removeModel';
  /**
   * Which model of the board, the first when left out.
   */
  model?: number;
}
/**
 * Write a title above a model.
 */
export interface MoveBoardTitle {
  kind: 'title';
  /**
   * Which model of the board, the first when left out.
   */
  model?: number;
  /**
   * The title above the model; empty for none.
   */
  title: string;
}
export interface Write {
  /**
   * A number sentence, a cell of the written method, a table row, a bond or a text.
   */
  kind: 'sentence' | 'cell' | 'row' | 'bond' | 'text';
  /**
   * The sentence, the text, or the sign in the cell.
   */
  text?: string;
  /**
   * Of a cell: mark, addend 1, addend 2 or sum.
   */
  row?: string;
  /**
   * A place: a power of ten.
   */
  place?:
    | 'millions'
    | 'hundred thousands'
    | 'ten thousands'
    | 'thousands'
    | 'hundreds'
    | 'tens'
    | 'ones'
    | 'tenths'
    | 'hundredths'
    | 'thousandths';
  /**
   * The pieces that the sign stands for.
   */
  stands?: Select[];
  /**
   * Of a table row: its cells.
   */
  cells?: string[];
  /**
   * Of a bond: the whole.
   */
  whole?: string;
  /**
   * Of a bond: two to four parts.
   */
  parts?: string[];
}
/**
 * The method and problem that made the scene.
 */
export interface Made {
  method: string;
  problem: string;
  answer: string;
  model: string;
  args?: string[];
  options?: {
    [k: string]: string;
  };
}
export interface Entry {
  /**
   * The line.
   */
  text: string;
  /**
   * The scene that it came from.
   */
  scene?: string;
}
export interface Turned {
  outline: Outline;
  frame: Frame;
  edits: Edit[];
}
export interface Outline {
  id: string;
  title: string;
  objective: string;
  words: Words1;
  scenes: SceneLine[];
  record: Entry[];
}
export interface Words1 {
  /**
   * What the class calls making ten of a place into one of the next, and back.
   */
  regroup?: 'bundle' | 'regroup' | 'exchange' | 'trade' | 'rename' | 'carry';
  /**
   * What the class calls the ones.
   */
  ones?: 'ones' | 'units';
}
export interface SceneLine {
  id: string;
  title: string;
  steps: StepLine[];
  show: string[];
  marks: string;
  method?: string;
  problem?: string;
}
export interface StepLine {
  say: string;
  ask: string;
  answer: string;
  look: string;
  moves: number;
  misfit?: string;
}
export interface Frame {
  rev: number;
  scene: string;
  step: number;
  steps: number;
  asked: boolean;
  scratch: boolean;
  canUndo: boolean;
  canRedo: boolean;
  board: BoardView;
  prompt: StepLine;
  written?: Written;
  lines: string[];
  beats?: BoardView[];
  became?: Became[];
}
export interface BoardView {
  models: ModelView[];
  notation: string;
}
export interface ModelView {
  kind: string;
  title: string;
  w: number;
  h: number;
  flags: string[];
  zones: ZoneView[];
  covered: string[];
  readouts: ReadOut[];
  pieces: Pieces;
}
export interface ZoneView {
  id: string;
  label: string;
  count: string;
  x: number;
  y: number;
  w: number;
  h: number;
  side?: boolean;
  one?: string;
  verb?: string;
  move?: Move;
}
export interface ReadOut {
  id: string;
  label: string;
  text: string;
  shown: boolean;
}
export interface Written {
  marks: string;
  places: string[];
  cells: Cell[];
}
export interface Cell {
  row: string;
  place: string;
  text: string;
  ids: number[];
  new: boolean;
}
export interface Became {
  from: number[];
  to: number[];
}
export interface Edit {
  kind: 'play' | 'putScene' | 'removeScene' | 'orderScenes' | 'setLesson' | 'setRecord';
  scene?: string;
  moves?: Move[];
  put?: Scene;
  at?: number;
  order?: string[];
  head?: Head;
  record?: Entry[];
}
export interface Head {
  title: string;
  objective: string;
  words: Words1;
}
export interface Verb {
  label: string;
  ok: boolean;
  why?: string;
  move: Move;
}
export interface MethodInfo {
  id: string;
  title: string;
  doc: string;
  args: string;
  sample: string[];
  models: string[];
  options: Option[];
}
export interface Option {
  name: string;
  doc: string;
  choices: string[];
}
export interface Plain {
  line?: number;
  method: string;
  problem: string;
  answer: string;
  model: string;
  steps: PlainStep[];
  start: Board1;
  end: Board1;
}
export interface PlainStep {
  say: string;
  ask: string;
  answer: string;
  look: string;
  write: Write[];
  moves: Move[];
  total: string;
  unitForm: string;
}
/**
 * One to four models side by side, with the covers over them.
 */
export interface Board1 {
  /**
   * @minItems 1
   * @maxItems 4
   */
  models: Model[];
  /**
   * @maxItems 4
   */
  titles?: string[];
  covers?: Cover[];
}
export interface Reading {
  numeral: string;
  expanded: string;
  unitForm: string;
  words: string;
  wordsWithAnd: string;
  placeWords: string;
  digits: Digit[];
}
export interface Digit {
  place: Place;
  digit: number;
  value: string;
}
