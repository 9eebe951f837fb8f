package household

import (
	"context"

	"velocrustum/core/cook"
	"velocrustum/core/food"
	"velocrustum/core/load"
	"velocrustum/internal/store"
)

// Live returns a kept cook as the core leads it.
func (h *Household) Live(ctx context.Context, c store.Cook) (cook.Live, error) {
	set, err := h.Store.Settings(ctx)
	if err != nil {
		return cook.Live{}, err
	}
	pantry, _, err := h.Pantry(ctx)
	if err != nil {
		return cook.Live{}, err
	}
	l := cook.Live{Say: set.Units(), Larder: pantry, Program: c.Plan.V.Request().Told().Program, Pieces: c.Plan.V.Pieces(),
		Started: c.StartedAt.Time, Events: c.Events, Degrees: set.Temperature, StopsItself: c.Fryer.V.StopsItself, Quicker: c.Fryer.V.Learnt.Quicker(), Waits: c.DishID != "", Drawers: c.Fryer.V.Drawers, Fryer: c.Fryer.V.Name}
	if c.Fryer.V.Drawer != "" {
		l.Drawers = 1
	}
	lots := c.Plan.V.Lots.V
	names := load.LotNames(c.Plan.V.Request().Lots)
	for k, of := range lots {
		cut, err := food.FindCut(of.Load.Cut)
		if err != nil {
			return l, err
		}
		a := c.Planned.V
		if len(a.Lots) == len(lots) {
			a = a.Lots[k].Answer
		}
		one := cook.LotIn{Name: names[k], Pieces: of.Load.Pieces, Faces: cut.Faces, Judged: judged(cut, a.Rule.Inside), RestMin: a.Rule.RestMin}
		if a.Basket != nil {
			one.Seam, one.Tender = a.Basket.Seam, a.Basket.Tender
		}
		l.RestMin = max(l.RestMin, one.RestMin)
		if len(lots) > 1 {
			l.Lots = append(l.Lots, one)
		}
		if k == 0 {
			l.Piece, l.Plural, l.Faces, l.Judged, l.Seam, l.Tender = cut.Name, cut.Plural, cut.Faces, one.Judged, one.Seam, one.Tender
		}
	}
	return l, nil
}

// judged is how a cut is told to be done.
func judged(c food.Cut, inside string) cook.Judging {
	switch {
	case inside == load.SoftInside:
		return cook.ByBite
	case inside == load.HotInside:
		return cook.ByHeat
	case inside == load.MoltenInside:
		return cook.ByMelt
	case len(c.Spots) > 0:
		return cook.ByBoth
	case c.Bone > 0:
		return cook.ByTheBone
	}
	return cook.ByProbe
}
