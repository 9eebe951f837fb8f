// Package thermal computes heat and water in one piece of food between two
// faces of different air.
//
// # Idea
//
// A piece is two half-bodies, upper and lower, of concentric shells whose
// area goes with r^(E−1); E, the shape number, is 1 for a slab, 2 for a long
// cylinder, 3 for a sphere and anything between for real pieces, so that one
// radial equation keeps both their volume and their surface (the equivalent
// heat transfer dimensionality of Cleland and Earle, J. Food Sci. 47, 1982).
// The halves meet through the centre and around it.
//
// # Method
//
// Each step first moves water, then heat, both backward Euler on finite
// volumes and solved directly for all shells of both halves at once
// (solve.go). Surface evaporation is linearised in water content in the
// first and in temperature in the second; boiling is an implicit sink that
// holds a shell at the boiling point of its own activity until it is dry.
// What the linearisation took for evaporation and what the water balance
// allows are reconciled in the outer shell's enthalpy, so that heat and
// water close to rounding.
//
// # Domain and error
//
// −25 to 320 °C, pieces of 1 to 120 mm half-thickness, steps of 0.25 to 7.5 s.
// Against the series solutions the centre and surface are within 0.5 % of
// the initial difference for Biot 0.1 to 10 (thermal_test.go). Thawing (ice.go) is
// within 1.6 % of tables by conduction alone, and 0.5 % from 63 °C on
// (ice_test.go); volume is fixed but for the shrinking surface.
package thermal

import (
	"errors"
	"math"
	"slices"
)

// Coefficients of the transport of water; units, spread and source stand in
// docs/model.md.
const (
	diffusivityAt60   = 0.32e-9 // m²/s
	diffusivityEnergy = 22000.0 // J/mol
	boundHalf         = 0.40    // kg/kg dry at which half the water is too bound to move
	gasConstant       = 8.314   // J/mol·K
	// setSlows is how much slower water is taken up by what has set to a
	// crust than it leaves it: sorption's hysteresis, with fat and swollen
	// starch in the pores (own judgement by what waiting does, ±0.05), noted
	// over setFollows s.
	setSlows, setFollows = 0.93, 20.0
	dripTime             = 1000.0  // s, time constant of weeping
	renderTime           = 420.0   // s, at 100 °C
	renderEnergy         = 60000.0 // J/mol
	fatHeat              = 2060.0  // J/kg·K (Choi and Okos 1986, at 60 °C)
	boneHeat             = 2.6e6   // J/m³·K
	boneConductivity     = 0.32    // W/m·K
	conductHalf          = 0.45    // kg/kg dry at which a shell conducts half-way between dry and wet
	// Steam from a depth has to push its way out, so that what lies deeper
	// boils later: by pressSlope K per m, up to pressTop K.
	pressSlope, pressTop = 3000.0, 1.0
	poresHalf            = 0.30    // kg/kg dry at which water fills half the pores
	frontDepth           = 0.13e-3 // m in which a layer of that content hides what lies under it
	shrinkShare          = 0.7     // of the volume of lost water; the rest leaves pores
)

var (
	diffusivity = tabulate(func(t float64) float64 {
		return diffusivityAt60 * math.Exp(-diffusivityEnergy/gasConstant*(1/(t+273.15)-1/333.15))
	})
	// vapourMoves is the diffusivity of vapour in air, over R·T of steam:
	// kg/m·s per Pa (Massman, Atmos. Environ. 32, 1998).
	vapourMoves = tabulate(func(t float64) float64 {
		k := t + 273.15
		return 2.178e-5 * math.Pow(k/273.15, 1.81) / (gasConstantSteam * k)
	})
	rendering = tabulate(func(t float64) float64 {
		if t < 40 {
			return 0
		}
		return math.Exp(-renderEnergy/gasConstant*(1/(t+273.15)-1/373.15)) / renderTime
	})
	// setting is the rate at which what is dry sets to a crust, 1/s: proteins
	// and starches bind in a minute at 110 °C, twice as fast every 8 K (100 to
	// 120 °C is where crusts form; own judgement of the rate, ±40 %).
	setting = tabulate(func(t float64) float64 { return math.Exp2((t-110)/8) / 60 })
	// denatured is the share of the fall in water holding that has taken
	// place (van der Sman, Meat Science 76, 2007).
	denatured = tabulate(func(t float64) float64 { return 1 / (1 + 30*math.Exp(-0.25*(t-52))) })
)

// Air is what surrounds a piece during one step, by face.
type Air struct {
	T       float64    // °C
	Vapour  float64    // Pa, partial pressure
	H       [2]float64 // W/m²·K, convection and radiation together
	Convect [2]float64 // W/m²·K, the convective part, which also carries vapour
	Radiant [2]float64 // W/m² that a face takes from above, whatever its heat
	Adiabat bool       // no evaporation or condensation: pure heating
	// Under is how full of steam a film of sauce keeps a face that it lies
	// over, its water's activity; 0 where none does.
	Under [2]float64
}

