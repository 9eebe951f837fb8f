package safety

import (
	"math"
	"testing"
)

func TestPublishedEquivalentsAreMet(t *testing.T) {
	rule, err := For(UK, Poultry, 0)
	if err != nil {
		t.Fatal(err)
	}
	for _, c := range []struct{ at, minutes float64 }{{60, 45}, {65, 10}, {70, 2}, {75, 0.5}, {80, 0.1}} {
		w := NewWatch(rule, c.at)
		met := math.NaN()
		for step := 1; math.IsNaN(met) && step < 100000; step++ {
			met = w.Add(float64(step)*c.minutes/50, c.at)
		}
		if math.Abs(met-c.minutes) > 0.02*c.minutes {
			t.Errorf("at %g °C met after %g min, published %g", c.at, met, c.minutes)
		}
	}
	w := NewWatch(rule, 59.9)
	if m := w.Add(600, 59.9); !math.IsNaN(m) {
		t.Errorf("ten hours at 59.9 °C counted as safe at %g", m)
	}
}

func TestAtOnceRuleMeetsBetweenSteps(t *testing.T) {
	rule, err := For(US, Poultry, 0)
	if err != nil {
		t.Fatal(err)
	}
	w := NewWatch(rule, 70)
	if m := w.Add(1, 72); !math.IsNaN(m) {
		t.Errorf("72 °C counted as safe at %g", m)
	}
	if m, want := w.Add(2, 76), 1+(73.9-72)/4; math.Abs(m-want) > 1e-9 {
		t.Errorf("crossed at %g min, want %g", m, want)
	}
}

func TestNeverLaxerThanTheGuidance(t *testing.T) {
	for _, c := range []Class{Poultry, Stuffed, Minced, MincedPoultry, WholeMeat, Fish} {
		us, _ := For(US, c, 0)
		if us.CoreC > StricterFloor {
			t.Errorf("%s: the floor of %g °C is under the guidance", c, StricterFloor)
		}
		for _, own := range []float64{-1, 40, us.CoreC, 74.9, 96, math.NaN()} {
			if r, err := For(Stricter, c, own); err == nil && r.CoreC < StricterFloor {
				t.Errorf("%s: own rule of %g °C was taken", c, own)
			} else if err == nil {
				t.Errorf("%s: %g °C is outside what is allowed and was taken", c, own)
			}
		}
		if r, err := For(Stricter, c, 80); err != nil || r.CoreC != 80 {
			t.Errorf("%s: a stricter rule of 80 °C: %v, %v", c, r, err)
		}
	}
	if _, err := For("house", Poultry, 0); err == nil {
		t.Error("an unknown guidance was taken")
	}
}

func TestReductionsFollowTheSources(t *testing.T) {
	p, _ := PathogenFor(Poultry, 1)
	if r := p.Reduction(65.6, 2.7); math.Abs(r-7) > 0.05 {
		t.Errorf("2.7 min at 65.6 °C give %.2f reductions, the source 7", r)
	}
	p, _ = PathogenFor(Fish, 5)
	if r := p.Reduction(70, 2); math.Abs(r-6) > 0.1 {
		t.Errorf("2 min at 70 °C give %.2f reductions, the source 6", r)
	}
}

// Fat keeps germs: of poultry with 12 % of it a time kills 1.3 to 1.6 tenths
// less of seven, as the tables say.
func TestFatInPoultryCostsReductions(t *testing.T) {
	lean, _ := PathogenFor(Poultry, 1)
	fat, _ := PathogenFor(Poultry, 12)
	for _, c := range []float64{60, 65.6, 68.3} {
		all := 7 / lean.Reduction(c, 1)
		if less := 7 - fat.Reduction(c, all); less < 1.3 || less > 1.6 {
			t.Errorf("at %g °C fat costs %.2f of seven reductions", c, less)
		}
	}
	if p, _ := PathogenFor(Poultry, 40); p.DMin != fat.DMin {
		t.Errorf("past the table's 12 %% D is %g, there %g", p.DMin, fat.DMin)
	}
}

// A cook's own rule is never laxer than either guidance, however fast the core
// warms: of both rules the later counts.
func TestOwnRuleIsHeldAsTheUKAsks(t *testing.T) {
	for _, perMin := range []float64{3, 12, 30, 60} {
		met := map[Guidance]float64{}
		for _, g := range Guidances {
			r, err := For(g, Poultry, StricterFloor)
			if err != nil {
				t.Fatal(err)
			}
			w := NewWatch(r, 5)
			for m := 0.0; ; {
				m += 0.01
				if at := w.Add(m, 5+perMin*m); !math.IsNaN(at) {
					met[g] = at
					break
				}
			}
		}
		if met[Stricter] < math.Max(met[US], met[UK])-1e-9 {
			t.Errorf("warming by %g °C a minute the own rule is met at %.3f, US %.3f, UK %.3f", perMin, met[Stricter], met[US], met[UK])
		}
	}
}

func TestAReadingClearsWhatTheRuleAsks(t *testing.T) {
	us, _ := For(US, Poultry, 0)
	uk, _ := For(UK, Poultry, 0)
	own, _ := For(Stricter, Poultry, 76)
	for _, c := range []struct {
		rule Rule
		c    float64
		min  float64
		ok   bool
	}{{us, 73.8, 0, false}, {us, 73.9, 0, true}, {us, (165 - 32) / 1.8, 0, true}, {us, (164.9 - 32) / 1.8, 0, false}, {uk, 69.9, 0, false}, {uk, 70, 2, true}, {uk, 75, 0.5, true}, {own, 75, 0, false}, {own, 80, 0.1, true}} {
		if min, ok := c.rule.ClearedAfter(c.c); ok != c.ok || math.Abs(min-c.min) > 1e-9 {
			t.Errorf("%g °C under %q: %g min, %v", c.c, c.rule.Words, min, ok)
		}
	}
}
