package sheet

import (
	"cmp"
	"context"
	"fmt"
	"math"
	"slices"
	"strings"
	"time"

	"velocrustum/core/load"
	"velocrustum/core/refuse"
)

// # Which evening
//
// The best evening is on time, or as little late as can be; then by what crust is
// missing on the plate, what stands, and how late it can begin. All orders, fryers,
// flashes and hands are weighed (tree.go), so that more hands or another fryer never
// make it worse: the evening without them is among those.

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
	found, others, gap, err := k.search(ctx, &s, all, where)
	if err != nil {
		return Sheet{}, nil, err
	}
	best, err := k.tell(ctx, &s, all, found)
	if err != nil {
		return Sheet{}, nil, err
	}
	out, err := k.write(ctx, &s, all, best, others)
	gap /= float64(len(all))
	out.Gap, out.GapSays = math.Round(gap*10)/10, gapSays(gap)
	return out, best.runBaskets(&s, all), err
}

// tell is an evening that was found, with its tasks in words.
func (k *Kitchen) tell(ctx context.Context, s *Supper, all []readyDish, found *candidate) (*candidate, error) {
	c := found.arrangement
	c.told = true
	p, err := k.plan(ctx, s, all, c, found.serve)
	if err != nil {
		return nil, err
	}
	return &candidate{p, found.serve, found.late}, nil
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

// latest is how much later than asked for a table is looked for, minutes: a marinade of
// two days, and as much again.
const latest = 4 * 24 * 60.0

// try places a choice so many minutes later than asked for, with waits as near to their
// best as there is time for. It is nil where it would have to begin sooner than it may,
// by so many minutes at least.
func (k *Kitchen) try(ctx context.Context, s *Supper, all []readyDish, c arrangement, late float64) (got *candidate, short float64, err error) {
	serve := s.at(late)
	for _, e := range eases {
		c.ease = e
		p, err := k.plan(ctx, s, all, c, serve)
		if err != nil {
			return nil, 0, err
		}
		if short = s.room() - late - p.start; short <= tick && p.start > -noHands {
			return &candidate{p, serve, late}, 0, nil
		}
	}
	return nil, short, nil
}

// at is a table so many minutes later than asked for.
func (s *Supper) at(late float64) time.Time {
	return s.ServeAt.Add(time.Duration(math.Round(late*60)) * time.Second)
}

// moves says whether an evening is the same at any other time.
func (s *Supper) moves() bool { return len(s.Away) == 0 && len(s.Pins) == 0 }

// glance is how far apart tables are looked for, minutes, where each would take too
// long, and finely for how long each minute is.
const glance, finely = 15.0, 240.0

// soonest is try at the first table that it can be, up to most minutes late; nil
// where it is none.
func (k *Kitchen) soonest(ctx context.Context, s *Supper, all []readyDish, c arrangement, most float64) (*candidate, error) {
	for late := 0.0; late <= most+0.25; {
		got, short, err := k.try(ctx, s, all, c, late)
		if err != nil || got != nil {
			return got, err
		}
		if s.moves() {
			late += math.Max(1, math.Ceil(short-tick))
		} else {
			late += glance / 3
		}
	}
	return nil, nil
}

// room is when the first thing may begin, minutes from the table; −Inf for whenever.
func (s *Supper) room() float64 {
	if s.Earliest == nil {
		return math.Inf(-1)
	}
	return s.Earliest.Sub(s.ServeAt).Minutes()
}

// search returns the best evening, the best of each other order that was weighed, and
// by how much an evening that was not looked at may be better. Its table is the first
// at which any evening can be.
func (k *Kitchen) search(ctx context.Context, s *Supper, all []readyDish, where [][]string) (*candidate, []*candidate, float64, error) {
	t := &tree{k: k, s: s, all: all, ctx: ctx}
	if err := t.begin(where); err != nil {
		return nil, nil, 0, err
	}
	if err := t.soonestOf(t.bases(where), t.plain(where)); err != nil {
		return nil, nil, 0, err
	}
	if t.best == nil {
		return nil, nil, 0, refuse.One("away", "hands that are away", fmt.Sprintf("hands for long enough before a table within %.0f days of that moment", latest/24/60))
	}
	best := t.best
	if len(best.missed) > 0 {
		return nil, nil, 0, k.pinned(ctx, s, all, best)
	}
	if err := t.first(); err != nil {
		return nil, nil, 0, err
	}
	var others []*candidate
	mine := sequence(&best.arrangement, all)
	for id, c := range t.tried {
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
		return strings.Compare(sequence(&a.arrangement, all), sequence(&b.arrangement, all))
	})
	return best, others, math.Max(0, best.total()-t.open), nil
}

