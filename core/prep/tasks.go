package prep

import (
	"fmt"
	"math"

	"velocrustum/core/units"
)

// A BenchTask is one thing to do on the bench, in the order of the hands, with what
// it waits for afterwards.
type BenchTask struct {
	ID    string // of a dish's tasks: its kind, and of which lot after the first
	Kind  string // cut, dry, salt, marinade, coat
	Of    string // the lot, where there are several
	Says  string
	Hands float64 // minutes of one pair
	// Wait is how long it then stands, minutes; none where Most is 0.
	Wait BenchWait
}

// BenchWait is an elastic time, minutes: what it must have, what is best, and what
// it stands. Place is where.
type BenchWait struct {
	Least, Best, Most float64
	Place             string // fridge, board
	Says              string
}

// Minutes of one pair of hands: for the step, and for each piece (cooks at
// work, ±30 %).
const (
	cutMin, cutEach   = 1.0, 0.7
	wipeMin, wipeEach = 1.0, 0.08
	saltMin, saltEach = 1.0, 0.05
	mixMin, mixEach   = 3.0, 0.05
	thawMin           = 1.0
	coatMin, coatEach = 1.0, 0.12 // of each layer
	oilMin, oilEach   = 0.5, 0.04
	longestHands      = 40.0
	dayMin            = 24 * 60.0
	restsMost         = 45.0 // a coat, minutes; after that it is paste
	leastSalted       = 15.0 // minutes, until dry salt has drawn and gone back in
	leastShare        = 0.25 // of a rack's hours, that are worth it
)

// Tasks are what the bench of a lot asks of hands and of the clock. Where there
// are several, each task names its lot.
func (d *WorkedDish) Tasks(lot int, p Pantry, h units.Household) []BenchTask {
	w := d.Lots[lot]
	if len(d.Lots) == 1 {
		return w.tasks(p, h)
	}
	out := w.tasks(p, h)
	for i := range out {
		t := &out[i]
		if t.Of = w.Lot.Called(); lot > 0 {
			t.ID = fmt.Sprintf("%s-%d", t.Kind, lot+1)
		}
		if w.Lot.Name != "" {
			t.Says += fmt.Sprintf(" (%s)", w.Lot.Name)
		}
	}
	return out
}

func (w *Worked) tasks(p Pantry, h units.Household) []BenchTask {
	b, n := &w.Bench, float64(w.Lot.Pieces)
	hands := func(base, each float64) float64 { return math.Min(longestHands, math.Round(2*(base+each*n))/2) }
	count := w.Lot.counted()
	var out []BenchTask
	add := func(id, says string, minutes float64, wait BenchWait) {
		out = append(out, BenchTask{ID: id, Kind: id, Says: says, Hands: minutes, Wait: wait})
	}
	if c := b.Cutting; c != nil && (c.As != "" || c.WholeG > 0 || c.Scored) {
		add("cut", cutSays(count), hands(cutMin, cutEach), BenchWait{})
	}
	if long := w.Lot.ThawH * 60; long > 0 {
		add("thaw", thawSays(count), thawMin, BenchWait{long, long, long + dayMin, "fridge", toThaw})
	}
	dry := b.Drying
	switch {
	case dry.School != "":
	case w.Lot.Bought || w.Lot.Frozen: // nothing to wipe
		dry.School = "wet"
	default:
		dry = dryingOf(w.Lot.Wet)
	}
	if dry.School != "wet" {
		wait := BenchWait{}
		if b.Drying.School == "rack" && dry.Hours > 0 {
			best := dry.Hours * 60
			wait = BenchWait{leastShare * best, best, math.Max(best, dayMin), "fridge", onTheRack}
		}
		// Salt goes on before the rack, so that both have the same hours.
		says := wipeSays(count)
		if w.rubs() && wait.Most > 0 {
			says = wipeAndSaltSays(count, h.Grams(w.RubG))
		}
		add("dry", says, hands(wipeMin, wipeEach), wait)
	}
	if s := b.Salting; s != nil && (w.Brine != nil || w.rubs()) {
		best := s.Hours * 60
		wait := BenchWait{math.Min(best, leastSalted), best, math.Max(best, dayMin), "fridge", inSalt}
		switch {
		case w.Brine != nil:
			wait.Least, wait.Most, wait.Says = best/2, 1.5*best, inTheBrine
			add("salt", brineSays(h.Grams(w.Brine.SaltG), w.Brine.bath(h), count), hands(mixMin, mixEach), wait)
		case len(out) > 0 && out[len(out)-1].Wait.Most > 0:
			// It was salted before the rack.
		default:
			add("salt", saltSays(count, h.Grams(w.RubG)), hands(saltMin, saltEach), wait)
		}
	}
	if m := w.Marinaded; m != nil {
		best := m.Hours * 60
		wait := BenchWait{math.Min(best, m.Reach.Least*60), best, math.Max(best, m.Reach.Most*60), "fridge", inTheMarinade}
		add("marinade", marinadeSays(count), hands(mixMin, mixEach), wait)
	}
	layers := len(w.Coated.Coat.Layers)
	switch {
	case layers > 0 && w.Lot.Bought:
	case layers > 0:
		best := w.Coated.RestMin
		wait := BenchWait{math.Min(best, w.Coated.Coat.RestMin), best, math.Max(best, restsMost), "none", restInTheirCoat}
		if best == 0 {
			wait = BenchWait{}
		}
		says := coatSays(count, w.Coated.Coat.Name, w.Coated.OilG, h)
		add("coat", says, hands(coatMin, coatEach*float64(layers)), wait)
	case w.Coated.OilG > 0:
		add("coat", oilSays(count, h.Grams(w.Coated.OilG)), hands(oilMin, oilEach), BenchWait{})
	}
	return out
}
