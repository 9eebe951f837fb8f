package fryer

import (
	"fmt"
	"testing"

	"velocrustum/core/refuse/goldentest"
)

// How fryers heat, and how pieces lie in them, is as it was read.
func TestFryersAreAsTheyWereRead(t *testing.T) {
	t.Parallel()
	var f goldentest.File
	for _, coverage := range []float64{0.1, 0.5, 0.8, 1, 1.3, 1.8, 2.4} {
		f.Add(t, fmt.Sprint("lies ", coverage), Exposures(coverage))
		f.Add(t, fmt.Sprint("shaken ", coverage), Shaken(Exposures(coverage), [2]float64{60, 40}))
		for levels := range 3 {
			s := Spec{Kind: Oven, PowerW: 1800, Airflow: 1, RoomC: 21, Levels: levels + 1}
			f.Add(t, fmt.Sprint("levels ", levels+1, coverage), s.Exposures(coverage))
		}
	}
	for _, k := range Kinds {
		name, says := k.Words()
		f.Addf(string(k), "%s %s %+v", name, says, builds[k])
		for _, s := range []Spec{{Kind: k, PowerW: 1500, Airflow: 1, RoomC: 21}, {Kind: k, PowerW: 1200, Airflow: 0.8, RoomC: 18, DialOffsetC: -6, HeatUpMin: 6}} {
			line, err := Curve(s, 190, 8)
			f.Addf(string(k), "%v", err)
			f.Add(t, string(k), line)
			line, _ = CurveOn(s, 700, 190, 8)
			f.Add(t, string(k)+" on less", line)
			f.Add(t, string(k)+" takes", []float64{Metal(s), Takes(s)})
		}
	}
	for _, u := range Usual {
		got, err := Infer(u)
		f.Addf("usual", "%+v %+v %v", u, got, err)
	}
	for _, kind := range append(Kinds, "") {
		for _, litres := range []float64{0, 2, 4.2, 9, 25} {
			for _, k := range []ReadOff{{}, {PowerW: 1700}, {Drawers: 2}, {PowerW: 2600, Drawers: 2}} {
				k.Kind, k.Litres = kind, litres
				got, err := Infer(k)
				f.Addf("inferred", "%+v %+v %v", k, got, err)
			}
		}
	}
	for _, b := range []Basket{{Shape: Rectangle, WidthMm: 230, DepthMm: 210}, {Shape: Rectangle, WidthMm: 150, DepthMm: 260}, {Shape: Round, DiameterMm: 220}} {
		for _, piece := range [][2]float64{{140, 60}, {95, 38}, {60, 60}, {40, 20}, {230, 90}} {
			f.Add(t, fmt.Sprint("holds ", b, piece), b.Capacity(piece[0], piece[1]))
			for _, n := range []int{1, 3, 8} {
				f.Add(t, fmt.Sprint("packed ", b, piece, n), b.Pack(piece[0], piece[1], n))
			}
		}
	}
	for _, b := range []Basket{{Shape: Rectangle, WidthMm: 300, DepthMm: 180}, {Shape: Rectangle, WidthMm: 205, DepthMm: 205}, {Shape: Round, DiameterMm: 180}, {Shape: Round, DiameterMm: 260}} {
		for length := 35.0; length < 240; length += 41 {
			for width := 15.0; width <= length; width += 33 {
				n := b.Capacity(length, width)
				f.Addf(fmt.Sprint("grid ", b, length, width), "%d %.4v", n, b.Pack(length, width, min(n, 14)))
			}
		}
	}
	f.Same(t, "fryers.txt")
}
