package load_test

import (
	"context"
	"errors"
	"slices"
	"strings"
	"testing"

	"velocrustum/core/baskets"
	"velocrustum/core/load"
	"velocrustum/core/load/loadtest"
	"velocrustum/core/refuse"
)

func TestDishesAreChecked(t *testing.T) {
	t.Parallel()
	var fields refuse.Fields
	q := loadtest.DozenWings()
	for name, d := range map[string]load.Dish{
		"none":      {Request: load.Request{Load: load.Pieces{Cut: "prawn", PieceMassG: 16}, Program: q.Program}},
		"unknown":   {Request: load.Request{Load: load.Pieces{Cut: "brick", Pieces: 3, PieceMassG: 16}, Program: q.Program}},
		"more than": {Request: q, PerBasket: 40},
	} {
		if _, err := baskets.Batch(context.Background(), d); !errors.As(err, &fields) {
			t.Errorf("%s gave %v", name, err)
		}
	}
	q.Load.Pieces = 100 // too many at once, but not ten by ten
	if err := (load.Dish{Request: q}).Check(); !errors.As(err, &fields) {
		t.Errorf("a hundred at once gave %v", err)
	}
	if err := (load.Dish{Request: q, PerBasket: 10}).Check(); err != nil {
		t.Errorf("ten by ten gave %v", err)
	}
}

func TestLastingKeepsTheTurnsInside(t *testing.T) {
	t.Parallel()
	p := load.Program{Stages: []load.Stage{{AirC: 160, Minutes: 10}, {AirC: 200, Minutes: 10}}, Turns: []load.Turn{{AtMin: 10, Kind: load.Flip}, {AtMin: 15, Kind: load.Flip}}}
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
	d := load.Dish{Request: loadtest.DozenWings()}
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
	d.Load.Pieces = load.MaxPieces
	if _, _, err := d.Fitting(); err == nil {
		t.Error("more than all baskets hold is shared out")
	}
	d.Load.Pieces, d.Load.Cut = 400, "dodo"
	if _, _, err := d.Fitting(); err == nil {
		t.Error("an unknown cut fits")
	}
}

// Several lots lie in one basket: what would part them is refused, with the way on.
func TestSeveralLotsLieTogether(t *testing.T) {
	d := load.Dish{Request: load.Request{
		Lots: []load.LotRequest{
			{Load: load.Pieces{Cut: "chicken-wing-flat", Pieces: 6, PieceMassG: 43}},
			{Load: load.Pieces{Cut: "chicken-drumette", Pieces: 6, PieceMassG: 50}},
		},
		Program: load.Program{Stages: []load.Stage{{AirC: 190, Minutes: 22}}},
	}}
	if err := d.Check(); err != nil {
		t.Fatal(err)
	}
	d.PerBasket = 12
	if err := d.Check(); err != nil {
		t.Errorf("all at once: %v", err)
	}
	for field, spoil := range map[string]func(*load.Dish){
		"perBasket":     func(d *load.Dish) { d.PerBasket = 6 },
		"secondFryerId": func(d *load.Dish) { d.Second = &load.Fryer{} },
	} {
		parted := d
		spoil(&parted)
		for _, err := range []error{parted.Check(), parted.CheckPiece()} {
			if err == nil || !strings.Contains(err.Error(), field) || !strings.Contains(err.Error(), "one supper") {
				t.Errorf("%s: %v", field, err)
			}
		}
	}
}

// Lots that would be called alike are told apart.
func TestWhatLotsAreCalled(t *testing.T) {
	of := func(name, cut string, pieces int) load.LotRequest {
		return load.LotRequest{Name: name, Load: load.Pieces{Cut: cut, Pieces: pieces, PieceMassG: 40}}
	}
	for _, c := range []struct {
		lots []load.LotRequest
		want []string
	}{
		{[]load.LotRequest{of("", "prawn", 4)}, []string{"prawns"}},
		{[]load.LotRequest{of("", "prawn", 1), of("hot ones", "prawn", 3)}, []string{"prawn", "hot ones"}},
		{[]load.LotRequest{of("", "prawn", 3), of("", "chicken-drumette", 3), of("", "prawn", 2)}, []string{"first prawns", "drumettes", "second prawns"}},
		{[]load.LotRequest{of("hot", "prawn", 3), of("hot", "chicken-drumette", 3)}, []string{"first hot", "second hot"}},
		{[]load.LotRequest{of("", "unknown", 3), of("", "prawn", 3)}, []string{"", "prawns"}},
	} {
		if got := load.LotNames(c.lots); !slices.Equal(got, c.want) {
			t.Errorf("%q, want %q", got, c.want)
		}
	}
}
