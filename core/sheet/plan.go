package sheet

import (
	"cmp"
	"context"
	"fmt"
	"maps"
	"math"
	"slices"
	"time"

	"velocrustum/core/baskets"
)

// Minutes of hands at the fryer and at the end (±30 %).
const (
	loadMin, outMin     = 1.0, 1.0
	onMin               = 0.25 // to turn a fryer on
	offMin              = 0.5  // to look at a sauce, and lid it off the heat
	ovenHeats           = 10.0 // to be warm
	turnMin, turnEach   = 0.5, 0.04
	turnMost            = 1.5
	flashLoad, flashOut = 0.5, 0.5
	flashMin            = flashLoad + baskets.FlashMin + flashOut
	tossMin             = 1.5
	tableMin            = 2.0
	// waitsFrom is a wait that is told of, minutes.
	waitsFrom = 1.0
)

// An arrangement is one way of running an evening.
type arrangement struct {
	seqs   [][]dealtBasket // by place, in the order in which they go in
	fryers []string        // by dish
	flash  []bool          // by dish
	hands  int
	// told says that its tasks are put into words, which a search has no use for.
	told bool
	// ease is how near elastic waits are to their best: 1 is best, 0 least.
	ease float64
}

// order is that of the dishes, by the basket that each begins with: of one place by
// its sequence, of several by how many go in before.
func (c *arrangement) order() []int {
	out, at := []int{}, map[int]int{}
	for _, seq := range c.seqs {
		for k, b := range slices.Backward(seq) {
			if was, known := at[b.dish]; b.number == 1 || !known && was == 0 {
				at[b.dish] = k
			}
		}
	}
	for i := range c.fryers {
		out = append(out, i)
	}
	slices.SortStableFunc(out, func(a, b int) int { return at[a] - at[b] })
	return out
}

// planned is an evening by a choice, by minutes from the table.
type planned struct {
	arrangement
	tasks   []timed
	fried   map[[2]int]*baskets.Fried // by dish and basket
	plates  []plated
	start   float64
	cost    float64
	softest float64  // crust of any basket on the plate
	missed  []string // pins that cannot be held
	ids     []string // of the dishes
}

func (p *planned) dishOf(id string) int { return slices.Index(p.ids, id) }

// timed is a task with its minutes from the table.
type timed struct {
	Task
	from, to float64
	// in is the task within whose time it is done, and at when.
	in TaskID
	at float64
}

type plated struct {
	dish, basket, pieces int
	out, wait, held      float64
	flashed              bool
	crust, coreC         float64
}

// planner places one evening.
type planner struct {
	k     *Kitchen
	s     *Supper
	all   []readyDish
	c     arrangement
	rooms rooms
	out   planned
	serve time.Time
	table float64 // when the plates are carried
	// carried is that of each table, by when it is laid, and first the first of them.
	carried map[float64]float64
	first   float64
	limits  map[string]float64 // when a dish has to be there
	backIn  map[string]float64 // when it goes in for a flash
}

// say puts something into words, where they are wanted.
func (p *planner) say(words func() string) string {
	if !p.c.told {
		return ""
	}
	return words()
}

func (p *planner) minutes(t time.Time) float64 { return t.Sub(p.serve).Minutes() }

// plan works an evening back by a choice.
func (k *Kitchen) plan(ctx context.Context, s *Supper, all []readyDish, c arrangement, serve time.Time) (*planned, error) {
	p := k.laid(s, all, c, serve)
	if err := p.fry(ctx); err != nil {
		return nil, err
	}
	return p.besides(), nil
}

