package sheet

import (
	"encoding/json"
	"fmt"
	"math"
	"math/rand/v2"
	"reflect"
	"slices"
	"strings"
	"testing"
	"time"

	"velocrustum/core/load"
	"velocrustum/core/prep"
	"velocrustum/core/verdict"
)

var table = time.Date(2026, 12, 5, 19, 30, 0, 0, time.UTC)

func pieces(cut string, n int, g float64, coat string, oil, airC, minutes float64) prep.Asked {
	return prep.Asked{Load: load.Pieces{Cut: cut, Pieces: n, PieceMassG: g, Surface: "wiped"}, Coat: &load.Covering{ID: coat, OilG: oil},
		Program: load.Program{PreheatMin: 4, Stages: []load.Stage{{AirC: airC, Minutes: minutes}}, Turns: []load.Turn{{AtMin: math.Round(minutes / 2), Kind: load.Flip}}}}
}

var square, round1 = NamedFryer{ID: "square"}, NamedFryer{ID: "round", Fryer: &load.Fryer{PowerW: ptr(1300.0)}}

func ptr[T any](v T) *T { return &v }

// cardNight is wings in two baskets, wedges, a glaze and a slaw.
func cardNight() Supper {
	return Supper{ServeAt: table, Earliest: ptr(table.Add(-5 * time.Hour)), Hands: 1, Hobs: ptr(2), Oven: &Oven{WarmC: 95}, Fryers: []NamedFryer{square},
		Dishes: []SupperDish{{ID: "wings", PerBasket: 12, SauceID: "glaze", Request: pieces("chicken-wing-flat", 24, 43, "starch-dust", 8, 200, 18)},
			{ID: "wedges", PerBasket: 20, Request: pieces("potato-wedge", 20, 32, "oil-rub", 16, 190, 22)}},
		Sauces: []SupperSauce{{ID: "glaze", HandsMin: 3, SimmerMin: 12, HoldsMin: 20}},
		Sides:  []Side{{ID: "slaw", HoldsMin: 60, Steps: []SideStep{{Says: "Shred", Minutes: 8, Hands: 1}, {Says: "Dress", Minutes: 2, Hands: 1}}}}}
}

var kitchen = &Kitchen{Pantry: prep.NewPantry(nil)}

func plan(t *testing.T, s Supper) Sheet {
	t.Helper()
	got, err := kitchen.Plan(t.Context(), s)
	if err != nil {
		t.Fatal(err)
	}
	return got
}

func (s Sheet) task(id TaskID) *Task {
	for i := range s.Tasks {
		if s.Tasks[i].ID == id {
			return &s.Tasks[i]
		}
	}
	return nil
}