// Flow is what crossed the faces in one step, mean over both, per m² of the
// piece's surface.
type Flow struct {
	Heat   float64 // W/m², from the air
	Vapour float64 // kg/m²·s, to the air
}

// Ledger adds up what came and went since the start, per m² of surface.
type Ledger struct {
	Heat       float64 // J, from the air and from above
	Latent     float64 // J, taken by evaporation
	Carried    float64 // J, sensible heat that left with water and fat
	Vapour     float64 // kg
	Drip       float64 // kg of water
	Fat        float64 // kg that has melted and left
	StartHeat  float64 // J, stored at the start, above 0 °C
	StartWater float64 // kg
	Poured     float64 // kg of water put on since
	PouredHeat float64 // J that it brought
}

// Body is the state of one piece.
type Body struct {
	g     *grid
	sky   *Sky
	store []float64 // holds all the slices below
	// Two values a shell, face 0 and face 1 interleaved.
	t, x   []float64 // °C; kg water per kg fat-free dry
	fat    []float64 // kg/m²
	firm   []float64 // of it what has not melted
	solids []float64 // kg/m² of half-surface, one a shell
	heat   []float64 // J/m²·K of solids, one a shell
	k, c   []float64
	set    []float64 // how far a shell has set to a crust, 0 to 1
	was    []float64 // x a step ago
	slow   []float64 // how readily water moves in a shell beside one that has not set
	// Of the vapour that leaves from inside a shell: what leaves, kg/m²·s,
	// and how that grows with x and with the temperature.
	gives, givesX, givesT []float64
	front                 [2]int     // innermost shell that gives, by face
	under                 [2]float64 // kg/kg dry at the surface of what lies under a loose coat
	sink                  []float64  // what holds a boiling shell, J/m²·K
	point                 []float64  // °C, its boiling point
	keep                  []float64  // the heat balance's right side while it is solved
	freed                 []bool     // whose sink was let go while the balance was solved
	spent                 []float64  // what it takes instead, J/m², where it would take more than boils off all water
	hold                  []float64  // initial water mass fraction of the fat-free mass, one a shell
	// wicks is solids density times diffusivity factor; dryK, wetK and pores
	// as in Material; one a shell.
	wicks, dryK, wetK, pores []float64
	// freezes, bound and fixed as in Ice, fixed in kg/m²; one a shell. frozen says
	// that there is ice, ice how far its balance is, next where it goes.
	freezes, bound, fixed, latent []float64
	frozen                        bool
	ice                           []thaw
	next                          []float64
	sys                           system
	surf                          [2]float64 // °C
	steam                         [2]float64 // how far the air at a face is full of steam at its heat
	dry                           [2]float64 // kg/kg dry at the very surface
	ledger                        Ledger
	volume                        float64 // m³/m² at the start
	sinceWeep                     float64 // s
}

// New returns a piece of the given shape number at start °C throughout.
func New(shape float64, layers []Layer, res Resolution, start float64) (*Body, error) {
	if len(layers) == 0 {
		return nil, errors.New("a piece needs at least one layer")
	}
	g, err := newGrid(shape, layers, res)
	if err != nil {
		return nil, err
	}
	n := g.n
	b := &Body{g: g, sky: sea}
	b.carve(make([]float64, 16*2*n+11*n), make([]bool, 2*n))
	for i, m := range g.mat {
		v := g.volume[i]
		b.volume += v
		b.solids[i] = m.Solids * v
		b.heat[i] = b.solids[i] * orDefault(m.SolidsHeat, 2060)
		b.freezes[i], b.bound[i], b.fixed[i], b.latent[i] = m.Ice.FreezesC, m.Ice.Bound, m.Ice.Fixed*v, orDefault(m.Ice.Latent, iceLatent)
		if m.Ice == (Ice{}) {
			b.freezes[i] = math.Inf(-1)
		}
		b.frozen = b.frozen || start < b.freezes[i]
		if m.Part == Bone {
			b.solids[i], b.heat[i] = 0, boneHeat*v
			b.dryK[i] = boneConductivity
		} else {
			b.hold[i] = m.Water / (m.Water + m.Solids)
			b.wicks[i] = m.Solids * m.Diffusivity
			b.dryK[i], b.wetK[i], b.pores[i] = m.DryK, m.WetK, m.Pores
		}
		for face := range 2 {
			j := 2*i + face
			b.t[j], b.slow[j] = start, 1
			if m.Part != Bone {
				b.x[j] = m.Water / m.Solids
				b.fat[j] = m.Fat * v
				b.firm[j] = b.fat[j]
			}
		}
	}
	if b.frozen {
		b.ice, b.next = make([]thaw, 2*n), make([]float64, 2*n)
	}
	b.surf = [2]float64{start, start}
	b.dry = [2]float64{b.x[2*n-2], b.x[2*n-1]}
	b.under = b.dry
	b.begin()
	return b, nil
}

