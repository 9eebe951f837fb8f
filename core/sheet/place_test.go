package sheet

import (
	"math"
	"math/rand/v2"
	"testing"
)

// Random blocks in a kitchen of one fryer, two rings and so many hands: no
// place and no hand is ever taken beyond what there is, each block ends by its
// limit, and as late as it goes.
func TestNothingIsTakenTwice(t *testing.T) {
	r := rand.New(rand.NewPCG(1, 8))
	for n := range 200 {
		hands := 1 + r.IntN(3)
		k := rooms{room{has: hands}, map[string]*room{"fryer": {has: 1}, OnHob: {has: 2}, Board: {has: 1}}}
		if r.IntN(2) == 0 {
			k.hands.taken = append(k.hands.taken, span{-90, -60, hands}) // away
		}
		for range 14 {
			b := block{}
			at := 0.0
			for range 1 + r.IntN(4) {
				long := float64(1+r.IntN(20)) / 2
				b = append(b, part{Task{Place: []string{"fryer", OnHob, Board, None}[r.IntN(4)], Hands: r.IntN(2)}, at - long, at})
				at -= long
			}
			limit := -float64(r.IntN(40))
			before := rooms{room{has: hands, taken: append([]span{}, k.hands.taken...)}, map[string]*room{}}
			for id, p := range k.places {
				before.places[id] = &room{has: p.has, taken: append([]span{}, p.taken...)}
			}
			end := k.place(b, limit)
			if end > limit+tick {
				t.Fatalf("%d: it ends at %g, by %g", n, end, limit)
			}
			if !before.free(b, end) {
				t.Fatalf("%d: at %g it was not free", n, end)
			}
			for later := end + 0.5; later <= limit; later += 0.5 {
				if before.free(b, later) {
					t.Fatalf("%d: placed at %g, though %g was free", n, end, later)
				}
			}
		}
		for m := -400.0; m < 0; m += 0.25 {
			if used := k.hands.used(m); used > hands {
				t.Fatalf("%d: %d pairs of hands at %g", n, used, m)
			}
			for id, p := range k.places {
				if used := p.used(m); used > p.has {
					t.Fatalf("%d: %d things at %s at %g", n, used, id, m)
				}
			}
		}
	}
}

func TestWhenARoomIsFull(t *testing.T) {
	r := room{has: 2, taken: []span{{-30, -20, 1}, {-25, -10, 1}, {-5, 0, 2}}}
	for _, c := range []struct {
		from, to float64
		need     int
		at       float64
		full     bool
	}{
		{-40, -31, 2, 0, false}, {-40, -28, 2, -30, true}, {-19, -11, 1, 0, false}, {-19, -11, 2, -30, true},
		{-24, -21, 1, -25, true}, {-10, -5, 2, 0, false}, {-8, -4, 1, -5, true}, {-100, 0, 1, -5, true},
	} {
		at, full := r.full(c.from, c.to, c.need)
		if full != c.full || full && math.Abs(at-c.at) > 1e-9 {
			t.Errorf("from %g to %g with %d more: %v from %g, want %v from %g", c.from, c.to, c.need, full, at, c.full, c.at)
		}
	}
	empty := room{has: 1}
	if _, full := empty.full(-10, 0, 1); full {
		t.Error("an empty room is full")
	}
}

// Every way of giving tasks to hands has each pair at one thing at a time.
func TestHandsAreShared(t *testing.T) {
	got := plan(t, func() Supper { s := cardNight(); s.Hands = 2; return s }())
	for i, a := range got.Tasks {
		if (a.Hands > 0) != (a.Who > 0) || a.Who > 2 {
			t.Errorf("%s is done by %d", a.ID, a.Who)
		}
		for _, b := range got.Tasks[i+1:] {
			if a.Who > 0 && a.Who == b.Who && a.Start.Before(b.End) && b.Start.Before(a.End) {
				t.Errorf("pair %d is at %s and at %s", a.Who, a.ID, b.ID)
			}
		}
	}
}

// A block gives way to the first moment on its side that is free, and to none past
// its limit.
func TestWhatIsHeldGivesWay(t *testing.T) {
	k := rooms{room{has: 1, taken: []span{{-30, -20, 1}, {-12, -10, 1}}}, map[string]*room{}}
	b := block{part{Task{Hands: 1}, -5, 0}}
	for _, c := range []struct {
		end  float64
		side Toward
		want float64
	}{
		{-18, "", -18}, {-18, Sooner, -30}, {-18, Later, -15}, {-14, Later, -14}, {-11, Later, -5},
		{-11, Sooner, -12}, {-2, Later, -2}, {-1, Sooner, -3},
	} {
		if got := k.givingWay(b, c.end, -3, c.side); got != c.want {
			t.Errorf("to %g, %q: %g, want %g", c.end, c.side, got, c.want)
		}
	}
}
