// Package recipe puts a dish into the words of a recipe, and reads one that
// was written elsewhere: what of it was understood, line by line, and the dish
// that comes of that.
package recipe

import (
	"fmt"
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
	out := Recipe{Name: name, Servings: f.Servings(), Plate: f.Plate, CookMin: d.Program.PreheatMin + d.Program.Minutes()}
	for _, lot := range f.Each {
		says := fmt.Sprintf("%d %s of about %s each (%s)", lot.Load.Pieces, plural(lot.Lot.Cut, lot.Load.Pieces), h.Grams(lot.Load.PieceMassG), h.Grams(lot.Lot.MassG()))
		says += comesSays(lot.Lot.Frozen, lot.Load)
		if lot.Lot.Name != "" {
			says += ": the " + lot.Lot.Name
		}
		out.Ingredients = append(out.Ingredients, says)
	}
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
	for lot := range f.Each {
		minutes := 0.0
		for _, t := range f.Tasks(lot, p, h) {
			says := t.Says + "."
			if t.Wait.Most > 0 {
				says += " " + waits(t.Wait)
			}
			out.Steps = append(out.Steps, Instruction{says, t.Hands + t.Wait.Best})
			minutes += t.Hands + t.Wait.Best
		}
		// Lots wait beside one another.
		out.PrepMin = math.Max(out.PrepMin, minutes)
	}
	out.fry(f, d, dealt, p, h)
	for _, s := range f.Sauces() {
		name := s.Name
		if name == "" {
			name = "the sauce"
		}
		ready := math.Ceil(s.Made.ReadyMin)
		whom, pieces := "them", d.Pieces()
		if s.Of != nil {
			whom, pieces = "the "+f.Each[*s.Of].Lot.Called(), f.Each[*s.Of].Load.Pieces
		}
		if share := s.Serving.Whole().Share; share < 0.99 {
			whom = fmt.Sprintf("%d of the %d", int(math.Round(share*float64(pieces))), pieces)
		}
		how := pan.WayOf(s.Serving.Whole().How).Step(whom)
		if s.Made.GrainG > 0 {
			how += fmt.Sprintf(", with %s of %s, weighed dry", h.Grams(s.Made.GrainG), s.Serving.Grain)
		}
		if !s.Serving.Whole().Sauce.Hot() {
			out.Steps = append(out.Steps, Instruction{Says: fmt.Sprintf("Stir %s together; %s.", name, how)})
			continue
		}
		out.Steps = append(out.Steps, Instruction{fmt.Sprintf("Put %s on the hob in time to be ready with the basket, about %s; %s.", name, units.Minutes(ready), how), ready})
	}
	onAll := prep.Bench{Mixes: f.MixesForAll()}
	if len(f.Each) == 1 {
		onAll = f.Each[0].Bench
		onAll.Mixes = slices.Concat(f.MixesForAll(), onAll.Mixes)
	}
	if names := finishing(onAll, p); names != "" {
		out.Steps = append(out.Steps, Instruction{Says: "Finish with " + names + "."})
	}
	for _, lot := range f.Each {
		if names := finishing(lot.Bench, p); names != "" && len(f.Each) > 1 {
			out.Steps = append(out.Steps, Instruction{Says: fmt.Sprintf("Finish the %s with %s.", lot.Lot.Called(), names)})
		}
	}
	times := "Times are a forecast for one fryer."
	if slices.ContainsFunc(f.Each, func(lot prep.LotForecast) bool { return !lot.Lot.Cut.Plant() }) {
		times += fmt.Sprintf(" Check with a thermometer: %s in the coldest spot%s. Local rules come first.", h.Degrees(strictest(f).CoreC), rest(strictest(f)))
	}
	out.Cautions = []string{times}
	if all := f.Allergens(); len(all) > 0 {
		out.Cautions = append(out.Cautions, "Contains "+strings.Join(all, ", ")+".")
	}
	return out, nil
}

// comesSays says how pieces come: out of the freezer, fried or cooked before.
func comesSays(frozen bool, l load.Pieces) (says string) {
	if frozen {
		says = ", frozen"
	}
	switch food.State(l.State) {
	case food.ParFried:
		if says += ", par-fried"; l.Inside == string(food.Cooked) {
			says += ", cooked inside"
		}
	case food.Cooked:
		says += ", cooked before"
	}
	return says
}

