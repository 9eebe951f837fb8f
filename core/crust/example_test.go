package crust_test

import (
	"fmt"

	"velocrustum/core/crust"
)

// The same crust sounds different on skin and on a crumb.
func ExampleCrispness() {
	const dried = 0.60 // mm
	for _, half := range []float64{0.42, 0.65} {
		c := crust.Crispness(dried / half)
		fmt.Printf("%.0f: %s\n", c, crust.Words(c))
	}
	// Output:
	// 63: crisp
	// 47: firm
}
