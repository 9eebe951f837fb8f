package recipe

import (
	"fmt"
	"regexp"
	"slices"
	"strings"

	"velocrustum/core/food"
	"velocrustum/core/load"
	"velocrustum/core/units"
)

// # What is refused
//
// Some foods cannot be said yet, and would come out as another that is raw
// when this one is called done, or safe when it is not. A recipe of one makes
// no dish: the reason is said, and the way on. What is frozen, or was cooked before,
// is taken so.

var (
	frozen = regexp.MustCompile(`(?i)\b(?:frozen|from the freezer|deep[- ]?frozen|unthawed)\b`)
	// straight cooks it as it comes out of the freezer, whatever else is said.
	straight = regexp.MustCompile(`(?i)\bfrom frozen\b|\bstraight from the freezer\b|\b(?:no|without|not?)\b[^.;]{0,20}\b(?:thaw|defrost)(?:ing|ed)?\b|\b(?:do not|don.t|never)\s+(?:thaw|defrost)\b`)
	thawed   = regexp.MustCompile(`(?i)\b(?:thawed|defrosted|thaw|defrost)\b`)
	// before is food that was cooked already.
	before   = regexp.MustCompile(`(?i)\b(?:left[- ]?overs?|cooked|pre[- ]?cooked|ready[- ]cooked|rotisserie|pre[- ]?fried|par[- ]?fried|oven[- ]ready)\b`)
	uncooked = regexp.MustCompile(`(?i)\b(?:uncooked|un-cooked|not cooked|raw)\b`)
	again    = regexp.MustCompile(`(?i)\b(?:re-?heat(?:ed|ing|s)?|warm(?:ed|s)?\s+(?:it|them)\s+(?:up|through)|crisp(?:ed|s)?\s+(?:it|them)?\s*up again)\b`)
	// notTheFood is what else is heated again: a machine, a sauce, what is left of the meal.
	notTheFood = regexp.MustCompile(`(?i)\b(?:machine|fryer|oven|basket|drawer|grill|oil|butter|sauce|glaze|syrup|dip|left[- ]?overs?|keeps?|next day)\b`)
	// thin is a breast that is no thicker than a cutlet.
	thin       = regexp.MustCompile(`(?i)\b(?:cutlets?|butterfl(?:y|ied)|pounded|flattened|bashed|beaten|rolled out|sliced|thin(?:ly)?|schnitzel|escalopes?|milanese|minute steaks?)\b`)
	horizontal = regexp.MustCompile(`(?i)\b(?:halved|cut|sliced|split)\s+(?:in half\s+|in two\s+|through\s+)?(?:horizontally|lengthwise|lengthways|through the middle)\b`)
)

// coated comes out of the freezer in a coat that was fried.
var coated = regexp.MustCompile(`(?i)\b(?:breaded|crumbed|battered|coated|nuggets?|fish (?:fingers?|sticks?)|chips|fries|par[- ]?fried|pre[- ]?fried|oven[- ]ready)\b`)

// state reads whether food is frozen, or was cooked before.
func (r *reader) state(t Text) {
	name := r.cut.Plural
	line := ""
	for _, l := range r.out.Lines {
		if l.As == AsFood {
			line = l.Text
		}
	}
	steps := strings.Join(t.Steps, " . ")
	heatedAgain := slices.ContainsFunc(clauses.Split(steps, -1), func(c string) bool { return again.MatchString(c) && !notTheFood.MatchString(c) })
	coats := slices.ContainsFunc(r.out.Lines, func(l Line) bool { return l.As == AsCoat })
	all := t.Name + " . " + line + " . " + steps
	switch {
	case straight.MatchString(all), frozen.MatchString(t.Name+" . "+line) && !thawed.MatchString(line+" . "+steps):
		r.startC = food.OutOfFreezerC
		// What is still to be coated comes plain out of the freezer.
		if coated.MatchString(line) || !coats && coated.MatchString(t.Name) {
			r.was = food.ParFried
			r.inside = precooked.MatchString(uncooked.ReplaceAllString(t.Name+" . "+line, ""))
		}
		r.out.Missing = append(r.out.Missing, fmt.Sprintf("the %s are taken as frozen, at %s: what the label says comes first", name, r.say.Degrees(food.OutOfFreezerC)))
	case before.MatchString(uncooked.ReplaceAllString(t.Name+" . "+line, "")), heatedAgain:
		r.was = food.Cooked
		r.out.Missing = append(r.out.Missing, fmt.Sprintf("the %s are taken as cooked before: heat them once, to %s inside", name, r.say.Degrees(74)))
	}
}

// precooked is what the packet calls cooked inside.
var precooked = regexp.MustCompile(`(?i)\b(?:cooked|pre[- ]?cooked|ready[- ]cooked|fries|chips)\b`)

// comes says of pieces how they come.
func (r *reader) comes(l *load.Pieces) {
	if r.startC != 0 {
		l.StartC = &r.startC
	}
	if r.was != "" {
		l.State = string(r.was)
		if r.was == food.ParFried && r.inside {
			l.Inside = string(food.Cooked)
		}
	}
	if r.startC != 0 || r.was != "" {
		l.Surface = ""
	}
}

// whole takes a breast that nothing says is thin for a whole one: it is a wedge,
// twice as thick as the cutlet that it would be taken for.
func (r *reader) whole(by, text string, t Text) {
	if by != "chicken breast" || r.thickMm > 0 || r.pieceG <= wholeFromG {
		return
	}
	if thin.MatchString(text) || horizontal.MatchString(text) || thin.MatchString(strings.Join(t.Steps, " . ")) {
		return
	}
	whole, err := food.FindCut("chicken-breast-whole")
	if err != nil {
		return
	}
	if r.pieceG == r.cut.Typical { // nobody weighed them
		r.pieceG = whole.Typical
	}
	r.cut = whole
	r.out.Missing = append(r.out.Missing, "how thick the breasts are at their thickest: measure it, since all depends on it; they are taken whole")
}

// wholeBird is what lies in no basket as one piece.
var wholeBird = regexp.MustCompile(`(?i)\b(?:whole|roast(?:ing)?)\s+(?:duck|goose|turkey|bird)\b`)

// bird refuses a large bird.
func (r *reader) bird(t Text) {
	for _, s := range t.Ingredients {
		if wholeBird.MatchString(s.Text) {
			r.refuse("a whole duck, goose or turkey lies in no basket: have it cut up, and write its legs, wings and breasts with their weight")
			return
		}
	}
}

// wholeFromG is the weight from which a breast is taken for a whole one, g.
const wholeFromG = 100.0

// refuse has no dish come of the recipe, for a reason with the way on.
func (r *reader) refuse(why string) {
	r.out.Refused = append(r.out.Refused, units.Capital(why)+".")
	for i := range r.out.Lines {
		if l := &r.out.Lines[i]; l.As == AsFood && l.Understood {
			l.Understood = false
			l.Says = "Not what it would be taken for here: see why no dish comes of it."
		}
	}
}
