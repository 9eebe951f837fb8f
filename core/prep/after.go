package prep

import (
	"fmt"
	"math"
	"slices"

	"velocrustum/core/larder"
	"velocrustum/core/pan"
	"velocrustum/core/refuse"
)

// A Mix is dry seasoning for afterwards, by parts; a household keeps it in a
// jar.
type Mix struct {
	Name  string `json:"name"`
	Items []Item `json:"items"`
	// GPerKg goes on a kilogram of what is eaten; 12.
	GPerKg float64 `json:"gPerKg,omitempty"`
	// JarG is what there is of it, g; 0 is mixed for this dish alone.
	JarG float64 `json:"jarG,omitempty"`
}

// OwnMix is a mix that a household keeps.
type OwnMix struct {
	ID  string `json:"id"`
	Mix Mix    `json:"mix"`
}

// UsualMix is the dry seasoning on a kilogram of what is eaten, g.
const UsualMix = 12.0

// dustHolds is the dry seasoning that stays on a hot crust, g/100 cm² (±0.3);
// what is more falls off.
const dustHolds = 1.5

// MaxSauces and MaxMixes are how many a dish takes.
const (
	MaxSauces = 4
	MaxMixes  = 4
)

// MixMade is a mix weighed for a lot.
type MixMade struct {
	Items []Item  `json:"items"`
	G     float64 `json:"g"`
	SaltG float64 `json:"saltG"`
	// Evenings is how many more like this the jar lasts; nil without a jar,
	// below 0 where it does not last for this one.
	Evenings *int `json:"evenings"`
	// Falls is what does not stay on, g.
	FallsG float64 `json:"fallsG"`
}

// Check returns what is wrong with a mix as refuse.Fields, or nil.
func (m Mix) Check(p Pantry) error {
	var c refuse.Check
	if n := len([]rune(m.Name)); n < 1 || n > 60 {
		c.Add("name", fmt.Sprintf("%d characters", n), "1 to 60 characters")
	}
	if n := len(m.Items); n < 1 || n > maxItems {
		c.Add("items", fmt.Sprintf("%d ingredients", n), fmt.Sprintf("1 to %d", maxItems))
	}
	limited(&c, "gPerKg", "mixes.gPerKg", m.GPerKg)
	limited(&c, "jarG", "mixes.jarG", m.JarG)
	sum := 0.0
	for k, it := range m.Items {
		at := fmt.Sprintf("items[%d].", k)
		limited(&c, at+"g", "marinade.items.g", it.G)
		sum += it.G
		if i, err := p.Find(it.Ingredient); err != nil {
			c.Add(at+"ingredient", fmt.Sprintf("%q", it.Ingredient), "an ingredient of the pantry")
		} else if i.Water() > 40 {
			c.Add(at+"ingredient", fmt.Sprintf("%q", i.Name), "what is dry; what is wet makes a crust soft, and belongs into a sauce")
		}
	}
	if len(m.Items) > 0 && sum == 0 {
		c.Add("items.g", "0", "more than 0 g of something")
	}
	return c.Err()
}

// made weighs a mix for a lot.
func (m Mix) made(p Pantry, lot Lot) (out MixMade, t Totals) {
	sum := 0.0
	for _, it := range m.Items {
		sum += it.G
	}
	per := m.GPerKg
	if per == 0 {
		per = UsualMix
	}
	out.G = per * (lot.EdibleG() + lot.BesideG) / 1000
	out.FallsG = math.Max(0, out.G-dustHolds*(lot.Surface()+lot.Beside))
	for _, it := range m.Items {
		g := out.G * it.G / sum
		out.Items = append(out.Items, Item{Ingredient: it.Ingredient, G: g})
		t.Add(p[it.Ingredient], g)
	}
	t = t.Part((out.G - out.FallsG) / out.G)
	out.SaltG = t.SaltG
	if m.JarG > 0 {
		n := int(math.Floor(m.JarG/out.G+1e-9)) - 1
		out.Evenings = &n
	}
	return out, t
}

// checkAfter notes what is wrong with what comes after the basket.
func (b Bench) checkAfter(c *refuse.Check, p Pantry) {
	if n := len(b.Sauces); n > MaxSauces {
		c.Add("sauces", fmt.Sprintf("%d sauces", n), fmt.Sprintf("up to %d", MaxSauces))
	}
	if n := len(b.Mixes); n > MaxMixes {
		c.Add("mixes", fmt.Sprintf("%d mixes", n), fmt.Sprintf("up to %d", MaxMixes))
	}
	on := 0.0
	for i, s := range b.Sauces {
		w := s.Whole()
		if pan.WayOf(w.How).On() {
			on += w.Share
		}
		c.Part(fmt.Sprintf("sauces[%d].", i), s.Check(p.Find))
	}
	if on > 1.001 {
		c.Add("sauces", fmt.Sprintf("%.0f %% of the pieces", 100*on), "shares that come to all pieces at most; what is only dipped does not count")
	}
	for i, m := range b.Mixes {
		c.Part(fmt.Sprintf("mixes[%d].", i), m.Check(p))
	}
}

