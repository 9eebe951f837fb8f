package store

import (
	"context"

	"github.com/jmoiron/sqlx"

	"velocrustum/core/fryer"
	"velocrustum/core/program"
)

// Fryer is a machine that the household owns.
type Fryer struct {
	ID          string               `db:"id"`
	Name        string               `db:"name"`
	Kind        string               `db:"kind"`
	Basket      JSON[program.Basket] `db:"basket"`
	PowerW      float64              `db:"power_w"`
	Airflow     float64              `db:"airflow"`
	DialOffsetC float64              `db:"dial_offset_c"`
	DialMinC    float64              `db:"dial_min_c"`
	DialMaxC    float64              `db:"dial_max_c"`
	DialStepC   float64              `db:"dial_step_c"`
	HeatUpMin   *float64             `db:"heat_up_min"` // from cold to 200 °C, where its owner has timed it
	Trays       int                  `db:"trays"`
	Drawers     int                  `db:"drawers"`
	Rack        bool                 `db:"rack"`
	Inferred    JSON[[]string]       `db:"inferred"` // fields that were worked out, not read off
	Version     int                  `db:"version"`
}

// Simulated returns the fryer as the engine takes it.
func (f Fryer) Simulated() *program.Fryer {
	basket := f.Basket.V
	q := &program.Fryer{Kind: f.Kind, PowerW: &f.PowerW, Basket: &basket, Airflow: &f.Airflow, DialOffsetC: f.DialOffsetC,
		HeatUpMin: f.HeatUpMin, Inferred: f.Inferred.V, Rack: f.Rack, Drawers: f.Drawers, Dial: &program.Dial{MinC: f.DialMinC, MaxC: f.DialMaxC, StepC: f.DialStepC}}
	if f.Kind == string(fryer.Oven) {
		q.Trays = f.Trays
	}
	return q
}

const fryerColumns = `id, name, kind, basket, power_w, airflow, dial_offset_c, dial_min_c, dial_max_c, dial_step_c, heat_up_min, trays, drawers, rack, inferred, version`

// Fryers returns all, the first made first.
func (s *Store) Fryers(ctx context.Context) ([]Fryer, error) {
	out := []Fryer{}
	err := s.db.SelectContext(ctx, &out, `SELECT `+fryerColumns+` FROM fryers WHERE deleted_at IS NULL ORDER BY id`)
	return out, err
}

// Fryer returns one.
func (s *Store) Fryer(ctx context.Context, id string) (f Fryer, err error) {
	err = s.db.GetContext(ctx, &f, `SELECT `+fryerColumns+` FROM fryers WHERE id = ? AND deleted_at IS NULL`, id)
	return f, found(err)
}

// AddFryer keeps a new one and returns it with its id.
func (s *Store) AddFryer(ctx context.Context, f Fryer) (Fryer, error) {
	f.ID, f.Version, f.Trays, f.Drawers = newID(), 1, max(1, f.Trays), max(1, f.Drawers)
	_, err := s.db.NamedExecContext(ctx, `INSERT INTO fryers (`+fryerColumns+`) VALUES (:id, :name, :kind, :basket,
		:power_w, :airflow, :dial_offset_c, :dial_min_c, :dial_max_c, :dial_step_c, :heat_up_min, :trays, :drawers, :rack, :inferred, :version)`, f)
	return f, err
}

// PutFryer replaces one; with a version, only that version.
func (s *Store) PutFryer(ctx context.Context, f Fryer, version *int) (Fryer, error) {
	err := s.write(ctx, func(tx *sqlx.Tx) error {
		have, err := s.versionOf(ctx, tx, "fryers", f.ID, version)
		if err != nil {
			return err
		}
		f.Version = have + 1
		_, err = tx.NamedExecContext(ctx, `UPDATE fryers SET name = :name, kind = :kind, basket = :basket, power_w = :power_w,
			airflow = :airflow, dial_offset_c = :dial_offset_c, dial_min_c = :dial_min_c, dial_max_c = :dial_max_c,
			dial_step_c = :dial_step_c, heat_up_min = :heat_up_min, trays = :trays, drawers = :drawers, rack = :rack, inferred = :inferred, version = :version WHERE id = :id`, f)
		return err
	})
	return f, err
}

// DeleteFryer puts one aside, unless a dish needs it (ErrNeeded).
func (s *Store) DeleteFryer(ctx context.Context, id string) error {
	return s.write(ctx, func(tx *sqlx.Tx) error {
		var needed int
		if err := tx.GetContext(ctx, &needed, `SELECT COUNT(*) FROM plans WHERE deleted_at IS NULL AND ? IN (fryer_id, second_fryer_id)`, id); err != nil {
			return err
		}
		if needed > 0 {
			return ErrNeeded
		}
		var others int
		if err := tx.GetContext(ctx, &others, `SELECT COUNT(*) FROM fryers WHERE deleted_at IS NULL AND id <> ?`, id); err != nil {
			return err
		}
		if others == 0 {
			return ErrNeeded
		}
		return touched(tx.ExecContext(ctx, `UPDATE fryers SET deleted_at = ? WHERE id = ? AND deleted_at IS NULL`, Time{s.now()}, id))
	})
}

// RestoreFryer brings one back.
func (s *Store) RestoreFryer(ctx context.Context, id string) (Fryer, error) {
	if err := touched(s.db.ExecContext(ctx, `UPDATE fryers SET deleted_at = NULL WHERE id = ?`, id)); err != nil {
		return Fryer{}, err
	}
	return s.Fryer(ctx, id)
}

// versionOf returns a row's version, or ErrChanged if it is not the one
// wanted.
func (s *Store) versionOf(ctx context.Context, tx *sqlx.Tx, table, id string, want *int) (have int, err error) {
	err = tx.GetContext(ctx, &have, `SELECT version FROM `+table+` WHERE id = ? AND deleted_at IS NULL`, id)
	if err != nil {
		return 0, found(err)
	}
	if want != nil && *want != have {
		return have, ErrChanged
	}
	return have, nil
}
