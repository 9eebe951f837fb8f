package store

import (
	"context"
	"errors"

	"github.com/jmoiron/sqlx"

	"velocrustum/core/load"
)

// OwnFryer is a machine that the household owns.
type OwnFryer struct {
	ID      string `db:"id" json:"id,omitempty"`
	Name    string `db:"name" json:"name"`
	Version int    `db:"version" json:"version,omitempty"`
	load.Fryer
}

// fryerRow is a fryer as it is kept.
type fryerRow struct {
	ID      string           `db:"id"`
	Name    string           `db:"name"`
	Version int              `db:"version"`
	Machine JSON[load.Fryer] `db:"machine"`
}

func (r fryerRow) fryer() OwnFryer { return OwnFryer{r.ID, r.Name, r.Version, r.Machine.V} }

func (f OwnFryer) row() fryerRow { return fryerRow{f.ID, f.Name, f.Version, JSON[load.Fryer]{f.Fryer}} }

const fryerColumns = `id, name, machine, version`

// Fryers returns all, the first made first.
func (s *Store) Fryers(ctx context.Context) ([]OwnFryer, error) {
	var rows []fryerRow
	err := s.db.SelectContext(ctx, &rows, `SELECT `+fryerColumns+` FROM fryers WHERE deleted_at IS NULL ORDER BY id`)
	out := make([]OwnFryer, len(rows))
	for i, r := range rows {
		out[i] = r.fryer()
	}
	return out, err
}

// Fryer returns one.
func (s *Store) Fryer(ctx context.Context, id string) (OwnFryer, error) {
	var r fryerRow
	err := s.db.GetContext(ctx, &r, `SELECT `+fryerColumns+` FROM fryers WHERE id = ? AND deleted_at IS NULL`, id)
	return r.fryer(), found(err)
}

// AddFryer keeps a new one, with its defaults in, and returns it with its id.
func (s *Store) AddFryer(ctx context.Context, f OwnFryer) (OwnFryer, error) {
	f.ID = NewID()
	return s.PutFryer(ctx, f, new(int))
}

// PutFryer replaces one; with a version, only that version, and with version
// 0 it is a new one.
func (s *Store) PutFryer(ctx context.Context, f OwnFryer, version *int) (OwnFryer, error) {
	f.Fryer = f.Whole()
	err := s.write(ctx, func(tx *sqlx.Tx) error {
		have, err := fryersVersion.of(ctx, tx, f.ID, version)
		if errors.Is(err, ErrChanged) {
			var kept fryerRow
			if err := tx.GetContext(ctx, &kept, `SELECT `+fryerColumns+` FROM fryers WHERE id = ?`, f.ID); err != nil {
				return err
			}
			if f.Version = kept.Version; same(f, kept.fryer()) {
				return nil
			}
		}
		if err != nil {
			return err
		}
		f.Version = have + 1
		_, err = tx.NamedExecContext(ctx, `INSERT INTO fryers (`+fryerColumns+`) VALUES (:id, :name, :machine, :version)
			ON CONFLICT (id) DO UPDATE SET name = excluded.name, machine = excluded.machine, version = excluded.version`, f.row())
		return err
	})
	return f, err
}

// DeleteFryer puts one aside, unless a dish needs it (ErrNeeded).
func (s *Store) DeleteFryer(ctx context.Context, id string) error {
	return s.write(ctx, func(tx *sqlx.Tx) error {
		var dishes []string
		if err := tx.SelectContext(ctx, &dishes, `SELECT name FROM plans WHERE deleted_at IS NULL AND (? IN (fryer_id, second_fryer_id)
			OR EXISTS (SELECT 1 FROM json_each(program, '$.holds.stages') WHERE json_extract(value, '$.fryerId') = ?)) ORDER BY changed_at DESC`, id, id); err != nil {
			return err
		}
		if len(dishes) > 0 {
			return NeededError{dishes}
		}
		var others int
		if err := tx.GetContext(ctx, &others, `SELECT COUNT(*) FROM fryers WHERE deleted_at IS NULL AND id <> ?`, id); err != nil {
			return err
		}
		if others == 0 {
			return NeededError{}
		}
		return touched(tx.ExecContext(ctx, `UPDATE fryers SET deleted_at = ? WHERE id = ? AND deleted_at IS NULL`, Time{s.now()}, id))
	})
}

// RestoreFryer brings one back.
func (s *Store) RestoreFryer(ctx context.Context, id string) (OwnFryer, error) {
	if err := touched(s.exec(ctx, `UPDATE fryers SET deleted_at = NULL WHERE id = ?`, id)); err != nil {
		return OwnFryer{}, err
	}
	return s.Fryer(ctx, id)
}
