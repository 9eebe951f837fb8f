package ensemble

import (
	"math"
	"slices"

	"velocrustum/core/fryer"
	"velocrustum/core/load"
	"velocrustum/core/refuse"
	"velocrustum/core/units"
)

// A Portrait is what a fryer's dial really gives, empty and from cold, how
// surely that is known, and what would make it surer.
type Portrait struct {
	DialC float64 `json:"dialC"`
	// HeatUpMin is the minutes to 200 °C by what was said of it, Timed whether its
	// owner timed them. The curve has what cooks have shown as well.
	HeatUpMin float64 `json:"heatUpMin"`
	Timed     bool    `json:"timed"`
	// SettlesC is the air that the dial ends up at.
	SettlesC float64 `json:"settlesC"`
	// Blows is how hard, beside most, as it was said.
	Blows  string       `json:"blows"`
	Curve  []PortraitAt `json:"curve"`
	Wanted []Wanted     `json:"wanted"`
	// Alone is the air of one of two drawers while the other is off, at the
	// minutes of Curve, which has both on at once.
	Alone []float64 `json:"alone,omitempty"`
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

// portraitFor is how long a portrait is, minutes.
const portraitFor = 12.0

// PortraitOf draws a fryer at a dial; 0 is 200 °C, or as hot as it goes. What
// is wanted is worded in a household's units. The error is refuse.Fields.
func PortraitOf(f load.Fryer, dialC float64, say units.Household) (Portrait, error) {
	var c refuse.Check
	m, err := load.MachineOf(f)
	c.Part("", err)
	if dialC == 0 {
		dialC = math.Min(200, m.Dial.MaxC)
	}
	c.Within("dialC", dialC, m.Dial.MinC, m.Dial.MaxC, "°C, as its dial goes")
	if err := c.Err(); err != nil {
		return Portrait{}, err
	}
	spec := m.InDrawer()
	if spec.HeatUpMin == 0 {
		spec.HeatUpMin = spec.Kind.HeatUp()
	}
	said := spec.HeatUpMin
	if m.Learnt != nil {
		metal := spec
		metal.MetalJK = fryer.Metal(spec) * math.Exp(m.Learnt.Mean[load.LearntHeatUp])
		spec.HeatUpMin = fryer.Takes(metal)
	}
	own := machineSpread(&m)
	stranger := m
	stranger.Timed, stranger.Learnt = false, nil
	kind := machineSpread(&stranger)
	// The kind's spread lies around the kind's own middle.
	middle := spec.Kind.HeatUp() / spec.HeatUpMin
	if m.Drawers > 1 {
		middle *= load.TwinSlower
	}
	var lines [5][]float64
	for i, at := range [5]struct{ heatUp, offsetC float64 }{{1, 0}, {1 + own.HeatUp, -own.DialC}, {1 / (1 + own.HeatUp), own.DialC},
		{middle * (1 + kind.HeatUp), -kind.DialC - spec.DialOffsetC}, {middle / (1 + kind.HeatUp), kind.DialC - spec.DialOffsetC}} {
		one := spec
		one.HeatUpMin *= at.heatUp
		one.DialOffsetC += at.offsetC
		if lines[i], err = fryer.Curve(one, dialC, portraitFor); err != nil {
			return Portrait{}, err
		}
	}
	p := Portrait{DialC: dialC, HeatUpMin: said, Timed: m.Timed, SettlesC: dialC + spec.DialOffsetC, Blows: Blows(*f.Whole().Airflow), Wanted: []Wanted{}}
	for i := range lines[0] {
		p.Curve = append(p.Curve, PortraitAt{float64(i) * fryer.CurveStep, lines[0][i], lines[1][i], lines[2][i], lines[3][i], lines[4][i]})
	}
	if m.Drawers > 1 {
		if p.Alone, err = fryer.CurveOn(spec, m.ElementW, dialC, portraitFor); err != nil {
			return Portrait{}, err
		}
	}
	for _, field := range []string{"heatUpMin", "basket", "powerW", "dial", "airflow"} {
		known := !slices.Contains(f.Inferred, field)
		if field == "heatUpMin" {
			known = m.Timed
		}
		if !known {
			p.Wanted = append(p.Wanted, Wanted{field, howToKnow(field, say)})
		}
	}
	return p, nil
}
