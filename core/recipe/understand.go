package recipe

import (
	"fmt"
	"math"
	"regexp"
	"slices"
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
	AsSide     = "side" // of something eaten beside, with steps of its own
	AsDish     = "dish" // of a dish of its own, fried too
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
	// Another says of a food beside the first that it is left out until the cook says what
	// becomes of it: fried too, a dish of its own, a side.
	Another bool `json:"another,omitempty"`
	// Parts are the text in stretches, those marked of which nothing was used.
	Parts []Part `json:"parts,omitempty"`
	by    string
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
	// Program is what a recipe for an air fryer has, stage by stage; nil for others.
	Program *load.Program `json:"program,omitempty"`
	// Own says of a second dish that it is one of its own, in no other drawer.
	Own bool `json:"own,omitempty"`
	// Sides are what is eaten beside.
	Sides []Side `json:"sides,omitempty"`
}

// reader gathers a dish from lines.
type reader struct {
	p      prep.Pantry
	say    units.Household
	spoons units.Spoons
	// wasCooked says that something in it was cooked before: it is a recipe of leftovers.
	wasCooked bool
	out       Understood
	steps     []string // in plain words
	meat      bool     // some line has meat or fish
	// nearest says that no line names a cut, so that another food is taken for the
	// nearest one.
	nearest bool
	fixes   []Fix
	fried           // what is fried first
	beside  []fried // and what is fried with it
	hours   float64
	grain   larder.Item // rice or noodles, dry
	hot     []heated
	taken   map[string]bool // words that were used of the line that is read
	left    []leftOut
	figures bool // times of it were taken, in figures
	picked  int  // the line with the heat that was taken
	sprayed bool // oil goes on by the spray, as much as it takes
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
func Understand(t Text, fixes []Fix, p prep.Pantry, say units.Household) Understood {
	r := &reader{p: p, say: say, spoons: say.Spoons, fixes: fixes}
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
		if sideGroup.MatchString(s.Group) {
			continue
		}
		cut, _, ok := r.cutIn(plain(s.Text))
		r.meat, named = r.meat || ok && !cut.Plant(), named || ok
	}
	r.nearest = !named
	r.wasCooked = before.MatchString(uncooked.ReplaceAllString(t.Name, "")) || slices.ContainsFunc(t.Ingredients, func(s Said) bool { return before.MatchString(uncooked.ReplaceAllString(s.Text, "")) })
	of := r.asides(t)
	for k := range t.Steps { // nor does the dish hang on what is done for a side
		if _, side := of[len(t.Ingredients)+k]; side {
			r.steps[k] = ""
		}
	}
	for n, s := range t.Ingredients {
		if i, side := of[n]; side {
			r.out.Lines = append(r.out.Lines, r.aside(s.Text, s.Group, false, i))
			continue
		}
		r.out.Lines = append(r.out.Lines, r.ingredient(n, s))
	}
	r.byName()
	for k, s := range t.Steps {
		n := len(t.Ingredients) + k
		if i, side := of[n]; side {
			r.out.Lines = append(r.out.Lines, r.aside(s, "", true, i))
			continue
		}
		r.out.Lines = append(r.out.Lines, r.step(n, s))
	}
	r.leaveWith()
	r.cooked()
	r.stages(t, of)
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

// perhapsToo is said of a food beside the first.
const perhapsToo = "Something else, perhaps to fry: left out here until you say what becomes of it."

// ingredient reads one line of ingredients, and marks what was not used of it.
func (r *reader) ingredient(n int, s Said) Line {
	r.taken = map[string]bool{}
	before := r.pieces
	l := r.ingredientOf(n, s)
	if f := r.fix(n); f.As != "" || f.Cut != "" || f.Ingredient != "" || f.G != nil || f.Pieces > 0 {
		return l // the cook has seen it
	}
	idle := idleOf
	if l.As == AsFood {
		cut := r.cut
		if n := len(r.beside); before > 0 && n > 0 {
			cut = r.beside[n-1].cut
		}
		idle = idleFood(cut, s.Text)
	}
	if left := r.mark(&l, idle); len(left) > 0 && l.Understood {
		l.Understood = false
		l.Says += notUsed(left)
	}
	return l
}

func (r *reader) ingredientOf(n int, s Said) Line {
	l := Line{Text: s.Text, Group: s.Group, As: AsNote}
	f := r.fix(n)
	amount, rest := split(worded(s.Text), r.spoons)
	if amount == "" {
		amount, rest = trailing(s.Text, r.spoons)
	}
	if held, ok := packed(amount, rest, r.spoons); ok {
		amount = held
		r.take(packing.FindString(rest), inBrackets.FindString(rest))
	}
	bare, _, _ := strings.Cut(amount, ", ") // what follows is how it is cut
	r.take(bare)
	for _, form := range []*regexp.Regexp{eachOf, eachIn} {
		if m := form.FindStringSubmatch(s.Text); m != nil {
			r.take(m[2], m[3], "x")
		}
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
			l.Says, l.Another = perhapsToo, true
			r.left = append(r.left, leftOut{foodBy, cut.Plural, s.Group})
			return l
		}
		if isFood && r.pieces == 0 {
			r.food(&l, cut, foodBy, amount, worded(s.Text), f)
			return l
		}
		if isFood && (amount != "" && !known || f.As == AsFood) {
			// Drumsticks and thighs are fried together; potatoes may be a side.
			together := cut.Class == r.cut.Class || f.As == AsFood
			if !together || len(r.beside) == load.MaxLots-1 {
				l.Says, l.Another = perhapsToo, true
				r.left = append(r.left, leftOut{foodBy, cut.Plural, s.Group})
				return l
			}
			first := r.fried
			r.fried = fried{}
			r.food(&l, cut, foodBy, amount, worded(s.Text), f)
			r.beside = append(r.beside, r.fried)
			r.fried = first
			return l
		}
	}
	l.by = by
	r.take(by)
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
	if i.ID == "oil" && f.As == "" && (toFryIn.MatchString(s.Text) || r.muchOil(amount, i)) {
		r.take(s.Text)
		l.Ingredient, l.Understood = "", true
		l.Says = "Oil to fry in: none of it is on the food here."
		return l
	}
	took := ""
	var err error
	switch {
	case f.G != nil:
		l.G = math.Max(0, *f.G)
	case amount != "" && weighs[by] > 0 && pieced(amount, r.spoons) > 0:
		l.G, took = pieced(amount, r.spoons)*weighs[by], "one as "+r.say.Grams(weighs[by])
	case amount == "":
		l.Says = fmt.Sprintf("%s, but not how much.", units.Capital(i.Name))
		l.As = r.place(l, i, f)
		return l
	default:
		if l.G, took, err = r.p.Grams(i.ID, amount, r.say); err != nil {
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
	l.Says = fmt.Sprintf("%s of %s, for the %s.", r.say.Grams(l.G), i.Name, map[string]string{AsMarinade: "marinade", AsCoat: "coat", AsOil: "frying, as oil on it", AsSauce: "sauce", AsFinish: "end"}[l.As])
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
