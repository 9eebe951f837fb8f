package prep

import (
	"math"

	"velocrustum/core/food"
	"velocrustum/core/load"
	"velocrustum/core/refuse"
)

// A BenchDish is the lots as they were bought, the coats that were chosen, and
// what is done to them on the bench. What the basket gets follows from all
// three, each time anew, and is never written back.
type BenchDish struct {
	load.Dish
	// Bench is that of a dish of one lot; of several what comes after the
	// basket, for all of them.
	Bench *Bench
	// Benches are those of the lots, by their place; nil leaves a lot as it
	// was bought.
	Benches []*Bench
}

// bench is that of a lot. Of several lots the dish's own says only what comes
// after the basket.
func (d BenchDish) bench(lot int) *Bench {
	if len(d.Benches) > lot && d.Benches[lot] != nil {
		return d.Benches[lot]
	}
	if lot == 0 && len(d.Benches) == 0 {
		return d.Bench
	}
	return nil
}

// Ready returns a dish as it goes into the basket, and the bench of its first
// lot worked out, nil where there is none. The error is refuse.Fields, those of
// the bench under its name.
func (p Pantry) Ready(d BenchDish) (load.Dish, *Worked, error) {
	out := d.Dish
	out.Larder = p
	out.Request = out.InLots()
	for k := range out.Lots {
		if b := d.bench(k); b != nil {
			if err := refuse.Under("bench.", b.Check(p)); err != nil {
				return out, nil, err
			}
			if err := b.Cutting.cut(&out.Lots[k].Load); err != nil {
				return out, nil, refuse.Under("bench.", err)
			}
		}
	}
	if err := out.CheckPiece(); err != nil || d.bench(0) == nil {
		return out, nil, err
	}
	w, err := p.workLot(out.Request, 0, *d.bench(0))
	if err != nil {
		return out, nil, err
	}
	w.before = d.InLots().Lots[0].Load
	return out, w, nil
}

// workLot works the bench of a lot out, and tells the lot what was done.
func (p Pantry) workLot(q load.Request, k int, b Bench) (*Worked, error) {
	of := &q.Lots[k]
	coat := load.Covering{ID: food.Bare}
	if of.Coat != nil {
		coat = *of.Coat
	}
	what, err := coat.Find(p.Find)
	if err != nil {
		return nil, err
	}
	cut, err := food.FindCut(of.Load.Cut)
	if err != nil {
		return nil, err
	}
	lot := LotOf(cut, of.Load.PieceMassG, value(of.Load.ThicknessMm), of.Load.Pieces)
	lot.Wet = food.Surface(of.Load.Surface)
	lot.Beside, lot.BesideG = besides(q.Lots, k)
	w, err := p.Work(lot, what, coat.OilG, b, turnsOf(q.Program, k)...)
	if err != nil {
		return nil, refuse.Under("bench.", err)
	}
	if err := w.beside(p, q.Lots, k); err != nil {
		return nil, err
	}
	w.Effects.into(&of.Load, &coat)
	of.Coat = &coat
	return &w, nil
}

// turnsOf are the turns of a program that are for a lot.
func turnsOf(p load.Program, lot int) (out []load.Turn) {
	for _, t := range p.Turns {
		if t.For(lot) {
			out = append(out, t)
		}
	}
	return out
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

// beside adds what the other lots in the basket hold.
func (w *Worked) beside(p Pantry, lots []load.LotRequest, lot int) error {
	for k, g := range lots {
		if k == lot {
			continue
		}
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

// besides is the surface of the other lots, in 100 cm², and what is eaten of
// them, g.
func besides(lots []load.LotRequest, lot int) (surface, edibleG float64) {
	for k, g := range lots {
		if k == lot {
			continue
		}
		if cut, err := food.FindCut(g.Load.Cut); err == nil { // told of where it is looked up
			one := LotOf(cut, g.Load.PieceMassG, value(g.Load.ThicknessMm), g.Load.Pieces)
			surface, edibleG = surface+one.Surface(), edibleG+one.EdibleG()
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
