package main

import (
	"cmp"
	"fmt"
	"os"
	"runtime/debug"
	"time"

	"github.com/spf13/cobra"

	"velocrustum/internal/store"
)

// release is set by the build of one, with -ldflags "-X main.release=1.2.0".
var release string

// builtFrom says which program this is: the release, and what it was built from.
func builtFrom() string {
	from, changed := "", ""
	if info, ok := debug.ReadBuildInfo(); ok {
		for _, s := range info.Settings {
			switch {
			case s.Key == "vcs.revision":
				from = s.Value[:min(12, len(s.Value))]
			case s.Key == "vcs.modified" && s.Value == "true":
				changed = ", changed since"
			}
		}
	}
	if from == "" {
		return cmp.Or(release, "of unknown origin")
	}
	return fmt.Sprintf("%s (%s%s)", cmp.Or(release, "unreleased"), from, changed)
}

// leastPassphrase is how long one that is set by hand has to be.
const leastPassphrase = 10

// fixedPassphrase is the one that is set by hand, if there is one.
func fixedPassphrase() (string, error) {
	p := os.Getenv("VELOCRUSTUM_PASSPHRASE")
	if n := len([]rune(p)); p != "" && n < leastPassphrase {
		return "", fmt.Errorf("VELOCRUSTUM_PASSPHRASE has %d characters: want %d or more, three words for example", n, leastPassphrase)
	}
	return p, nil
}

func passphraseCommand() *cobra.Command {
	var db string
	c := &cobra.Command{Use: "passphrase", Short: "Show the passphrase of the home network, also while it is in use", Args: cobra.NoArgs,
		RunE: func(c *cobra.Command, _ []string) error {
			if _, err := os.Stat(db); err != nil {
				return fmt.Errorf("there is no database at %s", db)
			}
			st, err := store.Open(c.Context(), db, time.Now)
			if err != nil {
				return err
			}
			defer st.Close()
			kept, err := st.Passphrase(c.Context(), passphrase())
			if err != nil {
				return err
			}
			fmt.Fprintln(c.OutOrStdout(), kept)
			return nil
		}}
	c.Flags().StringVar(&db, "db", defaultDB(), "database file")
	return c
}