// laid is an evening of which the table is laid and the dressing placed.
func (k *Kitchen) laid(s *Supper, all []readyDish, c arrangement, serve time.Time) *planner {
	p := &planner{k: k, s: s, all: all, c: c, serve: serve, limits: map[string]float64{}, backIn: map[string]float64{}}
	p.out = planned{arrangement: c, fried: map[[2]int]*baskets.Fried{}, softest: 100}
	for i := range all {
		p.out.ids = append(p.out.ids, all[i].ID)
	}
	p.rooms = rooms{room{has: c.hands}, map[string]*room{OnHob: {has: *s.Hobs}, Board: {has: 1}}}
	for _, f := range s.Fryers {
		p.rooms.places[f.ID] = &room{has: 1}
	}
	for _, a := range s.Away {
		n := a.Hands
		if n == 0 || n > c.hands {
			n = c.hands
		}
		p.rooms.hands.taken = append(p.rooms.hands.taken, span{p.minutes(a.From), p.minutes(a.Until), n})
	}
	p.tables()
	p.dress()
	return p
}

// tables places each moment at which plates are carried.
func (p *planner) tables() {
	p.carried = map[float64]float64{}
	p.table = p.put(block{{Task{ID: TableTask, Kind: Table, Says: tableSays, Place: None, Hands: 1}, -tableMin, 0}}, 0) - tableMin
	p.carried[0] = p.table
	p.first = p.table
	for i := range p.all {
		d := &p.all[i]
		at := p.at(d)
		if _, laid := p.carried[at]; laid {
			continue
		}
		end := p.put(block{{Task{ID: d.tableTask(p.s), Kind: Table, Says: tableFor(d.For), Place: None, Hands: 1}, -tableMin, 0}}, at)
		p.carried[at] = end - tableMin
		p.first = math.Min(p.first, end-tableMin)
	}
}

// at is when a dish is on its table, minutes from that of the others.
func (p *planner) at(d *readyDish) float64 {
	if d.ServeAt == nil {
		return 0
	}
	return d.ServeAt.Sub(p.s.ServeAt).Minutes()
}

// tableTask is the table that a dish comes to.
func (d *readyDish) tableTask(s *Supper) TaskID {
	if d.ServeAt == nil || d.ServeAt.Equal(s.ServeAt) {
		return TableTask
	}
	return TaskID(fmt.Sprintf("%s/%d", TableTask, int(d.ServeAt.Sub(s.ServeAt).Minutes())))
}

// besides places what is not fried, and ends it.
func (p *planner) besides() *planned {
	p.sauces()
	p.sides()
	p.benches()
	p.ovenOn()
	p.finish()
	return &p.out
}

// roomy is a copy with room for what a basket adds.
func roomy[T any](of []T) []T { return append(make([]T, 0, len(of)+10), of...) }

// clone is the same evening, to go on otherwise.
func (p *planner) clone() *planner {
	q := *p
	q.rooms = p.rooms.clone()
	q.out.tasks, q.out.plates, q.out.missed = roomy(p.out.tasks), roomy(p.out.plates), slices.Clone(p.out.missed)
	q.out.fried, q.backIn = maps.Clone(p.out.fried), maps.Clone(p.backIn)
	return &q
}

// put places a block, where a pin does not hold it, and returns its end.
func (p *planner) put(b block, limit float64) float64 {
	end, pinned := 0.0, false
	for i := range b {
		for _, pin := range p.s.Pins {
			if pin.Task != b[i].ID {
				continue
			}
			end, pinned, b[i].Pin = p.minutes(pin.Start)-b[i].from, true, true
			end = p.rooms.givingWay(b, end, limit, pin.Toward)
		}
	}
	if pinned && (end > limit+tick || !p.rooms.free(b, end)) {
		for i := range b {
			if b[i].Pin {
				p.out.missed, b[i].Pin = append(p.out.missed, string(b[i].ID)), false
			}
		}
		pinned = false
	}
	if pinned {
		p.rooms.take(b, end)
	} else {
		end = p.rooms.place(b, limit)
	}
	for _, one := range b {
		if one.ID == "" {
			continue // only hands, for a moment
		}
		p.out.tasks = append(p.out.tasks, timed{Task: one.Task, from: end + one.from, to: end + one.to})
	}
	return end
}

