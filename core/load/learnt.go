package load

import (
	"fmt"
	"math"

	"velocrustum/core/fryer"
)

// What cooks teach of a fryer, by its place in Learnt.
const (
	LearntAirflow  = iota // its logarithm; 0 is middling
	LearntDial            // air over dial, °C
	LearntHeatUp          // logarithm of the metal that it heats, beside what was said or goes with its kind
	LearntBrowning        // logarithm of how readily food browns in it
	LearntFigures
)

// Learnt is what cooks have shown of a fryer, in the place of what was said of it:
// the means of its figures, and how far they and an evening's own differ from
// that.
type Learnt struct {
	Cooks      int                                   `json:"cooks"`
	Mean       [LearntFigures]float64                `json:"mean"`
	Covariance [LearntFigures][LearntFigures]float64 `json:"covariance"`
	// Hands is how thick pieces of a cut are beside what is said of them here, by
	// the cut's id.
	Hands map[string]Hand `json:"hands,omitempty"`
	// Back is how much more readily food browns at the back of the basket than at its
	// front, a logarithm; nil where nobody looked at either.
	Back *Hand `json:"back,omitempty"`
}

// Where in a basket something was seen.
const AtFront, AtBack = "front", "back"

// unevenFrom is by how much more readily it browns at one end that is worth a word, and
// unevenSd how many deviations that is to be: by chance it is so one time in twenty.
const unevenFrom, unevenSd = 0.12, 1.96

// Quicker is the end of the basket where food browns quicker, AtFront or AtBack; "" where
// neither is known to.
func (l *Learnt) Quicker() string {
	switch {
	case l == nil || l.Back == nil || math.Abs(l.Back.Mean) < math.Max(unevenFrom, unevenSd*l.Back.Sd):
		return ""
	case l.Back.Mean > 0:
		return AtBack
	}
	return AtFront
}

// A Hand is the logarithm of how thick pieces are beside what is said of them, and
// its standard deviation.
type Hand struct {
	Mean float64 `json:"mean"`
	Sd   float64 `json:"sd"`
}

// Root is the lower triangle whose product with its transpose is the covariance.
// ok is false where that is none.
func (l *Learnt) Root() (root [LearntFigures][LearntFigures]float64, ok bool) {
	for i := range LearntFigures {
		for j := range i + 1 {
			sum := l.Covariance[i][j]
			for k := range j {
				sum -= root[i][k] * root[j][k]
			}
			switch {
			case i != j:
				root[i][j] = sum / root[j][j]
			case sum <= 0:
				return root, false
			default:
				root[i][i] = math.Sqrt(sum)
			}
		}
	}
	return root, true
}

// learntWithin are the limits of what a fryer may be learnt to be; beyond them is
// none.
var learntWithin = [LearntFigures]struct {
	name string
	most float64
}{{"airflow", 1.2}, {"dial", 40}, {"heatUp", 1.5}, {"browning", 1.5}}

// learnt puts what cooks have shown in the place of what was said.
func (c *checker) learnt(m *Machine, l *Learnt) {
	if l == nil {
		return
	}
	for i, of := range learntWithin {
		c.Within("fryer.learnt.mean."+of.name, l.Mean[i], -of.most, of.most, "as far as fryers differ")
	}
	if _, ok := l.Root(); !ok {
		c.Add("fryer.learnt.covariance", fmt.Sprint(l.Covariance), "a covariance, each figure's own over nothing")
	}
	for id, h := range l.Hands {
		c.Within("fryer.learnt.hands."+id+".mean", h.Mean, -0.7, 0.7, "as far as pieces differ")
		c.Within("fryer.learnt.hands."+id+".sd", h.Sd, 0, 0.5, "as far as pieces differ")
	}
	if l.Back != nil {
		c.Within("fryer.learnt.back.mean", l.Back.Mean, -1.5, 1.5, "as far as baskets differ")
		c.Within("fryer.learnt.back.sd", l.Back.Sd, 0, 1, "as far as baskets differ")
	}
	if len(c.Fields) > 0 {
		return
	}
	m.Learnt = l
	m.Spec.Airflow = math.Exp(l.Mean[LearntAirflow])
	m.Spec.DialOffsetC = l.Mean[LearntDial]
	if m.ChangesOver = l.Quicker() != ""; l.Back != nil {
		m.Ends = l.Back.Mean
	}
}

// weigh sets the metal that a fryer heats.
func (m *Machine) weigh() {
	m.Spec.MetalJK = fryer.Metal(m.Spec)
	if m.Learnt != nil {
		m.Spec.MetalJK *= math.Exp(m.Learnt.Mean[LearntHeatUp])
	}
}

// Browns scales how readily food browns in it.
func (m *Machine) Browns() float64 {
	if m.Learnt == nil {
		return 1
	}
	return math.Exp(m.Learnt.Mean[LearntBrowning])
}

// hand is how thick pieces of a cut are beside what is said of them, where cooks
// have shown it.
func (m *Machine) hand(cut string) (Hand, bool) {
	if m.Learnt == nil {
		return Hand{}, false
	}
	h, ok := m.Learnt.Hands[cut]
	return h, ok
}