// strictest is the rule of the lot that asks for most.
func strictest(f prep.Forecast) verdict.Rule {
	rule := f.Answer.Rule
	for _, lot := range f.Answer.Lots {
		if lot.Rule.CoreC > rule.CoreC {
			rule = lot.Rule
		}
	}
	return rule
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

// inWhich says in which of two drawers it lies.
func inWhich(f *load.Fryer) string {
	switch {
	case f == nil || f.Drawers < 2:
		return ""
	case f.Drawer != "":
		return fmt.Sprintf(" in the %s drawer", f.Drawer)
	}
	return ", half of them in each drawer,"
}

// Beside tells of the dish that runs in the other drawer, by its own recipe, and
// how many minutes later it goes in.
func (out *Recipe) Beside(name, drawer string, laterMin float64) {
	when := "at the same time"
	switch {
	case laterMin > 0:
		when = units.Minutes(laterMin) + " later"
	case laterMin < 0:
		when = units.Minutes(-laterMin) + " sooner"
	}
	out.Steps = append(out.Steps, Instruction{Says: fmt.Sprintf("In the %s drawer: %s, by its own recipe; it goes in %s.", drawer, name, when)})
}

// fry says how the fryer is run.
func (out *Recipe) fry(f prep.Forecast, d prep.BenchDish, dealt []baskets.Basketful, p prep.Pantry, h units.Household) {
	if d.Program.PreheatMin > 0 {
		out.Steps = append(out.Steps, Instruction{fmt.Sprintf("Heat the empty air fryer to %s.", d.Program.Stages[0].Says(h.Degrees(d.Program.Stages[0].AirC))), d.Program.PreheatMin})
	}
	q := d.InLots()
	cut := f.Each[0].Lot.Cut
	lay := "the " + plural(cut, q.Pieces())
	if len(q.Lots) > 1 {
		lay = "all"
		var first []string
		for k, lot := range f.Each {
			if q.Lots[k].InMin == 0 {
				first = append(first, fmt.Sprintf("the %d %s", lot.Load.Pieces, lot.Lot.Called()))
			}
		}
		if len(first) < len(q.Lots) || len(first) < 4 {
			lay = units.List(first)
		}
	}
	if len(dealt) == 0 {
		dealt = []baskets.Basketful{{Pieces: q.Pieces(), EndMin: q.Program.Minutes(), Program: q.Program}}
	}
	last := 0.0
	for k, b := range dealt {
		what := fmt.Sprintf("Lay %s in one layer with gaps%s and air fry: ", lay, inWhich(d.Fryer))
		if len(dealt) > 1 {
			what = fmt.Sprintf("Basket %d of %d, %d %s in one layer with gaps%s: ", k+1, len(dealt), b.Pieces, plural(cut, b.Pieces), inWhich(d.Fryer))
			if b.Fryer == 1 {
				what = fmt.Sprintf("In the second fryer, %d %s: ", b.Pieces, plural(cut, b.Pieces))
			}
		}
		out.Steps = append(out.Steps, Instruction{what + runs(told(q, b.Program), f, p, h), b.Program.Minutes()})
		last = math.Max(last, b.EndMin)
	}
	out.CookMin = d.Program.PreheatMin + last
}

// told is the program with what goes in and comes out of several lots said by
// its turns.
func told(q load.Request, program load.Program) load.Program {
	q.Program = program
	return q.Told().Program
}

// runs says how one basket is run.
func runs(program load.Program, f prep.Forecast, larder prep.Pantry, h units.Household) string {
	var stages []string
	for _, st := range program.Stages {
		if in := st.WaitsIn(); in != "" {
			where := "outside"
			if in != load.HoldRack {
				where = st.Waiting(h.Temperature)
			}
			stages = append(stages, fmt.Sprintf("rest them %s for %s", where, units.Minutes(st.Minutes)))
			continue
		}
		stages = append(stages, fmt.Sprintf("%s at %s", units.Minutes(st.Minutes), st.Says(h.Degrees(st.AirC))))
	}
	says := strings.Join(stages, ", then ") + "."
	for _, t := range program.Turns {
		says += fmt.Sprintf(" At minute %.0f %s.", t.AtMin, turnSays(t, f, larder, h))
	}
	return says
}

// turnSays says what is done at a turn; of several lots, to which.
func turnSays(t load.Turn, f prep.Forecast, larder prep.Pantry, h units.Household) string {
	of := "them"
	if len(t.Lots) > 0 && len(f.Each) > 1 {
		var names []string
		for _, k := range t.Lots {
			names = append(names, "the "+f.Each[k].Lot.Called())
		}
		of = units.List(names)
	}
	switch t.Kind {
	case load.Shake:
		return "shake the basket"
	case load.LookIn:
		return "look at one"
	case load.PutIn:
		return "put " + of + " in"
	case load.TakeOut:
		return "take out " + of
	case load.BrushOn:
		if t.Brush == nil {
			return "brush on " + of
		}
		var parts []string
		for _, m := range t.Brush.Parts {
			parts = append(parts, larder[m.Ingredient].Name)
		}
		says := fmt.Sprintf("brush %s of %s on", h.Grams(t.Brush.G), strings.Join(parts, " and "))
		if of != "them" {
			says += " " + of
		}
		return says
	}
	return "turn " + of
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
