package fryer

import (
	"fmt"
	"math"
)

// ReadOff is what an owner can read off a fryer or its box. Zero is unknown.
type ReadOff struct {
	Kind    Kind
	Shape   BasketShape
	Litres  float64 // of the basket, or of an oven's cavity; both drawers together
	PowerW  float64
	Drawers int
}

// Inferred is a fryer worked out from what is known, with its dial, and the
// names of what was not known but inferred.
type Inferred struct {
	Spec
	Drawers                int
	DialMin, DialMax, Step float64 // °C
	Guessed                []string
}

// Limits of what is taken for a household fryer.
const (
	MinLitres, MaxLitres = 1.0, 45.0
)

// Infer works a fryer out from what its owner knows. A drawer's litres are
// its floor times 80 mm and 3 mm more for each litre; an oven's floor goes
// with its volume to the two thirds; power goes with size, and air with
// power per floor. Each is the middle of what shops sell, ±20 %.
func Infer(k ReadOff) (Inferred, error) {
	if k.Kind != Drawer && k.Kind != Oven {
		return Inferred{}, fmt.Errorf("no fryer kind is called %q; known are %v", k.Kind, Kinds)
	}
	out := Inferred{Spec: Spec{Kind: k.Kind, PowerW: k.PowerW, RoomC: 21, Levels: 1}, Drawers: max(1, k.Drawers), DialMin: 80, DialMax: 200, Step: 5}
	guess := func(name string) { out.Guessed = append(out.Guessed, name) }
	litres := k.Litres
	if litres == 0 {
		litres = map[Kind]float64{Drawer: 5, Oven: 12}[k.Kind] * float64(out.Drawers)
		guess("litres")
	}
	if litres < MinLitres || litres > MaxLitres {
		return Inferred{}, fmt.Errorf("%g litres; allowed are %g to %g", litres, MinLitres, MaxLitres)
	}
	each := litres / float64(out.Drawers)
	var floor float64 // m²
	if k.Kind == Drawer {
		floor = each * 1e-3 / (0.080 + 0.003*each)
	} else {
		floor = 1.29 * math.Pow(litres*1e-3, 2.0/3)
		out.DialMin, out.DialMax = 60, 230
		if out.Levels = 1; litres >= 10 {
			out.Levels = 2
		}
		guess("trays")
	}
	shape := k.Shape
	if shape == "" {
		shape = Rectangle
		guess("shape")
	}
	whole := func(m float64) float64 { return math.Round(m*100) * 10 } // m to mm, in cm
	out.Basket.Shape = shape
	if shape == Round {
		out.Basket.DiameterMm = whole(math.Sqrt(4 * floor / math.Pi))
	} else {
		// Twin drawers are deeper than wide, oven trays wider than deep.
		long := 1.0
		if out.Drawers > 1 {
			long = 1.4
		} else if k.Kind == Oven {
			long = 1 / 1.2
		}
		out.Basket.WidthMm, out.Basket.DepthMm = whole(math.Sqrt(floor/long)), whole(math.Sqrt(floor*long))
	}
	guess("basket")
	if out.PowerW == 0 {
		if k.Kind == Drawer {
			out.PowerW = 700 + 160*litres
		} else {
			out.PowerW = 900 + 45*litres
		}
		out.PowerW = math.Min(2800, math.Round(out.PowerW/50)*50)
		guess("powerW")
	}
	dense := out.PowerW / float64(out.Drawers) / floor / 28400 // beside 1500 W over 23 cm square
	if k.Kind == Oven {
		dense = out.PowerW / floor / 21300
	}
	out.Airflow = math.Round(20*math.Min(1.25, math.Max(0.7, math.Pow(dense, 0.3)))) / 20
	guess("airflow")
	guess("dial")
	return out, nil
}

// Usual is what stands on the boxes of a usual drawer, of two drawers in one
// housing, and of an oven.
var Usual = []ReadOff{
	{Kind: Drawer, Litres: 5, PowerW: 1500, Drawers: 1},
	{Kind: Drawer, Litres: 8, PowerW: 2200, Drawers: 2},
	{Kind: Oven, Litres: 12, PowerW: 1500, Drawers: 1},
}
