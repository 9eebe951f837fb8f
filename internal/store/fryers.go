package store

import (
	"context"
	"errors"

	"github.com/jmoiron/sqlx"

	"velocrustum/core/belief"
	"velocrustum/core/load"
)

// OwnFryer is a machine that the household owns.
type OwnFryer struct {
	ID      string `db:"id" json:"id,omitempty"`
	Name    string `db:"name" json:"name"`
	Version int    `db:"version" json:"version,omitempty"`
	load.Fryer
	// Changed is when somebody changed something of it: what came before counts for
	// less.
	Changed []Time `json:"changed,omitempty"`
	// Measured are runs of it empty, with a thermometer in its basket.
	Measured []Measured `json:"measured,omitempty"`
}

// Measured is one run, and when it began.
type Measured struct {
	At Time `json:"at"`
	belief.MeasuredRun
	LeftOut bool `json:"leftOut,omitempty"`
}

// Measuring is a run that goes on; its readings are those that were read by hand.
type Measuring struct {
	FryerID string `json:"-"`
	Measured
	// Probe is a thermometer that sends its readings by itself; "" where none does.
	Probe string `json:"probe,omitempty"`
}

// Measuring returns the runs that go on, the first begun first.
func (s *Store) Measuring(ctx context.Context) (out []Measuring, err error) {
	var rows []struct {
		ID        string          `db:"id"`
		Measuring JSON[Measuring] `db:"measuring"`
	}
	err = s.db.SelectContext(ctx, &rows, `SELECT id, measuring FROM fryers WHERE measuring IS NOT NULL AND deleted_at IS NULL ORDER BY measuring ->> '$.holds.at', id`)
	for _, r := range rows {
		r.Measuring.V.FryerID = r.ID
		out = append(out, r.Measuring.V)
	}
	return out, err
}

// PutMeasuring keeps a run that goes on, or with nil that none does. Nothing of the fryer
// changes by it.
func (s *Store) PutMeasuring(ctx context.Context, fryerID string, m *Measuring) error {
	var doc *JSON[Measuring]
	if m != nil {
		doc = &JSON[Measuring]{*m}
	}
	return touched(s.exec(ctx, `UPDATE fryers SET measuring = ? WHERE id = ? AND deleted_at IS NULL`, doc, fryerID))
}

// fryerRow is a fryer as it is kept.
type fryerRow struct {
	ID       string           `db:"id"`
	Name     string           `db:"name"`
	Version  int              `db:"version"`
	Machine  JSON[load.Fryer] `db:"machine"`
	Changed  JSON[[]Time]     `db:"changed"`
	Measured JSON[[]Measured] `db:"measured"`
	// What is read with it, and never written with it.
	Learnt    *JSON[map[string]*load.Learnt] `db:"learnt"`
	AboveSeaM float64                        `db:"above_sea_m"`
	FridgeC   *float64                       `db:"fridge_c"`
}

// fryer is one as its household knows it: with what cooks have shown of it, where it
// stands.
func (r fryerRow) fryer() OwnFryer {
	f := OwnFryer{r.ID, r.Name, r.Version, r.Machine.V, r.Changed.V, r.Measured.V}
	f.AboveSeaM, f.FridgeC = r.AboveSeaM, r.FridgeC
	if r.Learnt != nil {
		f.Learnt, f.LearntIn = r.Learnt.V[""], r.Learnt.V
	}
	return f
}

// Told is a fryer as its owner told of it, without what a household knows beside.
func (f OwnFryer) Told() OwnFryer {
	f.Learnt, f.LearntIn, f.AboveSeaM, f.FridgeC = nil, nil, 0, nil
	return f
}

func (f OwnFryer) row() fryerRow {
	return fryerRow{ID: f.ID, Name: f.Name, Version: f.Version, Machine: JSON[load.Fryer]{f.Told().Fryer}, Changed: JSON[[]Time]{append([]Time{}, f.Changed...)}, Measured: JSON[[]Measured]{append([]Measured{}, f.Measured...)}}
}

const (
	fryerColumns = `id, name, machine, version, changed, measured`
	fryerQuery   = `SELECT ` + fryerColumns + `, learnt, (SELECT above_sea_m FROM settings) AS above_sea_m, (SELECT fridge_c FROM settings) AS fridge_c FROM fryers`
)

// Fryers returns all, the first made first.
func (s *Store) Fryers(ctx context.Context) ([]OwnFryer, error) {
	var rows []fryerRow
	err := s.db.SelectContext(ctx, &rows, fryerQuery+` WHERE deleted_at IS NULL ORDER BY id`)
	out := make([]OwnFryer, len(rows))
	for i, r := range rows {
		out[i] = r.fryer()
	}
	return out, err
}

// Fryer returns one.
func (s *Store) Fryer(ctx context.Context, id string) (OwnFryer, error) {
	var r fryerRow
	err := s.db.GetContext(ctx, &r, fryerQuery+` WHERE id = ? AND deleted_at IS NULL`, id)
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
			if err := tx.GetContext(ctx, &kept, fryerQuery+` WHERE id = ?`, f.ID); err != nil {
				return err
			}
			if f.Version = kept.Version; same(f.Told(), kept.fryer().Told()) {
				return nil
			}
		}
		if err != nil {
			return err
		}
		f.Version = have + 1
		_, err = tx.NamedExecContext(ctx, `INSERT INTO fryers (`+fryerColumns+`) VALUES (:id, :name, :machine, :version, :changed, :measured)
			ON CONFLICT (id) DO UPDATE SET name = excluded.name, machine = excluded.machine, changed = excluded.changed, measured = excluded.measured, version = excluded.version`, f.row())
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
