package cook

import (
	"fmt"
	"math"

	"velocrustum/core/units"
)

// ComeSays says how many come.
func ComeSays(people int) string {
	if people == 1 {
		return "One comes to the table"
	}
	return units.Capital(units.Count(people)) + " come to the table"
}

// StaysSays says what was begun before as many came, and stays as it was.
func StaysSays(names []string) string {
	switch len(names) {
	case 0:
		return ""
	case 1:
		return units.List(names) + " was begun before that, and stays as it was."
	}
	return units.List(names) + " were begun before that, and stay as they were."
}

// PlateSays says what a basket was on its plate: its crust of 100, also in words, the
// coldest spot, and what it went through since it was out.
func PlateSays(crust float64, words string, coreC, waited, warmC float64, flashed bool, h units.Household) string {
	says := fmt.Sprintf("On the plate by forecast: crust %.0f, %s, %s inside", math.Floor(crust), words, h.Degrees(math.Floor(coreC)))
	if waited >= 1 {
		kept := "on a rack in the room"
		if warmC > 0 {
			kept = "in the oven at " + h.Degrees(warmC)
		}
		says += fmt.Sprintf(", after %.0f min %s", waited, kept)
	}
	if flashed {
		says += " and a flash"
	}
	return says + "."
}
