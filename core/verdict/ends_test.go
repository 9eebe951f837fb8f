package verdict_test

import (
	"math"
	"testing"

	"velocrustum/core/load"
	"velocrustum/core/load/loadtest"
	"velocrustum/core/verdict"
)

// Where it is known to brown quicker at one end, food is too dark there first, whichever
// end it is; one piece lies in the middle, and pieces that change over or are shaken up
// share it. What is safe and crisp stays as it was.
func TestTheQuickerEndIsTooDarkFirst(t *testing.T) {
	t.Parallel()
	answer := func(back, sd float64, pieces int, turn string) verdict.Answer {
		t.Helper()
		q := loadtest.DozenWings()
		q.Load.Pieces, q.Coat.SugarPct = pieces, 2
		q.Program.Stages, q.Program.Turns = []load.Stage{{AirC: 200, Minutes: 40}}, nil
		if turn != "" {
			q.Program.Turns = []load.Turn{{AtMin: map[string]float64{load.Shake: 5, load.Flip: 14}[turn], Kind: turn}}
		}
		l := &load.Learnt{Cooks: 9, Covariance: [load.LearntFigures][load.LearntFigures]float64{{0.002}, {0, 3}, {0, 0, 0.01}, {0, 0, 0, 0.004}}}
		if back != 0 {
			l.Back = &load.Hand{Mean: back, Sd: sd}
		}
		q.Fryer = &load.Fryer{Learnt: l}
		a, err := verdict.Simulate(t.Context(), q, verdict.Options{NoChance: true})
		if err != nil {
			t.Fatal(err)
		}
		if a.OverAtMin == nil || a.SafeAtMin == nil || a.CrispAtMin == nil {
			t.Fatalf("%g, %d pieces, %q: %+v", back, pieces, turn, a.Window)
		}
		return a
	}
	over := func(back float64, pieces int, turn string) float64 { return *answer(back, 0.1, pieces, turn).OverAtMin }
	even, back, front := answer(0, 0.1, 12, ""), answer(0.6, 0.1, 12, ""), answer(-0.6, 0.1, 12, "")
	if *back.SafeAtMin != *even.SafeAtMin || *back.CrispAtMin != *even.CrispAtMin || back.End.CoreC != even.End.CoreC {
		t.Errorf("an end that browns quicker: safe at %.2f and crisp at %.2f, else %.2f and %.2f", *back.SafeAtMin, *back.CrispAtMin, *even.SafeAtMin, *even.CrispAtMin)
	}
	if *back.OverAtMin > *even.OverAtMin-1 || math.Abs(*back.OverAtMin-*front.OverAtMin) > 1e-9 || back.Window.Bound != load.Bitter {
		t.Errorf("too dark at %.2f where the back is quicker, at %.2f where the front is, else at %.2f (%s)", *back.OverAtMin, *front.OverAtMin, *even.OverAtMin, back.Window.Bound)
	}
	last := len(even.Timeline) / 2
	if e, b := even.Timeline[last].Paler(), back.Timeline[last].Paler(); b > 0.9*e {
		t.Errorf("the palest is of stage %.2f, where no end is quicker of %.2f", b, e)
	}
	if one := over(0.6, 1, ""); math.Abs(one-over(0, 1, "")) > 1e-9 {
		t.Errorf("a piece by itself is too dark at %.2f, else at %.2f", one, over(0, 1, ""))
	}
	// Shaken up soon, they lie at either end by chance.
	if lost, shared := *even.OverAtMin-*back.OverAtMin, over(0, 12, load.Shake)-over(0.6, 12, load.Shake); shared > lost/2 || shared < 0 {
		t.Errorf("they are too dark %.2f min sooner, shaken up early %.2f", lost, shared)
	}
	// Turned by hand, front and back change over where one is told apart for sure: no piece
	// is as pale then.
	pale := func(sd float64) float64 {
		line := answer(0.6, sd, 12, load.Flip).Timeline
		return line[len(line)/2].Paler()
	}
	if told, not := pale(0.1), pale(0.4); told < 1.03*not {
		t.Errorf("the palest is of stage %.2f where front and back change over, else of %.2f", told, not)
	}
}
