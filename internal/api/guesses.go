package api

import (
	"context"
	"sync"
	"time"
)

const (
	// guessEvery is the least time between two passphrases of one address that are
	// looked at, whether it waits for the answer or hangs up.
	guessEvery = 400 * time.Millisecond
	// mostQueued is how long one may have to wait; who would wait longer is sent away.
	mostQueued = 8 * time.Second
	// mostGuessers are remembered; beyond, those whose time is over are forgotten.
	mostGuessers = 1000
)

// guesser has each address's passphrases looked at one after another. A place is
// taken before one is looked at, so that hanging up saves nothing; it is given back
// for the right one.
type guesser struct {
	mu    sync.Mutex
	until map[string]time.Time
}

// turn waits until a passphrase of an address may be looked at; false where too many
// wait, or the other side has gone.
func (g *guesser) turn(ctx context.Context, from string) bool {
	g.mu.Lock()
	now := time.Now()
	if g.until == nil {
		g.until = map[string]time.Time{}
	}
	if len(g.until) > mostGuessers {
		for a, t := range g.until {
			if t.Before(now) {
				delete(g.until, a)
			}
		}
	}
	at := now
	if t := g.until[from]; t.After(now) {
		at = t
	}
	if at.Sub(now) > mostQueued {
		g.mu.Unlock()
		return false
	}
	g.until[from] = at.Add(guessEvery)
	g.mu.Unlock()
	if at == now {
		return true
	}
	timer := time.NewTimer(at.Sub(now))
	defer timer.Stop()
	select {
	case <-timer.C:
		return true
	case <-ctx.Done():
		return false
	}
}

// right gives the place of a right one back.
func (g *guesser) right(from string) {
	g.mu.Lock()
	defer g.mu.Unlock()
	if t, ok := g.until[from]; ok {
		g.until[from] = t.Add(-guessEvery)
	}
}
