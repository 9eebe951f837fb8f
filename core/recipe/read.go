package recipe

import (
	"fmt"
	"regexp"
	"slices"
	"strconv"
	"strings"

	"velocrustum/core/food"
	"velocrustum/core/larder"
	"velocrustum/core/prep"
	"velocrustum/core/units"
)

// Said is one line of ingredients as it stood, under the heading that it had.
type Said struct {
	Text  string `json:"text"`
	Group string `json:"group,omitempty"`
}

// Text is a recipe as it was written.
type Text struct {
	Name        string   `json:"name"`
	Servings    int      `json:"servings,omitempty"` // 0 where it does not say
	Ingredients []Said   `json:"ingredients"`
	Steps       []string `json:"steps"`
	// Rest is what stands beside the recipe.
	Rest []string `json:"rest,omitempty"`
}

// mostWords of a line are looked through for an amount.
const mostWords = 8

// split takes the amount off a line: the longest beginning that is one.
func split(line string, spoons units.Spoons) (amount, rest string) {
	words := strings.Fields(line)
	for n := min(len(words), mostWords); n > 0; n-- {
		head := strings.TrimRight(strings.Join(words[:n], " "), ",;:")
		if strings.HasSuffix(head, "(") {
			continue
		}
		if _, err := units.ParseAmount(head, spoons); err == nil {
			tail := words[n:]
			if len(tail) > 0 && strings.EqualFold(tail[0], "of") {
				tail = tail[1:]
			}
			return head, strings.Join(tail, " ")
		}
	}
	return "", line
}

// trailing takes an amount off the end of a line: "wings – 800 g".
func trailing(line string, spoons units.Spoons) (amount, rest string) {
	words := strings.Fields(line)
	for n := min(4, len(words)-1); n > 0; n-- {
		tail := strings.Join(words[len(words)-n:], " ")
		if tail[0] < '0' || tail[0] > '9' {
			continue
		}
		if _, err := units.ParseAmount(strings.TrimRight(tail, ".;"), spoons); err == nil {
			return strings.TrimRight(tail, ".;"), strings.TrimRight(strings.Join(words[:len(words)-n], " "), " :–—-…·.")
		}
	}
	return "", line
}

// Amounted says whether a line begins with an amount of something.
func Amounted(line string) bool {
	if hotFirst.MatchString(line) { // "400 F for 8 min" is no amount of anything
		return false
	}
	amount, rest := split(worded(line), units.MetricSpoons)
	if amount == "" && len(strings.Fields(line)) < 8 {
		amount, rest = trailing(line, units.MetricSpoons)
	}
	return amount != "" && rest != "" && len(strings.Fields(line)) < 20
}

// worded is a line with its amount first and its cups whole: "juice of 2 limes",
// "½ c. flour".
func worded(line string) string {
	if m := eachIn.FindStringSubmatch(line); m != nil && !packing.MatchString(m[4]) { // "4 (6 oz) fillets" are six ounces each
		line = fmt.Sprintf("%s %s, %s %s each", m[1], m[4], m[2], m[3])
	}
	line = eachOf.ReplaceAllString(line, "$1 $4, $2 $3 each")
	line = aHalf.ReplaceAllString(halves.ReplaceAllString(line, "$1 half-$2"), "1 half-$1")
	return oneC.ReplaceAllString(juiceOf.ReplaceAllString(line, "$3 $4 $2"), "$1 cup ")
}

// counted is a text whose times are figures: "2 1/2 hours", "half an hour".
func counted(text string) string {
	text = timeWords.Replace(text)
	text = numberOf.ReplaceAllStringFunc(text, func(m string) string {
		word, unit, _ := strings.Cut(m, " ")
		return fmt.Sprintf("%d %s", slices.Index(numberWords, strings.ToLower(word))+1, unit)
	})
	text = fractionOf.ReplaceAllStringFunc(text, func(m string) string {
		p := fractionOf.FindStringSubmatch(m)
		whole, _ := strconv.ParseFloat(p[1], 64)
		if i := strings.Index(fractionSigns, p[4]); p[4] != "" && i >= 0 {
			return fmt.Sprintf("%.2f", whole+[]float64{0.5, 0.25, 0.75, 1. / 3, 2. / 3}[len([]rune(fractionSigns[:i]))])
		}
		over, _ := strconv.ParseFloat(p[2], 64)
		under, _ := strconv.ParseFloat(p[3], 64)
		if under == 0 {
			return m
		}
		return fmt.Sprintf("%.2f", whole+over/under)
	})
	return text
}

