package pan

import (
	"cmp"
	"fmt"
	"maps"
	"math"
	"slices"
	"strings"

	"velocrustum/core/units"
)

// A HobStep is one thing to do at the hob, at a minute after the pan went on.
type HobStep struct {
	Minute float64 `json:"minute"`
	Says   string  `json:"says"`
}

// Told is a sauce in words.
type Told struct {
	// Makes says how much, and what becomes of it.
	Makes string `json:"makes"`
	// Reads says how thick it is, by a spoon.
	Reads    string    `json:"reads"`
	Steps    []HobStep `json:"steps"`
	Waits    string    `json:"waits"`
	Cautions []string  `json:"cautions"`
}

// LevelOf is the thickness of a sauce that clings so, g/100 cm².
func LevelOf(g float64) Level {
	at := Levels[0]
	for _, l := range Levels {
		if g > l.FromG {
			at = l
		}
	}
	return at
}

// Reads says how thick it is.
func Reads(g float64) string { return LevelOf(g).Says }

// smokes are ingredients whose fumes sting when they get hot.
var smokes = map[string]bool{"harissa": true, "chilli-flakes": true, "chilli-paste": true, "curry-paste": true, "hot-sauce": true}

// cold are ingredients that do not stand in the room for long.
var chilled = map[string]bool{"egg": true, "mayonnaise": true, "yoghurt": true, "cream": true, "buttermilk": true, "milk": true}

// Tell puts a sauce that was made into words.
func (m Made) Tell(s Serving, find Find, h units.Household) Told {
	s = s.Whole()
	out := Told{Steps: []HobStep{}, Cautions: []string{}}
	if m.MadeG == 0 {
		out.Makes = "What is in it? Add what you have; amounts as you would say them."
		return out
	}
	g := h.Grams
	out.Makes = fmt.Sprintf("Makes %s.", g(m.MadeG))
	if m.OnFoodG > 0 {
		out.Makes += fmt.Sprintf(" %s cling to the food.", g(m.OnFoodG))
	}
	switch {
	case m.OnPlateG > 0 && s.How == Pour:
		out.Makes += fmt.Sprintf(" %s run down to the plate, and are eaten too.", g(m.OnPlateG))
	case m.OnPlateG > 0 && s.How == Under:
		out.Makes += fmt.Sprintf(" %s lie under it.", g(m.OnPlateG))
	case m.OnPlateG > 0:
		out.Makes += fmt.Sprintf(" %s lie around it, all eaten.", g(m.OnPlateG))
	}
	if m.GrainG > 0 {
		out.Makes += fmt.Sprintf(" With %s of dry %s.", g(m.GrainG), s.Grain)
	}
	if m.DipG > 0 {
		out.Makes += fmt.Sprintf(" %s stand beside it.", g(m.DipG))
	}
	out.Makes += fmt.Sprintf(" About %s are not eaten: only what is counts in salt and sugar.", g(m.LeftG))
	out.Reads = fmt.Sprintf("It %s: %.0f g cling to 100 cm²", Reads(m.ClingsG), m.ClingsG)
	if s.Sauce.Hot() && Reads(m.HotClingsG) != Reads(m.ClingsG) {
		out.Reads += fmt.Sprintf("; boiling in the pan it still %s", Reads(m.HotClingsG))
	}
	out.Reads += "."
	m.steps(&out, s, find, h)
	m.softens(&out, find)
	m.waits(&out, s, h)
	m.cautions(&out, s, find, h)
	return out
}

