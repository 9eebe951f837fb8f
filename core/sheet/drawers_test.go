package sheet

import (
	"slices"
	"strings"
	"testing"
	"time"

	"velocrustum/core/load"
)

var twin = NamedFryer{ID: "twin", Name: "Twin", Fryer: &load.Fryer{Drawers: 2, PowerW: ptr(2400.0)}}

// runs are the tasks in which food is fried, by where.
func runs(s Sheet) map[string][]Task {
	out := map[string][]Task{}
	for _, t := range s.Tasks {
		if t.Kind == Run {
			out[t.Place] = append(out[t.Place], t)
		}
	}
	return out
}

// Two dishes on a fryer of two drawers lie in both at once, each under its own
// heat; on one drawer of the same they run one after the other.
func TestTwoDrawersFryAtOnce(t *testing.T) {
	s := Supper{ServeAt: table, Hands: 1, Fryers: []NamedFryer{twin}, Dishes: []SupperDish{
		{ID: "legs", FryerID: "twin", Request: pieces("chicken-drumstick", 4, 110, "bare", 2, 185, 30)},
		{ID: "wedges", FryerID: "twin", Request: pieces("potato-wedge", 12, 32, "oil-rub", 10, 190, 24)}}}
	got := plan(t, s)
	honest(t, "two drawers", s, got)
	fried := runs(got)
	if len(fried["twin"]) != 1 || len(fried["twin/right"]) != 1 {
		t.Fatalf("fried %+v", fried)
	}
	left, right := fried["twin"][0], fried["twin/right"][0]
	if !left.Start.Before(right.End) || !right.Start.Before(left.End) {
		t.Errorf("one after the other: %s to %s, %s to %s", left.Start, left.End, right.Start, right.End)
	}
	one := s
	one.Fryers = []NamedFryer{{ID: "twin", Fryer: twin.Fryer.In(load.Left)}}
	after := plan(t, one)
	if gain := got.StartAt.Sub(after.StartAt); gain < 15*time.Minute {
		t.Errorf("two drawers begin %s later than one", gain)
	}
	// The first in of each is the engine's own: no sooner than beside the other.
	_, led, err := kitchen.PlanBaskets(t.Context(), s)
	if err != nil {
		t.Fatal(err)
	}
	for _, b := range led {
		if b.Request.Fryer.Drawer == "" || FryerOf(b.FryerID) != "twin" {
			t.Errorf("%s is fried in %s, %+v", b.Dish, b.FryerID, b.Request.Fryer)
		}
	}
}

// Twenty-four wings go into both drawers at once, and are all out within a
// basket's time.
func TestOneDishInBothDrawers(t *testing.T) {
	s := Supper{ServeAt: table, Hands: 2, Fryers: []NamedFryer{twin}, Dishes: []SupperDish{
		{ID: "wings", FryerID: "twin", PerBasket: 12, Request: pieces("chicken-wing-flat", 24, 43, "starch-dust", 8, 200, 24)}}}
	got := plan(t, s)
	honest(t, "both drawers", s, got)
	fried := runs(got)
	if len(fried["twin"]) != 1 || len(fried["twin/right"]) != 1 || fried["twin"][0].Basket == fried["twin/right"][0].Basket {
		t.Fatalf("fried %+v", fried)
	}
	outs := []time.Time{fried["twin"][0].End, fried["twin/right"][0].End}
	if slices.SortFunc(outs, time.Time.Compare); outs[1].Sub(outs[0]) > 10*time.Minute {
		t.Errorf("out at %s and %s", outs[0], outs[1])
	}
	if len(got.Plate) != 2 || got.Plate[0].Pieces+got.Plate[1].Pieces != 24 {
		t.Errorf("on the plate %+v", got.Plate)
	}
}

