package verdict

import (
	"context"
	"fmt"
	"math"
	"math/rand/v2"
	"strings"
	"testing"

	"velocrustum/core/food"
	"velocrustum/core/load"
	"velocrustum/core/load/loadtest"
	"velocrustum/core/run"
)

func TestVerdictFitsTheFigures(t *testing.T) {
	if testing.Short() {
		return // it computes: nothing meets in it that does not in others
	}
	t.Parallel()
	wings := func(airC, minutes, tail float64) Answer {
		t.Helper()
		a, err := Simulate(context.Background(), load.Request{
			Load: load.Pieces{Cut: "chicken-wing-flat", Pieces: 8, PieceMassG: 42}, Coat: &load.Covering{ID: "starch-dust", OilG: 4},
			Program: load.Program{PreheatMin: 4, Stages: []load.Stage{{AirC: airC, Minutes: minutes}}, Turns: []load.Turn{{AtMin: minutes / 2, Kind: load.Flip}}}, TailMin: tail,
		}, Options{})
		if err != nil {
			t.Fatal(err)
		}
		return a
	}
	for _, c := range []struct {
		airC, minutes, tail float64
		standing            Standing
		figure, says        string
	}{
		{200, 20, 6, ReadyWindow, " to ", "Crisp and safe together."},
		{90, 5, 0, NeverSafe, "Not safe", "Not safe inside within this program."},
		{200, 9, 6, TooShort, "Too short", "surely safe inside only from minute"},
		{120, 30, 0, NeverCrisp, "Not crisp", "but the crust does not get there"},
		{175, 15, 12, TooShort, "Too short", "crisp only from minute"},
	} {
		a := wings(c.airC, c.minutes, c.tail)
		v := a.Verdict
		if v.Standing != c.standing || !strings.Contains(v.Figure, c.figure) || !strings.Contains(v.Says, c.says) {
			t.Errorf("%g °C for %g min: %+v, want %s, %q", c.airC, c.minutes, v, c.standing, c.says)
		}
		if v.Ready && !strings.HasPrefix(v.First, "Probe one at ") {
			t.Errorf("nothing to do first: %q", v.First)
		}
		// What ends after the program is marked as such in the timeline too.
		if last := a.Timeline[len(a.Timeline)-1].Minute; last < c.minutes || last > c.minutes+c.tail+0.01 {
			t.Errorf("the timeline of %g + %g minutes ends at %g", c.minutes, c.tail, last)
		}
	}
}

// Over plans of every kind: what the verdict says holds together, in each of
// its parts.
func TestVerdictsDoNotContradictThemselves(t *testing.T) {
	if testing.Short() {
		return // it computes: nothing meets in it that does not in others
	}
	t.Parallel()
	r := rand.New(rand.NewPCG(2, 26))
	seen := map[Standing]int{}
	for range loadtest.Cases(120) {
		q := loadtest.AnyPlan(r)
		a, err := Simulate(context.Background(), q, Options{})
		if err != nil {
			t.Fatal(err)
		}
		v := a.Verdict
		seen[v.Standing]++
		ready := v.Standing == ReadyWindow || v.Standing == ReadyOpen
		if v.Ready != ready || (v.FromMin != nil) != ready || (v.ToMin != nil) != (v.Standing == ReadyWindow) || v.Figure == "" || v.Says == "" {
			t.Errorf("%s in %s: %+v", q.Load.Cut, q.Coat.ID, v)
		}
		end := q.Program.Minutes()
		if past := v.ToMin != nil && *v.ToMin > math.Ceil(end); past != strings.Contains(v.Says, "carried on") {
			t.Errorf("%s: to %v of a program of %g, and %q", q.Load.Cut, v.ToMin, end, v.Says)
		}
		if v.FromMin != nil {
			if *v.FromMin != math.Trunc(*v.FromMin) || *v.FromMin > math.Ceil(end) || !strings.HasPrefix(v.Figure, fmt.Sprintf("%.0f", *v.FromMin)) {
				t.Errorf("%s: from %g of %g, %q", q.Load.Cut, *v.FromMin, end, v.Figure)
			}
			if v.ToMin != nil && *v.ToMin < *v.FromMin {
				t.Errorf("%s: %g to %g", q.Load.Cut, *v.FromMin, *v.ToMin)
			}
			// Never sooner than 95 loads in 100 are safe.
			if *a.Chance.SafeByMin > *v.FromMin+0.06 {
				t.Errorf("%s: from %g, safe by %.2f", q.Load.Cut, *v.FromMin, *a.Chance.SafeByMin)
			}
		}
		if safe := !a.Warns(UnderRule, RuleInDoubt); ready && !safe {
			t.Errorf("%s: %s, and warned %+v", q.Load.Cut, v.Figure, a.Warnings)
		}
		plant := strings.HasPrefix(q.Load.Cut, "potato") || strings.HasPrefix(q.Load.Cut, "onion")
		plant = plant && q.Coat.ID != food.Wrap // which is meat
		words := v.Says + v.First + v.Figure
		for _, w := range a.Warnings {
			words += w.Message
		}
		if plant && (strings.Contains(words, "safe") || strings.Contains(words, "Probe") || strings.Contains(words, "meat")) {
			t.Errorf("%s: %s", q.Load.Cut, words)
		}
		if (strings.HasPrefix(q.Load.Cut, "fish") || q.Load.Cut == "prawn") && q.Coat.ID != food.Wrap && strings.Contains(words, "coldest meat") {
			t.Errorf("%s: %s", q.Load.Cut, words)
		}
	}
	for _, s := range []Standing{NeverSafe, NeverCrisp, NoGoodTime, TooShort, ReadyWindow} {
		if seen[s] == 0 {
			t.Errorf("no plan of them is %s: %v", s, seen)
		}
	}
}

