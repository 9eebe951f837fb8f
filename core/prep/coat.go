package prep

import (
	"math"
	"slices"
	"strings"

	"velocrustum/core/food"
	"velocrustum/core/larder"
)

// A Bowl is one station of coating: what is in it, what sticks of it to all
// the pieces, and what to put out to begin with, for all lots that share it.
type Bowl struct {
	Ingredient string  `json:"ingredient"`
	SticksG    float64 `json:"sticksG"`
	PutOutG    float64 `json:"putOutG"`
}

const (
	// rubLeavening is baking powder on bare skin for 1 kg of meat, 2 to 3 g.
	rubLeavening = 2.5
	// rubAlkali is what that does to the surface's pH.
	rubAlkali = 0.8
	// flourLeavening is that for 250 g of flour.
	flourLeavening = 4.0
)

// Oil by way of putting it on, g per 100 cm² a pass.
var oilPass = map[string]float64{"none": 0, "mist": 0.4, "brush": 1.2, "toss": 1.5}

const (
	inBag, inBowl = 1.2, 1.4
	// workingDepth is what one piece needs around it to be turned in a bowl
	// at all: g for each cm² that the piece covers.
	workingDepth = 0.4
)

// Coated is a coat worked out for all pieces.
type Coated struct {
	Coat  food.Coat `json:"-"`
	Bowls []Bowl    `json:"bowls"`
	// Eggs is the whole number to break, and StretchG the water or milk that
	// makes them up to the need; 0 where none is used.
	Eggs     int     `json:"eggs"`
	StretchG float64 `json:"stretchG"`
	// LeaveningG is the baking powder in the flour put out.
	LeaveningG float64 `json:"leaveningG"`
	OilG       float64 `json:"oilG"`
	RestMin    float64 `json:"restMin"`
	// StuckG is all that sticks, oil left out, and Kept what is in it.
	StuckG float64 `json:"stuckG"`
	Kept   Totals  `json:"-"`
	Waste  float64 `json:"wasteG"`
	// Share is how much of what is put out, and is left, is for these pieces: 1
	// where the bowls are theirs alone.
	Share float64 `json:"-"`
	// FryMin is how long what is left of crumbs or flour takes in a pan, 0 if
	// there is none worth it.
	FryMin  float64   `json:"fryMin,omitempty"`
	named   food.Coat // the coat that was chosen, before what was put in its place
	changed bool      // the coat is made of other layers than it names
}

// Coating is how a cook coats and oils.
type Coating struct {
	Bag       bool    `json:"bag,omitempty"`       // shaken in a bag, not turned in bowls
	Oil       string  `json:"oil,omitempty"`       // none, mist, brush, toss
	Passes    int     `json:"passes,omitempty"`    // of the oil
	Starch    float64 `json:"starch,omitempty"`    // share of starch in a flour and starch coat, to 0.5; 0 is a third
	LargeEggs bool    `json:"largeEggs,omitempty"` // 50 g of contents, not 44
	Flour     string  `json:"flour,omitempty"`     // in the place of wheat flour
	Crumbs    string  `json:"crumbs,omitempty"`    // in the place of breadcrumbs
	Where     string  `json:"where,omitempty"`     // the oil goes: all, or up for one side
	Leavening bool    `json:"leavening,omitempty"` // baking powder in the flour
	// RestMin is how long it rests coated; as long as it needs where left out.
	RestMin *float64 `json:"restMin,omitempty"`
}

