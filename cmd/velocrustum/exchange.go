package main

import (
	"bufio"
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

	"velocrustum/core/recipe"
	"velocrustum/internal/api"
	"velocrustum/internal/archive"
	"velocrustum/internal/clock"
	"velocrustum/internal/exchange"
	"velocrustum/internal/store"
	"velocrustum/internal/store/merge"
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
	var b []byte
	if body != nil {
		var err error
		if b, err = json.Marshal(body); err != nil {
			return nil, err
		}
	}
	return again(c, k.h, method, path, b)
}

// again asks until it is not busy, or for as long as that is waited for.
func again(c *cobra.Command, h http.Handler, method, path string, body []byte) ([]byte, error) {
	for n := 0; ; n++ {
		got, busy, err := askOnce(c, h, method, path, body)
		if !busy || n == len(pauses) {
			return got, err
		}
		select {
		case <-c.Context().Done():
			return nil, c.Context().Err()
		case <-time.After(pauses[n]):
		}
	}
}

// pauses are how long is waited before a busy database is asked again.
var pauses = []time.Duration{200 * time.Millisecond, time.Second, 3 * time.Second, 6 * time.Second}

// askOnce asks, and says whether it was busy: then nothing was done.
func askOnce(c *cobra.Command, h http.Handler, method, path string, body []byte) (got []byte, busy bool, err error) {
	in := io.Reader(http.NoBody)
	if body != nil {
		in = bytes.NewReader(body)
	}
	r, err := http.NewRequestWithContext(c.Context(), method, "http://localhost/api/v1"+path, in)
	if err != nil {
		return nil, false, err
	}
	r.RemoteAddr = "127.0.0.1:1"
	r.RequestURI = r.URL.RequestURI()
	r.Header.Set("Content-Type", "application/json")
	w := &said{header: http.Header{}, status: http.StatusOK}
	h.ServeHTTP(w, r)
	if w.status/100 == 2 {
		return w.Bytes(), false, nil
	}
	var p api.Problem
	switch {
	case w.status == http.StatusServiceUnavailable:
		return nil, true, errors.New("the database is busy, with the program that serves it or another command. Nothing was kept: run this again in a minute")
	case json.Unmarshal(w.Bytes(), &p) != nil || p.Title == "":
		return nil, false, fmt.Errorf("it answers with %d", w.status)
	}
	text := p.Title
	if p.Detail != nil {
		text = *p.Detail
	}
	if w.status < 500 {
		return nil, false, refused(c, errors.New(text))
	}
	return nil, false, errors.New(text)
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
	c := &cobra.Command{Use: "export", Short: "Write a dish, a cook, the logbook or the whole household in open formats"}
	c.PersistentFlags().StringVar(&db, "db", defaultDB(), "database file")
	c.PersistentFlags().StringVar(&out, "out", "-", "file to write; - writes to standard output")
	write := func(c *cobra.Command, b []byte) error {
		if out == "-" {
			_, err := c.OutOrStdout().Write(b)
			return err
		}
		return store.WriteWhole(out, func(w io.Writer) error { _, err := w.Write(b); return err })
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
	table := &cobra.Command{Use: "cook ID", Short: "A cook as a table: forecast, events or readings; its id is in the logbook's", Args: cobra.ExactArgs(1),
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
			say := sayProgress(c.ErrOrStderr())
			progress := func(done int) { say(fmt.Sprintf("%d files written", done)) }
			if out == "-" {
				return k.h.Archives().WriteStill(c.Context(), c.OutOrStdout(), progress)
			}
			return store.WriteWhole(out, func(w io.Writer) error { return k.h.Archives().WriteStill(c.Context(), w, progress) })
		}}
	logbook := &cobra.Command{Use: "logbook", Short: "Every cook that is over as a table, one in a line, its id first", Args: cobra.NoArgs,
		RunE: func(c *cobra.Command, _ []string) error {
			k, err := openHousehold(c.Context(), db)
			if err != nil {
				return err
			}
			defer k.close()
			if out == "-" {
				return k.h.Archives().WriteLogbook(c.Context(), c.OutOrStdout())
			}
			return store.WriteWhole(out, func(w io.Writer) error { return k.h.Archives().WriteLogbook(c.Context(), w) })
		}}
	c.AddCommand(dish, table, logbook, whole)
	return c
}

