package units

import (
	"fmt"
	"math"
	"regexp"
	"strconv"
	"strings"
	"unicode"
	"unicode/utf8"
)

// A Dimension says what an amount is of.
type Dimension uint8

const (
	Mass   Dimension = iota // g
	Volume                  // ml
	Pieces                  // a count
)

// An Amount is a quantity as a recipe gives it, in g, ml or pieces.
type Amount struct {
	Value     float64
	Dimension Dimension
	// Took says what was taken for what leaves it open: "1 to 2" is its
	// middle, a splash a figure. Empty where nothing was open.
	Took string
}

// Spoons is the country whose spoons and cups are meant.
type Spoons string

const (
	MetricSpoons Spoons = "metric" // 5, 15 and 250 ml
	USSpoons     Spoons = "us"     // 4.93, 14.79 and 236.6 ml
	AUSpoons     Spoons = "au"     // 5, 20 and 250 ml
)

type unit struct {
	size float64
	dim  Dimension
}

// measures are by every name that people write; sizes in g or ml.
func measures(s Spoons) map[string]unit {
	tsp, tbsp, cup := 5.0, 15.0, 250.0
	pint, fluid := 568.261, 28.4131 // imperial
	switch s {
	case USSpoons:
		tsp, tbsp, cup = 4.929, 14.787, 236.588
		pint, fluid = 473.176, 29.5735
	case AUSpoons:
		tbsp = 20
	}
	out := map[string]unit{}
	add := func(size float64, dim Dimension, names string) {
		for name := range strings.FieldsSeq(names) {
			out[name] = unit{size, dim}
		}
	}
	add(1, Mass, "g gr gram grams gramme grammes")
	add(1000, Mass, "kg kilo kilos kilogram kilograms")
	add(0.001, Mass, "mg milligram milligrams")
	add(28.3495, Mass, "oz ounce ounces")
	add(453.592, Mass, "lb lbs pound pounds")
	add(1, Volume, "ml millilitre millilitres milliliter milliliters")
	add(10, Volume, "cl")
	add(100, Volume, "dl")
	add(1000, Volume, "l litre litres liter liters")
	add(tsp, Volume, "tsp tsps teaspoon teaspoons")
	add(tbsp, Volume, "tbsp tbsps tbs tablespoon tablespoons")
	add(cup, Volume, "cup cups")
	add(fluid, Volume, "floz")
	add(pint, Volume, "pint pints pt pts")
	add(2*pint, Volume, "quart quarts qt qts")
	add(8*pint, Volume, "gallon gallons gal")
	add(0.05, Volume, "drop drops")
	add(tsp/8, Volume, "dash dashes")
	add(tsp/16, Volume, "pinch pinches")
	// What says how much only roughly: means of own weighings, ±40 %.
	add(7, Volume, "splash splashes drizzle drizzles")
	add(20, Volume, "glug glugs")
	add(4, Volume, "squeeze squeezes")
	add(60, Volume, "handful handfuls")
	add(15, Mass, "knob knobs")
	add(1, Pieces, "piece pieces pc pcs whole")
	add(12, Pieces, "dozen dozens")
	return out
}

var numberWords = map[string]float64{"a": 1, "an": 1, "one": 1, "two": 2, "three": 3, "four": 4, "five": 5, "six": 6, "seven": 7, "eight": 8, "nine": 9, "ten": 10, "eleven": 11, "twelve": 12, "half": 0.5, "quarter": 0.25, "couple": 2, "few": 3, "several": 4}

var fractions = map[rune]float64{'½': 0.5, '¼': 0.25, '¾': 0.75, '⅓': 1.0 / 3, '⅔': 2.0 / 3, '⅛': 0.125, '⅜': 0.375, '⅝': 0.625, '⅞': 0.875, '⅕': 0.2}

// MaxAmount is the most that is taken for an amount, in g, ml or pieces.
const MaxAmount = 100000.0

// loosely are numbers that say no number, and what they are taken for.
var loosely = map[string]bool{"couple": true, "few": true, "several": true}

// rough are measures that everybody has another idea of.
var rough = []string{"splash", "drizzle", "glug", "squeeze", "handful", "knob", "dash", "pinch"}

