package prep

import (
	"errors"
	"math"
	"math/rand/v2"
	"reflect"
	"strings"
	"testing"
	"velocrustum/core/larder"
	"velocrustum/core/load"
	"velocrustum/core/run"
	"velocrustum/core/verdict"

	"velocrustum/core/food"
	"velocrustum/core/refuse"
	"velocrustum/core/units"
)

var shelf = NewPantry(nil)

func near(t *testing.T, what string, got, want, slip float64) {
	t.Helper()
	if math.Abs(got-want) > slip {
		t.Errorf("%s: %.3f, want %.3f", what, got, want)
	}
}

func worked(t *testing.T, cut string, g float64, pieces int, coat string, b Bench) Worked {
	t.Helper()
	w, err := shelf.Work(LotOf(cutOf(t, cut), g, 0, pieces), coatOf(t, coat), 0, b)
	if err != nil {
		t.Fatal(err)
	}
	return w
}

func station(t *testing.T, w Worked, id string) Station {
	t.Helper()
	all := w.Words(shelf, units.Household{})
	for _, s := range all {
		if s.ID == id {
			return s
		}
	}
	t.Fatalf("no %q station in %+v", id, all)
	return Station{}
}

func TestEveryIngredientIsWhole(t *testing.T) {
	for _, i := range Ingredients() {
		if err := i.Check(); err != nil || i.Name == "" || i.Role == "" || i.Source == "" {
			t.Errorf("%s: %v", i.ID, err)
		}
	}
	// Grams in a level teaspoon of 4.93 ml.
	for id, want := range map[string]float64{"salt-fine": 6, "salt-sea": 5.5, "salt-coarse": 5, "salt-flake": 4.8, "salt-flake-light": 2.8} {
		near(t, id, shelf[id].Density*4.93, want, 1e-9)
	}
	own := NewPantry([]Ingredient{{ID: "soy-light", Name: "my soy", Role: larder.Salty, Density: 1.2, Salt: 12}})
	if own["soy-light"].Salt != 12 || shelf["soy-light"].Salt != 15 {
		t.Error("one's own figures do not stand over those that ship, or reach them")
	}
	var p refuse.Fields
	for _, bad := range []Ingredient{{Density: 9}, {Density: 1, Salt: 120}, {Density: 1, Sugar: 20, Carb: 10}, {Density: 1, Carb: 70, Fat: 60}} {
		if err := bad.Check(); !errors.As(err, &p) || p[0].Field == "" || p[0].Allowed == "" {
			t.Errorf("%+v was taken (%v)", bad, err)
		}
	}
}

func TestGramsOfAnIngredient(t *testing.T) {
	for _, c := range []struct {
		id, text string
		g        float64
	}{{"salt-fine", "1 tsp", 6.08}, {"soy-light", "2 tbsp", 35.1}, {"egg", "2", 100}, {"oil", "1 cup", 230}, {"garlic", "3", 12}, {"crumbs", "80 g", 80}, {"garlic", "3 cloves", 12},
		{"butter", "half a stick", 56.5}, {"lemon-juice", "1 lemon", 45}, {"egg", "two eggs", 100}, {"honey", "1–2 tbsp", 31.95}} {
		g, _, err := shelf.Grams(c.id, c.text, units.Household{Spoons: units.MetricSpoons})
		if err != nil {
			t.Fatal(err)
		}
		near(t, c.text+" of "+c.id, g, c.g, 0.1)
	}
	for _, c := range [][2]string{{"oil", "3"}, {"oil", "some"}, {"gold", "1 g"}} {
		if _, _, err := shelf.Grams(c[0], c[1], units.Household{Spoons: units.MetricSpoons}); err == nil {
			t.Errorf("%q of %s was taken", c[1], c[0])
		}
	}
}

