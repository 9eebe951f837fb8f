package archive

import (
	"context"
	"io"
	"os"

	"velocrustum/core/cook"
	"velocrustum/internal/exchange"
	"velocrustum/internal/household"
	"velocrustum/internal/store"
)

// tables of what was cooked grow in files, while the sessions are written.
type tables struct {
	home  *household.Household
	files [2]*os.File
	cooks exchange.LogbookTable
	said  exchange.EventsTable
}

func newTables(home *household.Household) (t *tables, err error) {
	t = &tables{home: home}
	for i := range t.files {
		if t.files[i], err = home.Store.TempFile(); err != nil {
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

func (t *tables) add(ctx context.Context, o store.Session, c store.Cook) error {
	l, err := t.home.Live(ctx, c)
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

// WriteLogbook writes every cook that is over as a table.
func (a *Archives) WriteLogbook(ctx context.Context, w io.Writer) error {
	ids, err := a.home.Store.Sessions(ctx)
	if err != nil {
		return err
	}
	t, err := exchange.NewLogbookTable(w)
	if err != nil {
		return err
	}
	for _, id := range ids {
		o, err := a.home.Store.Session(ctx, id)
		if err != nil {
			return err
		}
		for _, c := range o.Cooks {
			l, err := a.home.Live(ctx, c)
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

func orElse[T any](p *T, d T) T {
	if p == nil {
		return d
	}
	return *p
}
