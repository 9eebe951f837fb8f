package baskets

import (
	"context"
	"errors"
	"fmt"
	"math"

	"velocrustum/core/advise"
	"velocrustum/core/load"
	"velocrustum/core/refuse"
	"velocrustum/core/verdict"
)

// A Basketful is one basket of a dish.
type Basketful struct {
	Fryer    int            `json:"fryer"` // 0 the first, 1 the second
	Pieces   int            `json:"pieces"`
	StartMin float64        `json:"startMin"` // after the first one went in
	EndMin   float64        `json:"endMin"`
	Program  load.Program   `json:"program"`
	Answer   verdict.Answer `json:"answer"`
}

// A Batching is one way of getting a dish through its fryers.
type Batching struct {
	ID      string      `json:"id"` // one, several, together
	Name    string      `json:"name"`
	Baskets []Basketful `json:"baskets"`
	// Minutes from the first basket in to the last one out.
	Minutes float64 `json:"minutes"`
	// Crust and juice of the worst piece of all, and energy of all.
	Crust    float64 `json:"crust"`
	JuicePct float64 `json:"juicePct"`
	EnergyWh float64 `json:"energyWh"`
	Ready    bool    `json:"ready"` // every basket has a window within its program
	// Waits are the baskets that are out before the last, while they wait.
	Waits []Wait `json:"waits,omitempty"`
}

// Batchings is a dish in each possible batching, and which to take.
type Batchings struct {
	Batchings []Batching `json:"batchings"`
	Best      string     `json:"best"`
	Says      string     `json:"says"`
	// Comfortable is how many lie in one basket with air between them.
	Comfortable int `json:"comfortable"`
}

// Ids of batchings.
const (
	OneBasket      = "one"
	SeveralBaskets = "several"
	TwoFryers      = "together"
)

// changeOver is the time between one basket out and the next one in, min.
const changeOver = 2.0

// Batch plans the baskets of a dish: all at once, one after another, and,
// with a second fryer, shared so that both finish together. The error is
// refuse.Fields or the context's.
func Batch(ctx context.Context, d load.Dish) (Batchings, error) {
	total, several := d.Pieces(), len(d.InLots().Lots) > 1
	one, err := load.Of(d.Share(1))
	if err != nil {
		return Batchings{}, err
	}
	var c refuse.Check
	if !several {
		c.In(load.Limits, "load.pieces", float64(total))
	}
	if d.PerBasket != 0 {
		c.Within("perBasket", float64(d.PerBasket), 1, float64(total), "pieces")
	}
	if err := c.Err(); err != nil {
		return Batchings{}, err
	}
	// Several lots lie together, as they were laid.
	comfortable, most := total, total
	if !several {
		comfortable, most = min(total, one.Comfortable(one.Only().Piece)), one.Most(one.Only().Piece)
	}
	out := Batchings{Comfortable: comfortable}
	add := func(id string, list []Basketful, err error) error {
		if err != nil {
			return err
		}
		b := Batching{ID: id, Name: batchingName(id, len(list), one.Drawers), Baskets: list}
		b.sum()
		b.Waits, err = waits(d, list)
		out.Batchings = append(out.Batchings, b)
		return err
	}
	if total <= most {
		list, err := allAtOnce(ctx, d)
		if err := add(OneBasket, list, err); err != nil {
			return Batchings{}, err
		}
	}
	per := d.PerBasket
	if per == 0 {
		n := (total + out.Comfortable - 1) / out.Comfortable
		per = (total + n - 1) / n
	}
	if per < total && !several {
		list, err := oneAfterAnother(ctx, d, per)
		if err := add(SeveralBaskets, list, err); err != nil {
			return Batchings{}, err
		}
	}
	if d.Second != nil && total > 1 && !several {
		list, err := inTwoFryers(ctx, d)
		if err := add(TwoFryers, list, err); err != nil {
			return Batchings{}, err
		}
	}
	out.Best = best(out.Batchings, mostWanted(one))
	out.Says = batchingsSay(out, one)
	return out, nil
}

// Of plans the baskets of one batching alone, by its id. The error is
// refuse.Fields or the context's.
func Of(ctx context.Context, d load.Dish, id string) ([]Basketful, error) {
	if id == TwoFryers {
		return inTwoFryers(ctx, d)
	}
	return oneAfterAnother(ctx, d, d.PerBasket)
}

// mostWanted is the crispness that is wanted of the lot of which most is.
func mostWanted(l *load.Load) (crust float64) {
	for _, lot := range l.Lots {
		crust = max(crust, lot.CrustWanted)
	}
	return crust
}

// best chooses among batchings: a window for every piece first, then crust
// against minutes. Empty if none is ready.
func best(all []Batching, crustWanted float64) (id string) {
	least := math.Inf(1)
	for _, b := range all {
		cost := 0.4*b.Minutes + crustCost(b.Crust, crustWanted) + juiceCost(b.JuicePct)
		if b.Ready && cost < least {
			least, id = cost, b.ID
		}
	}
	return id
}

// crustCost and juiceCost are what a softer crust and lost juice weigh beside 0.4 a minute.
func crustCost(crust, wanted float64) float64 { return 0.8 * max(0, wanted-crust) }
func juiceCost(keptPct float64) float64       { return 0.5 * (100 - keptPct) }

