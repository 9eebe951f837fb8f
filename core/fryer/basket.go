package fryer

import "math"

// A BasketShape is the outline of a basket.
type BasketShape string

const (
	Rectangle BasketShape = "rectangle"
	Round     BasketShape = "round"
)

// A Basket is the area that food lies on, inside measure.
type Basket struct {
	Shape      BasketShape `json:"shape"`
	WidthMm    float64     `json:"widthMm,omitempty"`
	DepthMm    float64     `json:"depthMm,omitempty"`
	DiameterMm float64     `json:"diameterMm,omitempty"`
}

// Area returns the basket's floor, m².
func (b Basket) Area() float64 {
	if b.Shape == Round {
		return math.Pi / 4 * b.DiameterMm * b.DiameterMm * 1e-6
	}
	return b.WidthMm * b.DepthMm * 1e-6
}

// FreeCoverage is the share of the floor up to which pieces do not hinder
// the air around one another.
const FreeCoverage = 0.66

// An Exposure scales the film on the upward and downward faces of a class of
// pieces.
type Exposure struct {
	Upper, Lower float64
	// Share is the class's share of the pieces.
	Share float64
	// Sky is what its upward and downward faces see of the roof, 0 to 1.
	Sky [2]float64
}

// Exposures splits a load by its coverage (footprints over floor) into
// classes. Up to two thirds all faces are as good as free (a few percent go
// to the neighbours' wakes); from there to full, sides and lower faces lose
// air; beyond, what lies on top shades what lies below.
func Exposures(coverage float64) []Exposure {
	crowd := math.Min(1, math.Max(0, (coverage-FreeCoverage)/(1-FreeCoverage)))
	some := math.Min(1, coverage)
	one := Exposure{Upper: (1 - 0.04*some) * (1 - 0.10*crowd), Lower: (1 - 0.08*some) * (1 - 0.35*crowd), Share: 1, Sky: [2]float64{1, 0}}
	if coverage <= 1 {
		return []Exposure{one}
	}
	// Beyond one layer: the top lies on food, the bottom under it.
	over := math.Min(1, coverage-1)
	deep := math.Max(0, coverage-2)
	top := Exposure{Upper: one.Upper, Lower: one.Lower * (1 - 0.45*over), Share: 1 / coverage, Sky: one.Sky}
	under := Exposure{
		Upper: one.Upper * (1 - 0.62*over) / (1 + 0.5*deep),
		Lower: one.Lower * (1 - 0.10*over) / (1 + 0.3*deep),
		Share: 1 - 1/coverage,
		Sky:   [2]float64{1 - over, 0},
	}
	return []Exposure{top, under}
}

// nested is how much of a basket's floor counts as covered when as many
// pieces lie in it as boxes around them would fit: round pieces nestle, so a
// quarter more go in before a second layer begins.
const nested = 0.8

// Coverage returns how full the basket is with n pieces of a size, from 0;
// over 1 is more than one layer. It is the larger of the share of the floor
// under the pieces and of what a packing of them allows: a few long pieces
// fill a basket long before its floor is covered. It grows without jumps in
// all it depends on: what fits is a mean over hands that lay pieces
// differently, not a whole number.
func (s Spec) Coverage(lengthMm, widthMm, footprint float64, n int) float64 {
	levels := float64(max(1, s.Levels))
	floor := float64(n) * footprint / s.Basket.Area()
	packed := nested * float64(n) / s.Basket.fits(lengthMm, widthMm)
	return math.Max(floor, packed) / levels
}

// fits is how many boxes of a size lie in one layer in the mean: side by side
// along each side of the basket, or of the square of a round one's area, with
// up to two fifths of a box of waste.
func (b Basket) fits(lengthMm, widthMm float64) float64 {
	length, width := b.fit(lengthMm, widthMm)
	w, d := b.sides()
	wall := 1.0
	if b.Shape == Round {
		wall = 1 - 0.35*(length/w)*(length/w)
		w *= math.Sqrt(math.Pi) / 2
		d = w
	}
	along := func(side, box float64) float64 {
		if x := side / box; x > 1 {
			return x - 0.7*(1-1/x)
		} else {
			return x
		}
	}
	return wall * math.Max(along(w, length)*along(d, width), along(d, length)*along(w, width))
}

// lower is the share of the air that each level further down still gets: the
// fan is on top, and food above takes heat and sheds steam.
var lower = [...]float64{1, 0.88, 0.80, 0.75}

// Exposures splits a load over levels and layers into classes of pieces. A
// rack's upper level hangs in moving air, so only what lies below it loses.
func (s Spec) Exposures(coverage float64) (all []Exposure) {
	levels := max(1, s.Levels)
	for level := range levels {
		for _, e := range Exposures(coverage) {
			e.Upper *= lower[level]
			e.Lower *= lower[level]
			if level > 0 {
				e.Sky[0] *= lowerSees
			}
			e.Share /= float64(levels)
			all = append(all, e)
		}
	}
	return all
}

// Shaken returns the exposures after a shake: it lands every piece anew, on
// a face of chance and in a layer of chance, so that from then on each face
// of each class has the load's mean. The classes' shares add up to one.
func Shaken(classes []Exposure, film [2]float64) []Exposure {
	mean, sky := 0.0, 0.0
	for _, c := range classes {
		sky += c.Share * (c.Sky[0] + c.Sky[1]) / 2
		mean += c.Share * (c.Upper*film[0] + c.Lower*film[1]) / 2
	}
	out := make([]Exposure, len(classes))
	for i, c := range classes {
		out[i] = Exposure{Upper: mean / film[0], Lower: mean / film[1], Share: c.Share, Sky: [2]float64{sky, sky}}
	}
	return out
}
