package baskets

import (
	"fmt"
	"testing"

	"velocrustum/core/fryer"
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
	// Two fryers that are not alike, two drawers, a dish that goes in one, one of a few
	// each, and how each is called.
	twice := loadtest.DozenWings()
	twice.Load.Pieces = 30
	shared, err := Batch(t.Context(), load.Dish{Request: twice, Second: &load.Fryer{PowerW: new(1100.0), Airflow: new(0.8), Basket: &fryer.Basket{Shape: fryer.Round, DiameterMm: 190}}})
	f.Addf("shared", "%v", err)
	f.Add(t, "shared", shared)
	both := loadtest.DozenWings()
	both.Load.Pieces, both.Fryer = 60, &load.Fryer{Drawers: 2, PowerW: new(2400.0)}
	drawn, err := Batch(t.Context(), load.Dish{Request: both})
	f.Addf("drawn", "%v", err)
	f.Add(t, "drawn", drawn)
	few, err := Batch(t.Context(), load.Dish{Request: twice, PerBasket: 9})
	f.Addf("few", "%v", err)
	f.Add(t, "few", few)
	for _, id := range []string{OneBasket, SeveralBaskets, TwoFryers} {
		for drawers := 1; drawers <= 2; drawers++ {
			for baskets := 1; baskets <= 4; baskets++ {
				f.Addf(fmt.Sprint(id, drawers, baskets), "%s", batchingName(id, baskets, drawers))
			}
		}
	}
	for _, minutes := range []float64{0, 0.5, 3, 40} {
		crust, core, err := Waited(loadtest.DozenWings(), 0, minutes, minutes > 1)
		f.Addf(fmt.Sprint("waited ", minutes), "%.4g %.4g %v", crust, core, err)
	}
	for _, hold := range []string{load.HoldRack, load.HoldBowl, load.HoldCovered, load.HoldWarm} {
		fried, err := Fry(t.Context(), loadtest.DozenWings(), hold, 85)
		f.Addf(hold, "%v", err)
		f.Add(t, hold, fried)
		crust, core, err := Waited(loadtest.DozenWings(), 85, 12, hold == load.HoldWarm)
		f.Addf(hold+" waited", "%.4g %.4g %v", crust, core, err)
	}
	f.Same(t, "baskets.txt")
}
