package main

import (
	"bufio"
	"bytes"
	"encoding/json"
	"fmt"
	"io"
	"os"
	"regexp"
	"runtime"
	"runtime/debug"
	"strings"

	"github.com/spf13/cobra"

	"unitbloom/core/form"
	"unitbloom/core/method"
	"unitbloom/core/place"
	"unitbloom/core/say"
)

type exampleFlags struct {
	model, batch string
	set, words   []string
	asJSON       bool
}

func exampleCommand() *cobra.Command {
	var f exampleFlags
	cmd := &cobra.Command{
		Use: "example METHOD ARGUMENTS…", Short: "Make worked examples",
		Long: "Make the worked example of a problem, or of every line of a file (METHOD,ARGUMENT,…).",
		Example: "  unitbloom example column-add 146 87 --model blocks --json\n  unitbloom example --batch problems.csv " +
			"--json",
		// Signs before digits are arguments, so the flags are told apart first.
		DisableFlagParsing: true,
		RunE:               withSigned(f.run),
	}
	cmd.Flags().BoolP("help", "h", false, "help for example")
	cmd.Flags().StringVar(&f.model, "model", "", "the model; the method's first when left out")
	cmd.Flags().StringVar(&f.batch, "batch", "", "a file of problems, one a line; - reads standard input")
	cmd.Flags().StringArrayVar(&f.set, "set", nil, "an option, as key=value")
	cmd.Flags().StringArrayVar(&f.words, "words", nil, "what the class calls things, as key=value: numbers=4 002,5")
	cmd.Flags().BoolVar(&f.asJSON, "json", false, "print JSON")
	return cmd
}

// withSigned runs a command with its arguments, among which may be signs before digits, once
// its flags are read.
func withSigned(run func(cmd *cobra.Command, args []string) error) func(*cobra.Command, []string) error {
	return func(cmd *cobra.Command, raw []string) error {
		flags, args := splitSigned(raw)
		if err := cmd.Flags().Parse(flags); err != nil {
			return fmt.Errorf("%w: %w", errUsage, err)
		}
		if help, _ := cmd.Flags().GetBool("help"); help {
			return cmd.Help()
		}
		return run(cmd, append(cmd.Flags().Args(), args...))
	}
}

var signed = regexp.MustCompile(`^[-+−×÷/?]\s*[0-9.]|^[-+−×÷/?x]$`)

// splitSigned parts flags, with their values, from arguments. A token that
// begins with a sign and a digit is an argument, never a flag.
func splitSigned(raw []string) (flags, args []string) {
	for i := 0; i < len(raw); i++ {
		token := raw[i]
		switch {
		case signed.MatchString(token) || !strings.HasPrefix(token, "-"):
			args = append(args, token)
		case token == "--":
			return flags, append(args, raw[i+1:]...)
		default:
			flags = append(flags, token)
			takesValue := token == "--model" || token == "--batch" || token == "--set" || token == "--words" ||
				token == "--seed" || token == "--title"
			if takesValue && i+1 < len(raw) {
				i++
				flags = append(flags, raw[i])
			}
		}
	}
	return flags, args
}

func (f *exampleFlags) run(cmd *cobra.Command, args []string) error {
	options, err := pairs("--set", f.set)
	if err != nil {
		return err
	}
	words, err := vocabulary(f.words)
	if err != nil {
		return err
	}
	method.InWords(options, words)
	if f.batch != "" {
		if len(args) > 0 {
			return fmt.Errorf("%w: --batch takes its problems from the file, not from the line", errUsage)
		}
		return f.runBatch(cmd, options, words)
	}
	if len(args) < 1 {
		return fmt.Errorf("%w: say which method and problem. Use: unitbloom example column-add 146 87", errUsage)
	}
	for i := range args {
		args[i] = words.Plain(args[i])
	}
	r, err := method.Worded(args[0], args[1:])
	if err != nil {
		return err
	}
	r.Model, r.Options = f.model, options
	e, err := method.Make(r)
	if err != nil {
		return err
	}
	e = e.In(words)
	if !f.asJSON {
		return printExample(cmd.OutOrStdout(), e.Plain(), words)
	}
	return encode(cmd.OutOrStdout(), e.Plain())
}

// pairs are the key=value of a flag that may be given several times.
func pairs(flag string, list []string) (map[string]string, error) {
	given := map[string]string{}
	for _, text := range list {
		key, value, ok := strings.Cut(text, "=")
		if !ok {
			return nil, fmt.Errorf("%w: %s %q is not key=value", errUsage, flag, text)
		}
		given[key] = value
	}
	return given, nil
}

// vocabulary are the class's words of the flag.
func vocabulary(list []string) (w say.Vocabulary, err error) {
	chosen, err := pairs("--words", list)
	if err != nil {
		return w, err
	}
	raw, err := json.Marshal(chosen)
	if err == nil {
		err = form.Read(raw, &w)
	}
	if err == nil {
		err = w.Validate()
	}
	if err != nil {
		return w, fmt.Errorf("%w: --words: %w", errUsage, err)
	}
	return w, nil
}

type batchError struct {
	Line  int    `json:"line"`
	Error string `json:"error"`
}

