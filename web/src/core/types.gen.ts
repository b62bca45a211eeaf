// Generated from docs/schema/door.schema.json by `make generate`. Do not edit.

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
/**
 * One model, told by its kind.
 */
export type Model = BlocksModel | RackModel | CountersModel | CubesModel | DiscsModel;
/**
 * Form is a count of several places, when there is one.
 */
export type UnitForm = Count[];
/**
 * One act, told by its kind.
 */
export type Move =
  | MoveOfBlocksBuild
  | MoveOfBlocksPlace
  | MoveOfBlocksBundle
  | MoveOfBlocksUnbundle
  | MoveOfBlocksStep
  | MoveOfBlocksOpenAll
  | MoveOfBlocksFewest
  | MoveOfBlocksTake
  | MoveOfBlocksCross
  | MoveOfBlocksRestore
  | MoveOfBlocksIntoPlay
  | MoveOfBlocksRemove
  | MoveOfBlocksRing
  | MoveOfBlocksCopy
  | MoveOfBlocksCounted
  | MoveOfBlocksJoin
  | MoveOfBlocksApart
  | MoveOfBlocksTidy
  | MoveOfBlocksClear
  | MoveOfBlocksLay
  | MoveOfBlocksTurn
  | MoveOfBlocksView
  | MoveOfBlocksStyle
  | MoveOfBlocksColour
  | MoveOfBlocksTraces
  | MoveOfBlocksNames
  | MoveOfBlocksColumns
  | MoveOfRackSlide
  | MoveOfRackBuild
  | MoveOfRackMore
  | MoveOfRackLess
  | MoveOfRackHome
  | MoveOfRackRows
  | MoveOfRackRing
  | MoveOfCountersBuild
  | MoveOfCountersPlace
  | MoveOfCountersStep
  | MoveOfCountersFlip
  | MoveOfCountersParts
  | MoveOfCountersSwap
  | MoveOfCountersWays
  | MoveOfCountersFrames
  | MoveOfCountersGrow
  | MoveOfCountersCopyFrame
  | MoveOfCountersTurn
  | MoveOfCountersSplit
  | MoveOfCountersFill
  | MoveOfCountersNumerals
  | MoveOfCountersSkip
  | MoveOfCountersArray
  | MoveOfCountersGroups
  | MoveOfCountersShare
  | MoveOfCountersDeal
  | MoveOfCountersStory
  | MoveOfCountersGather
  | MoveOfCountersGroupsOf
  | MoveOfCountersPut
  | MoveOfCountersLineUp
  | MoveOfCountersScatter
  | MoveOfCountersLay
  | MoveOfCountersLook
  | MoveOfCountersUnit
  | MoveOfCountersTidy
  | MoveOfCountersClear
  | MoveOfCountersTake
  | MoveOfCountersCross
  | MoveOfCountersRestore
  | MoveOfCountersIntoPlay
  | MoveOfCountersRemove
  | MoveOfCountersRing
  | MoveOfCountersCopy
  | MoveOfCountersCounted
  | MoveOfCubesBuild
  | MoveOfCubesPlace
  | MoveOfCubesAdd
  | MoveOfCubesSnap
  | MoveOfCubesJoin
  | MoveOfCubesColour
  | MoveOfCubesColourTrains
  | MoveOfCubesLargerFirst
  | MoveOfCubesTower
  | MoveOfCubesOpen
  | MoveOfCubesTidy
  | MoveOfCubesClear
  | MoveOfCubesTake
  | MoveOfCubesCross
  | MoveOfCubesRestore
  | MoveOfCubesIntoPlay
  | MoveOfCubesRemove
  | MoveOfCubesRing
  | MoveOfCubesCopy
  | MoveOfCubesCounted
  | MoveOfDiscsBuild
  | MoveOfDiscsPlace
  | MoveOfDiscsBundle
  | MoveOfDiscsUnbundle
  | MoveOfDiscsStep
  | MoveOfDiscsOpenAll
  | MoveOfDiscsFewest
  | MoveOfDiscsShift
  | MoveOfDiscsShiftDisc
  | MoveOfDiscsNeedless
  | MoveOfDiscsDropStart
  | MoveOfDiscsColumns
  | MoveOfDiscsRows
  | MoveOfDiscsJoin
  | MoveOfDiscsTogether
  | MoveOfDiscsTraces
  | MoveOfDiscsStyle
  | MoveOfDiscsCards
  | MoveOfDiscsDigits
  | MoveOfDiscsGroups
  | MoveOfDiscsShare
  | MoveOfDiscsDeal
  | MoveOfDiscsPut
  | MoveOfDiscsGather
  | MoveOfDiscsTidy
  | MoveOfDiscsClear
  | MoveOfDiscsTake
  | MoveOfDiscsCross
  | MoveOfDiscsRestore
  | MoveOfDiscsIntoPlay
  | MoveOfDiscsRemove
  | MoveOfDiscsRing
  | MoveOfDiscsCopy
  | MoveOfDiscsCounted
  | MoveOnBoardCover
  | MoveOnBoardUncover
  | MoveOnBoardMoveCover
  | MoveOnBoardAddModel
  | MoveOnBoardRemoveModel
  | MoveOnBoardTitle
  | MoveOnBoardWidth
  | MoveOnBoardReorder
  | MoveOnBoardLink
  | MoveOnBoardUnlink
  | MoveOnBoardKeep
  | MoveOnBoardAllWays
  | MoveOnBoardDropKept
  | MoveOnBoardBeside
  | MoveOnBoardHoldBack;
/**
 * Pieces as drawn: [id, look, x, y, w, h, part, marks] in model units, and the text on it, if any.
 */
export type Pieces = [
  id: number,
  look: string,
  x: number,
  y: number,
  w: number,
  h: number,
  part: number,
  marks: number,
  text?: string,
][];
/**
 * Pieces as drawn: [id, look, x, y, w, h, part, marks] in model units, and the text on it, if any.
 */
export type Pieces1 = [
  id: number,
  look: string,
  x: number,
  y: number,
  w: number,
  h: number,
  part: number,
  marks: number,
  text?: string,
][];
/**
 * Pieces as drawn: [id, look, x, y, w, h, part, marks] in model units, and the text on it, if any.
 */
export type Pieces2 = [
  id: number,
  look: string,
  x: number,
  y: number,
  w: number,
  h: number,
  part: number,
  marks: number,
  text?: string,
][];

