package prep

import (
	"math"
	"math/rand/v2"
	"testing"

	"velocrustum/core/food"
	"velocrustum/core/larder"
	"velocrustum/core/load"
	"velocrustum/core/pan"
)

// parts is a dish of so many pieces in lots that are all alike: what was weighed
// out for the whole is made for the whole's grams, or shared by pieces.
func parts(cut food.Cut, coat string, lots ...int) BenchDish {
	all := 0
	for _, n := range lots {
		all += n
	}
	whole := float64(all) * cut.Typical
	d := BenchDish{Bench: &Bench{Servings: 3,
		Mixes:  []Mix{{Name: "dust", Items: []larder.Item{{Ingredient: "paprika", G: 2}, {Ingredient: "salt-fine", G: 1}}}},
		Sauces: []pan.Serving{{Name: "glaze", Sauce: pan.Sauce{School: pan.Mix, Items: []larder.Item{{Ingredient: "honey", G: 40}, {Ingredient: "soy-light", G: 30}}}}}}}
	d.Program = load.Program{Stages: []load.Stage{{AirC: 190, Minutes: 20}}, Turns: []load.Turn{
		{AtMin: 15, Kind: load.BrushOn, Brush: &load.Brush{G: 12, Parts: []food.Mixed{{Ingredient: "butter", Share: 1}}}}}}
	for _, n := range lots {
		share := float64(n) / float64(all)
		d.Lots = append(d.Lots, load.LotRequest{Load: load.Pieces{Cut: cut.ID, Pieces: n, PieceMassG: cut.Typical}, Coat: &load.Covering{ID: coat, OilG: 12 * share}})
		d.Benches = append(d.Benches, &Bench{
			Salting:  &Salting{School: "dry", TargetPct: 1, Hours: 2},
			Marinade: &Marinade{Items: []Item{{Ingredient: "yoghurt", G: 80}, {Ingredient: "honey", G: 12}}, Hours: 3, ForG: whole},
			Finish:   []Item{{Ingredient: "lemon-juice", G: 9 * share}},
		})
	}
	return d
}

// However a dish is said in lots that are alike, it is bought, salted and served
// as one.
func TestSplittingADishChangesNothing(t *testing.T) {
	r := rand.New(rand.NewPCG(4, 25))
	tried := 0
	for range 40 {
		cut := food.Cuts()[r.IntN(len(food.Cuts()))]
		coat := food.CoatIDs()[r.IntN(len(food.CoatIDs()))]
		if cut.Typical > 400 {
			continue // a basket takes so few that their halves count
		}
		a, b, c := 1+r.IntN(4), 1+r.IntN(3), 1+r.IntN(2)
		_, one, err := shelf.Ready(parts(cut, coat, a+b+c))
		if err != nil {
			continue // too thick, too full
		}
		_, split, err := shelf.Ready(parts(cut, coat, a, b, c))
		if err != nil {
			t.Errorf("%d %s are possible, %d and %d and %d not: %v", a+b+c, cut.Plural, a, b, c, err)
			continue
		}
		tried++
		near(t, cut.ID+" g", split.MassG(), one.MassG(), 1e-6)
		near(t, cut.ID+" salt", split.SaltPct(), one.SaltPct(), 1e-6)
		want, got := one.Items(), split.Items()
		near(t, cut.ID+" butter brushed on", want["butter"], 12, 1e-9)
		for id, g := range want {
			near(t, cut.ID+" "+coat+" bought, "+id, got[id], g, 1e-6)
		}
		if len(got) != len(want) {
			t.Errorf("%s: bought are %v, of one %v", cut.ID, got, want)
		}
		kept := Losses{MassLossPct: 14, FatRenderedPct: 30}
		here, deep := one.Serve([]Losses{kept})
		hereSplit, deepSplit := split.Serve([]Losses{kept, kept, kept})
		for what, p := range map[string][2]Plate{"here": {here, hereSplit}, "deep-fried": {deep, deepSplit}} {
			near(t, cut.ID+" "+what+" kcal", p[1].Kcal, p[0].Kcal, 1e-6)
			near(t, cut.ID+" "+what+" salt", p[1].SaltG, p[0].SaltG, 1e-6)
			near(t, cut.ID+" "+what+" g", p[1].MassG, p[0].MassG, 1e-6)
		}
		cost, _ := one.Cost(shelf, 500)
		costSplit, _ := split.Cost(shelf, 500)
		near(t, cut.ID+" cost", costSplit, cost, 1e-6)
		for from, g := range one.SaltFrom() {
			near(t, cut.ID+" salt from "+from, split.SaltFrom()[from], g, 1e-6)
		}
		if m := split.Mixes(); len(m) != 1 || math.Abs(m[0].G-one.Mixes()[0].G) > 1e-6 {
			t.Errorf("%s: the mix is %+v, of one %+v", cut.ID, m, one.Mixes())
		}
	}
	if tried < 12 {
		t.Errorf("only %d of 40 could be", tried)
	}
}

// A sauce and a mix of one lot are made for it alone, and are on it alone.
func TestASauceOfOneLot(t *testing.T) {
	cut, err := food.FindCut("chicken-wing-flat")
	if err != nil {
		t.Fatal(err)
	}
	glaze := pan.Serving{Name: "glaze", Sauce: pan.Sauce{School: pan.Mix, Items: []larder.Item{{Ingredient: "honey", G: 40}, {Ingredient: "soy-light", G: 30}}}}
	dust := Mix{Name: "dust", Items: []larder.Item{{Ingredient: "paprika", G: 2}}}
	work := func(change func(d *BenchDish)) *WorkedDish {
		t.Helper()
		d := parts(cut, "bare", 6, 6)
		d.Bench.Sauces, d.Bench.Mixes = nil, nil
		change(&d)
		_, w, err := shelf.Ready(d)
		if err != nil {
			t.Fatal(err)
		}
		return w
	}
	all := work(func(d *BenchDish) { d.Bench.Sauces, d.Bench.Mixes = []pan.Serving{glaze}, []Mix{dust} })
	one := work(func(d *BenchDish) { d.Benches[1].Sauces, d.Benches[1].Mixes = []pan.Serving{glaze}, []Mix{dust} })
	if s := one.Sauces(); len(s) != 1 || s[0].Of == nil || *s[0].Of != 1 {
		t.Fatalf("it is for %+v", s)
	}
	if s := all.Sauces(); len(s) != 1 || s[0].Of != nil {
		t.Fatalf("for all it is for %+v", s)
	}
	near(t, "made", one.Sauces()[0].Made.OnFoodG, all.Sauces()[0].Made.OnFoodG/2, 1e-6)
	near(t, "the mix", one.Mixes()[0].G, all.Mixes()[0].G/2, 1e-6)
	near(t, "honey bought beside the marinade's", one.Items()["honey"]-12, (all.Items()["honey"]-12)/2, 1e-6)
	if one.Lots[0].SaltFrom["sauce"] != 0 || one.Lots[1].SaltFrom["sauce"] <= 0 {
		t.Errorf("salt of the sauce is on %g and %g", one.Lots[0].SaltFrom["sauce"], one.Lots[1].SaltFrom["sauce"])
	}
	if len(one.MixesForAll()) != 0 || len(all.MixesForAll()) != 1 {
		t.Error("whom a mix is for is lost")
	}
}
