// Package cook leads one live cook. Its whole state follows from the plan and
// from what the cook said was done, and when; nothing ticks, so a reload, a
// second device or a restart shows the same thing.
package cook

import (
	"cmp"
	"fmt"
	"math"
	"slices"
	"time"

	"velocrustum/core/program"
	"velocrustum/core/refuse"
	"velocrustum/core/units"
)

// What a cook can say.
const (
	Loaded  = "loaded"
	Turned  = "turned"
	Dialled = "dialled"
	More    = "more"  // Value: minutes
	Out     = "out"   // the food is out
	Probe   = "probe" // Value: °C in the thickest part
	Look    = "look"  // Value: 0 pale to 4 dark
	Stop    = "stop"  // given up before the food went in
)

// An Event is one thing said. Its id is the device's own, so that it counts
// once however often it is sent.
type Event struct {
	ID    string    `json:"id" db:"id"`
	Kind  string    `json:"kind" db:"kind"`
	At    time.Time `json:"at" db:"at"`
	Value float64   `json:"value" db:"value"`
}

// Live is one cook as planned and as told.
type Live struct {
	Program program.Program
	Pieces  int
	Piece   string    // one, in words
	Plural  string    // several
	Faces   [2]string // the one that starts up first
	Judged  Judging
	Started time.Time
	Events  []Event
	Degrees units.Temperature
}

// Judging is how a cook tells that a food is done, and what may not touch it
// after it was raw.
type Judging uint8

const (
	ByTheBone Judging = iota // probed away from the bone
	ByProbe                  // probed where it is thickest
	ByBite                   // a plant: soft, nothing raw about it
)

// tell is what is done before the food comes out.
var tell = map[Judging]string{
	ByTheBone: "Probe the thickest one away from the bone first. The thermometer decides, not the colour.",
	ByProbe:   "Probe the thickest one in its middle first. The thermometer decides, not the colour.",
	ByBite:    "Try one first: it should be soft right through.",
}

// Phases of a cook.
const (
	Heating   = "heating"
	Loading   = "loading"
	Running   = "running"
	Turning   = "turning"
	Dialling  = "dialling"
	TakingOut = "taking-out"
	Finished  = "finished"
)

// A Step is what to do now, and until when.
type Step struct {
	Phase, Title, Detail string
	Until                time.Time // zero if nothing is timed
	Next                 string    // what is due then
	Action, Label        string    // the main button's event and words
}

// doubleTap is the time within which the same word with the same value is a
// slip of a greasy finger.
const doubleTap = 4 * time.Second

// Add returns the events with e added, or why it cannot be. What was said
// already, by its id or by a finger that tapped twice, adds nothing.
func (l Live) Add(e Event) ([]Event, error) {
	if e.ID != "" && slices.ContainsFunc(l.Events, func(o Event) bool { return o.ID == e.ID }) {
		return l.Events, nil
	}
	no := func(allowed string) ([]Event, error) {
		return nil, refuse.One("kind", e.Kind, allowed)
	}
	if l.over() {
		return no("nothing more: this cook is finished; undo to go on with it")
	}
	if n := len(l.Events); n > 0 {
		last := l.Events[n-1]
		if e.At.Before(last.At) {
			e.At = last.At // a clock set back
		}
		if last.Kind == e.Kind && last.Value == e.Value && e.At.Sub(last.At) < doubleTap && e.Kind != Probe {
			return l.Events, nil
		}
	}
	_, loaded := l.loadedAt()
	switch e.Kind {
	case Loaded:
		if loaded {
			return no("once; the food is in already")
		}
	case Stop:
		if loaded {
			return no("before the food is in; after that, take it out")
		}
	case Turned, Dialled, More, Out, Probe, Look:
		if !loaded {
			return no("after the food has gone in")
		}
		within := func(lo, hi float64, unit string) error {
			if e.Value >= lo && e.Value <= hi {
				return nil
			}
			return refuse.One("value", fmt.Sprintf("%g", e.Value), fmt.Sprintf("%g to %g %s", lo, hi, unit))
		}
		var err error
		switch e.Kind {
		case More:
			err = within(0.5, 30, "minutes")
		case Probe:
			err = within(-5, 120, "°C")
		case Look:
			err = within(0, 4, "from pale to dark")
		}
		if err != nil {
			return nil, err
		}
	default:
		return no("loaded, turned, dialled, more, out, probe, look, stop")
	}
	return append(slices.Clone(l.Events), e), nil
}

// Without returns the events but for one, or why it cannot be taken back.
func (l Live) Without(id string) ([]Event, error) {
	i := slices.IndexFunc(l.Events, func(e Event) bool { return e.ID == id })
	if i < 0 {
		return l.Events, nil
	}
	if l.Events[i].Kind == Loaded && i < len(l.Events)-1 {
		return nil, refuse.One("event", "food is in", "the food is in while something was done with it since; take that back first")
	}
	return slices.Delete(slices.Clone(l.Events), i, i+1), nil
}

func (l Live) over() bool {
	return slices.ContainsFunc(l.Events, func(e Event) bool { return e.Kind == Out || e.Kind == Stop })
}

