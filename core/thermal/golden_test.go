package thermal_test

import (
	"fmt"
	"testing"

	"velocrustum/core/refuse/goldentest"
	"velocrustum/core/thermal"
)

// Bodies of all kinds, in air of all kinds, are as they were read: naked and in loose and
// dense coats, with skin, fat and bone, frozen, fried before, glazed, high above the sea,
// under a grill, in steam, sauced and rested.
func TestBodiesAreAsTheyWereRead(t *testing.T) {
	t.Parallel()
	meat := thermal.Material{Solids: 250, Fat: 60, Water: 800, DryK: 0.07, WetK: 0.46, Diffusivity: 1, Crisp: 0.6e-3, Holding: 0.3, Rendering: 1, Drains: 0.6, Ice: thermal.Ice{FreezesC: -1.1, Bound: 0.4}}
	bone := thermal.Material{DryK: 0.3, Part: thermal.Bone, Ice: thermal.Ice{FreezesC: -1, Fixed: 300}}
	skin := thermal.Material{Solids: 400, Fat: 300, Water: 400, DryK: 0.08, WetK: 0.3, Diffusivity: 0.4, Crisp: 0.3e-3, Rendering: 1.4, Drains: 0.8, Part: thermal.Skin, Ice: thermal.Ice{FreezesC: -1.5, Bound: 0.3}}
	crumb := thermal.Material{Solids: 350, Fat: 40, Water: 180, DryK: 0.06, WetK: 0.25, Diffusivity: 1.2, Pores: 0.35, Crisp: 0.5e-3, Part: thermal.Coat}
	paste := thermal.Material{Solids: 500, Fat: 20, Water: 600, DryK: 0.08, WetK: 0.3, Diffusivity: 0.8, Pores: 0.06, Crisp: 0.5e-3, Part: thermal.Coat}
	// layers are thicknesses, m, each with what it is of.
	layers := func(of ...any) (out []thermal.Layer) {
		for i := 0; i < len(of); i += 2 {
			out = append(out, thermal.Layer{Thickness: of[i].(float64), Material: of[i+1].(thermal.Material)})
		}
		return out
	}
	airs := map[string]thermal.Air{
		"hot":    {T: 190, Vapour: 2500, H: [2]float64{48, 30}, Convect: [2]float64{38, 20}},
		"grill":  {T: 160, Vapour: 1500, H: [2]float64{30, 14}, Convect: [2]float64{22, 10}, Radiant: [2]float64{9000, 0}},
		"steam":  {T: 96, Vapour: 70000, H: [2]float64{20, 20}, Convect: [2]float64{15, 15}},
		"sauced": {T: 190, Vapour: 2500, H: [2]float64{48, 30}, Convect: [2]float64{38, 20}, Under: [2]float64{0.97, 0}},
		"rack":   {T: 22, Vapour: 1200, H: [2]float64{11, 9}, Convect: [2]float64{5, 4}},
		"oil":    {T: 170, H: [2]float64{300, 300}, Adiabat: true},
	}
	var f goldentest.File
	for _, c := range []struct {
		name   string
		shape  float64
		layers []thermal.Layer
		res    thermal.Resolution
		startC float64
		before func(b *thermal.Body)
		airs   []string
	}{
		{"slab", 1, layers(0.009, meat), thermal.DefaultResolution, 5, func(b *thermal.Body) { b.AddSurfaceWater(0.3) }, []string{"hot", "hot", "rack"}},
		{"ball", 2.6, layers(0.018, meat, 0.001, skin), thermal.DefaultResolution, 5, func(b *thermal.Body) { b.Wick(0.6) }, []string{"hot", "grill", "hot"}},
		{"bone", 1.8, layers(0.006, bone, 0.014, meat, 0.0012, skin), thermal.DefaultResolution, 5, nil, []string{"hot", "hot", "hot"}},
		{"crumb", 1.2, layers(0.008, meat, 0.0014, crumb), thermal.DefaultResolution, 5, func(b *thermal.Body) { b.AddSurfaceWater(0.1) }, []string{"hot", "sauced", "rack"}},
		{"crumb, high up", 1.2, layers(0.008, meat, 0.0014, crumb), thermal.DefaultResolution, 5, func(b *thermal.Body) { b.Under(thermal.SkyAt(79500)) }, []string{"hot", "hot", "steam"}},
		{"paste", 1.4, layers(0.01, meat, 0.002, paste), thermal.Resolution{Surface: 0.2e-3, Growth: 0.45}, 18, func(b *thermal.Body) { b.Glaze(0.1) }, []string{"hot", "hot", "steam"}},
		{"frozen", 1.3, layers(0.011, meat, 0.0012, crumb), thermal.DefaultResolution, -18, func(b *thermal.Body) { b.Glaze(0.2) }, []string{"hot", "hot", "hot"}},
		{"frozen on the bone", 1.8, layers(0.005, bone, 0.012, meat, 0.001, skin), thermal.Resolution{Surface: 0.2e-3, Growth: 0.45}, -18, func(b *thermal.Body) { b.Under(thermal.SkyAt(85000)) }, []string{"hot", "grill", "hot"}},
		{"fried before", 1.2, layers(0.008, meat, 0.0014, crumb), thermal.DefaultResolution, -10, func(b *thermal.Body) { b.Fried(0.5, 0.3) }, []string{"hot", "hot", "rack"}},
		{"in oil", 2, layers(0.013, meat, 0.001, crumb), thermal.DefaultResolution, 6, nil, []string{"oil", "oil", "rack"}},
		{"brushed", 1, layers(0.012, meat, 0.001, skin), thermal.DefaultResolution, 5, func(b *thermal.Body) { b.Pour(1, 0.05, 25) }, []string{"hot", "hot", "steam"}},
	} {
		b, err := thermal.New(c.shape, c.layers, c.res, c.startC)
		if err != nil {
			t.Fatal(c.name, err)
		}
		if c.before != nil {
			c.before(b)
		}
		for k, name := range c.airs {
			air := airs[name]
			var flow thermal.Flow
			for i := range 300 {
				dt := []float64{0.5, 1, 2}[k]
				flow = b.Step(dt, air)
				if i == 150 && k == 1 {
					b.Pour(0, 0.03, 20)
					b.Return(0.004)
				}
				if i%60 != 59 {
					continue
				}
				at := fmt.Sprintf("%s %d %s %d", c.name, k, name, i)
				all, firm := b.Fat()
				f.Add(t, at, []any{b.Surface(0), b.Surface(1), b.Coldest(), b.Centre(), b.Mean(), flow, b.Frozen()})
				f.Add(t, at+" water", []float64{b.Water(), b.FleshWater(), b.Mass(), b.SurfaceWater(0), b.SurfaceWater(1), b.Dried(0), b.Crust(0), b.Crust(1), all, firm})
			}
			f.Add(t, c.name+" ledger", b.Ledger())
			f.Add(t, c.name+" profile", b.Profile(k%2))
		}
		f.Add(t, c.name+" shape", []float64{b.Shape(), b.StoredHeat()})
	}
	f.Same(t, "bodies.txt")
}
