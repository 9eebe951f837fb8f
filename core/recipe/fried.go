package recipe

import (
	"fmt"
	"math"
	"regexp"
	"slices"
	"strings"

	"velocrustum/core/food"
	"velocrustum/core/larder"
	"velocrustum/core/load"
	"velocrustum/core/units"
)

// food reads the line of what is fried: how many, how heavy.
func (r *reader) food(l *Line, cut food.Cut, by, amount, text string, f Fix) {
	l.As, l.Understood = AsFood, true
	r.take(by, cut.Name, cut.Plural, frozen.FindString(text), before.FindString(text), coated.FindString(text))
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
				r.take(b)
				break
			}
			if err == nil && a.Dimension == units.Pieces && n == 0 && k == len(words) && k <= 2 {
				n = a.Value
				r.take(b)
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
	if strings.HasPrefix(cut.ID, "potato-") && !strings.HasPrefix(by, "half") && n > 0 && n <= mostPotatoes && massG == 0 && each == 0 && f.Pieces == 0 {
		massG, n = n*potatoG, halvesOf(cut, n)
		l.Says = fmt.Sprintf("Potatoes of about %s each are taken, %s in all.", r.say.Grams(potatoG), r.say.Grams(massG))
		r.out.Missing = append(r.out.Missing, fmt.Sprintf("the weight of the %s: about %s in all is taken", cut.Plural, r.say.Grams(massG)))
	}
	least, most := cut.Allowed()
	// What is cut up is counted whole.
	whole := wholes[by]
	if by == "chicken strip" && strings.Contains(strings.ToLower(text), "breast") {
		whole = wholes["breast piece"]
	}
	if g := whole; g > 0 && n > 0 && n <= mostWhole && massG == 0 && each == 0 && f.Pieces == 0 {
		massG = n * g
		r.out.Missing = append(r.out.Missing, fmt.Sprintf("the weight of what is cut up: about %s for one whole is taken", r.say.Grams(g)))
	}
	if n > 0 && massG/n > math.Min(most, 2*typical) && whole > 0 {
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
		l.Says = fmt.Sprintf("%.0f %s; their weight is not said: about %s each is taken.", n, cut.Plural, r.say.Grams(typical))
		r.out.Missing = append(r.out.Missing, fmt.Sprintf("the weight of the %s: about %s each is taken", cut.Plural, r.say.Grams(typical)))
	default:
		n, r.pieceG, l.Understood = 4, typical, false
		l.Says = fmt.Sprintf("%s, but not how many: four of about %s are taken.", units.Capital(cut.Plural), r.say.Grams(typical))
		r.out.Missing = append(r.out.Missing, fmt.Sprintf("how many %s", cut.Plural))
	}
	r.cut, r.pieces = cut, int(math.Min(load.MaxPieces, math.Max(1, math.Round(n))))
	if r.pieceG < least || r.pieceG > most {
		l.Says = fmt.Sprintf("%d %s of %s each are not what is called so: about %s each is taken.", r.pieces, cut.Plural, r.say.Grams(r.pieceG), r.say.Grams(typical))
		l.Understood = false
		r.pieceG = typical
	}
	r.foodBy, r.foodText = by, text
	r.take(horizontal.FindString(text))
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
	if pieces := fmt.Sprintf("%d %s of about %s each", r.pieces, cut.Plural, r.say.Grams(r.pieceG)); l.Says == "" || strings.HasPrefix(l.Says, ",") {
		l.Says = pieces + strings.TrimSuffix(l.Says, ".") + "."
	}
}

// cutTo takes how thick a piece is, where that is said, and says where it is cut
// otherwise than what it is taken for.
func (r *reader) cutTo(l *Line, cut food.Cut, by, text string) {
	if mm, said := sizeIn(text); mm > 0 {
		r.take(said)
		if _, known := intoPieces[cut.ID]; cubed.MatchString(said) && (known || cubes.MatchString(cut.ID)) {
			r.cubes(l, cut, mm)
			return
		}
		if least, most := cut.Thicknesses(r.pieceG); !cubed.MatchString(said) && mm >= least && mm <= most {
			r.thickMm = mm
			if l.Says == "" {
				l.Says = fmt.Sprintf(", %s thick.", r.say.Millimetres(mm))
			} else {
				l.Says += fmt.Sprintf(" %s thick.", r.say.Millimetres(mm))
			}
			return
		}
		if cubed.MatchString(said) {
			l.Understood = false
			r.out.Missing = append(r.out.Missing, fmt.Sprintf("how large the pieces are that it is cut into: whole %s are taken", cut.Plural))
			l.Says = fmt.Sprintf("Pieces of %s weigh about %s; %s are taken whole: put right what it is, and how many there are.", r.say.Millimetres(mm), r.say.Grams(cubicG*mm*mm*mm), cut.Plural)
			return
		}
		l.Says = strings.TrimPrefix(l.Says+fmt.Sprintf(" %s is not possible for %s each: not taken.", r.say.Millimetres(mm), r.say.Grams(r.pieceG)), " ")
		l.Understood = false
		return
	}
	small := cutSmaller.FindString(text)
	r.take(small)
	if small == "" || strings.HasPrefix(strings.ToLower(small), "piece") || cutSmaller.MatchString(by) || cutSmaller.MatchString(strings.ReplaceAll(cut.ID, "-", " ")) || strings.Contains(cut.ID, "meatball") {
		return
	}
	l.Understood = false
	l.Says = strings.TrimPrefix(l.Says+fmt.Sprintf(" %d %s of about %s each are taken, and not “%s”: put right how many there are.", r.pieces, cut.Plural, r.say.Grams(r.pieceG), small), " ")
	r.out.Missing = append(r.out.Missing, fmt.Sprintf("how large the pieces are that it is cut into: whole %s are taken", cut.Plural))
}

