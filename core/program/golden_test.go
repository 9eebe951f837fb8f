package program

import (
	"context"
	"errors"
	"math"
	"math/rand/v2"
	"testing"

	"velocrustum/core/refuse"
)

// Golden cooks: what the engine answers today, to see what a change moves.
// They are not ranges of kitchens (those are the reference cooks), so a
// change that is meant to move them changes them here, and says so.
func TestGoldenCooks(t *testing.T) {
	t.Parallel()
	turn := func(at float64, kind string) []Turn { return []Turn{{AtMin: at, Kind: kind}} }
	for name, c := range map[string]struct {
		q                        Request
		safe, crisp, loss, juice float64 // minutes, minutes, percent, percent
		brown                    [2]float64
	}{
		"wings, gentle then hot": {dozenWings(), 13.4, 17.8, 30.7, 51.8, [2]float64{1.75, 2.74}},
		"bream": {Request{Load: Load{Cut: "fish-whole", Pieces: 1, PieceMassG: 340, Surface: "racked"}, Coat: &Coat{ID: "oil-rub", OilG: 4},
			Program: Program{PreheatMin: 4, Stages: []Stage{{AirC: 200, Minutes: 23}}, Turns: turn(13, Flip)}}, 16.9, 16.7, 25.1, 69.0, [2]float64{1.40, 1.46}},
		"pollock fingers": {Request{Load: Load{Cut: "fish-strip", Pieces: 9, PieceMassG: 36}, Coat: &Coat{ID: "three-bowl-crumb", OilG: 10},
			Program: Program{PreheatMin: 4, Stages: []Stage{{AirC: 195, Minutes: 13}}, Turns: turn(8, Flip)}}, 6.6, 7.3, 20.8, 73.5, [2]float64{2.51, 2.25}},
		"wedges, shaken": {Request{Load: Load{Cut: "potato-wedge", Pieces: 14, PieceMassG: 32, StartC: ptr(18.0)}, Coat: &Coat{ID: "oil-rub", OilG: 14},
			Program: Program{PreheatMin: 3, Stages: []Stage{{AirC: 190, Minutes: 26}}, Turns: []Turn{{AtMin: 9, Kind: Shake}, {AtMin: 18, Kind: Shake}}}}, 11.3, 16.8, 31.4, 59.3, [2]float64{2.45, 2.14}},
		"belly": {Request{Load: Load{Cut: "pork-belly-slice", Pieces: 7, PieceMassG: 44, ThicknessMm: ptr(13.0)},
			Program: Program{PreheatMin: 3, Stages: []Stage{{AirC: 190, Minutes: 18}}, Turns: turn(9, Flip)}}, 5.4, 12.3, 39.5, 36.3, [2]float64{1.95, 2.34}},
	} {
		a := quick(t, c.q)
		last := a.Timeline[len(a.Timeline)-1]
		for _, f := range []struct {
			what            string
			got, want, slip float64
		}{
			{"safe at", orLate(a.SafeAtMin), c.safe, 0.02 * c.safe},
			{"crisp at", orLate(a.CrispAtMin), c.crisp, 0.03 * c.crisp},
			{"mass loss", a.End.MassLossPct, c.loss, 0.5},
			{"juice", a.End.JuiceKeptPct, c.juice, 1},
			{"first face browned", last.Faces[0].Brown, c.brown[0], 0.1},
			{"second face browned", last.Faces[1].Brown, c.brown[1], 0.1},
		} {
			if math.Abs(f.got-f.want) > f.slip {
				t.Errorf("%s: %s %.2f, was %.2f", name, f.what, f.got, f.want)
			}
		}
	}
}

// Over loads of every kind: what is called ready is safe by the sampled
// window, and the ways that fall short say so.
func TestNoWayIsReadyUnsafe(t *testing.T) {
	t.Parallel()
	r := rand.New(rand.NewPCG(31, 7))
	for range 6 {
		q := anyRequest(r)
		rec, err := Recommend(context.Background(), q, Balanced, nil)
		if err != nil {
			t.Fatal(err)
		}
		for _, p := range rec.Ways[:3] {
			run := q
			run.Program = p.Program
			run.TailMin = 10
			a, err := Simulate(context.Background(), run, Options{})
			if err != nil {
				t.Fatal(err)
			}
			if p.Ready && orLate(a.Chance.SafeByMin) > 1.03*p.Minutes+0.5 {
				t.Errorf("%s in %s, %s: ready at %.0f, safe by %.1f", q.Load.Cut, q.Coat.ID, p.Way, p.Minutes, orLate(a.Chance.SafeByMin))
			}
		}
	}
}

// Over dishes of every size: all pieces are cooked, once, each basket is one
// that the engine takes, and one after another never overlaps.
func TestBasketsHoldEveryPieceOnce(t *testing.T) {
	t.Parallel()
	r := rand.New(rand.NewPCG(17, 4))
	for range 12 {
		q := anyRequest(r)
		q.Load.Pieces = 1 + r.IntN(40)
		q.Program.Stages[0].Minutes = 20
		b, err := Batch(context.Background(), Dish{Request: q})
		if fields := (refuse.Fields)(nil); errors.As(err, &fields) {
			t.Fatalf("%d of %s: %v", q.Load.Pieces, q.Load.Cut, err)
		} else if err != nil {
			t.Fatal(err)
		}
		for _, k := range b.Batchings {
			n, free := 0, math.Inf(-1)
			for _, basket := range k.Baskets {
				n += basket.Pieces
				if basket.StartMin < free || basket.Answer.Coverage > MaxCoverage {
					t.Errorf("%d of %s, %s: a basket in at %.0f, free from %.0f, %.1f covered", q.Load.Pieces, q.Load.Cut, k.ID, basket.StartMin, free, basket.Answer.Coverage)
				}
				free = basket.EndMin
			}
			if n != q.Load.Pieces || len(k.Baskets) == 0 {
				t.Errorf("%s, %s: %d of %d pieces", q.Load.Cut, k.ID, n, q.Load.Pieces)
			}
		}
	}
}
