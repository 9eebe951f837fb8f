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
	f.Same(t, "fryers.txt")
}
