package belief

import (
	"cmp"
	"context"
	"math"
	"slices"

	"velocrustum/core/load"
	"velocrustum/core/refuse"
)

// A Potato is half of one, raw and unpeeled, its cut face down. What is in it is alike
// everywhere, and its thickness is read off a ruler: how fast its middle warms is the
// fryer's.
type Potato struct {
	ThicknessMm float64 `json:"thicknessMm"`
	MassG       float64 `json:"massG"`
}

// FirstPotato is the one that is asked for.
var FirstPotato = Potato{ThicknessMm: 40, MassG: 130}

// potatoCut is what a potato is among the cuts.
const potatoCut = "potato-half"

// PotatoLimits are those of its figures: a thinner one is done before it says much, and a
// thicker one has hardly begun; a lighter one cannot be as thick.
var PotatoLimits = refuse.Limits{
	"potato.thicknessMm": {Min: 30, Max: 50, Step: 1, Unit: "mm"},
	"potato.massG":       {Min: 80, Max: 300, Step: 5, Unit: "g"},
}

// check says what is wrong with it.
func (p *Potato) check(c *refuse.Check) {
	c.In(PotatoLimits, "potato.thicknessMm", p.ThicknessMm)
	c.In(PotatoLimits, "potato.massG", p.MassG)
}

// siteByPotato is of air, fan and the time to heat up, as far as one middle tells them
// apart. How thick potatoes are beside what a ruler says is no matter of any other cut, and
// is left out with what is of this evening.
func (r MeasuredRun) siteByPotato(ctx context.Context, f load.Fryer) (s Site, err error) {
	seen := make([]Evidence, 0, len(r.Readings))
	m, err := load.MachineOf(f)
	if err != nil {
		return s, err
	}
	last, startC := 0.0, m.Spec.RoomC
	for _, a := range slices.SortedFunc(slices.Values(r.Readings), func(a, b RunReading) int { return cmp.Compare(a.Minute, b.Minute) }) {
		if last = math.Max(last, a.Minute); a.Minute < startMin {
			startC = a.C // as the room has it, or the larder
			continue
		}
		seen = append(seen, Evidence{AtMin: a.Minute, Kind: SeenLeftIn, C: a.C})
	}
	q := load.Request{Fryer: &f, Load: load.Pieces{Cut: potatoCut, Pieces: 1, PieceMassG: r.Potato.MassG, ThicknessMm: &r.Potato.ThicknessMm, StartC: &startC, SpreadPct: new(0.0)},
		Program: load.Program{Stages: []load.Stage{{AirC: r.DialC, Minutes: math.Max(10, math.Ceil(last))}}}}
	sites, err := SitesOf(ctx, q, seen, nil)
	switch {
	case err != nil:
		return s, err
	case len(sites) == 0:
		return s, ErrSaysNothing
	}
	s = sites[0].withoutHand()
	s.silence(load.LearntBrowning) // how brown it is nobody looked at
	return s, nil
}

// silence takes out all that is said of one figure.
func (s *Site) silence(k int) {
	for i := range SiteDims {
		s.Info[i][k], s.Info[k][i] = 0, 0
	}
	s.Pull[k] = 0
}

// withoutHand is what it says of the fryer alone, whatever the hand is.
func (s Site) withoutHand() Site {
	p := s.Info[ByHand][ByHand] + 1/(s.HandSd*s.HandSd)
	out := s
	for i := range SiteDims {
		for j := range SiteDims {
			out.Info[i][j] -= s.Info[i][ByHand] * s.Info[ByHand][j] / p
		}
		out.Pull[i] -= s.Info[i][ByHand] * s.Pull[ByHand] / p
	}
	out.Cut = ""
	out.silence(ByHand)
	return out
}
