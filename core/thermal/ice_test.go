package thermal

import (
	"bufio"
	"flag"
	"math"
	"os"
	"strconv"
	"strings"
	"testing"
)

var thawTable = flag.String("thaw", "testdata/thaw.csv", "a table of thawing by conduction alone, with its material in its head")

// thawing is the material of the table: 0.66 of water, all of which can freeze,
// from −1 °C on. Its ice has one latent heat at any cold; here that falls with the
// cold as heat capacities ask (Kirchhoff), so that as much heat as in the table
// goes in from −18 °C on with 340 kJ/kg at 0 °C.
func thawing() Material {
	const density, water = 1050.0, 0.66
	solids := density * (1 - water)
	return Material{Solids: solids, Water: density * water, SolidsHeat: (3500*density - waterHeat*density*water) / solids, DryK: 0.48, Ice: Ice{FreezesC: -1, Latent: 340000}}
}

func TestThaw(t *testing.T) {
	f, err := os.Open(*thawTable)
	if err != nil {
		t.Fatal(err)
	}
	defer f.Close()
	rows, worst := 0, 0.0
	for lines := bufio.NewScanner(f); lines.Scan(); {
		line := lines.Text()
		if strings.HasPrefix(line, "#") || strings.HasPrefix(line, "shape") || strings.TrimSpace(line) == "" {
			continue
		}
		var v [10]float64
		for i, s := range strings.Split(line, ",") {
			if v[i], err = strconv.ParseFloat(s, 64); err != nil {
				t.Fatalf("%q: %v", line, err)
			}
		}
		rows++
		b, err := New(v[0], []Layer{{Thickness: v[1] / 1000, Material: thawing()}}, DefaultResolution, v[4])
		if err != nil {
			t.Fatal(err)
		}
		air := Air{T: v[3], H: [2]float64{v[2], v[2]}, Adiabat: true}
		marks, at := [4]float64{-1.5, 5, 63, 74}, [4]float64{}
		step, s, was := 2.0, 0.0, b.Centre()
		for k := 0; k < 4 && s < 7200; {
			b.Step(step, air)
			s += step
			now := b.Centre()
			for k < 4 && now >= marks[k] {
				if was < marks[k] {
					at[k] = (s - step*(now-marks[k])/(now-was)) / 60
				}
				k++
			}
			was = now
		}
		for k, want := range v[5:9] {
			if d := at[k]/want - 1; want > 2 && k > 0 {
				worst = math.Max(worst, math.Abs(d))
				if math.Abs(d) > 0.03 {
					t.Errorf("%s: %g °C after %.2f min, want %.2f (%+.1f %%)", line, marks[k], at[k], want, 100*d)
				}
			}
		}
		if d := b.Mean() - v[9]; math.Abs(d) > 3 {
			t.Errorf("%s: mean %.1f °C, want %.1f", line, b.Mean(), v[9])
		}
	}
	if rows == 0 {
		t.Error("no rows")
	}
	t.Logf("%d rows, worst %.1f %%", rows, 100*worst)
}

// frozenFlesh is chicken-like: water that weeps, a coat that can be there.
func frozenFlesh() Material {
	return Material{Solids: 250, Fat: 40, Water: 780, DryK: 0.17, WetK: 0.36, Diffusivity: 1, Holding: 0.12, Ice: Ice{FreezesC: -1, Bound: 0.35}}
}

// thawed steps a piece in hot air until its middle is at c °C, and returns when,
// minutes.
func thawed(t *testing.T, shape float64, layers []Layer, start, step, c float64) (at float64, b *Body) {
	t.Helper()
	b, err := New(shape, layers, DefaultResolution, start)
	if err != nil {
		t.Fatal(err)
	}
	air := Air{T: 190, Vapour: 3000, H: [2]float64{52, 38}, Convect: [2]float64{44, 28}}
	for b.Centre() < c && at < 7200 {
		was := b.Centre()
		b.Step(step, air)
		if at += step; b.Centre() >= c {
			at -= step * (b.Centre() - c) / (b.Centre() - was)
		}
	}
	return at / 60, b
}

