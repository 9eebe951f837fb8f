// Package recipe puts a dish into the words of a recipe, and reads one that
// was written elsewhere: what of it was understood, line by line, and the dish
// that comes of that.
package recipe

import (
	"fmt"
	"maps"
	"math"
	"slices"
	"strings"

	"velocrustum/core/baskets"
	"velocrustum/core/food"
	"velocrustum/core/load"
	"velocrustum/core/pan"
	"velocrustum/core/prep"
	"velocrustum/core/units"
	"velocrustum/core/verdict"
)

// Recipe is a dish in words, for a page or another program.
type Recipe struct {
	Name        string
	Servings    int
	Ingredients []string
	Steps       []Instruction
	PrepMin     float64 // of hands and waits, before the basket
	CookMin     float64
	Plate       prep.Plate // a serving
	Cautions    []string
}

// Instruction is one of it, and how long it takes; 0 where that is not said.
type Instruction struct {
	Says    string
	Minutes float64
}

// Write puts a dish into words, by what its bench and its forecast say; with
// baskets it goes in by those, one after another or in two fryers.
func Write(name string, d prep.BenchDish, dealt []baskets.Basketful, f prep.Forecast, p prep.Pantry, h units.Household) (Recipe, error) {
	cut, err := food.FindCut(f.Load.Cut)
	if err != nil {
		return Recipe{}, err
	}
	out := Recipe{Name: name, Servings: f.Servings(), Plate: f.Plate, CookMin: d.Program.PreheatMin + d.Program.Minutes()}
	out.Ingredients = append(out.Ingredients, fmt.Sprintf("%d %s of about %s each (%s)", f.Load.Pieces, plural(cut, f.Load.Pieces), h.Grams(f.Load.PieceMassG), h.Grams(f.Lot.MassG())))
	lots := d.InLots().Lots
	for _, g := range lots[1:] {
		more, err := food.FindCut(g.Load.Cut)
		if err != nil {
			return Recipe{}, err
		}
		says := fmt.Sprintf("%d more %s of about %s each", g.Load.Pieces, plural(more, g.Load.Pieces), h.Grams(g.Load.PieceMassG))
		if g.Name != "" {
			says += ": the " + g.Name
		}
		out.Ingredients = append(out.Ingredients, says)
	}
	items := maps.Clone(f.Items())
	for _, t := range d.Program.Turns {
		if t.Brush == nil {
			continue
		}
		of := 0.0
		for _, m := range t.Brush.Parts {
			of += m.Share
		}
		for _, m := range t.Brush.Parts {
			items[m.Ingredient] += t.Brush.G * m.Share / of
		}
	}
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
			says += " " + waits(t.Wait)
		}
		out.Steps = append(out.Steps, Instruction{says, t.Hands + t.Wait.Best})
		out.PrepMin += t.Hands + t.Wait.Best
	}
	out.fry(cut, d, dealt, p, h)
	for k, s := range f.Bench.Sauces {
		name := s.Name
		if name == "" {
			name = "the sauce"
		}
		ready := math.Ceil(f.Sauces[k].ReadyMin)
		whom := "all"
		if share := s.Whole().Share; share < 0.99 {
			whom = fmt.Sprintf("%d of the %d", int(math.Round(share*float64(f.Load.Pieces))), f.Load.Pieces)
		}
		how := map[string]string{pan.Toss: "toss " + whom + " in it", pan.Brush: "brush it on", pan.Up: "spoon it over one face", pan.Beside: "serve it beside"}[s.Whole().How]
		if !s.Whole().Sauce.Hot() {
			out.Steps = append(out.Steps, Instruction{Says: fmt.Sprintf("Stir %s together; %s.", name, how)})
			continue
		}
		out.Steps = append(out.Steps, Instruction{fmt.Sprintf("Put %s on the hob in time to be ready with the basket, about %s; %s.", name, units.Minutes(ready), how), ready})
	}
	if names := finishing(f.Bench, p); names != "" {
		out.Steps = append(out.Steps, Instruction{Says: "Finish with " + names + "."})
	}
	out.Cautions = []string{
		fmt.Sprintf("Times are a forecast for one fryer. Check with a thermometer: %s in the coldest spot%s. Local rules come first.", h.Degrees(f.Answer.Rule.CoreC), rest(f.Answer.Rule)),
	}
	if len(f.Allergens) > 0 {
		out.Cautions = append(out.Cautions, "Contains "+strings.Join(f.Allergens, ", ")+".")
	}
	return out, nil
}

