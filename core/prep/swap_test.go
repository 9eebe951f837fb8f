package prep

import (
	"errors"
	"math"
	"reflect"
	"strings"
	"testing"

	"velocrustum/core/load"
	"velocrustum/core/refuse"
	"velocrustum/core/units"
)

// What stands in does the same: as much salt, acid or sugar.
func TestSwapsDoTheSame(t *testing.T) {
	salt := func(items []Item) (g float64) {
		for _, it := range items {
			g += it.G * shelf[it.Ingredient].Salt / 100
		}
		return g
	}
	swaps := shelf.Swaps("soy-light", 30, units.Household{}) // 4.5 g of salt
	if len(swaps) != 4 {
		t.Fatalf("%d swaps for soy sauce", len(swaps))
	}
	for _, s := range swaps {
		near(t, s.Says, salt(s.Items), 4.5, 0.06)
		if s.Says == "" {
			t.Error("a swap without words")
		}
	}
	// A mixture first, then the nearest in weight: dark soy sauce.
	if len(swaps[0].Items) != 3 || swaps[1].Items[0].Ingredient != "soy-dark" || !strings.Contains(swaps[1].Changes, "3.3 g more sugar") {
		t.Errorf("%+v", swaps)
	}
	lemon := shelf.Swaps("lemon-juice", 24, units.Household{})
	if len(lemon) < 2 || lemon[0].Items[0].Ingredient != "lime-juice" || lemon[1].Items[0].Ingredient != "vinegar" {
		t.Fatalf("%+v", lemon)
	}
	near(t, "vinegar", lemon[1].Items[0].G, 22, 0.05) // 24·5.5/6
	milk := shelf.Swaps("buttermilk", 250, units.Household{})[0].Items
	if milk[0] != (Item{Ingredient: "milk", G: 235}) || milk[1] != (Item{Ingredient: "lemon-juice", G: 15}) {
		t.Errorf("%+v", milk)
	}
	for _, none := range []string{"spices", "egg", "gold"} {
		if s := shelf.Swaps(none, 10, units.Household{}); len(s) != 0 {
			t.Errorf("%s is swapped for %+v", none, s)
		}
	}
	// Every mixture is of the pantry, and as heavy as what it stands for.
	for id, parts := range mixed {
		sum := 0.0
		for _, p := range parts {
			sum += p.G
			if _, err := shelf.Find(p.Ingredient); err != nil {
				t.Errorf("%s: %v", id, err)
			}
		}
		if _, err := shelf.Find(id); err != nil || math.Abs(sum-1) > 1e-9 {
			t.Errorf("%s is made of %.2f (%v)", id, sum, err)
		}
	}
}

func TestRecipesAreChecked(t *testing.T) {
	good := OwnMarinade{Name: "Ours", Marinade: Marinade{Hours: 2, Items: []Item{{Ingredient: "oil", G: 20}}}}
	if err := good.Check(shelf); err != nil {
		t.Error(err)
	}
	for field, change := range map[string]func(*OwnMarinade){
		"name":                         func(r *OwnMarinade) { r.Name = "" },
		"marinade.items":               func(r *OwnMarinade) { r.Marinade.Items = nil },
		"marinade.items[0].ingredient": func(r *OwnMarinade) { r.Marinade.Items = []Item{{Ingredient: "gold", G: 1}} },
		"marinade.hours":               func(r *OwnMarinade) { r.Marinade.Hours = -1 },
		"marinade.coatShare":           func(r *OwnMarinade) { r.Marinade.CoatShare = 2 },
	} {
		bad := good
		change(&bad)
		var p refuse.Fields
		if err := bad.Check(shelf); !errors.As(err, &p) || p[0].Field != field || p[0].Allowed == "" {
			t.Errorf("%s gave %v", field, err)
		}
	}
}

// A sphere of 30 g at 1040 kg/m³ has 46 cm²: by hand, and coated.
func TestCoatOnASphere(t *testing.T) {
	cut := cutOf(t, "meatball")
	piece := cut.Piece(30, 0)
	r := math.Cbrt(3 * piece.Volume / (4 * math.Pi))
	near(t, "surface, cm²", piece.Surface*1e4, 4*math.Pi*r*r*1e4, 0.02*4*math.Pi*r*r*1e4)
	c, err := shelf.Coat(LotOf(cut, 30, 0, 10), coatOf(t, "flour-dust"), Coating{Bag: true, Leavening: true}, 0)
	if err != nil {
		t.Fatal(err)
	}
	flour := 2.5 * 10 * piece.Surface * 100
	near(t, "flour sticks", c.Bowls[0].SticksG, flour, 1e-9)
	near(t, "out, in a bag", c.Bowls[0].PutOutG, 1.2*flour, 1e-9)
	near(t, "4 g of baking powder in 250 of flour", c.LeaveningG, 1.2*flour*4/250, 1e-9)
	near(t, "its salt is counted", c.Kept.SaltG, flour*4/250*shelf["leavening"].Salt/100, 1e-9)
}

