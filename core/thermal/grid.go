package thermal

import (
	"fmt"
	"math"
)

// A Material is what a layer is made of. Densities are of each component in
// the layer's own volume, kg/m³; Solids are all dry matter but fat.
type Material struct {
	Solids, Fat, Water float64 // kg/m³ at the start
	SolidsHeat         float64 // J/kg·K; 0 means that of protein, 2060
	// Conductivity is DryK + WetK·x²/(x²+0.45²) W/m·K, with x the water per
	// kg of fat-free dry matter: as given for meat down to x = 0.5, and
	// falling from there to that of a porous crust.
	DryK, WetK float64
	// Diffusivity scales the diffusivity of water in meat.
	Diffusivity float64
	// Pores is the porosity over the tortuosity once dry, 0 to 1: what of
	// free diffusion in air is open to vapour.
	Pores float64
	// Crisp is the thickness in m of which a dried layer is half as crisp as
	// can be; 0 for what never is.
	Crisp float64
	// Holding is the fall of the water mass fraction, on the fat-free mass,
	// that denaturing protein can still hold; 0 for what does not weep.
	Holding float64
	// Rendering scales the rate at which fat melts; 0 for none. Drains is
	// what leaves of it: the rest stays, liquid, where it was.
	Rendering, Drains float64
	Ice               Ice
	Part              Part
}

// A Part says which part of the piece a layer belongs to.
type Part uint8

const (
	Flesh Part = iota
	Bone
	Skin
	Coat
)

// A Layer is a shell of one material; layers are listed from the inside out.
type Layer struct {
	Thickness float64 // m
	Material  Material
}

// Resolution sets the shells: Surface is the outermost one's thickness in m
// and Growth how much thicker each next one inward is, per unit of depth.
type Resolution struct{ Surface, Growth float64 }

// DefaultResolution gives 13 to 22 shells for pieces of 15 to 50 mm.
var DefaultResolution = Resolution{Surface: 0.10e-3, Growth: 0.17}

// coatShells is how many shells a layer of coat has at least at the default
// resolution.
const coatShells = 5.0

// waterReach is the depth in m to which water moves in an hour: √(4·D·t) is
// 2 to 4 mm near 80 °C. What lies deeper only drips.
const waterReach = 6e-3

// Finer returns r with n times the shells.
func (r Resolution) Finer(n float64) Resolution {
	return Resolution{r.Surface / n, r.Growth / n}
}

// grid is the geometry of the shells of one half-body, everything per unit
// of half-surface. It never changes during a cook.
type grid struct {
	n      int
	shape  float64 // E, 1 slab to 3 sphere
	radius float64 // m
	mat    []Material
	part   []Part
	width  []float64 // m
	volume []float64 // m³/m²
	// inner and outer are the resistances of a shell of unit conductivity
	// from its middle to its inner and outer boundary, m²·K/W per W/m·K.
	inner, outer []float64
	around       []float64 // exchange with the other half per unit conductivity, 1/m
	centre       float64   // conductance through the centre per unit conductivity, 1/m
	late         []float64 // K by which a shell boils later than one at the surface
	first        int       // innermost shell that is not bone
	moves        int       // innermost shell in which water moves
	// extrapolate is the weight by which the centre of a boneless piece is
	// colder than its innermost shell, in differences to the next shell.
	extrapolate float64
}

func newGrid(shape float64, layers []Layer, res Resolution) (*grid, error) {
	if !(shape >= 1 && shape <= 3) {
		return nil, fmt.Errorf("shape number %g is outside 1 to 3", shape)
	}
	g := &grid{shape: shape}
	for _, l := range layers {
		if !(l.Thickness > 0) {
			return nil, fmt.Errorf("layer thickness %g m is not positive", l.Thickness)
		}
		g.radius += l.Thickness
	}
	// Equal steps in s(depth) = ln(1 + growth·depth/surface)/growth make
	// shells of about surface + growth·depth.
	s := func(depth float64) float64 { return math.Log1p(res.Growth*depth/res.Surface) / res.Growth }
	back := func(s float64) float64 { return math.Expm1(res.Growth*s) * res.Surface / res.Growth }
	R, E := g.radius, shape
	r := 0.0
	var edges []float64
	for _, l := range layers {
		from, to := s(R-r), s(R-r-l.Thickness)
		n := max(1, int(math.Round(from-to)))
		switch l.Material.Part {
		case Bone:
			n = max(2, n/3)
		case Coat:
			n = max(n, int(math.Ceil(coatShells*(DefaultResolution.Surface/res.Surface))))
		}
		for i := range n {
			edge := R - back(from+(to-from)*float64(i)/float64(n))
			if i == 0 {
				edge = r
			}
			edges = append(edges, edge)
			g.mat = append(g.mat, l.Material)
			g.part = append(g.part, l.Material.Part)
		}
		r += l.Thickness
	}
	edges = append(edges, R)
	g.n = len(g.mat)
	// The mean of r² over a shell. A piece that heats through has a profile
	// quadratic in r whatever E is, so fluxes are taken over differences of
	// mean r²: exact for that profile even in the thick inner shells.
	square := func(i int) float64 {
		a, b := edges[i], edges[i+1]
		return E / (E + 2) * (math.Pow(b, E+2) - math.Pow(a, E+2)) / (math.Pow(b, E) - math.Pow(a, E))
	}
	resist := func(from, to, at float64) float64 { return (to - from) / (2 * at) * math.Pow(R/at, E-1) }
	for i := range g.n {
		a, b := edges[i], edges[i+1]
		mid := math.Sqrt(square(i))
		g.width = append(g.width, b-a)
		g.volume = append(g.volume, (math.Pow(b, E)-math.Pow(a, E))/(E*math.Pow(R, E-1)))
		g.outer = append(g.outer, resist(square(i), b*b, b))
		in := 0.0
		if i > 0 {
			in = resist(a*a, square(i), a)
		}
		g.inner = append(g.inner, in)
		// What goes around at this radius: exact for the first angular
		// mode, whose eigenvalue is 1 for a cylinder and 2 for a sphere.
		g.around = append(g.around, (E-1)/2*(b-a)*math.Pow(mid, E-3)/math.Pow(R, E-1))
	}
	if E < 2 {
		// The path through the centre makes up the whole radius for steady
		// conduction from face to face, whose profile is not quadratic.
		through := R / (2 - E)
		for i := range g.n {
			through -= g.inner[i] + g.outer[i]
		}
		g.centre = 1 / (2 * math.Max(through, 0.05*g.width[0]))
	}
	for i := range g.n {
		g.late = append(g.late, min(pressTop, pressSlope*(R-(edges[i]+edges[i+1])/2)))
	}
	for g.moves < g.n-1 && R-edges[g.moves+1] > waterReach {
		g.moves++
	}
	for g.first < g.n-1 && g.part[g.first] == Bone {
		g.first++
	}
	if g.first == 0 && g.n > 1 {
		g.extrapolate = square(0) / (square(1) - square(0))
	}
	return g, nil
}
