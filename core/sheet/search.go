package sheet

import (
	"cmp"
	"context"
	"math"
	"slices"
	"strings"
	"time"

	"velocrustum/core/load"
	"velocrustum/core/refuse"
)

// # Which order
//
// Every order of the dishes in their fryers is placed, with and without a
// flash for those that wait, with one pair of hands and with all that there
// are, and the best is taken: on time first, then by what crust is missing on
// the plate, what stands, and how late it can begin. So more hands or another
// fryer never make it worse: the evening without them is among those.

// eases are how near to their best elastic waits are tried.
var eases = []float64{1, 0.75, 0.5, 0.25, 0}

// short is what it costs to leave a wait at its least, of crust.
const short = 4.0

// Plan works a supper back from its table time. The same supper always has
// the same sheet. The error is refuse.Fields, or the context's.
func (k *Kitchen) Plan(ctx context.Context, in Supper) (Sheet, error) {
	out, _, err := k.PlanBaskets(ctx, in)
	return out, err
}

// RunBasket is one basket of a sheet, as it is run.
type RunBasket struct {
	Dish    string
	Basket  int // from 1
	Of      int // how many of that dish
	FryerID string
	Request load.Request
}

// PlanBaskets is Plan, with what each basket is run by, in the order of the sheet.
func (k *Kitchen) PlanBaskets(ctx context.Context, in Supper) (Sheet, []RunBasket, error) {
	if err := in.Check(); err != nil {
		return Sheet{}, nil, err
	}
	s := in.whole()
	all, err := k.prepare(&s, in.Dishes)
	if err != nil {
		return Sheet{}, nil, err
	}
	where := make([][]string, len(all))
	for i := range all {
		c := &all[i]
		where[i] = s.wheres(c)
		if len(where[i]) == 0 {
			return Sheet{}, nil, refuse.One(c.field+"program.stages", "a grill", "no grill: none of these fryers has one")
		}
	}
	if err := k.ahead(ctx, &s, all, where); err != nil {
		return Sheet{}, nil, err
	}
	best, others, err := k.search(ctx, &s, all, where)
	if err != nil {
		return Sheet{}, nil, err
	}
	out, err := k.write(ctx, &s, all, best, others)
	return out, best.runBaskets(&s, all), err
}

// runBaskets is what each basket of an evening is run by.
func (c *candidate) runBaskets(s *Supper, all []readyDish) (out []RunBasket) {
	for _, p := range c.plates {
		d := &all[p.dish]
		q := d.ready.Share(p.pieces)
		place := placeOf(c.fryers[p.dish], p.basket)
		q.Fryer, q.Program = s.fryer(place), c.fried[[2]int{p.dish, p.basket}].Program
		out = append(out, RunBasket{d.ID, p.basket, len(d.baskets), place, q})
	}
	slices.SortFunc(out, func(a, b RunBasket) int { return cmp.Or(strings.Compare(a.Dish, b.Dish), a.Basket-b.Basket) })
	return out
}

// candidate is an evening with how late its table is.
type candidate struct {
	*planned
	serve time.Time
	late  float64 // minutes
}

// better says whether a is the better evening.
func (a *candidate) better(b *candidate) bool {
	switch {
	case b == nil:
		return true
	case len(a.missed) != len(b.missed):
		return len(a.missed) < len(b.missed)
	case math.Abs(a.late-b.late) > 0.25:
		return a.late < b.late
	}
	return a.total() < b.total()-1e-9
}

func (a *candidate) total() float64 { return a.cost + short*(1-a.ease) }

// try places a choice, with waits as near to their best as there is time for,
// and later where there is not enough.
func (k *Kitchen) try(ctx context.Context, s *Supper, all []readyDish, c arrangement) (*candidate, error) {
	serve := s.ServeAt
	for range 6 {
		for _, e := range eases {
			c.ease = e
			p, err := k.plan(ctx, s, all, c, serve)
			if err != nil {
				return nil, err
			}
			room := math.Inf(-1)
			if s.Earliest != nil {
				room = s.Earliest.Sub(serve).Minutes()
			}
			if p.start >= room-tick || e == 0 {
				if p.start >= room-tick {
					return &candidate{p, serve, serve.Sub(s.ServeAt).Minutes()}, nil
				}
				serve = serve.Add(time.Duration(math.Ceil(room-p.start-tick)) * time.Minute)
				break
			}
		}
	}
	p, err := k.plan(ctx, s, all, c, serve)
	if err != nil {
		return nil, err
	}
	return &candidate{p, serve, serve.Sub(s.ServeAt).Minutes()}, nil
}

