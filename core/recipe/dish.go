package recipe

import (
	"fmt"
	"math"
	"regexp"
	"slices"
	"strings"

	"velocrustum/core/advise"
	"velocrustum/core/food"
	"velocrustum/core/larder"
	"velocrustum/core/load"
	"velocrustum/core/pan"
	"velocrustum/core/prep"
	"velocrustum/core/units"
)

// dish puts what was understood together.
func (r *reader) dish() {
	if r.pieces == 0 {
		r.out.Missing = append(r.out.Missing, "what is fried: which cut, how many and how heavy")
		return
	}
	if r.out.Servings == 0 {
		r.out.Missing = append(r.out.Missing, "how many it is for: say it on the bench")
	}
	if len(r.out.Refused) > 0 {
		return
	}
	r.out.Load = &load.Pieces{Cut: r.cut.ID, Pieces: r.pieces, PieceMassG: r.pieceG, Surface: "wiped"}
	r.comes(r.out.Load)
	if r.thickMm > 0 {
		r.out.Load.ThicknessMm = &r.thickMm
	}
	bench := prep.Bench{Servings: min(20, r.out.Servings), Drying: prep.Drying{School: "wipe"}}
	if r.startC != 0 || r.was != "" {
		bench.Drying = prep.Drying{}
	}
	var sauces []sauceLines
	var grain larder.Item
	marinade := []larder.Item{}
	coat, coatG := map[string]bool{}, []larder.Item{}
	oilG := 0.0
	add := func(list []larder.Item, l Line) []larder.Item {
		for i := range list {
			if list[i].Ingredient == l.Ingredient {
				list[i].G += l.G
				return list
			}
		}
		return append(list, larder.Item{Ingredient: l.Ingredient, G: l.G})
	}
	for _, l := range r.out.Lines {
		if l.Ingredient == "" || l.G <= 0 {
			if l.Ingredient != "" && l.As == AsCoat {
				coat[l.Ingredient] = true
				coatG = add(coatG, Line{Ingredient: l.Ingredient, G: 1})
			}
			continue
		}
		if slices.ContainsFunc(pan.Grains, func(g pan.Grain) bool { return g.ID == l.Ingredient }) {
			grain = larder.Item{Ingredient: l.Ingredient, G: l.G}
			r.grain = grain
			continue
		}
		switch l.As {
		case AsMarinade:
			marinade = add(marinade, l)
		case AsSauce:
			i := slices.IndexFunc(sauces, func(s sauceLines) bool { return s.group == l.Group })
			if i < 0 {
				i = len(sauces)
				sauces = append(sauces, sauceLines{group: l.Group})
			}
			sauces[i].items = add(sauces[i].items, l)
		case AsFinish:
			bench.Finish = add(bench.Finish, l)
		case AsCoat:
			coat[l.Ingredient] = true
			coatG = add(coatG, l)
		case AsOil:
			oilG += l.G
		}
	}
	if len(marinade) > 0 {
		hours := r.hours
		dry := !slices.ContainsFunc(marinade, func(i larder.Item) bool {
			one := r.p[i.Ingredient]
			return !one.IsSalt() && one.Role != larder.Spice
		})
		if hours == 0 && dry {
			hours = 0.25 // a rub, put on as the fryer heats
		} else if hours == 0 {
			hours = 0.5
			r.out.Missing = append(r.out.Missing, "how long it marinates: half an hour is taken")
		}
		bench.Marinade = &prep.Marinade{Items: marinade, Hours: math.Min(48, math.Max(0.25, hours))}
	}
	for _, one := range sauces {
		bench.Sauces = append(bench.Sauces, r.served(one.serving(len(sauces))))
	}
	if len(bench.Sauces) == 0 && grain.Ingredient != "" {
		r.out.Missing = append(r.out.Missing, fmt.Sprintf("when the %s is cooked: it is eaten beside, and is no part of the dish here", grain.Ingredient))
	}
	// A deep pan's oil is not on the food.
	if oilG > mostOilShare*r.alikeG() || r.out.Heat != nil && r.out.Heat.Kind == advise.FromOil {
		oilG = 0
	}
	if r.sprayed && oilG == 0 {
		oilG = math.Max(1, math.Round(sprayShare*r.alikeG()))
		r.out.Missing = append(r.out.Missing, fmt.Sprintf("how much oil is sprayed on: about %s is taken", r.say.Grams(oilG)))
	}
	r.out.Coat = &load.Covering{ID: coatOf(coat, oilG), OilG: math.Round(oilG)}
	if layers := r.layers(coatG, r.out.Coat.ID); layers != nil {
		r.out.Coat.ID, r.out.Coat.Layers = food.Made, layers
	}
	if r.was == food.ParFried && r.out.Coat.ID == food.Bare && !r.cut.Starchy {
		r.out.Coat.ID = usualFrozenCoat
	}
	r.out.Bench = &bench
	r.lots()
	if r.out.Heat == nil {
		r.out.Missing = append(r.out.Missing, "how hot and how long: the best program is searched")
	} else if r.out.Heat.Minutes == 0 {
		r.out.Missing = append(r.out.Missing, "how long it is in: the best program is searched")
	}
}

