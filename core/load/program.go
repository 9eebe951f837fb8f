package load

import (
	"cmp"
	"math"
	"slices"

	"velocrustum/core/food"
	"velocrustum/core/fryer"
	"velocrustum/core/units"
)

// Program is stages and turns; minute 0 is when the food goes in.
type Program struct {
	PreheatMin float64 `json:"preheatMin,omitempty"`
	// HotFromC is the air of the basket that was in just before, °C: the
	// fryer is as hot as that one left it. 0 if there was none.
	HotFromC float64 `json:"hotFromC,omitempty"`
	Stages   []Stage `json:"stages"`
	Turns    []Turn  `json:"turns,omitempty"`
}

// Stage is an air temperature, as dialled, for a time.
type Stage struct {
	AirC    float64 `json:"airC"`
	Minutes float64 `json:"minutes"`
	// Rest is a time out of the fryer, which heats to AirC meanwhile.
	Rest bool `json:"rest,omitempty"`
	// Hold is where the food waits, out of the fryer, which is kept at AirC
	// meanwhile: one of Holds. HoldC is the heat of a warm oven, 90 °C.
	Hold  string   `json:"hold,omitempty"`
	HoldC *float64 `json:"holdC,omitempty"`
	// Grill heats from above; Fan, left out, blows all the while, and under the
	// grill need not.
	Grill bool  `json:"grill,omitempty"`
	Fan   *bool `json:"fan,omitempty"`
	// FryerID and Fryer are another that the stage is in, hot by then; left out,
	// it is in the load's own.
	FryerID string `json:"fryerId,omitempty"`
	Fryer   *Fryer `json:"fryer,omitempty"`
	// FryerName is what that other is called.
	FryerName string `json:"fryerName,omitempty"`
	there     *elsewhere
}

// Says is the heat of a stage, whose dial is said so: with what heats, and where.
func (s Stage) Says(dial string) string {
	if s.Grill {
		dial += " under the grill"
	}
	if s.Heating().Still {
		dial += ", fan off"
	}
	if s.Elsewhere() {
		dial += ", in " + s.Other()
	}
	return dial
}

// Other is what another fryer that a stage is in is called.
func (s Stage) Other() string { return cmp.Or(s.FryerName, "the other fryer") }

// Heating is how the fryer heats in a stage.
func (s Stage) Heating() fryer.Heating {
	return fryer.Heating{Grill: s.Grill, Still: s.Fan != nil && !*s.Fan}
}

// Elsewhere says whether a stage is in another fryer than the load's own.
func (s Stage) Elsewhere() bool { return s.FryerID != "" || s.Fryer != nil }

// Turn is a flip, a shake, a check: a look that moves nothing; or a brush.
type Turn struct {
	AtMin float64 `json:"atMin"`
	Kind  string  `json:"kind"`
	// Brush is what is put on by a turn of that kind.
	Brush *Brush `json:"brush,omitempty"`
	// Lots are those that it is for, by their place from 0; all where left
	// out. Group is the one of groups, before there were lots.
	Lots  []int `json:"lots,omitempty"`
	Group int   `json:"group,omitempty"`
}

// For says whether a turn is for a lot, by its place from 0.
func (t Turn) For(lot int) bool { return len(t.Lots) == 0 || slices.Contains(t.Lots, lot) }

// Brush is what is brushed on, on the faces that are up just then, or on both.
type Brush struct {
	Parts []food.Mixed `json:"parts"`
	G     float64      `json:"g"` // on the whole load
	Both  bool         `json:"both,omitempty"`
}

// Kinds of turn.
const (
	Flip    = "flip"
	Shake   = "shake"
	LookIn  = "check"
	BrushOn = "brush"
	// PutIn puts some lots in beside the others, TakeOut takes some out and
	// leaves the others.
	PutIn   = "in"
	TakeOut = "out"
)

// Where a hold keeps the food.
const (
	HoldWarm    = "warm"    // on a rack in an oven that is kept warm
	HoldRack    = "rack"    // on a rack in the room
	HoldBowl    = "bowl"    // piled in an open bowl
	HoldCovered = "covered" // in a dish under a lid or foil
)

