package cook

import (
	"fmt"
	"time"

	"velocrustum/core/load"
	"velocrustum/core/units"
)

// Step returns what to do at now.
func (l Live) Step(now time.Time) Step {
	if l.over() {
		return Step{Phase: Finished, Title: "Out of the basket", Detail: "Note how it came out, while it is fresh."}
	}
	first := l.Degrees.Words(l.Program.Stages[0].AirC)
	if out, ok := l.OutAt(); ok {
		s := Step{Phase: Resting, Title: fmt.Sprintf("Let %s rest for %s", l.all(), units.Minutes(l.RestMin)), Until: out.Add(minutes(l.RestMin)), Next: "rest", Action: Rested, Label: "It has rested",
			Detail: "The rest belongs to the rule: heat from outside goes on to the middle."}
		return s
	}
	loaded, ok := l.loadedAt()
	if !ok {
		on := l.heated()
		if on.IsZero() && l.Program.PreheatMin > 0 {
			return Step{Phase: Waiting, Title: "Turn the empty fryer on, at " + first, Detail: "No loose paper in it while it heats.", Action: HeatOn, Label: "It heats"}
		}
		ready := on.Add(minutes(l.Program.PreheatMin))
		in := fmt.Sprintf("%s in%s. %s", units.Capital(l.goesIn()), l.side(), l.gaps())
		if now.Before(ready) {
			return Step{Phase: Heating, Title: "Heat the empty basket to " + first,
				Detail: "No loose paper in it while it heats. Then " + units.Lower(in), Until: ready, Next: "load", Action: Loaded, Label: "Food is in"}
		}
		return Step{Phase: Loading, Title: fmt.Sprintf("Put %s in%s", l.goesIn(), l.side()),
			Detail: l.gaps() + "Set " + first + ", shut it, and tap: the clock starts then.", Action: Loaded, Label: "Food is in"}
	}
	c := l.course()
	at := func(m float64) time.Time { return loaded.Add(minutes(m)) }
	for i, d := range c.dues {
		if d.done() {
			continue
		}
		s := Step{Phase: Running, Until: at(d.at), Title: l.words(d)}
		var phase string
		s.Action, s.Label, s.Next, phase = d.asks()
		s.Detail = l.after(c.dues[i+1:], d.at, c.end)
		if d.turn == load.Flip || d.turn == load.Shake {
			s.Detail += l.handling(d.turn, i == 0)
		}
		if !now.Before(s.Until) {
			s.Phase = phase
		}
		return s
	}
	s := Step{Phase: Running, Until: at(c.end), Next: "out", Title: "Take " + l.comesOut() + " out", Action: Out, Label: "It is out",
		Detail: tell[l.judging(l.atLast())]}
	if !now.Before(s.Until) {
		s.Phase = TakingOut
	}
	return s
}

// asks is what is said when it is done: the event and its words, what it is
// called and the phase in which it is due.
func (d due) asks() (action, label, next, phase string) {
	action, label, next, phase = Turned, "Turned", "turn", Turning
	switch d.turn {
	case load.Shake:
		label = "Shaken"
	case load.LookIn:
		label, next = "Looked", "check"
	case load.BrushOn:
		label, next = "Brushed", "brush"
	case load.TakeOut:
		label, next = "Out", "some out"
	case load.PutIn:
		label, next = "In", "some in"
	}
	switch {
	case d.move == toRest:
		return Dialled, "It is out to rest", "rest", Dialling
	case d.move == backIn:
		return Dialled, "It is back in", "rest", Dialling
	case d.turn == "":
		return Dialled, "Set", "dial", Dialling
	case d.dialC > 0:
		label += " and set"
	}
	return action, label, next, phase
}

func minutes(m float64) time.Duration { return time.Duration(m * float64(time.Minute)) }
