package cook

import (
	"time"

	"velocrustum/core/load"
)

// Step returns what to do at now.
func (l Live) Step(now time.Time) Step {
	if l.over() {
		return Step{Phase: Finished, Title: outTitle, Detail: outDetail}
	}
	heat := l.Program.Stages[0].Says(l.Degrees.Words(l.Program.Stages[0].AirC))
	if out, ok := l.OutAt(); ok {
		s := Step{Phase: Resting, Title: l.restTitle(), Until: out.Add(minutes(l.RestMin)), Next: "rest", Action: Rested, Label: rested, Detail: restDetail}
		return s
	}
	loaded, ok := l.loadedAt()
	if !ok {
		on := l.heated()
		if on.IsZero() && l.Program.PreheatMin > 0 {
			return Step{Phase: Waiting, Title: turnOnTitle(heat), Detail: noPaper, Action: HeatOn, Label: itHeats}
		}
		ready := on.Add(minutes(l.Program.PreheatMin))
		if now.Before(ready) {
			return Step{Phase: Heating, Title: heatTitle(heat), Detail: l.heatDetail(), Until: ready, Next: "load", Action: Loaded, Label: foodIsIn}
		}
		return Step{Phase: Loading, Title: l.loadTitle(), Detail: l.loadDetail(), Action: Loaded, Label: foodIsIn}
	}
	c := l.course()
	at := func(m float64) time.Time { return loaded.Add(minutes(m)) }
	first := l.inFront(c, now.Sub(loaded).Minutes())
	for i, d := range c.dues {
		if d.done() || i < first {
			continue
		}
		s := Step{Phase: Running, Until: at(d.at), Title: l.words(d)}
		var phase string
		s.Action, s.Label, s.Next, phase = d.asks()
		s.Detail = l.after(c.dues[i+1:], d.at, c.end) + l.hotByThen(c.dues[i:])
		if d.turn == load.Flip || d.turn == load.Shake {
			s.Detail += l.handling(d.turn, i == 0) + l.swapping(d.turn)
		}
		if s.MaySkip = i == c.open() && d.maySkip(); !now.Before(s.Until) {
			s.Phase = phase
		}
		return s
	}
	s := Step{Phase: Running, Until: at(c.end), Next: "out", Title: l.takeOutTitle(), Action: Out, Label: itIsOut, Detail: tell[l.judging(l.atLast())]}
	if !now.Before(s.Until) {
		s.Phase = TakingOut
	}
	return s
}

// forgotten is how long something may be due before what falls due after it is asked
// for in its place, minutes.
const forgotten = 3.0

// inFront is which thing is asked for: the first that is not done, but of several that
// are due what fell due last where the others were passed over.
func (l Live) inFront(c progress, minute float64) int {
	first := max(0, c.open())
	for i := first; i < len(c.dues); i++ {
		if d := c.dues[i]; !d.done() && d.at <= minute && minute-c.dues[first].at >= forgotten {
			first = i
		}
	}
	return first
}

func minutes(m float64) time.Duration { return time.Duration(m * float64(time.Minute)) }
