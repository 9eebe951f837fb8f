package food

import (
	"fmt"
	"math"
	"slices"

	"velocrustum/core/larder"
	"velocrustum/core/refuse"
)

// # Composed coats
//
// A coat is what it is made of: layers from the inside out, each of parts by
// weight. What of a layer sticks follows from what it is and what it lies
// on; its water, fat and solids from the larder; how it conducts, breathes,
// browns and breaks from its kind. The named coats are compositions among
// others.

// Mixed is an ingredient and its share of a layer, by weight.
type Mixed struct {
	Ingredient string  `json:"ingredient"`
	Share      float64 `json:"share"`
}

// A CoatLayer is what is put on at once: a powder, a binder, a batter, crumbs.
type CoatLayer struct {
	Parts []Mixed `json:"parts"`
	// Sticks is what of it stays on, g per 100 cm²; 0 is what usually does.
	Sticks float64 `json:"sticks,omitempty"`
}

// MaxCoatLayers and MaxParts bound a coat.
const (
	MaxCoatLayers = 4
	MaxParts      = 5
)

// FirstLayers are what a layer that is added begins with, by its place from
// the inside out.
var FirstLayers = []CoatLayer{
	{Parts: []Mixed{{Ingredient: "coarse-crumbs", Share: 1}}}, {Parts: []Mixed{{Ingredient: "egg", Share: 1}}},
	{Parts: []Mixed{{Ingredient: "coarse-crumbs", Share: 1}}}, {Parts: []Mixed{{Ingredient: "coarse-crumbs", Share: 1}}},
}

// ShareLimit is what a part may be of a layer, beside the others.
var ShareLimit = refuse.Range{Min: 0.01, Max: 100, Step: 0.5, Unit: "parts"}

// SticksLimit is what can stay on of one layer, g per 100 cm².
var SticksLimit = refuse.Range{Min: 0.2, Max: 15, Step: 0.1, Unit: "g on 100 cm²"}

// matter is what a layer is as it lies.
type matter struct {
	powder, crumb, wet float64 // shares by weight of what is each
	water, fat, dry    float64 // shares
	sugar, protein     float64 // shares; only reducing sugar browns, see reducing
	carb               float64
	starch             float64 // of its powder, what is pure starch
}

// grain is how an ingredient lies and breaks as a coat, beside its form.
type grain struct {
	sticks float64 // g/100 cm² of a crumb on a binder
	half   float64 // mm that are half as crisp as can be
	colour [3]float64
}

// grains of crumbs; a powder's come from its share of starch. Source:
// own weighings, ±25 %; bite, ±20 %.
var grains = map[string]grain{
	"crumbs":        {7, 0.66, paleCrumb},
	"coarse-crumbs": {7, 0.60, [3]float64{84, 1, 20}},
	"rice-crumbs":   {6, 0.62, [3]float64{84, 1, 18}},
	"nut-crumbs":    {7, 0.65, paleCrumb},
	"cornflakes":    {7, 0.52, [3]float64{70, 12, 48}},
	"crackling":     {7, 0.50, [3]float64{74, 5, 26}},
	"coconut":       {5, 0.62, [3]float64{88, 0, 9}},
	"coconut-sweet": {5, 0.70, [3]float64{88, 0, 9}},
	"almonds":       {6, 0.72, [3]float64{80, 3, 22}},
	"peanuts":       {6, 0.72, [3]float64{74, 5, 28}},
	"hard-cheese":   {5, 0.55, [3]float64{82, 2, 28}},
	"sesame":        {5, 0.70, [3]float64{80, 2, 18}},
}

// otherCrumb stands for one of the household's own.
var otherCrumb = grain{6, 0.66, paleCrumb}

// bindings are what of a binder stays on, g per 100 cm². A thin liquid runs
// off; what clings stays.
var bindings = map[string]float64{"egg": 3.5, "egg-white": 3, "egg-yolk": 4, "oil": 1.2, "butter": 1.2, "honey": 2.5, "water": 1}

const (
	thinBinder, thickBinder = 1.5, 4.0
	batterSticks            = 6.0
	// A mixed powder is a batter from this share of it in what is wet.
	batterPowder = 0.3
)

