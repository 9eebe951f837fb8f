package prep

import (
	"fmt"
	"math"
	"slices"

	"velocrustum/core/larder"
	"velocrustum/core/safety"
	"velocrustum/core/units"
)

// An Item is one ingredient of a recipe with its amount in g, and Totals what
// a mixture holds.
type (
	Item   = larder.Item
	Totals = larder.Totals
)

// Grams reads an amount of an ingredient as people write it, and says what was
// taken for what leaves it open.
func (p Pantry) Grams(id, text string, say units.Household) (g float64, took string, err error) {
	i, err := p.Find(id)
	if err != nil {
		return 0, "", err
	}
	a, err := units.ParseAmount(text, say.Spoons, i.Counts()...)
	if err != nil {
		return 0, "", err
	}
	switch a.Dimension {
	case units.Volume:
		return a.Value * i.Density, a.Took, nil
	case units.Pieces:
		if i.Each == 0 {
			return 0, "", fmt.Errorf("%q: %s is not counted in pieces; allowed: a weight or a volume, like \"20 g\" or \"1 tbsp\"", text, i.Name)
		}
		if a.Took == "" {
			a.Took = "one as " + say.Grams(i.Each)
		}
		return a.Value * i.Each, a.Took, nil
	}
	return a.Value, a.Took, nil
}

// A Reach is how long a marinade is worth it.
type Reach struct {
	Kind string `json:"kind"` // what in it sets the limit
	// Least is worth the trouble, Best and Most the limits, hours.
	Least float64 `json:"least"`
	Best  float64 `json:"best"`
	Most  float64 `json:"most"`
	// Past says what goes wrong after Most.
	Past string `json:"past"`
}

// reach finds the limit by what is strongest in the mixture, for poultry and
// meat, or for fish and shellfish. Middle of what cooks and extension
// services give, ±30 %.
func reach(t Totals, roles map[larder.Role]float64, class safety.Class) Reach {
	fish := class == safety.Fish
	share := func(g float64) float64 { return g / math.Max(t.MassG, 1e-9) }
	var r Reach
	switch {
	case share(roles[larder.Enzyme]) > 0.03:
		r = Reach{"fresh enzymes", 0.25, 0.5, 0.67, "mushy: the enzymes go on eating the surface"}
	case share(t.AcidG) > 0.02: // below about pH 4.5
		r = Reach{"strong acid", 0.5, 3, 6, "chalky outside: the acid has cooked it"}
		if fish {
			r.Least, r.Best, r.Most = 0.2, 0.3, 0.5
		}
	case share(roles[larder.Milky]) > 0.3:
		r = Reach{"dairy", 2, 8, 24, "soft to mushy outside"}
	case share(t.SaltG) > 0.02:
		r = Reach{"salt", 0.5, 4, 24, "ham-like: firm and salty"}
	default:
		r = Reach{"spices and oil", 0.5, 2, 24, "no worse, and no better"}
	}
	if fish && r.Most > 1 && t.SaltG > 0 {
		r.Least, r.Best, r.Most, r.Past = 0.2, 0.5, 1, "firm and salty, as if cured"
	}
	return r
}

// split keeps a share of the dry seasoning, salts and spices without water,
// back for the coat.
func (p Pantry) split(items []Item, share float64) (rest []Item, kept Totals) {
	for _, it := range items {
		if i := p[it.Ingredient]; share > 0 && (i.IsSalt() || i.Role == larder.Spice && !i.Thick) {
			kept.Add(i, it.G*share)
			it.G *= 1 - share
		}
		rest = append(rest, it)
	}
	return rest, kept
}

// made returns the marinade for so much meat.
func (m Marinade) made(massG float64) Marinade {
	if m.ForG > 0 && m.ForG != massG {
		m.Items = slices.Clone(m.Items)
		for i := range m.Items {
			m.Items[i].G *= massG / m.ForG
		}
		m.ForG = massG
	}
	return m
}

// For returns the marinade for so much meat in amounts to be weighed, or nil
// if it is for that already.
func (m Marinade) For(massG float64) *Marinade {
	if m.ForG == 0 || m.ForG == massG {
		return nil
	}
	out := m.made(massG)
	for i := range out.Items {
		out.Items[i].G = math.Round(out.Items[i].G*10) / 10
	}
	return &out
}

// A Marinaded is what a marinade does.
type Marinaded struct {
	// Per kilogram of meat: all that is in the bowl.
	PerKg Totals  `json:"perKg"`
	Reach Reach   `json:"reach"`
	Hours float64 `json:"hours"`
	// TakenG goes along with the pieces into the basket.
	TakenG float64 `json:"takenG"`
	Salted Salted  `json:"salted"`
	// SurfaceSugarPct is the sugar in what clings.
	SurfaceSugarPct float64  `json:"surfaceSugarPct"`
	Allergens       []string `json:"allergens"`
}

// Marinate lays the pieces of a lot into a mixture for some hours at a
// temperature.
func (p Pantry) Marinate(lot Lot, items []Item, hours, tempC float64) (Marinaded, error) {
	var t Totals
	roles := map[larder.Role]float64{}
	thick := 0.0
	out := Marinaded{Hours: hours, Allergens: []string{}}
	for _, it := range items {
		i, err := p.Find(it.Ingredient)
		if err != nil {
			return out, err
		}
		t.Add(i, it.G)
		roles[i.Role] += it.G
		if i.Thick {
			thick += it.G
		}
		out.Allergens = merge(out.Allergens, i.Allergens)
	}
	if t.MassG == 0 {
		return out, nil
	}
	massG := lot.MassG()
	out.PerKg = t.Part(1000 / massG)
	out.Reach = reach(t, roles, lot.Cut.Class)
	// 4 to 8 % of the meat's weight clings of a thin one, 8 to 12 of a thick.
	out.TakenG = math.Min(t.MassG, massG*(0.06+0.04*thick/t.MassG))
	out.SurfaceSugarPct = 100 * t.SugarG / t.MassG
	water := math.Max(0.05*t.MassG, t.MassG-t.SaltG-t.CarbG-t.FatG-t.ProteinG)
	var err error
	out.Salted, err = Salt(lot, Bath{SaltG: t.SaltG, WaterG: water, TempC: tempC, Hours: hours})
	return out, err
}

// merge adds names that are not there yet.
func merge(list, more []string) []string {
	for _, m := range more {
		have := false
		for _, l := range list {
			have = have || l == m
		}
		if !have {
			list = append(list, m)
		}
	}
	return list
}
