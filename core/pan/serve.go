package pan

import (
	"math"
	"slices"

	"velocrustum/core/larder"
	"velocrustum/core/refuse"
)

// leftIn is what stays in the pan and in the bowl, of what was made (±0.03).
const leftIn = 0.07

// usualDip is a portion to dip into, g: two spoons; usualPour one to pour over.
const usualDip, usualPour = 30.0, 45.0

// A Serving is a sauce with the food it is for.
type Serving struct {
	Name  string `json:"name"`
	Sauce Sauce  `json:"sauce"`
	How   string `json:"how,omitempty"` // toss
	// AtTable says that it goes on at the table, not at the stove.
	AtTable bool `json:"atTable,omitempty"`
	// Share of the pieces that it is for; 1.
	Share float64 `json:"share,omitempty"`
	// DipG stands beside each serving, g; 30 where it is only dipped, else 0.
	DipG *float64 `json:"dipG,omitempty"`
	// PourG goes over each serving where it is poured, g; 45.
	PourG *float64 `json:"pourG,omitempty"`
	// Grain lies under what is ladled: rice or noodles, GrainG dry g a serving.
	Grain  string   `json:"grain,omitempty"`
	GrainG *float64 `json:"grainG,omitempty"`
	// BeforeMin is how long before the food is out the pan goes on; so that
	// both are ready at once where left out.
	BeforeMin *float64 `json:"beforeMin,omitempty"`
}

// ServingLimits are what the figures of a serving may be, beside its sauce's.
var ServingLimits = refuse.Limits{
	"share":     {Min: 0.05, Max: 1, Step: 0.05, Unit: "of the pieces"},
	"dipG":      {Min: 0, Max: 200, Step: 5, Unit: "g a serving"},
	"pourG":     {Min: 5, Max: 300, Step: 5, Unit: "g a serving"},
	"grainG":    {Min: 20, Max: 200, Step: 5, Unit: "g, dry, a serving"},
	"beforeMin": {Min: 0, Max: 120, Step: 1, Unit: "minutes before it is out"},
}

// Whole returns the serving with its defaults in.
func (s Serving) Whole() Serving {
	s.Sauce = s.Sauce.Whole()
	if s.How == "" {
		s.How = Toss
	}
	if s.Share == 0 {
		s.Share = 1
	}
	if s.DipG == nil {
		s.DipG = new(float64)
		if s.How == Beside {
			*s.DipG = usualDip
		}
	}
	if s.PourG == nil {
		s.PourG = new(usualPour)
	}
	if s.GrainG == nil {
		for _, g := range Grains {
			if g.ID == s.Grain {
				s.GrainG = new(g.G)
			}
		}
	}
	return s
}

// GrainDryG is what is cooked to lie under it, g dry, for so many servings.
func (s Serving) GrainDryG(servings int) float64 {
	if w := s.Whole(); w.Grain != "" && WayOf(w.How).Own && w.GrainG != nil {
		return *w.GrainG * float64(max(1, servings))
	}
	return 0
}

// Check returns what is wrong as refuse.Fields, or nil.
func (s Serving) Check(find Find) error {
	w := s.Whole()
	var c refuse.Check
	c.Among("how", w.How, WayIDs()...)
	c.In(ServingLimits, "pourG", *w.PourG)
	if c.Among("grain", w.Grain, "", Rice, Noodles); w.GrainG != nil {
		c.In(ServingLimits, "grainG", *w.GrainG)
	}
	c.In(ServingLimits, "share", w.Share)
	c.In(ServingLimits, "dipG", *w.DipG)
	if b := s.BeforeMin; b != nil {
		c.In(ServingLimits, "beforeMin", *b)
	}
	if len([]rune(s.Name)) > 60 {
		c.Add("name", s.Name, "up to 60 characters")
	}
	c.Part("", s.Sauce.Check(find))
	return c.Err()
}

// A SaucedFood is what a sauce is for.
type SaucedFood struct {
	Surface  float64 // of all pieces, in 100 cm²
	Servings int
}