// Powders by their share of starch: what sticks to bare food, its half
// thickness and how much of the food shows. Flour, flour with a third of
// starch, and starch were weighed and bitten; between them it is even.
var (
	blendAt    = []float64{0, 1.0 / 3, 1}
	blendStick = []float64{2.5, 3, 2}
	blendHalf  = []float64{0.40, 0.36, 0.44}
	blendOil   = []float64{0.4, 0.4, 0.3}
	blendHides = []float64{0.5, 0.55, 0.35}
	blendRest  = []float64{12, 12, 2}
)

func interpolate(at, v []float64, x float64) float64 {
	for i := 1; i < len(at); i++ {
		if x <= at[i] {
			f := (x - at[i-1]) / (at[i] - at[i-1])
			return v[i-1] + f*(v[i]-v[i-1])
		}
	}
	return v[len(v)-1]
}

// starchy says whether a powder is pure starch.
func starchy(i larder.Ingredient) bool { return i.Form == larder.Powder && i.Protein < 2 }

// of returns what the parts of a layer are together.
func (l CoatLayer) of(shelf func(string) (larder.Ingredient, error)) (m matter, err error) {
	sum := 0.0
	for _, p := range l.Parts {
		sum += p.Share
	}
	for _, p := range l.Parts {
		i, err := shelf(p.Ingredient)
		if err != nil {
			return m, err
		}
		w := p.Share / sum
		switch i.Form {
		case larder.Powder:
			m.powder += w
			if starchy(i) {
				m.starch += w
			}
		case larder.Crumb:
			m.crumb += w
		default:
			m.wet += w
		}
		wet := i.Water() / 100
		m.fat += w * i.Fat / 100
		m.water += w * wet
		m.dry += w * max(0, 1-wet-i.Fat/100)
		m.sugar += w * i.Sugar / 100
		m.carb += w * i.Carb / 100
		m.protein += w * i.Protein / 100
	}
	if m.powder > 0 {
		m.starch /= m.powder
	}
	return m, nil
}

// crumbs and powders in a binder make a batter; in it powders hydrate.
func (m matter) isBatter() bool { return m.wet > 0.2 && m.powder >= batterPowder }
func (m matter) isWet() bool    { return !m.isBatter() && m.wet >= 0.5 }
func (m matter) isCrumb() bool  { return !m.isBatter() && !m.isWet() && m.crumb > 0.5 }
func (m matter) isPowder() bool { return !m.isBatter() && !m.isWet() && !m.isCrumb() }

// reducing is how much of a coat's sugar browns as the cut's own does; most
// is sucrose, or lies deep in the grain.
const reducing = 1.0 / 12

// under is how much of what lies below the outer layer takes part in its
// browning.
const under = 0.3

// Compose returns the coat that layers make, from the inside out. The error
// is refuse.Fields.
func Compose(layers []CoatLayer, shelf func(string) (larder.Ingredient, error)) (Coat, error) {
	c := Coat{ID: Made, Name: "a coat of your own", Says: "in a coat of your own", Fried: 0.05, Browns: 1, Layers: layers, Source: stuck}
	if err := checkLayers(layers, shelf); err != nil {
		return c, err
	}
	all := make([]matter, len(layers))
	for i, l := range layers {
		all[i], _ = l.of(shelf) // checked
	}
	below := matter{} // what the layer lies on: bare food
	for i := range layers {
		m := all[i]
		sticks := layers[i].Sticks
		if sticks == 0 {
			sticks = usualSticks(layers[i], m, below, shelf)
		}
		c.LayerSticks = append(c.LayerSticks, sticks)
		for _, p := range layers[i].Parts {
			c.Bowls = append(c.Bowls, Bowl{p.Ingredient, sticks * p.Share / shares(layers[i])})
		}
		var over matter
		if i+1 < len(all) {
			over = all[i+1]
		}
		c.put(m, below, over, sticks)
		below = m
	}
	outer := all[len(all)-1]
	c.face(layers[len(layers)-1], outer, all, shelf)
	return c, nil
}

func shares(l CoatLayer) (sum float64) {
	for _, p := range l.Parts {
		sum += p.Share
	}
	return sum
}

