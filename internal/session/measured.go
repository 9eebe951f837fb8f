package session

import (
	"context"
	"encoding/json"
	"errors"
	"sync"

	"velocrustum/core/belief"
	"velocrustum/core/refuse"
	"velocrustum/internal/store"
	"velocrustum/internal/work"
)

// runSites are what measured runs say of their fryers, by fryer and run: one with a
// potato takes a while.
type runSites struct {
	mu sync.Mutex
	of map[string]belief.Site
}

// mostRunSites is how many are kept in mind.
const mostRunSites = 200

// siteOf is what a run of a fryer says, by a thermometer that reads offC too much.
func (s *Sessions) siteOf(ctx context.Context, f store.OwnFryer, r belief.MeasuredRun, offC float64) (belief.Site, error) {
	told := f.Told().Fryer
	told.AboveSeaM = f.AboveSeaM // water boils there sooner
	key, err := json.Marshal([]any{told, r, offC})
	if err != nil {
		return belief.Site{}, err
	}
	s.runs.mu.Lock()
	site, ok := s.runs.of[string(key)]
	s.runs.mu.Unlock()
	if ok {
		return site, nil
	}
	right := r
	right.Readings = make([]belief.RunReading, len(r.Readings))
	for i, a := range r.Readings {
		right.Readings[i] = belief.RunReading{Minute: a.Minute, C: max(0, a.C-offC)}
	}
	if site, err = right.Site(s.Places.GivingWay(ctx, work.LearningWaits), told); err != nil {
		return site, err
	}
	s.runs.mu.Lock()
	defer s.runs.mu.Unlock()
	if s.runs.of == nil || len(s.runs.of) >= mostRunSites {
		s.runs.of = map[string]belief.Site{}
	}
	s.runs.of[string(key)] = site
	return site, nil
}

// measured are the measured runs of a fryer, as what they teach; one that its figures
// allow no more teaches nothing.
func (s *Sessions) measured(ctx context.Context, f store.OwnFryer) (out []store.Teaching, err error) {
	if len(f.Measured) == 0 {
		return nil, nil
	}
	set, err := s.Store.Settings(ctx)
	if err != nil {
		return nil, err
	}
	for i, r := range f.Measured {
		site, err := s.siteOf(ctx, f, r.MeasuredRun, set.ThermometerC)
		var fields refuse.Fields
		switch {
		case errors.As(err, &fields), errors.Is(err, belief.ErrSaysNothing):
			continue
		case err != nil:
			return nil, err
		}
		out = append(out, store.Teaching{Run: i + 1, Potato: r.Potato != nil, FryerID: f.ID, Drawer: r.Drawer, StartedAt: r.At, LeftOut: r.LeftOut, Sites: &store.JSON[[]belief.Site]{V: []belief.Site{site}}})
	}
	return out, nil
}
