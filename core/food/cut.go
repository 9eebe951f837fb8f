// Package food holds what is known of the food itself: cuts with their
// composition and shape, coats and surfaces, each figure with unit, spread
// and source, and turns a piece of given weight into the layers that
// core/thermal computes with.
package food

import (
	"fmt"
	"math"
	"slices"
	"strings"

	"velocrustum/core/safety"
	"velocrustum/core/thermal"
)

// A Form is the solid that a piece is taken for.
type Form uint8

const (
	Slab      Form = iota // a slice or fillet: its faces are flat
	Cylinder              // a strip, ring or rib
	Ellipsoid             // the rest
)

// Composition is in mass fractions of the raw edible part; they add up to
// one.
type Composition struct{ Water, Protein, Fat, Carb, Ash float64 }

// Density returns kg/m³ at 20 °C from the component densities of Choi and
// Okos (1986).
func (c Composition) Density() float64 {
	return 1 / (c.Water/997 + c.Protein/1320 + c.Fat/917 + c.Carb/1590 + c.Ash/2418)
}

// solidsHeat returns the specific heat of the fat-free dry matter at 60 °C,
// J/kg·K (Choi and Okos 1986).
func (c Composition) solidsHeat() float64 {
	return (c.Protein*2076 + c.Carb*1645 + c.Ash*1192) / (c.Protein + c.Carb + c.Ash)
}

// A Cut is one kind of piece.
type Cut struct {
	ID     string
	Name   string // one piece, in words
	Plural string
	Group  string // where a cook looks for it
	Faces  [2]string
	Form   Form
	// Length and Width are in thicknesses.
	Length, Width float64
	// Typical, Least and Most are grams a piece.
	Typical, Least, Most float64
	// MeasuredFrom is the weight from which its thickness has to be measured, g:
	// what is so heavy is seldom as thin as its proportions make it; 0 for none.
	MeasuredFrom float64
	Flesh        Composition
	// Bone is the share of the piece's volume.
	Bone float64
	// SkinMm is the thickness of skin, or of a fatty wrap that belongs to
	// the cut, on all of the surface that has it; Skin what it is made of.
	SkinMm float64
	Skin   Composition
	// SkinCrispMm and FleshCrispMm are the thickness of dried layer that is
	// half as crisp as can be; 0 means that of bird skin and of lean meat.
	SkinCrispMm, FleshCrispMm float64
	// SkinWicks is the diffusivity of water in it over that in meat; 0 means
	// that of bird skin.
	SkinWicks float64
	// Spots are the coldest spots of a piece that has two, the one whose thickness
	// is the piece's first; nil where there is one.
	Spots []Spot
	// Stuffing is the share of the volume, in the middle, and Filling what
	// it is made of.
	Stuffing float64
	Filling  Composition
	// Holding is the fall of held water on heating, mass fraction.
	Holding float64
	// Renders scales the fat's melting in the flesh itself.
	Renders float64
	Class   safety.Class
	// Tender is the inside temperature at which it is also good to eat, °C,
	// and Juice the least share of its water, percent, that a cook would call
	// juicy enough.
	Tender, Juice float64
	// Sugar is the reducing sugar in the surface, percent of mass.
	Sugar float64
	// Starchy browns to gold, not to brown.
	Starchy bool
	// Piles as in Piece: slender pieces in random heaps fill a third to two fifths
	// of the room, laid side by side two thirds (Philipse, Langmuir 12, 1996).
	Piles float64
	// Plain says that uncoated it is liked brown and juicy, not crisp.
	Plain bool
	// Hot says of a plant that it only has to be hot: nothing in it softens.
	Hot bool
	// Molten says that it is to be molten, not soft.
	Molten bool
	// OutC is the coldest spot's heat from which it runs out of its coat, or bursts
	// its skin, °C; 0 for never.
	OutC float64
	// Heated says that it was cooked before.
	Heated bool
	Raw    [3]float64 // CIELAB of the raw surface
	Source string
}

// Cuts returns all cuts in the order of the table.
func Cuts() []Cut { return slices.Clone(cuts) }