// Made is a sauce worked out from the plate.
type Made struct {
	Items []larder.Item `json:"items"` // what goes into the pan, g
	// StarchG and SlurryG go in together at the end, WaterG with the rest.
	StarchG float64 `json:"starchG"`
	SlurryG float64 `json:"slurryG"`
	WaterG  float64 `json:"waterG"`
	MadeG   float64 `json:"madeG"`   // what is there when it is ready
	OnFoodG float64 `json:"onFoodG"` // clings to all pieces
	// OnPlateG is what runs down from them, or lies under them, and is eaten.
	OnPlateG float64 `json:"onPlateG"`
	// PiecesG is what of it is eaten by the piece.
	PiecesG float64 `json:"piecesG"`
	// Soft is when what is in it by the piece is soft; GrainG what is cooked to lie
	// under it, dry.
	Soft   []Soft  `json:"soft"`
	GrainG float64 `json:"grainG"`
	DipG   float64 `json:"dipG"`
	EatenG float64 `json:"eatenG"`
	LeftG  float64 `json:"leftG"` // in pan, bowl and dish
	// ClingsG is its thickness when ready, g/100 cm², Band what is still good.
	ClingsG float64    `json:"clingsG"`
	Band    [2]float64 `json:"band"`
	// Eaten is what is eaten of it, and Per100 what is in 100 g.
	Eaten    larder.Totals `json:"eaten"`
	Per100   larder.Totals `json:"per100"`
	SugarPct float64       `json:"sugarPct"` // of what is ready
	WaterPct float64       `json:"waterPct"`
	// SolidsPct is what is dissolved in it, sugar and salt.
	SolidsPct float64    `json:"solidsPct"`
	Allergens []string   `json:"allergens"`
	Cost      float64    `json:"cost"` // 0 where no price is known
	ReadyMin  float64    `json:"readyMin"`
	WaitMin   float64    `json:"waitMin"` // how long it is good for
	SpoonG    float64    `json:"spoonG"`  // the water that loosens it then
	Line      []Point    `json:"line"`
	Moments   []PanEvent `json:"moments"`
	// OnMin is when the pan goes on, minutes before the food is out. It waits
	// KeptMin for the food, or the food LateMin for it.
	OnMin   float64 `json:"onMin"`
	KeptMin float64 `json:"keptMin"`
	LateMin float64 `json:"lateMin"`
	// Never says that it does not get as thick as it is wanted, Splits that
	// its fat comes out, Caramel that it sets hard.
	Never   bool `json:"never"`
	Splits  bool `json:"splits"`
	Caramel bool `json:"caramel"`
	// WidthCm is the pan that it is made in, and DeepMm how deep it lies there at first.
	WidthCm float64 `json:"widthCm"`
	DeepMm  float64 `json:"deepMm"`
	// HotClingsG is what clings of it boiling, as a spoon at the stove shows.
	HotClingsG float64 `json:"hotClingsG"`
}

// Soft is when an ingredient that is eaten by the piece is soft, minutes after the pan
// went on; nil where it is not when the sauce is ready.
type Soft struct {
	Ingredient string   `json:"ingredient"`
	AtMin      *float64 `json:"atMin"`
	// MoreMin is how much longer it would have to simmer.
	MoreMin float64 `json:"moreMin"`
}

// pans are what is sold, across the bottom, cm.
var pans = []float64{14, 16, 18, 20, 24, 28}

// panFor is the widest pan in which so much, ml, lies deep enough to be stirred without
// catching, or else the smallest.
func panFor(ml float64) float64 {
	w := pans[0]
	for _, p := range pans {
		if deepMm(ml, p) >= deepEnough {
			w = p
		}
	}
	return w
}

// deepMm is how deep so much lies in a pan, ml and cm.
func deepMm(ml, widthCm float64) float64 { return 10 * ml / (math.Pi / 4 * widthCm * widthCm) }

// At thinMm a pan catches; at deepEnough, mm, it does not.
const thinMm, deepEnough = 3.0, 6.0

