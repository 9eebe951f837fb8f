package prep

import (
	"fmt"
	"math"
	"slices"
	"strings"

	"velocrustum/core/food"
)

// A Bowl is one station of coating: what is in it, what sticks of it to all
// the pieces, and what to put out to begin with.
type Bowl struct {
	Ingredient string  `json:"ingredient"`
	SticksG    float64 `json:"sticksG"`
	PutOutG    float64 `json:"putOutG"`
}

const (
	// rubLeavening is baking powder on bare skin for 1 kg of meat, 2 to 3 g.
	rubLeavening = 2.5
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
}

// Coat works out what of a coat sticks to the pieces of a lot and what to put
// out; where no way of oiling is chosen, they have plannedOilG. Nothing is
// mixed for the bin: a bowl is topped up, not filled.
func (p Pantry) Coat(lot Lot, coat food.Coat, c Coating, plannedOilG float64) (Coated, error) {
	hundred := lot.Surface()
	out := Coated{Coat: coat, Bowls: []Bowl{}}
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
		out.Kept.add(i, g)
		out.StuckG = g
		out.Bowls = append(out.Bowls, Bowl{i.ID, g, g})
	}
	for _, b := range coat.Bowls {
		id, per := c.chosen(b, coat)
		i, err := p.Find(id)
		if err != nil {
			return out, err
		}
		sticks := per * hundred
		put := sticks * spare
		if i.Role == Starchy && !c.Bag {
			put = math.Max(put, sticks+workingDepth*lot.Piece.Footprint()*1e4)
		}
		out.Kept.add(i, sticks)
		out.StuckG += sticks
		if i.Role == Egg {
			out.Eggs = int(math.Ceil(put/egg/1.25 - 1e-9)) // up to a quarter of stretch
			out.StretchG = math.Max(0, put-float64(out.Eggs)*egg)
			put = float64(out.Eggs)*egg + out.StretchG
		}
		if c.Leavening && isFlour(id) {
			share := flourLeavening / 250
			out.LeaveningG += put * share
			out.Kept.add(p["leavening"], sticks*share)
			out.StuckG += sticks * share
		}
		out.Waste += put - sticks
		out.Bowls = append(out.Bowls, Bowl{id, sticks, put})
	}
	out.OilG = oilPass[c.Oil] * float64(max(1, c.Passes)) * hundred
	if c.Where == "up" {
		out.OilG /= 2
	}
	if c.Oil == "" {
		out.OilG = plannedOilG
	}
	out.RestMin = coat.RestMin
	return out, nil
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

// chosen returns what is in a bowl by the cook's choices, and what of it
// sticks on 100 cm².
func (c Coating) chosen(b food.Bowl, coat food.Coat) (ingredient string, per float64) {
	ingredient, per = b.Ingredient, b.Sticks
	if coat.ID == withStarch && c.Starch > 0 {
		both := coat.Bowls[0].Sticks + coat.Bowls[1].Sticks
		if per = both * c.Starch; isFlour(ingredient) {
			per = both - per
		}
	}
	switch {
	case isFlour(ingredient) && c.Flour != "":
		ingredient = c.Flour
	case ingredient == "crumbs" && c.Crumbs != "":
		ingredient = c.Crumbs
	}
	return ingredient, per
}

func isFlour(id string) bool { return strings.HasSuffix(id, "-flour") }

// unused words what was chosen for a coat that has none of it; it is kept
// for one that has.
func (c Coating) unused(coat food.Coat, p Pantry) (said []string) {
	has := func(is func(string) bool) bool {
		return slices.ContainsFunc(coat.Bowls, func(b food.Bowl) bool { return is(b.Ingredient) })
	}
	if c.Flour != "" && !has(isFlour) {
		said = append(said, fmt.Sprintf("The %s that you chose is not in this coat; it waits for one with flour.", p[c.Flour].Name))
	}
	if c.Crumbs != "" && !has(func(id string) bool { return id == "crumbs" }) {
		said = append(said, fmt.Sprintf("The %s that you chose are not in this coat; they wait for one with crumbs.", p[c.Crumbs].Name))
	}
	if c.Starch > 0 && coat.ID != withStarch {
		said = append(said, "The share of starch that you chose is for flour and starch, not for this coat.")
	}
	return said
}

// Allergens returns what a coat's bowls hold as they come.
func (p Pantry) Allergens(coat food.Coat) []string {
	out := []string{}
	for _, b := range coat.Bowls {
		out = merge(out, p[b.Ingredient].Allergens)
	}
	return out
}
