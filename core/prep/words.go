package prep

import (
	"cmp"
	"fmt"
	"math"
	"strings"

	"velocrustum/core/food"
	"velocrustum/core/larder"
	"velocrustum/core/pan"
	"velocrustum/core/safety"
	"velocrustum/core/units"
)

// A Station is one step of the bench, in the order of the hands.
type Station struct {
	ID       string `json:"id"`
	Title    string `json:"title"`
	Headline string `json:"headline"` // how much, how long
	// Phrases are the headline, part by part, each with what can be chosen there.
	Phrases  []Phrase `json:"phrases"`
	Why      string   `json:"why"`
	Cautions []string `json:"cautions"`
}

// A Phrase is a part of a headline. About is the choice behind it; none where empty.
type Phrase struct {
	Says  string `json:"says"`
	About string `json:"about,omitempty"`
}

// Choices behind the phrases of headlines.
const (
	aboutCut    = "cut"    // pieces, and what is made of them
	aboutDry    = "dry"    // school and hours
	aboutSalt   = "salt"   // which, how much, in what
	aboutSchool = "school" // dry, brine, soak
	aboutHours  = "hours"
	aboutItems  = "items"
	aboutCoat   = "coat"
	aboutBowls  = "bowls"
	aboutRest   = "rest"
	aboutOil    = "oil"
)

// say makes a headline of phrases; what is about nothing stands between.
func (s *Station) say(phrases ...Phrase) {
	s.Phrases, s.Headline = phrases, ""
	for _, p := range phrases {
		s.Headline += p.Says
	}
}

// words puts the figures of a bench into sentences in a household's units.
type words struct {
	*Worked
	p Pantry
	units.Household
}

// Words returns the stations of a worked bench in the order of the hands.
func (w *Worked) Words(p Pantry, h units.Household) []Station {
	say := words{w, p, h}
	b := &w.Bench
	out := []Station{}
	if b.Cutting != nil || w.Lot.Cut.Stuffing > 0 || say.wrapped() {
		out = append(out, say.cutting())
	}
	out = append(out, say.drying())
	if b.Salting != nil {
		out = append(out, say.salting(b.Salting))
	}
	if w.Marinaded != nil {
		out = append(out, say.marinating(w.Marinaded))
	} else if b.Marinade != nil {
		out = append(out, emptyStation("marinade", "Marinate"))
	}
	out = append(out, say.coating())
	if len(b.Finish) > 0 || len(w.Mixes) > 0 || len(w.Sauces) > 0 {
		out = append(out, say.finishing())
	} else if b.Finish != nil {
		out = append(out, emptyStation("finish", "Finish"))
	}
	if w.SaltPct > tooSalty {
		for i := range out {
			if s := &out[i]; s.ID == "salt" || s.ID == "marinade" || s.ID == "finish" {
				s.Cautions = append(s.Cautions, fmt.Sprintf("With all sources it comes to %.1f %% salt, too salty for most; %g is mild, %g bold.", w.SaltPct, MildSalt, BoldSalt))
				break
			}
		}
	}
	return out
}

const nothingYet = "What is in it?"

// emptyStation is a step of which nobody has said what is in it.
func emptyStation(id, title string) Station {
	s := Station{ID: id, Title: title, Why: "Add what you have; amounts as you would say them: 2 tbsp, ½ cup, 120 g.", Cautions: []string{}}
	s.say(Phrase{nothingYet, aboutItems})
	return s
}

func (w words) wrapped() bool {
	return w.Coated.Coat.ID == food.Wrap || w.Lot.Cut.Wrapped()
}

// sliceMm is how wide a slice of a wrap is, where nobody says.
const sliceMm = 30.0

