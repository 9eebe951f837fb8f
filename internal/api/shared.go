package api

import (
	"context"
	"encoding/json"
	"sync"
	"time"
)

// freshFor is how long figures serve those who listen: less than a look apart.
const freshFor = look / 2

// sharedFigures are what goes on, worked out and written once for all who listen.
type sharedFigures struct {
	mu   sync.Mutex
	seq  int64
	at   time.Time
	mark string
	raw  json.RawMessage
}

// of returns the figures that know of all that was said up to a number. Whoever asks
// first works them out, and the others wait for that.
func (f *sharedFigures) of(ctx context.Context, s *Server, seq int64) (mark string, raw json.RawMessage, err error) {
	f.mu.Lock()
	defer f.mu.Unlock()
	if f.raw != nil && f.seq >= seq && time.Since(f.at) < freshFor {
		return f.mark, f.raw, nil
	}
	// What was said meanwhile may be in it or not: only what was asked for is promised.
	now, err := s.goingOn(context.WithoutCancel(ctx), "")
	if err != nil {
		return "", nil, err
	}
	of := figures{Now: now.Now, ClockOffMin: now.ClockOffMin, Mark: now.Mark, Evening: now.Evening}
	if c := now.Cook; c != nil {
		of.CookID, of.Step, of.Foreseen = c.Id, &c.Step, c.Foreseen
	}
	if raw, err = json.Marshal(of); err != nil {
		return "", nil, err
	}
	f.seq, f.at, f.mark, f.raw = seq, time.Now(), now.Mark, raw
	return f.mark, f.raw, nil
}
