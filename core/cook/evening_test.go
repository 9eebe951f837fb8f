package cook

import (
	"fmt"
	"math"
	"math/rand/v2"
	"slices"
	"strings"
	"testing"
	"time"

	"velocrustum/core/load"
	"velocrustum/core/prep"
	"velocrustum/core/sheet"
)

var table = time.Date(2026, 12, 5, 19, 30, 0, 0, time.UTC)

func request(cut string, n int, g float64, airC, minutes float64) prep.Asked {
	return prep.Asked{Load: load.Pieces{Cut: cut, Pieces: n, PieceMassG: g, Surface: "wiped"}, Coat: &load.Covering{ID: "oil-rub", OilG: 8},
		Program: load.Program{PreheatMin: 4, Stages: []load.Stage{{AirC: airC, Minutes: minutes}}, Turns: []load.Turn{{AtMin: math.Round(minutes / 2), Kind: load.Flip}}}}
}

// night is wings in two baskets and cutlets in another fryer, with a glaze.
func night(t *testing.T, hands int) *Evening {
	t.Helper()
	square, round := sheet.NamedFryer{ID: "square"}, sheet.NamedFryer{ID: "round", Fryer: &load.Fryer{PowerW: ptr(1300.0)}}
	s := sheet.Supper{ServeAt: table, Hands: hands, Hobs: new(2), Fryers: []sheet.NamedFryer{square, round},
		Dishes: []sheet.SupperDish{{ID: "wings", FryerID: "square", PerBasket: 12, SauceID: "glaze", Request: request("chicken-wing-flat", 24, 43, 200, 18)},
			{ID: "cutlets", FryerID: "round", Request: request("pork-loin-cutlet", 2, 150, 190, 12)}},
		Sauces: []sheet.SupperSauce{{ID: "glaze", HandsMin: 3, SimmerMin: 12, HoldsMin: 20}},
		Sides:  []sheet.Side{{ID: "slaw", HoldsMin: 60, Steps: []sheet.SideStep{{Says: "shred", Minutes: 8, Hands: 1}, {Says: "soften", Minutes: 10}}}}}
	k := &sheet.Kitchen{Pantry: prep.NewPantry(nil)}
	got, led, err := k.PlanBaskets(t.Context(), s)
	if err != nil {
		t.Fatal(err)
	}
	e := &Evening{Sheet: got, Hands: hands, Names: map[string]string{"square": "Square drawer"}}
	for _, l := range led {
		rest := 0.0
		if l.Dish == "cutlets" {
			rest = 3
		}
		e.Baskets = append(e.Baskets, &LedBasket{Dish: l.Dish, Number: l.Basket, Of: l.Of, Name: fmt.Sprintf("%s %d", l.Dish, l.Basket), FryerID: l.FryerID,
			Live: Live{Program: l.Request.Program, Pieces: l.Request.Pieces(), Piece: "piece", Plural: "pieces", Faces: [2]string{"Skin side", "Underside"}, Judged: ByProbe, Waits: true, RestMin: rest, Started: got.StartAt}})
	}
	return e
}

func ptr[T any](v T) *T { return &v }

// tap says what a thing asks for, at a moment.
func (e *Evening) tap(t *testing.T, d Doing, at time.Time) {
	t.Helper()
	if d.Of == "" {
		said, err := e.Add(Said{ID: string(d.ID), Kind: d.Action, Task: d.ID, At: at})
		if err != nil {
			t.Fatalf("%s %s: %v", at.Format("15:04:05"), d.ID, err)
		}
		e.Said = said
		return
	}
	for _, b := range e.Baskets {
		if b.Key() == d.Of {
			events, err := b.Add(Event{ID: string(d.ID) + d.Action, Kind: d.Action, At: at})
			if err != nil {
				t.Fatalf("%s %s: %v", at.Format("15:04:05"), d.ID, err)
			}
			b.Live.Events = events
		}
	}
}