const fractionSigns = "½¼¾⅓⅔"

var (
	numberWords = []string{"one", "two", "three", "four", "five", "six", "seven", "eight", "nine", "ten", "eleven", "twelve"}
	timeWords   = strings.NewReplacer("an hour and a half", "90 min", "half an hour", "30 min", "half hour", "30 min", "a quarter of an hour", "15 min", "quarter of an hour", "15 min", "an hour", "1 hour")
	numberOf    = regexp.MustCompile(`(?i)\b(?:` + strings.Join(numberWords, "|") + `) (?:hours?|hrs?|minutes?|mins?)\b`)
	fractionOf  = regexp.MustCompile(`(?:(\d+)\s*)?(?:\b(\d)/(\d)\b|([` + fractionSigns + `]))`)
	oneC        = regexp.MustCompile(`^([\d./ ` + fractionSigns + `]+)\s*c\.?\s`)
	halves      = regexp.MustCompile(`(?i)\b(\d+|an?|one|two) half (chickens?|birds?|potato(?:es)?)\b`)
	aHalf       = regexp.MustCompile(`(?i)^half a (chicken|bird|potato)\b`)
	buns        = regexp.MustCompile(`(?i)\b(?:(?:burger|hamburger|hot dog|brioche) )?(?:buns?|baps?)\b`)
	soThick     = regexp.MustCompile(`\b\d+ (?:mm|cm|in|inch|inches) thick\b`) // in plain words, of a piece that is not called so
	sized       = regexp.MustCompile(`(?i)\b(extra[- ]large|large|medium|small|jumbo|big|lg\.?|sm\.?)\s*`)
)

// plain is text in small letters and single words, to be looked through.
func plain(s string) string {
	return " " + strings.Join(strings.FieldsFunc(strings.ToLower(s), func(r rune) bool {
		return !(r >= 'a' && r <= 'z' || r >= '0' && r <= '9' || r == '%' || r > 127)
	}), " ") + " "
}

// says whether all of some words stand in a text, with or without an s.
func says(text string, words ...string) bool { return food.Says(text, words...) }

// cutIn is the cut that a line names; none where it names none. Where nothing in the
// recipe is a cut, it is the one that is nearest to the food named.
func (r *reader) cutIn(line string) (c food.Cut, by string, ok bool) {
	n, ok := food.NameIn(buns.ReplaceAllString(soThick.ReplaceAllString(line, " "), " "), r.nearest)
	if !ok {
		return c, "", false
	}
	c, err := food.FindCut(n.Cut)
	return c, n.Words, err == nil
}

