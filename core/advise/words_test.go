package advise

import (
	"fmt"
	"testing"

	"velocrustum/core/load"
	"velocrustum/core/load/loadtest"
	"velocrustum/core/refuse/goldentest"
)

// How ways are told apart, over all that their figures may be, is as it was read: each
// word has its border.
func TestWordsOfWaysAreAsTheyWereRead(t *testing.T) {
	t.Parallel()
	var f goldentest.File
	straight := Proposal{Minutes: 20, Crust: 60, JuicePct: 65}
	q := loadtest.DozenWings()
	l, err := load.Of(q)
	if err != nil {
		t.Fatal(err)
	}
	for d := -3.0; d <= 3; d += 0.2 {
		for i, p := range []Proposal{{Minutes: 20 + d, Crust: 60, JuicePct: 65}, {Minutes: 20, Crust: 60 + d, JuicePct: 65}, {Minutes: 20, Crust: 60, JuicePct: 65 + d}, {Minutes: 20 + d, Crust: 60 + 2*d, JuicePct: 65 - d}} {
			by := 20.3
			p.SafeByMin = &by
			f.Addf(fmt.Sprintf("%d by %.1f", i, d), "%s | %s", besideStraight(&p, &straight), shortcoming(l, &p, 60))
		}
	}
	for _, over := range []load.Overdone{load.Dry, load.Burnt, load.Bitter, load.Browned, load.RanOut, load.Burst} {
		f.Addf(string(over), "%s", shortcoming(l, &Proposal{Minutes: 20, SafeByMin: new(12.0), overdone: over}, 60))
	}
	f.Addf("never", "%s", shortcoming(l, &Proposal{Minutes: 20}, 60))
	for n := range 14 {
		f.Addf(fmt.Sprint(n, " times"), "%s | %s | %s | %s", times(n), fewerLabel(n, 1+n%2), turnLabel(float64(n), float64(n%3)), thinLabel(l, float64(n)))
	}
	for _, end := range [][2]float64{{200, 14}, {190, 14}, {200, 18}, {185, 20}} {
		p := l.Program
		p.Stages = []load.Stage{p.Stages[0], {AirC: end[0], Minutes: end[1]}}
		f.Addf(fmt.Sprint(end), "%s", programLabel(l, l.UnderProgram(p)))
	}
	f.Same(t, "words.txt")
}
