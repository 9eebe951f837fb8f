package load

import (
	"errors"
	"fmt"
	"strings"

	"velocrustum/core/refuse"
)

// A Dish is all the pieces that are to be cooked, and what they may go
// through. Its request's load is the whole dish and its program that of the
// first basket.
type Dish struct {
	Request
	// PerBasket is how many go into the first basket; 0 leaves it open.
	PerBasket int `json:"perBasket,omitempty"`
	// Second is another fryer that may help; nil if there is none.
	Second *Fryer `json:"second,omitempty"`
}

// ShareInSecond is the request for some of a dish's pieces in its second fryer.
func (d Dish) ShareInSecond(pieces int) Request {
	q := d.Share(pieces)
	q.Fryer = d.Second
	return q
}

// Share is the request for some of a dish's pieces in its own fryer: with their
// share of the oil and of what is brushed on. A dish of several lots goes in
// whole: its lots lie together.
func (d Dish) Share(pieces int) Request {
	q := d.Request.InLots()
	if len(q.Lots) > 1 || pieces == q.Lots[0].Load.Pieces {
		return q
	}
	lot := &q.Lots[0]
	share := float64(pieces) / float64(lot.Load.Pieces)
	if lot.Coat != nil {
		coat := *lot.Coat
		coat.OilG *= share
		lot.Coat = &coat
	}
	q.Program = q.Program.forShare(share)
	lot.Load.Pieces = pieces
	return q
}

// First is the request for the first basket: all pieces, or as many as go in
// at a time.
func (d Dish) First() Request { return d.Share(d.first()) }

func (d Dish) first() int {
	if d.PerBasket > 0 {
		return min(d.Pieces(), d.PerBasket)
	}
	return d.Pieces()
}

// CheckPiece returns what is wrong with a dish, but for how many of its pieces
// go into a basket, as refuse.Fields, or nil.
func (d Dish) CheckPiece() error {
	q := d.InLots()
	if len(q.Lots) > 1 {
		return d.Check()
	}
	var c refuse.Check
	c.In(Limits, "load.pieces", float64(q.Lots[0].Load.Pieces))
	if err := refuse.Under(fieldsOf(d.Request, 0), c.Err()); err != nil {
		return err
	}
	return Check(d.Share(1))
}

// Check returns what is wrong with the first basket as refuse.Fields, or nil.
func (d Dish) Check() error {
	n := d.Pieces()
	if d.PerBasket > 0 && n > 0 {
		n = min(n, d.PerBasket)
	}
	if d.Second != nil && n > 1 {
		n = (n + 1) / 2
	}
	if n < 1 || d.Pieces() > MaxPieces {
		return Check(d.Request)
	}
	if err := d.together(); err != nil {
		return err
	}
	return Check(d.Share(n))
}

// together returns what parts a dish of several lots, which lie in one basket,
// as refuse.Fields, or nil.
func (d Dish) together() error {
	var c refuse.Check
	if len(d.Lots) > 1 && d.PerBasket > 0 && d.PerBasket < d.Pieces() {
		c.Add("perBasket", fmt.Sprint(d.PerBasket), "all at once, of several lots; a dish of each, in one supper, goes in one after another")
	}
	if len(d.Lots) > 1 && d.Second != nil {
		c.Add("secondFryerId", "another fryer", "one fryer, of several lots; a dish of each, in one supper, has a fryer of its own")
	}
	return c.Err()
}

// Fitting returns how many pieces go in at a time where all at once are too many
// for the basket, and says so; 0 where they are not. The error is that of Check.
func (d Dish) Fitting() (per int, says string, err error) {
	err = d.Check()
	for n := 2; n <= MaxBaskets && tooMany(err); n++ {
		per = (d.Pieces() + n - 1) / n
		d.PerBasket = per
		err = d.Check()
	}
	if err != nil || per == 0 {
		return 0, "", err
	}
	return per, fmt.Sprintf("It is too much for one basket: %d go in at a time.", per), nil
}

func tooMany(err error) bool {
	var fields refuse.Fields
	return errors.As(err, &fields) && len(fields) == 1 && strings.HasSuffix(fields[0].Field, "load.pieces")
}
