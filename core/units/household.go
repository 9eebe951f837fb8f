package units

import (
	"fmt"
	"math"
	"strings"
)

// Scale is the unit that food is weighed in; lengths and volumes go with it:
// millimetres and litres, or inches and quarts.
type Scale string

const (
	Gram  Scale = "g"
	Ounce Scale = "oz"
)

// Household is the units that a household reads in. Its zero value is °C, g,
// mm, l.
type Household struct {
	Temperature Temperature
	Mass        Scale
	Spoons      Spoons
}

const (
	ounceG  = 28.349523125
	poundG  = 16 * ounceG
	inchMm  = 25.4
	quartMl = 946.352946 // US
)

// Degrees words a temperature, °C.
func (h Household) Degrees(c float64) string { return h.Temperature.Words(c) }

// Grams words a mass, g: in whole grams from 10, in tenths under it; in ounces
// to as fine a step as a scale for them has.
func (h Household) Grams(g float64) string {
	v, unit := fine(g, 10, 1, 0), " g"
	if h.Mass == Ounce {
		v, unit = fine(g/ounceG, 1, 2, 1), " oz"
	}
	if v == "0" && g > 0 {
		return "a trace" // less than a scale shows
	}
	return v + unit
}

// Whole is the mass that a recipe is for, and its words: a kilogram or a pound.
func (h Household) Whole() (g float64, words string) {
	if h.Mass != Ounce {
		return 1000, "1 kg"
	}
	return poundG, "1 lb"
}

// Millimetres words a length, mm: inches to the nearest sixteenth.
func (h Household) Millimetres(mm float64) string {
	if h.Mass != Ounce {
		return fmt.Sprintf("%.0f mm", mm)
	}
	n := int(math.Round(mm / inchMm * 16))
	whole, part, of := n/16, n%16, 16
	for part > 0 && part%2 == 0 {
		part, of = part/2, of/2
	}
	switch {
	case n == 0:
		return "under 1/16 inch"
	case part == 0:
		return fmt.Sprintf("%d inch", whole)
	case whole == 0:
		return fmt.Sprintf("%d/%d inch", part, of)
	}
	return fmt.Sprintf("%d %d/%d inch", whole, part, of)
}

// Centimetres words how wide a pan is, cm: whole inches.
func (h Household) Centimetres(cm float64) string {
	if h.Mass != Ounce {
		return fmt.Sprintf("%.0f cm", cm)
	}
	return fmt.Sprintf("%.0f inches", math.Round(10*cm/inchMm))
}

// OnSurface words what lies on 100 cm², g; in ounces what lies on 16 square inches, which
// is three hundredths more.
func (h Household) OnSurface(g float64) string {
	if h.Mass != Ounce {
		return fmt.Sprintf("%.0f g on 100 cm²", g)
	}
	const sixteen = 16 * inchMm * inchMm / 10000 // in 100 cm²
	return h.Grams(g*sixteen) + " on 16 square inches"
}

// Litres words a volume, ml.
func (h Household) Litres(ml float64) string {
	if h.Mass != Ounce {
		return fine(ml/1000, 100, 1, 0) + " l"
	}
	quarts := fine(ml/quartMl, 100, 1, 0)
	if quarts == "1" {
		return "1 quart"
	}
	return quarts + " quarts"
}

// Spooned words a volume in the country's spoons or cups, ml.
func (h Household) Spooned(ml float64) string { return InSpoons(ml, h.Spoons) }

// fine writes v with so many decimals under a bound, and so many from it on,
// without zeros at the end.
func fine(v, bound float64, under, over int) string {
	digits := over
	if math.Abs(v) < bound {
		digits = under
	}
	s := fmt.Sprintf("%.*f", digits, v)
	if strings.Contains(s, ".") {
		s = strings.TrimRight(strings.TrimRight(s, "0"), ".")
	}
	return s
}