func plural(c food.Cut, n int) string {
	if n == 1 {
		return c.Name
	}
	return c.Plural
}

func rest(r verdict.Rule) string {
	if r.RestMin == 0 {
		return ""
	}
	return fmt.Sprintf(", then %s of rest", units.Minutes(r.RestMin))
}

// waits says how long something is left, and where.
func waits(w prep.BenchWait) string {
	long := units.Minutes(math.Round(w.Best))
	if w.Best >= 120 {
		long = fmt.Sprintf("%g h", math.Round(w.Best/6)/10)
	}
	if verb, rest, ok := strings.Cut(w.Says, " "); ok && verb == "rest" {
		return fmt.Sprintf("Let them rest %s for %s.", rest, long)
	}
	if w.Place == "fridge" {
		return fmt.Sprintf("Leave them %s for %s, in the fridge.", w.Says, long)
	}
	return fmt.Sprintf("Leave them %s for %s.", w.Says, long)
}

// fry says how the fryer is run.
func (out *Recipe) fry(cut food.Cut, d prep.BenchDish, dealt []baskets.Basketful, p prep.Pantry, h units.Household) {
	if d.Program.PreheatMin > 0 {
		out.Steps = append(out.Steps, Instruction{fmt.Sprintf("Heat the empty air fryer to %s.", h.Degrees(d.Program.Stages[0].AirC)), d.Program.PreheatMin})
	}
	q := d.InLots()
	lay := "the " + plural(cut, q.Pieces())
	if len(q.Lots) > 1 {
		lay = "all"
	}
	if len(dealt) == 0 {
		dealt = []baskets.Basketful{{Pieces: q.Pieces(), EndMin: q.Program.Minutes(), Program: q.Program}}
	}
	last := 0.0
	for k, b := range dealt {
		what := fmt.Sprintf("Lay %s in one layer with gaps and air fry: ", lay)
		if len(dealt) > 1 {
			what = fmt.Sprintf("Basket %d of %d, %d %s in one layer with gaps: ", k+1, len(dealt), b.Pieces, plural(cut, b.Pieces))
			if b.Fryer == 1 {
				what = fmt.Sprintf("In the second fryer, %d %s: ", b.Pieces, plural(cut, b.Pieces))
			}
		}
		out.Steps = append(out.Steps, Instruction{what + runs(b.Program, q.Lots, p, h), b.Program.Minutes()})
		last = math.Max(last, b.EndMin)
	}
	out.CookMin = d.Program.PreheatMin + last
}

// runs says how one basket is run.
func runs(p load.Program, lots []load.LotRequest, larder prep.Pantry, h units.Household) string {
	var stages []string
	for _, st := range p.Stages {
		if st.Rest {
			stages = append(stages, fmt.Sprintf("rest them outside for %s", units.Minutes(st.Minutes)))
			continue
		}
		stages = append(stages, fmt.Sprintf("%s at %s", units.Minutes(st.Minutes), h.Degrees(st.AirC)))
	}
	says := strings.Join(stages, ", then ") + "."
	words := map[string]string{load.Flip: "turn them", load.Shake: "shake the basket", load.LookIn: "look at one", load.TakeOut: "take out"}
	for _, t := range p.Turns {
		does := words[t.Kind]
		of := ""
		if len(t.Lots) == 1 && lots[t.Lots[0]].Name != "" {
			of = " the " + lots[t.Lots[0]].Name
		}
		switch t.Kind {
		case load.BrushOn:
			does = "brush on"
			if t.Brush != nil {
				var parts []string
				for _, m := range t.Brush.Parts {
					parts = append(parts, larder[m.Ingredient].Name)
				}
				does = fmt.Sprintf("brush %s of %s on", h.Grams(t.Brush.G), strings.Join(parts, " and "))
			}
			does += of
		case load.TakeOut:
			if does += of; of == "" {
				does += " those of the first kind"
			}
		}
		says += fmt.Sprintf(" At minute %.0f %s.", t.AtMin, does)
	}
	return says
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