// 8 drumsticks of 115 g, 16 % bone: 1 % of 772.8 g is 7.73 g in all; 20 g of
// light soy bring 3 of them.
func TestTheRubDropsByWhatTheSauceBrings(t *testing.T) {
	b := Bench{Salting: &Salting{School: "dry", TargetPct: 1, Hours: 4}}
	plain := worked(t, "chicken-drumstick", 115, 8, "bare", b)
	near(t, "rub alone", plain.RubG, 7.728, 0.01)
	b.Finish = []Item{{Ingredient: "soy-light", G: 20}}
	sauced := worked(t, "chicken-drumstick", 115, 8, "bare", b)
	near(t, "rub with soy to come", sauced.RubG, 4.728, 0.01)
	near(t, "salt in all", sauced.SaltPct, 1, 0.001)
	b.Finish[0].G = 100
	if salty := worked(t, "chicken-drumstick", 115, 8, "bare", b); salty.RubG != 0 || !strings.Contains(strings.Join(station(t, salty, "salt").Cautions, " "), "too salty") {
		t.Errorf("a hundred grams of soy: rub %.2f g, %.2f %%, cautions %v", salty.RubG, salty.SaltPct, station(t, salty, "salt").Cautions)
	}
}

// A ball of 1000 cm² in all takes 7 g of crumbs to 100 cm²: 70 g, of which
// 98 are put out in bowls and 84 in a bag.
func TestCoatOnAKnownSurface(t *testing.T) {
	piece := food.Piece{Surface: 0.0125, Length: 0.06, Width: 0.06}
	c, err := shelf.Coat(Lot{Piece: piece, Pieces: 8, PieceG: 100}, coatOf(t, "three-bowl-crumb"), Coating{Oil: "mist", Passes: 2}, 0)
	if err != nil {
		t.Fatal(err)
	}
	crumbs := c.Bowls[2]
	near(t, "crumbs stick", crumbs.SticksG, 70, 1e-9)
	near(t, "crumbs out", crumbs.PutOutG, 98, 1e-6)
	near(t, "oil", c.OilG, 8, 1e-9)
	// 35 g of egg stick, 49 are needed: one medium egg of 44 and 5 of water.
	if c.Eggs != 1 {
		t.Errorf("%d eggs", c.Eggs)
	}
	near(t, "stretch", c.StretchG, 5, 1e-6)
	bag, err := shelf.Coat(Lot{Piece: piece, Pieces: 8, PieceG: 100}, coatOf(t, "three-bowl-crumb"), Coating{Bag: true}, 0)
	if err != nil {
		t.Fatal(err)
	}
	near(t, "in a bag", bag.Bowls[2].PutOutG, 84, 1e-6)
	more, err := shelf.Coat(Lot{Piece: piece, Pieces: 16, PieceG: 100}, coatOf(t, "three-bowl-crumb"), Coating{}, 0)
	if err != nil || more.Eggs != 2 {
		t.Errorf("twice the pieces: %d eggs (%v)", more.Eggs, err)
	}
	near(t, "twice the meat, twice the coat", more.StuckG, 2*c.StuckG, 1e-9)
	rice, err := shelf.Coat(Lot{Piece: piece, Pieces: 8, PieceG: 100}, coatOf(t, "double-dredge"), Coating{Flour: "rice-flour"}, 0)
	if err != nil || rice.Bowls[0].Ingredient != "rice-flour" || rice.Bowls[2].Ingredient != "rice-flour" {
		t.Errorf("%+v (%v)", rice.Bowls, err)
	}
}

func TestMarinadesHaveTheirTime(t *testing.T) {
	for _, c := range []struct {
		cut   string
		items []Item
		kind  string
		most  float64
	}{
		{"chicken-drumstick", []Item{{Ingredient: "yoghurt", G: 150}, {Ingredient: "lemon-juice", G: 10}}, "dairy", 24},
		{"chicken-drumstick", []Item{{Ingredient: "lemon-juice", G: 60}, {Ingredient: "oil", G: 40}}, "strong acid", 6},
		{"fish-fillet-white", []Item{{Ingredient: "lemon-juice", G: 60}, {Ingredient: "oil", G: 40}}, "strong acid", 0.5},
		{"chicken-drumstick", []Item{{Ingredient: "soy-light", G: 60}, {Ingredient: "water", G: 40}}, "salt", 24},
		{"prawn", []Item{{Ingredient: "soy-light", G: 60}, {Ingredient: "water", G: 40}}, "salt", 1},
		{"pork-rib", []Item{{Ingredient: "pineapple", G: 80}}, "fresh enzymes", 0.67},
		{"pork-rib", []Item{{Ingredient: "oil", G: 80}, {Ingredient: "spices", G: 10}}, "spices and oil", 24},
	} {
		w := worked(t, c.cut, cutOf(t, c.cut).Typical, 6, "bare", Bench{Marinade: &Marinade{Items: c.items, Hours: c.most * 1.5}})
		m := w.Marinaded
		if m.Reach.Kind != c.kind || m.Reach.Most != c.most || !strings.HasPrefix(m.Reach.verdict(m.Hours), "Too long") {
			t.Errorf("%v on %s: %+v, %q", c.items, c.cut, m.Reach, m.Reach.verdict(m.Hours))
		}
		if !(m.Reach.Least < m.Reach.Best && m.Reach.Best < m.Reach.Most) {
			t.Errorf("%s: %+v", c.kind, m.Reach)
		}
	}
}

