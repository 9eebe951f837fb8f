package prep

import (
	"fmt"
	"math"
	"slices"

	"velocrustum/core/food"
	"velocrustum/core/safety"
	"velocrustum/core/units"
)

// A Bench is what a cook does before the basket, by choices. What is nil or
// empty is not done.
type Bench struct {
	Servings int       `json:"servings,omitempty"` // 2
	Cutting  *Cutting  `json:"cutting,omitempty"`
	Drying   Drying    `json:"drying"`
	Salting  *Salting  `json:"salting,omitempty"`
	Marinade *Marinade `json:"marinade,omitempty"`
	Coating  Coats     `json:"coating"`
	Finish   []Item    `json:"finish,omitempty"` // sauce and seasoning afterwards
	Prices   *Prices   `json:"prices,omitempty"`
}

// Prices are the cook's own, in one currency.
type Prices struct {
	MeatPerKg float64 `json:"meatPerKg,omitempty"`
	PerKWh    float64 `json:"perKWh,omitempty"`
}

// Cutting is how the pieces are made.
type Cutting struct {
	WholeG    float64 `json:"wholeG,omitempty"`    // what is cut up
	SpreadPct float64 `json:"spreadPct,omitempty"` // how uneven the pieces are
	SliceMm   float64 `json:"sliceMm,omitempty"`   // width of a slice of a wrap
	// As is the cut that the pieces are made into: boned, frenched,
	// butterflied, stuffed, cut up. Empty leaves them.
	As string `json:"as,omitempty"`
}

// made lists what a cut can be made into with a knife, and what share of a
// piece is left of it.
var made = map[string][]Making{
	"prawn":                  {{"prawn-butterflied", "Butterfly them", 1, 1}, {"prawn-wrapped", "Wrap them", 1.75, 1}},
	"chicken-drumstick":      {{"chicken-drumstick-frenched", "French them", 0.95, 1}},
	"chicken-thigh-bone-in":  {{"chicken-thigh-boneless", "Bone and skin them", 0.68, 1}},
	"chicken-thigh-boneless": {{"chicken-thigh-chunk", "Cut them into chunks", 0.16, 6}},
	"chicken-breast-cutlet":  {{"chicken-breast-chunk", "Cut them into chunks", 0.142, 7}},
	"chicken-wing-whole":     {{"chicken-wing-stuffed", "Bone and stuff them", 0.95, 1}},
	"fish-fillet-white":      {{"fish-strip", "Cut them into fingers", 0.25, 4}},
}

// A Making is one way of making a cut into another.
type Making struct {
	To     string  `json:"to"`
	Says   string  `json:"says"`
	Share  float64 `json:"share"`  // of a piece's weight that a new piece has
	Pieces int     `json:"pieces"` // new ones from one
}

// Makings returns what a cut can be made into.
func Makings(cut string) []Making { return made[cut] }

// Make returns how many pieces of what weight come of making a cut into
// another, or a Problem.
func Make(cut, to string, pieces int, pieceG float64) (int, float64, error) {
	var known []string
	for _, m := range made[cut] {
		if m.To == to {
			return pieces * m.Pieces, pieceG * m.Share, nil
		}
		known = append(known, m.To)
	}
	return 0, 0, Problem{"cutting.as", fmt.Sprintf("%q", to), fmt.Sprintf("what a %s can be made into: %v", cut, known)}
}

// Drying is how the surface is dried. Schools: wipe, rack, rinse (and wiped),
// wet.
type Drying struct {
	School string  `json:"school,omitempty"`
	Hours  float64 `json:"hours,omitempty"` // on the rack
}

