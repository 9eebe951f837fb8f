package api

import (
	"bytes"
	"context"
	"errors"
	"fmt"
	"iter"
	"net/http"
	"time"

	"velocrustum/core/cook"
	"velocrustum/core/program"
	"velocrustum/internal/exchange"
	"velocrustum/internal/store"
)

// archive answers GET /archive: all that the household keeps, as one file that
// is written as it is read.
func (s *Server) archive(w http.ResponseWriter, r *http.Request) {
	if err := http.NewResponseController(w).SetWriteDeadline(time.Time{}); err != nil && !errors.Is(err, http.ErrNotSupported) {
		fail(w, r, err)
		return
	}
	w.Header().Set("Content-Type", "application/zip")
	w.Header().Set("Content-Disposition", `attachment; filename="household.zip"`)
	if err := exchange.WriteArchive(w, s.clock.Now(), s.documents(r.Context())); err != nil {
		// It has begun: broken off, it has no manifest, and is no archive.
		panic(http.ErrAbortHandler)
	}
}

// cooked is a cook as an archive has it.
type cooked struct {
	ID         string         `json:"id"`
	Session    string         `json:"session"`
	Name       string         `json:"name"`
	Dish       PlanInput      `json:"dish"`
	Fryer      store.Fryer    `json:"fryer"`
	Basket     int            `json:"basket"`
	Baskets    int            `json:"baskets"`
	StartedAt  time.Time      `json:"startedAt"`
	FinishedAt *time.Time     `json:"finishedAt,omitempty"`
	Events     []cook.Event   `json:"events"`
	Planned    program.Answer `json:"planned"`
	Forecast   program.Answer `json:"forecast"`
	Crust      *string        `json:"crust,omitempty"`
	Inside     *string        `json:"inside,omitempty"`
	Note       *string        `json:"note,omitempty"`
	Change     *string        `json:"change,omitempty"`
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
		_ = each(st.Fryers, ctx, "fryers", func(f store.Fryer) string { return f.ID }, itself, yield) &&
			each(st.Plans, ctx, "dishes", func(p store.Plan) string { return p.ID }, func(p store.Plan) any { return planOut(p) }, yield) &&
			each(st.Pantry, ctx, "pantry", func(i Ingredient) string { return i.ID }, itself, yield) &&
			each(st.Marinades, ctx, "marinades", func(m store.Marinade) string { return m.ID }, itself, yield) &&
			each(st.Coats, ctx, "coats", func(c store.Coat) string { return c.ID }, itself, yield) &&
			each(st.Sauces, ctx, "sauces", func(o store.Sauce) string { return o.ID }, itself, yield) &&
			each(st.Mixes, ctx, "mixes", func(m store.Mix) string { return m.ID }, itself, yield) &&
			each(st.Suppers, ctx, "suppers", func(o store.Supper) string { return o.ID }, itself, yield) &&
			s.cookedDocuments(ctx, yield)
	}
}

// cookedDocuments yields each finished cook, and what was said of it as a table.
func (s *Server) cookedDocuments(ctx context.Context, yield func(exchange.Document, error) bool) bool {
	all, err := s.store.Summaries(ctx)
	if err != nil {
		return yield(exchange.Document{}, err) && false
	}
	for _, one := range all {
		c, l, err := s.led(ctx, one.ID)
		if err != nil {
			return yield(exchange.Document{}, err) && false
		}
		out := cooked{ID: c.ID, Session: c.SessionID, Name: c.Name, Dish: inputOf(c.Plan.V), Fryer: c.Fryer.V, Basket: c.Basket, Baskets: c.Baskets, StartedAt: c.StartedAt.Time,
			Events: c.Events, Planned: c.Planned.V.Rounded(), Forecast: c.Forecast.V.Rounded(), Crust: c.Crust, Inside: c.Inside, Note: c.Note, Change: c.ChangeNext}
		if c.FinishedAt != nil {
			out.FinishedAt = &c.FinishedAt.Time
		}
		var said bytes.Buffer
		if err := exchange.Events(&said, l); err != nil {
			return yield(exchange.Document{}, err) && false
		}
		if !yield(exchange.Document{Path: "cooks/" + c.ID + ".json", Holds: out}, nil) || !yield(exchange.Document{Path: "cooks/" + c.ID + ".events.csv", Text: said.Bytes()}, nil) {
			return false
		}
	}
	return true
}