func (m Made) steps(out *Told, s Serving, find Find, h units.Household) {
	say := func(minute float64, format string, args ...any) {
		out.Steps = append(out.Steps, HobStep{minute, fmt.Sprintf(format, args...)})
	}
	name := func(id string) string {
		if i, err := find(id); err == nil {
			return i.Name
		}
		return id
	}
	let := ""
	if m.WaterG >= 1 {
		let = fmt.Sprintf(", with %s of water", h.Grams(m.WaterG))
	}
	if s.Sauce.School == Mix {
		say(0, "Stir it all together; it thickens a little while it stands.")
		return
	}
	heat := "low"
	for _, c := range Heats[1:] {
		if c.ID == s.Sauce.Heat {
			heat = strings.ToLower(c.Name)
		}
	}
	for _, at := range m.Moments {
		switch at.Kind {
		case "on":
			switch {
			case len(s.Sauce.First) > 0:
				var names []string
				for _, id := range s.Sauce.First {
					names = append(names, name(id))
				}
				say(at.Minute, "Soften %s in the fat, %.0f min, without colour.", strings.Join(names, " and "), softenMin)
			case s.Sauce.School == Melt:
				say(at.Minute, "Warm it over low heat, whisking, until the butter has melted in; it must not boil.")
			case s.Sauce.School == Loosen:
				say(at.Minute, "Warm it over low heat%s, stirring until it runs.", let)
			default:
				say(at.Minute, "All of it into the pan, over the heat.")
			}
		case "add":
			say(at.Minute, "The rest goes in%s.", let)
		case "boil":
			if s.Sauce.School == Reduce {
				say(at.Minute, "It boils: down to %s, and let it reduce%s.", heat, let)
			} else {
				say(at.Minute, "It boils: down to %s, %s.", heat, units.Minutes(*s.Sauce.SimmerMin))
			}
		case "slurry":
			say(at.Minute, "Stir %s of %s into %s of cold water, then into the pan; off the heat when it coats the spoon, a minute later.", h.Grams(m.StarchG), name(s.Sauce.Starch), h.Grams(m.SlurryG))
		case "ready":
			say(at.Minute, "Ready: it %s.", Reads(m.ClingsG))
		}
	}
}

// softens says when what is in it by the piece is soft.
func (m Made) softens(out *Told, find Find) {
	for _, soft := range m.Soft {
		i, err := find(soft.Ingredient)
		if err != nil {
			continue
		}
		name, _, _ := strings.Cut(i.Name, " in ")
		if soft.AtMin != nil {
			out.Reads += fmt.Sprintf(" The %s is soft by minute %.0f.", name, math.Ceil(*soft.AtMin))
			continue
		}
		out.Reads += fmt.Sprintf(" The %s still has bite: soft takes %s more.", name, units.Minutes(math.Max(1, math.Ceil(soft.MoreMin))))
	}
}

func (m Made) waits(out *Told, s Serving, h units.Household) {
	switch {
	case s.Sauce.School == Mix:
		out.Waits = "It can be made hours before, and stands in the fridge until then; two hours at most on the table."
	case m.WaitMin >= longestWait:
		out.Waits = fmt.Sprintf("Under a lid on the lowest heat it is good for %.0f min and more.", longestWait)
	default:
		out.Waits = fmt.Sprintf("Under a lid on the lowest heat it is good for %s", units.Minutes(math.Floor(m.WaitMin)))
		if m.SpoonG >= 0.5 {
			out.Waits += fmt.Sprintf("; then %s of water loosens it again", h.Spooned(m.SpoonG))
		}
		out.Waits += "."
	}
	switch {
	case m.LateMin >= 1:
		out.Waits = fmt.Sprintf("The food is out %s before the sauce is ready, and waits for it. Put the pan on sooner. ", units.Minutes(math.Ceil(m.LateMin))) + out.Waits
	case m.KeptMin > m.WaitMin:
		out.Waits = fmt.Sprintf("It is ready %s before the food and too thick by then. ", units.Minutes(math.Floor(m.KeptMin))) + out.Waits
	case m.KeptMin >= 1:
		out.Waits = fmt.Sprintf("It is ready %s before the food, and waits. ", units.Minutes(math.Floor(m.KeptMin))) + out.Waits
	}
}

