package store

import (
	"context"
	"errors"

	"github.com/jmoiron/sqlx"

	"velocrustum/core/load"
	"velocrustum/core/prep"
)

// Plan is a dish as it is to be run.
type Plan struct {
	ID      string `db:"id"`
	Name    string `db:"name"`
	FryerID string `db:"fryer_id"`
	// Lots are the kinds of it, each with its bench; Bench is what comes after
	// the basket, for all of them.
	Lots      JSON[[]prep.DishLot] `db:"lots"`
	Bench     JSON[prep.Bench]     `db:"bench"`
	Program   JSON[load.Program]   `db:"program"`
	TableTime *string              `db:"table_time"`
	// PerBasket is how many go into the first of several baskets; nil for
	// all in one. SecondFryerID is another that shares the pieces.
	PerBasket     *int    `db:"per_basket"`
	SecondFryerID *string `db:"second_fryer_id"`
	// Drawer is load.Left or load.Right of a fryer with two; nil where it shares
	// both, or there is one. BesideID is the dish that runs in the other, and
	// Ready which of prep's ways the two have to each other.
	Drawer    *string `db:"drawer"`
	BesideID  *string `db:"beside_id"`
	Ready     *string `db:"ready"`
	Version   int     `db:"version"`
	ChangedAt Time    `db:"changed_at"`
}

const planColumns = `id, name, fryer_id, lots, bench, program, table_time, per_basket, second_fryer_id, drawer, beside_id, ready, version, changed_at`

// GoesInAs keeps lots and program as they go into the basket: off the bench,
// with what goes in later and comes out sooner told by turns.
func (p *Plan) GoesInAs(q load.Request) {
	q = q.Told()
	lots := make([]prep.DishLot, len(q.Lots))
	for k, lot := range q.Lots {
		lots[k].LotRequest = lot
		if k < len(p.Lots.V) {
			lots[k].Bench = p.Lots.V[k].Bench
		}
	}
	p.Lots.V, p.Program.V = lots, q.Program
}

// Request is what a plan's lots and program ask of the engine, as they stand:
// those of a cook as they went into the basket.
func (p Plan) Request() load.Request {
	q := load.Request{Program: p.Program.V}
	for _, lot := range p.Lots.V {
		q.Lots = append(q.Lots, lot.LotRequest)
	}
	return q
}

// Pieces is how many pieces a plan has, of all lots.
func (p Plan) Pieces() (n int) {
	for _, lot := range p.Lots.V {
		n += lot.Load.Pieces
	}
	return n
}

// Plans returns all, the latest changed first.
func (s *Store) Plans(ctx context.Context) ([]Plan, error) {
	out := []Plan{}
	err := s.db.SelectContext(ctx, &out, `SELECT `+planColumns+` FROM plans WHERE deleted_at IS NULL ORDER BY changed_at DESC, id DESC`)
	return out, err
}

// Plan returns one.
func (s *Store) Plan(ctx context.Context, id string) (p Plan, err error) {
	err = s.db.GetContext(ctx, &p, `SELECT `+planColumns+` FROM plans WHERE id = ? AND deleted_at IS NULL`, id)
	return p, found(err)
}

// AddPlan keeps a new one and returns it with its id.
func (s *Store) AddPlan(ctx context.Context, p Plan) (Plan, error) {
	p.ID = NewID()
	return s.PutPlan(ctx, p, new(int))
}

// PutPlan replaces one; with a version, only that version, and with version
// 0 it is a new one.
func (s *Store) PutPlan(ctx context.Context, p Plan, version *int) (Plan, error) {
	err := s.write(ctx, func(tx *sqlx.Tx) error {
		have, err := plansVersion.of(ctx, tx, p.ID, version)
		if errors.Is(err, ErrChanged) {
			var kept Plan
			if err := tx.GetContext(ctx, &kept, `SELECT `+planColumns+` FROM plans WHERE id = ?`, p.ID); err != nil {
				return err
			}
			if p.Version, p.ChangedAt = kept.Version, kept.ChangedAt; same(p, kept) {
				return nil
			}
		}
		if err != nil {
			return err
		}
		p.Version, p.ChangedAt = have+1, Time{s.now()}
		_, err = tx.NamedExecContext(ctx, `INSERT INTO plans (`+planColumns+`) VALUES
			(:id, :name, :fryer_id, :lots, :bench, :program, :table_time, :per_basket, :second_fryer_id, :drawer, :beside_id, :ready, :version, :changed_at)
			ON CONFLICT (id) DO UPDATE SET name = excluded.name, fryer_id = excluded.fryer_id, lots = excluded.lots,
			program = excluded.program, table_time = excluded.table_time, per_basket = excluded.per_basket,
			second_fryer_id = excluded.second_fryer_id, drawer = excluded.drawer,
			beside_id = excluded.beside_id, ready = excluded.ready, bench = excluded.bench, version = excluded.version, changed_at = excluded.changed_at`, p)
		return err
	})
	return p, err
}

// DeletePlan puts one aside.
func (s *Store) DeletePlan(ctx context.Context, id string) error {
	return touched(s.exec(ctx, `UPDATE plans SET deleted_at = ? WHERE id = ? AND deleted_at IS NULL`, Time{s.now()}, id))
}

// RestorePlan brings one back.
func (s *Store) RestorePlan(ctx context.Context, id string) (Plan, error) {
	if err := touched(s.exec(ctx, `UPDATE plans SET deleted_at = NULL WHERE id = ?`, id)); err != nil {
		return Plan{}, err
	}
	return s.Plan(ctx, id)
}