// honest holds a sheet to what is true of any.
func honest(t *testing.T, name string, s Supper, got Sheet) {
	t.Helper()
	w := s.whole()
	last, tables := got.ServeAt, map[TaskID]time.Time{}
	for _, a := range got.Tasks {
		if a.Kind == Table {
			if tables[a.ID] = a.End; a.End.After(last) {
				last = a.End
			}
		}
	}
	shared := map[string]int{OnHob: *w.Hobs, Board: 1}
	for _, f := range w.Fryers {
		shared[f.ID] = 1
	}
	for i, a := range got.Tasks {
		if !a.End.After(a.Start) {
			t.Errorf("%s: %s takes no time", name, a.ID)
		}
		hands, same := 0, 0
		for k, b := range got.Tasks {
			if b.Start.After(a.Start) || !b.End.After(a.Start) {
				continue
			}
			hands += b.Hands
			if b.Place == a.Place {
				same++
			}
			if k != i && b.ID == a.ID {
				t.Errorf("%s: %s is there twice", name, a.ID)
			}
		}
		for _, away := range w.Away {
			if w.Hands > away.Hands {
				continue
			}
			if a.Hands > 0 && !away.From.After(a.Start) && away.Until.After(a.Start) || a.Hands > 0 && away.From.Before(a.End) && away.Until.After(a.Start) {
				t.Errorf("%s: %s wants hands that are away", name, a.ID)
			}
		}
		if hands > w.Hands {
			t.Errorf("%s: at %s %d pairs of hands", name, a.Start.Format("15:04:05"), hands)
		}
		if n, only := shared[a.Place]; only && same > n {
			t.Errorf("%s: at %s %d things at %s", name, a.Start.Format("15:04:05"), same, a.Place)
		}
		for _, id := range a.After {
			if b := got.task(id); b == nil || a.Start.Before(b.End) && b.Kind != Hold {
				t.Errorf("%s: %s begins before %s is done", name, a.ID, id)
			}
		}
		if a.End.After(last) || w.Earliest != nil && a.Start.Before(*w.Earliest) {
			t.Errorf("%s: %s is from %s to %s", name, a.ID, a.Start, a.End)
		}
	}
	if got.StartAt != got.Tasks[0].Start || got.OnTime != (got.ServeAt.Sub(s.ServeAt) < 15*time.Second) || !got.OnTime && got.Why == "" {
		t.Errorf("%s: begins %s, on time %v at %s, why %q", name, got.StartAt, got.OnTime, got.ServeAt, got.Why)
	}
	for _, p := range got.Plate {
		run := got.task(TaskOfBasket(p.Dish, p.Basket, "run"))
		if run == nil || !p.Safe || p.CoreC < 21 || p.Crust < 0 || p.Crust > 100 || math.Abs(tables[got.TableOf(p.Dish)].Sub(p.OutAt).Minutes()-p.WaitMin) > 0.51 {
			t.Errorf("%s: %+v, its table %s at %s", name, p, got.TableOf(p.Dish), tables[got.TableOf(p.Dish)])
			continue
		}
	}
	for i, c := range got.Chance {
		if c.Share < 0 || c.Share > 1 || i > 0 && c.Share < got.Chance[i-1].Share {
			t.Errorf("%s: chance %+v", name, got.Chance)
		}
	}
}

// The minutes of each basket are the engine's: at least as long as 95 loads in
// 100 need from a fryer that is cold, or as hot as the one before left it.
func TestBasketsAreTheEngines(t *testing.T) {
	if testing.Short() {
		return // it computes: nothing meets in it that does not in others
	}
	s := cardNight()
	got := plan(t, s)
	honest(t, "card night", s, got)
	before := 0.0
	for _, task := range got.Tasks {
		if task.Kind != Run {
			continue
		}
		d := s.Dishes[slices.IndexFunc(s.Dishes, func(d SupperDish) bool { return d.ID == task.Dish })]
		q := d.Request.Dish().Share(map[string]int{"wings": 12, "wedges": 20}[d.ID])
		q.Fryer = square.Fryer
		if before > 0 {
			q.Program.PreheatMin, q.Program.HotFromC = 0, before
		}
		minutes := task.End.Sub(task.Start).Minutes()
		last := len(q.Program.Stages) - 1
		q.Program.Stages[last].Minutes += minutes - q.Program.Minutes()
		q.Program.Turns = nil
		a, err := verdict.Simulate(t.Context(), q, verdict.Options{})
		if err != nil {
			t.Fatal(err)
		}
		if a.Chance.SafeByMin == nil || *a.Chance.SafeByMin > minutes+0.7 {
			t.Errorf("%s runs %.1f min, and is safe by %v", task.ID, minutes, a.Chance.SafeByMin)
		}
		before = 180
	}
	if len(got.Plate) != 3 || got.task("wings/toss") == nil || got.task("slaw/2") == nil || len(got.Others) < 2 {
		t.Errorf("%d on the plate, others %+v", len(got.Plate), got.Others)
	}
	if glaze := got.task("glaze/simmer"); got.task("wings/toss").Start.Sub(glaze.End) > 20*time.Minute {
		t.Errorf("the glaze waits from %s to %s", glaze.End, got.task("wings/toss").Start)
	}
}