// fills are how full a spoon or a cup is; a level one is 1.
var fills = map[string]float64{"level": 1, "heaped": 1.6, "heaping": 1.6, "rounded": 1.3, "generous": 1.15, "scant": 0.9, "packed": 1.2, "big": 1.3, "small": 0.8, "large": 1.15, "medium": 1}

// amountAllowed is what a refusal proposes.
const amountAllowed = `a number and a measure, like "250 g", "1 1/2 tbsp", "½ cup", "1 lb 4 oz" or "a dozen"`

// ParseAmount reads an amount as people write it: numbers, fractions, mixed
// numbers, "a", "half", with g, kg, oz, lb, ml, l, tsp, tbsp, cup, pinch,
// dozen or nothing for pieces; several of one kind add up. Of "1 to 2" the
// middle is taken; heaped, packed, a splash are taken for figures, which Took
// says. What follows a comma is how it is cut, and left out. Pieces may be
// called by the given names. The error says what was not understood.
func ParseAmount(text string, spoons Spoons, pieces ...string) (Amount, error) {
	refuse := func(what string) (Amount, error) {
		return Amount{}, fmt.Errorf("%q: %s; allowed: %s", text, what, amountAllowed)
	}
	read := text
	if i := strings.Index(text, ", "); i > 0 {
		read = text[:i]
	}
	if s := strings.TrimSpace(read); s != "" && (s[0] == '-' || strings.HasPrefix(s, "−") || strings.HasPrefix(s, "–")) {
		return refuse("there is no less than nothing")
	}
	words := amountWords(letters.Replace(spooned.ReplaceAllStringFunc(read, func(m string) string {
		return m[:len(m)-1] + map[byte]string{'T': " tbsp", 't': " tsp"}[m[len(m)-1]]
	})))
	if len(words) == 0 {
		return refuse("nothing is there")
	}
	known := measures(spoons)
	for _, name := range pieces {
		if _, ok := known[name]; !ok {
			known[name], known[name+"s"], known[name+"es"] = unit{1, Pieces}, unit{1, Pieces}, unit{1, Pieces}
		}
	}
	fill, from, ranged := 1.0, 0.0, false
	var took []string
	total, dim, have := 0.0, Pieces, false
	number, open := 0.0, false // a number that waits for its measure
	take := func(u unit) error {
		if have && dim != u.dim {
			return fmt.Errorf("weight, volume and number do not add up")
		}
		total, dim, have = total+number*u.size*fill, u.dim, true
		number, open, fill = 0, false, 1
		return nil
	}
	grouped(words, known, spoons)
	for i, w := range words {
		if (w == "a" || w == "an") && (open || i+1 < len(words) && (loosely[words[i+1]] || words[i+1] == "half" || words[i+1] == "quarter")) { // half a dozen, a half cup
			continue
		}
		if f, ok := fills[w]; ok {
			if fill = f; f != 1 {
				took = append(took, fmt.Sprintf("%s as %g of a level one", w, f))
			}
			if open && i == len(words)-1 && have {
				return refuse("the last number has no measure")
			}
			if have && !open { // ¼ cup packed
				total, fill = total*f, 1
			}
			continue
		}
		if w == "to" || w == "–" {
			if w == "–" && open && from == 0 && number == math.Trunc(number) && i+1 < len(words) {
				if v, ok := amountNumber(words[i+1]); ok && v < 1 {
					continue // 1-1/2 is one and a half
				}
			}
			if !open || from != 0 || ranged {
				return refuse("a range has two numbers")
			}
			from, number, open, ranged = number, 0, false, true
			continue
		}
		if v, ok := amountNumber(w); ok {
			if loosely[w] {
				took = append(took, fmt.Sprintf("%s as %g", w, v))
			}
			// "1 1/2" is one and a half; "2 3" is nothing.
			if open && (v >= 1 || number != math.Trunc(number)) {
				return refuse("two numbers stand side by side")
			}
			number, open = number+v, true
			// The second number of a range, once it is whole.
			if next := i + 1; from != 0 && (next == len(words) || !isNumber(words[next])) {
				if number <= from {
					return refuse("the second number of a range is the larger")
				}
				took = append(took, fmt.Sprintf("%s, the middle of %s to %s", short(from/2+number/2), short(from), short(number)))
				number, from = (from+number)/2, 0
			}
			continue
		}
		if w == "of" || w == "the" || w == "and" || (w == "plus" || w == "+") && have {
			if w == "of" && i == len(words)-1 {
				return refuse("it ends in the middle")
			}
			continue
		}
		u, ok := known[w]
		if !ok {
			return refuse(fmt.Sprintf("%q is no measure", w))
		}
		if u.dim == Pieces && !open && !have && i+1 < len(words) && words[i+1] == "of" {
			continue // the juice of a lemon
		}
		if !open {
			number = 1
			if _, filled := fills[words[max(0, i-1)]]; i > 0 && !filled && words[i-1] != "of" && words[i-1] != "a" {
				return refuse(fmt.Sprintf("%q has no number", w))
			}
		}
		for _, r := range rough {
			if strings.HasPrefix(w, r) {
				took = append(took, fmt.Sprintf("a %s as %s", r, roughly(u)))
			}
		}
		if err := take(u); err != nil {
			return refuse(err.Error())
		}
	}
	if from != 0 {
		return refuse("a range has two numbers")
	}
	if open {
		if have {
			return refuse("the last number has no measure")
		}
		if err := take(unit{1, Pieces}); err != nil {
			return refuse(err.Error())
		}
	}
	if !(total > 0 && total <= MaxAmount) {
		return refuse(fmt.Sprintf("more than nothing and up to %g", MaxAmount))
	}
	return Amount{total, dim, strings.Join(took, "; ")}, nil
}

