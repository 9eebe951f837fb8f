package program

import (
	"context"
	"fmt"
	"math"
	"runtime"
	"runtime/debug"

	"golang.org/x/sync/errgroup"

	"velocrustum/core/thermal"
)

// searching is the resolution of a search: fewer shells and longer steps
// than an answer, and close to it (TestSearchIsCloseToTheAnswer).
var searching = resolution{shells: thermal.Resolution{Surface: 0.2e-3, Growth: 0.45}, steps: 0.75}

// choice is a point of the search: two temperatures, when the second
// begins, and how long all lasts.
type choice struct {
	first, second float64 // °C
	split, end    float64 // minutes
}

// build lays a program out. Times are whole minutes.
func (w Way) build(c choice, preheat, hotFrom float64) Program {
	p := Program{PreheatMin: preheat, HotFromC: hotFrom}
	end := math.Max(2, math.Round(c.end))
	least := math.Min(leastStage, math.Floor(end/2))
	split := math.Min(math.Max(least, math.Round(c.split)), end-least)
	turn := func(at float64, kind string) {
		p.Turns = append(p.Turns, Turn{AtMin: math.Min(math.Max(1, math.Round(at)), end-0.5), Kind: kind})
	}
	switch w {
	case GentleHot:
		p.Stages = []Stage{{AirC: c.first, Minutes: split}, {AirC: c.second, Minutes: end - split}}
		turn(split, Flip)
	case HotGentle:
		p.Stages = []Stage{{AirC: c.first, Minutes: split}, {AirC: c.second, Minutes: end - split}}
		turn(end/2, Flip)
	case GentleRestHot:
		p.Stages = []Stage{{AirC: c.first, Minutes: split}, {AirC: c.second, Minutes: restFor, Rest: true}, {AirC: c.second, Minutes: math.Max(least, end-split-restFor)}}
		end = p.Minutes()
		turn(split+restFor, Flip)
	default:
		p.Stages = []Stage{{AirC: c.first, Minutes: end}}
		switch w {
		case TurnOften:
			for at := turnEvery; at < end-1.5; at += turnEvery {
				turn(at, Flip)
			}
		case ShakeOften:
			for k := 1.0; k < 3; k++ {
				turn(end*k/3, Shake)
			}
		case SingleLateTurn:
			turn(end*0.65, Flip)
		default:
			turn(end/2, Flip)
		}
	}
	return p
}

// twoStages says whether the way has a second temperature.
func (w Way) twoStages() bool { return w == GentleHot || w == HotGentle || w == GentleRestHot }

// goal is what a search looks for.
type goal struct {
	weights
	late float64 // how much later than the nominal load 95 in 100 are safe
	// core asks for the minute at which the coldest flesh comes to it, °C,
	// and no other, or, where more only dries it, that minute or a later one;
	// NaN leaves the minute free.
	core  float64
	atOne bool
}

// trial is one program's best minute and what it costs.
type trial struct {
	end, score float64
	crust      float64
	juice      float64
	brown      [2]float64 // of the paler and the darker face
}

// try runs a program on and finds the best minute to end it.
func (s *setup) try(ctx context.Context, p Program, g goal, res resolution) (trial, error) {
	r, err := newRun(s.with(p), nominal, res)
	if err != nil {
		return trial{}, err
	}
	return r.best(ctx, g)
}

// best goes on as long as it takes to find the best minute to end.
func (r *run) best(ctx context.Context, g goal) (trial, error) {
	p := r.program
	before := 0.0 // the program but its last stage: it cannot end there
	for _, st := range p.Stages[:len(p.Stages)-1] {
		before += st.Minutes
	}
	best := trial{score: math.Inf(1), end: longest}
	started := false
	limit, _ := r.limit()
	want := r.wanted(g)
	r.advance(math.Max(longest, r.minutes()), func(minute float64) bool {
		if ctx.Err() != nil {
			return false
		}
		if minute != math.Trunc(minute) || minute < before+1 {
			return true
		}
		slow := r.slowest()
		safe := !math.IsNaN(slow.safeAt) && g.late*slow.safeAt <= minute
		for _, o := range r.beside { // nobody in the basket may be raw
			at := o.slowest().safeAt
			safe = safe && (o.gone || !math.IsNaN(at) && g.late*at <= minute)
		}
		if !math.IsNaN(g.core) {
			if slow.lastC < g.core && minute < longest {
				return true
			}
			if g.atOne && safe {
				best = r.cost(minute, g)
				return false
			}
		}
		if !safe {
			return minute < longest
		}
		now := r.cost(minute, g)
		if now.score < best.score {
			best, started = now, true
		}
		// Juice goes before the crust comes: only once it is there, or never
		// will be, does a minute that is worse mean that all later ones are.
		done := now.crust >= want || now.brown[1] > float64(limit) || now.juice < r.cut.Juice-parched
		return minute < longest && !(started && done && minute >= best.end+3)
	})
	return best, ctx.Err()
}