func TestSeasoningIsSharedWithTheCoat(t *testing.T) {
	m := &Marinade{Items: []Item{{Ingredient: "yoghurt", G: 100}, {Ingredient: "salt-fine", G: 6}, {Ingredient: "spices", G: 8}}, Hours: 6}
	all := worked(t, "chicken-thigh-chunk", 20, 20, "flour-dust", Bench{Marinade: m})
	half := *m
	half.CoatShare = 0.5
	shared := worked(t, "chicken-thigh-chunk", 20, 20, "flour-dust", Bench{Marinade: &half})
	near(t, "salt in the coat", shared.SaltFrom["coat"]-all.SaltFrom["coat"], 3, 1e-9)
	near(t, "seasoning in the coat", shared.Coated.StuckG-all.Coated.StuckG, 7, 1e-9)
	if shared.SaltFrom["marinade"] >= all.SaltFrom["marinade"] {
		t.Error("the marinade did not lose its share")
	}
}

func TestStationsStandInTheOrderOfTheHands(t *testing.T) {
	w := worked(t, "chicken-wing-stuffed", 95, 6, "starch-dust", Bench{
		Finish: []Item{{Ingredient: "lemon-juice", G: 5}}, Marinade: &Marinade{Items: []Item{{Ingredient: "yoghurt", G: 90}}, Hours: 3}, Salting: &Salting{School: "dry", TargetPct: 1, Hours: 3},
		Drying: Drying{School: "rack", Hours: 5}, Coating: Coating{Oil: "mist"},
	})
	var ids []string
	for _, s := range w.Words(shelf, units.Household{}) {
		ids = append(ids, s.ID)
		if s.Headline == "" || s.Why == "" || s.Title == "" {
			t.Errorf("%+v", s)
		}
	}
	if got := strings.Join(ids, " "); got != "cut dry salt marinade coat finish" {
		t.Error(got)
	}
	if cut := station(t, w, "cut"); !strings.Contains(cut.Why, "32 g, 194 g in all") {
		t.Errorf("stuffing: %q", cut.Why)
	}
	near(t, "water after five hours on the rack", *w.Effects.SurfaceWaterG, -0.7, 1e-9)
	if got := worked(t, "prawn", 16, 10, "wrap", Bench{}); !strings.Contains(station(t, got, "cut").Why, "seam down") {
		t.Error("a wrap has no slices")
	}
}

func TestThePlateHoldsWhatIsKept(t *testing.T) {
	b := Bench{Coating: Coating{Oil: "mist", Passes: 2}}
	w := worked(t, "fish-strip", 36, 10, "three-bowl-crumb", b)
	kept := Losses{MassLossPct: 10}
	one, deep := w.Serve(2, kept)
	four, _ := w.Serve(4, kept)
	near(t, "half a serving", four.Kcal, one.Kcal/2, 1e-9)
	near(t, "energy", one.Kcal, 4*one.CarbG+4*one.ProteinG+9*one.FatG, 1e-9)
	// 360 g of fish hold 61.2 g of protein; crumbs and flour some more.
	if one.ProteinG < 30.6 || one.ProteinG > 42 || deep.FatG < one.FatG+10 || deep.CarbG != one.CarbG {
		t.Errorf("basket %+v, deep-fried %+v", one, deep)
	}
	wings := worked(t, "chicken-wing-flat", 42, 10, "bare", Bench{})
	lean, _ := wings.Serve(2, Losses{FatRenderedPct: 90})
	fat, _ := wings.Serve(2, Losses{})
	if lean.FatG >= fat.FatG {
		t.Error("rendered fat is still on the plate")
	}
}

