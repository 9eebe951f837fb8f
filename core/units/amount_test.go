package units

import (
	"math"
	"strconv"
	"strings"
	"testing"
)

func TestAmountsAsPeopleWriteThem(t *testing.T) {
	for text, want := range map[string]Amount{
		"250 g": {Value: 250, Dimension: Mass}, "250g": {Value: 250, Dimension: Mass}, "1.5kg": {Value: 1500, Dimension: Mass}, "1,5 kg": {Value: 1500, Dimension: Mass},
		"1 1/2 tbsp": {Value: 22.5, Dimension: Volume}, "1½ tbsp": {Value: 22.5, Dimension: Volume}, "½ cup": {Value: 125, Dimension: Volume}, "1/2 cup": {Value: 125, Dimension: Volume},
		"1 lb 4 oz": {Value: 453.592 + 4*28.3495, Dimension: Mass}, "2 lbs": {Value: 907.184, Dimension: Mass}, "a dozen": {Value: 12, Dimension: Pieces}, "half a dozen": {Value: 6, Dimension: Pieces},
		"two dozen": {Value: 24, Dimension: Pieces}, "3": {Value: 3, Dimension: Pieces}, "Three": {Value: 3, Dimension: Pieces}, "a pinch": {Value: 0.3125, Dimension: Volume}, "pinch": {Value: 0.3125, Dimension: Volume},
		"1 tsp. of": {}, "2 Tbsp.": {Value: 30, Dimension: Volume}, "1 cup and 2 tbsp": {Value: 280, Dimension: Volume}, "0.5 l": {Value: 500, Dimension: Volume}, "3⁄4 tsp": {Value: 3.75, Dimension: Volume},
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

// Numbers in groups, as a household writes them, spoons by a letter, larger measures.
func TestAmountsOfManyKitchens(t *testing.T) {
	for _, c := range []struct {
		text   string
		spoons Spoons
		want   float64
		dim    Dimension
	}{
		{"1 T", MetricSpoons, 15, Volume}, {"3 t", MetricSpoons, 15, Volume}, {"1½T", USSpoons, 22.1805, Volume}, {"2t.", AUSpoons, 10, Volume},
		{"1 pint", USSpoons, 473.176, Volume}, {"1 pint", MetricSpoons, 568.261, Volume}, {"2 quarts", USSpoons, 1892.704, Volume}, {"8 fl oz", USSpoons, 236.588, Volume}, {"4 fl. oz.", MetricSpoons, 113.6524, Volume},
		{"1,234 g", MetricSpoons, 1234, Mass}, {"1.234 g", MetricSpoons, 1234, Mass}, {"1.234,5 g", MetricSpoons, 1234.5, Mass}, {"1,234.5 g", USSpoons, 1234.5, Mass},
		{"1,234 kg", MetricSpoons, 1234, Mass}, {"1.250 kg", USSpoons, 1250, Mass}, {"0,125 l", MetricSpoons, 125, Volume}, {"12,500 g", USSpoons, 12500, Mass}, {"1,5 l", MetricSpoons, 1500, Volume},
		{"1 cup plus 2 tbsp", MetricSpoons, 280, Volume}, {"1 cup + 2 tbsp", MetricSpoons, 280, Volume}, {"a few drops", MetricSpoons, 0.15, Volume}, {"a couple", MetricSpoons, 2, Pieces}, {"1/4 pint", MetricSpoons, 142.06525, Volume},
	} {
		if got, err := ParseAmount(c.text, c.spoons); err != nil || math.Abs(got.Value-c.want) > 1e-3*c.want || got.Dimension != c.dim {
			t.Errorf("%q in %s spoons is %+v (%v), want %g", c.text, c.spoons, got, err, c.want)
		}
	}
}

// What leaves it open is taken for a figure, which is said.
func TestAmountsThatLeaveItOpen(t *testing.T) {
	for _, c := range []struct {
		text  string
		names []string
		want  float64
		dim   Dimension
		took  string
	}{
		{"1–2 tbsp", nil, 22.5, Volume, "1 ½, the middle of 1 to 2"},
		{"1-2 tbsp", nil, 22.5, Volume, "1 ½, the middle of 1 to 2"},
		{"1 to 1 1/2 cups", nil, 312.5, Volume, "1 ¼, the middle of 1 to 1 ½"},
		{"two heaped tsp", nil, 16, Volume, "heaped as 1.6 of a level one"},
		{"¼ cup packed", nil, 75, Volume, "packed as 1.2 of a level one"},
		{"a splash", nil, 7, Volume, "a splash as 7 ml"},
		{"2 level tsp", nil, 10, Volume, ""},
		{"3 cloves, crushed", []string{"garlic", "clove"}, 3, Pieces, ""},
		{"two eggs", []string{"egg"}, 2, Pieces, ""},
		{"half a stick", []string{"butter", "stick"}, 0.5, Pieces, ""},
		{"1 lemon", []string{"lemon", "juice"}, 1, Pieces, ""},
		{"juice of 1 lemon", []string{"lemon", "juice"}, 1, Pieces, ""},
		{"juice of half a lemon", []string{"lemon", "juice"}, 0.5, Pieces, ""},
		{"the juice of a lemon", []string{"lemon", "juice"}, 1, Pieces, ""},
		{"heaped tbsp", nil, 24, Volume, "heaped as 1.6 of a level one"},
		{"a pinch", nil, 0.3125, Volume, "a pinch as 1/16 tsp"},
		{"2 limes", []string{"lime"}, 2, Pieces, ""},
		{"1 big onion", []string{"onion"}, 1.3, Pieces, "big as 1.3 of a level one"},
	} {
		got, err := ParseAmount(c.text, MetricSpoons, c.names...)
		if err != nil || math.Abs(got.Value-c.want) > 1e-9 || got.Dimension != c.dim || !strings.Contains(got.Took, c.took) || c.took == "" && got.Took != "" {
			t.Errorf("%q is %+v (%v), want %+v", c.text, got, err, c)
		}
	}
}

func TestAmountsAreRefusedClearly(t *testing.T) {
	for text, part := range map[string]string{
		"": "nothing is there", "lots": `"lots" is no measure`, "2 3 g": "side by side", "1/0 g": "is no measure", "5 g 2": "no measure",
		"1 lb 2 cups": "do not add up", "0 g": "more than nothing", "9999999 kg": "up to", "g 5 g g": "no number", "-": "less than nothing",
		"-5 g": "less than nothing", "−5 g": "less than nothing", "2 to 1 tbsp": "the larger", "2 to": "two numbers", "1 to 2 to 3 g": "two numbers", "heaped": "nothing",
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
