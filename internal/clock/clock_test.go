package clock

import (
	"testing"
	"time"
)

func TestClock(t *testing.T) {
	wall := time.Date(2026, 10, 25, 0, 30, 0, 0, time.UTC)
	var count time.Duration
	c := New(func() time.Time { return wall }, func() time.Duration { return count })
	pass := func(d time.Duration) { wall, count = wall.Add(d), count+d }
	is := func(what string, now time.Time, off time.Duration) {
		t.Helper()
		if !c.Now().Equal(now) || c.Off() != off {
			t.Errorf("%s: %s, off by %s; want %s, %s", what, c.Now(), c.Off(), now, off)
		}
	}
	began := wall
	pass(10 * time.Minute)
	is("ten minutes on", began.Add(10*time.Minute), 0)
	wall = wall.Add(-time.Hour)
	is("set back", began.Add(10*time.Minute), -time.Hour)
	pass(time.Minute)
	is("set back, a minute on", began.Add(11*time.Minute), -time.Hour)
	c.Believe()
	is("believed", wall, 0)
	c.NotBefore(began.Add(11 * time.Minute))
	is("begun again under a clock set back", began.Add(11*time.Minute), -time.Hour)
	c.NotBefore(began)
	is("what was before anyway", began.Add(11*time.Minute), -time.Hour)
	wall = wall.Add(3 * time.Hour)
	is("set forward", began.Add(11*time.Minute), 2*time.Hour)
}

func TestSystem(t *testing.T) {
	c := System()
	before := c.Now()
	time.Sleep(5 * time.Millisecond)
	if d := c.Now().Sub(before); d < 5*time.Millisecond || d > time.Minute {
		t.Errorf("5 ms took %s", d)
	}
	if off := c.Off(); off.Abs() > time.Second {
		t.Errorf("off by %s at once", off)
	}
}

func TestAFastClockGoesOnWhereItWas(t *testing.T) {
	since := time.Now().Add(-time.Minute)
	first, again := Faster(30, since), Faster(30, since)
	// The second is asked first, and each reads the wall clock for itself.
	if off := again.Now().Sub(first.Now()); off.Abs() > 30*time.Second {
		t.Errorf("begun again it is off by %s", off)
	}
	if ran := first.Now().Sub(since); ran < 30*time.Minute || ran > 40*time.Minute || first.Pace() != 30 || first.Off().Abs() > time.Second {
		t.Errorf("in a minute it ran for %s, %gx, off by %s", ran, first.Pace(), first.Off())
	}
}