func TestBenchesAreRefusedByField(t *testing.T) {
	cut := cutOf(t, "prawn")
	for field, b := range map[string]Bench{
		"drying.school":                {Drying: Drying{School: "tumble"}},
		"drying.hours":                 {Drying: Drying{School: "rack", Hours: 400}},
		"salting.waterG":               {Salting: &Salting{School: "brine", Hours: 1}},
		"salting.strengthPct":          {Salting: &Salting{School: "brine", WaterG: 500, StrengthPct: 60, Hours: 1}},
		"salting.salt":                 {Salting: &Salting{School: "dry", Salt: "sugar", Hours: 1}},
		"marinade.items[0].ingredient": {Marinade: &Marinade{Items: []Item{{Ingredient: "gold", G: 3}}, Hours: 1}},
		"marinade.items[0].g":          {Marinade: &Marinade{Items: []Item{{Ingredient: "oil", G: -3}}, Hours: 1}},
		"coating.oil":                  {Coating: Coating{Oil: "pour"}},
		"cutting.spreadPct":            {Cutting: &Cutting{SpreadPct: 90}},
	} {
		var p refuse.Fields
		if _, err := shelf.Work(LotOf(cut, 16, 0, 8), coatOf(t, "bare"), 0, b); !errors.As(err, &p) || p[0].Field != field || p[0].Allowed == "" {
			t.Errorf("%s gave %v", field, err)
		}
	}
}

// Over benches of every kind: twice the meat and twice of everything is
// twice the coat, salt and oil, and the same percentages.
func TestTwiceTheMeatIsTwiceTheRest(t *testing.T) {
	r := rand.New(rand.NewPCG(8, 15))
	cuts, coats := food.Cuts(), food.CoatIDs()
	for range 25 {
		cut, coat := cuts[r.IntN(len(cuts))], coats[r.IntN(len(coats))]
		n := 2 + r.IntN(10)
		make := func(k float64) Bench {
			return Bench{
				Marinade: &Marinade{Items: []Item{{Ingredient: "yoghurt", G: 80 * k}, {Ingredient: "salt-fine", G: 2 * k}}, Hours: 3},
				Salting:  &Salting{School: "brine", WaterG: 700 * k, StrengthPct: 3, Hours: 2},
				Coating:  Coating{Oil: "brush"}, Finish: []Item{{Ingredient: "soy-light", G: 5 * k}},
			}
		}
		one := worked(t, cut.ID, cut.Typical, n, coat, make(1))
		two := worked(t, cut.ID, cut.Typical, 2*n, coat, make(2))
		near(t, cut.ID+" coat", two.Coated.StuckG, 2*one.Coated.StuckG, 1e-6)
		near(t, cut.ID+" oil", *two.Effects.OilG, 2**one.Effects.OilG, 0.11)
		near(t, cut.ID+" salt", two.SaltPct, one.SaltPct, 1e-6)
		near(t, cut.ID+" sugar", two.Effects.SugarPct, one.Effects.SugarPct, 1e-6)
		if one.SaltPct < 0 || math.IsNaN(one.SaltPct) || *one.Effects.SaltPct > 5 {
			t.Errorf("%s: %+v", cut.ID, one.Effects)
		}
	}
}

func BenchmarkSaltADay(b *testing.B) {
	cut, err := food.FindCut("chicken-drumstick")
	if err != nil {
		b.Fatal(err)
	}
	for b.Loop() {
		if _, err := Salt(LotOf(cut, 115, 0, 6), Bath{SaltG: 7, TempC: 4, Hours: 24}); err != nil {
			b.Fatal(err)
		}
	}
}

