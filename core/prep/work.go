package prep

import (
	"cmp"
	"maps"
	"math"
	"slices"

	"velocrustum/core/food"
	"velocrustum/core/larder"
	"velocrustum/core/load"
	"velocrustum/core/pan"
)

// Worked is the bench of one lot worked out: figures alone. Words makes them
// stations.
type Worked struct {
	Lot   Lot
	Bench Bench
	// All is what comes after the basket for all lots, of which the lot has
	// its share. Its mixes and sauces stand first in Mixes and Sauces, which
	// are made for all of them.
	All       Bench
	Effects   Effects
	Brine     *Brine // of a salting that is not dry
	Salted    *Salted
	Marinaded *Marinaded
	Coated    Coated
	FinishG   Totals // what is put on by hand, and mixes
	Mixes     []MixMade
	Sauces    []pan.Made
	KeptBackG Totals // seasoning kept from the marinade for the coat
	// SaltPct is all salt in the edible part, by source in g.
	SaltPct   float64
	SaltFrom  map[string]float64
	RubG      float64 // dry salt to put on
	Allergens []string
	brushed   []Item      // all that is brushed on
	added     Totals      // goes into the basket beside coat and flesh
	later     Totals      // comes after it
	before    load.Pieces // as it was bought, before the knife
}

// Effects are what the engine is told; nil is not for the bench to say.
type Effects struct {
	SurfaceWaterG *float64     // g/100 cm²
	Surface       food.Surface // what that is called
	SpreadPct     *float64     // of thickness
	SaltPct       *float64
	SugarPct      float64 // on top of what was said by hand
	Alkali        float64 // of pH, on top of the coat's
	OilG          *float64
	RestMin       *float64
	Layers        []food.CoatLayer // of the coat, where they are others than it names
}

// SurfaceWater is the free water on a surface, g/100 cm²; a rack in the fridge
// takes 0.2 an hour off a wiped one, the free water first.
func (d Drying) SurfaceWater() float64 {
	switch d.School {
	case "wet":
		return 10 * food.Wet.Water()
	case "rack":
		return math.Max(driest, 10*food.Wiped.Water()-rackTakes*d.Hours)
	}
	return 10 * food.Wiped.Water()
}

// surface is what a surface is called that was dried so.
func (d Drying) surface() food.Surface {
	switch d.School {
	case "wet":
		return food.Wet
	case "rack":
		return food.Racked
	}
	return food.Wiped
}

// dryingOf is how pieces were dried that nobody dries on the bench.
func dryingOf(wet food.Surface) Drying {
	switch wet {
	case food.Wet:
		return Drying{School: "wet"}
	case food.Racked:
		return Drying{School: "rack", Hours: rackedFor}
	}
	return Drying{School: "wipe"}
}

const (
	rackedFor = 2.0  // h, of a surface that is called racked
	rackTakes = 0.2  // g/100 cm²·h
	driest    = -1.2 // g/100 cm², of the outer layer
)

// Work works a bench out for a lot in a coat that has so much oil by the plan;
// what turns brush on counts with it.
// The error is refuse.Fields, or Salt's.
func (p Pantry) Work(lot Lot, coat food.Coat, plannedOilG float64, b Bench, turns ...load.Turn) (Worked, error) {
	return p.work(lot, coat, plannedOilG, b.before(), b.after(), turns...)
}

// work is Work with what is for all lots apart.
func (p Pantry) work(lot Lot, coat food.Coat, plannedOilG float64, b, all Bench, turns ...load.Turn) (Worked, error) {
	if err := b.Check(p); err != nil {
		return Worked{}, err
	}
	if err := all.Check(p); err != nil {
		return Worked{}, err
	}
	w := Worked{Lot: lot, Bench: b, All: all, SaltFrom: map[string]float64{}, Allergens: lot.Cut.Allergens()}
	var err error
	if w.Coated, err = p.Coat(lot, coat, b.Coating, plannedOilG); err != nil {
		return w, err
	}
	if err := w.after(p); err != nil {
		return w, err
	}
	brushed, err := w.brush(p, turns)
	if err != nil {
		return w, err
	}
	w.SaltFrom["coat"] = w.Coated.Kept.SaltG
	if brushed.MassG > 0 {
		w.SaltFrom["brush"] = brushed.SaltG
	}
	w.added = brushed
	clings := 0.0 // g of fat
	if b.Marinade != nil && len(b.Marinade.Items) > 0 {
		if clings, err = w.marinate(p, b.Marinade.made(lot.MassG())); err != nil {
			return w, err
		}
	}
	if b.Salting != nil {
		if err := w.salt(p, *b.Salting); err != nil {
			return w, err
		}
	}
	for _, bowl := range w.Coated.Bowls {
		w.Allergens = merge(w.Allergens, p[bowl.Ingredient].Allergens)
	}
	w.SaltPct = 100 * summed(w.SaltFrom) / lot.EdibleG()
	w.effects(p, clings)
	return w, nil
}

