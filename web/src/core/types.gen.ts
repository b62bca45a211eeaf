// Generated from docs/schema/door.schema.json by `make generate`. Do not edit.

/**
 * One model, told by its kind.
 */
export type Model = Blocks | Rack | Counters | Cubes | Discs;
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
  | MoveBlocksBundle
  | MoveBlocksUnbundle
  | MoveBlocksStep
  | MoveBlocksOpenAll
  | MoveBlocksFewest
  | MoveBlocksTake
  | MoveBlocksCross
  | MoveBlocksRestore
  | MoveBlocksRemove
  | MoveBlocksRing
  | MoveBlocksCopy
  | MoveBlocksCounted
  | MoveBlocksJoin
  | MoveBlocksApart
  | MoveBlocksTidy
  | MoveBlocksClear
  | MoveBlocksLay
  | MoveBlocksView
  | MoveBlocksStyle
  | MoveBlocksColour
  | MoveBlocksNames
  | MoveBlocksColumns
  | MoveRackSlide
  | MoveRackBuild
  | MoveRackMore
  | MoveRackLess
  | MoveRackHome
  | MoveRackRows
  | MoveRackRing
  | MoveCountersBuild
  | MoveCountersPlace
  | MoveCountersStep
  | MoveCountersFlip
  | MoveCountersParts
  | MoveCountersSwap
  | MoveCountersWays
  | MoveCountersFrames
  | MoveCountersGrow
  | MoveCountersCopyFrame
  | MoveCountersTurn
  | MoveCountersSplit
  | MoveCountersFill
  | MoveCountersNumerals
  | MoveCountersSkip
  | MoveCountersArray
  | MoveCountersGroups
  | MoveCountersShare
  | MoveCountersGather
  | MoveCountersGroupsOf
  | MoveCountersPut
  | MoveCountersLineUp
  | MoveCountersScatter
  | MoveCountersLay
  | MoveCountersLook
  | MoveCountersUnit
  | MoveCountersTidy
  | MoveCountersClear
  | MoveCountersTake
  | MoveCountersCross
  | MoveCountersRestore
  | MoveCountersRemove
  | MoveCountersRing
  | MoveCountersCopy
  | MoveCountersCounted
  | MoveCubesBuild
  | MoveCubesPlace
  | MoveCubesAdd
  | MoveCubesSnap
  | MoveCubesJoin
  | MoveCubesColour
  | MoveCubesColourTrains
  | MoveCubesLargerFirst
  | MoveCubesTower
  | MoveCubesOpen
  | MoveCubesTidy
  | MoveCubesClear
  | MoveCubesTake
  | MoveCubesCross
  | MoveCubesRestore
  | MoveCubesRemove
  | MoveCubesRing
  | MoveCubesCopy
  | MoveCubesCounted
  | MoveDiscsBuild
  | MoveDiscsPlace
  | MoveDiscsBundle
  | MoveDiscsUnbundle
  | MoveDiscsStep
  | MoveDiscsOpenAll
  | MoveDiscsFewest
  | MoveDiscsShift
  | MoveDiscsShiftDisc
  | MoveDiscsDropStart
  | MoveDiscsColumns
  | MoveDiscsRows
  | MoveDiscsJoin
  | MoveDiscsStyle
  | MoveDiscsCards
  | MoveDiscsDigits
  | MoveDiscsGroups
  | MoveDiscsShare
  | MoveDiscsPut
  | MoveDiscsGather
  | MoveDiscsTidy
  | MoveDiscsClear
  | MoveDiscsTake
  | MoveDiscsCross
  | MoveDiscsRestore
  | MoveDiscsRemove
  | MoveDiscsRing
  | MoveDiscsCopy
  | MoveDiscsCounted
  | MoveBoardCover
  | MoveBoardUncover
  | MoveBoardMoveCover
  | MoveBoardAddModel
  | MoveBoardRemoveModel
  | MoveBoardTitle
  | MoveBoardWidth
  | MoveBoardReorder
  | MoveBoardLink
  | MoveBoardUnlink
  | MoveBoardKeep
  | MoveBoardDropKept
  | MoveBoardBeside;