// Random suppers: all that is true of any, and what no change may make worse.
func TestRandomSuppers(t *testing.T) {
	if testing.Short() {
		return // it computes: nothing meets in it that does not in others
	}
	kinds := []prep.Asked{pieces("chicken-wing-flat", 12, 43, "starch-dust", 4, 200, 18), pieces("potato-wedge", 14, 32, "oil-rub", 10, 190, 22),
		pieces("chicken-drumstick", 5, 110, "bare", 2, 185, 26), pieces("fish-strip", 9, 36, "three-bowl-crumb", 8, 195, 10)}
	r := rand.New(rand.NewPCG(5, 12))
	for n := range 24 {
		s := Supper{ServeAt: table, Hands: 1 + r.IntN(2), Hobs: ptr(1 + r.IntN(2)), Fryers: []NamedFryer{square}}
		if r.IntN(3) > 0 {
			s.Oven = &Oven{WarmC: 90}
		}
		for i := range 1 + r.IntN(3) {
			q := kinds[(n+i)%len(kinds)]
			per := q.Load.Pieces
			q.Load.Pieces *= 1 + r.IntN(2)
			d := SupperDish{ID: fmt.Sprintf("dish%d", i), PerBasket: per, Request: q}
			if r.IntN(2) == 0 {
				d.SauceID, d.How = "sauce", []string{"toss", "beside"}[r.IntN(2)]
			}
			s.Dishes = append(s.Dishes, d)
		}
		s.Sauces = []SupperSauce{{ID: "sauce", HandsMin: float64(r.IntN(5)), SimmerMin: float64(1 + r.IntN(20)), HoldsMin: 30}}
		if r.IntN(2) == 0 {
			s.Sides = []Side{{ID: "side", Steps: []SideStep{{Says: "Chop", Minutes: 1 + float64(r.IntN(15)), Hands: 1}, {Says: "Boil", Place: OnHob, Minutes: float64(5 + r.IntN(20))}}}}
		}
		name := fmt.Sprintf("supper %d", n)
		got := plan(t, s)
		honest(t, name, s, got)

		later := s
		later.ServeAt = table.Add(time.Minute)
		moved := plan(t, later)
		for i := range got.Tasks {
			if moved.Tasks[i].ID != got.Tasks[i].ID || moved.Tasks[i].Start.Sub(got.Tasks[i].Start) != time.Minute {
				t.Errorf("%s: a minute later %s moves by %s", name, got.Tasks[i].ID, moved.Tasks[i].Start.Sub(got.Tasks[i].Start))
				break
			}
		}

		mixed := s
		mixed.Dishes = slices.Clone(s.Dishes)
		slices.Reverse(mixed.Dishes)
		if other := plan(t, mixed); !reflect.DeepEqual(other, got) {
			t.Errorf("%s: said in another order it is another sheet", name)
		}

		// Late enough that the evening is short: more hands, another fryer, less
		// food never make it later.
		s.Earliest = ptr(table.Add(-45 * time.Minute))
		rushed := plan(t, s)
		honest(t, name+" rushed", s, rushed)
		helped := s
		helped.Hands++
		if with := plan(t, helped); with.ServeAt.After(rushed.ServeAt) {
			t.Errorf("%s: with another pair of hands at %s, not %s", name, with.ServeAt, rushed.ServeAt)
		}
		two := s
		two.Fryers = append(slices.Clone(s.Fryers), round1)
		with := plan(t, two)
		honest(t, name+" with two fryers", two, with)
		if with.ServeAt.After(rushed.ServeAt) {
			t.Errorf("%s: with another fryer at %s, not %s", name, with.ServeAt, rushed.ServeAt)
		}
		less := s
		less.Dishes = slices.Clone(s.Dishes)
		if d := &less.Dishes[0]; d.Request.Load.Pieces > d.PerBasket {
			d.Request.Load.Pieces = d.PerBasket
			if with := plan(t, less); with.ServeAt.After(rushed.ServeAt) {
				t.Errorf("%s: with less food at %s, not %s", name, with.ServeAt, rushed.ServeAt)
			}
		}
	}
}

