package prep

import (
	"math"

	"velocrustum/core/food"
	"velocrustum/core/load"
	"velocrustum/core/refuse"
)

// A BenchDish is the pieces as they were bought, the coat that was chosen, and what
// is done to them on the bench. What the basket gets follows from all three,
// each time anew, and is never written back.
type BenchDish struct {
	load.Dish
	Bench *Bench // nil leaves all as it was bought
}

// Ready returns a dish as it goes into the basket, and the bench worked out,
// nil where there is none. The error is refuse.Fields, those of the bench
// under its name.
func (p Pantry) Ready(d BenchDish) (load.Dish, *Worked, error) {
	out := d.Dish
	out.Larder = p
	if d.Bench == nil {
		return out, nil, out.CheckPiece()
	}
	if err := refuse.Under("bench.", d.Bench.Check(p)); err != nil {
		return out, nil, err
	}
	if err := d.Bench.Cutting.cut(&out.Load); err != nil {
		return out, nil, refuse.Under("bench.", err)
	}
	if err := out.CheckPiece(); err != nil {
		return out, nil, err
	}
	coat := load.Covering{ID: "bare"}
	if out.Coat != nil {
		coat = *out.Coat
	}
	what, err := coat.Find(p.Find)
	if err != nil {
		return out, nil, err
	}
	cut, err := food.FindCut(out.Load.Cut)
	if err != nil {
		return out, nil, err
	}
	lot := LotOf(cut, out.Load.PieceMassG, value(out.Load.ThicknessMm), out.Load.Pieces)
	lot.Wet = food.Surface(out.Load.Surface)
	lot.Beside, lot.BesideG = besides(d.Groups)
	w, err := p.Work(lot, what, coat.OilG, *d.Bench, out.Program.Turns...)
	if err != nil {
		return out, nil, refuse.Under("bench.", err)
	}
	w.before = d.Load
	if err := w.beside(p, d.Groups); err != nil {
		return out, nil, err
	}
	w.Effects.into(&out.Load, &coat)
	out.Coat = &coat
	return out, &w, nil
}

// into tells a simulation what was done.
func (e Effects) into(pieces *load.Pieces, coat *load.Covering) {
	if e.SurfaceWaterG != nil {
		pieces.SurfaceWaterG, pieces.Surface = e.SurfaceWaterG, string(e.Surface)
	}
	if e.SpreadPct != nil {
		pieces.SpreadPct = e.SpreadPct
	}
	if e.SaltPct != nil {
		coat.SaltPct = *e.SaltPct
	}
	if e.OilG != nil {
		coat.OilG = *e.OilG
	}
	if e.Layers != nil {
		coat.Layers = e.Layers
	}
	coat.SugarPct = math.Min(load.Limits["coat.sugarPct"].Max, coat.SugarPct+e.SugarPct)
	if d := e.RestMin; d != nil {
		coat.RestMin = d
	}
	coat.Alkali = math.Min(load.Limits["coat.alkali"].Max, coat.Alkali+e.Alkali)
}

// cut makes the pieces of a load what they are cut into.
func (c *Cutting) cut(l *load.Pieces) error {
	if c == nil {
		return nil
	}
	if c.WholeG > 0 && c.Pieces > 0 {
		l.Pieces, l.PieceMassG = c.Pieces, c.WholeG/float64(c.Pieces)
	}
	if c.As == "" {
		return c.score(l)
	}
	n, g, err := Make(l.Cut, c.As, l.Pieces, l.PieceMassG)
	if err != nil {
		return err
	}
	// A ruler's thickness was that of the piece before.
	l.Cut, l.Pieces, l.PieceMassG, l.ThicknessMm = c.As, min(load.MaxPieces, n), math.Round(g*10)/10, nil
	return c.score(l)
}

// beside adds what the other kinds in the basket hold.
func (w *Worked) beside(p Pantry, groups []load.Group) error {
	for _, g := range groups {
		cut, err := food.FindCut(g.Load.Cut)
		if err != nil {
			continue // it is told of where it is looked up
		}
		w.Allergens = merge(w.Allergens, cut.Allergens())
		if g.Coat == nil {
			continue
		}
		coat, err := g.Coat.Find(p.Find)
		if err != nil {
			return err
		}
		w.Allergens = merge(w.Allergens, p.Allergens(coat))
	}
	return nil
}

// besides is the surface of other kinds, in 100 cm², and what is eaten of
// them, g.
func besides(groups []load.Group) (surface, edibleG float64) {
	for _, g := range groups {
		if cut, err := food.FindCut(g.Load.Cut); err == nil { // told of where it is looked up
			lot := LotOf(cut, g.Load.PieceMassG, value(g.Load.ThicknessMm), g.Load.Pieces)
			surface, edibleG = surface+lot.Surface(), edibleG+lot.EdibleG()
		}
	}
	return surface, edibleG
}

func value(p *float64) float64 {
	if p == nil {
		return 0
	}
	return *p
}

// score makes the pieces as thin as their cuts have them.
func (c *Cutting) score(l *load.Pieces) error {
	cut, err := food.FindCut(l.Cut)
	if err != nil || !c.Scored || !MayScore(cut) {
		return nil // an unknown cut is told of where it is looked up
	}
	thick := cut.Piece(l.PieceMassG, 0).Thickness * 1000
	if mm := l.ThicknessMm; mm != nil {
		thick = *mm
	}
	least, _ := cut.Thicknesses(l.PieceMassG)
	thick = math.Max(least, math.Round(thick*scoredThin*10)/10)
	l.ThicknessMm = &thick
	return nil
}
