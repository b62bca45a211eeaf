package main

import (
	"errors"
	"io/fs"

	"github.com/spf13/cobra"

	"unitbloom/web"
)

// licencesCommand prints what web/scripts/notices.mjs gathered when the program was
// built.
func licencesCommand() *cobra.Command {
	return &cobra.Command{
		Use: "licences", Short: "Print the licences of the libraries and fonts that are in this program",
		Args: arguments(cobra.NoArgs),
		RunE: func(cmd *cobra.Command, _ []string) error {
			files, ok := web.Files()
			if !ok {
				return errors.New("this program was built without its pages and their licences; `make build` builds it whole")
			}
			text, err := fs.ReadFile(files, "notices.txt")
			if err != nil {
				return err
			}
			_, err = cmd.OutOrStdout().Write(text)
			return err
		},
	}
}