func (m Made) cautions(out *Told, s Serving, find Find, h units.Household) {
	add := func(format string, args ...any) { out.Cautions = append(out.Cautions, fmt.Sprintf(format, args...)) }
	has := func(is map[string]bool) bool {
		for _, it := range m.Items {
			if is[it.Ingredient] {
				return true
			}
		}
		return false
	}
	hot := s.Sauce.Hot()
	boils := s.Sauce.School == Reduce || s.Sauce.School == Thicken
	switch {
	case m.Never && s.Sauce.School == Reduce:
		add("By boiling alone it does not get that thick before it is caramel: thicken it with starch, or ask for thinner.")
	case m.Never:
		add("With so much starch it would be a paste, and it still does not cling like that.")
	case s.Sauce.Aims() && m.ClingsG < m.Band[0]:
		add("It runs off: %.0f g cling to 100 cm², and %.0f are wanted. Reduce it, or thicken it with starch.", m.ClingsG, s.Sauce.ClingsG)
	case s.Sauce.Aims() && m.ClingsG > m.Band[1]:
		add("It is thicker than wanted: %.0f g cling to 100 cm². A spoon of water lets it down.", m.ClingsG)
	}
	if s.Sauce.Used && !boils {
		add("There is marinade in it in which raw food lay: it has to boil for a minute. Choose reduced or thickened.")
	} else if s.Sauce.Used {
		add("There is marinade in it in which raw food lay: let it boil for a full minute, stirring, before anyone tastes it.")
	}
	if deep := m.deepMm(s); hot && deep < thinMm && deep > 0 {
		add("It lies %.0f mm deep in so wide a pan and catches at the edge: %.0f cm across would do.", math.Max(1, deep), math.Max(12, math.Floor(s.Sauce.WidthCm*math.Sqrt(deep/5))))
	}
	if m.Caramel {
		add("Over 65 %% sugar: it boils well over %s, sticks to skin and sets hard as it cools. Stop sooner, or add a spoon of water.", h.Degrees(105))
	} else if boils && m.SugarPct > 40 {
		add("Hot sugar burns the skin worse than water: no tasting from the pan, and keep children away.")
	}
	if m.Splits {
		add("Its fat comes out: too much of it, and nothing that holds it. A spoon of mustard or honey does, or a spoon of water whisked in off the heat.")
	}
	if hot && has(smokes) {
		add("Chilli stings the eyes and throat when it gets hot: window open, face away from the pan.")
	}
	if raw := m.rawStarch(s, find); raw != "" {
		add("%s is raw in it and tastes of it: it has to boil.", raw)
	}
	if m.StarchG > 0 && cloudy[s.Sauce.Starch] {
		add("Flour makes it dull; simmer it a few minutes more, until it no longer tastes of flour.")
	}
	if has(chilled) && !hot {
		add("Made with what belongs into the fridge: two hours at most in the room.")
	}
	if hot {
		add("What is left over: cool it within two hours, and heat it once more at most, until it boils.")
	}
}

// thinMm is a depth at which a pan catches.
const thinMm = 3.0

// deepMm is how deep all of it lies in the pan at first.
func (m Made) deepMm(s Serving) float64 {
	g := m.WaterG
	for _, it := range m.Items {
		g += it.G
	}
	return g / 1.1 / (math.Pi / 4 * s.Sauce.WidthCm * s.Sauce.WidthCm) * 10
}

// rawStarch names a starch in a sauce that does not boil.
func (m Made) rawStarch(s Serving, find Find) string {
	if s.Sauce.School == Reduce || s.Sauce.School == Thicken {
		return ""
	}
	for _, it := range m.Items {
		if i, err := find(it.Ingredient); err == nil && thickens[i.ID] > 0 && it.G > 0 {
			return units.Capital(i.Name)
		}
	}
	return ""
}

// Starches that thicken, the strongest first.
func Starches() []string {
	return slices.SortedFunc(maps.Keys(thickens), func(a, b string) int {
		return cmp.Or(cmp.Compare(thickens[b], thickens[a]), cmp.Compare(a, b))
	})
}
