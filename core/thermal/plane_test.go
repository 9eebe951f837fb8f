package thermal

import (
	"fmt"
	"math"
	"testing"
)

// # An independent check in two dimensions
//
// A long cylinder of bone, flesh and coat, its upper half in another air than its
// lower one, by finite volumes in radius and angle, explicit in enthalpy: no two
// half-bodies, no shape number, no implicit step, no linear ice. Water does not
// move and nothing evaporates; that is held elsewhere.

// ring is a material by the radius, as the solver sees it.
type ring struct {
	c, k     float64 // J/m³·K without ice, W/m·K
	water    float64 // that can freeze, kg/m³
	freezes  float64
	conducts bool // its ice does
}

func ringOf(m Material) ring {
	if m.Part == Bone {
		return ring{boneHeat, boneConductivity, m.Ice.Fixed, m.Ice.FreezesC, true}
	}
	x := m.Water / m.Solids
	return ring{
		c:     m.Solids*orDefault(m.SolidsHeat, 2060) + fatHeat*m.Fat + waterHeat*m.Water,
		k:     m.DryK + m.WetK*x*x/(x*x+conductHalf*conductHalf),
		water: m.Solids * math.Max(0, x-m.Ice.Bound), freezes: m.Ice.FreezesC, conducts: true,
	}
}

// heat is what a cubic metre has at t °C, J over 0 °C.
func (r ring) heat(t float64) float64 {
	if r.water == 0 || t >= r.freezes {
		return r.c * t
	}
	return r.c*t + r.water*(1-r.freezes/t)*((iceHeat-waterHeat)*t-iceLatent)
}

// table is its temperature by heat, every kilojoule.
type table struct {
	from  float64
	t     []float64
	per   float64
	above ring
}

func (r ring) table() table {
	out := table{from: r.heat(-30), per: 2e5, above: r}
	t := -30.0
	for h := out.from; t < r.freezes+0.5 || len(out.t) == 0; h += out.per {
		lo, hi := t, 10.0
		for range 60 {
			if m := (lo + hi) / 2; r.heat(m) < h {
				lo = m
			} else {
				hi = m
			}
		}
		t = (lo + hi) / 2
		out.t = append(out.t, t)
	}
	return out
}

func (o *table) at(h float64) float64 {
	if h >= o.above.c*o.above.freezes || o.above.water == 0 {
		return h / o.above.c
	}
	x := (h - o.from) / o.per
	i := int(x)
	return o.t[i] + (x-float64(i))*(o.t[i+1]-o.t[i])
}

// cylinder runs it, and returns when its coldest flesh is at each of the marks,
// minutes.
func cylinder(layers []Layer, start, airC float64, film [2]float64, marks []float64) (at []float64) {
	const angles = 16
	var rings []ring
	var tables []table
	edges := []float64{0}
	flesh := 0
	for _, l := range layers {
		n := max(2, int(math.Round(l.Thickness/0.4e-3)))
		r := ringOf(l.Material)
		for range n {
			rings, tables = append(rings, r), append(tables, r.table())
			edges = append(edges, edges[len(edges)-1]+l.Thickness/float64(n))
		}
		if l.Material.Part == Bone {
			flesh = len(rings)
		}
	}
	n := len(rings)
	h, t := make([][angles]float64, n), make([][angles]float64, n)
	k := make([][angles]float64, n)
	mid := make([]float64, n)
	for i, r := range rings {
		mid[i] = (edges[i] + edges[i+1]) / 2
		for a := range angles {
			h[i][a], t[i][a] = r.heat(start), start
		}
	}
	const dt = 0.01
	dth := math.Pi / angles
	// Near the axis cells are too narrow to step: they are one around.
	one := 0
	for one < n-1 && edges[one+1] < 2e-3 {
		one++
	}
	for s, mark := 0.0, 0; mark < len(marks) && s < 3600; s += dt {
		for i, r := range rings {
			for a := range angles {
				k[i][a] = r.k
				if t[i][a] < r.freezes {
					k[i][a] += iceConducts * r.water * (1 - r.freezes/t[i][a]) / iceDensity
				}
			}
		}
		for i := range n - 1 {
			for a := range angles {
				q := (t[i+1][a] - t[i][a]) / ((edges[i+1]-mid[i])/k[i][a] + (mid[i+1]-edges[i+1])/k[i+1][a]) * edges[i+1] * dth * dt
				h[i][a] += q / (mid[i] * dth * (edges[i+1] - edges[i]))
				h[i+1][a] -= q / (mid[i+1] * dth * (edges[i+2] - edges[i+1]))
			}
		}
		for i := one; i < n; i++ {
			for a := range angles - 1 {
				q := (t[i][a+1] - t[i][a]) / (mid[i] * dth) * 2 / (1/k[i][a] + 1/k[i][a+1]) * (edges[i+1] - edges[i]) * dt
				v := mid[i] * dth * (edges[i+1] - edges[i])
				h[i][a] += q / v
				h[i][a+1] -= q / v
			}
		}
		last := n - 1
		for a := range angles {
			hs := film[0]
			if a >= angles/2 {
				hs = film[1]
			}
			q := (airC - t[last][a]) / (1/hs + (edges[n]-mid[last])/k[last][a]) * edges[n] * dth * dt
			h[last][a] += q / (mid[last] * dth * (edges[n] - edges[last]))
		}
		for i := range one {
			sum := 0.0
			for a := range angles {
				sum += h[i][a] / angles
			}
			for a := range angles {
				h[i][a] = sum
			}
		}
		cold := math.Inf(1)
		for i := range n {
			for a := range angles {
				t[i][a] = tables[i].at(h[i][a])
				if i >= flesh && rings[i].k > 0 {
					cold = math.Min(cold, t[i][a])
				}
			}
		}
		if cold >= marks[mark] {
			at = append(at, s/60)
			mark++
		}
	}
	return at
}

