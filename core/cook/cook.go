// Package cook leads one live cook. Its whole state follows from the plan and
// from what the cook said was done, and when; nothing ticks, so a reload, a
// second device or a restart shows the same thing.
package cook

import (
	"fmt"
	"math"
	"slices"
	"time"

	"velocrustum/core/belief"
	"velocrustum/core/larder"
	"velocrustum/core/load"
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
	// HeatOn is that the fryer was turned on, where a basket waits its turn.
	HeatOn = "heating"
	Rested = "rested" // has had its rest, which belongs to some rules
	Set    = "set"    // Value: °C on the dial, from now on
	Raw    = "raw"    // cut: raw at the bone
	Soft   = "soft"   // not crisp under the tongs
	Floury = "floury" // patches of dry flour
	// LeftIn is a thermometer that stays in the thickest piece from now on, and
	// TakenOut its end.
	LeftIn   = "left-in"
	TakenOut = "taken-out"
	// Skip is that what was due is not done: a turn, a look, a brush, a dial.
	Skip = "skip"
)

// Kinds lists what a cook can say.
var Kinds = []string{Loaded, Turned, Dialled, More, Out, Probe, Look, Stop, HeatOn, Rested, Set, Raw, Soft, Floury, LeftIn, TakenOut, Skip}

// Sights are what is seen of the food, which changes nothing that is done.
var Sights = []string{Probe, Look, Raw, Soft, Floury}

// An Event is one thing said. Its id is the device's own, so that it counts
// once however often it is sent.
type Event struct {
	ID    string    `json:"id"`
	Kind  string    `json:"kind"`
	At    time.Time `json:"at"`
	Value float64   `json:"value"`
	Probe string    `json:"probe,omitempty"` // which thermometer, left in
	// Lot is of which lot it is, by its place from 0, where that matters.
	Lot int `json:"lot,omitempty"`
	// Where in the basket a look was, load.AtFront or load.AtBack; "" of all of it.
	Where string `json:"where,omitempty"`
}

// Placed says whether an event is of a place that it can be of: a look at an end of the
// basket, and all of all of it.
func (e Event) Placed() bool {
	return e.Where == "" || e.Kind == Look && (e.Where == load.AtFront || e.Where == load.AtBack)
}

// Live is one cook as planned and as told.
type Live struct {
	Program load.Program
	Pieces  int
	Piece   string    // one, in words
	Plural  string    // several
	Faces   [2]string // the one that starts up first
	Judged  Judging
	Seam    bool // wrapped: they roll, and lie on the seam
	Tender  bool // tongs would take the coat off
	// Fryer is what its own is called.
	Fryer string
	// Quicker is the end of the basket where it browns quicker; "" where none is known to.
	Quicker string
	// Drawers is 2 where two drawers share it, each with half.
	Drawers int
	Started time.Time
	Events  []Event
	// Waits is whether it is one of several baskets, which are heated for when
	// it is said.
	Waits bool
	// RestMin is the rest that the rule asks for afterwards, minutes.
	RestMin float64
	// StopsItself is whether the fryer's timer turns it off at the end.
	StopsItself bool
	Degrees     units.Temperature
	Say         units.Household // weights
	// Lots are the kinds in the basket, where there are several.
	Lots []LotIn
	// Larder has the household's own names of ingredients.
	Larder map[string]larder.Ingredient
}

// Judging is how a cook tells that a food is done, and what may not touch it
// after it was raw.
type Judging uint8

const (
	ByBoth    Judging = iota // probed in breast and thigh, away from the bone
	ByTheBone                // probed away from the bone
	ByProbe                  // probed where it is thickest
	ByBite                   // a plant: soft, nothing raw about it
	ByHeat                   // … that only has to be hot
	ByMelt                   // cheese: molten
)

// Tried says that one is tried: nothing raw about it, and no probe.
func (j Judging) Tried() bool { return j >= ByBite }

// A LotIn is one of several lots in a basket.
type LotIn struct {
	Name    string // what it is called: six "drumettes"
	Pieces  int
	Faces   [2]string // the one that starts up first
	Judged  Judging
	Seam    bool
	Tender  bool
	RestMin float64
}

// Phases of a cook.
const (
	Waiting   = "waiting" // for its turn in the fryer
	Heating   = "heating"
	Loading   = "loading"
	Running   = "running"
	Turning   = "turning"
	Dialling  = "dialling"
	TakingOut = "taking-out"
	Resting   = "resting"
	Finished  = "finished"
)

// A Step is what to do now, and until when.
type Step struct {
	Phase, Title, Detail string
	Until                time.Time // zero if nothing is timed
	Next                 string    // what is due then
	Action, Label        string    // the main button's event and words
	MaySkip              bool      // it may be left out
}

// Limits are what the value of an event may be, by its kind.
var Limits = refuse.Limits{
	More:  {Min: 0.5, Max: 30, Step: 0.5, Unit: "minutes"},
	Probe: belief.ProbeLimit,
	Look:  {Min: 0, Max: 4, Step: 1, Unit: "from pale to dark"},
	Set:   {Min: load.MinAirC, Max: load.MaxAirC, Step: 5, Unit: "°C"},
}

// OfALot are the kinds of event that are of one lot.
var OfALot = append([]string{LeftIn}, Sights...)

