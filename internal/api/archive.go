package api

import (
	"context"
	"fmt"
	"io"
	"iter"
	"net/http"
	"os"
	"time"

	"velocrustum/core/cook"
	"velocrustum/core/safety"
	"velocrustum/core/sheet"
	"velocrustum/core/verdict"
	"velocrustum/internal/exchange"
	"velocrustum/internal/store"
)

// archive answers GET /archive: all that the household keeps, as one file that
// is written as it is read.
func (s *Server) archive(w http.ResponseWriter, r *http.Request) {
	if err := unhurried(w); err != nil {
		fail(w, r, err)
		return
	}
	still, discard, err := s.still(r.Context())
	if err != nil {
		fail(w, r, err)
		return
	}
	defer discard()
	w.Header().Set("Content-Type", "application/zip")
	w.Header().Set("Content-Disposition", fmt.Sprintf(`attachment; filename="household-%s.zip"`, s.clock.Now().Format(time.DateOnly)))
	if err := still.writeArchive(r.Context(), w, nil); err != nil {
		// It has begun: broken off, it has no manifest, and is no archive.
		panic(http.ErrAbortHandler)
	}
}

// still is the household as it is now, whatever is changed meanwhile.
func (s *Server) still(ctx context.Context) (*Server, func(), error) {
	now, discard, err := s.store.Snapshot(ctx)
	if err != nil {
		return nil, nil, err
	}
	return newServer(now, s.clock, s.access, s.work), discard, nil
}

func (s *Server) writeArchive(ctx context.Context, w io.Writer, progress func(done int)) error {
	return exchange.WriteArchive(w, s.clock.Now(), s.documents(ctx), progress)
}

// WriteArchive writes all that the household keeps as one file.
func (a *App) WriteArchive(ctx context.Context, w io.Writer, progress func(done int)) error {
	still, discard, err := a.own.still(ctx)
	if err != nil {
		return err
	}
	defer discard()
	return still.writeArchive(ctx, w, progress)
}

// An archived session is one dish in all its baskets, or a supper, as an
// archive has it.
type archivedSession struct {
	ID        string          `json:"id"`
	StartedAt time.Time       `json:"startedAt"`
	Supper    *archivedSupper `json:"supper,omitempty"`
	Cooks     []archivedCook  `json:"cooks"`
}

type archivedSupper struct {
	Name       string      `json:"name"`
	SupperID   *string     `json:"supperId,omitempty"`
	Hands      int         `json:"hands"`
	FinishedAt *time.Time  `json:"finishedAt"`
	Sheet      sheet.Sheet `json:"sheet"`
	Said       []cook.Said `json:"said"`
}

type archivedCook struct {
	ID         string            `json:"id"`
	PlanID     *string           `json:"planId,omitempty"`
	DishID     string            `json:"dishId,omitempty"` // of the supper's sheet
	Name       string            `json:"name"`
	Basket     int               `json:"basket"`
	Baskets    int               `json:"baskets"`
	StartedAt  time.Time         `json:"startedAt"`
	FinishedAt *time.Time        `json:"finishedAt"`
	Guidance   safety.Guidance   `json:"guidance"`
	GuidanceC  float64           `json:"guidanceC"`
	Dish       store.Plan        `json:"dish"`
	Fryer      store.Fryer       `json:"fryer"`
	Events     []cook.Event      `json:"events"`
	Planned    verdict.Answer    `json:"planned"`
	Forecast   verdict.Answer    `json:"forecast"`
	Outcome    Outcome           `json:"outcome"`
	Pictures   []archivedPicture `json:"pictures,omitempty"`
}

type archivedPicture struct {
	ID      string    `json:"id"`
	Alt     string    `json:"alt"`
	AddedAt time.Time `json:"addedAt"`
}

