package load

import (
	"math"
	"slices"

	"velocrustum/core/crust"
	"velocrustum/core/food"
	"velocrustum/core/fryer"
	"velocrustum/core/larder"
	"velocrustum/core/safety"
	"velocrustum/core/units"
)

// A Load is a request made whole: the lots in one basket, in which fryer, and
// under which program. It is never changed; what would be another load is made
// by one of its methods.
type Load struct {
	Machine
	// Lots are the kinds of pieces in the basket, as they were asked for.
	Lots    []*Lot
	Program Program
	TailMin float64         // carried on past the program's end
	Supply  *Supply         // what a plug that is shared leaves to it
	Units   units.Household // for what is said
	// FilmWM2K is the film that a piece's shape is worked out for where it is
	// not the fryer's, W/m²·K; 0 where it is.
	FilmWM2K   float64
	ingredient func(string) (larder.Ingredient, error)
}

// A Lot is the pieces of one kind in a basket, in their coat, and when they
// are done.
type Lot struct {
	Name   string
	Number int // its place among the lots, from 0
	// In and Out are when it goes in and comes out, minutes of the program;
	// +Inf with the last.
	In, Out float64

	Cut         food.Cut
	Piece       food.Piece
	MassG       float64 // of one piece, raw, without its coat
	ThicknessMm float64
	Measured    bool // the thickness, by ruler
	// Hand scales it, as cooks have shown of this cut here, and HandSd is how surely
	// its logarithm is known; 1 and nil where they have not.
	Hand      float64
	HandSd    *float64
	SpreadPct float64 // of thickness
	StartC    float64
	// fridgeKnown says that it comes out of a fridge that somebody measured.
	fridgeKnown bool
	Surface     food.Surface
	WaterKgM2   float64 // free on the surface
	Under       string  // what it lies on

	All      int        // pieces in all drawers
	Pieces   int        // in one drawer; of two the fuller
	Coverage float64    // layers in the basket, of all lots together
	Strip    [2]float64 // of the basket's width that it lies in, from and to; 0, 0 for all of it

	// Was is what was done to it before it came, and GlazeKgM2 the ice on it.
	State     food.State
	Was       food.Before
	GlazeKgM2 float64
	Clump     int // pieces that are frozen together

	Coating  food.Coating
	SugarPct float64 // added to the surface
	SaltPct  float64 // in the flesh

	Guidance    safety.Guidance
	Rule        safety.Rule
	CrustWanted float64
	// BrowningMore is by how much browner it is liked than most like it, stages.
	BrowningMore float64
}

// Machine is a fryer of which nothing is left out.
type Machine struct {
	Spec    fryer.Spec
	Drawers int
	Dial    Dial
	Timed   bool // the minutes to 200 °C
	// OfTwo says that it is one drawer of two that run apart on one plug:
	// PlugW is what that gives, ElementW the most that its own heater draws.
	OfTwo           bool
	Drawer          string // Left or Right
	PlugW, ElementW float64
	Inferred        []string // figures that nobody measured
	// FridgeC is the air of the fridge in its kitchen; nil where nobody measured it.
	FridgeC *float64
	// Learnt is what cooks have shown of it; nil where none have.
	Learnt *Learnt
	// Ends is by how much more readily food browns at the back of its basket than at its
	// front, a logarithm; ChangesOver says that this is known well enough to have front and
	// back change over when pieces are turned.
	Ends        float64
	ChangesOver bool
}

// Fridge is the air of its kitchen's fridge as it is taken, °C.
func (m *Machine) Fridge() float64 { return orElse(m.FridgeC, food.FridgeC) }

// OutOfFridge is how cold food is that comes out of a fridge whose air is known, or not, °C.
func OutOfFridge(airC *float64) float64 { return orElse(airC, food.FridgeC) + food.WarmerOutC }

// Minutes is how long the program is.
func (l *Load) Minutes() float64 { return l.Program.Minutes() }

// Only is the lot of a load that has one.
func (l *Load) Only() *Lot { return l.Lots[0] }

// Pieces is how many pieces there are, of all lots.
func (l *Load) Pieces() (n int) {
	for _, lot := range l.Lots {
		n += lot.All
	}
	return n
}

// End is when a lot comes out, minutes.
func (l *Load) End(lot *Lot) float64 { return min(lot.Out, l.Minutes()) }

// UnderProgram is the same load under another program.
func (l *Load) UnderProgram(p Program) *Load {
	out := *l
	out.Program = p
	return &out
}

// Moved is the same load under another program, with each lot as long in it as
// before: what goes in later still ends with it, what comes out sooner still
// comes out by itself.
func (l *Load) Moved(p Program) *Load {
	out := l.UnderProgram(p)
	was, end := l.Minutes(), p.Minutes()
	out.Lots = slices.Clone(l.Lots)
	for i, lot := range l.Lots {
		if lot.In == 0 && lot.Out >= was {
			continue
		}
		moved := *lot
		if lot.In > 0 {
			moved.In = max(0, end-(was-lot.In))
		}
		if moved.Out = moved.In + lot.Out - lot.In; moved.Out >= end {
			moved.Out = math.Inf(1)
		}
		out.Lots[i] = &moved
	}
	return out
}