// Allergens returns what the food itself is to those who cannot have it.
func (c Cut) Allergens() []string {
	switch {
	case c.ID == "squid-ring":
		return []string{"molluscs"}
	case c.Group == "Shellfish":
		return []string{"crustaceans"}
	case c.Class == safety.Fish:
		return []string{"fish"}
	case c.ID == "tofu-cube":
		return []string{"soy"}
	case c.Molten:
		return []string{"milk"}
	case c.ID == "filled-roll":
		return []string{"wheat"}
	}
	return []string{}
}

// Allowed returns the masses that a piece is taken for, g: half the lightest
// to twice the heaviest usual one.
func (c Cut) Allowed() (least, most float64) { return math.Floor(c.Least / 2), 2 * c.Most }

// Thicknesses returns those that a piece of massG is taken for, whole mm:
// flatter than a coin or thicker than twice its shape is a slip.
func (c Cut) Thicknesses(massG float64) (least, most float64) {
	natural := c.Piece(massG, 0).Thickness * 1000
	return math.Ceil(0.3 * natural), math.Floor(2 * natural)
}

// FindCut returns the cut with the id.
func FindCut(id string) (Cut, error) {
	for _, c := range cuts {
		if c.ID == id {
			return c, nil
		}
	}
	return Cut{}, fmt.Errorf("no cut is called %q; known are %s", id, strings.Join(CutIDs(), ", "))
}

// CutIDs returns the ids of all cuts.
func CutIDs() []string {
	ids := make([]string, len(cuts))
	for i, c := range cuts {
		ids[i] = c.ID
	}
	return ids
}

// Density returns that of the whole piece, bone included, kg/m³.
func (c Cut) Density() float64 {
	d := (1-c.Bone-c.Stuffing)*c.Flesh.Density() + c.Bone*1250
	if c.Stuffing > 0 {
		d += c.Stuffing * c.Filling.Density()
	}
	return d
}

// A Piece is one piece's geometry, in m, m² and m³.
type Piece struct {
	Form                     Form
	Thickness, Length, Width float64
	Surface, Volume          float64
	// Piles is how many times the room it takes where such pieces are tipped in
	// and lie across one another; 0 where they are laid.
	Piles float64
}

// full is the share of its box that a form fills.
var full = map[Form]float64{Slab: 1, Cylinder: math.Pi / 4, Ellipsoid: math.Pi / 6}

// roundSection is the width, in thicknesses, up to which a section counts as
// round: such a piece that is thicker is thicker all round, and shorter.
const roundSection = 1.35

// Piece returns the geometry of a piece of massG grams. A thickness of 0 is
// worked out from the mass and the cut's proportions. One by ruler is kept:
// a flat cut then gives in length and width alike, one round in section keeps
// its section and gives in length. No piece is thicker than it is wide or
// long, so that the thickest that a mass can be is as deep as it is wide and
// long; more by ruler is taken for that.
func (c Cut) Piece(massG, thicknessMm float64) Piece {
	v := massG / 1000 / c.Density()
	box := v / full[c.Form] // of which it fills its share
	t := math.Cbrt(box / (c.Length * c.Width))
	l, w := c.Length*t, c.Width*t
	if thicknessMm > 0 {
		t = min(thicknessMm/1000, math.Cbrt(box))
		if c.Width <= roundSection {
			w = min(c.Width*t, math.Sqrt(box/t))
		} else {
			w = max(t, math.Sqrt(box/t*c.Width/c.Length))
		}
		l = box / t / w
	}
	p := NewPiece(c.Form, l, w, t)
	p.Piles = c.Piles
	return p
}

