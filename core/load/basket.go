package load

import (
	"cmp"
	"math"
	"velocrustum/core/food"
	"velocrustum/core/fryer"
)

// MaxCoverage is how many layers a basket takes at most.
const MaxCoverage = 3.0

// CloseCoverage is how many layers a basket has at most that is not crowded: a
// little over those between which the air moves freely.
const CloseCoverage = fryer.FreeCoverage + 0.17

// Crowding is how full a basket is.
type Crowding int

// From air all round to several layers.
const (
	Airy Crowding = iota
	Close
	Crowded
	Layered
)

// CrowdingAt is what so many layers are.
func CrowdingAt(coverage float64) Crowding {
	switch {
	case coverage <= fryer.FreeCoverage:
		return Airy
	case coverage <= CloseCoverage:
		return Close
	case coverage <= 1:
		return Crowded
	}
	return Layered
}

// shape gives the pieces of a lot a shape and lays them in the basket.
func (m *Machine) shape(lot *Lot, p food.Piece) {
	lot.Piece, lot.ThicknessMm = p, p.Thickness*1000
	lot.Coverage = m.Covers(p, lot.Pieces)
}

// deal puts so many pieces of a lot in, in all; of two drawers the fuller
// decides.
func (m *Machine) deal(lot *Lot, pieces int) {
	lot.All = pieces
	lot.Pieces = (pieces + m.Drawers - 1) / m.Drawers
	lot.Coverage = m.Covers(lot.Piece, lot.Pieces)
}

// Covers is how many layers so many pieces make in one drawer.
func (m *Machine) Covers(p food.Piece, pieces int) float64 {
	return cmp.Or(p.Piles, 1) * m.Spec.Coverage(p.Length*1000, p.Width*1000, p.Footprint(), pieces)
}

// Most is how many pieces of this shape the basket takes.
func (m *Machine) Most(p food.Piece) int {
	return max(1, min(MaxPieces, int(MaxCoverage/m.Covers(p, 1))*m.Drawers))
}

// Comfortable is how many pieces of this shape lie in the basket with air
// between them.
func (m *Machine) Comfortable(p food.Piece) int {
	return max(1, int(CloseCoverage/m.Covers(p, 1)+1e-9)*m.Drawers)
}

// Comfortable is how many pieces of a request of one lot lie in one basket with
// air between them, at least one; of several lots all of them, which lie
// together. The error is refuse.Fields.
func Comfortable(q Request) (int, error) {
	q = q.InLots()
	if len(q.Lots) > 1 {
		return q.Pieces(), Check(q)
	}
	q.Lots[0].Load.Pieces = 1
	l, err := Of(q)
	if err != nil {
		return 0, err
	}
	return l.Comfortable(l.Only().Piece), nil
}

// Lies is where each piece of a lot lies in its drawer.
func (l *Load) Lies(lot *Lot) []fryer.Spot {
	long, wide := lot.Piece.Length*1000, lot.Piece.Width*1000
	if lot.Strip[1] > 0 {
		part, x := l.Spec.Basket.Strip(lot.Strip[0], lot.Strip[1])
		if part.Capacity(long, wide) > 0 {
			spots := part.Pack(long, wide, lot.Pieces)
			for i := range spots {
				spots[i].X += x
			}
			return spots
		}
	}
	return l.Spec.Basket.Pack(long, wide, lot.Pieces)
}

// Room is how many more pieces of a lot go in before they crowd.
func (l *Load) Room(lot *Lot) int {
	free := int(CloseCoverage / lot.Coverage * float64(lot.Pieces))
	return max(0, free-lot.Pieces)
}

// # Two drawers in one housing
//
// They share the power: both on full, each has half of the plug's, or as much as
// its element takes. Each is narrower than a drawer of its own and has a smaller
// fan, and so less air, whether the other is on or not.

const (
	twinAir = 0.88 // of one alone, ±0.1
	// TwinSlower is how much longer each takes to 200 °C where both are on,
	// from which its metal follows. Alone it is quicker, by its element.
	TwinSlower = 1.25
)

// InDrawer is the machine as one of its drawers is.
func (m Machine) InDrawer() fryer.Spec {
	spec := m.Spec
	if m.Drawers < 2 {
		return spec
	}
	spec.PowerW = math.Min(spec.PowerW/2, m.ElementW)
	spec.Airflow *= twinAir
	if spec.HeatUpMin == 0 {
		spec.HeatUpMin = TwinSlower * spec.Kind.HeatUp()
	}
	return spec
}

// # Under the food
//
// What lies on the grate keeps air from the lower face, and the food from the
// grate.

// What can lie under the food.
const (
	Grate      = "grate"
	Greased    = "greased"    // the grate, with oil
	Perforated = "perforated" // paper with holes
	HalfSheet  = "half"       // paper under the food, its rim free
	Foil       = "foil"
)

// Unders lists them, the airiest first.
var Unders = []string{Grate, Greased, Perforated, HalfSheet, Foil}

// A Liner is what lies under the food: it lets so much of the lower face's
// heat through and so much of its steam away, and what sticks to it holds less.
type Liner struct {
	Heat, Steam, Holds float64 // shares of the open grate's
	Paper              bool
}

// Shares by the area that is open, a third of a perforated liner and the rim
// of a half sheet, and what is carried through paper (own judgement, ±0.1). A
// greased grate and a liner tear a crust that has set a fifth less.
var liners = map[string]Liner{
	"": {1, 1, 1, false}, Grate: {1, 1, 1, false}, Greased: {1, 1, 0.8, false},
	Perforated: {0.8, 0.75, 0.8, true}, HalfSheet: {0.65, 0.5, 0.75, true}, Foil: {0.5, 0.2, 0.8, false},
}

// Liner is what a lot lies on.
func (l *Lot) Liner() Liner { return liners[l.Under] }

// Below narrows the films of the lower face by what lies under it, W/m²·K: of
// all heat, and the part that air carries.
func (l *Lot) Below(film, convect [2]float64) (f, c [2]float64) {
	u := l.Liner()
	film[1], convect[1] = film[1]*u.Heat, convect[1]*u.Steam
	return film, convect
}