func (l Live) loadedAt() (time.Time, bool) {
	for _, e := range l.Events {
		if e.Kind == Loaded {
			return e.At, true
		}
	}
	return time.Time{}, false
}

// Finished returns when the cook was over.
func (l Live) Finished() (time.Time, bool) {
	for _, e := range l.Events {
		if e.Kind == Out || e.Kind == Stop {
			return e.At, true
		}
	}
	return time.Time{}, false
}

// LoadedAt returns when the food went in.
func (l Live) LoadedAt() (time.Time, bool) { return l.loadedAt() }

// due is something to do at a minute.
type due struct {
	at    float64
	turn  string  // kind, or none
	dialC float64 // or 0
	move  string  // out to rest, or back in
	done  bool
}

// Moves of a basket around a rest.
const (
	toRest = "out"
	backIn = "in"
)

// dues returns all that the program asks, in order, each with whether it has
// been said. A dial set within half a minute of a turn is one thing to do.
func (l Live) dues() (list []due, end float64) {
	for _, s := range l.Program.Stages {
		end += s.Minutes
	}
	for _, t := range l.Program.Turns {
		list = append(list, due{at: t.AtMin, turn: t.Kind})
	}
	at := 0.0
	for i, s := range l.Program.Stages[1:] {
		before := l.Program.Stages[i]
		at += before.Minutes
		if s.Rest || before.Rest {
			move := backIn
			if s.Rest {
				move = toRest
			}
			list = append(list, due{at: at, dialC: s.AirC, move: move})
			continue
		}
		joined := false
		for k := range list {
			if list[k].move == "" && list[k].dialC == 0 && math.Abs(list[k].at-at) <= 0.5 {
				list[k].dialC, joined = s.AirC, true
				break
			}
		}
		if !joined {
			list = append(list, due{at: at, dialC: s.AirC})
		}
	}
	// At one minute the basket comes back in first, and goes out last.
	rank := map[string]int{backIn: -1, toRest: 1}
	slices.SortStableFunc(list, func(a, b due) int {
		return cmp.Or(cmp.Compare(a.at, b.at), cmp.Compare(rank[a.move], rank[b.move]))
	})
	for _, e := range l.Events {
		switch e.Kind {
		case More:
			end += e.Value
		case Turned, Dialled:
			for i := range list {
				if list[i].done || (e.Kind == Turned) != (list[i].turn != "") {
					continue
				}
				list[i].done = true
				break
			}
		}
	}
	return list, end
}

// Step returns what to do at now.
func (l Live) Step(now time.Time) Step {
	if l.over() {
		return Step{Phase: Finished, Title: "Out of the basket", Detail: "Note how it came out, while it is fresh."}
	}
	first := l.Degrees.Words(l.Program.Stages[0].AirC)
	all := l.all()
	loaded, ok := l.loadedAt()
	if !ok {
		ready := l.Started.Add(minutes(l.Program.PreheatMin))
		in := fmt.Sprintf("%s in%s. %s", capital(all), l.side(), l.gaps())
		if now.Before(ready) {
			return Step{Phase: Heating, Title: "Heat the empty basket to " + first,
				Detail: "No loose paper in it while it heats. Then " + lower(in), Until: ready, Next: "load", Action: Loaded, Label: "Food is in"}
		}
		return Step{Phase: Loading, Title: fmt.Sprintf("Put %s in%s", all, l.side()),
			Detail: l.gaps() + "Set " + first + ", shut it, and tap: the clock starts then.", Action: Loaded, Label: "Food is in"}
	}
	list, end := l.dues()
	at := func(m float64) time.Time { return loaded.Add(minutes(m)) }
	for i, d := range list {
		if d.done {
			continue
		}
		s := Step{Phase: Running, Until: at(d.at), Title: l.words(d), Next: "turn", Action: Turned, Label: "Turned"}
		phase := Turning
		switch d.turn {
		case program.Shake:
			s.Label = "Shaken"
		case program.LookIn:
			s.Label, s.Next = "Looked", "check"
		}
		if d.move != "" {
			s.Next, s.Action, phase = "rest", Dialled, Dialling
			s.Label = map[string]string{toRest: "It is out to rest", backIn: "It is back in"}[d.move]
		} else if d.turn == "" {
			s.Next, s.Action, s.Label, phase = "dial", Dialled, "Set", Dialling
		} else if d.dialC > 0 {
			s.Label += " and set"
		}
		s.Detail = l.after(list[i+1:], d.at, end)
		if (d.turn == program.Flip || d.turn == program.Shake) && i == 0 && l.Judged != ByBite {
			s.Detail += " Use clean tongs from here: what touched it raw stays away."
		}
		if !now.Before(s.Until) {
			s.Phase = phase
		}
		return s
	}
	s := Step{Phase: Running, Until: at(end), Next: "out", Title: "Take " + all + " out", Action: Out, Label: "It is out",
		Detail: tell[l.Judged]}
	if !now.Before(s.Until) {
		s.Phase = TakingOut
	}
	return s
}

