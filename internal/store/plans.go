package store

import (
	"context"
	"errors"
	"slices"

	"github.com/jmoiron/sqlx"

	"velocrustum/core/load"
	"velocrustum/core/prep"
)

// Plan is a dish as it is to be run.
type Plan struct {
	ID        string              `db:"id"`
	Name      string              `db:"name"`
	FryerID   string              `db:"fryer_id"`
	Load      JSON[load.Pieces]   `db:"load"`
	Coat      JSON[load.Covering] `db:"coat"`
	Program   JSON[load.Program]  `db:"program"`
	TableTime *string             `db:"table_time"`
	// PerBasket is how many go into the first of several baskets; nil for
	// all in one. SecondFryerID is another that shares the pieces.
	PerBasket     *int             `db:"per_basket"`
	SecondFryerID *string          `db:"second_fryer_id"`
	Bench         JSON[prep.Bench] `db:"bench"`
	// Groups are what else lies in its basket.
	Groups    JSON[[]load.Group] `db:"groups"`
	Version   int                `db:"version"`
	ChangedAt Time               `db:"changed_at"`
}

const planColumns = `id, name, fryer_id, load, coat, program, table_time, per_basket, second_fryer_id, bench, groups, version, changed_at`

// GoesInAs keeps lots, coats and program as they go into the basket: the first
// lot, and the others as groups beside it.
func (p *Plan) GoesInAs(q load.Request) {
	q = q.InLots()
	p.Load.V, p.Program.V, p.Groups.V = q.Lots[0].Load, q.Program, nil
	if c := q.Lots[0].Coat; c != nil {
		p.Coat.V = *c
	}
	for _, lot := range q.Lots[1:] {
		p.Groups.V = append(p.Groups.V, load.Group{Name: lot.Name, Load: lot.Load, Coat: lot.Coat})
	}
	p.Program.V.Turns = slices.Clone(q.Program.Turns)
	for i, t := range p.Program.V.Turns {
		if p.Program.V.Turns[i].Lots = nil; len(t.Lots) == 1 {
			p.Program.V.Turns[i].Group = t.Lots[0]
		}
	}
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
			(:id, :name, :fryer_id, :load, :coat, :program, :table_time, :per_basket, :second_fryer_id, :bench, :groups, :version, :changed_at)
			ON CONFLICT (id) DO UPDATE SET name = excluded.name, fryer_id = excluded.fryer_id, load = excluded.load, coat = excluded.coat,
			program = excluded.program, table_time = excluded.table_time, per_basket = excluded.per_basket,
			second_fryer_id = excluded.second_fryer_id, bench = excluded.bench, groups = excluded.groups, version = excluded.version, changed_at = excluded.changed_at`, p)
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
