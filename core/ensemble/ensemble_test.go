package ensemble

import (
	"context"
	"math"
	"slices"
	"sync/atomic"
	"testing"

	"velocrustum/core/load"
	"velocrustum/core/load/loadtest"
	"velocrustum/core/run"
)

// BenchmarkWindow is the window of a 24-minute cook over two thousand loads: 64
// runs, and a quadratic through each outcome.
func BenchmarkWindow(b *testing.B) {
	s, err := load.Of(loadtest.ReferenceCooks(b)[0].Request)
	if err != nil {
		b.Fatal(err)
	}
	b.ReportAllocs()
	for b.Loop() {
		if _, _, err := Of(context.Background(), s); err != nil {
			b.Fatal(err)
		}
	}
}

// quantileOf is a quantile of a list that need not be sorted.
func quantileOf(list []float64, q float64) float64 {
	sorted := slices.Clone(list)
	slices.Sort(sorted)
	return loadtest.OrLate(Quantile(sorted, q))
}

// The quadratic is as good as running the loads: its quantiles are those of
// two hundred loads that were run, within half a minute.
func TestAQuadraticStandsForManyRuns(t *testing.T) {
	if testing.Short() {
		return // it computes: nothing meets in it that does not in others
	}
	t.Parallel()
	for _, c := range loadtest.ReferenceCooks(t) {
		if c.Quantity != "safe_at_min" || c.ID != "wings-hot" && c.ID != "thighs-bone-in" && c.ID != "cutlet-crumbed" {
			continue
		}
		s, err := load.Of(c.Request)
		if err != nil {
			t.Fatal(err)
		}
		s = s.CarriedOn(12)
		kinds, _, err := Of(t.Context(), s)
		if err != nil {
			t.Fatal(err)
		}
		e := kinds[0]
		v := SpreadOf(&s.Machine, s.Only())
		ran := make([]outcome, 200)
		loads := v.Draw(len(ran), s.Only().Pieces)
		if err := run.Each(len(ran), func(i int) (err error) {
			draw := v.At(&loads[i].Thick)
			draw.Sizes = append(draw.Sizes, v.At(&loads[i].Thin).Sizes...)
			got, err := outcomes(t.Context(), s, draw, run.Fine, s.Minutes()+s.TailMin)
			if err == nil {
				ran[i] = got[0]
			}
			return err
		}); err != nil {
			t.Fatal(err)
		}
		for name, pair := range map[string]struct {
			drawn []float64
			run   func(outcome) float64
			q     float64
		}{
			"safe by 95 in 100":   {e.Safe, func(o outcome) float64 { return o.Safe }, 0.95},
			"first safe, 1 in 10": {e.First, func(o outcome) float64 { return o.First }, 0.10},
			"crisp, half":         {e.Crisp, func(o outcome) float64 { return o.Crisp }, 0.50},
		} {
			var run []float64
			for _, o := range ran {
				m := pair.run(o)
				if math.IsNaN(m) {
					m = math.Inf(1)
				}
				run = append(run, m)
			}
			if got, want := quantileOf(pair.drawn, pair.q), quantileOf(run, pair.q); math.Abs(got-want) > 0.5 {
				t.Errorf("%s, %s: %.2f by the quadratic, %.2f run", c.ID, name, got, want)
			}
		}
		if !(e.SlipMin < 0.3) {
			t.Errorf("%s: a run left out is foretold amiss by %.2f min", c.ID, e.SlipMin)
		}
	}
}

func TestLoadsAreEvenAndOrdered(t *testing.T) {
	t.Parallel()
	v := Spread{Piece: 0.08, Mean: 0.04, Airflow: 0.15, DialC: 6, StartC: 2, HeatUp: 0.2, Wicks: 0.4, Browns: 0.25}
	all := v.Draw(Loads, 12)
	var mean, square Point
	thick := 0.0
	for _, l := range all {
		for k := ByAirflow; k < Dims; k++ {
			mean[k] += l.Thick[k] / Loads
			square[k] += l.Thick[k] * l.Thick[k] / Loads
			if l.Thick[k] != l.Thin[k] {
				t.Fatal("one load has two fryers")
			}
		}
		if l.Thick[BySize] < l.Thin[BySize] {
			t.Fatalf("the thickest piece is thinner than the thinnest: %v", l)
		}
		thick += l.Thick[BySize] * v.Size() / 2 / Loads
	}
	for k := ByAirflow; k < Dims; k++ {
		if math.Abs(mean[k]) > 0.05 || math.Abs(square[k]-1) > 0.06 {
			t.Errorf("figure %d has mean %.3f and variance %.3f", k, mean[k], square[k])
		}
	}
	// The expected largest of twelve normals is 1.63 standard deviations.
	if d := thick - v.Piece/2*1.63; math.Abs(d) > 0.004 {
		t.Errorf("the thickest of twelve is %.3f over the mean", thick)
	}
	for _, l := range v.Draw(100, 1) {
		if l.Thick != l.Thin {
			t.Fatal("one piece has two sizes")
		}
	}
}

// Each run of a window gives way to who waits at a fryer.
func TestEachRunOfAWindowGivesWay(t *testing.T) {
	t.Parallel()
	var waited atomic.Int32
	ctx := run.Giving(t.Context(), func() { waited.Add(1) })
	l, err := load.Of(loadtest.DozenWings())
	if err != nil {
		t.Fatal(err)
	}
	each, _, err := Of(ctx, l)
	if err != nil {
		t.Fatal(err)
	}
	if n := int(waited.Swap(0)); n < each[0].Runs || n == 0 {
		t.Errorf("it waited %d times for %d runs", n, each[0].Runs)
	}
	if _, err := SafeTimes(ctx, l); err != nil {
		t.Fatal(err)
	}
	if waited.Load() < 2*(Dims-1) {
		t.Errorf("it waited %d times for when it is safe", waited.Load())
	}
}