// HotFrom is the same load put in as the basket before comes out, of so hot a
// fryer, °C.
func (l *Load) HotFrom(airC float64) *Load {
	p := l.Program
	p.PreheatMin, p.HotFromC = 0, airC
	return l.UnderProgram(p)
}

// CarriedOn is the same load, carried on so many minutes past its end.
func (l *Load) CarriedOn(tailMin float64) *Load {
	out := *l
	out.TailMin = tailMin
	return &out
}

// ShapedFor is the same load with its pieces' shapes worked out for another film
// than the fryer's, W/m²·K.
func (l *Load) ShapedFor(filmWM2K float64) *Load {
	out := *l
	out.FilmWM2K = filmWM2K
	return &out
}

// with is the same load with another lot in the place of the one of its number.
func (l *Load) with(lot Lot) *Load {
	out := *l
	out.Lots = slices.Clone(l.Lots)
	out.Lots[lot.Number] = &lot
	return &out
}

// Fewer is a load of one lot with so many of its pieces.
func (l *Load) Fewer(pieces int) *Load {
	lot := *l.Only()
	l.deal(&lot, pieces)
	return l.with(lot)
}

// Oiled is the load with so much oil on the pieces of a lot, g/100 cm², beside
// what the coat has.
func (l *Load) Oiled(lot Lot, film float64) *Load {
	lot.oil(film)
	return l.with(lot)
}

// InOil is the load with so much fat on the pieces of a lot, g/100 cm², as a
// bath of it leaves; they brown as they would have.
func (l *Load) InOil(lot Lot, film float64) *Load {
	lot.Coating.Oil = film
	return l.with(lot)
}

// Wiped is the load with the pieces of a lot wiped dry.
func (l *Load) Wiped(lot Lot) *Load {
	lot.Surface, lot.WaterKgM2 = food.Wiped, food.Wiped.Water()+lot.Coating.LooseWater/10
	return l.with(lot)
}

// AsThick is the load with the pieces of a lot cut or pressed to a thickness,
// mm, by ruler.
func (l *Load) AsThick(lot Lot, mm float64) *Load {
	room := lot.Coverage - l.Covers(lot.Piece, lot.Pieces) // what lies beside it
	l.shape(&lot, lot.Cut.Piece(lot.MassG, mm))
	lot.Coverage += room
	lot.Measured = true
	return l.with(lot)
}

// oil puts so many g/100 cm² on a lot, beside what its coat has of its own.
func (l *Lot) oil(film float64) {
	l.Coating.Oil = film + l.Coating.LooseFat
}

// GainWith is the gain of browning with so much more sugar on a face, percent.
func (l *Lot) GainWith(sugarPct float64) float64 {
	return crust.Gain(l.Cut.Sugar*(1-l.Coating.Covers)+l.Coating.Sugar+l.SugarPct+sugarPct, l.Coating.Alkali, l.Coating.Browns, l.Coating.Oiled())
}

// Surface100 is the surface of so many pieces, in 100 cm².
func (l *Lot) Surface100(pieces int) float64 { return l.Piece.Surface * 100 * float64(pieces) }

// Class is the cut's safety class; a fatty wrap around fish brings the rule
// for meat with it, which is no laxer.
func (l *Lot) Class() safety.Class {
	if l.Coating.ID == food.Wrap && (l.Cut.Class == safety.Fish || l.Cut.Class == safety.Plant) {
		return safety.WholeMeat
	}
	return l.Cut.Class
}

// Frozen says whether it comes from the freezer.
func (l *Lot) Frozen() bool { return l.StartC <= food.FrozenUnderC }

// ColdVaries is how far its cold differs from load to load beside what comes from
// a fridge that nobody measured: freezers stand at −18 ± 4 °C, fridges at 5 ± 2, and
// the shelves of one fridge ± 1.
func (l *Lot) ColdVaries() float64 {
	switch {
	case l.Frozen():
		return 2
	case l.fridgeKnown:
		return 0.5
	}
	return 1
}

// Wet is the free water on it, kg/m²: what was fried brings none of its own.
func (l *Lot) Wet() float64 {
	if l.Was.Fried {
		return math.Min(0, l.WaterKgM2)
	}
	return l.WaterKgM2
}

// Plant says whether the food is judged by softness, with no rule and no
// probe.
func (l *Lot) Plant() bool { return l.Class() == safety.Plant }

// OnlyHot says of a plant that it only has to be hot inside.
func (l *Lot) OnlyHot() bool { return l.Plant() && !l.Cut.Molten && (l.Cut.Hot || l.Was.Inside) }

