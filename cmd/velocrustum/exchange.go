package main

import (
	"bytes"
	"context"
	"embed"
	"encoding/json"
	"errors"
	"fmt"
	"io"
	"log/slog"
	"net/http"
	"net/url"
	"os"
	"strings"
	"time"

	"github.com/spf13/cobra"

	"velocrustum/internal/api"
	"velocrustum/internal/clock"
	"velocrustum/internal/store"
)

// household answers the contract over a database, without a server.
type household struct {
	st *store.Store
	h  *api.App
}

// openHousehold opens a database that is there.
func openHousehold(ctx context.Context, db string) (*household, error) {
	if _, err := os.Stat(db); err != nil {
		return nil, fmt.Errorf("there is no database at %s", db)
	}
	st, err := store.Open(ctx, db, time.Now)
	if err != nil {
		return nil, err
	}
	h, err := api.NewHandler(st, api.Options{Files: embed.FS{}, Clock: clock.System(), Log: slog.New(slog.DiscardHandler)})
	if err != nil {
		return nil, errors.Join(err, st.Close())
	}
	return &household{st, h}, nil
}

func (k *household) close() {
	k.h.Close()
	_ = k.st.Close() // it was read, or what was written is committed
}

// said is what a handler answers.
type said struct {
	bytes.Buffer
	header http.Header
	status int
}

func (s *said) Header() http.Header    { return s.header }
func (s *said) WriteHeader(status int) { s.status = status }

// ask asks for something by the contract; what is refused is errInput, told in
// the words of the refusal.
func (k *household) ask(c *cobra.Command, method, path string, body any) ([]byte, error) {
	in := io.Reader(http.NoBody)
	if body != nil {
		b, err := json.Marshal(body)
		if err != nil {
			return nil, err
		}
		in = bytes.NewReader(b)
	}
	r, err := http.NewRequestWithContext(c.Context(), method, "http://localhost/api/v1"+path, in)
	if err != nil {
		return nil, err
	}
	r.RemoteAddr = "127.0.0.1:1"
	r.RequestURI = r.URL.RequestURI()
	r.Header.Set("Content-Type", "application/json")
	w := &said{header: http.Header{}, status: http.StatusOK}
	k.h.ServeHTTP(w, r)
	if w.status/100 == 2 {
		return w.Bytes(), nil
	}
	var p api.Problem
	if json.Unmarshal(w.Bytes(), &p) == nil && p.Title != "" {
		text := p.Title
		if p.Detail != nil {
			text = *p.Detail
		}
		if w.status < 500 {
			return nil, refused(c, errors.New(text))
		}
		return nil, errors.New(text)
	}
	return nil, fmt.Errorf("it answers with %d", w.status)
}

// kept is what of a list is called so, by its id or its name.
func kept[T any](c *cobra.Command, k *household, path, what, called string, idName func(T) (id, name string)) (string, error) {
	raw, err := k.ask(c, http.MethodGet, path, nil)
	if err != nil {
		return "", err
	}
	var all []T
	if err := json.Unmarshal(raw, &all); err != nil {
		return "", err
	}
	var names []string
	for _, t := range all {
		id, name := idName(t)
		if id == called || strings.EqualFold(name, called) {
			return id, nil
		}
		names = append(names, fmt.Sprintf("%q", name))
	}
	return "", refused(c, fmt.Errorf("%s: %q is not possible; allowed: %s", what, called, strings.Join(names, ", ")))
}

func exportCommand() *cobra.Command {
	var db, as, out string
	c := &cobra.Command{Use: "export", Short: "Write a dish or a cook in an open format"}
	c.PersistentFlags().StringVar(&db, "db", defaultDB(), "database file")
	c.PersistentFlags().StringVar(&out, "out", "-", "file to write; - writes to standard output")
	write := func(c *cobra.Command, b []byte) error {
		if out == "-" {
			_, err := c.OutOrStdout().Write(b)
			return err
		}
		return os.WriteFile(out, b, 0o600)
	}
	dish := &cobra.Command{Use: "dish NAME", Short: "A dish as a recipe: schema.org JSON-LD or Markdown; it comes in again as it was", Args: cobra.ExactArgs(1),
		RunE: func(c *cobra.Command, args []string) error {
			k, err := openHousehold(c.Context(), db)
			if err != nil {
				return err
			}
			defer k.close()
			id, err := kept(c, k, "/plans", "dish", args[0], func(p api.Plan) (string, string) { return p.Id, p.Name })
			if err != nil {
				return err
			}
			b, err := k.ask(c, http.MethodGet, "/plans/"+id+"/recipe?as="+url.QueryEscape(as), nil)
			if err != nil {
				return err
			}
			return write(c, b)
		}}
	dish.Flags().StringVar(&as, "as", "jsonld", "jsonld or markdown")
	what := "readings"
	table := &cobra.Command{Use: "cook ID", Short: "A cook as a table: forecast, events or readings", Args: cobra.ExactArgs(1),
		RunE: func(c *cobra.Command, args []string) error {
			k, err := openHousehold(c.Context(), db)
			if err != nil {
				return err
			}
			defer k.close()
			b, err := k.ask(c, http.MethodGet, "/cooks/"+url.PathEscape(args[0])+"/tables/"+url.PathEscape(what), nil)
			if err != nil {
				return err
			}
			return write(c, b)
		}}
	table.Flags().StringVar(&what, "table", what, "forecast, events or readings")
	whole := &cobra.Command{Use: "household", Short: "All that a household keeps, as one zip file with sums of each", Args: cobra.NoArgs,
		RunE: func(c *cobra.Command, _ []string) error {
			k, err := openHousehold(c.Context(), db)
			if err != nil {
				return err
			}
			defer k.close()
			b, err := k.ask(c, http.MethodGet, "/archive", nil)
			if err != nil {
				return err
			}
			return write(c, b)
		}}
	c.AddCommand(dish, table, whole)
	return c
}

