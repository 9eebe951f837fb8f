package thermal

import "math"

// Step moves the piece on by dt s in the given air.
func (b *Body) Step(dt float64, air Air) Flow {
	g, n := b.g, b.g.n
	shrink := 1 - shrinkShare*(b.ledger.Vapour+b.ledger.Drip)/1000/b.volume
	shrink = math.Cbrt(shrink * shrink)
	out := 2 * (n - 1)

	// Water. Each face's evaporation is κ·(a(xs)·p_sat(T) − p), supplied
	// through half a shell by G·(x − xs): xs, at the very surface, is found
	// first, and what leaves is then linear in the shell's x.
	var kappa, moist, activity, damp [2]float64
	s := &b.sys
	if !air.Adiabat {
		b.fillWater(dt)
		for face := range 2 {
			j := out + face
			ts := b.surf[face]
			film := (ts+air.T)/2 + 273.15
			// Chilton–Colburn with ρ·cp of air at the film temperature
			// and a Lewis number of 0.86 to the two thirds.
			kappa[face] = shrink * air.Convect[face] / (StandardPressure / 287.1 / film * 1010 * 0.905) / (gasConstantSteam * film)
			x := b.x[j]
			supply := b.k[j] / g.outer[n-1]
			demand := kappa[face] * saturation.at(ts)
			xs := surfaceContent(b.dry[face], x, supply, demand, kappa[face]*air.Vapour)
			b.dry[face] = xs
			a, rise := activitySlope(xs)
			leaves := demand*a - kappa[face]*air.Vapour
			activity[face] = a
			damp[face] = supply / (supply + demand*rise)
			// The chord keeps a nearly dry shell from being overdrawn.
			slope := math.Max(demand*rise*damp[face], leaves/math.Max(x, 1e-6))
			s.diag[j] += dt * slope
			s.rhs[j] -= dt * (leaves - slope*x)
			moist[face] = leaves
			b.slope[face] = slope
		}
		s.solve()
		for face := range 2 {
			moist[face] += b.slope[face] * (s.rhs[out+face] - b.x[out+face])
		}
		b.carry(dt, moist)
	}

	// Heat.
	b.fillHeat(dt, air.Adiabat)
	var hs, gs, base, slopeM, m0 [2]float64
	for face := range 2 {
		j := out + face
		hs[face] = shrink * air.H[face]
		gs[face] = b.k[j] / g.outer[n-1]
		if !air.Adiabat {
			_, dp := saturation.both(b.surf[face])
			m0[face] = moist[face]
			// Hotter, more leaves, but no more than comes up from below.
			slopeM[face] = kappa[face] * activity[face] * dp * damp[face]
		}
		L := LatentHeat(b.surf[face])
		whole := hs[face] + gs[face] + L*slopeM[face]
		base[face] = hs[face]*air.T - L*m0[face] + L*slopeM[face]*b.surf[face]
		s.diag[j] += dt * gs[face] * (1 - gs[face]/whole)
		s.rhs[j] += dt * gs[face] / whole * base[face]
	}
	b.settle()

	var flow Flow
	for face := range 2 {
		j := out + face
		L := LatentHeat(b.surf[face])
		ts := (base[face] + gs[face]*s.rhs[j]) / (hs[face] + gs[face] + L*slopeM[face])
		m := m0[face] + slopeM[face]*(ts-b.surf[face])
		heat := hs[face] * (air.T - ts)
		flow.Heat += heat / 2
		if !air.Adiabat {
			flow.Vapour += b.reconcile(face, dt, m, moist[face], L) / 2
		}
		b.ledger.Heat += heat * dt / 2
		b.surf[face] = ts
	}
	if !air.Adiabat {
		flow.Vapour += b.boil(dt) / 2
		// Slow next to heat: every ten seconds is often enough.
		if b.sinceWeep += dt; b.sinceWeep >= 10 {
			b.weep(b.sinceWeep)
			b.sinceWeep = 0
		}
	}
	for j, t := range s.rhs {
		b.t[j] = t
		b.hottest[j] = max(b.hottest[j], t)
	}
	return flow
}

// settle solves the heat balance. A sink only takes: where the solution stays
// under a shell's boiling point, its sink would have to give, so it is let go
// and the rest solved again. Without a sink everything is colder, so that
// letting go ends.
func (b *Body) settle() {
	s := &b.sys
	copy(b.keep, s.rhs)
	for again := b.sinks; again; {
		s.solve()
		again = false
		for j, hold := range b.sink {
			if hold > 0 && s.rhs[j] < b.point[j] {
				s.diag[j] -= hold
				b.keep[j] -= hold * b.point[j]
				b.sink[j], again = 0, true
			}
		}
		if !again {
			return
		}
		copy(s.rhs, b.keep)
	}
	s.solve()
}