func archived(o store.Session) archivedSession {
	out := archivedSession{ID: o.ID, StartedAt: o.StartedAt.Time, Cooks: []archivedCook{}}
	if o.Led {
		out.Supper = &archivedSupper{Name: o.Name, SupperID: o.SupperID, Hands: o.Hands, FinishedAt: momentOf(o.FinishedAt), Sheet: o.Sheet.V, Said: orEmpty(o.Said)}
	}
	for _, c := range o.Cooks {
		one := archivedCook{ID: c.ID, PlanID: c.PlanID, DishID: c.DishID, Name: c.Name, Basket: c.Basket, Baskets: c.Baskets, StartedAt: c.StartedAt.Time, FinishedAt: momentOf(c.FinishedAt),
			Guidance: c.Guidance, GuidanceC: c.GuidanceC, Dish: c.Plan.V, Fryer: c.Fryer.V, Events: orEmpty(c.Events), Planned: c.Planned.V, Forecast: c.Forecast.V, Outcome: outcomeOf(c)}
		for _, p := range o.Pictures[c.ID] {
			one.Pictures = append(one.Pictures, archivedPicture{p.ID, p.Alt, p.AddedAt.Time})
		}
		out.Cooks = append(out.Cooks, one)
	}
	return out
}

func outcomeOf(c store.Cook) Outcome {
	return Outcome{Crust: (*OutcomeCrust)(c.Crust), Inside: (*OutcomeInside)(c.Inside), Note: c.Note, Change: c.ChangeNext}
}

func momentOf(t *store.Time) *time.Time {
	if t == nil {
		return nil
	}
	return &t.Time
}

// each yields a list of one kind under its folder.
func each[T any](list func(context.Context) ([]T, error), ctx context.Context, folder string, id func(T) string, of func(T) any, yield func(exchange.Document, error) bool) bool {
	all, err := list(ctx)
	if err != nil {
		return yield(exchange.Document{}, err) && false
	}
	for _, t := range all {
		if !yield(exchange.Document{Path: fmt.Sprintf("%s/%s.json", folder, id(t)), Holds: of(t)}, nil) {
			return false
		}
	}
	return true
}

func itself[T any](t T) any { return t }

// documents are all that the household keeps, one at a time.
func (s *Server) documents(ctx context.Context) iter.Seq2[exchange.Document, error] {
	return func(yield func(exchange.Document, error) bool) {
		set, err := s.store.Settings(ctx)
		if !yield(exchange.Document{Path: "settings.json", Holds: set}, err) || err != nil {
			return
		}
		st := s.store
		_ = each(st.Pantry, ctx, "pantry", func(i Ingredient) string { return i.ID }, itself, yield) &&
			each(st.Marinades, ctx, "marinades", func(m store.Marinade) string { return m.ID }, itself, yield) &&
			each(st.Coats, ctx, "coats", func(c store.Coat) string { return c.ID }, itself, yield) &&
			each(st.Sauces, ctx, "sauces", func(o store.Sauce) string { return o.ID }, itself, yield) &&
			each(st.Mixes, ctx, "mixes", func(m store.Mix) string { return m.ID }, itself, yield) &&
			each(st.Fryers, ctx, "fryers", func(f store.Fryer) string { return f.ID }, itself, yield) &&
			each(st.Plans, ctx, "dishes", func(p store.Plan) string { return p.ID }, func(p store.Plan) any { return planOut(p) }, yield) &&
			each(st.Suppers, ctx, "suppers", func(o store.Supper) string { return o.ID }, itself, yield) &&
			s.cookedDocuments(ctx, yield)
	}
}

// cookedDocuments yields what was cooked, with its pictures, and tables of it.
func (s *Server) cookedDocuments(ctx context.Context, yield func(exchange.Document, error) bool) bool {
	ids, err := s.store.Sessions(ctx)
	if err != nil {
		return yield(exchange.Document{}, err) && false
	}
	t, err := s.newTables()
	if err != nil {
		return yield(exchange.Document{}, err) && false
	}
	defer t.discard()
	for _, id := range ids {
		o, err := s.store.Session(ctx, id)
		if !yield(exchange.Document{Path: "sessions/" + id + ".json", Holds: archived(o)}, err) || err != nil {
			return false
		}
		for _, c := range o.Cooks {
			if err := t.add(ctx, s, o, c); err != nil {
				return yield(exchange.Document{}, err) && false
			}
			for _, p := range o.Pictures[c.ID] {
				b, err := s.store.PictureFile(ctx, p.ID, false)
				write := func(w io.Writer) error { _, err := w.Write(b); return err }
				if !yield(exchange.Document{Path: "pictures/" + p.ID + ".jpg", Write: write}, err) || err != nil {
					return false
				}
			}
		}
	}
	return yield(exchange.Document{Path: "readings.csv", Write: func(w io.Writer) error {
		return exchange.ReadingsTable(w, func(add func(string, time.Time, float64) error) error {
			return s.store.EachReading(ctx, func(probe string, r store.Reading) error { return add(probe, r.At, r.C) })
		})
	}}, nil) && yield(exchange.Document{Path: "logbook.csv", Write: t.logbook}, nil) && yield(exchange.Document{Path: "events.csv", Write: t.events}, nil)
}

