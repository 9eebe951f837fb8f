package api_test

import (
	"context"
	"slices"
	"sync"
	"testing"
	"time"

	"velocrustum/core/belief"
	"velocrustum/core/learn/learntest"
	"velocrustum/internal/api"
)

// How long a live cook's answer takes, by itself and while cook after cook is learnt
// from, with what 95 in 100 take at most.
func BenchmarkALiveAnswer(b *testing.B) {
	answer := func(b *testing.B) {
		k := newKitchen(b, "")
		c := drumsticks(b, k)
		k.wait(5 * time.Minute)
		var took []time.Duration
		for b.Loop() {
			began := time.Now()
			get[api.Cook](k, 200, "POST", "/api/v1/cooks/"+c.Id+"/events", `{"kind": "probe", "value": 40}`)
			took = append(took, time.Since(began))
			k.wait(time.Second)
		}
		slices.Sort(took)
		b.ReportMetric(float64(took[len(took)*95/100].Microseconds())/1000, "p95-ms")
	}
	b.Run("alone", answer)
	b.Run("beside learning", func(b *testing.B) {
		ctx, stop := context.WithCancel(b.Context())
		var learning sync.WaitGroup
		learning.Go(func() {
			seen := []belief.Evidence{{AtMin: 12, Kind: belief.SeenProbe, C: 52, Piece: "thickest"}, {AtMin: 18, Kind: belief.SeenLook, Shade: belief.ShadeOf(1)}}
			for ctx.Err() == nil {
				if _, err := belief.SitesOf(ctx, learntest.Cuts()[0], seen, nil); err != nil && ctx.Err() == nil {
					b.Error(err)
				}
			}
		})
		answer(b)
		stop()
		learning.Wait()
	})
}
