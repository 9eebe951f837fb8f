package load

import (
	"cmp"
	"errors"
	"fmt"
	"slices"
	"strings"

	"velocrustum/core/food"
	"velocrustum/core/fryer"
	"velocrustum/core/larder"
	"velocrustum/core/refuse"
	"velocrustum/core/safety"
)

// Of checks a request and makes it whole. The error is refuse.Fields.
func Of(q Request) (*Load, error) {
	var c checker
	machine, own := c.basketAndOwn(q)
	l := &Load{Machine: machine, Lots: []*Lot{&own}, Program: c.program(q), TailMin: q.TailMin, Units: q.Units, ingredient: q.Ingredient}
	c.In(Limits, "tailMin", q.TailMin)
	for i, t := range q.Program.Turns {
		if t.Group < 0 || t.Group > len(q.Groups) || t.Kind == TakeOut && len(q.Groups) == 0 {
			c.Add(fmt.Sprintf("program.turns[%d].group", i), fmt.Sprint(t.Group), fmt.Sprintf("0 to %d, of several groups", len(q.Groups)))
		}
	}
	if len(q.Groups) > 0 && len(c.Fields) == 0 {
		c.groups(q, l)
	}
	return l, c.Err()
}

// Check returns what is wrong with a request as refuse.Fields, or nil.
func Check(q Request) error {
	_, err := Of(q)
	return err
}

// RuleOf returns the rule that the food of a request's own load has to meet.
// The error is refuse.Fields.
func RuleOf(q Request) (safety.Rule, error) {
	l, err := Of(q)
	return l.Own().Rule, err
}

// CheckFryer returns what is wrong with a fryer as refuse.Fields, or nil.
func CheckFryer(f Fryer) error {
	_, err := MachineOf(f)
	return err
}

// MachineOf checks a fryer and makes it whole. The error is refuse.Fields.
func MachineOf(f Fryer) (Machine, error) {
	var c checker
	m := c.machine(f)
	return m, c.Err()
}

// checker gathers what is wrong.
type checker struct{ refuse.Check }

// basketAndOwn checks all of a request but its program: its fryer and its own
// load, laid into the basket.
func (c *checker) basketAndOwn(q Request) (Machine, Lot) {
	lot := c.pieces(q.Load)
	coat := orElse(q.Coat, Covering{ID: food.Bare})
	c.covering(&lot, coat, q.Ingredient)
	m := c.machine(orElse(q.Fryer, Fryer{}))
	c.aim(&lot, q)
	if len(c.Fields) > 0 {
		return Machine{}, Lot{}
	}
	m.Spec = m.InDrawer()
	m.Spec.MetalJK = fryer.Metal(m.Spec)
	if mm := q.Load.ThicknessMm; mm != nil {
		least, most := lot.Cut.Thicknesses(lot.MassG)
		c.Within("load.thicknessMm", *mm, least, most, fmt.Sprintf("mm for %g g", lot.MassG))
	} else if from := lot.Cut.MeasuredFrom; from > 0 && lot.MassG > from {
		c.Add("load.thicknessMm", "not measured", fmt.Sprintf("a ruler's figure for %s over %g g: a whole breast is up to twice as thick as a cutlet. Measure the thickest part, or cut it through its thickness", lot.Cut.Plural, from))
	}
	m.shape(&lot, lot.Cut.Piece(lot.MassG, orElse(q.Load.ThicknessMm, 0)))
	m.deal(&lot, q.Load.Pieces)
	lot.oil(coat.OilG / lot.Surface100(q.Load.Pieces))
	lot.WaterKgM2 += lot.Coating.LooseWater / 10
	if lot.Coverage > MaxCoverage {
		c.Add("load.pieces", fmt.Sprint(q.Load.Pieces), fmt.Sprintf("1 to %d of this size in this basket; more would stand over its rim", m.Most(lot.Piece)))
	}
	return m, lot
}

// groups puts what else is in the basket beside a request's own load: all
// share its room.
func (c *checker) groups(q Request, l *Load) {
	if n := len(q.Groups); n > MaxGroups {
		c.Add("groups", fmt.Sprintf("%d groups", n), fmt.Sprintf("up to %d beside the load", MaxGroups))
		return
	}
	covered := l.Own().Coverage
	for i, g := range q.Groups {
		var own checker
		one := q
		one.Load, one.Coat, one.Groups = g.Load, g.Coat, nil
		_, lot := own.basketAndOwn(one)
		lot.Number, lot.Name = i+1, g.Name
		for _, f := range own.Fields {
			f.Field = fmt.Sprintf("groups[%d].%s", i, f.Field)
			c.Fields = append(c.Fields, f)
		}
		covered += lot.Coverage
		l.Lots = append(l.Lots, &lot)
	}
	if len(c.Fields) == 0 && covered > MaxCoverage {
		c.Add("groups", fmt.Sprintf("%.0f %% of the basket together", 100*covered), fmt.Sprintf("up to %.0f %%: more would stand over its rim", 100*MaxCoverage))
	}
	from := 0.0
	for _, lot := range l.Lots {
		to := from + lot.Coverage/covered
		lot.Strip, from = [2]float64{from, to}, to
		lot.Coverage = covered
	}
}

