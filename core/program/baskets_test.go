package program

import (
	"context"
	"errors"
	"math"
	"testing"

	"velocrustum/core/fryer"
	"velocrustum/core/refuse"
)

func batched(t *testing.T, d Dish) map[string]Batching {
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
	q := dozenWings()
	q.Load.Pieces = 8
	got := batched(t, Dish{Request: q})
	if len(got) != 1 || len(got[OneBasket].Baskets) != 1 {
		t.Errorf("%d batchings", len(got))
	}
}

func TestTheNextBasketRunsFaster(t *testing.T) {
	t.Parallel()
	q := dozenWings()
	q.Load.Pieces = 20
	q.Program.PreheatMin = 0
	q.Program.Stages = []Stage{{AirC: 200, Minutes: 24}}
	s := batched(t, Dish{Request: q, PerBasket: 10})[SeveralBaskets]
	if len(s.Baskets) != 2 {
		t.Fatalf("%d baskets", len(s.Baskets))
	}
	first, next := s.Baskets[0], s.Baskets[1]
	if next.Program.HotFromC != 200 || orLate(next.Answer.SafeAtMin) >= orLate(first.Answer.SafeAtMin)-1 {
		t.Errorf("first safe at %.1f from cold, next at %.1f", orLate(first.Answer.SafeAtMin), orLate(next.Answer.SafeAtMin))
	}
	if next.StartMin != first.EndMin+changeOver {
		t.Errorf("the next goes in at %g after %g", next.StartMin, first.EndMin)
	}
}

func TestASecondLayerIsWeighedAgainstASecondBasket(t *testing.T) {
	t.Parallel()
	q := dozenWings()
	q.Load.Pieces = 24
	b, err := Batch(context.Background(), Dish{Request: q})
	if err != nil {
		t.Fatal(err)
	}
	got := batched(t, Dish{Request: q})
	if b.Best != SeveralBaskets || got[OneBasket].Crust >= got[SeveralBaskets].Crust || got[OneBasket].Minutes >= got[SeveralBaskets].Minutes {
		t.Errorf("best is %s: %s", b.Best, b.Says)
	}
	// A few too many for one layer that are shaken are not worth another.
	w := Request{Load: Load{Cut: "potato-wedge", Pieces: 24, PieceMassG: 32}, Coat: &Coat{ID: "oil-rub", OilG: 14},
		Program: Program{PreheatMin: 3, Stages: []Stage{{AirC: 200, Minutes: 28}}, Turns: []Turn{{AtMin: 7, Kind: Shake}, {AtMin: 14, Kind: Shake}, {AtMin: 21, Kind: Shake}}}}
	if b, err = Batch(context.Background(), Dish{Request: w}); err != nil || b.Best != OneBasket {
		t.Errorf("best is %s (%v): %s", b.Best, err, b.Says)
	}
	// What does not go in at once still goes in.
	q.Load.Pieces = 60
	if got := batched(t, Dish{Request: q}); len(got) != 1 || len(got[SeveralBaskets].Baskets) < 5 {
		t.Errorf("sixty wings: %d batchings", len(got))
	}
}

func TestTwoFryersFinishTogether(t *testing.T) {
	t.Parallel()
	power, air := 1100.0, 0.85
	small := &Fryer{PowerW: &power, Airflow: &air, Basket: &fryer.Basket{Shape: "round", DiameterMm: 190}}
	q := dozenWings()
	q.Load.Pieces = 18
	both := batched(t, Dish{Request: q, Second: small})[TwoFryers]
	if len(both.Baskets) != 2 {
		t.Fatalf("%d baskets", len(both.Baskets))
	}
	a, b := both.Baskets[0], both.Baskets[1]
	if math.Abs(a.EndMin-b.EndMin) > 3 || a.Pieces <= b.Pieces {
		t.Errorf("%d done at %g, %d in the small one at %g", a.Pieces, a.EndMin, b.Pieces, b.EndMin)
	}
	alone := batched(t, Dish{Request: q, PerBasket: 9})[SeveralBaskets]
	if both.Minutes >= alone.Minutes {
		t.Errorf("together %g min, one after another %g", both.Minutes, alone.Minutes)
	}
}

func TestDishesAreChecked(t *testing.T) {
	t.Parallel()
	var fields refuse.Fields
	q := dozenWings()
	for name, d := range map[string]Dish{
		"none":      {Request: Request{Load: Load{Cut: "prawn", PieceMassG: 16}, Program: q.Program}},
		"unknown":   {Request: Request{Load: Load{Cut: "brick", Pieces: 3, PieceMassG: 16}, Program: q.Program}},
		"more than": {Request: q, PerBasket: 40},
	} {
		if _, err := Batch(context.Background(), d); !errors.As(err, &fields) {
			t.Errorf("%s gave %v", name, err)
		}
	}
	q.Load.Pieces = 100 // too many at once, but not ten by ten
	if err := (Dish{Request: q}).Check(); !errors.As(err, &fields) {
		t.Errorf("a hundred at once gave %v", err)
	}
	if err := (Dish{Request: q, PerBasket: 10}).Check(); err != nil {
		t.Errorf("ten by ten gave %v", err)
	}
}

func TestLastingKeepsTheTurnsInside(t *testing.T) {
	t.Parallel()
	p := Program{Stages: []Stage{{AirC: 160, Minutes: 10}, {AirC: 200, Minutes: 10}}, Turns: []Turn{{AtMin: 10, Kind: Flip}, {AtMin: 15, Kind: Flip}}}
	long := p.Lasting(30)
	if long.Minutes() != 30 || long.Turns[0].AtMin != 10 || long.Turns[1].AtMin != 20 {
		t.Errorf("%+v", long)
	}
	if short := p.Lasting(4); short.Minutes() != 11 || short.Turns[1].AtMin > 10.5 {
		t.Errorf("%+v", short)
	}
	if p.Turns[1].AtMin != 15 || p.Minutes() != 20 {
		t.Error("the old program changed")
	}
}

// What is too much for the basket is shared out, so that each share goes in.
func TestTooMuchGoesInByBaskets(t *testing.T) {
	t.Parallel()
	d := Dish{Request: dozenWings()}
	if per, says, err := d.Fitting(); per != 0 || says != "" || err != nil {
		t.Errorf("a dozen: %d at a time, %q, %v", per, says, err)
	}
	for _, pieces := range []int{150, 400} {
		d.Load.Pieces = pieces
		per, says, err := d.Fitting()
		if err != nil || per < 1 || per >= pieces || says == "" {
			t.Fatalf("%d: %d at a time, %q, %v", pieces, per, says, err)
		}
		d.PerBasket = per
		if err := d.Check(); err != nil {
			t.Errorf("%d at a time of %d: %v", per, pieces, err)
		}
		// One basket fewer would not do.
		if n := (pieces + per - 1) / per; n > 2 {
			d.PerBasket = (pieces + n - 2) / (n - 1)
			if d.Check() == nil {
				t.Errorf("%d would go in at a time, %d are said", d.PerBasket, per)
			}
		}
		d.PerBasket = 0
	}
	d.Load.Pieces = MaxPieces
	if _, _, err := d.Fitting(); err == nil {
		t.Error("more than all baskets hold is shared out")
	}
	d.Load.Pieces, d.Load.Cut = 400, "dodo"
	if _, _, err := d.Fitting(); err == nil {
		t.Error("an unknown cut fits")
	}
}
