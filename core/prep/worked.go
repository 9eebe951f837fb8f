package prep

import (
	"slices"
	"strings"

	"velocrustum/core/pan"
)

// A WorkedDish is the benches of all lots of a dish worked out, in their order.
type WorkedDish struct{ Lots []*Worked }

// Servings is for how many the dish is.
func (d *WorkedDish) Servings() int { return d.Lots[0].Servings() }

// MassG is what all lots weigh raw, g.
func (d *WorkedDish) MassG() (g float64) {
	for _, w := range d.Lots {
		g += w.Lot.MassG()
	}
	return g
}

// Allergens are those of any lot.
func (d *WorkedDish) Allergens() []string {
	out := []string{}
	for _, w := range d.Lots {
		out = merge(out, w.Allergens)
	}
	return out
}

// SaltPct is all salt in the edible part of all lots, percent.
func (d *WorkedDish) SaltPct() float64 {
	salt, edible := 0.0, 0.0
	for _, w := range d.Lots {
		salt, edible = salt+w.SaltPct/100*w.Lot.EdibleG(), edible+w.Lot.EdibleG()
	}
	return 100 * salt / edible
}

// SaltFrom is where it comes from, g.
func (d *WorkedDish) SaltFrom() map[string]float64 {
	out := map[string]float64{}
	for _, w := range d.Lots {
		for from, g := range w.SaltFrom {
			out[from] += g
		}
	}
	return out
}

// Items are all that is bought for a dish beside what is fried, by ingredient.
// What is for all lots counts once.
func (d *WorkedDish) Items() map[string]float64 {
	out := map[string]float64{}
	for k, w := range d.Lots {
		w.items(out, k == 0)
	}
	return out
}

// Cost adds up what a dish costs by the household's prices, energy included,
// and says whether any price was known.
func (d *WorkedDish) Cost(p Pantry, energyWh float64) (cost float64, known bool) {
	add := func(g, perKg float64) {
		cost += g / 1000 * perKg
		known = known || perKg > 0
	}
	for k, w := range d.Lots {
		if !w.Lot.Bought {
			for _, bowl := range w.Coated.Bowls {
				add(w.Coated.boughtG(bowl), p[bowl.Ingredient].Price)
			}
		}
		add(w.Coated.OilG, p["oil"].Price)
		items := w.afterItems(k == 0)
		if m := w.Bench.Marinade; m != nil {
			items = append(items, m.made(w.Lot.MassG()).Items...)
		}
		for _, it := range slices.Concat(items, w.brushed) {
			add(it.G, p[it.Ingredient].Price)
		}
	}
	if prices := d.Lots[0].All.Prices; prices != nil {
		add(d.MassG(), prices.MeatPerKg)
		add(energyWh, prices.PerKWh)
	}
	return cost, known
}

// A Dressed sauce is one that was made, and what it is made of.
type Dressed struct {
	pan.Serving
	Made pan.Made
	// Of is the lot that it is for; nil is for all of them.
	Of *int
}

// Sauces are those of a dish: those for all lots, then those of each.
func (d *WorkedDish) Sauces() (out []Dressed) {
	for k, w := range d.Lots {
		for i, s := range w.Dressings() {
			switch all := i < len(w.All.Sauces); {
			case all && k == 0:
				out = append(out, Dressed{s, w.Sauces[i], nil})
			case !all:
				out = append(out, Dressed{s, w.Sauces[i], &k})
			}
		}
	}
	return out
}

// MixesForAll are the dry finishes that are for all lots; those of a lot are on
// its own bench.
func (d *WorkedDish) MixesForAll() []Mix { return d.Lots[0].All.Mixes }

// Called is what the food of a dish is called: the plurals of its cuts.
func (d *WorkedDish) Called() string {
	var names []string
	for _, w := range d.Lots {
		if !slices.Contains(names, w.Lot.Cut.Plural) {
			names = append(names, w.Lot.Cut.Plural)
		}
	}
	return strings.Join(names, " and ")
}

// Mixes are the dry finishes of a dish: those for all lots, then those of each.
func (d *WorkedDish) Mixes() (out []MixMade) {
	for k, w := range d.Lots {
		for i, m := range w.Mixes {
			if all := i < len(w.All.Mixes); !all || k == 0 {
				out = append(out, m)
			}
		}
	}
	return out
}

// Serve returns a serving of all lots, and the same deep-fried; kept is what the
// cook did to each.
func (d *WorkedDish) Serve(kept []Losses) (here, deep Plate) {
	for k, w := range d.Lots {
		h, f := w.Serve(d.Servings(), kept[k])
		here, deep = here.plus(h), deep.plus(f)
	}
	return here, deep
}

func (p Plate) plus(o Plate) Plate {
	return Plate{p.MassG + o.MassG, p.Kcal + o.Kcal, p.CarbG + o.CarbG, p.FatG + o.FatG, p.ProteinG + o.ProteinG, p.SaltG + o.SaltG}
}
