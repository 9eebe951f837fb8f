package recipe

import (
	"fmt"
	"math"
	"slices"
	"strconv"
	"strings"

	"velocrustum/core/advise"
	"velocrustum/core/food"
	"velocrustum/core/larder"
	"velocrustum/core/load"
	"velocrustum/core/prep"
	"velocrustum/core/units"
)

// What a line is taken for.
const (
	AsFood     = "food"
	AsMarinade = "marinade"
	AsCoat     = "coat"
	AsOil      = "oil"
	AsSauce    = "sauce"
	AsFinish   = "finish"
	AsHeat     = "heat"
	AsTime     = "hours"
	AsTurn     = "turn"
	AsNote     = "note" // it is kept as it stood, and changes nothing
)

// Line is one line of a recipe with what was understood of it.
type Line struct {
	Text       string  `json:"text"`
	Group      string  `json:"group,omitempty"`
	Step       bool    `json:"step"`
	As         string  `json:"as"`
	Says       string  `json:"says"`
	Understood bool    `json:"understood"`
	Ingredient string  `json:"ingredient,omitempty"`
	G          float64 `json:"g,omitempty"`
	Pieces     int     `json:"pieces,omitempty"`
	// Heat and Hours are what a step says, of several heats the longest.
	Heat  *advise.FormerWay `json:"heat,omitempty"`
	Hours float64           `json:"hours,omitempty"`
	// Drawer is 1 or 2 where it is of one of two; 0 where it is of both, or
	// there is one.
	Drawer int `json:"drawer,omitempty"`
	by     string
}

// Fix is what a cook says of a line otherwise.
type Fix struct {
	Line       int      `json:"line"` // from 0, ingredients before steps
	As         string   `json:"as,omitempty"`
	Ingredient string   `json:"ingredient,omitempty"`
	G          *float64 `json:"g,omitempty"`
	Cut        string   `json:"cut,omitempty"`
	Pieces     int      `json:"pieces,omitempty"`
	// Heat is what a step does to the food, Hours how long it waits in it.
	Heat  *advise.FormerWay `json:"heat,omitempty"`
	Hours *float64          `json:"hours,omitempty"`
}

// Understood is a recipe with what was understood of it, and the dish that
// comes of that.
type Understood struct {
	Name     string   `json:"name"`
	Servings int      `json:"servings"`
	Lines    []Line   `json:"lines"`
	Missing  []string `json:"missing"` // what has to be said yet
	// Refused is why no dish comes of it, with the way on.
	Refused []string `json:"refused,omitempty"`
	// Unknown are what the pantry does not have.
	Unknown []Unknown      `json:"unknown"`
	Load    *load.Pieces   `json:"load,omitempty"`
	Coat    *load.Covering `json:"coat,omitempty"`
	Bench   *prep.Bench    `json:"bench,omitempty"`
	// Beside are the lots that are fried with it; what is of the same class is
	// marinated and coated alike.
	Beside []prep.DishLot    `json:"beside,omitempty"`
	Heat   *advise.FormerWay `json:"heat,omitempty"`
	Turned bool              `json:"turned"`
}

// reader gathers a dish from lines.
type reader struct {
	p      prep.Pantry
	spoons units.Spoons
	out    Understood
	steps  []string // in plain words
	meat   bool     // some line has meat or fish
	// nearest says that no line names a cut, so that another food is taken for the
	// nearest one.
	nearest bool
	fixes   []Fix
	fried           // what is fried first
	beside  []fried // and what is fried with it
	hours   float64
	grain   larder.Item // rice or noodles, dry
	hot     []heated
	// How it comes: out of a freezer at startC, fried or cooked before.
	startC float64
	was    food.State
	inside bool
}

// fried is what a line has to be fried.
type fried struct {
	cut    food.Cut
	pieces int
	pieceG float64
	// foodBy and foodText are the words and the line that name it.
	foodBy, foodText string
	// thickMm is what is said of its thickness; 0 where nothing is.
	thickMm float64
}

