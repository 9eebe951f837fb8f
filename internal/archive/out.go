// Package archive takes a household out as one file, and brings one in.
//
// What leaves is a copy of one moment, written as it is read (out.go); beside
// its documents it has tables of what was cooked (tables.go). What comes is read
// into a household of its own, by the rules of the door, and then merged in one
// transaction (in.go). The forms of both are in documents.go; files and sums are
// those of internal/exchange.
package archive

import (
	"context"
	"fmt"
	"io"
	"iter"
	"sync"
	"time"

	"velocrustum/core/prep"
	"velocrustum/internal/clock"
	"velocrustum/internal/exchange"
	"velocrustum/internal/household"
	"velocrustum/internal/store"
	"velocrustum/internal/work"
)

// Archives are those of one household.
type Archives struct {
	home  *household.Household
	clock *clock.Clock
	fits  func(schema string, document []byte) error
	// bringing is held while one comes in.
	bringing sync.Mutex
}

// New returns those of a household. fits holds a document against a schema of
// the contract, and refuses it with refuse.Fields.
func New(home *household.Household, c *clock.Clock, fits func(schema string, document []byte) error) *Archives {
	return &Archives{home: home, clock: c, fits: fits}
}

// Reserve lets one archive come in at a time, and returns what lets the next; or
// work.ErrBusy.
func (a *Archives) Reserve() (free func(), err error) {
	if !a.bringing.TryLock() {
		return nil, work.ErrBusy
	}
	return a.bringing.Unlock, nil
}

// Still is the household as it is now, whatever is changed meanwhile, and what
// throws that copy away.
func (a *Archives) Still(ctx context.Context) (*Archives, func(), error) {
	now, discard, err := a.home.Store.Snapshot(ctx)
	if err != nil {
		return nil, nil, err
	}
	return New(household.New(now, a.home.Places), a.clock, a.fits), discard, nil
}

// WriteStill writes the household as it is now.
func (a *Archives) WriteStill(ctx context.Context, w io.Writer, progress func(done int)) error {
	still, discard, err := a.Still(ctx)
	if err != nil {
		return err
	}
	defer discard()
	return still.Write(ctx, w, progress)
}

// Write writes all that the household keeps as one file.
func (a *Archives) Write(ctx context.Context, w io.Writer, progress func(done int)) error {
	return exchange.WriteArchive(w, a.clock.Now(), a.documents(ctx), progress)
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
func (a *Archives) documents(ctx context.Context) iter.Seq2[exchange.Document, error] {
	return func(yield func(exchange.Document, error) bool) {
		st := a.home.Store
		set, err := st.Settings(ctx)
		if !yield(exchange.Document{Path: "settings.json", Holds: set}, err) || err != nil {
			return
		}
		_ = each(st.Pantry, ctx, "pantry", func(i prep.Ingredient) string { return i.ID }, itself, yield) &&
			each(st.Marinades, ctx, "marinades", func(m store.Marinade) string { return m.ID }, itself, yield) &&
			each(st.Coats, ctx, "coats", func(c store.OwnCoat) string { return c.ID }, itself, yield) &&
			each(st.Sauces, ctx, "sauces", func(o store.OwnSauce) string { return o.ID }, itself, yield) &&
			each(st.Mixes, ctx, "mixes", func(m store.Mix) string { return m.ID }, itself, yield) &&
			each(st.Fryers, ctx, "fryers", func(f store.OwnFryer) string { return f.ID }, func(f store.OwnFryer) any { return f.Told() }, yield) &&
			each(st.Plans, ctx, "dishes", func(p store.Plan) string { return p.ID }, func(p store.Plan) any { return dishOf(p) }, yield) &&
			each(st.Suppers, ctx, "suppers", func(o store.Supper) string { return o.ID }, itself, yield) &&
			a.cookedDocuments(ctx, yield)
	}
}

// cookedDocuments yields what was cooked, with its pictures, and tables of it.
func (a *Archives) cookedDocuments(ctx context.Context, yield func(exchange.Document, error) bool) bool {
	ids, err := a.home.Store.Sessions(ctx)
	if err != nil {
		return yield(exchange.Document{}, err) && false
	}
	t, err := newTables(a.home)
	if err != nil {
		return yield(exchange.Document{}, err) && false
	}
	defer t.discard()
	for _, id := range ids {
		o, err := a.home.Store.Session(ctx, id)
		if !yield(exchange.Document{Path: "sessions/" + id + ".json", Holds: archived(o)}, err) || err != nil {
			return false
		}
		for _, c := range o.Cooks {
			if err := t.add(ctx, o, c); err != nil {
				return yield(exchange.Document{}, err) && false
			}
			for _, p := range o.Pictures[c.ID] {
				b, err := a.home.Store.PictureFile(ctx, p.ID, false)
				write := func(w io.Writer) error { _, err := w.Write(b); return err }
				if !yield(exchange.Document{Path: "pictures/" + p.ID + ".jpg", Write: write}, err) || err != nil {
					return false
				}
			}
		}
	}
	return yield(exchange.Document{Path: "readings.csv", Write: func(w io.Writer) error {
		return exchange.ReadingsTable(w, func(add func(string, time.Time, float64) error) error {
			return a.home.Store.EachReading(ctx, func(probe string, r store.Reading) error { return add(probe, r.At, r.C) })
		})
	}}, nil) && yield(exchange.Document{Path: "logbook.csv", Write: t.logbook}, nil) && yield(exchange.Document{Path: "events.csv", Write: t.events}, nil)
}
