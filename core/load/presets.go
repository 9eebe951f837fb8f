package load

import "velocrustum/core/food"

// A Preset is what is bought ready for the fryer: a lot as its packet has it.
type Preset struct {
	ID    string   `json:"id"`
	Name  string   `json:"name"`
	Note  string   `json:"note"` // what of the packet may be otherwise
	Load  Pieces   `json:"load"`
	Coat  Covering `json:"coat"`
	FromC float64  `json:"fromC"` // what packets give for an oven, °C, and minutes
	Takes float64  `json:"takes"`
}

// freezer is what of a piece is so for all that is frozen.
func freezer(cut string, pieces int, g, mm float64, state food.State, inside food.State) Pieces {
	p := Pieces{Cut: cut, Pieces: pieces, PieceMassG: g, StartC: new(-18.0)}
	if mm > 0 {
		p.ThicknessMm = &mm
	}
	if state != food.Raw {
		p.State = string(state)
	}
	if inside == food.Cooked {
		p.Inside = string(inside)
	}
	return p
}

// Presets are goods of freezers, by what labels state of size, fat and how they are
// to be heated (a dozen packets read in shops of three countries, ±20 %; fat of
// fried coats 4 to 10 g in 100 g, composition as of the cut in its coat).
var Presets = []Preset{
	{"chips", "Chips, 10 mm", "Blanched and fried once: hot and crisp is enough.", freezer("potato-stick", 70, 7, 10, food.ParFried, food.Cooked), Covering{ID: food.Bare}, 220, 22},
	{"wedges", "Potato wedges", "Blanched and fried once.", freezer("potato-wedge", 18, 30, 0, food.ParFried, food.Cooked), Covering{ID: food.Bare}, 220, 26},
	{"fillet", "Crumbed fish fillets", "Raw inside: cook them through.", freezer("fish-fillet-white", 2, 110, 18, food.ParFried, food.Raw), Covering{ID: "three-bowl-crumb"}, 220, 22},
	{"fingers", "Fish fingers", "Raw inside: cook them through.", freezer("fish-strip", 8, 28, 16, food.ParFried, food.Raw), Covering{ID: "three-bowl-crumb"}, 220, 15},
	{"nuggets", "Nuggets", "Cooked inside, most of them: the packet says so.", freezer("nugget", 14, 18, 0, food.ParFried, food.Cooked), Covering{ID: "paste"}, 200, 14},
	{"prawns", "Crumbed prawns", "Raw inside: cook them through.", freezer("prawn", 12, 18, 0, food.ParFried, food.Raw), Covering{ID: "three-bowl-crumb"}, 220, 14},
	{"rings", "Onion rings", "Fried once: hot and crisp is enough.", freezer("onion-ring", 10, 16, 0, food.ParFried, food.Cooked), Covering{ID: "paste"}, 220, 14},
	{"wings", "Wings, raw", "Raw and loose: they can go in as they are.", freezer("chicken-wing-flat", 12, 42, 0, food.Raw, food.Raw), Covering{ID: food.Bare}, 210, 45},
}
