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
	k      *Kitchen
	s      *Supper
	all    []readyDish
	c      arrangement
	rooms  rooms
	out    planned
	serve  time.Time
	table  float64            // when the plates are carried
	limits map[string]float64 // when a dish has to be there
	backIn map[string]float64 // when it goes in for a flash
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
	p.table = p.put(block{{Task{ID: "table", Kind: Table, Says: tableSays, Place: None, Hands: 1}, -tableMin, 0}}, 0) - tableMin
	p.dress(p.table)
	return p
}

// besides places what is not fried, and ends it.
func (p *planner) besides() *planned {
	p.sauces(p.table)
	p.sides(p.table)
	p.benches()
	p.ovenOn()
	p.finish()
	return &p.out
}

// clone is the same evening, to go on otherwise.
func (p *planner) clone() *planner {
	q := *p
	q.rooms = p.rooms.clone()
	q.out.tasks, q.out.plates, q.out.missed = slices.Clone(p.out.tasks), slices.Clone(p.out.plates), slices.Clone(p.out.missed)
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
		}
	}
	if pinned && (end > limit+tick || !p.rooms.free(b, end)) {
		p.out.missed = append(p.out.missed, string(b[0].ID))
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
		next := p.flashes(f.ID)
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
	until := -tableMin
	if d.sauced {
		until = p.from(taskOf(d.ID, "toss"))
	}
	b.wait = -b.out
	b.held = until - b.out
	rest := -until
	if b.flashed {
		b.held = in - b.out
		rest = -p.from(taskOf(d.ID, "flash")) - baskets.FlashMin
	}
	b.crust, b.coreC = f.After(b.held, b.flashed)
	later, _ := f.After(rest, false)
	b.crust = math.Max(0, b.crust-(f.Crust-later))
	share := float64(b.pieces) / float64(d.ready.Pieces())
	p.out.cost += share * (100 - b.crust + coldCosts(b.coreC) + waiting*b.wait)
	p.out.softest = math.Min(p.out.softest, b.crust)
}

