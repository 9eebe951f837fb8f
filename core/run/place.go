package run

import (
	"math"

	"velocrustum/core/crust"
	"velocrustum/core/fryer"
	"velocrustum/core/load"
	"velocrustum/core/safety"
	"velocrustum/core/thermal"
)

// A place is one kind of place in the basket, with a piece that stands for all
// that lie there.
type place struct {
	exposure fryer.Exposure
	pieces   float64 // how many it stands for
	massG    float64 // of one, raw, with its coat

	// body is the middle, which decides what is safe and whose faces are
	// seen; edge, nil for a ball, the edges and thin ends.
	body, edge         *thermal.Body
	bodyArea, edgeArea float64 // m², of one piece
	// twin says that edge is no edge but a second middle, which counts alike.
	twin bool
	// lies are what it finds in each fryer that the load goes through.
	lies []lying
	// bodySees and edgeSees are what of a flux on its footprint, m², a face of
	// each part gets per m².
	footprint, bodySees, edgeSees float64
	up                            int // the face that looks up
	brown                         [2]crust.Browner
	// ends are those of pieces at the two ends of a basket, by the end and the face, where
	// it is known to brown quicker at one of them; brown is that of the middle.
	ends     [2][2]crust.Browner
	sugarPct [2]float64 // brushed on, of what is there
	sauce    [2]sauceFilm
	lacquer  [2]bool    // a face under sugar that dries to a glass
	lacquerC [2]float64 // the hottest that it was, °C

	watch        safety.Watch
	coldC        float64 // of the coldest spot, °C
	reductions   float64 // decimal, of what the rule is about
	crust        float64 // of the softer face, when last judged
	flesh0, fat0 float64 // water and firm fat of the raw piece, kg

	// Minutes, NaN for not yet.
	safeAt, tenderAt, crispAt, overAt float64
	over                              load.Overdone
}

// A lying is how a place is in one fryer.
type lying struct {
	exposure fryer.Exposure
	pieces   float64
}

// looksUp spreads what falls on a piece's footprint, m², over its faces: all of
// it on the middle, and on the edges what is over.
func (p *place) looksUp(footprint float64) {
	half := p.bodyArea / 2
	p.footprint, p.bodySees = footprint, min(1, footprint/half)
	if p.edge != nil {
		p.edgeSees = max(0, footprint-p.bodySees*half) / (p.edgeArea / 2)
	}
}

// sky is what a face sees of the roof where it lies now.
func (p *place) sky(face int) float64 {
	if face == p.up {
		return p.exposure.Sky[0]
	}
	return p.exposure.Sky[1]
}

// both returns the sum of a figure per m² over both parts of a piece.
func (p *place) both(figure func(*thermal.Body) float64) float64 {
	v := p.bodyArea * figure(p.body)
	if p.edge != nil {
		v += p.edgeArea * figure(p.edge)
	}
	return v
}

// firmFat returns the fat that has not melted, kg/m².
func firmFat(b *thermal.Body) float64 { _, f := b.Fat(); return f }

// film returns the heat transfer on a face where it lies now.
func (p *place) film(face int, film [2]float64) float64 {
	if face == p.up {
		return film[0] * p.exposure.Upper
	}
	return film[1] * p.exposure.Lower
}

// feel takes the coldest spot's heat at a minute, so many minutes after it was
// last felt, into what the rule and its pathogen make of it.
func (p *place) feel(minute, since float64, pathogen safety.Pathogen) {
	core := p.coldest()
	if math.IsNaN(p.safeAt) {
		p.safeAt = p.watch.Add(minute, core)
	}
	p.reductions += pathogen.Reduction(min(core, p.coldC), since)
	p.coldC = core
}

// coldest is the heat of its coldest spot, °C.
func (p *place) coldest() float64 {
	if p.twin {
		return min(p.body.Coldest(), p.edge.Coldest())
	}
	return p.body.Coldest()
}

// How good a lacquered face is, on the scale of crispness, by the water at its very
// surface, kg/kg: set, sticky as a good glaze, wet as it was put on (own judgement of
// what cooks call sticky, ±0.1). Set, it cracks when it is cold if it was at brittleC:
// sugar boils at 130 °C with a twentieth of water left (sugar work's soft crack).
var (
	lacquerWater = []float64{0.10, 0.40, 1.00}
	lacquerGood  = []float64{85, 65, 0}
)

const brittleC = 130.0

// Lacquers a face may have.
const (
	LacquerWet     = "wet"
	LacquerSticky  = "sticky"
	LacquerBrittle = "brittle"
)

// lacquered words a face's lacquer, "" where it has none.
func (p *place) lacquered(face int) string {
	switch water := p.body.SurfaceWater(face); {
	case !p.lacquer[face]:
		return ""
	case water <= lacquerWater[0] && p.lacquerC[face] >= brittleC:
		return LacquerBrittle
	case p.crustOf(face) >= crust.Crisp:
		return LacquerSticky
	}
	return LacquerWet
}

// crustOf is the crispness of a face, of two middles the softer; of a lacquered one
// how far its glass has set, where that is more: crisp is not asked of it.
func (p *place) crustOf(face int) float64 {
	if p.lacquer[face] {
		water := min(1, p.body.SurfaceWater(face))
		good := lacquerGood[0]
		for i := 1; i < len(lacquerWater); i++ {
			if from, to := lacquerWater[i-1], lacquerWater[i]; water > from {
				good = lacquerGood[i-1] + (lacquerGood[i]-lacquerGood[i-1])*min(1, (water-from)/(to-from))
			}
		}
		return max(good, crust.Crispness(p.body.Crust(face)))
	}
	dry := p.body.Crust(face)
	if p.twin {
		dry = min(dry, p.edge.Crust(face))
	}
	return crust.Crispness(dry)
}

// softer and crisper are the crispness of its faces.
func (p *place) softer() float64 { return min(p.crustOf(0), p.crustOf(1)) }

func (p *place) crisper() float64 { return max(p.crustOf(0), p.crustOf(1)) }

// juicePct is the percent of the flesh's own water that is still there.
func (p *place) juicePct() float64 { return 100 * p.both((*thermal.Body).FleshWater) / p.flesh0 }

// massLossPct is the loss in percent of the raw piece with its coat.
func (p *place) massLossPct() float64 {
	return 100 * p.both(func(b *thermal.Body) float64 {
		l := b.Ledger()
		return l.Vapour + l.Drip + l.Fat
	}) * 1000 / p.massG
}

// tip is what a thermometer has whose tip lies so many mm off the coldest spot of
// a piece so thick, m, towards its hotter face, °C; never nearer to the surface
// than a third of the way, which a cook would see. away is how far it lies, m.
func (p *place) tip(mm, thickness float64) (c, away float64) {
	whole := thickness / 2
	away = math.Min(mm/1000, whole*2/3)
	c = p.coldest()
	in := p.body
	if p.twin && p.edge.Coldest() < p.body.Coldest() {
		in = p.edge
	}
	for face := range 2 {
		line := in.Profile(face)
		for i := 1; i < len(line); i++ {
			if line[i][0] >= whole-away {
				f := (whole - away - line[i-1][0]) / (line[i][0] - line[i-1][0])
				c = math.Max(c, line[i-1][1]*(1-f)+line[i][1]*f)
				break
			}
		}
	}
	return c, away
}

// later says whether a comes after b, where NaN is never.
func later(a, b float64) bool {
	if math.IsNaN(a) {
		return !math.IsNaN(b)
	}
	return a > b
}

func bothNever(a, b float64) bool { return math.IsNaN(a) && math.IsNaN(b) }
