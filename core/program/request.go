// Package program simulates one cook of one load: a program of stages and
// turns in a fryer, the window in which it is safe, crisp and not overdone,
// and how sure that is.
package program

import (
	"fmt"
	"slices"
	"strings"

	"velocrustum/core/food"
	"velocrustum/core/fryer"
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
	// CrustWanted is the crispness that counts as crisp, 60.
	CrustWanted *float64 `json:"crustWanted,omitempty"`
	// TailMin carries the last stage on past the program's end, so that a
	// screen can show what would come; 0.
	TailMin float64 `json:"tailMin,omitempty"`
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
	// SpreadPct is how far pieces differ in thickness: nineteen in twenty
	// lie within so many percent of the mean; 8 for a careful hand.
	SpreadPct *float64 `json:"spreadPct,omitempty"`
}

// Coat is what the pieces are covered with.
type Coat struct {
	ID       string  `json:"id"`
	OilG     float64 `json:"oilG,omitempty"`     // g on the whole load
	SugarPct float64 `json:"sugarPct,omitempty"` // reducing sugar added to the surface, percent
	SaltPct  float64 `json:"saltPct,omitempty"`  // salt in the flesh, percent
}

// Fryer is the machine.
type Fryer struct {
	Kind        string   `json:"kind,omitempty"`   // drawer
	PowerW      *float64 `json:"powerW,omitempty"` // 1500
	Basket      *Basket  `json:"basket,omitempty"` // rectangle 230 by 230
	Airflow     *float64 `json:"airflow,omitempty"`
	DialOffsetC float64  `json:"dialOffsetC,omitempty"`
	// HeatUpMin is how long it takes from cold to 200 °C, empty, timed by its
	// owner; left out, that of its kind.
	HeatUpMin *float64 `json:"heatUpMin,omitempty"`
	// Inferred names the figures that nobody has read off or measured:
	// their spread is wider.
	Inferred []string `json:"inferred,omitempty"`
	// Trays is how many levels of an oven share the load, 1; Rack lifts half
	// of a drawer's load onto a second level.
	Trays int `json:"trays,omitempty"`
	// Drawers is 2 where two drawers share the load and the power.
	Drawers int      `json:"drawers,omitempty"`
	Rack    bool     `json:"rack,omitempty"`
	RoomC   *float64 `json:"roomC,omitempty"` // 21
	// Dial is what can be set on it; a recommendation keeps to it.
	Dial *Dial `json:"dial,omitempty"` // 80 to 200 by 5
}

// Dial is the range and the step of what can be set, °C.
type Dial struct {
	MinC  float64 `json:"minC"`
	MaxC  float64 `json:"maxC"`
	StepC float64 `json:"stepC"`
}

// Basket is the floor that the food lies on, inside measure.
type Basket struct {
	Shape      string  `json:"shape"`
	WidthMm    float64 `json:"widthMm,omitempty"`
	DepthMm    float64 `json:"depthMm,omitempty"`
	DiameterMm float64 `json:"diameterMm,omitempty"`
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
}

// Turn is a flip, a shake, or a check: a look that moves nothing.
type Turn struct {
	AtMin float64 `json:"atMin"`
	Kind  string  `json:"kind"`
}

// Kinds of turn.
const (
	Flip   = "flip"
	Shake  = "shake"
	LookIn = "check"
)