func checkLayers(layers []CoatLayer, shelf func(string) (larder.Ingredient, error)) error {
	var c refuse.Check
	if n := len(layers); n < 1 || n > MaxCoatLayers {
		c.Add("coat.layers", fmt.Sprintf("%d layers", n), fmt.Sprintf("1 to %d layers", MaxCoatLayers))
	}
	for i, l := range layers {
		at := fmt.Sprintf("coat.layers[%d]", i)
		if n := len(l.Parts); n < 1 || n > MaxParts {
			c.Add(at+".parts", fmt.Sprintf("%d parts", n), fmt.Sprintf("1 to %d parts", MaxParts))
		}
		if l.Sticks != 0 {
			c.Within(at+".sticks", l.Sticks, SticksLimit.Min, SticksLimit.Max, SticksLimit.Unit)
		}
		for k, p := range l.Parts {
			if _, err := shelf(p.Ingredient); err != nil {
				c.Add(fmt.Sprintf("%s.parts[%d].ingredient", at, k), fmt.Sprintf("%q", p.Ingredient), "an ingredient of the pantry")
			}
			c.Within(fmt.Sprintf("%s.parts[%d].share", at, k), p.Share, ShareLimit.Min, ShareLimit.Max, ShareLimit.Unit)
		}
	}
	return c.Err()
}

// usualSticks is what of a layer stays on what it lies on, g per 100 cm².
func usualSticks(l CoatLayer, m, below matter, shelf func(string) (larder.Ingredient, error)) float64 {
	onWet := below.isWet() || below.isBatter()
	switch {
	case m.isBatter():
		return batterSticks
	case m.isWet():
		// By what is most of it.
		sum, of := 0.0, 0.0
		for _, p := range l.Parts {
			i, _ := shelf(p.Ingredient)
			if i.Form == larder.Powder || i.Form == larder.Crumb {
				continue
			}
			s, ok := bindings[i.ID]
			if !ok {
				s = thinBinder
				if i.Thick {
					s = thickBinder
				}
			}
			sum, of = sum+p.Share*s, of+p.Share
		}
		return sum / of
	case m.isCrumb():
		sum := 0.0
		for _, p := range l.Parts {
			s := blendStick[0]
			if i, _ := shelf(p.Ingredient); i.Form == larder.Crumb {
				s = grainOf(i).sticks
			}
			sum += p.Share * s
		}
		s := sum / shares(l)
		if !onWet {
			s *= crumbsOnBare
		}
		return s
	}
	s := interpolate(blendAt, blendStick, m.starch)
	if onWet {
		s = dredgedAgain - (dredgedAgain-starchAgain)*m.starch
	}
	return s
}

const (
	// crumbsOnBare is what of crumbs holds without a binder.
	crumbsOnBare = 0.35
	// A second powder, on what is wet: flour, and starch.
	dredgedAgain, starchAgain = 5.0, 4.0
)

func grainOf(i larder.Ingredient) grain {
	if g, ok := grains[i.ID]; ok {
		return g
	}
	return otherCrumb
}

// leastSolids is the share of solids under which what is put on lies on the food
// as water and oil do.
const leastSolids = 0.02

// put adds a layer. A powder and the binder over it become one: it drinks.
func (c *Coat) put(m, below, over matter, sticks float64) {
	if m.dry < leastSolids {
		// Water and oil have nothing that could be a layer.
		c.LooseWater, c.LooseFat = c.LooseWater+sticks*m.water, c.LooseFat+sticks*m.fat
		return
	}
	s := Stuck{Dry: sticks * m.dry, Wet: sticks * m.water, Fat: sticks * m.fat}
	switch {
	case m.isBatter():
		s.Density, s.Wicks, s.DryK = 1050, 0.8, 0.10
	case m.isWet():
		s.Density, s.Wicks, s.DryK = 1030, 0.1, 0.15
		if n := len(c.Stuck); n > 0 && below.isPowder() {
			dust := c.Stuck[n-1]
			c.Stuck = c.Stuck[:n-1]
			s.Dry, s.Wet, s.Fat = s.Dry+dust.Dry, s.Wet+dust.Wet, s.Fat+dust.Fat
			s.Density, s.Wicks, s.DryK = 1050, 0.2, 0.12
		}
		if over.isPowder() && over.powder > 0 {
			s.Wicks += 0.2 // it drinks from below
		}
	case m.isCrumb():
		// What is fat fills the gaps between crumbs.
		s.Density, s.Wicks, s.DryK, s.Pores = 550+160*m.fat, 0.03, 0.13+0.03*m.fat, 0.4*max(0.2, 1-0.9*m.fat)
	case below.isWet() || below.isBatter():
		s.Density, s.Wicks, s.DryK, s.Pores = 750, 0.05, 0.13, 0.25
	default:
		s.Density, s.Wicks, s.DryK, s.Pores = 700, 0.1, 0.15, 0.25
	}
	c.Stuck = append(c.Stuck, s)
}

