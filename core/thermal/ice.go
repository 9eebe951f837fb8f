package thermal

import "math"

// # Ice
//
// Food freezes over a range: of the water that is not bound, the share
// 1 − T_f/T is ice under its freezing point T_f, both in °C (Schwartzberg, J.
// Food Sci. 41, 1976; Chen, J. Food Sci. 50, 1985: an ideal solution near 0 °C).
// Enthalpy is then a function of temperature and of the water that can freeze,
// strictly rising, and each can be had from the other in closed form.
//
// In a step the heat balance is solved for that enthalpy: with the slope at a
// guess, and again from where the enthalpy that came of it lies, until both agree
// (Swaminathan and Voller, Metall. Trans. B 23, 1992). What was conducted is what
// the shells then hold, however far it was iterated. An apparent heat capacity
// alone would jump over the peak at T_f in one step.
//
// Water does not move in a shell with ice, nor out of it into its neighbours; its
// own surface takes up and gives off vapour at the pressure at 0 °C, which is no
// more heat than it gets. Ice conducts beside the rest, in parallel: that is within
// 5 % of the Maxwell–Eucken model to half of ice by volume, and over it above.

const (
	iceLatent = 333600.0 // J/kg at 0 °C
	iceHeat   = 2050.0   // J/kg·K, at −10 °C; ±3 % from −25 to 0
	iceGain   = iceHeat - waterHeat
	// iceConducts is what ice conducts more than the water that it was, W/m·K
	// (2.2 at −5 °C beside 0.57), by its share of the volume; iceDensity is
	// kg/m³.
	iceConducts = 1.63
	iceDensity  = 917.0
)

// Ice is how the water of a material freezes; the zero value never does.
type Ice struct {
	FreezesC float64 // where it begins to, under 0
	Bound    float64 // kg/kg fat-free dry that never does
	// Latent is the heat of its ice at 0 °C, J/kg; 0 means that of pure ice.
	Latent float64
	// Fixed is water beside that of the material, kg/m³, which stays where it is
	// and is ice or is not: that of bone.
	Fixed float64
}

// freezable is the water of a shell that can be ice, kg/m².
func (b *Body) freezable(j int) float64 {
	return b.fixed[j/2] + b.solids[j/2]*math.Max(0, b.x[j]-b.bound[j/2])
}

// icy says whether there is ice in a shell at t °C.
func (b *Body) icy(j int, t float64) bool { return t < b.freezes[j/2] }

// iceShare is the share of the freezable water that is ice at t °C, and how that
// grows with it.
func iceShare(t, freezes float64) (share, slope float64) {
	if !(t < freezes) {
		return 0, 0
	}
	return 1 - freezes/t, freezes / (t * t)
}

// lacks is the heat of a shell's freezable water at t °C beside that of as much
// liquid, J/m², and its slope.
func (b *Body) lacks(j int, t float64) (heat, slope float64) {
	s, ds := iceShare(t, b.freezes[j/2])
	if s == 0 {
		return 0, 0
	}
	m, l := b.freezable(j), iceGain*t-b.latent[j/2]
	return m * s * l, m * (ds*l + s*iceGain)
}

// coldAt is the temperature at which a shell has a heat, J/m² over 0 °C, where it
// holds c J/m²·K without ice.
func (b *Body) coldAt(j int, heat, c float64) float64 {
	m, freezes := b.freezable(j), b.freezes[j/2]
	if m == 0 || heat >= c*freezes {
		return heat / c
	}
	latent := b.latent[j/2]
	// c·t + m·(1 − f/t)·(g·t − L) = heat, times t.
	a := c + m*iceGain
	p := heat + m*(latent+iceGain*freezes)
	q := m * latent * freezes
	return (p - math.Sqrt(p*p-4*a*q)) / (2 * a)
}

// holds is the heat capacity of a shell without its ice, J/m²·K.
func (b *Body) holds(j int) float64 {
	return b.heat[j/2] + fatHeat*b.fat[j] + waterHeat*b.solids[j/2]*b.x[j]
}

// wets adds w kg/m² of water at to °C and heat J/m² beside to a shell at t °C
// that may have ice, and returns the heat at which it is then, °C.
func (b *Body) wets(j int, t, w, to, heat float64) float64 {
	was, _ := b.lacks(j, t)
	h := b.holds(j)*t + was + waterHeat*w*to + heat
	b.x[j] += w / b.solids[j/2]
	return b.coldAt(j, h, b.holds(j))
}

// conductsIce adds what the ice of a shell conducts. Where the next one outward has
// thawed, so has the part of it through which the heat comes: half of it counts.
func (b *Body) conductsIce(j int) {
	if s, _ := iceShare(b.t[j], b.freezes[j/2]); s > 0 {
		if out := j + 2; out < len(b.t) {
			next, _ := iceShare(b.t[out], b.freezes[out/2])
			s = (s + math.Min(s, next)) / 2
		}
		b.k[j] += iceConducts * s * b.freezable(j) / (iceDensity * b.g.volume[j/2])
	}
}

// A thaw is how far the heat balance of shells with ice has been iterated: the
// guess that it was made linear at, and what that put into it.
type thaw struct {
	at, heat, slope float64 // °C, J/m², J/m²·K, of a shell with its ice
	diag, rhs       float64
}

// most iterations of a step, and how nearly heat has to agree, in K of a shell
// without ice.
const (
	thaws     = 6
	thawsNear = 0.06
)

// linear makes the balance linear at the present guess of a shell with ice.
func (b *Body) linear(j int, t, heat, slope float64) {
	was, _ := b.lacks(j, b.t[j])
	i := &b.ice[j]
	i.at, i.heat, i.slope = t, heat, slope
	diag, rhs := slope-b.c[j], slope*t-heat+was
	b.sys.diag[j] += diag - i.diag
	b.keep[j] += rhs - i.rhs
	i.diag, i.rhs = diag, rhs
}

// freeze begins the balance of the shells with ice at what they were.
func (b *Body) freeze() {
	for j := range b.ice {
		b.ice[j] = thaw{}
		if t := b.t[j]; b.icy(j, t) {
			e, slope := b.lacks(j, t)
			b.linear(j, t, b.c[j]*t+e, b.c[j]+slope)
		}
	}
}

// thawOn takes the solution to the enthalpy that came of it, and says whether
// the balance has to be solved again from there; where it has not, the solution
// is that at which the shells hold what came in.
func (b *Body) thawOn(last bool) (again bool) {
	for j, t := range b.sys.rhs {
		i := &b.ice[j]
		if i.slope == 0 && !b.icy(j, t) {
			continue
		}
		heat := b.c[j] * t
		if i.slope != 0 {
			heat = i.heat + i.slope*(t-i.at)
		}
		at := b.coldAt(j, heat, b.c[j])
		e, _ := b.lacks(j, t)
		if !last && math.Abs(b.c[j]*t+e-heat) > thawsNear*b.c[j] {
			again = true
		}
		b.next[j] = at
	}
	if again {
		for j, t := range b.sys.rhs {
			if b.ice[j].slope == 0 && !b.icy(j, t) {
				continue
			}
			at := b.next[j]
			e, slope := b.lacks(j, at)
			b.linear(j, at, b.c[j]*at+e, b.c[j]+slope)
		}
		return true
	}
	for j, t := range b.sys.rhs {
		if b.ice[j].slope != 0 || b.icy(j, t) {
			b.sys.rhs[j] = b.next[j]
		}
	}
	return false
}
