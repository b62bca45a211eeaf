package main

import (
	"encoding/json"
	"errors"
	"fmt"
	"io"
	"os"
	"strings"

	"github.com/spf13/cobra"

	"unitbloom/core/form"
	"unitbloom/core/say"
	"unitbloom/core/task"
)

// kindOfTask is a kind with a task that works, and answers to it.
type kindOfTask struct {
	Kind    string        `json:"kind"`
	Doc     string        `json:"doc"`
	About   string        `json:"about"`
	Options any           `json:"options"`
	Task    taskFile      `json:"task"`
	Right   []task.Answer `json:"right"`
	Wrong   []task.Answer `json:"wrong"`
}

// taskFile is a task with its face. A face that is read is passed over: it follows from the
// rest.
type taskFile struct {
	task.Task
	Face task.Face `json:"face"`
}

func faced(t task.Task, w say.Vocabulary) (taskFile, error) {
	t, err := task.Make(t)
	if err != nil {
		return taskFile{}, err
	}
	face, err := task.FaceOf(t, w)
	return taskFile{t, face}, err
}

func tasksCommand() *cobra.Command {
	var asJSON bool
	cmd := &cobra.Command{
		Use: "tasks", Short: "List the kinds of tasks for children", Args: arguments(cobra.NoArgs),
		RunE: func(cmd *cobra.Command, _ []string) error {
			list := []kindOfTask{}
			for _, spec := range task.Specs() {
				file, err := faced(task.Task{Kind: spec.Kind, About: spec.Sample}, say.Vocabulary{})
				if err != nil {
					return err
				}
				k := kindOfTask{Kind: spec.Kind, Doc: spec.Doc, About: spec.About, Options: spec.Options, Task: file}
				if k.Right, err = task.Right(file.Task); err != nil {
					return err
				}
				if k.Wrong, err = task.Wrong(file.Task); err != nil {
					return err
				}
				list = append(list, k)
			}
			if asJSON {
				return encode(cmd.OutOrStdout(), list)
			}
			for _, k := range list {
				fmt.Fprintf(cmd.OutOrStdout(), "%-8s %s\n         unitbloom task %s %s\n", k.Kind, k.Doc, k.Kind,
					quoted(k.Task.About))
			}
			return nil
		},
	}
	cmd.Flags().BoolVar(&asJSON, "json", false, "print JSON, with answers to each sample")
	return cmd
}

// quoted are arguments as they are typed on a line.
func quoted(args []string) string {
	texts := make([]string, len(args))
	for i, a := range args {
		if texts[i] = a; strings.ContainsAny(a, " |;=") {
			texts[i] = `"` + a + `"`
		}
	}
	return strings.Join(texts, " ")
}

func taskCommand() *cobra.Command {
	var set, inWords []string
	var asJSON bool
	cmd := &cobra.Command{
		Use: "task KIND ABOUT…", Short: "Make a task for children",
		Long: "Make a task for children: what is asked, what is there, and the gaps that are theirs to fill. " +
			"Unitbloom tasks lists the kinds.",
		Example: "  unitbloom task build 146 --set ways=2 --json\n  unitbloom task fill \"8 + ? = 9 + 4\" --json > task.json",
		// Signs before digits are arguments, so the flags are told apart first.
		DisableFlagParsing: true,
	}
	cmd.Flags().BoolP("help", "h", false, "help for task")
	cmd.Flags().StringArrayVar(&set, "set", nil, "an option, as key=value")
	cmd.Flags().StringArrayVar(&inWords, "words", nil, "what the class calls things, as key=value: numbers=4 002,5")
	cmd.Flags().BoolVar(&asJSON, "json", false, "print JSON")
	cmd.RunE = withSigned(func(cmd *cobra.Command, args []string) error {
		if len(args) == 0 {
			return fmt.Errorf("%w: say which kind and what it is about. Use: unitbloom task build 146", errUsage)
		}
		options, err := pairs("--set", set)
		if err != nil {
			return err
		}
		words, err := vocabulary(inWords)
		if err != nil {
			return err
		}
		for i := range args {
			args[i] = words.Plain(args[i])
		}
		file, err := faced(task.Task{Kind: args[0], About: args[1:], Options: options}, words)
		if err != nil {
			return err
		}
		if asJSON {
			return encode(cmd.OutOrStdout(), file)
		}
		return printTask(cmd.OutOrStdout(), file.Face)
	})
	return cmd
}