// lead goes through an evening as it is asked, slow by so much at each task,
// and returns what was asked for and when all was on the table.
func lead(t *testing.T, e *Evening, slow func() time.Duration) (asked []string, end time.Time) {
	t.Helper()
	began, dawdle := map[sheet.TaskID]time.Time{}, map[sheet.TaskID]time.Duration{}
	for now := e.Sheet.StartAt; now.Before(table.Add(3 * time.Hour)); now = now.Add(4 * time.Second) {
		c := e.By(now)
		if c.Over {
			return asked, now
		}
		hands := 0
		for _, d := range c.Now {
			hands += d.Hands
		}
		if len(c.Now) == 0 || hands > e.Hands {
			t.Fatalf("%s: asked for %d things, hands %d of %d", now.Format("15:04"), len(c.Now), hands, e.Hands)
		}
		for _, d := range c.Now {
			if d.State != Due || d.Kind == sheet.Rests {
				continue // a rest ends by itself
			}
			if _, ok := began[d.ID]; !ok {
				began[d.ID], dawdle[d.ID] = now, slow()
			}
			takes := dawdle[d.ID]
			if d.Kind != sheet.Turn && d.Kind != sheet.Heat {
				takes += time.Duration(d.length * float64(time.Minute))
			}
			if !now.Before(began[d.ID].Add(takes)) {
				asked = append(asked, string(d.ID))
				e.tap(t, d, now)
			}
		}
	}
	t.Fatalf("no end: %v", asked)
	return nil, end
}

func TestASupperIsLedToTheTable(t *testing.T) {
	for hands := 1; hands <= 2; hands++ {
		e := night(t, hands)
		asked, end := lead(t, e, func() time.Duration { return 0 })
		if off := end.Sub(table).Minutes(); math.Abs(off) > 1 {
			t.Errorf("%d hands: on the table %.1f min off", hands, off)
		}
		for _, want := range []string{"wings/1/heat", "wings/1/load", "wings/1/due1", "wings/1/out", "wings/2/load", "wings/2/due1", "wings/2/out", "cutlets/1/out", "glaze/mix", "slaw/1", "wings/toss", "table"} {
			if n := len(asked) - len(slices.DeleteFunc(slices.Clone(asked), func(s string) bool { return s == want })); n != 1 {
				t.Errorf("%d hands: %s is asked for %d times", hands, want, n)
			}
		}
		if slices.Index(asked, "wings/2/load") < slices.Index(asked, "wings/1/out") {
			t.Errorf("the second basket goes in before the first is out: %v", asked)
		}
	}
}

// Of cooks that are slow at random the table is told truly: what is foreseen
// halfway is not sooner than it was when all goes on without more delay.
func TestATableTimeIsHonest(t *testing.T) {
	if testing.Short() {
		return // it computes: nothing meets in it that does not in others
	}
	r := rand.New(rand.NewPCG(4, 4))
	for range 3 {
		e := night(t, 1)
		_, end := lead(t, e, func() time.Duration { return time.Duration(r.IntN(100)) * time.Second })
		if end.Before(table) {
			t.Errorf("on the table before it was to be: %s", end)
		}
		if late := end.Sub(table).Minutes(); late > 30 {
			t.Errorf("%.0f min late by some seconds at each task", late)
		}
	}
}

