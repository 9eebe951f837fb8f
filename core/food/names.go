package food

// Names are how cuts are called elsewhere, the more exact before the vaguer: all
// words of a row stand in what is said. One table for picker, recipe and search.
var Names = []struct{ Words, Cut string }{
	{"bream fillet", "fish-fillet-white"}, {"bass fillet", "fish-fillet-white"}, {"sea bream", "fish-whole"}, {"sea bass", "fish-whole"},
	{"roast potato", "potato-cube"}, {"popcorn chicken", "chicken-breast-chunk"},
	{"half chicken", "chicken-half"}, {"spatchcock", "chicken-half"}, {"turkey drumstick", "turkey-drumstick"}, {"turkey leg", "turkey-drumstick"},
	{"butterflied chicken breast", "chicken-breast-butterflied"}, {"butterflied breast", "chicken-breast-butterflied"}, {"goujon", "chicken-tenderloin"}, {"tenderloin", "chicken-tenderloin"},
	{"lollipop", "chicken-drumette"}, {"salmon skin", "salmon-fillet-skin"}, {"bone in pork chop", "pork-chop-bone-in"}, {"pork chop bone", "pork-chop-bone-in"},
	{"sausage", "sausage"}, {"banger", "sausage"}, {"bratwurst", "sausage"},
	{"hot dog", "sausage"}, {"frankfurter", "sausage"}, {"burger", "patty"}, {"patty", "patty"},
	{"patties", "patty"}, {"fish cake", "fish-cake"}, {"fishcake", "fish-cake"}, {"crab cake", "fish-cake"},
	{"scampi", "prawn"}, {"king prawn", "prawn"}, {"calamares", "squid-ring"}, {"tofu", "tofu-cube"},
	{"bean curd", "tofu-cube"}, {"cauliflower", "cauliflower-floret"}, {"broccoli", "broccoli-floret"}, {"mushroom", "mushroom"},
	{"champignon", "mushroom"}, {"courgette", "courgette-stick"}, {"zucchini", "courgette-stick"}, {"aubergine", "aubergine-slice"},
	{"eggplant", "aubergine-slice"}, {"stuffed wing", "chicken-wing-stuffed"}, {"turkey wing", "turkey-wing"}, {"drumette", "chicken-drumette"},
	{"wing flat", "chicken-wing-flat"}, {"wingette", "chicken-wing-flat"}, {"party wing", "chicken-wing-flat"}, {"wing split", "chicken-wing-flat"},
	{"wing section", "chicken-wing-flat"}, {"wing", "chicken-wing-whole"}, {"duck leg", "duck-leg"}, {"leg quarter", "chicken-leg-quarter"},
	{"frenched drumstick", "chicken-drumstick-frenched"}, {"drumstick", "chicken-drumstick"}, {"chicken leg", "chicken-leg-quarter"}, {"thigh bite", "chicken-thigh-chunk"},
	{"thigh chunk", "chicken-thigh-chunk"}, {"thigh cube", "chicken-thigh-chunk"}, {"thigh cubed", "chicken-thigh-chunk"}, {"thigh piece", "chicken-thigh-chunk"},
	{"boneless thigh", "chicken-thigh-boneless"}, {"thigh fillet", "chicken-thigh-boneless"}, {"thigh", "chicken-thigh-bone-in"}, {"breast bite", "chicken-breast-chunk"},
	{"breast chunk", "chicken-breast-chunk"}, {"breast cube", "chicken-breast-chunk"}, {"breast cubed", "chicken-breast-chunk"}, {"breast piece", "chicken-breast-chunk"},
	{"nugget", "nugget"}, {"chicken tenderloin", "chicken-tenderloin"}, {"chicken tender", "chicken-tenderloin"}, {"chicken strip", "chicken-breast-cutlet"},
	{"chicken breast", "chicken-breast-cutlet"}, {"chicken cutlet", "chicken-breast-cutlet"}, {"chicken schnitzel", "chicken-breast-cutlet"}, {"pork belly", "pork-belly-slice"},
	{"pork rib", "pork-rib"}, {"spare rib", "pork-rib"}, {"pork chop", "pork-loin-cutlet"}, {"pork cutlet", "pork-loin-cutlet"},
	{"pork loin", "pork-loin-cutlet"}, {"pork schnitzel", "pork-loin-cutlet"}, {"beef cutlet", "beef-cutlet"}, {"beef schnitzel", "beef-cutlet"},
	{"veal", "beef-cutlet"}, {"meatball", "meatball"}, {"salmon", "fish-fillet-oily"}, {"trout", "fish-fillet-oily"},
	{"mackerel", "fish-fillet-oily"}, {"fish finger", "fish-strip"}, {"fish stick", "fish-strip"}, {"fish strip", "fish-strip"},
	{"whole bream", "fish-whole"}, {"whole bass", "fish-whole"}, {"whole fish", "fish-whole"}, {"cod", "fish-fillet-white"},
	{"haddock", "fish-fillet-white"}, {"pollock", "fish-fillet-white"}, {"hake", "fish-fillet-white"}, {"tilapia", "fish-fillet-white"},
	{"catfish", "fish-fillet-white"}, {"fish fillet", "fish-fillet-white"}, {"white fish", "fish-fillet-white"}, {"butterflied prawn", "prawn-butterflied"},
	{"prawn", "prawn"}, {"shrimp", "prawn"}, {"squid", "squid-ring"}, {"calamari", "squid-ring"},
	{"onion ring", "onion-ring"}, {"potato cube", "potato-cube"}, {"potato cubed", "potato-cube"}, {"potato diced", "potato-cube"},
	{"oven chip", "potato-stick"}, {"french fry", "potato-stick"}, {"french fries", "potato-stick"}, {"fries", "potato-stick"},
	{"chip", "potato-stick"}, {"potato", "potato-wedge"},
}

// AlsoCalled are the other names of a cut.
func AlsoCalled(cut string) []string {
	out := []string{}
	for _, n := range Names {
		if n.Cut == cut {
			out = append(out, n.Words)
		}
	}
	return out
}
