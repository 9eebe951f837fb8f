package advise

import (
	"math"
	"math/rand/v2"
	"testing"

	"velocrustum/core/load"
	"velocrustum/core/load/loadtest"
	"velocrustum/core/verdict"
)

// Over random plans: the badge and figures of a way, and the word of a conversion, are those
// of the very run that they start.
func TestOneVerdict(t *testing.T) {
	if testing.Short() {
		return // it computes: nothing meets in it that does not in others
	}
	t.Parallel()
	r := rand.New(rand.NewPCG(1, 77))
	started := func(q load.Request, p load.Program) verdict.Answer {
		t.Helper()
		q.Program = p
		a, err := verdict.Simulate(t.Context(), q, verdict.Options{})
		if err != nil {
			t.Fatal(err)
		}
		return a
	}
	for n := range loadtest.Cases(4) {
		q := loadtest.AnyPlan(r)
		for _, w := range recommended(t, q, Balanced).Ways {
			its := started(q, w.Program)
			if w.Ready != its.Verdict.Ready || w.Crust != math.Floor(its.End.Crust) || w.JuicePct != math.Floor(its.End.JuiceKeptPct) {
				t.Errorf("plan %d, %s, %s: ready %t, crust %.0f, juice %.0f; its run is %s, %.1f, %.1f", n, q.Load.Cut, w.Name, w.Ready, w.Crust, w.JuicePct, its.Verdict.Standing, its.End.Crust, its.End.JuiceKeptPct)
			}
		}
		from := FirstFormerWays[n%len(FirstFormerWays)]
		c, err := Convert(t.Context(), q, from)
		if err != nil {
			t.Fatal(err)
		}
		p := load.Program{Stages: []load.Stage{{AirC: from.TempC, Minutes: from.Minutes}}, Turns: []load.Turn{{AtMin: math.Round(from.Minutes / 2), Kind: load.Flip}}}
		says := true
		if c.Proposal != nil {
			p, says = c.Proposal.Program, c.Proposal.Ready
		}
		if its := started(q, p); its.Verdict.Ready != says {
			t.Errorf("plan %d, %s by %s: said ready %t, its run is %s: %s", n, q.Load.Cut, from.Kind, says, its.Verdict.Standing, c.Says)
		}
	}
}

// What takes longer than any way is searched for is still told on a program that a dial has.
func TestEveryWayHasADial(t *testing.T) {
	if testing.Short() {
		return // it computes: nothing meets in it that does not in others
	}
	t.Parallel()
	q := loadtest.DozenWings()
	q.Load = load.Pieces{Cut: "chicken-whole", Pieces: 7, PieceMassG: 950}
	for _, w := range recommended(t, q, Balanced).Ways {
		for _, stage := range w.Program.Stages {
			if !stage.Rest && stage.AirC < 80 {
				t.Errorf("%s: %+v", w.Name, w.Program.Stages)
			}
		}
	}
}
