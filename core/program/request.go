package program

import (
	"cmp"
	"fmt"
	"slices"

	"velocrustum/core/food"
	"velocrustum/core/fryer"
	"velocrustum/core/larder"
	"velocrustum/core/refuse"
	"velocrustum/core/safety"
	"velocrustum/core/units"
)

// Request is what a cook asks: this load, in this coat, in this fryer, by
// this program. Fields left out take the defaults named beside them.
type Request struct {
	Load      Load    `json:"load"`
	Coat      *Coat   `json:"coat,omitempty"`  // bare, no oil
	Fryer     *Fryer  `json:"fryer,omitempty"` // the middling drawer
	Program   Program `json:"program"`
	Guidance  string  `json:"guidance,omitempty"`  // us
	GuidanceC float64 `json:"guidanceC,omitempty"` // °C, with "stricter"
	// Groups are what else lies in the same air: other cuts, sizes, coats,
	// glazes, each with its own answer.
	Groups []Group `json:"groups,omitempty"`
	// CrustWanted is the crispness that counts as crisp, 60.
	CrustWanted *float64 `json:"crustWanted,omitempty"`
	// TailMin carries the last stage on past the program's end, so that a
	// screen can show what would come; 0.
	TailMin float64 `json:"tailMin,omitempty"`
	// Units are those that answers are worded in: °C and g.
	Units units.Household `json:"-"`
	// Larder has the household's own figures of ingredients, by id, over
	// those that ship.
	Larder map[string]larder.Ingredient `json:"-"`
}

// A Group is some of the pieces in a basket that are of another kind.
type Group struct {
	Name string `json:"name,omitempty"`
	Load Load   `json:"load"`
	Coat *Coat  `json:"coat,omitempty"`
}

// Load is all the pieces in one basket.
type Load struct {
	Cut         string   `json:"cut"`
	Pieces      int      `json:"pieces"`
	PieceMassG  float64  `json:"pieceMassG"`
	ThicknessMm *float64 `json:"thicknessMm,omitempty"` // from mass and cut
	StartC      *float64 `json:"startC,omitempty"`      // 5
	Surface     string   `json:"surface,omitempty"`     // wiped
	// SurfaceWaterG is the free water on it, g/100 cm², in the place of what
	// Surface stands for; under 0 the rack has dried the outer layer too.
	SurfaceWaterG *float64 `json:"surfaceWaterG,omitempty"`
	// Under is what lies between the food and the grate: one of Unders; the
	// grate where left out.
	Under string `json:"under,omitempty"`
	// SpreadPct is how far pieces differ in thickness: nineteen in twenty
	// lie within so many percent of the mean; 8 for a careful hand.
	SpreadPct *float64 `json:"spreadPct,omitempty"`
}

// Coat is what the pieces are covered with.
type Coat struct {
	// ID names a coat; it may be left out where Layers tell it.
	ID string `json:"id,omitempty"`
	// Layers are what it is made of, from the inside out, in the place of
	// what the named one is.
	Layers []food.CoatLayer `json:"layers,omitempty"`
	// RestMin is how long it rests before the basket; as long as it needs
	// where left out.
	RestMin *float64 `json:"restMin,omitempty"`
	// Alkali is how far the bench raises the surface's pH beside the coat.
	Alkali   float64 `json:"alkali,omitempty"`
	OilG     float64 `json:"oilG,omitempty"`     // g on the whole load
	SugarPct float64 `json:"sugarPct,omitempty"` // reducing sugar added to the surface, percent
	SaltPct  float64 `json:"saltPct,omitempty"`  // salt in the flesh, percent
}

// Fryer is the machine.
type Fryer struct {
	Kind        string        `json:"kind,omitempty"`   // drawer
	PowerW      *float64      `json:"powerW,omitempty"` // 1500
	Basket      *fryer.Basket `json:"basket,omitempty"` // rectangle 230 by 230
	Airflow     *float64      `json:"airflow,omitempty"`
	DialOffsetC float64       `json:"dialOffsetC"`
	// HeatUpMin is how long it takes from cold to 200 °C, empty, timed by its
	// owner; left out, that of its kind.
	HeatUpMin *float64 `json:"heatUpMin,omitempty"`
	// Inferred names the figures that nobody has read off or measured:
	// their spread is wider.
	Inferred []string `json:"inferred"`
	// Trays is how many levels of an oven share the load, 1; Rack lifts half
	// of a drawer's load onto a second level.
	Trays int `json:"trays"`
	// Drawers is 2 where two drawers share the load and the power.
	Drawers int      `json:"drawers"`
	Rack    bool     `json:"rack"`
	RoomC   *float64 `json:"roomC,omitempty"` // 21
	// Dial is what can be set on it; a recommendation keeps to it.
	Dial *Dial `json:"dial,omitempty"` // 80 to 200 by 5
	// StopsItself is whether its timer turns it off, so that what is forgotten
	// in it stands there; else it goes on heating.
	StopsItself bool `json:"stopsItself,omitempty"`
}