// Salting is dry salt or a wet brine.
type Salting struct {
	School string `json:"school"` // dry, brine
	Salt   string `json:"salt,omitempty"`
	// TargetPct is the salt wanted in the edible part, with all sources.
	TargetPct float64 `json:"targetPct,omitempty"`
	Hours     float64 `json:"hours"`
	// WaterG and StrengthPct are those of a brine.
	WaterG      float64 `json:"waterG,omitempty"`
	StrengthPct float64 `json:"strengthPct,omitempty"`
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

// A Station is one step of the bench, in the order of the hands.
type Station struct {
	ID       string   `json:"id"`
	Title    string   `json:"title"`
	Headline string   `json:"headline"` // how much, how long
	Why      string   `json:"why"`
	Cautions []string `json:"cautions"`
}

// Effects are what the engine is told.
type Effects struct {
	SurfaceWaterG float64 `json:"surfaceWaterG"` // g/100 cm²
	SpreadPct     float64 `json:"spreadPct"`     // of thickness; 0 leaves it
	SaltPct       float64 `json:"saltPct"`
	SugarPct      float64 `json:"sugarPct"`
	OilG          float64 `json:"oilG"`
}

// Worked is the bench worked out.
type Worked struct {
	Stations  []Station  `json:"stations"`
	Effects   Effects    `json:"effects"`
	Salted    *Salted    `json:"salted"`
	Marinaded *Marinaded `json:"marinaded"`
	Coated    Coating    `json:"coated"`
	// SaltPct is all salt in the edible part, by source in g.
	SaltPct   float64            `json:"saltPct"`
	SaltFrom  map[string]float64 `json:"saltFrom"`
	RubG      float64            `json:"rubG"` // dry salt to put on
	Allergens []string           `json:"allergens"`
	MassG     float64            `json:"massG"` // raw
	edible    float64
	added     Totals
}

// Limits of a bench.
const (
	MaxHours    = 96.0
	MaxItems    = 24
	MaxItemG    = 20000.0
	DryingStart = "wipe"
)

// Problem is a field of a bench that cannot be.
type Problem struct{ Field, Value, Allowed string }

func (p Problem) Error() string {
	return fmt.Sprintf("%s: %s is not possible; allowed: %s", p.Field, p.Value, p.Allowed)
}

func within(field string, v, lo, hi float64, unit string) error {
	if v >= lo && v <= hi {
		return nil
	}
	return Problem{field, fmt.Sprintf("%g", v), fmt.Sprintf("%g to %g %s", lo, hi, unit)}
}

func among(field, v string, known ...string) error {
	if slices.Contains(known, v) {
		return nil
	}
	return Problem{field, fmt.Sprintf("%q", v), fmt.Sprint(known)}
}

// check returns the first thing that is wrong.
func (b Bench) check(p Pantry) error {
	list := []error{
		within("servings", float64(b.Servings), 0, 40, "servings"),
		among("drying.school", b.Drying.School, "", "wipe", "rack", "rinse", "wet"),
		within("drying.hours", b.Drying.Hours, 0, 48, "hours"),
		among("coating.oil", b.Coating.Oil, "", "none", "mist", "brush", "toss"),
		within("coating.passes", float64(b.Coating.Passes), 0, 6, "passes"),
		within("coating.starch", b.Coating.Starch, 0, 0.5, "of the flour"),
	}
	if c := b.Cutting; c != nil {
		list = append(list, within("cutting.wholeG", c.WholeG, 0, MaxItemG, "g"), within("cutting.spreadPct", c.SpreadPct, 0, 40, "percent"),
			within("cutting.sliceMm", c.SliceMm, 0, 120, "mm"))
	}
	if c := b.Prices; c != nil {
		list = append(list, within("prices.meatPerKg", c.MeatPerKg, 0, 10000, "for 1 kg"), within("prices.perKWh", c.PerKWh, 0, 1000, "for 1 kWh"))
	}
	if s := b.Salting; s != nil {
		list = append(list, among("salting.school", s.School, "dry", "brine"), within("salting.hours", s.Hours, 0, MaxHours, "hours"),
			within("salting.targetPct", s.TargetPct, 0, 3, "percent"), within("salting.waterG", s.WaterG, 0, MaxItemG, "g"),
			within("salting.strengthPct", s.StrengthPct, 0, 26, "percent of the water"))
		if s.School == "brine" && s.WaterG == 0 {
			list = append(list, Problem{"salting.waterG", "0", "the water of the brine, in g"})
		}
		if s.Salt != "" {
			if i, err := p.Find(s.Salt); err != nil || i.Salt < 90 {
				list = append(list, Problem{"salting.salt", fmt.Sprintf("%q", s.Salt), "a salt of the pantry"})
			}
		}
	}
	items := slices.Clone(b.Finish)
	if b.Marinade != nil {
		list = append(list, within("marinade.hours", b.Marinade.Hours, 0, MaxHours, "hours"),
			within("marinade.coatShare", b.Marinade.CoatShare, 0, 1, "of the dry seasoning"), within("marinade.forG", b.Marinade.ForG, 0, MaxItemG, "g"))
		items = append(items, b.Marinade.Items...)
	}
	if len(items) > MaxItems {
		list = append(list, Problem{"marinade.items", fmt.Sprintf("%d ingredients", len(items)), fmt.Sprintf("up to %d", MaxItems)})
	}
	for _, it := range items {
		list = append(list, within("marinade.items.g", it.G, 0, MaxItemG, "g"))
		if _, err := p.Find(it.Ingredient); err != nil {
			list = append(list, Problem{"marinade.items.ingredient", fmt.Sprintf("%q", it.Ingredient), "an ingredient of the pantry"})
		}
	}
	for _, err := range list {
		if err != nil {
			return err
		}
	}
	return nil
}

// SurfaceWater is the free water on a surface, g/100 cm²: wiped 0.3, from
// the tap 2.5; a rack in the fridge takes 0.2 an hour, the free water first.
func (d Drying) SurfaceWater() float64 {
	switch d.School {
	case "wet":
		return 2.5
	case "rack":
		return math.Max(-1.2, 0.3-0.2*d.Hours)
	}
	return 0.3
}

const fridge = 4.0 // °C

// Work works a bench out for pieces of a cut. spoons are those of the cook's
// country; coatID is the plan's coat. The error is a Problem, or Salt's.
func (p Pantry) Work(cut food.Cut, pieceG, thicknessMm float64, pieces int, coatID string, b Bench, spoons units.Spoons) (Worked, error) {
	if err := b.check(p); err != nil {
		return Worked{}, err
	}
	piece := cut.Piece(pieceG, thicknessMm)
	massG := pieceG * float64(pieces)
	w := Worked{Stations: []Station{}, SaltFrom: map[string]float64{}, Allergens: []string{}, edible: massG * (1 - cut.Bone), MassG: massG}
	w.cut(cut, piece, pieces, pieceG, coatID, b.Cutting)
	w.dry(cut, piece, pieces, b.Drying)
	b.Coating.Coat = coatID
	var err error
	if w.Coated, err = p.Coat(piece, pieces, b.Coating); err != nil {
		return w, err
	}
	var finish Totals
	for _, it := range b.Finish {
		i, err := p.Find(it.Ingredient)
		if err != nil {
			return w, err
		}
		finish.add(i, it.G)
		w.Allergens = merge(w.Allergens, i.Allergens)
	}
	w.SaltFrom["coat"], w.SaltFrom["finish"] = w.Coated.Kept.SaltG, finish.SaltG
	w.added = finish
	if b.Marinade != nil && len(b.Marinade.Items) > 0 {
		if err := w.marinate(p, cut, piece, pieces, massG, *b.Marinade); err != nil {
			return w, err
		}
	}
	if b.Salting != nil {
		if err := w.salt(p, cut, piece, pieces, *b.Salting, spoons); err != nil {
			return w, err
		}
	}
	total := 0.0
	for _, g := range w.SaltFrom {
		total += g
	}
	w.SaltPct = 100 * total / w.edible
	w.coat(p, b.Coating, spoons)
	if len(b.Finish) > 0 {
		w.Stations = append(w.Stations, Station{ID: "finish", Title: "Finish", Headline: fmt.Sprintf("%.0f g on all of it", finish.MassG),
			Why: fmt.Sprintf("It brings %.1f g of salt; the rub has dropped by that.", finish.SaltG), Cautions: []string{}})
	}
	if w.SaltPct > tooSalty {
		for i := range w.Stations {
			if s := &w.Stations[i]; s.ID == "salt" || s.ID == "marinade" || s.ID == "finish" {
				s.Cautions = append(s.Cautions, fmt.Sprintf("With all sources it comes to %.1f %% salt, too salty for most; 0.8 is mild, 1.25 bold.", w.SaltPct))
				break
			}
		}
	}
	order := []string{"cut", "dry", "salt", "marinade", "coat", "finish"}
	slices.SortStableFunc(w.Stations, func(a, b Station) int { return slices.Index(order, a.ID) - slices.Index(order, b.ID) })
	w.Effects.SaltPct = 0
	for _, from := range []string{"salt", "marinade"} {
		w.Effects.SaltPct += 100 * w.SaltFrom[from] / w.edible
	}
	w.Effects.SaltPct = math.Min(5, w.Effects.SaltPct)
	w.Effects.OilG = math.Min(200, w.Coated.OilG+w.Effects.OilG)
	return w, nil
}

// cut says how many pieces and how large, what goes into them and what
// around them. It is there when something of it is asked or is in the cut.
func (w *Worked) cut(cut food.Cut, piece food.Piece, pieces int, pieceG float64, coatID string, c *Cutting) {
	wrapped := coatID == "wrap" || cut.ID == "prawn-wrapped"
	if c == nil {
		if cut.Stuffing == 0 && !wrapped {
			return
		}
		c = &Cutting{}
	}
	s := Station{ID: "cut", Title: "Cut", Cautions: []string{}}
	s.Headline = fmt.Sprintf("%d %s of %.0f g, %.0f mm thick", pieces, plural(pieces, cut.Name, cut.Plural), pieceG, piece.Thickness*1000)
	if c.WholeG > 0 {
		from := int(math.Floor(c.WholeG/pieceG + 1e-9))
		s.Why = fmt.Sprintf("%.0f g make %d of them, with %.0f g over. ", c.WholeG, from, c.WholeG-float64(from)*pieceG)
	}
	if cut.Stuffing > 0 {
		each := pieceG * cut.Stuffing
		s.Why += fmt.Sprintf("Stuff each with %.0f g, %.0f g in all. ", each, each*float64(pieces))
		s.Cautions = append(s.Cautions, "A stuffing has to reach its own temperature, the poultry's; stuff just before frying.")
	}
	if wrapped {
		// A slice goes around once, with a fifth over for the seam.
		wide := c.SliceMm
		if wide == 0 {
			wide = 30
		}
		girth := math.Pi * (piece.Width + piece.Thickness) / 2 * 1000
		each := math.Max(1, math.Round(piece.Length*1000/wide))
		s.Why += fmt.Sprintf("Around each: %.0f %s of %.0f mm, %.0f mm long, seam down. ", each, plural(int(each), "slice", "slices"), wide, math.Ceil(1.2*girth))
	}
	if c.SpreadPct > 0 {
		w.Effects.SpreadPct = c.SpreadPct
		s.Why += fmt.Sprintf("Nineteen in twenty within %.0f %% of that: the thickest decides when all are safe, the thinnest when the first is dry.", c.SpreadPct)
	} else {
		s.Why += "Even pieces cook evenly."
	}
	w.Stations = append(w.Stations, s)
}

func (w *Worked) dry(cut food.Cut, piece food.Piece, pieces int, d Drying) {
	w.Effects.SurfaceWaterG = d.SurfaceWater()
	s := Station{ID: "dry", Title: "Dry", Cautions: []string{}}
	area := float64(pieces) * piece.Surface * 100
	switch d.School {
	case "rack":
		s.Headline = fmt.Sprintf("Wipe, then %s on a rack", hoursWords(d.Hours))
		s.Why = fmt.Sprintf("Uncovered at %.0f °C the fridge takes about %.0f g of water off all of them.", fridge, 0.2*d.Hours*area)
		s.Cautions = append(s.Cautions, "Fridge at 4 °C or under, raw food below what is eaten raw.")
	case "wet":
		s.Headline = "Left wet"
		s.Why = fmt.Sprintf("About %.0f g of water have to boil off before anything crisps.", 2.5*area)
	case "rinse":
		s.Headline = "Rinse, then wipe dry"
		s.Why = "Wiped dry it is as dry as unrinsed."
	default:
		s.Headline = "Wipe with paper"
		s.Why = "A dry surface decides crispness; paper leaves about a third of a gram on 100 cm²."
	}
	if (d.School == "rinse" || d.School == "wet") && (cut.Class == safety.Poultry || cut.Class == safety.Stuffed) {
		s.Cautions = append(s.Cautions, "Public advice is not to rinse raw poultry: splashes spread germs around the sink.")
	}
	w.Stations = append(w.Stations, s)
}

func (w *Worked) marinate(p Pantry, cut food.Cut, piece food.Piece, pieces int, massG float64, m Marinade) error {
	items, kept := p.split(m.Items, m.CoatShare)
	if kept.MassG > 0 {
		w.SaltFrom["coat"] += kept.SaltG
		w.Coated.Kept = w.Coated.Kept.plus(kept)
		w.Coated.StuckG += kept.MassG
	}
	got, err := p.Marinate(cut, piece, pieces, massG, items, m.Hours, fridge)
	if err != nil {
		return err
	}
	w.Marinaded = &got
	w.Allergens = merge(w.Allergens, got.Allergens)
	all := got.PerKg.part(massG / 1000)
	clings := all.part(got.TakenG / all.MassG)
	w.SaltFrom["marinade"] = math.Min(all.SaltG, got.Salted.TakenG+clings.SaltG)
	clings.SaltG = 0 // counted above
	w.added = w.added.plus(clings)
	// Sugar of what clings, in it and the first millimetre of flesh.
	film := got.TakenG / 1000 / (float64(pieces) * piece.Surface)
	w.Effects.SugarPct = math.Min(30, got.SurfaceSugarPct*film/(film+1))
	w.Effects.OilG += clings.FatG
	s := Station{ID: "marinade", Title: "Marinate", Headline: fmt.Sprintf("%s in the fridge", hoursWords(m.Hours)), Cautions: []string{}}
	s.Why = fmt.Sprintf("%s For 1 kg it holds %.0f g of salt, %.0f of sugar and %.0f of acid; %.0f g of it go along into the basket, and salt gets %.0f mm in.",
		got.Verdict, got.PerKg.SaltG, got.PerKg.SugarG, got.PerKg.AcidG, got.TakenG, got.Salted.ReachMm)
	if kept.MassG > 0 {
		s.Why += fmt.Sprintf(" %.0f g of the dry seasoning are kept for the coat.", kept.MassG)
	}
	if m.Hours > 2 {
		s.Cautions = append(s.Cautions, "Over two hours always in the fridge, at 4 °C or under.")
	}
	s.Cautions = append(s.Cautions, "Throw used marinade away, or boil it.")
	w.Stations = append(w.Stations, s)
	return nil
}

func (w *Worked) salt(p Pantry, cut food.Cut, piece food.Piece, pieces int, c Salting, spoons units.Spoons) error {
	kind := c.Salt
	if kind == "" {
		kind = "salt-fine"
	}
	salt, err := p.Find(kind)
	if err != nil {
		return err
	}
	s := Station{ID: "salt", Title: "Salt", Cautions: []string{}}
	bath := Bath{TempC: fridge, Hours: c.Hours}
	if c.School == "brine" {
		bath.SaltG, bath.WaterG = Brine(c.WaterG, c.StrengthPct), c.WaterG
		s.Headline = fmt.Sprintf("%.0f g of salt (%s) in %.1f l, %s", bath.SaltG, units.InSpoons(bath.SaltG/salt.Density, spoons), c.WaterG/1000, hoursWords(c.Hours))
	} else {
		others := 0.0
		for _, g := range w.SaltFrom {
			others += g
		}
		w.RubG = math.Max(0, c.TargetPct/100*w.edible-others)
		bath.SaltG = w.RubG
		if w.RubG < 0.05 {
			s.Headline = "No salt: it is in the rest"
			s.Why = fmt.Sprintf("The other sources bring %.1f g already, %.1f %%.", others, 100*others/w.edible)
			w.Stations = append(w.Stations, s)
			return nil
		}
		s.Headline = fmt.Sprintf("%.1f g of salt: %s of %s", w.RubG, units.InSpoons(w.RubG/salt.Density, spoons), salt.Name)
	}
	got, err := Salt(cut, piece, pieces, bath)
	if err != nil {
		return err
	}
	w.Salted = &got
	if c.School == "brine" {
		w.SaltFrom["salt"] = got.TakenG
	} else {
		w.SaltFrom["salt"] = w.RubG // what is not in yet lies on it
	}
	middle := "the middle stays plain"
	if got.CentrePct >= 0.5*got.MeanPct {
		middle = "and the middle too"
	}
	s.Why = fmt.Sprintf("After %s it is seasoned %.0f mm in, %s. Four fifths are in after %s.", hoursWords(c.Hours), got.ReachMm, middle, orLonger(got.To80Hours))
	if got.EvenHours > 0 {
		s.Why += fmt.Sprintf(" The middle has half of the mean after %s.", hoursWords(got.EvenHours))
	}
	if c.School == "brine" {
		s.Why += fmt.Sprintf(" Left for days it would even out at %.1f %%.", got.EquilibriumPct)
	}
	if c.Hours > 2 {
		s.Cautions = append(s.Cautions, "Over two hours always in the fridge, at 4 °C or under.")
	}
	if cut.Class == safety.Fish && c.Hours > 1 {
		s.Cautions = append(s.Cautions, "Fish turns firm, as if cured, after about an hour in salt.")
	}
	w.Stations = append(w.Stations, s)
	return nil
}

func orLonger(h float64) string {
	if h == 0 {
		return "more than four days"
	}
	return hoursWords(h)
}

func (w *Worked) coat(p Pantry, c Coats, spoons units.Spoons) {
	s := Station{ID: "coat", Title: "Coat and oil", Cautions: []string{}}
	if len(w.Coated.Bowls) == 0 {
		s.Headline = fmt.Sprintf("%.0f g of oil", w.Coated.OilG)
		if w.Coated.OilG == 0 {
			s.Headline = "Nothing on it"
		}
		s.Why = "No layer of its own; skin or a fatty wrap renders its own fat."
	} else {
		text := ""
		for i, b := range w.Coated.Bowls {
			ing := p[b.Ingredient]
			if i > 0 {
				text += ", then "
			}
			if ing.Role == Egg {
				text += fmt.Sprintf("%d %s", w.Coated.Eggs, plural(w.Coated.Eggs, "egg", "eggs"))
				if w.Coated.StretchG >= 1 {
					text += fmt.Sprintf(" with %.0f g of water", w.Coated.StretchG)
				}
			} else {
				text += fmt.Sprintf("%.0f g of %s (%s)", b.PutOutG, ing.Name, units.InSpoons(b.PutOutG/ing.Density, spoons))
			}
			w.Allergens = merge(w.Allergens, ing.Allergens)
		}
		s.Headline = "Put out " + text
		s.Why = fmt.Sprintf("%.0f g stick to the surface of all of them; top the bowls up rather than fill them. Oil: %.0f g.", w.Coated.StuckG, w.Coated.OilG)
		if w.Coated.RestMin >= 5 {
			s.Why += fmt.Sprintf(" Rest %.0f min so that it holds.", w.Coated.RestMin)
		}
	}
	if c.Oil == "mist" {
		s.Cautions = append(s.Cautions, "No spray with propellant on non-stick surfaces.")
	}
	if len(w.Allergens) > 0 {
		s.Cautions = append(s.Cautions, "Holds "+list(w.Allergens)+".")
	}
	w.Stations = append(w.Stations, s)
}

func plural(n int, one, more string) string {
	if n == 1 {
		return one
	}
	return more
}

func list(names []string) string {
	out := names[0]
	for i, n := range names[1:] {
		if i == len(names)-2 {
			out += " and " + n
		} else {
			out += ", " + n
		}
	}
	return out
}

// Cost adds up what a dish costs by the household's prices, energy included,
// and says whether any price was known.
func (w *Worked) Cost(p Pantry, b Bench, energyWh float64) (cost float64, known bool) {
	add := func(g, perKg float64) {
		cost += g / 1000 * perKg
		known = known || perKg > 0
	}
	for _, bowl := range w.Coated.Bowls {
		add(bowl.PutOutG, p[bowl.Ingredient].Price)
	}
	add(w.Coated.OilG, p["oil"].Price)
	items := slices.Clone(b.Finish)
	if b.Marinade != nil {
		items = append(items, b.Marinade.Items...)
	}
	for _, it := range items {
		add(it.G, p[it.Ingredient].Price)
	}
	if b.Prices != nil {
		add(w.MassG, b.Prices.MeatPerKg)
		add(energyWh, b.Prices.PerKWh)
	}
	return cost, known
}

// Serve returns a serving of the worked bench, and the same deep-fried.
func (w *Worked) Serve(cut food.Cut, pieceG, thicknessMm float64, pieces int, coatID string, servings int, kept Kept) (here, deep Plate) {
	added := w.added
	for from, g := range w.SaltFrom {
		if from == "salt" || from == "marinade" {
			added.SaltG += g
		}
	}
	return Serve(cut, cut.Piece(pieceG, thicknessMm), pieces, pieceG*float64(pieces), w.Coated, coatID, added, float64(max(1, servings)), kept)
}
