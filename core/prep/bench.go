package prep

import (
	"fmt"
	"slices"

	"velocrustum/core/refuse"
)

// A Bench is what a cook does before the basket, by choices. What is nil or
// empty is not done.
type Bench struct {
	Servings int       `json:"servings,omitempty"` // 2
	Cutting  *Cutting  `json:"cutting,omitempty"`
	Drying   Drying    `json:"drying"`
	Salting  *Salting  `json:"salting,omitempty"`
	Marinade *Marinade `json:"marinade,omitempty"`
	Coating  Coating   `json:"coating"`
	Finish   []Item    `json:"finish,omitempty"` // sauce and seasoning afterwards
	Prices   *Prices   `json:"prices,omitempty"`
}

// Prices are the cook's own, in one currency.
type Prices struct {
	MeatPerKg float64 `json:"meatPerKg,omitempty"`
	PerKWh    float64 `json:"perKWh,omitempty"`
}

// Drying is how the surface is dried. Schools: wipe, rack, rinse (and wiped),
// wet.
type Drying struct {
	School string  `json:"school,omitempty"`
	Hours  float64 `json:"hours,omitempty"` // on the rack
}

// Salting is dry salt, a wet brine, or a soak in a liquid with little salt.
type Salting struct {
	School string `json:"school"` // dry, brine, soak
	Salt   string `json:"salt,omitempty"`
	// TargetPct is the salt wanted in the edible part, with all sources.
	TargetPct float64 `json:"targetPct,omitempty"`
	Hours     float64 `json:"hours"`
	// WaterG and StrengthPct are those of a brine or a soak.
	WaterG      float64 `json:"waterG,omitempty"`
	StrengthPct float64 `json:"strengthPct,omitempty"`
	// Liquid of a soak: water, or milk or buttermilk with their own salt.
	Liquid string `json:"liquid,omitempty"`
	// Even is the share of the mean that the middle is to have, 0.5.
	Even float64 `json:"even,omitempty"`
}

// Marinade is a mixture and its time.
type Marinade struct {
	Items []Item  `json:"items"`
	Hours float64 `json:"hours"`
	// CoatShare of the dry seasoning is kept back for the coat, so that each
	// layer is seasoned.
	CoatShare float64 `json:"coatShare,omitempty"`
	// ForG is the weight of meat that the amounts are for.
	ForG float64 `json:"forG,omitempty"`
}

// Limits of a bench.
const (
	MaxHours = 96.0
	MaxItems = 24
	MaxItemG = 20000.0
)

// Check returns what is wrong as refuse.Fields, or nil.
func (b Bench) Check(p Pantry) error {
	var c refuse.Check
	c.Within("servings", float64(b.Servings), 0, 40, "servings")
	c.Among("drying.school", b.Drying.School, "", "wipe", "rack", "rinse", "wet")
	c.Within("drying.hours", b.Drying.Hours, 0, 48, "hours")
	c.Among("coating.oil", b.Coating.Oil, "", "none", "mist", "brush", "toss")
	c.Within("coating.passes", float64(b.Coating.Passes), 0, 6, "passes")
	c.Within("coating.starch", b.Coating.Starch, 0, 0.5, "of the flour")
	c.Among("coating.where", b.Coating.Where, "", "all", "up")
	c.Among("coating.flour", b.Coating.Flour, "", "wheat-flour", "rice-flour", "chickpea-flour")
	c.Among("coating.crumbs", b.Coating.Crumbs, "", "crumbs", "rice-crumbs")
	if cut := b.Cutting; cut != nil {
		c.Within("cutting.wholeG", cut.WholeG, 0, MaxItemG, "g")
		c.Within("cutting.spreadPct", cut.SpreadPct, 0, 40, "percent")
		c.Within("cutting.sliceMm", cut.SliceMm, 0, 120, "mm")
		c.Within("cutting.pieces", float64(cut.Pieces), 0, 120, "pieces")
	}
	if by := b.Prices; by != nil {
		c.Within("prices.meatPerKg", by.MeatPerKg, 0, 10000, "for 1 kg")
		c.Within("prices.perKWh", by.PerKWh, 0, 1000, "for 1 kWh")
	}
	if s := b.Salting; s != nil {
		c.Among("salting.school", s.School, "dry", "brine", "soak")
		c.Among("salting.liquid", s.Liquid, "", "water", "milk", "buttermilk")
		c.Within("salting.hours", s.Hours, 0, MaxHours, "hours")
		c.Within("salting.targetPct", s.TargetPct, 0, 3, "percent")
		c.Within("salting.even", s.Even, 0, 0.95, "of the mean")
		c.Within("salting.waterG", s.WaterG, 0, MaxItemG, "g")
		c.Within("salting.strengthPct", s.StrengthPct, 0, 26, "percent of the water")
		if s.School != "dry" && s.WaterG == 0 {
			c.Add("salting.waterG", "0", "the liquid of the "+s.School+", in g")
		}
		if s.Salt != "" {
			if i, err := p.Find(s.Salt); err != nil || !i.isSalt() {
				c.Add("salting.salt", fmt.Sprintf("%q", s.Salt), "a salt of the pantry")
			}
		}
	}
	items := slices.Clone(b.Finish)
	if m := b.Marinade; m != nil {
		c.Within("marinade.hours", m.Hours, 0, MaxHours, "hours")
		c.Within("marinade.coatShare", m.CoatShare, 0, 1, "of the dry seasoning")
		c.Within("marinade.forG", m.ForG, 0, MaxItemG, "g")
		items = append(items, m.Items...)
	}
	if len(items) > MaxItems {
		c.Add("marinade.items", fmt.Sprintf("%d ingredients", len(items)), fmt.Sprintf("up to %d", MaxItems))
	}
	for _, it := range items {
		c.Within("marinade.items.g", it.G, 0, MaxItemG, "g")
		if _, err := p.Find(it.Ingredient); err != nil {
			c.Add("marinade.items.ingredient", fmt.Sprintf("%q", it.Ingredient), "an ingredient of the pantry")
		}
	}
	return c.Err()
}