// sum gathers a batching's figures from its baskets.
func (b *Batching) sum() {
	b.Crust, b.JuicePct, b.Ready = math.Inf(1), math.Inf(1), true
	for _, k := range b.Baskets {
		b.Minutes = max(b.Minutes, k.EndMin)
		b.Crust = min(b.Crust, k.Answer.End.Crust)
		b.JuicePct = min(b.JuicePct, k.Answer.End.JuiceKeptPct)
		b.EnergyWh += k.Answer.End.EnergyWh
		b.Ready = b.Ready && k.Answer.Verdict.Ready
	}
}

// allAtOnce is a dish in one basket; a program made for less is fitted to the
// whole.
func allAtOnce(ctx context.Context, d load.Dish) ([]Basketful, error) {
	l, err := load.Of(d.Share(d.Pieces()))
	if err != nil {
		return nil, err
	}
	forLess := d.PerBasket > 0 && d.PerBasket < d.Pieces()
	if forLess {
		if l, _, err = advise.Fitted(ctx, l); err != nil {
			return nil, err
		}
	}
	b, err := basketful(ctx, l, 0, forLess)
	return []Basketful{b}, err
}

// oneAfterAnother plans baskets of so many: the first by the dish's program,
// those after it from a hot fryer and as long as they need.
func oneAfterAnother(ctx context.Context, d load.Dish, per int) (list []Basketful, err error) {
	if n := (d.Pieces() + per - 1) / per; n > load.MaxBaskets {
		return nil, refuse.One("load.pieces", fmt.Sprint(d.Pieces()), fmt.Sprintf("up to %d, in %d baskets of %d", load.MaxBaskets*per, load.MaxBaskets, per))
	}
	start := 0.0
	for left := d.Pieces(); left > 0; {
		n := min(per, left)
		left -= n
		var b Basketful
		if k := len(list); k > 1 && list[k-1].Pieces == n {
			// The same again.
			b = list[k-1]
			b.StartMin, b.EndMin = start, start+b.Program.Minutes()
		} else {
			l, err := load.Of(d.Share(n))
			if err != nil {
				return nil, err
			}
			if k > 0 {
				if l, _, err = advise.Fitted(ctx, l.HotFrom(d.Program.Last().AirC)); err != nil {
					return nil, err
				}
			}
			if b, err = basketful(ctx, l, start, k > 0); err != nil {
				return nil, err
			}
		}
		list = append(list, b)
		start = b.EndMin + changeOver
	}
	return list, nil
}

// inTwoFryers shares the pieces between two fryers so that both are done as
// soon as can be, and starts the quicker one later.
func inTwoFryers(ctx context.Context, d load.Dish) ([]Basketful, error) {
	total := d.Pieces()
	// A share that does not go in at all is worth no end of minutes.
	share := func(n int, second bool) (*load.Load, float64, error) {
		q := d.Share(n)
		if second {
			q = d.ShareInSecond(n)
		}
		l, err := load.Of(q)
		var tooMany refuse.Fields
		if errors.As(err, &tooMany) && n > 1 {
			return nil, math.Inf(1), nil
		}
		if err != nil {
			return nil, 0, err
		}
		return advise.Fitted(ctx, l)
	}
	worth := func(n int) (a, b float64, err error) {
		if _, a, err = share(n, false); err == nil {
			_, b, err = share(total-n, true)
		}
		return a, b, err
	}
	// More pieces are never worth fewer minutes, so halve towards the share
	// at which the first fryer becomes the later one.
	lo, hi := 1, total-1
	for lo < hi {
		mid := (lo + hi) / 2
		a, b, err := worth(mid)
		if err != nil {
			return nil, err
		}
		if a < b {
			lo = mid + 1
		} else {
			hi = mid
		}
	}
	if lo > 1 {
		// One fewer may be the better of the two beside the crossing.
		a, _, err := worth(lo)
		if err != nil {
			return nil, err
		}
		_, b, err := worth(lo - 1)
		if err != nil {
			return nil, err
		}
		if b < a {
			lo--
		}
	}
	own, _, err := share(lo, false)
	if err != nil {
		return nil, err
	}
	other, _, err := share(total-lo, true)
	if err != nil {
		return nil, err
	}
	if own == nil || other == nil {
		return nil, refuse.One("load.pieces", fmt.Sprint(total), "as many as two baskets of these fryers take")
	}
	end := math.Max(own.Minutes(), other.Minutes())
	first, err := basketful(ctx, own, end-own.Minutes(), true)
	if err != nil {
		return nil, err
	}
	last, err := basketful(ctx, other, end-other.Minutes(), true)
	last.Fryer = 1
	return []Basketful{first, last}, err
}

// basketful simulates one basket with its window. A fitted one is as long as
// its window asks, which many pieces may open later than the one that it was
// fitted to.
func basketful(ctx context.Context, l *load.Load, start float64, fitted bool) (Basketful, error) {
	tail := min(10, load.MaxMinutes-l.Minutes())
	times := 0
	if fitted {
		times = 1
	}
	l, a, err := advise.LongEnough(ctx, l.CarriedOn(tail), true, times)
	if err != nil {
		return Basketful{}, err
	}
	return Basketful{Pieces: l.Pieces(), StartMin: start, EndMin: start + l.Minutes(), Program: l.Program, Answer: a}, nil
}
