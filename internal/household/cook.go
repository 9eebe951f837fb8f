package household

import (
	"context"

	"velocrustum/core/cook"
	"velocrustum/core/food"
	"velocrustum/core/verdict"
	"velocrustum/internal/store"
)

// Live returns a kept cook as the core leads it.
func (h *Household) Live(ctx context.Context, c store.Cook) (cook.Live, error) {
	set, err := h.Store.Settings(ctx)
	if err != nil {
		return cook.Live{}, err
	}
	cut, err := food.FindCut(c.Plan.V.Load.V.Cut)
	if err != nil {
		return cook.Live{}, err
	}
	pantry, _, err := h.Pantry(ctx)
	if err != nil {
		return cook.Live{}, err
	}
	var lie verdict.InBasket
	if b := c.Planned.V.Basket; b != nil {
		lie = *b
	}
	var kinds []string
	for _, g := range c.Planned.V.Lots {
		kinds = append(kinds, g.Name)
	}
	return cook.Live{Say: set.Units(), Larder: pantry, Kinds: kinds,
		Program: c.Plan.V.Program.V, Pieces: c.Plan.V.Load.V.Pieces, Piece: cut.Name, Plural: cut.Plural, Faces: cut.Faces,
		Judged: judged(cut, c.Planned.V.Rule.Inside), Started: c.StartedAt.Time, Events: c.Events, Degrees: set.Temperature,
		Seam: lie.Seam, Tender: lie.Tender, RestMin: c.Planned.V.Rule.RestMin, StopsItself: c.Fryer.V.StopsItself, Waits: c.DishID != "",
	}, nil
}

// judged is how a cut is told to be done.
func judged(c food.Cut, inside string) cook.Judging {
	switch {
	case inside == verdict.SoftInside:
		return cook.ByBite
	case c.Bone > 0:
		return cook.ByTheBone
	}
	return cook.ByProbe
}
