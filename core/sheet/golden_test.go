package sheet

import (
	"encoding/json"
	"fmt"
	"math/rand/v2"
	"testing"
	"time"

	"velocrustum/core/load"
	"velocrustum/core/prep"
	"velocrustum/core/refuse/goldentest"
)

// Two evenings, with every task and word of them, are as they were read.
func TestSheetsAreAsTheyWereRead(t *testing.T) {
	if testing.Short() {
		return // it computes: nothing meets in it that does not in others
	}
	t.Parallel()
	var f goldentest.File
	f.Add(t, "limits", Limits)
	f.Add(t, "card night", plan(t, cardNight()))
	f.Add(t, "large", plan(t, large()))
	drawers := cardNight()
	drawers.Hands, drawers.Hobs = 2, nil
	f.Add(t, "two hands", plan(t, drawers))
	apart := supperOfEverything()
	every := func(name string, s Sheet) {
		f.Add(t, name, s)
		for _, a := range s.Tasks {
			f.Addf(name+" "+string(a.ID), "%s to %s on %s by %d of %d, after %v, %g to %g: %s", a.Start.Format(time.TimeOnly), a.End.Format(time.TimeOnly), a.Place, a.Who, a.Hands, a.After, a.Least, a.Most, a.Says)
		}
	}
	every("apart", plan(t, apart))
	apart.Dishes[1].ServeAt = ptr(table.Add(30 * time.Minute))
	every("two tables", plan(t, apart))
	f.Same(t, "sheets.txt")
}

// supperOfEverything has dishes of lots that are prepared apart, what marinates and thaws,
// hands that go away, sides on hob and in the oven, an order, food from the freezer.
func supperOfEverything() Supper {
	bench := func(a prep.Asked, b prep.Bench) prep.Asked {
		a.Bench = &b
		return a
	}
	lots := prep.Asked{Program: load.Program{PreheatMin: 4, Stages: []load.Stage{{AirC: 190, Minutes: 24}}, Turns: []load.Turn{{AtMin: 12, Kind: load.Flip}}}, Lots: []prep.DishLot{
		{LotRequest: load.LotRequest{Name: "Legs", Load: load.Pieces{Cut: "chicken-drumstick", Pieces: 4, PieceMassG: 110}, Coat: &load.Covering{ID: "leavened-rub", OilG: 4}}, Bench: &prep.Bench{Salting: &prep.Salting{School: "dry", TargetPct: 1.2, Hours: 8}}},
		{LotRequest: load.LotRequest{Name: "Wedges", Load: load.Pieces{Cut: "potato-wedge", Pieces: 8, PieceMassG: 32}, Coat: &load.Covering{ID: "oil-rub", OilG: 6}}, Bench: &prep.Bench{Finish: []prep.Item{{Ingredient: "salt-flake", G: 2}}}},
	}}
	frozen := pieces("fish-fillet-white", 2, 130, "three-bowl-crumb", 5, 195, 18)
	frozen.Load.StartC = ptr(-18.0)
	return Supper{ServeAt: table, Earliest: ptr(table.Add(-26 * time.Hour)), Hands: 2, Hobs: ptr(1), Oven: &Oven{WarmC: 90}, Fryers: []NamedFryer{square, round1},
		Away: []Away{{From: table.Add(-3 * time.Hour), Until: table.Add(-2 * time.Hour)}, {From: table.Add(-40 * time.Minute), Until: table.Add(-30 * time.Minute), Hands: 1}},
		Dishes: []SupperDish{{ID: "both", FryerID: "square", Request: lots, SauceID: "glaze"},
			{ID: "wings", FryerID: "round", PerBasket: 8, Request: bench(pieces("chicken-wing-flat", 16, 42, "starch-dust", 6, 195, 20), prep.Bench{Marinade: &prep.Marinade{Hours: 3, Items: []prep.Item{{Ingredient: "soy-light", G: 30}, {Ingredient: "honey", G: 10}}}, Mixes: []prep.Mix{{Name: "Dust", Items: []prep.Item{{Ingredient: "spices", G: 8}, {Ingredient: "salt-fine", G: 4}}}}})},
			{ID: "fish", FryerID: "square", Request: bench(frozen, prep.Bench{Thaw: true})}},
		Sauces: []SupperSauce{{ID: "glaze", HandsMin: 4, SimmerMin: 10, HoldsMin: 25}},
		Sides: []Side{{ID: "rice", HoldsMin: 20, Steps: []SideStep{{Says: "On", Place: OnHob, Minutes: 2, Hands: 1}, {Says: "Simmer", Place: OnHob, Minutes: 12}, {Says: "Stand", Place: None, Minutes: 5}}, Buys: []string{"200 g rice"}},
			{ID: "tart", Steps: []SideStep{{Says: "Fill", Minutes: 10, Hands: 1}, {Says: "Bake", Place: InOven, Minutes: 30}}}},
		Order: []string{"fish", "both"}}
}

// Suppers that are spoilt in one place are refused, or planned, as they were read.
func TestSpoiltSuppersAreAsTheyWereRead(t *testing.T) {
	if testing.Short() {
		return // it computes: nothing meets in it that does not in others
	}
	t.Parallel()
	var f goldentest.File
	r := rand.New(rand.NewPCG(15, 1))
	planned := 0
	for n := range 240 {
		what, raw := goldentest.Spoil(t, r, supperOfEverything())
		var spoilt Supper
		if err := json.Unmarshal(raw, &spoilt); err != nil {
			continue // of another kind altogether: not for here
		}
		at := fmt.Sprint(n, " ", what)
		if err := spoilt.Check(); err != nil {
			f.Addf(at, "%v", err)
			continue
		}
		if planned++; planned%12 != 0 {
			continue
		}
		k := &Kitchen{Pantry: prep.NewPantry(nil)}
		s, err := k.Plan(t.Context(), spoilt)
		f.Addf(at, "%v", err)
		for _, a := range s.Tasks {
			f.Addf(at+" "+string(a.ID), "%s to %s on %s by %d: %s", a.Start.Format(time.TimeOnly), a.End.Format(time.TimeOnly), a.Place, a.Who, a.Says)
		}
		for _, says := range s.Cautions {
			f.Addf(at+" caution", "%s", says)
		}
		for _, b := range s.Plate {
			f.Addf(at+" plate", "%s", b.Says)
		}
		for _, need := range s.Shopping {
			f.Addf(at+" buys", "%s %s for %s", need.Name, need.Says, need.For)
		}
	}
	f.Same(t, "spoilt.txt")
}