func TestLeavenedRubGoesByTheMeat(t *testing.T) {
	w := worked(t, "chicken-wing-flat", 42, 12, "leavened-rub", Bench{Coating: Coating{Oil: "none"}})
	near(t, "baking powder", w.Coated.Bowls[0].PutOutG, 2.5*0.504, 1e-9)
	if s := station(t, w, "coat"); !strings.Contains(s.Headline, "Rub in 1.3 g of baking powder") || !strings.Contains(strings.Join(s.Cautions, " "), "not soda alone") || !strings.Contains(s.Headline, "no oil") {
		t.Errorf("%+v", s)
	}
}

func TestOilByPassesAndSide(t *testing.T) {
	all := worked(t, "fish-strip", 36, 10, "three-bowl-crumb", Bench{Coating: Coating{Oil: "mist", Passes: 2}})
	up := worked(t, "fish-strip", 36, 10, "three-bowl-crumb", Bench{Coating: Coating{Oil: "mist", Passes: 2, Where: "up"}})
	near(t, "half the surface, half the oil", up.Coated.OilG, all.Coated.OilG/2, 1e-9)
	if s := station(t, all, "coat"); !strings.Contains(s.Headline, "misted on in 2 passes") || strings.Contains(strings.Join(s.Cautions, " "), "other side") {
		t.Errorf("%+v", s)
	}
	if s := station(t, up, "coat"); !strings.Contains(s.Headline, "on the side that is up") || !strings.Contains(strings.Join(s.Cautions, " "), "other side stay pale") {
		t.Errorf("%+v", s)
	}
	free := worked(t, "fish-strip", 36, 10, "three-bowl-crumb", Bench{Coating: Coating{Oil: "mist", Flour: "rice-flour", Crumbs: "rice-crumbs"}})
	for _, a := range free.Allergens {
		if a == "wheat" {
			t.Error("wheat in a gluten-free crumb")
		}
	}
}

// A soak is a brine in another liquid: its own salt counts, its solids do not
// dissolve any, and the same salt in as much water goes in as far.
func TestASoakIsAWeakBrine(t *testing.T) {
	soak := func(liquid string, strength float64) Worked {
		return worked(t, "chicken-breast-cutlet", 140, 4, "bare", Bench{Salting: &Salting{School: "soak", Liquid: liquid, WaterG: 1000, StrengthPct: strength, Hours: 6}})
	}
	brine := worked(t, "chicken-breast-cutlet", 140, 4, "bare", Bench{Salting: &Salting{School: "brine", WaterG: 1000, StrengthPct: 1, Hours: 6}})
	water := soak("water", 1)
	near(t, "in water", water.SaltFrom["salt"], brine.SaltFrom["salt"], 1e-9)
	butter := soak("buttermilk", 1)
	if r := butter.SaltFrom["salt"] / water.SaltFrom["salt"]; r < 1.2 || r > 1.45 { // 12 g of salt for 10, in 90 % of the water
		t.Errorf("in buttermilk %.2f times the salt", r)
	}
	if s := station(t, soak("water", 0), "salt"); !strings.Contains(s.Headline, "no salt") || !strings.Contains(s.Why, "nothing goes in") {
		t.Errorf("%+v", s)
	}
	own := soak("milk", 0)
	if own.SaltFrom["salt"] <= 0 || !strings.Contains(strings.Join(own.Allergens, " "), "milk") {
		t.Errorf("milk's own salt %+v, allergens %v", own.SaltFrom, own.Allergens)
	}
}