// carve lays the slices into their store.
func (b *Body) carve(store []float64, freed []bool) {
	n := b.g.n
	b.store, b.freed, b.sys = store, freed, newSystem(n)
	for _, s := range [...]*[]float64{&b.t, &b.x, &b.fat, &b.firm, &b.k, &b.c, &b.set, &b.was, &b.slow, &b.sink, &b.point, &b.keep, &b.gives, &b.givesX, &b.givesT, &b.spent} {
		*s, store = store[:2*n:2*n], store[2*n:]
	}
	for _, s := range [...]*[]float64{&b.solids, &b.heat, &b.hold, &b.wicks, &b.dryK, &b.wetK, &b.pores, &b.freezes, &b.bound, &b.fixed, &b.latent} {
		*s, store = store[:n:n], store[n:]
	}
}

// Clone returns a piece in the same state that goes its own way from here.
func (b *Body) Clone() *Body {
	c := *b
	c.carve(slices.Clone(b.store), slices.Clone(b.freed))
	c.ice, c.next = slices.Clone(b.ice), slices.Clone(b.next)
	return &c
}

func orDefault(v, d float64) float64 {
	if v == 0 {
		return d
	}
	return v
}

// begin sets the ledger's starting stock.
func (b *Body) begin() {
	b.ledger.StartHeat, b.ledger.StartWater = b.StoredHeat(), b.Water()
}

// Wick scales how readily water moves in flesh and skin.
func (b *Body) Wick(by float64) {
	for i, p := range b.g.part {
		if p == Flesh || p == Skin {
			b.wicks[i] *= by
		}
	}
}

// Pour puts w kg/m² of water at t °C on one face.
func (b *Body) Pour(face int, w, t float64) {
	j := 2*(b.g.n-1) + face
	m := b.solids[b.g.n-1]
	if b.frozen {
		b.t[j] = b.wets(j, b.t[j], w, t, 0)
	} else {
		heat := b.heat[b.g.n-1] + waterHeat*m*b.x[j] + fatHeat*b.fat[j]
		b.t[j] += waterHeat * w * (t - b.t[j]) / (heat + waterHeat*w)
		b.x[j] += w / m
	}
	b.surf[face] = b.t[j]
	b.ledger.Poured += w / 2
	b.ledger.PouredHeat += waterHeat * w * t / 2
}

// Return gives both faces w kg/m² of water back that had left as vapour and
// has run together around the piece, at the heat of its surface.
func (b *Body) Return(w float64) {
	i := b.g.n - 1
	for face := range 2 {
		j := 2*i + face
		b.x[j] += w / b.solids[i]
		b.ledger.Carried -= waterHeat * w * b.t[j] / 2
	}
	b.ledger.Vapour -= w
}

// Fried makes it what comes with a crust: its coat, or else its skin, or the
// outermost crustDeep of its flesh, has set so far, and holds no more than so much
// water, kg/kg dry; skin and flesh three times that at most.
func (b *Body) Fried(water, set float64) {
	outer := b.g.part[b.g.n-1]
	if outer != Coat {
		water *= 3
	}
	deep := 0.0
	for i := b.g.n - 1; i >= 0 && b.g.part[i] == outer && (outer != Flesh || deep < crustDeep); i-- {
		// Of the shell in which it ends its part, however shells lie.
		part := 1.0
		if outer == Flesh {
			part = math.Min(1, (crustDeep-deep)/b.g.width[i])
		}
		deep += b.g.width[i]
		for j := 2 * i; j < 2*i+2; j++ {
			b.set[j] = set * part
			b.x[j] += part * (math.Min(b.x[j], water) - b.x[j])
			b.was[j] = b.x[j]
		}
	}
	n := b.g.n
	b.dry = [2]float64{b.x[2*n-2], b.x[2*n-1]}
	b.begin()
}

// Glaze puts w kg/m² of ice on both faces, over all else.
func (b *Body) Glaze(w float64) {
	if w == 0 {
		return
	}
	i := b.g.n - 1
	for face := range 2 {
		b.x[2*i+face] += w / b.solids[i]
	}
	b.begin()
}

// crustDeep is how thick a crust of what has neither coat nor skin is, m.
const crustDeep = 0.6e-3

// AddSurfaceWater wets both faces by w kg/m², or dries them if w is
// negative: on the food itself, under its coat.
func (b *Body) AddSurfaceWater(w float64) {
	i := b.g.n - 1
	for i > 0 && b.g.part[i] == Coat {
		i--
	}
	for face := range 2 {
		b.x[2*i+face] = max(0.1, b.x[2*i+face]+w/b.solids[i])
	}
	b.begin()
}

// Under puts the piece under the air of a kitchen; at the level of the sea where it is
// not said.
func (b *Body) Under(s *Sky) { b.sky = s }
