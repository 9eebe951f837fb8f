package load

import (
	"fmt"
	"math"

	"velocrustum/core/refuse"
)

// MaxStartMin is how much later than the first the food of a drawer goes in, at
// most, minutes.
const MaxStartMin = 180.0

// A Chamber is what lies in one drawer of two that run apart, under its own
// program.
type Chamber struct {
	Request
	// StartMin is when its food goes in, minutes after the first; the other
	// minutes of it are its own.
	StartMin float64 `json:"startMin,omitempty"`
}

// OfChambers makes what lies in two drawers whole: each a load of its own, and
// when the food of each goes in, s after the first. The error is refuse.Fields,
// those of a drawer under its place.
func OfChambers(of []Chamber) (loads [2]*Load, startS [2]float64, err error) {
	if len(of) != 2 {
		return loads, startS, refuse.One("chambers", fmt.Sprint(len(of)), "two, one for each drawer")
	}
	if f := of[0].Fryer; f == nil || f.Drawers != 2 {
		return loads, startS, refuse.One("fryer.drawers", "1", "2, where each has a program of its own")
	}
	first := math.Min(of[0].StartMin, of[1].StartMin)
	for k, c := range of {
		under := fmt.Sprintf("chambers[%d].", k)
		var check refuse.Check
		check.Within("startMin", c.StartMin, 0, MaxStartMin, "minutes after the first")
		if err := refuse.Under(under, check.Err()); err != nil {
			return loads, startS, err
		}
		c.Fryer = of[0].Fryer.In([...]string{Left, Right}[k])
		if loads[k], err = Of(c.Request); err != nil {
			return loads, startS, refuse.Under(under, err)
		}
		startS[k] = SupplyStep * math.Round(60*(c.StartMin-first)/SupplyStep)
	}
	return loads, startS, nil
}
