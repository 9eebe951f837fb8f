// Package units words quantities as a cook reads them. Inside, everything is
// in °C, g, mm and minutes.
package units

import (
	"fmt"
	"math"
	"strings"
)

// Temperature is °C or °F.
type Temperature string

const (
	Celsius    Temperature = "C"
	Fahrenheit Temperature = "F"
)

// Words returns c °C in the unit, in whole degrees.
func (u Temperature) Words(c float64) string {
	if u == Fahrenheit {
		return fmt.Sprintf("%.0f °F", math.Round(c*9/5+32))
	}
	return fmt.Sprintf("%.0f °C", math.Round(c)+0)
}

// Apart returns how far apart two temperatures are that differ by k kelvins, in whole
// degrees of the unit.
func (u Temperature) Apart(k float64) string {
	if u == Fahrenheit {
		return fmt.Sprintf("%.0f °F", math.Round(k*9/5)+0)
	}
	return fmt.Sprintf("%.0f °C", math.Round(k)+0)
}

// nearly is what a whole °F may be off by once it was kept in tenths of a °C.
const nearly = 0.1

// AtLeast says the least whole degree that meets a rule of c °C, as in "74 °C".
func (u Temperature) AtLeast(c float64) string {
	if u == Fahrenheit {
		return fmt.Sprintf("%.0f °F", math.Ceil(c*9/5+32-nearly))
	}
	return fmt.Sprintf("%.0f °C", math.Ceil(c))
}

// AtMost says what a thermometer that read c °C reached, in whole degrees: never
// the rule's own figure for a reading under it.
func (u Temperature) AtMost(c float64) string {
	if u == Fahrenheit {
		return fmt.Sprintf("%.0f °F", math.Floor(c*9/5+32+nearly))
	}
	return fmt.Sprintf("%.0f °C", math.Floor(c))
}

var small = strings.Fields("no one two three four five six seven eight nine ten eleven twelve")

// Count returns a whole number as said aloud: in letters up to twelve.
func Count(n int) string {
	if n >= 0 && n < len(small) {
		return small[n]
	}
	return fmt.Sprint(n)
}

var ordinals = strings.Fields("first second third fourth fifth sixth")

// Ordinal returns the place of something in a short row: "first" to "sixth".
func Ordinal(n int) string {
	if n >= 1 && n <= len(ordinals) {
		return ordinals[n-1]
	}
	return fmt.Sprintf("%d.", n)
}

// Long returns a length of time in words as it is said of waits: "40 min", "4 h",
// "1 ½ h".
func Long(m float64) string {
	if m < 90 || math.Mod(m, 15) != 0 {
		return Minutes(m)
	}
	return short(m/60) + " h"
}

// Minutes returns a length of time in words: "12 min", "half a minute".
func Minutes(m float64) string {
	if m == 0.5 {
		return "half a minute"
	}
	if m == math.Trunc(m) {
		return fmt.Sprintf("%.0f min", m)
	}
	return fmt.Sprintf("%.1f min", m)
}
