package advise

import (
	"context"
	"math"

	"velocrustum/core/load"
	"velocrustum/core/run"
)

// A Way is a school of running a program.
type Way string

// Ways of running a program.
const (
	Straight       Way = "straight"
	GentleHot      Way = "gentle-hot"
	HotGentle      Way = "hot-gentle"
	GentleRestHot  Way = "gentle-rest-hot"
	TurnOften      Way = "turn-often"
	ShakeOften     Way = "shake"
	SingleLateTurn Way = "late-turn"
)

// Ways lists the schools in the order of the picker.
var Ways = []Way{Straight, GentleHot, HotGentle, GentleRestHot, TurnOften, ShakeOften, SingleLateTurn}

const (
	restMin   = 4.0
	turnEvery = 5.0
	// A school with two temperatures has two worth the name: so many minutes,
	// and so many degrees apart.
	leastStage, leastStepC = 3.0, 20.0
)

// heats is a point of the search: two temperatures, when the second begins, and
// how long all lasts.
type heats struct {
	first, second float64 // °C
	split, end    float64 // minutes
}

// build lays a program of a way out, from a fryer that was brought to heat as
// another program has it. Times are whole minutes.
func (w Way) build(h heats, from load.Program) load.Program {
	p := load.Program{PreheatMin: from.PreheatMin, HotFromC: from.HotFromC}
	end := math.Max(2, math.Round(h.end))
	least := math.Min(leastStage, math.Floor(end/2))
	split := math.Min(math.Max(least, math.Round(h.split)), end-least)
	turn := func(at float64, kind string) {
		p.Turns = append(p.Turns, load.Turn{AtMin: math.Min(math.Max(1, math.Round(at)), end-0.5), Kind: kind})
	}
	switch w {
	case GentleHot:
		p.Stages = []load.Stage{{AirC: h.first, Minutes: split}, {AirC: h.second, Minutes: end - split}}
		turn(split, load.Flip)
	case HotGentle:
		p.Stages = []load.Stage{{AirC: h.first, Minutes: split}, {AirC: h.second, Minutes: end - split}}
		turn(end/2, load.Flip)
	case GentleRestHot:
		p.Stages = []load.Stage{{AirC: h.first, Minutes: split}, {AirC: h.second, Minutes: restMin, Rest: true}, {AirC: h.second, Minutes: math.Max(least, end-split-restMin)}}
		end = p.Minutes()
		turn(split+restMin, load.Flip)
	default:
		p.Stages = []load.Stage{{AirC: h.first, Minutes: end}}
		switch w {
		case TurnOften:
			for at := turnEvery; at < end-1.5; at += turnEvery {
				turn(at, load.Flip)
			}
		case ShakeOften:
			for k := 1.0; k < 3; k++ {
				turn(end*k/3, load.Shake)
			}
		case SingleLateTurn:
			turn(end*0.65, load.Flip)
		default:
			turn(end/2, load.Flip)
		}
	}
	return p
}

// twoHeats says whether the way has a second temperature.
func (w Way) twoHeats() bool { return w == GentleHot || w == HotGentle || w == GentleRestHot }

// keeps says whether two temperatures are the way's, and worth the name.
func (w Way) keeps(h heats) bool {
	switch w {
	case GentleHot, GentleRestHot:
		return h.first <= h.second-leastStepC
	case HotGentle:
		return h.first >= h.second+leastStepC
	}
	return true
}

// A search looks for the best program of one way for a load.
type search struct {
	load *load.Load
	way  Way
	goal goal
	at   heats // the best so far
	best trial
}

// settled finds the length that fits the program it lays the turns of.
func (s *search) settled(ctx context.Context, h heats, fineness run.Fineness) (heats, trial, error) {
	best := trial{score: math.Inf(1)}
	at := h
	for range 3 {
		t, err := s.goal.try(ctx, s.load.Moved(s.way.build(h, s.load.Program)), fineness)
		if err != nil {
			return h, t, err
		}
		if t.score < best.score {
			best, at = t, h
			at.end = t.end
		}
		if math.Abs(t.end-h.end) <= 1 {
			break
		}
		h.end = t.end
	}
	return at, best, nil
}

// consider takes a point where it is better than the best so far.
func (s *search) consider(ctx context.Context, h heats) (better bool, err error) {
	h, t, err := s.settled(ctx, h, run.Coarse)
	if err != nil || t.score >= s.best.score-0.05 {
		return false, err
	}
	s.at, s.best = h, t
	return true, nil
}

// descend finds the best point of a way along each coordinate, on the dial's own
// steps. No way is proposed that the page would warn of smoke.
func (s *search) descend(ctx context.Context) error {
	dial := s.load.Dial
	dial.MaxC = s.load.HottestC()
	seeds := []heats{{first: dial.Nearest(190), end: 18}, {first: dial.Nearest(175), end: 18}}
	switch s.way {
	case GentleHot:
		seeds = []heats{{dial.Nearest(165), dial.Nearest(200), 12, 22}, {dial.Nearest(150), dial.Nearest(200), 8, 16}}
	case HotGentle:
		seeds = []heats{{dial.Nearest(200), dial.Nearest(165), 8, 20}}
	case GentleRestHot:
		seeds = []heats{{dial.Nearest(160), dial.Nearest(200), 10, 22}}
	}
	// Where nothing can be scored, such as what no fryer holds, the first is what is told.
	s.at, s.best = seeds[0], trial{score: math.Inf(1)}
	for _, h := range seeds {
		if _, err := s.consider(ctx, h); err != nil {
			return err
		}
	}
	stepC, minute := max(10, dial.StepC), 3.0
	for {
		moved, err := s.step(ctx, dial, stepC, minute)
		if err != nil {
			return err
		}
		if moved {
			continue
		}
		if stepC <= dial.StepC && minute <= 1 {
			return nil
		}
		stepC, minute = max(dial.StepC, stepC/2), max(1, minute-1)
	}
}

// step tries a step along each coordinate, and says whether one was better.
func (s *search) step(ctx context.Context, dial load.Dial, stepC, minute float64) (moved bool, err error) {
	moves := []heats{{first: stepC}, {first: -stepC}}
	if s.way.twoHeats() {
		moves = append(moves, heats{second: stepC}, heats{second: -stepC}, heats{split: minute}, heats{split: -minute})
	}
	for _, m := range moves {
		h := s.at
		h.first, h.second = dial.Nearest(s.at.first+m.first), dial.Nearest(s.at.second+m.second)
		h.split += m.split
		if !s.way.keeps(h) || h == s.at || h.split < 1 && s.way.twoHeats() {
			continue
		}
		better, err := s.consider(ctx, h)
		if err != nil {
			return moved, err
		}
		moved = moved || better
	}
	return moved, nil
}
