package food_test

import (
	"fmt"

	"velocrustum/core/food"
)

// A piece's shape number lies between a slab's 1 and a sphere's 3.
func ExampleCut_Piece() {
	for _, id := range []string{"fish-fillet-white", "potato-wedge", "meatball"} {
		c, err := food.FindCut(id)
		if err != nil {
			panic(err)
		}
		p := c.Piece(c.Typical, 0)
		fmt.Printf("%s: %.0f mm thick, E %.1f\n", c.Name, p.Thickness*1000, p.Uptake())
	}
	// Output:
	// white fish fillet: 17 mm thick, E 1.4
	// potato wedge: 19 mm thick, E 2.0
	// meatball: 34 mm thick, E 2.9
}
