package baskets

import (
	"math"

	"velocrustum/core/load"
	"velocrustum/core/run"
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

const (
	// FlashMin at the dial's hottest, up to flashC, dries a crust again.
	FlashMin = 3.0
	flashC   = 200.0
	// flashPays is the crust that a flash has to give back to be worth the
	// fryer, of 100.
	flashPays = 6.0
	// shortWait is none, minutes.
	shortWait = 1.0
)

// flashAt is the dial for a flash, °C.
func flashAt(l *load.Load) float64 { return math.Min(flashC, l.Dial.MaxC) }

// waits is what becomes of the baskets of a dish that are out before the last,
// in their order.
func waits(d load.Dish, baskets []Basketful) (out []Wait, err error) {
	last := 0.0
	for _, b := range baskets {
		last = math.Max(last, b.EndMin)
	}
	for i, b := range baskets {
		minutes := last - b.EndMin
		if minutes < shortWait {
			continue
		}
		q := d.Share(b.Pieces)
		if b.Fryer == 1 {
			q = d.ShareInSecond(b.Pieces)
		}
		q.Program = b.Program
		l, err := load.Of(q)
		if err != nil {
			return nil, err
		}
		w, err := waitFor(l, minutes)
		if err != nil {
			return nil, err
		}
		w.Basket = i + 1
		out = append(out, w)
	}
	return out, nil
}

// waitFor is what becomes of one basket that is out so many minutes early.
func waitFor(l *load.Load, minutes float64) (Wait, error) {
	w := Wait{Minutes: minutes}
	end, hot := l.Minutes(), flashAt(l)
	for _, h := range load.Holds {
		p := l.Program.Then(load.Stage{AirC: hot, Minutes: minutes, Hold: h}, load.Stage{AirC: hot, Minutes: FlashMin})
		r, err := run.Start(l.UnderProgram(p), run.Nominal, run.Fine)
		if err != nil {
			return w, err
		}
		r.Advance(end, nil)
		w.Crust = r.Softest()
		r.Advance(end+minutes, nil)
		k := Kept{Hold: h, Name: load.HoldNames[h], CoreC: r.CoreC()}
		k.Crust = r.Softest()
		r.Advance(end+minutes+FlashMin, nil)
		k.FlashCrust = r.Softest()
		w.Kept = append(w.Kept, k)
	}
	best := w.Kept[0] // the warm oven keeps it hot and dry
	w.Best = best.Hold
	if best.FlashCrust-best.Crust >= flashPays && w.Crust-best.Crust >= flashPays/2 {
		w.FlashMin = FlashMin
	}
	w.Says = waitSays(&w, l)
	return w, nil
}

// Waited is the crust of the softest face and the coldest spot, °C, of a basket that is
// run as its program has it, and waits so many minutes, on a rack or where it is kept
// at warmC over 0; then with a flash, where it had one.
func Waited(q load.Request, warmC, minutes float64, flash bool) (crust, coreC float64, err error) {
	l, err := load.Of(q)
	if err != nil {
		return 0, 0, err
	}
	kept := load.Stage{AirC: flashAt(l), Minutes: math.Max(minutes, 0.01), Hold: load.HoldRack}
	if warmC > 0 {
		kept.Hold, kept.HoldC = load.HoldWarm, &warmC
	}
	p := l.Program.Then(kept)
	if flash {
		p = p.Then(load.Stage{AirC: flashAt(l), Minutes: FlashMin})
	}
	r, err := run.Start(l.UnderProgram(p), run.Nominal, run.Fine)
	if err != nil {
		return 0, 0, err
	}
	r.Advance(p.Minutes(), nil)
	return r.Softest(), r.CoreC(), nil
}