// massG is its raw weight, g.
func (f *fried) massG() float64 { return f.pieceG * float64(f.pieces) }

// Understand reads what a recipe asks for. What is not understood is said, and
// left out; what a cook said of a line comes before what is read from it.
func Understand(t Text, fixes []Fix, p prep.Pantry, spoons units.Spoons) Understood {
	r := &reader{p: p, spoons: spoons, fixes: fixes}
	r.out = Understood{Name: strings.TrimSpace(t.Name), Servings: t.Servings, Lines: []Line{}, Missing: []string{}, Unknown: []Unknown{}}
	if r.out.Name == "" {
		r.out.Name = "A recipe from elsewhere"
	}
	for _, s := range t.Steps {
		p := plain(s)
		for words := range called { // "hot sauce" is no sauce of its own
			if name, is := strings.CutSuffix(words, " sauce"); is {
				p = strings.ReplaceAll(p, " "+words+" ", " "+name+" ")
			}
		}
		r.steps = append(r.steps, p)
	}
	named := false
	for _, s := range t.Ingredients {
		cut, _, ok := r.cutIn(plain(s.Text))
		r.meat, named = r.meat || ok && !cut.Plant(), named || ok
	}
	r.nearest = !named
	for n, s := range t.Ingredients {
		r.out.Lines = append(r.out.Lines, r.ingredient(n, s))
	}
	r.byName()
	for n, s := range t.Steps {
		r.out.Lines = append(r.out.Lines, r.step(len(t.Ingredients)+n, s))
	}
	r.cooked()
	if r.pieces > 0 {
		r.state(t)
		r.whole(r.foodBy, r.foodText, t)
	}
	if r.pieces == 0 {
		r.bird(t)
	}
	r.dish()
	for _, s := range t.Rest {
		r.out.Lines = append(r.out.Lines, Line{Text: s, Step: true, As: AsNote, Says: "Stands beside the recipe: left out."})
	}
	return r.out
}

// byName takes what is fried from the recipe's name, where no line has it:
// onions of "Onion rings".
func (r *reader) byName() {
	cut, by, ok := r.cutIn(plain(r.out.Name))
	if r.pieces > 0 || !ok {
		return
	}
	head, _, _ := strings.Cut(cut.ID, "-")
	for n := range r.out.Lines {
		if l := &r.out.Lines[n]; l.G > 0 && says(plain(l.Text), head) && r.fix(n).As == "" {
			g := l.G
			*l = Line{Text: l.Text, Group: l.Group}
			r.food(l, cut, by, fmt.Sprintf("%g g", g), "", Fix{Line: n})
			return
		}
	}
}

// isSide says of a plant that it is beside what is fried: the recipe is not called
// by it, and has meat or fish.
func (r *reader) isSide(cut food.Cut, by string, f Fix) bool {
	return r.meat && cut.Plant() && f.As != AsFood && f.Cut == "" && !says(plain(r.out.Name), strings.Fields(by)...)
}

// fix is what a cook said of a line.
func (r *reader) fix(n int) Fix {
	for _, f := range slices.Backward(r.fixes) {
		if f.Line == n {
			return f
		}
	}
	return Fix{Line: n}
}

