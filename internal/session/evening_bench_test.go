package session_test

import (
	"fmt"
	"testing"
	"time"
)

// A device looks at a supper that is led through; and a reading comes, and
// every device is told.
func BenchmarkEvening(b *testing.B) {
	k := newKitchen(b, "")
	e := begun(b, k)
	e = until(k, e, e.Baskets[1].Key+"/due1")
	basket := e.Baskets[1]
	get[any](k, 200, "POST", "/api/v1/cooks/"+basket.CookId+"/events", `{"kind": "left-in", "probe": "tip"}`)
	read := func(c float64) {
		k.Wait(5 * time.Second)
		get[any](k, 200, "POST", "/api/v1/probes/tip/readings", fmt.Sprintf(`{"readings": [{"at": %q, "c": %g}]}`, k.Clock().Format(time.RFC3339), c))
	}
	for n := range 40 {
		read(40 + float64(n)/4)
	}
	b.Run("look", func(b *testing.B) {
		for b.Loop() {
			get[any](k, 200, "GET", "/api/v1/cooks/live", "")
		}
	})
	b.Run("read", func(b *testing.B) {
		for b.Loop() {
			read(52)
			get[any](k, 200, "GET", "/api/v1/cooks/live", "")
		}
	})
}