// Elastic waits take what the evening gives, between their least and best; a
// start that is too late is said, with what stands in the way.
func TestElasticWaits(t *testing.T) {
	s := Supper{ServeAt: table, Hands: 1, Fryers: []NamedFryer{square}, Dishes: []SupperDish{{ID: "legs", Request: pieces("chicken-drumstick", 5, 110, "bare", 2, 185, 28),
		Bench: &prep.Bench{Marinade: &prep.Marinade{Hours: 4, Items: []prep.Item{{Ingredient: "yoghurt", G: 150}, {Ingredient: "salt-fine", G: 6}}}}}}}
	wait := func(g Sheet) float64 {
		w := g.task("legs/marinade/wait")
		if w == nil {
			t.Fatalf("no marinade in %v", g.Tasks)
		}
		honest(t, "legs", s, g)
		return w.End.Sub(w.Start).Minutes()
	}
	calm := plan(t, s)
	if got := wait(calm); math.Abs(got-240) > 1 || calm.Shortened != 0 {
		t.Errorf("in a calm evening it lies %.0f min", got)
	}
	s.Earliest = ptr(table.Add(-4 * time.Hour))
	brisk := plan(t, s)
	if got := wait(brisk); got < 120 || got >= 239 || !brisk.OnTime || brisk.Shortened == 0 {
		t.Errorf("with four hours in all it lies %.0f min, shortened by %.2f", got, brisk.Shortened)
	}
	if len(brisk.Shorter) != 1 || !strings.Contains(brisk.Shorter[0], "in the marinade for") || len(calm.Shorter) != 0 {
		t.Errorf("what is shorter: %v and %v", calm.Shorter, brisk.Shorter)
	}
	s.Earliest = ptr(table.Add(-1 * time.Hour))
	late := plan(t, s)
	if got := wait(late); late.OnTime || math.Abs(got-120) > 1 || !strings.Contains(late.Why, "marinade") {
		t.Errorf("an hour before it lies %.0f min, on time %v, because %q", got, late.OnTime, late.Why)
	}
	if late.StartAt.Before(*s.Earliest) || late.StartAt.Sub(*s.Earliest) > 61*time.Second {
		t.Errorf("begun at %s, it may be from %s", late.StartAt, s.Earliest)
	}
}

// Hands that are away do nothing; a pin is kept, or refused by its name.
func TestAwayAndPins(t *testing.T) {
	s := cardNight()
	s.Away = []Away{{From: table.Add(-90 * time.Minute), Until: table.Add(-70 * time.Minute)}}
	honest(t, "away", s, plan(t, s))
	s.Away = nil
	free := plan(t, s)
	noon := table.Add(-4 * time.Hour)
	s.Pins = []Pin{{Task: "slaw/1", Start: noon}}
	s.Sides[0].HoldsMin = 600
	pinned := plan(t, s)
	honest(t, "pinned", s, pinned)
	if one := pinned.task("slaw/1"); !one.Start.Equal(noon) || !one.Pin {
		t.Errorf("the slaw is begun at %s, pinned to %s", one.Start, noon)
	}
	s.Pins = []Pin{{Task: "wings/toss", Start: table.Add(-time.Minute)}}
	if _, err := kitchen.Plan(t.Context(), s); err == nil || !strings.Contains(err.Error(), "Toss wing flats") {
		t.Errorf("a toss after the table is %v", err)
	}
	s.Pins = []Pin{{Task: "glaze/simmer", Start: table.Add(-2 * time.Minute)}} // the second of what hangs together
	if _, err := kitchen.Plan(t.Context(), s); err == nil || !strings.Contains(err.Error(), "glaze simmers at 19:28 is not possible; allowed: 19:") {
		t.Errorf("a simmer after the table is %v", err)
	}
	s.Pins, s.Order = nil, []string{"wings", "wedges"}
	first := plan(t, s)
	honest(t, "wings first", s, first)
	if !slices.Equal(first.Order, s.Order) || first.task("wings/1/load").Start.After(first.task("wedges/1/load").Start) {
		t.Errorf("in order %v", first.Order)
	}
	if free.task("wedges/1/load") == nil {
		t.Error("no wedges")
	}
}

