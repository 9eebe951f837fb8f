package program

import (
	"fmt"
	"math"
	"slices"

	"velocrustum/core/fryer"
	"velocrustum/core/units"
)

// A Portrait is what a fryer's dial really gives, empty and from cold, how
// surely that is known, and what would make it surer.
type Portrait struct {
	DialC float64 `json:"dialC"`
	// HeatUpMin is the minutes to 200 °C that are taken, Timed whether its
	// owner timed them.
	HeatUpMin float64 `json:"heatUpMin"`
	Timed     bool    `json:"timed"`
	// SettlesC is the air that the dial ends up at.
	SettlesC float64 `json:"settlesC"`
	// Blows is how hard, beside most.
	Blows  string       `json:"blows"`
	Curve  []PortraitAt `json:"curve"`
	Wanted []Wanted     `json:"wanted"`
}

// PortraitAt is the air at one minute: of this fryer, with the spread that is
// left of it, and the spread over all of its kind.
type PortraitAt struct {
	Minute    float64 `json:"minute"`
	AirC      float64 `json:"airC"`
	LowC      float64 `json:"lowC"`
	HighC     float64 `json:"highC"`
	KindLowC  float64 `json:"kindLowC"`
	KindHighC float64 `json:"kindHighC"`
}

// Wanted is a figure that nobody has read off or measured, and how to.
type Wanted struct {
	Field string `json:"field"`
	Says  string `json:"says"`
}

// blows words an airflow beside a middling fryer's.
func blows(airflow float64) string {
	switch {
	case airflow < 0.8:
		return "a good deal less than most"
	case airflow < 0.95:
		return "a little less than most"
	case airflow <= 1.05:
		return "as most do"
	case airflow <= 1.2:
		return "a little harder than most"
	}
	return "a good deal harder than most"
}

// portraitFor is how long a portrait is, minutes.
const portraitFor = 12.0

// PortraitOf draws a fryer at a dial; 0 is 200 °C, or as hot as it goes. What
// is wanted is worded in a household's units. The
// error is refuse.Fields.
func PortraitOf(f Fryer, dialC float64, say units.Household) (Portrait, error) {
	var c checker
	k := kitchen{machine: c.machine(f)}
	spec, dial := k.spec, k.dial
	if dialC == 0 {
		dialC = math.Min(200, dial.MaxC)
	}
	c.Within("dialC", dialC, dial.MinC, dial.MaxC, "°C, as its dial goes")
	if len(c.Fields) > 0 {
		return Portrait{}, c.Fields
	}
	if k.drawers > 1 {
		spec = twin(spec)
	}
	if spec.HeatUpMin == 0 {
		spec.HeatUpMin = spec.Kind.HeatUp()
	}
	timed := k.timed
	own := k.spread()
	k.timed = false
	kind := k.spread()
	curve := func(heatUp, offset float64) ([]float64, error) {
		one := spec
		one.HeatUpMin *= heatUp
		one.DialOffsetC += offset
		return fryer.Curve(one, dialC, portraitFor)
	}
	// The kind's spread lies around the kind's own middle.
	middle := spec.Kind.HeatUp() / spec.HeatUpMin
	if k.drawers > 1 {
		middle *= twinSlower
	}
	var lines [5][]float64
	for i, at := range [5][2]float64{{1, 0}, {1 + own.heatUp, -own.dialC}, {1 / (1 + own.heatUp), own.dialC},
		{middle * (1 + kind.heatUp), -kind.dialC - spec.DialOffsetC}, {middle / (1 + kind.heatUp), kind.dialC - spec.DialOffsetC}} {
		var err error
		if lines[i], err = curve(at[0], at[1]); err != nil {
			return Portrait{}, err
		}
	}
	p := Portrait{DialC: dialC, HeatUpMin: spec.HeatUpMin, Timed: timed, SettlesC: dialC + spec.DialOffsetC, Blows: blows(k.spec.Airflow), Wanted: []Wanted{}}
	for i := range lines[0] {
		p.Curve = append(p.Curve, PortraitAt{float64(i) * fryer.CurveStep, lines[0][i], lines[1][i], lines[2][i], lines[3][i], lines[4][i]})
	}
	for _, w := range []struct {
		field, says string
		known       bool
	}{
		{"heatUpMin", fmt.Sprintf("Time it: empty and cold, dial at %s, until a thermometer in the basket reads that. A cold start and the time to preheat hang on it.", say.Degrees(200)), p.Timed},
		{"basket", "Measure the basket inside with a ruler: what fits and what crowds hangs on it.", !slices.Contains(f.Inferred, "basket")},
		{"powerW", "Read the watts off the label underneath: a weak heater sags under a full basket.", !slices.Contains(f.Inferred, "powerW")},
		{"dial", "Look at the dial: where it starts, where it ends, and by how much it steps.", !slices.Contains(f.Inferred, "dial")},
		{"airflow", "How hard it blows is on no label. Probe a few cooks: if they are ready early it blows harder than most.", !slices.Contains(f.Inferred, "airflow")},
	} {
		if !w.known {
			p.Wanted = append(p.Wanted, Wanted{w.field, w.says})
		}
	}
	return p, nil
}
