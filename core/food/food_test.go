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
			// The smallest solid of a volume is a sphere.
			if least := math.Pow(math.Pi, 1.0/3) * math.Pow(6*p.Volume, 2.0/3); p.Surface < 0.999*least {
				t.Errorf("%s: %g m² around %g m³, less than a sphere has", c.ID, p.Surface, p.Volume)
			}
			for _, k := range Coats() {
				// Both parts together have the food's mass and what sticks.
				kg := 0.0
				for _, part := range c.Columns(p, Coating{Coat: k, Oil: 0.5}, 1, 45) {
					body, err := thermal.New(part.Shape, part.Layers, thermal.DefaultResolution, 5)
					if err != nil {
						t.Fatalf("%s of %g g, %s: %v", c.ID, g, k.ID, err)
					}
					kg += part.Area * body.Mass()
				}
				coat := Coating{Coat: k, Oil: 0.5}
				if want := (g*(1-boneWeight(c)) + coat.Grams(p) - coat.FilmOil()*p.Surface*100) / 1000; math.Abs(kg/want-1) > 0.04 {
					t.Errorf("%s of %g g, %s: the parts weigh %.1f g, want %.1f", c.ID, g, k.ID, 1000*kg, 1000*want)
				}
			}
		}
	}
}

// boneWeight is the bone's share of the mass.
func boneWeight(c Cut) float64 { return c.Bone * 1250 / c.Density() }

func TestThicknessKeepsTheMass(t *testing.T) {
	c, err := FindCut("fish-fillet-white")
	if err != nil {
		t.Fatal(err)
	}
	a, b := c.Piece(140, 0), c.Piece(140, 30)
	if math.Abs(a.Volume-b.Volume) > 1e-12 || math.Abs(b.Thickness-0.03) > 1e-12 || math.Abs(b.Length*b.Width*b.Thickness-b.Volume) > 1e-12 {
		t.Errorf("140 g: %+v; 30 mm thick: %+v", a, b)
	}
	// A drumstick is round: thicker by ruler is thicker all round, and
	// shorter, until it is a ball.
	d, err := FindCut("chicken-drumstick")
	if err != nil {
		t.Fatal(err)
	}
	thin, thick, ball := d.Piece(115, 41), d.Piece(115, 48), d.Piece(115, 80)
	if thick.Width <= thin.Width || thick.Length >= thin.Length || math.Abs(thick.Width/thick.Thickness-d.Width) > 1e-9 {
		t.Errorf("41 mm: %+v; 48 mm: %+v", thin, thick)
	}
	if math.Abs(ball.Thickness-ball.Length) > 1e-9 || math.Abs(ball.Volume-thin.Volume) > 1e-12 {
		t.Errorf("80 mm: %+v", ball)
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
	for _, l := range coat.layers(1, 1) {
		kg += (l.Material.Solids + l.Material.Water + l.Material.Fat) * l.Thickness * p.Surface
	}
	if math.Abs(kg*1000-coat.Grams(p)) > 0.01*coat.Grams(p) {
		t.Errorf("layers weigh %.2f g, what sticks %.2f", kg*1000, coat.Grams(p))
	}
}
