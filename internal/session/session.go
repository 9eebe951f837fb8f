// Package session leads what is cooked: one dish in its baskets, or a supper.
//
// # Idea
//
// What is said of a cook or a supper is kept, once and in order (cook.go,
// evening.go); all else follows from it. A cook's forecast is made anew when
// what happened changes it, and kept until then (forecast.go); what a
// thermometer that is left in reads is part of what was seen (probe.go).
// Whoever watches is woken when something has happened (watch.go).
//
// One change of a session happens at a time: two devices may say the same thing
// at once. Nobody who cooks something else waits for it.
package session

import (
	"context"
	"errors"
	"sync"

	"velocrustum/core/cook"
	"velocrustum/internal/clock"
	"velocrustum/internal/household"
	"velocrustum/internal/store"
)

// Sessions are all that is cooked in a household. They are safe for use by
// several goroutines.
type Sessions struct {
	*household.Household
	Clock *clock.Clock

	watchers  watchers
	changing  locks // by session
	asking    locks // by cook
	forecasts forecasts
	current   current
	learning  sync.Mutex
	learntOf  string // what was learnt from last; under learning
	runs      runSites
	stirred   chan struct{}
}

// New returns those of a household, by a kitchen's clock.
func New(h *household.Household, c *clock.Clock) *Sessions {
	return &Sessions{Household: h, Clock: c, forecasts: forecasts{made: map[string]forecast{}, outlooks: map[string]*Outlook{}}, stirred: make(chan struct{}, 1)}
}

// Led returns a kept cook, and as the core leads it.
func (s *Sessions) Led(ctx context.Context, id string) (c store.Cook, l cook.Live, err error) {
	if c, err = s.Store.Cook(ctx, id); err == nil {
		l, err = s.Live(ctx, c)
	}
	return c, l, err
}

// busy says whether something is being cooked.
func (s *Sessions) busy(ctx context.Context) (bool, error) {
	cooks, err := s.Store.LiveCooks(ctx)
	if err != nil || len(cooks) > 0 {
		return len(cooks) > 0, err
	}
	_, err = s.Store.LiveEvening(ctx)
	if errors.Is(err, store.ErrNotFound) {
		return false, nil
	}
	return err == nil, err
}

// believeClock takes the computer's clock for right where nothing is cooked, so
// that a cook that begins counts from it.
func (s *Sessions) believeClock(ctx context.Context) error {
	busy, err := s.busy(ctx)
	if err == nil && !busy {
		s.Clock.Believe()
	}
	return err
}

// locks let one thing at a time happen to what has an id. The zero value is
// ready.
type locks struct {
	mu sync.Mutex
	of map[string]*lock
}

type lock struct {
	sync.Mutex
	wanted int
}

// hold waits for an id, and returns what lets it go.
func (l *locks) hold(id string) (letGo func()) {
	l.mu.Lock()
	if l.of == nil {
		l.of = map[string]*lock{}
	}
	one := l.of[id]
	if one == nil {
		one = &lock{}
		l.of[id] = one
	}
	one.wanted++
	l.mu.Unlock()
	one.Lock()
	return func() {
		one.Unlock()
		l.mu.Lock()
		defer l.mu.Unlock()
		if one.wanted--; one.wanted == 0 {
			delete(l.of, id)
		}
	}
}