// runBatch makes one object a line, in the order of the file. A bad line gives
// its error and the rest go on.
func (f exampleFlags) runBatch(cmd *cobra.Command, options map[string]string, words say.Vocabulary) error {
	var in io.Reader = cmd.InOrStdin()
	if f.batch != "-" {
		file, err := os.Open(f.batch)
		if err != nil {
			return fmt.Errorf("the file %q does not open: %w", f.batch, err)
		}
		defer file.Close()
		in = file
	}
	return f.writeBatch(in, cmd.OutOrStdout(), options, words)
}

// made is the object of one line, on its way to its turn in the output.
type made struct {
	body   []byte
	failed bool
	err    error
}

// writeBatch makes lines side by side, one for each core, and writes them in
// their order.
func (f exampleFlags) writeBatch(in io.Reader, w io.Writer, options map[string]string, words say.Vocabulary) error {
	// The heap is small and the work short: fewer collections are faster.
	defer debug.SetGCPercent(debug.SetGCPercent(400))
	turns := make(chan chan made, 4*runtime.NumCPU())
	readErr := make(chan error, 1)
	go func() {
		defer close(turns)
		scanner := bufio.NewScanner(in)
		scanner.Buffer(nil, 1<<20)
		busy := make(chan struct{}, runtime.NumCPU())
		for n := 1; scanner.Scan(); n++ {
			text := strings.TrimSpace(scanner.Text())
			if text == "" {
				continue
			}
			turn := make(chan made, 1)
			turns <- turn
			busy <- struct{}{}
			go func() {
				turn <- f.batchLine(n, text, options, words)
				<-busy
			}()
		}
		readErr <- scanner.Err()
	}()
	out := bufio.NewWriter(w)
	defer out.Flush()
	failed := false
	for turn := range turns {
		m := <-turn
		if m.err != nil {
			return m.err
		}
		failed = failed || m.failed
		if _, err := out.Write(m.body); err != nil {
			return err
		}
	}
	if err := <-readErr; err != nil {
		return fmt.Errorf("the file %q cannot be read: %w", f.batch, err)
	}
	if failed {
		return errSilent
	}
	return nil
}

func (f exampleFlags) batchLine(n int, text string, options map[string]string, words say.Vocabulary) made {
	var value any
	e, err := f.fromLine(text, options, words)
	if err != nil {
		value = batchError{n, err.Error()}
	} else {
		p := e.Plain()
		p.Line = n
		value = p
	}
	var body bytes.Buffer
	encodeErr := encode(&body, value)
	return made{body.Bytes(), err != nil, encodeErr}
}

func (f exampleFlags) fromLine(text string, options map[string]string, words say.Vocabulary) (method.Example, error) {
	r, err := method.ReadLine(text, words)
	if err != nil {
		return method.Example{}, err
	}
	r.Model, r.Options = f.model, options
	e, err := method.Make(r)
	return e.In(words), err
}

func encode(w io.Writer, value any) error {
	body, err := form.JSON(value)
	if err != nil {
		return err
	}
	_, err = w.Write(append(body, '\n'))
	return err
}

// printExample prints the example as a teacher would read it out, one way after another
// where there are several.
func printExample(w io.Writer, p method.Plain, words say.Vocabulary) error {
	ways := p.Scenes
	if len(ways) == 0 {
		p.Title = p.Problem // the only way needs no name
		ways = []method.Plain{p}
	}
	for i, way := range ways {
		if i > 0 {
			fmt.Fprintln(w)
		}
		fmt.Fprintf(w, "%s\n", way.Title)
		for i, s := range way.Steps {
			fmt.Fprintf(w, "\n%d.", i+1)
			if s.Say != "" {
				fmt.Fprintf(w, " %s", s.Say)
			}
			fmt.Fprintln(w)
			if s.Ask != "" {
				fmt.Fprintf(w, "   %s (%s)\n   – %s\n", s.Ask, s.Asks, s.Answer)
			}
			lies, err := place.ParseAmount(s.UnitForm)
			if err != nil {
				return err
			}
			fmt.Fprintf(w, "   [%s]\n", words.UnitForm(lies))
		}
	}
	_, err := fmt.Fprintf(w, "\n%s: %s\n", p.Problem, p.Answer)
	return err
}

func readCommand() *cobra.Command {
	var asJSON bool
	cmd := &cobra.Command{
		Use: "read NUMBER", Short: "Read a number in every form", Args: arguments(cobra.MinimumNArgs(1)),
		RunE: func(cmd *cobra.Command, args []string) error {
			w, err := place.Parse(strings.Join(args, " "))
			if err != nil {
				return err
			}
			r := w.Read()
			if asJSON {
				return encode(cmd.OutOrStdout(), r)
			}
			for _, text := range []string{r.Numeral, r.Expanded, r.UnitForm, r.Words, r.WordsWithAnd, r.PlaceWords} {
				fmt.Fprintln(cmd.OutOrStdout(), text)
			}
			return nil
		},
	}
	cmd.Flags().BoolVar(&asJSON, "json", false, "print JSON")
	return cmd
}