func importCommand() *cobra.Command {
	var db, fryer, cook string
	var shift float64
	dry := false
	c := &cobra.Command{Use: "import FILE", Short: "Read a recipe (text, Markdown, a saved page, JSON-LD) as a dish, or a thermometer's file over a cook; - reads standard input", Args: cobra.ExactArgs(1),
		RunE: func(c *cobra.Command, args []string) error {
			raw, err := read(c, args[0])
			if err != nil {
				return err
			}
			k, err := openHousehold(c.Context(), db)
			if err != nil {
				return err
			}
			defer k.close()
			if cook != "" {
				b, err := k.ask(c, http.MethodPost, "/cooks/"+url.PathEscape(cook)+"/curve", map[string]any{"file": string(raw), "shiftMin": shift})
				if err != nil {
					return err
				}
				_, err = c.OutOrStdout().Write(b)
				return err
			}
			return importDish(c, k, raw, fryer, dry)
		}}
	c.Flags().StringVar(&db, "db", defaultDB(), "database file")
	c.Flags().StringVar(&fryer, "fryer", "", "the fryer it is brought to, by name; the first where left out")
	c.Flags().StringVar(&cook, "cook", "", "the id of the cook that a thermometer's file is laid over")
	c.Flags().Float64Var(&shift, "shift", 0, "by how many minutes that is laid later")
	c.Flags().BoolVar(&dry, "dry-run", false, "say what is understood, and keep nothing")
	return c
}

// mostRead is what is read of a file.
const mostRead = 4 << 20

func read(c *cobra.Command, path string) ([]byte, error) {
	in := c.InOrStdin()
	if path != "-" {
		file, err := os.Open(path)
		if err != nil {
			return nil, refused(c, err)
		}
		defer file.Close()
		in = file
	}
	return io.ReadAll(io.LimitReader(in, mostRead))
}

// importDish reads a recipe, says each line with what was understood, and
// keeps the dish.
func importDish(c *cobra.Command, k *household, raw []byte, fryer string, dry bool) error {
	all, err := k.ask(c, http.MethodGet, "/fryers", nil)
	if err != nil {
		return err
	}
	var fryers []api.Fryer
	if err := json.Unmarshal(all, &fryers); err != nil {
		return err
	}
	if len(fryers) == 0 {
		return refused(c, errors.New("there is no fryer to bring it to: add one first"))
	}
	id := fryers[0].ID
	if fryer != "" {
		if id, err = kept(c, k, "/fryers", "fryer", fryer, func(f api.Fryer) (string, string) { return f.ID, f.Name }); err != nil {
			return err
		}
	}
	b, err := k.ask(c, http.MethodPost, "/recipes", map[string]any{"text": string(raw), "fryerId": id})
	if err != nil {
		return err
	}
	var got api.RecipeRead
	if err := json.Unmarshal(b, &got); err != nil {
		return err
	}
	out := c.OutOrStdout()
	for _, l := range got.Lines {
		mark := "+"
		if !l.Understood {
			mark = "?"
		}
		fmt.Fprintf(out, "%s %s\n    %s\n", mark, l.Text, l.Says)
	}
	for _, m := range got.Missing {
		fmt.Fprintln(out, "open:", m)
	}
	switch {
	case got.Dish == nil:
		return refused(c, errors.New("no dish comes of it: see what is open"))
	case dry:
		fmt.Fprintf(out, "It would be kept as %q.\n", got.Dish.Name)
		return nil
	}
	if _, err := k.ask(c, http.MethodPost, "/plans", got.Dish); err != nil {
		return err
	}
	fmt.Fprintf(out, "Kept as %q.\n", got.Dish.Name)
	return nil
}