// Make works a sauce out for a plate. The error is refuse.Fields.
func Make(s Serving, p SaucedFood, find Find) (Made, error) {
	if err := s.Check(find); err != nil {
		return Made{}, err
	}
	anyPan := s.Sauce.WidthCm == 0
	s = s.Whole()
	m := Made{Items: []larder.Item{}, Soft: []Soft{}, Allergens: []string{}, Line: []Point{}, Moments: []PanEvent{}, Band: [2]float64{nearLow * s.Sauce.ClingsG, nearHigh * s.Sauce.ClingsG}}
	in, err := s.Sauce.start(find, 1)
	if err != nil || in.mass-in.pieces < 1 {
		return m, err // nothing is in it yet
	}
	surface := p.Surface * s.Share
	way := WayOf(s.How)
	dip := *s.DipG * float64(max(1, p.Servings))
	on := func(c cooked) float64 {
		if !way.On() {
			return 0
		}
		return way.Lays * c.clings(s.Sauce) * surface
	}
	// What is cold clings as it is; what it comes to does not hang on how much.
	wanted := func(c cooked) float64 {
		if way.Plated {
			return (*s.PourG*s.Share*float64(max(1, p.Servings)) + dip) / (1 - leftIn)
		}
		return (on(c) + dip) / (1 - leftIn)
	}
	k, c := 1.0, cooked{}
	work := func() error {
		if way.Own { // as much as the cook has put into the pan
			c, err = s.Sauce.cook(find, k, true)
		} else {
			k, c, err = s.Sauce.scaled(find, wanted)
		}
		return err
	}
	if work() != nil {
		return m, err
	}
	if w := panFor(1000 * (in.mass*k + c.waterG) / density); anyPan && w != s.Sauce.WidthCm && s.Sauce.Hot() {
		s.Sauce.WidthCm = w
		if work() != nil {
			return m, err
		}
	}
	m.WidthCm, m.DeepMm = s.Sauce.WidthCm, deepMm(1000*(in.mass*k+c.waterG)/density, s.Sauce.WidthCm)
	for _, it := range s.Sauce.Items {
		m.Items = append(m.Items, larder.Item{Ingredient: it.Ingredient, G: it.G * k})
	}
	m.StarchG, m.SlurryG, m.WaterG, m.Never = c.starchG, c.slurryG, c.waterG, c.never
	m.Line, m.Moments, m.ReadyMin, m.WaitMin, m.SpoonG = c.line, c.moments, c.ready, c.waits, c.spoonG
	m.OnMin = c.ready
	if b := s.BeforeMin; b != nil {
		m.OnMin, m.KeptMin, m.LateMin = *b, math.Max(0, *b-c.ready), math.Max(0, c.ready-*b)
	}
	if !s.Sauce.Aims() {
		m.Band = [2]float64{nearLow * c.clings(s.Sauce), nearHigh * c.clings(s.Sauce)}
	}
	m.ClingsG, m.HotClingsG = c.clings(s.Sauce), c.end.clings(boilC)
	m.DipG, m.GrainG = dip, s.GrainDryG(p.Servings)
	liquid := c.end.mass - c.end.pieces
	m.OnFoodG = on(c)
	if way.Plated {
		served := math.Max(0, liquid*(1-leftIn)-dip)
		m.OnFoodG = math.Min(m.OnFoodG, served)
		m.OnPlateG = served - m.OnFoodG
	}
	m.MadeG, m.PiecesG = c.end.mass, c.end.pieces
	dipped := math.Min(dip, WayOf(Beside).Lays*m.ClingsG*surface)
	m.EatenG = m.OnFoodG + m.OnPlateG + dipped + c.end.pieces
	m.LeftG = m.MadeG - m.EatenG
	m.SugarPct, m.WaterPct, m.SolidsPct = 100*c.end.sugar/liquid, 100*c.end.water/liquid, 100*c.end.dissolved/liquid
	m.Splits, m.Caramel = c.end.splits(), s.Sauce.Hot() && c.end.brix() > caramel && c.end.sugar > 0.65*c.end.mass
	m.Soft = c.soft(s.Sauce, find)
	return m, m.add(s, find, (m.OnFoodG+m.OnPlateG+dipped)/liquid)
}

// add counts what is eaten: a share of the liquid, and all pieces.
func (m *Made) add(s Serving, find Find, share float64) error {
	items := m.Items
	if m.StarchG > 0 {
		items = append(slices.Clone(items), larder.Item{Ingredient: s.Sauce.Starch, G: m.StarchG})
	}
	var all larder.Totals
	for _, it := range items {
		i, err := find(it.Ingredient)
		if err != nil {
			return err
		}
		var t larder.Totals
		t.Add(i, it.G)
		all = all.Plus(t)
		if i.Form != larder.Pieces {
			t = t.Part(share)
		} else { // the juice that it gave is liquid
			t = t.Part(1 - i.Gives*(1-share))
		}
		m.Eaten = m.Eaten.Plus(t)
		m.Cost += it.G / 1000 * i.Price
		for _, a := range i.Allergens {
			if !slices.Contains(m.Allergens, a) {
				m.Allergens = append(m.Allergens, a)
			}
		}
	}
	slices.Sort(m.Allergens)
	m.Eaten.MassG, all.MassG = m.EatenG, m.MadeG // without what boiled away
	m.Per100 = all.Part(100 / m.MadeG)
	return nil
}

// clings is its thickness when ready.
func (c cooked) clings(s Sauce) float64 {
	if !s.Hot() {
		return c.end.clings(coldC)
	}
	return c.end.clings(plateC)
}

// scaled finds by how much the recipe is made so that the liquid that is ready
// is as much as is wanted.
func (s Sauce) scaled(find Find, wanted func(cooked) float64) (k float64, c cooked, err error) {
	over := func(k float64) (float64, error) {
		if c, err = s.cook(find, k, false); err != nil {
			return 0, err
		}
		return c.end.mass - c.end.pieces - wanted(c), nil
	}
	// What boils away to a thickness goes with the amount: a few steps do.
	k = 1
	for range 10 {
		d, err := over(k)
		if err != nil {
			return k, c, err
		}
		w := wanted(c)
		if math.Abs(d) < 1e-6*w {
			c, err = s.cook(find, k, true)
			return k, c, err
		}
		k *= math.Min(8, w/math.Max(0.02*w, w+d))
	}
	// What boils away in a time does not: halve.
	lo, hi := 0.0, 1.0
	for range 24 { // up to 16 million times
		d, err := over(hi)
		if err != nil {
			return 0, c, err
		}
		if d >= 0 {
			break
		}
		lo, hi = hi, 2*hi
	}
	for range 20 {
		mid := (lo + hi) / 2
		d, err := over(mid)
		if err != nil {
			return 0, c, err
		}
		if d < 0 {
			lo = mid
		} else {
			hi = mid
		}
	}
	c, err = s.cook(find, hi, true)
	return hi, c, err
}