// What food is inside when its rule is met.
const (
	SafeInside   = "safe"
	SoftInside   = "soft"   // of a plant, which no rule is for
	HotInside    = "hot"    // of a plant that only has to be hot
	MoltenInside = "molten" // of cheese
)

// Outside is what its outside is asked to be: what is liked plain is not crisp.
func (l *Lot) Outside() string {
	if l.CrustWanted <= crustPlain {
		return "brown"
	}
	return "crisp"
}

// Inside is what it is inside when its rule is met.
func (l *Lot) Inside() string {
	switch {
	case l.OnlyHot():
		return HotInside
	case l.Cut.Molten:
		return MoltenInside
	case l.Plant():
		return SoftInside
	}
	return SafeInside
}

// Wrapped says whether it lies in a wrap, its own or one put around it.
func (l *Lot) Wrapped() bool { return l.Coating.ID == food.Wrap || l.Cut.Wrapped() }

// Fatty says whether it drips enough fat to smoke.
func (l *Lot) Fatty() bool {
	return l.Cut.Flesh.Fat > 0.25 || l.Cut.SkinMm > 2.5 || l.Coating.Renders > 0
}

// Raw is the colour before any browning, L*a*b*: the food's under the coat's.
func (l *Lot) Raw() [3]float64 {
	lab := l.Cut.Raw
	for i := range lab {
		lab[i] += l.Coating.Covers * (l.Coating.Raw[i] - lab[i])
	}
	return lab
}

// TooBrown returns the browning that is too much, and what it is then.
func (l *Lot) TooBrown() (crust.Stage, Overdone) {
	switch {
	case l.Cut.Starchy:
		return crust.StarchyLimit, Browned
	case l.SugarPct >= 1:
		// Caramel turns bitter before plain crust does.
		return crust.BitterLimit, Bitter
	}
	return crust.TooDark, Burnt
}

// RunsOut is what its inside's heat does to its outside in the end.
func (l *Lot) RunsOut() Overdone {
	if l.Cut.Molten || l.Cut.Stuffing > 0 || l.Class() == safety.Stuffed {
		return RanOut
	}
	return Burst
}

// Overdone is what food is too much of.
type Overdone string

// What ends a load's good time.
const (
	NotOverdone Overdone = ""
	Burnt       Overdone = "burnt"
	Bitter      Overdone = "bitter" // its sugar
	Browned     Overdone = "brown"  // past gold, of starchy food
	Dry         Overdone = "dry"
	RanOut      Overdone = "out"   // of its coat: cheese, a filling
	Burst       Overdone = "burst" // a sausage's skin
)

// HotHoldC is the least that hot food is held at, °C: 60 (USDA 140 °F), 63 in
// the UK.
func (l *Lot) HotHoldC() float64 {
	if l.Guidance == safety.UK {
		return 63
	}
	return 60
}

// HotHoldHours is the longest that hot food is held.
const HotHoldHours = 2.0

// SmokesOverC is the air, °C, over which dripped fat smokes.
const SmokesOverC = 190.0

// HottestC is as hot as the dial goes, °C, without the fat of any lot smoking.
func (l *Load) HottestC() float64 {
	if slices.ContainsFunc(l.Lots, (*Lot).Fatty) {
		return max(l.Dial.MinC, l.Dial.Nearest(min(l.Dial.MaxC, SmokesOverC)))
	}
	return l.Dial.MaxC
}

// A Glaze is what of a brush lies on a face, kg/m² of it.
type Glaze struct {
	Water, Fat float64
	SugarPct   float64 // of what is there
	FilmMm     float64
	Faces      [2]bool // by which is up; 0 is
}

// Glaze is what a turn of that kind brushes on the pieces of the lots that it
// is for: on all of them as thick. The error is that of an ingredient that
// nobody knows.
func (l *Load) Glaze(on Turn) (g Glaze, err error) {
	b := *on.Brush
	sum, sugar := 0.0, 0.0
	for _, p := range b.Parts {
		i, err := l.ingredient(p.Ingredient)
		if err != nil {
			return g, err
		}
		sum += p.Share
		sugar += p.Share * i.Sugar
		g.Fat += p.Share * i.Fat / 100
		g.Water += p.Share * i.Water() / 100
	}
	area := 0.0 // m², one side of all pieces
	for _, one := range l.Lots {
		if on.For(one.Number) {
			area += one.Surface100(one.All) / 100 / 2
		}
	}
	if g.Faces[0] = true; b.Both {
		g.Faces[1] = true
		area *= 2
	}
	per := b.G / 1000 / area                                                              // kg/m²
	g.Water, g.Fat, g.SugarPct, g.FilmMm = g.Water/sum*per, g.Fat/sum*per, sugar/sum, per // 1 kg/m² is a millimetre
	return g, nil
}