export interface Calls {
  /**
   * The file form that this core writes.
   */
  version: {
    arg: {};
    answer: Version;
  };
  /**
   * Reads a number and tells all its forms.
   */
  read: {
    arg: {
      text: string;
    };
    answer: Reading;
  };
  /**
   * A lesson of what a teacher types for the class to see, and the other ways to show it.
   */
  wish: {
    arg: {
      text: string;
      words: Vocabulary;
      as?: Wish;
    };
    answer: Wished;
  };
  /**
   * Marks an answer to a task of which a device may know all, while the server is away.
   */
  mark: {
    arg: {
      task: Task;
      answer: Answer;
      words: Vocabulary;
    };
    answer: Marked;
  };
  /**
   * The kinds of tasks, by what a teacher calls them.
   */
  kinds: {
    arg: {};
    answer: KindInfo[];
  };
  /**
   * Throws dice, a spinner or number cards; the same seed gives the same.
   */
  throw: {
    arg: {
      kind: string;
      count: number;
      seed: number;
    };
    answer: number[];
  };
  /**
   * Opens a lesson behind a handle.
   */
  open: {
    arg: {
      lesson: unknown;
    };
    answer: Opened;
  };
  /**
   * Closes the lesson.
   */
  close: {
    arg: {
      handle: number;
    };
    answer: None;
  };
  /**
   * The lesson as the stem and the shelf show it.
   */
  outline: {
    arg: {
      handle: number;
    };
    answer: Outline;
  };
  /**
   * The whole lesson, as it is saved.
   */
  document: {
    arg: {
      handle: number;
    };
    answer: Lesson;
  };
  /**
   * Goes to a position: so many steps of a scene, and a phase of the next.
   */
  show: {
    arg: {
      handle: number;
      scene: string;
      step: number;
      phase?: string;
      present?: boolean;
    };
    answer: Frame;
  };
  /**
   * Lays what is shown in one of its ways.
   */
  arrange: {
    arg: {
      handle: number;
      /**
       * Below has the tracks or groups, and the tray of what was taken, stand below the chart or the pile, not beside it.
       */
      below: boolean;
      /**
       * Across has addends lie beside one another in a column, not in rows.
       */
      across: boolean;
      /**
       * Abreast has stand beside one another what else stands under one another: the places in a tray at the side, what is beyond ten in a row of ten, and more of the groups.
       */
      abreast: boolean;
    };
    answer: Frame;
  };
  /**
   * The other ways in which a free board can be laid before a class.
   */
  arrangements: {
    arg: {
      handle: number;
    };
    answer: Arrangements;
  };
  /**
   * Goes one phase, step or scene on.
   */
  forward: {
    arg: {
      handle: number;
    };
    answer: Frame;
  };
  /**
   * Goes to where forward came from.
   */
  backward: {
    arg: {
      handle: number;
    };
    answer: Frame;
  };
  /**
   * Makes a move on what the class sees.
   */
  apply: {
    arg: {
      handle: number;
      move: Move;
      then?: Move[];
    };
    answer: Delta;
  };
  /**
   * The amounts of a typed list; one of a single amount.
   */
  amounts: {
    arg: {
      handle: number;
      text: string;
    };
    answer: Amounts;
  };
  /**
   * Builds the first of a list on a free board, and adds a board like it for each other.
   */
  buildEach: {
    arg: {
      handle: number;
      model: number;
      amounts: string[];
      /**
       * ID begins the ids of the boards that are added.
       */
      id: string;
    };
    answer: Update;
  };
  /**
   * Takes the last act back.
   */
  undo: {
    arg: {
      handle: number;
    };
    answer: Update;
  };
  /**
   * Makes again what was taken back.
   */
  redo: {
    arg: {
      handle: number;
    };
    answer: Update;
  };
  /**
   * Changes the document.
   */
  edit: {
    arg: {
      handle: number;
      edit: Edit;
    };
    answer: Update;
  };
  /**
   * Changes the document by several edits, as one act.
   */
  edits: {
    arg: {
      handle: number;
      edits: Edit[];
    };
    answer: Update;
  };
  /**
   * Changes what a scene is called and shows.
   */
  setScene: {
    arg: {
      handle: number;
      scene: string;
      title?: string;
      show?: string[];
      marks?: string;
      aside?: string;
    };
    answer: Update;
  };
  /**
   * Changes the words of a step, or takes it out.
   */
  editStep: {
    arg: {
      handle: number;
      scene: string;
      step: number;
      say?: string;
      ask?: string;
      answer?: string;
      look?: string;
      asks?: 'predict' | 'decide' | 'look' | 'say' | 'explain' | 'check';
      pause?: boolean;
      remove?: boolean;
    };
    answer: Update;
  };
  /**
   * Splits a step, joins it to the next, or moves it.
   */
  reshape: {
    arg: {
      handle: number;
      scene: string;
      step: number;
      how: 'split' | 'join' | 'earlier' | 'later';
    };
    answer: Update;
  };
  /**
   * Adds what a teacher types for the class to see.
   */
  addWish: {
    arg: {
      handle: number;
      text: string;
      as?: Wish;
      id: string;
      at?: number;
    };
    answer: Update;
  };
  /**
   * Adds a free board.
   */
  addBoard: {
    arg: {
      handle: number;
      id: string;
      title: string;
      kinds: string[];
      at?: number;
    };
    answer: Update;
  };
  /**
   * The word cards that come with the product.
   */
  words: {
    arg: {
      handle: number;
    };
    answer: WordList;
  };
  /**
   * Adds pages that are no boards: the objective, word cards, paper.
   */
  addPages: {
    arg: {
      handle: number;
      id: string;
      pages: PageArgs[];
      at?: number;
    };
    answer: Update;
  };
  /**
   * The methods of worked examples.
   */
  methods: {
    arg: {
      handle: number;
    };
    answer: MethodInfo[];
  };
  /**
   * A worked example in words, before it is added.
   */
  preview: {
    arg: {
      handle: number;
      method?: string;
      args?: string[];
      model?: string;
      options?: {
        [k: string]: string;
      };
      typed?: string;
    };
    answer: Plain;
  };
  /**
   * Boards of a worked example, before it is added.
   */
  pictures: {
    arg: {
      handle: number;
      method?: string;
      args?: string[];
      model?: string;
      options?: {
        [k: string]: string;
      };
      typed?: string;
    };
    answer: Pictures;
  };
  /**
   * The fullest boards of the samples of an operation's methods, as their pictures.
   */
  samples: {
    arg: {
      handle: number;
      operation: string;
    };
    answer: Samples;
  };
  /**
   * Adds a worked example.
   */
  addExample: {
    arg: {
      handle: number;
      method?: string;
      args?: string[];
      model?: string;
      options?: {
        [k: string]: string;
      };
      typed?: string;
      id: string;
      at?: number;
    };
    answer: Update;
  };
  /**
   * Adds a worked example of a parallel problem.
   */
  anotherLike: {
    arg: {
      handle: number;
      scene: string;
      id: string;
      seed: number;
    };
    answer: Update;
  };
  /**
   * Makes a worked example anew with other numbers.
   */
  otherNumbers: {
    arg: {
      handle: number;
      scene: string;
      typed?: string;
      seed?: number;
    };
    answer: Update;
  };
  /**
   * Adds worked examples like one, each a step harder.
   */
  addSet: {
    arg: {
      handle: number;
      scene: string;
      id: string;
      seed: number;
      count: number;
    };
    answer: Update;
  };
  /**
   * Clears pieces, ink, notes or record, as one act.
   */
  clear: {
    arg: {
      handle: number;
      what: string[];
    };
    answer: Update;
  };
  /**
   * Keeps what was done on a scratch copy as a step, or in one.
   */
  keepScratch: {
    arg: {
      handle: number;
      /**
       * Into puts the moves at the end of the present step, rather than into a step of their own after it.
       */
      into?: boolean;
    };
    answer: Update;
  };
  /**
   * Puts the scratch copy away.
   */
  dropScratch: {
    arg: {
      handle: number;
    };
    answer: Frame;
  };
  /**
   * Opens a showing of the lesson: what is done by hand there leaves the lesson as it was prepared.
   */
  beginShowing: {
    arg: {
      handle: number;
      id: string;
      lesson?: unknown;
    };
    answer: Opened;
  };
  /**
   * Brings a scene of a showing back to how it was prepared.
   */
  startAgain: {
    arg: {
      handle: number;
      other: number;
      scene: string;
    };
    answer: Update;
  };
  /**
   * Keeps a scene of a showing in the lesson.
   */
  keepInLesson: {
    arg: {
      handle: number;
      other: number;
      scene: string;
    };
    answer: Update;
  };
  /**
   * Adds the lines of a showing's record to the lesson's.
   */
  keepRecord: {
    arg: {
      handle: number;
      other: number;
      scene: string;
    };
    answer: Update;
  };
  /**
   * Shows the next thing that is held back on a free board.
   */
  reveal: {
    arg: {
      handle: number;
    };
    answer: Update;
  };
  /**
   * Makes every further move on the free board a move of a new example.
   */
  beginCapture: {
    arg: {
      handle: number;
    };
    answer: Captured1;
  };
  /**
   * Closes a step of the capture with the teacher's words.
   */
  endStep: {
    arg: {
      handle: number;
      say: string;
      ask: string;
      /**
       * Asks is the kind of the question; decide when left out.
       */
      asks?: 'predict' | 'decide' | 'look' | 'say' | 'explain' | 'check';
      answer: string;
    };
    answer: Captured1;
  };
  /**
   * Makes the captured steps a worked example.
   */
  endCapture: {
    arg: {
      handle: number;
      say: string;
      ask: string;
      /**
       * Asks is the kind of the question; decide when left out.
       */
      asks?: 'predict' | 'decide' | 'look' | 'say' | 'explain' | 'check';
      answer: string;
      id: string;
      title: string;
    };
    answer: Update;
  };
  /**
   * Stops capturing; the board stays as it is.
   */
  dropCapture: {
    arg: {
      handle: number;
    };
    answer: Captured1;
  };
  /**
   * Takes a child's way in: what was said, or drawn round, is found in what lies there.
   */
  takeIn: {
    arg: {
      handle: number;
      model: number;
      text: string;
      drawn: number[][];
      name: string;
    };
    answer: Update;
  };
  /**
   * Takes the children's ways off the scene.
   */
  dropWays: {
    arg: {
      handle: number;
    };
    answer: Frame;
  };
  /**
   * What a selection of pieces holds, and the verbs that it carries.
   */
  selection: {
    arg: {
      handle: number;
      model: number;
      ids: number[];
    };
    answer: Selection;
  };
  /**
   * Says of a piece where it lies, for those who do not see it.
   */
  pieceAt: {
    arg: {
      handle: number;
      model: number;
      piece: number;
    };
    answer: PieceSaid;
  };
  /**
   * A quick look at what is covered; nothing is shown to anyone else.
   */
  look: {
    arg: {
      handle: number;
      model: number;
    };
    answer: QuickLook;
  };
  /**
   * The pieces in the order in which they are counted aloud.
   */
  counting: {
    arg: {
      handle: number;
      model: number;
    };
    answer: Reached[];
  };
  /**
   * The ways to build a number.
   */
  builds: {
    arg: {
      handle: number;
      text: string;
    };
    answer: Builds;
  };
  /**
   * The acts that it takes to lay a number, the slow way and the fast.
   */
  acts: {
    arg: {
      handle: number;
      text: string;
    };
    answer: Acts[];
  };
  /**
   * Judges a number sentence, against itself and the models.
   */
  judge: {
    arg: {
      handle: number;
      text: string;
    };
    answer: Verdict;
  };
  /**
   * The board of a scene as it is in the end.
   */
  boardOf: {
    arg: {
      handle: number;
      scene: string;
    };
    answer: BoardView;
  };
  /**
   * The fullest board of a scene, as its picture.
   */
  faceOf: {
    arg: {
      handle: number;
      scene: string;
    };
    answer: BoardView;
  };
  /**
   * A scene as pictures one after another, for paper and for a page of its own.
   */
  panels: {
    arg: {
      handle: number;
      scene: string;
      phases?: boolean;
    };
    answer: Panels;
  };
  /**
   * Tasks for children made from scenes and from typed lines, as they are printed.
   */
  sheet: {
    arg: {
      handle: number;
      scenes: string[];
      text?: string;
      kinds: string[];
      /**
       * Forms are those in which children read: number, units, expanded, words.
       */
      forms?: string[];
      /**
       * Pieces says which pieces a number is shown with: any, fewest, tens and ones.
       */
      pieces?: string;
      /**
       * Ways is in how many ways a number is shown or seen, Glimpse has boards read in two seconds, and Last says how many steps of an example are left: 1, 2, all.
       */
      ways?: number;
      glimpse?: boolean;
      last?: string;
      /**
       * Draw has numbers drawn quickly where they would be shown with pieces.
       */
      draw?: boolean;
      more?: number;
      seed?: number;
      /**
       * Turns is the text form of a page for turns, and Thrown whether the throws stand there: already.
       */
      turns?: string;
      thrown?: string;
      /**
       * Facts are the family of quick facts, Conditions those of a sentence of one's own, and Question what is to be explained.
       */
      facts?: string;
      conditions?: string;
      question?: string;
      /**
       * Shown has it explained on the board of the first scene too.
       */
      shown?: boolean;
      /**
       * Own leaves the scenes' own numbers out: others like them, wherever there are any.
       */
      own?: boolean;
    };
    answer: SheetView;
  };
  /**
   * Which digits of lines stayed, and which changed.
   */
  stayed: {
    arg: {
      handle: number;
      lines: string[];
    };
    answer: Lit;
  };
  /**
   * Answers to choose from: that of the example that is shown, and what known mistakes give.
   */
  hands: {
    arg: {
      handle: number;
    };
    answer: Hands;
  };
  /**
   * The first two models with the sign between them.
   */
  compare: {
    arg: {
      handle: number;
    };
    answer: TextArgs;
  };
}
export interface Version {
  format: number;
  minor: number;
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
export interface Vocabulary {
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
   * How the class reads −.
   */
  minus?: 'minus' | 'take away' | 'less';
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
  /**
   * How the class groups and points its numbers, shown at 4002.5.
   */
  numbers?: '4002.5' | '4,002.5' | '4 002.5' | '4002,5' | '4 002,5';
  /**
   * Whether the class says and after the hundreds, shown at 106.
   */
  and?: 'one hundred and six' | 'one hundred six';
  /**
   * The class's money, parted by commas: one and many of the large, then of the small: euro, euros, cent, cents.
   */
  money?: string;
}
export interface Wish {
  method: string;
  model: string;
}
export interface Wished {
  lesson?: Lesson;
  as: WishView;
  others: WishView[];
  faults: LineFault[];
}
export interface Lesson {
  /**
   * The version of the file form.
   */
  format: 2;
  /**
   * Which optional fields there can be; 0 when left out.
   */
  minor?: number;
  /**
   * What a program must know to change the lesson. One that does not know all of it only reads it.
   *
   * @maxItems 20
   */
  requires?: string[];
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
  words: Vocabulary1;
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
export interface Vocabulary1 {
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
   * How the class reads −.
   */
  minus?: 'minus' | 'take away' | 'less';
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
  /**
   * How the class groups and points its numbers, shown at 4002.5.
   */
  numbers?: '4002.5' | '4,002.5' | '4 002.5' | '4002,5' | '4 002,5';
  /**
   * Whether the class says and after the hundreds, shown at 106.
   */
  and?: 'one hundred and six' | 'one hundred six';
  /**
   * The class's money, parted by commas: one and many of the large, then of the small: euro, euros, cent, cents.
   */
  money?: string;
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
  /**
   * The objective of the lesson, a word card, or nothing but paper; a board when left out. The board of an objective or of paper is not shown.
   */
  page?: 'objective' | 'word' | 'blank';
  /**
   * What the teacher notes for herself; the class does not see it.
   */
  aside?: string;
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
export interface BlocksModel {
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
   * Bundled and opened blocks leave their trace, and the written method follows them.
   */
  traces?: boolean;
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
   * The trace of a piece that was opened.
   */
  opened?: boolean;
  /**
   * A block that lies on its side.
   */
  turned?: boolean;
  /**
   * The frame, from 1.
   */
  frame?: number;
  /**
   * Cells of the frame from 0, one for each piece of the run.
   */
  cells?: number[];
}
export interface RackModel {
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
  rings?: RackModelSpan[][];
}
export interface RackModelSpan {
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
export interface CountersModel {
  kind: 'counters';
  /**
   * @maxItems 60
   */
  frames?: CountersModelCounterFrame[];
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
  /**
   * What the second part looks like, where it is another shape.
   */
  other?: 'counter' | 'bulb' | 'seed' | 'leaf' | 'snail' | 'bee' | 'pot';
  /**
   * A teacher's own sentence with numbers in braces.
   */
  story?: string;
  colouring?: number;
  /**
   * What the counters count.
   */
  unit?: string;
  pieces: Run[];
}
export interface CountersModelCounterFrame {
  rows: number;
  columns: number;
  /**
   * Every second run of so many cells is shaded; 0 for none.
   */
  every?: number;
  /**
   * Cells before the shading begins; 0 for none.
   */
  shadeAfter?: number;
  /**
   * Rows (or columns, when across) before the shading begins; 0 for no shading.
   */
  split?: number;
  /**
   * The split parts columns rather than rows.
   */
  across?: boolean;
}
export interface CubesModel {
  kind: 'cubes';
  pieces: Run[];
}
export interface DiscsModel {
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
  /**
   * Bundled and opened discs leave their trace, and the written method follows them.
   */
  traces?: boolean;
  /**
   * The addends lie in one row, and are still told apart.
   */
  together?: boolean;
  /**
   * What the digits that stand alone were before they were shifted.
   */
  began?: string;
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
   * The kind of the question: predict and decide come before the moves, the others after; decide when left out.
   */
  asks?: 'predict' | 'decide' | 'look' | 'say' | 'explain' | 'check';
  /**
   * The answer, held back until it is revealed. Where nothing is asked, it is told.
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
  focus?: Focus;
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
  then?: Message1;
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
 * Then follows it: what is told where it might have been asked.
 */
export interface Message1 {
  id: string;
  values?: Value[];
  then?: Message1;
}
/**
 * Put the number on the board at once, in place of what is there.
 */
export interface MoveOfBlocksBuild {
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
export interface MoveOfBlocksPlace {
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
export interface MoveOfBlocksBundle {
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
  ids?: number[];
}
/**
 * A piece becomes ten of the next smaller place, or is opened further, place by place.
 */
export interface MoveOfBlocksUnbundle {
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
   * Leave what was opened as a trace, out of play.
   */
  trace?: boolean;
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
export interface MoveOfBlocksStep {
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
export interface MoveOfBlocksOpenAll {
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
export interface MoveOfBlocksFewest {
  kind: 'fewest';
  /**
   * Which model of the board, the first when left out.
   */
  model?: number;
}
/**
 * Take pieces away to the Taken tray.
 */
export interface MoveOfBlocksTake {
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
export interface MoveOfBlocksCross {
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
export interface MoveOfBlocksRestore {
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
 * Bring copies into play: they count from now on.
 */
export interface MoveOfBlocksIntoPlay {
  kind: 'intoPlay';
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
export interface MoveOfBlocksRemove {
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
export interface MoveOfBlocksRing {
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
export interface MoveOfBlocksCopy {
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
export interface MoveOfBlocksCounted {
  kind: 'counted';
  /**
   * Which model of the board, the first when left out.
   */
  model?: number;
}
/**
 * The addends of a place lie together.
 */
export interface MoveOfBlocksJoin {
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
 * The addends of a place lie apart again.
 */
export interface MoveOfBlocksApart {
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
export interface MoveOfBlocksTidy {
  kind: 'tidy';
  /**
   * Which model of the board, the first when left out.
   */
  model?: number;
}
/**
 * Put all blocks away.
 */
export interface MoveOfBlocksClear {
  kind: 'clear';
  /**
   * Which model of the board, the first when left out.
   */
  model?: number;
}
/**
 * Move blocks freely on the open mat.
 */
export interface MoveOfBlocksLay {
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
 * Turn blocks on their side, on the open mat.
 */
export interface MoveOfBlocksTurn {
  kind: 'turn';
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
 * Columns or an open mat.
 */
export interface MoveOfBlocksView {
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
export interface MoveOfBlocksStyle {
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
export interface MoveOfBlocksColour {
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
 * Bundled and opened blocks leave their trace, and the written method follows them.
 */
export interface MoveOfBlocksTraces {
  kind: 'traces';
  /**
   * Which model of the board, the first when left out.
   */
  model?: number;
  /**
   * Whether bundled and opened pieces leave their trace.
   */
  shown: boolean;
}
/**
 * Show the names of the places and the shapes that repeat, each ten times the one before.
 */
export interface MoveOfBlocksNames {
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
export interface MoveOfBlocksColumns {
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
export interface MoveOfRackSlide {
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
  rows: RackModelPush[];
}
export interface RackModelPush {
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
export interface MoveOfRackBuild {
  kind: 'build';
  /**
   * Which model of the board, the first when left out.
   */
  model?: number;
  /**
   * A whole number (42), a unit form (4 tens 2 ones), or to build, a sum (8 + 6): each addend begins a row.
   */
  amount: string;
  /**
   * How many rows to have at least; further ones are added below.
   */
  rows?: number;
}
/**
 * Add a number as in the head: whole rows for the tens, then the ones; each push is seen.
 */
export interface MoveOfRackMore {
  kind: 'more';
  /**
   * Which model of the board, the first when left out.
   */
  model?: number;
  /**
   * A whole number (42), a unit form (4 tens 2 ones), or to build, a sum (8 + 6): each addend begins a row.
   */
  amount: string;
  /**
   * How many rows to have at least; further ones are added below.
   */
  rows?: number;
}
/**
 * Take a number away as in the head: whole rows for the tens, then the ones; each push is seen.
 */
export interface MoveOfRackLess {
  kind: 'less';
  /**
   * Which model of the board, the first when left out.
   */
  model?: number;
  /**
   * A whole number (42), a unit form (4 tens 2 ones), or to build, a sum (8 + 6): each addend begins a row.
   */
  amount: string;
  /**
   * How many rows to have at least; further ones are added below.
   */
  rows?: number;
}
/**
 * Push all beads home and count pushes afresh.
 */
export interface MoveOfRackHome {
  kind: 'home';
  /**
   * Which model of the board, the first when left out.
   */
  model?: number;
}
/**
 * Change the number of rows. A row with beads on the reading side does not go.
 */
export interface MoveOfRackRows {
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
export interface MoveOfRackRing {
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
  beads: RackModelSpan[];
  /**
   * The rings drawn before stay.
   */
  beside?: boolean;
}
/**
 * Put so many counters on the mat, in place of those there: 9, or 6 + 3 in two colours.
 */
export interface MoveOfCountersBuild {
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
export interface MoveOfCountersPlace {
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
export interface MoveOfCountersStep {
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
export interface MoveOfCountersFlip {
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
export interface MoveOfCountersParts {
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
export interface MoveOfCountersSwap {
  kind: 'swap';
  /**
   * Which model of the board, the first when left out.
   */
  model?: number;
}
/**
 * All ways to make the number of two parts, as a stack of frames in order.
 */
export interface MoveOfCountersWays {
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
export interface MoveOfCountersFrames {
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
export interface MoveOfCountersGrow {
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
export interface MoveOfCountersCopyFrame {
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
export interface MoveOfCountersTurn {
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
export interface MoveOfCountersSplit {
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
  /**
   * After so many cells, in the order in which they fill, rather than rows.
   */
  cells?: number;
  /**
   * Every second run of so many cells, like five, rather than rows.
   */
  every?: number;
}
/**
 * Fill the frames anew, by rows or in pairs.
 */
export interface MoveOfCountersFill {
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
export interface MoveOfCountersNumerals {
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
export interface MoveOfCountersSkip {
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
export interface MoveOfCountersArray {
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
export interface MoveOfCountersGroups {
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
export interface MoveOfCountersShare {
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
 * Give one counter to the group whose turn it is.
 */
export interface MoveOfCountersDeal {
  kind: 'deal';
  /**
   * Which model of the board, the first when left out.
   */
  model?: number;
}
/**
 * A sentence of one's own with numbers in braces puts down what it tells of; it is told again with what lies there then.
 */
export interface MoveOfCountersStory {
  kind: 'story';
  /**
   * Which model of the board, the first when left out.
   */
  model?: number;
  /**
   * A sentence with one or two numbers in braces: {3} snails sit on the leaf, {2} bees fly. Empty for none.
   */
  text: string;
}
/**
 * Bring all counters out of the groups.
 */
export interface MoveOfCountersGather {
  kind: 'gather';
  /**
   * Which model of the board, the first when left out.
   */
  model?: number;
}
/**
 * Make groups of a given size; the rest are left over.
 */
export interface MoveOfCountersGroupsOf {
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
export interface MoveOfCountersPut {
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
export interface MoveOfCountersLineUp {
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
export interface MoveOfCountersScatter {
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
export interface MoveOfCountersLay {
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
export interface MoveOfCountersLook {
  kind: 'look';
  /**
   * Which model of the board, the first when left out.
   */
  model?: number;
  /**
   * The shape of the second part; that of the first when left out with a shape.
   */
  other?: 'counter' | 'bulb' | 'seed' | 'leaf' | 'snail' | 'bee' | 'pot';
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
export interface MoveOfCountersUnit {
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
export interface MoveOfCountersTidy {
  kind: 'tidy';
  /**
   * Which model of the board, the first when left out.
   */
  model?: number;
}
/**
 * Put all counters away; frames and groups stay.
 */
export interface MoveOfCountersClear {
  kind: 'clear';
  /**
   * Which model of the board, the first when left out.
   */
  model?: number;
}
/**
 * Take pieces away to the Taken tray.
 */
export interface MoveOfCountersTake {
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
export interface MoveOfCountersCross {
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
export interface MoveOfCountersRestore {
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
 * Bring copies into play: they count from now on.
 */
export interface MoveOfCountersIntoPlay {
  kind: 'intoPlay';
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
export interface MoveOfCountersRemove {
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
export interface MoveOfCountersRing {
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
export interface MoveOfCountersCopy {
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
export interface MoveOfCountersCounted {
  kind: 'counted';
  /**
   * Which model of the board, the first when left out.
   */
  model?: number;
}
/**
 * Put so many cubes on the board, in place of those there: one train (9), a train of parts (5 + 4), or towers and a train (23).
 */
export interface MoveOfCubesBuild {
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
export interface MoveOfCubesPlace {
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
export interface MoveOfCubesAdd {
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
export interface MoveOfCubesSnap {
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
export interface MoveOfCubesJoin {
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
export interface MoveOfCubesColour {
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
export interface MoveOfCubesColourTrains {
  kind: 'colourTrains';
  /**
   * Which model of the board, the first when left out.
   */
  model?: number;
}
/**
 * Bring the longest train to the top, to count on from it.
 */
export interface MoveOfCubesLargerFirst {
  kind: 'largerFirst';
  /**
   * Which model of the board, the first when left out.
   */
  model?: number;
}
/**
 * Ten cubes of a train become a tower of ten.
 */
export interface MoveOfCubesTower {
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
export interface MoveOfCubesOpen {
  kind: 'open';
  /**
   * Which model of the board, the first when left out.
   */
  model?: number;
}
/**
 * Rings, marks and copies are put away.
 */
export interface MoveOfCubesTidy {
  kind: 'tidy';
  /**
   * Which model of the board, the first when left out.
   */
  model?: number;
}
/**
 * Put all cubes away.
 */
export interface MoveOfCubesClear {
  kind: 'clear';
  /**
   * Which model of the board, the first when left out.
   */
  model?: number;
}
/**
 * Take pieces away to the Taken tray.
 */
export interface MoveOfCubesTake {
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
export interface MoveOfCubesCross {
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
export interface MoveOfCubesRestore {
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
 * Bring copies into play: they count from now on.
 */
export interface MoveOfCubesIntoPlay {
  kind: 'intoPlay';
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
export interface MoveOfCubesRemove {
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
export interface MoveOfCubesRing {
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
export interface MoveOfCubesCopy {
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
export interface MoveOfCubesCounted {
  kind: 'counted';
  /**
   * Which model of the board, the first when left out.
   */
  model?: number;
}
/**
 * Put the number on the board at once, in place of what is there.
 */
export interface MoveOfDiscsBuild {
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
export interface MoveOfDiscsPlace {
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
export interface MoveOfDiscsBundle {
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
export interface MoveOfDiscsUnbundle {
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
   * Leave what was opened as a trace, out of play.
   */
  trace?: boolean;
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
export interface MoveOfDiscsStep {
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
export interface MoveOfDiscsOpenAll {
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
export interface MoveOfDiscsFewest {
  kind: 'fewest';
  /**
   * Which model of the board, the first when left out.
   */
  model?: number;
}
/**
 * Multiply or divide the whole number by 10, 100 or 1,000: every digit goes along, the point stays.
 */
export interface MoveOfDiscsShift {
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
  /**
   * The zeros that are written go along too: 120 ÷ 100 is 1.20.
   */
  zeros?: boolean;
}
/**
 * Shift single discs to another column.
 */
export interface MoveOfDiscsShiftDisc {
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
 * Put the zeros away that need not be written.
 */
export interface MoveOfDiscsNeedless {
  kind: 'needless';
  /**
   * Which model of the board, the first when left out.
   */
  model?: number;
}
/**
 * Put the start row away.
 */
export interface MoveOfDiscsDropStart {
  kind: 'dropStart';
  /**
   * Which model of the board, the first when left out.
   */
  model?: number;
}
/**
 * Choose the columns that are shown though empty; others appear when they are needed.
 */
export interface MoveOfDiscsColumns {
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
export interface MoveOfDiscsRows {
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
export interface MoveOfDiscsJoin {
  kind: 'join';
  /**
   * Which model of the board, the first when left out.
   */
  model?: number;
}
/**
 * Lay the addends in one row, or each in its own; they stay addends.
 */
export interface MoveOfDiscsTogether {
  kind: 'together';
  /**
   * Which model of the board, the first when left out.
   */
  model?: number;
  /**
   * Whether the addends lie in one row.
   */
  shown: boolean;
}
/**
 * Bundled and opened discs leave their trace, and the written method follows them.
 */
export interface MoveOfDiscsTraces {
  kind: 'traces';
  /**
   * Which model of the board, the first when left out.
   */
  model?: number;
  /**
   * Whether bundled and opened pieces leave their trace.
   */
  shown: boolean;
}
/**
 * Labelled discs or plain dots.
 */
export interface MoveOfDiscsStyle {
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
export interface MoveOfDiscsCards {
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
export interface MoveOfDiscsDigits {
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
export interface MoveOfDiscsGroups {
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
export interface MoveOfDiscsShare {
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
 * Give one disc of a place to the group whose turn it is.
 */
export interface MoveOfDiscsDeal {
  kind: 'deal';
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
export interface MoveOfDiscsPut {
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
export interface MoveOfDiscsGather {
  kind: 'gather';
  /**
   * Which model of the board, the first when left out.
   */
  model?: number;
}
/**
 * Rings, marks, copies and traces are put away.
 */
export interface MoveOfDiscsTidy {
  kind: 'tidy';
  /**
   * Which model of the board, the first when left out.
   */
  model?: number;
}
/**
 * Put all discs away.
 */
export interface MoveOfDiscsClear {
  kind: 'clear';
  /**
   * Which model of the board, the first when left out.
   */
  model?: number;
}
/**
 * Take pieces away to the Taken tray.
 */
export interface MoveOfDiscsTake {
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
export interface MoveOfDiscsCross {
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
export interface MoveOfDiscsRestore {
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
 * Bring copies into play: they count from now on.
 */
export interface MoveOfDiscsIntoPlay {
  kind: 'intoPlay';
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
export interface MoveOfDiscsRemove {
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
export interface MoveOfDiscsRing {
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
export interface MoveOfDiscsCopy {
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
export interface MoveOfDiscsCounted {
  kind: 'counted';
  /**
   * Which model of the board, the first when left out.
   */
  model?: number;
}
/**
 * Lay a cover over a zone of a model, or over any rectangle of it. Its number is not read out until it is shown again.
 */
export interface MoveOnBoardCover {
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
export interface MoveOnBoardUncover {
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
export interface MoveOnBoardMoveCover {
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
export interface MoveOnBoardAddModel {
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
export interface MoveOnBoardRemoveModel {
  kind: 'removeModel';
  /**
   * Which model of the board, the first when left out.
   */
  model?: number;
}
/**
 * Write a title above a model.
 */
export interface MoveOnBoardTitle {
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
export interface MoveOnBoardWidth {
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
export interface MoveOnBoardReorder {
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
export interface MoveOnBoardLink {
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
export interface MoveOnBoardUnlink {
  kind: 'unlink';
  /**
   * Which model of the board, the first when left out.
   */
  model?: number;
}
/**
 * Keep a copy of the model as it is, frozen beside it and not counted.
 */
export interface MoveOnBoardKeep {
  kind: 'keep';
  /**
   * Which model of the board, the first when left out.
   */
  model?: number;
}
/**
 * All ways to make the number of two parts stand beside it, frozen and not counted.
 */
export interface MoveOnBoardAllWays {
  kind: 'allWays';
  /**
   * Which model of the board, the first when left out.
   */
  model?: number;
}
/**
 * Put a kept copy away.
 */
export interface MoveOnBoardDropKept {
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
export interface MoveOnBoardBeside {
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
/**
 * Choose what waits until it is revealed: the counts, and read-outs beside the model.
 */
export interface MoveOnBoardHoldBack {
  kind: 'holdBack';
  /**
   * Which model of the board, the first when left out.
   */
  model?: number;
  /**
   * When the counts over columns and beside rows stand there: on reveal or never; always when left out.
   */
  counts?: 'reveal' | 'never';
  /**
   * Ids of the read-outs that stand beside the model once they are revealed, in their order.
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
   * Of the first row of a table: what its columns say.
   */
  heads?: string[];
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
 * What to look at, as zones, pieces and cells; where its moves and its writing tell it, it is left out.
 */
export interface Focus {
  /**
   * Zones of models, like ones or row 1.
   *
   * @maxItems 60
   */
  zones?: ZoneOf[];
  /**
   * Pieces of models.
   *
   * @maxItems 60
   */
  pieces?: PieceOf[];
  /**
   * Cells of the written method.
   *
   * @maxItems 200
   */
  cells?: CellAt[];
}
export interface ZoneOf {
  model?: number;
  zone: string;
}
export interface PieceOf {
  model?: number;
  select: Select;
}
export interface CellAt {
  row: string;
  place?: Place;
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
   * @minItems 2
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
export interface WishView {
  method: string;
  model: string;
  label: string;
  face: BoardView;
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
  counts: {
    [k: string]: string;
  };
  zones: ZoneView[];
  decor: Decor[];
  covers: CoverView[];
  /**
   * CountsShown says when the counts stand there, Held which read-outs are revealed.
   */
  countsShown?: 'reveal' | 'never';
  held: string[];
  readouts: ReadOut[];
  kept: KeptView[];
  /**
   * Writes says that the written method can follow what is done with it.
   */
  writes?: boolean;
  fives?: Pieces1;
  pieces: Pieces;
}
export interface ZoneView {
  id: string;
  /**
   * Role is what the zone is, like group, and Number which of several, from 1.
   */
  role: string;
  number?: number;
  label: string;
  count: string;
  x: number;
  y: number;
  w: number;
  h: number;
  side?: boolean;
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
   * One is the typed form of one more piece of the zone's place, Unit the everyday name of its column, Shape that of its block, Size what a piece is worth.
   */
  one?: string;
  unit?: string;
  shape?: string;
  size?: string;
  /**
   * Verb is what the zone offers at its foot, with the move that it makes.
   */
  verb?: string;
  move?: Move;
}
export interface Decor {
  /**
   * "cell", "shaded", "track", "point", "caption", "line"
   */
  kind: string;
  x: number;
  y: number;
  w: number;
  h: number;
  text?: string;
  /**
   * Zone is the zone that a caption speaks of, so that a cover hides it.
   */
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
  /**
   * Beside says that it stands on the board beside the model. Whole and Parts are those of a bond.
   */
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
export interface LineFault {
  line: number;
  why: string;
}
export interface Task {
  kind: string;
  about: string[];
  options?: {
    [k: string]: string;
  };
}
export interface Answer {
  [k: string]: string;
}
export interface Marked {
  right: boolean;
  hint: string;
  at?: string;
}
export interface KindInfo {
  kind: string;
  title: string;
}
export interface Opened {
  handle: number;
  outline: Outline;
}
export interface Outline {
  id: string;
  title: string;
  objective: string;
  words: Vocabulary;
  scenes: SceneLine[];
  record: Entry[];
  newer?: Newer;
}
export interface SceneLine {
  id: string;
  title: string;
  /**
   * Unnamed says that the title is the number on the board, which is not told to a class.
   */
  unnamed?: boolean;
  steps: StepLine[];
  show: string[];
  marks: string;
  method?: string;
  problem?: string;
  /**
   * Aside is what the teacher notes for herself.
   */
  aside?: string;
  /**
   * Page is what the scene is, when it is not a board alone.
   */
  page?: 'objective' | 'word' | 'blank';
}
export interface StepLine {
  say: string;
  ask: string;
  /**
   * Asks is the kind of the question.
   */
  asks?: string;
  answer: string;
  look: string;
  moves: number;
  misfit?: string;
  pause?: boolean;
  /**
   * Glimpse says that the question is about what is seen at a glance: the pieces are shown for as long as a look lasts.
   */
  glimpse?: boolean;
}
/**
 * Newer is set when the lesson is of a newer format: it is only read.
 */
export interface Newer {
  format: number;
  minor: number;
  /**
   * Unread is how many of its scenes are not understood here.
   */
  unread: number;
}
export interface None {}
export interface Frame {
  rev: number;
  scene: string;
  step: number;
  steps: number;
  /**
   * Phase is how far the next step has come, and Open whether its question stands unanswered.
   */
  phase: string;
  open: boolean;
  scratch: boolean;
  canUndo: boolean;
  canRedo: boolean;
  /**
   * Secrets is how much waits to be revealed on a free board.
   */
  secrets: number;
  /**
   * Offers are lines that the record could have of what is shown.
   */
  offers: string[];
  board: BoardView;
  prompt: StepLine1;
  written?: Written;
  /**
   * Lines are the sentences, texts, bonds and table rows written so far.
   */
  lines: WrittenLine[];
  focus: Focus1;
  /**
   * Extents are how large the example becomes, by the ways in which it can be laid; a free board has none.
   */
  extents?: Extent[];
  way?: Way;
  /**
   * Words are what each move of the step does, in the class's words, when the step was gone to from the one before.
   */
  words?: string[];
  /**
   * Beats are boards between the moves of a step, and Became what turned into what, when the step was gone to from the one before.
   */
  beats?: BoardView[];
  became?: Became[];
  /**
   * Ink and Notes lie over the board at every step.
   */
  ink: Stroke[];
  notes: Note[];
  /**
   * Ways are the children's ways that were taken in here.
   */
  ways: WayView[];
  capture: Captured;
}
/**
 * Prompt is the step that is gone through, or the one just over. Its answer is empty while the question is open.
 */
export interface StepLine1 {
  say: string;
  ask: string;
  /**
   * Asks is the kind of the question.
   */
  asks?: string;
  answer: string;
  look: string;
  moves: number;
  misfit?: string;
  pause?: boolean;
  /**
   * Glimpse says that the question is about what is seen at a glance: the pieces are shown for as long as a look lasts.
   */
  glimpse?: boolean;
}
export interface Written {
  marks: string;
  /**
   * Point is the sign after the ones, in the rows that go on behind it.
   */
  point: string;
  pointed: string[];
  places: string[];
  /**
   * Rows are all that the method comes to have, from the top.
   */
  rows: string[];
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
  ends?: string[];
  heads?: string[];
  whole?: string;
  parts?: string[];
}
/**
 * Focus is what the step looks at.
 */
export interface Focus1 {
  /**
   * Zones of models, like ones or row 1.
   *
   * @maxItems 60
   */
  zones?: ZoneOf[];
  /**
   * Pieces of models.
   *
   * @maxItems 60
   */
  pieces?: PieceOf[];
  /**
   * Cells of the written method.
   *
   * @maxItems 200
   */
  cells?: CellAt[];
}
export interface Extent {
  /**
   * Below has the tracks or groups, and the tray of what was taken, stand below the chart or the pile, not beside it.
   */
  below: boolean;
  /**
   * Across has addends lie beside one another in a column, not in rows.
   */
  across: boolean;
  /**
   * Abreast has stand beside one another what else stands under one another: the places in a tray at the side, what is beyond ten in a row of ten, and more of the groups.
   */
  abreast: boolean;
  models: ModelExtent[];
  written: WrittenExtent;
}
export interface ModelExtent {
  w: number;
  h: number;
  least: number;
  kept: Size;
  reach: {
    [k: string]: Size;
  };
}
export interface Size {
  w: number;
  h: number;
}
/**
 * Written is how much is written beside the board in the end.
 */
export interface WrittenExtent {
  lines: string[];
  bonds: number;
  table: string[][];
}
/**
 * Way is how a free board is laid, where that is not as for building.
 */
export interface Way {
  /**
   * Below has the tracks or groups, and the tray of what was taken, stand below the chart or the pile, not beside it.
   */
  below: boolean;
  /**
   * Across has addends lie beside one another in a column, not in rows.
   */
  across: boolean;
  /**
   * Abreast has stand beside one another what else stands under one another: the places in a tray at the side, what is beyond ten in a row of ten, and more of the groups.
   */
  abreast: boolean;
}
export interface Became {
  from: number[];
  to: number[];
}
export interface WayView {
  name: string;
  text: string;
  whole: string;
  parts: string[];
  model: number;
  colour: number;
  rings: number[][];
}
/**
 * Capture says how far a capture has come.
 */
export interface Captured {
  on: boolean;
  steps: number;
  moves: number;
}
export interface Arrangements {
  ways: Arrangement[];
}
export interface Arrangement {
  /**
   * Below has the tracks or groups, and the tray of what was taken, stand below the chart or the pile, not beside it.
   */
  below: boolean;
  /**
   * Across has addends lie beside one another in a column, not in rows.
   */
  across: boolean;
  /**
   * Abreast has stand beside one another what else stands under one another: the places in a tray at the side, what is beyond ten in a row of ten, and more of the groups.
   */
  abreast: boolean;
  models: Size[];
}
export interface Delta {
  rev: number;
  models: ModelDelta[];
  notation: string;
  scratch: boolean;
  canUndo: boolean;
  canRedo: boolean;
  secrets: number;
  offers: string[];
  became: Became[];
  beats: BoardView[];
  announce: string;
  warn: string;
  edits: Edit[];
  written?: Written1;
  overlay?: Overlay;
  capture: Captured1;
}
export interface ModelDelta {
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
  counts: {
    [k: string]: string;
  };
  zones: ZoneView[];
  decor: Decor[];
  covers: CoverView[];
  /**
   * CountsShown says when the counts stand there, Held which read-outs are revealed.
   */
  countsShown?: 'reveal' | 'never';
  held: string[];
  readouts: ReadOut[];
  kept: KeptView[];
  /**
   * Writes says that the written method can follow what is done with it.
   */
  writes?: boolean;
  fives?: Pieces2;
  changed: Pieces;
  moved: number[];
  removed: number[];
}
export interface Edit {
  kind:
    | 'play'
    | 'putScene'
    | 'removeScene'
    | 'orderScenes'
    | 'setScene'
    | 'setBoard'
    | 'steps'
    | 'setLesson'
    | 'record'
    | 'setRecord'
    | 'ink'
    | 'notes';
  /**
   * Scene is the scene that the edit is about.
   */
  scene?: string;
  /**
   * Moves are played on a free board.
   */
  moves?: Move[];
  put?: Scene1;
  at?: number;
  /**
   * Order lists every scene id once; of ink and notes, the ids in the order in which they lie over one another.
   */
  order?: string[];
  head?: Head;
  sceneHead?: SceneHead;
  start?: Board1;
  /**
   * Drop items of the steps or the record go at At, and Steps or Record come there.
   */
  drop?: number;
  steps?: Step[];
  /**
   * Record replaces the record, or comes into it.
   */
  record?: Entry[];
  /**
   * Strokes and Notes are put over the board of Scene, each in the place of its id or as a new one; Erase names those that go.
   */
  strokes?: Stroke[];
  notes?: Note[];
  erase?: string[];
}
/**
 * Put replaces the scene of its id, or is inserted at At, or at the end.
 */
export interface Scene1 {
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
  /**
   * The objective of the lesson, a word card, or nothing but paper; a board when left out. The board of an objective or of paper is not shown.
   */
  page?: 'objective' | 'word' | 'blank';
  /**
   * What the teacher notes for herself; the class does not see it.
   */
  aside?: string;
}
/**
 * Head replaces title, objective and words, SceneHead what a scene says of itself.
 */
export interface Head {
  title: string;
  objective: string;
  words: Vocabulary;
}
export interface SceneHead {
  title: string;
  show: string[];
  marks: string;
  made?: Made1;
  page?: 'objective' | 'word' | 'blank';
  aside?: string;
}
export interface Made1 {
  method: string;
  problem: string;
  answer: string;
  model: string;
  args?: string[];
  options?: {
    [k: string]: string;
  };
}
/**
 * Start replaces the start board of a scene.
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
/**
 * Written is the column method that follows a free board, where it is shown.
 */
export interface Written1 {
  marks: string;
  /**
   * Point is the sign after the ones, in the rows that go on behind it.
   */
  point: string;
  pointed: string[];
  places: string[];
  /**
   * Rows are all that the method comes to have, from the top.
   */
  rows: string[];
  cells: Cell[];
}
/**
 * Overlay is there when the move took ink and notes along.
 */
export interface Overlay {
  ink: Stroke[];
  notes: Note[];
}
export interface Captured1 {
  on: boolean;
  steps: number;
  moves: number;
}
export interface Amounts {
  amounts: string[];
}
export interface Update {
  outline: Outline;
  frame: Frame;
  edits: Edit[];
}
export interface WordList {
  words: WordLine[];
}
export interface WordLine {
  id: string;
  age: string;
  name: string;
  meaning: string;
}
export interface PageArgs {
  page: 'objective' | 'word' | 'blank';
  card?: string;
  name?: string;
  meaning?: string;
  kind?: string;
  amount?: string;
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
  sample?: string;
}
export interface Plain {
  line?: number;
  method: string;
  title: string;
  problem: string;
  answer: string;
  model: string;
  steps: PlainStep[];
  start: Board2;
  end: Board2;
  /**
   * Offer is a problem that the set would do well to have, for the teacher alone.
   */
  offer?: string;
  /**
   * Scenes are all ways, this first, of a method that shows several.
   */
  scenes?: Plain[];
}
export interface PlainStep {
  say: string;
  ask: string;
  /**
   * Asks is the kind of the question; empty where nothing is asked.
   */
  asks: string;
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
export interface Board2 {
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
export interface Pictures {
  boards: BoardView[];
  matters: string[];
}
export interface Samples {
  samples: SampleView[];
}
export interface SampleView {
  method: string;
  face: BoardView;
}
export interface Selection {
  /**
   * Text says how many pieces it holds: of them, those that are seen.
   */
  text: string;
  verbs: Verb[];
  /**
   * Form is what is in play of it, as it can be typed: "3 tens 4 ones"; empty where its count is held back.
   */
  form: string;
}
export interface Verb {
  label: string;
  ok: boolean;
  why?: string;
  move: Move;
}
export interface PieceSaid {
  text: string;
}
export interface QuickLook {
  pieces: Pieces;
}
export interface Reached {
  id: number;
  part: number;
  upto: string;
  words: string;
}
export interface Builds {
  count: number;
  forms: string[];
}
export interface Acts {
  way: string;
  count: number;
}
export interface Verdict {
  text: string;
  state: string;
  said: string;
  /**
   * Read is the sentence in words, as the class reads it aloud.
   */
  read: string;
  solved?: string;
  answer?: string;
  arrow?: string;
  /**
   * Model says how the sentence stands to what the models show; it is empty while they are covered or there is no board.
   */
  model?: string;
  fits: boolean;
}
export interface Panels {
  panels: Panel[];
}
export interface Panel {
  step: number;
  phase: string;
  prompt: StepLine;
  board: BoardView;
  lines: WrittenLine[];
  written?: Written2;
  /**
   * Still says that no piece has moved since the panel before.
   */
  still?: boolean;
}
/**
 * Written is the written work so far.
 */
export interface Written2 {
  marks: string;
  /**
   * Point is the sign after the ones, in the rows that go on behind it.
   */
  point: string;
  pointed: string[];
  places: string[];
  /**
   * Rows are all that the method comes to have, from the top.
   */
  rows: string[];
  cells: Cell[];
}
export interface SheetView {
  tasks: TaskView[];
  without: string[];
  faults: LineFault[];
}
export interface TaskView {
  kind: string;
  ask: string;
  /**
   * Of is what of it is particular to this task, where others ask the same: a number, a problem. Over such tasks stands Head.
   */
  of?: string;
  head?: string;
  /**
   * Boards are there to look at, in notation, in the order of their blanks.
   */
  boards?: Picture[];
  /**
   * Glimpse says that the boards are seen for the length of a look.
   */
  glimpse?: boolean;
  /**
   * Lines are what is written already, with gaps.
   */
  lines?: FaceLine[];
  /**
   * Blanks are what the child gives, in order.
   */
  blanks: Blank[];
  /**
   * Bank are what she can choose from; each is there once.
   */
  bank?: string[];
  /**
   * Pointed says that a number with a point may be meant: none is offered to those who count to a hundred.
   */
  pointed?: boolean;
  views: BoardView[];
  answers: string[];
}
export interface Picture {
  board: string;
  /**
   * Covered is what a cover lies over; nothing of it is on the board.
   */
  covered?: string;
}
export interface FaceLine {
  kind: string;
  cells: FaceCell[];
}
export interface FaceCell {
  text?: string;
  blank?: string;
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
  point?: string;
}
export interface Blank {
  id: string;
  gives: string;
  label?: string;
  /**
   * Optional is a blank that may stay empty: a mark.
   */
  optional?: boolean;
}
export interface Lit {
  lines: Part[][];
  said: string;
}
export interface Part {
  text: string;
  mark?: 'stayed' | 'changed';
}
export interface Hands {
  answers: string[];
}
export interface TextArgs {
  text: string;
}
