package prep

import (
	"fmt"
	"math"
	"reflect"
	"slices"

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

// bench is that of a lot, nil where nothing is done to it, and what comes after
// the basket for all lots. Before there were lots, one bench said both.
func (d BenchDish) bench(lot int) (own *Bench, all Bench) {
	all = d.Bench.after()
	switch {
	case len(d.Benches) > lot:
		own = d.Benches[lot]
	case len(d.Benches) == 0 && lot == 0 && d.Bench != nil:
		b := d.Bench.before()
		own = &b
	}
	return own, all
}

// Ready returns a dish as it goes into the basket, and its benches worked out.
// The error is refuse.Fields, those of a bench under its name.
func (p Pantry) Ready(d BenchDish) (load.Dish, *WorkedDish, error) {
	out := d.Dish
	out.Larder = p
	out.Request = out.InLots()
	under := func(lot int) string {
		if len(d.Benches) > 0 {
			return fmt.Sprintf("lots[%d].bench.", lot)
		}
		return "bench."
	}
	if len(d.Benches) > 0 && d.Bench != nil {
		if err := refuse.Under("bench.", d.Bench.Check(p)); err != nil {
			return out, nil, err
		}
		if err := refuse.Under("bench.", d.Bench.onlyAfter()); err != nil {
			return out, nil, err
		}
	}
	bought := slices.Clone(out.Lots)
	for k := range out.Lots {
		own, all := d.bench(k)
		if own == nil {
			continue
		}
		b := *own
		if len(d.Benches) == 0 {
			b.Servings, b.Mixes, b.Sauces, b.Prices = all.Servings, all.Mixes, all.Sauces, all.Prices
		}
		if err := refuse.Under(under(k), b.Check(p)); err != nil {
			return out, nil, err
		}
		if err := own.Cutting.cut(&out.Lots[k].Load); err != nil {
			return out, nil, refuse.Under(under(k), err)
		}
	}
	if err := out.CheckPiece(); err != nil {
		return out, nil, err
	}
	w := &WorkedDish{}
	chosen := slices.Clone(out.Lots) // in the coats that were chosen
	for k := range out.Lots {
		own, all := d.bench(k)
		one, err := p.workLot(out.Request, k, own, all, d.sharedBowls(chosen, k))
		if name := load.LotNames(chosen)[k]; name != one.Lot.Called() {
			one.Lot.Name = name
		}
		if err != nil {
			return out, nil, refuse.Under(under(k), err)
		}
		one.before = bought[k].Load
		w.Lots = append(w.Lots, one)
	}
	return out, w, nil
}

// workLot works the bench of a lot out, and tells the lot what was done; where
// nothing is, it is as it was bought.
func (p Pantry) workLot(q load.Request, k int, own *Bench, all Bench, bowls SharedBowls) (*Worked, error) {
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
	cut = cut.After(food.State(of.Load.State).Before(of.Load.Inside == string(food.Cooked)))
	lot := LotOf(cut, of.Load.PieceMassG, value(of.Load.ThicknessMm), of.Load.Pieces)
	lot.Bought = of.Load.State != "" && of.Load.State != string(food.Raw)
	if q.Fryer != nil {
		lot.FridgeC = q.Fryer.FridgeC
	}
	if lot.Frozen = of.Load.StartC != nil && *of.Load.StartC <= food.FrozenUnderC; lot.Frozen && own != nil && own.Thaw {
		lot.Frozen, lot.ThawH = false, math.Ceil(lot.Piece.ThawHours(lot.fridge()))
		of.Load.StartC, of.Load.GlazePct, of.Load.Clump = nil, 0, 0
	}
	lot.Name, lot.Wet = of.Name, food.Surface(of.Load.Surface)
	lot.Beside, lot.BesideG = besides(q.Lots, k)
	lot.Bowls = bowls
	bench := Bench{}
	if own != nil {
		bench = *own
	}
	w, err := p.work(lot, what, coat.OilG, bench, all, brushedOn(q, k)...)
	if err != nil {
		return nil, err
	}
	if own != nil {
		w.Effects.into(&of.Load, &coat)
		of.Coat = &coat
	}
	return &w, nil
}

// brushedOn are the brushes of a program that are for a lot, with its share of
// each by what there is of it.
func brushedOn(q load.Request, lot int) (out []load.Turn) {
	surface := func(k int) float64 {
		l := q.Lots[k].Load
		cut, err := food.FindCut(l.Cut)
		if err != nil {
			return 0
		}
		return LotOf(cut, l.PieceMassG, value(l.ThicknessMm), l.Pieces).Surface()
	}
	for _, t := range q.Program.Turns {
		if t.Brush == nil || !t.For(lot) {
			continue
		}
		all := 0.0
		for k := range q.Lots {
			if t.For(k) {
				all += surface(k)
			}
		}
		b := *t.Brush
		if share := surface(lot) / all; share < 1 {
			b.G *= share
		}
		t.Brush = &b
		out = append(out, t)
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

// sharedBowls are the lots that go through the same bowls as the one at a place:
// of the same class of food, in the same coat, turned in it in the same way.
func (d BenchDish) sharedBowls(lots []load.LotRequest, at int) (out SharedBowls) {
	cut, err := food.FindCut(lots[at].Load.Cut)
	if err != nil {
		return out // told of where it is looked up
	}
	bowls := func(k int) any {
		coat, own := load.Covering{ID: food.Bare}, Bench{}
		if lots[k].Coat != nil {
			coat = *lots[k].Coat
		}
		if b, _ := d.bench(k); b != nil {
			own = *b
		}
		c := own.Coating
		return []any{coat.ID, coat.Layers, c.Bag, c.Starch, c.LargeEggs, c.Flour, c.Crumbs, c.Leavening}
	}
	mine, names := bowls(at), load.LotNames(lots)
	for k, l := range lots {
		of, err := food.FindCut(l.Load.Cut)
		if k == at || err != nil || of.Class != cut.Class || !reflect.DeepEqual(bowls(k), mine) {
			continue
		}
		one := LotOf(of, l.Load.PieceMassG, value(l.Load.ThicknessMm), l.Load.Pieces)
		out.Surface, out.Footprint = out.Surface+one.Surface(), math.Max(out.Footprint, one.Piece.Footprint())
		out.Names, out.Later = append(out.Names, names[k]), out.Later || k < at
	}
	return out
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