// printTask prints what a child gets.
func printTask(w io.Writer, f task.Face) error {
	fmt.Fprintln(w, f.Ask)
	for _, b := range f.Boards {
		text := b.Board
		if b.Covered != "" {
			text += ", with " + b.Covered + " covered"
		}
		fmt.Fprintln(w, " ", text)
	}
	for _, line := range f.Lines {
		texts := make([]string, len(line.Cells))
		for i, c := range line.Cells {
			if texts[i] = c.Text; c.Blank != "" {
				texts[i] = "□"
			}
		}
		fmt.Fprintln(w, " ", strings.Join(texts, " "))
	}
	if len(f.Bank) > 0 {
		fmt.Fprintln(w, "  ["+strings.Join(f.Bank, "] [")+"]")
	}
	return nil
}

func markCommand() *cobra.Command {
	var taskPath, answerPath string
	var inWords []string
	var asJSON bool
	cmd := &cobra.Command{
		Use: "mark --task FILE --answer FILE", Short: "Judge an answer to a task", Args: arguments(cobra.NoArgs),
		Long: "Judge an answer to a task: whether it is right, part by part, with a question as a hint, and the known " +
			"mistakes that give it. A file named - is standard input.",
		RunE: func(cmd *cobra.Command, _ []string) error {
			if taskPath == "" || answerPath == "" {
				return fmt.Errorf("%w: give a task and an answer. Use: %s", errUsage, cmd.UseLine())
			}
			var file struct {
				task.Task
				Face json.RawMessage `json:"face"`
			}
			if err := readFile(cmd, "--task", taskPath, &file); err != nil {
				return err
			}
			var answer task.Answer
			if err := readFile(cmd, "--answer", answerPath, &answer); err != nil {
				return err
			}
			words, err := vocabulary(inWords)
			if err != nil {
				return err
			}
			v, err := task.Mark(file.Task, answer, words)
			if err != nil {
				return err
			}
			if asJSON {
				return encode(cmd.OutOrStdout(), v)
			}
			return printVerdict(cmd.OutOrStdout(), v)
		},
	}
	cmd.Flags().StringVar(&taskPath, "task", "", "the file of the task")
	cmd.Flags().StringVar(&answerPath, "answer", "", "the file of the answer: what was given, by the name of its gap")
	cmd.Flags().StringArrayVar(&inWords, "words", nil, "what the class calls things, as key=value")
	cmd.Flags().BoolVar(&asJSON, "json", false, "print JSON")
	return cmd
}

// mostOfFile is how much of a file is read.
const mostOfFile = 1 << 20

// readFile reads a JSON file of at most a megabyte.
func readFile(cmd *cobra.Command, flag, path string, into any) error {
	in := cmd.InOrStdin()
	if path != "-" {
		file, err := os.Open(path)
		if err != nil {
			return fmt.Errorf("%s: the file %q does not open: %w", flag, path, errors.Unwrap(err))
		}
		defer file.Close()
		in = file
	}
	raw, err := io.ReadAll(io.LimitReader(in, mostOfFile+1))
	if err != nil {
		return fmt.Errorf("%s: %q cannot be read: %w", flag, path, err)
	}
	if len(raw) > mostOfFile {
		return fmt.Errorf("%s: %q is larger than a megabyte", flag, path)
	}
	if err = form.Measure(raw); err == nil {
		err = form.Read(raw, into)
	}
	if err != nil {
		return fmt.Errorf("%s: %q: %w", flag, path, form.Plain(err))
	}
	return nil
}

func printVerdict(w io.Writer, v task.Verdict) error {
	if v.Right {
		_, err := fmt.Fprintln(w, "Right.")
		return err
	}
	fmt.Fprintln(w, "Not yet.", v.Hint)
	for _, p := range v.Parts {
		if !p.Right {
			fmt.Fprintln(w, " ", strings.TrimSpace(p.At+" "+p.What))
		}
	}
	for _, s := range v.Mistakes {
		fmt.Fprintf(w, "  as if %s: %s\n", s.As, s.Ask)
	}
	return nil
}
