package belief

import (
	"context"
	"fmt"
	"math"
	"slices"

	"velocrustum/core/ensemble"
	"velocrustum/core/fryer"
	"velocrustum/core/load"
	"velocrustum/core/refuse"
)

// A MeasuredRun is a fryer heated from cold, with a thermometer in its empty basket, or in
// the middle of half a potato that lies there alone.
type MeasuredRun struct {
	DialC    float64      `json:"dialC"`
	Readings []RunReading `json:"readings"`
	// Potato is what the thermometer is in; nil where the basket is empty.
	Potato *Potato `json:"potato,omitempty"`
	// Drawer is one of two that was measured by itself; "" for the whole.
	Drawer string `json:"drawer,omitempty"`
}

// A RunReading is what its thermometer read, minutes after it was turned on.
type RunReading struct {
	Minute float64 `json:"minute"`
	C      float64 `json:"c"`
}

// A run is of so many readings at least that say something.
const leastReadings = 3

// When a reading is asked for, minutes: of the air often while it heats, of a potato when
// its middle climbs.
var (
	airAskedAt    = []float64{1, 2, 3, 4, 6, 8, 10}
	potatoAskedAt = []float64{0, 6, 9, 12, 15, 18}
)

// AskedAt is when a reading is asked for, minutes.
func (r MeasuredRun) AskedAt() []float64 {
	if r.Potato != nil {
		return potatoAskedAt
	}
	return airAskedAt
}

// MostMin is until when a reading counts, minutes.
func (r MeasuredRun) MostMin() float64 {
	at := r.AskedAt()
	return 10 + at[len(at)-1]
}

// startMin is until when a potato's reading is of what it began with, minutes.
const startMin = 1.0

// tells is how many readings say something of the fryer.
func (r MeasuredRun) tells() (n int) {
	for _, a := range r.Readings {
		if r.Potato == nil || a.Minute >= startMin {
			n++
		}
	}
	return n
}

// Enough says whether a run can be learnt from.
func (r MeasuredRun) Enough() bool { return r.tells() >= leastReadings }

const (
	// A thermometer in the air of a basket: its own noise, what it is off by all along
	// for where it hangs and what shines on it, and how long it lags behind. Own
	// judgement, by the spread of such curves.
	airNoiseC, airBiasC   = 2.0, 2.0
	airLagMin, airLagSd   = 0.5, 0.25
	mostReadings          = 60
	ofBias, ofLag, airDim = ofPieces, ofPieces + 1, ofPieces + 2
)

// Check returns what is wrong with a run in a fryer as refuse.Fields, or nil.
func (r MeasuredRun) Check(f load.Fryer) error {
	if err := r.CheckSet(f); err != nil {
		return err
	}
	var c refuse.Check
	if n := len(r.Readings); n > mostReadings || !r.Enough() {
		allowed := fmt.Sprintf("%d to %d readings", leastReadings, mostReadings)
		if r.Potato != nil {
			allowed += fmt.Sprintf(", of which %d or more after the first minute", leastReadings)
		}
		c.Add("readings", fmt.Sprint(n), allowed)
	}
	for i, a := range r.Readings {
		c.Fields = append(c.Fields, r.check(fmt.Sprintf("readings[%d].", i), a)...)
	}
	return c.Err()
}

// CheckReading returns what is wrong with one reading as refuse.Fields, or nil.
func (r MeasuredRun) CheckReading(a RunReading) error {
	return (&refuse.Check{Fields: r.check("", a)}).Err()
}

func (r MeasuredRun) check(at string, a RunReading) refuse.Fields {
	var c refuse.Check
	c.Within(at+"minute", a.Minute, 0, r.MostMin(), "minutes after it was turned on")
	if r.Potato != nil {
		c.Within(at+"c", a.C, ProbeLimit.Min, ProbeLimit.Max, ProbeLimit.Unit)
	} else {
		c.Within(at+"c", a.C, 0, 300, "°C")
	}
	return c.Fields
}

