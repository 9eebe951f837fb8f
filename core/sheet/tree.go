package sheet

import (
	"cmp"
	"context"
	"math"
	"slices"
)

// # Which order
//
// Which dish is in which fryer, which are flashed, and in which order the baskets go
// in, those of different dishes by turns where that is better: all of it is a tree, of
// which each basket placed, the last one first, is a branch. A branch costs at least
// what its plates lack so far, and what the baskets that are left lack if each is as
// good as any fryer makes it and waits no longer than for those behind it. What costs
// at least as much as the best evening so far is cut off; nothing else is. Where there
// is more than looks can be had for, the search ends, and by how much the best evening
// may fall short of what was not looked at is said.

// looks is how many baskets are placed at most in one search.
const looks = 40000

// base is who is in which fryer, who is flashed, and with how many hands.
type base struct {
	fryers []string
	flash  []bool
	hands  int
	least  float64 // that it costs
	start  float64 // how long before the table it begins, minutes, at least
}

// tree is a search.
type tree struct {
	k    *Kitchen
	s    *Supper
	all  []readyDish
	ctx  context.Context
	late float64 // of the table that is tried, minutes
	room float64 // minutes from it before which nothing is begun
	// lacks is what a basket lacks at least on the plate, by dish, basket, where it is
	// fried and whether it is flashed, for each whole minute that it waits at least.
	lacks map[lacking][]float64
	softs map[lacking][]float64 // the same of its crust alone, of 100
	takes map[lacking]float64   // the least that it keeps a fryer busy, minutes
	bench []float64             // the least that a dish takes before its first basket
	last  float64               // when the last table is, minutes from that of the others

	best  *candidate
	tried map[string]*candidate
	left  int // looks, and here of what is looked at now
	here  int
	keys  []lacking
	waits []float64
	line  []float64
	open  float64 // the least that anything costs which was not looked at
	// unseen is the least that a base costs which is none of those that are tried.
	unseen float64
}

// lacking names a basket, a fryer and a flash.
type lacking struct {
	dish, basket int
	fryer        string
	flash        bool
}

// begin works out what every basket costs at least.
func (t *tree) begin(where [][]string) error {
	t.lacks, t.softs, t.takes = map[lacking][]float64{}, map[lacking][]float64{}, map[lacking]float64{}
	t.waits = make([]float64, len(t.all))
	for i := range t.all {
		d := &t.all[i]
		least := 0.0
		for _, tasks := range d.tasks {
			long := 0.0
			for _, b := range tasks {
				long += b.Hands + round(b.Wait.Least)
			}
			least = max(least, long)
		}
		t.bench = append(t.bench, least)
		if d.ServeAt != nil {
			t.last = max(t.last, d.ServeAt.Sub(t.s.ServeAt).Minutes())
		}
		for _, fryer := range where[i] {
			for _, b := range d.baskets {
				in := placeOf(fryer, b.number)
				share := float64(b.pieces) / float64(d.ready.Pieces())
				for _, after := range append([]float64{0}, t.k.afters(t.s, t.all, where, i, b, fryer)...) {
					f, err := t.k.fry(t.ctx, t.s, d, b, in, after)
					if err != nil {
						return err
					}
					for _, flash := range []bool{false, true} {
						key := lacking{i, b.number, in, flash}
						long := loadMin + f.Program.Minutes() + outMin
						if was, known := t.takes[key]; !known || long < was {
							t.takes[key] = long
						}
						line, softs := t.lacks[key], t.softs[key]
						for m := range f.Kept {
							crust, coreC := f.After(float64(m), flash)
							now := share * (100 - crust + coldCosts(coreC) + waitCosts(float64(m)))
							if m >= len(line) {
								line, softs = append(line, now), append(softs, 100-crust)
							}
							line[m], softs[m] = min(line[m], now), min(softs[m], 100-crust)
						}
						t.lacks[key], t.softs[key] = line, softs
					}
				}
			}
		}
	}
	// What waits longer may be no better than what waits less.
	for _, lines := range []map[lacking][]float64{t.lacks, t.softs} {
		for _, line := range lines {
			for m := len(line) - 2; m >= 0; m-- {
				line[m] = min(line[m], line[m+1])
			}
		}
	}
	return nil
}

// of is what a basket has at least that waits so many minutes or more.
func of(lines map[lacking][]float64, key lacking, wait float64) float64 {
	line := lines[key]
	return line[min(len(line)-1, max(0, int(math.Floor(wait))))]
}

// inPlace are the baskets that are fried at a place, by dish in their order.
func (t *tree) inPlace(b *base, place string) (out [][]dealtBasket) {
	out = make([][]dealtBasket, len(t.all))
	for i := range t.all {
		for _, one := range t.all[i].baskets {
			if placeOf(b.fryers[i], one.number) == place {
				out[i] = append(out[i], one)
			}
		}
	}
	return out
}

