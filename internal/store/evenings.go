package store

import (
	"context"
	"strings"
	"time"

	"github.com/jmoiron/sqlx"

	"velocrustum/core/cook"
	"velocrustum/core/sheet"
)

// EveningLed is a supper that is led through, or was: its sheet as it was when it
// was begun. Its baskets are cooks of its session.
type EveningLed struct {
	ID       string            `db:"id"`
	Name     string            `db:"name"`
	SupperID *string           `db:"supper_id"`
	Sheet    JSON[sheet.Sheet] `db:"sheet"`
	// Plan is what it was laid from; none of dishes that were begun at once, or as an
	// archive brings it.
	Plan       *JSON[EveningPlan] `db:"laid_from"`
	Hands      int                `db:"hands"`
	StartedAt  Time               `db:"started_at"`
	FinishedAt *Time              `db:"finished_at"`
	Said       []cook.Said        `db:"-"`
	Cooks      []Cook             `db:"-"`
}

// EveningPlan is a supper as it was begun. For is for how many each dish was laid, where
// that was changed since.
type EveningPlan struct {
	SupperPlan
	For map[string]int `json:"for,omitempty"`
}

// Comes is for how many the table is laid; 0 where nobody said.
func (e EveningLed) Comes() (people int) {
	if e.Plan == nil {
		return 0
	}
	people = e.Plan.V.People
	for _, s := range e.Said {
		if s.Kind == cook.Come {
			people = s.People
		}
	}
	return people
}

const eveningColumns = `id, name, supper_id, sheet, laid_from, hands, started_at, finished_at`
const eveningValues = `:id, :name, :supper_id, :sheet, :laid_from, :hands, :started_at, :finished_at`

// LiveEvening returns the supper that is led through, or ErrNotFound.
func (s *Store) LiveEvening(ctx context.Context) (EveningLed, error) {
	return s.oneEvening(ctx, `finished_at IS NULL ORDER BY started_at DESC LIMIT 1`)
}

// EveningLed returns one, also after it is over.
func (s *Store) EveningLed(ctx context.Context, id string) (EveningLed, error) {
	return s.oneEvening(ctx, `id = ?`, id)
}

func (s *Store) oneEvening(ctx context.Context, where string, args ...any) (e EveningLed, err error) {
	if err = s.db.GetContext(ctx, &e, `SELECT `+eveningColumns+` FROM sessions WHERE sheet IS NOT NULL AND `+where, args...); err != nil {
		return e, found(err)
	}
	var said []struct {
		ID     string `db:"id"`
		Kind   string `db:"kind"`
		Task   string `db:"task"`
		People int    `db:"people"`
		At     Time   `db:"at"`
	}
	if err = s.db.SelectContext(ctx, &said, `SELECT id, kind, task, people, at FROM session_events WHERE session_id = ? AND revoked_at IS NULL ORDER BY seq`, e.ID); err != nil {
		return e, err
	}
	for _, o := range said {
		e.Said = append(e.Said, cook.Said{ID: o.ID, Kind: o.Kind, Task: sheet.TaskID(o.Task), People: o.People, At: o.At.Time})
	}
	// What was given up before it was in is put aside, and only there for undo.
	if err = s.db.SelectContext(ctx, &e.Cooks, `SELECT `+cookColumns+` FROM cooks WHERE session_id = ? AND (deleted_at IS NULL OR deleted_at = finished_at) ORDER BY dish_id, basket`, e.ID); err != nil {
		return e, err
	}
	for i := range e.Cooks {
		if e.Cooks[i].Events, err = s.events(ctx, e.Cooks[i].ID); err != nil {
			return e, err
		}
	}
	return e, nil
}

// BeginEvening starts one with all its baskets; ErrLive if something else is
// going on.
func (s *Store) BeginEvening(ctx context.Context, e EveningLed) (EveningLed, error) {
	e.ID = NewID()
	err := s.write(ctx, func(tx *sqlx.Tx) error {
		if err := s.alone(ctx, tx, "", e.ID); err != nil {
			return err
		}
		if _, err := tx.NamedExecContext(ctx, `INSERT INTO sessions (`+eveningColumns+`) VALUES (`+eveningValues+`)`, e); err != nil {
			return err
		}
		for i := range e.Cooks {
			c := &e.Cooks[i]
			c.ID, c.SessionID = NewID(), e.ID
			if err := s.addCook(ctx, tx, *c); err != nil {
				return err
			}
		}
		return s.note(ctx, tx, e.ID, "", "begun", nil)
	})
	return e, err
}

// SaidOf tells whether something was ever said of an evening, also if it was
// taken back.
func (s *Store) SaidOf(ctx context.Context, evening, id string) (said bool, err error) {
	err = s.db.GetContext(ctx, &said, `SELECT EXISTS (SELECT 1 FROM session_events WHERE session_id = ? AND id = ?)`, evening, id)
	return said, err
}

// SayOf keeps one more thing said of an evening.
func (s *Store) SayOf(ctx context.Context, evening string, said cook.Said) error {
	return s.write(ctx, func(tx *sqlx.Tx) error {
		if said.ID == "" {
			said.ID = NewID()
		}
		if _, err := tx.ExecContext(ctx, `INSERT INTO session_events (session_id, id, seq, kind, task, people, at)
			SELECT ?, ?, COALESCE(MAX(seq) + 1, 0), ?, ?, ?, ? FROM session_events WHERE session_id = ?`,
			evening, said.ID, said.Kind, said.Task, said.People, Time{said.At}, evening); err != nil {
			return err
		}
		return s.note(ctx, tx, evening, "", "said", said)
	})
}