// Whatever was said and however late: nothing still to do is over, nothing
// begins before what it comes after lets it, one fryer has one basket, and the
// table is not told sooner than it was planned.
func TestWhatIsToComeCouldBeDone(t *testing.T) {
	r := rand.New(rand.NewPCG(8, 8))
	for range 4 {
		e := night(t, 1+r.IntN(2))
		now := e.Sheet.StartAt
		for step := range 40 {
			c := e.By(now)
			if c.Over {
				break
			}
			if c.ServeAt.Before(table) {
				t.Errorf("step %d: on the table at %s, planned %s", step, c.ServeAt, table)
			}
			for i := range c.Tasks {
				a := &c.Tasks[i]
				if a.State != Ended && a.Action != "" && a.Kind != sheet.Rests && a.End.Before(now) {
					t.Errorf("step %d: %s is over at %s and still to do", step, a.ID, a.End.Format("15:04:05"))
				}
				for _, id := range a.after {
					if b := find(c.Tasks, id); b != nil && !a.finished && !b.finished && a.Start.Before(b.earliestStart(a).Add(-time.Second)) {
						t.Errorf("step %d: %s begins at %s, %s lets it at %s", step, a.ID, a.Start.Format("15:04:05"), id, b.earliestStart(a).Format("15:04:05"))
					}
				}
				for k := range c.Tasks[:i] {
					b := &c.Tasks[k]
					both := a.Kind == sheet.Run && b.Kind == sheet.Run && a.Place == b.Place
					if both && a.Start.Before(b.End) && b.Start.Before(a.End) {
						t.Errorf("step %d: %s and %s are in one fryer", step, a.ID, b.ID)
					}
				}
			}
			d := c.Now[r.IntN(len(c.Now))]
			if d.Kind == sheet.Rests {
				now = later(now, d.End)
				continue
			}
			now = later(now, d.Until).Add(time.Duration(r.IntN(200)) * time.Second)
			if d.ID == "table" && slices.ContainsFunc(e.Baskets, (*LedBasket).frying) {
				continue
			}
			e.tap(t, d, now)
		}
	}
}

func TestLateSaysWhatMovesAndWhatWaits(t *testing.T) {
	e := night(t, 1)
	// All up to the first basket's time as planned.
	out := time.Time{}
	for range 60 {
		d := e.By(later(e.Sheet.StartAt, out)).Now[0]
		if d.ID == "wings/1/out" {
			out = d.Start
			break
		}
		at := d.End
		if d.Kind == sheet.Turn || d.Kind == sheet.Heat {
			at = d.Start
		}
		out = at
		e.tap(t, d, at)
	}
	if c := e.By(out); c.LateMin > 1 || !strings.HasPrefix(c.Says, "On time") {
		t.Fatalf("so far: %g, %s", c.LateMin, c.Says)
	}
	planned := find(e.By(out).Tasks, "wings/2/load").Start
	c := e.By(out.Add(6 * time.Minute))
	if c.LateMin < 4 || c.LateMin > 7 || !strings.Contains(c.Says, "min late: on the table at 19:3") || !strings.Contains(c.Says, "wings 1") {
		t.Errorf("six minutes late: %g, %s", c.LateMin, c.Says)
	}
	if moved := find(c.Tasks, "wings/2/load").Start.Sub(planned).Minutes(); moved < 4 || moved > 8 {
		t.Errorf("the second basket moves by %.1f min", moved)
	}
	if c.Now[0].ID != "wings/1/out" {
		t.Errorf("asked for %s before what burns", c.Now[0].ID)
	}
	// A reading asks for longer: it moves what comes, too.
	b := e.Baskets[slices.IndexFunc(e.Baskets, func(b *LedBasket) bool { return b.Key() == "wings/1" })]
	b.Foreseen, b.SafeBy = true, ptr(b.EndMin()+5)
	if c := e.By(out); c.LateMin < 3 || find(c.Tasks, "wings/1/out").Start.Sub(out).Minutes() < 4.5 || !strings.Contains(find(c.Tasks, "wings/1/out").Detail, "5 min more than planned") {
		t.Errorf("five more by a reading: %g, %s", c.LateMin, c.Says)
	}
}

