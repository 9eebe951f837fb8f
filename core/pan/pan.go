// Package pan cooks a sauce: what is in it, how thick it gets on the hob and
// by when, and what of it clings to the food. It knows nothing of the basket
// but a surface to cover.
package pan

import (
	"fmt"
	"math"
	"slices"

	"velocrustum/core/larder"
	"velocrustum/core/refuse"
)

// How a sauce is made.
const (
	Reduce  = "reduce"  // boiled down until it clings
	Thicken = "thicken" // simmered, then starch stirred into cold water
	Melt    = "melt"    // butter melted and whisked in, not boiled
	Loosen  = "loosen"  // jam, honey or a bought sauce, warmed and let down
	Mix     = "mix"     // stirred cold
)

// A Option is one of a few, by its name, and as a sentence says it.
type Option struct{ ID, Name, Says string }

func ids(of []Option) (out []string) {
	for _, c := range of {
		out = append(out, c.ID)
	}
	return out
}

// Schools of making a sauce.
var Schools = []Option{
	{Reduce, "Boiled down", "boiled down"}, {Thicken, "Thickened with starch", "thickened"},
	{Melt, "Butter, melted", "melted and whisked"}, {Loosen, "Warmed and let down", "warmed and let down"}, {Mix, "Stirred cold", "stirred cold"},
}

// Heats of the hob, the lowest first.
var Heats = []Option{{"low", "Low", "over low heat"}, {"simmer", "A simmer", "at a simmer"}, {"hard", "A hard boil", "at a hard boil"}}

// Sauce is a recipe and how it is cooked. Its items may be for any amount:
// what is made is worked out from the plate.
type Sauce struct {
	School string        `json:"school"`
	Items  []larder.Item `json:"items"`
	// First are ingredients of it that are softened in fat before the rest
	// goes in, 3 min.
	First []string `json:"first,omitempty"`
	Heat  string   `json:"heat,omitempty"` // simmer
	// WidthCm is the pan's, across the bottom; by how much is made where left out.
	WidthCm float64 `json:"widthCm,omitempty"`
	// SimmerMin is how long what is thickened simmers before the starch; 3.
	SimmerMin *float64 `json:"simmerMin,omitempty"`
	Starch    string   `json:"starch,omitempty"` // corn-starch
	// ClingsG is how thick it is wanted, by what clings to 100 cm²; 8.
	ClingsG float64 `json:"clingsG,omitempty"`
	// Used says that a marinade in which raw food lay is in it.
	Used bool `json:"used,omitempty"`
}

// Own is a sauce that a household keeps.
type Own struct {
	ID    string `json:"id"`
	Name  string `json:"name"`
	Sauce Sauce  `json:"sauce"`
}

const (
	usualStarch = "corn-starch"
	usualWidth  = 24.0
	usualSimmer = 3.0
	softenMin   = 3.0
	// MaxItems is how many ingredients a sauce may have.
	MaxItems = 16
)

// Limits are what the figures of a sauce may be.
var Limits = refuse.Limits{
	"sauce.widthCm":   {Min: 12, Max: 36, Step: 1, Unit: "cm"},
	"sauce.simmerMin": {Min: 0, Max: 40, Step: 0.5, Unit: "minutes"},
	"sauce.clingsG":   {Min: 3.5, Max: 25, Step: 0.5, Unit: "g on 100 cm²"},
	"sauce.items.g":   {Min: 0, Max: 5000, Step: 1, Unit: "g"},
}

// A Level is a thickness by what a cook calls it, g on 100 cm².
type Level struct {
	Name string  `json:"name"`
	Says string  `json:"says"`
	G    float64 `json:"g"`
	// FromG is from where on it is called so: half way from the thinner one,
	// by ratio, as cling goes.
	FromG float64 `json:"fromG"`
	// Drops is how many fall off a spoon that is dipped in it, 3 to 0.
	Drops int `json:"drops"`
}