// spooned are a tablespoon and a teaspoon by one letter, and letters what is written
// apart.
var (
	spooned = regexp.MustCompile(`[0-9½¼¾⅓⅔⅛]\s*[Tt]\b`)
	letters = strings.NewReplacer("fl. oz", "floz", "fl oz", "floz", "fluid ounces", "floz", "fluid ounce", "floz", "+", " plus ")
)

// grouped makes whole numbers of those that are written in groups of three: 1,234 g,
// 1.234,5 g. What a single mark before three figures is hangs on the measure, since
// nobody weighs a thousandth of a gram, and on how the household writes its numbers.
func grouped(words []string, known map[string]unit, spoons Spoons) {
	for i, w := range words {
		comma, dot := strings.LastIndex(w, ","), strings.LastIndex(w, ".")
		switch {
		case comma >= 0 && dot >= 0:
			thousands := map[bool]string{true: ",", false: "."}[comma < dot]
			words[i] = strings.ReplaceAll(strings.ReplaceAll(w, thousands, ""), ",", ".")
		case strings.Count(w, ",")+strings.Count(w, ".") > 1:
			words[i] = strings.NewReplacer(",", "", ".", "").Replace(w)
		case max(comma, dot) >= 1 && len(w)-max(comma, dot) == 4 && w[0] != '0' && !strings.Contains(w, "/"):
			small := false
			if i+1 < len(words) {
				u, ok := known[words[i+1]]
				small = ok && (u.size <= 1 && u.dim != Pieces)
			}
			if small || comma >= 0 && spoons == USSpoons {
				words[i] = strings.NewReplacer(",", "", ".", "").Replace(w)
			}
		}
	}
}

func isNumber(w string) bool { _, ok := amountNumber(w); return ok && w != "a" && w != "an" }

// short writes a number as a cook does: ½, 1 ½, 3.
func short(v float64) string {
	whole, rest := math.Modf(v)
	for _, f := range spoonFractions {
		if f.text != "" && math.Abs(f.v-rest) < 0.01 {
			if whole == 0 {
				return f.text
			}
			return fmt.Sprintf("%.0f %s", whole, f.text)
		}
	}
	return strconv.FormatFloat(math.Round(v*100)/100, 'g', -1, 64)
}

