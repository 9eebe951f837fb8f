package store

import (
	"context"
	"strings"

	"github.com/jmoiron/sqlx"

	"velocrustum/core/cook"
	"velocrustum/core/program"
	"velocrustum/core/safety"
)

// Cook is one live or finished run of a plan, with copies of the plan and
// the fryer as they were.
type Cook struct {
	ID         string               `db:"id"`
	PlanID     *string              `db:"plan_id"`
	Name       string               `db:"name"`
	Plan       JSON[Plan]           `db:"plan"`
	Fryer      JSON[Fryer]          `db:"fryer"`
	Guidance   safety.Guidance      `db:"guidance"`
	GuidanceC  float64              `db:"guidance_c"`
	Planned    JSON[program.Answer] `db:"planned"`
	Forecast   JSON[program.Answer] `db:"forecast"`
	StartedAt  Time                 `db:"started_at"`
	FinishedAt *Time                `db:"finished_at"`
	Crust      *string              `db:"crust"`
	Inside     *string              `db:"inside"`
	Note       *string              `db:"note"`
	ChangeNext *string              `db:"change_next"`
	Basket     int                  `db:"basket"` // which basketful of the dish
	Baskets    int                  `db:"baskets"`
	Events     []cook.Event         `db:"-"`
}

const cookColumns = `id, plan_id, name, plan, fryer, guidance, guidance_c, planned, forecast, started_at, finished_at, crust, inside, note, change_next, basket, baskets`

// Cooks returns the logbook, the latest first.
func (s *Store) Cooks(ctx context.Context) ([]Cook, error) {
	out := []Cook{}
	if err := s.db.SelectContext(ctx, &out, `SELECT `+cookColumns+` FROM cooks WHERE deleted_at IS NULL ORDER BY started_at DESC, id DESC`); err != nil {
		return nil, err
	}
	for i := range out {
		var err error
		if out[i].Events, err = s.events(ctx, out[i].ID); err != nil {
			return nil, err
		}
	}
	return out, nil
}

// Cook returns one with its events.
func (s *Store) Cook(ctx context.Context, id string) (Cook, error) {
	return s.oneCook(ctx, `id = ?`, id)
}

// LiveCook returns the cook that is going on, or ErrNotFound.
func (s *Store) LiveCook(ctx context.Context) (Cook, error) {
	return s.oneCook(ctx, `finished_at IS NULL`)
}

func (s *Store) oneCook(ctx context.Context, where string, args ...any) (c Cook, err error) {
	err = s.db.GetContext(ctx, &c, `SELECT `+cookColumns+` FROM cooks WHERE deleted_at IS NULL AND `+where, args...)
	if err != nil {
		return c, found(err)
	}
	c.Events, err = s.events(ctx, c.ID)
	return c, err
}

func (s *Store) events(ctx context.Context, id string) ([]cook.Event, error) {
	var rows []struct {
		Kind  string  `db:"kind"`
		At    Time    `db:"at"`
		Value float64 `db:"value"`
	}
	if err := s.db.SelectContext(ctx, &rows, `SELECT kind, at, value FROM cook_events WHERE cook_id = ? ORDER BY seq`, id); err != nil {
		return nil, err
	}
	out := make([]cook.Event, len(rows))
	for i, r := range rows {
		out[i] = cook.Event{Kind: r.Kind, At: r.At.Time, Value: r.Value}
	}
	return out, nil
}

// AddCook starts one; ErrLive if another is going on.
func (s *Store) AddCook(ctx context.Context, c Cook) (Cook, error) {
	c.ID = newID()
	c.Basket, c.Baskets = max(1, c.Basket), max(1, c.Baskets)
	_, err := s.db.NamedExecContext(ctx, `INSERT INTO cooks (`+cookColumns+`) VALUES (:id, :plan_id, :name, :plan, :fryer,
		:guidance, :guidance_c, :planned, :forecast, :started_at, :finished_at, :crust, :inside, :note, :change_next, :basket, :baskets)`, c)
	if err == nil {
		err = s.PutCook(ctx, c)
	}
	return c, live(err)
}

// live names the breach of "one live cook".
func live(err error) error {
	if err != nil && strings.Contains(err.Error(), "UNIQUE") && strings.Contains(err.Error(), "one_live") {
		return ErrLive
	}
	return err
}

// PutCook keeps what has happened since: events, forecast, outcome.
func (s *Store) PutCook(ctx context.Context, c Cook) error {
	return live(s.write(ctx, func(tx *sqlx.Tx) error {
		r, err := tx.NamedExecContext(ctx, `UPDATE cooks SET forecast = :forecast, finished_at = :finished_at, crust = :crust,
			inside = :inside, note = :note, change_next = :change_next WHERE id = :id AND deleted_at IS NULL`, c)
		if err := touched(r, err); err != nil {
			return err
		}
		if _, err := tx.ExecContext(ctx, `DELETE FROM cook_events WHERE cook_id = ?`, c.ID); err != nil {
			return err
		}
		for i, e := range c.Events {
			if _, err := tx.ExecContext(ctx, `INSERT INTO cook_events (cook_id, seq, kind, at, value) VALUES (?, ?, ?, ?, ?)`,
				c.ID, i, e.Kind, Time{e.At}, e.Value); err != nil {
				return err
			}
		}
		return nil
	}))
}

// DeleteCook puts a finished one aside.
func (s *Store) DeleteCook(ctx context.Context, id string) error {
	c, err := s.Cook(ctx, id)
	if err != nil {
		return err
	}
	if c.FinishedAt == nil {
		return ErrLive
	}
	return touched(s.db.ExecContext(ctx, `UPDATE cooks SET deleted_at = ? WHERE id = ?`, Time{s.now()}, id))
}

// RestoreCook brings one back.
func (s *Store) RestoreCook(ctx context.Context, id string) (Cook, error) {
	if err := touched(s.db.ExecContext(ctx, `UPDATE cooks SET deleted_at = NULL WHERE id = ?`, id)); err != nil {
		return Cook{}, live(err)
	}
	return s.Cook(ctx, id)
}
