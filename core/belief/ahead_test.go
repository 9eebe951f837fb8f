package belief

import (
	"math"
	"math/rand/v2"
	"strings"
	"testing"

	"velocrustum/core/load"
	"velocrustum/core/load/loadtest"
	"velocrustum/core/run"
)

// leftIn are the readings of a probe that stays in from a minute on, every
// quarter of a minute: one placement, its own noise and lag.
func (h hidden) leftIn(r *rand.Rand, from, until float64) (out []Evidence) {
	tip := 4 * r.Float64()
	for m := from; m <= until; m += 0.25 {
		c := run.Nearest(h.truth.Timeline, math.Max(0, m-0.15)).CoreC + tip + 0.3*r.NormFloat64()
		out = append(out, Evidence{AtMin: m, Kind: SeenLeftIn, C: c, Insertion: "one"})
	}
	return out
}

// A probe that is left in finds the hidden fryer too, and its many readings
// count as few: the truth lies within what is foreseen.
func TestAProbeLeftInCountsAsFew(t *testing.T) {
	if testing.Short() {
		return // it computes: nothing meets in it that does not in others
	}
	t.Parallel()
	r := rand.New(rand.NewPCG(5, 11))
	early, all, off := 0, 0, 0.0
	for n := range 12 {
		q := loadtest.Usual[n%len(loadtest.Usual)]
		h := hide(t, q, 0.8+0.45*r.Float64(), -10+16*r.Float64(), 0.9+0.2*r.Float64(), 3+4*r.Float64())
		truth := *h.truth.SafeAtMin
		b, err := Believe(t.Context(), q)
		if err != nil {
			t.Fatal(err)
		}
		f, a, err := b.Foresee(h.leftIn(r, 2, math.Round(0.75*truth)))
		if err != nil {
			t.Fatal(err)
		}
		if f.SafeAtMin == nil || f.SafeByMin == nil {
			t.Errorf("%s: not foreseen: %+v", q.Load.Cut, f)
			continue
		}
		all++
		if *f.SafeByMin < truth {
			early++
		}
		off += math.Abs(*f.SafeAtMin - truth)
		outside := 0
		for _, band := range a.Band {
			if c := run.Nearest(h.truth.Timeline, band.Minute).CoreC; band.Minute > 2 && band.Minute < truth && (c < band.LowC-0.5 || c > band.HighC+0.5) {
				outside++
			}
		}
		if share := float64(outside) / truth; share > 0.34 {
			t.Errorf("%s: the truth is outside of the band for %.0f %% of the time", q.Load.Cut, 100*share)
		}
	}
	t.Logf("mean error %.2f min, too soon %d of %d", off/float64(all), early, all)
	if off/float64(all) > 1.2 || early > 1 {
		t.Errorf("mean error %.2f min; %d of %d called safe too soon", off/float64(all), early, all)
	}
}

// What is seen of the crust answers with minutes, a setting and oil, and never
// makes it safe.
func TestWhatIsSeenOfTheCrustIsAnswered(t *testing.T) {
	t.Parallel()
	q := loadtest.Usual[1]
	q.Coat = &load.Covering{ID: "starch-dust"}
	b, err := Believe(t.Context(), q)
	if err != nil {
		t.Fatal(err)
	}
	see := func(all ...Evidence) (Foreseen, Ahead) {
		t.Helper()
		f, a, err := b.Foresee(all)
		if err != nil {
			t.Fatal(err)
		}
		return f, a
	}
	calm, before := see(Evidence{AtMin: 18, Kind: SeenFloury})
	if !calm.Mist || !strings.Contains(calm.Says, "Mist") || before.Says != "" {
		t.Errorf("floury: %+v, %q", calm, before.Says)
	}
	soft, _ := see(Evidence{AtMin: 20, Kind: SeenSoft})
	if soft.CrispAtMin == nil || *soft.CrispAtMin <= *calm.CrispAtMin || *soft.MoreMin < 1 || *soft.SafeByMin < *calm.SafeByMin-0.01 {
		t.Errorf("soft at 20: crisp at %v (%v), %v more", *soft.CrispAtMin, *calm.CrispAtMin, *soft.MoreMin)
	}
	pale, p := see(Evidence{AtMin: 18, Kind: SeenLook, Shade: "pale"})
	dark, d := see(Evidence{AtMin: 12, Kind: SeenLook, Shade: "copper"})
	if !pale.Mist || dark.Mist || !strings.Contains(p.Says, "slowly") || !strings.Contains(d.Says, "faster") {
		t.Errorf("pale: %v %q; copper: %v %q", pale.Mist, p.Says, dark.Mist, d.Says)
	}
	end := func(a Ahead) float64 {
		return run.Nearest(a.Timeline, 20).Faces[0].Brown + run.Nearest(a.Timeline, 20).Faces[1].Brown
	}
	if end(p) >= end(before) || end(d) <= end(before) {
		t.Errorf("browned to %.2f where it looked pale, %.2f beforehand, %.2f where it looked copper", end(p), end(before), end(d))
	}
	if dark.OverAtMin != nil && *dark.OverAtMin < *dark.SafeByMin-1 && dark.DialC >= 195 {
		t.Errorf("the outside runs ahead, and the dial stays: %+v", dark)
	}
	for _, kind := range []string{SeenCut, SeenSoft, SeenFloury, SeenLook} {
		if f, _ := see(Evidence{AtMin: 12, Kind: kind, Shade: "gold"}); *f.SafeByMin < *calm.SafeByMin-0.3 {
			t.Errorf("%s makes it safe sooner: %v, not %v", kind, *f.SafeByMin, *calm.SafeByMin)
		}
	}
}

// A display that shows cooler air than was believed makes it later, and one
// that shows hotter air makes it sooner only as far as loads agree.
func TestADisplayMovesTheForecast(t *testing.T) {
	t.Parallel()
	b, err := Believe(t.Context(), loadtest.Usual[0])
	if err != nil {
		t.Fatal(err)
	}
	at := func(c float64) float64 {
		f, _, err := b.Foresee([]Evidence{{AtMin: 8, Kind: SeenDisplay, C: c}, {AtMin: 10, Kind: SeenDisplay, C: c}})
		if err != nil || f.SafeAtMin == nil {
			t.Fatal(f, err)
		}
		return *f.SafeAtMin
	}
	if cool, as, hot := at(165), at(185), at(200); cool <= as+0.2 || hot >= as-0.2 {
		t.Errorf("by a display of 165, 185 and 200 °C safe at %.1f, %.1f and %.1f", cool, as, hot)
	}
	if err := CheckEvidence([]Evidence{{Kind: SeenDisplay, C: 400}}, 1); err == nil {
		t.Error("a display of 400 °C was taken")
	}
}
