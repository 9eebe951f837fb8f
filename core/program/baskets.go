package program

import (
	"context"
	"errors"
	"fmt"
	"math"
	"slices"

	"velocrustum/core/fryer"
	"velocrustum/core/refuse"
	"velocrustum/core/units"
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

// A Basketful is one basket of a dish.
type Basketful struct {
	Fryer    int     `json:"fryer"` // 0 the first, 1 the second
	Pieces   int     `json:"pieces"`
	StartMin float64 `json:"startMin"` // after the first one went in
	EndMin   float64 `json:"endMin"`
	Program  Program `json:"program"`
	Answer   Answer  `json:"answer"`
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

// Baskets is a dish in each possible batching, and which to take.
type Baskets struct {
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

// share is the request for some of a dish's pieces: with their share of the
// oil, in one of the fryers.
func (d Dish) share(pieces int, second bool) Request {
	q := d.Request
	if q.Coat != nil && pieces != q.Load.Pieces {
		coat := *q.Coat
		coat.OilG *= float64(pieces) / float64(d.Load.Pieces)
		q.Coat = &coat
	}
	if pieces != q.Load.Pieces {
		q.Program = q.Program.forShare(float64(pieces) / float64(d.Load.Pieces))
	}
	q.Load.Pieces = pieces
	if second {
		q.Fryer = d.Second
	}
	return q
}

// Share is the request for some of a dish's pieces, in its own fryer.
func (d Dish) Share(pieces int) Request { return d.share(pieces, false) }

// forShare brushes as much as a share of the pieces needs.
func (p Program) forShare(of float64) Program {
	p.Turns = slices.Clone(p.Turns)
	for i, t := range p.Turns {
		if t.Brush != nil {
			b := *t.Brush
			b.G *= of
			p.Turns[i].Brush = &b
		}
	}
	return p
}

func (d Dish) part(pieces int, second bool) (*setup, error) {
	s, err := resolve(d.share(pieces, second))
	return &s, err
}

// First is the request for the first basket: all pieces, or as many as go in
// at a time.
func (d Dish) First() Request {
	n := d.Load.Pieces
	if d.PerBasket > 0 {
		n = min(n, d.PerBasket)
	}
	return d.share(n, false)
}

// Simulate answers for the first basket of a dish; what a change puts on in
// oil is for the whole of it.
func (d Dish) Simulate(ctx context.Context, opt Options) (Answer, error) {
	first := d.First()
	a, err := Simulate(ctx, first, opt)
	for _, w := range a.Warnings {
		if c := w.Change; c != nil && c.OilG != nil {
			*c.OilG = math.Ceil(*c.OilG * float64(d.Load.Pieces) / float64(first.Load.Pieces))
		}
	}
	return a, err
}

// CheckPiece returns what is wrong with a dish, but for how many of its pieces
// go into a basket, as refuse.Fields, or nil.
func (d Dish) CheckPiece() error {
	var c checker
	c.In(Limits, "load.pieces", float64(d.Load.Pieces))
	if err := c.Err(); err != nil {
		return err
	}
	_, err := d.part(1, false)
	return err
}

// Check returns what is wrong with the first basket as refuse.Fields, or nil.
func (d Dish) Check() error {
	n := d.Load.Pieces
	if d.PerBasket > 0 && n > 0 {
		n = min(n, d.PerBasket)
	}
	if d.Second != nil && n > 1 {
		n = (n + 1) / 2
	}
	if n < 1 || d.Load.Pieces > MaxPieces {
		return Check(d.Request)
	}
	_, err := d.part(n, false)
	return err
}

// Fitting returns how many pieces go in at a time where all at once are too many
// for the basket, and says so; 0 where they are not. The error is that of Check.
func (d Dish) Fitting() (per int, says string, err error) {
	err = d.Check()
	for n := 2; n <= MaxBaskets && tooMany(err); n++ {
		per = (d.Load.Pieces + n - 1) / n
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
	return errors.As(err, &fields) && len(fields) == 1 && fields[0].Field == "load.pieces"
}

// fitted is the load under its program with the last stage as long as it
// needs, and how many minutes that is worth: those it takes, and more for a
// crust that it does not reach.
func (s *setup) fitted(ctx context.Context) (*setup, float64, error) {
	missing := 0.0
	g := goal{weights: wantWeights[Balanced], late: lateSafe, core: math.NaN()}
	for range 2 {
		t, err := s.try(ctx, s.program, g, standard)
		if err != nil {
			return nil, 0, err
		}
		s = s.with(s.program.Lasting(t.end))
		missing = max(0, s.wanted(g)-t.crust)
	}
	on := *s
	on.tail = 15
	sure, err := on.sureBy(ctx)
	if err != nil {
		return nil, 0, err
	}
	if sure != nil && *sure > s.minutes() {
		s = s.with(s.program.Lasting(math.Ceil(*sure)))
	}
	return s, s.minutes() + missing/2, nil
}

// Lasting returns the program with its last stage as long as it takes to end
// at a minute, and the turns where they were in proportion.
func (p Program) Lasting(end float64) Program {
	was := p.Minutes()
	n := len(p.Stages) - 1
	out := p
	out.Stages, out.Turns = slices.Clone(p.Stages), slices.Clone(p.Turns)
	before := was - p.Stages[n].Minutes
	out.Stages[n].Minutes = math.Max(1, end-before)
	end = out.Minutes()
	for i := range out.Turns {
		at := p.Turns[i].AtMin
		if at > before || n == 0 {
			at = before + (at-before)*(end-before)/(was-before)
		}
		out.Turns[i].AtMin = math.Min(math.Max(1, math.Round(at)), end-0.5)
	}
	return out
}

// basketful simulates one basket with its window. A fitted one is as long as
// its window asks, which many pieces may open later than the one that it was
// fitted to.
func (s *setup) basketful(ctx context.Context, start float64, second, fitted bool) (Basketful, error) {
	on := *s
	on.tail = min(10, MaxMinutes-s.minutes())
	a, err := on.judged(ctx)
	if err != nil {
		return Basketful{}, err
	}
	if v := a.Verdict; fitted && v.Standing == TooShort {
		on = *on.with(on.program.Lasting(notBefore(*v.from)))
		if a, err = on.judged(ctx); err != nil {
			return Basketful{}, err
		}
	}
	b := Basketful{Pieces: s.all, StartMin: start, EndMin: start + on.minutes(), Program: on.program, Answer: a}
	if second {
		b.Fryer = 1
	}
	return b, nil
}

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

// Batch plans the baskets of a dish: all at once, one after another, and,
// with a second fryer, shared so that both finish together. The error is
// refuse.Fields or the context's.
func Batch(ctx context.Context, d Dish) (Baskets, error) {
	total := d.Load.Pieces
	one, err := d.part(1, false)
	if err != nil {
		return Baskets{}, err
	}
	var c checker
	c.In(Limits, "load.pieces", float64(total))
	if d.PerBasket != 0 {
		c.Within("perBasket", float64(d.PerBasket), 1, float64(total), "pieces")
	}
	if len(c.Fields) > 0 {
		return Baskets{}, c.Fields
	}
	out := Baskets{Comfortable: min(total, one.comfortable())}
	if total <= one.most() {
		// A program made for less is fitted to the whole.
		s, err := d.part(total, false)
		if err != nil {
			return Baskets{}, err
		}
		less := d.PerBasket > 0 && d.PerBasket < total
		if less {
			if s, _, err = s.fitted(ctx); err != nil {
				return Baskets{}, err
			}
		}
		b, err := s.basketful(ctx, 0, false, less)
		if err != nil {
			return Baskets{}, err
		}
		out.Batchings = append(out.Batchings, Batching{ID: OneBasket, Name: "All in one basket", Baskets: []Basketful{b}})
	}
	per := d.PerBasket
	if per == 0 {
		n := (total + out.Comfortable - 1) / out.Comfortable
		per = (total + n - 1) / n
	}
	if per < total && len(d.Groups) == 0 {
		baskets, err := d.several(ctx, per)
		if err != nil {
			return Baskets{}, err
		}
		out.Batchings = append(out.Batchings, Batching{ID: SeveralBaskets, Name: fmt.Sprintf("%s baskets, one after another", units.Capital(units.Count(len(baskets)))), Baskets: baskets})
	}
	if d.Second != nil && total > 1 && len(d.Groups) == 0 {
		baskets, err := d.together(ctx)
		if err != nil {
			return Baskets{}, err
		}
		out.Batchings = append(out.Batchings, Batching{ID: TwoFryers, Name: "Two fryers, done together", Baskets: baskets})
	}
	for i := range out.Batchings {
		b := &out.Batchings[i]
		b.sum()
		var err error
		if b.Waits, err = d.waits(b.Baskets); err != nil {
			return Baskets{}, err
		}
	}
	out.choose(one)
	return out, nil
}

// Batched plans the baskets of one batching alone.
func Batched(ctx context.Context, d Dish, id string) ([]Basketful, error) {
	if id == TwoFryers {
		return d.together(ctx)
	}
	return d.several(ctx, d.PerBasket)
}

// several plans one basket after another: the first by the dish's program,
// those after it from a hot fryer and as long as they need.
func (d Dish) several(ctx context.Context, per int) (list []Basketful, err error) {
	if n := (d.Load.Pieces + per - 1) / per; n > MaxBaskets {
		return nil, refuse.One("load.pieces", fmt.Sprint(d.Load.Pieces), fmt.Sprintf("up to %d, in %d baskets of %d", MaxBaskets*per, MaxBaskets, per))
	}
	last := d.Program.Stages[len(d.Program.Stages)-1].AirC
	start := 0.0
	for left := d.Load.Pieces; left > 0; {
		n := min(per, left)
		left -= n
		var b Basketful
		if k := len(list); k > 1 && list[k-1].Pieces == n {
			// The same again.
			b = list[k-1]
			b.StartMin, b.EndMin = start, start+b.Program.Minutes()
		} else {
			s, err := d.part(n, false)
			if err != nil {
				return nil, err
			}
			if k > 0 {
				s.program.PreheatMin, s.program.HotFromC = 0, last
				if s, _, err = s.fitted(ctx); err != nil {
					return nil, err
				}
			}
			if b, err = s.basketful(ctx, start, false, k > 0); err != nil {
				return nil, err
			}
		}
		list = append(list, b)
		start = b.EndMin + changeOver
	}
	return list, nil
}

// together shares the pieces between two fryers so that both are done as
// soon as can be, and starts the quicker one later.
func (d Dish) together(ctx context.Context) ([]Basketful, error) {
	total := d.Load.Pieces
	// A share that does not go in at all is worth no end of minutes.
	share := func(n int, second bool) (*setup, float64, error) {
		s, err := d.part(n, second)
		var tooMany refuse.Fields
		if errors.As(err, &tooMany) && n > 1 {
			return nil, math.Inf(1), nil
		}
		if err != nil {
			return nil, 0, err
		}
		return s.fitted(ctx)
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
	end := math.Max(own.minutes(), other.minutes())
	first, err := own.basketful(ctx, end-own.minutes(), false, true)
	if err != nil {
		return nil, err
	}
	last, err := other.basketful(ctx, end-other.minutes(), true, true)
	return []Basketful{first, last}, err
}

// choose ranks the batchings: a window for every piece first, then crust
// against minutes.
func (b *Baskets) choose(one *setup) {
	best := math.Inf(1)
	for _, k := range b.Batchings {
		cost := 0.4*k.Minutes + 0.8*max(0, one.crust-k.Crust) + 0.5*(100-k.JuicePct)
		if !k.Ready {
			continue // what is not safe or not crisp is not the best of anything
		}
		if cost < best {
			best, b.Best = cost, k.ID
		}
	}
	find := func(id string) *Batching {
		if i := slices.IndexFunc(b.Batchings, func(k Batching) bool { return k.ID == id }); i >= 0 {
			return &b.Batchings[i]
		}
		return nil
	}
	all, several, both := find(OneBasket), find(SeveralBaskets), find(TwoFryers)
	switch {
	case all == nil && several != nil:
		b.Says = fmt.Sprintf("They do not all go in at once. %s take %.0f min.", units.Capital(units.Count(len(several.Baskets)))+" baskets", several.Minutes)
	case all != nil && several != nil:
		layers := "crowded"
		if a := all.Baskets[0].Answer; a.Coverage <= fryer.FreeCoverage+crowdedBy {
			layers = "close"
		} else if a.Layers > 1 {
			layers = fmt.Sprintf("in %.1f layers", all.Baskets[0].Answer.Coverage)
		}
		b.Says = fmt.Sprintf("All at once, %s: %.0f min, and the softest piece ends at %.0f of crust. %s baskets: %.0f min with the change, and %.0f.",
			layers, all.Minutes, all.Crust, units.Capital(units.Count(len(several.Baskets))), several.Minutes, several.Crust)
		more := "The second basket is"
		if n := len(several.Baskets); n > 2 {
			more = "More baskets are"
		}
		switch b.Best {
		case OneBasket:
			b.Says += " " + more + " not worth the minutes here."
		case SeveralBaskets:
			b.Says += " " + more + " worth it."
		}
	default:
		b.Says = "All of them lie in one basket with air between."
	}
	if b.Best == "" {
		b.Says += fmt.Sprintf(" As it stands none of this gets every piece %s and crisp: lengthen the program, or put fewer in.", one.inside())
	}
	if both != nil {
		b.Says += fmt.Sprintf(" Shared with the other fryer, %d and %d are done together in %.0f min.", both.Baskets[0].Pieces, both.Baskets[1].Pieces, both.Minutes)
	}
}