// search returns the best evening, and the best of each other order.
func (k *Kitchen) search(ctx context.Context, s *Supper, all []readyDish, where [][]string) (*candidate, []*candidate, error) {
	var best *candidate
	byOrder := map[string]*candidate{}
	for _, fryers := range spread(where) {
		seen := map[string]bool{}
		for _, order := range orders(len(all), s.Order, all) {
			// What is in different fryers has no order between them.
			id := sequence(order, fryers, all)
			if seen[id] {
				continue
			}
			seen[id] = true
			for hands := 1; hands <= s.Hands; hands++ {
				c := arrangement{order: order, fryers: fryers, flash: make([]bool, len(all)), hands: hands}
				for i := range all {
					c.flash[i] = all[i].Flash != nil && *all[i].Flash
				}
				got, err := k.try(ctx, s, all, c)
				if err != nil {
					return nil, nil, err
				}
				// A flash for each dish by itself, where it is better with it.
				for i := range all {
					if all[i].Flash != nil || !waits(got.planned, i) {
						continue
					}
					with := c
					with.flash = slices.Clone(got.flash)
					with.flash[i] = true
					other, err := k.try(ctx, s, all, with)
					if err != nil {
						return nil, nil, err
					}
					if other.better(got) {
						got = other
					}
				}
				if got.better(best) {
					best = got
				}
				if got.better(byOrder[id]) {
					byOrder[id] = got
				}
			}
		}
		if ctx.Err() != nil {
			return nil, nil, ctx.Err()
		}
	}
	if len(best.missed) > 0 {
		return nil, nil, refuse.One("pins", strings.Join(best.missed, ", "), "moments at which hands and place are free, before what follows")
	}
	var others []*candidate
	mine := sequence(best.order, best.fryers, all)
	for id, c := range byOrder {
		if id != mine {
			others = append(others, c)
		}
	}
	slices.SortFunc(others, func(a, b *candidate) int {
		if a.better(b) {
			return -1
		} else if b.better(a) {
			return 1
		}
		return strings.Compare(sequence(a.order, a.fryers, all), sequence(b.order, b.fryers, all))
	})
	return best, others, nil
}

// waits says whether a basket of a dish stands long enough to be flashed.
func waits(p *planned, dish int) bool {
	return slices.ContainsFunc(p.plates, func(b plated) bool {
		return b.dish == dish && b.wait >= flashFrom+p.fried[[2]int{dish, b.basket}].RestMin
	})
}

// sequence names which dish is in which fryer in which order.
func sequence(order []int, fryers []string, all []readyDish) string {
	var out []string
	for _, i := range order {
		out = append(out, fryers[i]+"@"+all[i].ID)
	}
	slices.SortStableFunc(out, func(a, b string) int {
		x, _, _ := strings.Cut(a, "@")
		y, _, _ := strings.Cut(b, "@")
		return strings.Compare(x, y)
	})
	return strings.Join(out, " ")
}

// spread lists which dish goes into which fryer. The first of a fryer with two
// drawers goes into the left one: the other way round is the same evening, where
// no dish is to be in one of them.
func spread(where [][]string) [][]string {
	out := [][]string{{}}
	alike := func(fryer string) bool {
		return !slices.ContainsFunc(where, func(may []string) bool {
			return slices.Contains(may, fryer) != slices.Contains(may, fryer+rightDrawer)
		})
	}
	for _, may := range where {
		var next [][]string
		for _, so := range out {
			for _, f := range may {
				if strings.HasSuffix(f, rightDrawer) && alike(FryerOf(f)) && !slices.ContainsFunc(so, func(o string) bool { return FryerOf(o) == FryerOf(f) }) {
					continue
				}
				next = append(next, append(slices.Clone(so), f))
			}
		}
		if len(next) > 64 {
			next = next[:64]
		}
		out = next
	}
	return out
}

// orders lists the orders of n dishes, or the one that is wanted with what it
// leaves out behind it.
func orders(n int, wanted []string, all []readyDish) [][]int {
	if len(wanted) > 0 {
		var one []int
		for _, id := range wanted {
			one = append(one, slices.IndexFunc(all, func(c readyDish) bool { return c.ID == id }))
		}
		for i := range all {
			if !slices.Contains(one, i) {
				one = append(one, i)
			}
		}
		return [][]int{one}
	}
	out := [][]int{{}}
	for range n {
		var next [][]int
		for _, so := range out {
			for i := range n {
				if !slices.Contains(so, i) {
					next = append(next, append(slices.Clone(so), i))
				}
			}
		}
		out = next
	}
	return out
}