// atLeast is what baskets that are left cost at least, how soft the softest of them is,
// of 100 lacking, and how long they keep their place busy.
type atLeast struct{ cost, soft, busy float64 }

// least is that of the baskets left at a place, each out so many minutes before its dish
// is wanted at least, by dish; nil is none.
func (t *tree) least(b *base, place string, left [][]dealtBasket, waits []float64) (out atLeast) {
	t.keys, t.line = t.keys[:0], t.line[:0]
	wait := func(key lacking) float64 {
		if waits == nil {
			return 0
		}
		return waits[key.dish]
	}
	for i, list := range left {
		for _, one := range list {
			key := lacking{i, one.number, place, b.flash[i]}
			t.keys, t.line = append(t.keys, key), append(t.line, t.takes[key])
			out.cost += of(t.lacks, key, wait(key))
			out.soft = max(out.soft, of(t.softs, key, wait(key)))
			out.busy += t.takes[key]
		}
	}
	// In whatever order, the one that is k-th from the last waits for k others.
	slices.Sort(t.line)
	behind := 0.0
	for k := range len(t.line) - 1 {
		behind += t.line[k]
		more, soft := math.Inf(1), math.Inf(1)
		for _, key := range t.keys {
			w := wait(key)
			more, soft = min(more, of(t.lacks, key, w+behind)-of(t.lacks, key, w)), min(soft, of(t.softs, key, w+behind))
		}
		out.cost += max(0, more)
		out.soft = max(out.soft, soft)
	}
	return out
}

// at looks for the best evening with its table so many minutes later than asked for, by
// as many looks as are left.
func (t *tree) at(late float64, bases []*base) error {
	t.late, t.room = late, t.s.room()-late
	t.best, t.tried = nil, map[string]*candidate{}
	// First a little at each, so that much can be cut off when all is looked at.
	for _, most := range []int{firstLooks, looks} {
		t.open = t.unseen
		for _, b := range bases {
			t.here = most
			if err := t.look(b); err != nil {
				return err
			}
		}
	}
	return nil
}

// firstLooks is how much of a base is looked at at first.
const firstLooks = 120

// hopeless says whether what begins so long before the table, at least, begins too
// soon, or what costs so much at least cannot be better than the best evening so far.
func (t *tree) hopeless(start, cost float64) bool {
	if t.room+start > tick {
		return true
	}
	return t.best != nil && len(t.best.missed) == 0 && cost >= t.best.total()-1e-9
}

// look tries a base: fryer by fryer, basket by basket.
func (t *tree) look(b *base) error {
	if t.hopeless(b.start, b.least) {
		return nil
	}
	if t.left <= 0 || t.here <= 0 {
		t.open = min(t.open, b.least)
		return nil
	}
	c := arrangement{fryers: b.fryers, flash: b.flash, hands: b.hands, ease: 1, seqs: make([][]dealtBasket, len(t.s.Fryers))}
	return t.fryer(b, t.k.laid(t.s, t.all, c, t.s.at(t.late)), 0)
}

// fryer goes on with the next place.
func (t *tree) fryer(b *base, p *planner, n int) error {
	if n == len(t.s.Fryers) {
		return t.leaf(p)
	}
	place := t.s.Fryers[n].ID
	return t.before(b, p, n, t.inPlace(b, place), nil, math.Inf(1))
}

// branch is a basket that may go in before.
type branch struct {
	of    dealtBasket
	p     *planner
	left  [][]dealtBasket
	next  float64
	start float64
	cost  float64
}

