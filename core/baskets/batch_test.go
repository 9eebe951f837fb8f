package baskets

import (
	"context"
	"errors"
	"math"
	"math/rand/v2"
	"testing"

	"velocrustum/core/fryer"
	"velocrustum/core/load"
	"velocrustum/core/load/loadtest"
	"velocrustum/core/refuse"
)

func batched(t *testing.T, d load.Dish) map[string]Batching {
	t.Helper()
	b, err := Batch(context.Background(), d)
	if err != nil {
		t.Fatal(err)
	}
	out := map[string]Batching{}
	for _, k := range b.Batchings {
		out[k.ID] = k
		pieces := 0
		for _, basket := range k.Baskets {
			pieces += basket.Pieces
			if basket.EndMin-basket.StartMin != basket.Program.Minutes() || basket.EndMin > k.Minutes {
				t.Errorf("%s: a basket from %g to %g of %g", k.ID, basket.StartMin, basket.EndMin, k.Minutes)
			}
		}
		if pieces != d.Load.Pieces {
			t.Errorf("%s: %d of %d pieces", k.ID, pieces, d.Load.Pieces)
		}
	}
	if out[b.Best].ID == "" || b.Says == "" {
		t.Errorf("best is %q: %q", b.Best, b.Says)
	}
	return out
}

func TestASmallDishIsOneBasket(t *testing.T) {
	t.Parallel()
	q := loadtest.DozenWings()
	q.Load.Pieces = 8
	got := batched(t, load.Dish{Request: q})
	if len(got) != 1 || len(got[OneBasket].Baskets) != 1 {
		t.Errorf("%d batchings", len(got))
	}
}

func TestTheNextBasketRunsFaster(t *testing.T) {
	if testing.Short() {
		return // it computes: nothing meets in it that does not in others
	}
	t.Parallel()
	q := loadtest.DozenWings()
	q.Load.Pieces = 20
	q.Program.PreheatMin = 0
	q.Program.Stages = []load.Stage{{AirC: 200, Minutes: 24}}
	s := batched(t, load.Dish{Request: q, PerBasket: 10})[SeveralBaskets]
	if len(s.Baskets) != 2 {
		t.Fatalf("%d baskets", len(s.Baskets))
	}
	first, next := s.Baskets[0], s.Baskets[1]
	if next.Program.HotFromC != 200 || loadtest.OrLate(next.Answer.SafeAtMin) >= loadtest.OrLate(first.Answer.SafeAtMin)-1 {
		t.Errorf("first safe at %.1f from cold, next at %.1f", loadtest.OrLate(first.Answer.SafeAtMin), loadtest.OrLate(next.Answer.SafeAtMin))
	}
	if next.StartMin != first.EndMin+changeOver {
		t.Errorf("the next goes in at %g after %g", next.StartMin, first.EndMin)
	}
}

func TestASecondLayerIsWeighedAgainstASecondBasket(t *testing.T) {
	if testing.Short() {
		return // it computes: nothing meets in it that does not in others
	}
	t.Parallel()
	q := loadtest.DozenWings()
	q.Load.Pieces = 24
	b, err := Batch(context.Background(), load.Dish{Request: q})
	if err != nil {
		t.Fatal(err)
	}
	got := batched(t, load.Dish{Request: q})
	if b.Best != SeveralBaskets || got[OneBasket].Crust >= got[SeveralBaskets].Crust || got[OneBasket].Minutes >= got[SeveralBaskets].Minutes {
		t.Errorf("best is %s: %s", b.Best, b.Says)
	}
	// A few too many for one layer that are shaken are not worth another.
	w := load.Request{Load: load.Pieces{Cut: "potato-wedge", Pieces: 24, PieceMassG: 32}, Coat: &load.Covering{ID: "oil-rub", OilG: 14},
		Program: load.Program{PreheatMin: 3, Stages: []load.Stage{{AirC: 200, Minutes: 28}}, Turns: []load.Turn{{AtMin: 7, Kind: load.Shake}, {AtMin: 14, Kind: load.Shake}, {AtMin: 21, Kind: load.Shake}}}}
	if b, err = Batch(context.Background(), load.Dish{Request: w}); err != nil || b.Best != OneBasket {
		t.Errorf("best is %s (%v): %s", b.Best, err, b.Says)
	}
	// What does not go in at once still goes in.
	q.Load.Pieces = 60
	if got := batched(t, load.Dish{Request: q}); len(got) != 1 || len(got[SeveralBaskets].Baskets) < 5 {
		t.Errorf("sixty wings: %d batchings", len(got))
	}
}

func TestTwoFryersFinishTogether(t *testing.T) {
	if testing.Short() {
		return // it computes: nothing meets in it that does not in others
	}
	t.Parallel()
	power, air := 1100.0, 0.85
	small := &load.Fryer{PowerW: &power, Airflow: &air, Basket: &fryer.Basket{Shape: "round", DiameterMm: 190}}
	q := loadtest.DozenWings()
	q.Load.Pieces = 18
	both := batched(t, load.Dish{Request: q, Second: small})[TwoFryers]
	if len(both.Baskets) != 2 {
		t.Fatalf("%d baskets", len(both.Baskets))
	}
	a, b := both.Baskets[0], both.Baskets[1]
	if math.Abs(a.EndMin-b.EndMin) > 3 || a.Pieces <= b.Pieces {
		t.Errorf("%d done at %g, %d in the small one at %g", a.Pieces, a.EndMin, b.Pieces, b.EndMin)
	}
	alone := batched(t, load.Dish{Request: q, PerBasket: 9})[SeveralBaskets]
	if both.Minutes >= alone.Minutes {
		t.Errorf("together %g min, one after another %g", both.Minutes, alone.Minutes)
	}
}

// Over dishes of every size: all pieces are cooked, once, each basket is one
// that the engine takes, and one after another never overlaps.
func TestBasketsHoldEveryPieceOnce(t *testing.T) {
	if testing.Short() {
		return // it computes: nothing meets in it that does not in others
	}
	t.Parallel()
	r := rand.New(rand.NewPCG(17, 4))
	for range loadtest.Cases(12) {
		q := loadtest.Any(r)
		q.Load.Pieces = 1 + r.IntN(40)
		q.Program.Stages[0].Minutes = 20
		b, err := Batch(context.Background(), load.Dish{Request: q})
		if fields := (refuse.Fields)(nil); errors.As(err, &fields) {
			t.Fatalf("%d of %s: %v", q.Load.Pieces, q.Load.Cut, err)
		} else if err != nil {
			t.Fatal(err)
		}
		for _, k := range b.Batchings {
			n, free := 0, math.Inf(-1)
			for _, basket := range k.Baskets {
				n += basket.Pieces
				if basket.StartMin < free || basket.Answer.Coverage > load.MaxCoverage {
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

func TestTheFirstBasketWaits(t *testing.T) {
	if testing.Short() {
		return // it computes: nothing meets in it that does not in others
	}
	t.Parallel()
	d := load.Dish{Request: load.Request{Load: load.Pieces{Cut: "chicken-wing-flat", Pieces: 24, PieceMassG: 43, Surface: "wiped"}, Coat: &load.Covering{ID: "starch-dust", OilG: 8},
		Program: load.Program{PreheatMin: 4, Stages: []load.Stage{{AirC: 200, Minutes: 20}}, Turns: []load.Turn{{AtMin: 10, Kind: load.Flip}}}}, PerBasket: 12}
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
		if w.Basket != 1 || math.Abs(w.Minutes-(second.EndMin-first.EndMin)) > 1e-9 || len(w.Kept) != len(load.Holds) || w.Best != load.HoldWarm {
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
