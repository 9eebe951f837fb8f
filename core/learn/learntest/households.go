// Package learntest has made-up households of which learning is not told what their
// fryer is.
package learntest

import (
	"math"
	"math/rand/v2"
	"testing"

	"velocrustum/core/belief"
	"velocrustum/core/ensemble"
	"velocrustum/core/fryer"
	"velocrustum/core/load"
	"velocrustum/core/run"
)

// A Household has a fryer of its own, and hands that cut a little thicker or thinner
// than they say.
type Household struct {
	Airflow, DialC, HeatUp, Browns float64
	// ThermometerC is by how much its thermometer reads too high.
	ThermometerC float64

	r *rand.Rand
}

// New is a household of fryers as far apart as are sold: airflow 0.7 to 1.35 of a
// middling one, air -14 to +9 °C over the dial, browning 0.75 to 1.3.
func New(r *rand.Rand) *Household {
	between := func(low, high float64) float64 { return low + (high-low)*r.Float64() }
	return &Household{Airflow: between(0.7, 1.35), DialC: between(-14, 9), HeatUp: between(0.85, 1.2), Browns: between(0.75, 1.3), r: r}
}

// Cuts are what it cooks, one after another.
func Cuts() []load.Request {
	one := func(cut string, pieces int, g float64, coat string, oil, air, minutes float64) load.Request {
		return load.Request{Load: load.Pieces{Cut: cut, Pieces: pieces, PieceMassG: g, Surface: "wiped"}, Coat: &load.Covering{ID: coat, OilG: oil},
			Program: load.Program{PreheatMin: 3, Stages: []load.Stage{{AirC: air, Minutes: minutes}}, Turns: []load.Turn{{AtMin: math.Round(minutes / 2), Kind: load.Flip}}}}
	}
	return []load.Request{
		one("chicken-drumstick", 6, 110, "oil-rub", 6, 190, 26),
		one("chicken-wing-flat", 10, 42, "starch-dust", 4, 195, 20),
		one("chicken-thigh-bone-in", 4, 160, "oil-rub", 6, 190, 28),
		one("fish-fillet-white", 4, 130, "three-bowl-crumb", 8, 195, 14),
		one("pork-loin-cutlet", 4, 140, "three-bowl-crumb", 8, 190, 16),
		one("chicken-thigh-boneless", 5, 110, "starch-dust", 6, 190, 18),
	}
}

// Measured is a load whose thickness was read off a ruler: as its kind has it.
func Measured(t testing.TB, q load.Request) load.Request {
	t.Helper()
	l, err := load.Of(q)
	if err != nil {
		t.Fatal(err)
	}
	q.Load.ThicknessMm = new(math.Round(10000*l.Only().Piece.Thickness) / 10)
	return q
}

// An Evening is one load as it truly went.
type Evening struct {
	Request            load.Request
	Safe, Crisp, Brown float64 // minutes; the stage of the face that is up at the look
	LookMin            float64
	Seen               []belief.Evidence
	Came               belief.Outcome
}

// Cook runs a load with this household's fryer, and reads it once by hand and looks
// once. Pieces are that much thicker than their kind's own differ; 1 is as usual.
func (h *Household) Cook(t testing.TB, q load.Request, thicker float64) Evening {
	t.Helper()
	l, err := load.Of(q)
	if err != nil {
		t.Fatal(err)
	}
	lot := l.Only()
	said, _, jitter := ensemble.FryerPrior(&l.Machine)
	v := ensemble.SpreadOf(&l.Machine, lot)
	norm := func(variance float64) float64 { return math.Sqrt(variance) * h.r.NormFloat64() }
	mean := thicker * (1 + v.Mean/2*h.r.NormFloat64())
	most := mean
	for range lot.All {
		most = math.Max(most, mean+v.Piece/2*h.r.NormFloat64())
	}
	vary := run.Variation{
		Sizes:   []float64{mean, most},
		Airflow: h.Airflow / math.Exp(said[load.LearntAirflow]) * math.Exp(norm(jitter[load.LearntAirflow])),
		DialC:   h.DialC - said[load.LearntDial] + norm(jitter[load.LearntDial]),
		StartC:  v.StartC / 2 * h.r.NormFloat64(), HeatUp: h.HeatUp * math.Exp(norm(jitter[load.LearntHeatUp])),
		Wicks: math.Exp(v.Wicks / 2 * h.r.NormFloat64()), Browns: h.Browns * math.Exp(norm(jitter[load.LearntBrowning])),
	}
	out := Evening{Request: q}
	on := l.CarriedOn(25)
	one, err := run.Start(on, vary, run.Coarse)
	if err != nil {
		t.Fatal(err)
	}
	read := math.Round(l.Minutes() * (0.45 + 0.2*h.r.Float64()))
	out.LookMin = math.Round(l.Minutes() * (0.6 + 0.2*h.r.Float64()))
	stage := 0.0
	one.Carry(func(minute float64) bool {
		lot := one.Only()
		if math.Abs(minute-read) < 0.01 {
			c := lot.CoreC() + 4*h.r.Float64() + h.r.NormFloat64() + h.ThermometerC
			out.Seen = append(out.Seen, belief.Evidence{AtMin: read, Kind: belief.SeenProbe, C: math.Round(10*c) / 10, Piece: "thickest"})
		}
		if math.Abs(minute-out.LookMin) < 0.01 {
			out.Brown = lot.UpBrown()
			shade := belief.ShadeOf(out.Brown + 0.3*h.r.NormFloat64() + 0.2*h.r.NormFloat64())
			out.Seen = append(out.Seen, belief.Evidence{AtMin: out.LookMin, Kind: belief.SeenLook, Shade: shade})
		}
		if math.Abs(minute-l.Minutes()) < 0.01 {
			stage = lot.UpBrown()
		}
		return true
	})
	times := one.Only().Times()
	out.Safe, out.Crisp = times.Safe, times.Crisp
	switch s := stage + 0.4*h.r.NormFloat64(); {
	case s < 0.75:
		out.Came.Crust = "pale"
	case s > 2.5:
		out.Came.Crust = "burnt"
	default:
		out.Came.Crust = "good"
	}
	return out
}

