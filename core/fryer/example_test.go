package fryer_test

import (
	"fmt"

	"velocrustum/core/fryer"
)

// Long pieces fill a round basket before its floor is covered.
func ExampleSpec_Coverage() {
	square := fryer.Spec{Basket: fryer.Basket{Shape: fryer.Rectangle, WidthMm: 200, DepthMm: 200}}
	round := fryer.Spec{Basket: fryer.Basket{Shape: fryer.Round, DiameterMm: 226}} // the same floor
	const length, width = 120, 40
	fmt.Println("fewer fit into the round one:", round.Basket.Capacity(length, width) < square.Basket.Capacity(length, width))
	area := length * width * 1e-6
	fmt.Println("so it is fuller:", round.Coverage(length, width, area, 5) > square.Coverage(length, width, area, 5))
	// Output:
	// fewer fit into the round one: true
	// so it is fuller: true
}