// after says what follows a thing that is due at a minute.
func (l Live) after(rest []due, at, end float64) string {
	for _, d := range rest {
		if !d.done {
			return fmt.Sprintf("%s later: %s.", units.Minutes(d.at-at), lower(l.words(d)))
		}
	}
	return fmt.Sprintf("Then %s more.", units.Minutes(end-at))
}

// words says what is to be done.
func (l Live) words(d due) string {
	all := l.all()
	set := ""
	if d.dialC > 0 {
		set = "set " + l.Degrees.Words(d.dialC)
	}
	switch {
	case d.move == toRest:
		return "Take the basket out to rest, " + set
	case d.move == backIn:
		return "Basket back in"
	case d.turn == program.LookIn:
		look := "Look at one and probe it"
		if l.Judged == ByBite {
			look = "Look at one and try it"
		}
		if set != "" {
			look += ", " + set
		}
		return look
	case d.turn == "":
		return capital(set)
	case d.turn == program.Shake && set != "":
		return "Shake the basket, " + set
	case d.turn == program.Shake:
		return "Shake the basket"
	case set != "":
		return "Turn " + all + ", " + set
	}
	if l.Judged == ByBite {
		return "Turn " + all
	}
	return "Turn " + all + ", " + lower(l.Faces[1]) + " up"
}

// side says which side is up, where it matters.
func (l Live) side() string {
	if l.Judged == ByBite {
		return ""
	}
	return ", " + lower(l.Faces[0]) + " up"
}

// gaps says how several pieces lie.
func (l Live) gaps() string {
	if l.Pieces == 1 {
		return ""
	}
	return "One layer with gaps. "
}

func (l Live) all() string {
	if l.Pieces == 1 {
		return "the " + l.Piece
	}
	return "all " + units.Count(l.Pieces)
}

// Actual returns the program as it happened so far, with what is still
// planned after it, for a new forecast. Before loading it is the plan.
func (l Live) Actual() program.Program {
	p := l.Program
	loaded, ok := l.loadedAt()
	if !ok {
		return p
	}
	since := func(t time.Time) float64 { return math.Round(t.Sub(loaded).Minutes()*60) / 60 }
	p.PreheatMin = math.Min(30, math.Max(0, loaded.Sub(l.Started).Minutes()))
	if l.Program.PreheatMin == 0 {
		p.PreheatMin = 0 // the clock ran, the fryer did not
	}
	_, end := l.dues()
	if over, ok := l.Finished(); ok {
		end = since(over)
	}
	end = math.Min(program.MaxMinutes, math.Max(0.5, end))

	// Turns: those said, when they were said, then those still to come.
	p.Turns = nil
	said := 0
	for _, e := range l.Events {
		if e.Kind != Turned {
			continue
		}
		kind := program.Flip
		if said < len(l.Program.Turns) {
			kind = l.Program.Turns[said].Kind
		}
		p.Turns = append(p.Turns, program.Turn{AtMin: math.Min(end, since(e.At)), Kind: kind})
		said++
	}
	for i := said; i < len(l.Program.Turns); i++ {
		if t := l.Program.Turns[i]; t.AtMin <= end {
			p.Turns = append(p.Turns, t)
		}
	}

	// Stages: a dial that was set late moves the join.
	joins := make([]float64, 0, len(l.Program.Stages))
	at := 0.0
	for _, s := range l.Program.Stages[:len(l.Program.Stages)-1] {
		at += s.Minutes
		joins = append(joins, at)
	}
	list, _ := l.dues()
	next := 0
	for _, e := range l.Events {
		if e.Kind != Dialled && e.Kind != Turned {
			continue
		}
		// The k-th thing said answers the k-th due of its kind.
		for i := range list {
			if list[i].done && (e.Kind == Turned) == (list[i].turn != "") {
				list[i].done = false
				if list[i].dialC > 0 && next < len(joins) {
					joins[next] = since(e.At)
					next++
				}
				break
			}
		}
	}
	p.Stages = nil
	from := 0.0
	for i, s := range l.Program.Stages {
		to := end
		if i < len(joins) {
			to = math.Min(end, math.Max(joins[i], from+0.5))
		}
		if to-from >= 0.5 {
			p.Stages = append(p.Stages, program.Stage{AirC: s.AirC, Minutes: to - from, Rest: s.Rest})
			from = to
		}
	}
	if len(p.Stages) == 0 {
		p.Stages = []program.Stage{{AirC: l.Program.Stages[0].AirC, Minutes: end}}
	}
	// What was taken out for good did not rest.
	p.Stages[len(p.Stages)-1].Rest = false
	// A last stage cut short goes to the one before.
	if left := end - from; left > 0 {
		p.Stages[len(p.Stages)-1].Minutes += left
	}
	return p
}

func minutes(m float64) time.Duration { return time.Duration(m * float64(time.Minute)) }

func lower(s string) string {
	if s == "" {
		return s
	}
	return string(s[0]|0x20) + s[1:]
}

func capital(s string) string {
	if s == "" || s[0] < 'a' || s[0] > 'z' {
		return s
	}
	return string(s[0]-0x20) + s[1:]
}