func TestCutsAreMadeIntoOthers(t *testing.T) {
	for from, makings := range made {
		cut := cutOf(t, from)
		for _, m := range makings {
			to := cutOf(t, m.To)
			n, g, err := Make(from, m.To, 4, cut.Typical)
			if err != nil {
				t.Fatal(err)
			}
			least, most := to.Allowed()
			if n != 4*m.Pieces || g < least || g > most || g < 0.5*to.Typical || g > 1.8*to.Typical {
				t.Errorf("%s made into %s: %d of %.0f g; typical is %.0f", from, m.To, n, g, to.Typical)
			}
			// What is made, without its filling, and what is over are the whole.
			whole := m.Share * float64(m.Pieces)
			for _, left := range m.Left {
				whole += left.Share
			}
			if m.To != "prawn-wrapped" && math.Abs(whole-1) > 0.01 {
				t.Errorf("%s made into %s: %.0f %% of it are accounted for", from, m.To, 100*whole)
			}
		}
	}
	d := BenchDish{Bench: &Bench{Cutting: &Cutting{As: "chicken-wing-stuffed"}}}
	d.Load = load.Pieces{Cut: "chicken-wing-whole", Pieces: 9, PieceMassG: 95}
	d.Program = load.Program{Stages: []load.Stage{{AirC: 185, Minutes: 24}}}
	ready, w, err := shelf.Ready(d)
	if err != nil {
		t.Fatal(err)
	}
	says := w.Lots[0].Words(shelf, units.Household{Temperature: "C", Mass: "g", Spoons: units.MetricSpoons})
	if why := says[0].Why; ready.Lots[0].Load.Pieces != 9 || !strings.Contains(why, "9 drumettes, 393 g, set aside") || !strings.Contains(why, "1 ½ tbsp for each, 198 g in all") {
		t.Errorf("%d stuffed wings: %q", ready.Lots[0].Load.Pieces, why)
	}
	fish := BenchDish{Bench: &Bench{Cutting: &Cutting{Scored: true}}}
	fish.Load, fish.Program = load.Pieces{Cut: "fish-whole", Pieces: 1, PieceMassG: 340}, d.Program
	scored, _, err := shelf.Ready(fish)
	if err != nil || scored.Lots[0].Load.ThicknessMm == nil || *scored.Lots[0].Load.ThicknessMm >= 1000*cutOf(t, "fish-whole").Piece(340, 0).Thickness {
		t.Errorf("a scored fish is as thick as before: %+v (%v)", scored.Lots[0].Load, err)
	}
	var p refuse.Fields
	if _, _, err := Make("meatball", "fish-whole", 3, 25); !errors.As(err, &p) || p[0].Field != "cutting.as" {
		t.Errorf("a meatball made into a fish gave %v", err)
	}
}

// 8 drumsticks of 115 g at 9 a kilogram are 8.28; half a kilowatt-hour at
// 0.40 is 0.20; 20 g of soy at 5 a kilogram 0.10.
func TestCostByTheCooksOwnPrices(t *testing.T) {
	soy := shelf["soy-light"]
	soy.Price = 5
	own := NewPantry([]Ingredient{soy})
	b := Bench{Finish: []Item{{Ingredient: "soy-light", G: 20}}, Prices: &Prices{MeatPerKg: 9, PerKWh: 0.4}}
	w, err := own.Work(LotOf(cutOf(t, "chicken-drumstick"), 115, 0, 8), coatOf(t, "bare"), 0, b)
	if err != nil {
		t.Fatal(err)
	}
	cost, known := (&WorkedDish{[]*Worked{&w}}).Cost(own, 500)
	if !known {
		t.Error("no price is known")
	}
	near(t, "cost", cost, 8.58, 1e-9)
	unpriced := worked(t, "chicken-drumstick", 115, 8, "bare", Bench{Finish: b.Finish})
	if _, known := (&WorkedDish{[]*Worked{&unpriced}}).Cost(shelf, 500); known {
		t.Error("a price is known that nobody gave")
	}
}

