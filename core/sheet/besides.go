package sheet

import (
	"math"
	"slices"

	"velocrustum/core/load"
)

// sauces places what stands on the hob, ready when it is first wanted.
func (p *planner) sauces() {
	for _, a := range p.s.Sauces {
		used, need := math.Inf(1), false
		for i := range p.all {
			d := &p.all[i]
			if _, ok := d.dressedWith(a.ID); ok {
				need = true
				used = math.Min(used, p.carried[p.at(d)])
				if d.sauced {
					used = math.Min(used, p.from(taskOf(d.ID, "toss")))
				}
			}
		}
		if !need {
			used = p.table
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

// waitCosts is what waiting costs, of crust: little at first, more from where food is no
// longer fresh, much over the two hours that hot food is held at most.
func waitCosts(minutes float64) float64 {
	return waiting*minutes + 0.1*math.Max(0, minutes-45) + 2*math.Max(0, minutes-60*load.HotHoldHours)
}

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

// sideSlack is how long before the first table a side may be done, minutes.
const sideSlack = 15.0

// sides places the cook's own steps, the last first.
func (p *planner) sides() {
	for _, a := range p.s.Sides {
		limit := p.first
		if p.table-limit+sideSlack > a.HoldsMin {
			limit = p.table // too long for the others
		}
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
	in := func(i int) (first float64) { // whichever basket that is
		first = math.Inf(1)
		for _, b := range p.all[i].baskets {
			first = math.Min(first, p.from(TaskOfBasket(p.all[i].ID, b.number, "load")))
		}
		return first
	}
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