// sayProgress says how far something is, now and then.
func sayProgress(w io.Writer) func(string) {
	last := time.Now()
	return func(what string) {
		if now := time.Now(); now.Sub(last) > 2*time.Second {
			last = now
			fmt.Fprintln(w, what)
		}
	}
}

func importCommand() *cobra.Command {
	var o bringing
	c := &cobra.Command{Use: "import FILE", Short: "Read a household's archive, a recipe (text, Markdown, a saved page, JSON-LD) as a dish, or a thermometer's file over a cook; - reads standard input", Args: cobra.ExactArgs(1),
		RunE: func(c *cobra.Command, args []string) error {
			in, archive, err := o.open(c, args[0])
			if err != nil {
				return err
			}
			defer in.Close()
			k, err := openHousehold(c.Context(), o.db)
			if err != nil {
				return err
			}
			defer k.close()
			if archive && o.cook == "" {
				return o.archive(c, k, in, args[0])
			}
			raw, err := io.ReadAll(io.LimitReader(in, mostRead+1))
			if err != nil {
				return refused(c, err)
			}
			if len(raw) > mostRead {
				return refused(c, fmt.Errorf("%s: larger than %d MB is not possible for a recipe or a table", args[0], mostRead>>20))
			}
			if o.cook != "" {
				b, err := k.ask(c, http.MethodPost, "/cooks/"+url.PathEscape(o.cook)+"/curve", map[string]any{"file": string(raw), "shiftMin": o.shift, "dryRun": o.dry})
				if err != nil {
					return err
				}
				_, err = c.OutOrStdout().Write(b)
				return err
			}
			return importDish(c, k, raw, o.fryer, o.dry)
		}}
	c.Flags().StringVar(&o.db, "db", defaultDB(), "database file")
	c.Flags().StringVar(&o.fryer, "fryer", "", "the fryer a recipe is brought to, by name; the first where left out")
	c.Flags().StringVar(&o.cook, "cook", "", "the id of the cook that a thermometer's file is laid over")
	c.Flags().Float64Var(&o.shift, "shift", 0, "by how many minutes that is laid later")
	c.Flags().StringVar(&o.different, "different", asks, "of an archive, what becomes of what is here but not alike: ask, keep (as it is here), take (what comes) or both")
	c.Flags().BoolVar(&o.dry, "dry-run", false, "say what is understood, or what would be new, the same, different, and keep nothing")
	return c
}

// bringing is what is said of something that comes in.
type bringing struct {
	db, fryer, cook, different string
	shift                      float64
	dry                        bool
}

const asks = "ask"

// open opens what comes, standard input for -, as a file, and says whether it
// is an archive.
func (o bringing) open(c *cobra.Command, path string) (*os.File, bool, error) {
	f, err := o.file(c, path)
	if err != nil {
		return nil, false, err
	}
	head := make([]byte, 4)
	n, err := io.ReadFull(f, head)
	if err != nil && !errors.Is(err, io.EOF) && !errors.Is(err, io.ErrUnexpectedEOF) {
		return nil, false, errors.Join(refused(c, err), f.Close())
	}
	if _, err := f.Seek(0, io.SeekStart); err != nil {
		return nil, false, errors.Join(err, f.Close())
	}
	return f, exchange.IsArchive(head[:n]), nil
}

func (o bringing) file(c *cobra.Command, path string) (*os.File, error) {
	if path != "-" {
		f, err := os.Open(path)
		if err != nil {
			return nil, refused(c, err)
		}
		return f, nil
	}
	// An archive is read from its end.
	f, err := os.CreateTemp("", "velocrustum-import-")
	if err != nil {
		return nil, err
	}
	if err := os.Remove(f.Name()); err != nil {
		return nil, errors.Join(err, f.Close())
	}
	if _, err = io.Copy(f, c.InOrStdin()); err == nil {
		_, err = f.Seek(0, io.SeekStart)
	}
	if err != nil {
		return nil, errors.Join(err, f.Close())
	}
	return f, nil
}