// before places what is pending at a place before each of those that may go in before
// it, the most promising first.
func (t *tree) before(b *base, p *planner, n int, left [][]dealtBasket, pending *dealtBasket, next float64) error {
	place := t.s.Fryers[n].ID
	if t.ctx.Err() != nil {
		return t.ctx.Err()
	}
	none := !slices.ContainsFunc(left, func(l []dealtBasket) bool { return len(l) > 0 })
	if none {
		if pending != nil {
			t.left, t.here = t.left-1, t.here-1
			p = p.clone()
			if _, err := p.inBefore(t.ctx, *pending, place, 0, next); err != nil {
				return err
			}
			p.c.seqs = slices.Clone(p.c.seqs)
			p.c.seqs[n] = append([]dealtBasket{*pending}, p.c.seqs[n]...)
		}
		if t.hopeless(t.bound(b, p, n+1, nil, 0, nil)) {
			return nil
		}
		return t.fryer(b, p, n+1)
	}
	var all []branch
	for i := range left {
		if len(left[i]) == 0 || t.s.inOrder(t.all, left, i) {
			continue
		}
		one := branch{of: left[i][len(left[i])-1], p: p, next: next}
		one.left = slices.Clone(left)
		one.left[i] = left[i][:len(left[i])-1]
		if pending != nil {
			t.left, t.here = t.left-1, t.here-1
			one.p = p.clone()
			var err error
			if one.next, err = one.p.inBefore(t.ctx, *pending, place, t.all[i].lastAir(), next); err != nil {
				return err
			}
			one.p.c.seqs = slices.Clone(p.c.seqs)
			one.p.c.seqs[n] = append([]dealtBasket{*pending}, p.c.seqs[n]...)
		}
		one.start, one.cost = t.bound(b, one.p, n, one.left, one.next, &one.of)
		all = append(all, one)
	}
	slices.SortStableFunc(all, func(a, b branch) int {
		return cmp.Compare(a.cost, b.cost)
	})
	for k := range all {
		one := &all[k]
		if t.hopeless(one.start, one.cost) {
			continue
		}
		if t.left <= 0 || t.here <= 0 {
			t.open = min(t.open, one.cost)
			continue
		}
		if err := t.before(b, one.p, n, one.left, &one.of, one.next); err != nil {
			return err
		}
	}
	return nil
}

// inOrder says whether a dish is wanted before another that has baskets left, so that
// none of its own is the last.
func (s *Supper) inOrder(all []readyDish, left [][]dealtBasket, dish int) bool {
	at := slices.Index(s.Order, all[dish].ID)
	if len(s.Order) == 0 {
		return false
	}
	for i := range left {
		if i == dish || len(left[i]) == 0 {
			continue
		}
		other := slices.Index(s.Order, all[i].ID)
		if at >= 0 && (other < 0 || other > at) || at < 0 && other < 0 && i > dish {
			return true
		}
	}
	return false
}

// bound is how long before the table an evening that is fried so far begins at least, and
// what it costs at least: what is left at its place before next, of which the one given
// goes in last, and at the places from n on.
func (t *tree) bound(b *base, p *planner, n int, left [][]dealtBasket, next float64, last *dealtBasket) (start, cost float64) {
	cost = p.out.cost
	soft := 100 - p.out.softest
	for k := n; k < len(t.s.Fryers); k++ {
		place := t.s.Fryers[k].ID
		rest, front := left, min(next, t.last)
		if k > n || left == nil {
			rest, front = t.inPlace(b, place), t.last
		} else if last != nil {
			key := lacking{last.dish, last.number, place, b.flash[last.dish]}
			wanted := t.wanted(p, last.dish)
			front = min(front, wanted)
			wait := t.waitTo(b, p, last.dish, front)
			cost += of(t.lacks, key, wait)
			soft = max(soft, of(t.softs, key, wait))
			front -= t.takes[key]
		}
		for i := range t.all {
			t.waits[i] = t.waitTo(b, p, i, front)
		}
		l := t.least(b, place, rest, t.waits)
		cost += l.cost
		soft = max(soft, l.soft)
		start = max(start, l.busy-front)
	}
	for _, task := range p.out.tasks {
		start = max(start, -task.from)
	}
	for i := range t.all {
		start = max(start, t.bench[i]-t.last)
	}
	return start, cost + sooner*start + softly*soft
}

// waitTo is how long what is out by a moment waits at least. Where its flash has no place
// yet, it may be any moment.
func (t *tree) waitTo(b *base, p *planner, i int, out float64) float64 {
	if _, placed := p.backIn[t.all[i].ID]; b.flash[i] && !placed {
		return 0
	}
	return max(0, t.wanted(p, i)-out)
}

// wanted is when a dish's baskets are to be out at the latest: flashed, sauced, carried.
func (t *tree) wanted(p *planner, i int) float64 {
	id := t.all[i].ID
	if in, flash := p.backIn[id]; flash {
		return in
	}
	return p.limits[id]
}

// leaf ends an evening of which all is fried.
func (t *tree) leaf(p *planner) error {
	if t.hopeless(0, p.out.cost+softly*(100-p.out.softest)) {
		return nil
	}
	for _, e := range eases {
		q := p.clone()
		q.c.ease, q.out.arrangement = e, q.c
		q.out.ease = e
		done := q.besides()
		if t.room-done.start > tick || done.start <= -noHands {
			continue
		}
		got := &candidate{done, t.s.at(t.late), t.late}
		if id := sequence(&got.arrangement, t.all); got.better(t.tried[id]) {
			t.tried[id] = got
		}
		if got.better(t.best) {
			t.best = got
		}
		return nil
	}
	return nil
}
