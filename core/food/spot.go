package food

// A Spot is one of two places in a piece where the coldest flesh may be: the breast
// and the thigh of a bird.
type Spot struct {
	Name  string
	Share float64 // of the piece's volume
	// Thick is its thickness in that of the piece; Length and Width are in its own.
	Thick, Length, Width float64
	Flesh                Composition
	Bone                 float64
}

// spotColumns are the columns of a piece with two coldest spots: each a middle of its
// own, without its edges, so that it is never warmed sooner than it is.
func (c Cut) spotColumns(p Piece, coat Coating, saltPct, film float64) (out []Column) {
	for _, s := range c.Spots {
		t := s.Thick * p.Thickness
		of := c
		of.Flesh, of.Bone, of.Spots = s.Flesh, s.Bone, nil
		of.Length, of.Width = s.Length, s.Width
		own := NewPiece(Ellipsoid, s.Length*t, s.Width*t, t)
		r := own.Half()
		e := own.middle(r, film*r/fleshConducts)
		col := of.column(Part{Shape: e, Share: s.Share}, 0, r, p.Volume, saltPct, coat)
		out = append(out, col)
	}
	return out
}

// SpotNames are what its coldest spots are called, nil where there is one.
func (c Cut) SpotNames() (out []string) {
	for _, s := range c.Spots {
		out = append(out, s.Name)
	}
	return out
}