// face sets what shows and bites: the outer layer's, on what lies below it.
func (c *Coat) face(l CoatLayer, outer matter, all []matter, shelf func(string) (larder.Ingredient, error)) {
	binder := slices.ContainsFunc(all[:len(all)-1], func(m matter) bool { return m.isWet() || m.isBatter() })
	// Starch browns at 0.9 of bare skin, from a few percent of protein on at
	// 1.4, crumbs with their 13 at 1.6.
	c.Browns = 0.9 + 0.5*min(1, outer.protein/0.065) + 0.2*min(1, max(0, outer.protein-0.10)/0.03)
	for i, m := range all {
		shows := 1.0
		if i < len(all)-1 {
			shows = under // what lies below shows through
		}
		c.Sugar += 100 * m.sugar * reducing * shows
		c.Starchy = c.Starchy || m.carb-m.sugar > 0.3 && !m.isWet()
	}
	switch {
	case outer.isBatter():
		c.Half, c.Browns, c.NeedsOil, c.Sets, c.Raw, c.Covers, c.Fried = 0.22, min(1.8, 1.5*c.Browns), 0.6, 0.10, paste, 0.9, 0.15
	case outer.isWet():
		// A film: it browns and shines, and has no crust of its own.
		c.Half, c.Browns, c.Raw, c.Covers, c.RestMin = 0.6, 1.05, paste, 0.15, 0
	case outer.isCrumb():
		thin, lab, of := 0.0, [3]float64{}, 0.0
		for _, p := range l.Parts {
			i, _ := shelf(p.Ingredient)
			if i.Form != larder.Crumb {
				continue
			}
			g := grainOf(i)
			thin, of = thin+p.Share/g.half, of+p.Share
			for k := range lab {
				lab[k] += p.Share * g.colour[k]
			}
		}
		for k := range lab {
			lab[k] /= of
		}
		c.Half, c.Raw, c.Rough, c.RestMin, c.Fried = of/thin, lab, 1.2, 15, 0.15
		c.NeedsOil = 0.8 * max(0, 1-1.2*max(0, outer.fat-0.05))
		c.Covers, c.Sets = 0.95, 0.35
		if !binder {
			c.Covers, c.Sets, c.Light, c.Rough = 0.6, 0, true, 1.1
		}
	case binder:
		c.Half, c.Browns = 0.9*interpolate(blendAt, blendHalf, outer.starch), 0.93*c.Browns
		c.Rough, c.NeedsOil, c.Sets, c.Raw, c.Covers, c.RestMin, c.Fried = 1.1, 0.8, 0.30, paste, 0.9, 12, 0.15
	default:
		c.Half, c.NeedsOil, c.Covers = interpolate(blendAt, blendHalf, outer.starch), interpolate(blendAt, blendOil, outer.starch), interpolate(blendAt, blendHides, outer.starch)
		c.Light, c.Raw, c.RestMin, c.Fried = true, palePowder, math.Round(interpolate(blendAt, blendRest, outer.starch)), 0.08
	}
}

// made returns a named coat, by what it is made of.
func made(id, name, says string, restMin float64, layers ...CoatLayer) Coat {
	c, err := Compose(layers, larder.Shelf)
	if err != nil {
		panic(err) // the table above
	}
	c.ID, c.Name, c.Says, c.RestMin = id, name, says, restMin
	return c
}

// only is a layer of one ingredient.
func only(ingredient string) CoatLayer { return CoatLayer{Parts: []Mixed{{ingredient, 1}}} }

// Made is the id of a coat that is told by its layers.
const Made = "made"
