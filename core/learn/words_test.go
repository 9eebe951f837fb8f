package learn

import (
	"fmt"
	"testing"

	"velocrustum/core/load"
	"velocrustum/core/refuse/goldentest"
	"velocrustum/core/units"
)

// What a fryer is said to be, what a cook moved, and how right forecasts were, over all that
// their figures may be, is as it was read: each word has its border.
func TestWordsOfAFryerAreAsTheyWereRead(t *testing.T) {
	t.Parallel()
	var f goldentest.File
	m, err := load.MachineOf(load.Fryer{})
	if err != nil {
		t.Fatal(err)
	}
	said := Said(&m)
	for v := -0.3; v <= 0.3; v += 0.012 {
		f.Addf(fmt.Sprintf("%.3f", v), "%s", browns(v))
		k := said
		k.Cooks, k.Mean = 1+int(40*(v+0.3)), [load.LearntFigures]float64{v, 20 * v, v, v}
		for i := range k.Lasting {
			k.Lasting[i][i] *= 0.6
		}
		if v > 0.1 {
			k.Since, k.Back = 1, &load.Hand{Mean: v, Sd: 0.05}
		}
		f.Addf(fmt.Sprintf("known %.3f", v), "%s | %s", k.Says(units.Household{}), k.Says(units.Household{Temperature: units.Fahrenheit}))
		for i := range load.LearntFigures {
			moved := said
			moved.Mean[i] += v / 3
			if i == load.LearntDial {
				moved.Mean[i] += 8 * v
			}
			f.Addf(fmt.Sprintf("moved %d %.3f", i, v), "%s", Moved(&said, &moved, false, units.Household{}))
		}
		ends := said
		ends.Back = &load.Hand{Mean: v / 8, Sd: 0.2}
		f.Addf(fmt.Sprintf("ends %.3f", v), "%s | %s", Moved(&said, &ends, false, units.Household{}), Moved(&ends, &said, true, units.Household{}))
		surer := said
		surer.Lasting[0][0] *= 1 - v/10
		f.Addf(fmt.Sprintf("surer %.3f", v), "%s", Moved(&said, &surer, false, units.Household{}))
	}
	for n := range 3 {
		f.Addf("liked", "%s", (&Liked{Ratings: n}).Says())
	}
	for n := range 12 {
		for held := range n + 1 {
			says, well := Calibration(n, held, 2*n+1, 2*held)
			f.Addf(fmt.Sprint("calibrated ", n, " ", held), "%s %v", says, well)
			says, well = Calibration(n, held, 0, 0)
			f.Addf("windows alone", "%s %v", says, well)
			says, well = Calibration(0, 0, n, held)
			f.Addf("readings alone", "%s %v", says, well)
		}
	}
	for c := 38.0; c < 60; c += 0.5 {
		f.Addf(fmt.Sprintf("read %.1f", c), "%v", Within(c, 41, 52))
	}
	f.Same(t, "words.txt")
}
