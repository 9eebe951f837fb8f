package sheet

import (
	"fmt"
	"math"
	"math/rand/v2"
	"strings"
	"testing"
	"time"

	"velocrustum/core/load"
	"velocrustum/core/prep"
)

// Children first, the others later, a guest after that: each dish is on its own table,
// hands and fryer never twice, and what is for the guest goes in fresh.
func TestTablesInWaves(t *testing.T) {
	s := cardNight()
	children, guest := table.Add(-90*time.Minute), table.Add(75*time.Minute)
	add := func(id, whom string, at time.Time, pieces int) {
		d := s.Dishes[0]
		d.ID, d.For, d.ServeAt, d.SauceID = id, whom, &at, "glaze"
		d.Request.Load.Pieces, d.PerBasket = pieces, pieces
		s.Dishes = append(s.Dishes, d)
	}
	add("wings@1", "the children", children, 8)
	add("wings@2", "the late guest", guest, 4)
	got := plan(t, s)
	// The last table is later than that of the others.
	if !got.OnTime || !got.ServeAt.Equal(table) {
		t.Fatalf("on time %v at %s, because %s", got.OnTime, got.ServeAt, got.Why)
	}
	for id, want := range map[TaskID]time.Time{"table": table, "table/-90": children, "table/75": guest} {
		if one := got.task(id); one == nil || !one.End.Equal(want) {
			t.Errorf("%s: %+v, want %s", id, one, want)
		}
	}
	for _, p := range got.Plate {
		at := map[string]time.Time{"wings@1": children, "wings@2": guest}[p.Dish]
		if at.IsZero() {
			at = table
		}
		if d := at.Sub(p.OutAt).Minutes(); d < tableMin-0.01 || d-p.WaitMin > 0.51 || d-p.WaitMin < -0.51 || p.Dish != "wings" && d > 30 {
			t.Errorf("%s, basket %d: out %.1f min before its table, waits %.1f", p.Dish, p.Basket, d, p.WaitMin)
		}
	}
	for i, a := range got.Tasks {
		for _, b := range got.Tasks[:i] {
			if a.Place == "square" && b.Place == "square" && a.Start.Before(b.End.Add(-time.Second)) && b.Start.Before(a.End.Add(-time.Second)) {
				t.Errorf("%s and %s are in the fryer at once", a.ID, b.ID)
			}
			if a.Hands > 0 && b.Hands > 0 && a.Start.Before(b.End.Add(-time.Second)) && b.Start.Before(a.End.Add(-time.Second)) {
				t.Errorf("%s and %s want the same hands", a.ID, b.ID)
			}
		}
	}
	if all := strings.Join(got.Cautions, " "); !strings.Contains(all, "for the late guest stays raw in the fridge") {
		t.Error(all)
	}
	far := table.Add(20 * time.Hour)
	s.Dishes[len(s.Dishes)-1].ServeAt = &far
	if _, err := kitchen.Plan(t.Context(), s); err == nil || !strings.Contains(err.Error(), "serveAt") {
		t.Errorf("a table on the next day: %v", err)
	}
}

// What has to be done is on the one list: the fryer and the oven on, what waits, a flash,
// a sauce off the heat; and what a side wants is bought.
func TestAllIsOnTheList(t *testing.T) {
	s := cardNight()
	s.Dishes[0].Flash = ptr(true)
	s.Sides[0].Buys = []string{"1 fennel", "half a cabbage"}
	got := plan(t, s)
	said := ""
	for i, l := range got.Clock {
		said += l.Says + "\n"
		if i > 0 && l.At.Before(got.Clock[i-1].At) {
			t.Errorf("%s comes after %s", l.Says, got.Clock[i-1].Says)
		}
	}
	for _, want := range []string{"Heat the empty fryer", "Oven on at 95 °C", "kept on a rack", "Flash ", "off the heat", "Plates to the table", "Turn ", " out; "} {
		if !strings.Contains(said, want) {
			t.Errorf("%q is not on the list:\n%s", want, said)
		}
	}
	on, first := got.task(OvenTask), time.Time{}
	for _, task := range got.Tasks {
		if task.Kind == Hold && (first.IsZero() || task.Start.Before(first)) {
			first = task.Start
		}
	}
	if on == nil || first.Sub(on.End) < 9*time.Minute {
		t.Errorf("the oven goes on at %+v, and is wanted at %s", on, first)
	}
	bought := ""
	for _, n := range got.Shopping {
		bought += n.Name + " for " + n.For + "\n"
	}
	if !strings.Contains(bought, "1 fennel for slaw") || !strings.Contains(bought, "half a cabbage for slaw") {
		t.Error(bought)
	}
}

// A limit that is broken is said, with what it costs.
func TestBrokenLimitsAreSaid(t *testing.T) {
	s := cardNight()
	s.Away = []Away{{From: table.Add(-200 * time.Minute), Until: table.Add(-20 * time.Minute)}}
	s.Dishes = s.Dishes[:1]
	s.Dishes[0].Request.Bench = &prep.Bench{Marinade: &prep.Marinade{Hours: 0.5, Items: []prep.Item{{Ingredient: "lemon-juice", G: 60}, {Ingredient: "ginger", G: 20}}}}
	s.Dishes[0].Request.Load.Pieces = 10
	s.Sauces[0].HoldsMin = 3
	s.Earliest = nil
	got := plan(t, s)
	honest(t, "away", s, got)
	if all := strings.Join(got.Over, " "); !strings.Contains(all, "of at most 2 hours that hot food is held") {
		t.Errorf("%v", got.Over)
	}
	// A coat that rests over its most, since it is held to a moment.
	s = cardNight()
	s.Dishes, s.Sauces, s.Earliest = s.Dishes[:1], nil, nil
	s.Dishes[0].SauceID = ""
	s.Dishes[0].Request.Load.Pieces = 10
	coat := plan(t, s)
	in := coat.task("wings/1/load").Start
	s.Pins = []Pin{{Task: "wings/coat", Start: in.Add(-100 * time.Minute)}}
	got = plan(t, s)
	honest(t, "coat", s, got)
	if all := strings.Join(got.Over, " "); !strings.Contains(all, "of at most 45 min: the coat turns to paste") {
		t.Errorf("the coat: %v", got.Over)
	}
}