// Runs are its fryer measured empty and by half a potato, each once, read as a cook reads:
// behind, off by where the thermometer hangs or its tip lies, in whole degrees.
func (h *Household) Runs(t testing.TB, r *rand.Rand) []belief.MeasuredRun {
	t.Helper()
	const dial, startC = 200, 21.0
	norm := func(sd float64) float64 { return sd * r.NormFloat64() }
	m, err := load.MachineOf(load.Fryer{})
	if err != nil {
		t.Fatal(err)
	}
	spec := m.Spec
	spec.MetalJK, spec.DialOffsetC = h.HeatUp*math.Exp(norm(0.04))*fryer.Metal(spec), h.DialC+norm(1.5)
	air, err := fryer.Curve(spec, dial, 12)
	if err != nil {
		t.Fatal(err)
	}
	empty := belief.MeasuredRun{DialC: dial}
	lag, off := 0.5+norm(0.2), norm(1.5)
	for _, minute := range empty.AskedAt() {
		at := max(0, int((minute-lag)/fryer.CurveStep))
		empty.Readings = append(empty.Readings, belief.RunReading{Minute: minute, C: math.Round(air[at] + off + norm(1.5) + h.ThermometerC)})
	}
	potato := belief.MeasuredRun{DialC: dial, Potato: &belief.Potato{ThicknessMm: 40, MassG: 130}}
	l, err := load.Of(load.Request{Load: load.Pieces{Cut: "potato-half", Pieces: 1, PieceMassG: 130, ThicknessMm: &potato.Potato.ThicknessMm, StartC: new(startC)},
		Program: load.Program{Stages: []load.Stage{{AirC: dial, Minutes: 30}}}})
	if err != nil {
		t.Fatal(err)
	}
	one, err := run.Start(l, run.Variation{Sizes: []float64{1 + norm(0.02)}, Airflow: h.Airflow * math.Exp(norm(0.03)), DialC: h.DialC + norm(1.5),
		HeatUp: h.HeatUp * math.Exp(norm(0.04)), Wicks: math.Exp(norm(0.2)), Browns: 1}, run.Coarse)
	if err != nil {
		t.Fatal(err)
	}
	potato.Readings = []belief.RunReading{{C: startC + h.ThermometerC}}
	tip := 3 * r.Float64()
	one.Carry(func(minute float64) bool {
		for _, at := range potato.AskedAt()[1:] {
			if math.Abs(minute-at) < 0.01 {
				potato.Readings = append(potato.Readings, belief.RunReading{Minute: minute, C: math.Round(one.Only().CoreC() + tip + norm(0.4) + h.ThermometerC)})
			}
		}
		return true
	})
	return []belief.MeasuredRun{empty, potato}
}

// Fryer is what there is to know of it for good, as if told by somebody who could.
func (h *Household) Fryer(m *load.Machine) *load.Learnt {
	_, _, evening := ensemble.FryerPrior(m)
	out := &load.Learnt{Cooks: 1, Mean: [load.LearntFigures]float64{math.Log(h.Airflow), h.DialC, math.Log(h.HeatUp), math.Log(h.Browns)}}
	for k, v := range evening {
		out.Covariance[k][k] = v
	}
	return out
}