func TestBrineSalts(t *testing.T) {
	short, long := Salting{School: "brine", WaterG: 1500, StrengthPct: 6, Hours: 0.5}, Salting{School: "brine", WaterG: 1500, StrengthPct: 6, Hours: 12}
	a := worked(t, "chicken-breast-cutlet", 130, 6, "bare", Bench{Salting: &short})
	b := worked(t, "chicken-breast-cutlet", 130, 6, "bare", Bench{Salting: &long})
	if !(a.SaltFrom["salt"] < b.SaltFrom["salt"]) || b.SaltFrom["salt"] >= 90 || a.RubG != 0 {
		t.Errorf("half an hour takes %.1f g, twelve %.1f of 90", a.SaltFrom["salt"], b.SaltFrom["salt"])
	}
	if s := station(t, b, "salt"); !strings.Contains(s.Headline, "90 g of salt") || !strings.Contains(s.Why, "even out at") || len(s.Cautions) == 0 {
		t.Errorf("%+v", s)
	}
	fish := worked(t, "fish-fillet-white", 140, 4, "bare", Bench{Salting: &long})
	if !strings.Contains(strings.Join(station(t, fish, "salt").Cautions, " "), "as if cured") {
		t.Error("fish lies in brine for half a day, and nothing is said")
	}
}

func coatOf(t testing.TB, id string) food.Coat {
	t.Helper()
	c, err := food.FindCoat(id)
	if err != nil {
		t.Fatal(err)
	}
	return c
}

// The engine's layers and the cook's bowls are one row.
func TestWhatSticksIsWhatTheBowlsGive(t *testing.T) {
	for _, c := range food.Coats() {
		layers, given := 0.0, 0.0
		for _, l := range c.Stuck {
			layers += l.Dry + l.Wet + l.Fat
		}
		for _, b := range c.Bowls {
			given += b.Sticks
			if _, err := shelf.Find(b.Ingredient); err != nil {
				t.Errorf("%s: %v", c.ID, err)
			}
		}
		// A wrap is cut, not put out in a bowl.
		if c.ID != "wrap" && math.Abs(layers-given) > 0.05*given {
			t.Errorf("%s: %.2f g in its layers, %.2f in its bowls", c.ID, layers, given)
		}
		if c.Fried < 0.05 || c.Fried > 0.18 {
			t.Errorf("%s takes up %.2f of oil", c.ID, c.Fried)
		}
	}
	if got := shelf.Allergens(coatOf(t, "paste")); len(got) != 0 {
		t.Errorf("rice flour and water hold %v", got)
	}
}

// Every mixture of salt and dry spice, at any amount and hour.
func TestADryRubSaltsAtAnyAmount(t *testing.T) {
	for _, id := range []string{"chicken-wing-flat", "chicken-drumstick", "fish-fillet-white", "pork-belly-slice"} {
		cut := cutOf(t, id)
		for _, saltG := range []float64{0, 0.5, 4, 15, 60} {
			for _, spiceG := range []float64{0.2, 3, 20} {
				last := -1.0
				for _, hours := range []float64{0.25, 2, 12, 48} {
					b := Bench{Marinade: &Marinade{Hours: hours, Items: []Item{{Ingredient: "salt-fine", G: saltG}, {Ingredient: "spices", G: spiceG}}}}
					w, err := shelf.Work(LotOf(cut, cut.Typical, 0, 8), coatOf(t, "bare"), 0, b)
					if err != nil {
						t.Fatalf("%s, %g g of salt, %g of spice, %g h: %v", id, saltG, spiceG, hours, err)
					}
					s := w.Marinaded.Salted
					inside := s.MeanPct / 100 * 8 * cut.Typical * (1 - cut.Bone - cut.Stuffing)
					switch {
					case s.TakenG < last-1e-6 || s.TakenG > saltG+1e-6:
						t.Errorf("%s: %g g of salt gave %.3f after %g h, %.3f before", id, saltG, s.TakenG, hours, last)
					case cut.SkinMm == 0 && math.Abs(inside-s.TakenG) > 0.03*saltG+0.02: // skin holds some too
						t.Errorf("%s, %g g, %g h: %.3f g inside, %.3f gone", id, saltG, hours, inside, s.TakenG)
					case s.CentrePct < -1e-9 || s.CentrePct > s.MeanPct+1e-9 || *w.Effects.SaltPct < 0:
						t.Errorf("%s: centre %.3f, mean %.3f, told %.3f", id, s.CentrePct, s.MeanPct, *w.Effects.SaltPct)
					}
					last = s.TakenG
				}
			}
		}
	}
}

