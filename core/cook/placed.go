package cook

import (
	"cmp"
	"fmt"
	"math"
	"slices"
	"strings"
	"time"

	"velocrustum/core/sheet"
	"velocrustum/core/units"
)

// shifts are the kinds of task whose food would stand and age: they are put
// off with the table. What is done on the board early is only done.
var shifts = map[string]bool{sheet.Heat: true, sheet.Load: true, sheet.Pan: true, sheet.Dress: true, sheet.Finish: true, sheet.Own: true, sheet.Table: true}

// moments are counted down to; the others are counted through.
var moments = map[string]bool{sheet.Heat: true, sheet.Load: true, sheet.Turn: true, sheet.TakeIt: true, sheet.Table: true}

// elastic says whether a task ends when what follows it begins.
func (d *Doing) elastic() bool {
	return d.Kind == sheet.Waits || d.Kind == sheet.Hold || d.keeps()
}

// keeps says whether it is a fryer that is kept hot for the next basket.
func (d *Doing) keeps() bool { return d.Kind == sheet.Heat && d.ID.KeepsHot() }

func later(a, b time.Time) time.Time {
	if b.After(a) {
		return b
	}
	return a
}

// doings are all there is to do, with what is known of it.
func (e *Evening) doings() (out []Doing) {
	for _, t := range e.Sheet.Tasks {
		d := Doing{ID: t.ID, Dish: t.Dish, Basket: t.Basket, Kind: t.Kind, Place: t.Place, Where: e.where(t.Place), Name: cmp.Or(t.Name, t.Says), Title: t.Says, Planned: t.Start, Hands: t.Hands,
			after: t.After, length: t.End.Sub(t.Start).Minutes(), least: t.Least, moment: moments[t.Kind], shiftBy: shifts[t.Kind]}
		b := e.basketOf(t)
		switch {
		case d.elastic():
		case b != nil:
			if t.Kind == sheet.Turn {
				continue // what the basket's own program asks stands in their place
			}
			b.fill(&d)
		case t.Hands > 0:
			d.Action, d.Label = Done, labels[t.Kind]
			if d.Label == "" {
				d.Label = "Done"
			}
			if at := e.doneAt(t.ID); !at.IsZero() {
				d.finished, d.Start, d.End = true, at.Add(-minutes(d.length)), at
				d.LeftOut = slices.ContainsFunc(e.Said, func(s Said) bool { return s.Kind == Skip && s.Task == t.ID })
			}
			d.MaySkip = !d.finished && t.Kind != sheet.Table && t.Kind != sheet.Load && t.Kind != sheet.TakeIt
		}
		out = append(out, d)
		if b != nil && t.Kind == sheet.Run {
			out = append(out, b.turns(t, d.Where)...)
		}
	}
	return out
}

func (e *Evening) where(place string) string {
	if name := e.Names[place]; name != "" {
		return name
	}
	return place
}

// fill puts in what was said of a basket.
func (b *LedBasket) fill(d *Doing) {
	d.run = b
	loaded, in := b.loadedAt()
	out, isOut := b.OutAt()
	first := b.first
	if stop := first(Stop); !stop.IsZero() && !in {
		d.finished, d.Start, d.End = true, stop, stop // given up
		return
	}
	switch d.Kind {
	case sheet.Heat:
		d.Of, d.Action, d.Label, d.length = b.Key(), HeatOn, itHeats, b.Program.PreheatMin
		d.Name = units.Capital(d.Where)
		d.Title = turnOnEmpty(d.Name, b.Program.Stages[0].Says(b.Degrees.Words(b.Program.Stages[0].AirC)))
		d.Detail = heatsFor(b.Name)
		if on := b.heated(); !on.IsZero() || in {
			if on.IsZero() {
				on = loaded.Add(-minutes(d.length))
			}
			d.Action, d.Label, d.fixed, d.Start, d.End, d.finished = "", "", true, on, on.Add(minutes(d.length)), in
		}
	case sheet.Load:
		d.Of, d.Action, d.Label = b.Key(), Loaded, foodIsIn
		d.Name = b.Name
		d.Title = basketSays(b.Name, b.loadTitle())
		d.Detail = b.loadDetail()
		if in {
			d.finished, d.Start, d.End = true, loaded.Add(-minutes(d.length)), loaded
		}
	case sheet.Run:
		d.Name, d.Title, d.length = b.Name, basketSays(b.Name, b.stages()), b.needs()
		if in {
			d.fixed, d.Start, d.End = true, loaded, loaded.Add(minutes(d.length))
		}
		if isOut {
			d.finished, d.End = true, out
		}
	case sheet.TakeIt:
		d.Name, d.Of, d.Action, d.Label, d.Title, d.Detail = b.Name, b.Key(), Out, itIsOut, basketSays(b.Name, b.takeOutTitle()), tell[b.judging(b.atLast())]
		if in && b.needs() > b.EndMin()+0.5 {
			d.Detail = moreThanPlanned(b.needs()-b.EndMin()) + " " + d.Detail
		}
		if isOut {
			d.finished, d.Start, d.End = true, out.Add(-minutes(d.length)), out
		}
	case sheet.Rests:
		d.Name, d.Title, d.length = b.Name, letRest(b.Name, b.all()), b.RestMin
		if isOut {
			d.Of, d.Action, d.Label, d.fixed, d.Start, d.End = b.Key(), Rested, rested, true, out, out.Add(minutes(b.RestMin))
			d.Detail = restDetail
			if at := first(Rested); !at.IsZero() {
				d.finished, d.End = true, at
			}
		}
	}
}