// minutes returns how long the stages are together.
func (p Program) minutes() (sum float64) {
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

// Limits of a request.
const (
	MaxPieces  = 120
	MaxMinutes = 120.0
	MinStartC  = -1.0 // colder, water in it is ice
	MaxStartC  = 60.0
	MinAirC    = 60.0
	MaxAirC    = 240.0
	MaxStages  = 8
	MaxTurns   = 30
)

func value[T any](p *T, d T) T {
	if p == nil {
		return d
	}
	return *p
}

// fryer checks a fryer and fills its defaults.
func (c *checker) fryer(f Fryer) fryer.Spec {
	kind := f.Kind
	if kind == "" {
		kind = string(fryer.Drawer)
	}
	c.Among("fryer.kind", kind, names(fryer.Kinds)...)
	basket := value(f.Basket, Basket{Shape: string(fryer.Rectangle), WidthMm: 230, DepthMm: 230})
	switch fryer.BasketShape(basket.Shape) {
	case fryer.Rectangle:
		c.Within("fryer.basket.widthMm", basket.WidthMm, 100, 600, "mm")
		c.Within("fryer.basket.depthMm", basket.DepthMm, 100, 600, "mm")
	case fryer.Round:
		c.Within("fryer.basket.diameterMm", basket.DiameterMm, 100, 600, "mm")
	default:
		c.Among("fryer.basket.shape", basket.Shape, []string{string(fryer.Rectangle), string(fryer.Round)}...)
	}
	s := fryer.Spec{
		Kind: fryer.Kind(kind), PowerW: value(f.PowerW, 1500), Airflow: value(f.Airflow, 1),
		DialOffsetC: f.DialOffsetC, RoomC: value(f.RoomC, 21),
		Basket: fryer.Basket{Shape: fryer.BasketShape(basket.Shape), WidthMm: basket.WidthMm, DepthMm: basket.DepthMm, DiameterMm: basket.DiameterMm},
	}
	if f.HeatUpMin != nil {
		c.Within("fryer.heatUpMin", *f.HeatUpMin, fryer.MinHeatUp, fryer.MaxHeatUp, "minutes from cold to 200 °C")
		s.HeatUpMin = *f.HeatUpMin
	}
	s.Levels = max(1, f.Trays)
	if s.Kind == fryer.Oven {
		c.Within("fryer.trays", float64(f.Trays), 0, fryer.MaxTrays, "trays")
		if f.Rack {
			c.Add("fryer.rack", "true", "false for an oven; give its trays")
		}
	} else {
		c.Within("fryer.trays", float64(f.Trays), 0, 1, "tray in a drawer; a rack makes a second level")
		if f.Rack {
			s.Levels = 2
		}
	}
	if f.Drawers != 0 {
		c.Within("fryer.drawers", float64(f.Drawers), 1, 2, "drawers")
		if s.Kind != fryer.Drawer && f.Drawers > 1 {
			c.Add("fryer.drawers", fmt.Sprint(f.Drawers), "1 for an oven; give its trays")
		}
	}
	c.Within("fryer.powerW", s.PowerW, 600, 3500, "W")
	c.Within("fryer.airflow", s.Airflow, 0.3, 2, "of a middling fryer")
	c.Within("fryer.dialOffsetC", f.DialOffsetC, -40, 40, "°C")
	c.Within("fryer.roomC", s.RoomC, 0, 45, "°C")
	return s
}

// CheckFryer returns what is wrong with a fryer as refuse.Fields, or nil.
func CheckFryer(f Fryer) error {
	var c checker
	c.fryer(f)
	if len(c.Fields) > 0 {
		return c.Fields
	}
	return nil
}

// Check returns what is wrong with a request as refuse.Fields, or nil.
func Check(q Request) error {
	_, err := resolve(q)
	return err
}

// setup is a request resolved: tables looked up, defaults in, all checked.
type setup struct {
	cut         food.Cut
	coating     food.Coating
	surface     food.Surface
	water       float64           // on it, kg/m²
	pieceSpread float64           // of thickness, percent
	measured    bool              // the thickness, by ruler
	timed       bool              // the fryer's minutes to 200 °C
	inferred    []string          // the fryer's figures that nobody measured
	degrees     units.Temperature // for what is said
	ounces      bool
	alone       bool    // judged by the nominal load, without the window
	shownMin    float64 // what a screen shows, where a run goes on; 0 is all
	film        float64 // W/m²·K that the shape is for, where it is not the fryer's
	pieces      int     // in one drawer
	drawers     int
	massG       float64
	thick       float64 // mm
	startC      float64
	piece       food.Piece
	spec        fryer.Spec
	program     Program
	minutes     float64
	tail        float64
	rule        safety.Rule
	crust       float64
	gain        float64 // of browning
	guidance    safety.Guidance
	coverage    float64
	sugar       float64 // percent added to the surface
	salt        float64 // percent in the flesh
	dial        Dial
}

// resolve checks a request and fills its defaults. The error is refuse.Fields.
func resolve(q Request) (setup, error) {
	var c checker
	s := setup{pieces: q.Load.Pieces, massG: q.Load.PieceMassG, program: q.Program, tail: q.TailMin}
	var err error
	if s.cut, err = food.FindCut(q.Load.Cut); err != nil {
		c.Add("load.cut", fmt.Sprintf("%q", q.Load.Cut), strings.Join(food.CutIDs(), ", "))
	}
	c.Within("load.pieces", float64(q.Load.Pieces), 1, MaxPieces, "pieces")
	if s.cut.ID == "" {
		c.Within("load.pieceMassG", s.massG, 2, 800, "g")
	} else {
		least, most := s.cut.Allowed()
		c.Within("load.pieceMassG", s.massG, least, most, "g for "+s.cut.Plural)
	}
	s.startC = value(q.Load.StartC, 5)
	if s.startC < MinStartC {
		c.Add("load.startC", fmt.Sprintf("%g", s.startC),
			fmt.Sprintf("%g to %g °C; frozen food has to thaw in the fridge first, since its middle would stay raw while the outside burns", MinStartC, MaxStartC))
	} else {
		c.Within("load.startC", s.startC, MinStartC, MaxStartC, "°C")
	}
	surface := q.Load.Surface
	if surface == "" {
		surface = string(food.Wiped)
	}
	s.surface = food.Surface(surface)
	c.Among("load.surface", surface, names(food.Surfaces)...)
	s.pieceSpread = value(q.Load.SpreadPct, 100*thicknessSpread)
	c.Within("load.spreadPct", s.pieceSpread, 0, 40, "percent of the thickness")
	s.water = s.surface.Water()
	if w := q.Load.SurfaceWaterG; w != nil {
		c.Within("load.surfaceWaterG", *w, -1.2, 4, "g/100 cm²")
		s.water = *w / 10 // kg/m²
	}

	coat := value(q.Coat, Coat{ID: "bare"})
	if coat.ID == food.Wrap && s.cut.Wrapped() {
		coat.ID = "bare" // it comes in its wrap
	}
	if s.coating.Coat, err = food.FindCoat(coat.ID); err != nil {
		c.Add("coat.id", fmt.Sprintf("%q", coat.ID), strings.Join(food.CoatIDs(), ", "))
	}
	c.Within("coat.oilG", coat.OilG, 0, 200, "g on the whole load")
	c.Within("coat.sugarPct", coat.SugarPct, 0, 30, "percent")
	c.Within("coat.saltPct", coat.SaltPct, 0, 5, "percent")
	s.sugar, s.salt = coat.SugarPct, coat.SaltPct

	machine := value(q.Fryer, Fryer{})
	s.spec = c.fryer(machine)
	s.drawers = max(1, machine.Drawers)
	s.measured, s.timed, s.inferred = q.Load.ThicknessMm != nil, heatUpKnown(machine), machine.Inferred

	c.Within("program.preheatMin", q.Program.PreheatMin, 0, 30, "minutes")
	if q.Program.HotFromC != 0 {
		c.Within("program.hotFromC", q.Program.HotFromC, MinAirC, MaxAirC, "°C, or 0 for a fryer that stood")
	}
	s.dial = value(value(q.Fryer, Fryer{}).Dial, Dial{80, 200, 5})
	c.Within("fryer.dial.minC", s.dial.MinC, 30, 150, "°C")
	c.Within("fryer.dial.maxC", s.dial.MaxC, 150, MaxAirC, "°C")
	c.Within("fryer.dial.stepC", s.dial.StepC, 1, 25, "°C")
	if n := len(q.Program.Stages); n < 1 || n > MaxStages {
		c.Add("program.stages", fmt.Sprintf("%d stages", n), fmt.Sprintf("1 to %d stages", MaxStages))
	}
	for i, st := range q.Program.Stages {
		c.Within(fmt.Sprintf("program.stages[%d].airC", i), st.AirC, MinAirC, MaxAirC, "°C")
		c.Within(fmt.Sprintf("program.stages[%d].minutes", i), st.Minutes, 0.5, MaxMinutes, "minutes")
		if st.Rest && (i == 0 || i == len(q.Program.Stages)-1) {
			c.Add(fmt.Sprintf("program.stages[%d].rest", i), "true", "false for the first and the last stage: a rest lies between two")
		}
	}
	s.minutes = q.Program.minutes()
	if s.minutes > MaxMinutes {
		c.Add("program.stages", fmt.Sprintf("%g minutes together", s.minutes), fmt.Sprintf("up to %g minutes", MaxMinutes))
	}
	if n := len(q.Program.Turns); n > MaxTurns {
		c.Add("program.turns", fmt.Sprintf("%d turns", n), fmt.Sprintf("up to %d", MaxTurns))
	}
	for i, t := range q.Program.Turns {
		c.Within(fmt.Sprintf("program.turns[%d].atMin", i), t.AtMin, 0, s.minutes, "minutes, within the program")
		c.Among(fmt.Sprintf("program.turns[%d].kind", i), t.Kind, []string{Flip, Shake, LookIn}...)
	}
	c.Within("tailMin", q.TailMin, 0, 60, "minutes")
	s.crust = value(q.CrustWanted, 60)
	c.Within("crustWanted", s.crust, 20, 95, "on the scale of crispness")

	guidance := q.Guidance
	if guidance == "" {
		guidance = string(safety.US)
	}
	s.guidance = safety.Guidance(guidance)
	c.Among("guidance", guidance, names(safety.Guidances)...)
	if s.cut.ID != "" && slices.Contains(safety.Guidances, s.guidance) {
		if s.rule, err = safety.For(s.guidance, s.class(), q.GuidanceC); err != nil {
			c.Add("guidanceC", fmt.Sprintf("%g", q.GuidanceC),
				fmt.Sprintf("%g to %g °C, never under the guidance", safety.StricterFloor, safety.StricterTop))
		}
	}
	if len(c.Fields) > 0 {
		return setup{}, c.Fields
	}

	s.program.Turns = slices.Clone(q.Program.Turns)
	slices.SortStableFunc(s.program.Turns, func(a, b Turn) int {
		switch {
		case a.AtMin < b.AtMin:
			return -1
		case a.AtMin > b.AtMin:
			return 1
		}
		return 0
	})
	if s.drawers > 1 {
		s.spec = twin(s.spec)
	}
	s.spec.MetalJK = fryer.Metal(s.spec)
	s.piece = s.cut.Piece(s.massG, value(q.Load.ThicknessMm, 0))
	s.thick = s.piece.Thickness * 1000
	if q.Load.ThicknessMm != nil {
		least, most := s.cut.Thicknesses(s.massG)
		c.Within("load.thicknessMm", *q.Load.ThicknessMm, least, most, fmt.Sprintf("mm for %g g", s.massG))
	}
	s.coating.Oil = coat.OilG / float64(s.pieces) / (s.piece.Surface * 100) // per 100 cm²
	// The fuller of two drawers decides.
	s.pieces = (s.pieces + s.drawers - 1) / s.drawers
	s.gain = sugarGain(s, coat.SugarPct)
	s.coverage = s.spec.Coverage(s.piece.Length*1000, s.piece.Width*1000, s.piece.Footprint(), s.pieces)
	if s.coverage > MaxCoverage {
		c.Add("load.pieces", fmt.Sprint(q.Load.Pieces), fmt.Sprintf("1 to %d of this size in this basket; more would stand over its rim", s.most()))
	}
	if len(c.Fields) > 0 {
		return setup{}, c.Fields
	}
	return s, nil
}

// MaxCoverage is how many layers a basket takes at most.
const MaxCoverage = 3.0

// most is how many pieces of this size the basket takes.
func (s *setup) most() int {
	one := s.spec.Coverage(s.piece.Length*1000, s.piece.Width*1000, s.piece.Footprint(), 1)
	return max(1, min(MaxPieces, int(MaxCoverage/one)*s.drawers))
}

// class is the cut's safety class; a fatty wrap around fish brings the rule
// for meat with it, which is no laxer.
func (s *setup) class() safety.Class {
	if s.coating.ID == "wrap" && (s.cut.Class == safety.Fish || s.cut.Class == safety.Plant) {
		return safety.WholeMeat
	}
	return s.cut.Class
}
