package thermal

import (
	"math"
	"math/rand/v2"
	"testing"
)

// fry runs a piece for some minutes in steady air.
func fry(t *testing.T, b *Body, minutes float64, air Air) {
	t.Helper()
	for range int(minutes * 30) {
		b.Step(2, air)
	}
}

func TestFacesDifferOnlyByTheirAir(t *testing.T) {
	even := fryerAir
	even.H[1], even.Convect[1] = even.H[0], even.Convect[0]
	b := wing(t, DefaultResolution)
	fry(t, b, 12, even)
	for j := 0; j < len(b.t); j += 2 {
		if math.Abs(b.t[j]-b.t[j+1]) > 1e-9 || math.Abs(b.x[j]-b.x[j+1]) > 1e-9 {
			t.Fatalf("shell %d: %g and %g °C under the same air", j/2, b.t[j], b.t[j+1])
		}
	}
	// Exchanging the airs exchanges the faces.
	one, two := wing(t, DefaultResolution), wing(t, DefaultResolution)
	swapped := fryerAir
	swapped.H[0], swapped.H[1] = swapped.H[1], swapped.H[0]
	swapped.Convect[0], swapped.Convect[1] = swapped.Convect[1], swapped.Convect[0]
	fry(t, one, 12, fryerAir)
	fry(t, two, 12, swapped)
	if math.Abs(one.Surface(0)-two.Surface(1)) > 1e-6 || math.Abs(one.Dried(1)-two.Dried(0)) > 1e-9 {
		t.Errorf("faces %.3f and %.3f °C", one.Surface(0), two.Surface(1))
	}
	if one.Surface(0) <= one.Surface(1) || one.Dried(0) <= one.Dried(1) {
		t.Error("the face in harder air is no further")
	}
}

func TestWaterHoldsTheInsideAtItsBoilingPoint(t *testing.T) {
	b := wing(t, DefaultResolution)
	fry(t, b, 30, fryerAir)
	if c := b.Coldest(); c < 90 || c > 103 {
		t.Errorf("after half an hour the flesh is at %.1f °C", c)
	}
	if s := b.Surface(0); s < 115 || s > fryerAir.T {
		t.Errorf("and its surface at %.1f °C", s)
	}
}

// While shells come to the boil one after another, the coldest flesh in air
// of constant heat never cools.
func TestBoilingNeverCoolsTheCore(t *testing.T) {
	for _, shape := range []float64{1, 1.4, 2.1, 3} {
		b, err := New(shape, []Layer{{8e-3, thigh}}, DefaultResolution, 5)
		if err != nil {
			t.Fatal(err)
		}
		last := 5.0
		for step := range 720 {
			b.Step(2, fryerAir)
			if c := b.Coldest(); c < last-0.05 {
				t.Fatalf("E %g: the core fell from %.2f to %.2f °C after %d s", shape, last, c, 2*step)
			} else {
				last = c
			}
		}
	}
}

func TestSteamWetsAColdSurface(t *testing.T) {
	b := wing(t, DefaultResolution)
	before := b.Water()
	steam := Air{T: 100, Vapour: 95000, H: [2]float64{30, 30}, Convect: [2]float64{25, 25}}
	fry(t, b, 1, steam)
	if flow := b.Step(2, steam); b.Water() <= before || flow.Vapour >= 0 {
		t.Errorf("water %.4f after %.4f kg/m², giving %g", b.Water(), before, flow.Vapour)
	}
}

func TestCrustSoftensInSteam(t *testing.T) {
	b := wing(t, DefaultResolution)
	fry(t, b, 24, fryerAir)
	crisp := b.Dried(0)
	fry(t, b, 6, Air{T: 75, Vapour: 36000, H: [2]float64{12, 10}, Convect: [2]float64{7, 6}})
	if soft := b.Dried(0); soft > 0.9*crisp {
		t.Errorf("six minutes covered leave %.2f of %.2f mm", 1000*soft, 1000*crisp)
	}
}