// CheckSet is Check of how the fryer is set, before there is any reading.
func (r MeasuredRun) CheckSet(f load.Fryer) error {
	m, err := load.MachineOf(f)
	if err != nil {
		return err
	}
	var c refuse.Check
	c.Within("dialC", r.DialC, m.Dial.MinC, m.Dial.MaxC, "°C, as its dial goes")
	switch {
	case f.Drawers == 2:
		c.Among("drawer", r.Drawer, "", load.Left, load.Right)
	case r.Drawer != "":
		c.Add("drawer", r.Drawer, "nothing where there is one drawer")
	}
	if p := r.Potato; p != nil {
		p.check(&c)
	}
	return c.Err()
}

// Site is what a run says of its fryer; of browning none says anything. The error is
// refuse.Fields, or the context's.
func (r MeasuredRun) Site(ctx context.Context, f load.Fryer) (s Site, err error) {
	if err := r.Check(f); err != nil {
		return s, err
	}
	if r.Drawer != "" {
		f = *f.In(r.Drawer)
	}
	f.Learnt = nil
	if r.Potato != nil {
		return r.siteByPotato(ctx, f)
	}
	return r.siteByAir(f)
}

// siteByAir is of the air over the dial and the time that it takes; of the fan it says
// nothing.
func (r MeasuredRun) siteByAir(f load.Fryer) (s Site, err error) {
	m, err := load.MachineOf(f)
	if err != nil {
		return s, err
	}
	spec := m.InDrawer()
	metal := fryer.Metal(spec)
	said, _, evening := ensemble.FryerPrior(&m)
	last := 0.0
	for _, a := range r.Readings {
		last = math.Max(last, a.Minute)
	}
	foretold := func(x []float64) (line []float64, err error) {
		one := spec
		one.DialOffsetC += x[load.LearntDial] + x[ofEvening+load.LearntDial]
		one.MetalJK = metal * math.Exp(x[load.LearntHeatUp]+x[ofEvening+load.LearntHeatUp])
		air, err := fryer.Curve(one, r.DialC, last+fryer.CurveStep)
		if err != nil {
			return nil, err
		}
		for _, a := range r.Readings {
			at := math.Max(0, math.Min((a.Minute-airLagMin-x[ofLag])/fryer.CurveStep, float64(len(air)-2)))
			i := int(at)
			line = append(line, air[i]+(at-float64(i))*(air[i+1]-air[i])+x[ofBias])
		}
		return line, nil
	}
	// How wide each is laid: a fryer as far off as they are sold, and the evening's own.
	sd := make([]float64, airDim)
	for k, wide := range [...]float64{load.LearntAirflow: 0.16, load.LearntDial: 5.5, load.LearntHeatUp: 0.2, load.LearntBrowning: 0.16} {
		sd[k], sd[ofEvening+k] = wide, math.Sqrt(evening[k])
	}
	sd[ByHand], sd[ByBack], sd[ofBias], sd[ofLag] = 0.05, BackSd, airBiasC, airLagSd
	prior := make([]float64, airDim)
	for k, v := range sd {
		prior[k] = 1 / (v * v)
	}
	n := len(r.Readings)
	x, slopes, rest := make([]float64, airDim), make([][]float64, n), make([]float64, n)
	is, precision := make([]float64, n), make([]float64, n)
	for i, a := range r.Readings {
		is[i], precision[i] = a.C, 1/(airNoiseC*airNoiseC)
	}
	for range siteRounds {
		at, err := foretold(x)
		if err != nil {
			return s, err
		}
		for i := range slopes {
			slopes[i], rest[i] = make([]float64, airDim), at[i]
		}
		for k, v := range sd {
			up, down := slices.Clone(x), slices.Clone(x)
			up[k], down[k] = x[k]+v/4, x[k]-v/4
			above, err := foretold(up)
			if err != nil {
				return s, err
			}
			below, err := foretold(down)
			if err != nil {
				return s, err
			}
			for i := range slopes {
				slopes[i][k] = (above[i] - below[i]) / (v / 2)
				rest[i] -= slopes[i][k] * x[k]
			}
		}
		_, by, err := solved(prior, slopes, rest, is, precision)
		if err != nil {
			return s, err
		}
		x = by
	}
	s, ok := apartFrom(prior, slopes, rest, is, precision, said)
	if !ok {
		return s, ErrSaysNothing
	}
	s.HandSd = sd[ByHand]
	return s, nil
}