// activitySlope returns the water activity over x kg/kg, and its slope.
func activitySlope(x float64) (a, slope float64) {
	x2 := x * x
	d := x2 + oswinK*oswinK
	a = x2 / d
	return a, 2 * x * oswinK * oswinK / (d * d)
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

// fillWater sets up the diffusion of water, in kg/m² per unit of x.
func (b *Body) fillWater(dt float64) {
	n := b.g.n
	s := &b.sys
	k, x, t := b.k[:2*n], b.x[:2*n], b.t[:2*n]
	diag, rhs := s.diag[:2*n], s.rhs[:2*n]
	solids, wicks := b.solids[:n], b.wicks[:n]
	for i := range n {
		u, l := 2*i, 2*i+1
		w, m := wicks[i], solids[i]
		xu, xl := x[u], x[l]
		// Bound water hardly moves: the mobile share falls with x.
		k[u] = w * diffusivity.at(t[u]) * xu * xu / (xu*xu + boundHalf*boundHalf)
		k[l] = w * diffusivity.at(t[l]) * xl * xl / (xl*xl + boundHalf*boundHalf)
		rhs[u], rhs[l] = m*xu, m*xl
		if m == 0 { // bone: any positive number, x stays 0
			m = 1
		}
		diag[u], diag[l] = m, m
	}
	b.join(dt)
}

// join adds conductances between shells from b.k to the system.
func (b *Body) join(dt float64) {
	g, s := b.g, &b.sys
	n := g.n
	k, diag, out := b.k[:2*n], s.diag[:2*n], s.out[:2*n]
	cross, around, outer, inner := s.cross[:n], g.around[:n], g.outer[:n], g.inner[:n]
	for i := range n {
		u, l := 2*i, 2*i+1
		ku, kl := k[u], k[l]
		c := dt * around[i] * (ku + kl) / 2
		if i == 0 && g.centre > 0 && ku+kl > 0 {
			c += dt * g.centre * 2 * ku * kl / (ku + kl)
		}
		cross[i] = c
		diag[u] += c
		diag[l] += c
		if i == n-1 {
			out[u], out[l] = 0, 0
			break
		}
		ro, ri := outer[i], inner[i+1]
		nu, nl := k[u+2], k[l+2]
		// The smallest number keeps bone, which conducts no water, from 0/0.
		cu := dt * ku * nu / (ro*nu + ri*ku + 1e-300)
		cl := dt * kl * nl / (ro*nl + ri*kl + 1e-300)
		out[u], out[l] = cu, cl
		diag[u] += cu
		diag[l] += cl
		diag[u+2] += cu
		diag[l+2] += cl
	}
}

// carry takes over the new water contents and moves the heat that the water
// takes along: a shell that receives is mixed with what comes in.
func (b *Body) carry(dt float64, moist [2]float64) {
	g, s := b.g, &b.sys
	n := g.n
	fresh := s.rhs[:2*n]
	t, x, fat, c := b.t[:2*n], b.x[:2*n], b.fat[:2*n], b.c[:2*n]
	cross, out := s.cross[:n], s.out[:2*n]
	// b.k is free now: it gathers the heat brought in, as J/m² over the
	// heat of water.
	in := b.k[:2*n]
	clear(in)
	for i := range n {
		u, l := 2*i, 2*i+1
		mix(cross[i]*(fresh[u]-fresh[l]), t[u], t[l], &in[u], &in[l])
		if i < n-1 {
			mix(out[u]*(fresh[u]-fresh[u+2]), t[u], t[u+2], &in[u], &in[u+2])
			mix(out[l]*(fresh[l]-fresh[l+2]), t[l], t[l+2], &in[l], &in[l+2])
		}
	}
	solids, heat := b.solids[:n], b.heat[:n]
	for i := g.first; i < n; i++ {
		u, l := 2*i, 2*i+1
		m, h := waterHeat*solids[i], heat[i]
		x[u], x[l] = fresh[u], fresh[l]
		c[u] = h + fatHeat*fat[u] + m*fresh[u]
		c[l] = h + fatHeat*fat[l] + m*fresh[l]
		t[u] += waterHeat * in[u] / c[u]
		t[l] += waterHeat * in[l] / c[l]
	}
	// The surface gives its liquid at the outer shell's temperature.
	for face := range 2 {
		m := moist[face] * dt / 2
		b.ledger.Carried += waterHeat * t[2*n-2+face] * m
		b.ledger.Vapour += m
	}
}

// mix adds what a flow of water from a to b warms the one that receives it.
func mix(flow, ta, tb float64, ina, inb *float64) {
	if flow > 0 {
		*inb += flow * (ta - tb)
	} else {
		*ina -= flow * (tb - ta)
	}
}

// fillHeat sets up conduction, with boiling shells held by an implicit sink.
func (b *Body) fillHeat(dt float64, dry bool) {
	g, s := b.g, &b.sys
	n := g.n
	k, c, t, x, fat, sink := b.k[:2*n], b.c[:2*n], b.t[:2*n], b.x[:2*n], b.fat[:2*n], b.sink[:2*n]
	diag, rhs := s.diag[:2*n], s.rhs[:2*n]
	solids, heat, dryK, wetK := b.solids[:n], b.heat[:n], b.dryK[:n], b.wetK[:n]
	b.sinks = false
	for i := range n {
		m, h := waterHeat*solids[i], heat[i]
		for j := 2 * i; j < 2*i+2; j++ {
			xj, tj := x[j], t[j]
			x2 := xj * xj
			k[j] = dryK[i] + wetK[i]*x2/(x2+conductHalf*conductHalf)
			cj := h + fatHeat*fat[j] + m*xj
			c[j], sink[j] = cj, 0
			diag[j], rhs[j] = cj, cj*tj
			if tj > 98 && xj > 0.01 && !dry {
				tb, hold := b.boiling(j, i)
				b.point[j] = tb
				if tj > tb-0.5 {
					sink[j] = hold
					diag[j] += hold
					rhs[j] += hold * tb
					b.sinks = true
				}
			}
		}
	}
	b.join(dt)
}

// boiling returns the boiling point of a shell in °C and the sink that holds
// it there through a step, J/m²·K: large while wet, less as the boiling
// point climbs with each gram that leaves.
func (b *Body) boiling(j, i int) (tb, sink float64) {
	tb, rise := boilingOver(b.x[j])
	tb += b.g.press[i]
	return tb, 1 / (1/(20*b.c[j]) + rise/(2.25e6*b.solids[i]))
}

// boil turns what the sinks took into steam. Returns kg/m²·s, both faces.
func (b *Body) boil(dt float64) (vapour float64) {
	g, s := b.g, &b.sys
	for i := range g.n {
		if g.part[i] == Bone {
			continue
		}
		for j := 2 * i; j < 2*i+2; j++ {
			told, tnew := b.t[j], s.rhs[j]
			if (tnew <= 99 && told <= 98) || b.x[j] <= 0.01 {
				continue
			}
			tb := b.point[j]
			if told <= 98 {
				tb, _ = b.boiling(j, i)
			}
			L := LatentHeat(tb)
			taken := b.sink[j] * (tnew - tb)
			// Water that can leave at this temperature: down to the
			// content whose activity boils there, but not all bound.
			m := math.Max(taken, 0) / L
			if taken == 0 && tnew > tb {
				m = b.c[j] * (tnew - tb) / L * 0.5
			}
			m = math.Min(m, b.solids[i]*(b.x[j]-0.005))
			s.rhs[j] += (taken - L*m) / b.c[j]
			b.x[j] -= m / b.solids[i]
			vapour += m / dt
			b.ledger.Vapour += m / 2
			b.ledger.Latent += L * m / 2
			b.ledger.Carried += waterHeat * s.rhs[j] * m / 2
		}
	}
	return vapour
}

// reconcile settles the evaporation that the heat balance paid for (m)
// against the water that the water balance let go (moist), and returns what
// the face gave, kg/m²·s.
func (b *Body) reconcile(face int, dt, m, moist, latent float64) float64 {
	j, ms := 2*b.g.n-2+face, b.solids[b.g.n-1]
	given := moist
	if d := (m - moist) * dt; d < ms*(b.x[j]-0.003) {
		b.x[j] -= d / ms
		b.ledger.Vapour += d / 2
		b.ledger.Carried += waterHeat * b.sys.rhs[j] * d / 2
		given = m
	} else {
		b.sys.rhs[j] += latent * d / b.c[j]
	}
	b.ledger.Latent += latent * given * dt / 2
	return given
}

// weep lets go the water that denatured protein no longer holds, and the
// fat that has melted.
func (b *Body) weep(dt float64) {
	g, s := b.g, &b.sys
	share := dt / (dt + dripTime)
	for i := range g.n {
		m := &g.mat[i]
		if m.Holding > 0 && i < g.n-1 {
			for j := 2 * i; j < 2*i+2; j++ {
				w := b.hold[i] - m.Holding*denatured.at(s.rhs[j])
				if over := b.x[j] - w/(1-w); over > 0 {
					d := over * share
					b.x[j] -= d
					b.ledger.Drip += d * b.solids[i] / 2
					b.ledger.Carried += waterHeat * s.rhs[j] * d * b.solids[i] / 2
				}
			}
		}
		if m.Rendering > 0 {
			for j := 2 * i; j < 2*i+2; j++ {
				d := b.fat[j] * (1 - 1/(1+dt*m.Rendering*rendering.at(s.rhs[j])))
				b.fat[j] -= d
				b.ledger.Fat += d / 2
				b.ledger.Carried += fatHeat * s.rhs[j] * d / 2
			}
		}
	}
}