// called are how ingredients are called elsewhere.
var called = map[string]string{
	"tomato": "tomato", "tomatoes": "tomato", "cherry tomatoes": "tomato", "chopped tomatoes": "tomato", "tinned tomatoes": "tomato", "canned tomatoes": "tomato", "pineapple": "pineapple-pieces", "pineapple chunk": "pineapple-pieces", "pineapple juice": "pineapple",
	"bell pepper": "sweet-pepper", "green pepper": "sweet-pepper", "red pepper": "sweet-pepper", "yellow pepper": "sweet-pepper", "capsicum": "sweet-pepper", "carrot": "carrot-pieces", "mango": "mango-pieces",
	"rice": "rice", "white rice": "rice", "jasmine rice": "rice", "basmati rice": "rice", "steamed rice": "rice", "noodle": "noodles", "egg noodle": "noodles", "rice noodle": "noodles",
	"soy sauce": "soy-light", "light soy": "soy-light", "dark soy": "soy-dark", "kosher salt": "salt-flake", "flaky salt": "salt-flake-light", "sea salt": "salt-sea", "coarse salt": "salt-coarse", "salt": "salt-fine",
	"cornstarch": "corn-starch", "cornflour": "corn-starch", "corn flour": "corn-starch", "potato flour": "potato-starch", "all purpose flour": "wheat-flour", "plain flour": "wheat-flour", "self raising flour": "wheat-flour", "flour": "wheat-flour",
	"tapioca flour": "tapioca-starch", "panko": "coarse-crumbs", "breadcrumb": "crumbs", "bread crumb": "crumbs", "gram flour": "chickpea-flour", "ground almond": "almonds", "almond flour": "almonds", "almond meal": "almonds", "cornflake": "cornflakes", "corn flake": "cornflakes", "garlic salt": "salt-fine", "onion salt": "salt-fine", "celery salt": "salt-fine", "seasoned salt": "salt-fine", "seasoning salt": "salt-fine", "parmesan": "hard-cheese", "hard cheese": "hard-cheese",
	"baking powder": "leavening", "bicarbonate of soda": "soda", "bicarb": "soda", "olive oil": "oil", "vegetable oil": "oil", "sunflower oil": "oil", "rapeseed oil": "oil", "canola oil": "oil", "neutral oil": "oil", "cooking spray": "oil", "oil": "oil",
	"yogurt": "yoghurt", "greek yogurt": "yoghurt", "greek yoghurt": "yoghurt", "yoghurt": "yoghurt", "lemon": "lemon-juice", "lime": "lime-juice", "orange juice": "orange-juice", "vinegar": "vinegar", "cider vinegar": "vinegar", "white vinegar": "vinegar",
	"garlic": "garlic", "clove garlic": "garlic", "garlic granule": "garlic-powder", "ginger": "ginger", "scallion": "herbs", "spring onion": "herbs", "parsley": "herbs", "coriander leaves": "herbs", "cilantro": "herbs", "chive": "herbs", "dill": "herbs", "basil": "herbs", "fresh thyme": "herbs",
	"black pepper": "spices", "white pepper": "spices", "pepper": "spices", "cumin": "spices", "ground coriander": "spices", "oregano": "spices", "thyme": "spices", "cayenne": "spices", "turmeric": "spices", "curry powder": "spices", "cinnamon": "spices", "five spice": "spices", "onion powder": "spices", "chilli powder": "spices", "chili powder": "spices", "seasoning": "spices", "allspice": "spices", "nutmeg": "spices", "sumac": "spices", "garam masala": "spices",
	"smoked paprika": "paprika", "paprika": "paprika", "chili flakes": "chilli-flakes", "red pepper flakes": "chilli-flakes", "chilli flakes": "chilli-flakes", "scotch bonnet": "sweet-pepper", "habanero": "sweet-pepper", "jalapeno": "sweet-pepper", "jalapeño": "sweet-pepper", "red chilli": "sweet-pepper", "green chilli": "sweet-pepper", "chilli": "sweet-pepper", "chili": "sweet-pepper", "gochujang": "chilli-paste", "sambal": "chilli-paste", "chilli paste": "chilli-paste", "chili paste": "chilli-paste", "mayo": "mayonnaise", "ketchup": "ketchup", "bbq sauce": "barbecue", "chili sauce": "hot-sauce", "chilli sauce": "hot-sauce", "sweet chili sauce": "sweet-chilli", "sweet chilli sauce": "sweet-chilli",
	"maple syrup": "maple", "jam": "jam", "marmalade": "jam", "honey": "honey", "brown sugar": "sugar-brown", "sugar": "sugar", "butter": "butter", "cream": "cream", "milk": "milk", "buttermilk": "buttermilk", "egg": "egg", "egg white": "egg-white", "white of egg": "egg-white", "egg yolk": "egg-yolk", "mustard": "mustard", "sesame seed": "sesame", "sesame oil": "sesame-oil",
	"stock": "stock", "broth": "stock", "water": "water", "tomato puree": "tomato-paste", "tomato paste": "tomato-paste", "coconut milk": "coconut-milk", "lemon zest": "lemon-zest", "fish sauce": "fish-sauce", "mirin": "rice-wine", "sake": "rice-wine", "rice wine": "rice-wine", "shaoxing wine": "rice-wine", "shaoxing": "rice-wine", "peppercorn": "spices", "sichuan pepper": "spices", "sichuan peppercorn": "spices", "szechuan pepper": "spices", "sweet paprika": "paprika", "hot paprika": "paprika", "cooking wine": "rice-wine", "white wine": "rice-wine", "oyster sauce": "oyster-style", "hoisin sauce": "hoisin-style", "hoisin": "hoisin-style", "teriyaki sauce": "teriyaki-style", "pork rind": "crackling", "pork scratching": "crackling", "onion granule": "spices", "mixed herb": "spices", "mixed spice": "spices", "italian seasoning": "spices", "cajun seasoning": "spices", "lemon pepper": "spices", "rosemary": "spices", "sage": "spices", "marjoram": "spices", "fennel seed": "spices", "cumin seed": "spices", "coriander seed": "spices", "mustard powder": "spices", "cardamom": "spices", "star anise": "spices", "saffron": "spices", "double cream": "cream", "heavy cream": "cream", "whole milk": "milk", "plain yoghurt": "yoghurt", "natural yoghurt": "yoghurt", "natural yogurt": "yoghurt", "plain yogurt": "yoghurt", "caster sugar": "sugar", "granulated sugar": "sugar", "muscovado": "sugar-brown", "demerara sugar": "sugar-brown", "peanut oil": "oil", "groundnut oil": "oil", "avocado oil": "oil", "oil spray": "oil", "spray oil": "oil", "dijon mustard": "mustard", "dijon": "mustard", "wholegrain mustard": "mustard", "apple cider vinegar": "vinegar", "red wine vinegar": "vinegar", "white wine vinegar": "vinegar", "malt vinegar": "vinegar", "lime juice": "lime-juice", "lemon juice": "lemon-juice", "dried breadcrumb": "crumbs", "fresh breadcrumb": "crumbs", "dry breadcrumb": "crumbs", "panko breadcrumb": "coarse-crumbs", "semolina": "semolina", "polenta": "cornmeal", "desiccated coconut": "coconut", "shredded coconut": "coconut", "sriracha": "hot-sauce", "tomato ketchup": "ketchup", "passata": "tomato", "chicken stock": "stock", "vegetable stock": "stock", "chicken broth": "stock", "table salt": "salt-fine", "fine salt": "salt-fine", "rock salt": "salt-coarse", "ghee": "butter", "melted butter": "butter", "mint": "herbs", "fresh coriander": "herbs", "fresh parsley": "herbs", "fresh dill": "herbs", "fresh basil": "herbs", "fresh rosemary": "herbs", "fresh oregano": "herbs", "tarragon": "herbs", "bay leaf": "spices", "bay leave": "spices", "minced garlic": "garlic", "garlic paste": "garlic", "ginger paste": "ginger", "red onion": "onion", "brown onion": "onion", "white onion": "onion", "light soy sauce": "soy-light", "dark soy sauce": "soy-dark", "tamari": "soy-light", "agave syrup": "maple", "golden syrup": "maple", "black vinegar": "rice-vinegar", "pecorino": "hard-cheese", "parmigiano": "hard-cheese", "juniper": "spices", "rice vinegar": "rice-vinegar", "worcestershire sauce": "worcester-style", "worcester sauce": "worcester-style",
}

