package load

import (
	"cmp"
	"errors"
	"fmt"
	"math"
	"slices"
	"strings"

	"velocrustum/core/crust"
	"velocrustum/core/food"
	"velocrustum/core/larder"
	"velocrustum/core/refuse"
	"velocrustum/core/safety"
)

// Of checks a request and makes it whole. The error is refuse.Fields.
func Of(q Request) (*Load, error) {
	var c checker
	asked := q
	if len(q.Lots) > 0 && (q.Load != (Pieces{}) || q.Coat != nil || len(q.Groups) > 0) {
		c.Add("lots", fmt.Sprintf("%d lots, and load, coat or groups beside them", len(q.Lots)), "lots alone; load and coat are the short form for one")
		return nil, c.Err()
	}
	q = q.InLots()
	if n := len(q.Lots); n > MaxLots {
		c.Add(manyField(asked), fmt.Sprintf("%d kinds", n), fmt.Sprintf("up to %d in one basket", MaxLots))
		return nil, c.Err()
	}
	c.turns(asked, q)
	machine := c.machine(orElse(q.Fryer, Fryer{}))
	if len(c.Fields) == 0 {
		machine.Spec = machine.InDrawer()
		machine.weigh()
		if orElse(q.Fryer, Fryer{}).Drawer != "" {
			machine.OfTwo, machine.Drawer, machine.Drawers = true, q.Fryer.Drawer, 1
		}
	}
	broken := len(c.Fields)
	l := &Load{Machine: machine, Program: c.program(q), TailMin: q.TailMin, Units: q.Units, ingredient: q.Ingredient}
	c.In(Limits, "tailMin", q.TailMin)
	c.Fields = append(c.Fields, q.Likes.wrong()...)
	stages := c.Fields[broken:]
	c.Fields = c.Fields[:broken:broken]
	for i := range q.Lots {
		l.Lots = append(l.Lots, c.lot(q, i, machine, fieldsOf(asked, i)))
	}
	c.Fields = append(c.Fields, stages...)
	if len(c.Fields) == 0 {
		c.layOut(asked, l)
	}
	if len(c.Fields) == 0 {
		c.inAndOut(asked, q, l)
		c.heatings(l)
	}
	return l, c.Err()
}

// fieldsOf is where the fields of a lot stand in a request as it was asked:
// before the name of each.
func fieldsOf(q Request, lot int) string {
	switch {
	case len(q.Lots) > 0 && !q.short:
		return fmt.Sprintf("lots[%d].", lot)
	case lot > 0:
		return fmt.Sprintf("groups[%d].", lot-1)
	}
	return ""
}

// manyField is the field that holds too many kinds.
func manyField(q Request) string {
	if len(q.Lots) > 0 && !q.short {
		return "lots"
	}
	return "groups"
}

// turns checks which lots the turns are for.
func (c *checker) turns(asked, q Request) {
	for i, t := range asked.Program.Turns {
		if len(asked.Lots) == 0 {
			if t.Group < 0 || t.Group > len(asked.Groups) || t.Kind == TakeOut && len(asked.Groups) == 0 {
				c.Add(fmt.Sprintf("program.turns[%d].group", i), fmt.Sprint(t.Group), fmt.Sprintf("0 to %d, of several groups", len(asked.Groups)))
			}
		} else if t.Group != 0 {
			c.Add(fmt.Sprintf("program.turns[%d].group", i), fmt.Sprint(t.Group), "nothing beside lots; the turn's own lots")
		}
	}
	for i, t := range q.Program.Turns {
		for _, lot := range t.Lots {
			if lot < 0 || lot >= len(q.Lots) {
				c.Add(fmt.Sprintf("program.turns[%d].lots", i), fmt.Sprint(lot), fmt.Sprintf("places of lots, 0 to %d", len(q.Lots)-1))
			}
		}
		if (t.Kind == TakeOut || t.Kind == PutIn) && len(asked.Lots) > 0 && (len(t.Lots) == 0 || len(t.Lots) == len(q.Lots)) {
			c.Add(fmt.Sprintf("program.turns[%d].lots", i), fmt.Sprint(t.Lots), "some of the lots: the program begins with the first of them and ends with the last")
		}
	}
}

