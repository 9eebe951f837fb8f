package prep

import (
	"strings"
	"testing"

	"velocrustum/core/larder"
	"velocrustum/core/units"
)

// What a bench asks of hands and of the clock, by its stations: more pieces
// take longer, waits have their least, best and most in order, and what is not
// on the bench asks for nothing.
func TestTasksOfABench(t *testing.T) {
	p := NewPantry(nil)
	tasks := func(pieces int, coat string, b Bench) (out map[string]BenchTask, order []string) {
		t.Helper()
		w, err := p.Work(LotOf(cutOf(t, "chicken-drumstick"), 112, 0, pieces), coatOf(t, coat), 6, b)
		if err != nil {
			t.Fatal(err)
		}
		out = map[string]BenchTask{}
		for _, task := range w.tasks(p, units.Household{}) {
			out[task.ID] = task
			order = append(order, task.ID)
			if task.Hands <= 0 || task.Hands > longestHands || task.Says == "" {
				t.Errorf("%+v", task)
			}
			if wait := task.Wait; wait.Most > 0 && !(wait.Least <= wait.Best && wait.Best <= wait.Most && wait.Place != "" && wait.Says != "") {
				t.Errorf("%s waits %+v", task.ID, wait)
			}
		}
		return out, order
	}
	full := Bench{Drying: Drying{School: "rack", Hours: 4}, Salting: &Salting{School: "dry", TargetPct: 1, Hours: 2},
		Marinade: &Marinade{Hours: 3, Items: []Item{{Ingredient: "yoghurt", G: 150}}}}
	few, order := tasks(4, "double-dredge", full)
	if got := strings.Join(order, " "); got != "dry marinade coat" {
		t.Errorf("in the order %s", got)
	}
	if !strings.Contains(few["dry"].Says, "salt them with") || few["dry"].Wait.Best != 240 || few["dry"].Wait.Place != "fridge" {
		t.Errorf("on the rack: %+v", few["dry"])
	}
	if few["marinade"].Wait.Best != 180 || few["marinade"].Wait.Least >= 180 || few["coat"].Wait.Best == 0 {
		t.Errorf("in the marinade %+v, in its coat %+v", few["marinade"].Wait, few["coat"].Wait)
	}
	many, _ := tasks(20, "double-dredge", full)
	for id := range few {
		if many[id].Hands <= few[id].Hands {
			t.Errorf("%s takes %.1f min for four and %.1f for twenty", id, few[id].Hands, many[id].Hands)
		}
	}
	plain, order := tasks(4, "bare", Bench{Salting: &Salting{School: "brine", WaterG: 1000, StrengthPct: 5, Hours: 6}})
	if got := strings.Join(order, " "); got != "dry salt coat" || plain["dry"].Wait.Most != 0 || plain["salt"].Wait.Least != 180 || !strings.Contains(plain["salt"].Says, "into") {
		t.Errorf("%s: %+v", got, plain)
	}
	if wet, order := tasks(4, "bare", Bench{Drying: Drying{School: "wet"}}); len(order) != 1 || wet["coat"].Says == "" {
		t.Errorf("left wet it asks for %v", order)
	}
}

// All that is bought for a dish is in its items, once.
func TestItemsOfADish(t *testing.T) {
	p := NewPantry(nil)
	w, err := p.Work(LotOf(cutOf(t, "chicken-wing-flat"), 43, 0, 12), coatOf(t, "starch-dust"), 5, Bench{
		Salting: &Salting{School: "dry", Salt: "salt-sea", TargetPct: 1, Hours: 1},
		Finish:  []Item{{Ingredient: "lemon-juice", G: 10}, {Ingredient: "oil", G: 3}},
		Mixes:   []Mix{{Name: "dust", Items: []larder.Item{{Ingredient: "paprika", G: 1}}}}})
	if err != nil {
		t.Fatal(err)
	}
	got := (&WorkedDish{[]*Worked{&w}}).Items()
	for id, want := range map[string]float64{"lemon-juice": 10, "oil": 8, "salt-sea": w.RubG, "paprika": w.Mixes[0].G} {
		if d := got[id] - want; d > 1e-9 || d < -1e-9 {
			t.Errorf("%.2f g of %s, want %.2f", got[id], id, want)
		}
	}
	if got["corn-starch"] <= w.Coated.StuckG*0.9 {
		t.Errorf("%.1f g of starch put out, %.1f stick", got["corn-starch"], w.Coated.StuckG)
	}
}