// cutting says how many pieces and how large, what goes into them and what
// around them.
func (w words) cutting() Station {
	l := &w.Lot
	c := w.Bench.Cutting
	if c == nil {
		c = &Cutting{}
	}
	s := Station{ID: "cut", Title: "Cut", Cautions: []string{}}
	s.say(Phrase{fmt.Sprintf("%d %s of %s, %s thick", l.Pieces, plural(l.Pieces, l.Cut.Name, l.Cut.Plural), w.Grams(l.PieceG), w.Millimetres(l.Piece.Thickness*1000)), aboutCut})
	if c.WholeG > 0 {
		from := int(math.Floor(c.WholeG/l.PieceG + 1e-9))
		s.Why = fmt.Sprintf("%s make %d of them, with %s over. ", w.Grams(c.WholeG), from, w.Grams(c.WholeG-float64(from)*l.PieceG))
	}
	if m, ok := making(w.before.Cut, c.As); ok {
		for _, left := range m.Left {
			g := left.Share * w.before.PieceMassG * float64(w.before.Pieces)
			what := fmt.Sprintf("%s of %s", w.Grams(g), left.Name)
			if left.Each > 0 {
				what = fmt.Sprintf("%d %s, %s", left.Each*w.before.Pieces, left.Name, w.Grams(g))
			}
			s.Why += fmt.Sprintf("Over: %s, %s. ", what, left.Use)
		}
		if m.FillG > 0 {
			ml := m.FillG / fillingDensity
			s.Why += fmt.Sprintf("Filling: %s for each, %s in all. ", w.Spooned(ml), w.Grams(m.FillG*float64(l.Pieces)))
		}
	}
	if c.Scored && MayScore(l.Cut) {
		s.Why += "Scored a third deep on both sides, a thumb apart: heat, salt and smoke have less far to go. "
	}
	if l.Cut.Stuffing > 0 && c.As == "" {
		each := l.PieceG * l.Cut.Stuffing
		s.Why += fmt.Sprintf("Stuff each with %s, %s in all. ", w.Grams(each), w.Grams(each*float64(l.Pieces)))
		s.Cautions = append(s.Cautions, "A stuffing has to reach its own temperature, the poultry's; stuff just before frying.")
	}
	if w.wrapped() {
		// A slice goes around once, with a fifth over for the seam.
		wide := c.SliceMm
		if wide == 0 {
			wide = sliceMm
		}
		girth := math.Pi * (l.Piece.Width + l.Piece.Thickness) / 2 * 1000
		each := math.Max(1, math.Round(l.Piece.Length*1000/wide))
		s.Why += fmt.Sprintf("Around each: %.0f %s of %s, %s long, seam down. ", each, plural(int(each), "slice", "slices"), w.Millimetres(wide), w.Millimetres(math.Ceil(1.2*girth)))
	}
	if c.SpreadPct > 0 {
		s.Why += fmt.Sprintf("Nineteen in twenty within %.0f %% of that: the thickest decides when all are safe, the thinnest when the first is dry.", c.SpreadPct)
	} else {
		s.Why += "Even pieces cook evenly."
	}
	return s
}

// fillingDensity is that of a minced filling, g/ml.
const fillingDensity = 1.0

func (w words) drying() Station {
	d := w.Bench.Drying
	if d.School == "" {
		d = dryingOf(w.Lot.Wet)
	}
	s := Station{ID: "dry", Title: "Dry", Cautions: []string{}}
	switch d.School {
	case "rack":
		s.say(Phrase{fmt.Sprintf("Wipe, then %s on a rack", hoursWords(d.Hours)), aboutDry})
		s.Why = "Uncovered, the air of the fridge dries what is outside."
		if g := math.Round(rackTakes * d.Hours * w.Lot.Surface()); g >= 1 {
			s.Why = fmt.Sprintf("Uncovered, the air of the fridge takes about %s of water off them in all.", w.Grams(g))
		}
		s.Cautions = append(s.Cautions, fmt.Sprintf("Fridge at %s or under, raw food below what is eaten raw.", w.Degrees(food.FridgeC))+w.yours())
	case "wet":
		s.say(Phrase{"Left wet", aboutDry})
		s.Why = fmt.Sprintf("About %s of water have to boil off before anything crisps.", w.Grams(math.Round(d.SurfaceWater()*w.Lot.Surface())))
	case "rinse":
		s.say(Phrase{"Rinse, then wipe dry", aboutDry})
		s.Why = "Wiped dry it is as dry as unrinsed."
	default:
		s.say(Phrase{"Wipe with paper", aboutDry})
		s.Why = "A dry surface decides crispness, and paper leaves little on it."
	}
	if d.School == "rinse" && (w.Lot.Cut.Class == safety.Poultry || w.Lot.Cut.Class == safety.Stuffed) {
		s.Cautions = append(s.Cautions, "Public advice is not to rinse raw poultry: splashes spread germs around the sink.")
	}
	return s
}