// tables of what was cooked grow in files, while the sessions are written.
type tables struct {
	files [2]*os.File
	cooks exchange.LogbookTable
	said  exchange.EventsTable
}

func (s *Server) newTables() (t *tables, err error) {
	t = &tables{}
	for i := range t.files {
		if t.files[i], err = s.store.TempFile(); err != nil {
			t.discard()
			return nil, err
		}
	}
	if t.cooks, err = exchange.NewLogbookTable(t.files[0]); err == nil {
		t.said, err = exchange.NewEventsTable(t.files[1])
	}
	if err != nil {
		t.discard()
	}
	return t, err
}

func (t *tables) add(ctx context.Context, s *Server, o store.Session, c store.Cook) error {
	l, err := s.live(ctx, c)
	if err != nil {
		return err
	}
	if err := t.cooks.Add(logbookRow(o, c, l)); err != nil {
		return err
	}
	return t.said.Add(c.ID, l)
}

func (t *tables) logbook(w io.Writer) error { return copied(w, t.files[0], t.cooks.End()) }
func (t *tables) events(w io.Writer) error  { return copied(w, t.files[1], t.said.End()) }

func copied(w io.Writer, f *os.File, err error) error {
	if err == nil {
		_, err = f.Seek(0, io.SeekStart)
	}
	if err == nil {
		_, err = io.Copy(w, f)
	}
	return err
}

func (t *tables) discard() {
	for _, f := range t.files {
		if f != nil {
			_ = f.Close() // it is thrown away
			_ = os.Remove(f.Name())
		}
	}
}

// logbook answers GET /logbook: every cook that is over, one in a line.
func (s *Server) logbook(w http.ResponseWriter, r *http.Request) {
	w.Header().Set("Content-Type", "text/csv; charset=utf-8; header=present")
	w.Header().Set("Content-Disposition", `attachment; filename="logbook.csv"`)
	if err := s.writeLogbook(r.Context(), w); err != nil {
		panic(http.ErrAbortHandler) // it has begun
	}
}

// WriteLogbook writes every cook that is over as a table.
func (a *App) WriteLogbook(ctx context.Context, w io.Writer) error { return a.own.writeLogbook(ctx, w) }

func (s *Server) writeLogbook(ctx context.Context, w io.Writer) error {
	ids, err := s.store.Sessions(ctx)
	if err != nil {
		return err
	}
	t, err := exchange.NewLogbookTable(w)
	if err != nil {
		return err
	}
	for _, id := range ids {
		o, err := s.store.Session(ctx, id)
		if err != nil {
			return err
		}
		for _, c := range o.Cooks {
			l, err := s.live(ctx, c)
			if err != nil {
				return err
			}
			if err := t.Add(logbookRow(o, c, l)); err != nil {
				return err
			}
		}
	}
	return t.End()
}

func logbookRow(o store.Session, c store.Cook, l cook.Live) exchange.LogbookRow {
	r := exchange.LogbookRow{ID: c.ID, Supper: o.Name, Name: c.Name, Basket: c.Basket, Baskets: c.Baskets, Started: c.StartedAt.Time, Finished: momentOf(c.FinishedAt),
		PlannedMin: c.Plan.V.Program.V.Minutes(), Crust: orElse(c.Crust, ""), Inside: orElse(c.Inside, ""), Note: orElse(c.Note, ""), Change: orElse(c.ChangeNext, "")}
	if in, ok := l.LoadedAt(); ok && c.FinishedAt != nil {
		m := c.FinishedAt.Sub(in).Minutes()
		r.ActualMin = &m
	}
	return r
}