// Coat works out what of a coat sticks to the pieces of a lot and what to put
// out; where no way of oiling is chosen, they have plannedOilG. Nothing is
// mixed for the bin: a bowl is topped up, not filled.
func (p Pantry) Coat(lot Lot, coat food.Coat, c Coating, plannedOilG float64) (Coated, error) {
	hundred, joint := lot.Surface(), lot.Surface()+lot.Bowls.Surface
	piece := math.Max(lot.Piece.Footprint(), lot.Bowls.Footprint)
	out := Coated{Coat: coat, named: coat, Bowls: []Bowl{}, Share: hundred / joint}
	spare := inBowl
	if c.Bag {
		spare = inBag
	}
	egg := 44.0
	if c.LargeEggs {
		egg = 50
	}
	if out.Rubbed() {
		i, g := p["leavening"], rubLeavening*lot.MassG()/1000
		out.Kept.Add(i, g)
		out.StuckG = g
		out.Bowls = append(out.Bowls, Bowl{i.ID, g, g})
	}
	layers, changed := c.chosen(coat.Layers)
	if changed {
		as, err := food.Compose(layers, p.Find)
		if err != nil {
			return out, err
		}
		as.ID, as.Name, as.Says = coat.ID, coat.Name, coat.Says
		coat = as
		out.Coat, out.changed = as, true
	}
	for _, b := range coat.Bowls {
		id, per := b.Ingredient, b.Sticks
		i, err := p.Find(id)
		if err != nil {
			return out, err
		}
		sticks, all := per*hundred, per*joint
		put := all * spare
		if i.Role == larder.Starchy && !c.Bag {
			put = math.Max(put, all+workingDepth*piece*1e4)
		}
		out.Kept.Add(i, sticks)
		out.StuckG += sticks
		if i.Role == larder.Egg {
			out.Eggs = int(math.Ceil(put/egg/1.25 - 1e-9)) // up to a quarter of stretch
			out.StretchG = math.Max(0, put-float64(out.Eggs)*egg)
			put = float64(out.Eggs)*egg + out.StretchG
		}
		if c.Leavening && isFlour(id) {
			share := flourLeavening / 250
			out.LeaveningG += put * share
			out.Kept.Add(p["leavening"], sticks*share)
			out.StuckG += sticks * share
		}
		out.Waste += put - all
		out.Bowls = append(out.Bowls, Bowl{id, sticks, put})
	}
	out.FryMin = leftoverMin(out, p)
	out.OilG = oilPass[c.Oil] * float64(max(1, c.Passes)) * hundred
	if c.Where == "up" {
		out.OilG /= 2
	}
	if c.Oil == "" {
		out.OilG = plannedOilG
	}
	out.RestMin = coat.RestMin
	if c.RestMin != nil {
		out.RestMin = *c.RestMin
	}
	return out, nil
}

// boughtG is what of a bowl is bought for the lot, g.
func (c *Coated) boughtG(b Bowl) float64 {
	if c.Rubbed() {
		return b.PutOutG // weighed for each lot
	}
	return b.PutOutG * c.Share
}

// leftoverMin is how long what is left in the bowls takes in a pan, stirred,
// to be brown and safe throughout: what it has of water at 600 W into the
// mass, then two minutes.
func leftoverMin(c Coated, p Pantry) float64 {
	left, wet := 0.0, 0.0
	for _, b := range c.Bowls {
		i := p[b.Ingredient]
		g := b.PutOutG - b.SticksG/c.Share
		switch {
		case i.Form == larder.Crumb:
			left += g
		case i.Role == larder.Egg:
			wet = 0.15 * g // what drips into the crumbs
		}
	}
	if left < 10 {
		return 0
	}
	return math.Ceil(2 + (0.08*left+wet)*2.6/36)
}

// leavened is baking powder rubbed onto bare skin.
const leavened = "leavened-rub"

// A coat of flour and starch sticks as one: its starch is a share of both.
const withStarch = "flour-starch"

// Rubbed says whether the coat is rubbed in.
func (c *Coated) Rubbed() bool { return c.Coat.ID == leavened }

// StarchShare is that of a coat of flour and starch; 0 of another.
func (c *Coated) StarchShare() float64 {
	if c.Coat.ID != withStarch {
		return 0
	}
	flour, starch := c.Bowls[0].SticksG, c.Bowls[1].SticksG
	return starch / (flour + starch)
}

// A Replacement can stand in the place of what a coat is usually made of.
type Replacement struct{ ID, Name string }

