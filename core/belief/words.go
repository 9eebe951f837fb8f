package belief

import (
	"fmt"
	"math"

	"velocrustum/core/units"
)

// foreseenSays is how much longer it takes, and on which setting instead of the
// one that was, °C.
func (b *lotBelief) foreseenSays(f *Foreseen, what dialAdvice, wasC float64) string {
	deg := b.load.Units.Degrees
	var says string
	switch what {
	case notWithinTime:
		return "Not safe within the time that is looked at: probe again, and set it hotter or longer."
	case doneByNow:
		says = fmt.Sprintf("95 loads in 100 like this are safe by now: the thermometer decides, %s in the coldest spot.", deg(b.lot.Rule.CoreC))
	case cooler:
		says = fmt.Sprintf("%.0f min more, on %s instead of %s: the outside runs ahead of the inside.", *f.MoreMin, deg(f.DialC), deg(wasC))
	case hotter:
		says = fmt.Sprintf("%.0f min more, on %s instead of %s: the inside is there before the crust.", *f.MoreMin, deg(f.DialC), deg(wasC))
	default:
		says = fmt.Sprintf("%.0f min more, on %s as it is.", *f.MoreMin, deg(wasC))
	}
	if f.Mist {
		says += " Mist what is pale or floury with oil now: bare flour stays white."
	}
	return says
}

// ofLotSays says what is foreseen of the lot that is last, by its name.
func (b *Belief) ofLotSays(lot int, says string) string {
	return fmt.Sprintf("The %s are last. %s", b.lots[lot].lot.Name, says)
}

// browningSays is what was seen changed: when it was to be gold, and when it is
// now; nil for not within the time that is looked at.
func browningSays(was, is *float64) string {
	switch {
	case was == nil && is == nil:
		return "By what you saw it stays paler than gold, as forecast."
	case is == nil:
		return "By what you saw it browns more slowly: not gold within this time."
	case was == nil:
		return fmt.Sprintf("By what you saw it browns faster: gold at %s.", units.Minutes(math.Round(*is)))
	case math.Abs(*is-*was) < 1:
		return "As forecast: what you saw changes little."
	case *is > *was:
		return fmt.Sprintf("By what you saw it browns more slowly: gold %s later, at %s.", units.Minutes(math.Round(*is-*was)), units.Minutes(math.Round(*is)))
	}
	return fmt.Sprintf("By what you saw it browns faster: gold %s sooner, at %s.", units.Minutes(math.Round(*was-*is)), units.Minutes(math.Round(*is)))
}
