// Velocrustum plans, guides and remembers air-fried cooks.
package main

import (
	"context"
	"encoding/json"
	"errors"
	"fmt"
	"os"
	"os/signal"
	"path/filepath"
	"syscall"

	"github.com/spf13/cobra"

	"velocrustum/core/advise"
	"velocrustum/core/belief"
	"velocrustum/core/load"
	"velocrustum/core/prep"
	"velocrustum/core/refuse"
	"velocrustum/core/sheet"
	"velocrustum/core/verdict"
	"velocrustum/internal/store"
)

// errInput marks what the caller can mend: exit 2.
var errInput = errors.New("bad input")

func main() {
	ctx, stop := signal.NotifyContext(context.Background(), os.Interrupt, syscall.SIGTERM)
	err := root().ExecuteContext(ctx)
	stop()
	switch {
	case errors.Is(err, errInput):
		os.Exit(2)
	case err != nil:
		fmt.Fprintln(os.Stderr, "velocrustum:", err)
		os.Exit(1)
	}
}

func root() *cobra.Command {
	c := &cobra.Command{
		Use:           "velocrustum",
		Short:         "Plans, guides and remembers air-fried cooks",
		Version:       builtFrom(),
		SilenceErrors: true, SilenceUsage: true,
	}
	c.AddCommand(serveCommand(), demoCommand(), simulateCommand(), recommendCommand(), sheetCommand(), replayCommand(), learnCommand(), kitchenCommand(), importCommand(), exportCommand(), backupCommand(), passphraseCommand())
	return c
}

func defaultDB() string {
	dir, err := os.UserConfigDir()
	if err != nil {
		dir = "."
	}
	return filepath.Join(dir, "velocrustum", "velocrustum.db")
}

func simulateCommand() *cobra.Command {
	quick := false
	c := &cobra.Command{Use: "simulate FILE", Short: "Simulate the cook in a JSON request; - reads standard input", Args: cobra.ExactArgs(1),
		RunE: func(c *cobra.Command, args []string) error {
			return answer(c, args[0], func(ctx context.Context, q prep.Asked) (any, error) {
				if len(q.Chambers) > 0 {
					both, err := inDrawers(q)
					if err != nil {
						return nil, err
					}
					return advise.SimulateChambers(ctx, both, verdict.Options{NoChance: quick})
				}
				d, err := ready(q)
				if err != nil {
					return nil, err
				}
				return advise.Simulate(ctx, d, verdict.Options{NoChance: quick, ByLots: len(q.Lots) > 0})
			})
		}}
	c.Flags().BoolVar(&quick, "quick", false, "leave out the sampled window")
	return c
}

func recommendCommand() *cobra.Command {
	want := string(advise.Balanced)
	c := &cobra.Command{Use: "recommend FILE", Short: "Search each way of running the load in a JSON request, and rank them", Args: cobra.ExactArgs(1),
		RunE: func(c *cobra.Command, args []string) error {
			return answer(c, args[0], func(ctx context.Context, q prep.Asked) (any, error) {
				d, err := ready(q)
				if err != nil {
					return nil, err
				}
				return advise.Recommend(ctx, d.First(), advise.Want(want), nil)
			})
		}}
	c.Flags().StringVar(&want, "want", want, "balanced, crisper, juicier, sooner or paler")
	return c
}

func sheetCommand() *cobra.Command {
	return &cobra.Command{Use: "sheet FILE", Short: "Work the supper in a JSON document back from its table time; - reads standard input", Args: cobra.ExactArgs(1),
		RunE: func(c *cobra.Command, args []string) error {
			kitchen := &sheet.Kitchen{Pantry: prep.NewPantry(nil)}
			return answer(c, args[0], func(ctx context.Context, s sheet.Supper) (any, error) { return kitchen.Plan(ctx, s) })
		}}
}

// ready is what was asked for as it goes into the basket, off the bench, by the
// pantry that ships.
func ready(q prep.Asked) (load.Dish, error) {
	if err := q.OneDrawer(); err != nil {
		return load.Dish{}, err
	}
	d, _, err := prep.NewPantry(nil).Ready(q.Dish())
	return d, err
}

// inDrawers is what was asked for of two drawers, as each goes in.
func inDrawers(q prep.Asked) (out []load.Chamber, err error) {
	each, err := q.InDrawers()
	if err != nil {
		return nil, err
	}
	for k, one := range each {
		d, err := ready(one)
		if err != nil {
			return nil, refuse.Under(fmt.Sprintf("chambers[%d].", k), err)
		}
		out = append(out, load.Chamber{Request: d.First(), StartMin: q.Chambers[k].StartMin})
	}
	return out, nil
}

// replayed is a cook and what was seen in it.
type replayed struct {
	Request prep.Asked        `json:"request"`
	Events  []belief.Evidence `json:"events"`
}

func replayCommand() *cobra.Command {
	return &cobra.Command{Use: "replay FILE", Short: "Foresee the cook in a JSON document anew after each thing that was seen; - reads standard input", Args: cobra.ExactArgs(1),
		RunE: func(c *cobra.Command, args []string) error {
			return answer(c, args[0], func(ctx context.Context, r replayed) (any, error) {
				d, err := ready(r.Request)
				if err != nil {
					return nil, refuse.Under("request.", err)
				}
				all, err := belief.Replay(ctx, d.First(), r.Events)
				return map[string]any{"forecasts": all}, err
			})
		}}
}

// answer reads one request and prints what f makes of it, as JSON. What the
// request cannot be is said on standard error.
func answer[Q any](c *cobra.Command, path string, f func(context.Context, Q) (any, error)) error {
	in := c.InOrStdin()
	if path != "-" {
		file, err := os.Open(path)
		if err != nil {
			return refused(c, err)
		}
		defer file.Close()
		in = file
	}
	q, err := refuse.Decode[Q](in)
	if err != nil {
		return refused(c, err)
	}
	a, err := f(c.Context(), q)
	if fields := (refuse.Fields)(nil); errors.As(err, &fields) {
		return refused(c, err)
	} else if err != nil {
		return err
	}
	e := json.NewEncoder(c.OutOrStdout())
	e.SetIndent("", "  ")
	return e.Encode(a)
}

func refused(c *cobra.Command, err error) error {
	fmt.Fprintln(c.ErrOrStderr(), err)
	return errInput
}

func backupCommand() *cobra.Command {
	var db string
	c := &cobra.Command{Use: "backup FILE", Short: "Write a consistent copy of the database, also while it is in use", Args: cobra.ExactArgs(1),
		RunE: func(c *cobra.Command, args []string) error {
			if _, err := os.Stat(db); err != nil {
				return fmt.Errorf("there is no database at %s", db)
			}
			return store.Copy(c.Context(), db, args[0])
		}}
	c.Flags().StringVar(&db, "db", defaultDB(), "database file")
	return c
}