func TestUKGuidanceNamesTheTimeThatIsMissing(t *testing.T) {
	t.Parallel()
	q := load.Request{Load: load.Pieces{Cut: "chicken-drumstick", Pieces: 4, PieceMassG: 115}, Guidance: "uk",
		Program: load.Program{PreheatMin: 4, Stages: []load.Stage{{AirC: 190, Minutes: 20}}, Turns: []load.Turn{{AtMin: 9, Kind: load.Flip}}}}
	s, err := load.Of(q)
	if err != nil {
		t.Fatal(err)
	}
	s.TailMin = 10
	long := answerOf(t, s, run.Fine)
	// End between the minute at which it comes to 70 °C and the one by which
	// it has held.
	hot := 0.0
	for _, m := range long.Timeline {
		if m.CoreC >= 70.3 {
			hot = m.Minute
			break
		}
	}
	q.Program.Stages[0].Minutes = hot
	a := quick(t, q)
	if !a.Warns(UnderRule) || !strings.Contains(a.Warnings[0].Message, "has not yet held 70 °C for the 2 min of the rule") {
		t.Errorf("at %g min: %+v", hot, a.Warnings)
	}
}

func TestOverdoneSaysWhatItIs(t *testing.T) {
	t.Parallel()
	long := func(cut, coat string, sugar, airC, minutes float64) Window {
		t.Helper()
		q := load.Request{Load: load.Pieces{Cut: cut, Pieces: 4, PieceMassG: 0}, Coat: &load.Covering{ID: coat, OilG: 4, SugarPct: sugar},
			Program: load.Program{PreheatMin: 4, Stages: []load.Stage{{AirC: airC, Minutes: minutes}}, Turns: []load.Turn{{AtMin: minutes / 2, Kind: load.Flip}}}}
		q.Load.PieceMassG = map[string]float64{"chicken-wing-flat": 42, "potato-wedge": 32, "chicken-breast-chunk": 18, "duck-leg": 230}[cut]
		return quick(t, q).Window
	}
	for _, c := range []struct {
		bound string
		w     Window
	}{
		{"brown", long("potato-wedge", "oil-rub", 0, 200, 60)},
		{"bitter", long("duck-leg", "oil-rub", 6, 190, 60)},
		{"burnt", long("duck-leg", "oil-rub", 0, 200, 60)},
		{"dry", long("chicken-breast-chunk", "bare", 0, 180, 45)},
	} {
		if c.w.ToMin == nil || string(c.w.Bound) != c.bound {
			t.Errorf("ends by %q, want %q", c.w.Bound, c.bound)
		}
	}
}