// write puts an evening into moments and words.
func (k *Kitchen) write(ctx context.Context, s *Supper, all []readyDish, best *candidate, others []*candidate) (Sheet, error) {
	at := func(m float64) time.Time {
		return best.serve.Add(time.Duration(math.Round(m*60)) * time.Second)
	}
	out := Sheet{Fryers: []FryingPlace{}, ServeAt: best.serve, StartAt: at(best.start), OnTime: best.late < 0.25, Tasks: []Task{}, Plate: []ServedBasket{}, Others: []Other{}, Tight: []Tight{}, Order: []string{}, Shortened: 1 - best.ease}
	for _, f := range s.Fryers {
		out.Fryers = append(out.Fryers, FryingPlace{f.ID, placeName(f, len(s.Fryers))})
	}
	for _, i := range best.order {
		out.Order = append(out.Order, all[i].ID)
	}
	for _, t := range best.tasks {
		task := t.Task
		task.Start, task.End = at(t.from), at(t.to)
		out.Tasks = append(out.Tasks, task)
	}
	share(out.Tasks, best.hands)
	for _, b := range best.plates {
		d := &all[b.dish]
		f := best.fried[[2]int{b.dish, b.basket}]
		p := ServedBasket{Dish: d.ID, Basket: b.basket, Pieces: b.pieces, OutAt: at(b.out), WaitMin: b.wait, Crust: math.Floor(b.crust), CoreC: math.Round(b.coreC), Safe: f.SafeBy <= f.Program.Minutes()+tick, Flashed: b.flashed, Lab: []float64{}, Line: []float64{}}
		if n := len(f.Colours); n > 0 {
			p.Lab = append(p.Lab, f.Colours[n-1][:]...)
		}
		for m := 0.0; m <= math.Min(b.wait, float64(len(f.Kept)-1)); m++ {
			p.Line = append(p.Line, math.Round(f.Kept[int(m)]*10)/10)
		}
		p.Name, p.Says = plateSays(d, b), k.waitedSays(s, d, b)
		out.Plate = append(out.Plate, p)
	}
	slices.SortStableFunc(out.Plate, func(a, b ServedBasket) int { return a.OutAt.Compare(b.OutAt) })
	if !out.OnTime {
		out.Why = k.why(s, best)
	}
	out.Others = k.others(all, best, others)
	if err := k.moreHands(ctx, s, all, best, &out); err != nil {
		return out, err
	}
	out.Shorter = k.shorter(all, best)
	out.Tight = tight(best, at)
	out.Chance = chance(best)
	out.ChanceSays = chanceSays(out.Chance, s.ServeAt.Location())
	out.Cautions = k.cautions(s, all, best)
	out.Shopping, out.Counter = k.shopping(all), k.counter(all, out)
	return out, nil
}

// share gives each task to a pair of hands that is free: the one that has been
// at the same dish last, where it is.
func share(tasks []Task, hands int) {
	free, last := make([]time.Time, hands), make([]string, hands)
	for i := range tasks {
		t := &tasks[i]
		if t.Hands == 0 {
			continue
		}
		who := -1
		for h := range free {
			if !free[h].After(t.Start) && (who < 0 || last[h] == t.Dish && last[who] != t.Dish) {
				who = h
			}
		}
		if who < 0 {
			who = 0 // of several at once
		}
		free[who], last[who], t.Who = t.End, t.Dish, who+1
	}
}

// moreHands says what another pair would do.
func (k *Kitchen) moreHands(ctx context.Context, s *Supper, all []readyDish, best *candidate, out *Sheet) error {
	c := best.arrangement
	c.hands = s.Hands + 1
	got, err := k.try(ctx, s, all, c)
	if err != nil {
		return err
	}
	later := got.start - best.start - (best.serve.Sub(got.serve)).Minutes()
	o := Other{ID: "hands", Hands: c.hands, StartAt: got.serve.Add(time.Duration(got.start * float64(time.Minute))), ServeAt: got.serve, Crust: softest(got.planned) - softest(best.planned)}
	o.Name, o.Says = moreHandsSays(best.late-got.late, later)
	out.Others = append(out.Others, o)
	return nil
}

func softest(p *planned) float64 {
	least := 100.0
	for _, b := range p.plates {
		least = math.Min(least, b.crust)
	}
	return least
}

// others are the other orders, and what each costs whom.
func (k *Kitchen) others(all []readyDish, best *candidate, list []*candidate) []Other {
	out := []Other{}
	for _, c := range list[:min(len(list), 3)] {
		o := Other{ID: "order", ServeAt: c.serve, StartAt: c.serve.Add(time.Duration(c.start * float64(time.Minute))), Crust: softest(c.planned) - softest(best.planned)}
		var names []string
		for _, i := range c.order {
			o.Order = append(o.Order, all[i].ID)
			names = append(names, all[i].name)
		}
		would := costs{laterMin: c.late - best.late, soonerMin: best.start - c.start}
		for i := range all {
			d := mean(c.planned, i) - mean(best.planned, i)
			if -d > would.lost+0.5 {
				would.loses, would.lost = all[i].name, -d
			}
			if d >= 1 {
				would.gains, would.gained = all[i].name, d
			}
		}
		o.Name, o.Says = orderSays(names, would)
		out = append(out, o)
	}
	return out
}

// mean is the crust of a dish on the plate, over its pieces.
func mean(p *planned, dish int) float64 {
	sum, n := 0.0, 0.0
	for _, b := range p.plates {
		if b.dish == dish {
			sum, n = sum+b.crust*float64(b.pieces), n+float64(b.pieces)
		}
	}
	return sum / math.Max(1, n)
}
