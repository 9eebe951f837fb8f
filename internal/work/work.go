// Package work bounds what is worked on at once.
package work

import (
	"cmp"
	"context"
	"errors"
	"sync/atomic"
	"time"

	"velocrustum/core/run"
)

// ErrBusy is for work that finds no place in time.
var ErrBusy = errors.New("too much at once")

const (
	// places is how many searches and windows run at a time: each takes all
	// cores.
	places = 2
	// queue is how many wait for a place, and patience for how long.
	queue    = 24
	patience = 4 * time.Second
	// usualLongest is how long one may take before it is given up.
	usualLongest = 20 * time.Second
)

// How long each run of a search, or of what is learnt, waits at most while a live cook is
// foretold; looks is how often it looks whether that is over.
const (
	SearchWaits   = 20 * time.Millisecond
	LearningWaits = 2 * time.Second
	looks         = 5 * time.Millisecond
)

// Places are those at which searches and windows are worked on. A live cook's
// forecast does not wait here: it has a place of its own.
type Places struct {
	waiting, working chan struct{}
	longest          time.Duration
	answering        *atomic.Int32 // live cooks that are foretold just now
}

// NewPlaces returns free ones, where one may take so long before it is given up: 20 s
// where that is 0.
func NewPlaces(longest time.Duration) Places {
	return Places{waiting: make(chan struct{}, queue), working: make(chan struct{}, places), longest: cmp.Or(longest, usualLongest), answering: new(atomic.Int32)}
}

// Take waits for a place. It returns the context to work in and what gives the
// place back, or ErrBusy.
func (w Places) Take(ctx context.Context) (context.Context, func(), error) {
	select {
	case w.waiting <- struct{}{}:
	default:
		return ctx, nil, ErrBusy
	}
	defer func() { <-w.waiting }()
	timer := time.NewTimer(patience)
	defer timer.Stop()
	select {
	case w.working <- struct{}{}:
	case <-timer.C:
		return ctx, nil, ErrBusy
	case <-ctx.Done():
		return ctx, nil, ctx.Err()
	}
	ctx, cancel := context.WithTimeout(w.GivingWay(ctx, SearchWaits), w.longest)
	return ctx, func() { cancel(); <-w.working }, nil
}

// Answering says that a live cook is being foretold, until done is called: whoever waits
// at a fryer goes before all else.
func (w Places) Answering() (done func()) {
	w.answering.Add(1)
	return func() { w.answering.Add(-1) }
}

// GivingWay returns a context each of whose runs waits until no live cook is being
// foretold, but no longer than most.
func (w Places) GivingWay(ctx context.Context, most time.Duration) context.Context {
	return run.Giving(ctx, func() {
		for until := time.Now().Add(most); w.answering.Load() > 0 && ctx.Err() == nil && time.Now().Before(until); {
			time.Sleep(looks)
		}
	})
}