func TestPiecesFromAWhole(t *testing.T) {
	cut := func(c *Cutting) (int, float64) {
		l := load.Pieces{Cut: "chicken-breast-cutlet", Pieces: 8, PieceMassG: 42}
		if err := c.cut(&l); err != nil {
			t.Fatal(err)
		}
		return l.Pieces, l.PieceMassG
	}
	if n, g := cut(nil); n != 8 || g != 42 {
		t.Errorf("nothing cut: %d of %g g", n, g)
	}
	if n, g := cut(&Cutting{WholeG: 900}); n != 8 || g != 42 {
		t.Errorf("no number given: %d of %g g", n, g)
	}
	if n, g := cut(&Cutting{WholeG: 900, Pieces: 12}); n != 12 || g != 75 {
		t.Errorf("900 g in twelve: %d of %g g", n, g)
	}
	if n, g := cut(&Cutting{WholeG: 900, Pieces: 6, As: "chicken-breast-chunk"}); n != 42 || g != 21.3 {
		t.Errorf("900 g in six, and those in chunks: %d of %g g", n, g)
	}
	// A wrap is asked for by the slice, from the girth.
	w := worked(t, "prawn-wrapped", 30, 6, "bare", Bench{})
	s := station(t, w, "cut")
	piece := cutOf(t, "prawn-wrapped").Piece(30, 0)
	if girth := math.Pi * (piece.Width + piece.Thickness) / 2 * 1000; !strings.Contains(s.Why, "seam down") || girth < 30 {
		t.Errorf("girth %.0f mm: %+v", girth, s)
	}
}

// What the basket gets follows from what was bought and what is done to it,
// and asking twice is asking once.
func TestADishFollowsFromWhatWasBought(t *testing.T) {
	d := BenchDish{Dish: load.Dish{Request: load.Request{
		Load:    load.Pieces{Cut: "chicken-wing-flat", Pieces: 12, PieceMassG: 42, Surface: "wet"},
		Coat:    &load.Covering{ID: "bare", OilG: 9, SugarPct: 1},
		Program: load.Program{Stages: []load.Stage{{AirC: 190, Minutes: 20}}},
	}}, Bench: &Bench{Drying: Drying{School: "rack", Hours: 4}, Cutting: &Cutting{SpreadPct: 12},
		Salting: &Salting{School: "dry", TargetPct: 1, Hours: 2}, Coating: Coating{Oil: "mist"}, Marinade: &Marinade{Hours: 2, Items: []Item{{Ingredient: "honey", G: 40}}}}}
	ready := func() load.Dish {
		t.Helper()
		got, _, err := shelf.Ready(d)
		if err != nil {
			t.Fatal(err)
		}
		return got
	}
	got := ready()
	near(t, "surface water", *got.Lots[0].Load.SurfaceWaterG, 0.3-0.8, 1e-9)
	near(t, "salt", got.Lots[0].Coat.SaltPct, 1, 1e-6)
	if *got.Lots[0].Load.SpreadPct != 12 || got.Lots[0].Coat.OilG < 1 || got.Lots[0].Coat.OilG > 5 || got.Lots[0].Coat.SugarPct <= 1 {
		t.Errorf("%+v %+v", got.Lots[0].Load, *got.Lots[0].Coat)
	}
	if d.Load.SurfaceWaterG != nil || d.Coat.OilG != 9 || d.Coat.SugarPct != 1 {
		t.Errorf("written back: %+v %+v", d.Load, *d.Coat)
	}
	if again := ready(); !reflect.DeepEqual(got, again) {
		t.Errorf("once %+v, then %+v", got, again)
	}
	bought := d.Dish
	bought.Request = bought.InLots()
	bought.Larder = shelf
	d.Bench = &Bench{}
	if plain := ready(); !reflect.DeepEqual(plain, bought) {
		t.Errorf("a bench on which nothing is done changed %+v to %+v", d.Dish, plain)
	}
	d.Bench = nil
	if plain := ready(); !reflect.DeepEqual(plain, bought) {
		t.Errorf("without a bench %+v is %+v", d.Dish, plain)
	}
}

// Beside what is measured and what must be: a domestic oven takes 0.8 to 1.5
// kWh for a roast of half an hour at 200 °C; no pan gives the food and the oil
// more heat than it takes from the socket, and few waste more than they give.
func TestEnergyBesideAnOvenAndAPan(t *testing.T) {
	if wh := OvenWh(20); wh < 800 || wh > 1500 { // half as long again in still air
		t.Errorf("an oven takes %.0f Wh", wh)
	}
	if OvenWh(40)-OvenWh(20) >= OvenWh(20) {
		t.Error("heating up is not counted once")
	}
	for _, massG := range []float64{100, 500, 1500} {
		water := massG / 1000 * 0.2 * 2.26e6 / 3600             // a fifth boiled off
		food := massG / 1000 * 3.4e3 * 76 / 3600                // 4 to 80 °C
		oil := math.Max(0.9, 3*massG/1000) * 2.0e3 * 155 / 3600 // 20 to 175 °C
		if wh := PanWh(massG, 20); wh < water+food+oil || wh > 2*(water+food+oil) {
			t.Errorf("a pan of %.0f g takes %.0f Wh for %.0f Wh of heat", massG, wh, water+food+oil)
		}
	}
}
