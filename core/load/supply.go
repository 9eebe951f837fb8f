package load

import "math"

// SupplyStep is how finely it is known what a plug leaves to a heater, s.
const SupplyStep = 10.0

// A Supply is what a plug leaves to the heater of one of two drawers, W, every
// SupplyStep of its own clock, which is 0 when its food goes in.
type Supply struct {
	FromS float64 // of the first, a whole number of steps
	W     []float64
}

// At is what is left at a moment, s; all of it before and after, when the other
// drawer is off.
func (s *Supply) At(t float64) float64 {
	if k := int(math.Floor((t-s.FromS)/SupplyStep + 1e-9)); k >= 0 && k < len(s.W) {
		return s.W[k]
	}
	return math.Inf(1)
}

// LimitW is the most that the heater of a drawer draws at a moment, s. Where it
// is not known what the other does, it is taken to be on full.
func (l *Load) LimitW(t float64) float64 {
	if l.Supply == nil {
		return math.Min(l.ElementW, l.PlugW/2)
	}
	return math.Min(l.ElementW, l.Supply.At(t))
}

// On is the same load on what a plug leaves to it.
func (l *Load) On(s *Supply) *Load {
	out := *l
	out.Supply = s
	return &out
}
