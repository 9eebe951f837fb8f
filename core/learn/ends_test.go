package learn_test

import (
	"math"
	"math/rand/v2"
	"testing"

	"velocrustum/core/belief"
	"velocrustum/core/learn"
	"velocrustum/core/learn/learntest"
	"velocrustum/core/load"
)

// Looks at the back and at the front tell how far they differ, within what it says, and
// how readily the middle browns no worse than looks at all of it; where nobody said which
// end it was, nothing is known of either.
func TestTheBackIsToldFromTheFront(t *testing.T) {
	if testing.Short() {
		return // it computes: nothing meets in it that does not in others
	}
	t.Parallel()
	m, err := load.MachineOf(load.Fryer{})
	if err != nil {
		t.Fatal(err)
	}
	for _, ends := range []float64{0.5, 0, -0.4} {
		// The same evenings in a basket's middle, at its back and at its front.
		kitchen := func(where string) *learntest.Household {
			h := learntest.New(rand.New(rand.NewPCG(8, 8)))
			h.Browns = 1.1 * math.Exp(map[string]float64{load.AtBack: 0.5, load.AtFront: -0.5}[where]*ends)
			return h
		}
		middle, rear, near := kitchen(""), kitchen(load.AtBack), kitchen(load.AtFront)
		r := rand.New(rand.NewPCG(9, 9))
		var apart, whole []learn.Past
		for i := range 12 {
			q := learntest.Measured(t, learntest.Cuts()[i%6])
			q.Program.Stages = []load.Stage{{AirC: 200, Minutes: q.Program.Stages[0].Minutes + 6}} // brown enough to tell
			e := middle.Cook(t, q, 1)
			light := 0.25 * r.NormFloat64()
			look := func(stage float64, where string) belief.Evidence {
				return belief.Evidence{AtMin: e.LookMin, Kind: belief.SeenLook, Shade: belief.ShadeOf(stage + light + 0.2*r.NormFloat64()), Where: where}
			}
			apart = append(apart, learn.Past{Request: q, Seen: []belief.Evidence{e.Seen[0], look(rear.Cook(t, q, 1).Brown, load.AtBack), look(near.Cook(t, q, 1).Brown, load.AtFront)}})
			whole = append(whole, learn.Past{Request: q, Seen: []belief.Evidence{e.Seen[0], look(e.Brown, "")}})
		}
		known := func(past []learn.Past) learn.Known {
			t.Helper()
			cooks, err := learn.Sites(t.Context(), past)
			if err != nil {
				t.Fatal(err)
			}
			k, ok := learn.From(&m, cooks)
			if !ok {
				t.Fatal("nothing is known")
			}
			return k
		}
		k, all := known(apart), known(whole)
		if all.Back != nil || all.Quicker() != "" {
			t.Errorf("from looks at all of it %+v is known of its ends", all.Back)
		}
		if k.Back == nil {
			t.Fatalf("ends that differ by %g: nothing is known", ends)
		}
		t.Logf("ends %g: %.2f ± %.2f, browning %.2f, by looks at all of it %.2f", ends, k.Back.Mean, k.Back.Sd, math.Exp(k.Mean[load.LearntBrowning]), math.Exp(all.Mean[load.LearntBrowning]))
		if d := math.Abs(k.Back.Mean - ends); d > 2.5*k.Back.Sd || k.Back.Sd > 0.16 {
			t.Errorf("ends that differ by %g are known as %.2f ± %.2f", ends, k.Back.Mean, k.Back.Sd)
		}
		if want := map[float64]string{0.5: load.AtBack, -0.4: load.AtFront}[ends]; k.Quicker() != want {
			t.Errorf("ends that differ by %g: quicker at %q", ends, k.Quicker())
		}
		if d := math.Abs(k.Mean[load.LearntBrowning] - all.Mean[load.LearntBrowning]); d > 0.12 {
			t.Errorf("ends that differ by %g: its browning is off by %.2f", ends, d)
		}
	}
}
