package household

import (
	"context"
	"encoding/json"
	"errors"
	"fmt"
	"strings"
	"unicode/utf8"

	"velocrustum/core/food"
	"velocrustum/core/load"
	"velocrustum/core/prep"
	"velocrustum/core/refuse"
	"velocrustum/core/safety"
	"velocrustum/internal/store"
)

// # What may be kept
//
// Each is checked, and then kept under its version as the store has it; nil is
// any version. The error is refuse.Fields, or the store's.

// ChangeSettings takes in a JSON object of what is to be changed; what is left
// out stays.
func (h *Household) ChangeSettings(ctx context.Context, changed json.RawMessage) (store.Settings, error) {
	return h.Store.ChangeSettings(ctx, func(v store.Settings) (store.Settings, error) {
		if err := json.Unmarshal(changed, &v); err != nil {
			return v, err
		}
		if err := v.Likes().Check(); err != nil {
			return v, err
		}
		if !(v.GuidanceC >= safety.StricterFloor && v.GuidanceC <= safety.StricterTop) {
			return v, refuse.One("guidanceC", fmt.Sprintf("%g", v.GuidanceC), fmt.Sprintf("%g to %g °C, never under the guidance", safety.StricterFloor, safety.StricterTop))
		}
		return v, checkKitchen(v)
	})
}

// ThermometerOff is by how much a thermometer may be known to be off.
var ThermometerOff = refuse.Range{Min: -5, Max: 5, Step: 0.5, Unit: "K"}

// checkKitchen returns what is wrong with where a household cooks.
func checkKitchen(v store.Settings) error {
	var c refuse.Check
	within := func(field string, is float64, r refuse.Range) { c.Within(field, is, r.Min, r.Max, r.Unit) }
	within("aboveSeaM", v.AboveSeaM, load.Limits["fryer.aboveSeaM"])
	within("thermometerC", v.ThermometerC, ThermometerOff)
	if v.FridgeC != nil {
		within("fridgeC", *v.FridgeC, load.Limits["fryer.fridgeC"])
	}
	return c.Err()
}

// KeepIngredient keeps an ingredient of the household's own.
func (h *Household) KeepIngredient(ctx context.Context, i prep.Ingredient, version *int) (prep.Ingredient, error) {
	if err := i.Check(); err != nil {
		return i, err
	}
	_, err := h.Store.PutIngredient(ctx, i, version)
	return i, err
}

// KeepMarinade keeps a marinade.
func (h *Household) KeepMarinade(ctx context.Context, m store.Marinade, version *int) (store.Marinade, error) {
	pantry, _, err := h.Pantry(ctx)
	if err != nil {
		return m, err
	}
	if err := m.Check(pantry); err != nil {
		return m, err
	}
	return h.Store.PutMarinade(ctx, m, version)
}

// KeepCoat keeps a coat.
func (h *Household) KeepCoat(ctx context.Context, c store.OwnCoat, version *int) (store.OwnCoat, error) {
	pantry, _, err := h.Pantry(ctx)
	if err != nil {
		return c, err
	}
	if c.Name = strings.TrimSpace(c.Name); c.Name == "" {
		return c, refuse.One("name", "blank", "1 to 60 letters")
	}
	if _, err := food.Compose(c.Layers, pantry.Find); err != nil {
		return c, err
	}
	return h.Store.PutCoat(ctx, c, version)
}

// KeepSauce keeps a sauce.
func (h *Household) KeepSauce(ctx context.Context, o store.OwnSauce, version *int) (store.OwnSauce, error) {
	pantry, _, err := h.Pantry(ctx)
	if err != nil {
		return o, err
	}
	if err := o.Check(pantry.Find); err != nil {
		return o, err
	}
	return h.Store.PutSauce(ctx, o, version)
}

// KeepMix keeps a mix.
func (h *Household) KeepMix(ctx context.Context, o store.Mix, version *int) (store.Mix, error) {
	pantry, _, err := h.Pantry(ctx)
	if err != nil {
		return o, err
	}
	if err := o.Mix.Check(pantry); err != nil {
		return o, err
	}
	return h.Store.PutMix(ctx, o, version)
}

