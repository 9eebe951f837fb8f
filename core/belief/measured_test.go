package belief

import (
	"math"
	"math/rand/v2"
	"strings"
	"testing"

	"velocrustum/core/fryer"
	"velocrustum/core/load"
)

// measured is a run of a fryer whose air is so far off its dial and that heats so much
// metal, by a thermometer that lags and is a little off.
func measured(t *testing.T, r *rand.Rand, offC, metal float64) MeasuredRun {
	t.Helper()
	m, err := load.MachineOf(load.Fryer{})
	if err != nil {
		t.Fatal(err)
	}
	s := m.Spec
	s.MetalJK = metal * fryer.Metal(s)
	s.DialOffsetC = offC
	air, err := fryer.Curve(s, 200, 12)
	if err != nil {
		t.Fatal(err)
	}
	lag, bias := 0.5+0.2*r.NormFloat64(), 1.5*r.NormFloat64()
	out := MeasuredRun{DialC: 200}
	for _, minute := range []float64{1, 2, 3, 4, 6, 8, 10} {
		i := max(0, int((minute-lag)/fryer.CurveStep))
		out.Readings = append(out.Readings, RunReading{minute, math.Round(air[i] + bias + 1.5*r.NormFloat64())})
	}
	return out
}

// A measured run tells the air over the dial within 2 to 3 °C, the time to heat up within
// a tenth, and nothing of fan and browning.
func TestAMeasuredRunTellsTheDial(t *testing.T) {
	t.Parallel()
	r := rand.New(rand.NewPCG(4, 4))
	off, late := 0.0, 0.0
	const all = 12
	for range all {
		dial, metal := -14+23*r.Float64(), 0.8+0.5*r.Float64()
		s, err := measured(t, r, dial, metal).Site(t.Context(), load.Fryer{})
		if err != nil {
			t.Fatal(err)
		}
		if s.Info[load.LearntAirflow][load.LearntAirflow] > 1e-6 || s.Info[load.LearntBrowning][load.LearntBrowning] > 1e-6 || s.Info[ByHand][ByHand] > 1e-6 {
			t.Fatalf("it says of fan, browning or hand: %v", s.Info)
		}
		// The two that it tells, solved.
		a, b, c := s.Info[load.LearntDial][load.LearntDial], s.Info[load.LearntDial][load.LearntHeatUp], s.Info[load.LearntHeatUp][load.LearntHeatUp]
		det := a*c - b*b
		d := (c*s.Pull[load.LearntDial] - b*s.Pull[load.LearntHeatUp]) / det
		h := (a*s.Pull[load.LearntHeatUp] - b*s.Pull[load.LearntDial]) / det
		off, late = off+math.Abs(d-dial)/all, late+math.Abs(h-math.Log(metal))/all
		if sd := math.Sqrt(c / det); sd < 1.5 || sd > 4 {
			t.Errorf("it says the dial within %.1f °C", sd)
		}
	}
	t.Logf("the dial within %.2f °C, the metal within %.3f", off, late)
	if off > 2.2 || late > 0.12 {
		t.Errorf("off by %.2f °C and %.3f on average", off, late)
	}
}

func TestAMeasuredRunThatCannotBe(t *testing.T) {
	t.Parallel()
	three := []RunReading{{1, 80}, {3, 150}, {8, 195}}
	for field, r := range map[string]MeasuredRun{
		"dialC":         {DialC: 400, Readings: three},
		"readings":      {DialC: 200, Readings: three[:2]},
		"readings[1].c": {DialC: 200, Readings: []RunReading{{1, 80}, {3, 900}, {8, 195}}},
		"drawer":        {DialC: 200, Readings: three, Drawer: load.Left},
		"first minute":  {DialC: 200, Potato: &FirstPotato, Readings: []RunReading{{0, 20}, {0.5, 20}, {6, 26}, {9, 35}}},
		"30 to 50 mm":   {DialC: 200, Potato: &Potato{ThicknessMm: 60, MassG: 130}, Readings: []RunReading{{6, 26}, {9, 35}, {12, 44}}},
		"readings[2].c": {DialC: 200, Potato: &FirstPotato, Readings: []RunReading{{6, 26}, {9, 35}, {12, 144}}},
	} {
		if _, err := r.Site(t.Context(), load.Fryer{}); err == nil || !strings.Contains(err.Error(), field) {
			t.Errorf("%s: %v", field, err)
		}
	}
}