// usualFrozenCoat is that of what comes coated out of a freezer, where none is said.
const usualFrozenCoat = "three-bowl-crumb"

// alikeG is the weight of all that is marinated and coated alike, g.
func (r *reader) alikeG() float64 {
	g := r.massG()
	for _, f := range r.beside {
		if f.cut.Class == r.cut.Class {
			g += f.massG()
		}
	}
	return g
}

// lots puts what is fried beside the first together, and gives each its share of
// what the recipe has for all.
func (r *reader) lots() {
	all := r.alikeG()
	marinade, oilG := r.out.Bench.Marinade, r.out.Coat.OilG
	finish := r.out.Bench.Finish
	part := func(items []larder.Item, g float64) []larder.Item {
		items = slices.Clone(items)
		for i := range items {
			items[i].G = math.Round(10*items[i].G*g/all) / 10
		}
		return items
	}
	share := func(b *prep.Bench, c *load.Covering, g float64) {
		c.OilG, b.Finish = math.Round(10*oilG*g/all)/10, part(finish, g)
		if marinade != nil {
			b.Marinade = &prep.Marinade{Items: marinade.Items, Hours: marinade.Hours, ForG: all}
		}
	}
	for i := range r.beside {
		f := &r.beside[i]
		lot := prep.DishLot{LotRequest: load.LotRequest{Load: load.Pieces{Cut: f.cut.ID, Pieces: f.pieces, PieceMassG: f.pieceG, Surface: "wiped"}, Coat: &load.Covering{ID: food.Bare}}}
		r.comes(&lot.Load)
		lot.Bench = &prep.Bench{Drying: r.out.Bench.Drying}
		if f.thickMm > 0 {
			lot.Load.ThicknessMm = &f.thickMm
		}
		if f.cut.Class == r.cut.Class {
			coat := *r.out.Coat
			share(lot.Bench, &coat, f.massG())
			lot.Coat = &coat
		} else {
			r.out.Missing = append(r.out.Missing, fmt.Sprintf("what is on the %s: they lie beside with nothing on them", f.cut.Plural))
		}
		r.out.Beside = append(r.out.Beside, lot)
	}
	if all > r.massG() {
		share(r.out.Bench, r.out.Coat, r.massG())
	}
}

// sauceLines is what stands under one heading.
type sauceLines struct {
	group string
	items []larder.Item
}

// serving is a sauce under its heading's name; of several each has its share of
// the pieces.
func (s sauceLines) serving(of int) pan.Serving {
	out := pan.Serving{Name: "Sauce", Sauce: pan.Sauce{School: pan.Reduce, Items: s.items}}
	name := s.group
	for _, before := range []string{"for the ", "for "} {
		if cut, ok := strings.CutPrefix(strings.ToLower(name), before); ok {
			name = cut
		}
	}
	if name = strings.TrimSpace(name); name != "" && !says(plain(name), "ingredient") {
		out.Name = units.Capital(name)
		if r := []rune(out.Name); len(r) > 60 {
			out.Name = string(r[:60])
		}
	}
	switch dip := says(plain(name), "dip") || says(plain(name), "dipping"); {
	case dip:
		out.How = pan.Beside
	case of > 1:
		out.Share = math.Floor(100/float64(of)) / 100
	}
	return out
}

var (
	poured    = regexp.MustCompile(`\bpour\b[^.]*\bover\b|\bdrizzle\b[^.]*\bover\b|\bspoon\b[^.]*\bover\b`)
	ladled    = regexp.MustCompile(`\bladle\b|\b(?:serve|served|spoon)\b[^.]*\b(?:over|with|on)\b[^.]*\b(?:rice|noodles?)\b|\b(?:add|return|stir|fold|toss)\b[^.]*\b(?:to|into|in) the (?:wok|sauce|pan|skillet)\b`)
	onRice    = regexp.MustCompile(`\brice\b`)
	onNoodles = regexp.MustCompile(`\bnoodles?\b`)
)

