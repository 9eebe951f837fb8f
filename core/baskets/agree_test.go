package baskets

import (
	"fmt"
	"math"
	"math/rand/v2"
	"regexp"
	"slices"
	"strings"
	"testing"

	"velocrustum/core/advise"
	"velocrustum/core/load"
	"velocrustum/core/load/loadtest"
	"velocrustum/core/units"
	"velocrustum/core/verdict"
)

var (
	metricUnit = regexp.MustCompile(`°C|\d g\b|\d mm`)
	oddText    = regexp.MustCompile(`NaN|%!|Inf`)
	ofMeat     = regexp.MustCompile(`\b([Ss]afe|[Pp]robe|tongs|raw|meat)`)
)

// Figures, sentences, flags, ways and baskets of one load, held against one
// another, over random loads in both systems of units.
func TestAllThatIsSaidOfALoadAgrees(t *testing.T) {
	if testing.Short() {
		return // it computes: nothing meets in it that does not in others
	}
	t.Parallel()
	r := rand.New(rand.NewPCG(11, 27))
	for n := range loadtest.Cases(8) {
		q := loadtest.Any(r)
		if q.TailMin = 0; n%2 == 1 {
			q.Units = units.Household{Temperature: units.Fahrenheit, Mass: units.Ounce, Spoons: units.USSpoons}
		}
		if load.Check(q) != nil {
			continue
		}
		a, err := advise.Simulate(t.Context(), load.Dish{Request: q}, verdict.Options{})
		if err != nil {
			t.Fatal(err)
		}
		agrees(t, "as it stands", q, a)
		rec, err := advise.Recommend(t.Context(), q, advise.Balanced, nil)
		if err != nil {
			t.Fatal(err)
		}
		best := rec.Ways[0]
		q.Program = best.Program
		its, err := verdict.Simulate(t.Context(), q, verdict.Options{})
		if err != nil {
			t.Fatal(err)
		}
		agrees(t, "the best way", q, its)
		said := rec.Says
		for _, w := range rec.Ways {
			said += " " + w.Reason
		}
		wellSaid(t, "the ways", q, its, said)
		if (rec.Says == "") != its.Verdict.Ready || best.Ready != (rec.Says == "") {
			t.Errorf("the best way is called ready %t (%q); run, it is %s: %+v", best.Ready, rec.Says, its.Verdict.Standing, q)
		}
		if rec.Says == "" && (math.Floor(its.End.Crust) != best.Crust || math.Floor(its.End.JuiceKeptPct) != best.JuicePct) {
			t.Errorf("the card says crust %g and juice %g, run it is %g and %g", best.Crust, best.JuicePct, its.End.Crust, its.End.JuiceKeptPct)
		}
		b, err := Batch(t.Context(), load.Dish{Request: q})
		if err != nil {
			t.Fatal(err)
		}
		wellSaid(t, "the baskets", q, its, b.Says)
		for _, k := range b.Batchings {
			for _, one := range k.Baskets {
				each := q
				each.Program, each.Load.Pieces = one.Program, one.Pieces
				agrees(t, k.Name, each, one.Answer)
			}
			if k.ID == b.Best && !k.Ready {
				t.Errorf("%s is the best, and not ready", k.Name)
			}
		}
	}
}

// agrees holds an answer against itself.
func agrees(t *testing.T, what string, q load.Request, a verdict.Answer) {
	t.Helper()
	wrong := func(format string, args ...any) {
		t.Helper()
		t.Errorf("%s of %d %s in %+v: %s; %+v", what, q.Load.Pieces, q.Load.Cut, q.Program, fmt.Sprintf(format, args...), a.Verdict)
	}
	v, c, end := a.Verdict, a.Chance, q.Program.Minutes()
	has := func(codes ...verdict.Code) bool {
		return slices.ContainsFunc(a.Warnings, func(w verdict.Warning) bool { return slices.Contains(codes, w.Code) })
	}
	unsafe := has(verdict.UnderRule, verdict.RuleInDoubt)
	switch {
	case v.Ready != (v.Standing == verdict.ReadyWindow || v.Standing == verdict.ReadyOpen):
		wrong("ready is %t", v.Ready)
	case v.Ready && (unsafe || v.FromMin == nil || verdict.Past(*v.FromMin, end) || v.ToMin != nil && *v.ToMin < *v.FromMin):
		wrong("ready, and yet")
	case v.Ready && (c.SafeByMin == nil || verdict.Past(*c.SafeByMin, *v.FromMin)):
		wrong("ready before it is safe")
	case !v.Ready && (v.FromMin != nil || v.ToMin != nil || strings.ContainsAny(v.Figure[:1], "0123456789")):
		wrong("not ready, with a time in large type")
	case v.Standing == verdict.NeverSafe && !unsafe, v.Standing == verdict.NeverCrisp && !has(verdict.Soft):
		wrong("no warning says so")
	case strings.HasPrefix(v.SafeBy, "by") != (c.SafeByMin != nil && !verdict.Past(*c.SafeByMin, end)):
		wrong("safe by %q", v.SafeBy)
	case strings.HasPrefix(v.SafeBy, "by") && (v.SafeBy != fmt.Sprintf("by %.0f min", verdict.NotBefore(*c.SafeByMin)) || has(verdict.UnderRule)):
		wrong("safe %s, and under the rule", v.SafeBy)
	}
	said := []string{v.Says, v.First, v.Figure, v.Unit}
	for _, w := range a.Warnings {
		said = append(said, w.Message)
		if w.Change != nil {
			said = append(said, w.Change.Label, w.Change.Gives)
		}
	}
	for _, d := range c.Doubts {
		said = append(said, d.Says)
	}
	wellSaid(t, what, q, a, strings.Join(said, " | "))
}

// wellSaid holds words against the food and the household's units.
func wellSaid(t *testing.T, what string, q load.Request, a verdict.Answer, said string) {
	t.Helper()
	if oddText.MatchString(said) || q.Units.Mass == units.Ounce && metricUnit.MatchString(said) {
		t.Errorf("%s of %s: %s", what, q.Load.Cut, said)
	}
	if a.Rule.Inside == load.SoftInside && ofMeat.MatchString(said) {
		t.Errorf("%s of %s, a plant: %s", what, q.Load.Cut, said)
	}
}