// needs is how many minutes a basket is in: as long as its program and what
// was asked for since, and by what was seen until it is surely safe.
func (b *LedBasket) needs() float64 {
	m := b.EndMin()
	switch {
	case !b.Foreseen:
	case b.SafeBy == nil:
		m += notWithin
	default:
		m = math.Max(m, math.Ceil(*b.SafeBy))
	}
	return m
}

// notWithin is how much longer is taken for what is not foreseen to be safe,
// minutes.
const notWithin = 15.0

// turnMin is what a turn takes of hands where the sheet does not say, minutes.
const turnMin = 1.0

// turns are what a basket's program asks while it is in.
func (b *LedBasket) turns(run sheet.Task, where string) (all []Doing) {
	loaded, in := b.loadedAt()
	out, isOut := b.OutAt()
	c := b.course()
	for i, d := range c.dues {
		action, label, _, _ := d.asks()
		t := Doing{ID: sheet.TaskOfBasket(b.Dish, b.Number, fmt.Sprintf("due%d", i+1)), Dish: b.Dish, Basket: b.Number, Kind: sheet.Turn, Place: run.Place, Where: where, Hands: 1,
			Name: b.Name, Title: basketSays(b.Name, b.words(d)), Planned: run.Start.Add(minutes(d.at)), length: turnMin, moment: true, after: []sheet.TaskID{run.ID}, run: b, Of: b.Key(), Action: action, Label: label}
		t.Detail = strings.TrimSpace(b.handling(d.turn, i == 0))
		t.MaySkip = i == c.open() && in && d.maySkip()
		if in {
			t.fixed, t.Start = true, loaded.Add(minutes(d.at))
			t.End = t.Start.Add(minutes(turnMin))
		}
		if d.done() {
			t.finished, t.LeftOut, t.Start, t.End = true, d.skipped, d.said, d.said
		} else if isOut { // nobody said of it
			t.finished, t.LeftOut, t.Start, t.End = true, true, out, out
		}
		all = append(all, t)
	}
	return all
}

