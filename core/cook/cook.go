// Package cook leads one live cook. Its whole state follows from the plan and
// from what the cook said was done, and when; nothing ticks, so a reload, a
// second device or a restart shows the same thing.
package cook

import (
	"slices"
	"time"

	"velocrustum/core/larder"
	"velocrustum/core/program"
	"velocrustum/core/refuse"
	"velocrustum/core/units"
)

// What a cook can say.
const (
	Loaded  = "loaded"
	Turned  = "turned"
	Dialled = "dialled"
	More    = "more"  // Value: minutes
	Out     = "out"   // the food is out
	Probe   = "probe" // Value: °C in the thickest part
	Look    = "look"  // Value: 0 pale to 4 dark
	Stop    = "stop"  // given up before the food went in
)

// An Event is one thing said. Its id is the device's own, so that it counts
// once however often it is sent.
type Event struct {
	ID    string    `json:"id" db:"id"`
	Kind  string    `json:"kind" db:"kind"`
	At    time.Time `json:"at" db:"at"`
	Value float64   `json:"value" db:"value"`
}

// Live is one cook as planned and as told.
type Live struct {
	Program program.Program
	Pieces  int
	Piece   string    // one, in words
	Plural  string    // several
	Faces   [2]string // the one that starts up first
	Judged  Judging
	Seam    bool // wrapped: they roll, and lie on the seam
	Tender  bool // tongs would take the coat off
	Started time.Time
	Events  []Event
	Degrees units.Temperature
	Say     units.Household // weights
	// Kinds are what the kinds in the basket are called, the load's first;
	// none where there is one.
	Kinds []string
	// Larder has the household's own names of ingredients.
	Larder map[string]larder.Ingredient
}

// Judging is how a cook tells that a food is done, and what may not touch it
// after it was raw.
type Judging uint8

const (
	ByTheBone Judging = iota // probed away from the bone
	ByProbe                  // probed where it is thickest
	ByBite                   // a plant: soft, nothing raw about it
)

// tell is what is done before the food comes out.
var tell = map[Judging]string{
	ByTheBone: "Probe the thickest one away from the bone first. The thermometer decides, not the colour.",
	ByProbe:   "Probe the thickest one in its middle first. The thermometer decides, not the colour.",
	ByBite:    "Try one first: it should be soft right through.",
}

// Phases of a cook.
const (
	Heating   = "heating"
	Loading   = "loading"
	Running   = "running"
	Turning   = "turning"
	Dialling  = "dialling"
	TakingOut = "taking-out"
	Finished  = "finished"
)

// A Step is what to do now, and until when.
type Step struct {
	Phase, Title, Detail string
	Until                time.Time // zero if nothing is timed
	Next                 string    // what is due then
	Action, Label        string    // the main button's event and words
}

// Limits are what the value of an event may be, by its kind.
var Limits = refuse.Limits{
	More:  {Min: 0.5, Max: 30, Step: 0.5, Unit: "minutes"},
	Probe: {Min: -5, Max: 120, Step: 1, Unit: "°C"},
	Look:  {Min: 0, Max: 4, Step: 1, Unit: "from pale to dark"},
}

// UsualMore is how many minutes are given at a tap.
const UsualMore = 2.0

// doubleTap is the time within which the same word is a slip of a greasy
// finger, but for what can be meant again.
const doubleTap = 4 * time.Second

var again = []string{More, Probe, Look}

// Add returns the events with e added, or why it cannot be. What was said
// already, by its id or by a finger that tapped twice, adds nothing.
func (l Live) Add(e Event) ([]Event, error) {
	if e.ID != "" && slices.ContainsFunc(l.Events, func(o Event) bool { return o.ID == e.ID }) {
		return l.Events, nil
	}
	no := func(allowed string) ([]Event, error) {
		return nil, refuse.One("kind", e.Kind, allowed)
	}
	if l.over() {
		return no("nothing more: this cook is finished; undo to go on with it")
	}
	if n := len(l.Events); n > 0 {
		last := l.Events[n-1]
		if e.At.Before(last.At) {
			e.At = last.At // a clock set back
		}
		if last.Kind == e.Kind && e.At.Sub(last.At) < doubleTap && !slices.Contains(again, e.Kind) {
			return l.Events, nil
		}
	}
	_, loaded := l.loadedAt()
	switch e.Kind {
	case Loaded:
		if loaded {
			return no("once; the food is in already")
		}
	case Stop:
		if loaded {
			return no("before the food is in; after that, take it out")
		}
	case Turned, Dialled, More, Out, Probe, Look:
		if !loaded {
			return no("after the food has gone in")
		}
		if r, ok := Limits[e.Kind]; ok {
			var c refuse.Check
			if c.Within("value", e.Value, r.Min, r.Max, r.Unit); c.Err() != nil {
				return nil, c.Err()
			}
		}
	default:
		return no("loaded, turned, dialled, more, out, probe, look, stop")
	}
	return append(slices.Clone(l.Events), e), nil
}

// Without returns the events but for one, or why it cannot be taken back.
func (l Live) Without(id string) ([]Event, error) {
	i := slices.IndexFunc(l.Events, func(e Event) bool { return e.ID == id })
	if i < 0 {
		return l.Events, nil
	}
	if l.Events[i].Kind == Loaded && i < len(l.Events)-1 {
		return nil, refuse.One("event", "food is in", "the food is in while something was done with it since; take that back first")
	}
	return slices.Delete(slices.Clone(l.Events), i, i+1), nil
}

func (l Live) over() bool {
	return slices.ContainsFunc(l.Events, func(e Event) bool { return e.Kind == Out || e.Kind == Stop })
}

func (l Live) loadedAt() (time.Time, bool) {
	for _, e := range l.Events {
		if e.Kind == Loaded {
			return e.At, true
		}
	}
	return time.Time{}, false
}

// Finished returns when the cook was over.
func (l Live) Finished() (time.Time, bool) {
	for _, e := range l.Events {
		if e.Kind == Out || e.Kind == Stop {
			return e.At, true
		}
	}
	return time.Time{}, false
}

// LoadedAt returns when the food went in.
func (l Live) LoadedAt() (time.Time, bool) { return l.loadedAt() }