// Flours and Crumbs are what may, the usual first.
var (
	Flours = []Replacement{{"wheat-flour", "Wheat"}, {"rice-flour", "Rice, gluten-free"}, {"chickpea-flour", "Chickpea, gluten-free"}}
	Crumbs = []Replacement{{usualCrumbs, "Bread"}, {"rice-crumbs", "Rice, gluten-free"}}
)

const usualCrumbs = "crumbs"

func ids(of []Replacement) (out []string) {
	for _, r := range of {
		out = append(out, r.ID)
	}
	return out
}

// Choices are what a cook may choose of a coat, by what is in its bowls.
type Choices struct {
	Flour  string `json:"flour,omitempty"`  // which of Flours it has
	Crumbs string `json:"crumbs,omitempty"` // which of Crumbs it has
	Eggs   bool   `json:"eggs"`
}

// Choices returns what there is to choose.
func (c Coated) Choices() (out Choices) {
	for _, b := range c.Bowls {
		switch {
		case out.Flour == "" && isFlour(b.Ingredient):
			out.Flour = b.Ingredient
		case out.Crumbs == "" && slices.Contains(ids(Crumbs), b.Ingredient):
			out.Crumbs = b.Ingredient
		case b.Ingredient == "egg":
			out.Eggs = true
		}
	}
	return out
}

// LayerG is what of each layer stays on all pieces, g, from the inside out.
func (c Coated) LayerG() []float64 {
	out := []float64{}
	stuck, on := 0.0, 0.0
	for _, b := range c.Bowls {
		stuck += b.SticksG
	}
	for _, g := range c.Coat.LayerSticks {
		on += g
	}
	for _, g := range c.Coat.LayerSticks {
		out = append(out, g/max(on, 1e-9)*stuck)
	}
	return out
}

// chosen returns the layers with what the cook puts in the place of the usual,
// and whether that is another coat.
func (c Coating) chosen(layers []food.CoatLayer) (out []food.CoatLayer, changed bool) {
	for _, l := range layers {
		l.Parts = slices.Clone(l.Parts)
		for k := range l.Parts {
			p := &l.Parts[k]
			if c.Starch > 0 && isBlend(layers) {
				if p.Share = 1 - c.Starch; !isFlour(p.Ingredient) {
					p.Share = c.Starch
				}
				changed = true
			}
			to := ""
			switch {
			case isFlour(p.Ingredient):
				to = c.Flour
			case p.Ingredient == usualCrumbs:
				to = c.Crumbs
			}
			if to != "" && to != p.Ingredient {
				p.Ingredient, changed = to, true
			}
		}
		out = append(out, l)
	}
	return out, changed
}

// isBlend says whether a coat is flour and starch in one layer.
func isBlend(layers []food.CoatLayer) bool {
	return len(layers) == 1 && len(layers[0].Parts) == 2 && isFlour(layers[0].Parts[0].Ingredient) && strings.HasSuffix(layers[0].Parts[1].Ingredient, "-starch")
}

func isFlour(id string) bool { return strings.HasSuffix(id, "-flour") }

// unused is what was chosen for a coat that has none of it; it is kept for one
// that has.
type unused struct{ flour, crumbs, starch bool }

func (c Coating) unused(coat food.Coat) unused {
	has := func(is func(string) bool) bool {
		return slices.ContainsFunc(coat.Bowls, func(b food.Bowl) bool { return is(b.Ingredient) })
	}
	return unused{
		flour:  c.Flour != "" && !has(isFlour),
		crumbs: c.Crumbs != "" && !has(func(id string) bool { return id == usualCrumbs }),
		starch: c.Starch > 0 && !isBlend(coat.Layers),
	}
}

// Allergens returns what a coat's bowls hold as they come.
func (p Pantry) Allergens(coat food.Coat) []string {
	out := []string{}
	for _, b := range coat.Bowls {
		out = merge(out, p[b.Ingredient].Allergens)
	}
	return out
}
