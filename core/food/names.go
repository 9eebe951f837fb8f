package food

import (
	"slices"
	"strings"
)

// A Name is what a cut is called elsewhere, in small letters and single words. Near
// says that it is another food, whose nearest by shape and rule the cut is.
type Name struct {
	Words, Cut string
	Near       bool
}

// near are names of other foods, of a cut.
func near(cut string, names ...string) (out []Name) {
	for _, n := range names {
		out = append(out, Name{Words: n, Cut: cut, Near: true})
	}
	return out
}

// Names are how cuts are called elsewhere, the more exact before the vaguer: all
// words of a row stand in what is said. One table for picker, recipe and search.
var Names = slices.Concat(
	ownNames(),
	// What another name would hide.
	near("potato-stick", "sweet potato fries", "sweet potato fry", "sweet potato chip", "carrot", "parsnip", "swede", "turnip", "yuca", "cassava"),
	near("potato-wedge", "sweet potato", "pumpkin", "butternut", "beetroot", "celeriac", "plantain", "banana", "corn cob", "potato croquette", "croquette"),
	near("potato-half", "jacket potato", "baked potato", "whole potato"),
	near("potato-cube", "tater tot", "potato tot", "hash brown", "potato rosti", "potato gnocchi", "gnocchi", "chickpea", "falafel", "radish", "sprout"),
	near("chicken-breast-whole", "turkey breast", "duck breast", "chicken kiev"), near("chicken-breast-cutlet", "turkey cutlet", "turkey escalope", "turkey schnitzel", "turkey steak"),
	near("chicken-thigh-chunk", "chicken kebab", "chicken skewer", "chicken satay", "chicken shish", "chicken liver", "chicken heart", "chicken gizzard"),
	near("pork-chop", "pork tenderloin", "pork fillet"), near("fish-fillet-oily", "tuna", "swordfish"), near("fish-fillet-white", "monkfish", "skate"),
	near("beef-cutlet", "minute steak", "venison cutlet", "lamb schnitzel"), near("meatball", "kofta", "kebab", "scotch egg"), near("pork-chop-bone-in", "lamb chop", "lamb cutlet", "veal chop"),
	near("fish-cake", "scallop"), near("prawn", "lobster", "langoustine", "crayfish"), near("fish-strip", "sardine", "whitebait", "sprat", "anchovy"), near("pork-rib", "beef rib", "short rib", "lamb rib"),
	near("filled-roll", "samosa", "dumpling", "gyoza", "wonton", "potsticker", "empanada", "pasty", "pierogi", "sausage roll", "pastry parcel", "taquito", "ravioli", "borek"),
	near("sausage", "pigs blanket", "corn dog", "black pudding"),
	[]Name{
		{Words: "spring roll", Cut: "filled-roll"}, {Words: "egg roll", Cut: "filled-roll"}, {Words: "summer roll", Cut: "filled-roll"}, {Words: "lumpia", Cut: "filled-roll"}, {Words: "filled pastry", Cut: "filled-roll"},
		{Words: "mozzarella", Cut: "cheese-stick"}, {Words: "cheese stick", Cut: "cheese-stick"}, {Words: "cheese bite", Cut: "cheese-stick"}, {Words: "cheese finger", Cut: "cheese-stick"}, {Words: "string cheese", Cut: "cheese-stick"},
		{Words: "turkey mince", Cut: "patty-poultry"}, {Words: "minced turkey", Cut: "patty-poultry"}, {Words: "ground turkey", Cut: "patty-poultry"}, {Words: "chicken mince", Cut: "patty-poultry"}, {Words: "minced chicken", Cut: "patty-poultry"}, {Words: "ground chicken", Cut: "patty-poultry"},
		{Words: "chicken burger", Cut: "patty-poultry"}, {Words: "turkey burger", Cut: "patty-poultry"}, {Words: "chicken patty", Cut: "patty-poultry"}, {Words: "chicken patties", Cut: "patty-poultry"}, {Words: "turkey patty", Cut: "patty-poultry"}, {Words: "turkey patties", Cut: "patty-poultry"},
		{Words: "chicken meatball", Cut: "meatball-poultry"}, {Words: "turkey meatball", Cut: "meatball-poultry"}, {Words: "chicken sausage", Cut: "sausage-poultry"}, {Words: "turkey sausage", Cut: "sausage-poultry"},
		{Words: "bream fillet", Cut: "fish-fillet-white"}, {Words: "bass fillet", Cut: "fish-fillet-white"}, {Words: "sea bream", Cut: "fish-whole"}, {Words: "sea bass", Cut: "fish-whole"},
		{Words: "roast potato", Cut: "potato-cube"}, {Words: "popcorn chicken", Cut: "chicken-breast-chunk"},
		{Words: "half chicken", Cut: "chicken-half"}, {Words: "spatchcock", Cut: "chicken-half"}, {Words: "turkey drumstick", Cut: "turkey-drumstick"}, {Words: "turkey leg", Cut: "turkey-drumstick"},
		{Words: "butterflied chicken breast", Cut: "chicken-breast-butterflied"}, {Words: "butterflied breast", Cut: "chicken-breast-butterflied"}, {Words: "goujon", Cut: "chicken-tenderloin"}, {Words: "tenderloin", Cut: "chicken-tenderloin"},
		{Words: "lollipop", Cut: "chicken-drumette"}, {Words: "salmon skin", Cut: "salmon-fillet-skin"}, {Words: "bone in pork chop", Cut: "pork-chop-bone-in"}, {Words: "pork chop bone", Cut: "pork-chop-bone-in"},
		{Words: "sausage", Cut: "sausage"}, {Words: "banger", Cut: "sausage"}, {Words: "bratwurst", Cut: "sausage"},
		{Words: "hot dog", Cut: "sausage"}, {Words: "frankfurter", Cut: "sausage"}, {Words: "burger", Cut: "patty"}, {Words: "patty", Cut: "patty"},
		{Words: "patties", Cut: "patty"}, {Words: "fish cake", Cut: "fish-cake"}, {Words: "fishcake", Cut: "fish-cake"}, {Words: "crab cake", Cut: "fish-cake"},
		{Words: "scampi", Cut: "prawn"}, {Words: "king prawn", Cut: "prawn"}, {Words: "calamares", Cut: "squid-ring"}, {Words: "tofu", Cut: "tofu-cube"},
		{Words: "bean curd", Cut: "tofu-cube"}, {Words: "cauliflower", Cut: "cauliflower-floret"}, {Words: "broccoli", Cut: "broccoli-floret"}, {Words: "mushroom", Cut: "mushroom"},
		{Words: "champignon", Cut: "mushroom"}, {Words: "courgette", Cut: "courgette-stick"}, {Words: "zucchini", Cut: "courgette-stick"}, {Words: "aubergine", Cut: "aubergine-slice"},
		{Words: "eggplant", Cut: "aubergine-slice"}, {Words: "stuffed wing", Cut: "chicken-wing-stuffed"}, {Words: "turkey wing", Cut: "turkey-wing"}, {Words: "drumette", Cut: "chicken-drumette"},
		{Words: "wing flat", Cut: "chicken-wing-flat"}, {Words: "wingette", Cut: "chicken-wing-flat"}, {Words: "party wing", Cut: "chicken-wing-flat"}, {Words: "wing split", Cut: "chicken-wing-flat"},
		{Words: "wing section", Cut: "chicken-wing-flat"}, {Words: "wing", Cut: "chicken-wing-whole"}, {Words: "duck leg", Cut: "duck-leg"}, {Words: "leg quarter", Cut: "chicken-leg-quarter"},
		{Words: "frenched drumstick", Cut: "chicken-drumstick-frenched"}, {Words: "drumstick", Cut: "chicken-drumstick"}, {Words: "chicken leg", Cut: "chicken-leg-quarter"}, {Words: "thigh bite", Cut: "chicken-thigh-chunk"},
		{Words: "thigh chunk", Cut: "chicken-thigh-chunk"}, {Words: "thigh cube", Cut: "chicken-thigh-chunk"}, {Words: "thigh cubed", Cut: "chicken-thigh-chunk"}, {Words: "thigh piece", Cut: "chicken-thigh-chunk"},
		{Words: "boneless thigh", Cut: "chicken-thigh-boneless"}, {Words: "thigh fillet", Cut: "chicken-thigh-boneless"}, {Words: "thigh", Cut: "chicken-thigh-bone-in"}, {Words: "breast bite", Cut: "chicken-breast-chunk"},
		{Words: "breast chunk", Cut: "chicken-breast-chunk"}, {Words: "breast cube", Cut: "chicken-breast-chunk"}, {Words: "breast cubed", Cut: "chicken-breast-chunk"}, {Words: "breast piece", Cut: "chicken-breast-chunk"},
		{Words: "nugget", Cut: "nugget"}, {Words: "chicken tenderloin", Cut: "chicken-tenderloin"}, {Words: "chicken tender", Cut: "chicken-tenderloin"}, {Words: "chicken strip", Cut: "chicken-breast-cutlet"},
		{Words: "chicken breast", Cut: "chicken-breast-cutlet"}, {Words: "chicken cutlet", Cut: "chicken-breast-cutlet"}, {Words: "chicken schnitzel", Cut: "chicken-breast-cutlet"}, {Words: "pork belly", Cut: "pork-belly-slice"},
		{Words: "pork rib", Cut: "pork-rib"}, {Words: "spare rib", Cut: "pork-rib"}, {Words: "pork chop", Cut: "pork-loin-cutlet"}, {Words: "pork cutlet", Cut: "pork-loin-cutlet"},
		{Words: "pork loin", Cut: "pork-loin-cutlet"}, {Words: "pork schnitzel", Cut: "pork-loin-cutlet"}, {Words: "beef cutlet", Cut: "beef-cutlet"}, {Words: "beef schnitzel", Cut: "beef-cutlet"},
		{Words: "veal", Cut: "beef-cutlet"}, {Words: "meatball", Cut: "meatball"}, {Words: "salmon", Cut: "fish-fillet-oily"}, {Words: "trout", Cut: "fish-fillet-oily"},
		{Words: "mackerel", Cut: "fish-fillet-oily"}, {Words: "fish finger", Cut: "fish-strip"}, {Words: "fish stick", Cut: "fish-strip"}, {Words: "fish strip", Cut: "fish-strip"},
		{Words: "whole bream", Cut: "fish-whole"}, {Words: "whole bass", Cut: "fish-whole"}, {Words: "whole fish", Cut: "fish-whole"}, {Words: "cod", Cut: "fish-fillet-white"},
		{Words: "haddock", Cut: "fish-fillet-white"}, {Words: "pollock", Cut: "fish-fillet-white"}, {Words: "hake", Cut: "fish-fillet-white"}, {Words: "tilapia", Cut: "fish-fillet-white"},
		{Words: "catfish", Cut: "fish-fillet-white"}, {Words: "fish fillet", Cut: "fish-fillet-white"}, {Words: "white fish", Cut: "fish-fillet-white"}, {Words: "butterflied prawn", Cut: "prawn-butterflied"},
		{Words: "prawn", Cut: "prawn"}, {Words: "shrimp", Cut: "prawn"}, {Words: "squid", Cut: "squid-ring"}, {Words: "calamari", Cut: "squid-ring"},
		{Words: "onion ring", Cut: "onion-ring"}, {Words: "potato cube", Cut: "potato-cube"}, {Words: "potato cubed", Cut: "potato-cube"}, {Words: "potato diced", Cut: "potato-cube"},
		{Words: "whole chicken", Cut: "chicken-whole"}, {Words: "roast chicken", Cut: "chicken-whole"}, {Words: "roasting chicken", Cut: "chicken-whole"}, {Words: "poussin", Cut: "chicken-whole"}, {Words: "spring chicken", Cut: "chicken-whole"},
		{Words: "oven chip", Cut: "potato-stick"}, {Words: "french fry", Cut: "potato-stick"}, {Words: "french fries", Cut: "potato-stick"}, {Words: "fries", Cut: "potato-stick"},
		{Words: "chip", Cut: "potato-stick"}, {Words: "potato halved", Cut: "potato-half"}, {Words: "potato halves", Cut: "potato-half"}, {Words: "potato", Cut: "potato-wedge"},
	},
	near("chicken-whole", "cornish hen", "quail", "partridge", "pheasant"),
	near("pork-chop", "steak", "gammon", "ham", "pork steak", "lamb steak"),
	near("pork-belly-slice", "bacon", "pancetta", "rasher"),
	near("tofu-cube", "halloumi", "paneer", "feta", "tempeh", "seitan"),
	near("courgette-stick", "green bean", "asparagus", "okra"), near("aubergine-slice", "bell pepper", "pepper slice", "apple slice", "pineapple ring"),
	near("squid-ring", "octopus"),
)