// flashes places those of a fryer, behind its last basket, and returns when
// the first of them begins.
func (p *planner) flashes(fryer string) float64 {
	next := math.Inf(1)
	for i := len(p.all) - 1; i >= 0; i-- {
		d := &p.all[i]
		if !p.c.flash[i] || placeOf(p.c.fryers[i], 1) != fryer {
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
	for i, t := range f.Program.Turns {
		from := math.Min(-outMin-run+t.AtMin, -outMin-takes)
		out = append(out, part{task(fmt.Sprintf("turn%d", i+1), Turn, p.say(func() string { return turnSays(t.Kind, name) }), None, 1), from, from + takes})
	}
	return append(out, part{task("out", TakeIt, p.say(func() string { return takeOutSays(name, d.worked.Lots) }), fryer, 1), -outMin, 0})
}

// sauces places what stands on the hob, ready when it is first wanted.
func (p *planner) sauces(limit float64) {
	for _, a := range p.s.Sauces {
		used, need := limit, false
		for i := range p.all {
			d := &p.all[i]
			if _, ok := d.dressedWith(a.ID); ok {
				need = true
				if d.sauced {
					used = math.Min(used, p.from(taskOf(d.ID, "toss")))
				}
			}
		}
		if !need {
			used = limit
		}
		b := block{}
		if a.HandsMin > 0 {
			at, says := OnHob, intoPanSays
			if a.SimmerMin == 0 {
				at, says = Board, stirredSays
			}
			b = append(b, part{Task{ID: taskOf(a.ID, "mix"), Dish: a.ID, Kind: Pan, Name: a.called(), Says: p.say(func() string { return says(a.called()) }), Place: at, Hands: 1}, -a.SimmerMin - a.HandsMin, -a.SimmerMin})
		}
		if a.SimmerMin > 0 {
			b = append(b, part{Task{ID: taskOf(a.ID, "simmer"), Dish: a.ID, Kind: Simmer, Name: a.called(), Says: p.say(func() string { return simmersSays(a.called()) }), Place: OnHob}, -a.SimmerMin, 0})
			for i := range b {
				b[i].from, b[i].to = b[i].from-offMin, b[i].to-offMin
			}
			b = append(b, part{Task{ID: taskOf(a.ID, "off"), Dish: a.ID, Kind: Pan, Name: a.called(), Says: p.say(func() string { return offHeatSays(a.called()) }), Place: OnHob, Hands: 1}, -offMin, 0})
		}
		if len(b) == 0 {
			continue
		}
		end := p.put(b, used)
		if over := used - end - a.HoldsMin; over > tick {
			p.out.cost += stale * over
		}
	}
}

// hotC is what hot food is held at, °C, and cold what a kelvin less costs, of crust: a
// plate that has gone cold is worse than a soft one.
const hotC, cold = 60.0, 0.1

func coldCosts(coreC float64) float64 { return cold * math.Max(0, hotC-coreC) }

// softly is what a point of crust costs that the softest basket lacks, beside what all
// lack: a plate with one soft basket is worse than its mean.
const softly = 1.5

// softCost is what the softest basket costs.
func (p *planner) softCost() float64 { return softly * (100 - p.out.softest) }

// stale is what a minute costs that a sauce or a side stands too long, and
// shared what a minute of waiting and of starting sooner do, of crust.
const (
	stale = 2.0
	// overWait is what a minute costs that a coat or a marinade stands too long.
	overWait = 0.5
	waiting  = 0.02
	sooner   = 0.01
)

func (p *planner) from(id TaskID) float64 {
	for _, t := range p.out.tasks {
		if t.ID == id {
			return t.from
		}
	}
	return 0
}

// sides places the cook's own steps, the last first.
func (p *planner) sides(limit float64) {
	for _, a := range p.s.Sides {
		name := a.Name
		if name == "" {
			name = a.ID
		}
		at := limit
		for k := len(a.Steps) - 1; k >= 0; k-- {
			st := a.Steps[k]
			end := p.put(block{{Task{ID: stepOf(a.ID, k+1), Dish: a.ID, Kind: Own, Name: name, Says: p.say(func() string { return ownStepSays(name, st.Says) }), Place: st.Place, Hands: st.Hands}, -st.Minutes, 0}}, at)
			if over := limit - end - a.HoldsMin; k == len(a.Steps)-1 && over > tick {
				p.out.cost += stale * over
			}
			at = end - st.Minutes
		}
	}
}

// benches places what is done before the baskets, the dish that goes in last
// first.
func (p *planner) benches() {
	in := func(i int) float64 { return p.from(TaskOfBasket(p.all[i].ID, 1, "load")) }
	list := p.c.order()
	slices.SortStableFunc(list, func(a, b int) int {
		switch d := in(b) - in(a); {
		case d > tick:
			return 1
		case d < -tick:
			return -1
		}
		return a - b
	})
	for _, i := range list {
		d := &p.all[i]
		for _, tasks := range d.tasks {
			at := in(i)
			for k := len(tasks) - 1; k >= 0; k-- {
				t := tasks[k]
				wait := t.Wait.Least + p.c.ease*(t.Wait.Best-t.Wait.Least)
				wait = round(wait)
				end := p.put(block{{Task{ID: taskOf(d.ID, t.ID), Dish: d.ID, Kind: Bench, Says: t.Says, Place: Board, Hands: 1}, -t.Hands, 0}}, at-wait)
				if t.Wait.Most > 0 && at-end > tick {
					p.out.tasks = append(p.out.tasks, timed{Task: Task{ID: taskOf(d.ID, t.ID).wait(), Dish: d.ID, Kind: Waits, Says: p.say(func() string { return benchWaitSays(d.name, t) }), Place: t.Wait.Place, Least: t.Wait.Least, Most: t.Wait.Most}, from: end, to: at})
					if over := at - end - t.Wait.Most; over > tick {
						p.out.cost += overWait * over
					}
				}
				at = end - t.Hands
			}
		}
	}
}

// ovenOn places the oven that what is out waits in.
func (p *planner) ovenOn() {
	if p.s.Oven == nil {
		return
	}
	first := math.Inf(1)
	for _, b := range p.out.plates {
		f := p.out.fried[[2]int{b.dish, b.basket}]
		if b.held-f.RestMin >= waitsFrom {
			first = math.Min(first, b.out+f.RestMin)
		}
	}
	if !math.IsInf(first, 1) {
		p.put(block{{Task{ID: OvenTask, Kind: Heat, Says: p.say(func() string { return p.k.ovenOnSays(p.s) }), Place: None, Hands: 1}, -onMin, 0}}, first-ovenHeats)
	}
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

// causes notes what comes before what.
func (p *planner) causes() {
	byID := map[TaskID]int{}
	for i := range p.out.tasks {
		byID[p.out.tasks[i].ID] = i
		p.out.tasks[i].After = []TaskID{}
	}
	link := func(id TaskID, after ...TaskID) {
		i, ok := byID[id]
		if !ok {
			return
		}
		for _, a := range after {
			if _, ok := byID[a]; ok && !slices.Contains(p.out.tasks[i].After, a) {
				p.out.tasks[i].After = append(p.out.tasks[i].After, a)
			}
		}
	}
	for i := range p.all {
		d := &p.all[i]
		var lasts []TaskID // of each lot
		for _, tasks := range d.tasks {
			var last TaskID
			for _, t := range tasks {
				id := taskOf(d.ID, t.ID)
				if last != "" {
					link(id, last)
				}
				if last = id; t.Wait.Most > 0 {
					link(id.wait(), id)
					if _, ok := byID[id.wait()]; ok {
						last = id.wait()
					}
				}
			}
			lasts = append(lasts, last)
		}
		end := taskOf(d.ID, "toss")
		for _, b := range d.baskets {
			at := func(what string) TaskID { return TaskOfBasket(d.ID, b.number, what) }
			link(at("load"), append([]TaskID{at("heat")}, lasts...)...)
			link(at("run"), at("load"))
			for k := range len(p.out.fried[[2]int{i, b.number}].Program.Turns) {
				t := at(fmt.Sprintf("turn%d", k+1))
				link(t, at("load"))
				if j, ok := byID[t]; ok {
					p.out.tasks[j].in, p.out.tasks[j].at = at("run"), p.out.tasks[j].from-p.out.tasks[byID[at("run")]].from
				}
			}
			link(at("out"), at("run"))
			link(at("rest"), at("out"))
			link(at("hold"), at("out"), at("rest"))
			link(taskOf(d.ID, "flash-in"), at("out"), at("rest"), at("hold"))
			link(end, at("out"), at("rest"), at("hold"))
			link(taskOf(d.ID, "finish"), at("out"), at("rest"), at("hold"))
			link(TableTask, at("out"), at("rest"), at("hold"))
		}
		link(taskOf(d.ID, "flash"), taskOf(d.ID, "flash-in"))
		link(taskOf(d.ID, "flash-out"), taskOf(d.ID, "flash"))
		link(end, taskOf(d.ID, "flash-out"))
		link(taskOf(d.ID, "finish"), end, taskOf(d.ID, "flash-out"))
		link(TableTask, end, taskOf(d.ID, "flash-out"), taskOf(d.ID, "finish"))
		for _, of := range d.sauces {
			link(end, taskOf(of.id, "mix"), taskOf(of.id, "simmer"), taskOf(of.id, "off"))
		}
	}
	for _, a := range p.s.Sauces {
		link(taskOf(a.ID, "simmer"), taskOf(a.ID, "mix"))
		link(taskOf(a.ID, "off"), taskOf(a.ID, "simmer"))
		link(TableTask, taskOf(a.ID, "mix"), taskOf(a.ID, "simmer"), taskOf(a.ID, "off"))
	}
	for _, a := range p.s.Sides {
		for k := range a.Steps {
			if k > 0 {
				link(stepOf(a.ID, k+1), stepOf(a.ID, k))
			}
		}
		link(TableTask, stepOf(a.ID, len(a.Steps)))
	}
}