// UsualMore is how many minutes are given at a tap.
const UsualMore = 2.0

// doubleTap is the time within which the same word is a slip of a greasy
// finger, but for what can be meant again.
const doubleTap = 4 * time.Second

// probedAfter is how long after it came out food is still probed.
const probedAfter = time.Hour

var again = append([]string{More, Set, LeftIn}, Sights...)

// Add returns the events with e added, or why it cannot be. What was said
// already, by its id or by a finger that tapped twice, adds nothing.
func (l Live) Add(e Event) ([]Event, error) {
	if e.ID != "" && slices.ContainsFunc(l.Events, func(o Event) bool { return o.ID == e.ID }) {
		return l.Events, nil
	}
	no := func(allowed string) ([]Event, error) {
		return nil, refuse.One("kind", e.Kind, allowed)
	}
	// What came out can be probed yet, and has to be where it is not shown safe.
	after := e.Kind == Probe && !l.first(Out).IsZero() && e.At.Sub(l.first(Out)) < probedAfter
	if l.over() && !after {
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
	if out := l.first(Out); !out.IsZero() && e.Kind != Rested && !after {
		return no("rested, or what a thermometer read; the food is out already")
	}
	switch e.Kind {
	case HeatOn:
		if loaded || !l.heated().IsZero() || !l.Waits {
			return no("once, before the food is in, for a basket that waits its turn")
		}
	case Rested:
		if l.first(Out).IsZero() {
			return no("after the food is out")
		}
	case Loaded:
		if loaded {
			return no("once; the food is in already")
		}
	case Stop:
		if loaded {
			return no("before the food is in; after that, take it out")
		}
	case Skip:
		if i := l.course().open(); !loaded || i < 0 || !l.course().dues[i].maySkip() {
			return no("for a turn, a look, a brush or a dial that is still to come; what goes in or comes out is done")
		}
	case Turned, Dialled, More, Out, Set, Probe, Look, Raw, Soft, Floury, LeftIn, TakenOut:
		if e.Kind == LeftIn && (e.Probe == "" || len(e.Probe) > 40) {
			return nil, refuse.One("probe", fmt.Sprintf("%q", e.Probe), "the name of a thermometer, up to 40 letters")
		}
		if !loaded {
			return no("after the food has gone in")
		}
		if last := max(0, len(l.Lots)-1); e.Lot < 0 || e.Lot > last {
			return nil, refuse.One("lot", fmt.Sprint(e.Lot), fmt.Sprintf("0 to %d, of the lots in this basket", last))
		}
		if at := l.LotGoesInMin(e.Lot); at != nil && slices.Contains(OfALot, e.Kind) {
			return nil, refuse.One("lot", l.Lots[e.Lot].Name, fmt.Sprintf("a lot that is in; they go in at minute %g, say first that they are", *at))
		}
		if !e.Placed() {
			return nil, refuse.One("where", e.Where, "front or back, of a look")
		}
		if r, ok := Limits[e.Kind]; ok {
			var c refuse.Check
			if c.Within("value", e.Value, r.Min, r.Max, r.Unit); c.Err() != nil {
				return nil, c.Err()
			}
		}
	default:
		return no("heating, loaded, turned, dialled, set, more, out, rested, probe, look, raw, soft, floury, left-in, taken-out, skip, stop")
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

// first is when a kind of thing was said first; zero if it was not.
func (l Live) first(kind string) time.Time {
	for _, e := range l.Events {
		if e.Kind == kind {
			return e.At
		}
	}
	return time.Time{}
}

// heated is when the fryer was turned on for it.
func (l Live) heated() time.Time {
	if !l.Waits {
		return l.Started
	}
	return l.first(HeatOn)
}

func (l Live) over() bool {
	_, over := l.Finished()
	return over
}

func (l Live) loadedAt() (time.Time, bool) {
	at := l.first(Loaded)
	return at, !at.IsZero()
}

// Finished returns when the cook was over: out, and rested where a rule asks
// for that.
func (l Live) Finished() (time.Time, bool) {
	if at := l.first(Stop); !at.IsZero() {
		return at, true
	}
	at := l.first(Out)
	return at, !at.IsZero() && (l.RestMin == 0 || !l.first(Rested).IsZero())
}

// LoadedAt returns when the food went in.
func (l Live) LoadedAt() (time.Time, bool) { return l.loadedAt() }

// OutAt returns when the food came out.
func (l Live) OutAt() (time.Time, bool) {
	at := l.first(Out)
	return at, !at.IsZero()
}

// EndMin is how many minutes it is in, by the program and what was asked for
// since.
func (l Live) EndMin() float64 { return l.course().end }

// Beyond is what was foreseen beside the program: how many minutes are offered
// at a tap, as many as it asks for beyond the end or else a few, and that in
// words.
func (l Live) Beyond(f *belief.Foreseen) (more float64, says string) {
	if f == nil || f.MoreMin == nil || *f.MoreMin == 0 {
		return UsualMore, ""
	}
	if more = math.Ceil(f.AtMin + *f.MoreMin - l.EndMin()); more <= 0 {
		return UsualMore, longEnough
	}
	return math.Min(more, Limits[More].Max), moreThanProgram(more)
}

// Read is what a thermometer that stays in read last.
type Read struct {
	At time.Time
	C  float64
}