// archive looks at an archive, asks about what differs, and puts it in.
func (o bringing) archive(c *cobra.Command, k *household, in *os.File, path string) error {
	all := map[string]merge.Choice{asks: "", "keep": merge.Keep, "take": merge.Take, "both": merge.Both}
	others, ok := all[o.different]
	if !ok {
		return refused(c, fmt.Errorf("--different: %q is not possible; allowed: ask, keep, take, both", o.different))
	}
	info, err := in.Stat()
	if err != nil {
		return err
	}
	say := sayProgress(c.ErrOrStderr())
	bring := func(choose func(merge.Difference) merge.Choice) (archive.Brought, error) {
		got, err := k.h.Archives().Read(c.Context(), in, info.Size(), choose, func(s archive.Stage) { say(fmt.Sprintf("%s: %d of %d", s.Stage, s.Done, s.Of)) })
		if errors.As(err, new(exchange.RefusedError)) || errors.Is(err, store.ErrLive) {
			return got, refused(c, err)
		}
		return got, err
	}
	chosen := archive.Choices{Others: others, Each: map[string]merge.Choice{}}
	choose := chosen.Of
	if o.dry {
		choose = nil
	}
	got, err := bring(choose)
	if err != nil {
		return err
	}
	if !o.dry && !got.Kept {
		if path == "-" {
			return refused(c, fmt.Errorf("%s, and nothing was kept: say what becomes of it with --different keep, take or both", differ(len(got.Differences))))
		}
		if chosen.Each, err = askEach(c, got.Differences); err != nil {
			return err
		}
		if got, err = bring(chosen.Of); err != nil {
			return err
		}
		if !got.Kept {
			return refused(c, errors.New("something else was changed meanwhile: nothing was kept, try again"))
		}
	}
	tellBrought(c.OutOrStdout(), got)
	return nil
}

func differ(n int) string {
	if n == 1 {
		return "one thing is here already, but not alike"
	}
	return fmt.Sprintf("%d things are here already, but not alike", n)
}

func tellBrought(w io.Writer, got archive.Brought) {
	fmt.Fprintf(w, "%-12s %7s %7s %9s\n", "", "new", "same", "different")
	for _, t := range got.Kinds {
		fmt.Fprintf(w, "%-12s %7d %7d %9d\n", t.Kind, t.New, t.Same, t.Different)
	}
	for _, d := range got.Differences {
		become := map[merge.Choice]string{"": "is here, but not alike", merge.Keep: "stays as it is here", merge.Take: "is now as it came", merge.Both: "is here twice"}[d.Choice]
		fmt.Fprintf(w, "%s: %s %s\n", d.Kind, d.Name, become)
	}
	for _, n := range got.Notes {
		fmt.Fprintln(w, "note:", n)
	}
	if got.Kept {
		fmt.Fprintln(w, "All of it is in.")
	} else {
		fmt.Fprintln(w, "Nothing was kept.")
	}
}

// askEach asks what becomes of each difference; a capital letter answers for
// all that follow.
func askEach(c *cobra.Command, all []merge.Difference) (map[string]merge.Choice, error) {
	each := map[string]merge.Choice{}
	in := bufio.NewScanner(c.InOrStdin())
	var rest merge.Choice
	fmt.Fprintf(c.ErrOrStderr(), "%s.\n", differ(len(all)))
	for _, d := range all {
		choice := rest
		for choice == "" {
			may := "(k)eep as it is here, (t)ake what comes, (b)oth; a capital for all that follow"
			fmt.Fprintf(c.ErrOrStderr(), "%s: %s – %s: ", d.Kind, d.Name, may)
			if !in.Scan() {
				return nil, refused(c, errors.New("nothing was kept: say what becomes of it, or use --different keep, take or both"))
			}
			said := strings.TrimSpace(in.Text())
			choice = map[string]merge.Choice{"k": merge.Keep, "t": merge.Take, "b": merge.Both}[strings.ToLower(said)]
			if said == strings.ToUpper(said) {
				rest = choice
			}
		}
		each[d.Kind+"/"+d.ID] = choice
	}
	return each, nil
}

// mostRead is what is read of a file.
const mostRead = exchange.MostRecipe

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
		switch {
		case !l.Understood:
			mark = "?"
		case l.As == recipe.AsNote:
			mark = "·"
		}
		fmt.Fprintf(out, "%s %s\n    %s\n", mark, l.Text, l.Says)
	}
	for _, u := range got.Unknown {
		fmt.Fprintf(out, "not in the pantry: %s\n", u.Ingredient.Name)
	}
	for _, m := range got.Missing {
		fmt.Fprintln(out, "open:", m)
	}
	if got.Sides != nil {
		for _, side := range *got.Sides {
			fmt.Fprintf(out, "beside: %s: %s\n", side.Name, strings.Join(side.Buys, "; "))
		}
	}
	switch {
	case got.Refused != nil:
		return refused(c, errors.New(strings.Join(*got.Refused, " ")))
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
