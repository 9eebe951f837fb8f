package program

import (
	"errors"
	"fmt"
	"slices"
	"strings"

	"velocrustum/core/crust"
	"velocrustum/core/food"
	"velocrustum/core/fryer"
	"velocrustum/core/larder"
	"velocrustum/core/refuse"
	"velocrustum/core/safety"
)

// # Kitchen and program
//
// A kitchen is what lies in which fryer and what is wanted of it; a setup is
// a kitchen and the program it is run by. Both are made once from a request,
// checked, and are never changed after: what would be another load (oiled,
// wiped, fewer) or another program is a new one.

// kitchen is a load in its coat, in its fryer, and when it is done.
type kitchen struct {
	lot
	cover
	machine
	aim
	coverage float64 // layers in the basket
	film     float64 // W/m²·K that the shape is for, where it is not the fryer's
}

// lot is the pieces.
type lot struct {
	cut         food.Cut
	piece       food.Piece
	all         int // how many there are
	pieces      int // in one drawer
	massG       float64
	thick       float64 // mm
	measured    bool    // the thickness, by ruler
	startC      float64
	surface     food.Surface
	water       float64 // on it, kg/m²
	pieceSpread float64 // of thickness, percent
	under       string  // what it lies on
}

// cover is what they are covered with.
type cover struct {
	coating food.Coating
	sugar   float64 // percent added to the surface
	salt    float64 // percent in the flesh
	gain    float64 // of browning
}

// machine is the fryer.
type machine struct {
	spec     fryer.Spec
	drawers  int
	dial     Dial
	timed    bool     // the minutes to 200 °C
	inferred []string // figures that nobody measured
}

// aim is when the load is safe and when it is crisp.
type aim struct {
	guidance safety.Guidance
	rule     safety.Rule
	crust    float64
}

// MaxCoverage is how many layers a basket takes at most.
const MaxCoverage = 3.0

// kitchen checks all of a request but its program and fills its defaults.
func (c *checker) kitchen(q Request) kitchen {
	var k kitchen
	k.lot = c.lot(q.Load)
	coat := value(q.Coat, Coat{ID: "bare"})
	k.cover = c.cover(coat, k.cut, q.find)
	k.machine = c.machine(value(q.Fryer, Fryer{}))
	k.aim = c.aim(q, &k)
	if len(c.Fields) > 0 {
		return kitchen{}
	}
	if k.drawers > 1 {
		k.spec = twin(k.spec)
	}
	k.spec.MetalJK = fryer.Metal(k.spec)
	if mm := q.Load.ThicknessMm; mm != nil {
		least, most := k.cut.Thicknesses(k.massG)
		c.Within("load.thicknessMm", *mm, least, most, fmt.Sprintf("mm for %g g", k.massG))
	} else if from := k.cut.MeasuredFrom; from > 0 && k.massG > from {
		c.Add("load.thicknessMm", "not measured", fmt.Sprintf("a ruler's figure for %s over %g g: a whole breast is up to twice as thick as a cutlet. Measure the thickest part, or cut it through its thickness", k.cut.Plural, from))
	}
	k.lie(k.cut.Piece(k.massG, value(q.Load.ThicknessMm, 0)))
	k.share(q.Load.Pieces)
	k.oil(coat.OilG / k.surface100(q.Load.Pieces))
	k.water += k.coating.LooseWater / 10 // kg/m²
	if k.coverage > MaxCoverage {
		c.Add("load.pieces", fmt.Sprint(q.Load.Pieces), fmt.Sprintf("1 to %d of this size in this basket; more would stand over its rim", k.most()))
	}
	return k
}

// lot checks the pieces. Their shape waits until all else is known.
func (c *checker) lot(l Load) lot {
	out := lot{pieces: l.Pieces, massG: l.PieceMassG, measured: l.ThicknessMm != nil, startC: value(l.StartC, fridgeC), surface: food.Surface(l.Surface), pieceSpread: value(l.SpreadPct, 100*thicknessSpread), under: l.Under}
	var err error
	if out.cut, err = food.FindCut(l.Cut); err != nil {
		c.Add("load.cut", fmt.Sprintf("%q", l.Cut), strings.Join(food.CutIDs(), ", "))
	}
	c.In(Limits, "load.pieces", float64(l.Pieces))
	if err != nil {
		c.Within("load.pieceMassG", out.massG, 2, 800, "g")
	} else {
		least, most := out.cut.Allowed()
		c.Within("load.pieceMassG", out.massG, least, most, "g for "+out.cut.Plural)
	}
	if out.startC < MinStartC {
		c.Add("load.startC", fmt.Sprintf("%g", out.startC),
			fmt.Sprintf("%g °C and over; frozen food has to thaw in the fridge first, since its middle would stay raw while the outside burns", MinStartC))
	} else {
		c.In(Limits, "load.startC", out.startC)
	}
	if out.surface == "" {
		out.surface = food.Wiped
	}
	c.Among("load.surface", string(out.surface), names(food.Surfaces)...)
	c.In(Limits, "load.spreadPct", out.pieceSpread)
	if l.Under != "" {
		c.Among("load.under", l.Under, Unders...)
	}
	out.water = out.surface.Water()
	if w := l.SurfaceWaterG; w != nil {
		c.In(Limits, "load.surfaceWaterG", *w)
		out.water = *w / 10 // kg/m²
	}
	return out
}

