package program

import (
	"math/rand/v2"
	"slices"
	"testing"

	"velocrustum/core/food"
)

// anyPlan draws a plan as a cook might make it: too long or too short, too
// hot or too gentle, too full, too dry.
func anyPlan(r *rand.Rand) Request {
	cuts := food.Cuts()
	cut := cuts[r.IntN(len(cuts))]
	coats := food.CoatIDs()
	q := Request{
		Load:    Load{Cut: cut.ID, Pieces: 1 + r.IntN(12), PieceMassG: cut.Typical * (0.7 + 0.6*r.Float64())},
		Coat:    &Coat{ID: coats[r.IntN(len(coats))], OilG: 8 * r.Float64(), SugarPct: 4 * max(0, r.Float64()-0.6)},
		Program: Program{PreheatMin: float64(r.IntN(5)), Stages: []Stage{{AirC: 140 + 5*float64(r.IntN(13)), Minutes: float64(5 + r.IntN(30))}}},
	}
	if r.IntN(2) == 0 {
		q.Program.Stages = append(q.Program.Stages, Stage{AirC: 170 + 5*float64(r.IntN(7)), Minutes: float64(2 + r.IntN(12))})
	}
	if end := q.Program.Minutes(); r.IntN(4) > 0 {
		q.Program.Turns = []Turn{{AtMin: float64(1 + r.IntN(int(end)-1)), Kind: []string{Flip, Shake}[r.IntN(2)]}}
	}
	for Check(q) != nil {
		q.Load.Pieces--
	}
	return q
}

// Pressing the first change that is offered, again and again, ends in at most
// four presses in a plan without the first warning, or one that says why not:
// each press clears what it is offered for, none makes a ready load worse, and
// none brings a program back that was left.
func TestChangesEndWell(t *testing.T) {
	t.Parallel()
	t.Run("by the nominal load", func(t *testing.T) { changesEndWell(t, 120, true) })
	t.Run("by 95 loads in 100", func(t *testing.T) { changesEndWell(t, 14, false) })
}

func changesEndWell(t *testing.T, plans int, alone bool) {
	r := rand.New(rand.NewPCG(9, 9))
	first := func(a Answer) *Warning {
		if i := slices.IndexFunc(a.Warnings, func(w Warning) bool { return w.Change != nil }); i >= 0 {
			return &a.Warnings[i]
		}
		return nil
	}
	// Only the first change is pressed, so only that is sought.
	answered := func(t *testing.T, q Request) Answer {
		t.Helper()
		s, err := resolve(q)
		if err != nil {
			t.Fatal(err)
		}
		s.alone = alone
		a, err := s.judged(t.Context())
		if err == nil {
			err = s.mend(t.Context(), &a, 1)
		}
		if err != nil {
			t.Fatal(err)
		}
		return a
	}
	offered, none := 0, 0
	for n := range plans {
		q := anyPlan(r)
		a := answered(t, q)
		seen := []Program{q.Program}
		began := first(a)
		for press := 0; press < 4; press++ {
			w := first(a)
			if w == nil {
				break
			}
			offered++
			next := pressed(q, *w.Change)
			if err := Check(next); err != nil {
				t.Errorf("plan %d, %q: %v", n, w.Change.Label, err)
				break
			}
			b := answered(t, next)
			if warned(b, w.Code) != nil {
				t.Errorf("plan %d, %s in %s: %q leaves %q", n, q.Load.Cut, q.Coat.ID, w.Change.Label, w.Code)
			}
			if a.Verdict.Ready && !b.Verdict.Ready {
				t.Errorf("plan %d, %s in %s: %q turns %s into %s", n, q.Load.Cut, q.Coat.ID, w.Change.Label, a.Verdict.Figure, b.Verdict.Figure)
			}
			for _, s := range next.Program.Stages {
				if s.AirC != onDial(Dial{80, 200, 5}, s.AirC) {
					t.Errorf("plan %d: %g °C is not on the dial", n, s.AirC)
				}
			}
			if w.Change.Program != nil && slices.ContainsFunc(seen, func(p Program) bool { return sameProgram(p, next.Program) }) {
				t.Errorf("plan %d: %q brings back a program that was left", n, w.Change.Label)
			}
			seen = append(seen, next.Program)
			q, a = next, b
		}
		if began != nil {
			if w := warned(a, began.Code); w != nil && w.Change != nil {
				t.Errorf("plan %d, %s in %s: after four presses %q is back and offers %q", n, q.Load.Cut, q.Coat.ID, w.Code, w.Change.Label)
			}
		}
		for _, w := range a.Warnings {
			if slices.Contains(timely, w.Code) && w.Change == nil {
				none++
			}
		}
	}
	t.Logf("%d changes pressed, %d warnings say why there is none", offered, none)
	if offered < plans/2 {
		t.Errorf("only %d changes were offered", offered)
	}
}
