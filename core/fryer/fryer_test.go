package fryer

import (
	"math"
	"math/rand/v2"
	"testing"
)

var square = Basket{Shape: Rectangle, WidthMm: 230, DepthMm: 230}

func drawer() Spec {
	return Spec{Kind: Drawer, PowerW: 1500, Basket: square, Airflow: 1, RoomC: 21}
}

func TestEmptyFryerHeatsAndHolds(t *testing.T) {
	f, err := NewState(drawer())
	if err != nil {
		t.Fatal(err)
	}
	reached := math.NaN()
	for s := range 1200 {
		f.Step(1, 200, false, Take{})
		if math.IsNaN(reached) && f.AirC() > 190 {
			reached = float64(s) / 60
		}
	}
	if !(reached > 0.5 && reached < 6) {
		t.Errorf("air at 190 °C after %.1f min, want 0.5 to 6", reached)
	}
	if d := f.AirC() - 200; math.Abs(d) > 3 {
		t.Errorf("holds %.1f °C at a dial of 200", f.AirC())
	}
	if f.metalC < 150 || f.metalC > f.AirC() {
		t.Errorf("metal at %.0f °C in air of %.0f", f.metalC, f.AirC())
	}
	hot := f.AirC()
	for range 20 {
		f.Step(1, 200, true, Take{})
	}
	if f.AirC() > hot-30 {
		t.Errorf("an open drawer only fell from %.0f to %.0f °C", hot, f.AirC())
	}
}

func TestHeatCloses(t *testing.T) {
	// Heater's work = heat in metal and air + losses + fresh air + load.
	f, err := NewState(drawer())
	if err != nil {
		t.Fatal(err)
	}
	room := f.spec.RoomC
	lost, taken := 0.0, 0.0
	load := Take{Conductance: 4, SurfaceC: 60}
	for range 1800 {
		f.Step(1, 190, false, load)
		lost += f.build.Loss*(f.metalC-room) + f.build.Fresh*airHeat*(f.airC-room)
		q := load.Conductance * (f.airC - load.SurfaceC)
		f.Settle(1, q+15, 0, load) // the food took 15 W more than told
		taken += q
		if f.owedHeat != 0 {
			taken += f.owedHeat
		}
	}
	taken -= f.owedHeat // the last is still owed
	stored := f.metal*(f.metalC-room) + (f.build.Cavity*0.8*airHeat+elementHeat)*(f.airC-room)
	if d := f.energyJ - stored - lost - taken; math.Abs(d) > 0.005*f.energyJ {
		t.Errorf("%.0f J of %.0f are missing", d, f.energyJ)
	}
}

func TestALoadSagsAndSteams(t *testing.T) {
	spec := drawer()
	at := func(conductance, steam float64) (air, vapour float64) {
		f, _ := NewState(spec)
		l := Take{Conductance: conductance, SurfaceC: 50}
		for range 300 {
			f.Step(1, 200, false, l)
			f.Settle(1, l.Conductance*(f.AirC()-l.SurfaceC), steam, l)
		}
		return f.AirC(), f.VapourPressure()
	}
	light, dry := at(2, 0.00005)
	heavy, steamy := at(14, 0.0008)
	if heavy >= light || steamy <= dry {
		t.Errorf("light load %.0f °C and %.0f Pa, heavy %.0f °C and %.0f Pa", light, dry, heavy, steamy)
	}
}

func TestExposuresShareAllPieces(t *testing.T) {
	for c := 0.1; c < 3; c += 0.1 {
		sum, last := 0.0, math.Inf(1)
		for _, e := range Exposures(c) {
			sum += e.Share
			if m := e.Upper + e.Lower; m > last {
				t.Errorf("coverage %.1f: a class below has more air than one above", c)
			} else {
				last = m
			}
		}
		if math.Abs(sum-1) > 1e-9 {
			t.Errorf("coverage %.1f: shares add up to %g", c, sum)
		}
	}
}

func TestPackedPiecesStayInsideAndApart(t *testing.T) {
	r := rand.New(rand.NewPCG(5, 6))
	for range 300 {
		b := square
		if r.IntN(2) == 0 {
			b = Basket{Shape: Round, DiameterMm: 160 + 120*r.Float64()}
		}
		l := 20 + 120*r.Float64()
		w := 15 + (l-15)*r.Float64()
		n := 1 + r.IntN(30)
		spots := b.Pack(l, w, n)
		if len(spots) != n {
			t.Fatalf("%d pieces of %.0f by %.0f laid as %d in %+v", n, l, w, len(spots), b)
		}
		fl, fw := b.fit(l, w)
		for i, s := range spots {
			width, depth := b.sides()
			if math.Abs(s.X) > width/2 || math.Abs(s.Y) > depth/2 {
				t.Fatalf("piece %d lies outside at %.0f, %.0f", i, s.X, s.Y)
			}
			for _, o := range spots[:i] {
				if o.Layer != s.Layer {
					continue
				}
				dx, dy := math.Abs(o.X-s.X), math.Abs(o.Y-s.Y)
				if math.Abs(s.Angle) > 45 {
					dx, dy = dy, dx
				}
				if dx < fl-1e-6 && dy < fw-1e-6 {
					t.Fatalf("pieces of %.0f by %.0f overlap: %.1f by %.1f apart", fl, fw, dx, dy)
				}
			}
		}
	}
}
