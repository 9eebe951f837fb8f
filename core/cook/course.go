package cook

import (
	"cmp"
	"math"
	"slices"
	"time"

	"velocrustum/core/load"
)

// due is something to do at a minute.
type due struct {
	at    float64
	turn  string // kind, or none
	brush *load.Brush
	lots  []int   // which it is for; all where none is named
	dialC float64 // or 0
	// was and is are the stages between which the dial is set.
	was, is load.Stage
	join    int    // of the stages between which the dial is set; -1 for none
	move    string // out to rest, back in, or over into another fryer
	said    time.Time
	id      string // of what was said
	skipped bool
}

// maySkip says whether it may be left undone.
func (d due) maySkip() bool {
	return d.move == "" && d.turn != load.PutIn && d.turn != load.TakeOut
}

// open is the first thing that is not done; -1 for none.
func (p progress) open() int {
	return slices.IndexFunc(p.dues, func(d due) bool { return !d.done() })
}

func (d due) done() bool { return !d.said.IsZero() }

// Moves of a basket around a rest.
const (
	toRest = "out"
	backIn = "in"
	over   = "over"
)

// progress is all that the program asks, in order, matched once to what was
// said.
type progress struct {
	dues  []due
	extra []time.Time // turns that nobody had asked for
	end   float64     // minutes, with those that were asked for since
	kinds map[string]string
}

// TurnOf returns what kind of turn an event was, by its id; empty if it was
// none.
func (l Live) TurnOf(id string) string { return l.course().kinds[id] }

// dues returns what the program asks. A dial set within half a minute of a
// turn is one thing to do.
func dues(p load.Program) (list []due, end float64) {
	for _, t := range p.Turns {
		list = append(list, due{at: t.AtMin, turn: t.Kind, brush: t.Brush, lots: t.Lots, join: -1})
	}
	for i, s := range p.Stages {
		if i > 0 {
			list = dial(list, due{at: end, dialC: s.AirC, was: p.Stages[i-1], is: s, join: i - 1})
		}
		end += s.Minutes
	}
	// At one minute the basket comes back in first, and goes out last.
	rank := map[string]int{backIn: -1, toRest: 1}
	slices.SortStableFunc(list, func(a, b due) int {
		return cmp.Or(cmp.Compare(a.at, b.at), cmp.Compare(rank[a.move], rank[b.move]))
	})
	return list, end
}

// dial adds a dial that is due, to a turn at that time if there is one.
func dial(list []due, d due) []due {
	switch {
	case d.is.WaitsIn() != "":
		d.move = toRest
	case d.was.WaitsIn() != "":
		d.move = backIn
	case d.is.PlaceKey() != d.was.PlaceKey():
		d.move = over
	default:
		for k := range list {
			if l := &list[k]; l.move == "" && l.dialC == 0 && math.Abs(l.at-d.at) <= 0.5 {
				l.dialC, l.join, l.was, l.is = d.dialC, d.join, d.was, d.is
				return list
			}
		}
	}
	return append(list, d)
}

// course matches what was said to what was due: each answers the first of its
// kind that is still open.
func (l Live) course() progress {
	c := progress{kinds: map[string]string{}}
	c.dues, c.end = dues(l.Program)
	loaded, _ := l.loadedAt()
	for _, e := range l.Events {
		switch e.Kind {
		case More:
			c.end += e.Value
		case Skip:
			i := c.open()
			if i < 0 {
				continue
			}
			if d := c.dues[i]; d.turn != "" && d.dialC > 0 { // not turned; the dial is still to be set
				turn := d
				turn.dialC, turn.join, turn.said, turn.id, turn.skipped = 0, -1, e.At, e.ID, true
				c.dues[i].turn, c.dues[i].brush = "", nil
				c.dues = slices.Insert(c.dues, i, turn)
			} else {
				c.dues[i].said, c.dues[i].id, c.dues[i].skipped = e.At, e.ID, true
			}
		case Turned, Dialled:
			i := slices.IndexFunc(c.dues, func(d due) bool { return !d.done() && (e.Kind == Turned) == (d.turn != "") })
			if e.Kind == Turned && i >= 0 {
				i = c.passedOver(i, e.At.Sub(loaded).Minutes(), e.At)
			}
			if i >= 0 {
				c.dues[i].said, c.dues[i].id = e.At, e.ID
				c.kinds[e.ID] = c.dues[i].turn
			} else if e.Kind == Turned {
				c.extra = append(c.extra, e.At)
				c.kinds[e.ID] = load.Flip
			}
		}
	}
	return c
}

// passedOver is which of the turns that are due at a minute one answers, of which i is
// the first that is open: the one that fell due last. Those that were due minutes
// before it were not made.
func (p *progress) passedOver(i int, minute float64, at time.Time) int {
	for k := i + 1; k < len(p.dues); k++ {
		was, is := &p.dues[i], &p.dues[k]
		if is.done() || is.turn == "" || is.turn != was.turn || is.at > minute+0.5 || is.at-was.at < forgotten || !was.maySkip() || was.dialC > 0 {
			continue
		}
		was.said, was.skipped = at, true
		i = k
	}
	return i
}

