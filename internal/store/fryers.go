package store

import (
	"context"

	"github.com/jmoiron/sqlx"

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
	Version     int                  `db:"version"`
}

// Simulated returns the fryer as the engine takes it.
func (f Fryer) Simulated() *program.Fryer {
	basket := f.Basket.V
	return &program.Fryer{Kind: f.Kind, PowerW: &f.PowerW, Basket: &basket, Airflow: &f.Airflow, DialOffsetC: f.DialOffsetC}
}

const fryerColumns = `id, name, kind, basket, power_w, airflow, dial_offset_c, dial_min_c, dial_max_c, dial_step_c, version`

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
	f.ID, f.Version = newID(), 1
	_, err := s.db.NamedExecContext(ctx, `INSERT INTO fryers (`+fryerColumns+`) VALUES (:id, :name, :kind, :basket,
		:power_w, :airflow, :dial_offset_c, :dial_min_c, :dial_max_c, :dial_step_c, :version)`, f)
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
			dial_step_c = :dial_step_c, version = :version WHERE id = :id`, f)
		return err
	})
	return f, err
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
