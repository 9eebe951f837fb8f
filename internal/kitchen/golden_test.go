package kitchen

import (
	"fmt"
	"log/slog"
	"math/rand/v2"
	"net/http/httptest"
	"testing"
	"time"

	"velocrustum/core/load"
	"velocrustum/core/refuse/goldentest"
)

// A hidden truth by its seed, the air of its fryers, its cooks, and what a tip shows of
// them, are as they were read.
func TestTruthsAreAsTheyWereRead(t *testing.T) {
	if testing.Short() {
		return // it computes: nothing meets in it that does not in others
	}
	t.Parallel()
	var f goldentest.File
	for seed := range uint64(3) {
		r := rand.New(rand.NewPCG(seed, 9))
		truth := Hide(r)
		f.Add(t, fmt.Sprint("truth ", seed), truth)
		for _, one := range []load.Fryer{{}, {Drawers: 2, PowerW: new(2400.0)}} {
			for _, drawer := range []string{"", load.Left} {
				for _, minute := range []float64{-1, 0, 0.4, 3.7, 12} {
					c, err := truth.Air(one, drawer, 190, minute)
					f.Addf(fmt.Sprint("air ", seed, one.Drawers, drawer, minute), "%.2f %v", c, err)
				}
			}
		}
		line, err := truth.Cook(t.Context(), request, 0)
		if err != nil {
			t.Fatal(err)
		}
		shown := 21.0
		for i, minute := range []float64{0, 0.3, 4.2, 9, 17.6, 26, 90} {
			at := truth.At(line, minute)
			shown = truth.Tip.Follows(shown, at, i%2 == 0, time.Duration(i)*7*time.Second)
			f.Add(t, fmt.Sprint("tip ", seed, minute), []float64{at, shown, truth.Tip.Says(r, shown)})
		}
	}
	f.Same(t, "truths.txt")
}

// What it sends, and when it asks again, from the counter through a cook, an empty basket
// and half a potato, with the server away in between, is as it was read.
func TestWhatItSendsIsAsItWasRead(t *testing.T) {
	if testing.Short() {
		return // it computes: nothing meets in it that does not in others
	}
	t.Parallel()
	var f goldentest.File
	s := &server{now: begun}
	h := httptest.NewServer(s)
	defer h.Close()
	lies := New(Options{Server: h.URL, Probe: "tip", Seed: 11, Log: slog.New(slog.DiscardHandler)})
	steps := func(name string, n int, apart time.Duration) {
		for i := range n {
			s.got = nil
			wait, now, err := lies.once(t.Context())
			f.Addf(fmt.Sprint(name, " ", i), "%s at %s, fails %v, kept back %d: %.2f", wait, now.Format("15:04:05"), err != nil, len(lies.kept), temperatures(s.got))
			s.now = s.now.Add(apart)
		}
	}
	steps("counter", 3, 30*time.Second)
	s.in = true
	steps("food", 12, 90*time.Second)
	s.away = true
	steps("away", 4, 20*time.Second)
	s.away, s.in = false, false
	steps("out", 6, 30*time.Second)
	s.measuring = map[string]any{"fryerId": "one", "probe": "tip", "at": s.now, "dialC": 200}
	steps("empty", 8, time.Minute)
	s.measuring = map[string]any{"fryerId": "one", "probe": "tip", "at": s.now, "dialC": 190, "potato": map[string]any{"thicknessMm": 42, "massG": 130}}
	steps("potato", 10, 2*time.Minute)
	s.measuring = map[string]any{"fryerId": "none", "probe": "tip", "at": s.now, "dialC": 190}
	steps("another's", 2, 2*time.Minute)
	for _, speed := range []float64{0.5, 10, 2000} {
		lies.o.Speed = speed
		steps(fmt.Sprint("speed ", speed), 1, time.Minute)
	}
	f.Same(t, "sent.txt")
}

func temperatures(all []reading) (out []float64) {
	for _, r := range all {
		out = append(out, r.C)
	}
	return out
}