// ingredientIn is the ingredient of the pantry that a line names, and by which
// words; the longest name wins, the household's own before all.
func ingredientIn(line string, p prep.Pantry) (i larder.Ingredient, by string, ok bool) {
	try := func(words, id string) {
		if len(words) > len(by) && strings.Contains(line, " "+words) && says(line, strings.Fields(words)...) {
			if found, err := p.Find(id); err == nil {
				i, by, ok = found, words, true
			}
		}
	}
	for id, one := range p {
		name, _, _ := strings.Cut(strings.ToLower(one.Name), ",")
		try(name, id)
	}
	for words, id := range called {
		try(words, id)
	}
	return i, by, ok
}

// weighs is what one piece of what the pantry has only by weight weighs, g.
var weighs = map[string]float64{"spring onion": 15, "scallion": 15, "scotch bonnet": 8, "habanero": 8, "jalapeno": 20, "red chilli": 12, "green chilli": 12, "chilli": 12, "chili": 12}

// about is what a piece of a food weighs that is called otherwise than its
// cut, g.
var about = map[string]float64{"chicken tenderloin": 50, "chicken tender": 50, "chicken strip": 40}

// kindred are words for what is fried, by the beginning of its cut.
var kindred = map[string][]string{"chicken": {"chicken", "wing", "drumstick", "thigh", "leg"}, "turkey": {"turkey", "wing"}, "duck": {"duck", "leg"}, "fish": {"fish", "fillet", "salmon"}, "prawn": {"prawn", "shrimp"}, "squid": {"squid", "calamari"}, "pork": {"pork", "chop", "belly", "rib"}, "beef": {"beef", "veal"}, "meatball": {"meatball"}, "onion": {"ring"}, "potato": {"potato", "wedge", "fries", "chip"}, "nugget": {"nugget"}}