// after works out what comes after the basket: sauces, mixes, and what is put
// on by hand.
func (w *Worked) after(p Pantry) error {
	for _, it := range w.Bench.Finish {
		i, err := p.Find(it.Ingredient)
		if err != nil {
			return err
		}
		w.FinishG.Add(i, it.G)
		w.Allergens = merge(w.Allergens, i.Allergens)
	}
	// What is for all kinds in the basket is counted for those of the lot.
	own := w.Lot.EdibleG() / (w.Lot.EdibleG() + w.Lot.BesideG)
	alone := w.Lot
	alone.Beside, alone.BesideG = 0, 0
	for k, m := range w.mixes() {
		lot, share := w.Lot, own
		if k >= len(w.All.Mixes) {
			lot, share = alone, 1
		}
		made, t := m.made(p, lot)
		w.Mixes, w.FinishG = append(w.Mixes, made), w.FinishG.Plus(t.Part(share))
		for _, it := range m.Items {
			w.Allergens = merge(w.Allergens, p[it.Ingredient].Allergens)
		}
	}
	w.SaltFrom["finish"] = w.FinishG.SaltG
	w.later = w.FinishG
	for k, s := range w.Dressings() {
		plate := pan.SaucedFood{Surface: w.Lot.Surface(), Servings: w.Servings()}
		if k < len(w.All.Sauces) {
			plate.Surface += w.Lot.Beside
		}
		m, err := pan.Make(s, plate, p.Find)
		if err != nil {
			return err
		}
		eaten := m.Eaten.Part(w.Lot.Surface() / plate.Surface)
		w.Sauces, w.later = append(w.Sauces, m), w.later.Plus(eaten)
		w.SaltFrom["sauce"] += eaten.SaltG
		if m.GrainG > 0 {
			i, err := p.Find(s.Grain)
			if err != nil {
				return err
			}
			var t Totals
			t.Add(i, m.GrainG)
			w.later, w.Allergens = w.later.Plus(t.Part(w.Lot.Surface()/plate.Surface)), merge(w.Allergens, i.Allergens)
		}
		w.Allergens = merge(w.Allergens, m.Allergens)
	}
	return nil
}

// Servings is for how many it is.
func (w *Worked) Servings() int {
	if n := w.All.Servings; n > 0 {
		return n
	}
	return defaultServings
}

// mixes are those for all lots, then the lot's own; Dressings its sauces.
func (w *Worked) mixes() []Mix { return slices.Concat(w.All.Mixes, w.Bench.Mixes) }

// Dressings are the sauces that Sauces are made of: those for all lots, then
// the lot's own.
func (w *Worked) Dressings() []pan.Serving { return slices.Concat(w.All.Sauces, w.Bench.Sauces) }

// items adds all that is bought for a lot beside what is fried, by ingredient;
// with what is for all lots, or without.
func (w *Worked) items(out map[string]float64, withAll bool) {
	if !w.Lot.Bought { // else it comes in its coat
		for _, b := range w.Coated.Bowls {
			out[b.Ingredient] += w.Coated.boughtG(b)
		}
	}
	items := w.afterItems(withAll)
	if m := w.Bench.Marinade; m != nil {
		items = append(items, m.made(w.Lot.MassG()).Items...)
	}
	for _, it := range slices.Concat(items, w.brushed) {
		out[it.Ingredient] += it.G
	}
	if w.Coated.OilG > 0 {
		out["oil"] += w.Coated.OilG
	}
	salt := usualSalt
	if s := w.Bench.Salting; s != nil && s.Salt != "" {
		salt = s.Salt
	}
	if w.rubs() {
		out[salt] += w.RubG
	}
	if w.Brine != nil {
		out[salt] += w.Brine.SaltG
	}
}

// afterItems are all that is bought for afterwards, with what is for all lots or
// without.
func (w *Worked) afterItems(withAll bool) []Item {
	items := slices.Clone(w.Bench.Finish)
	for k, m := range w.Mixes {
		if withAll || k >= len(w.All.Mixes) {
			items = append(items, m.Items...)
		}
	}
	for k, m := range w.Sauces {
		if !withAll && k < len(w.All.Sauces) {
			continue
		}
		items = append(items, m.Items...)
		if m.StarchG > 0 {
			items = append(items, Item{Ingredient: w.Dressings()[k].Sauce.Whole().Starch, G: m.StarchG})
		}
		if m.GrainG > 0 {
			items = append(items, Item{Ingredient: w.Dressings()[k].Grain, G: m.GrainG})
		}
	}
	return items
}

// When something goes on that is put on by hand.
const (
	WhileHot = "hot"   // at once, on the fat that still glistens
	AtTable  = "table" // last, so that it stays fresh and crisp
)

// moment is when an ingredient goes on afterwards.
func moment(i Ingredient) string {
	switch {
	case i.Role == larder.Acidic, i.ID == "herbs", i.ID == "lemon-zest", i.Water() > 40, i.Form == larder.Crumb:
		return AtTable
	}
	return WhileHot
}