// pieces checks the pieces. Their shape waits until all else is known.
func (c *checker) pieces(p Pieces) Lot {
	lot := Lot{Pieces: p.Pieces, MassG: p.PieceMassG, Measured: p.ThicknessMm != nil, StartC: orElse(p.StartC, food.OutOfFridgeC),
		Surface: food.Surface(p.Surface), SpreadPct: orElse(p.SpreadPct, carefulHandPct), Under: p.Under}
	var err error
	if lot.Cut, err = food.FindCut(p.Cut); err != nil {
		c.Add("load.cut", fmt.Sprintf("%q", p.Cut), strings.Join(food.CutIDs(), ", "))
	}
	c.In(Limits, "load.pieces", float64(p.Pieces))
	if err != nil {
		c.Within("load.pieceMassG", lot.MassG, 2, 800, "g")
	} else {
		least, most := lot.Cut.Allowed()
		c.Within("load.pieceMassG", lot.MassG, least, most, "g for "+lot.Cut.Plural)
	}
	if lot.StartC < MinStartC {
		c.Add("load.startC", fmt.Sprintf("%g", lot.StartC),
			fmt.Sprintf("%g °C and over; frozen food has to thaw in the fridge first, since its middle would stay raw while the outside burns", MinStartC))
	} else {
		c.In(Limits, "load.startC", lot.StartC)
	}
	if lot.Surface == "" {
		lot.Surface = food.Wiped
	}
	c.Among("load.surface", string(lot.Surface), names(food.Surfaces)...)
	c.In(Limits, "load.spreadPct", lot.SpreadPct)
	if p.Under != "" {
		c.Among("load.under", p.Under, Unders...)
	}
	lot.WaterKgM2 = lot.Surface.Water()
	if w := p.SurfaceWaterG; w != nil {
		c.In(Limits, "load.surfaceWaterG", *w)
		lot.WaterKgM2 = *w / 10
	}
	return lot
}

// covering checks what a lot is covered with.
func (c *checker) covering(lot *Lot, coat Covering, ingredient func(string) (larder.Ingredient, error)) {
	if coat.ID == food.Wrap && lot.Cut.Wrapped() {
		coat.ID = food.Bare // it comes in its wrap
	}
	lot.SugarPct, lot.SaltPct = coat.SugarPct, coat.SaltPct
	var err error
	if lot.Coating.Coat, err = coat.Find(ingredient); err != nil {
		var fields refuse.Fields
		if errors.As(err, &fields) {
			c.Fields = append(c.Fields, fields...)
		} else {
			c.Add("coat.id", fmt.Sprintf("%q", coat.ID), strings.Join(food.CoatIDs(), ", "))
		}
	}
	c.In(Limits, "coat.alkali", coat.Alkali)
	lot.Coating.Alkali += coat.Alkali
	if r := coat.RestMin; r != nil {
		c.In(Limits, "coat.restMin", *r)
		lot.Coating.Coat = lot.Coating.Rested(*r)
	}
	c.In(Limits, "coat.oilG", coat.OilG)
	c.In(Limits, "coat.sugarPct", coat.SugarPct)
	c.In(Limits, "coat.saltPct", coat.SaltPct)
}

// machine checks a fryer and its dial.
func (c *checker) machine(given Fryer) Machine {
	f := given.Whole()
	m := Machine{Spec: c.spec(f), Drawers: f.Drawers, Dial: *f.Dial, Timed: f.timed(), Inferred: f.Inferred}
	c.In(Limits, "fryer.dial.minC", m.Dial.MinC)
	c.In(Limits, "fryer.dial.maxC", m.Dial.MaxC)
	c.In(Limits, "fryer.dial.stepC", m.Dial.StepC)
	c.In(Limits, "fryer.drawers", float64(f.Drawers))
	if f.Kind == string(fryer.Oven) {
		c.In(Limits, "fryer.trays", float64(f.Trays))
		if f.Rack {
			c.Add("fryer.rack", "true", "false for an oven; give its trays")
		}
		if f.Drawers > 1 {
			c.Add("fryer.drawers", fmt.Sprint(f.Drawers), "1 for an oven; give its trays")
		}
		m.Spec.Levels = f.Trays
	} else {
		c.Within("fryer.trays", float64(f.Trays), 0, 1, "tray in a drawer; a rack makes a second level")
		if m.Spec.Levels = 1; f.Rack {
			m.Spec.Levels = 2
		}
	}
	return m
}

