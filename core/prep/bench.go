package prep

import (
	"fmt"

	"velocrustum/core/load"
	"velocrustum/core/pan"
	"velocrustum/core/refuse"
)

// A Bench is what a cook does before the basket, by choices. What is nil or
// empty is not done.
type Bench struct {
	Servings int `json:"servings,omitempty"` // 2
	// Thaw says that what is frozen is thawed in the fridge first.
	Thaw     bool      `json:"thaw,omitempty"`
	Cutting  *Cutting  `json:"cutting,omitempty"`
	Drying   Drying    `json:"drying"`
	Salting  *Salting  `json:"salting,omitempty"`
	Marinade *Marinade `json:"marinade,omitempty"`
	Coating  Coating   `json:"coating"`
	// Finish is put on by hand afterwards: salt, seeds, herbs, citrus; Mixes
	// are dry seasoning from a jar, and Sauces come from the pan.
	Finish []Item        `json:"finish,omitempty"`
	Mixes  []Mix         `json:"mixes,omitempty"`
	Sauces []pan.Serving `json:"sauces,omitempty"`
	Prices *Prices       `json:"prices,omitempty"`
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

// maxItems is how many ingredients a marinade, a finish or a mix has at most.
const maxItems = 24

// Limits are what the figures of a bench may be.
var Limits = refuse.Limits{
	"servings":            {Min: 1, Max: 40, Step: 1, Unit: "servings"},
	"drying.hours":        {Min: 0, Max: 48, Step: 0.5, Unit: "hours"},
	"coating.passes":      {Min: 1, Max: 6, Step: 1, Unit: "passes"},
	"coating.restMin":     {Min: 0, Max: 120, Step: 1, Unit: "minutes"},
	"coating.starch":      {Min: 0, Max: 0.5, Step: 0.05, Unit: "of the flour"},
	"cutting.wholeG":      {Min: 0, Max: 20000, Step: 10, Unit: "g"},
	"cutting.spreadPct":   {Min: 0, Max: 40, Step: 1, Unit: "percent"},
	"cutting.sliceMm":     {Min: 0, Max: 120, Step: 1, Unit: "mm"},
	"cutting.pieces":      {Min: 0, Max: load.MaxPieces, Step: 1, Unit: "pieces"},
	"prices.meatPerKg":    {Min: 0, Max: 10000, Step: 0.5, Unit: "for 1 kg"},
	"prices.perKWh":       {Min: 0, Max: 1000, Step: 0.1, Unit: "for 1 kWh"},
	"salting.hours":       {Min: 0, Max: 96, Step: 0.5, Unit: "hours"},
	"salting.targetPct":   {Min: 0, Max: 3, Step: 0.05, Unit: "percent"},
	"salting.even":        {Min: 0, Max: 0.95, Step: 0.05, Unit: "of the mean"},
	"salting.waterG":      {Min: 0, Max: 20000, Step: 100, Unit: "g"},
	"salting.strengthPct": {Min: 0, Max: 26, Step: 0.5, Unit: "percent of the water"},
	"marinade.hours":      {Min: 0, Max: 96, Step: 0.25, Unit: "hours"},
	"marinade.coatShare":  {Min: 0, Max: 1, Step: 0.1, Unit: "of the dry seasoning"},
	"marinade.forG":       {Min: 0, Max: 20000, Step: 10, Unit: "g"},
	"mixes.gPerKg":        {Min: 0, Max: 60, Step: 1, Unit: "g for 1 kg"},
	"mixes.jarG":          {Min: 0, Max: 5000, Step: 5, Unit: "g"},
	"marinade.items.g":    {Min: 0, Max: 20000, Step: 1, Unit: "g"},
}

// Usual is what a step begins with when it is put on the bench.
var Usual = Bench{
	Servings: defaultServings,
	Cutting:  &Cutting{SpreadPct: 8},
	Drying:   Drying{School: "wipe"},
	Salting:  &Salting{School: "dry", Salt: usualSalt, TargetPct: UsualSalt, Hours: 2, Even: halfWay},
	Marinade: &Marinade{Items: []Item{}, Hours: 2},
	Coating:  Coating{Passes: 1},
}

// What another school of drying and salting begins with.
var (
	UsualRack  = Drying{School: "rack", Hours: rackedFor}
	UsualBrine = Salting{School: "brine", WaterG: 1000, StrengthPct: 5}
	UsualSoak  = Salting{School: "soak", WaterG: 1000, StrengthPct: 1, Liquid: "buttermilk"}
)

// A Level is a figure by what a cook calls it.
type Level struct {
	Name  string  `json:"name"`
	Value float64 `json:"value"`
}

// Levels of salt in the edible part, percent; of how much of the mean the
// middle is to have; of how far the pieces differ, percent.
var (
	SaltLevels   = []Level{{"Mild", MildSalt}, {"Usual", UsualSalt}, {"Bold", BoldSalt}}
	EvenLevels   = []Level{{"A little", 0.2}, {"Half", halfWay}, {"Nearly all", 0.8}}
	SpreadLevels = []Level{{"Very even", 4}, {"By a careful hand", 8}, {"As they come", 16}}
)

// Check returns what is wrong as refuse.Fields, or nil.
func (b Bench) Check(p Pantry) error {
	var c refuse.Check
	if b.Servings != 0 {
		c.In(Limits, "servings", float64(b.Servings))
	}
	c.Among("drying.school", b.Drying.School, "", "wipe", "rack", "rinse", "wet")
	c.In(Limits, "drying.hours", b.Drying.Hours)
	c.Among("coating.oil", b.Coating.Oil, "", "none", "mist", "brush", "toss")
	if b.Coating.Passes != 0 {
		c.In(Limits, "coating.passes", float64(b.Coating.Passes))
	}
	c.In(Limits, "coating.starch", b.Coating.Starch)
	if m := b.Coating.RestMin; m != nil {
		c.In(Limits, "coating.restMin", *m)
	}
	c.Among("coating.where", b.Coating.Where, "", "all", "up")
	c.Among("coating.flour", b.Coating.Flour, append(ids(Flours), "")...)
	c.Among("coating.crumbs", b.Coating.Crumbs, append(ids(Crumbs), "")...)
	if cut := b.Cutting; cut != nil {
		c.In(Limits, "cutting.wholeG", cut.WholeG)
		c.In(Limits, "cutting.spreadPct", cut.SpreadPct)
		c.In(Limits, "cutting.sliceMm", cut.SliceMm)
		c.In(Limits, "cutting.pieces", float64(cut.Pieces))
	}
	if by := b.Prices; by != nil {
		c.In(Limits, "prices.meatPerKg", by.MeatPerKg)
		c.In(Limits, "prices.perKWh", by.PerKWh)
	}
	if s := b.Salting; s != nil {
		c.Among("salting.school", s.School, "dry", "brine", "soak")
		c.Among("salting.liquid", s.Liquid, "", "water", "milk", "buttermilk")
		c.In(Limits, "salting.hours", s.Hours)
		c.In(Limits, "salting.targetPct", s.TargetPct)
		c.In(Limits, "salting.even", s.Even)
		c.In(Limits, "salting.waterG", s.WaterG)
		c.In(Limits, "salting.strengthPct", s.StrengthPct)
		if (s.School == "brine" || s.School == "soak") && s.WaterG == 0 {
			c.Add("salting.waterG", "0", "the liquid of the "+s.School+", in g")
		}
		if s.Salt != "" {
			if i, err := p.Find(s.Salt); err != nil || !i.IsSalt() {
				c.Add("salting.salt", fmt.Sprintf("%q", s.Salt), "a salt of the pantry")
			}
		}
	}
	checkItems(&c, p, "finish", b.Finish)
	if m := b.Marinade; m != nil {
		c.In(Limits, "marinade.hours", m.Hours)
		c.In(Limits, "marinade.coatShare", m.CoatShare)
		c.In(Limits, "marinade.forG", m.ForG)
		checkItems(&c, p, "marinade.items", m.Items)
	}
	b.checkAfter(&c, p)
	return c.Err()
}

// limited holds a field to the limit of another name.
func limited(c *refuse.Check, field, of string, v float64) {
	r := Limits[of]
	c.Within(field, v, r.Min, r.Max, r.Unit)
}

func checkItems(c *refuse.Check, p Pantry, field string, items []Item) {
	if len(items) > maxItems {
		c.Add(field, fmt.Sprintf("%d ingredients", len(items)), fmt.Sprintf("up to %d", maxItems))
	}
	for k, it := range items {
		at := fmt.Sprintf("%s[%d].", field, k)
		limited(c, at+"g", "marinade.items.g", it.G)
		if _, err := p.Find(it.Ingredient); err != nil {
			c.Add(at+"ingredient", fmt.Sprintf("%q", it.Ingredient), "an ingredient of the pantry")
		}
	}
}
