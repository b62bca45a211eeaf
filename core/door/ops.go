package door

import (
	"unitbloom/core/lesson"
)

// Operations lists all that a host can ask for, in order.
func Operations() []Operation { return operations }

var (
	operations []Operation
	byName     = map[string]Operation{}
)

// The operations refer to the types below them, hence init.
func init() {
	operations = []Operation{
		op("version", "The file form that this core writes.", version),
		op("read", "Reads a number and tells all its forms.", readNumber),
		op("wish", "A lesson of what a teacher types for the class to see, and the other ways to show it.", wish),
		op("mark", "Marks an answer to a task of which a device may know all, while the server is away.", mark),
		op("kinds", "The kinds of tasks, by what a teacher calls them.", listKinds),
		op("throw", "Throws dice, a spinner or number cards; the same seed gives the same.", throw),

		op("open", "Opens a lesson behind a handle.", open),
		on("close", "Closes the lesson.", closeSession),
		on("outline", "The lesson as the stem and the shelf show it.",
			func(s *session, _ None) (Outline, error) { return s.outline(), nil }),
		on("document", "The whole lesson, as it is saved.",
			func(s *session, _ None) (lesson.Lesson, error) { return s.doc, nil }),
		on("show", "Goes to a position: so many steps of a scene, and a phase of the next.", show),
		on("arrange", "Lays what is shown in one of its ways.", arrange),
		on("arrangements", "The other ways in which a free board can be laid before a class.", arrangements),
		on("forward", "Goes one phase, step or scene on.", forward),
		on("backward", "Goes to where forward came from.", backward),
		on("apply", "Makes a move on what the class sees.", apply),
		on("amounts", "The amounts of a typed list; one of a single amount.", amounts),
		on("buildEach", "Builds the first of a list on a free board, and adds a board like it for each other.", buildEach),
		on("undo", "Takes the last act back.", func(s *session, _ None) (Update, error) { return s.undo() }),
		on("redo", "Makes again what was taken back.", func(s *session, _ None) (Update, error) { return s.redo() }),

		on("edit", "Changes the document.", func(s *session, a EditArgs) (Update, error) { return s.edit(a.Edit) }),
		on("edits", "Changes the document by several edits, as one act.",
			func(s *session, a EditsArgs) (Update, error) { return s.edits(a.Edits) }),
		on("setScene", "Changes what a scene is called and shows.", setScene),
		on("editStep", "Changes the words of a step, or takes it out.", editStep),
		on("reshape", "Splits a step, joins it to the next, or moves it.", reshape),
		on("addWish", "Adds what a teacher types for the class to see.", addWish),
		on("addBoard", "Adds a free board.", addBoard),
		on("words", "The word cards that come with the product.", listWords),
		on("addPages", "Adds pages that are no boards: the objective, word cards, paper.", addPages),
		on("methods", "The methods of worked examples.", listMethods),
		on("preview", "A worked example in words, before it is added.", preview),
		on("pictures", "Boards of a worked example, before it is added.", pictures),
		on("samples", "The fullest boards of the samples of an operation's methods, as their pictures.", samples),
		on("addExample", "Adds a worked example.", addExample),
		on("anotherLike", "Adds a worked example of a parallel problem.", anotherLike),
		on("otherNumbers", "Makes a worked example anew with other numbers.", otherNumbers),
		on("addSet", "Adds worked examples like one, each a step harder.", addSet),
		on("clear", "Clears pieces, ink, notes or record, as one act.", clearThings),

		on("keepScratch", "Keeps what was done on a scratch copy as a step, or in one.", keepScratch),
		on("dropScratch", "Puts the scratch copy away.", func(s *session, _ None) (Frame, error) {
			s.scratch = nil
			return s.frame(), nil
		}),
		on("beginShowing", "Opens a showing of the lesson: what is done by hand there leaves the lesson as it was prepared.",
			beginShowing),
		on("startAgain", "Brings a scene of a showing back to how it was prepared.", startAgain),
		on("keepInLesson", "Keeps a scene of a showing in the lesson.", keepInLesson),
		on("keepRecord", "Adds the lines of a showing's record to the lesson's.", keepRecord),
		on("reveal", "Shows the next thing that is held back on a free board.", reveal),
		on("beginCapture", "Makes every further move on the free board a move of a new example.", beginCapture),
		on("endStep", "Closes a step of the capture with the teacher's words.", endStep),
		on("endCapture", "Makes the captured steps a worked example.", endCapture),
		on("dropCapture", "Stops capturing; the board stays as it is.", dropCapture),

		on("takeIn", "Takes a child's way in: what was said, or drawn round, is found in what lies there.", takeIn),
		on("dropWays", "Takes the children's ways off the scene.", dropWays),
		on("selection", "What a selection of pieces holds, and the verbs that it carries.", selection),
		on("pieceAt", "Says of a piece where it lies, for those who do not see it.", pieceAt),
		on("look", "A quick look at what is covered; nothing is shown to anyone else.", quickLook),
		on("counting", "The pieces in the order in which they are counted aloud.", counting),
		on("builds", "The ways to build a number.", builds),
		on("acts", "The acts that it takes to lay a number, the slow way and the fast.", acts),
		on("judge", "Judges a number sentence, against itself and the models.", judge),
		on("boardOf", "The board of a scene as it is in the end.", boardOf),
		on("faceOf", "The fullest board of a scene, as its picture.", faceOf),
		on("panels", "A scene as pictures one after another, for paper and for a page of its own.", panels),
		on("sheet", "Tasks for children made from scenes and from typed lines, as they are printed.", sheet),
		on("stayed", "Which digits of lines stayed, and which changed.", stayed),
		on("hands", "Answers to choose from: that of the example that is shown, and what known mistakes give.", hands),
		on("compare", "The first two models with the sign between them.", compare),
	}
	for _, o := range operations {
		byName[o.Name] = o
	}
}
