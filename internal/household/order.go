package household

import (
	"context"
	"errors"
	"fmt"
	"slices"

	"velocrustum/core/baskets"
	"velocrustum/core/load"
	"velocrustum/core/prep"
	"velocrustum/core/refuse"
	"velocrustum/core/safety"
	"velocrustum/internal/store"
)

// An Order is a dish as it is asked for: with the household's fryers by their
// ids, and its guidance and what it likes where neither is said.
type Order struct {
	prep.Asked
	FryerID, SecondFryerID *string
	// Drawer is one of two of the fryer, beside another that is taken to be on
	// full; nil where the dish shares both, or there is one.
	Drawer *string
}

// OrderOf is a kept dish as it would be asked for.
func OrderOf(p store.Plan) Order {
	return Order{Asked: prep.Asked{Lots: p.Lots.V, Bench: &p.Bench.V, Program: p.Program.V, PerBasket: orElse(p.PerBasket, 0)},
		FryerID: &p.FryerID, SecondFryerID: p.SecondFryerID, Drawer: p.Drawer}
}

// Dish puts together what was asked for. The error is refuse.Fields, or the
// store's.
func (h *Household) Dish(ctx context.Context, o Order) (prep.BenchDish, error) {
	set, err := h.Store.Settings(ctx)
	if err != nil {
		return prep.BenchDish{}, err
	}
	if o.Guidance == "" {
		if o.Guidance = string(set.Guidance); set.Guidance == safety.Stricter {
			o.GuidanceC = set.GuidanceC
		}
	}
	if o.Likes == nil {
		likes := set.Likes()
		o.Likes = &likes
	}
	if err := o.OneDrawer(); err != nil {
		return prep.BenchDish{}, err
	}
	if o.Program.Stages == nil {
		return prep.BenchDish{}, refuse.One("program", "missing", "it has to be there")
	}
	d := o.Asked.Dish()
	d.Units = set.Units()
	for _, f := range []struct {
		field string
		id    *string
		into  **load.Fryer
	}{{"fryerId", o.FryerID, &d.Fryer}, {"secondFryerId", o.SecondFryerID, &d.Second}} {
		if f.id == nil {
			continue
		}
		own, err := h.Store.Fryer(ctx, *f.id)
		if errors.Is(err, store.ErrNotFound) {
			return d, refuse.One(f.field, *f.id, "the id of one of your fryers")
		} else if err != nil {
			return d, err
		}
		*f.into = &own.Fryer
	}
	if o.Drawer != nil && len(o.Chambers) == 0 {
		if d.Fryer == nil || d.Fryer.Drawers != 2 {
			return d, refuse.One("drawer", *o.Drawer, "nothing: this fryer has one drawer")
		}
		d.Fryer = d.Fryer.In(*o.Drawer)
	}
	d.Program.Stages, err = h.stages(ctx, d.Program.Stages)
	return d, err
}

// stages are stages with the household's fryers that they are in. The error is
// refuse.Fields, or the store's.
func (h *Household) stages(ctx context.Context, of []load.Stage) ([]load.Stage, error) {
	of = slices.Clone(of)
	for i := range of {
		st := &of[i]
		if st.FryerID == "" {
			continue
		}
		own, err := h.Store.Fryer(ctx, st.FryerID)
		if errors.Is(err, store.ErrNotFound) {
			return of, refuse.One(fmt.Sprintf("program.stages[%d].fryerId", i), st.FryerID, "the id of one of your fryers")
		} else if err != nil {
			return of, err
		}
		st.Fryer, st.FryerName = &own.Fryer, own.Name
	}
	return of, nil
}

// Ready is what was asked for as it goes into the basket, off the bench. The
// error is refuse.Fields, or the store's.
func (h *Household) Ready(ctx context.Context, o Order) (load.Dish, error) {
	d, err := h.Dish(ctx, o)
	if err != nil {
		return load.Dish{}, err
	}
	pantry, _, err := h.Pantry(ctx)
	if err != nil {
		return load.Dish{}, err
	}
	out, _, err := pantry.Ready(d)
	return out, err
}

// InDrawers are what was asked for of two drawers that run apart, as each goes
// in, off the bench. The error is refuse.Fields, or the store's.
func (h *Household) InDrawers(ctx context.Context, o Order) (out []load.Chamber, err error) {
	o.Drawer = nil
	o.Chambers = slices.Clone(o.Chambers)
	each, err := o.Asked.InDrawers()
	if err != nil {
		return nil, err
	}
	for k, asked := range each {
		one := o
		one.Asked = asked
		d, err := h.Ready(ctx, one)
		if err != nil {
			return nil, refuse.Under(fmt.Sprintf("chambers[%d].", k), err)
		}
		out = append(out, load.Chamber{Request: d.First(), StartMin: o.Chambers[k].StartMin})
	}
	return out, nil
}

// Baskets plans the baskets of a kept dish that does not go in at once.
func Baskets(ctx context.Context, p store.Plan, d load.Dish) ([]baskets.Basketful, error) {
	how := baskets.SeveralBaskets
	if p.SecondFryerID != nil {
		how = baskets.TwoFryers
	}
	return baskets.Of(ctx, d, how)
}

// GoesInAtOnce says whether a kept dish is one basket.
func GoesInAtOnce(p store.Plan) bool { return p.PerBasket == nil && p.SecondFryerID == nil }