// amountWords cuts a text into numbers and words: "250g" is two.
func amountWords(text string) []string {
	var words []string
	var word strings.Builder
	flush := func() {
		if word.Len() > 0 {
			words = append(words, word.String())
			word.Reset()
		}
	}
	digit := false
	text = strings.ToLower(text)
	for at, r := range text {
		_, vulgar := fractions[r]
		switch {
		case r == '-' || r == '–':
			flush()
			// Between two numbers it is a range; in a word it is nothing.
			if n := len(words); n > 0 && isNumber(words[n-1]) && amountNext(text, at) {
				words = append(words, "–")
			}
		case unicode.IsSpace(r):
			flush()
		case vulgar:
			flush()
			words = append(words, string(r))
		default:
			d := r >= '0' && r <= '9' || r == '.' || r == ',' || r == '/' || r == '⁄'
			if r == '.' && word.Len() > 0 && !digit {
				continue // tbsp.
			}
			if word.Len() > 0 && d != digit {
				flush()
			}
			digit = d
			word.WriteRune(r)
		}
	}
	flush()
	return words
}

// amountNext says whether a number follows a dash.
func amountNext(text string, at int) bool {
	rest := strings.TrimLeft(text[at:], "-– ")
	if rest == "" {
		return false
	}
	r, _ := utf8.DecodeRuneInString(rest)
	_, vulgar := fractions[r]
	return vulgar || r >= '0' && r <= '9' || r == '.'
}

// amountNumber reads one number: 12, 1.5, 1,5, 3/4, ½, a, half.
func amountNumber(w string) (float64, bool) {
	if v, ok := numberWords[w]; ok {
		return v, true
	}
	if r := []rune(w); len(r) == 1 {
		if v, ok := fractions[r[0]]; ok {
			return v, true
		}
	}
	w = strings.Replace(w, "⁄", "/", 1)
	if over, under, ok := strings.Cut(w, "/"); ok {
		a, errA := strconv.ParseUint(over, 10, 16)
		b, errB := strconv.ParseUint(under, 10, 16)
		if errA != nil || errB != nil || b == 0 {
			return 0, false
		}
		return float64(a) / float64(b), true
	}
	if !strings.ContainsAny(w[:1], "0123456789.") {
		return 0, false
	}
	v, err := strconv.ParseFloat(strings.Replace(w, ",", ".", 1), 64)
	return v, err == nil && !math.IsInf(v, 0)
}

// spoonFractions are those that measuring spoons and eyes have.
var spoonFractions = []struct {
	v    float64
	text string
}{{0, ""}, {0.125, "⅛"}, {0.25, "¼"}, {1.0 / 3, "⅓"}, {0.5, "½"}, {2.0 / 3, "⅔"}, {0.75, "¾"}, {1, ""}}

// InSpoons words a volume of ml in spoons or cups to the nearest fraction
// that a set of them has: "1 ½ tsp", "¾ cup".
func InSpoons(ml float64, s Spoons) string {
	m := measures(s)
	name := "tsp"
	switch {
	case ml >= m["cup"].size/4*0.95:
		name = "cup"
	case ml >= m["tbsp"].size*0.95:
		name = "tbsp"
	}
	n := ml / m[name].size
	if n < 0.09 {
		return "a pinch"
	}
	whole, rest := math.Modf(n)
	best := spoonFractions[0]
	for _, f := range spoonFractions {
		if math.Abs(f.v-rest) < math.Abs(best.v-rest) {
			best = f
		}
	}
	if best.v == 1 {
		whole, best.text = whole+1, ""
	}
	if whole == 0 && best.text == "" {
		best.text = "⅛"
	}
	count := best.text
	if whole > 0 {
		count = strings.TrimSpace(fmt.Sprintf("%.0f %s", whole, best.text))
	}
	if name == "cup" && (whole > 1 || whole == 1 && best.text != "") {
		name = "cups"
	}
	return count + " " + name
}

// roughly words what a pinch and its like are taken for: parts of a teaspoon, or grams.
func roughly(u unit) string {
	if n := math.Round(5 / u.size); n > 1 && u.dim == Volume {
		return fmt.Sprintf("1/%.0f tsp", n)
	}
	return fmt.Sprintf("%g %s", u.size, map[Dimension]string{Mass: "g", Volume: "ml"}[u.dim])
}