func (w words) salting(c *Salting) Station {
	s := Station{ID: "salt", Title: "Salt", Cautions: []string{}}
	id := c.Salt
	if id == "" {
		id = usualSalt
	}
	salt := w.p[id]
	if b := w.Brine; b != nil {
		much := fmt.Sprintf("%s of salt (%s) in %s", w.Grams(b.SaltG), w.Spooned(b.SaltG/salt.Density), b.bath(w.Household))
		if b.SaltG == 0 {
			much = b.bath(w.Household) + ", no salt"
		}
		s.say(Phrase{much, aboutSalt}, Phrase{Says: ", "}, Phrase{hoursWords(c.Hours), aboutHours}, Phrase{Says: ", "}, Phrase{map[bool]string{true: "a brine", false: "a soak"}[c.School == "brine"], aboutSchool})
		if w.Salted == nil {
			s.Why = "Without salt nothing goes in; it wets the surface, so wipe it dry."
			return s
		}
	} else {
		if w.Salted == nil {
			others := summed(w.SaltFrom)
			s.say(Phrase{"No salt: it is in the rest", aboutSalt})
			s.Why = fmt.Sprintf("The other sources bring %s already, %.1f %%.", w.Grams(others), 100*others/w.Lot.EdibleG())
			return s
		}
		s.say(Phrase{fmt.Sprintf("%s of salt: %s of %s", w.Grams(w.RubG), w.Spooned(w.RubG/salt.Density), salt.Name), aboutSalt}, Phrase{Says: ", "}, Phrase{"rubbed on dry", aboutSchool}, Phrase{Says: ", "}, Phrase{hoursWords(c.Hours), aboutHours})
	}
	got := w.Salted
	middle := "the middle stays plain"
	if got.CentrePct >= 0.5*got.MeanPct {
		middle = "and the middle too"
	}
	s.Why = fmt.Sprintf("After %s it is seasoned %s deep, %s. Most of what goes in is in after %s.", hoursWords(c.Hours), w.Millimetres(got.ReachMm), middle, orLonger(got.To80Hours))
	share := "half"
	if c.Even > 0 && c.Even != 0.5 {
		share = fmt.Sprintf("%.0f %%", 100*c.Even)
	}
	s.Why += fmt.Sprintf(" The middle gets %s as salty as the whole after %s.", share, orLonger(got.EvenHours))
	if c.School != "dry" {
		s.Why += fmt.Sprintf(" Left for days it would even out at %.1f %%.", got.EquilibriumPct)
	}
	s.Cautions = w.chilled(s.Cautions, c.Hours)
	if w.Lot.Cut.Class == safety.Fish && c.Hours > 1 {
		s.Cautions = append(s.Cautions, "Fish turns firm, as if cured, after about an hour in salt.")
	}
	return s
}

// bath is the liquid of a brine, and how much.
func (b Brine) bath(h units.Household) string {
	return fmt.Sprintf("%s of %s", h.Litres(b.Ml), cmp.Or(b.Liquid, "water"))
}

func (w words) marinating(m *Marinaded) Station {
	s := Station{ID: "marinade", Title: "Marinate", Cautions: []string{}}
	s.say(Phrase{hoursWords(m.Hours), aboutHours}, Phrase{Says: " in the fridge, in "}, Phrase{w.inIt(w.Bench.Marinade.Items), aboutItems})
	r := m.Reach
	for1, whole := w.Whole()
	per := m.PerKg.Part(for1 / 1000)
	s.Why = fmt.Sprintf("%s The limit is set by the %s: worth it from %s; past %s it is %s. For %s it holds %s of salt, %s of sugar, %s of acid and %s of fat; %s of it go along into the basket.",
		r.verdict(m.Hours), r.Kind, hoursWords(r.Least), hoursWords(r.Most), r.Past, whole,
		w.Grams(per.SaltG), w.Grams(per.SugarG), w.Grams(per.AcidG), w.Grams(per.FatG), w.Grams(m.TakenG))
	if m.PerKg.SaltG > 0 {
		s.Why += fmt.Sprintf(" Its salt gets %s deep.", w.Millimetres(m.Salted.ReachMm))
	}
	if kept := w.KeptBackG.MassG; kept > 0 {
		s.Why += fmt.Sprintf(" %s of the dry seasoning are kept for the coat.", w.Grams(kept))
	}
	s.Cautions = append(w.chilled(s.Cautions, m.Hours), "Throw used marinade away, or boil it.")
	return s
}

// verdict says whether so many hours are worth it.
func (r Reach) verdict(hours float64) string {
	switch {
	case hours > r.Most:
		short, _, _ := strings.Cut(r.Past, ":")
		return fmt.Sprintf("Too long: %s.", short)
	case hours < r.Least:
		return fmt.Sprintf("Hardly worth it before %s.", hoursWords(r.Least))
	}
	return fmt.Sprintf("Good: best around %s, most %s.", hoursWords(r.Best), hoursWords(r.Most))
}

