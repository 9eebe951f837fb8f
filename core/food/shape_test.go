package food

import (
	"encoding/csv"
	"flag"
	"fmt"
	"math"
	"os"
	"strconv"
	"testing"

	"velocrustum/core/thermal"
)

var shapes = flag.String("shapes", "testdata/shapes.csv", "table of bodies that a finite-element solution was made for")

// TestShapes holds the parts of a piece against finite-element solutions of
// pure conduction in whole bodies: the minute at which the coldest point is
// at 74 °C within 3 %, and the body's mean then within 8 K.
func TestShapes(t *testing.T) {
	f, err := os.Open(*shapes)
	if err != nil {
		t.Fatal(err)
	}
	defer f.Close()
	rows, err := csv.NewReader(f).ReadAll()
	if err != nil {
		t.Fatal(err)
	}
	column := map[string]int{}
	for i, name := range rows[0] {
		column[name] = i
	}
	worst, apart := 0.0, 0.0
	for n, row := range rows[1:] {
		num := func(name string) float64 {
			v, err := strconv.ParseFloat(row[column[name]], 64)
			if err != nil {
				t.Fatalf("row %d, %s: %v", n+1, name, err)
			}
			return v
		}
		form, ok := map[string]Form{"box": Slab, "cylinder": Cylinder, "ellipsoid": Ellipsoid}[row[column["form"]]]
		if !ok {
			t.Fatalf("row %d: form %q", n+1, row[column["form"]])
		}
		p := NewPiece(form, num("length_mm")/1000, num("width_mm")/1000, num("thickness_mm")/1000)
		k := num("k")
		air := thermal.Air{T: num("air_c"), H: [2]float64{num("h_upper"), num("h_lower")}, Adiabat: true}
		inert := thermal.Material{Solids: 1000, SolidsHeat: num("rho_c") / 1000, Water: 1e-9, DryK: k}
		var bodies []*thermal.Body
		parts := p.Parts((air.H[0] + air.H[1]) / 2 * p.Half() / k)
		for _, part := range parts {
			b, err := thermal.New(part.Shape, []thermal.Layer{{Thickness: p.Half(), Material: inert}}, thermal.DefaultResolution, num("start_c"))
			if err != nil {
				t.Fatal(err)
			}
			bodies = append(bodies, b)
		}
		const dt = 1.0
		minutes, last := math.NaN(), num("start_c")
		for s := 0.0; s < 3*3600 && math.IsNaN(minutes); s += dt {
			for _, b := range bodies {
				b.Step(dt, air)
			}
			if c := bodies[0].Coldest(); c >= 74 {
				minutes = (s + dt - dt*(c-74)/(c-last)) / 60
			} else {
				last = c
			}
		}
		mean := 0.0
		for i, b := range bodies {
			mean += parts[i].Share * b.Mean()
		}
		late, warm := 100*(minutes/num("core_74_min")-1), mean-num("mean_c_then")
		worst, apart = math.Max(worst, math.Abs(late)), math.Max(apart, math.Abs(warm))
		if !(math.Abs(late) <= 3) || !(math.Abs(warm) <= 8) {
			t.Errorf("%s %s × %s × %s mm, h %s and %s: %+.1f %% late, mean %+.1f K", row[0], row[1], row[2], row[3], row[column["h_upper"]], row[column["h_lower"]], late, warm)
		}
	}
	t.Logf("%d rows: the coldest point within %.1f %%, the mean within %.1f K", len(rows)-1, worst, apart)
}

// A box is exactly the product of three slabs, for any size and film: the
// shape is held to boxes that no table has.
func TestBoxesAreProductsOfSlabs(t *testing.T) {
	const k, rhoc, air, start, goal = 0.45, 3.6e6, 185.0, 5.0, 74.0
	for _, box := range [][3]float64{{80, 50, 10}, {60, 25, 22}, {120, 90, 35}, {40, 40, 40}, {50, 20, 20}, {90, 30, 8}} {
		for _, h := range []float64{15, 37, 80, 250} {
			p := NewPiece(Slab, box[0]/1000, box[1]/1000, box[2]/1000)
			left := (air - goal) / (air - start)
			minutes := bisect(0, 300, func(m float64) bool {
				theta := 1.0
				for _, mm := range box {
					half := mm / 2000
					theta *= slabCentre(h*half/k, k/rhoc*m*60/half/half)
				}
				return theta > left
			})
			part := p.Parts(h * p.Half() / k)[0]
			if late := 100 * (minutesTo(t, part.Shape, p.Half(), k, rhoc, h, start, air, goal)/minutes - 1); math.Abs(late) > 3 {
				t.Errorf("%v mm at h %g: %.1f %% from the product of three slabs, %.2f min", box, h, late, minutes)
			}
		}
	}
}

// bisect finds where a condition that holds at lo stops holding.
func bisect(lo, hi float64, holds func(float64) bool) float64 {
	for range 60 {
		if m := (lo + hi) / 2; holds(m) {
			lo = m
		} else {
			hi = m
		}
	}
	return lo
}

