package program

import (
	"fmt"
	"math"

	"velocrustum/core/crust"
	"velocrustum/core/safety"
)

// A Wait is what becomes of a basket that is out before the others.
type Wait struct {
	Basket  int     `json:"basket"`  // 1 is the first
	Minutes float64 `json:"minutes"` // from out until the last is out
	Crust   float64 `json:"crust"`   // as it comes out
	// Kept is the same after the wait, by where it waits.
	Kept []Kept `json:"kept"`
	// Best is where it waits best, and FlashMin how long it goes back in with
	// the last one; 0 if that is not worth it.
	Best     string  `json:"best"`
	FlashMin float64 `json:"flashMin"`
	Says     string  `json:"says"`
}

// Kept is a basket after a wait in one place.
type Kept struct {
	Hold       string  `json:"hold"`
	Name       string  `json:"name"`
	Crust      float64 `json:"crust"`
	CoreC      float64 `json:"coreC"`
	FlashCrust float64 `json:"flashCrust"` // after a flash
}

// HoldNames are what a place to wait is called.
var HoldNames = map[string]string{
	HoldWarm: "on a rack in the warm oven", HoldRack: "on a rack in the room", HoldBowl: "piled in a bowl", HoldCovered: "under a lid or foil",
}

const (
	// flashMin at the dial's hottest, up to flashC, dries a crust again.
	flashMin = 3.0
	flashC   = 200.0
	// flashPays is the crust that a flash has to give back to be worth the
	// fryer, of 100.
	flashPays = 6.0
	// shortWait is none, minutes.
	shortWait = 1.0
)

// hotHold is the least that hot food is held at, and hotHours the longest:
// 60 °C (USDA 140 °F; 63 °C in the UK), two hours.
const hotHours = 2.0

func (a aim) hotHold() float64 {
	if a.guidance == safety.UK {
		return 63
	}
	return 60
}

// wait is what becomes of one basketful that is out so many minutes early.
func (s *setup) wait(minutes float64) (Wait, error) {
	w := Wait{Minutes: minutes}
	end := s.minutes()
	hot := math.Min(flashC, s.dial.MaxC)
	for _, h := range Holds {
		p := s.program
		p.Stages = append(append([]Stage{}, p.Stages...), Stage{AirC: hot, Minutes: minutes, Hold: h}, Stage{AirC: hot, Minutes: flashMin})
		r, err := newRun(s.with(p), nominal, standard)
		if err != nil {
			return w, err
		}
		softest := func() float64 {
			least := 100.0
			for i := range r.classes {
				least = math.Min(least, r.crustOf(&r.classes[i]))
			}
			return least
		}
		r.advance(end, nil)
		w.Crust = softest()
		r.advance(end+minutes, nil)
		k := Kept{Hold: h, Name: HoldNames[h], Crust: softest(), CoreC: r.slowest().body.Coldest()}
		r.advance(end+minutes+flashMin, nil)
		k.FlashCrust = softest()
		w.Kept = append(w.Kept, k)
	}
	w.judge(s)
	return w, nil
}

// judge chooses where it waits, whether a flash is worth it, and says so.
func (w *Wait) judge(s *setup) {
	best := w.Kept[0] // the warm oven keeps it hot and dry
	w.Best = best.Hold
	back := best.FlashCrust - best.Crust
	if back >= flashPays && w.Crust-best.Crust >= flashPays/2 {
		w.FlashMin = flashMin
	}
	t, lidded, room := s.units.Temperature, w.Kept[len(w.Kept)-1], w.Kept[1]
	w.Says = fmt.Sprintf("It waits %.0f min. On a rack in the oven at %s its crust goes from %.0f to %.0f; on a rack in the room to %.0f, and the middle cools to %s; under a lid to %.0f, %s.",
		math.Ceil(w.Minutes), t.Words(WarmC), math.Floor(w.Crust), math.Floor(best.Crust), math.Floor(room.Crust), t.Words(room.CoreC), math.Floor(lidded.Crust), crust.Words(lidded.Crust))
	if w.FlashMin > 0 {
		w.Says += fmt.Sprintf(" %.0f min at %s, all together at the end, give it back to %.0f.", w.FlashMin, t.Words(math.Min(flashC, s.dial.MaxC)), math.Floor(best.FlashCrust))
	} else {
		w.Says += " Back into the fryer it need not go."
	}
	if hold := s.hotHold(); !s.plant() && room.CoreC < hold {
		w.Says += fmt.Sprintf(" In the room it falls under %s, at which hot food is to be held; longer than %.0f h it is not held at all.", t.Words(hold), hotHours)
	}
}

// Waits is what becomes of the baskets of a dish that are out before the last,
// by the order of its baskets.
func (d Dish) waits(baskets []Basketful) (out []Wait, err error) {
	last := 0.0
	for _, b := range baskets {
		last = math.Max(last, b.EndMin)
	}
	for i, b := range baskets {
		minutes := last - b.EndMin
		if minutes < shortWait {
			continue
		}
		q := d.share(b.Pieces, b.Fryer == 1)
		q.Program = b.Program
		s, err := resolve(q)
		if err != nil {
			return nil, err
		}
		w, err := s.wait(minutes)
		if err != nil {
			return nil, err
		}
		w.Basket = i + 1
		out = append(out, w)
	}
	return out, nil
}
