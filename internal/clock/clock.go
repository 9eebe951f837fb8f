// Package clock tells the time of a kitchen: what the computer's clock says,
// but counted on by itself while a cook goes on. A clock that is set
// meanwhile is told of, not believed.
package clock

import (
	"sync"
	"time"
)

// Clock is safe for use by several goroutines.
type Clock struct {
	pace    float64
	wall    func() time.Time
	elapsed func() time.Duration
	mu      sync.Mutex
	at      time.Time     // the kitchen's time
	when    time.Duration // at this count
}

// New returns a clock that begins at what wall says, and counts on by
// elapsed, which no setting of a clock moves.
func New(wall func() time.Time, elapsed func() time.Duration) *Clock {
	return &Clock{pace: 1, wall: wall, elapsed: elapsed, at: wall().UTC().Round(0), when: elapsed()}
}

// System is the computer's own clock.
func System() *Clock { return New(time.Now, sinceBoot) }

// Faster is a clock that has run so many times as fast as the computer's since
// a moment, to try an evening out in minutes.
func Faster(pace float64, since time.Time) *Clock {
	begun, from := time.Now(), sinceBoot()
	quick := func(d time.Duration) time.Duration { return time.Duration(float64(d) * pace) }
	ran := func() time.Duration { return quick(begun.Sub(since) + sinceBoot() - from) }
	c := New(func() time.Time { return since.Add(ran()) }, ran)
	c.pace = pace
	return c
}

// Pace is how many times as fast as the computer's clock it runs: 1, but for
// one that is to try things out.
func (c *Clock) Pace() float64 { return c.pace }

// Now is the kitchen's time, in UTC.
func (c *Clock) Now() time.Time {
	c.mu.Lock()
	defer c.mu.Unlock()
	return c.now()
}

func (c *Clock) now() time.Time { return c.at.Add(c.elapsed() - c.when) }

// Believe takes the computer's clock for right: nothing is being timed.
func (c *Clock) Believe() {
	c.mu.Lock()
	defer c.mu.Unlock()
	c.at, c.when = c.wall().UTC().Round(0), c.elapsed()
}

// NotBefore moves the kitchen's time up to at, which was noted by it: the
// computer's clock was set back while the program was not running.
func (c *Clock) NotBefore(at time.Time) {
	c.mu.Lock()
	defer c.mu.Unlock()
	if c.now().Before(at) {
		c.at, c.when = at.UTC().Round(0), c.elapsed()
	}
}

// Off is by how much the computer's clock is ahead of the kitchen's time.
func (c *Clock) Off() time.Duration {
	c.mu.Lock()
	defer c.mu.Unlock()
	return c.wall().Round(0).Sub(c.now())
}