// inAndOut checks when each lot goes in and comes out: by its own minutes, or
// by a turn that takes it out.
func (c *checker) inAndOut(asked, q Request, l *Load) {
	first, last := math.Inf(1), 0.0
	for i, lot := range l.Lots {
		at := fieldsOf(asked, i)
		in, out := q.Lots[i].InMin, math.Inf(1)
		c.Within(at+"inMin", in, 0, l.Minutes()-0.5, "minutes, within the program")
		if o := q.Lots[i].OutMin; o != nil {
			c.Within(at+"outMin", *o, math.Max(0, math.Min(in, l.Minutes()-0.5))+0.5, l.Minutes(), "minutes, after it goes in and within the program")
			if *o < l.Minutes() {
				out = *o
			}
		}
		for _, t := range l.Program.Turns {
			switch {
			case t.Kind == TakeOut && t.For(i):
				out = min(out, t.AtMin)
			case t.Kind == PutIn && t.For(i):
				in = max(in, t.AtMin)
			}
		}
		lot.In, lot.Out = in, out
		first, last = min(first, in), max(last, out)
	}
	if first > 0 {
		c.Add(fieldsOf(asked, 0)+"inMin", fmt.Sprintf("%g minutes at the earliest", first), "0 for at least one lot: the program begins when the first goes in")
	}
	if !math.IsInf(last, 1) {
		c.Add("program.stages", fmt.Sprintf("%g minutes, with the last lot out at %g", l.Minutes(), last), "stages that end when the last lot comes out")
	}
}

// Check returns what is wrong with a request as refuse.Fields, or nil.
func Check(q Request) error {
	_, err := Of(q)
	return err
}