func TestWhatIsWrongIsNamed(t *testing.T) {
	for field, spoil := range map[string]func(*Supper){
		"serveAt":                 func(s *Supper) { s.ServeAt = time.Time{} },
		"dishes":                  func(s *Supper) { s.Dishes = nil },
		"fryers":                  func(s *Supper) { s.Fryers = nil },
		"dishes[1].id":            func(s *Supper) { s.Dishes[1].ID = "wings" },
		"dishes[0].fryerId":       func(s *Supper) { s.Dishes[0].FryerID = "oven" },
		"dishes[0].sauceId":       func(s *Supper) { s.Dishes[0].SauceID = "gravy" },
		"dishes[0].request.load.": func(s *Supper) { s.Dishes[0].Request.Load.Cut = "unicorn" },
		"sides[0].steps[0].hands": func(s *Supper) { s.Sides[0].Steps[0].Hands = 3 },
		"sides[0].steps":          func(s *Supper) { s.Sides[0].Steps = nil },
		"sauces[0].simmerMin":     func(s *Supper) { s.Sauces[0].SimmerMin = -1 },
		"hands":                   func(s *Supper) { s.Hands = 9 },
		"order":                   func(s *Supper) { s.Order = []string{"soup"} },
	} {
		s := cardNight()
		spoil(&s)
		if _, err := kitchen.Plan(t.Context(), s); err == nil || !strings.Contains(err.Error(), field) {
			t.Errorf("%s: %v", field, err)
		}
	}
}

// The document of the command has its fixed names.
func TestItsJSON(t *testing.T) {
	raw, err := json.Marshal(plan(t, cardNight()))
	if err != nil {
		t.Fatal(err)
	}
	for _, name := range []string{`"serveAt"`, `"startAt"`, `"onTime"`, `"why"`, `"tasks"`, `"id":"wings/1/run"`, `"dish":"wings"`, `"basket":1`, `"place":"square"`, `"hands"`, `"after"`, `"plate"`, `"outAt"`, `"waitMin"`, `"crust"`, `"coreC"`, `"safe"`, `"chance"`, `"by"`, `"share"`} {
		if !strings.Contains(string(raw), name) {
			t.Errorf("%s is missing", name)
		}
	}
}

// four dishes, seven baskets, two fryers, two sauces, two sides.
func large() Supper {
	s := cardNight()
	s.Fryers = []NamedFryer{square, round1}
	s.Dishes = append(s.Dishes, SupperDish{ID: "legs", FryerID: "round", PerBasket: 5, Request: pieces("chicken-drumstick", 10, 110, "bare", 4, 185, 28)},
		SupperDish{ID: "fish", FryerID: "round", SauceID: "dip", How: "beside", PerBasket: 8, Request: pieces("fish-strip", 16, 36, "three-bowl-crumb", 14, 195, 10)})
	s.Dishes[0].FryerID, s.Dishes[1].FryerID = "square", "square"
	s.Sauces = append(s.Sauces, SupperSauce{ID: "dip", HandsMin: 5, HoldsMin: 120})
	s.Sides = append(s.Sides, Side{ID: "rice", HoldsMin: 15, Steps: []SideStep{{Says: "On", Place: OnHob, Minutes: 1, Hands: 1}, {Says: "Simmer", Place: OnHob, Minutes: 14}}})
	return s
}

