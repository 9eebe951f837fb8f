package prep

import (
	"fmt"

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
