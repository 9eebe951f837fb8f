package advise

import (
	"testing"

	"velocrustum/core/load"
	"velocrustum/core/load/loadtest"
	"velocrustum/core/refuse/goldentest"
	"velocrustum/core/verdict"
)

// Ways, conversions, changes and brushes are as they were read.
func TestAdviceIsAsItWasRead(t *testing.T) {
	if testing.Short() {
		return // it computes: nothing meets in it that does not in others
	}
	t.Parallel()
	var f goldentest.File
	for _, w := range Wants {
		f.Addf("weighs "+string(w), "%+v", wantWeights[w])
	}
	for _, q := range []load.Request{loadtest.DozenWings(), loadtest.Usual[0]} {
		d := load.Dish{Request: q}
		a, err := Simulate(t.Context(), d, verdict.Options{})
		if err != nil {
			t.Fatal(err)
		}
		f.Add(t, q.Load.Cut, a)
		for _, from := range FirstFormerWays {
			c, err := Convert(t.Context(), q, from)
			f.Addf("convert", "%v", err)
			f.Add(t, q.Load.Cut+" from", c)
		}
	}
	r, err := Recommend(t.Context(), loadtest.DozenWings(), Balanced, nil)
	if err != nil {
		t.Fatal(err)
	}
	f.Add(t, "ways", r)
	f.Same(t, "advice.txt")
}
