// Package recipe puts a dish into the words of a recipe, and reads one that
// was written elsewhere: what of it was understood, line by line, and the dish
// that comes of that.
package recipe

import (
	"fmt"
	"math"
	"slices"
	"strings"

	"velocrustum/core/food"
	"velocrustum/core/pan"
	"velocrustum/core/prep"
	"velocrustum/core/program"
	"velocrustum/core/units"
)

// Recipe is a dish in words, for a page or another program.
type Recipe struct {
	Name        string
	Servings    int
	Ingredients []string
	Steps       []Step
	PrepMin     float64 // of hands and waits, before the basket
	CookMin     float64
	Plate       prep.Plate // a serving
	Cautions    []string
}

// Step is one of it, and how long it takes; 0 where that is not said.
type Step struct {
	Says    string
	Minutes float64
}

// Write puts a dish into words, by what its bench and its forecast say.
func Write(name string, d prep.Dish, f prep.Forecast, p prep.Pantry, h units.Household) (Recipe, error) {
	cut, err := food.FindCut(f.Load.Cut)
	if err != nil {
		return Recipe{}, err
	}
	out := Recipe{Name: name, Servings: f.Servings(), Plate: f.Plate, CookMin: d.Program.PreheatMin + d.Program.Minutes()}
	out.Ingredients = append(out.Ingredients, fmt.Sprintf("%d %s of about %s each (%s)", f.Load.Pieces, plural(cut, f.Load.Pieces), h.Grams(f.Load.PieceMassG), h.Grams(f.Lot.MassG())))
	items := f.Items()
	var ids []string
	for id, g := range items {
		if g >= 0.05 && id != "water" {
			ids = append(ids, id)
		}
	}
	slices.SortFunc(ids, func(a, b string) int { return strings.Compare(p[a].Name, p[b].Name) })
	for _, id := range ids {
		i, g := p[id], items[id]
		out.Ingredients = append(out.Ingredients, fmt.Sprintf("%s %s (%s)", h.Grams(g), i.Name, h.Spooned(g/i.Density)))
	}
	for _, t := range f.Tasks(p, h) {
		says := t.Says + "."
		if t.Wait.Most > 0 {
			says += fmt.Sprintf(" It %s %s.", t.Wait.Says, units.Minutes(math.Round(t.Wait.Best)))
		}
		out.Steps = append(out.Steps, Step{says, t.Hands + t.Wait.Best})
		out.PrepMin += t.Hands + t.Wait.Best
	}
	out.fry(cut, d.Program, f, h)
	for k, s := range f.Bench.Sauces {
		name := s.Name
		if name == "" {
			name = "the sauce"
		}
		ready := math.Ceil(f.Sauces[k].ReadyMin)
		how := map[string]string{pan.Toss: "toss all in it", pan.Brush: "brush it on", pan.Up: "spoon it over one face", pan.Beside: "serve it beside"}[s.Whole().How]
		out.Steps = append(out.Steps, Step{fmt.Sprintf("Put %s on the hob in time to be ready with the basket, about %s; %s.", name, units.Minutes(ready), how), ready})
	}
	if names := finishing(f.Bench, p); names != "" {
		out.Steps = append(out.Steps, Step{Says: "Finish with " + names + "."})
	}
	out.Cautions = []string{
		fmt.Sprintf("Times are a forecast for one fryer. Check with a thermometer: %s in the coldest spot%s. Local rules come first.", h.Degrees(f.Answer.Rule.CoreC), rest(f.Answer.Rule)),
	}
	for _, a := range f.Allergens {
		out.Cautions = append(out.Cautions, "Contains "+a+".")
	}
	return out, nil
}

func plural(c food.Cut, n int) string {
	if n == 1 {
		return c.Name
	}
	return c.Plural
}

func rest(r program.Rule) string {
	if r.RestMin == 0 {
		return ""
	}
	return fmt.Sprintf(", then %s of rest", units.Minutes(r.RestMin))
}

// fry says how the basket is run.
func (out *Recipe) fry(cut food.Cut, p program.Program, f prep.Forecast, h units.Household) {
	if p.PreheatMin > 0 {
		out.Steps = append(out.Steps, Step{fmt.Sprintf("Heat the empty air fryer to %s.", h.Degrees(p.Stages[0].AirC)), p.PreheatMin})
	}
	var stages []string
	for _, st := range p.Stages {
		if st.Rest {
			stages = append(stages, fmt.Sprintf("rest it outside for %s", units.Minutes(st.Minutes)))
			continue
		}
		stages = append(stages, fmt.Sprintf("%s at %s", units.Minutes(st.Minutes), h.Degrees(st.AirC)))
	}
	says := fmt.Sprintf("Lay the %s in one layer with gaps and air fry: %s.", plural(cut, f.Load.Pieces), strings.Join(stages, ", then "))
	words := map[string]string{program.Flip: "turn them", program.Shake: "shake the basket", program.LookIn: "look at one", program.BrushOn: "brush them", program.TakeOut: "take some out"}
	for _, t := range p.Turns {
		says += fmt.Sprintf(" At minute %.0f %s.", t.AtMin, words[t.Kind])
	}
	out.Steps = append(out.Steps, Step{says, p.Minutes()})
}

func finishing(b prep.Bench, p prep.Pantry) string {
	var names []string
	for _, it := range b.Finish {
		names = append(names, p[it.Ingredient].Name)
	}
	for _, m := range b.Mixes {
		names = append(names, m.Name)
	}
	return strings.Join(names, ", ")
}
