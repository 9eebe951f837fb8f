package program

import (
	"context"
	"fmt"
	"math"
	"slices"

	"velocrustum/core/crust"
	"velocrustum/core/refuse"
)

// # A basket of a supper
//
// What a run sheet has to know of a basket: how long it takes in a fryer as hot
// as the basket before left it, and what its crust is after any wait.

// Fried is one basket, as long as it needs, and what becomes of it while it
// waits.
type Fried struct {
	Program Program
	// SafeBy is the minute by which 95 in 100 loads are safe, HalfSafe that by
	// which half of them are.
	SafeBy, HalfSafe float64
	RestMin          float64 // that the rule asks for afterwards
	Crust, CoreC     float64 // as it comes out: of the softest face, coldest spot
	// Kept is what is left after each whole minute of waiting, and Flashed
	// what a flash makes of that, from 0 on.
	Kept, Flashed []float64
	KeptC         []float64    // coldest spot, °C
	Colours       [][3]float64 // of the face that is browner at the end, L*a*b*, from in to out
	FlashC        float64      // of the dial for a flash
	Group         string       // of the cut
}

const (
	// longestKept is how long a wait is looked at, minutes; after it a crust
	// is taken for what it was then.
	longestKept = 60.0
	colours     = 12
)

// flashes are the waits after which a flash is run, minutes; between them it
// is taken from its neighbours.
var flashes = []float64{0, 6, 20, 60}

// FlashMin is how long a flash takes.
const FlashMin = flashMin

// Fry fits a basket and lets it wait in a place. A program that is safe by its
// end is kept as it is, unless it starts from a fryer that is hot from
// another basket: then its last stage is as long as it needs. The error is
// refuse.Fields, or the context's.
func Fry(ctx context.Context, q Request, hold string, holdC float64) (Fried, error) {
	s, err := resolve(q)
	if err != nil {
		return Fried{}, err
	}
	here := &s
	loads, err := here.safes(ctx, fitsWithin)
	if err != nil {
		return Fried{}, err
	}
	by := func(share float64) float64 {
		if len(loads) == 0 {
			return math.Inf(1)
		}
		return value(quantile(loads, share), math.Inf(1))
	}
	if s.program.HotFromC > 0 || by(surely) > s.minutes() {
		if here, _, err = s.fitted(ctx); err != nil {
			return Fried{}, err
		}
		if loads, err = here.safes(ctx, fitsWithin); err != nil {
			return Fried{}, err
		}
		if late := by(surely); late > here.minutes() && !math.IsInf(late, 1) {
			here = here.with(here.program.Lasting(math.Ceil(late)))
		}
	}
	if math.IsInf(by(surely), 1) {
		return Fried{}, refuse.One("program.stages", fmt.Sprintf("%.0f minutes", here.minutes()), "a program by which it is safe inside")
	}
	f := Fried{Program: here.program, SafeBy: by(surely), HalfSafe: by(0.5), Group: here.cut.Group, RestMin: here.rule.RestMin, FlashC: math.Min(flashC, here.dial.MaxC)}
	return f, f.wait(here, hold, holdC)
}

// fitsWithin is how long past its end a basket is looked at to be safe, min.
const fitsWithin = 25.0

// wait runs the basket, and on where it waits.
func (f *Fried) wait(s *setup, hold string, holdC float64) error {
	end := s.minutes()
	kept := Stage{AirC: f.FlashC, Minutes: longestKept, Hold: hold}
	if holdC > 0 {
		kept.HoldC = &holdC
	}
	held := s.program
	held.Stages = append(slices.Clone(held.Stages), kept)
	on := s.with(held)
	r, err := newRun(on, nominal, standard)
	if err != nil {
		return err
	}
	browner := 0
	var shades [2][][3]float64
	every := end / colours
	for k := 0; k <= colours; k++ {
		r.advance(float64(k)*every, nil)
		for face := range shades {
			shades[face] = append(shades[face], crust.Colour(r.raw(), r.classes[0].brown[face].Stage))
		}
	}
	if r.classes[0].brown[1].Stage > r.classes[0].brown[0].Stage {
		browner = 1
	}
	f.Colours = shades[browner]
	var after, made []float64
	for m := 0.0; m <= longestKept; m++ {
		r.advance(end+m, nil)
		soft := r.faces().Crust
		f.Kept, f.KeptC = append(f.Kept, soft), append(f.KeptC, r.slowest().body.Coldest())
		if slices.Contains(flashes, m) {
			p := s.program
			p.Stages = append(slices.Clone(p.Stages), Stage{AirC: f.FlashC, Minutes: math.Max(m, 0.01), Hold: hold, HoldC: kept.HoldC}, Stage{AirC: f.FlashC, Minutes: flashMin})
			c := r.clone().under(s.with(p))
			c.advance(p.Minutes(), nil)
			after, made = append(after, m), append(made, c.faces().Crust)
		}
	}
	f.Crust, f.CoreC = f.Kept[0], f.KeptC[0]
	for m := range f.Kept {
		f.Flashed = append(f.Flashed, between(after, made, float64(m)))
	}
	return nil
}

// between is y at x, on lines between the points.
func between(xs, ys []float64, x float64) float64 {
	for i := 1; i < len(xs); i++ {
		if x <= xs[i] {
			return ys[i-1] + (ys[i]-ys[i-1])*(x-xs[i-1])/(xs[i]-xs[i-1])
		}
	}
	return ys[len(ys)-1]
}

// After is the crust and the coldest spot after so many minutes of waiting,
// and after a flash if there is one.
func (f *Fried) After(minutes float64, flash bool) (crust, coreC float64) {
	k := int(math.Min(math.Ceil(math.Max(0, minutes)), float64(len(f.Kept)-1)))
	crust = f.Kept[k]
	if flash {
		crust = f.Flashed[k]
	}
	return crust, f.KeptC[k]
}

// Comfortable is how many pieces lie in one basket with air between them, at
// least one.
func Comfortable(q Request) (int, error) {
	q.Load.Pieces = 1
	s, err := resolve(q)
	if err != nil {
		return 0, err
	}
	return max(1, s.comfortable()), nil
}
