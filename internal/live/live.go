// Package live wakes all who watch what is cooked when something has happened.
package live

import "sync"

// Told wakes watchers. The zero value is ready, and safe for use by several
// goroutines.
type Told struct {
	mu      sync.Mutex
	watch   map[chan struct{}]struct{}
	ended   bool
	endings chan struct{}
}

// Tell wakes all who watch: something has happened.
func (t *Told) Tell() {
	t.mu.Lock()
	defer t.mu.Unlock()
	for c := range t.watch {
		select {
		case c <- struct{}{}:
		default: // it has been woken already
		}
	}
}

// Watch returns what is woken when something has happened, what is closed when
// there is no more, and what ends the watching.
func (t *Told) Watch() (woken, over <-chan struct{}, leave func()) {
	t.mu.Lock()
	defer t.mu.Unlock()
	if t.watch == nil {
		t.watch, t.endings = map[chan struct{}]struct{}{}, make(chan struct{})
		if t.ended {
			close(t.endings)
		}
	}
	c := make(chan struct{}, 1)
	t.watch[c] = struct{}{}
	return c, t.endings, func() {
		t.mu.Lock()
		defer t.mu.Unlock()
		delete(t.watch, c)
	}
}

// End tells all who watch that there is no more, as when the program stops.
func (t *Told) End() {
	t.mu.Lock()
	defer t.mu.Unlock()
	if t.ended {
		return
	}
	t.ended = true
	if t.endings != nil {
		close(t.endings)
	}
}