func (w words) coating() Station {
	s := Station{ID: "coat", Title: "Coat and oil", Cautions: []string{}}
	coat, c := w.Coated.Coat, w.Bench.Coating
	oil := w.oiling()
	if len(w.Coated.Bowls) == 0 {
		name := "no coat"
		s.Why = "Nothing else goes on it."
		switch {
		case coat.ID == food.Wrap:
			name, s.Why = "in its wrap", "The wrap bastes it with its own fat."
		case w.Lot.Cut.SkinMm > 0:
			s.Why = "The skin gives fat enough of its own."
		}
		s.say(Phrase{units.Capital(oil), aboutOil}, Phrase{Says: ", "}, Phrase{name, aboutCoat})
	} else {
		s.Why = fmt.Sprintf("%s stick to them in all; top the bowls up rather than fill them.", w.Grams(w.Coated.StuckG))
		if with := w.Lot.Bowls.Names; len(with) > 0 && !w.Coated.Rubbed() {
			s.Why += fmt.Sprintf(" One set of bowls does for %s as well: what is put out is for all.", list(with))
		}
		out := Phrase{"Put out " + w.bowls(), aboutBowls}
		if w.Coated.Rubbed() {
			out = Phrase{"Rub in " + w.bowls(), aboutBowls}
			s.Why = "It makes the skin alkaline: that browns sooner and blisters thin. Mix it with the salt and the spices."
			s.Cautions = append(s.Cautions, "Baking powder, not soda alone: that tastes of soap.")
		}
		if g := w.Coated.LeaveningG; g > 0 {
			out.Says += fmt.Sprintf("; %s of baking powder (%s) in the flour", w.Grams(g), w.Spooned(g/w.p["leavening"].Density))
			s.Why += " Its gas makes the crust lighter to the bite, which the forecast leaves out."
		}
		said := []Phrase{out, {Says: " for "}, {w.coatName(), aboutCoat}}
		if w.Coated.Rubbed() {
			said[1].Says = ", as "
		}
		if w.Coated.RestMin > 0 {
			said = append(said, Phrase{Says: "; rest "}, Phrase{fmt.Sprintf("%.0f min", w.Coated.RestMin), aboutRest})
		}
		s.say(append(said, Phrase{Says: "; "}, Phrase{oil, aboutOil})...)
		if need := w.Coated.Coat.RestMin; w.Coated.RestMin < need {
			s.Cautions = append(s.Cautions, fmt.Sprintf("Rested %.0f min it holds less: it needs %.0f. Turn it late, and gently.", w.Coated.RestMin, need))
		}
	}
	if w.Coated.Waste >= 10 && len(w.Coated.Bowls) > 0 && !w.Coated.Rubbed() {
		text := fmt.Sprintf("About %s is left in the bowls, and has touched raw food: away with it", w.Grams(w.Coated.Waste))
		if m := w.Coated.FryMin; m > 0 {
			text += fmt.Sprintf(", or fry the crumbs at once in a spoon of oil, %.0f min, stirring, until all are brown, and eat them hot", m)
		}
		s.Cautions = append(s.Cautions, text+".")
	}
	if c.Oil == "mist" {
		s.Cautions = append(s.Cautions, "No spray with propellant on non-stick surfaces.")
	}
	if c.Where == "up" && coat.NeedsOil > 0 && w.Coated.OilG > 0 {
		s.Cautions = append(s.Cautions, "Dry patches on the other side stay pale and floury; mist them at the turn.")
	}
	s.Cautions = append(s.Cautions, w.unused(c.unused(w.Coated.named))...)
	if len(w.Allergens) > 0 {
		s.Cautions = append(s.Cautions, "Holds "+list(w.Allergens)+".")
	}
	return s
}

// bowls says what to put out.
func (w words) bowls() string {
	var out []string
	for _, b := range w.Coated.Bowls {
		ing := w.p[b.Ingredient]
		text := fmt.Sprintf("%s of %s (%s)", w.Grams(b.PutOutG), ing.Name, w.Spooned(b.PutOutG/ing.Density))
		if ing.Role == larder.Egg {
			text = fmt.Sprintf("%d %s", w.Coated.Eggs, plural(w.Coated.Eggs, "egg", "eggs"))
			if g := w.Coated.StretchG; g >= 1 {
				text += fmt.Sprintf(" with %s of water", w.Grams(g))
			}
		}
		out = append(out, text)
	}
	return strings.Join(out, ", then ")
}