// RuleOf returns the rule that asks for the most heat of those that the lots of
// a request have to meet. The error is refuse.Fields.
func RuleOf(q Request) (safety.Rule, error) {
	l, err := Of(q)
	if err != nil {
		return safety.Rule{}, err
	}
	rule := l.Lots[0].Rule
	for _, lot := range l.Lots[1:] {
		if lot.Rule.CoreC > rule.CoreC {
			rule = lot.Rule
		}
	}
	return rule, nil
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

// lot checks a lot by itself, and lays it into the basket. Its fields are told
// under the place that it has in the request.
func (c *checker) lot(q Request, i int, m Machine, under string) *Lot {
	whole := len(c.Fields) == 0
	of := q.Lots[i]
	own := checker{}
	lot := own.pieces(of.Load, m.FridgeC)
	coat := orElse(of.Coat, Covering{ID: food.Bare})
	own.covering(&lot, coat, q.Ingredient)
	own.aim(&lot, q, of)
	lot.Number, lot.Name = i, LotNames(q.Lots)[i]
	if whole && len(own.Fields) == 0 {
		own.inBasket(&lot, of.Load, coat, m)
	}
	for _, f := range own.Fields {
		if f.Field != "guidance" && f.Field != "guidanceC" && (f.Field != "crustWanted" || of.CrustWanted != nil) {
			f.Field = under + f.Field
		} else if i > 0 {
			continue // said of the first
		}
		c.Fields = append(c.Fields, f)
	}
	return &lot
}

// inBasket gives a lot its shape, and its place in the basket.
func (c *checker) inBasket(lot *Lot, p Pieces, coat Covering, m Machine) {
	if mm := p.ThicknessMm; mm != nil {
		least, most := lot.Cut.Thicknesses(lot.MassG)
		c.Within("load.thicknessMm", *mm, least, most, fmt.Sprintf("mm for %.0f g", lot.MassG))
	} else if from := lot.Cut.MeasuredFrom; from > 0 && lot.MassG > from {
		c.Add("load.thicknessMm", "not measured", fmt.Sprintf("a ruler's figure for %s over %g g: a whole breast is up to twice as thick as a cutlet. Measure the thickest part, or cut it through its thickness", lot.Cut.Plural, from))
	}
	m.shape(lot, lot.Cut.Piece(lot.MassG, orElse(p.ThicknessMm, 0)))
	m.deal(lot, p.Pieces)
	if h, ok := m.hand(lot.Cut.ID); ok {
		lot.Hand, lot.HandSd = math.Exp(h.Mean), &h.Sd
	}
	oil := coat.OilG / lot.Surface100(p.Pieces)
	if lot.Coating.ID != food.Bare || lot.Plant() { // what was fried has its fat
		oil = math.Max(oil, lot.Was.FatG*lot.MassG/lot.Surface100(1))
	}
	lot.oil(oil)
	lot.GlazeKgM2 = p.GlazePct / 100 * lot.MassG / 10 / lot.Surface100(1)
	lot.WaterKgM2 += lot.Coating.LooseWater / 10
	if lot.Coverage > MaxCoverage {
		c.Add("load.pieces", fmt.Sprint(p.Pieces), fmt.Sprintf("1 to %d of this size in this basket; more would stand over its rim", m.Most(lot.Piece)))
	}
}

// layOut lays the lots side by side: all share the room of the basket.
func (c *checker) layOut(asked Request, l *Load) {
	if len(l.Lots) == 1 {
		return
	}
	covered := 0.0
	for _, lot := range l.Lots {
		covered += lot.Coverage
	}
	if covered > MaxCoverage {
		c.Add(manyField(asked), fmt.Sprintf("%.0f %% of the basket together", 100*covered), fmt.Sprintf("up to %.0f %%: more would stand over its rim", 100*MaxCoverage))
	}
	from := 0.0
	for _, lot := range l.Lots {
		to := from + lot.Coverage/covered
		lot.Strip, from = [2]float64{from, to}, to
		lot.Coverage = covered
	}
}

// pieces checks the pieces, of a kitchen whose fridge is known or not. Their shape waits
// until all else is known.
func (c *checker) pieces(p Pieces, fridgeC *float64) Lot {
	lot := Lot{Pieces: p.Pieces, Hand: 1, MassG: p.PieceMassG, Measured: p.ThicknessMm != nil, StartC: orElse(p.StartC, OutOfFridge(fridgeC)), fridgeKnown: p.StartC == nil && fridgeC != nil,
		Surface: food.Surface(p.Surface), SpreadPct: orElse(p.SpreadPct, carefulHandPct), Under: p.Under}
	var err error
	if lot.Cut, err = food.FindCut(p.Cut); err != nil {
		c.Add("load.cut", fmt.Sprintf("%q", p.Cut), strings.Join(food.CutIDs(), ", "))
	}
	lot.State = food.State(cmp.Or(p.State, string(food.Raw)))
	c.Among("load.state", string(lot.State), names(food.States)...)
	if c.Among("load.inside", p.Inside, "", string(food.Raw), string(food.Cooked)); p.Inside != "" && lot.State != food.ParFried {
		c.Add("load.inside", p.Inside, "nothing but for what is par-fried")
	}
	lot.Was = lot.State.Before(p.Inside == string(food.Cooked))
	lot.Cut = lot.Cut.After(lot.Was)
	c.In(Limits, "load.clump", float64(p.Clump))
	if lot.Clump = max(1, p.Clump); lot.Clump > 1 && lot.StartC > food.FrozenUnderC {
		c.Add("load.clump", fmt.Sprint(p.Clump), "1 for what is not frozen")
	}
	c.In(Limits, "load.glazePct", p.GlazePct)
	if p.GlazePct > 0 && lot.StartC > food.FrozenUnderC {
		c.Add("load.glazePct", fmt.Sprintf("%g", p.GlazePct), fmt.Sprintf("0 for what is not frozen, warmer than %g °C", food.FrozenUnderC))
	}
	c.In(Limits, "load.pieces", float64(p.Pieces))
	if err != nil {
		c.Within("load.pieceMassG", lot.MassG, 2, 800, "g")
	} else {
		least, most := lot.Cut.Allowed()
		c.Within("load.pieceMassG", lot.MassG, least, most, "g for "+lot.Cut.Plural)
	}
	c.In(Limits, "load.startC", lot.StartC)
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

// aim checks when a lot is done.
func (c *checker) aim(lot *Lot, q Request, of LotRequest) {
	good := crust.Crisp + q.Likes.CrustMore
	if lot.Cut.Plain && len(lot.Coating.Stuck) == 0 {
		good = crustPlain
	}
	lot.BrowningMore = q.Likes.BrowningMore
	lot.Guidance, lot.CrustWanted = safety.Guidance(q.Guidance), orElse(of.CrustWanted, orElse(q.CrustWanted, good))
	if lot.Guidance == "" {
		lot.Guidance = safety.US
	}
	c.In(Limits, "crustWanted", lot.CrustWanted)
	c.Among("guidance", string(lot.Guidance), names(safety.Guidances)...)
	if lot.Cut.ID != "" && slices.Contains(safety.Guidances, lot.Guidance) {
		var err error
		rule := safety.For
		if lot.OnlyHot() || lot.Was.Inside {
			rule = safety.ForReheating
		}
		if lot.Rule, err = rule(lot.Guidance, lot.Class(), q.GuidanceC); err != nil {
			c.Add("guidanceC", fmt.Sprintf("%g", q.GuidanceC),
				fmt.Sprintf("%g to %g °C, never under the guidance", safety.StricterFloor, safety.StricterTop))
		}
		// What is soft sooner than pectin lets go, or molten.
		if tender := lot.Cut.Tender; lot.Plant() && !lot.OnlyHot() && tender > 0 && tender < lot.Rule.CoreC {
			lot.Rule.CoreC = tender
			if lot.Cut.Molten {
				lot.Rule.Words, lot.Rule.Source = "molten in the middle; no safety minimum applies", "own judgement"
			}
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
	unknown := slices.ContainsFunc(c.Fields, func(f refuse.Field) bool { return strings.HasPrefix(f.Field, "program.stages") })
	if all > MaxMinutes && !unknown {
		c.Add("program.stages", fmt.Sprintf("%g minutes together", all), fmt.Sprintf("up to %g minutes", MaxMinutes))
	}
	c.In(Limits, "program.turns", float64(len(p.Turns)))
	for i, t := range p.Turns {
		if !unknown { // else nobody knows how long it is
			c.Within(fmt.Sprintf("program.turns[%d].atMin", i), t.AtMin, 0, all, "minutes, within the program")
		}
		c.Among(fmt.Sprintf("program.turns[%d].kind", i), t.Kind, Flip, Shake, LookIn, BrushOn, PutIn, TakeOut)
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
