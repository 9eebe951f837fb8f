package session_test

import (
	"context"
	"log/slog"
	"slices"
	"sync"
	"testing"
	"time"

	"velocrustum/internal/api"
)

// How long a live cook's answer takes, by itself and while all cooks of the household are
// learnt from again and again, with what 95 in 100 take at most.
func BenchmarkALiveAnswer(b *testing.B) {
	answer := func(b *testing.B, beside func(k *kitchen, ctx context.Context)) {
		k := newKitchen(b, "")
		c := drumsticks(b, k)
		k.Wait(5 * time.Minute)
		ctx, stop := context.WithCancel(b.Context())
		var all sync.WaitGroup
		all.Go(func() { beside(k, ctx) })
		var took []time.Duration
		for b.Loop() {
			began := time.Now()
			get[api.Cook](k, 200, "POST", "/api/v1/cooks/"+c.Id+"/events", `{"kind": "probe", "value": 40}`)
			took = append(took, time.Since(began))
			k.Wait(time.Second)
			b.StopTimer()
			time.Sleep(100 * time.Millisecond) // while that is learnt from
			b.StartTimer()
		}
		stop()
		all.Wait()
		slices.Sort(took)
		b.ReportMetric(float64(took[len(took)*95/100].Microseconds())/1000, "p95-ms")
	}
	b.Run("alone", func(b *testing.B) { answer(b, func(*kitchen, context.Context) {}) })
	b.Run("beside learning", func(b *testing.B) {
		answer(b, func(k *kitchen, ctx context.Context) {
			var learning sync.WaitGroup
			learning.Go(func() { k.Handler.KeepLearning(ctx, slog.New(slog.DiscardHandler)) })
			cooks := get[[]struct {
				ID         string     `json:"id"`
				FinishedAt *time.Time `json:"finishedAt"`
			}](k, 200, "GET", "/api/v1/cooks", "")
			for ctx.Err() == nil {
				for _, c := range cooks {
					if c.FinishedAt != nil { // what is rated anew is learnt from anew
						k.Send("PUT", "/api/v1/cooks/"+c.ID+"/outcome", `{"crust": "good", "inside": "good"}`)
					}
				}
				time.Sleep(150 * time.Millisecond)
			}
			learning.Wait()
		})
	})
}
