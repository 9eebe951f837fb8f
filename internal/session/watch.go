package session

import "sync"

// watchers are woken when something has happened. The zero value is ready, and
// safe for use by several goroutines.
type watchers struct {
	mu      sync.Mutex
	woken   map[chan struct{}]struct{}
	ended   bool
	endings chan struct{}
}

// tell wakes all who watch: something has happened.
func (w *watchers) tell() {
	w.mu.Lock()
	defer w.mu.Unlock()
	for c := range w.woken {
		select {
		case c <- struct{}{}:
		default: // it has been woken already
		}
	}
}

// watch returns what is woken when something has happened, what is closed when
// there is no more, and what ends the watching.
func (w *watchers) watch() (woken, over <-chan struct{}, leave func()) {
	w.mu.Lock()
	defer w.mu.Unlock()
	if w.woken == nil {
		w.woken, w.endings = map[chan struct{}]struct{}{}, make(chan struct{})
		if w.ended {
			close(w.endings)
		}
	}
	c := make(chan struct{}, 1)
	w.woken[c] = struct{}{}
	return c, w.endings, func() {
		w.mu.Lock()
		defer w.mu.Unlock()
		delete(w.woken, c)
	}
}

// end tells all who watch that there is no more, as when the program stops.
func (w *watchers) end() {
	w.mu.Lock()
	defer w.mu.Unlock()
	if w.ended {
		return
	}
	w.ended = true
	if w.endings != nil {
		close(w.endings)
	}
}

// Watch returns what is woken when something has happened in a kitchen, what is
// closed when there is no more, and what ends the watching.
func (s *Sessions) Watch() (woken, over <-chan struct{}, leave func()) { return s.watchers.watch() }

// Tell wakes all who watch: something has happened.
func (s *Sessions) Tell() { s.watchers.tell() }

// End tells all who watch that there is no more, as when the program stops.
func (s *Sessions) End() { s.watchers.end() }
