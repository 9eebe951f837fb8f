package prep

import (
	"fmt"
	"math"
	"slices"

	"velocrustum/core/larder"
	"velocrustum/core/refuse"
	"velocrustum/core/units"
)

// A Swap stands in for an ingredient: as much of others as does the same.
type Swap struct {
	Says  string `json:"says"` // "20 g of fish sauce"
	Items []Item `json:"items"`
	// Changes says what else that brings or takes away; empty if next to
	// nothing.
	Changes string `json:"changes"`
}

// mixed stand in for an ingredient as a mixture, by shares of its weight; so
// that what it is there for is the same, the rest by judgement.
var mixed = map[string][]Item{
	"buttermilk":   {{Ingredient: "milk", G: 0.94}, {Ingredient: "lemon-juice", G: 0.06}}, // after 10 minutes
	"rice-wine":    {{Ingredient: "water", G: 0.93}, {Ingredient: "vinegar", G: 0.04}, {Ingredient: "sugar", G: 0.03}},
	"soy-light":    {{Ingredient: "water", G: 0.8}, {Ingredient: "salt-fine", G: 0.15}, {Ingredient: "sugar", G: 0.05}},
	"oyster-style": {{Ingredient: "soy-light", G: 0.65}, {Ingredient: "sugar", G: 0.2}, {Ingredient: "corn-starch", G: 0.15}},
	"pineapple":    {{Ingredient: "ginger", G: 0.4}, {Ingredient: "sugar", G: 0.1}, {Ingredient: "water", G: 0.5}},
}

// effectOf is what an ingredient is there for, in 100 g of it; 0 if its own kind
// is not swapped by a figure.
func effectOf(i Ingredient) float64 {
	switch i.Role {
	case larder.Salty:
		return i.Salt
	case larder.Acidic:
		return i.Acid
	case larder.Sweet:
		return i.Sugar
	case larder.Milky, larder.Starchy: // one for one
		return 100
	}
	return 0
}

// Swaps returns what could stand in for g grams of an ingredient, by what it
// is there for: as much salt, acid or sugar, as much of a dairy or a starch.
// At most four, the nearest in weight first.
func (p Pantry) Swaps(id string, g float64, say units.Household) []Swap {
	of, ok := p[id]
	if !ok || g <= 0 {
		return nil
	}
	var was Totals
	was.Add(of, g)
	var out []Swap
	offer := func(says string, items []Item) {
		var is Totals
		for _, it := range items {
			is.Add(p[it.Ingredient], it.G)
		}
		out = append(out, Swap{Says: says, Items: items, Changes: changes(was, is, say)})
	}
	if parts := mixed[id]; parts != nil {
		var items []Item
		var names []string
		for _, part := range parts {
			it := Item{Ingredient: part.Ingredient, G: math.Round(part.G*g*10) / 10}
			items = append(items, it)
			names = append(names, fmt.Sprintf("%s of %s", say.Grams(it.G), p[it.Ingredient].Name))
		}
		offer(list(names), items)
	}
	var near []Ingredient
	for _, i := range p {
		if i.ID != id && i.Role == of.Role && effectOf(i) > 0 && effectOf(of) > 0 {
			near = append(near, i)
		}
	}
	far := func(i Ingredient) float64 { return math.Abs(math.Log(effectOf(of) / effectOf(i))) }
	slices.SortFunc(near, func(a, b Ingredient) int {
		if d := far(a) - far(b); math.Abs(d) > 1e-9 {
			return int(math.Copysign(1, d))
		}
		if a.ID < b.ID {
			return -1
		}
		return 1
	})
	for _, i := range near[:min(len(near), 4-len(out))] {
		it := Item{Ingredient: i.ID, G: math.Round(g*effectOf(of)/effectOf(i)*10) / 10}
		offer(fmt.Sprintf("%s of %s", say.Grams(it.G), i.Name), []Item{it})
	}
	return out
}

// changes words what one mixture brings more or less of than another.
func changes(was, is Totals, say units.Household) string {
	var words []string
	for _, f := range []struct {
		name string
		d    float64
	}{{"salt", is.SaltG - was.SaltG}, {"sugar", is.SugarG - was.SugarG}, {"acid", is.AcidG - was.AcidG}, {"fat", is.FatG - was.FatG}} {
		if math.Abs(f.d) < 0.5 {
			continue
		}
		word := "more"
		if f.d < 0 {
			word = "less"
		}
		words = append(words, fmt.Sprintf("%s %s %s", say.Grams(math.Abs(f.d)), word, f.name))
	}
	if len(words) == 0 {
		return ""
	}
	return list(words)
}

// A OwnMarinade is a marinade that a household keeps.
type OwnMarinade struct {
	ID       string   `json:"id"`
	Name     string   `json:"name"`
	Marinade Marinade `json:"marinade"`
}

// Check returns what is wrong with a recipe as refuse.Fields, or nil.
func (r OwnMarinade) Check(p Pantry) error {
	if n := len([]rune(r.Name)); n < 1 || n > 60 {
		return refuse.One("name", fmt.Sprintf("%d characters", n), "1 to 60 characters")
	}
	if len(r.Marinade.Items) == 0 {
		return refuse.One("marinade.items", "0 ingredients", fmt.Sprintf("1 to %d", maxItems))
	}
	return Bench{Marinade: &r.Marinade}.Check(p)
}
