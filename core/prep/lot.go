package prep

import "velocrustum/core/food"

// A Lot is the pieces on the bench, all alike.
type Lot struct {
	Name   string // what it is called; by its cut where left out
	Cut    food.Cut
	Piece  food.Piece
	Pieces int
	PieceG float64
	// Wet is how wet they are as they came; empty is wiped.
	Wet food.Surface
	// Beside is the surface of other kinds in the basket, in 100 cm², and
	// BesideG what is eaten of them, g.
	Beside, BesideG float64
	// Bought says that it comes in its coat, or was cooked: it is not wiped,
	// coated or oiled here. ThawH is how long it thaws in the fridge first, hours;
	// 0 where it does not, and Frozen says that it goes in so.
	Bought, Frozen bool
	ThawH          float64
	// FridgeC is the air of the kitchen's fridge; nil where nobody measured it.
	FridgeC *float64
	// Bowls are the lots that are coated from the same bowls.
	Bowls SharedBowls
}

// SharedBowls are the other lots of a dish that are coated alike: what is put
// out serves all of them.
type SharedBowls struct {
	Surface   float64  // theirs, in 100 cm²
	Footprint float64  // of the largest piece of them, m²
	Names     []string // what they are called
	Later     bool     // one of them comes before this one
}

// fridge is the air in which it stands, °C.
func (l *Lot) fridge() float64 {
	if l.FridgeC == nil {
		return food.FridgeC
	}
	return *l.FridgeC
}

// LotOf returns pieces of a cut by their weight, g, and thickness, mm; 0 works
// it out from the weight.
func LotOf(cut food.Cut, pieceG, thicknessMm float64, pieces int) Lot {
	return Lot{Cut: cut, Piece: cut.Piece(pieceG, thicknessMm), Pieces: pieces, PieceG: pieceG}
}

// Called is what the lot is called.
func (l Lot) Called() string {
	switch {
	case l.Name != "":
		return l.Name
	case l.Pieces == 1:
		return l.Cut.Name
	}
	return l.Cut.Plural
}

// MassG is what all weigh raw, g, bones included.
func (l Lot) MassG() float64 { return l.PieceG * float64(l.Pieces) }

// EdibleG is that without bones.
func (l Lot) EdibleG() float64 { return l.MassG() * (1 - l.Cut.Bone) }

// Surface is that of all, in 100 cm².
func (l Lot) Surface() float64 { return float64(l.Pieces) * l.Piece.Surface * 100 }