// ingredient reads one line of ingredients.
func (r *reader) ingredient(n int, s Said) Line {
	l := Line{Text: s.Text, Group: s.Group, As: AsNote}
	f := r.fix(n)
	amount, rest := split(worded(s.Text), r.spoons)
	if amount == "" {
		amount, rest = trailing(s.Text, r.spoons)
	}
	name := plain(inBrackets.ReplaceAllString(rest, " "))
	i, by, known := ingredientIn(name, r.p)
	if f.Ingredient != "" {
		if own, err := r.p.Find(f.Ingredient); err == nil {
			i, known = own, true
		}
	}
	cut, foodBy, isFood := r.cutIn(name)
	if !isFood { // "whole" is an amount, and a part of a fish's name
		cut, foodBy, isFood = r.cutIn(plain(inBrackets.ReplaceAllString(s.Text, " ")))
	}
	if f.Cut != "" {
		c, err := food.FindCut(f.Cut)
		cut, foodBy, isFood = c, "", err == nil
	}
	// "potato starch" is no potato: what the pantry names exactly comes first,
	// unless it is only a part of what is fried.
	if f.As == AsFood || f.Cut != "" || isFood && f.As == "" && f.Ingredient == "" && !(known && len(strings.Fields(by)) > 1) {
		if isFood && r.pieces == 0 && r.isSide(cut, foodBy, f) {
			l.Says = "Something else, perhaps to fry: left out here. Put right that it is fried, and it lies beside."
			return l
		}
		if isFood && r.pieces == 0 {
			r.food(&l, cut, foodBy, amount, s.Text, f)
			return l
		}
		if isFood && (amount != "" && !known || f.As == AsFood) {
			// Drumsticks and thighs are fried together; potatoes may be a side.
			together := cut.Class == r.cut.Class || f.As == AsFood
			if !together || len(r.beside) == load.MaxLots-1 {
				l.Says = "Something else, perhaps to fry: left out here. Put right that it is fried, and it lies beside."
				return l
			}
			first := r.fried
			r.fried = fried{}
			r.food(&l, cut, foodBy, amount, s.Text, f)
			r.beside = append(r.beside, r.fried)
			r.fried = first
			return l
		}
	}
	l.by = by
	if f.As == AsNote {
		l.Says, l.Understood = "Kept as a note.", true
		return l
	}
	if !known {
		l.Says = "Not understood: nothing in the pantry is called so."
		if what := strings.TrimSpace(rest); what != "" && len(what) < 60 {
			r.out.Unknown = append(r.out.Unknown, unknown(n, what, amount, pieced(amount, r.spoons) > 0, r.p))
		}
		return l
	}
	l.Ingredient = i.ID
	took := ""
	var err error
	switch {
	case f.G != nil:
		l.G = math.Max(0, *f.G)
	case amount != "" && weighs[by] > 0 && pieced(amount, r.spoons) > 0:
		l.G, took = pieced(amount, r.spoons)*weighs[by], fmt.Sprintf("one as %g g", weighs[by])
	case amount == "":
		l.Says = fmt.Sprintf("%s, but not how much.", units.Capital(i.Name))
		l.As = r.place(l, i, f)
		return l
	default:
		if l.G, took, err = r.p.Grams(i.ID, amount, r.spoons); err != nil {
			l.Says = fmt.Sprintf("%s; how much is not understood.", units.Capital(i.Name))
			l.As = r.place(l, i, f)
			return l
		}
	}
	l.G = math.Round(10*l.G) / 10
	l.As, l.Understood = r.place(l, i, f), true
	if l.As == AsSauce && i.ID == "onion" && chunky.MatchString(s.Text) {
		if pieces, err := r.p.Find("onion-pieces"); err == nil {
			i, l.Ingredient = pieces, pieces.ID
		}
	}
	l.Says = fmt.Sprintf("%g g of %s, for the %s.", l.G, i.Name, map[string]string{AsMarinade: "marinade", AsCoat: "coat", AsOil: "frying, as oil on it", AsSauce: "sauce", AsFinish: "end"}[l.As])
	if took != "" {
		l.Says += " Taken: " + took + "."
	}
	return l
}

// pieced is a number of pieces; 0 where it is another amount.
func pieced(amount string, spoons units.Spoons) float64 {
	if a, err := units.ParseAmount(amount, spoons); err == nil && a.Dimension == units.Pieces {
		return a.Value
	}
	return 0
}

