package run

import (
	"math"

	"velocrustum/core/load"
)

// # Two drawers on one plug
//
// What one drawer draws is not there for the other. Both on full, each has half;
// what one leaves of its half, the other may take, as far as its element goes.
// Each is run in turn on what the other was found to draw, until both agree.

const (
	// agreeW is how nearly what is drawn has to repeat, W, and agreeRuns how
	// often it is tried.
	agreeW    = 1.0
	agreeRuns = 8
)

// A meter reads what a heater draws, the most in each load.SupplyStep, W, from
// a moment on, s.
type meter struct {
	fromS float64
	most  []float64
	sum   []float64 // J
}

func (m *meter) read(t, dt, w float64) {
	for at := t; at < t+dt-instant; {
		k := int(math.Floor((at-m.fromS)/load.SupplyStep + 1e-9))
		if k < 0 {
			return
		}
		for k >= len(m.most) {
			m.most, m.sum = append(m.most, 0), append(m.sum, 0)
		}
		next := min(t+dt, m.fromS+float64(k+1)*load.SupplyStep)
		m.most[k] = max(m.most[k], w)
		m.sum[k] += w * (next - at)
		at = next
	}
}

// at is the most that was drawn in a span of one step that begins at a moment, s.
func (m *meter) at(t float64) (w float64) {
	for _, edge := range [...]float64{t + instant, t + load.SupplyStep - instant} {
		if k := int(math.Floor((edge - m.fromS) / load.SupplyStep)); k >= 0 && k < len(m.most) {
			w = max(w, m.most[k])
		}
	}
	return w
}

// begins is when a load's fryer is turned on, s of its own clock, in whole steps.
func begins(l *load.Load) float64 {
	s := 0.0
	switch p := l.Program; {
	case p.HotFromC > 0:
		s = longUse
	case p.PreheatMin > 0:
		s = p.PreheatMin * 60
	}
	return -load.SupplyStep * math.Ceil((s+2*preheatStep+30)/load.SupplyStep)
}

// Drawn is what the heaters of two drawers draw on one clock, W, every
// load.SupplyStep from FromS on; 0 is when the first food goes in.
type Drawn struct {
	FromS float64
	W     [2][]float64
}

// OnOnePlug is two loads, each in a drawer of its own, on what one plug leaves to
// each, and what they draw. startS is when the food of each goes in, s on one
// clock. The error is that of Start.
func OnOnePlug(loads [2]*load.Load, startS [2]float64) (out [2]*load.Load, d Drawn, err error) {
	out = loads
	var drawn [2]*meter
	run := func(k int) (change float64, err error) {
		m := &meter{fromS: begins(out[k])}
		r, err := startRead(out[k], Nominal, Coarse, m)
		if err != nil {
			return 0, err
		}
		r.Carry(func(float64) bool { return true })
		if was := drawn[k]; was != nil {
			for i := range max(len(m.most), len(was.most)) {
				t := m.fromS + float64(i)*load.SupplyStep
				change = max(change, math.Abs(m.at(t)-was.at(t)))
			}
		} else {
			change = math.Inf(1)
		}
		drawn[k] = m
		return change, nil
	}
	leave := func(k int) {
		other, by := drawn[1-k], startS[k]-startS[1-k]
		s := &load.Supply{FromS: begins(loads[k])}
		end := (loads[k].Minutes() + loads[k].TailMin) * 60
		for t := s.FromS; t < end; t += load.SupplyStep {
			s.W = append(s.W, max(loads[k].PlugW/2, loads[k].PlugW-other.at(t+by)))
		}
		out[k] = loads[k].On(s)
	}
	for k := range loads {
		if _, err := run(k); err != nil {
			return out, d, err
		}
	}
	for range agreeRuns {
		worst := 0.0
		for k := range loads {
			leave(k)
			change, err := run(k)
			if err != nil {
				return out, d, err
			}
			worst = max(worst, change)
		}
		if worst < agreeW {
			break
		}
	}
	leave(0) // of what the second was found to draw last
	if _, err := run(0); err != nil {
		return out, d, err
	}
	d.FromS = min(begins(loads[0])+startS[0], begins(loads[1])+startS[1])
	for k := range loads {
		m := drawn[k]
		for i, j := range m.sum {
			at := int(math.Round((m.fromS + float64(i)*load.SupplyStep + startS[k] - d.FromS) / load.SupplyStep))
			for at >= len(d.W[k]) {
				d.W[k] = append(d.W[k], 0)
			}
			d.W[k][at] = j / load.SupplyStep
		}
	}
	for k := range d.W { // both to the end of the later
		for len(d.W[k]) < len(d.W[1-k]) {
			d.W[k] = append(d.W[k], 0)
		}
	}
	return out, d, nil
}
