package units

import (
	"fmt"
	"testing"

	"velocrustum/core/refuse/goldentest"
)

// Amounts as they are written in kitchens, and what is said of them.
func TestAmountsAreAsTheyWereRead(t *testing.T) {
	t.Parallel()
	var f goldentest.File
	for _, text := range []string{"2 tbsp", "1 tsp", "1 heaped tsp", "a scant cup", "1/2 cup", "1½ cups", "3 heaping tbsp", "2 rounded tsp", "a generous tablespoon", "1 level tsp", "packed cup", "a big pinch", "a small handful", "a large pinch", "a medium onion",
		"2 lb", "12 oz", "1.2 kg", "350 g", "250 ml", "1 l", "1 fl oz", "1 pint", "2-3 tbsp", "a dash", "a knob", "a drizzle", "a handful", "two cloves", "1 dl", "2 cl", "1 stick", "100 mg", "1 quart", "1 dessertspoon", "4", "half a cup", "1,5 dl", "eight", "three cups", "a couple of eggs", "several", "a few", "a dozen", "2 dozen", "1 gallon", "2 pints", "3 drops", "2 dashes", "1 pinch", "¾ tsp", "1⅓ cups", "2 ⅔ cups", "⅜ cup", "⅛ tsp", "⅝ cup", "⅞ cup", "⅕ l", "a quarter cup", "eleven", "twelve", "nine", "five tbsp", "six oz", "seven g", "ten ml", "four pieces", "1-1/2 lb", "3 / 4 cup", "1 kilo", "2 pounds", "10 ounces", "0", "-1 g", "1e3 g", "tsp",
		// Groups of figures, with points and commas.
		"1,200 g", "1.200 g", "1,200 kg", "1.200 kg", "1,234,567 g", "1.234.567 mg", "1,234.5 g", "1.234,5 g", "0,125 l", "0.125 l", "1.500 cups", "1,500 cups", "2.500 onion", "2,500 onion", "12,50 g", "1,2 g", ".5 tsp", ",5 tsp", "1/200 g", "10,000", "10.000"} {
		for _, s := range []Spoons{USSpoons, MetricSpoons} {
			a, err := ParseAmount(text, s, "onion", "cloves")
			f.Addf(fmt.Sprint(text, " ", s), "%+v %v", a, err)
		}
	}
	for _, ml := range []float64{0.3, 0.6, 1.25, 2.5, 5, 7.5, 10, 15, 22, 30, 45, 60, 90, 120, 240, 355} {
		f.Addf(fmt.Sprint(ml, " ml"), "%s, %s", InSpoons(ml, USSpoons), InSpoons(ml, MetricSpoons))
	}
	for _, m := range []float64{0, 0.4, 0.6, 1, 1.5, 12, 59.4, 60, 61, 90, 119.7, 120, 150, 600, 1440, 2000} {
		f.Addf(fmt.Sprint(m, " min"), "%s, %s", Minutes(m), Long(m))
	}
	for i := range 25 {
		f.Addf(fmt.Sprint(i), "%s, %s", Count(i), Ordinal(i))
	}
	for mm := 0.5; mm < 60; mm += 1.3 {
		f.Addf(fmt.Sprintf("%.1f mm", mm), "%s, %s", Household{}.Millimetres(mm), Household{Mass: Ounce}.Millimetres(mm))
	}
	for _, h := range []Household{{}, {Temperature: Fahrenheit, Mass: Ounce}} {
		for _, v := range []float64{-18, 0, 4, 63.4, 74, 165, 200} {
			f.Addf(fmt.Sprint(v), "%s, %s", h.Degrees(v), h.Grams(10*v))
		}
	}
	f.Same(t, "amounts.txt")
}