// fry places the baskets of each fryer, the last one first.
func (p *planner) fry(ctx context.Context) error {
	for n, f := range p.s.Fryers {
		seq := p.c.seqs[n]
		next := math.Inf(1)
		for k := len(seq) - 1; k >= 0; k-- {
			after := 0.0
			if k > 0 {
				after = p.all[seq[k-1].dish].lastAir()
			}
			var err error
			if next, err = p.inBefore(ctx, seq[k], f.ID, after, next); err != nil {
				return err
			}
		}
	}
	return nil
}

// inBefore places a basket before next, the moment at which its fryer is wanted, out of
// a fryer that another left so hot, and returns when it is wanted now.
func (p *planner) inBefore(ctx context.Context, b dealtBasket, fryer string, after, next float64) (float64, error) {
	d := &p.all[b.dish]
	fried, err := p.k.fry(ctx, p.s, d, b, fryer, after)
	if err != nil {
		return 0, err
	}
	p.out.fried[[2]int{b.dish, b.number}] = fried
	next = p.flashes(fryer, next, p.at(d))
	bl := p.basket(d, b, fryer, fried)
	limit := p.limits[d.ID]
	if in, flash := p.backIn[d.ID]; flash {
		limit = math.Min(limit, in)
	}
	end := p.put(bl, math.Min(limit-fried.RestMin, next))
	if gap := next - end; gap > tick && !math.IsInf(next, 1) {
		// It is kept hot until the next, which counts with that.
		p.put(block{{Task{ID: TaskOfBasket(d.ID, b.number, keepHot), Dish: d.ID, Basket: b.number, Kind: Heat, Says: keepHotSays, Place: fryer}, -gap, 0}}, next)
	}
	one := plated{dish: b.dish, basket: b.number, pieces: b.pieces, out: end}
	p.onThePlate(&one, fried)
	p.out.plates = append(p.out.plates, one)
	return end - bl.length(), nil
}

// onThePlate works out what is on the plate of a basket that is out.
func (p *planner) onThePlate(b *plated, f *baskets.Fried) {
	d := &p.all[b.dish]
	in, flash := p.backIn[d.ID]
	b.flashed = flash
	served := p.at(d)
	until := p.limits[d.ID] // when it is sauced, seasoned or carried
	b.wait = served - b.out
	b.held = until - b.out
	rest := served - until
	if b.flashed {
		b.held = in - b.out
		rest = served - p.from(taskOf(d.ID, "flash")) - baskets.FlashMin
	}
	b.crust, b.coreC = f.After(b.held, b.flashed)
	later, _ := f.After(rest, false)
	b.crust = math.Max(0, b.crust-(f.Crust-later))
	share := float64(b.pieces) / float64(d.ready.Pieces())
	p.out.cost += share * (100 - b.crust + coldCosts(b.coreC) + waitCosts(b.wait))
	p.out.softest = math.Min(p.out.softest, b.crust)
}

// flashes places those of a fryer that belong to a table or to a later one, before next,
// and returns when the first of them begins.
func (p *planner) flashes(fryer string, next, table float64) float64 {
	order := make([]int, len(p.all))
	for i := range order {
		order[i] = len(p.all) - 1 - i
	}
	slices.SortStableFunc(order, func(a, b int) int { return cmp.Compare(p.at(&p.all[b]), p.at(&p.all[a])) })
	for _, i := range order {
		d := &p.all[i]
		if _, placed := p.backIn[d.ID]; !p.c.flash[i] || placed || placeOf(p.c.fryers[i], 1) != fryer || p.at(d) < table-tick {
			continue
		}
		long := flashMin
		end := p.put(block{
			{Task{ID: taskOf(d.ID, "flash"), Dish: d.ID, Kind: Flash, Says: p.say(func() string { return flashSays(d.name) }), Place: fryer}, -flashOut - baskets.FlashMin, -flashOut},
			{Task{ID: taskOf(d.ID, "flash-in"), Dish: d.ID, Kind: Load, Says: p.say(func() string { return backInSays(d.name) }), Place: fryer, Hands: 1}, -long, -flashOut - baskets.FlashMin},
			{Task{ID: taskOf(d.ID, "flash-out"), Dish: d.ID, Kind: TakeIt, Says: p.say(func() string { return flashedOutSays(d.name) }), Place: fryer, Hands: 1}, -flashOut, 0},
		}, math.Min(p.limits[d.ID], next))
		next = end - long
		p.backIn[d.ID] = next
	}
	return next
}