func TestChanceIsSaidAsItIs(t *testing.T) {
	for share, want := range map[float64]string{1: "practically every", 0.97: "nineteen of twenty", 0.95: "nineteen of twenty", 0.949: "nine of ten", 0.9: "nine of ten", 0.5: "five of ten", 0.02: "hardly any"} {
		if got := shareSays(share); !strings.HasPrefix(got, want) {
			t.Errorf("%g is %q", share, got)
		}
	}
}

// Random suppers at two tables, over fryers that are chosen, with absences, coats that
// rest, sauces each of its own and things that are due at once: all that is true of any
// sheet, and a sauce is ready for its own table, not for another.
func TestRandomTables(t *testing.T) {
	if testing.Short() {
		return // it computes: nothing meets in it that does not in others
	}
	r := rand.New(rand.NewPCG(29, 5))
	for n := range 40 {
		s := Supper{ServeAt: table, Hands: 1 + r.IntN(2), Hobs: ptr(2), Fryers: []NamedFryer{square, twin}, Oven: &Oven{WarmC: 90}}
		other := table.Add(time.Duration([]int{-90, -45, 45, 60}[r.IntN(4)]) * time.Minute)
		if r.IntN(2) == 0 {
			from := table.Add(-time.Duration(20+r.IntN(100)) * time.Minute)
			s.Away = []Away{{From: from, Until: from.Add(25 * time.Minute), Hands: 1}}
			for _, at := range []time.Time{table, other} {
				if !from.After(at) && from.Add(27*time.Minute).After(at) {
					s.Away = nil // somebody has to carry the plates
				}
			}
		}
		for i := range 1 + r.IntN(2) {
			q := []prep.Asked{pieces("chicken-wing-flat", 16, 43, "three-bowl-crumb", 4, 200, 18), pieces("potato-wedge", 28, 32, "oil-rub", 10, 190, 22), pieces("fish-strip", 9, 36, "three-bowl-crumb", 8, 195, 10)}[(n+i)%3]
			if r.IntN(3) == 0 {
				q.Program.Turns = []load.Turn{{AtMin: 8, Kind: load.Flip}, {AtMin: 8, Kind: load.LookIn}}
			}
			for at := range 2 {
				d := SupperDish{ID: fmt.Sprintf("dish%d", i), PerBasket: 14, Request: q}
				if r.IntN(2) == 0 {
					d.FryerID = []string{square.ID, twin.ID}[r.IntN(2)]
				}
				if at == 1 {
					d.ID, d.ServeAt = AtTable(d.ID, 1), &other
				}
				if r.IntN(2) == 0 {
					d.SauceID, d.How = "sauce-"+d.ID, []string{"toss", "beside"}[r.IntN(2)]
					s.Sauces = append(s.Sauces, SupperSauce{ID: d.SauceID, HandsMin: 2, SimmerMin: float64(3 + r.IntN(9)), HoldsMin: 30})
				}
				s.Dishes = append(s.Dishes, d)
			}
		}
		got := plan(t, s)
		name := fmt.Sprintf("tables %d", n)
		honest(t, name, s, got)
		for _, d := range s.Dishes {
			off := got.task(TaskID(d.SauceID + "/off"))
			if d.SauceID == "" || off == nil {
				continue
			}
			served := got.task(got.TableOf(d.ID)).Start
			stood := served.Sub(off.End)
			said := strings.Contains(strings.Join(got.Over, " "), d.SauceID+" stands")
			if off.End.After(served) || stood > 45*time.Minute != said && (stood < 15*time.Minute || stood > 45*time.Minute) {
				t.Errorf("%s: %s is ready at %s for %s; said: %v", name, d.SauceID, off.End.Format("15:04"), served.Format("15:04"), got.Over)
			}
		}
	}
}

// Four dishes at two tables, nothing settled, three pairs of hands: it ends, and says by
// how much another evening may be better.
func TestManyDishesAtTwoTables(t *testing.T) {
	if testing.Short() {
		return // it computes: nothing meets in it that does not in others
	}
	s := free(4)
	s.Hands = 3
	children := s.ServeAt.Add(-45 * time.Minute)
	for i, d := range s.Dishes {
		s.Dishes[i].Request.Load.Pieces = d.PerBasket
		d = s.Dishes[i]
		d.ID, d.ServeAt = AtTable(d.ID, 1), &children
		s.Dishes = append(s.Dishes, d)
	}
	tr, where := treeOf(t, kitchen, s)
	if got := len(tr.bases(where)); got > 3*mostGrounds {
		t.Errorf("%d grounds are tried", got)
	}
	if math.IsInf(tr.unseen, 1) || tr.unseen <= 0 {
		t.Errorf("what is not tried lacks at least %g", tr.unseen)
	}
	got := plan(t, s)
	honest(t, "eight", s, got)
	if got.Gap == 0 || got.GapSays == "" {
		t.Error("nothing is said of what was not weighed")
	}
}
