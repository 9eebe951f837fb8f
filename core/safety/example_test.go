package safety_test

import (
	"fmt"
	"math"

	"velocrustum/core/safety"
)

// The same core passes one guidance at once and the other after two minutes.
func ExampleWatch() {
	for _, g := range []safety.Guidance{safety.US, safety.UK} {
		rule, err := safety.For(g, safety.Fish, 0)
		if err != nil {
			panic(err)
		}
		w := safety.NewWatch(rule, 5)
		for minute := 1.0; minute < 20; minute++ {
			if met := w.Add(minute, math.Min(70, 10*minute)); !math.IsNaN(met) {
				fmt.Printf("%s: safe at %.1f min\n", g, met)
				break
			}
		}
	}
	// Output:
	// us: safe at 6.3 min
	// uk: safe at 8.7 min
}