// brush adds up what turns brush on.
func (w *Worked) brush(p Pantry, turns []load.Turn) (all Totals, err error) {
	for _, t := range turns {
		if t.Brush == nil {
			continue
		}
		sum := 0.0
		for _, m := range t.Brush.Parts {
			sum += m.Share
		}
		for _, m := range t.Brush.Parts {
			i, err := p.Find(m.Ingredient)
			if err != nil {
				return all, err
			}
			g := t.Brush.G * m.Share / sum
			all.Add(i, g)
			w.brushed = append(w.brushed, Item{Ingredient: i.ID, G: g})
			w.Allergens = merge(w.Allergens, i.Allergens)
		}
	}
	return all, nil
}

// effects gathers what the engine is told.
func (w *Worked) effects(p Pantry, clingsG float64) {
	e, b := &w.Effects, &w.Bench
	if b.Drying.School != "" {
		g := b.Drying.SurfaceWater()
		e.SurfaceWaterG, e.Surface = &g, b.Drying.surface()
	}
	if b.Cutting != nil && b.Cutting.SpreadPct > 0 {
		e.SpreadPct = &b.Cutting.SpreadPct
	}
	if b.Salting != nil || b.Marinade != nil {
		pct := math.Min(load.Limits["coat.saltPct"].Max, 100*(w.SaltFrom["salt"]+w.SaltFrom["marinade"])/w.Lot.EdibleG())
		e.SaltPct = &pct
	}
	if m := w.Marinaded; m != nil {
		// Sugar of what clings, in it and the first millimetre of flesh.
		film := m.TakenG / 10 / w.Lot.Surface()
		e.SugarPct = math.Min(load.Limits["coat.sugarPct"].Max, m.SurfaceSugarPct*film/(film+1))
		w.film(p)
	}
	e.RestMin = b.Coating.RestMin
	if w.Coated.changed || e.Layers != nil {
		e.Layers = append(e.Layers, w.Coated.Coat.Layers...)
	}
	if b.Coating.Oil != "" {
		g := math.Round(math.Min(load.Limits["coat.oilG"].Max, w.Coated.OilG+clingsG)*10) / 10
		e.OilG = &g
	}
}

// starchyFilm is the share of powder from which a marinade leaves a layer.
const starchyFilm = 0.03

// film tells what of a marinade reaches the surface beside its sugar: the
// alkali of its leavening, and starch, which with what clings is a layer
// under the coat.
func (w *Worked) film(p Pantry) {
	layer := food.CoatLayer{Sticks: math.Max(food.SticksLimit.Min, math.Min(food.SticksLimit.Max, w.Marinaded.TakenG/w.Lot.Surface()))}
	all, powder, raising := 0.0, 0.0, 0.0
	for _, it := range w.Bench.Marinade.Items {
		i := p[it.Ingredient]
		all += it.G
		switch {
		case i.Form == larder.Powder:
			powder += it.G
		case i.ID == "soda":
			raising += 3 * it.G
		case i.Role == larder.Raising:
			raising += it.G
		}
		if it.G > 0 {
			layer.Parts = append(layer.Parts, food.Mixed{Ingredient: it.Ingredient, Share: it.G})
		}
	}
	if all == 0 {
		return
	}
	// What 2.5 g of baking powder do to a kilogram of bare skin, in what clings.
	w.Effects.Alkali = rubAlkali * raising / all * w.Marinaded.TakenG / (w.Lot.MassG() / 1000) / rubLeavening
	if powder/all < starchyFilm {
		return
	}
	slices.SortFunc(layer.Parts, func(a, b food.Mixed) int { return cmp.Compare(b.Share, a.Share) })
	layer.Parts = layer.Parts[:min(len(layer.Parts), food.MaxParts)]
	sum := 0.0
	for _, m := range layer.Parts {
		sum += m.Share
	}
	for k := range layer.Parts {
		layer.Parts[k].Share = math.Max(0.01, layer.Parts[k].Share/sum)
	}
	w.Effects.Layers = []food.CoatLayer{layer}
}

