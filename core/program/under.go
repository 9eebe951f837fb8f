package program

import "fmt"

// # Under the food
//
// What lies on the grate keeps air from the lower face, and the food from the
// grate.

// What can lie under the food.
const (
	Grate      = "grate"
	Greased    = "greased"    // the grate, with oil
	Perforated = "perforated" // paper with holes
	HalfSheet  = "half"       // paper under the food, its rim free
	Foil       = "foil"
)

// Unders lists them, the airiest first.
var Unders = []string{Grate, Greased, Perforated, HalfSheet, Foil}

// A layer under the food lets so much of the lower face's heat through, and
// so much of its steam away; and what sticks to it holds the less.
type layerUnder struct {
	heat, steam, holds float64
	paper              bool
}

// Shares of the open grate's: by the area that is open, a third of a
// perforated liner and the rim of a half sheet, and what is carried through
// paper (own judgement, ±0.1). A greased grate and a liner tear a crust that
// has set a fifth less.
var unders = map[string]layerUnder{
	"": {1, 1, 1, false}, Grate: {1, 1, 1, false}, Greased: {1, 1, 0.8, false},
	Perforated: {0.8, 0.75, 0.8, true}, HalfSheet: {0.65, 0.5, 0.75, true}, Foil: {0.5, 0.2, 0.8, false},
}

// below narrows the films of the lower face by what lies under it.
func (l *lot) below(film, convect [2]float64) (f, c [2]float64) {
	u := unders[l.under]
	film[1], convect[1] = film[1]*u.heat, convect[1]*u.steam
	return film, convect
}

// liner says what lies under the food costs, and how it is used.
func (w *warner) liner() {
	u := unders[w.under]
	switch {
	case u.paper:
		w.add("liner", "load.under", "The paper keeps about %s of the air from the lower side: turn it once more. Lay it in with the food on it, smaller than the basket: loose in a heating fryer it flies against the element.",
			percent(1-u.steam))
	case w.under == Foil:
		w.add("liner", "load.under", "Foil lets no air through: the lower side steams and stays soft until it is turned. Keep its edges down, and sour marinades off it.")
	}
}

func percent(share float64) string { return fmt.Sprintf("%.0f\u00a0%%", 100*share) }