// cover checks the coat on a cut.
func (c *checker) cover(coat Coat, cut food.Cut, find func(string) (larder.Ingredient, error)) cover {
	if coat.ID == food.Wrap && cut.Wrapped() {
		coat.ID = "bare" // it comes in its wrap
	}
	out := cover{sugar: coat.SugarPct, salt: coat.SaltPct}
	var err error
	if out.coating.Coat, err = coat.Find(find); err != nil {
		var fields refuse.Fields
		if errors.As(err, &fields) {
			c.Fields = append(c.Fields, fields...)
		} else {
			c.Add("coat.id", fmt.Sprintf("%q", coat.ID), strings.Join(food.CoatIDs(), ", "))
		}
	}
	c.In(Limits, "coat.alkali", coat.Alkali)
	out.coating.Alkali += coat.Alkali
	if r := coat.RestMin; r != nil {
		c.In(Limits, "coat.restMin", *r)
		out.coating.Coat = out.coating.Rested(*r)
	}
	c.In(Limits, "coat.oilG", coat.OilG)
	c.In(Limits, "coat.sugarPct", coat.SugarPct)
	c.In(Limits, "coat.saltPct", coat.SaltPct)
	return out
}

// find returns an ingredient by the household's figures.
func (q *Request) find(id string) (larder.Ingredient, error) {
	if i, ok := q.Larder[id]; ok {
		return i, nil
	}
	return larder.Shelf(id)
}

// Find returns the coat that is told by its layers, or by its name. What is
// made of other layers than the named one keeps its name.
func (c Coat) Find(find func(string) (larder.Ingredient, error)) (food.Coat, error) {
	if len(c.Layers) == 0 {
		return food.FindCoat(c.ID)
	}
	made, err := food.Compose(c.Layers, find)
	if named, known := food.FindCoat(c.ID); known == nil && err == nil {
		made.ID, made.Name, made.Says = named.ID, named.Name, named.Says
	} else if c.ID != "" && c.ID != food.Made && err == nil {
		return made, known
	}
	return made, err
}

// CoatSays is how an order has the coat: by its name, or by what it is made of.
func (q *Request) CoatSays() string {
	c := value(q.Coat, Coat{ID: "bare"})
	if named, err := food.FindCoat(c.ID); err == nil {
		return named.Says
	}
	var layers []string
	for _, l := range c.Layers {
		var parts []string
		for _, p := range l.Parts {
			if i, err := q.find(p.Ingredient); err == nil {
				parts = append(parts, i.Name)
			}
		}
		layers = append(layers, strings.Join(parts, " with "))
	}
	return "in " + strings.Join(layers, ", then ")
}