// marinate lays the lot into a marinade and returns the fat that clings, g.
func (w *Worked) marinate(p Pantry, m Marinade) (float64, error) {
	items, kept := p.split(m.Items, m.CoatShare)
	if kept.MassG > 0 {
		w.KeptBackG = kept
		w.SaltFrom["coat"] += kept.SaltG
		w.Coated.Kept = w.Coated.Kept.Plus(kept)
		w.Coated.StuckG += kept.MassG
	}
	got, err := p.Marinate(w.Lot, items, m.Hours, w.Lot.fridge())
	if err != nil {
		return 0, err
	}
	w.Marinaded = &got
	w.Allergens = merge(w.Allergens, got.Allergens)
	all := got.PerKg.Part(w.Lot.MassG() / 1000)
	clings := all.Part(got.TakenG / all.MassG)
	w.SaltFrom["marinade"] = math.Min(all.SaltG, got.Salted.TakenG+clings.SaltG)
	clings.SaltG = 0 // counted above
	w.added = w.added.Plus(clings)
	return clings.FatG, nil
}

// A Brine is the liquid of a brine or a soak, and the salt put into it.
type Brine struct {
	Liquid string // its name
	Ml     float64
	SaltG  float64
}

// usualSalt is taken where none is named.
const usualSalt = "salt-fine"

// salt works a salting out: dry salt makes up what the other sources leave.
func (w *Worked) salt(p Pantry, c Salting) error {
	bath := Bath{TempC: w.Lot.fridge(), Hours: c.Hours, Even: c.Even}
	if c.School == "dry" {
		w.RubG = math.Max(0, c.TargetPct/100*w.Lot.EdibleG()-summed(w.SaltFrom))
		bath.SaltG = w.RubG
	} else {
		liquid := p["water"]
		if c.School == "soak" && c.Liquid != "" {
			var err error
			if liquid, err = p.Find(c.Liquid); err != nil {
				return err
			}
		}
		put := c.WaterG * c.StrengthPct / 100
		bath.SaltG = put + c.WaterG*liquid.Salt/100
		bath.WaterG = c.WaterG * liquid.Water() / 100
		w.Brine = &Brine{liquid.Name, c.WaterG / liquid.Density, put}
		w.Allergens = merge(w.Allergens, liquid.Allergens)
	}
	if bath.SaltG < tooLittle*w.Lot.MassG()/1000 {
		return nil
	}
	got, err := Salt(w.Lot, bath)
	if err != nil {
		return err
	}
	w.Salted = &got
	w.SaltFrom["salt"] = got.TakenG
	if c.School == "dry" {
		w.SaltFrom["salt"] = w.RubG // what is not in yet lies on it
	}
	return nil
}

// tooLittle is salt that is none, g of a kilogram of food; under tooLittleG it is
// not told in grams.
const tooLittle, tooLittleG = 0.1, 0.05

// rubs says whether there is dry salt to put on.
func (w *Worked) rubs() bool { return w.RubG >= tooLittle*w.Lot.MassG()/1000 }

// Serve returns a serving of the worked bench of a lot, and the same deep-fried.
func (w *Worked) Serve(servings int, kept Losses) (here, deep Plate) {
	added := w.added
	added.SaltG += w.SaltFrom["salt"] + w.SaltFrom["marinade"]
	return Serve(w.Lot, w.Coated, added, w.later, float64(max(1, servings)), kept)
}

// summed is the sum of a map's figures, in the order of its keys: the same each
// time to the last digit.
func summed(by map[string]float64) (sum float64) {
	for _, key := range slices.Sorted(maps.Keys(by)) {
		sum += by[key]
	}
	return sum
}
