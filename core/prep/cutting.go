package prep

import (
	"fmt"
	"math"

	"velocrustum/core/food"
	"velocrustum/core/refuse"
)

// Cutting is how the pieces are made.
type Cutting struct {
	WholeG    float64 `json:"wholeG,omitempty"`    // what is cut up
	SpreadPct float64 `json:"spreadPct,omitempty"` // how uneven the pieces are
	SliceMm   float64 `json:"sliceMm,omitempty"`   // width of a slice of a wrap
	// Pieces is how many are cut from WholeG; 0 leaves those of the plan.
	Pieces int `json:"pieces,omitempty"`
	// As is the cut that the pieces are made into: boned, frenched,
	// butterflied, stuffed, cut up. Empty leaves them.
	As string `json:"as,omitempty"`
}

// made lists what a cut can be made into with a knife, and what share of a
// piece is left of it.
var made = map[string][]Making{
	"prawn":                  {{"prawn-butterflied", "Butterfly them", 1, 1}, {"prawn-wrapped", "Wrap them", 1.75, 1}},
	"chicken-drumstick":      {{"chicken-drumstick-frenched", "French them", 0.95, 1}},
	"chicken-thigh-bone-in":  {{"chicken-thigh-boneless", "Bone and skin them", 0.68, 1}},
	"chicken-thigh-boneless": {{"chicken-thigh-chunk", "Cut them into chunks", 0.16, 6}},
	"chicken-breast-cutlet":  {{"chicken-breast-chunk", "Cut them into chunks", 0.142, 7}},
	"chicken-wing-whole":     {{"chicken-wing-stuffed", "Bone and stuff them", 0.95, 1}},
	"fish-fillet-white":      {{"fish-strip", "Cut them into fingers", 0.25, 4}},
}

// A Making is one way of making a cut into another.
type Making struct {
	To     string  `json:"to"`
	Says   string  `json:"says"`
	Share  float64 `json:"share"`  // of a piece's weight that a new piece has
	Pieces int     `json:"pieces"` // new ones from one
}

// Makings returns what a cut can be made into.
func Makings(cut string) []Making { return made[cut] }

// Make returns how many pieces of what weight come of making a cut into
// another, or refuse.Fields.
func Make(cut, to string, pieces int, pieceG float64) (int, float64, error) {
	var known []string
	for _, m := range made[cut] {
		if m.To == to {
			return pieces * m.Pieces, pieceG * m.Share, nil
		}
		known = append(known, m.To)
	}
	return 0, 0, refuse.One("cutting.as", fmt.Sprintf("%q", to), fmt.Sprintf("what a %s can be made into: %v", cut, known))
}

// Portion returns the weight of each of the pieces cut from a whole, or those
// of the plan where nothing is cut up.
func (c *Cutting) Portion(pieces int, pieceG float64) (int, float64) {
	if c == nil || c.WholeG == 0 || c.Pieces == 0 {
		return pieces, pieceG
	}
	return c.Pieces, c.WholeG / float64(c.Pieces)
}

// cut says how many pieces and how large, what goes into them and what
// around them. It is there when something of it is asked or is in the cut.
func (w *Worked) cut(cut food.Cut, piece food.Piece, pieces int, pieceG float64, coatID string, c *Cutting) {
	wrapped := coatID == "wrap" || cut.ID == "prawn-wrapped"
	if c == nil {
		if cut.Stuffing == 0 && !wrapped {
			return
		}
		c = &Cutting{}
	}
	s := Station{ID: "cut", Title: "Cut", Cautions: []string{}}
	s.Headline = fmt.Sprintf("%d %s of %.0f g, %.0f mm thick", pieces, plural(pieces, cut.Name, cut.Plural), pieceG, piece.Thickness*1000)
	if c.WholeG > 0 {
		from := int(math.Floor(c.WholeG/pieceG + 1e-9))
		s.Why = fmt.Sprintf("%.0f g make %d of them, with %.0f g over. ", c.WholeG, from, c.WholeG-float64(from)*pieceG)
	}
	if cut.Stuffing > 0 {
		each := pieceG * cut.Stuffing
		s.Why += fmt.Sprintf("Stuff each with %.0f g, %.0f g in all. ", each, each*float64(pieces))
		s.Cautions = append(s.Cautions, "A stuffing has to reach its own temperature, the poultry's; stuff just before frying.")
	}
	if wrapped {
		// A slice goes around once, with a fifth over for the seam.
		wide := c.SliceMm
		if wide == 0 {
			wide = 30
		}
		girth := math.Pi * (piece.Width + piece.Thickness) / 2 * 1000
		each := math.Max(1, math.Round(piece.Length*1000/wide))
		s.Why += fmt.Sprintf("Around each: %.0f %s of %.0f mm, %.0f mm long, seam down. ", each, plural(int(each), "slice", "slices"), wide, math.Ceil(1.2*girth))
	}
	if c.SpreadPct > 0 {
		w.Effects.SpreadPct = c.SpreadPct
		s.Why += fmt.Sprintf("Nineteen in twenty within %.0f %% of that: the thickest decides when all are safe, the thinnest when the first is dry.", c.SpreadPct)
	} else {
		s.Why += "Even pieces cook evenly."
	}
	w.Stations = append(w.Stations, s)
}