// slabCentre is the share of the initial difference left at a slab's centre
// (Carslaw and Jaeger, chapter 3).
func slabCentre(bi, fo float64) (left float64) {
	for n := range 50 {
		z := bisect(float64(n)*math.Pi, (float64(n)+0.5)*math.Pi-1e-9, func(z float64) bool { return z*math.Tan(z) < bi })
		left += 4 * math.Sin(z) / (2*z + math.Sin(2*z)) * math.Exp(-z*z*fo)
	}
	return min(1, left)
}

func TestPartsMakeUpThePiece(t *testing.T) {
	for _, c := range Cuts() {
		for _, g := range []float64{c.Least, c.Typical, c.Most} {
			for _, bi := range []float64{0.3, 1, 8} {
				p := c.Piece(g, 0)
				volume, surface := 0.0, 0.0
				for _, part := range p.Parts(bi) {
					if part.Shape < 1 || part.Shape > 3 || part.Share <= 0 {
						t.Errorf("%s of %g g at Bi %g: %+v", c.ID, g, bi, part)
					}
					volume += part.Share
					surface += part.Share * part.Shape
				}
				if whole := p.Surface * p.Half() / p.Volume; math.Abs(volume-1) > 1e-9 || math.Abs(surface/whole-1) > 0.01 {
					t.Errorf("%s of %g g at Bi %g: parts of %.3f of the volume and %.3f of the surface", c.ID, g, bi, volume, surface/whole)
				}
			}
		}
	}
	ball := NewPiece(Ellipsoid, 0.03, 0.03, 0.03).Parts(1)
	sheet := NewPiece(Slab, 2, 2, 0.01).Parts(1)
	rod := NewPiece(Cylinder, 2, 0.02, 0.02).Parts(1)
	if len(ball) != 1 || math.Abs(ball[0].Shape-3) > 0.01 || math.Abs(sheet[0].Shape-1) > 0.01 || math.Abs(rod[0].Shape-2) > 0.01 {
		t.Errorf("ball %v, sheet %v, rod %v", ball, sheet, rod)
	}
}

func ExamplePiece_Parts() {
	c, _ := FindCut("chicken-wing-flat")
	for _, part := range c.Piece(42, 23).Parts(1) {
		fmt.Printf("E %.1f in %.0f %% of the volume\n", part.Shape, 100*part.Share)
	}
	// Output:
	// E 1.5 in 53 % of the volume
	// E 2.6 in 47 % of the volume
}

// A round cylinder is exactly the product of a long one and a slab: sticks,
// stubs and discs that no table has.
func TestCylindersAreProducts(t *testing.T) {
	const k, rhoc, air, start, goal = 0.45, 3.6e6, 185.0, 5.0, 74.0
	for _, c := range [][2]float64{{100, 12}, {60, 20}, {40, 26}, {36, 36}, {22, 30}, {15, 40}, {12, 70}} {
		length, across := c[0]/1000, c[1]/1000
		for _, h := range []float64{15, 37, 80, 250} {
			p := NewPiece(Cylinder, length, across, across)
			left := (air - goal) / (air - start)
			minutes := bisect(0, 300, func(m float64) bool {
				s := k / rhoc * m * 60
				return slabCentre(h*length/2/k, s*4/length/length)*rodCentre(h*across/2/k, s*4/across/across) > left
			})
			part := p.Parts(h * p.Half() / k)[0]
			if late := 100 * (minutesTo(t, part.Shape, p.Half(), k, rhoc, h, start, air, goal)/minutes - 1); math.Abs(late) > 4 {
				t.Errorf("%g mm long, %g across, at h %g: E %.2f, %+.1f %% from the product, %.2f min", c[0], c[1], h, part.Shape, late, minutes)
			}
		}
	}
}

// rodCentre is the share of the initial difference left on a long cylinder's
// axis (Carslaw and Jaeger, chapter 7).
func rodCentre(bi, fo float64) (left float64) {
	const step = 0.05
	f := func(z float64) float64 { return z*math.J1(z) - bi*math.J0(z) }
	for z, n := 1e-9, 0; n < 12; z += step {
		if f(z)*f(z+step) > 0 {
			continue
		}
		rising := f(z+step) > 0
		root := bisect(z, z+step, func(z float64) bool { return f(z) > 0 != rising })
		n++
		left += 2 / root * math.J1(root) / (math.J0(root)*math.J0(root) + math.J1(root)*math.J1(root)) * math.Exp(-root*root*fo)
	}
	return min(1, left)
}

// minutesTo returns when the coldest spot of a dry body of a shape, half
// thickness r, comes to goal °C in air, by the engine.
func minutesTo(t *testing.T, shape, r, k, rhoc, h, start, air, goal float64) float64 {
	t.Helper()
	b, err := thermal.New(shape, []thermal.Layer{{Thickness: r, Material: thermal.Material{Solids: 1000, SolidsHeat: rhoc / 1000, Water: 1e-9, DryK: k}}}, thermal.DefaultResolution, start)
	if err != nil {
		t.Fatal(err)
	}
	s := 0.0
	for b.Coldest() < goal {
		b.Step(1, thermal.Air{T: air, H: [2]float64{h, h}, Adiabat: true})
		s++
	}
	return s / 60
}
