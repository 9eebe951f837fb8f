package sheet

import (
	"math"
	"slices"
)

// # Working back
//
// All is placed from the table backwards: what comes last first, each as late
// as its place and its hands are free. Minutes count from the table, so that
// all that is done before it is negative.

// span is a time at which n of a thing are taken.
type span struct {
	from, to float64
	n        int
}

// room is what there is of a place or of hands, and what of it is taken.
type room struct {
	has   int
	taken []span
}

// full says whether need more would be too many within from to to, and
// returns the beginning of the latest time at which they would be.
func (r *room) full(from, to float64, need int) (at float64, found bool) {
	if need > r.has {
		return -2 * noHands, true // never
	}
	most := 0
	for _, a := range r.taken {
		if a.from < to-tick && a.to > from+tick {
			most += a.n
		}
	}
	if most+need <= r.has {
		return 0, false // not even if all of it were at once
	}
	at = to
	for {
		// The latest change before at, and whether it is too full from there on.
		before := math.Inf(-1)
		for _, a := range r.taken {
			for _, t := range [...]float64{a.from, a.to} {
				if t < at-tick {
					before = math.Max(before, t)
				}
			}
		}
		over := r.used(math.Max(before, at-1))+need > r.has
		switch {
		case over:
			at, found = before, true
		case found:
			return at, true
		case before <= from+tick:
			return 0, false
		default:
			at = before
		}
	}
}

func (r *room) used(t float64) (n int) {
	for _, b := range r.taken {
		if b.from <= t+tick && b.to > t+tick {
			n += b.n
		}
	}
	return n
}

// tick is a time that is none, minutes.
const tick = 1e-6

// part is one task of a block, by minutes from the block's end.
type part struct {
	Task
	from, to float64
}

// block is tasks that hang together in time.
type block []part

func (b block) length() float64 {
	long := 0.0
	for _, p := range b {
		long = math.Max(long, -p.from)
	}
	return long
}

// rooms are the places and hands of a kitchen.
type rooms struct {
	hands  room
	places map[string]*room
}

func (r *rooms) clone() rooms {
	out := rooms{hands: room{r.hands.has, roomy(r.hands.taken)}, places: make(map[string]*room, len(r.places))}
	for id, one := range r.places {
		out.places[id] = &room{one.has, roomy(one.taken)}
	}
	return out
}

// noHands is how far back hands are looked for, minutes: a month.
const noHands = 30 * 24 * 60.0

// place puts a block as late as it goes, its end at limit at the latest, and
// returns its end. What is asked of a place that is shared is no matter.
func (r *rooms) place(b block, limit float64) float64 {
	end := limit
	for moved := true; moved; {
		moved = false
		for _, p := range b {
			if p.to-p.from <= tick {
				continue
			}
			if at, full := r.hands.full(end+p.from, end+p.to, p.Hands); p.Hands > 0 && full {
				end, moved = at-p.to, true
			}
			if own := r.places[p.Place]; own != nil {
				if at, full := own.full(end+p.from, end+p.to, 1); full {
					end, moved = at-p.to, true
				}
			}
		}
		if end < -noHands {
			break
		}
	}
	r.take(b, end)
	return end
}

// take notes what a block takes.
func (r *rooms) take(b block, end float64) {
	for _, p := range b {
		if p.Hands > 0 {
			r.hands.taken = append(r.hands.taken, span{end + p.from, end + p.to, p.Hands})
		}
		if own := r.places[p.Place]; own != nil {
			own.taken = append(own.taken, span{end + p.from, end + p.to, 1})
		}
	}
}

// free says whether a block could stand there.
func (r *rooms) free(b block, end float64) bool {
	return !slices.ContainsFunc(b, func(p part) bool {
		if _, full := r.hands.full(end+p.from, end+p.to, p.Hands); p.Hands > 0 && full {
			return true
		}
		own := r.places[p.Place]
		if own == nil {
			return false
		}
		_, full := own.full(end+p.from, end+p.to, 1)
		return full
	})
}

// wayOff is how far a pin gives way, minutes.
const wayOff = 12 * 60.0

// givingWay is the first end from there on, to that side, at which a block could
// stand; where there is none it is the end that was asked for.
func (r *rooms) givingWay(b block, end, limit float64, side Toward) float64 {
	step := map[Toward]float64{Sooner: -1, Later: 1}[side]
	if step == 0 {
		return end
	}
	for at := end; math.Abs(at-end) <= wayOff; at += step {
		if at > limit+tick {
			if step > 0 {
				break
			}
			continue
		}
		if r.free(b, at) {
			return at
		}
	}
	return end
}
