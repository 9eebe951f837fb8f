package load_test

import (
	"testing"

	"velocrustum/core/food"
	"velocrustum/core/load"
)

// What comes out of the fridge starts from the one that is there, known twice as well
// where somebody measured it; what says how cold it is, or comes from elsewhere, does not.
func TestFoodStartsFromTheFridgeThatIsThere(t *testing.T) {
	t.Parallel()
	for name, c := range map[string]struct {
		startC, fridgeC *float64
		is, varies      float64
	}{
		"nobody measured":       {nil, nil, food.OutOfFridgeC, 1},
		"a warm one":            {nil, new(8.5), 9.5, 0.5},
		"a cold one":            {nil, new(1.0), 2, 0.5},
		"said beside it":        {new(3.0), new(8.5), 3, 1},
		"from the freezer":      {new(-18.0), new(8.5), -18, 2},
		"from the room":         {new(20.0), new(1.0), 20, 1},
		"as cold as it is said": {new(5.0), nil, 5, 1},
	} {
		q := load.Request{Load: load.FirstLoad, Fryer: &load.Fryer{FridgeC: c.fridgeC}, Program: load.FirstProgram}
		q.Load.StartC = c.startC
		l, err := load.Of(q)
		if err != nil {
			t.Fatal(name, err)
		}
		if lot := l.Only(); lot.StartC != c.is || lot.ColdVaries() != c.varies {
			t.Errorf("%s: it starts at %g °C, ± %g of a fridge's", name, lot.StartC, lot.ColdVaries())
		}
	}
	if _, err := load.Of(load.Request{Load: load.FirstLoad, Fryer: &load.Fryer{FridgeC: new(40.0)}, Program: load.FirstProgram}); err == nil {
		t.Error("a fridge of 40 °C")
	}
}
