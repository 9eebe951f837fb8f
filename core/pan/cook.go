package pan

import (
	"math"
)

// # On the hob
//
// What boils loses water by the pan's area: 24 cm at a simmer 8 to 12 g/min,
// low 3 to 5, a hard boil 15 to 20 (middles taken, ±25 %), less as it gets
// sweeter, by the activity of its water. It is heated with 600 W into the
// sauce (±30 %), 3.6 J/g·K. Off the boil it waits on the lowest heat at 70 °C
// under a lid that is ajar, and loses 0.6 g/min.

var boilsAway = map[string]float64{"low": 4, "simmer": 10, "hard": 17.5} // g/min from 24 cm

const (
	roomC      = 20.0
	boilC      = 100.0
	warmC      = 70.0 // of what is melted, loosened or kept
	intoW      = 600.0
	gentleW    = 200.0 // on low heat, so that nothing catches
	whiskMin   = 1.0
	heatOf     = 3.6  // J/g·K
	keptLoses  = 0.6  // g/min from 24 cm
	swellsMin  = 1.0  // until a starch has thickened
	stepMin    = 0.05 // of the simulation
	slurryPart = 1.5  // g of cold water for a gram of starch
	// longest is how long a pan is looked at, minutes.
	longest = 120.0
	// caramel is the share of the watery part that is sugar, from which it
	// boils over 110 °C and sets hard when cold.
	caramel = 0.82
	// longestWait is how long it is kept on the hob, minutes.
	longestWait = 45.0
	// coldWait is how long a cold one stands on the table, minutes: two hours.
	coldWait = 120.0
	// near is how far from the thickness wanted is still good.
	nearLow, nearHigh = 0.85, 1.25
)

// Point is a pan at a minute after it went on.
type Point struct {
	Minute  float64 `json:"minute"`
	MassG   float64 `json:"massG"`
	ClingsG float64 `json:"clingsG"` // on the plate, g/100 cm²
	C       float64 `json:"c"`
}

// PanEvent is what happens in a pan.
type PanEvent struct {
	Minute float64 `json:"minute"`
	Kind   string  `json:"kind"` // on, add, boil, slurry, ready
}

// cooked is one run of a pan.
type cooked struct {
	line    []Point
	moments []PanEvent
	ready   float64 // minutes from on
	end     state
	// starchG and slurryG go in together; waterG is added at the start.
	starchG, slurryG, waterG float64
	never                    bool // as thick as it is wanted
	// waits is how long it is good for on the hob, minutes, and spoonG the
	// water that it wants then.
	waits, spoonG float64
	simmered      []simmer
}

// simmer is how long the pieces have simmered at a minute.
type simmer struct{ t, boiled float64 }

// soft says when each ingredient that is eaten by the piece is soft.
func (c cooked) soft(s Sauce, find Find) []Soft {
	out := []Soft{}
	for _, it := range s.Items {
		i, err := find(it.Ingredient)
		if err != nil || i.SoftMin == 0 || it.G == 0 || !s.Hot() {
			continue
		}
		one := Soft{Ingredient: it.Ingredient, MoreMin: math.Max(0, i.SoftMin-c.end.boiled)}
		for _, at := range c.simmered {
			if at.boiled >= i.SoftMin && at.t <= c.ready+1e-9 {
				one.AtMin, one.MoreMin = &at.t, 0
				break
			}
		}
		out = append(out, one)
	}
	return out
}

// start is what goes into the pan, for recipe's amounts by k.
func (s Sauce) start(find Find, k float64) (state, error) {
	var in state
	for _, it := range s.Items {
		i, err := find(it.Ingredient)
		if err != nil {
			return in, err
		}
		in.put(i, it.G*k)
	}
	return in, nil
}

// hob is a pan on the hob, simulated.
type hob struct {
	Sauce
	state
	t, c float64 // min, °C
	out  cooked
	next float64
}

func (h *hob) area() float64 { return h.WidthCm * h.WidthCm / (usualWidth * usualWidth) }

// serveC is the heat at which its thickness is read.
func (h *hob) serveC() float64 {
	if !h.Hot() {
		return coldC
	}
	return plateC
}

func (h *hob) note(kind string) { h.out.moments = append(h.out.moments, PanEvent{h.t, kind}) }

func (h *hob) record() {
	h.out.simmered = append(h.out.simmered, simmer{h.t, h.boiled})
	h.out.line = append(h.out.line, Point{h.t, h.mass, h.state.clings(h.serveC()), h.c})
}

// pass lets dt minutes pass with the pan at target °C, losing so many g/min
// from 24 cm.
func (h *hob) pass(dt, target, loses float64) {
	if h.c < target {
		into := intoW
		if target == warmC {
			into = gentleW
		}
		h.c = math.Min(target, h.c+into*60*dt/(heatOf*math.Max(h.mass, 20)))
	} else {
		h.c += (target - h.c) * dt / (dt + 2)
	}
	if h.c > boilC-1 || h.c > target-1 {
		gone := math.Min(loses*h.area()*h.activity()*dt, 0.98*h.water)
		h.water -= gone
		h.mass -= gone
	}
	h.soften(dt, h.c)
	h.t += dt
	if h.t > h.next-1e-9 {
		h.record()
		h.next += 0.5
	}
}