// Overdue is for how many whole minutes food stands in the fryer past its end.
func (l Live) Overdue(now time.Time) float64 {
	loaded, ok := l.loadedAt()
	if _, out := l.OutAt(); !ok || out || l.over() {
		return 0
	}
	return math.Max(0, math.Floor(now.Sub(loaded).Minutes()-l.EndMin()))
}

// By returns the program as it happened by now: what was forgotten in a fryer
// went on heating, or stood in one that its timer stopped.
func (l Live) By(now time.Time) load.Program {
	p := l.Actual()
	over := l.Overdue(now)
	if over = math.Min(over, load.MaxMinutes-p.Minutes()); over < shortest {
		return p
	}
	p.Stages = slices.Clone(p.Stages)
	if l.StopsItself {
		p.Stages = append(p.Stages, load.Stage{AirC: p.Stages[len(p.Stages)-1].AirC, Minutes: over, Hold: load.HoldBowl})
	} else {
		p.Stages[len(p.Stages)-1].Minutes += over
	}
	return p
}

// Actual returns the program as it happened so far, with what is still
// planned after it, for a new forecast. Before loading it is the plan.
func (l Live) Actual() load.Program {
	p := l.Program
	loaded, ok := l.loadedAt()
	if !ok {
		return p
	}
	since := func(t time.Time) float64 { return math.Round(t.Sub(loaded).Minutes()*60) / 60 }
	if p.PreheatMin > 0 { // else the clock ran, the fryer did not
		on := l.heated()
		if on.IsZero() {
			on = loaded // it was not said: as planned is the least that is known
			on = on.Add(-minutes(p.PreheatMin))
		}
		p.PreheatMin = math.Min(30, math.Max(0, loaded.Sub(on).Minutes()))
	}
	c := l.course()
	end := c.end
	if out, ok := l.OutAt(); ok {
		end = since(out)
	} else if over, ok := l.Finished(); ok {
		end = since(over)
	}
	end = math.Min(load.MaxMinutes, math.Max(0.5, end))
	p.Turns, p.Stages = c.turns(since, end), c.stages(l.Program.Stages, since, end)
	for _, e := range l.Events {
		if e.Kind == Set {
			p.Stages = reset(p.Stages, since(e.At), e.Value)
		}
	}
	return p
}

// turns are those said, when they were said, and those still to come.
func (c progress) turns(since func(time.Time) float64, end float64) (out []load.Turn) {
	for _, d := range c.dues {
		switch {
		case d.turn == "" || d.skipped:
		case d.done():
			out = append(out, load.Turn{AtMin: math.Min(end, since(d.said)), Kind: d.turn, Brush: d.brush, Lots: d.lots})
		case d.at <= end:
			out = append(out, load.Turn{AtMin: d.at, Kind: d.turn, Brush: d.brush, Lots: d.lots})
		}
	}
	for _, t := range c.extra {
		out = append(out, load.Turn{AtMin: math.Min(end, since(t)), Kind: load.Flip})
	}
	slices.SortStableFunc(out, func(a, b load.Turn) int { return cmp.Compare(a.AtMin, b.AtMin) })
	return out
}

// reset is stages with the dial set at a minute, until the next that the
// program has.
func reset(stages []load.Stage, at, airC float64) (out []load.Stage) {
	from := 0.0
	for _, st := range stages {
		to := from + st.Minutes
		switch {
		case at <= from+shortest && at > from-shortest || len(out) == 0 && at < shortest:
			st.AirC = airC
			out = append(out, st)
		case at >= to-shortest || at < from:
			out = append(out, st)
		default:
			before, after := st, st
			before.Minutes, after.Minutes, after.AirC = at-from, to-at, airC
			out = append(out, before, after)
		}
		from = to
	}
	if len(out) > load.MaxStages {
		return stages
	}
	return out
}

// shortest is the shortest stage that is one, minutes.
const shortest = 0.5

// stages are the planned ones with the joins where the dial was set, up to the
// end.
func (c progress) stages(planned []load.Stage, since func(time.Time) float64, end float64) (out []load.Stage) {
	joins := make([]float64, 0, len(planned))
	at := 0.0
	for _, s := range planned {
		at += s.Minutes
		joins = append(joins, at)
	}
	joins[len(joins)-1] = end
	planned = slices.Clone(planned)
	for _, d := range c.dues {
		switch {
		case d.join >= 0 && d.skipped: // it goes on as it was
			joins[d.join] = d.at
			planned[d.join+1].AirC, planned[d.join+1].Grill, planned[d.join+1].Fan = planned[d.join].AirC, planned[d.join].Grill, planned[d.join].Fan
		case d.join >= 0 && d.done():
			joins[d.join] = since(d.said)
		}
	}
	from := 0.0
	for i, s := range planned {
		to := math.Min(end, joins[i])
		if i < len(planned)-1 {
			to = math.Min(end, math.Max(joins[i], from+shortest))
		}
		if to-from >= shortest {
			s.Minutes = to - from
			out = append(out, s)
			from = to
		}
	}
	if len(out) == 0 {
		first := planned[0]
		first.Minutes = end
		return []load.Stage{first}
	}
	last := &out[len(out)-1]
	last.Rest, last.Hold = false, "" // what was taken out for good did not rest
	if left := end - from; left > 0 {
		last.Minutes += left // too short a stage goes to the one before
	}
	return out
}