func TestAMarinadeIsMadeForTheMeat(t *testing.T) {
	m := Marinade{Hours: 3, ForG: 500, Items: []Item{{Ingredient: "salt-fine", G: 6}, {Ingredient: "spices", G: 5}}}
	at := func(forG float64) Worked {
		m.ForG = forG
		return worked(t, "chicken-drumstick", 125, 8, "bare", Bench{Marinade: &m})
	}
	same, twice := at(1000), at(500)
	near(t, "salt for twice the meat", twice.Marinaded.PerKg.SaltG, 2*same.Marinaded.PerKg.SaltG, 1e-9)
	near(t, "amounts without a weight are for this meat", at(0).Marinaded.PerKg.SaltG, same.Marinaded.PerKg.SaltG, 1e-9)
	if m.Items[0].G != 6 {
		t.Errorf("the cook's own amount became %g", m.Items[0].G)
	}
}

// A choice counts, or it is said that it does not.
func TestChoicesOfACoatCountOrAreSaid(t *testing.T) {
	with := func(coat string, c Coating) Worked {
		return worked(t, "chicken-drumstick", 115, 6, coat, Bench{Coating: c})
	}
	for _, coat := range food.Coats() {
		for what, c := range map[string]Coating{"flour": {Flour: "chickpea-flour"}, "starch": {Starch: 0.5}, "crumbs": {Crumbs: "rice-crumbs"}} {
			plain, chosen := with(coat.ID, Coating{}), with(coat.ID, c)
			said := strings.Contains(strings.Join(station(t, chosen, "coat").Cautions, " "), "you chose")
			if counts := !reflect.DeepEqual(plain.Coated.Bowls, chosen.Coated.Bowls); counts == said {
				t.Errorf("%s of %s: counts %t, said not to %t", what, coat.ID, counts, said)
			}
		}
	}
}

func TestDifferencesAreAsSureAsTheForecast(t *testing.T) {
	at := func(crisp, safe, juice, crust float64) verdict.Answer {
		a := verdict.Answer{CrispAtMin: &crisp, SafeAtMin: &safe, Timeline: make([]run.Moment, 1)}
		a.End.JuiceKeptPct, a.End.Crust = juice, crust
		return a
	}
	got := beside(at(10, 12.2, 60, 70), at(24.1, 11, 63, 61)).says()
	if want := "With it: crisp 14 min sooner; safe 1 min later; −3\u00a0% juice; crust +9 of 100."; got != want {
		t.Errorf("%q, want %q", got, want)
	}
}

// A colder fridge thaws and salts more slowly, a warmer one faster; one that nobody measured
// is as most are.
func TestTheFridgeIsTheKitchensOwn(t *testing.T) {
	t.Parallel()
	in := func(fridgeC *float64) (thawH, evenAt float64) {
		d := BenchDish{Dish: load.Dish{Request: load.Request{Load: load.Pieces{Cut: "chicken-drumstick", Pieces: 4, PieceMassG: 110, StartC: new(-18.0)}, Fryer: &load.Fryer{FridgeC: fridgeC},
			Program: load.Program{Stages: []load.Stage{{AirC: 190, Minutes: 26}}}}},
			Bench: &Bench{Thaw: true, Servings: 2, Salting: &Salting{School: "dry", TargetPct: 1.2, Hours: 12}}}
		_, w, err := shelf.Ready(d)
		if err != nil {
			t.Fatal(err)
		}
		return w.Lots[0].Lot.ThawH, w.Lots[0].Salted.CentrePct
	}
	coldH, cold := in(new(1.0))
	usualH, usual := in(nil)
	warmH, warm := in(new(8.0))
	if again, same := in(new(4.0)); again != usualH || same != usual {
		t.Errorf("at 4 °C it thaws in %g h, in any fridge in %g", again, usualH)
	}
	if coldH < 1.5*usualH || warmH > 0.8*usualH || cold >= usual || warm <= usual {
		t.Errorf("thawed in %g, %g and %g h, salted to its middle by %.2f, %.2f and %.2f", coldH, usualH, warmH, cold, usual, warm)
	}
}
