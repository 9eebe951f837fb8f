package belief

import (
	"math"
	"math/rand/v2"
	"testing"

	"gonum.org/v1/gonum/mat"

	"velocrustum/core/load"
	"velocrustum/core/run"
)

// inPotato is a run of half a potato in a fryer of such an airflow, so far off its dial:
// a slip of the ruler, a tip that is not in the middle, a larder of its own.
func inPotato(t *testing.T, r *rand.Rand, airflow, offC float64) MeasuredRun {
	t.Helper()
	out := MeasuredRun{DialC: 200, Potato: &Potato{ThicknessMm: 40, MassG: 130}}
	start := 19 + 4*r.Float64()
	l, err := load.Of(load.Request{Load: load.Pieces{Cut: potatoCut, Pieces: 1, PieceMassG: 130, ThicknessMm: &out.Potato.ThicknessMm, StartC: &start},
		Program: load.Program{Stages: []load.Stage{{AirC: 200, Minutes: 35}}}})
	if err != nil {
		t.Fatal(err)
	}
	one, err := run.Start(l, run.Variation{
		Sizes: []float64{1 + 0.02*r.NormFloat64()}, Airflow: airflow * math.Exp(0.03*r.NormFloat64()), DialC: offC + 1.5*r.NormFloat64(),
		HeatUp: math.Exp(0.1 * r.NormFloat64()), Wicks: math.Exp(0.2 * r.NormFloat64()), Browns: 1,
	}, run.Coarse)
	if err != nil {
		t.Fatal(err)
	}
	tip := 3 * r.Float64()
	one.Carry(func(minute float64) bool {
		for _, at := range potatoAskedAt[1:] {
			if math.Abs(minute-at) < 0.01 {
				out.Readings = append(out.Readings, RunReading{minute, math.Round(one.Only().CoreC() + tip + 0.4*r.NormFloat64())})
			}
		}
		return true
	})
	out.Readings = append(out.Readings, RunReading{0.1, math.Round(start + 0.3*r.NormFloat64())})
	return out
}

// known is what a site leaves of a fryer's figures that were as far off as they are sold.
func known(t *testing.T, s *Site, sd [load.LearntFigures]float64) (mean, left [load.LearntFigures]float64) {
	t.Helper()
	info := mat.NewSymDense(load.LearntFigures, nil)
	for i := range load.LearntFigures {
		for j := i; j < load.LearntFigures; j++ {
			info.SetSym(i, j, s.Info[i][j])
		}
		info.SetSym(i, i, info.At(i, i)+1/(sd[i]*sd[i]))
	}
	var c mat.Cholesky
	var all mat.SymDense
	if !c.Factorize(info) || c.InverseTo(&all) != nil {
		t.Fatal("it makes no belief")
	}
	for i := range load.LearntFigures {
		left[i] = math.Sqrt(all.At(i, i))
		for j := range load.LearntFigures {
			mean[i] += all.At(i, j) * s.Pull[j]
		}
	}
	return mean, left
}

// Half a potato tells of the fan what the empty basket cannot, and says no more of it than
// it knows.
func TestHalfAPotatoTellsTheFan(t *testing.T) {
	t.Parallel()
	r := rand.New(rand.NewPCG(4, 4))
	sd := [load.LearntFigures]float64{load.LearntAirflow: 0.16, load.LearntDial: 5.5, load.LearntHeatUp: 0.2, load.LearntBrowning: 0.16}
	const all = 30
	off, before, fits := 0.0, 0.0, 0.0
	left := [load.LearntFigures]float64{}
	for range all {
		fan, dial := sd[load.LearntAirflow]*r.NormFloat64(), sd[load.LearntDial]*r.NormFloat64()
		s, err := inPotato(t, r, math.Exp(fan), dial).Site(t.Context(), load.Fryer{})
		if err != nil {
			t.Fatal(err)
		}
		if s.Info[load.LearntBrowning][load.LearntBrowning] > 1e-6 || s.Info[ByHand][ByHand] != 0 || s.Cut != "" {
			t.Fatalf("it says of browning, or of a hand: %v", s.Info)
		}
		var mean [load.LearntFigures]float64
		mean, left = known(t, &s, sd)
		d := mean[load.LearntAirflow] - fan
		off, before, fits = off+d*d/all, before+fan*fan/all, fits+d*d/(left[load.LearntAirflow]*left[load.LearntAirflow])/all
	}
	t.Logf("fan off by %.3f (%.3f before) where it says %.3f; dial left ±%.2f; squares %.2f", math.Sqrt(off), math.Sqrt(before), left[load.LearntAirflow], left[load.LearntDial], fits)
	if math.Sqrt(off) > 0.8*math.Sqrt(before) || left[load.LearntAirflow] > 0.75*sd[load.LearntAirflow] {
		t.Errorf("the fan is off by %.3f, and by %.3f before", math.Sqrt(off), math.Sqrt(before))
	}
	if fits < 0.4 || fits > 1.6 {
		t.Errorf("errors are %.2f of what it says", math.Sqrt(fits))
	}
}
