package program

import "math"

// # Loads of several kinds
//
// Kinds in one basket share its room and its air: one run leads, the others
// are beside it in the same fryer (run.beside), and all share the sampled
// runs of the window. Each has its own safe, crisp, over and its own out.

// GroupAnswer is what comes of one kind in a basket.
type GroupAnswer struct {
	Name   string `json:"name"`
	Cut    string `json:"cut"`
	Pieces int    `json:"pieces"`
	// OutMin is when it is taken out: as soon as it is safe and crisp; where
	// it is too much before, as late as it stands, and never before it is
	// safe; else with the last.
	OutMin float64 `json:"outMin"`
	Answer
}

// groupAnswer names an answer by its kind, and says when it is taken out.
func (s *setup) groupAnswer(a Answer) GroupAnswer {
	g := GroupAnswer{Name: s.name, Cut: s.cut.ID, Pieces: s.all, OutMin: s.minutes(), Answer: a}
	if g.Name == "" {
		if g.Name = s.cut.Plural; g.Pieces == 1 {
			g.Name = s.cut.Name
		}
	}
	safe := a.SafeAtMin
	if a.Chance != nil {
		safe = a.Chance.SafeByMin
	}
	switch from, to := a.Verdict.FromMin, a.Window.ToMin; {
	case from != nil && a.Verdict.Ready:
		g.OutMin = math.Min(s.minutes(), math.Ceil(*from))
	case safe != nil && to != nil:
		// It is too much before it is crisp: as late as it stands, but safe.
		g.OutMin = math.Min(s.minutes(), math.Max(math.Ceil(*safe), math.Floor(*to)))
	}
	return g
}