// ownNames are those of the table of cuts that have several words, the longest
// first; of one length the later, which is the more exact.
func ownNames() (out []Name) {
	for _, c := range slices.Backward(cuts) {
		for _, n := range []string{c.Name, c.Plural} {
			if n = strings.ToLower(n); strings.Contains(n, " ") && !slices.ContainsFunc(out, func(o Name) bool { return o.Words == n }) {
				out = append(out, Name{Words: n, Cut: c.ID})
			}
		}
	}
	slices.SortStableFunc(out, func(a, b Name) int {
		return strings.Count(b.Words, " ") - strings.Count(a.Words, " ")
	})
	return out
}

// Says whether all of some words stand in a text of single words, with a space at
// either end, as they are or in the plural.
func Says(text string, words ...string) bool {
	for _, w := range words {
		if !strings.Contains(text, " "+w+" ") && !strings.Contains(text, " "+w+"s ") && !strings.Contains(text, " "+w+"es ") {
			return false
		}
	}
	return true
}

// NameIn is the first name that stands in such a text; also of another food, whose
// nearest a cut is, where that is asked for. A sweet potato is no potato either way.
func NameIn(text string, near bool) (Name, bool) {
	for _, n := range Names {
		switch {
		case !Says(text, strings.Fields(n.Words)...):
		case near || !n.Near:
			return n, true
		case strings.Contains(n.Words, " "):
			return Name{}, false
		}
	}
	return Name{}, false
}

// A Shaped is a cut that stands for a shape, for food that no name is known of.
type Shaped struct{ Says, Meat, Plant string }

// Shapes are what food without a name may be by its shape: of meat or fish, where the
// inside has to be safe, and of a plant.
var Shapes = []Shaped{
	{"a thin slice", "pork-loin-cutlet", "aubergine-slice"},
	{"a thick slab", "chicken-breast-whole", "tofu-cube"},
	{"a stick or strip", "chicken-tenderloin", "potato-stick"},
	{"a ball or cube", "meatball-poultry", "potato-cube"},
	{"a roll with a filling", "filled-roll", ""},
	{"a piece on the bone", "chicken-drumstick", ""},
}