// manyPieces is the share of a sauce in pieces from which it is eaten as a dish of
// its own, not for what clings.
const manyPieces = 0.25

// served is how a sauce comes to the food, by what the steps say and what is in it:
// one with much in it, or with rice, is ladled, all of it.
func (r *reader) served(s pan.Serving) pan.Serving {
	if s.How != "" || s.Share > 0 {
		return s
	}
	steps := strings.Join(r.steps, " . ")
	sum, pieces := 0.0, 0.0
	for _, it := range s.Sauce.Items {
		sum += it.G
		if r.p[it.Ingredient].Form == larder.Pieces {
			pieces += it.G
		}
	}
	switch {
	case pieces >= manyPieces*sum, r.grain.Ingredient != "", ladled.MatchString(steps) && (onRice.MatchString(steps) || onNoodles.MatchString(steps)):
		s.How = pan.Ladle
	case poured.MatchString(steps):
		s.How = pan.Pour
	default:
		return s
	}
	if s.How == pan.Ladle {
		switch {
		case r.grain.Ingredient != "":
			s.Grain, s.GrainG = r.grain.Ingredient, new(math.Round(r.grain.G/float64(max(1, r.out.Servings))/5)*5)
		case onRice.MatchString(steps):
			s.Grain = pan.Rice
		case onNoodles.MatchString(steps):
			s.Grain = pan.Noodles
		}
	}
	return s
}

// sprayShare of the food is what a spray leaves on it: 0.4 g on 100 cm² of pieces of
// 30 to 60 g.
const sprayShare = 0.008

// mostOilShare of the food is oil that is on it, and not what it swims in.
const mostOilShare = 0.12

// coatOf names the coat that is made of some ingredients.
func coatOf(of map[string]bool, oilG float64) string {
	has := func(ids ...string) bool { return slices.ContainsFunc(ids, func(id string) bool { return of[id] }) }
	flour := has("wheat-flour", "rice-flour", "chickpea-flour")
	starch := has("corn-starch", "potato-starch", "rice-starch", "tapioca-starch")
	wet := has("egg", "buttermilk", "milk", "yoghurt")
	switch {
	case has("crumbs", "coarse-crumbs", "rice-crumbs", "cornflakes", "cornmeal"):
		return "three-bowl-crumb"
	case has("nut-crumbs", "almonds", "hard-cheese", "crackling", "coconut"):
		return "low-carb-crumb"
	case flour && wet:
		return "double-dredge"
	case flour && starch:
		return "flour-starch"
	case starch:
		return "starch-dust"
	case flour:
		return "flour-dust"
	case has("leavening", "soda"):
		return "leavened-rub"
	case oilG > 0:
		return "oil-rub"
	}
	return "bare"
}

// layers are what a recipe coats with, where the coat that is called nearest
// would leave out something that people may not eat: an egg white, a cheese.
// nil where the named one has all of that.
func (r *reader) layers(items []larder.Item, id string) []food.CoatLayer {
	named, err := food.FindCoat(id)
	if err != nil {
		return nil
	}
	has := r.p.Allergens(named)
	lost := false
	for _, it := range items {
		for _, a := range r.p[it.Ingredient].Allergens {
			lost = lost || !slices.Contains(has, a)
		}
	}
	if !lost {
		return nil
	}
	// A binder on a powder, and what is coarse on both.
	var powder, wet, crumb food.CoatLayer
	for _, it := range items {
		to := &wet
		switch r.p[it.Ingredient].Form {
		case larder.Powder:
			to = &powder
		case larder.Crumb:
			to = &crumb
		}
		if len(to.Parts) == food.MaxParts {
			r.out.Missing = append(r.out.Missing, fmt.Sprintf("%s in the coat: it has more than a layer takes, and is left out of it", r.p[it.Ingredient].Name))
			continue
		}
		to.Parts = append(to.Parts, food.Mixed{Ingredient: it.Ingredient, Share: math.Max(food.ShareLimit.Min, math.Min(food.ShareLimit.Max, it.G))})
	}
	var out []food.CoatLayer
	order := []food.CoatLayer{wet, powder, crumb}
	if len(crumb.Parts) > 0 {
		order = []food.CoatLayer{powder, wet, crumb}
	}
	for _, l := range order {
		if len(l.Parts) > 0 {
			out = append(out, l)
		}
	}
	return out
}
