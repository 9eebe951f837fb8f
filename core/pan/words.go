package pan

import (
	"cmp"
	"fmt"
	"maps"
	"math"
	"slices"
	"strings"

	"velocrustum/core/larder"
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
	if m.LeftG >= leftWorth {
		out.Makes += fmt.Sprintf(" About %s stay in pan and bowl, and are not counted as eaten.", g(m.LeftG))
	}
	out.Reads = fmt.Sprintf("It %s: %s", Reads(m.ClingsG), h.OnSurface(m.ClingsG))
	if s.Sauce.Hot() && Reads(m.HotClingsG) != Reads(m.ClingsG) {
		out.Reads += fmt.Sprintf("; boiling in the pan it still %s", Reads(m.HotClingsG))
	}
	out.Reads += "."
	m.steps(&out, s, find, h)
	m.softens(&out, find)
	m.waits(&out, s, find, h)
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
	heat := "It boils: down to a simmer"
	switch s.Sauce.Heat {
	case "low":
		heat = "It boils: turn it down low"
	case "hard":
		heat = "It boils: keep it at a hard boil, stirring"
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
				in := "in the fat"
				if !m.hasFat(find) {
					in = "in a spoon of oil"
				}
				say(at.Minute, "Soften %s %s, %.0f min, without colour.", units.List(names), in, softenMin)
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
				say(at.Minute, "%s, and let it reduce%s.", heat, let)
			} else {
				say(at.Minute, "%s, %s.", heat, units.Minutes(*s.Sauce.SimmerMin))
			}
		case "slurry":
			starch := h.Grams(m.StarchG)
			if i, err := find(s.Sauce.Starch); err == nil {
				starch = h.Spooned(m.StarchG / i.Density)
				if m.StarchG >= 1 {
					starch = fmt.Sprintf("%s (%s)", h.Grams(m.StarchG), starch)
				}
			}
			say(at.Minute, "Stir %s of %s into %s of cold water, then into the pan; off the heat when it coats the spoon, a minute later.", starch, name(s.Sauce.Starch), h.Spooned(m.SlurryG))
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

func (m Made) waits(out *Told, s Serving, find Find, h units.Household) {
	switch {
	case s.Sauce.School == Mix && s.Sauce.Used:
		out.Waits = "Not to be eaten as it is: see below."
	case s.Sauce.School == Mix && m.hasEgg(find):
		out.Waits = "It stands in the fridge until it is eaten, on the same day."
	case s.Sauce.School == Mix:
		out.Waits = "It can be made hours before, and stands in the fridge until then; two hours at most on the table."
	case m.WaitMin >= longestWait:
		out.Waits = fmt.Sprintf("Under a lid on the lowest heat it is good for %.0f min and more.", longestWait)
	case m.WaitMin < 1:
		out.Waits = "It does not wait: eat it as soon as it is ready"
		if m.SpoonG >= 0.5 {
			out.Waits += fmt.Sprintf(", or loosen it with %s of water", h.Spooned(m.SpoonG))
		}
		out.Waits += "."
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

// eggC is what egg in a sauce is to reach, °C.
const eggC = 71

// leftWorth is the least that stays behind and is said, g.
const leftWorth = 3.0

// has says whether one of some ingredients is in it.
func (m Made) has(is map[string]bool) bool {
	return slices.ContainsFunc(m.Items, func(it larder.Item) bool { return is[it.Ingredient] && it.G > 0 })
}

// hasEgg says whether there is egg in it that nothing has cooked.
func (m Made) hasEgg(find Find) bool {
	return slices.ContainsFunc(m.Items, func(it larder.Item) bool {
		i, err := find(it.Ingredient)
		return err == nil && i.Role == larder.Egg && it.G > 0
	})
}

// hasFat says whether there is enough fat in it to soften something in.
func (m Made) hasFat(find Find) bool {
	return slices.ContainsFunc(m.Items, func(it larder.Item) bool {
		i, err := find(it.Ingredient)
		return err == nil && i.Fat*it.G/100 >= 2
	})
}

func (m Made) cautions(out *Told, s Serving, find Find, h units.Household) {
	add := func(format string, args ...any) { out.Cautions = append(out.Cautions, fmt.Sprintf(format, args...)) }
	hot := s.Sauce.Hot()
	boils := s.Sauce.School == Reduce || s.Sauce.School == Thicken
	switch {
	case m.Never && s.Sauce.School == Reduce:
		add("By boiling alone it does not get that thick before it is caramel: thicken it with starch, or ask for thinner.")
	case m.Never:
		add("With so much starch it would be a paste, and it still does not cling like that.")
	case s.Sauce.Aims() && m.ClingsG < m.Band[0]:
		add("It stays thinner than wanted: %s. Reduce it, or thicken it with starch.", h.OnSurface(m.ClingsG))
	case s.Sauce.Aims() && m.ClingsG > m.Band[1]:
		add("It is thicker than wanted: %s. A spoon of water lets it down.", h.OnSurface(m.ClingsG))
	}
	if raw := m.hasEgg(find); raw && boils {
		add("Egg curdles when it boils: whisk it in off the heat, when the rest has stopped boiling, and warm it to %s without boiling.", h.Degrees(eggC))
	} else if raw {
		add("There is raw egg in it: not for small children, pregnant women, the old or the ill, unless it is pasteurised.")
	}
	if s.Sauce.Used && !boils {
		add("There is marinade in it in which raw food lay: it has to boil for a minute. Choose reduced or thickened.")
	} else if s.Sauce.Used {
		add("There is marinade in it in which raw food lay: let it boil for a full minute, stirring, before anyone tastes it.")
	}
	if hot && m.DeepMm < thinMm {
		deep := h.Millimetres(math.Max(1, m.DeepMm))
		if small := panFor(m.DeepMm * math.Pi / 40 * m.WidthCm * m.WidthCm); small < m.WidthCm {
			add("It lies %s deep in so wide a pan and catches at the edge: take one of %s across.", deep, h.Centimetres(small))
		} else {
			add("So little lies %s deep even in a small pan and catches soon: stir all the time, or make double and keep the rest.", deep)
		}
	}
	if m.Caramel {
		add("Over 65 %% sugar: it boils well over %s, sticks to skin and sets hard as it cools. Stop sooner, or add a spoon of water.", h.Degrees(105))
	} else if boils && m.SugarPct > 40 {
		add("Hot sugar burns the skin worse than water: no tasting from the pan, and keep children away.")
	}
	if m.Splits {
		add("Its fat comes out: too much of it, and nothing that holds it. A spoon of mustard or honey does, or a spoon of water whisked in off the heat.")
	}
	if hot && m.has(smokes) {
		add("Chilli stings the eyes and throat when it gets hot: window open, face away from the pan.")
	}
	if raw := m.rawStarch(s, find); raw != "" {
		add("%s is raw in it and tastes of it: it has to boil.", raw)
	}
	if m.StarchG > 0 && cloudy[s.Sauce.Starch] {
		add("Flour makes it dull; simmer it a few minutes more, until it no longer tastes of flour.")
	}
	if m.has(chilled) && !hot {
		add("Made with what belongs into the fridge: two hours at most in the room.")
	}
	if hot {
		add("What is left over: cool it within two hours, and heat it once more at most, until it boils.")
	}
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
