package units

import (
	"math"
	"strconv"
	"strings"
	"testing"
)

func TestAmountsAsPeopleWriteThem(t *testing.T) {
	for text, want := range map[string]Amount{
		"250 g": {250, Mass}, "250g": {250, Mass}, "1.5kg": {1500, Mass}, "1,5 kg": {1500, Mass},
		"1 1/2 tbsp": {22.5, Volume}, "1½ tbsp": {22.5, Volume}, "½ cup": {125, Volume}, "1/2 cup": {125, Volume},
		"1 lb 4 oz": {453.592 + 4*28.3495, Mass}, "2 lbs": {907.184, Mass}, "a dozen": {12, Pieces}, "half a dozen": {6, Pieces},
		"two dozen": {24, Pieces}, "3": {3, Pieces}, "Three": {3, Pieces}, "a pinch": {0.3125, Volume}, "pinch": {0.3125, Volume},
		"1 tsp. of": {}, "2 Tbsp.": {30, Volume}, "1 cup and 2 tbsp": {280, Volume}, "0.5 l": {500, Volume}, "3⁄4 tsp": {3.75, Volume},
	} {
		got, err := ParseAmount(text, MetricSpoons)
		if want == (Amount{}) {
			if err == nil {
				t.Errorf("%q was taken for %+v", text, got)
			}
			continue
		}
		if err != nil || math.Abs(got.Value-want.Value) > 1e-6*want.Value || got.Dimension != want.Dimension {
			t.Errorf("%q is %+v (%v), want %+v", text, got, err, want)
		}
	}
	if us, _ := ParseAmount("1 cup", USSpoons); math.Abs(us.Value-236.588) > 0.001 {
		t.Errorf("a US cup is %g ml", us.Value)
	}
	if au, _ := ParseAmount("2 tbsp", AUSpoons); au.Value != 40 {
		t.Errorf("two Australian tablespoons are %g ml", au.Value)
	}
}

func TestAmountsAreRefusedClearly(t *testing.T) {
	for text, part := range map[string]string{
		"": "nothing is there", "lots": `"lots" is no measure`, "2 3 g": "side by side", "1/0 g": "is no measure", "5 g 2": "no measure",
		"1 lb 2 cups": "do not add up", "0 g": "more than nothing", "9999999 kg": "up to", "g 5 g g": "no number", "-": "nothing is there",
	} {
		if got, err := ParseAmount(text, MetricSpoons); err == nil || !strings.Contains(err.Error(), part) || !strings.Contains(err.Error(), "allowed:") {
			t.Errorf("%q gave %+v and %v, want %q named", text, got, err, part)
		}
	}
}

func TestSpoonsComeBackAsTheyWentIn(t *testing.T) {
	for ml, want := range map[float64]string{2.5: "½ tsp", 5: "1 tsp", 7.5: "1 ½ tsp", 15: "1 tbsp", 37: "2 ½ tbsp", 62.5: "¼ cup", 83: "⅓ cup", 250: "1 cup", 437: "1 ¾ cups", 0.2: "a pinch", 0.5: "⅛ tsp", 4.9: "1 tsp"} {
		got := InSpoons(ml, MetricSpoons)
		if got != want {
			t.Errorf("%g ml is %q, want %q", ml, got, want)
			continue
		}
		if got == "a pinch" {
			continue
		}
		back, err := ParseAmount(got, MetricSpoons)
		if err != nil || math.Abs(back.Value-ml) > 0.2*ml+0.2 {
			t.Errorf("%q reads back as %+v (%v)", got, back, err)
		}
	}
}

func FuzzParseAmount(f *testing.F) {
	for _, s := range []string{"250 g", "1 1/2 tbsp", "½ cup", "1 lb 4 oz", "a dozen", "1..2 g", "½½½", "1/", "∞ kg", ",", "of of", "1e9 g", "a a a"} {
		f.Add(s)
	}
	f.Fuzz(func(t *testing.T, s string) {
		for _, spoons := range []Spoons{MetricSpoons, USSpoons} {
			a, err := ParseAmount(s, spoons)
			if err != nil {
				if a != (Amount{}) {
					t.Errorf("%q is refused and yet %+v", s, a)
				}
				continue
			}
			if !(a.Value > 0) || a.Value > MaxAmount || a.Dimension > Pieces {
				t.Errorf("%q is %+v", s, a)
			}
		}
	})
}

// Whatever number, fraction and measure are put together, they are read as
// their sum, in any case and with or without a space.
func TestAmountsReadBackWhatWasWritten(t *testing.T) {
	fractionsOf := map[string]float64{"": 0, " 1/2": 0.5, "½": 0.5, " ¼": 0.25, " 2/3": 2.0 / 3, "⅛": 0.125}
	for whole := 1; whole <= 12; whole += 3 {
		for text, part := range fractionsOf {
			for name, u := range measures(USSpoons) {
				if u.dim == Pieces && part > 0 || name == "mg" {
					continue
				}
				want := (float64(whole) + part) * u.size
				for _, written := range []string{
					strings.Repeat(" ", whole%2) + strconv.Itoa(whole) + text + " " + name,
					strconv.Itoa(whole) + text + " " + strings.ToUpper(name),
					strconv.Itoa(whole) + text + name + " ",
				} {
					got, err := ParseAmount(written, USSpoons)
					if err != nil || math.Abs(got.Value-want) > 1e-9*want || got.Dimension != u.dim {
						t.Errorf("%q is %+v (%v), want %g", written, got, err, want)
					}
				}
			}
		}
	}
}
