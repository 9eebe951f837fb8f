package store

import (
	"context"
	"slices"

	"github.com/jmoiron/sqlx"

	"velocrustum/core/cook"
)

// Session is one dish in all its baskets, or one supper, after it is over.
type Session struct {
	EveningLed
	Led bool // a supper: it has a sheet
	// Pictures are by the id of their cook, those that can be shown.
	Pictures map[string][]Picture
}

// Sessions returns the ids of those that are over, the first begun first.
func (s *Store) Sessions(ctx context.Context) ([]string, error) {
	ids := []string{}
	err := s.db.SelectContext(ctx, &ids, `SELECT id FROM sessions WHERE (sheet IS NULL OR finished_at IS NOT NULL)
		AND EXISTS (SELECT 1 FROM cooks WHERE session_id = sessions.id AND deleted_at IS NULL)
		AND NOT EXISTS (SELECT 1 FROM cooks WHERE session_id = sessions.id AND deleted_at IS NULL AND finished_at IS NULL)
		ORDER BY started_at, id`)
	return ids, err
}

// Session returns one with its cooks and what was said in them.
func (s *Store) Session(ctx context.Context, id string) (out Session, err error) {
	if err = found(s.db.GetContext(ctx, &out.Led, `SELECT sheet IS NOT NULL FROM sessions WHERE id = ?`, id)); err != nil {
		return out, err
	}
	if out.Led {
		out.EveningLed, err = s.EveningLed(ctx, id)
	} else if err = s.db.GetContext(ctx, &out.EveningLed, `SELECT id, started_at FROM sessions WHERE id = ?`, id); err == nil {
		err = s.db.SelectContext(ctx, &out.Cooks, `SELECT `+cookColumns+` FROM cooks WHERE session_id = ? AND deleted_at IS NULL ORDER BY basket, started_at, id`, id)
		for i := range out.Cooks {
			if err == nil {
				out.Cooks[i].Events, err = s.events(ctx, out.Cooks[i].ID)
			}
		}
	}
	out.Pictures = map[string][]Picture{}
	for _, c := range out.Cooks {
		if err == nil {
			out.Pictures[c.ID], err = s.PicturesOf(ctx, c.ID)
		}
	}
	return out, err
}

// KeepSession keeps one that is over under the ids that it has, without its
// pictures. A dish that is not here is not linked.
func (s *Store) KeepSession(ctx context.Context, o Session) error {
	return twice(s.write(ctx, func(tx *sqlx.Tx) error {
		var err error
		if o.Led {
			_, err = tx.NamedExecContext(ctx, `INSERT INTO sessions (`+eveningColumns+`) VALUES (`+eveningValues+`)`, o.EveningLed)
		} else {
			_, err = tx.ExecContext(ctx, `INSERT INTO sessions (id, started_at) VALUES (?, ?)`, o.ID, o.StartedAt)
		}
		if err != nil {
			return err
		}
		for i, said := range o.Said {
			if _, err := tx.ExecContext(ctx, `INSERT INTO session_events (session_id, id, seq, kind, task, people, at) VALUES (?, ?, ?, ?, ?, ?, ?)`,
				o.ID, said.ID, i, said.Kind, said.Task, said.People, Time{said.At}); err != nil {
				return err
			}
		}
		for _, c := range o.Cooks {
			c.SessionID = o.ID
			var known bool
			if err := tx.GetContext(ctx, &known, `SELECT EXISTS (SELECT 1 FROM plans WHERE id = ?)`, c.PlanID); err != nil {
				return err
			}
			if !known {
				c.PlanID = nil
			}
			if err := s.addCook(ctx, tx, c); err != nil {
				return err
			}
			in := slices.ContainsFunc(c.Events, func(e cook.Event) bool { return e.Kind == cook.Loaded })
			if o.Led && !in {
				// As when a supper is over: it was never in.
				if _, err := tx.ExecContext(ctx, `UPDATE cooks SET deleted_at = finished_at WHERE id = ?`, c.ID); err != nil {
					return err
				}
			}
		}
		return nil
	}))
}

// EachReading calls f with all that thermometers have sent, by thermometer and
// moment.
func (s *Store) EachReading(ctx context.Context, f func(probe string, r Reading) error) error {
	rows, err := s.db.QueryxContext(ctx, `SELECT probe_id, at, c FROM readings ORDER BY probe_id, at`)
	if err != nil {
		return err
	}
	defer rows.Close()
	for rows.Next() {
		var probe string
		var at Time
		var c float64
		if err := rows.Scan(&probe, &at, &c); err != nil {
			return err
		}
		if err := f(probe, Reading{at.Time, c}); err != nil {
			return err
		}
	}
	return rows.Err()
}