// The other way round is the same evening, and is neither worked out nor offered.
func TestDrawersAreNotOfferedTheOtherWayRound(t *testing.T) {
	s := Supper{ServeAt: table, Hands: 1, Fryers: []NamedFryer{twin}, Dishes: []SupperDish{
		{ID: "legs", FryerID: "twin", Request: pieces("chicken-drumstick", 4, 110, "bare", 2, 185, 30)},
		{ID: "wedges", FryerID: "twin", Request: pieces("potato-wedge", 12, 32, "oil-rub", 10, 190, 24)}}}
	seen := map[string]bool{}
	for _, o := range plan(t, s).Others {
		says := o.Name + o.Says
		if seen[says] {
			t.Errorf("offered twice: %s", says)
		}
		seen[says] = true
	}
	w := s.whole()
	one := &readyDish{SupperDish: SupperDish{FryerID: "twin"}, baskets: make([]dealtBasket, 1)}
	tried := func(where ...[]string) (got [][]string) {
		for _, a := range where[0] {
			for _, b := range where[1] {
				if so := []string{a, b}; !mirrored(so, where) {
					got = append(got, so)
				}
			}
		}
		return got
	}
	if got := tried(w.wheres(one), w.wheres(one)); len(got) != 2 || got[1][1] != "twin/right" {
		t.Errorf("tried are %v", got)
	}
	// Where one is to be in the right one, the other has both to choose from.
	right := &readyDish{SupperDish: SupperDish{FryerID: "twin", Drawer: load.Right}, baskets: make([]dealtBasket, 1)}
	for _, where := range [][][]string{{w.wheres(right), w.wheres(one)}, {w.wheres(one), w.wheres(right)}} {
		if got := tried(where...); len(got) != 2 {
			t.Errorf("beside one that is in the right drawer: %v", got)
		}
	}
	s.Dishes[0].Drawer = load.Right
	if ran := runs(plan(t, s)); len(ran["twin/right"]) != 1 || !strings.HasPrefix(ran["twin/right"][0].Dish, s.Dishes[0].ID) {
		t.Errorf("to be in the right drawer: %+v", ran)
	}
}

// What is to be heated from above goes where there is a grill, is told so, and is
// refused where there is none; what goes from one fryer to another is not laid in
// silence.
func TestAGrillIsKeptTo(t *testing.T) {
	grilled := pieces("chicken-thigh-bone-in", 3, 150, "bare", 2, 200, 30)
	grilled.Program.Stages = []load.Stage{{AirC: 220, Minutes: 10, Grill: true}, {AirC: 180, Minutes: 20}}
	s := Supper{ServeAt: table, Hands: 1, Dishes: []SupperDish{{ID: "thighs", Request: grilled}}, Fryers: []NamedFryer{
		{ID: "plain", Fryer: &load.Fryer{}}, {ID: "hot", Fryer: &load.Fryer{Kind: "oven", PowerW: ptr(1800.0), Grill: ptr(1500.0)}}}}
	got := plan(t, s)
	honest(t, "a grill", s, got)
	if ran := runs(got)["hot"]; len(ran) != 1 || !strings.Contains(ran[0].Says, "220 °C under the grill") {
		t.Errorf("fried %+v", runs(got))
	}
	s.Fryers = s.Fryers[:1]
	if _, err := kitchen.Plan(t.Context(), s); err == nil || !strings.Contains(err.Error(), "grill") {
		t.Errorf("without a grill: %v", err)
	}
	s.Dishes[0].Request.Program.Stages = []load.Stage{{AirC: 200, Minutes: 10, FryerID: "hot", Fryer: &load.Fryer{}, FryerName: "Oven"}, {AirC: 190, Minutes: 15}}
	if _, err := kitchen.Plan(t.Context(), s); err == nil || !strings.Contains(err.Error(), "fryerId") {
		t.Errorf("from one to another: %v", err)
	}
}

// BenchmarkSheetOfPlaces lays four dishes, each in any place, over two drawers and
// an oven, and over three fryers.
func BenchmarkSheetOfPlaces(b *testing.B) {
	oven := NamedFryer{ID: "stove", Fryer: &load.Fryer{Kind: "oven", PowerW: ptr(1800.0)}}
	for _, c := range []struct {
		name   string
		fryers []NamedFryer
	}{
		{"two drawers and an oven", []NamedFryer{twin, oven}},
		{"three fryers", []NamedFryer{{ID: "one", Fryer: &load.Fryer{}}, {ID: "two", Fryer: &load.Fryer{PowerW: ptr(1200.0)}}, oven}},
	} {
		b.Run(c.name, func(b *testing.B) {
			for b.Loop() {
				s := Supper{ServeAt: table, Hands: 1, Fryers: c.fryers, Dishes: []SupperDish{
					{ID: "legs", Request: pieces("chicken-drumstick", 4, 110, "bare", 2, 185, 30)},
					{ID: "wedges", Request: pieces("potato-wedge", 12, 32, "oil-rub", 10, 190, 24)},
					{ID: "fish", Request: pieces("fish-strip", 6, 36, "three-bowl-crumb", 8, 195, 12)},
					{ID: "prawns", Request: pieces("prawn", 8, 18, "starch-dust", 3, 195, 9)}}}
				k := &Kitchen{Pantry: kitchen.Pantry, Units: kitchen.Units}
				if _, err := k.Plan(b.Context(), s); err != nil {
					b.Fatal(err)
				}
			}
		})
	}
}