func TestWhatCannotBeSaidOfASupper(t *testing.T) {
	e := night(t, 1)
	for _, s := range []Said{{ID: "a", Kind: "fried"}, {ID: "b", Kind: Done, Task: "wings/1/out"}, {ID: "c", Kind: Done, Task: "nothing"}, {ID: "d", Kind: Done, Task: "glaze/simmer"}} {
		if _, err := e.Add(s); err == nil {
			t.Errorf("%+v was taken", s)
		}
	}
	now := e.Sheet.StartAt
	b := e.Baskets[0]
	b.Live.Events = []Event{{ID: "x", Kind: Loaded, At: now}}
	if _, err := e.Add(Said{ID: "e", Kind: Done, Task: "table"}); err == nil {
		t.Error("on the table with a basket still in")
	}
	e.Said, _ = e.Add(Said{ID: "f", Kind: Done, Task: "glaze/mix", At: now})
	if again, _ := e.Add(Said{ID: "g", Kind: Done, Task: "glaze/mix", At: now}); len(again) != 1 {
		t.Error("said by two devices it counts twice")
	}
	e.Said, _ = e.Add(Said{ID: "h", Kind: GiveUp, At: now})
	if !e.Over() || len(e.By(now).Now) != 0 {
		t.Error("given up, it goes on")
	}
	if _, err := e.Add(Said{ID: "i", Kind: Done, Task: "slaw/1", At: now}); err == nil {
		t.Error("it goes on after it was given up")
	}
}

func TestARestBelongsToTheRule(t *testing.T) {
	l := plan()
	l.RestMin = 3
	say(t, &l, 4, Loaded, 0)
	say(t, &l, 26, Out, 0)
	if s := l.Step(start.Add(minutes(27))); s.Phase != Resting || !strings.Contains(s.Title, "rest for 3 min") || s.Until.Sub(start) != minutes(29) {
		t.Errorf("%+v", s)
	}
	if _, err := l.Add(Event{Kind: Turned, At: start.Add(minutes(27))}); err == nil {
		t.Error("turned while it rests")
	}
	if _, over := l.Finished(); over {
		t.Error("over before it has rested")
	}
	if p := l.Actual(); math.Abs(p.Minutes()-22) > 0.05 {
		t.Errorf("in for %g minutes", p.Minutes())
	}
	say(t, &l, 29, Rested, 0)
	if _, over := l.Finished(); !over {
		t.Error("not over after it")
	}
}

func TestAForgottenFryerGoesOnOrHasStopped(t *testing.T) {
	l := plan()
	say(t, &l, 4, Loaded, 0)
	now := start.Add(minutes(4 + 22 + 5.5))
	if p := l.By(now); math.Abs(p.Minutes()-27) > 0.05 || p.Stages[1].AirC != 200 || len(p.Stages) != 2 {
		t.Errorf("it goes on: %+v", p)
	}
	l.StopsItself = true
	p := l.By(now)
	if len(p.Stages) != 3 || p.Stages[2].Hold == "" || p.Stages[2].Minutes != 5 {
		t.Errorf("it has stopped: %+v", p)
	}
	if err := load.Check(load.Request{Load: load.Pieces{Cut: "chicken-wing-flat", Pieces: 11, PieceMassG: 43}, Program: p}); err != nil {
		t.Error(err)
	}
	say(t, &l, 32, Out, 0)
	if l.Overdue(now) != 0 {
		t.Error("overdue after it is out")
	}
}

func TestTheDialIsSetInBetween(t *testing.T) {
	l := plan()
	say(t, &l, 4, Loaded, 0)
	say(t, &l, 10, Set, 150)
	p := l.Actual()
	if len(p.Stages) != 3 || p.Stages[0].AirC != 165 || math.Abs(p.Stages[0].Minutes-6) > 0.02 || p.Stages[1].AirC != 150 || math.Abs(p.Stages[1].Minutes-6) > 0.02 || p.Stages[2].AirC != 200 {
		t.Errorf("%+v", p.Stages)
	}
	say(t, &l, 16.2, Set, 180)
	if p = l.Actual(); len(p.Stages) != 3 || p.Stages[2].AirC != 180 || math.Abs(p.Minutes()-22) > 0.02 {
		t.Errorf("%+v", p.Stages)
	}
}
