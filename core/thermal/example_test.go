package thermal_test

import (
	"fmt"

	"velocrustum/core/thermal"
)

// A wet slab in hot air stays near the wet-bulb temperature while its
// surface is wet, however hot the air is.
func Example() {
	meat := thermal.Material{Solids: 250, Fat: 40, Water: 800, DryK: 0.07, WetK: 0.46, Diffusivity: 1}
	b, err := thermal.New(1, []thermal.Layer{{Thickness: 0.009, Material: meat}}, thermal.DefaultResolution, 5)
	if err != nil {
		panic(err)
	}
	b.AddSurfaceWater(0.25) // from the tap, kg/m²
	air := thermal.Air{T: 200, Vapour: 2000, H: [2]float64{45, 27}, Convect: [2]float64{36, 17}}
	for range 90 {
		b.Step(1, air)
	}
	fmt.Println("wet bulb after a minute and a half:", b.Surface(0) > 35 && b.Surface(0) < 60)
	fmt.Println("far below the air:", b.Surface(0) < air.T-100)
	// Output:
	// wet bulb after a minute and a half: true
	// far below the air: true
}
