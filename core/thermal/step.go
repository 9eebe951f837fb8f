package thermal

import "math"

// face is what happens at one face in one step.
type face struct {
	hs, gs float64 // conductances of the film and of the outer half-shell, W/m²·K
	kappa  float64 // of the film for vapour, kg/m²·s per Pa
	leaves float64 // from the very surface, kg/m²·s
	slope  float64 // … more per unit of the outer shell's x
	hot    float64 // … and per kelvin
}

// Step moves the piece on by dt s in the given air.
func (b *Body) Step(dt float64, air Air) Flow {
	g, n := b.g, b.g.n
	shrink := 1 - shrinkShare*(b.ledger.Vapour+b.ledger.Drip)/1000/b.volume
	shrink = math.Cbrt(shrink * shrink)
	out := 2 * (n - 1)
	s := &b.sys
	var faces [2]face
	if !air.Adiabat {
		b.wetted(dt, air)
		b.fillWater(dt)
		for f := range faces {
			b.evaporate(&faces[f], f, dt, shrink, air)
		}
		s.solve(g.moves)
		for f := range faces {
			faces[f].leaves += faces[f].slope * (s.rhs[out+f] - b.x[out+f])
			for i := b.front[f]; i < n-1; i++ {
				j := 2*i + f
				b.gives[j] += b.givesX[j] * (s.rhs[j] - b.x[j])
			}
		}
		b.carry(dt, &faces)
	}

	b.fillHeat(dt, air.Adiabat)
	var base [2]float64
	for f := range faces {
		c := &faces[f]
		j := out + f
		c.hs, c.gs = shrink*air.H[f], b.k[j]/g.outer[n-1]
		L := LatentHeat(b.surf[f])
		whole := c.hs + c.gs + L*c.hot
		base[f] = c.hs*air.T + air.Radiant[f] - L*c.leaves + L*c.hot*b.surf[f]
		s.diag[j] += dt * c.gs * (1 - c.gs/whole)
		s.rhs[j] += dt * c.gs / whole * base[f]
		if !air.Adiabat {
			for i := b.front[f]; i < n-1; i++ {
				k := 2*i + f
				L := LatentHeat(b.t[k])
				s.diag[k] += dt * L * b.givesT[k]
				s.rhs[k] -= dt * L * (b.gives[k] - b.givesT[k]*b.t[k])
			}
		}
	}
	b.settle(air.Adiabat)

	var flow Flow
	for f := range faces {
		c := &faces[f]
		j := out + f
		L := LatentHeat(b.surf[f])
		ts := (base[f] + c.gs*s.rhs[j]) / (c.hs + c.gs + L*c.hot)
		heat := c.hs * (air.T - ts)
		flow.Heat += heat / 2
		if !air.Adiabat {
			flow.Vapour += b.reconcile(j, dt, c.leaves+c.hot*(ts-b.surf[f]), c.leaves, L) / 2
			for i := b.front[f]; i < n-1; i++ {
				k := 2*i + f
				flow.Vapour += b.reconcile(k, dt, b.gives[k]+b.givesT[k]*(s.rhs[k]-b.t[k]), b.gives[k], LatentHeat(b.t[k])) / 2
			}
		}
		b.ledger.Heat += (heat + air.Radiant[f]) * dt / 2
		b.surf[f] = ts
	}
	if !air.Adiabat {
		flow.Vapour += b.boil(dt) / 2
		// Slow next to heat: every twenty seconds is often enough.
		if b.sinceWeep += dt; b.sinceWeep >= 20 {
			b.weep(b.sinceWeep)
			b.sinceWeep = 0
		}
	}
	frozen := false
	for j, t := range s.rhs {
		b.t[j] = t
		if b.frozen && b.icy(j, t) {
			frozen = true
		}
		if t > leastSetting && b.set[j] < 1 {
			q := dt * setting.at(t)
			b.set[j] = (b.set[j] + q) / (1 + q)
		}
	}
	b.frozen = frozen
	return flow
}

