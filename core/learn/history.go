package learn

import (
	"context"
	"fmt"
	"math"

	"velocrustum/core/belief"
	"velocrustum/core/fryer"
	"velocrustum/core/load"
	"velocrustum/core/refuse"
	"velocrustum/core/run"
)

// A Past is one cook as it was: what was asked, what was seen of it, how it came out.
type Past struct {
	Request load.Request
	Seen    []belief.Evidence
	Came    []belief.Outcome // by lot
	Days    float64          // ago
	Changed bool             // something of the fryer, before it
	LeftOut bool
}

// Sites works out what each cook says, on all cores. The error is refuse.Fields, those
// of a cook under its place in cooks, or the context's.
func Sites(ctx context.Context, past []Past) ([]Cook, error) {
	out := make([]Cook, len(past))
	return out, run.Each(len(past), func(i int) (err error) {
		p := &past[i]
		out[i] = Cook{Days: p.Days, Changed: p.Changed, LeftOut: p.LeftOut}
		if !p.LeftOut {
			out[i].Sites, err = belief.SitesOf(ctx, p.Request, p.Seen, p.Came)
		}
		return refuse.Under(fmt.Sprintf("cooks[%d].", i), err)
	})
}

// A Figure is a mean and its standard deviation.
type Figure [2]float64

// Fryer is what is known of a fryer's own figures.
type Fryer struct {
	DialOffsetC Figure `json:"dialOffsetC"`
	Airflow     Figure `json:"airflow"`
	Browning    Figure `json:"browning"`
	HeatUp      Figure `json:"heatUp"` // minutes from cold to 200 °C
}

// Fryer tells what is known of a machine in its own units.
func (k *Known) Fryer(m *load.Machine) Fryer {
	sd := func(i int) float64 { return math.Sqrt(math.Max(0, k.Lasting[i][i])) }
	of := func(i int) Figure { // of a logarithm
		mean := math.Exp(k.Mean[i])
		return Figure{mean, mean * sd(i)}
	}
	spec := m.InDrawer()
	metal := fryer.Metal(spec)
	takes := func(log float64) float64 {
		spec.MetalJK = metal * math.Exp(log)
		return fryer.Takes(spec)
	}
	at, up := k.Mean[load.LearntHeatUp], sd(load.LearntHeatUp)
	return Fryer{
		DialOffsetC: Figure{k.Mean[load.LearntDial], sd(load.LearntDial)}, Airflow: of(load.LearntAirflow), Browning: of(load.LearntBrowning),
		HeatUp: Figure{takes(at), (takes(at+up) - takes(at-up)) / 2},
	}
}

// Next is what is said of a cook before it.
type Next struct {
	SafeAtMin  *float64 `json:"safeAtMin"`
	SafeByMin  *float64 `json:"safeByMin"`
	CrispAtMin *float64 `json:"crispAtMin"`
}

// A Report is what cooks teach of a fryer, and what it changes for the next cook.
type Report struct {
	Fryer Fryer `json:"fryer"`
	// Odd are the cooks that are taken for odd ones, by their place from 0.
	Odd []int `json:"odd"`
	// ChangedBefore is the cook before which the fryer likelier changed than not.
	ChangedBefore *int         `json:"changedBefore,omitempty"`
	Next          *Next        `json:"next,omitempty"`
	Before        *Next        `json:"before,omitempty"` // the same without what was learnt
	Learnt        *load.Learnt `json:"learnt,omitempty"` // as a request's fryer takes it
}

// Tell works out what cooks teach of a fryer, and what is said of the next one with
// that and without; next may be nil. The error is refuse.Fields, or the context's.
func Tell(ctx context.Context, f load.Fryer, past []Past, next *load.Request) (out Report, err error) {
	m, err := load.MachineOf(f)
	if err != nil {
		return out, err
	}
	cooks, err := Sites(ctx, past)
	if err != nil {
		return out, err
	}
	out.Odd = []int{}
	known, ok := From(&m, cooks)
	if !ok { // what was said of it is what is known
		said := Said(&m)
		out.Fryer = said.Fryer(&m)
	} else {
		out.Fryer, out.Learnt = known.Fryer(&m), &known.Learnt
		for i := range cooks {
			if known.Odd(i) {
				out.Odd = append(out.Odd, i)
			}
		}
		if known.Since > 0 {
			out.ChangedBefore = &known.Since
		}
	}
	if next == nil {
		return out, nil
	}
	if out.Before, err = foretold(ctx, *next, nil); err != nil {
		return out, refuse.Under("next.request.", err)
	}
	out.Next, err = foretold(ctx, *next, out.Learnt)
	return out, err
}

// foretold is what is said of a cook by what was learnt.
func foretold(ctx context.Context, q load.Request, l *load.Learnt) (*Next, error) {
	f := load.Fryer{}
	if q.Fryer != nil {
		f = *q.Fryer
	}
	f.Learnt = l
	q.Fryer = &f
	all, err := belief.Replay(ctx, q, nil)
	if err != nil {
		return nil, err
	}
	return &Next{all[0].SafeAtMin, all[0].SafeByMin, all[0].CrispAtMin}, nil
}
