package crust

import (
	"fmt"
	"testing"

	"velocrustum/core/refuse/goldentest"
)

// Words, colours and gains are as they were read.
func TestCrustsAreAsTheyWereRead(t *testing.T) {
	t.Parallel()
	var f goldentest.File
	for i := range 21 {
		x := float64(i) / 4
		f.Add(t, fmt.Sprint("crisp ", x), Crispness(x))
		f.Addf(fmt.Sprint("words ", 5*i), "%s", Words(float64(5*i)))
		f.Add(t, fmt.Sprint("colour ", x), Colour([3]float64{78, 6, 14}, Stage(x)))
		f.Add(t, fmt.Sprint("gain ", x), []float64{Gain(x, 0, 1, 0), Gain(1, x/5, 1, 0.5), Gain(1, 0.2, 1+x/5, 1), Gain(0.5, 0, 1, x/5)})
	}
	for _, gain := range []float64{0.6, 1, 1.8} {
		for _, c := range []float64{59, 61, 100, 130, 150.3, 175, 200, 260, 330} {
			for _, x := range []float64{0, 0.02, 0.15, 0.6} {
				b := Browner{Gain: gain}
				var stages []Stage
				for range 40 {
					b.Add(30, c, x)
					stages = append(stages, b.Stage)
				}
				f.Add(t, fmt.Sprint("browns ", gain, c, x), stages)
			}
		}
	}
	f.Add(t, "limits", []Stage{Gold, Copper, Dark, TooDark, BitterLimit, StarchyLimit})
	f.Same(t, "crusts.txt")
}