// machine checks a fryer and its dial.
func (c *checker) machine(given Fryer) machine {
	f := given.Whole()
	m := machine{spec: c.spec(f), drawers: f.Drawers, dial: *f.Dial, timed: heatUpKnown(f), inferred: f.Inferred}
	c.In(Limits, "fryer.dial.minC", m.dial.MinC)
	c.In(Limits, "fryer.dial.maxC", m.dial.MaxC)
	c.In(Limits, "fryer.dial.stepC", m.dial.StepC)
	c.In(Limits, "fryer.drawers", float64(f.Drawers))
	if f.Kind == string(fryer.Oven) {
		c.In(Limits, "fryer.trays", float64(f.Trays))
		if f.Rack {
			c.Add("fryer.rack", "true", "false for an oven; give its trays")
		}
		if f.Drawers > 1 {
			c.Add("fryer.drawers", fmt.Sprint(f.Drawers), "1 for an oven; give its trays")
		}
		m.spec.Levels = f.Trays
	} else {
		c.Within("fryer.trays", float64(f.Trays), 0, 1, "tray in a drawer; a rack makes a second level")
		if m.spec.Levels = 1; f.Rack {
			m.spec.Levels = 2
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
		Kind: fryer.Kind(f.Kind), PowerW: *f.PowerW, Airflow: *f.Airflow, DialOffsetC: f.DialOffsetC, RoomC: value(f.RoomC, roomC),
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

// aim checks what is wanted.
func (c *checker) aim(q Request, k *kitchen) aim {
	out := aim{guidance: safety.Guidance(q.Guidance), crust: value(q.CrustWanted, crustGood)}
	if out.guidance == "" {
		out.guidance = safety.US
	}
	c.In(Limits, "crustWanted", out.crust)
	c.Among("guidance", string(out.guidance), names(safety.Guidances)...)
	if k.cut.ID != "" && slices.Contains(safety.Guidances, out.guidance) {
		var err error
		if out.rule, err = safety.For(out.guidance, k.class(), q.GuidanceC); err != nil {
			c.Add("guidanceC", fmt.Sprintf("%g", q.GuidanceC),
				fmt.Sprintf("%g to %g °C, never under the guidance", safety.StricterFloor, safety.StricterTop))
		}
	}
	return out
}

// lie gives the pieces a shape and lays them in the basket.
func (k *kitchen) lie(p food.Piece) {
	k.piece, k.thick = p, p.Thickness*1000
	k.coverage = k.covers(k.pieces)
}

// share puts so many pieces in, in all; of two drawers the fuller decides.
func (k *kitchen) share(all int) {
	k.all = all
	k.pieces = (all + k.drawers - 1) / k.drawers
	k.coverage = k.covers(k.pieces)
}

// covers is how many layers so many pieces make.
func (k *kitchen) covers(pieces int) float64 {
	return k.spec.Coverage(k.piece.Length*1000, k.piece.Width*1000, k.piece.Footprint(), pieces)
}

// oil puts so many g/100 cm² on them, beside what the coat has of its own.
func (k *kitchen) oil(film float64) {
	k.coating.Oil = film + k.coating.LooseFat
	k.gain = crust.Gain(k.cut.Sugar*(1-k.coating.Covers)+k.coating.Sugar+k.sugar, k.coating.Alkali, k.coating.Browns, k.coating.Oiled())
}

// surface100 is the surface of so many pieces, in 100 cm².
func (k *kitchen) surface100(pieces int) float64 { return k.piece.Surface * 100 * float64(pieces) }

// most is how many pieces of this size the basket takes.
func (k *kitchen) most() int {
	return max(1, min(MaxPieces, int(MaxCoverage/k.covers(1))*k.drawers))
}

// comfortable is how many pieces lie in the basket with air between them.
func (k *kitchen) comfortable() int {
	return max(1, int((fryer.FreeCoverage+crowdedBy)/k.covers(1)+1e-9)*k.drawers)
}

// class is the cut's safety class; a fatty wrap around fish brings the rule
// for meat with it, which is no laxer.
func (k *kitchen) class() safety.Class {
	if k.coating.ID == food.Wrap && (k.cut.Class == safety.Fish || k.cut.Class == safety.Plant) {
		return safety.WholeMeat
	}
	return k.cut.Class
}

// plant says whether the food is judged by softness, with no rule and no
// probe.
func (k *kitchen) plant() bool { return k.class() == safety.Plant }

// inside is what the food is when its rule is met.
func (k *kitchen) inside() string {
	if k.plant() {
		return SoftInside
	}
	return SafeInside
}

// flesh is what the coldest spot of the food is made of.
func (k *kitchen) flesh() string {
	switch k.class() {
	case safety.Plant:
		return "middle"
	case safety.Fish:
		return "fish"
	}
	return "meat"
}

// fatty says whether the load drips enough fat to smoke.
func (k *kitchen) fatty() bool {
	return k.cut.Flesh.Fat > 0.25 || k.cut.SkinMm > 2.5 || k.coating.Renders > 0
}

// raw is the colour before any browning: the food's under the coat's.
func (k *kitchen) raw() [3]float64 {
	lab := k.cut.Raw
	for i := range lab {
		lab[i] += k.coating.Covers * (k.coating.Raw[i] - lab[i])
	}
	return lab
}

// limit returns the browning that is too much, and what it is called.
func (k *kitchen) limit() (crust.Stage, string) {
	switch {
	case k.cut.Starchy:
		return crust.StarchyLimit, "brown"
	case k.sugar >= 1:
		// Caramel turns bitter before plain crust does.
		return crust.BitterLimit, "bitter"
	}
	return crust.TooDark, "burnt"
}