// Levels of thickness, the thinnest first.
var Levels = levels(
	Level{Name: "Runs off a spoon", Says: "runs off a spoon", G: 4, Drops: 3},
	Level{Name: "Coats a spoon thinly", Says: "coats a spoon thinly", G: 6, Drops: 2},
	Level{Name: "Coats a spoon", Says: "coats a spoon", G: 8, Drops: 1},
	Level{Name: "Thick glaze", Says: "is a thick glaze", G: 12},
	Level{Name: "Mounds", Says: "mounds on a spoon", G: 16},
)

func levels(all ...Level) []Level {
	for i := 1; i < len(all); i++ {
		all[i].FromG = math.Sqrt(all[i-1].G * all[i].G)
	}
	return all
}

// Whole returns the sauce with its defaults in.
func (s Sauce) Whole() Sauce {
	if s.School == "" {
		s.School = Reduce
	}
	if s.Items == nil {
		s.Items = []larder.Item{}
	}
	if s.Heat == "" {
		s.Heat = "simmer"
	}
	if s.WidthCm == 0 {
		s.WidthCm = usualWidth
	}
	if s.Starch == "" {
		s.Starch = usualStarch
	}
	if s.ClingsG == 0 {
		s.ClingsG = 8
	}
	if s.SimmerMin == nil {
		s.SimmerMin = new(float64)
		*s.SimmerMin = usualSimmer
	}
	return s
}

// Hot says whether it is cooked or warmed.
func (s Sauce) Hot() bool { return s.School != Mix }

// Aims says whether it is brought to the thickness that is wanted; what is
// melted or stirred is as thick as it is.
func (s Sauce) Aims() bool { return s.School != Melt && s.School != Mix }

// Find looks an ingredient up.
type Find func(id string) (larder.Ingredient, error)

// Check returns what is wrong with a sauce as refuse.Fields, or nil.
func (s Sauce) Check(find Find) error {
	s = s.Whole()
	var c refuse.Check
	c.Among("sauce.school", s.School, ids(Schools)...)
	c.Among("sauce.heat", s.Heat, ids(Heats)...)
	c.In(Limits, "sauce.widthCm", s.WidthCm)
	c.In(Limits, "sauce.simmerMin", *s.SimmerMin)
	c.In(Limits, "sauce.clingsG", s.ClingsG)
	if i, err := find(s.Starch); err != nil || thickens[i.ID] == 0 {
		c.Add("sauce.starch", fmt.Sprintf("%q", s.Starch), "a starch or flour of the pantry that thickens")
	}
	if n := len(s.Items); n > MaxItems {
		c.Add("sauce.items", fmt.Sprintf("%d ingredients", n), fmt.Sprintf("up to %d", MaxItems))
	}
	for i, it := range s.Items {
		at := fmt.Sprintf("sauce.items[%d].", i)
		c.In(Limits, at+"g", it.G)
		if _, err := find(it.Ingredient); err != nil {
			c.Add(at+"ingredient", fmt.Sprintf("%q", it.Ingredient), "an ingredient of the pantry")
		}
	}
	for _, id := range s.First {
		if !slices.ContainsFunc(s.Items, func(it larder.Item) bool { return it.Ingredient == id }) {
			c.Add("sauce.first", fmt.Sprintf("%q", id), "an ingredient of the sauce")
		}
	}
	return c.Err()
}

// Check returns what is wrong with a kept sauce as refuse.Fields, or nil.
func (o Own) Check(find Find) error {
	if n := len([]rune(o.Name)); n < 1 || n > 60 {
		return refuse.One("name", fmt.Sprintf("%d characters", n), "1 to 60 characters")
	}
	if len(o.Sauce.Items) == 0 {
		return refuse.One("sauce.items", "0 ingredients", fmt.Sprintf("1 to %d", MaxItems))
	}
	return o.Sauce.Check(find)
}