// food reads the line of what is fried: how many, how heavy.
func (r *reader) food(l *Line, cut food.Cut, by, amount, text string, f Fix) {
	l.As, l.Understood = AsFood, true
	if k := slices.IndexFunc(food.Names, func(n food.Name) bool { return n.Words == by && n.Near }); k >= 0 {
		r.out.Missing = append(r.out.Missing, fmt.Sprintf("%s: taken as %s, the nearest by shape. Weigh one, and measure where it is thickest", by, cut.Plural))
	}
	typical := cut.Typical
	if g := about[by]; g > 0 {
		typical = g
	}
	n, massG, each := 0.0, 0.0, 0.0
	take := func(text string) {
		if !strings.HasPrefix(cut.ID, "potato-") { // a large one is one, but for its weight
			text = strings.TrimSpace(sized.ReplaceAllString(text, ""))
		}
		a, err := units.ParseAmount(text, r.spoons)
		if err != nil {
			return
		}
		switch a.Dimension {
		case units.Mass:
			massG = math.Max(massG, a.Value)
		case units.Pieces:
			n = a.Value
		}
	}
	take(amount)
	asides := inBrackets.FindAllStringSubmatch(text, 3)
	var said []string
	for _, b := range asides {
		said = append(said, strings.Split(b[1], ",")...)
	}
	said = append(said, strings.Split(inBrackets.ReplaceAllString(text, ""), ",")[1:]...)
	for _, b := range said {
		inside := strings.TrimSpace(strings.NewReplacer("about", "", "approx.", "", "approximately", "", "roughly", "", "total", "", "in all", "").Replace(strings.ToLower(b)))
		was := massG
		one := strings.Contains(inside, "each")
		words := strings.Fields(strings.ReplaceAll(inside, "each", ""))
		for k := len(words); k > 0; k-- {
			a, err := units.ParseAmount(strings.Join(words[:k], " "), r.spoons)
			if err == nil && a.Dimension == units.Mass {
				massG = a.Value
				break
			}
			if err == nil && a.Dimension == units.Pieces && n == 0 && k == len(words) && k == 1 {
				n = a.Value
			}
		}
		if one && massG != was {
			each, massG = massG, was
		}
	}
	if f.Pieces > 0 {
		n = float64(f.Pieces)
	}
	if f.G != nil && *f.G > 0 {
		massG = *f.G
	}
	// Potatoes are counted whole, before they are cut.
	if strings.HasPrefix(cut.ID, "potato-") && n > 0 && n <= mostPotatoes && massG == 0 && each == 0 && f.Pieces == 0 {
		massG, n = n*potatoG, 0
		l.Says = fmt.Sprintf("Potatoes of about %g g each are taken, %.0f g in all.", potatoG, massG)
		r.out.Missing = append(r.out.Missing, fmt.Sprintf("the weight of the %s: about %.0f g in all is taken", cut.Plural, massG))
	}
	least, most := cut.Allowed()
	// What is cut up is counted whole.
	if g := wholes[by]; g > 0 && n > 0 && n <= mostWhole && massG == 0 && each == 0 && f.Pieces == 0 {
		massG = n * g
		r.out.Missing = append(r.out.Missing, fmt.Sprintf("the weight of what is cut up: about %g g for one whole is taken", g))
	}
	if n > 0 && massG/n > most && wholes[by] > 0 {
		n = 0
	}
	switch {
	case each > 0 && n > 0:
		r.pieceG = each
	case n > 0 && massG > 0:
		r.pieceG = massG / n
	case massG > 0:
		r.pieceG = typical
		n = math.Max(1, math.Round(massG/typical))
		r.pieceG = massG / n
	case n > 0:
		r.pieceG = typical
		l.Says = fmt.Sprintf("%.0f %s; their weight is not said: about %g g each is taken.", n, cut.Plural, typical)
		r.out.Missing = append(r.out.Missing, fmt.Sprintf("the weight of the %s: about %g g each is taken", cut.Plural, typical))
	default:
		n, r.pieceG, l.Understood = 4, typical, false
		l.Says = fmt.Sprintf("%s, but not how many: four of about %g g are taken.", units.Capital(cut.Plural), typical)
		r.out.Missing = append(r.out.Missing, fmt.Sprintf("how many %s", cut.Plural))
	}
	r.cut, r.pieces = cut, int(math.Min(load.MaxPieces, math.Max(1, math.Round(n))))
	if r.pieceG < least || r.pieceG > most {
		l.Says = fmt.Sprintf("%d %s of %.0f g each are not what is called so: about %g g each is taken.", r.pieces, cut.Plural, r.pieceG, typical)
		l.Understood = false
		r.pieceG = typical
	}
	r.foodBy, r.foodText = by, text
	if horizontal.MatchString(text) && !strings.HasPrefix(cut.ID, "potato-") && f.Pieces == 0 {
		// Each makes two, of half its weight.
		r.pieces, r.pieceG = 2*r.pieces, r.pieceG/2
	}
	steps := 1.0 // to a gram, to half of one of what is small
	if r.pieceG < 20 {
		steps = 2
	}
	r.pieceG, l.Pieces = math.Round(r.pieceG*steps)/steps, r.pieces
	r.cutTo(l, cut, by, text)
	l.G = math.Round(r.pieceG * float64(r.pieces))
	if pieces := fmt.Sprintf("%d %s of about %g g each", r.pieces, cut.Plural, r.pieceG); l.Says == "" || strings.HasPrefix(l.Says, ",") {
		l.Says = pieces + strings.TrimSuffix(l.Says, ".") + "."
	}
}