// settle solves the heat balance. A sink only takes: where the solution stays
// under a shell's boiling point, its sink would have to give, so it is let
// go; where it would take far more than boils off all of the shell's water, it
// takes just that; and where a wet shell without one comes over its boiling point, it gets
// one; then the rest is solved again. One that was let go stays so for the
// step, so that this ends.
func (b *Body) settle(dry bool) {
	s := &b.sys
	if dry && !b.frozen {
		s.solve(0)
		return
	}
	copy(b.keep, s.rhs)
	clear(b.freed)
	clear(b.spent)
	if b.frozen {
		b.freeze()
		copy(s.rhs, b.keep)
	}
	for turn := 1; ; turn++ {
		s.solve(0)
		again := b.frozen && b.thawOn(turn >= thaws)
		for j, t := range s.rhs {
			if dry || again && b.frozen && t < b.sky.leastBoiling {
				continue
			}
			switch hold := b.sink[j]; {
			case hold > 0:
				most := LatentHeat(b.point[j]) * b.boilsOff(j)
				if taken := hold * (t - b.point[j]); taken < 0 || taken > spends*most {
					s.diag[j] -= hold
					b.keep[j] -= hold*b.point[j] + math.Max(0, math.Min(taken, most))
					b.sink[j], b.freed[j], again = 0, true, true
					b.spent[j] = math.Max(0, math.Min(taken, most))
				}
			case t > b.sky.leastBoiling && !b.freed[j] && b.x[j] > boundRest:
				if tb, hold := b.boiling(j, j/2); t > tb {
					s.diag[j] += hold
					b.keep[j] += hold * tb
					b.point[j], b.sink[j], again = tb, hold, true
				}
			}
		}
		if !again {
			return
		}
		copy(s.rhs, b.keep)
	}
}

// leastSetting is a temperature, °C, under which hardly anything sets.
const leastSetting = 75.0

// leastBoiling is a temperature, °C, under which nothing boils at sea level; boundRest is
// the water, kg/kg dry, that does not boil off.
const (
	leastBoiling = 99.0
	boundRest    = 0.01
)

// fillWater sets up the diffusion of water, in kg/m² per unit of x.
func (b *Body) fillWater(dt float64) {
	n := b.g.n
	s := &b.sys
	k, x, t, slow := b.k[:2*n], b.x[:2*n], b.t[:2*n], b.slow[:2*n]
	diag, rhs := s.diag[:2*n], s.rhs[:2*n]
	solids, wicks := b.solids[:n], b.wicks[:n]
	for i := b.g.moves; i < n; i++ {
		u, l := 2*i, 2*i+1
		w, m := wicks[i], solids[i]
		xu, xl := x[u], x[l]
		// Bound water hardly moves: the mobile share falls with x.
		k[u] = w * diffusivity.at(t[u]) * xu * xu / (xu*xu + boundHalf*boundHalf) * slow[u]
		k[l] = w * diffusivity.at(t[l]) * xl * xl / (xl*xl + boundHalf*boundHalf) * slow[l]
		if b.steam[0] > leastSteam {
			k[u] += b.soaks(u)
			k[l] += b.soaks(l)
		}
		rhs[u], rhs[l] = m*xu, m*xl
		if m == 0 { // bone: any positive number, x stays 0
			m = 1
		}
		diag[u], diag[l] = m, m
		if b.frozen {
			for j := u; j <= l; j++ {
				if b.icy(j, t[j]) {
					k[j] = 0
				}
			}
		}
	}
	b.join(dt, b.g.moves)
}