// With ice, evaporation, frost from moist air, a coat and a bone, what came in is
// what is stored and what left, and water closes.
func TestHeatClosesThroughThawing(t *testing.T) {
	crumb := Material{Solids: 300, Fat: 60, Water: 150, DryK: 0.08, WetK: 0.3, Pores: 0.5, Diffusivity: 2, Crisp: 1e-3, Ice: Ice{FreezesC: -2}}
	bone := Material{Part: Bone, Ice: Ice{FreezesC: -1, Fixed: 300}}
	for _, c := range []struct {
		shape  float64
		layers []Layer
		start  float64
	}{
		{1, []Layer{{10e-3, frozenFlesh()}}, -18}, {2, []Layer{{4e-3, bone}, {9e-3, frozenFlesh()}}, -20},
		{1.6, []Layer{{8e-3, frozenFlesh()}, {1.5e-3, crumb}}, -18}, {3, []Layer{{12e-3, frozenFlesh()}}, -2},
	} {
		b, err := New(c.shape, c.layers, DefaultResolution, c.start)
		if err != nil {
			t.Fatal(err)
		}
		frozenAt := b.StoredHeat()
		air := Air{T: 190, H: [2]float64{52, 38}, Convect: [2]float64{44, 28}}
		for s := 0; s < 900; s++ {
			air.Vapour = 20000 // moist at first: it deposits
			if s > 100 {
				air.Vapour = 3000
			}
			if s == 40 {
				b.Pour(0, 0.05, 20)
			}
			b.Step(float64(1+s%4), air)
			if s == 60 && !b.frozen {
				t.Errorf("%+v: no ice after two minutes", c.shape)
			}
		}
		if b.frozen {
			t.Errorf("%g: still frozen", c.shape)
		}
		l := b.Ledger()
		if d := b.StoredHeat() - l.StartHeat + l.Latent + l.Carried - l.Heat - l.PouredHeat; math.Abs(d) > 0.004*l.Heat {
			t.Errorf("%g: %.0f of %.0f J/m² astray; from %.0f", c.shape, d, l.Heat, frozenAt)
		}
		if lost := l.StartWater + l.Poured - b.Water(); math.Abs(lost-l.Vapour-l.Drip) > 0.001*lost {
			t.Errorf("%g: lost %.4f kg/m², vapour %.4f and drip %.4f", c.shape, lost, l.Vapour, l.Drip)
		}
	}
}

// A quarter of the longest step moves the middle's times at 74 °C by under half a
// percent, and those at 5 °C by 1.2; colder is
// later, and so is what has more water that freezes; what is thawed is sooner.
func TestThawingIsOfNoStep(t *testing.T) {
	for _, shape := range []float64{1, 1.7, 3} {
		one := []Layer{{11e-3, frozenFlesh()}}
		for _, mark := range []float64{5, 74} {
			long, _ := thawed(t, shape, one, -18, 7, mark)
			short, _ := thawed(t, shape, one, -18, 1.75, mark)
			// The middle of a ball is in one shell: its own ice goes at once.
			near := map[float64]float64{5: 0.012, 74: 0.005}[mark]
			if math.Abs(long/short-1) > near {
				t.Errorf("%g: %g °C after %.2f min in long steps, %.2f in short ones", shape, mark, long, short)
			}
		}
		bound := frozenFlesh()
		bound.Ice.Bound = 1
		was := 0.0
		for _, c := range []struct {
			name  string
			m     Material
			start float64
		}{{"thawed", frozenFlesh(), 1}, {"barely frozen", frozenFlesh(), -3}, {"more bound", bound, -18}, {"frozen", frozenFlesh(), -18}, {"colder", frozenFlesh(), -24}} {
			at, _ := thawed(t, shape, []Layer{{11e-3, c.m}}, c.start, 2, 74)
			if at <= was && c.name != "more bound" {
				t.Errorf("%g, %s: %.2f min, after %.2f", shape, c.name, at, was)
			}
			if c.name != "more bound" {
				was = at
			}
		}
	}
}

// What has no ice to come is stepped as if there were none.
func TestWithoutIceNothingChanges(t *testing.T) {
	dry := frozenFlesh()
	dry.Ice = Ice{}
	_, a := thawed(t, 1.5, []Layer{{9e-3, frozenFlesh()}}, 4, 3, 60)
	_, b := thawed(t, 1.5, []Layer{{9e-3, dry}}, 4, 3, 60)
	if a.Centre() != b.Centre() || a.Ledger() != b.Ledger() {
		t.Errorf("%v and %v", a.Ledger(), b.Ledger())
	}
}

// Heat and temperature are each other's inverse at any cold.
func TestColdAtIsTheInverse(t *testing.T) {
	b, err := New(1, []Layer{{10e-3, frozenFlesh()}}, DefaultResolution, -18)
	if err != nil {
		t.Fatal(err)
	}
	for c := -25.0; c < 10; c += 0.37 {
		e, slope := b.lacks(0, c)
		h := b.holds(0)
		if got := b.coldAt(0, h*c+e, h); math.Abs(got-c) > 1e-9 {
			t.Errorf("%g °C comes back as %g", c, got)
		}
		if up, _ := b.lacks(0, c+1e-5); math.Abs((up-e)/1e-5-slope) > 1e-3*math.Max(1, math.Abs(slope)) && math.Abs(c+1) > 1e-3 {
			t.Errorf("at %g °C the slope is %g, not %g", c, (up-e)/1e-5, slope)
		}
	}
}