// Whole returns the fryer with its defaults in.
func (f Fryer) Whole() Fryer {
	if f.Kind == "" {
		f.Kind = string(fryer.Drawer)
	}
	f.PowerW, f.Airflow = ptr(value(f.PowerW, powerW)), ptr(value(f.Airflow, 1))
	f.Basket = ptr(value(f.Basket, fryer.Basket{Shape: fryer.Rectangle, WidthMm: basketMm, DepthMm: basketMm}))
	f.Dial = ptr(value(f.Dial, usualDial))
	f.Trays, f.Drawers = cmp.Or(f.Trays, 1), cmp.Or(f.Drawers, 1)
	if f.Inferred == nil {
		f.Inferred = []string{}
	}
	return f
}

// Dial is the range and the step of what can be set, °C.
type Dial struct {
	MinC  float64 `json:"minC"`
	MaxC  float64 `json:"maxC"`
	StepC float64 `json:"stepC"`
}

// StageAt is the stage that is on at a minute, the last after all.
func (p Program) StageAt(minute float64) Stage {
	for _, st := range p.Stages {
		if minute -= st.Minutes; minute < 0 {
			return st
		}
	}
	return p.Stages[len(p.Stages)-1]
}

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
}

// Turn is a flip, a shake, a check: a look that moves nothing; or a brush.
type Turn struct {
	AtMin float64 `json:"atMin"`
	Kind  string  `json:"kind"`
	// Brush is what is put on by a turn of that kind, on the pieces of the
	// load, or of the group whose number is Group.
	Brush *Brush `json:"brush,omitempty"`
	Group int    `json:"group,omitempty"`
}

// Kinds of turn.
const (
	Flip   = "flip"
	Shake  = "shake"
	LookIn = "check"
	// TakeOut takes one group out and leaves the others.
	TakeOut = "out"
)

// Minutes returns how long the stages are together.
func (p Program) Minutes() (sum float64) {
	for _, s := range p.Stages {
		sum += s.Minutes
	}
	return sum
}

// checker gathers what is wrong.
type checker struct{ refuse.Check }

func names[T ~string](list []T) []string {
	out := make([]string, len(list))
	for i, v := range list {
		out[i] = string(v)
	}
	return out
}

func value[T any](p *T, d T) T {
	if p == nil {
		return d
	}
	return *p
}

// CheckFryer returns what is wrong with a fryer as refuse.Fields, or nil.
func CheckFryer(f Fryer) error {
	var c checker
	c.machine(f)
	return c.Err()
}

// Check returns what is wrong with a request as refuse.Fields, or nil.
func Check(q Request) error {
	_, err := resolve(q)
	return err
}

// RuleOf returns the rule that a request's food has to meet. The error is
// refuse.Fields.
func RuleOf(q Request) (safety.Rule, error) {
	s, err := resolve(q)
	return s.rule, err
}

// setup is a kitchen and how it is run.
type setup struct {
	kitchen
	program  Program
	tail     float64         // minutes carried on past the program's end
	shownMin float64         // what a screen shows, where a run goes on; 0 is all
	alone    bool            // judged by the nominal load, without the window
	units    units.Household // for what is said
	find     func(string) (larder.Ingredient, error)
	group    int      // which of the request's groups this is; 0 is its load
	others   []*setup // what else lies in the same air
	name     string
	strip    [2]float64 // of the basket's width that this kind lies in, from and to
}

// minutes is how long the program is.
func (s *setup) minutes() float64 { return s.program.Minutes() }

// with is the same load under another program.
func (s *setup) with(p Program) *setup {
	out := *s
	out.program = p
	out.others = make([]*setup, len(s.others))
	for i, o := range s.others {
		out.others[i] = o.with(p)
	}
	return &out
}

// resolve checks a request and fills its defaults. The error is refuse.Fields.
func resolve(q Request) (setup, error) {
	var c checker
	s := setup{find: q.find, kitchen: c.kitchen(q), program: c.program(q.Program, q.find), tail: q.TailMin, units: q.Units}
	c.In(Limits, "tailMin", q.TailMin)
	for i, t := range q.Program.Turns {
		if t.Group < 0 || t.Group > len(q.Groups) || t.Kind == TakeOut && len(q.Groups) == 0 {
			c.Add(fmt.Sprintf("program.turns[%d].group", i), fmt.Sprint(t.Group), fmt.Sprintf("0 to %d, of several groups", len(q.Groups)))
		}
	}
	if len(q.Groups) > 0 && len(c.Fields) == 0 {
		c.groups(q, &s)
	}
	return s, c.Err()
}

