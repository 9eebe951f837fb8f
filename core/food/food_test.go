package food

import (
	"math"
	"testing"

	"velocrustum/core/safety"
	"velocrustum/core/thermal"
)

func TestEveryCutIsWhole(t *testing.T) {
	seen := map[string]bool{}
	for _, c := range Cuts() {
		for name, k := range map[string]Composition{"flesh": c.Flesh, "skin": c.Skin, "filling": c.Filling} {
			if sum := k.Water + k.Protein + k.Fat + k.Carb + k.Ash; sum != 0 && math.Abs(sum-1) > 1e-9 {
				t.Errorf("%s: the %s's fractions add up to %g", c.ID, name, sum)
			}
		}
		if c.SkinMm > 0 && c.Skin.Water == 0 {
			t.Errorf("%s has a skin of nothing", c.ID)
		}
		if _, err := safety.For(safety.US, c.Class, 0); err != nil {
			t.Errorf("%s: %v", c.ID, err)
		}
		if !(c.Least < c.Typical && c.Typical < c.Most) || c.Source == "" || c.Name == "" || c.Plural == "" || c.Faces[0] == c.Faces[1] || seen[c.ID] {
			t.Errorf("%s is not filled in", c.ID)
		}
		seen[c.ID] = true
		for _, g := range []float64{c.Least, c.Typical, c.Most} {
			p := c.Piece(g, 0)
			if e := p.Shape(); e < 1 || e > 3 {
				t.Errorf("%s of %g g has shape number %g", c.ID, g, e)
			}
			// The smallest solid of a volume is a sphere.
			if least := math.Pow(math.Pi, 1.0/3) * math.Pow(6*p.Volume, 2.0/3); p.Surface < 0.999*least {
				t.Errorf("%s: %g m² around %g m³, less than a sphere has", c.ID, p.Surface, p.Volume)
			}
			for _, k := range Coats() {
				if _, err := thermal.New(p.Shape(), c.Layers(p, Coating{Coat: k, Oil: 0.5}, 1), thermal.DefaultResolution, 5); err != nil {
					t.Errorf("%s of %g g, %s: %v", c.ID, g, k.ID, err)
				}
			}
		}
	}
}

func TestThicknessKeepsTheMass(t *testing.T) {
	c, err := FindCut("fish-fillet-white")
	if err != nil {
		t.Fatal(err)
	}
	a, b := c.Piece(140, 0), c.Piece(140, 30)
	if math.Abs(a.Volume-b.Volume) > 1e-12 || math.Abs(b.Thickness-0.03) > 1e-12 || math.Abs(b.Length*b.Width*b.Thickness-b.Volume) > 1e-12 {
		t.Errorf("140 g: %+v; 30 mm thick: %+v", a, b)
	}
}

func TestShapeNumbersOfKnownSolids(t *testing.T) {
	sphere := Cut{Form: Ellipsoid, Length: 1, Width: 1, Flesh: Composition{Water: 1}}
	rod := Cut{Form: Cylinder, Length: 400, Width: 1, Flesh: Composition{Water: 1}}
	sheet := Cut{Form: Slab, Length: 500, Width: 500, Flesh: Composition{Water: 1}}
	for _, c := range []struct {
		cut  Cut
		want float64
	}{{sphere, 3}, {rod, 2}, {sheet, 1}} {
		if e := c.cut.Piece(50, 0).Shape(); math.Abs(e-c.want) > 0.02 {
			t.Errorf("shape number %.3f, want %g", e, c.want)
		}
	}
}

func TestCoatWeighsWhatSticks(t *testing.T) {
	k, err := FindCoat("three-bowl-crumb")
	if err != nil {
		t.Fatal(err)
	}
	c, _ := FindCut("chicken-breast-cutlet")
	p := c.Piece(130, 17)
	coat := Coating{Coat: k}
	kg := 0.0
	for _, l := range coat.layers() {
		kg += (l.Material.Solids + l.Material.Water + l.Material.Fat) * l.Thickness * p.Surface
	}
	if math.Abs(kg*1000-coat.Grams(p)) > 0.01*coat.Grams(p) {
		t.Errorf("layers weigh %.2f g, what sticks %.2f", kg*1000, coat.Grams(p))
	}
}