// cutTo takes how thick a piece is, where that is said, and says where it is cut
// otherwise than what it is taken for.
func (r *reader) cutTo(l *Line, cut food.Cut, by, text string) {
	if m := thick.FindStringSubmatch(text); m != nil {
		mm, _ := strconv.ParseFloat(strings.Replace(m[1]+m[3], ",", ".", 1), 64)
		if strings.EqualFold(m[2]+m[4], "cm") {
			mm *= 10
		}
		if least, most := cut.Thicknesses(r.pieceG); mm >= least && mm <= most {
			r.thickMm = mm
			if l.Says == "" {
				l.Says = fmt.Sprintf(", %g mm thick.", mm)
			} else {
				l.Says += fmt.Sprintf(" %g mm thick.", mm)
			}
			return
		}
		l.Says = strings.TrimPrefix(l.Says+fmt.Sprintf(" %g mm is not possible for %.0f g each: not taken.", mm, r.pieceG), " ")
		l.Understood = false
		return
	}
	small := cutSmaller.FindString(text)
	if small == "" || strings.HasPrefix(strings.ToLower(small), "piece") || cutSmaller.MatchString(by) || cutSmaller.MatchString(strings.ReplaceAll(cut.ID, "-", " ")) || strings.Contains(cut.ID, "meatball") {
		return
	}
	l.Understood = false
	l.Says = strings.TrimPrefix(l.Says+fmt.Sprintf(" %d %s of about %.0f g each are taken, and not “%s”: put right how many there are.", r.pieces, cut.Plural, r.pieceG, small), " ")
	r.out.Missing = append(r.out.Missing, fmt.Sprintf("how large the pieces are that it is cut into: whole %s are taken", cut.Plural))
}

// wholes are what weighs one whole that is cut into pieces, g, by how it is
// called; mostWhole are as many as are counted so.
var wholes = map[string]float64{"breast bite": 200, "breast chunk": 200, "breast cube": 200, "breast cubed": 200, "breast piece": 200,
	"thigh bite": 110, "thigh chunk": 110, "thigh cube": 110, "thigh cubed": 110, "thigh piece": 110}

const mostWhole = 12.0

// potatoG is a middling potato, and mostPotatoes as many as are counted whole.
const potatoG, mostPotatoes = 200.0, 12.0