var (
	inBrackets = regexp.MustCompile(`\(([^)]*)\)`)
	span       = regexp.MustCompile(`(?i)(\d+(?:[.,]\d+)?)(?:\s*(?:-|–|to)\s*(\d+(?:[.,]\d+)?))?\s*(hours?|hrs?|h|minutes?|mins?|min)\b`)
	hoursAnd   = regexp.MustCompile(`(?i)(\d+)\s*(?:hours?|hrs?|h)\s*(?:and\s*)?(\d+)\s*(?:minutes?|mins?|min|m)\b`)
	clauses    = regexp.MustCompile(`[.;!]\s+|,?\s+(?:and\s+)?then\s+`)
	gasMark    = regexp.MustCompile(`(?i)\bgas\s*(?:mark)?\s*([1-9])\b`)
	heat       = regexp.MustCompile(`(?i)(\d{2,3})\s*(?:°|º|degrees?|deg)?\s*(c|f|celsius|fahrenheit)\b`)
	aSide      = regexp.MustCompile(`(?i)\b(per|each|a|every|either|both|on each|on either|on both) sides?\b`)
	juiceOf    = regexp.MustCompile(`(?i)^(the )?(juice|zest|grated zest|zest and juice|juice and zest) (?:of|from) (\S+)(?: an?)?(?: large| small| big| medium)? (lemon|lime|orange)s?\b`)
	eachOf     = regexp.MustCompile(`(?i)^(\d+)\s*[x×]\s*(\d+(?:[.,]\d+)?)\s*-?\s*(g|kg|oz|lbs?|grams?|ounces?)\b\.?\s+(.+)$`)
	eachIn     = regexp.MustCompile(`(?i)^(\d+)\s*\(\s*(?:about |approx\.? )?(\d+(?:[.,]\d+)?(?:\s*(?:-|–|to)\s*\d+)?)\s*-?\s*(g|kg|oz|lbs?|grams?|ounces?)\.?\s*(?:each)?\)\s*(.+)$`)
	hotFirst   = regexp.MustCompile(`(?i)^\d{2,3}\s*(?:°|degrees?)?\s*[CF]\b`)
	cutSmaller = regexp.MustCompile(`(?i)\b(cubes?|cubed|diced|chunks?|bite|strips?|nuggets?|fingers?|goujons?)\b`)
	bareHeat   = regexp.MustCompile(`(?i)(?:\b(?:at|to|af|air[- ]?fry)|@)\s*(\d{3})(?:\s+(?:for|until|\d)|[.,;]|$)`)
	degrees    = regexp.MustCompile(`(?i)(\d{3})\s*(?:°|º|degrees?)`)
)