// spec checks what a fryer without its levels is.
func (c *checker) spec(f Fryer) fryer.Spec {
	c.Among("fryer.kind", f.Kind, names(fryer.Kinds)...)
	b := *f.Basket
	c.Among("fryer.basket.shape", string(b.Shape), string(fryer.Rectangle), string(fryer.Round))
	switch b.Shape {
	case fryer.Rectangle:
		c.In(Limits, "fryer.basket.widthMm", b.WidthMm)
		c.In(Limits, "fryer.basket.depthMm", b.DepthMm)
	case fryer.Round:
		c.In(Limits, "fryer.basket.diameterMm", b.DiameterMm)
	}
	s := fryer.Spec{
		Kind: fryer.Kind(f.Kind), PowerW: *f.PowerW, Airflow: *f.Airflow, DialOffsetC: f.DialOffsetC, RoomC: orElse(f.RoomC, roomC),
		Basket: b,
	}
	if f.HeatUpMin != nil {
		c.In(Limits, "fryer.heatUpMin", *f.HeatUpMin)
		s.HeatUpMin = *f.HeatUpMin
	}
	c.In(Limits, "fryer.powerW", s.PowerW)
	c.In(Limits, "fryer.airflow", s.Airflow)
	c.In(Limits, "fryer.dialOffsetC", f.DialOffsetC)
	c.In(Limits, "fryer.roomC", s.RoomC)
	return s
}

// aim checks when a lot is done.
func (c *checker) aim(lot *Lot, q Request) {
	lot.Guidance, lot.CrustWanted = safety.Guidance(q.Guidance), orElse(q.CrustWanted, crustGood)
	if lot.Guidance == "" {
		lot.Guidance = safety.US
	}
	c.In(Limits, "crustWanted", lot.CrustWanted)
	c.Among("guidance", string(lot.Guidance), names(safety.Guidances)...)
	if lot.Cut.ID != "" && slices.Contains(safety.Guidances, lot.Guidance) {
		var err error
		if lot.Rule, err = safety.For(lot.Guidance, lot.Class(), q.GuidanceC); err != nil {
			c.Add("guidanceC", fmt.Sprintf("%g", q.GuidanceC),
				fmt.Sprintf("%g to %g °C, never under the guidance", safety.StricterFloor, safety.StricterTop))
		}
	}
}

// program checks a request's program and puts its turns in order.
func (c *checker) program(q Request) Program {
	p := q.Program
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
		c.brush(fmt.Sprintf("program.turns[%d].brush", i), t, q.Ingredient)
	}
	p.Turns = inOrder(p.Turns)
	return p
}

// brush checks what a turn puts on.
func (c *checker) brush(at string, t Turn, ingredient func(string) (larder.Ingredient, error)) {
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
		if _, err := ingredient(p.Ingredient); err != nil {
			c.Add(fmt.Sprintf("%s.parts[%d].ingredient", at, k), fmt.Sprintf("%q", p.Ingredient), "an ingredient of the pantry")
		}
		c.Within(fmt.Sprintf("%s.parts[%d].share", at, k), p.Share, food.ShareLimit.Min, food.ShareLimit.Max, food.ShareLimit.Unit)
	}
}

func names[T ~string](list []T) []string {
	out := make([]string, len(list))
	for i, v := range list {
		out[i] = string(v)
	}
	return out
}

// Whole returns the fryer with its defaults in.
func (f Fryer) Whole() Fryer {
	if f.Kind == "" {
		f.Kind = string(fryer.Drawer)
	}
	f.PowerW, f.Airflow = new(orElse(f.PowerW, powerW)), new(orElse(f.Airflow, 1))
	f.Basket = new(orElse(f.Basket, fryer.Basket{Shape: fryer.Rectangle, WidthMm: basketMm, DepthMm: basketMm}))
	f.Dial = new(orElse(f.Dial, usualDial))
	f.Trays, f.Drawers = cmp.Or(f.Trays, 1), cmp.Or(f.Drawers, 1)
	if f.Inferred == nil {
		f.Inferred = []string{}
	}
	return f
}

// timed says whether its minutes to 200 °C were timed by its owner.
func (f Fryer) timed() bool { return f.HeatUpMin != nil && !slices.Contains(f.Inferred, "heatUp") }

// orElse is what a field holds, or its default where it was left out.
func orElse[T any](field *T, otherwise T) T {
	if field == nil {
		return otherwise
	}
	return *field
}

// Find returns the coat that is told by its layers, or by its name. What is
// made of other layers than the named one keeps its name.
func (c Covering) Find(ingredient func(string) (larder.Ingredient, error)) (food.Coat, error) {
	if len(c.Layers) == 0 {
		return food.FindCoat(c.ID)
	}
	made, err := food.Compose(c.Layers, ingredient)
	if named, known := food.FindCoat(c.ID); known == nil && err == nil {
		made.ID, made.Name, made.Says = named.ID, named.Name, named.Says
	} else if c.ID != "" && c.ID != food.Made && err == nil {
		return made, known
	}
	return made, err
}