/**
 * Pieces as drawn: [id, look, x, y, w, h, part, marks] in model units, and the text on it, if any.
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
  reached: Reached;
  acts: Acts;
  builds: Builds;
  verdict: Verdict;
  overlay: Overlay;
  captured: Captured;
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
  /**
   * What the class calls a whole with its parts.
   */
  bond?: 'number bond' | 'part-whole model';
  /**
   * What the class calls the subject.
   */
  maths?: 'maths' | 'math';
  /**
   * The names of the four blocks, smallest first, parted by commas: cube, long, flat, big cube.
   */
  shapes?: string;
  /**
   * Everyday names of the columns from the ones up, parted by commas: bulbs, bags, trays, crates.
   */
  columns?: string;
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
  /**
   * What is drawn over the board.
   *
   * @maxItems 500
   */
  ink?: Stroke[];
  /**
   * Texts placed on the board.
   *
   * @maxItems 60
   */
  notes?: Note[];
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
  /**
   * What surrounds each model; left out when there is nothing.
   *
   * @maxItems 4
   */
  tiles?: Tile[];
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
   * By place when left out.
   */
  colour?: 'place' | 'addend' | 'plain';
  /**
   * The names of the places and of their shapes are shown.
   */
  names?: boolean;
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
  /**
   * The addend or colour, 0 for none.
   */
  part?: number;
  state?: 'play' | 'crossed' | 'taken' | 'spent' | 'copy';
  /**
   * The group or train, from 1.
   */
  group?: number;
  /**
   * The other face of a two-sided counter.
   */
  mint?: boolean;
  new?: boolean;
  ringed?: boolean;
  /**
   * Which ring, when there are several; the first when not said.
   */
  ring?: number;
  /**
   * A copy in the start row of a chart.
   */
  start?: boolean;
  /**
   * Free positions in model units, one for each piece of the run.
   */
  at?: number[][];
  /**
   * The frame, from 1.
   */
  frame?: number;
  /**
   * Cells of the frame from 0, one for each piece of the run.
   */
  cells?: number[];
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
  /**
   * The beads of each ring.
   *
   * @maxItems 12
   */
  rings?: Span[][];
}
export interface Span {
  /**
   * The row, 1 at the top.
   */
  row: number;
  /**
   * The first bead, 1 at the left.
   */
  from: number;
  /**
   * The last bead.
   */
  to: number;
}
export interface Counters {
  kind: 'counters';
  /**
   * @maxItems 60
   */
  frames?: CounterFrame[];
  groups?: number;
  /**
   * How frames fill; by rows when left out.
   */
  fill?: 'rows' | 'pairs';
  /**
   * The cells are numbered.
   */
  numerals?: boolean;
  /**
   * Skip-counting along the edge of the frames.
   */
  skip?: boolean;
  /**
   * Loose counters line up in fives.
   */
  fives?: boolean;
  /**
   * What the counters look like.
   */
  look?: 'counter' | 'bulb' | 'seed' | 'leaf' | 'snail' | 'bee' | 'pot';
  colouring?: number;
  /**
   * What the counters count.
   */
  unit?: string;
  pieces: Run[];
}
export interface CounterFrame {
  rows: number;
  columns: number;
  /**
   * Rows (or columns, when across) before the shading begins; 0 for no shading.
   */
  split?: number;
  /**
   * The split parts columns rather than rows.
   */
  across?: boolean;
}
export interface Cubes {
  kind: 'cubes';
  pieces: Run[];
}
export interface Discs {
  kind: 'discs';
  /**
   * A place: a power of ten.
   */
  top:
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
   * A place: a power of ten.
   */
  bottom:
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
  rows?: number;
  /**
   * Tracks to share into.
   */
  groups?: number;
  /**
   * Labelled discs when left out.
   */
  style?: 'discs' | 'dots';
  /**
   * Digit cards follow the discs.
   */
  cards?: boolean;
  /**
   * A place: a power of ten.
   */
  cardsTo?:
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
   * Digit cards alone, as a written number.
   */
  digits?: string;
  pieces: Run[];
}
export interface Tile {
  /**
   * Hundredths of an even share of the board; even when left out.
   */
  width?: number;
  /**
   * Linked models show one number.
   */
  linked?: boolean;
  /**
   * Read-outs that stand beside the model.
   */
  beside?: string[];
  /**
   * Earlier states, frozen and not counted.
   *
   * @maxItems 3
   */
  kept?: Model[];
}
export interface Cover {
  model: number;
  zone: string;
  at?: Rect;
}
/**
 * A rectangle in model units from the zone's corner; the whole zone when left out.
 */
export interface Rect {
  x: number;
  y: number;
  w: number;
  h: number;
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
   * Played by itself, the example waits here.
   */
  pause?: boolean;
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
   * A number (146), a unit form (14 tens 6 ones), or to build at once, addends (146 + 87).
   */
  amount: string;
  /**
   * The addend that the pieces belong to; 0 for none.
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
   * A number (146), a unit form (14 tens 6 ones), or to build at once, addends (146 + 87).
   */
  amount: string;
  /**
   * The addend that the pieces belong to; 0 for none.
   */
  part?: number;
}
/**
 * Ten pieces of a place become one of the next.
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
   * Which pieces; the lowest slots in play when left out.
   */
  pieces?: Select[];
  /**
   * Leave the bundled pieces crossed out, out of play.
   */
  trace?: boolean;
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
  state?: 'play' | 'crossed' | 'taken' | 'spent' | 'copy' | 'any';
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
 * A piece becomes ten of the next smaller place, or is opened further, place by place.
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
   * How many pieces; 1 when left out.
   */
  count?: number;
  /**
   * Which pieces; the lowest slots in play when left out.
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
 * One more or one less at a place, crossing tens and hundreds by a bundle or an unbundle that is seen.
 */
export interface MoveBlocksStep {
  kind: 'step';
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
   * Down rather than up.
   */
  down?: boolean;
}
/**
 * Show all that is in play in ones, or in another place.
 */