// wetted notes which set shells take up water: into what has set it moves
// slower than out of what dries, as sorption does, where the air takes away
// what comes. Where it is full of steam, that stays in the pores and wets
// them.
func (b *Body) wetted(dt float64, air Air) {
	n := 2 * b.g.n
	x, was, set, slow := b.x[:n], b.was[:n], b.set[:n], b.slow[:n]
	follow := dt / (dt + setFollows)
	for f := range b.steam {
		b.steam[f] = max(air.Under[f], min(1, air.Vapour/saturation.at(b.surf[f])))
	}
	for j := 2 * b.g.moves; j < n; j++ {
		to := 1.0
		if s := set[j]; s > 0 && x[j] > was[j] {
			dry := 1 - b.steam[j&1]
			to -= setSlows * s * dry * dry
		}
		slow[j] += (to - slow[j]) * follow
		was[j] = x[j]
	}
}

// soaks is how readily steam that cannot leave moves on in the open pores of
// a set shell, kg/m·s per unit of x: the diffusion of vapour by the slope of
// what the shell holds at its heat.
func (b *Body) soaks(j int) float64 {
	steam := b.steam[j&1]
	if steam < leastSteam || b.set[j] == 0 {
		return 0
	}
	x := b.x[j]
	q := x / poresHalf
	return scaledSlope((steam-leastSteam)/(1-leastSteam)*b.set[j]*vapourMoves.at(b.t[j])*b.sky.thin*b.pores[j/2]/(1+q*q*q*q)*saturation.at(b.t[j]), x)
}

// leastSteam is the share of saturation from which steam stays in the pores.
const leastSteam = 0.2

