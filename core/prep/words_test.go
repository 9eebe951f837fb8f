package prep

import (
	"fmt"
	"testing"

	"velocrustum/core/refuse/goldentest"
	"velocrustum/core/units"
	"velocrustum/core/verdict"
)

// What a step is said to do, and how times and amounts are worded, over all that they may
// be, is as it was read: each word has its border.
func TestWordsOfTheBenchAreAsTheyWereRead(t *testing.T) {
	t.Parallel()
	var f goldentest.File
	for v := -3.0; v <= 3; v += 0.05 {
		f.Addf(fmt.Sprintf("%.2f", v), "%s | %s | %s", effect{juicePct: v}.says(), effect{crust: v}.says(), effect{brown: v / 5}.says())
	}
	minutes := []*float64{nil, new(10.0), new(10.4), new(10.6), new(11.0), new(12.7), new(13.1), new(14.4), new(30.0)}
	for i, a := range minutes {
		for k, b := range minutes {
			f.Addf(fmt.Sprint("from ", i, " to ", k), "%s | %s | %s", change{with: a, without: b}.says("safe"), effect{safe: change{a, b}, crisp: change{b, a}}.says(),
				spreadSays(verdict.Chance{SafeByMin: a, BestUntilMin: b}, verdict.Chance{SafeByMin: b, BestUntilMin: a}))
		}
	}
	for h := 0.0; h < 60; h += 0.1 + h/20 {
		f.Addf(fmt.Sprintf("%.2f h", h), "%s | %s | %s", hoursWords(h), orLonger(h), Reach{Least: 0.5, Best: 4, Most: 24, Past: "mushy: it falls apart"}.verdict(h))
	}
	for g := 0.0; g < 12; g += 0.4 {
		f.Addf(fmt.Sprintf("%.1f g", g), "%s", coatSays("wings", "starch", g, units.Household{}))
	}
	f.Same(t, "words.txt")
}

// A mix has two dozen ingredients at most, and one at least.
func TestAMixHasTwoDozenIngredientsAtMost(t *testing.T) {
	t.Parallel()
	for n, fine := range map[int]bool{0: false, 1: true, maxItems: true, maxItems + 1: false} {
		m := Mix{Name: "Rub"}
		for range n {
			m.Items = append(m.Items, Item{Ingredient: "spices", G: 1})
		}
		if err := m.Check(shelf); (err == nil) != fine {
			t.Errorf("%d ingredients: %v", n, err)
		}
	}
}
