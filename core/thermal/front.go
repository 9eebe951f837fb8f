package thermal

import "math"

// evaporate sets up one face of the water balance.
//
// Water evaporates where vapour can leave from: at the very surface while
// the outer shell is wet, and as shells dry, from the front below them,
// through their pores. Seen from outside, a shell hides some of what lies
// under it, the more the wetter and thicker it is, so that a front moves
// inward without jumps. What leaves from a shell at depth goes down the pressure
// a(x)·p_sat(T) of that shell to the air's, through its own dry part, the
// dry shells above it and the film in series: pores hold next to no vapour,
// so that flow through them is steady (Whitaker, Adv. Heat Transfer 13,
// 1977; Datta, J. Food Eng. 80, 2007).
//
// At the surface what evaporates, κ·(a(xs)·p_sat(T) − p), equals what comes
// up through half a shell by G·(x − xs): xs is found first, and what leaves
// is then linear in the shell's x. κ follows from the convective h by
// Chilton–Colburn with ρ·cp of air at the film temperature and a Lewis
// number of 0.86 to the two thirds.
func (b *Body) evaporate(c *face, f int, dt, shrink float64, air Air) {
	g, s := b.g, &b.sys
	n := g.n
	j := 2*(n-1) + f
	ts, x := b.surf[f], b.x[j]
	film := (ts+air.T)/2 + 273.15
	c.kappa = shrink * air.Convect[f] / (b.sky.pressure / 287.1 / film * 1010 * 0.905) / (gasConstantSteam * film)
	supply := b.k[j] / g.outer[n-1]
	sat, rise := saturation.both(ts)
	demand := c.kappa * sat
	xs := surfaceContent(b.dry[f], x, supply, demand, c.kappa*air.Vapour)
	b.dry[f] = xs
	a, da := activitySlope(xs)
	dry := 0.0 // share of the front that lies deeper
	if b.pores[n-1] > 0 {
		dry = b.seenThrough(n-1, x)
	}
	damp := supply / (supply + demand*da + 1e-300)
	c.leaves = (1 - dry) * (demand*a - c.kappa*air.Vapour)
	// The chord keeps a nearly dry shell from being overdrawn.
	c.slope = math.Max((1-dry)*demand*da*damp, c.leaves/math.Max(x, 1e-6))
	// Hotter, more leaves, but no more than comes up from below.
	c.hot = (1 - dry) * c.kappa * a * rise * damp
	s.diag[j] += dt * c.slope
	s.rhs[j] -= dt * (c.leaves - c.slope*x)

	b.front[f] = n - 1
	above := 1 / (c.kappa + 1e-30) // resistance up to the air, Pa per kg/m²·s
	if dry > 0 {
		above += dryShare(x) * (g.outer[n-1] + g.inner[n-1]) / (vapourMoves.at(b.t[j]) * b.sky.thin * b.pores[n-1])
	}
	for i := n - 2; i >= g.first && dry >= leastFront; i-- {
		k := 2*i + f
		x := b.x[k]
		sat, rise := saturation.both(b.t[k])
		if b.pores[i] == 0 {
			// What is not loose ends the way in: it evaporates from its own
			// surface, as a bare face does.
			v := dry / above
			supply := b.k[k] / g.outer[i]
			xs := surfaceContent(b.under[f], x, supply, v*sat, v*air.Vapour)
			b.under[f] = xs
			a, da := activitySlope(xs)
			damp := supply / (supply + v*sat*da + 1e-300)
			gives := v * (a*sat - air.Vapour)
			slope := math.Max(v*sat*da*damp, gives/math.Max(x, 1e-6))
			b.gives[k], b.givesX[k], b.givesT[k] = gives, slope, v*a*rise*damp
			s.diag[k] += dt * slope
			s.rhs[k] -= dt * (gives - slope*x)
			b.front[f] = i
			return
		}
		d := b.seenThrough(i, x)
		across := dryShare(x) / (vapourMoves.at(b.t[k]) * b.sky.thin * b.pores[i])
		v := dry * (1 - d) / (above + across*g.outer[i])
		a, da := activitySlope(x)
		gives := v * (a*sat - air.Vapour)
		slope := math.Max(v*sat*da, gives/math.Max(x, 1e-6))
		b.gives[k], b.givesX[k], b.givesT[k] = gives, slope, v*a*rise
		s.diag[k] += dt * slope
		s.rhs[k] -= dt * (gives - slope*x)
		b.front[f] = i
		dry *= d
		above += across * (g.outer[i] + g.inner[i])
	}
}

// leastFront is the share of a front that is followed inward.
const leastFront = 0.005

// dryShare is the share of a shell's pores that water has left.
func dryShare(x float64) float64 { return poresHalf * poresHalf / (x*x + poresHalf*poresHalf) }

// seenThrough is the share of the front that lies deeper than a shell: what
// is wet hides it within frontDepth, and shells hide it in proportion to
// their thickness, however many they are.
func (b *Body) seenThrough(i int, x float64) float64 {
	q := x / poresHalf
	q *= q
	// (1 + τ/8)⁻⁸ for exp(−τ): within 0.05, and no exponential a shell.
	e := 1 + b.g.width[i]/(8*frontDepth)*q*q
	e *= e
	e *= e
	return 1 / (e * e)
}

// surfaceContent solves demand·a(xs) − back = supply·(x − xs) for xs, from a
// guess: Newton's steps, kept inside a bracket, since both sides are
// monotone.
func surfaceContent(guess, x, supply, demand, back float64) float64 {
	lo, hi := 0.0, x+back/math.Max(supply, 1e-12)
	xs := math.Min(math.Max(guess, lo), hi)
	for range 12 {
		a, rise := activitySlope(xs)
		f := demand*a - back - supply*(x-xs)
		if f > 0 {
			hi = xs
		} else {
			lo = xs
		}
		next := xs - f/(demand*rise+supply)
		if !(next > lo && next < hi) {
			next = (lo + hi) / 2
		}
		if math.Abs(next-xs) < 1e-5 {
			return next
		}
		xs = next
	}
	return xs
}