// halvesOf is how many pieces come of so many potatoes that were counted whole; 0 where their
// weight is to say.
func halvesOf(cut food.Cut, n float64) float64 {
	if cut.ID == "potato-half" {
		return 2 * n
	}
	return 0
}

// wholes are what weighs one whole that is cut into pieces, g, by how it is
// called; mostWhole are as many as are counted so.
var wholes = map[string]float64{"breast bite": 200, "breast chunk": 200, "breast cube": 200, "breast cubed": 200, "breast piece": 200,
	"thigh bite": 110, "thigh chunk": 110, "thigh cube": 110, "thigh cubed": 110, "thigh piece": 110}

const mostWhole = 12.0

// potatoG is a middling potato, and mostPotatoes as many as are counted whole.
const potatoG, mostPotatoes = 200.0, 12.0

var (
	// thick is a size, in plain numbers, of slices, cubes or what is flattened to it.
	thick = regexp.MustCompile(`(?i)((?:\d+\s+)?\d+/\d+|\d*\s*[½¼¾⅓⅔⅛]|\d+(?:[.,]\d+)?)\s*-?\s*(mm|cm|in\b|inch(?:es)?|")\s*-?\s*(?:thick|slices?|steaks?|cubes?|dice|chunks?|pieces?|strips?|sticks?|batons?|rounds?)|(?:pounded|flattened|beaten|bashed|rolled)[^,)]*?to\s+(?:about\s+)?((?:\d+\s+)?\d+/\d+|\d*\s*[½¼¾⅓⅔⅛]|\d+(?:[.,]\d+)?)\s*(mm|cm|in\b|inch(?:es)?)`)
	cubes = regexp.MustCompile(`cube|chunk|nugget`) // cuts that are
	cubed = regexp.MustCompile(`(?i)\b(?:cubes?|dice|chunks?|pieces?)\b`)
)

// sizeIn is how thick a piece is to be, mm, and the words that say so; 0 where none do.
func sizeIn(text string) (mm float64, said string) {
	m := thick.FindStringSubmatch(text)
	if m == nil {
		return 0, ""
	}
	a, err := units.ParseAmount(m[1]+m[3], units.MetricSpoons)
	if err != nil {
		return 0, m[0]
	}
	switch unit := strings.ToLower(m[2] + m[4]); unit {
	case "mm":
		return a.Value, m[0]
	case "cm":
		return 10 * a.Value, m[0]
	}
	return 25.4 * a.Value, m[0]
}

// cubicG is what a cubic millimetre of flesh weighs, g.
const cubicG = 1.05e-3

// cubes has what is fried cut into cubes of a size, as heavy as they are in all.
func (r *reader) cubes(l *Line, cut food.Cut, mm float64) {
	massG := r.pieceG * float64(r.pieces)
	if small, ok := intoPieces[cut.ID]; ok {
		if c, err := food.FindCut(small); err == nil {
			cut = c
		}
	}
	each := cubicG * mm * mm * mm
	if least, most := cut.Allowed(); each < least || each > most {
		l.Understood = false
		r.out.Missing = append(r.out.Missing, fmt.Sprintf("how large the pieces are that it is cut into: whole %s are taken", cut.Plural))
		l.Says = fmt.Sprintf("Pieces of %s weigh about %s, which %s do not: put right what it is, and how many there are.", r.say.Millimetres(mm), r.say.Grams(each), cut.Plural)
		return
	}
	r.cut = cut
	r.pieces = int(math.Min(load.MaxPieces, math.Max(1, math.Round(massG/each))))
	r.pieceG = math.Max(1, math.Round(2*massG/float64(r.pieces))/2)
	l.Says = fmt.Sprintf("%d %s of about %s each, as pieces of %s weigh.", r.pieces, cut.Plural, r.say.Grams(r.pieceG), r.say.Millimetres(mm))
	l.Pieces = r.pieces
}

// packing is what holds an amount: a tin (400 ml), a packet (150 g).
var packing = regexp.MustCompile(`(?i)^(?:large |small |x )?(?:cans?|tins?|jars?|bottles?|packets?|packs?|packages?|cartons?|bags?|tubs?|pouch(?:es)?|sachets?|boxe?s?)\b`)

// packed is how much is in as many packings as an amount says, by what is in brackets.
func packed(amount, rest string, spoons units.Spoons) (held string, ok bool) {
	n := pieced(amount, spoons)
	if n == 0 || !packing.MatchString(strings.TrimSpace(rest)) {
		return "", false
	}
	m := inBrackets.FindStringSubmatch(rest)
	if m == nil {
		return "", false
	}
	a, err := units.ParseAmount(m[1], spoons)
	if err != nil || a.Dimension == units.Pieces {
		return "", false
	}
	return fmt.Sprintf("%g %s", n*a.Value, map[units.Dimension]string{units.Mass: "g", units.Volume: "ml"}[a.Dimension]), true
}

// toFryIn is oil that food swims in.
var toFryIn = regexp.MustCompile(`(?i)\bfor\s+(?:deep[- ]|shallow[- ])?frying\b|\bto (?:deep[- ]|shallow[- ])?fry\b|\bfor (?:the )?(?:deep fryer|pan|pot)\b`)

// swimsG is more oil than lies on any load that a fryer takes, g.
const swimsG = 200.0

// muchOil says whether it is more oil than lies on food.
func (r *reader) muchOil(amount string, oil larder.Ingredient) bool {
	g, _, err := r.p.Grams(oil.ID, amount, r.say)
	return err == nil && g >= swimsG
}
