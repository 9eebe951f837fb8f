package program

import (
	"context"
	"math"
	"slices"

	"velocrustum/core/refuse"
)

// Replay foresees a cook: first with nothing seen, then after each thing that
// was, in the order of their minutes. What is turned late is turned then. The
// error is refuse.Fields, or the context's.
func Replay(ctx context.Context, q Request, seen []Evidence) ([]Foreseen, error) {
	s, err := resolve(q)
	if err != nil {
		return nil, refuse.Under("request.", err)
	}
	if err := CheckEvidence(seen); err != nil {
		return nil, err
	}
	all := slices.Clone(seen)
	slices.SortStableFunc(all, func(a, b Evidence) int {
		switch {
		case a.AtMin < b.AtMin:
			return -1
		case a.AtMin > b.AtMin:
			return 1
		}
		return 0
	})
	first, err := plain(ctx, &s)
	if err != nil {
		return nil, err
	}
	out := []Foreseen{first}
	if len(all) == 0 {
		return out, nil
	}
	var b *Belief
	turned := 0
	for i, e := range all {
		if e.Kind == SeenTurn {
			if turned < len(s.program.Turns) {
				p := s.program
				p.Turns = slices.Clone(p.Turns)
				p.Turns[turned].AtMin = math.Min(e.AtMin, p.Minutes()-0.5)
				p.Turns = inOrder(p.Turns)
				s = *s.with(p)
				b = nil
			}
			turned++
		}
		if b == nil {
			if b, err = believe(ctx, &s); err != nil {
				return nil, err
			}
		}
		// What happens at one moment is weighed together, in any order.
		upTo := i + 1
		for upTo < len(all) && all[upTo].AtMin == e.AtMin {
			upTo++
		}
		f, _ := b.foresee(all[:upTo], e.AtMin)
		out = append(out, f)
	}
	return out, nil
}

// plain is the forecast with nothing seen: the window's own.
func plain(ctx context.Context, s *setup) (Foreseen, error) {
	on := *s
	on.tail = math.Min(math.Max(15, 0.7*s.minutes()), MaxMinutes-s.minutes())
	e, err := on.gather(ctx)
	if err != nil {
		return Foreseen{}, err
	}
	r, err := newRun(&on, nominal, standard)
	if err != nil {
		return Foreseen{}, err
	}
	f := Foreseen{CoreC: r.slowest().body.Coldest(), CoreSdC: fridgeSpreadC / 2}
	pick := func(v []float64, share float64) *float64 {
		v = slices.Clone(v)
		slices.Sort(v)
		return quantile(v, share)
	}
	f.SafeAtMin, f.SafeByMin = pick(e[0].safe, 0.5), pick(e[0].safe, surely)
	f.CrispAtMin, f.OverAtMin = pick(e[0].crisp, 0.5), pick(e[0].over, 0.5)
	(&Belief{s: s}).finish(&f, f.SafeByMin, nil)
	return f, nil
}
