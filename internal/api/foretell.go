package api

import (
	"context"
	"encoding/json"
	"errors"
	"math"
	"sync"

	"velocrustum/core/cook"
	"velocrustum/core/program"
	"velocrustum/core/refuse"
	"velocrustum/internal/store"
)

// foretold is for which events a cook's forecast was made last, by its id.
type foretold struct {
	making sync.Mutex
	of     map[string]string
	seen   map[string]foreseen
}

// foreseen is what was foreseen of a cook, for which events; and what is
// believed of it as long as its program stays.
type foreseen struct {
	key, program string
	what         *program.Foreseen
	belief       *program.Belief
}

// shades are what a look is called, from pale to dark.
func shade(v float64) string {
	n := int(math.Max(0, math.Min(float64(len(program.Shades)-1), math.Round(v))))
	return program.Shades[n].Name
}

// foresee returns what is foreseen of a live cook by readings and looks; nil
// where there were none.
func (s *Server) foresee(ctx context.Context, c store.Cook, l cook.Live) (*program.Foreseen, error) {
	loaded, ok := l.LoadedAt()
	if !ok || c.FinishedAt != nil {
		s.making.Lock()
		delete(s.seen, c.ID)
		s.making.Unlock()
		return nil, nil
	}
	key, seen := "", []program.Evidence{}
	for _, e := range c.Events {
		key += e.ID + " "
		at := math.Max(0, math.Min(program.MaxMinutes, e.At.Sub(loaded).Minutes()))
		switch e.Kind {
		case cook.Probe:
			seen = append(seen, program.Evidence{AtMin: at, Kind: program.SeenProbe, C: e.Value, Piece: "thickest"})
		case cook.Look:
			seen = append(seen, program.Evidence{AtMin: at, Kind: program.SeenLook, Shade: shade(e.Value)})
		}
	}
	if len(seen) == 0 {
		return nil, nil
	}
	s.making.Lock()
	defer s.making.Unlock()
	got := s.seen[c.ID]
	if got.key == key {
		return got.what, nil
	}
	set, err := s.store.Settings(ctx)
	if err != nil {
		return nil, err
	}
	q := c.Request(set.Units())
	q.Program, q.Larder = l.Actual(), l.Larder
	now, err := json.Marshal([]any{q, set.Units()})
	if err != nil {
		return nil, err
	}
	if got.belief == nil || got.program != string(now) {
		var fields refuse.Fields
		got.program = string(now)
		if got.belief, err = program.Believe(ctx, q); errors.As(err, &fields) {
			// Out of what the runs reach: the plain forecast stands.
			s.seen[c.ID] = foreseen{key: key}
			return nil, nil
		} else if err != nil {
			return nil, err
		}
	}
	what, err := got.belief.Foresee(seen)
	if err != nil {
		return nil, err
	}
	got.key, got.what = key, &what
	s.seen[c.ID] = got
	return got.what, nil
}

// foretell returns a cook with the forecast of what has been said by now. One
// is made at a time, and answers all who said something meanwhile.
func (s *Server) foretell(ctx context.Context, id string) (store.Cook, error) {
	s.making.Lock()
	defer s.making.Unlock()
	c, l, err := s.led(ctx, id)
	if err != nil {
		return c, err
	}
	// Readings and looks leave the program as it is.
	key := ""
	for _, e := range c.Events {
		if e.Kind != cook.Probe && e.Kind != cook.Look {
			key += e.ID + " "
		}
	}
	if s.of[id] == key && key != "" {
		return c, nil
	}
	set, err := s.store.Settings(ctx)
	if err != nil {
		return c, err
	}
	q := c.Request(set.Units())
	q.Program, q.Larder = l.Actual(), l.Larder
	if c.Forecast.V, err = program.Simulate(ctx, q, program.Options{}); err != nil {
		return c, err
	}
	if err := s.store.Foretell(ctx, c); err != nil {
		return c, err
	}
	s.of[id] = key
	return c, nil
}