// KeepSupper keeps a supper.
func (h *Household) KeepSupper(ctx context.Context, o store.Supper, version *int) (store.Supper, error) {
	if o.Name = strings.TrimSpace(o.Name); o.Name == "" {
		return o, refuse.One("name", "blank", "1 to 60 letters")
	}
	in, err := h.Supper(ctx, o.Evening)
	if err != nil {
		return o, err
	}
	if err := in.Check(); err != nil {
		return o, err
	}
	return h.Store.PutSupper(ctx, o, version)
}

// CheckedFryer returns a fryer if it can be simulated.
func CheckedFryer(f store.OwnFryer) (store.OwnFryer, error) {
	if f.Name = strings.TrimSpace(f.Name); f.Name == "" {
		return f, refuse.One("name", "blank", "1 to 60 letters")
	}
	if err := load.CheckFryer(f.Fryer); err != nil {
		return f, err
	}
	for i, r := range f.Measured {
		if err := refuse.Under(fmt.Sprintf("measured[%d].", i), r.Check(f.Fryer)); err != nil {
			return f, err
		}
	}
	return f, nil
}

// CheckedPlan returns a dish if it can be cooked.
func (h *Household) CheckedPlan(ctx context.Context, p store.Plan) (store.Plan, error) {
	return h.CheckedDish(ctx, p, OrderOf(p))
}

// CheckedDish is CheckedPlan of a dish as it was asked for, by whose fields what
// cannot be is told.
func (h *Household) CheckedDish(ctx context.Context, p store.Plan, asked Order) (store.Plan, error) {
	if p.Name = strings.TrimSpace(p.Name); p.Name == "" {
		return p, refuse.One("name", "blank", "1 to 80 letters")
	}
	if p.SecondFryerID != nil && *p.SecondFryerID == p.FryerID {
		return p, refuse.One("secondFryerId", *p.SecondFryerID, "the id of another of your fryers")
	}
	if err := h.beside(ctx, p); err != nil {
		return p, err
	}
	d, err := h.Ready(ctx, asked)
	if err != nil {
		return p, err
	}
	return p, d.Check()
}

// beside checks the dish that is to run in the other drawer.
func (h *Household) beside(ctx context.Context, p store.Plan) error {
	switch {
	case p.BesideID == nil:
		return nil
	case p.Drawer == nil:
		return refuse.One("besideId", *p.BesideID, "nothing: a dish is beside another where each has a drawer")
	case *p.BesideID == p.ID:
		return refuse.One("besideId", *p.BesideID, "the id of another of your dishes")
	}
	_, err := h.Store.Plan(ctx, *p.BesideID)
	if errors.Is(err, store.ErrNotFound) {
		return refuse.One("besideId", *p.BesideID, "the id of another of your dishes")
	}
	return err
}

// BesideOf is the dish that runs in the other drawer of a kept one, whichever of
// the two says so, and what they have to each other; nil without one.
func (h *Household) BesideOf(ctx context.Context, p store.Plan) (*store.Plan, string, error) {
	if p.Drawer == nil {
		return nil, "", nil
	}
	all, err := h.Store.Plans(ctx)
	if err != nil {
		return nil, "", err
	}
	for _, o := range all {
		here, there := p.BesideID != nil && *p.BesideID == o.ID, o.BesideID != nil && *o.BesideID == p.ID
		if o.ID == p.ID || !here && !there || o.FryerID != p.FryerID || o.Drawer == nil || *o.Drawer == *p.Drawer {
			continue
		}
		ready := o.Ready
		if here {
			ready = p.Ready
		}
		return &o, orElse(ready, prep.ReadyTogether), nil
	}
	return nil, "", nil
}

// longestAlt is how much can be said of what is seen on a picture, letters.
const longestAlt = 300

// CheckAlt returns what is wrong with what is said of a picture, or nil.
func CheckAlt(alt string) error {
	if n := utf8.RuneCountInString(alt); n > longestAlt {
		return refuse.One("alt", fmt.Sprintf("%d letters", n), fmt.Sprintf("up to %d letters", longestAlt))
	}
	return nil
}
