package verdict

import (
	"testing"

	"velocrustum/core/load"
	"velocrustum/core/load/loadtest"
	"velocrustum/core/run"
)

// What cooks report of waiting, as shares of the crust that came out: on a
// rack at 90 to 100 °C a tenth is gone after 15 min, in a bowl or under a lid
// about half after 5, from bare skin sooner than from a thick coat, and a
// flash of three minutes brings most of it back.
func TestWaitingAsReported(t *testing.T) {
	t.Parallel()
	for _, c := range []struct {
		name               string
		request            load.Request
		after              float64 // minutes of waiting
		low, high          float64 // share of the crust left
		flashLow, flashTop float64
	}{
		{"bare wings, warm rack", loadtest.Waited("chicken-wing-flat", 11, 43, "bare", 18, 15, load.HoldWarm), 15, 0.82, 0.97, 0.9, 1.15},
		{"dusted wings, warm rack", loadtest.Waited("chicken-wing-flat", 11, 43, "starch-dust", 18, 15, load.HoldWarm), 15, 0.85, 0.97, 0.9, 1.15},
		{"dredged chunks, warm rack", loadtest.Waited("chicken-thigh-chunk", 14, 20, "double-dredge", 12, 15, load.HoldWarm), 15, 0.85, 1.03, 0.9, 1.15},
		{"dusted wings, rack in the room", loadtest.Waited("chicken-wing-flat", 11, 43, "starch-dust", 18, 10, load.HoldRack), 10, 0.80, 0.99, 0.85, 1.1},
		{"bare wings, under a lid", loadtest.Waited("chicken-wing-flat", 11, 43, "bare", 18, 5, load.HoldCovered), 5, 0.35, 0.65, 0.75, 1.1},
		{"dusted wings, under a lid", loadtest.Waited("chicken-wing-flat", 11, 43, "starch-dust", 18, 6, load.HoldCovered), 6, 0.35, 0.75, 0.8, 1.1},
		{"dusted wings, in a bowl", loadtest.Waited("chicken-wing-flat", 11, 43, "starch-dust", 18, 7, load.HoldBowl), 7, 0.35, 0.8, 0.8, 1.1},
		{"dredged chunks, under a lid", loadtest.Waited("chicken-thigh-chunk", 14, 20, "double-dredge", 12, 12, load.HoldCovered), 12, 0.35, 0.85, 0.8, 1.1},
	} {
		fried := c.request.Program.Stages[0].Minutes
		a := quick(t, c.request)
		out, kept, flashed := run.Nearest(a.Timeline, fried).Softer(), run.Nearest(a.Timeline, fried+c.after).Softer(), a.Timeline[len(a.Timeline)-1].Softer()
		if share := kept / out; share < c.low || share > c.high {
			t.Errorf("%s: of %.0f, %.0f %% are left after %g min, want %.0f to %.0f", c.name, out, 100*share, c.after, 100*c.low, 100*c.high)
		}
		if share := flashed / out; share < c.flashLow || share > c.flashTop {
			t.Errorf("%s: a flash gives back %.0f %% of %.0f, want %.0f to %.0f", c.name, 100*share, out, 100*c.flashLow, 100*c.flashTop)
		}
	}
}

// The longer it waits the softer it is, the drier the place the crisper, and
// what waits goes on getting safe.
func TestWaitingHasAnOrder(t *testing.T) {
	t.Parallel()
	var before float64
	for i, h := range load.Holds {
		a := quick(t, loadtest.Waited("chicken-wing-flat", 11, 43, "starch-dust", 18, 12, h))
		last := 101.0
		for m := 18.5; m <= 30; m += 0.5 {
			now := run.Nearest(a.Timeline, m).Softer()
			if now > last+0.2 {
				t.Errorf("%s: crust grows from %.1f to %.1f while it waits", h, last, now)
			}
			last = now
		}
		if i >= 2 && last > before {
			t.Errorf("%s leaves %.1f, drier %s %.1f", h, last, load.Holds[i-1], before)
		}
		before = last
	}
	short := loadtest.Waited("chicken-drumstick", 5, 112, "bare", 13, 20, load.HoldWarm)
	if a := quick(t, short); a.SafeAtMin == nil || *a.SafeAtMin < 13 || *a.SafeAtMin > 20 {
		t.Errorf("drumsticks out a little too soon are safe at %v in the warm oven", a.SafeAtMin)
	}
}