// until runs on to the moment at which what is asked for is so, or too long;
// it says whether it came.
func (h *hob) until(target, loses float64, done func() bool) bool {
	for from := h.t; !done(); {
		if h.t-from > longest {
			return false
		}
		before := *h
		if h.pass(stepMin, target, loses); !done() {
			continue
		}
		lo, hi := 0.0, stepMin
		for range 12 {
			mid := (lo + hi) / 2
			*h = before
			if h.pass(mid, target, loses); done() {
				hi = mid
			} else {
				lo = mid
			}
		}
		*h = before
		h.pass(hi, target, loses)
	}
	return true
}

func (h *hob) hot(c float64) func() bool { return func() bool { return h.c >= c-0.5 } }

func (h *hob) after(minutes float64) func() bool {
	end := h.t + minutes - 1e-9
	return func() bool { return h.t >= end }
}

// cook makes the recipe by k, ready when it clings as it is wanted, and looks
// how long it may wait where that is asked.
func (s Sauce) cook(find Find, k float64, waits bool) (cooked, error) {
	in, err := s.start(find, k)
	if err != nil {
		return cooked{}, err
	}
	h := &hob{Sauce: s, state: in, c: roomC}
	want := s.ClingsG
	if s.School == Mix {
		h.wait(waits)
		return h.out, nil
	}
	h.note("on")
	h.record()
	h.next = 0.5
	if len(s.First) > 0 {
		h.until(boilC, 0, h.after(softenMin))
		h.c = (h.c + roomC) / 2 // the rest is cold
		h.note("add")
	}
	switch s.School {
	case Melt, Loosen:
		if s.School == Loosen {
			h.let(want)
		}
		h.until(warmC, 0, h.hot(warmC))
		h.until(warmC, 0, h.after(whiskMin))
	case Reduce, Thicken:
		h.until(boilC, boilsAway[s.Heat], h.hot(boilC))
		h.swell()
		h.note("boil")
		if s.School == Thicken {
			h.until(boilC, boilsAway[s.Heat], h.after(*s.SimmerMin))
			if err := h.slurry(find, want); err != nil {
				return h.out, err
			}
			break
		}
		if h.state.clings(plateC) > want {
			h.let(want)
		}
		stuck := func() bool { return h.water < 0.03*h.mass || h.brix() > 0.9 }
		h.until(boilC, boilsAway[s.Heat], func() bool { return h.state.clings(plateC) >= want || stuck() })
		h.out.never = h.state.clings(plateC) < want
	}
	h.wait(waits)
	return h.out, nil
}

// let lets it down with water until it clings as wanted.
func (h *hob) let(want float64) {
	g := h.loosens(want)
	h.water += g
	h.mass += g
	h.out.waterG += g
}

// loosens is how much water makes it cling no more than wanted, g.
func (h *hob) loosens(want float64) float64 {
	thin := func(g float64) float64 {
		s := h.state
		s.water += g
		s.mass += g
		return s.clings(h.serveC())
	}
	if thin(0) <= want {
		return 0
	}
	lo, hi := 0.0, h.mass
	for thin(hi) > want && hi < 20*h.mass {
		hi *= 2
	}
	for range 50 {
		if mid := (lo + hi) / 2; thin(mid) > want {
			lo = mid
		} else {
			hi = mid
		}
	}
	return hi
}

// swell lets the starch in it thicken.
func (h *hob) swell() { h.starch, h.raw = h.starch+h.raw, 0 }

// slurry stirs in the starch that it needs, with cold water.
func (h *hob) slurry(find Find, want float64) error {
	i, err := find(h.Starch)
	if err != nil {
		return err
	}
	with := func(g float64) state {
		s := h.state
		s.put(i, g)
		s.water += slurryPart * g
		s.mass += slurryPart * g
		s.starch, s.raw = s.starch+s.raw, 0
		return s
	}
	if h.state.clings(plateC) >= want {
		h.let(want)
	} else {
		lo, hi := 0.0, 0.12*h.mass
		h.out.never = with(hi).clings(plateC) < want
		for range 50 {
			if mid := (lo + hi) / 2; with(mid).clings(plateC) < want {
				lo = mid
			} else {
				hi = mid
			}
		}
		h.out.starchG, h.out.slurryG = hi, slurryPart*hi
		h.note("slurry")
		thick := with(hi).starch
		h.state = with(hi)
		// It thickens while it swells.
		from, before := h.t, thick-hi*thickens[i.ID]
		for h.t < from+swellsMin-1e-9 {
			h.starch = before + (thick-before)*math.Min(1, (h.t-from+stepMin)/swellsMin)
			h.pass(stepMin, boilC, 0)
		}
		h.starch = thick
	}
	return nil
}

// wait ends the cooking and looks how long it may stand.
func (h *hob) wait(look bool) {
	out := &h.out
	h.note("ready")
	h.record()
	out.ready, out.end = h.t, h.state
	if out.waits = coldWait; !look || !h.Hot() {
		return
	}
	ready := h.t
	h.next = h.t + 0.5
	out.waits = longestWait
	good := math.Max(h.ClingsG, h.state.clings(plateC))
	h.until(warmC, keptLoses, func() bool {
		if out.waits == longestWait && h.state.clings(plateC) > nearHigh*good {
			out.waits, out.spoonG = h.t-ready, h.loosens(good)
		}
		return h.t >= ready+longestWait
	})
	h.record()
	if out.spoonG == 0 {
		out.spoonG = h.loosens(good)
	}
}