func TestUnequalFacesBoneCoatAndIce(t *testing.T) {
	t.Parallel()
	flesh := Material{Solids: 250, Fat: 40, Water: 780, DryK: 0.07, WetK: 0.43, Ice: Ice{FreezesC: -1.1, Bound: 0.4}}
	coat := Material{Solids: 420, Fat: 60, Water: 200, SolidsHeat: 1700, DryK: 0.10, WetK: 0.40, Part: Coat, Ice: Ice{FreezesC: -2, Bound: 0.3}}
	bone := Material{Part: Bone, Ice: Ice{FreezesC: -1, Fixed: 350}}
	filling := flesh
	filling.Water, filling.Fat = 700, 90
	for _, c := range []struct {
		name   string
		layers []Layer
		start  float64
		film   [2]float64
	}{
		{"alike", []Layer{{12e-3, flesh}}, 5, [2]float64{50, 50}},
		{"unequal", []Layer{{12e-3, flesh}}, 5, [2]float64{63, 30}},
		{"bone, unequal", []Layer{{4e-3, bone}, {10e-3, flesh}}, 5, [2]float64{63, 30}},
		{"stuffed, coated", []Layer{{6e-3, filling}, {7e-3, flesh}, {1.5e-3, coat}}, 5, [2]float64{63, 39}},
		{"frozen", []Layer{{12e-3, flesh}}, -18, [2]float64{50, 50}},
		{"frozen, unequal", []Layer{{12e-3, flesh}}, -18, [2]float64{63, 30}},
		{"frozen, bone, coat, unequal", []Layer{{4e-3, bone}, {9e-3, flesh}, {1.5e-3, coat}}, -18, [2]float64{63, 30}},
	} {
		t.Run(c.name, func(t *testing.T) {
			marks := []float64{40, 63, 74}
			want := cylinder(c.layers, c.start, 190, c.film, marks)
			b, err := New(2, c.layers, DefaultResolution, c.start)
			if err != nil {
				t.Fatal(err)
			}
			air := Air{T: 190, H: c.film, Adiabat: true}
			var at []float64
			for s, was := 0.0, b.Coldest(); len(at) < len(marks) && s < 3600; {
				b.Step(1, air)
				s++
				now := b.Coldest()
				for len(at) < len(marks) && now >= marks[len(at)] {
					at = append(at, (s-(now-marks[len(at)])/(now-was))/60)
				}
				was = now
			}
			said := ""
			for i := range marks {
				d := at[i]/want[i] - 1
				said += fmt.Sprintf("%g °C %.2f min, %.2f in two dimensions (%+.1f %%); ", marks[i], at[i], want[i], 100*d)
				if math.Abs(d) > 0.025 {
					t.Errorf("%g °C after %.2f min, in two dimensions %.2f (%+.1f %%)", marks[i], at[i], want[i], 100*d)
				}
			}
			t.Log(said)
		})
	}
}
