package thermal

// Ledger returns what came and went so far.
func (b *Body) Ledger() Ledger { return b.ledger }

// Frozen says whether there is ice in it.
func (b *Body) Frozen() bool { return b.frozen }

// Shape returns the shape number.
func (b *Body) Shape() float64 { return b.g.shape }

// Surface returns the temperature of a face's surface, °C.
func (b *Body) Surface(face int) float64 { return b.surf[face] }

// SurfaceWater returns the water content at a face's very surface, kg/kg
// fat-free dry.
func (b *Body) SurfaceWater(face int) float64 { return b.dry[face] }

// StoredHeat returns the heat in the piece above 0 °C, J per m² of surface.
func (b *Body) StoredHeat() float64 {
	h := 0.0
	for i := range b.g.n {
		for j := 2 * i; j < 2*i+2; j++ {
			h += (b.heat[i] + fatHeat*b.fat[j] + waterHeat*b.solids[i]*b.x[j]) * b.t[j] / 2
			if b.frozen {
				ice, _ := b.lacks(j, b.t[j])
				h += ice / 2
			}
		}
	}
	return h
}

// Water returns the water in the piece, kg per m² of surface.
func (b *Body) Water() float64 { return b.water(func(Part) bool { return true }) }

// Mass returns what the piece weighs without its bone, kg per m² of surface.
func (b *Body) Mass() float64 {
	m := b.Water()
	for i, part := range b.g.part {
		if part != Bone {
			m += b.solids[i] + (b.fat[2*i]+b.fat[2*i+1])/2
		}
	}
	return m
}

// FleshWater returns the water in the flesh, kg per m² of surface.
func (b *Body) FleshWater() float64 { return b.water(func(p Part) bool { return p == Flesh }) }

func (b *Body) water(in func(Part) bool) (w float64) {
	for i := range b.g.n {
		if in(b.g.part[i]) {
			w += b.solids[i] * (b.x[2*i] + b.x[2*i+1]) / 2
		}
	}
	return w
}

// Fat returns the fat of skin, wrap and other parts that render, kg per m²
// of surface, and how much of it is still firm.
func (b *Body) Fat() (all, firm float64) {
	for i := range b.g.n {
		if b.g.mat[i].Rendering > 0 {
			all += (b.fat[2*i] + b.fat[2*i+1]) / 2
			firm += (b.firm[2*i] + b.firm[2*i+1]) / 2
		}
	}
	return all, firm
}

// Coldest returns the temperature of the coldest flesh, °C: of the centre,
// of the flesh beside the bone, or of any shell that is colder still.
func (b *Body) Coldest() float64 {
	g := b.g
	cold := b.Centre()
	for i := g.first; i < g.n; i++ {
		if g.part[i] == Flesh {
			cold = min(cold, b.t[2*i], b.t[2*i+1])
		}
	}
	return cold
}

// Centre returns the temperature at the centre of a boneless piece, or of
// the flesh where it touches the bone, on its colder half, °C.
func (b *Body) Centre() float64 {
	g := b.g
	i := g.first
	if g.n == 1 {
		return min(b.t[0], b.t[1])
	}
	at := func(face int) float64 {
		j := 2*i + face
		if i == 0 {
			// What boils is flat: there the shell stands for the centre.
			curved := min(1, max(0, (b.sky.leastBoiling-b.t[j])/boilsOver))
			return b.t[j] - curved*g.extrapolate*(b.t[j+2]-b.t[j])
		}
		bone, flesh := boneConductivity/g.outer[i-1], b.k[j]/g.inner[i]
		return (bone*b.t[j-2] + flesh*b.t[j]) / (bone + flesh)
	}
	return min(at(0), at(1))
}

// boilsOver is over how many kelvins under leastBoiling the profile at the
// centre flattens.
const boilsOver = 4.0

// Dried returns the thickness of a face's crust, m: of the shells that have
// dried, each by a smooth share that is one half at 0.2 kg water per kg dry,
// and that have set, which takes minutes at the heat of boiling. What has
// merely dried in warm air, or went in dry like crumbs, is no crust yet.
func (b *Body) Dried(face int) float64 {
	d := 0.0
	b.dried(face, func(_ int, m float64) { d += m })
	return d
}

// Crust returns the same in units of the thickness at which each layer is
// half as crisp as can be.
func (b *Body) Crust(face int) float64 {
	u := 0.0
	b.dried(face, func(i int, m float64) {
		if half := b.g.mat[i].Crisp; half > 0 {
			u += m / half
		}
	})
	return u
}

func (b *Body) dried(face int, add func(shell int, m float64)) {
	for i := b.g.n - 1; i >= b.g.first; i-- {
		q := b.x[2*i+face] / 0.2
		q *= q
		if q > 50 {
			return
		}
		add(i, b.g.width[i]/(1+q*q)*b.set[2*i+face])
	}
}

// Profile returns a face's temperatures from its surface inward, as pairs of
// depth in m and °C.
func (b *Body) Profile(face int) [][2]float64 {
	out := [][2]float64{{0, b.surf[face]}}
	edge := 0.0
	for i := b.g.n - 1; i >= b.g.first; i-- {
		out = append(out, [2]float64{edge + b.g.width[i]/2, b.t[2*i+face]})
		edge += b.g.width[i]
	}
	return out
}

// Mean returns the mean temperature of the flesh by volume, °C.
func (b *Body) Mean() float64 {
	sum, volume := 0.0, 0.0
	for i := range b.g.n {
		if b.g.part[i] == Flesh {
			sum += b.g.volume[i] * (b.t[2*i] + b.t[2*i+1]) / 2
			volume += b.g.volume[i]
		}
	}
	return sum / volume
}