// cost weighs the load as it is at a minute.
func (r *run) cost(minute float64, g goal) trial {
	t := trial{end: minute, crust: math.Inf(1), juice: math.Inf(1), brown: [2]float64{math.Inf(1), 0}}
	for i := range r.classes {
		c := &r.classes[i]
		t.crust = min(t.crust, r.crustOf(c))
		t.juice = min(t.juice, r.juice(c))
		for _, b := range c.brown {
			t.brown[0] = min(t.brown[0], float64(b.Stage))
			t.brown[1] = max(t.brown[1], float64(b.Stage))
		}
	}
	t.score = r.weigh(g, t, len(r.program.Turns))
	return t
}

// weigh turns an outcome into one figure, in percents of juice.
func (k *kitchen) weigh(g goal, t trial, turns int) float64 {
	limit, _ := k.limit()
	return g.juice*(100-t.juice) + g.minute*t.end + g.turn*float64(turns) +
		g.short*max(0, k.wanted(g)-max(worthless, t.crust)) +
		bitterness*max(0, t.brown[1]-float64(min(g.brown, limit-0.3))) +
		dryness*max(0, k.cut.Juice-t.juice) + pallor*max(0, float64(g.pale)-t.brown[0])
}

// wanted returns the crispness that a search goes for.
func (k *kitchen) wanted(g goal) float64 { return min(95, max(40, k.crust+g.above)) + margin }

// settled finds the length that fits the program it lays the turns of.
func (s *setup) settled(ctx context.Context, w Way, c choice, g goal, res resolution) (choice, trial, error) {
	best := trial{score: math.Inf(1)}
	at := c
	for range 3 {
		t, err := s.try(ctx, w.build(c, s.program.PreheatMin, s.program.HotFromC), g, res)
		if err != nil {
			return c, t, err
		}
		if t.score < best.score {
			best, at = t, c
			at.end = t.end
		}
		if math.Abs(t.end-c.end) <= 1 {
			break
		}
		c.end = t.end
	}
	return at, best, nil
}

// search finds the best choice of a way by descent along each coordinate, on
// the dial's own steps.
func (s *setup) search(ctx context.Context, w Way, g goal) (choice, trial, error) {
	dial := s.dial
	if s.fatty() {
		// No way is proposed that the page would warn of.
		dial.MaxC = max(dial.MinC, onDial(dial, min(dial.MaxC, smokesOver)))
	}
	snap := func(t float64) float64 { return min(dial.MaxC, onDial(dial, t)) }
	length := 18.0
	seeds := []choice{{first: snap(190), end: length}, {first: snap(175), end: length}}
	switch w {
	case GentleHot:
		seeds = []choice{{snap(165), snap(200), 12, 22}, {snap(150), snap(200), 8, 16}}
	case HotGentle:
		seeds = []choice{{snap(200), snap(165), 8, 20}}
	case GentleRestHot:
		seeds = []choice{{snap(160), snap(200), 10, 22}}
	}
	var at choice
	best := trial{score: math.Inf(1)}
	consider := func(c choice) (bool, error) {
		c, t, err := s.settled(ctx, w, c, g, searching)
		if err != nil || t.score >= best.score-0.05 {
			return false, err
		}
		at, best = c, t
		return true, nil
	}
	for _, c := range seeds {
		if _, err := consider(c); err != nil {
			return at, best, err
		}
	}
	step := max(10, s.dial.StepC)
	minute := 3.0
	for {
		moved := false
		moves := []choice{{first: step}, {first: -step}}
		if w.twoStages() {
			moves = append(moves, choice{second: step}, choice{second: -step}, choice{split: minute}, choice{split: -minute})
		}
		for _, m := range moves {
			c := at
			c.first, c.second = snap(at.first+m.first), snap(at.second+m.second)
			c.split += m.split
			if w == GentleHot || w == GentleRestHot {
				if c.first > c.second-leastStep {
					continue
				}
			} else if w == HotGentle && c.first < c.second+leastStep {
				continue
			}
			if c == at || c.split < 1 && w.twoStages() {
				continue
			}
			ok, err := consider(c)
			if err != nil {
				return at, best, err
			}
			moved = moved || ok
		}
		if moved {
			continue
		}
		if step <= s.dial.StepC && minute <= 1 {
			return at, best, nil
		}
		step, minute = max(s.dial.StepC, step/2), max(1, minute-1)
	}
}

// parallel calls f for 0 to n−1 on all cores and returns an error of theirs. A
// panic is one: it would end the process from another goroutine.
func parallel(n int, f func(i int) error) error {
	var g errgroup.Group
	g.SetLimit(runtime.GOMAXPROCS(0))
	for i := range n {
		g.Go(func() (err error) {
			defer func() {
				if p := recover(); p != nil {
					err = fmt.Errorf("run %d: %v\n%s", i, p, debug.Stack())
				}
			}()
			return f(i)
		})
	}
	return g.Wait()
}