// placed places all that is to come from now on, and what would stand and age so
// many minutes later than the sheet has it. With asTold, what is due is taken
// to end when it would have: what is left is how late the rest is.
func (e *Evening) placed(now time.Time, late float64, asTold bool) []Doing {
	all := e.doings()
	slices.SortStableFunc(all, func(a, b Doing) int { return a.Planned.Compare(b.Planned) })
	index := map[sheet.TaskID]int{}
	for i := range all {
		index[all[i].ID] = i
	}
	free := make([]time.Time, max(1, e.Hands)) // by pair of hands
	at := map[string]time.Time{}               // when a fryer is free
	runs := map[string]time.Time{}             // when a basket's run begins
	for i := range all {
		d := &all[i]
		start := d.Planned
		if d.shiftBy {
			start = start.Add(minutes(late))
		}
		ready := true
		for _, a := range d.after {
			j, ok := index[a]
			if !ok || j == i {
				continue
			}
			o := &all[j]
			done := o.finished || o.State == Ended || o.elastic() || o.State == Going
			if !done && d.waitsFor == "" {
				d.waitsFor = o.Name
			}
			ready = ready && done
			from := o.earliestStart(d)
			start, d.waits = later(start, from), later(d.waits, from)
		}
		fryer := e.fries(d.Place)
		switch {
		case d.finished:
			d.State = Ended
		case d.Kind == sheet.Turn:
			if !d.fixed {
				b := d.run
				start = runs[b.Key()].Add(d.Planned.Sub(e.planned(b)))
				d.Start = start
			}
			d.place(now, true, d.Start)
		case d.Kind == sheet.TakeIt && d.run != nil:
			d.place(now, d.run.first(Loaded) != time.Time{}, start)
		case d.fixed:
			if d.Kind == sheet.Run {
				d.End = later(d.End, now)
			}
			d.pass(now)
		case d.Action == "":
			if fryer && d.Kind != sheet.Run && d.Kind != sheet.Flash {
				start = later(start, at[d.Place])
			}
			if !ready || d.elastic() && d.after == nil {
				start = later(start, now)
			}
			d.Start, d.End = start, start.Add(minutes(d.length))
			d.pass(now)
			if !ready {
				d.State = Coming
			}
		default:
			if fryer {
				start = later(start, at[d.Place])
			}
			h := 0
			if d.Hands > 0 {
				for k := range free {
					if free[k].Before(free[h]) {
						h = k
					}
				}
				if !ready || start.After(now) {
					start = later(start, free[h])
				}
			}
			d.place(now, ready, start)
			if d.Hands > 0 && d.State == Due && free[h].After(start) {
				// It fell due when it could be done; hands come to it after the other.
				d.End = later(d.End, free[h].Add(minutes(d.length)))
			}
			if asTold && d.shiftBy && d.State == Due {
				d.End, d.State, d.finished = start.Add(minutes(d.length)), Ended, true
			}
			if d.Hands > 0 {
				free[h] = d.End
			}
		}
		if d.Kind == sheet.Run && d.run != nil {
			runs[d.run.Key()] = d.Start
		}
		if fryer && !d.keeps() && d.Kind != sheet.Turn {
			at[d.Place] = later(at[d.Place], d.End)
			if d.Kind == sheet.TakeIt && d.State == Due {
				// What is not out yet keeps it at least as long as that takes.
				at[d.Place] = later(at[d.Place], now.Add(minutes(d.length)))
			}
		}
	}
	e.stretch(all, now)
	return all
}

// planned is when the sheet has a basket in.
func (e *Evening) planned(b *LedBasket) time.Time {
	for _, t := range e.Sheet.Tasks {
		if t.Kind == sheet.Run && t.Dish == b.Dish && t.Basket == b.Number {
			return t.Start
		}
	}
	return e.Sheet.StartAt
}

func (e *Evening) fries(place string) bool {
	return slices.ContainsFunc(e.Baskets, func(b *LedBasket) bool { return b.FryerID == place })
}

// earliestStart is when a task lets another begin that comes after it.
func (d *Doing) earliestStart(next *Doing) time.Time {
	switch {
	case d.Kind == sheet.Waits:
		return d.Start.Add(minutes(math.Min(d.length, d.least)))
	case d.elastic(), d.Kind == sheet.Run && next.Kind == sheet.Turn:
		return d.Start
	case d.Kind == sheet.Run && next.Kind == sheet.TakeIt:
		return d.Start.Add(minutes(d.length)) // not when it is looked at
	}
	return d.End
}

// place puts a task that hands do: it is due once it may begin, and takes
// until now at least.
func (d *Doing) place(now time.Time, ready bool, start time.Time) {
	if !ready {
		start = later(start, now)
	}
	d.Start, d.End, d.State = start, start.Add(minutes(d.length)), Coming
	if ready && !start.After(now) {
		d.State, d.End = Due, later(d.End, now)
	}
}

// pass says where something stands that goes by itself.
func (d *Doing) pass(now time.Time) {
	switch {
	case d.Start.After(now):
		d.State = Coming
	case d.End.After(now) || d.Kind == sheet.Run || d.Kind == sheet.Heat:
		d.State = Going
	default:
		d.State, d.finished = Ended, true
	}
	if d.Action != "" && d.State == Going {
		d.State = Due // counted through, and tapped away sooner
	}
}

// stretch ends what waits where that begins which it waits for.
func (e *Evening) stretch(all []Doing, now time.Time) {
	for i := range all {
		d := &all[i]
		if !d.elastic() {
			continue
		}
		var next *Doing
		for j := range all {
			o := &all[j]
			follows := slices.Contains(o.after, d.ID) || d.keeps() && o.Kind == sheet.Load && o.Place == d.Place && o.Planned.After(d.Planned)
			if follows && (next == nil || o.Start.Before(next.Start)) {
				next = o
			}
		}
		if next != nil {
			d.End = later(d.Start, next.Start)
			d.State = Coming
			if !d.Start.After(now) {
				d.State = Going
			}
			if next.finished || next.State == Ended {
				d.State = Ended
			}
		}
	}
}