func BenchmarkSheetCold(b *testing.B) {
	for b.Loop() {
		k := &Kitchen{Pantry: prep.NewPantry(nil)}
		if _, err := k.Plan(b.Context(), large()); err != nil {
			b.Fatal(err)
		}
	}
}

func BenchmarkSheetMoved(b *testing.B) {
	k := &Kitchen{Pantry: prep.NewPantry(nil)}
	s := large()
	for b.Loop() {
		s.ServeAt = s.ServeAt.Add(time.Minute)
		if _, err := k.Plan(b.Context(), s); err != nil {
			b.Fatal(err)
		}
	}
}

func BenchmarkThousandEvenings(b *testing.B) {
	k := &Kitchen{Pantry: prep.NewPantry(nil)}
	s := large().whole()
	all, err := k.prepare(&s, s.Dishes)
	if err != nil {
		b.Fatal(err)
	}
	where := [][]string{{"square"}, {"square"}, {"round"}, {"round"}}
	for i := range all {
		where[i] = []string{all[i].FryerID}
	}
	best, _, _, err := k.search(b.Context(), &s, all, where)
	if err != nil {
		b.Fatal(err)
	}
	for b.Loop() {
		chance(best)
	}
}

// Pork rests three minutes before anything goes on it, and what goes on by
// hand is the last thing before the table.
func TestARestAndAFinishHaveTheirPlace(t *testing.T) {
	s := cardNight()
	s.Dishes = []SupperDish{{ID: "cutlets", Request: pieces("pork-loin-cutlet", 2, 150, "oil-rub", 4, 190, 12), Bench: &prep.Bench{Finish: []prep.Item{{Ingredient: "salt-flake", G: 1}}}}}
	s.Sauces = nil
	got := plan(t, s)
	honest(t, "cutlets", s, got)
	out, rest, finish, last := got.task("cutlets/1/out"), got.task("cutlets/1/rest"), got.task("cutlets/finish"), got.task("table")
	if rest == nil || finish == nil {
		t.Fatalf("rest %v, finish %v", rest, finish)
	}
	if rest.Start != out.End || rest.End.Sub(rest.Start) != 3*time.Minute || finish.Start.Before(rest.End) || finish.End.After(last.Start) {
		t.Errorf("out %s, rests %s to %s, finished %s to %s, table %s", out.End, rest.Start, rest.End, finish.Start, finish.End, last.Start)
	}
	if !strings.Contains(strings.ToLower(finish.Says), "salt") {
		t.Errorf("finish says %q", finish.Says)
	}
	for share, want := range map[float64]string{0: "hardly any evening by 19:30", 0.52: "five of ten evenings by 19:30"} {
		if says := chanceSays([]Chance{{table, share}, {table.Add(5 * time.Minute), 0.97}}, time.UTC); !strings.Contains(says, want) || !strings.Contains(says, "nineteen of twenty evenings by 19:35") {
			t.Errorf("a share of %g is %q", share, says)
		}
	}
	// Each basket is run by what the sheet has of it.
	_, led, err := kitchen.PlanBaskets(t.Context(), cardNight())
	if err != nil {
		t.Fatal(err)
	}
	night := plan(t, cardNight())
	for _, l := range led {
		run := night.task(TaskOfBasket(l.Dish, l.Basket, "run"))
		if run == nil || run.Place != l.FryerID || math.Abs(run.End.Sub(run.Start).Minutes()-l.Request.Program.Minutes()) > 0.02 {
			t.Errorf("%s %d is run for %g min, the sheet has %v", l.Dish, l.Basket, l.Request.Program.Minutes(), run)
		}
	}
	if len(led) != 3 || led[1].Dish != "wings" || led[1].Of != 2 {
		t.Errorf("led: %+v", led)
	}
}
