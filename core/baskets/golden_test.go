package baskets

import (
	"testing"

	"velocrustum/core/load"
	"velocrustum/core/load/loadtest"
	"velocrustum/core/refuse/goldentest"
)

// How baskets are dealt, what comes of them, and what waiting does, is as it was read.
func TestBasketsAreAsTheyWereRead(t *testing.T) {
	if testing.Short() {
		return // it computes: nothing meets in it that does not in others
	}
	t.Parallel()
	var f goldentest.File
	q := loadtest.DozenWings()
	q.Load.Pieces = 40
	all, err := Batch(t.Context(), load.Dish{Request: q})
	f.Addf("batch", "%v", err)
	f.Add(t, "batch", all)
	for _, hold := range []string{load.HoldRack, load.HoldBowl, load.HoldCovered, load.HoldWarm} {
		fried, err := Fry(t.Context(), loadtest.DozenWings(), hold, 85)
		f.Addf(hold, "%v", err)
		f.Add(t, hold, fried)
		crust, core, err := Waited(loadtest.DozenWings(), 85, 12, hold == load.HoldWarm)
		f.Addf(hold+" waited", "%.4g %.4g %v", crust, core, err)
	}
	f.Same(t, "baskets.txt")
}
