package kitchen

import (
	"fmt"
	"math/rand/v2"
	"testing"
	"time"

	"velocrustum/core/load"
	"velocrustum/core/refuse/goldentest"
)

// A hidden truth by its seed, the air of its fryers, its cooks, and what a tip shows of
// them, are as they were read.
func TestTruthsAreAsTheyWereRead(t *testing.T) {
	if testing.Short() {
		return // it computes: nothing meets in it that does not in others
	}
	t.Parallel()
	var f goldentest.File
	for seed := range uint64(3) {
		r := rand.New(rand.NewPCG(seed, 9))
		truth := Hide(r)
		f.Add(t, fmt.Sprint("truth ", seed), truth)
		for _, one := range []load.Fryer{{}, {Drawers: 2, PowerW: new(2400.0)}} {
			for _, drawer := range []string{"", load.Left} {
				for _, minute := range []float64{-1, 0, 0.4, 3.7, 12} {
					c, err := truth.Air(one, drawer, 190, minute)
					f.Addf(fmt.Sprint("air ", seed, one.Drawers, drawer, minute), "%.2f %v", c, err)
				}
			}
		}
		line, err := truth.Cook(t.Context(), request, 0)
		if err != nil {
			t.Fatal(err)
		}
		shown := 21.0
		for i, minute := range []float64{0, 0.3, 4.2, 9, 17.6, 26, 90} {
			at := truth.At(line, minute)
			shown = truth.Tip.Follows(shown, at, i%2 == 0, time.Duration(i)*7*time.Second)
			f.Add(t, fmt.Sprint("tip ", seed, minute), []float64{at, shown, truth.Tip.Says(r, shown)})
		}
	}
	f.Same(t, "truths.txt")
}