// RevokeOf takes one thing said of an evening back for good.
func (s *Store) RevokeOf(ctx context.Context, evening, id string) error {
	return s.write(ctx, func(tx *sqlx.Tx) error {
		if err := s.alone(ctx, tx, "", evening); err != nil {
			return err
		}
		if err := touched(tx.ExecContext(ctx, `UPDATE session_events SET revoked_at = COALESCE(revoked_at, ?) WHERE session_id = ? AND id = ?`, Time{s.now()}, evening, id)); err != nil {
			return err
		}
		return s.note(ctx, tx, evening, "", "revoked", map[string]string{"id": id})
	})
}

// Relay keeps a supper as it was laid anew: cooks without an id begin, those of the
// evening that are not among them were never begun, and go.
func (s *Store) Relay(ctx context.Context, e EveningLed) error {
	return s.write(ctx, func(tx *sqlx.Tx) error {
		if err := touched(tx.NamedExecContext(ctx, `UPDATE sessions SET sheet = :sheet, laid_from = :laid_from WHERE id = :id`, e)); err != nil {
			return err
		}
		kept := map[string]bool{}
		for _, c := range e.Cooks {
			kept[c.ID] = true
		}
		var was []string
		if err := tx.SelectContext(ctx, &was, `SELECT id FROM cooks WHERE session_id = ?`, e.ID); err != nil {
			return err
		}
		for _, id := range was {
			if kept[id] {
				continue
			}
			// What was said of it and taken back goes with it.
			for _, q := range []string{`DELETE FROM cook_events WHERE cook_id = ?`, `DELETE FROM cooks WHERE id = ?`} {
				if _, err := tx.ExecContext(ctx, q, id); err != nil {
					return err
				}
			}
		}
		for _, c := range e.Cooks {
			if c.ID != "" {
				continue
			}
			c.ID, c.SessionID = NewID(), e.ID
			if err := s.addCook(ctx, tx, c); err != nil {
				return err
			}
		}
		return s.note(ctx, tx, e.ID, "", "laid anew", nil)
	})
}

// Settle keeps whether an evening is over, and since when. Baskets that never
// were in are put aside then, those that were are over; it may go on again.
func (s *Store) Settle(ctx context.Context, e EveningLed, over *time.Time) error {
	return s.write(ctx, func(tx *sqlx.Tx) error {
		var at *Time
		if over != nil {
			at = &Time{*over}
		}
		if err := touched(tx.ExecContext(ctx, `UPDATE sessions SET finished_at = ? WHERE id = ?`, at, e.ID)); err != nil {
			return err
		}
		for _, c := range e.Cooks {
			var in, out *Time
			for _, o := range c.Events {
				switch o.Kind {
				case cook.Loaded:
					in = &Time{o.At}
				case cook.Out, cook.Stop:
					out = &Time{o.At}
				}
			}
			finished, aside := out, (*Time)(nil)
			if over != nil {
				if out == nil {
					finished = at
				}
				if in == nil {
					finished, aside = at, at
				}
			}
			if _, err := tx.ExecContext(ctx, `UPDATE cooks SET finished_at = ?, deleted_at = ? WHERE id = ? AND (deleted_at IS NULL OR deleted_at = finished_at)`, finished, aside, c.ID); err != nil {
				return err
			}
		}
		return s.note(ctx, tx, e.ID, "", map[bool]string{true: "over", false: "again"}[over != nil], nil)
	})
}

// room is ErrLive if another cook is going on where one is to be, or a supper of
// which it is no part.
func (s *Store) room(ctx context.Context, tx *sqlx.Tx, c Cook) error {
	var others []Cook
	if err := tx.SelectContext(ctx, &others, `SELECT `+cookColumns+` FROM cooks WHERE deleted_at IS NULL AND finished_at IS NULL AND id <> ?
		AND session_id IN (SELECT id FROM sessions WHERE sheet IS NULL)`, c.ID); err != nil {
		return err
	}
	for _, o := range others {
		if c.Fryer.V.meets(o.Fryer.V) {
			return ErrLive
		}
	}
	var supper bool
	err := tx.GetContext(ctx, &supper, `SELECT EXISTS (SELECT 1 FROM sessions WHERE sheet IS NOT NULL AND finished_at IS NULL AND id <> ?)`, c.SessionID)
	if err == nil && supper {
		return ErrLive
	}
	return err
}

// meets says whether what is in one would lie in the other: two drawers of one
// fryer are two places, and both together are each of them.
func (f OwnFryer) meets(o OwnFryer) bool {
	mine, _, _ := strings.Cut(f.ID, "/")
	other, _, _ := strings.Cut(o.ID, "/")
	return mine == other && (f.ID == o.ID || f.Drawer == "" || o.Drawer == "")
}

// alone is ErrLive if a cook or a supper other than the given one is going on.
func (s *Store) alone(ctx context.Context, tx *sqlx.Tx, cookID, session string) error {
	var others bool
	err := tx.GetContext(ctx, &others, `SELECT EXISTS (SELECT 1 FROM cooks JOIN sessions ON sessions.id = cooks.session_id
			WHERE cooks.finished_at IS NULL AND cooks.deleted_at IS NULL AND cooks.id <> ? AND (cooks.session_id <> ? OR sheet IS NULL))
		OR EXISTS (SELECT 1 FROM sessions WHERE sheet IS NOT NULL AND finished_at IS NULL AND id <> ?)`, cookID, session, session)
	if err == nil && others {
		return ErrLive
	}
	return err
}
