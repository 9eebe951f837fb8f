package program

import (
	"math"

	"velocrustum/core/crust"
	"velocrustum/core/fryer"
	"velocrustum/core/safety"
	"velocrustum/core/thermal"
)

// class is one kind of place in the basket, with a piece that stands for
// all in it.
type class struct {
	// body is the middle, which decides what is safe and whose faces are
	// seen; edge, nil for a ball, the edges and thin ends.
	body, edge         *thermal.Body
	bodyArea, edgeArea float64 // m², of one piece
	pieces             float64
	massG              float64 // raw, with coat
	exposure           fryer.Exposure
	up                 int // the face that looks up
	brown              [2]crust.Browner
	sugar              [2]float64 // brushed on, percent of what is there
	lies               [2]film    // sauce over a face
	watch              safety.Watch
	crust              float64 // of the softer face, when last judged
	tenderAt           float64
	safeAt             float64
	crispAt            float64
	overAt             float64
	over               string
	deaths             float64 // decimal reductions
	lastC              float64
	flesh0             float64
	fat0               float64
}

// both returns the sum of a figure per m² over both parts of a piece.
func (c *class) both(figure func(*thermal.Body) float64) float64 {
	v := c.bodyArea * figure(c.body)
	if c.edge != nil {
		v += c.edgeArea * figure(c.edge)
	}
	return v
}

// firm returns the fat that has not melted, kg/m².
func firm(b *thermal.Body) float64 { _, f := b.Fat(); return f }

// expose moves one class on by dt from second t in the given air. Returns
// what one piece took and gave, W and kg/s.
func (r *run) expose(c *class, t, dt float64, air thermal.Air, film, convect [2]float64) thermal.Flow {
	for face := range 2 {
		air.H[face] = r.rough * c.film(face, film)
		hold := oilHolds * r.oiled * min(1, max(0, (90-c.body.Surface(face))/30))
		air.Convect[face] = r.rough * c.film(face, convect) * (1 - hold)
	}
	if c.lies[0].water > 0 || c.lies[1].water > 0 {
		c.saucy(dt, &air)
	}
	flow := c.body.Step(dt, air)
	flow.Heat *= c.bodyArea
	flow.Vapour *= c.bodyArea
	if c.edge != nil {
		e := c.edge.Step(dt, air)
		flow.Heat += c.edgeArea * e.Heat
		flow.Vapour += c.edgeArea * e.Vapour
	}
	for face := range 2 {
		c.brown[face].Add(dt, c.body.Surface(face), c.body.SurfaceWater(face))
	}
	core := c.body.Coldest()
	if math.IsNaN(c.safeAt) {
		c.safeAt = c.watch.Add((t+dt)/60, core)
	}
	c.deaths += r.pathogen.Reduction(min(core, c.lastC), dt/60)
	c.lastC = core
	return flow
}

// film returns the heat transfer on a face where it lies now.
func (c *class) film(face int, film [2]float64) float64 {
	if face == c.up {
		return film[0] * c.exposure.Upper
	}
	return film[1] * c.exposure.Lower
}

// judge notes when a class turned crisp or was overdone, at minute m, the
// given minutes after it was last asked.
func (r *run) judge(m, since float64) {
	limit, why := r.limit()
	if r.glazed && !r.cut.Starchy {
		limit, why = crust.BitterLimit, "bitter"
	}
	for i := range r.classes {
		c := &r.classes[i]
		if math.IsNaN(c.tenderAt) && c.lastC >= r.cut.Tender {
			c.tenderAt = m
		}
		if math.IsNaN(c.crispAt) {
			now := r.crustOf(c)
			if now >= r.crust {
				c.crispAt = m
				if now > c.crust {
					c.crispAt -= since * (now - r.crust) / (now - c.crust)
				}
			}
			c.crust = now
		}
		if math.IsNaN(c.overAt) {
			switch {
			case max(c.brown[0].Stage, c.brown[1].Stage) > limit:
				c.overAt, c.over = m, why
			case r.juice(c) < r.cut.Juice:
				c.overAt, c.over = m, "dry"
			}
		}
	}
}

// crustOf returns the crispness of a class's softer face.
func (r *run) crustOf(c *class) float64 {
	return crust.Crispness(min(c.body.Crust(0), c.body.Crust(1)))
}

// juice returns the percent of the flesh's own water that is still there.
func (r *run) juice(c *class) float64 { return 100 * c.both((*thermal.Body).FleshWater) / c.flesh0 }

// massLoss returns the loss in percent of the raw piece with its coat.
func (r *run) massLoss(c *class) float64 {
	return 100 * c.both(func(b *thermal.Body) float64 {
		l := b.Ledger()
		return l.Vapour + l.Drip + l.Fat
	}) * 1000 / c.massG
}

// slowest returns the class whose answer counts for the load: the last to be
// safe, then the last to be crisp, then the coldest.
func (r *run) slowest() *class {
	worst := &r.classes[0]
	for i := 1; i < len(r.classes); i++ {
		c := &r.classes[i]
		if later(c.safeAt, worst.safeAt) || (c.safeAt == worst.safeAt || bothNaN(c.safeAt, worst.safeAt)) && (later(c.crispAt, worst.crispAt) || c.lastC < worst.lastC) {
			worst = c
		}
	}
	return worst
}

func bothNaN(a, b float64) bool { return math.IsNaN(a) && math.IsNaN(b) }

// later says whether a comes after b, where NaN is never.
func later(a, b float64) bool {
	if math.IsNaN(a) {
		return !math.IsNaN(b)
	}
	return a > b
}
