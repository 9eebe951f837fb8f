package safety

import (
	"fmt"
	"testing"

	"velocrustum/core/refuse/goldentest"
)

// Every rule and every pathogen's figures are as they were read.
func TestRulesAreAsTheyWereRead(t *testing.T) {
	t.Parallel()
	var f goldentest.File
	for _, g := range Guidances {
		for _, c := range []Class{Poultry, Stuffed, MincedPoultry, Minced, WholeMeat, Fish, Plant} {
			rule, err := For(g, c, 80)
			again, err2 := ForReheating(g, c, 80)
			f.Addf(fmt.Sprint(g, c), "%+v %v %+v %v", rule, err, again, err2)
			for _, fat := range []float64{1, 12, 25} {
				p, ok := PathogenFor(c, fat)
				f.Addf(fmt.Sprint("pathogen", c, fat), "%+v %v", p, ok)
				w := NewWatch(rule, 5)
				f.Addf(fmt.Sprint("watch", g, c), "%+v", w)
			}
		}
	}
	f.Same(t, "rules.txt")
}