// NewPiece returns a form's geometry from its outer dimensions in m.
func NewPiece(form Form, length, width, thickness float64) Piece {
	p := Piece{Form: form, Thickness: thickness, Length: length, Width: width, Volume: full[form] * length * width * thickness}
	a, b, d := length/2, width/2, thickness/2
	switch form {
	case Slab:
		p.Surface = 8 * (a*b + a*d + b*d)
	case Cylinder:
		// Ramanujan's circumference of the ellipse, and the two ends.
		p.Surface = math.Pi*(3*(b+d)-math.Sqrt((3*b+d)*(b+3*d)))*length + 2*math.Pi*b*d
	case Ellipsoid:
		// Thomsen's formula, within 1.1 %.
		const q = 1.6075
		p.Surface = 4 * math.Pi * math.Pow((math.Pow(a*b, q)+math.Pow(a*d, q)+math.Pow(b*d, q))/3, 1/q)
	}
	return p
}

// Half returns the smallest half-dimension, m: heat has no farther to go.
func (p Piece) Half() float64 { return min(p.Thickness, p.Width, p.Length) / 2 }

// Footprint returns the area seen from above, m².
func (p Piece) Footprint() float64 {
	if p.Form == Slab || p.Form == Cylinder {
		return p.Length * p.Width
	}
	return math.Pi / 4 * p.Length * p.Width
}

// thermalMaterial turns a composition into densities.
func (c Composition) material() thermal.Material {
	d := c.Density()
	return thermal.Material{
		Solids: d * (c.Protein + c.Carb + c.Ash), Fat: d * c.Fat, Water: d * c.Water, SolidsHeat: c.solidsHeat(),
		// Fat conducts a third as well as wet flesh.
		DryK: 0.07, WetK: 0.45 * (1 - 1.1*d*c.Fat/917), Diffusivity: 1,
		Ice: thermal.Ice{FreezesC: freezesAt + freezesBy*100*c.Ash/c.Water, Bound: (boundByProtein*c.Protein + boundByCarb*c.Carb) / (c.Protein + c.Carb + c.Ash)},
	}
}

// Where food freezes: its salts lower it from freezesAt by freezesBy K for each
// gram in 100 g of water, to −1.1 °C for meat and potato (shop figures −0.8 to
// −1.2) and −1.2 for fish. What never freezes goes with protein (Riedel; Pham, J.
// Food Eng. 30, 1996: 0.3 to 0.5) and starch; of bone's water and marrow as much
// does, kg/m³ (±150; a third of a bird's bone is water, and a tenth of that bound).
const (
	freezesAt, freezesBy        = -0.3, -0.6
	boundByProtein, boundByCarb = 0.4, 0.3
	boneIce                     = 350.0
)

// Columns returns the parts of the piece that the heat is computed for, each
// from the inside out and with its coat, in air that gives film W/m²·K on the
// mean of its faces. saltPct is the salt in the flesh, percent of its mass:
// it opens the protein, which then holds more water when heated (drip falls
// by about a fifth at 1 % and hardly more beyond 2 %; Offer and Trinick, Meat
// Science 8, 1983).
func (c Cut) Columns(p Piece, coat Coating, saltPct, film float64) []Column {
	if len(c.Spots) > 0 {
		return c.spotColumns(p, coat, saltPct, film)
	}
	r := p.Half()
	parts := p.Parts(film * r / fleshConducts)
	out := make([]Column, 0, len(parts))
	for i, part := range parts {
		out = append(out, c.column(part, i, r, p.Volume, saltPct, coat))
	}
	return out
}

// column is a part of a piece of a volume, m³, which reaches to a radius of r, m.
func (c Cut) column(part Part, i int, r, volume, saltPct float64, coat Coating) Column {
	inside := c.inside(i)
	layers := c.layers(r, inside, saltPct, coat)
	// A bone stays as thick beside the flesh when the piece is cut or
	// tied thicker than usual, and the flesh keeps its mass.
	flesh := (1 - c.Bone) / (1 - math.Pow(inside, part.Shape))
	if c.Bone == 0 {
		flesh = 1
	}
	area := part.Share * volume * part.Shape / r * flesh // under the coat
	outer := r
	for _, l := range coat.layers(r, part.Shape) {
		outer += l.Thickness
		layers = append(layers, l)
	}
	return Column{Shape: part.Shape, Layers: layers, Area: area * math.Pow(outer/r, part.Shape-1)}
}