// oiling says how much oil goes where, and how.
func (w words) oiling() string {
	c, g := w.Bench.Coating, w.Coated.OilG
	if g == 0 {
		return "no oil"
	}
	of := w.Grams(g) + " of oil"
	if c.Oil == "" {
		return of
	}
	if c.Where == "up" {
		of += " on the side that is up"
	}
	of += map[string]string{"mist": ", misted on", "brush": ", brushed on", "toss": ", tossed"}[c.Oil]
	if passes := max(1, c.Passes); passes > 1 {
		of += fmt.Sprintf(" in %d passes of %s", passes, w.Grams(g/float64(passes)))
	}
	return of
}

// coatName is what a coat is called in a sentence.
func (w words) coatName() string {
	if w.Coated.Coat.ID == food.Made {
		return "a coat of your own"
	}
	return w.Coated.Coat.Name
}

// inIt names the first ingredients of a mixture, and how many more there are.
func (w words) inIt(items []Item) string {
	var names []string
	for _, it := range items {
		names = append(names, w.p[it.Ingredient].Name)
	}
	if n := len(names) - 3; n > 1 {
		names = append(names[:3:3], fmt.Sprintf("%d more", n))
	}
	return list(names)
}

func (w words) finishing() Station {
	s := Station{ID: "finish", Title: "Finish", Cautions: []string{}}
	b := &w.Bench
	var hot, last, sauces []string
	for i, m := range w.mixes() {
		made := w.Mixes[i]
		text := fmt.Sprintf("%s of %s", w.Grams(made.G), m.Name)
		if n := made.Evenings; n != nil && *n >= 0 {
			text += fmt.Sprintf(" (the jar lasts for %d more)", *n)
		} else if n != nil {
			s.Cautions = append(s.Cautions, fmt.Sprintf("The jar of %s has %s: not enough for this.", m.Name, w.Grams(m.JarG)))
		}
		hot = append(hot, text)
		if made.FallsG >= 1 {
			s.Cautions = append(s.Cautions, fmt.Sprintf("About %s of %s fall off again: a hot crust holds %s.", w.Grams(made.FallsG), m.Name, w.OnSurface(dustHolds)))
		}
	}
	for _, it := range b.Finish {
		i := w.p[it.Ingredient]
		text := fmt.Sprintf("%s of %s", w.Grams(it.G), i.Name)
		if moment(i) == WhileHot {
			hot = append(hot, text)
		} else {
			last = append(last, text)
		}
	}
	for i, sauce := range w.Dressings() {
		name := sauce.Name
		if name == "" {
			name = "the sauce"
		}
		sauces = append(sauces, fmt.Sprintf("%s of %s %s", w.Grams(w.Sauces[i].MadeG), name, pan.WayOf(sauce.Whole().How).To))
	}
	var parts []string
	if g := w.FinishG.MassG; g > 0 {
		parts = append(parts, w.Grams(g)+" on all of it")
	}
	if len(sauces) > 0 {
		parts = append(parts, list(sauces))
	}
	if len(parts) == 0 {
		parts = []string{"Straight from the basket"}
	}
	s.say(Phrase{strings.Join(parts, ", "), aboutItems})
	if len(hot) > 0 {
		s.Why += "At once, while it is hot and glistens: " + list(hot) + ". "
	}
	if len(last) > 0 {
		s.Why += "Last, at the table: " + list(last) + ". "
	}
	switch g := w.FinishG.SaltG + w.SaltFrom["sauce"]; {
	case g < tooLittleG:
		s.Why += "It brings no salt."
	case b.Salting != nil && b.Salting.School == "dry":
		s.Why += fmt.Sprintf("It brings %s of salt; the rub has dropped by that.", w.Grams(g))
	default:
		s.Why += fmt.Sprintf("It brings %s of salt, on top of the rest.", w.Grams(g))
	}
	return s
}

// hoursWords words a time: "20 min", "2 ½ h", "18 h".
func hoursWords(h float64) string {
	if h < 1 {
		return fmt.Sprintf("%.0f min", math.Round(h*12)*5)
	}
	if h < 10 {
		return units.Long(math.Round(2*h) * 30)
	}
	return fmt.Sprintf("%.0f h", math.Round(h))
}

func orLonger(h float64) string {
	if h == 0 {
		return "more than four days"
	}
	return hoursWords(h)
}

func plural(n int, one, more string) string {
	if n == 1 {
		return one
	}
	return more
}

func list(names []string) string {
	if len(names) == 1 {
		return names[0]
	}
	return strings.Join(names[:len(names)-1], ", ") + " and " + names[len(names)-1]
}
