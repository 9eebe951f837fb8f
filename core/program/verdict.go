package program

import (
	"fmt"
	"math"
)

// Verdict is the answer in a line: when it is ready, and what to do first.
type Verdict struct {
	// FromMin and ToMin are the window to aim for: from when 95 loads in
	// 100 are safe and half are crisp, until one in ten is overdone. Nil
	// where there is none, or no end to it in what was simulated.
	FromMin *float64 `json:"fromMin"`
	ToMin   *float64 `json:"toMin"`
	// Ready says whether there is a window within the program.
	Ready bool   `json:"ready"`
	Says  string `json:"says"`
	First string `json:"first"`
}

// verdict reads an answer. Without chances it goes by the nominal load.
func (s *setup) verdict(a *Answer) Verdict {
	safe, from, to := a.SafeAtMin, a.Window.FromMin, a.Window.ToMin
	first := safe
	if c := a.Chance; c != nil {
		safe, first, to = c.SafeByMin, c.LookFirstMin, c.BestUntilMin
		from = nil
		if c.SafeByMin != nil && c.HalfReadyMin != nil {
			v := math.Max(*c.SafeByMin, *c.HalfReadyMin)
			from = &v
		}
	}
	v := Verdict{FromMin: from, ToMin: to}
	if from != nil && to != nil && *to < *from {
		v.ToMin = nil
	}
	within := func(m *float64) bool { return m != nil && *m <= s.minutes+0.01 }
	v.Ready = within(from) && (to == nil || *to >= *from)
	switch {
	case !within(safe) && safe == nil:
		v.Says = "Not safe inside within this program."
	case !within(safe):
		v.Says = fmt.Sprintf("Not surely safe before minute %.0f, after this program ends.", math.Ceil(*safe))
	case from == nil:
		v.Says = "Safe in time, but the crust does not get there."
	case to != nil && *to < *from:
		v.Says = map[string]string{"dry": "It dries out before it is crisp.", "bitter": "Its sugar turns bitter before it is safe and crisp.", "burnt": "It burns before it is safe and crisp.", "brown": "It goes past gold before it is safe and crisp."}[a.Window.Bound]
		if v.Says == "" {
			v.Says = "Some pieces are overdone before all are ready."
		}
	case !within(from):
		v.Says = fmt.Sprintf("Safe in time, but crisp only at minute %.0f, after this program ends.", math.Ceil(*from))
	default:
		v.Says = "Crisp and safe together."
	}
	if first != nil {
		v.First = fmt.Sprintf("Probe one at %.0f.", math.Max(1, math.Floor(*first)))
		if from != nil && math.Round(*from) > math.Floor(*first) {
			v.First = fmt.Sprintf("Probe one at %.0f, look at %.0f.", math.Max(1, math.Floor(*first)), math.Round(*from))
		}
	}
	return v
}
