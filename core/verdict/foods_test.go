package verdict

import (
	"strings"
	"testing"

	"velocrustum/core/food"
	"velocrustum/core/load"
)

func warnedOf(a Answer, code Code) bool {
	for _, w := range a.Warnings {
		if w.Code == code {
			return true
		}
	}
	return false
}

// The fat of crackling and of cheese counts as a crumb's oil; bread wants some.
func TestFatOfACoatIsItsOil(t *testing.T) {
	for crumb, dry := range map[string]bool{"crackling": false, "hard-cheese": false, "coconut": false, "almonds": false, "crumbs": true, "coarse-crumbs": true, "cornflakes": true} {
		q := load.Request{Load: load.Pieces{Cut: "fish-fillet-white", Pieces: 2, PieceMassG: 140}, Program: load.Program{PreheatMin: 3, Stages: []load.Stage{{AirC: 190, Minutes: 14}}},
			Coat: &load.Covering{Layers: []food.CoatLayer{{Parts: []food.Mixed{{Ingredient: "egg", Share: 1}}}, {Parts: []food.Mixed{{Ingredient: crumb, Share: 1}}}}}}
		if got := warnedOf(quick(t, q), DryCoat); got != dry {
			t.Errorf("%s without oil: said to be dry %v", crumb, got)
		}
	}
}

// What is done is cautioned, and nothing else: wet is not rinsed, and wet under a
// binder is as it should be.
func TestWetIsNotRinsed(t *testing.T) {
	wet := func(coat string) Answer {
		return quick(t, load.Request{Load: load.Pieces{Cut: "chicken-thigh-boneless", Pieces: 4, PieceMassG: 110, Surface: "wet"}, Coat: &load.Covering{ID: coat, OilG: 8},
			Program: load.Program{PreheatMin: 3, Stages: []load.Stage{{AirC: 190, Minutes: 20}}}})
	}
	if bare := wet("bare"); !warnedOf(bare, WetSurface) {
		t.Error("what goes in wet and bare is not said to steam")
	}
	for _, coat := range []string{"double-dredge", "three-bowl-crumb", "bare"} {
		for _, w := range wet(coat).Warnings {
			if strings.Contains(w.Message, "ins") && strings.Contains(w.Message, "sink") || coat != "bare" && w.Code == WetSurface {
				t.Errorf("%s: %s", coat, w.Message)
			}
		}
	}
}

// Plants and cheese have their own words: nothing raw, no thermometer, no rule.
func TestWordsOfPlantsCheeseAndSausages(t *testing.T) {
	if testing.Short() {
		return // it computes: nothing meets in it that does not in others
	}
	for _, c := range []struct {
		cut, coat, says string
		airC, minutes   float64
		startC          float64
	}{
		{"cheese-stick", "three-bowl-crumb", "Crisp, and molten inside.", 200, 10, -18},
		{"tofu-cube", "starch-dust", "Crisp, and hot inside.", 190, 16, 5},
		{"cauliflower-floret", "oil-rub", "Brown, and soft inside.", 190, 22, 5},
		{"sausage", "bare", "Brown and safe together.", 160, 20, 5},
	} {
		cut, err := food.FindCut(c.cut)
		if err != nil {
			t.Fatal(err)
		}
		a, err := Simulate(t.Context(), load.Request{Load: load.Pieces{Cut: c.cut, Pieces: 8, PieceMassG: cut.Typical, StartC: &c.startC}, Coat: &load.Covering{ID: c.coat, OilG: 8},
			Program: load.Program{PreheatMin: 3, Stages: []load.Stage{{AirC: c.airC, Minutes: c.minutes}}, Turns: []load.Turn{{AtMin: 5, Kind: load.Shake}}}}, Options{})
		if err != nil {
			t.Fatal(err)
		}
		if a.Verdict.Says != c.says {
			t.Errorf("%s: %q, want %q", c.cut, a.Verdict.Says, c.says)
		}
		said := a.Verdict.Says + a.Verdict.First + a.Rule.Words
		for _, w := range a.Warnings {
			said += w.Message
		}
		if cut.Plant() && (strings.Contains(said, "safe to") || strings.Contains(strings.ToLower(said), "probe") || strings.Contains(said, "meat")) {
			t.Errorf("%s: %s", c.cut, said)
		}
	}
}
