package verdict

import (
	"context"
	"testing"

	"velocrustum/core/load"
	"velocrustum/core/load/loadtest"
)

// answered is a request's answer with its window and its changes.
func answered(t *testing.T, q load.Request) Answer {
	t.Helper()
	a, err := Simulate(context.Background(), q, Options{})
	if err != nil {
		t.Fatal(err)
	}
	return a
}

// What is known better is narrower, and the answer says what would be.
func TestKnownFiguresNarrowTheWindow(t *testing.T) {
	if testing.Short() {
		return // it computes: nothing meets in it that does not in others
	}
	t.Parallel()
	q := load.Request{Load: load.Pieces{Cut: "chicken-drumstick", Pieces: 5, PieceMassG: 112}, Coat: &load.Covering{ID: "oil-rub", OilG: 5},
		Program: load.Program{Stages: []load.Stage{{AirC: 190, Minutes: 28}}, Turns: []load.Turn{{AtMin: 14, Kind: load.Flip}}}}
	width := func(q load.Request) float64 {
		t.Helper()
		a := answered(t, q)
		return *a.Chance.SafeByMin - *a.SafeAtMin
	}
	unknown := width(q)
	thick := 40.0
	q.Load.ThicknessMm = &thick
	if measured := width(q); measured > unknown-0.3 {
		t.Errorf("safe by %.1f min after the nominal piece with a ruler, %.1f without", measured, unknown)
	}
	q.Load.ThicknessMm = nil
	two := q
	two.Fryer = &load.Fryer{Drawers: 2}
	guessed := q
	guessed.Fryer = &load.Fryer{Inferred: []string{"airflow"}}
	for name, r := range map[string]load.Request{"two drawers": two, "an inferred fryer": guessed} {
		if w := width(r); w < unknown+0.03 {
			t.Errorf("%s: %.2f min, one alone and known %.2f", name, w, unknown)
		}
	}
	d := answered(t, q).Chance.Doubts
	if len(d) == 0 || d[0].Field != "load.thicknessMm" || d[0].Minutes < 1 {
		t.Errorf("what would narrow it: %+v", d)
	}
}

func TestChancesRiseToOneAndHold(t *testing.T) {
	if testing.Short() {
		return // it computes: nothing meets in it that does not in others
	}
	t.Parallel()
	q := loadtest.ReferenceCooks(t)[0].Request
	q.TailMin = 10
	a, err := Simulate(context.Background(), q, Options{})
	if err != nil {
		t.Fatal(err)
	}
	last := ChanceAt{}
	for i, c := range a.Chance.By {
		if c.Safe < last.Safe || c.Crisp < last.Crisp || c.Crisp > c.Safe {
			t.Errorf("minute %g: %+v after %+v", c.Minute, c, last)
		}
		if b := a.Chance.Core[i]; b.LowC > b.HighC+1e-9 || b.Minute != c.Minute {
			t.Errorf("minute %g: core from %g to %g", c.Minute, b.LowC, b.HighC)
		}
		last = c
	}
	if last.Safe != 1 {
		t.Errorf("after half an hour %.0f %% are safe", 100*last.Safe)
	}
	if v := a.Verdict; v.FromMin == nil || *v.FromMin < *a.Chance.SafeByMin || !v.Ready {
		t.Errorf("verdict %+v, safe by %g", v, *a.Chance.SafeByMin)
	}
}

// However the pieces are turned, the sampled loads lie around the nominal
// one: the thickest of many pieces is safe later than it, by less than a
// third.
func TestWindowLiesAroundTheNominalCook(t *testing.T) {
	if testing.Short() {
		return // it computes: nothing meets in it that does not in others
	}
	t.Parallel()
	for name, turns := range map[string][]load.Turn{
		"no turn": nil, "flipped": {{AtMin: 7, Kind: load.Flip}}, "shaken": {{AtMin: 6, Kind: load.Shake}}, "shaken three times": {{AtMin: 4, Kind: load.Shake}, {AtMin: 8, Kind: load.Shake}, {AtMin: 12, Kind: load.Shake}},
	} {
		for _, pieces := range []int{10, 34} { // one layer, and two
			a, err := Simulate(context.Background(), load.Request{
				Load: load.Pieces{Cut: "potato-wedge", Pieces: pieces, PieceMassG: 32}, Coat: &load.Covering{ID: "oil-rub", OilG: 10},
				Program: load.Program{PreheatMin: 3, Stages: []load.Stage{{AirC: 190, Minutes: 40}}, Turns: turns},
			}, Options{})
			if err != nil {
				t.Fatal(err)
			}
			c := a.Chance
			if c.SafeByMin == nil || *c.SafeByMin < *a.SafeAtMin || *c.SafeByMin > 1.42**a.SafeAtMin {
				t.Errorf("%s, %d pieces: safe at %.1f, by %v", name, pieces, *a.SafeAtMin, loadtest.OrLate(c.SafeByMin))
			}
			if a.CrispAtMin != nil && (loadtest.OrLate(c.HalfReadyMin) < 0.8**a.CrispAtMin || loadtest.OrLate(c.HalfReadyMin) > 1.3**a.CrispAtMin) {
				t.Errorf("%s, %d pieces: crisp at %.1f, half ready at %.1f", name, pieces, *a.CrispAtMin, loadtest.OrLate(c.HalfReadyMin))
			}
		}
	}
}

func TestUnevenPiecesWidenTheWindow(t *testing.T) {
	if testing.Short() {
		return // it computes: nothing meets in it that does not in others
	}
	t.Parallel()
	q := loadtest.DozenWings()
	q.TailMin = 12
	at := func(spread float64) Chance {
		q.Load.SpreadPct = &spread
		a, err := Simulate(context.Background(), q, Options{})
		if err != nil {
			t.Fatal(err)
		}
		return *a.Chance
	}
	even, uneven := at(3), at(20)
	if *uneven.SafeByMin < *even.SafeByMin+1 || *uneven.LookFirstMin > *even.LookFirstMin-0.2 || loadtest.OrLate(uneven.BestUntilMin) > loadtest.OrLate(even.BestUntilMin) {
		t.Errorf("even: look at %.1f, safe by %.1f, best until %.1f; uneven: %.1f, %.1f, %.1f", *even.LookFirstMin, *even.SafeByMin, loadtest.OrLate(even.BestUntilMin),
			*uneven.LookFirstMin, *uneven.SafeByMin, loadtest.OrLate(uneven.BestUntilMin))
	}
}