func TestFatRendersAndNeverComesBack(t *testing.T) {
	b := wing(t, DefaultResolution)
	start, last := b.Fat()
	if last <= 0 || last != start {
		t.Fatalf("the skin has %g kg/m² of fat, %g of it firm", start, last)
	}
	for range 24 {
		fry(t, b, 1, fryerAir)
		all, firm := b.Fat()
		if firm > last || all < firm {
			t.Fatalf("firm fat grew from %g to %g of %g", last, firm, all)
		}
		last = firm
	}
	all, _ := b.Fat()
	l := b.Ledger()
	if share := 1 - last/start; share < 0.5 {
		t.Errorf("%.0f %% of the skin's fat has rendered", 100*share)
	}
	// What has left is the drained share of what has melted, and no more.
	if want := skin.Drains * (start - last); math.Abs(l.Fat-want) > 1e-9 || math.Abs(all+l.Fat-start) > 1e-9 {
		t.Errorf("%g kg/m² of fat left, want %g; %g of %g are still there", l.Fat, want, all, start)
	}
}

func TestBoilingPointClimbsAsFoodDries(t *testing.T) {
	last := 0.0
	for x := 1.2; x > 0.01; x *= 0.97 {
		tb, rise := sea.boilingOver(x)
		if tb < last-1e-9 || rise < 0 {
			t.Fatalf("x %.3f boils at %.2f °C after %.2f", x, tb, last)
		}
		if want := BoilingPoint(WaterActivity(x)); math.Abs(tb-want) > 0.02*(want-95) {
			t.Fatalf("x %.3f: table says %.2f °C, the isotherm %.2f", x, tb, want)
		}
		last = tb
	}
}

func TestSurfaceContentSolvesItsEquation(t *testing.T) {
	r := rand.New(rand.NewPCG(9, 9))
	for range 2000 {
		x, supply, demand := 4*r.Float64(), math.Pow(10, -6+4*r.Float64()), math.Pow(10, -6+5*r.Float64())
		back := demand * r.Float64() * 0.5
		xs := surfaceContent(4*r.Float64(), x, supply, demand, back)
		a, _ := activitySlope(xs)
		left := demand*a - back - supply*(x-xs)
		if scale := demand + supply*x + back; math.Abs(left) > 1e-3*scale || xs < 0 {
			t.Fatalf("x %g supply %g demand %g back %g: xs %g leaves %g", x, supply, demand, back, xs, left)
		}
	}
}

func TestImpossiblePiecesAreRefused(t *testing.T) {
	for name, f := range map[string]func() (*Body, error){
		"no layers":     func() (*Body, error) { return New(2, nil, DefaultResolution, 5) },
		"shape 0.5":     func() (*Body, error) { return New(0.5, []Layer{{0.01, thigh}}, DefaultResolution, 5) },
		"shape nothing": func() (*Body, error) { return New(math.NaN(), []Layer{{0.01, thigh}}, DefaultResolution, 5) },
		"no thickness":  func() (*Body, error) { return New(2, []Layer{{0, thigh}}, DefaultResolution, 5) },
	} {
		if _, err := f(); err == nil {
			t.Errorf("%s was taken", name)
		}
	}
}

func TestProfileAndMeanReadTheSameBody(t *testing.T) {
	b := wing(t, DefaultResolution)
	fry(t, b, 6, fryerAir)
	p := b.Profile(0)
	if p[0][0] != 0 || p[0][1] != b.Surface(0) {
		t.Errorf("the profile begins at %v, the surface is at %g", p[0], b.Surface(0))
	}
	for i := 1; i < len(p); i++ {
		if p[i][0] <= p[i-1][0] || p[i][1] > p[i-1][1]+1e-9 {
			t.Errorf("%.2f mm at %.1f °C after %.2f mm at %.1f", 1000*p[i][0], p[i][1], 1000*p[i-1][0], p[i-1][1])
		}
	}
	// Ten millimetres of flesh and skin lie over the bone.
	if depth := p[len(p)-1][0]; depth > 6.2e-3 || depth < 4.5e-3 {
		t.Errorf("the profile ends %.1f mm in", 1000*depth)
	}
	if m := b.Mean(); m <= b.Coldest() || m >= b.Surface(0) {
		t.Errorf("mean %.1f °C between %.1f and %.1f", m, b.Coldest(), b.Surface(0))
	}
}
