package household

import (
	"context"
	"encoding/json"
	"errors"
	"fmt"

	"velocrustum/core/prep"
	"velocrustum/core/refuse"
	"velocrustum/core/sheet"
	"velocrustum/internal/store"
)

// Kitchen is where suppers are planned, with the baskets that were fried for
// them.
func (h *Household) Kitchen(ctx context.Context) (*sheet.Kitchen, error) {
	own, err := h.Store.Pantry(ctx)
	if err != nil {
		return nil, err
	}
	set, err := h.Store.Settings(ctx)
	if err != nil {
		return nil, err
	}
	key, err := json.Marshal([]any{own, set})
	if err != nil {
		return nil, err
	}
	h.mu.Lock()
	defer h.mu.Unlock()
	if h.lastFried == nil || h.friedFor != string(key) {
		h.friedFor, h.lastFried = string(key), &sheet.Kitchen{Pantry: prep.NewPantry(own), Units: set.Units()}
	}
	return h.lastFried, nil
}

// Supper is what is said of an evening with its dishes and fryers in it.
func (h *Household) Supper(ctx context.Context, e store.SupperPlan) (sheet.Supper, error) {
	out := sheet.Supper{ServeAt: e.ServeAt, Earliest: e.Earliest, Hands: e.Hands, Away: e.Away, Hobs: &e.Hobs, Sides: e.Sides, Order: e.Order, Pins: e.Pins}
	for i, t := range e.Tables {
		if apart := t.At.Sub(e.ServeAt); apart.Abs().Hours() > sheet.MostApartH {
			return out, refuse.One(fmt.Sprintf("tables[%d].at", i), t.At.In(e.ServeAt.Location()).Format("Monday 15:04"), fmt.Sprintf("within %.0f hours of the others, who eat %s", sheet.MostApartH, e.ServeAt.Format("Monday at 15:04")))
		}
	}
	if e.WarmC > 0 {
		out.Oven = &sheet.Oven{WarmC: e.WarmC}
	}
	fryers, err := h.Store.Fryers(ctx)
	if err != nil {
		return out, err
	}
	used := map[string]bool{}
	for i, c := range e.Dishes {
		p, err := h.Store.Plan(ctx, c.PlanID)
		if errors.Is(err, store.ErrNotFound) {
			return out, refuse.One(fmt.Sprintf("dishes[%d].planId", i), c.PlanID, "one of your dishes, which may have been deleted")
		} else if err != nil {
			return out, err
		}
		d, err := h.Dish(ctx, OrderOf(p))
		if err != nil {
			return out, err
		}
		one := sheet.SupperDish{ID: p.ID, Name: p.Name, FryerID: p.FryerID, PerBasket: d.PerBasket, Flash: c.Flash, Request: OrderOf(p).Asked}
		if c.Prepared {
			ready, err := h.Ready(ctx, OrderOf(p))
			if err != nil {
				return out, err
			}
			one.Request = prep.AskedOf(ready.Request)
			one.Request.Fryer, one.Request.Bench, one.Prepared = nil, p.Bench.V.After(), true
		}
		one.Request.Program = d.Program
		one.Request.Guidance, one.Request.GuidanceC, one.Request.Likes = d.Guidance, d.GuidanceC, &d.Likes
		if p.Drawer != nil {
			one.Drawer = *p.Drawer
		}
		if c.AnyFryer {
			one.FryerID = ""
			for _, f := range fryers {
				used[f.ID] = true
			}
		}
		used[p.FryerID] = true
		out.Dishes = append(out.Dishes, atTables(one, e, p)...)
	}
	for k := range out.Order { // each table in the order of the others
		for n := range e.Tables {
			out.Order = append(out.Order, sheet.AtTable(out.Order[k], n+1))
		}
	}
	for _, f := range fryers {
		if used[f.ID] {
			out.Fryers = append(out.Fryers, sheet.NamedFryer{ID: f.ID, Name: f.Name, Fryer: &f.Fryer})
		}
	}
	return out, nil
}

// atTables is a dish for as many as come, to each table its share.
func atTables(d sheet.SupperDish, e store.SupperPlan, p store.Plan) (out []sheet.SupperDish) {
	of := p.Bench.V.For()
	switch {
	case e.MadeFor > 0:
		of = e.MadeFor
	case !e.Scaled:
		of = e.Come() // as much as there is, shared
	}
	request := func(people int) prep.Asked {
		if !e.Scaled && e.MadeFor == 0 && len(e.Tables) == 0 {
			return d.Request
		}
		return d.Request.For(people, of)
	}
	main := d
	main.Request = request(e.People)
	out = append(out, main)
	for n, t := range e.Tables {
		one := d
		one.ID, one.For, one.ServeAt = sheet.AtTable(d.ID, n+1), t.For, &t.At
		one.Request = request(t.People)
		if one.Name += ", later"; t.For != "" {
			one.Name = d.Name + " for " + t.For
		} else if t.At.Before(e.ServeAt) {
			one.Name = d.Name + ", sooner"
		}
		out = append(out, one)
	}
	return out
}

// Sheet is an evening worked back from its table.
func (h *Household) Sheet(ctx context.Context, e store.SupperPlan) (sheet.Sheet, error) {
	ctx, leave, err := h.Places.Take(ctx)
	if err != nil {
		return sheet.Sheet{}, err
	}
	defer leave()
	k, err := h.Kitchen(ctx)
	if err != nil {
		return sheet.Sheet{}, err
	}
	in, err := h.Supper(ctx, e)
	if err != nil {
		return sheet.Sheet{}, err
	}
	return k.Plan(ctx, in)
}