// join adds conductances between shells from b.k to the system, from the
// first on.
func (b *Body) join(dt float64, first int) {
	g, s := b.g, &b.sys
	n := g.n
	k, diag, out := b.k[:2*n], s.diag[:2*n], s.out[:2*n]
	cross, around, outer, inner := s.cross[:n], g.around[:n], g.outer[:n], g.inner[:n]
	for i := first; i < n; i++ {
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
func (b *Body) carry(dt float64, faces *[2]face) {
	g, s := b.g, &b.sys
	n := g.n
	fresh := s.rhs[:2*n]
	t, x, fat, c := b.t[:2*n], b.x[:2*n], b.fat[:2*n], b.c[:2*n]
	cross, out := s.cross[:n], s.out[:2*n]
	// b.k is free now: it gathers the heat brought in, as J/m² over the
	// heat of water.
	in := b.k[:2*n]
	clear(in)
	for i := g.moves; i < n; i++ {
		u, l := 2*i, 2*i+1
		mix(cross[i]*(fresh[u]-fresh[l]), t[u], t[l], &in[u], &in[l])
		if i < n-1 {
			mix(out[u]*(fresh[u]-fresh[u+2]), t[u], t[u+2], &in[u], &in[u+2])
			mix(out[l]*(fresh[l]-fresh[l+2]), t[l], t[l+2], &in[l], &in[l+2])
		}
	}
	solids, heat := b.solids[:n], b.heat[:n]
	for i := max(g.first, g.moves); i < n; i++ {
		u, l := 2*i, 2*i+1
		m, h := waterHeat*solids[i], heat[i]
		if b.frozen && (b.icy(u, t[u]) || b.icy(l, t[l])) {
			for j := u; j <= l; j++ {
				was, now := x[j], fresh[j]
				x[j] = was
				t[j] = b.wets(j, t[j], solids[i]*(now-was), t[j], waterHeat*in[j])
				c[j] = b.holds(j)
			}
			continue
		}
		x[u], x[l] = fresh[u], fresh[l]
		c[u] = h + fatHeat*fat[u] + m*fresh[u]
		c[l] = h + fatHeat*fat[l] + m*fresh[l]
		t[u] += waterHeat * in[u] / c[u]
		t[l] += waterHeat * in[l] / c[l]
	}
	// What evaporates gives its liquid at its shell's temperature.
	for f := range faces {
		gone := faces[f].leaves
		warm := t[2*n-2+f] * gone
		for i := b.front[f]; i < n-1; i++ {
			gone += b.gives[2*i+f]
			warm += t[2*i+f] * b.gives[2*i+f]
		}
		b.ledger.Carried += waterHeat * warm * dt / 2
		b.ledger.Vapour += gone * dt / 2
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
	for i := range n {
		m, h := waterHeat*solids[i], heat[i]
		for j := 2 * i; j < 2*i+2; j++ {
			xj, tj := x[j], t[j]
			x2 := xj * xj
			k[j] = dryK[i] + wetK[i]*x2/(x2+conductHalf*conductHalf)
			if b.frozen {
				b.conductsIce(j)
			}
			cj := h + fatHeat*fat[j] + m*xj
			c[j], sink[j] = cj, 0
			diag[j], rhs[j] = cj, cj*tj
			if tj > b.sky.leastBoiling && xj > boundRest && !dry {
				if tb, hold := b.boiling(j, i); tj > tb-0.5 {
					b.point[j], sink[j] = tb, hold
					diag[j] += hold
					rhs[j] += hold * tb
				}
			}
		}
	}
	b.join(dt, 0)
}

// boiling returns the boiling point of a shell in °C and the sink that holds
// it there through a step, J/m²·K: large while wet, less as the boiling
// point climbs with each gram that leaves.
func (b *Body) boiling(j, i int) (tb, sink float64) {
	tb, rise := b.sky.boilingOver(b.x[j])
	tb += b.g.late[i]
	return tb, 1 / (1/(holdsFast*b.c[j]) + rise/(2.25e6*b.solids[i]))
}

// holdsFast is how much stiffer a boiling shell is held than its own heat
// capacity holds it.
const holdsFast = 200.0

// boilsOff is the water that a shell can give, kg/m²: all but what is bound for
// good.
func (b *Body) boilsOff(j int) float64 {
	return b.solids[j/2] * math.Max(0, b.x[j]-boundRest/2)
}

// spends is over how much of the heat that boils off all of a shell's water its
// sink takes no more than that: a thin shell that is wetted again and again
// would be heated by what its sink took too much.
const spends = 1.5

// boil turns what the sinks took into steam. Returns kg/m²·s, both faces.
func (b *Body) boil(dt float64) (vapour float64) {
	s := &b.sys
	for j, hold := range b.sink {
		if hold == 0 && b.spent[j] == 0 {
			continue
		}
		ms := b.solids[j/2]
		L := LatentHeat(b.point[j])
		taken := b.spent[j]
		if hold > 0 {
			taken = hold * (s.rhs[j] - b.point[j])
		}
		m := math.Min(math.Max(taken, 0)/L, b.boilsOff(j))
		s.rhs[j] += (taken - L*m) / b.c[j]
		b.x[j] -= m / ms
		vapour += m / dt
		b.ledger.Vapour += m / 2
		b.ledger.Latent += L * m / 2
		b.ledger.Carried += waterHeat * s.rhs[j] * m / 2
	}
	return vapour
}

// reconcile settles the evaporation from a shell that the heat balance paid
// for (m) against the water that the water balance let go (moist), and
// returns what was given, kg/m²·s.
func (b *Body) reconcile(j int, dt, m, moist, latent float64) float64 {
	ms := b.solids[j/2]
	given := moist
	if d := (m - moist) * dt; b.frozen && b.icy(j, b.sys.rhs[j]) {
		b.ledger.Vapour += d / 2
		b.ledger.Carried += waterHeat * b.sys.rhs[j] * d / 2
		b.sys.rhs[j] = b.wets(j, b.sys.rhs[j], -d, b.sys.rhs[j], 0)
		given = m
	} else if d < ms*(b.x[j]-0.003) {
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
				d := b.firm[j] * (1 - 1/(1+dt*m.Rendering*rendering.at(s.rhs[j])))
				b.firm[j] -= d
				d *= m.Drains
				b.fat[j] -= d
				b.ledger.Fat += d / 2
				b.ledger.Carried += fatHeat * s.rhs[j] * d / 2
			}
		}
	}
}