// Holds lists them, the driest first.
var Holds = []string{HoldWarm, HoldRack, HoldBowl, HoldCovered}

// WarmC is an oven kept warm, where no other heat is said, °C.
const WarmC = 90.0

// WaitsIn is where food waits in a stage, "" where it is in the fryer. A rest
// is a wait in the room while the fryer heats.
func (s Stage) WaitsIn() string {
	if s.Hold == "" && s.Rest {
		return HoldRack
	}
	return s.Hold
}

// HoldNames are what a place to wait is called.
var HoldNames = map[string]string{
	HoldWarm: "on a rack in the warm oven", HoldRack: "on a rack in the room", HoldBowl: "piled in a bowl", HoldCovered: "under a lid or foil",
}

// Waiting says where food waits in a stage.
func (s Stage) Waiting(t units.Temperature) string {
	says := HoldNames[s.WaitsIn()]
	if s.WaitsIn() == HoldWarm {
		says += " at " + t.Words(s.OvenC())
	}
	return says
}

// OvenC is the heat of the warm oven that food waits in, °C.
func (s Stage) OvenC() float64 { return orElse(s.HoldC, WarmC) }

// Minutes returns how long the stages are together.
func (p Program) Minutes() (sum float64) {
	for _, s := range p.Stages {
		sum += s.Minutes
	}
	return sum
}

// StageAt is the stage that is on at a minute, the last after all.
func (p Program) StageAt(minute float64) Stage {
	for _, st := range p.Stages {
		if minute -= st.Minutes; minute < 0 {
			return st
		}
	}
	return p.Last()
}

// Last is the last stage.
func (p Program) Last() Stage { return p.Stages[len(p.Stages)-1] }

// Then is the program with further stages after it.
func (p Program) Then(more ...Stage) Program {
	p.Stages = append(slices.Clone(p.Stages), more...)
	return p
}

// EndingAt is the program with another dial in its last stage, °C.
func (p Program) EndingAt(airC float64) Program {
	p.Stages = slices.Clone(p.Stages)
	p.Stages[len(p.Stages)-1].AirC = airC
	return p
}

// Turning is the program with one of its turns at another minute, in order.
func (p Program) Turning(turn int, atMin float64) Program {
	p.Turns = slices.Clone(p.Turns)
	p.Turns[turn].AtMin = atMin
	p.Turns = inOrder(p.Turns)
	return p
}

// Lasting returns the program with its last stage as long as it takes to end
// at a minute, and the turns where they were in proportion.
func (p Program) Lasting(end float64) Program {
	was := p.Minutes()
	n := len(p.Stages) - 1
	out := p
	out.Stages, out.Turns = slices.Clone(p.Stages), slices.Clone(p.Turns)
	before := was - p.Stages[n].Minutes
	out.Stages[n].Minutes = math.Max(1, end-before)
	end = out.Minutes()
	for i := range out.Turns {
		at := p.Turns[i].AtMin
		if at > before || n == 0 {
			at = before + (at-before)*(end-before)/(was-before)
		}
		out.Turns[i].AtMin = math.Min(math.Max(1, math.Round(at)), end-0.5)
	}
	return out
}

// Same says whether two programs have the same stages and turns.
func (p Program) Same(other Program) bool {
	return slices.Equal(p.Stages, other.Stages) && slices.EqualFunc(p.Turns, other.Turns, func(a, b Turn) bool {
		return a.AtMin == b.AtMin && a.Kind == b.Kind && a.Brush == b.Brush && a.Group == b.Group && slices.Equal(a.Lots, b.Lots)
	})
}

// forShare brushes as much as a share of the pieces needs.
func (p Program) forShare(share float64) Program {
	p.Turns = slices.Clone(p.Turns)
	for i, t := range p.Turns {
		if t.Brush != nil {
			b := *t.Brush
			b.G *= share
			p.Turns[i].Brush = &b
		}
	}
	return p
}

// inOrder returns turns by their minutes.
func inOrder(turns []Turn) []Turn {
	turns = slices.Clone(turns)
	slices.SortStableFunc(turns, func(a, b Turn) int { return cmp.Compare(a.AtMin, b.AtMin) })
	return turns
}