export interface MoveBlocksOpenAll {
  kind: 'openAll';
  /**
   * Which model of the board, the first when left out.
   */
  model?: number;
  /**
   * A place: a power of ten.
   */
  to:
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
 * Bundle wherever there are ten or more: the fewest pieces that show the number.
 */
export interface MoveBlocksFewest {
  kind: 'fewest';
  /**
   * Which model of the board, the first when left out.
   */
  model?: number;
}
/**
 * Take pieces away to the Taken tray.
 */
export interface MoveBlocksTake {
  kind: 'take';
  /**
   * Which model of the board, the first when left out.
   */
  model?: number;
  /**
   * Which pieces.
   */
  pieces: Select[];
}
/**
 * Cross pieces out where they lie.
 */
export interface MoveBlocksCross {
  kind: 'cross';
  /**
   * Which model of the board, the first when left out.
   */
  model?: number;
  /**
   * Which pieces.
   */
  pieces: Select[];
}
/**
 * Put crossed-out or taken pieces back in play.
 */
export interface MoveBlocksRestore {
  kind: 'restore';
  /**
   * Which model of the board, the first when left out.
   */
  model?: number;
  /**
   * Which pieces.
   */
  pieces: Select[];
}
/**
 * Put pieces away without a trace.
 */
export interface MoveBlocksRemove {
  kind: 'remove';
  /**
   * Which model of the board, the first when left out.
   */
  model?: number;
  /**
   * Which pieces.
   */
  pieces: Select[];
}
/**
 * Ring pieces; rings drawn before go, unless this one stands beside them.
 */
export interface MoveBlocksRing {
  kind: 'ring';
  /**
   * Which model of the board, the first when left out.
   */
  model?: number;
  /**
   * Which pieces.
   */
  pieces: Select[];
  /**
   * The rings drawn before stay.
   */
  beside?: boolean;
}
/**
 * Lay copies of pieces beside them, to compare. Copies are not in play.
 */
export interface MoveBlocksCopy {
  kind: 'copy';
  /**
   * Which model of the board, the first when left out.
   */
  model?: number;
  /**
   * Which pieces.
   */
  pieces: Select[];
}
/**
 * Take the mark off new pieces.
 */
export interface MoveBlocksCounted {
  kind: 'counted';
  /**
   * Which model of the board, the first when left out.
   */
  model?: number;
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
 * Loose blocks go to their slots; rings, marks, copies and traces are put away.
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
   * Which pieces.
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
 * Colours tell the place or the addend, or all blocks are plain.
 */
export interface MoveBlocksColour {
  kind: 'colour';
  /**
   * Which model of the board, the first when left out.
   */
  model?: number;
  /**
   * place, addend or plain.
   */
  by: 'place' | 'addend' | 'plain';
}
/**
 * Show the names of the places and the shapes that repeat, each ten times the one before.
 */
export interface MoveBlocksNames {
  kind: 'names';
  /**
   * Which model of the board, the first when left out.
   */
  model?: number;
  /**
   * Whether the strip is shown.
   */
  shown: boolean;
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
 * Add a number as in the head: whole rows for the tens, then the ones; each push is seen.
 */
export interface MoveRackMore {
  kind: 'more';
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
 * Take a number away as in the head: whole rows for the tens, then the ones; each push is seen.
 */
export interface MoveRackLess {
  kind: 'less';
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
 * Ring beads that are read; rings drawn before go, unless this one stands beside them. A push takes all rings off.
 */
export interface MoveRackRing {
  kind: 'ring';
  /**
   * Which model of the board, the first when left out.
   */
  model?: number;
  /**
   * Beads on the reading side.
   *
   * @minItems 1
   * @maxItems 20
   */
  beads: Span[];
  /**
   * The rings drawn before stay.
   */
  beside?: boolean;
}
/**
 * Put so many counters on the mat, in place of those there: 9, or 6 + 3 in two colours.
 */
export interface MoveCountersBuild {
  kind: 'build';
  /**
   * Which model of the board, the first when left out.
   */
  model?: number;
  /**
   * A whole number (9), or one for each colour (6 + 3).
   */
  amount: string;
}
/**
 * Put more counters down; they fill the cells in order, and what does not fit stays beside.
 */
export interface MoveCountersPlace {
  kind: 'place';
  /**
   * Which model of the board, the first when left out.
   */
  model?: number;
  /**
   * How many counters.
   */
  count: number;
  /**
   * With the mint face up.
   */
  mint?: boolean;
  /**
   * Into this group, from 1; on the mat when left out.
   */
  group?: number;
  /**
   * Into the free cells of this frame, from 1; into those of any when left out.
   */
  frame?: number;
}
/**
 * So many more into the next cells, or so many fewer.
 */
export interface MoveCountersStep {
  kind: 'step';
  /**
   * Which model of the board, the first when left out.
   */
  model?: number;
  /**
   * How many.
   */
  by: number;
  /**
   * Fewer rather than more.
   */
  down?: boolean;
}
/**
 * Turn counters over to their other face.
 */
export interface MoveCountersFlip {
  kind: 'flip';
  /**
   * Which model of the board, the first when left out.
   */
  model?: number;
  /**
   * Which pieces.
   */
  pieces: Select[];
}
/**
 * Show the whole as two parts: so many of the first colour, the rest of the second.
 */
export interface MoveCountersParts {
  kind: 'parts';
  /**
   * Which model of the board, the first when left out.
   */
  model?: number;
  /**
   * Counters of the first part; the rest are the second.
   */
  first: number;
}
/**
 * The two parts change places, each with its colour.
 */
export interface MoveCountersSwap {
  kind: 'swap';
  /**
   * Which model of the board, the first when left out.
   */
  model?: number;
}
/**
 * All ways to make the number of two parts, as a stack of frames in order.
 */
export interface MoveCountersWays {
  kind: 'ways';
  /**
   * Which model of the board, the first when left out.
   */
  model?: number;
  /**
   * Only ways with at least one of each colour.
   */
  both?: boolean;
}
/**
 * Set the frames of the mat, rows by columns; the counters fill them.
 */
export interface MoveCountersFrames {
  kind: 'frames';
  /**
   * Which model of the board, the first when left out.
   */
  model?: number;
  /**
   * Rows of a frame.
   */
  rows: number;
  /**
   * Columns of a frame.
   */
  columns: number;
  /**
   * How many frames; 0 for none.
   */
  count: number;
}
/**
 * A frame grows or shrinks by a row or a column; a full one stays full.
 */
export interface MoveCountersGrow {
  kind: 'grow';
  /**
   * Which model of the board, the first when left out.
   */
  model?: number;
  /**
   * The frame, from 1.
   */
  frame: number;
  /**
   * By a column rather than a row.
   */
  across?: boolean;
  /**
   * Shrink rather than grow.
   */
  less?: boolean;
}
/**
 * Put a copy of a frame with its counters beside it.
 */
export interface MoveCountersCopyFrame {
  kind: 'copyFrame';
  /**
   * Which model of the board, the first when left out.
   */
  model?: number;
  /**
   * The frame, from 1.
   */
  frame: number;
}
/**
 * Turn a frame on its side: 3 rows of 4 become 4 rows of 3.
 */
export interface MoveCountersTurn {
  kind: 'turn';
  /**
   * Which model of the board, the first when left out.
   */
  model?: number;
  /**
   * The frame, from 1.
   */
  frame: number;
}
/**
 * Shade the frames after so many rows or columns.
 */
export interface MoveCountersSplit {
  kind: 'split';
  /**
   * Which model of the board, the first when left out.
   */
  model?: number;
  /**
   * Rows before the shading begins; 0 for none.
   */
  after: number;
  /**
   * Columns rather than rows.
   */
  across?: boolean;
}
/**
 * Fill the frames anew, by rows or in pairs.
 */
export interface MoveCountersFill {
  kind: 'fill';
  /**
   * Which model of the board, the first when left out.
   */
  model?: number;
  /**
   * rows or pairs.
   */
  by: 'rows' | 'pairs';
}
/**
 * Number the cells of the frames.
 */
export interface MoveCountersNumerals {
  kind: 'numerals';
  /**
   * Which model of the board, the first when left out.
   */
  model?: number;
  /**
   * Whether it is shown.
   */
  shown: boolean;
}
/**
 * Count in steps along the edge of the frames.
 */
export interface MoveCountersSkip {
  kind: 'skip';
  /**
   * Which model of the board, the first when left out.
   */
  model?: number;
  /**
   * Whether it is shown.
   */
  shown: boolean;
}
/**
 * Set one full frame: so many rows of so many.
 */
export interface MoveCountersArray {
  kind: 'array';
  /**
   * Which model of the board, the first when left out.
   */
  model?: number;
  /**
   * Rows of a frame.
   */
  rows: number;
  /**
   * Columns of a frame.
   */
  columns: number;
  /**
   * How many frames; 0 for none.
   */
  count: number;
}
/**
 * Set the number of groups; the counters are kept.
 */
export interface MoveCountersGroups {
  kind: 'groups';
  /**
   * Which model of the board, the first when left out.
   */
  model?: number;
  /**
   * How many groups; 0 for none.
   */
  count: number;
}
/**
 * Deal counters round the groups, one to each at a time, so often or until no full round is left.
 */
export interface MoveCountersShare {
  kind: 'share';
  /**
   * Which model of the board, the first when left out.
   */
  model?: number;
  /**
   * How many times one is dealt to each group; until no full round is left when left out.
   */
  rounds?: number;
}
/**
 * Bring all counters out of the groups.
 */
export interface MoveCountersGather {
  kind: 'gather';
  /**
   * Which model of the board, the first when left out.
   */
  model?: number;
}
/**
 * Make groups of a given size; the rest are left over.
 */
export interface MoveCountersGroupsOf {
  kind: 'groupsOf';
  /**
   * Which model of the board, the first when left out.
   */
  model?: number;
  /**
   * Counters in each group.
   */
  size: number;
}
/**
 * Put counters into a group, into the cells of a frame, or out of all.
 */
export interface MoveCountersPut {
  kind: 'put';
  /**
   * Which model of the board, the first when left out.
   */
  model?: number;
  /**
   * Which counters.
   */
  pieces: Select[];
  /**
   * The group, from 1; 0 for none.
   */
  group: number;
  /**
   * The frame, from 1, instead of a group.
   */
  frame?: number;
  /**
   * The cell of the frame to fill first, from 1; when it is left out or not free, the first that is.
   */
  cell?: number;
}
/**
 * Line loose counters up in fives or in tens.
 */
export interface MoveCountersLineUp {
  kind: 'lineUp';
  /**
   * Which model of the board, the first when left out.
   */
  model?: number;
  /**
   * 5 or 10.
   */
  by: 5 | 10;
}
/**
 * Scatter the counters over the mat, on purpose.
 */
export interface MoveCountersScatter {
  kind: 'scatter';
  /**
   * Which model of the board, the first when left out.
   */
  model?: number;
  /**
   * The same seed gives the same places.
   */
  seed?: number;
}
/**
 * Move counters freely on the mat.
 */
export interface MoveCountersLay {
  kind: 'lay';
  /**
   * Which model of the board, the first when left out.
   */
  model?: number;
  /**
   * Which pieces.
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
 * Change the shape or the colours of all counters; they stay where they lie.
 */
export interface MoveCountersLook {
  kind: 'look';
  /**
   * Which model of the board, the first when left out.
   */
  model?: number;
  /**
   * The shape; unchanged when left out.
   */
  shape?: 'counter' | 'bulb' | 'seed' | 'leaf' | 'snail' | 'bee' | 'pot';
  /**
   * The pair of colours; unchanged when left out.
   */
  colouring?: number;
}
/**
 * Rename what the counters count: 8 bulbs become 8 thousands.
 */
export interface MoveCountersUnit {
  kind: 'unit';
  /**
   * Which model of the board, the first when left out.
   */
  model?: number;
  /**
   * The unit in the plural, like thousands; empty for counters.
   */
  name: string;
}
/**
 * Loose counters line up or fill the cells; rings, marks and copies are put away.
 */
export interface MoveCountersTidy {
  kind: 'tidy';
  /**
   * Which model of the board, the first when left out.
   */
  model?: number;
}
/**
 * Put all counters away; frames and groups stay.
 */
export interface MoveCountersClear {
  kind: 'clear';
  /**
   * Which model of the board, the first when left out.
   */
  model?: number;
}
/**
 * Take pieces away to the Taken tray.
 */
export interface MoveCountersTake {
  kind: 'take';
  /**
   * Which model of the board, the first when left out.
   */
  model?: number;
  /**
   * Which pieces.
   */
  pieces: Select[];
}
/**
 * Cross pieces out where they lie.
 */
export interface MoveCountersCross {
  kind: 'cross';
  /**
   * Which model of the board, the first when left out.
   */
  model?: number;
  /**
   * Which pieces.
   */
  pieces: Select[];
}
/**
 * Put crossed-out or taken pieces back in play.
 */
export interface MoveCountersRestore {
  kind: 'restore';
  /**
   * Which model of the board, the first when left out.
   */
  model?: number;
  /**
   * Which pieces.
   */
  pieces: Select[];
}
/**
 * Put pieces away without a trace.
 */
export interface MoveCountersRemove {
  kind: 'remove';
  /**
   * Which model of the board, the first when left out.
   */
  model?: number;
  /**
   * Which pieces.
   */
  pieces: Select[];
}
/**
 * Ring pieces; rings drawn before go, unless this one stands beside them.
 */
export interface MoveCountersRing {
  kind: 'ring';
  /**
   * Which model of the board, the first when left out.
   */
  model?: number;
  /**
   * Which pieces.
   */
  pieces: Select[];
  /**
   * The rings drawn before stay.
   */
  beside?: boolean;
}
/**
 * Lay copies of pieces beside them, to compare. Copies are not in play.
 */
export interface MoveCountersCopy {
  kind: 'copy';
  /**
   * Which model of the board, the first when left out.
   */
  model?: number;
  /**
   * Which pieces.
   */
  pieces: Select[];
}
/**
 * Take the mark off new pieces.
 */
export interface MoveCountersCounted {
  kind: 'counted';
  /**
   * Which model of the board, the first when left out.
   */
  model?: number;
}
/**
 * Put so many cubes on the board, in place of those there: one train (9), a train of parts (5 + 4), or towers and a train (23).
 */
export interface MoveCubesBuild {
  kind: 'build';
  /**
   * Which model of the board, the first when left out.
   */
  model?: number;
  /**
   * A whole number (9), parts of a train (5 + 4), or a unit form with towers (2 tens 3 ones).
   */
  amount: string;
}
/**
 * Lay a new train.
 */
export interface MoveCubesPlace {
  kind: 'place';
  /**
   * Which model of the board, the first when left out.
   */
  model?: number;
  /**
   * Cubes in the train.
   */
  count: number;
  /**
   * The colour, from 1; 0 for the plain one.
   */
  part?: number;
}
/**
 * Put cubes on the end of a train.
 */
export interface MoveCubesAdd {
  kind: 'add';
  /**
   * Which model of the board, the first when left out.
   */
  model?: number;
  /**
   * The train, from 1.
   */
  train: number;
  /**
   * How many cubes.
   */
  count: number;
  /**
   * Their colour, from 1; 0 for the plain one.
   */
  part?: number;
}
/**
 * Snap a train between two cubes, at a chosen place or at random.
 */
export interface MoveCubesSnap {
  kind: 'snap';
  /**
   * Which model of the board, the first when left out.
   */
  model?: number;
  /**
   * The train, from 1.
   */
  train: number;
  /**
   * Cubes before the snap; 0 for a place at random.
   */
  after?: number;
  /**
   * For a place at random: the same seed gives the same place.
   */
  seed?: number;
}
/**
 * Join a train to the end of another.
 */
export interface MoveCubesJoin {
  kind: 'join';
  /**
   * Which model of the board, the first when left out.
   */
  model?: number;
  /**
   * The train that comes first.
   */
  train: number;
  /**
   * The train that is joined to its end.
   */
  with: number;
}
/**
 * Colour cubes, so that parts are told apart.
 */
export interface MoveCubesColour {
  kind: 'colour';
  /**
   * Which model of the board, the first when left out.
   */
  model?: number;
  /**
   * Which cubes.
   */
  pieces: Select[];
  /**
   * The colour, from 1; 0 for the plain one.
   */
  part: number;
}
/**
 * Give each train a colour of its own.
 */
export interface MoveCubesColourTrains {
  kind: 'colourTrains';
  /**
   * Which model of the board, the first when left out.
   */
  model?: number;
}
/**
 * Bring the longest train to the top, to count on from it.
 */
export interface MoveCubesLargerFirst {
  kind: 'largerFirst';
  /**
   * Which model of the board, the first when left out.
   */
  model?: number;
}
/**
 * Ten cubes of a train become a tower of ten.
 */
export interface MoveCubesTower {
  kind: 'tower';
  /**
   * Which model of the board, the first when left out.
   */
  model?: number;
  /**
   * The train, from 1.
   */
  train: number;
}
/**
 * A tower becomes a train of ten cubes.
 */
export interface MoveCubesOpen {
  kind: 'open';
  /**
   * Which model of the board, the first when left out.
   */
  model?: number;
}
/**
 * Rings, marks and copies are put away.
 */
export interface MoveCubesTidy {
  kind: 'tidy';
  /**
   * Which model of the board, the first when left out.
   */
  model?: number;
}
/**
 * Put all cubes away.
 */
export interface MoveCubesClear {
  kind: 'clear';
  /**
   * Which model of the board, the first when left out.
   */
  model?: number;
}
/**
 * Take pieces away to the Taken tray.
 */
export interface MoveCubesTake {
  kind: 'take';
  /**
   * Which model of the board, the first when left out.
   */
  model?: number;
  /**
   * Which pieces.
   */
  pieces: Select[];
}
/**
 * Cross pieces out where they lie.
 */
export interface MoveCubesCross {
  kind: 'cross';
  /**
   * Which model of the board, the first when left out.
   */
  model?: number;
  /**
   * Which pieces.
   */
  pieces: Select[];
}
/**
 * Put crossed-out or taken pieces back in play.
 */
export interface MoveCubesRestore {
  kind: 'restore';
  /**
   * Which model of the board, the first when left out.
   */
  model?: number;
  /**
   * Which pieces.
   */
  pieces: Select[];
}
/**
 * Put pieces away without a trace.
 */
export interface MoveCubesRemove {
  kind: 'remove';
  /**
   * Which model of the board, the first when left out.
   */
  model?: number;
  /**
   * Which pieces.
   */
  pieces: Select[];
}
/**
 * Ring pieces; rings drawn before go, unless this one stands beside them.
 */
export interface MoveCubesRing {
  kind: 'ring';
  /**
   * Which model of the board, the first when left out.
   */
  model?: number;
  /**
   * Which pieces.
   */
  pieces: Select[];
  /**
   * The rings drawn before stay.
   */
  beside?: boolean;
}
/**
 * Lay copies of pieces beside them, to compare. Copies are not in play.
 */
export interface MoveCubesCopy {
  kind: 'copy';
  /**
   * Which model of the board, the first when left out.
   */
  model?: number;
  /**
   * Which pieces.
   */
  pieces: Select[];
}
/**
 * Take the mark off new pieces.
 */
export interface MoveCubesCounted {
  kind: 'counted';
  /**
   * Which model of the board, the first when left out.
   */
  model?: number;
}
/**
 * Put the number on the board at once, in place of what is there.
 */
export interface MoveDiscsBuild {
  kind: 'build';
  /**
   * Which model of the board, the first when left out.
   */
  model?: number;
  /**
   * A number (146), a unit form (14 tens 6 ones), or to build at once, addends (146 + 87).
   */
  amount: string;
  /**
   * The addend that the pieces belong to; 0 for none.
   */
  part?: number;
}
/**
 * Put an amount on the board beside what is there.
 */
export interface MoveDiscsPlace {
  kind: 'place';
  /**
   * Which model of the board, the first when left out.
   */
  model?: number;
  /**
   * A number (146), a unit form (14 tens 6 ones), or to build at once, addends (146 + 87).
   */
  amount: string;
  /**
   * The addend that the pieces belong to; 0 for none.
   */
  part?: number;
}
/**
 * Ten pieces of a place become one of the next.
 */
export interface MoveDiscsBundle {
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
   * Which pieces; the lowest slots in play when left out.
   */
  pieces?: Select[];
  /**
   * Leave the bundled pieces crossed out, out of play.
   */
  trace?: boolean;
}
/**
 * A piece becomes ten of the next smaller place, or is opened further, place by place.
 */
export interface MoveDiscsUnbundle {
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
   * How many pieces; 1 when left out.
   */
  count?: number;
  /**
   * Which pieces; the lowest slots in play when left out.
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
 * One more or one less at a place, crossing tens and hundreds by a bundle or an unbundle that is seen.
 */
export interface MoveDiscsStep {
  kind: 'step';
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
   * Down rather than up.
   */
  down?: boolean;
}
/**
 * Show all that is in play in ones, or in another place.
 */
export interface MoveDiscsOpenAll {
  kind: 'openAll';
  /**
   * Which model of the board, the first when left out.
   */
  model?: number;
  /**
   * A place: a power of ten.
   */
  to:
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
 * Bundle wherever there are ten or more: the fewest pieces that show the number.
 */
export interface MoveDiscsFewest {
  kind: 'fewest';
  /**
   * Which model of the board, the first when left out.
   */
  model?: number;
}
/**
 * Multiply or divide the whole number by 10, 100 or 1,000: every digit goes along, the point stays.
 */
export interface MoveDiscsShift {
  kind: 'shift';
  /**
   * Which model of the board, the first when left out.
   */
  model?: number;
  /**
   * Places to the left: 1 is × 10, -2 is ÷ 100.
   */
  by: number;
  /**
   * Column by column, each step seen.
   */
  steps?: boolean;
  /**
   * Keep a row above that shows what the shift began with.
   */
  keep?: boolean;
}
/**
 * Shift single discs to another column.
 */
export interface MoveDiscsShiftDisc {
  kind: 'shiftDisc';
  /**
   * Which model of the board, the first when left out.
   */
  model?: number;
  /**
   * Which discs.
   */
  pieces: Select[];
  /**
   * Places to the left.
   */
  by: number;
}
/**
 * Put the start row away.
 */
export interface MoveDiscsDropStart {
  kind: 'dropStart';
  /**
   * Which model of the board, the first when left out.
   */
  model?: number;
}
/**
 * Choose the columns that are shown though empty; others appear when they are needed.
 */
export interface MoveDiscsColumns {
  kind: 'columns';
  /**
   * Which model of the board, the first when left out.
   */
  model?: number;
  /**
   * A place: a power of ten.
   */
  top:
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
   * A place: a power of ten.
   */
  bottom:
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
 * Set the number of rows.
 */
export interface MoveDiscsRows {
  kind: 'rows';
  /**
   * Which model of the board, the first when left out.
   */
  model?: number;
  /**
   * How many.
   */
  count: number;
}
/**
 * Bring the discs of all rows into one.
 */
export interface MoveDiscsJoin {
  kind: 'join';
  /**
   * Which model of the board, the first when left out.
   */
  model?: number;
}
/**
 * Labelled discs or plain dots.
 */
export interface MoveDiscsStyle {
  kind: 'style';
  /**
   * Which model of the board, the first when left out.
   */
  model?: number;
  /**
   * discs or dots.
   */
  style: 'discs' | 'dots';
}
/**
 * Digit cards below the chart follow the discs; they may reach further down, with zeros where digits lack.
 */
export interface MoveDiscsCards {
  kind: 'cards';
  /**
   * Which model of the board, the first when left out.
   */
  model?: number;
  /**
   * Whether they are shown.
   */
  shown: boolean;
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
 * Lay digit cards alone on the chart.
 */
export interface MoveDiscsDigits {
  kind: 'digits';
  /**
   * Which model of the board, the first when left out.
   */
  model?: number;
  /**
   * The number as written; empty for none.
   */
  number: string;
}
/**
 * Set the number of tracks to share into; the discs are kept.
 */
export interface MoveDiscsGroups {
  kind: 'groups';
  /**
   * Which model of the board, the first when left out.
   */
  model?: number;
  /**
   * How many.
   */
  count: number;
}
/**
 * Deal the discs of a place round the tracks, one to each at a time; the rest stay in the chart.
 */
export interface MoveDiscsShare {
  kind: 'share';
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
 * Put discs on a track, or back into the chart.
 */
export interface MoveDiscsPut {
  kind: 'put';
  /**
   * Which model of the board, the first when left out.
   */
  model?: number;
  /**
   * Which discs.
   */
  pieces: Select[];
  /**
   * The track, from 1; 0 for the chart.
   */
  group: number;
}
/**
 * Bring all discs back into the chart.
 */
export interface MoveDiscsGather {
  kind: 'gather';
  /**
   * Which model of the board, the first when left out.
   */
  model?: number;
}
/**
 * Rings, marks, copies and traces are put away.
 */
export interface MoveDiscsTidy {
  kind: 'tidy';
  /**
   * Which model of the board, the first when left out.
   */
  model?: number;
}
/**
 * Put all discs away.
 */
export interface MoveDiscsClear {
  kind: 'clear';
  /**
   * Which model of the board, the first when left out.
   */
  model?: number;
}
/**
 * Take pieces away to the Taken tray.
 */
export interface MoveDiscsTake {
  kind: 'take';
  /**
   * Which model of the board, the first when left out.
   */
  model?: number;
  /**
   * Which pieces.
   */
  pieces: Select[];
}
/**
 * Cross pieces out where they lie.
 */
export interface MoveDiscsCross {
  kind: 'cross';
  /**
   * Which model of the board, the first when left out.
   */
  model?: number;
  /**
   * Which pieces.
   */
  pieces: Select[];
}
/**
 * Put crossed-out or taken pieces back in play.
 */
export interface MoveDiscsRestore {
  kind: 'restore';
  /**
   * Which model of the board, the first when left out.
   */
  model?: number;
  /**
   * Which pieces.
   */
  pieces: Select[];
}
/**
 * Put pieces away without a trace.
 */
export interface MoveDiscsRemove {
  kind: 'remove';
  /**
   * Which model of the board, the first when left out.
   */
  model?: number;
  /**
   * Which pieces.
   */
  pieces: Select[];
}
/**
 * Ring pieces; rings drawn before go, unless this one stands beside them.
 */
export interface MoveDiscsRing {
  kind: 'ring';
  /**
   * Which model of the board, the first when left out.
   */
  model?: number;
  /**
   * Which pieces.
   */
  pieces: Select[];
  /**
   * The rings drawn before stay.
   */
  beside?: boolean;
}
/**
 * Lay copies of pieces beside them, to compare. Copies are not in play.
 */
export interface MoveDiscsCopy {
  kind: 'copy';
  /**
   * Which model of the board, the first when left out.
   */
  model?: number;
  /**
   * Which pieces.
   */
  pieces: Select[];
}
/**
 * Take the mark off new pieces.
 */
export interface MoveDiscsCounted {
  kind: 'counted';
  /**
   * Which model of the board, the first when left out.
   */
  model?: number;
}
/**
 * Lay a cover over a zone of a model, or over any rectangle of it. Its number is not read out until it is shown again.
 */
export interface MoveBoardCover {
  kind: 'cover';
  /**
   * Which model of the board, the first when left out.
   */
  model?: number;
  /**
   * A column (ones), a row (row 1), one side of it (row 1 left), or all; all when left out.
   */
  zone?: string;
  at?: Rect1;
}
/**
 * A rectangle of the zone, in model units from its corner; the whole zone when left out.
 */
export interface Rect1 {
  x: number;
  y: number;
  w: number;
  h: number;
}
/**
 * Show again what is covered: one cover, a zone, or all of a model.
 */
export interface MoveBoardUncover {
  kind: 'uncover';
  /**
   * Which model of the board, the first when left out.
   */
  model?: number;
  /**
   * Every cover of this zone; all covers of the model when left out.
   */
  zone?: string;
  /**
   * One cover of the board, counted from 0.
   */
  index?: number;
}
/**
 * Move a cover, or change its size.
 */
export interface MoveBoardMoveCover {
  kind: 'moveCover';
  /**
   * Which model of the board, the first when left out.
   */
  model?: number;
  /**
   * The cover, counted from 0.
   */
  index: number;
  /**
   * The zone that the rectangle lies on; all when left out.
   */
  zone?: string;
  at: Rect2;
}
/**
 * Where it lies then, in model units from the zone's corner.
 */
export interface Rect2 {
  x: number;
  y: number;
  w: number;
  h: number;
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
/**
 * Give a model more or less of the board.
 */
export interface MoveBoardWidth {
  kind: 'width';
  /**
   * Which model of the board, the first when left out.
   */
  model?: number;
  /**
   * Hundredths of an even share.
   */
  share: number;
}
/**
 * Bring a model to another place in the row.
 */
export interface MoveBoardReorder {
  kind: 'reorder';
  /**
   * Which model of the board, the first when left out.
   */
  model?: number;
  /**
   * The model's new place, counted from 0.
   */
  to: number;
}
/**
 * Two models show one number from now on: this one takes on the other's. Changing one changes the other.
 */
export interface MoveBoardLink {
  kind: 'link';
  /**
   * Which model of the board, the first when left out.
   */
  model?: number;
  /**
   * The model whose number this one takes on, counted from 0.
   */
  with: number;
}
/**
 * A model shows its own number again.
 */
export interface MoveBoardUnlink {
  kind: 'unlink';
  /**
   * Which model of the board, the first when left out.
   */
  model?: number;
}
/**
 * Keep a copy of the model as it is, frozen beside it and not counted.
 */
export interface MoveBoardKeep {
  kind: 'keep';
  /**
   * Which model of the board, the first when left out.
   */
  model?: number;
}
/**
 * Put a kept copy away.
 */
export interface MoveBoardDropKept {
  kind: 'dropKept';
  /**
   * Which model of the board, the first when left out.
   */
  model?: number;
  /**
   * Which one, counted from 0.
   */
  index: number;
}
/**
 * Choose the read-outs that stand on the board beside the model.
 */
export interface MoveBoardBeside {
  kind: 'beside';
  /**
   * Which model of the board, the first when left out.
   */
  model?: number;
  /**
   * Ids of the read-outs that stand on the board beside the model.
   *
   * @maxItems 4
   */
  readouts: string[];
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
   * Of a cell: mark, addend 1 to 4 and sum, or quotient and dividend.
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
export interface Stroke {
  id: string;
  tool: 'pen' | 'line' | 'ring' | 'arrow' | 'highlighter';
  colour: 'ink' | 'berry' | 'pine' | 'amber';
  /**
   * Thin, middle or broad.
   */
  width: number;
  on: Anchor;
  /**
   * Its way; of a line, a ring or an arrow, two points.
   *
   * @maxItems 2000
   */
  points: number[][];
}
export interface Anchor {
  /**
   * The model that it lies on; the board itself when left out.
   */
  model?: number;
  /**
   * The zone of the model; all of it when left out.
   */
  zone?: string;
}
export interface Note {
  id: string;
  text: string;
  on: Anchor;
  x: number;
  y: number;
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
  newer?: Newer;
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
  /**
   * What the class calls a whole with its parts.
   */
  bond?: 'number bond' | 'part-whole model';
  /**
   * What the class calls the subject.
   */
  maths?: 'maths' | 'math';
  /**
   * The names of the four blocks, smallest first, parted by commas: cube, long, flat, big cube.
   */
  shapes?: string;
  /**
   * Everyday names of the columns from the ones up, parted by commas: bulbs, bags, trays, crates.
   */
  columns?: string;
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
  pause?: boolean;
}
export interface Newer {
  format: number;
  unread: number;
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
  lines: WrittenLine[];
  beats?: BoardView[];
  became?: Became[];
  ink: Stroke[];
  notes: Note[];
}
export interface BoardView {
  models: ModelView[];
  notation: string;
}
export interface ModelView {
  kind: string;
  title: string;
  width: number;
  linked: boolean;
  w: number;
  h: number;
  flags: string[];
  settings: {
    [k: string]: string;
  };
  zones: ZoneView[];
  decor: Decor[];
  covers: CoverView[];
  readouts: ReadOut[];
  kept: KeptView[];
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
  unit?: string;
  shape?: string;
  size?: string;
  verb?: string;
  move?: Move;
}
export interface Decor {
  kind: string;
  x: number;
  y: number;
  w: number;
  h: number;
  text?: string;
  zone?: string;
}
export interface CoverView {
  index: number;
  zone: string;
  free: boolean;
  x: number;
  y: number;
  w: number;
  h: number;
}
export interface ReadOut {
  id: string;
  label: string;
  text: string;
  shown: boolean;
  beside: boolean;
  whole?: string;
  parts?: string[];
}
export interface KeptView {
  w: number;
  h: number;
  flags: string[];
  zones: ZoneView[];
  decor: Decor[];
  pieces: Pieces;
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
export interface WrittenLine {
  kind: string;
  text?: string;
  cells?: string[];
  whole?: string;
  parts?: string[];
}
export interface Became {
  from: number[];
  to: number[];
}
export interface Edit {
  kind: 'play' | 'putScene' | 'removeScene' | 'orderScenes' | 'setLesson' | 'setRecord' | 'ink' | 'notes';
  scene?: string;
  moves?: Move[];
  put?: Scene;
  at?: number;
  order?: string[];
  head?: Head;
  record?: Entry[];
  strokes?: Stroke[];
  notes?: Note[];
  erase?: string[];
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
  operation: string;
  doc: string;
  args: string;
  sample: string[];
  typed: string;
  limits: string;
  models: string[];
  options: Option[];
}
export interface Option {
  name: string;
  doc: string;
  choices?: string[];
}
export interface Plain {
  line?: number;
  method: string;
  title: string;
  problem: string;
  answer: string;
  model: string;
  steps: PlainStep[];
  start: Board1;
  end: Board1;
  offer?: string;
  scenes?: Plain[];
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
  /**
   * What surrounds each model; left out when there is nothing.
   *
   * @maxItems 4
   */
  tiles?: Tile[];
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
export interface Reached {
  id: number;
  part: number;
  upto: string;
  words: string;
}
export interface Acts {
  way: string;
  count: number;
}
export interface Builds {
  count: number;
  forms: string[];
}
export interface Verdict {
  text: string;
  state: string;
  said: string;
  solved?: string;
  answer?: string;
  arrow?: string;
  model?: string;
  fits: boolean;
}
export interface Overlay {
  ink: Stroke[];
  notes: Note[];
}
export interface Captured {
  on: boolean;
  steps: number;
  moves: number;
}