// groups puts what else is in the basket beside a load: they share its room
// and its air.
func (c *checker) groups(q Request, s *setup) {
	if n := len(q.Groups); n > MaxGroups {
		c.Add("groups", fmt.Sprintf("%d groups", n), fmt.Sprintf("up to %d beside the load", MaxGroups))
		return
	}
	covered := s.coverage
	for i, g := range q.Groups {
		var own checker
		one := q
		one.Load, one.Coat, one.Groups = g.Load, g.Coat, nil
		o := *s
		o.kitchen, o.group, o.name, o.others = own.kitchen(one), i+1, g.Name, nil
		for _, f := range own.Fields {
			f.Field = fmt.Sprintf("groups[%d].%s", i, f.Field)
			c.Fields = append(c.Fields, f)
		}
		covered += o.coverage
		s.others = append(s.others, &o)
	}
	if len(c.Fields) == 0 && covered > MaxCoverage {
		c.Add("groups", fmt.Sprintf("%.0f %% of the basket together", 100*covered), fmt.Sprintf("up to %.0f %%: more would stand over its rim", 100*MaxCoverage))
	}
	from := 0.0
	for _, kind := range append([]*setup{s}, s.others...) {
		to := from + kind.coverage/covered
		kind.strip, from = [2]float64{from, to}, to
		kind.coverage = covered
	}
}

// program checks a program and puts its turns in order.
func (c *checker) program(p Program, find func(string) (larder.Ingredient, error)) Program {
	c.In(Limits, "program.preheatMin", p.PreheatMin)
	if p.HotFromC != 0 {
		c.In(Limits, "program.hotFromC", p.HotFromC)
	}
	if n := len(p.Stages); n < 1 || n > MaxStages {
		c.Add("program.stages", fmt.Sprintf("%d stages", n), fmt.Sprintf("1 to %d stages", MaxStages))
	}
	for i, st := range p.Stages {
		c.In(Limits, fmt.Sprintf("program.stages[%d].airC", i), st.AirC)
		c.In(Limits, fmt.Sprintf("program.stages[%d].minutes", i), st.Minutes)
		if st.Hold != "" {
			c.Among(fmt.Sprintf("program.stages[%d].hold", i), st.Hold, Holds...)
			if i == 0 {
				c.Add("program.stages[0].hold", st.Hold, "nothing for the first stage: what waits has been in the fryer")
			}
		}
		if st.HoldC != nil {
			c.In(Limits, fmt.Sprintf("program.stages[%d].holdC", i), *st.HoldC)
		}
		if st.Rest && (i == 0 || i == len(p.Stages)-1) {
			c.Add(fmt.Sprintf("program.stages[%d].rest", i), "true", "false for the first and the last stage: a rest lies between two")
		}
	}
	all := p.Minutes()
	if all > MaxMinutes {
		c.Add("program.stages", fmt.Sprintf("%g minutes together", all), fmt.Sprintf("up to %g minutes", MaxMinutes))
	}
	c.In(Limits, "program.turns", float64(len(p.Turns)))
	for i, t := range p.Turns {
		c.Within(fmt.Sprintf("program.turns[%d].atMin", i), t.AtMin, 0, all, "minutes, within the program")
		c.Among(fmt.Sprintf("program.turns[%d].kind", i), t.Kind, Flip, Shake, LookIn, BrushOn, TakeOut)
		c.brush(fmt.Sprintf("program.turns[%d].brush", i), t, find)
	}
	p.Turns = inOrder(p.Turns)
	return p
}

// brush checks what a turn puts on.
func (c *checker) brush(at string, t Turn, find func(string) (larder.Ingredient, error)) {
	if t.Kind != BrushOn {
		if t.Brush != nil {
			c.Add(at, t.Kind, "nothing but for a turn of kind brush")
		}
		return
	}
	if t.Brush == nil || len(t.Brush.Parts) == 0 || len(t.Brush.Parts) > food.MaxParts {
		c.Add(at+".parts", "none, or many", fmt.Sprintf("1 to %d ingredients", food.MaxParts))
		return
	}
	// One piece's share of a gram is less than that.
	c.Over(at+".g", t.Brush.G, 0, BrushLimit.Max, BrushLimit.Unit)
	for k, p := range t.Brush.Parts {
		if _, err := find(p.Ingredient); err != nil {
			c.Add(fmt.Sprintf("%s.parts[%d].ingredient", at, k), fmt.Sprintf("%q", p.Ingredient), "an ingredient of the pantry")
		}
		c.Within(fmt.Sprintf("%s.parts[%d].share", at, k), p.Share, food.ShareLimit.Min, food.ShareLimit.Max, food.ShareLimit.Unit)
	}
}

// inOrder returns turns by their minutes.
func inOrder(turns []Turn) []Turn {
	turns = slices.Clone(turns)
	slices.SortStableFunc(turns, func(a, b Turn) int { return cmp.Compare(a.AtMin, b.AtMin) })
	return turns
}