// inside returns how much of the radius of a part bone or filling takes: what
// its share of the volume does in a piece of the cut's own proportions.
func (c Cut) inside(part int) float64 {
	share := c.Bone + c.Stuffing
	if share == 0 {
		return 0
	}
	parts := c.Piece(c.Typical, 0).Parts(1)
	return min(math.Pow(share, 1/parts[min(part, len(parts)-1)].Shape), 0.8)
}

// A Column is a part of a piece, for core/thermal: its shape number, what it
// is made of from the inside out, and its outer surface in m².
type Column struct {
	Shape  float64
	Layers []thermal.Layer
	Area   float64
}

// Bare is the coat that is none, and Wrap the one that is a slice of meat.
const (
	Bare = "bare"
	Wrap = "wrap"
)

// Plant says whether it is one: no rule of safety is for it.
func (c Cut) Plant() bool { return c.Class == safety.Plant }

// Wrapped says whether the cut comes in a fatty wrap.
func (c Cut) Wrapped() bool { return c.Skin == streaky }

// layers returns bone or filling, which reach to a share of the radius r,
// flesh and skin.
func (c Cut) layers(r, share, saltPct float64, coat Coating) (layers []thermal.Layer) {
	skin := min(c.SkinMm/1000, r/2)
	inside := min(share*r, 0.8*(r-skin))
	switch {
	case c.Bone > 0:
		layers = append(layers, thermal.Layer{Thickness: inside, Material: thermal.Material{Part: thermal.Bone, Ice: thermal.Ice{FreezesC: -1, Fixed: boneIce}}})
	case c.Stuffing > 0:
		filling := c.Filling.material()
		filling.Holding = 0.06
		layers = append(layers, thermal.Layer{Thickness: inside, Material: filling})
	}
	flesh := c.Flesh.material()
	flesh.Holding, flesh.Rendering, flesh.Drains = c.Holding*(1-0.2*min(2, saltPct)), c.Renders, FleshDrains
	flesh.Ice.FreezesC += freezesBy * saltPct / c.Flesh.Water
	flesh.Crisp = orDefault(c.FleshCrispMm, fleshCrispMm) / 1000 / coat.crackles()
	layers = append(layers, thermal.Layer{Thickness: r - inside - skin, Material: flesh})
	if skin > 0 {
		m := c.Skin.material()
		m.Part, m.Holding, m.Rendering, m.Drains = thermal.Skin, 0.10, 1, c.SkinDrains()
		if c.Heated {
			m.Holding, m.Rendering = 0, 1.0/3
		}
		m.Diffusivity = orDefault(c.SkinWicks, skinWicks)
		m.Crisp = orDefault(c.SkinCrispMm, skinCrispMm) / 1000 / coat.crackles()
		layers = append(layers, thermal.Layer{Thickness: skin, Material: m})
	}
	return layers
}

func orDefault(v, d float64) float64 {
	if v == 0 {
		return d
	}
	return v
}

// SkinDrains returns the share of the fat melted in the skin, or in the wrap
// that the cut comes in, that leaves.
func (c Cut) SkinDrains() float64 {
	if c.Wrapped() {
		return wrapDrains
	}
	return skinDrains
}

const (
	// Of the fat that has melted, what leaves: skin keeps most of it under
	// itself, sliced fat lets go of more, a thin cured slice of half. Worked
	// back from raw and roasted fat of wings, drumsticks and belly in USDA
	// FoodData Central with the yields of the USDA Table of Cooking Yields
	// for Meat and Poultry (2012), ±0.1.
	skinDrains, FleshDrains, wrapDrains = 0.20, 0.40, 0.50
	// fleshConducts is the conductivity of wet flesh, W/m·K, for a Biot
	// number: 0.42 to 0.50 over the table's cuts.
	fleshConducts = 0.45
	// skinWicks is the diffusivity of water in bird skin over that in meat.
	skinWicks = 1.6
	// The thickness of dried layer, mm, that is half as crisp as can be.
	skinCrispMm, fleshCrispMm = 0.60, 0.60
)
