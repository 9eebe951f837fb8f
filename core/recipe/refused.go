package recipe

import (
	"fmt"
	"regexp"
	"strings"

	"velocrustum/core/units"
)

// # What is refused
//
// Some foods cannot be said yet, and would come out as another that is raw
// when this one is called done, or safe when it is not. A recipe of one makes
// no dish: the reason is said, and the way on.

var (
	frozen = regexp.MustCompile(`(?i)\b(?:frozen|from the freezer|deep[- ]?frozen|unthawed)\b`)
	// straight cooks it as it comes out of the freezer, whatever else is said.
	straight = regexp.MustCompile(`(?i)\bfrom frozen\b|\bstraight from the freezer\b|\b(?:no|without|not?)\b[^.;]{0,20}\b(?:thaw|defrost)(?:ing|ed)?\b|\b(?:do not|don.t|never)\s+(?:thaw|defrost)\b`)
	thawed   = regexp.MustCompile(`(?i)\b(?:thawed|defrosted|thaw|defrost)\b`)
	// before is food that was cooked already.
	before   = regexp.MustCompile(`(?i)\b(?:left[- ]?overs?|cooked|pre[- ]?cooked|ready[- ]cooked|rotisserie|pre[- ]?fried|par[- ]?fried|oven[- ]ready)\b`)
	uncooked = regexp.MustCompile(`(?i)\b(?:uncooked|un-cooked|not cooked|raw)\b`)
	again    = regexp.MustCompile(`(?i)\b(?:re-?heat(?:ed|ing|s)?|warm(?:ed|s)?\s+(?:it|them|up|through)|crisp(?:ed|s)?\s+(?:it|them)?\s*up again)\b`)
	// thin is a breast that is no thicker than a cutlet.
	thin       = regexp.MustCompile(`(?i)\b(?:cutlets?|butterfl(?:y|ied)|pounded|flattened|bashed|beaten|rolled out|sliced|thin(?:ly)?|schnitzel|escalopes?|milanese|minute steaks?)\b`)
	horizontal = regexp.MustCompile(`(?i)\b(?:halved|cut|sliced|split)\s+(?:in half\s+|in two\s+|through\s+)?(?:horizontally|lengthwise|lengthways|through the middle)\b`)
)

// state refuses food that is frozen, or was cooked before.
func (r *reader) state(t Text) {
	name := r.cut.Plural
	line := ""
	for _, l := range r.out.Lines {
		if l.As == AsFood {
			line = l.Text
		}
	}
	steps := strings.Join(t.Steps, " . ")
	all := t.Name + " . " + line + " . " + steps
	switch {
	case straight.MatchString(all), frozen.MatchString(t.Name+" . "+line) && !thawed.MatchString(line+" . "+steps):
		r.refuse(fmt.Sprintf("it has the %s frozen, which cannot be said yet: the middle would stay raw while the outside is done. Thaw them in the fridge, and write “thawed” in their line", name))
	case before.MatchString(uncooked.ReplaceAllString(t.Name+" . "+line, "")), again.MatchString(steps):
		r.refuse(fmt.Sprintf("its %s were cooked before, which cannot be said yet: they would be taken for raw. Heat what was cooked to 74 °C inside, once, by a thermometer", name))
	}
}

// whole refuses a breast that nothing says is thin: it is a wedge, twice as
// thick as the cutlet that it would be taken for.
func (r *reader) whole(by, text string, t Text) {
	if by != "chicken breast" || r.thickMm > 0 || r.pieceG <= wholeFromG {
		return
	}
	if thin.MatchString(text) || horizontal.MatchString(text) || thin.MatchString(strings.Join(t.Steps, " . ")) {
		return
	}
	r.refuse("whole breasts are twice as thick as cutlets, and cannot be said yet. Cut them through their thickness or pound them, and write how thick they are then, like “pounded to 15 mm”; or measure the thickest and write that")
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