// pinned refuses pins that cannot be held, each once, and says why.
func (k *Kitchen) pinned(ctx context.Context, s *Supper, all []readyDish, best *candidate) error {
	told, err := k.tell(ctx, s, all, best)
	if err != nil {
		return err
	}
	var c refuse.Check
	for i, pin := range s.Pins {
		if !slices.Contains(told.missed, string(pin.Task)) {
			continue
		}
		j := slices.IndexFunc(told.tasks, func(t timed) bool { return t.ID == pin.Task })
		if j < 0 {
			c.Add(fmt.Sprintf("pins[%d].task", i), string(pin.Task), "a task of this sheet")
			continue
		}
		t := told.tasks[j]
		c.Add(fmt.Sprintf("pins[%d].start", i), fmt.Sprintf("%s at %s", t.Says, pin.Start.In(s.ServeAt.Location()).Format("15:04")),
			fmt.Sprintf("%s at the latest, before what follows it, with hands and place free", told.serve.Add(time.Duration(t.from*float64(time.Minute))).In(s.ServeAt.Location()).Format("15:04")))
	}
	if err := c.Err(); err != nil {
		return err
	}
	return refuse.One("pins", strings.Join(told.missed, ", "), "moments at which hands and place are free, before what follows")
}

// first tries each dish before the others, so that what another order costs can be
// said though none is better.
func (t *tree) first() error {
	best := t.best
	if len(t.s.Order) > 0 {
		return nil
	}
	for i := range t.all {
		c := best.arrangement
		c.seqs = slices.Clone(c.seqs)
		for n, seq := range c.seqs {
			c.seqs[n] = slices.Clone(seq)
			slices.SortStableFunc(c.seqs[n], func(a, b dealtBasket) int {
				return map[bool]int{true: 0, false: 1}[a.dish == i] - map[bool]int{true: 0, false: 1}[b.dish == i]
			})
		}
		id := sequence(&c, t.all)
		if t.tried[id] != nil {
			continue
		}
		got, err := t.k.soonest(t.ctx, t.s, t.all, c, best.late+toldLater)
		if err != nil {
			return err
		}
		if got != nil {
			t.tried[id] = got
		}
	}
	return nil
}

// toldLater is how much later than the best another order may be to be told of, minutes.
const toldLater = 120.0

// sequence names which basket goes in where after which.
func sequence(c *arrangement, all []readyDish) string {
	var out []string
	for n, seq := range c.seqs {
		for _, b := range seq {
			out = append(out, fmt.Sprintf("%d@%s/%d", n, all[b.dish].ID, b.number))
		}
	}
	return strings.Join(out, " ")
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
	for _, i := range best.order() {
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
	out.Shorter, out.Over = k.shorter(all, best), k.over(s, all, best)
	out.Tight = tight(best, at)
	out.Chance = chance(best)
	out.ChanceSays = chanceSays(out.Chance, s.ServeAt.Location())
	out.Cautions = k.cautions(s, all, best)
	out.Clock = clockOf(out.Tasks)
	out.Shopping, out.Counter = k.shopping(s, all), k.counter(all, out)
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
	got, err := k.soonest(ctx, s, all, c, best.late)
	if err != nil || got == nil {
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
		for _, i := range c.order() {
			o.Order = append(o.Order, all[i].ID)
			names = append(names, all[i].name)
		}
		would := costs{laterMin: c.late - best.late, soonerMin: best.start - c.start}
		for i := range all {
			d := meanOf(c.planned, i) - meanOf(best.planned, i)
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

// meanOf is the crust of a dish on the plate, over its pieces.
func meanOf(p *planned, dish int) float64 {
	sum, n := 0.0, 0.0
	for _, b := range p.plates {
		if b.dish == dish {
			sum, n = sum+b.crust*float64(b.pieces), n+float64(b.pieces)
		}
	}
	return sum / math.Max(1, n)
}
