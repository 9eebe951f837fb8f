package prep

import (
	"fmt"

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
	// Scored pieces are cut across their thickness every two centimetres:
	// heat and salt have less far to go.
	Scored bool `json:"scored,omitempty"`
}

// scoredThin is the thickness that scored pieces are like, of their own: cuts
// a third deep on both sides (own judgement, ±0.07).
const scoredThin = 0.85

// MayScore says whether a cut is scored by cooks.
func MayScore(c food.Cut) bool {
	return c.ID == "fish-whole" || c.ID == "duck-leg" || c.ID == "pork-belly-slice" || c.ID == "chicken-leg-quarter"
}

// making is how one cut is made into another.
func making(cut, to string) (Making, bool) {
	for _, m := range made[cut] {
		if m.To == to {
			return m, true
		}
	}
	return Making{}, false
}

// Left is what is over when a cut is made into another.
type Left struct {
	Name  string  `json:"name"`
	Share float64 `json:"share"` // of the weight before
	// Each is how many of it come of one piece; 0 is not counted.
	Each int    `json:"each,omitempty"`
	Use  string `json:"use"` // what it is good for
}

// A Making is one way of making a cut into another.
type Making struct {
	To     string  `json:"to"`
	Says   string  `json:"says"`
	Share  float64 `json:"share"`  // of a piece's weight that a new piece has
	Pieces int     `json:"pieces"` // new ones from one
	// FillG is what is filled into each new piece, g.
	FillG float64 `json:"fillG,omitempty"`
	Left  []Left  `json:"left,omitempty"`
}

// made lists what a cut can be made into with a knife, what share of a piece
// is left of it, and what is over. Source: yields by own weighings, ±10 % of
// the piece.
var made = map[string][]Making{
	"prawn": {{To: "prawn-butterflied", Says: "Butterfly them", Share: 1, Pieces: 1}, {To: "prawn-wrapped", Says: "Wrap them", Share: 1.75, Pieces: 1}},
	"chicken-drumstick": {{To: "chicken-drumstick-frenched", Says: "French them", Share: 0.95, Pieces: 1,
		Left: []Left{{"skin and sinew", 0.05, 0, "for stock"}}}},
	"chicken-thigh-bone-in": {{To: "chicken-thigh-boneless", Says: "Bone and skin them", Share: 0.68, Pieces: 1,
		Left: []Left{{"bones", 0.15, 1, "for stock"}, {"skin", 0.14, 1, "laid flat it crisps by itself"}, {"trimmings", 0.03, 0, "for stock"}}}},
	"chicken-thigh-boneless": {{To: "chicken-thigh-chunk", Says: "Cut them into chunks", Share: 0.16, Pieces: 6,
		Left: []Left{{"fat and sinew", 0.04, 0, "away with it"}}}},
	"chicken-breast-cutlet": {{To: "chicken-breast-chunk", Says: "Cut them into chunks", Share: 0.142, Pieces: 7}},
	"chicken-wing-whole": {
		{To: "chicken-wing-flat", Says: "Joint them, flats for the basket", Share: 0.42, Pieces: 1,
			Left: []Left{{"drumettes", 0.46, 1, "set aside: they fry alike, in a basket of their own"}, {"tips", 0.12, 1, "for stock"}}},
		{To: "chicken-wing-stuffed", Says: "Bone and stuff the flats", Share: 0.47, Pieces: 1, FillG: 22,
			Left: []Left{{"drumettes", 0.46, 1, "set aside: they fry unstuffed, in a basket of their own"}, {"bones", 0.07, 2, "for stock"}}},
	},
	"fish-fillet-white": {{To: "fish-strip", Says: "Cut them into fingers", Share: 0.25, Pieces: 4}},
}

// Makings returns what a cut can be made into.
func Makings(cut string) []Making { return made[cut] }

// Make returns how many pieces of what weight come of making a cut into
// another, or refuse.Fields.
func Make(cut, to string, pieces int, pieceG float64) (int, float64, error) {
	var known []string
	for _, m := range made[cut] {
		if m.To == to {
			return pieces * m.Pieces, pieceG*m.Share + m.FillG, nil
		}
		known = append(known, m.To)
	}
	return 0, 0, refuse.One("cutting.as", fmt.Sprintf("%q", to), fmt.Sprintf("what a %s can be made into: %v", cut, known))
}
