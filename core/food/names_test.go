package food

import (
	"strings"
	"testing"

	"velocrustum/core/safety"
)

// Every name is of a cut that there is, and none hides a more exact one behind it.
func TestNames(t *testing.T) {
	for k, n := range Names {
		if _, err := FindCut(n.Cut); err != nil || n.Words != strings.ToLower(n.Words) {
			t.Errorf("%q: %v", n.Words, err)
		}
		for _, before := range Names[:k] {
			hides := true
			for w := range strings.FieldsSeq(before.Words) {
				hides = hides && strings.Contains(" "+n.Words+" ", " "+w+" ")
			}
			if hides && before.Cut != n.Cut {
				t.Errorf("%q of %s is never reached: %q of %s comes before it", n.Words, n.Cut, before.Words, before.Cut)
			}
		}
	}
}

// Everyday words, with the cut that each is of, and those of other foods with their
// nearest.
func TestEverydayWords(t *testing.T) {
	for cut, words := range map[string]string{
		"chicken-wing-flat": "wingettes|wing flats|party wings|flats of wing sections", "chicken-drumette": "drumettes|drumette|chicken lollipops", "chicken-wing-whole": "wings|chicken wings|whole wings|buffalo wings",
		"chicken-drumstick": "drumsticks|chicken drumsticks", "chicken-leg-quarter": "chicken legs|leg quarters", "chicken-thigh-bone-in": "thighs|chicken thighs", "chicken-thigh-boneless": "boneless thighs|thigh fillets",
		"chicken-breast-cutlet": "chicken schnitzel|chicken breasts|chicken strips", "chicken-tenderloin": "chicken tenders|goujons|tenderloins", "nugget": "nuggets|chicken nuggets", "chicken-breast-chunk": "popcorn chicken|breast bites",
		"chicken-half": "half chicken|spatchcock chicken", "chicken-whole": "whole chicken|roast chicken|poussin", "turkey-drumstick": "turkey legs|turkey drumstick", "turkey-wing": "turkey wings", "duck-leg": "duck legs",
		"fish-fillet-white": "cod|haddock|hake|pollock|white fish|tilapia fillets|sea bass fillets", "fish-fillet-oily": "salmon|trout|mackerel", "salmon-fillet-skin": "salmon with skin", "fish-strip": "fish fingers|fish sticks",
		"fish-cake": "fishcakes|fish cakes|crab cakes", "fish-whole": "whole bream|sea bass", "prawn": "prawns|shrimp|scampi|king prawns", "squid-ring": "calamari|squid", "pork-belly-slice": "pork belly", "pork-loin-cutlet": "pork chops|pork schnitzel",
		"pork-rib": "spare ribs|pork ribs", "beef-cutlet": "veal|beef schnitzel", "sausage": "sausages|bangers|bratwurst|hot dogs|frankfurters", "patty": "burgers|patties|beef patty", "patty-poultry": "turkey burgers|chicken patties", "meatball": "meatballs",
		"meatball-poultry": "turkey meatballs", "sausage-poultry": "chicken sausages", "potato-stick": "chips|fries|french fries|oven chips", "potato-wedge": "wedges of potato|potatoes", "potato-half": "half potatoes|halved potatoes|potatoes halved", "potato-cube": "roast potatoes|potatoes cubed", "onion-ring": "onion rings",
		"cauliflower-floret": "cauliflower", "broccoli-floret": "broccoli", "mushroom": "mushrooms|champignons", "courgette-stick": "courgettes|zucchini", "aubergine-slice": "aubergine|eggplant", "tofu-cube": "tofu|bean curd",
		"cheese-stick": "mozzarella sticks|cheese sticks|mozzarella", "filled-roll": "spring rolls|egg rolls|lumpia",
	} {
		for said := range strings.SplitSeq(words, "|") {
			if n, ok := NameIn(" "+said+" ", false); !ok || n.Cut != cut {
				t.Errorf("%q is %q, want %s", said, n.Cut, cut)
			}
		}
	}
	for cut, words := range map[string]string{
		"pork-chop": "steak|rump steak|gammon|pork tenderloin", "pork-belly-slice": "bacon|streaky bacon", "tofu-cube": "halloumi|paneer|feta|tempeh", "filled-roll": "samosas|gyoza|dumplings|sausage rolls|empanadas",
		"potato-cube": "brussels sprouts|chickpeas|tater tots|hash browns|gnocchi|falafel", "potato-half": "jacket potatoes|baked potatoes", "potato-stick": "carrots|parsnips|sweet potato fries", "potato-wedge": "sweet potatoes|pumpkin|corn cobs|croquettes|beetroot", "meatball": "kebabs|koftas",
		"pork-chop-bone-in": "lamb chops|lamb cutlets", "chicken-thigh-chunk": "chicken kebabs|chicken livers|chicken skewers", "fish-cake": "scallops", "courgette-stick": "green beans|asparagus|okra", "aubergine-slice": "bell peppers", "chicken-breast-whole": "turkey breast|duck breast",
		"fish-fillet-oily": "tuna steak", "prawn": "lobster tails", "chicken-whole": "quails|cornish hens",
	} {
		for said := range strings.SplitSeq(words, "|") {
			if n, ok := NameIn(" "+said+" ", false); ok {
				t.Errorf("%q is taken for %s", said, n.Cut)
			}
			if n, ok := NameIn(" "+said+" ", true); !ok || !n.Near || n.Cut != cut {
				t.Errorf("%q is nearest to %q, want %s", said, n.Cut, cut)
			}
		}
	}
	for _, s := range Shapes {
		for _, id := range []string{s.Meat, s.Plant} {
			if cut, err := FindCut(id); id != "" && (err != nil || cut.Plant() != (id == s.Plant)) {
				t.Errorf("%s: %q %v", s.Says, id, err)
			}
		}
	}
	// A food is never taken for one whose rule asks less.
	for said, want := range map[string]safety.Class{"turkey burger": safety.MincedPoultry, "chicken meatballs": safety.MincedPoultry, "kebabs": safety.Minced, "dumplings": safety.Stuffed, "duck breast": safety.Poultry, "quail": safety.Poultry} {
		n, _ := NameIn(" "+said+" ", true)
		if cut, err := FindCut(n.Cut); err != nil || cut.Class != want {
			t.Errorf("%q goes by the rule of %s, want %s", said, cut.Class, want)
		}
	}
}