// basket is the block of one: heating, in, running with its turns, out.
func (p *planner) basket(d *readyDish, b dealtBasket, fryer string, f *baskets.Fried) block {
	id := func(what string) TaskID { return TaskOfBasket(d.ID, b.number, what) }
	name := basketName(d, b.number)
	run := f.Program.Minutes()
	task := func(what, kind, says, place string, hands int) Task {
		return Task{ID: id(what), Dish: d.ID, Basket: b.number, Kind: kind, Says: says, Place: place, Hands: hands}
	}
	first := f.Program.Stages[0]
	out := block{}
	if pre := f.Program.PreheatMin; pre > 0 {
		out = append(out, part{task("heat", Heat, p.say(func() string { return p.k.heatSays(first) }), fryer, 0), -outMin - run - loadMin - pre, -outMin - run - loadMin},
			part{Task{Place: None, Hands: 1}, -outMin - run - loadMin - pre, -outMin - run - loadMin - pre + onMin})
	}
	ran := task("run", Run, p.say(func() string { return p.k.runSays(name, f.Program) }), fryer, 0)
	ran.Colours = f.Colours
	out = append(out,
		part{task("load", Load, p.say(func() string { return p.k.loadSays(name, b.pieces, first) }), fryer, 1), -outMin - run - loadMin, -outMin - run},
		part{ran, -outMin - run, -outMin})
	takes := math.Min(turnMost, round(turnMin+turnEach*float64(b.pieces)))
	after := math.Inf(-1)
	for i, t := range f.Program.Turns {
		// One after the other, where two lots are turned or brushed at once.
		from := math.Min(math.Max(-outMin-run+t.AtMin, after), -outMin-takes)
		if from < after-tick { // no room for another: it is done with the one before
			continue
		}
		after = from + takes
		out = append(out, part{task(fmt.Sprintf("turn%d", i+1), Turn, p.say(func() string { return turnSays(t.Kind, name) }), None, 1), from, from + takes})
	}
	return append(out, part{task("out", TakeIt, p.say(func() string { return takeOutSays(name, d.worked.Lots) }), fryer, 1), -outMin, 0})
}

// finish says what is on the plate, where what is out waits, and what comes
// before what.
func (p *planner) finish() {
	for i := range p.out.plates {
		b := &p.out.plates[i]
		d := &p.all[b.dish]
		f := p.out.fried[[2]int{b.dish, b.basket}]
		held := b.held
		if f.RestMin > 0 {
			rest := math.Min(held, f.RestMin)
			p.out.tasks = append(p.out.tasks, timed{Task: Task{ID: TaskOfBasket(d.ID, b.basket, "rest"), Dish: d.ID, Basket: b.basket, Kind: Rests, Says: p.say(func() string { return restsSays(basketName(d, b.basket)) }), Place: None}, from: b.out, to: b.out + rest})
		}
		if held-f.RestMin >= waitsFrom {
			place := None
			if p.s.Oven != nil {
				place = InOven
			}
			p.out.tasks = append(p.out.tasks, timed{Task: Task{ID: TaskOfBasket(d.ID, b.basket, "hold"), Dish: d.ID, Basket: b.basket, Kind: Hold, Says: p.say(func() string { return p.k.holdSays(p.s, d, b.basket) }), Place: place}, from: b.out + f.RestMin, to: b.out + held})
		}
	}
	slices.SortStableFunc(p.out.tasks, func(a, b timed) int {
		switch {
		case a.from < b.from-tick:
			return -1
		case a.from > b.from+tick:
			return 1
		}
		return cmp.Compare(a.ID, b.ID)
	})
	p.out.start = p.out.tasks[0].from
	p.out.cost += sooner*-p.out.start + p.softCost()
	p.causes()
}
