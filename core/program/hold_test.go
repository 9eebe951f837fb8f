package program

import (
	"math"
	"testing"
)

// waited is a dish that is fried, waits, and is flashed for three minutes.
func waited(cut string, pieces int, massG float64, coat string, fried, wait float64, hold string) Request {
	return Request{
		Load: Load{Cut: cut, Pieces: pieces, PieceMassG: massG, Surface: "racked"}, Coat: &Coat{ID: coat, OilG: 6},
		Program: Program{PreheatMin: 4, Stages: []Stage{{AirC: 200, Minutes: fried}, {AirC: 200, Minutes: wait, Hold: hold}, {AirC: 200, Minutes: 3}}, Turns: []Turn{{AtMin: fried / 2, Kind: Flip}}},
	}
}

func softer(m Moment) float64 { return math.Min(m.Faces[0].Crust, m.Faces[1].Crust) }

// What cooks report of waiting, as shares of the crust that came out: on a
// rack at 90 to 100 °C a tenth is gone after 15 min, in a bowl or under a lid
// about half after 5, from bare skin sooner than from a thick coat, and a
// flash of three minutes brings most of it back.
func TestWaitingAsReported(t *testing.T) {
	t.Parallel()
	for _, c := range []struct {
		name               string
		request            Request
		after              float64 // minutes of waiting
		low, high          float64 // share of the crust left
		flashLow, flashTop float64
	}{
		{"bare wings, warm rack", waited("chicken-wing-flat", 11, 43, "bare", 18, 15, HoldWarm), 15, 0.82, 0.97, 0.9, 1.15},
		{"dusted wings, warm rack", waited("chicken-wing-flat", 11, 43, "starch-dust", 18, 15, HoldWarm), 15, 0.85, 0.97, 0.9, 1.15},
		{"dredged chunks, warm rack", waited("chicken-thigh-chunk", 14, 20, "double-dredge", 12, 15, HoldWarm), 15, 0.85, 1.03, 0.9, 1.15},
		{"dusted wings, rack in the room", waited("chicken-wing-flat", 11, 43, "starch-dust", 18, 10, HoldRack), 10, 0.80, 0.99, 0.85, 1.1},
		{"bare wings, under a lid", waited("chicken-wing-flat", 11, 43, "bare", 18, 5, HoldCovered), 5, 0.35, 0.65, 0.75, 1.1},
		{"dusted wings, under a lid", waited("chicken-wing-flat", 11, 43, "starch-dust", 18, 6, HoldCovered), 6, 0.35, 0.75, 0.8, 1.1},
		{"dusted wings, in a bowl", waited("chicken-wing-flat", 11, 43, "starch-dust", 18, 7, HoldBowl), 7, 0.35, 0.8, 0.8, 1.1},
		{"dredged chunks, under a lid", waited("chicken-thigh-chunk", 14, 20, "double-dredge", 12, 12, HoldCovered), 12, 0.35, 0.85, 0.8, 1.1},
	} {
		fried := c.request.Program.Stages[0].Minutes
		a := quick(t, c.request)
		out, kept, flashed := softer(at(a.Timeline, fried)), softer(at(a.Timeline, fried+c.after)), softer(a.Timeline[len(a.Timeline)-1])
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
	for i, h := range Holds {
		a := quick(t, waited("chicken-wing-flat", 11, 43, "starch-dust", 18, 12, h))
		last := 101.0
		for m := 18.5; m <= 30; m += 0.5 {
			now := softer(at(a.Timeline, m))
			if now > last+0.2 {
				t.Errorf("%s: crust grows from %.1f to %.1f while it waits", h, last, now)
			}
			last = now
		}
		if i >= 2 && last > before {
			t.Errorf("%s leaves %.1f, drier %s %.1f", h, last, Holds[i-1], before)
		}
		before = last
	}
	short := waited("chicken-drumstick", 5, 112, "bare", 13, 20, HoldWarm)
	if a := quick(t, short); a.SafeAtMin == nil || *a.SafeAtMin < 13 || *a.SafeAtMin > 20 {
		t.Errorf("drumsticks out a little too soon are safe at %v in the warm oven", a.SafeAtMin)
	}
}

func TestTheFirstBasketWaits(t *testing.T) {
	t.Parallel()
	d := Dish{Request: Request{Load: Load{Cut: "chicken-wing-flat", Pieces: 24, PieceMassG: 43, Surface: "wiped"}, Coat: &Coat{ID: "starch-dust", OilG: 8},
		Program: Program{PreheatMin: 4, Stages: []Stage{{AirC: 200, Minutes: 20}}, Turns: []Turn{{AtMin: 10, Kind: Flip}}}}, PerBasket: 12}
	b, err := Batch(t.Context(), d)
	if err != nil {
		t.Fatal(err)
	}
	for _, batching := range b.Batchings {
		if batching.ID != SeveralBaskets {
			if batching.ID == OneBasket && len(batching.Waits) != 0 {
				t.Errorf("one basket waits: %+v", batching.Waits)
			}
			continue
		}
		if len(batching.Waits) != 1 {
			t.Fatalf("of two baskets %d wait", len(batching.Waits))
		}
		w := batching.Waits[0]
		first, second := batching.Baskets[0], batching.Baskets[1]
		if w.Basket != 1 || math.Abs(w.Minutes-(second.EndMin-first.EndMin)) > 1e-9 || len(w.Kept) != len(Holds) || w.Best != HoldWarm {
			t.Errorf("%+v", w)
		}
		if got := math.Floor(first.Answer.End.Crust); math.Abs(w.Crust-got) > 1.5 {
			t.Errorf("it comes out at %.1f and waits from %.1f", got, w.Crust)
		}
		if lid := w.Kept[len(w.Kept)-1]; lid.Crust > w.Kept[0].Crust/2 || lid.FlashCrust < lid.Crust {
			t.Errorf("under a lid %+v", lid)
		}
	}
}
