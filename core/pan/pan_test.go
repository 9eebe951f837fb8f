package pan

import (
	"errors"
	"math"
	"math/rand/v2"
	"slices"
	"strings"
	"testing"

	"velocrustum/core/larder"
	"velocrustum/core/refuse"
	"velocrustum/core/units"
)

// of reads a recipe: names and grams in turn.
func of(t *testing.T, list ...any) (out []larder.Item) {
	t.Helper()
	for i := 0; i < len(list); i += 2 {
		if _, err := larder.Shelf(list[i].(string)); err != nil {
			t.Fatal(err)
		}
		out = append(out, larder.Item{Ingredient: list[i].(string), G: list[i+1].(float64)})
	}
	return out
}

func made(t *testing.T, s Serving, p SaucedFood) Made {
	t.Helper()
	m, err := Make(s, p, larder.Shelf)
	if err != nil {
		t.Fatal(err)
	}
	return m
}

var twenty = SaucedFood{Surface: 20, Servings: 2}

// Sucrose syrups at 20 °C: 60 % 58 mPa·s, 70 % 480 (tables after Reiser,
// Sugar Technology 1995), within a tenth; hot ones far thinner.
func TestSyrups(t *testing.T) {
	for _, c := range []struct{ brix, c, mPas float64 }{{0.2, 20, 1.96}, {0.4, 20, 6.2}, {0.6, 20, 58}, {0.7, 20, 480}, {0.6, 60, 9.7}} {
		if got := 1000 * syrup(c.brix, c.c); math.Abs(got/c.mPas-1) > 0.12 {
			t.Errorf("%.0f %% at %.0f °C: %.3g mPa·s, tables %.3g", 100*c.brix, c.c, got, c.mPas)
		}
	}
}

// A wash, what coats a spoon and a glaze are by what clings of water, of what
// is like cream's sauce, and like honey.
func TestWhatClings(t *testing.T) {
	for _, c := range []struct{ viscosity, g, within float64 }{{0.0005, 3.1, 0.1}, {0.05, 4, 0.2}, {1.2, 8, 0.4}, {7, 15, 0.8}} {
		if got := clings(c.viscosity); math.Abs(got-c.g) > c.within {
			t.Errorf("%g Pa·s: %.2f g, want %g", c.viscosity, got, c.g)
		}
	}
	for _, c := range []struct {
		id        string
		low, high float64 // g on 100 cm² at 50 °C
	}{{"soy-light", 3, 3.4}, {"cream", 3.3, 4.5}, {"hot-sauce", 3.2, 4.5}, {"honey", 8, 15}, {"barbecue", 12, 24}, {"ketchup", 12, 24}, {"mustard", 16, 35}, {"mayonnaise", 12, 30}, {"jam", 20, 80}, {"yoghurt", 6, 12}} {
		var s state
		i, _ := larder.Shelf(c.id)
		s.put(i, 100)
		if got := s.clings(plateC); got < c.low || got > c.high {
			t.Errorf("%s: %.1f g cling, want %g to %g", c.id, got, c.low, c.high)
		}
	}
}

// A level tablespoon of corn starch, 8 g, on a cup of stock coats a spoon;
// half of it runs off, potato does it with less, flour with twice as much.
func TestStarchByTheSpoon(t *testing.T) {
	cup := func(starch string, g float64) float64 {
		s := state{}
		stock, _ := larder.Shelf("stock")
		powder, _ := larder.Shelf(starch)
		s.put(stock, 240)
		s.put(powder, g)
		s.starch, s.raw = s.raw, 0
		return s.clings(plateC)
	}
	for _, c := range []struct {
		starch    string
		g         float64
		low, high float64
	}{{"corn-starch", 8, 6.5, 9.5}, {"corn-starch", 4, 3, 4.5}, {"potato-starch", 6.4, 6.5, 9.5}, {"wheat-flour", 16, 6, 9.5}, {"corn-starch", 14, 20, 70}} {
		if got := cup(c.starch, c.g); got < c.low || got > c.high {
			t.Errorf("%g g of %s on a cup: %.1f g cling, want %g to %g", c.g, c.starch, got, c.low, c.high)
		}
	}
}

// Plain water from 24 cm: at a simmer 8 to 12 g/min, low 3 to 5, a hard boil
// 15 to 20; from 12 cm a quarter of it.
func TestBoilingAway(t *testing.T) {
	for heat, c := range map[string][2]float64{"low": {3, 5}, "simmer": {8, 12}, "hard": {15, 20}} {
		for _, width := range []float64{24, 12} {
			h := &hob{Sauce: Sauce{WidthCm: width, Heat: heat}.Whole(), state: state{water: 500, mass: 500}, c: boilC, next: math.Inf(1)}
			h.until(boilC, boilsAway[heat], h.after(10))
			share := width * width / (24 * 24)
			if got := (500 - h.water) / 10; got < c[0]*share || got > c[1]*share {
				t.Errorf("%s in %.0f cm: %.1f g/min", heat, width, got)
			}
		}
	}
}

// Nothing is made or lost: what went in, less what boiled away, is what is
// there, and what is not eaten is left.
func TestMassBalance(t *testing.T) {
	for _, s := range []Serving{
		{Sauce: Sauce{School: Reduce, Items: of(t, "honey", 90.0, "harissa", 30.0, "lemon-juice", 30.0, "water", 60.0)}},
		{Sauce: Sauce{School: Thicken, First: []string{"onion"}, Items: of(t, "onion", 110.0, "pineapple-pieces", 200.0, "ketchup", 60.0, "vinegar", 45.0, "sugar", 50.0, "water", 150.0, "oil", 10.0)}},
		{Sauce: Sauce{School: Loosen, Items: of(t, "jam", 100.0, "honey", 30.0), ClingsG: 8}},
	} {
		m := made(t, s, twenty)
		in := m.StarchG + m.SlurryG + m.WaterG
		var solids, later float64
		for _, it := range m.Items {
			in += it.G
			i, _ := larder.Shelf(it.Ingredient)
			if i.Form != larder.Pieces {
				solids += it.G * (100 - i.Water()) / 100
			}
		}
		if m.MadeG > in+1e-6 || m.MadeG < 0.3*in {
			t.Errorf("%s: %.1f g of %.1f", s.Sauce.School, m.MadeG, in)
		}
		// Juice that the pieces gave is liquid, with what is dissolved in it.
		for _, it := range m.Items {
			if i, _ := larder.Shelf(it.Ingredient); i.Form == larder.Pieces {
				gave := it.G - m.PiecesG
				if gave < 0.8*i.Gives*it.G || gave > i.Gives*it.G {
					t.Errorf("%s: %.1f g of %s gave %.1f g of juice", s.Sauce.School, it.G, i.ID, gave)
				}
				solids += gave * (i.Sugar + i.Acid) / (i.Sugar + i.Acid + i.Water())
			}
		}
		later = (m.MadeG - m.PiecesG) * (1 - m.WaterPct/100)
		starch, _ := larder.Shelf("corn-starch")
		if want := solids + m.StarchG*(100-starch.Water())/100; math.Abs(later-want) > 0.01*want {
			t.Errorf("%s: %.2f g of solids went in, %.2f came out", s.Sauce.School, want, later)
		}
		if got := m.EatenG + m.LeftG; math.Abs(got-m.MadeG) > 1e-6 {
			t.Errorf("%s: %.1f g eaten and left of %.1f", s.Sauce.School, got, m.MadeG)
		}
		if math.Abs(m.ClingsG-s.Whole().Sauce.ClingsG) > 0.3 {
			t.Errorf("%s: %.1f g cling, %g wanted", s.Sauce.School, m.ClingsG, s.Whole().Sauce.ClingsG)
		}
	}
}

// Evenings that cooks have: amounts and minutes by which they can be told.
func TestEvenings(t *testing.T) {
	slurry := made(t, Serving{Sauce: Sauce{School: Thicken, Items: of(t, "soy-light", 60.0, "honey", 85.0, "garlic", 12.0, "water", 60.0)}}, SaucedFood{Surface: 7.5, Servings: 2})
	if slurry.MadeG < 50 || slurry.MadeG > 90 || slurry.StarchG < 0.8 || slurry.StarchG > 4 || slurry.ReadyMin < 4 || slurry.ReadyMin > 9 {
		t.Errorf("soy, honey and garlic for four drumsticks: %.0f g with %.1f g of starch in %.1f min", slurry.MadeG, slurry.StarchG, slurry.ReadyMin)
	}
	// Half a cup each over four drumsticks is 21 g of salt in the pan; what is
	// eaten of it is a small part.
	if g := slurry.Eaten.SaltG; g < 1.5 || g > 4.5 {
		t.Errorf("%.1f g of salt are eaten", g)
	}
	butter := made(t, Serving{Sauce: Sauce{School: Melt, Items: of(t, "butter", 57.0, "hot-sauce", 80.0), ClingsG: 4}}, SaucedFood{Surface: 16, Servings: 4})
	if butter.MadeG < 50 || butter.MadeG > 90 || butter.ReadyMin > 4 || butter.Splits {
		t.Errorf("butter with hot sauce for 20 wings: %.0f g in %.1f min, split %v", butter.MadeG, butter.ReadyMin, butter.Splits)
	}
	reduced := made(t, Serving{Sauce: Sauce{School: Reduce, Heat: "hard", Items: of(t, "soy-light", 140.0, "honey", 170.0), ClingsG: 6}}, twenty)
	if reduced.ReadyMin < 4 || reduced.ReadyMin > 10 {
		t.Errorf("soy and honey at a hard boil take %.1f min, cooks 6 to 7", reduced.ReadyMin)
	}
	low := made(t, Serving{Sauce: Sauce{School: Reduce, Heat: "low", Items: of(t, "ketchup", 100.0, "vinegar", 30.0, "sugar-brown", 40.0, "water", 30.0), ClingsG: 12}}, SaucedFood{Surface: 20, Servings: 4})
	if low.ReadyMin < 25 || low.ReadyMin > 60 {
		t.Errorf("a low reduction takes %.0f min, cooks 35", low.ReadyMin)
	}
	dip := made(t, Serving{How: Beside, Sauce: Sauce{School: Mix, Items: of(t, "mustard", 50.0, "honey", 50.0)}}, twenty)
	if dip.DipG != 60 || dip.OnFoodG != 0 || dip.EatenG > 60 || Reads(dip.ClingsG) == "runs off a spoon" {
		t.Errorf("mustard and honey to dip: %+v", dip)
	}
}

// What holds of any sauce: twice the meat, twice the sauce; a wider pan and
// more heat, sooner; thicker, longer or more starch; allergens never missing.
func TestProperties(t *testing.T) {
	r := rand.New(rand.NewPCG(12, 4))
	pantry := larder.Ingredients()
	for n := range 150 {
		s := Serving{Sauce: Sauce{School: Schools[n%len(Schools)].ID, ClingsG: 5 + 6*r.Float64(), WidthCm: 18 + math.Floor(10*r.Float64())}, How: Ways[r.IntN(3)].ID}
		s.Sauce.Items = append(s.Sauce.Items, larder.Item{Ingredient: "water", G: 60 + 100*r.Float64()}, larder.Item{Ingredient: "honey", G: 20 + 60*r.Float64()})
		for range 1 + r.IntN(5) {
			s.Sauce.Items = append(s.Sauce.Items, larder.Item{Ingredient: pantry[r.IntN(len(pantry))].ID, G: 1 + 30*r.Float64()})
		}
		one := made(t, s, twenty)
		two := made(t, s, SaucedFood{Surface: 40, Servings: 4})
		if s.Sauce.School != Thicken && !one.Never && !two.Never && math.Abs(two.MadeG/one.MadeG-2) > 0.02 || math.Abs(two.OnFoodG/one.OnFoodG-2) > 0.05 && !two.Never {
			t.Errorf("%d %s: twice the meat takes %.1f and %.1f g", n, s.Sauce.School, one.MadeG, two.MadeG)
		}
		for _, v := range []float64{one.MadeG, one.EatenG, one.LeftG, one.ReadyMin, one.WaitMin, one.SpoonG, one.Eaten.SaltG, one.StarchG, one.WaterG} {
			if !(v >= -1e-9 && v < 1e5) {
				t.Fatalf("%d: %+v of %+v", n, one, s)
			}
		}
		for _, it := range s.Sauce.Items {
			i, _ := larder.Shelf(it.Ingredient)
			for _, a := range i.Allergens {
				if !slices.Contains(one.Allergens, a) {
					t.Errorf("%d: %s of %s is missing", n, a, i.Name)
				}
			}
		}
		wider, hotter, thicker := s, s, s
		wider.Sauce.WidthCm += 6
		hotter.Sauce.Heat = "hard"
		thicker.Sauce.ClingsG += 2
		if s.Sauce.School == Reduce && !one.Never {
			if w := made(t, wider, twenty); w.ReadyMin > one.ReadyMin+0.15 {
				t.Errorf("%d: a wider pan takes %.2f min, not %.2f", n, w.ReadyMin, one.ReadyMin)
			}
			if w := made(t, hotter, twenty); w.ReadyMin > one.ReadyMin+0.15 {
				t.Errorf("%d: hotter takes %.2f min, not %.2f", n, w.ReadyMin, one.ReadyMin)
			}
			if w := made(t, thicker, twenty); !w.Never && w.ReadyMin < one.ReadyMin-0.15 {
				t.Errorf("%d: thicker takes %.2f min, not %.2f", n, w.ReadyMin, one.ReadyMin)
			}
		}
		if s.Sauce.School == Thicken && !one.Never {
			if w := made(t, thicker, twenty); w.StarchG/w.MadeG < one.StarchG/one.MadeG-1e-6 {
				t.Errorf("%d: thicker takes less starch", n)
			}
		}
	}
}

// What is wrong with a sauce is named; and a sauce too sweet, too fat or with
// raw marinade is warned of.
func TestWarnings(t *testing.T) {
	tell := func(s Serving) string {
		m := made(t, s, twenty)
		out := ""
		for _, c := range m.Tell(s, larder.Shelf, units.Household{}).Cautions {
			out += c + "\n"
		}
		return out
	}
	for _, c := range []struct {
		says string
		s    Serving
	}{
		{"Over 65 % sugar", Serving{Sauce: Sauce{School: Reduce, Items: of(t, "honey", 200.0, "water", 30.0), ClingsG: 16}}},
		{"Its fat comes out", Serving{Sauce: Sauce{School: Reduce, Items: of(t, "oil", 90.0, "soy-light", 30.0), ClingsG: 6}}},
		{"Chilli stings", Serving{Sauce: Sauce{School: Melt, Items: of(t, "butter", 60.0, "chilli-flakes", 3.0), ClingsG: 4}}},
		{"is raw in it", Serving{Sauce: Sauce{School: Loosen, Items: of(t, "jam", 60.0, "corn-starch", 5.0)}}},
		{"it has to boil", Serving{Sauce: Sauce{School: Mix, Used: true, Items: of(t, "yoghurt", 60.0)}}},
		{"By boiling alone", Serving{Sauce: Sauce{School: Reduce, Items: of(t, "stock", 200.0), ClingsG: 12}}},
		{"belongs into the fridge", Serving{How: Beside, Sauce: Sauce{School: Mix, Items: of(t, "mayonnaise", 60.0)}}},
	} {
		if got := tell(c.s); !strings.Contains(got, c.says) {
			t.Errorf("%s is not said of %+v, but\n%s", c.says, c.s.Sauce.Items, got)
		}
	}
	for _, c := range []struct {
		says string
		of   func(Told) string
		s    Serving
	}{
		{"raw egg in it", cautioned, Serving{How: Beside, Sauce: Sauce{School: Mix, Items: of(t, "egg-yolk", 20.0, "oil", 80.0)}}},
		{"curdles when it boils", cautioned, Serving{Sauce: Sauce{School: Reduce, Items: of(t, "egg", 50.0, "stock", 200.0)}}},
		{"on the same day", waited, Serving{How: Beside, Sauce: Sauce{School: Mix, Items: of(t, "egg-yolk", 20.0, "oil", 80.0)}}},
		{"Not to be eaten as it is", waited, Serving{Sauce: Sauce{School: Mix, Used: true, Items: of(t, "yoghurt", 60.0)}}},
		{"in a spoon of oil", stepped, Serving{Sauce: Sauce{School: Thicken, First: []string{"garlic"}, Items: of(t, "garlic", 5.0, "soy-light", 60.0, "water", 100.0)}}},
		{"in the fat", stepped, Serving{Sauce: Sauce{School: Thicken, First: []string{"garlic"}, Items: of(t, "garlic", 5.0, "oil", 10.0, "soy-light", 60.0, "water", 100.0)}}},
		{"keep it at a hard boil", stepped, Serving{Sauce: Sauce{School: Reduce, Heat: "hard", Items: of(t, "honey", 60.0, "water", 60.0)}}},
		{"take one of", cautioned, Serving{Share: 0.4, Sauce: Sauce{School: Reduce, WidthCm: 36, Items: of(t, "honey", 60.0, "water", 60.0)}}},
	} {
		m := made(t, c.s, twenty)
		for _, h := range []units.Household{{}, {Mass: units.Ounce}} {
			told := m.Tell(c.s, larder.Shelf, h)
			if got := c.of(told); !strings.Contains(got, c.says) {
				t.Errorf("%q is not said of %+v, but %s", c.says, c.s.Sauce.Items, got)
			}
			for _, cm := range []string{" 0 oz", " 0 g ", " 0 min", " cm"} {
				if got := cautioned(told) + stepped(told) + told.Makes + told.Reads + waited(told); h.Mass == units.Ounce && strings.Contains(got, cm) {
					t.Errorf("%q in %s", cm, got)
				}
			}
		}
	}
	bad := Serving{How: "drown", Grain: "bread", PourG: new(900.0), Share: 2, Sauce: Sauce{School: "fry", Heat: "white", WidthCm: 90, ClingsG: -1, Starch: "salt-fine", First: []string{"egg"}, Items: []larder.Item{{Ingredient: "moon", G: -3}}}}
	var fields refuse.Fields
	if err := bad.Check(larder.Shelf); !errors.As(err, &fields) {
		t.Fatal(err)
	}
	for _, f := range []string{"how", "pourG", "grain", "share", "sauce.school", "sauce.heat", "sauce.widthCm", "sauce.clingsG", "sauce.starch", "sauce.first", "sauce.items[0].ingredient", "sauce.items[0].g"} {
		if !slices.ContainsFunc(fields, func(g refuse.Field) bool { return g.Field == f }) {
			t.Errorf("%s is let through: %v", f, fields)
		}
	}
}

func cautioned(t Told) string { return strings.Join(t.Cautions, "\n") }
func waited(t Told) string    { return t.Waits }
func stepped(t Told) (out string) {
	for _, s := range t.Steps {
		out += s.Says + "\n"
	}
	return out
}

// A pan that nobody named is one in which it does not catch, as far as there is one.
func TestThePanSuitsWhatIsMade(t *testing.T) {
	t.Parallel()
	last := 0.0
	for _, servings := range []int{1, 2, 4, 8, 16} {
		m := made(t, Serving{Sauce: Sauce{School: Reduce, Items: of(t, "honey", 90.0, "water", 90.0)}}, SaucedFood{Surface: 4 * float64(servings), Servings: servings})
		if m.WidthCm < last || m.WidthCm > 14 && m.DeepMm < deepEnough {
			t.Errorf("for %d, %g cm across and %.1f mm deep", servings, m.WidthCm, m.DeepMm)
		}
		last = m.WidthCm
	}
	if last < 18 {
		t.Errorf("for sixteen a pan of %g cm", last)
	}
}

func BenchmarkMake(b *testing.B) {
	s := Serving{Sauce: Sauce{School: Reduce, Items: []larder.Item{{Ingredient: "honey", G: 90}, {Ingredient: "harissa", G: 30}, {Ingredient: "water", G: 90}}}}
	for b.Loop() {
		if _, err := Make(s, twenty, larder.Shelf); err != nil {
			b.Fatal(err)
		}
	}
}

// By hand: 100 g of sugar in 300 g of water, boiled hard in 24 cm. At so many
// g of what clings the syrup is so sweet, so much of it is left, and the rest
// has boiled away at no more than the rate of water.
func TestASyrupByHand(t *testing.T) {
	var before float64
	for _, want := range []float64{4, 5, 6, 8} {
		s := Sauce{School: Reduce, Heat: "hard", ClingsG: want, Items: of(t, "sugar", 100.0, "water", 300.0)}.Whole()
		c, err := s.cook(larder.Shelf, 1, false)
		if err != nil || c.never {
			t.Fatal(err, c.never)
		}
		brix := c.end.brix()
		if got := clings(syrup(brix, plateC)); math.Abs(got-want) > 0.01 {
			t.Errorf("at %.3f it clings %.3f g, want %g", brix, got, want)
		}
		if math.Abs(c.end.mass-100/brix) > 0.2 {
			t.Errorf("at %.3f of 100 g of sugar %.2f g are left, not %.2f", brix, c.end.mass, 100/brix)
		}
		gone := 400 - c.end.mass
		heats := heatOf * 400 * 80 / (intoW * 60)
		if fastest := heats + gone/17.5; c.ready < fastest-0.2 || c.ready > 1.5*fastest {
			t.Errorf("%.0f g are gone in %.2f min, at a hard boil %.2f at least", gone, c.ready, fastest)
		}
		if c.ready < before {
			t.Errorf("thicker takes %.2f min, not %.2f", c.ready, before)
		}
		before = c.ready
	}
}

// A spoon of water brings back what waiting took, and what waits is thicker
// the longer it does.
func TestWaitingAndLoosening(t *testing.T) {
	s := Serving{Sauce: Sauce{School: Reduce, Items: of(t, "honey", 90.0, "harissa", 30.0, "water", 60.0)}}
	m := made(t, s, twenty)
	last := 0.0
	for _, p := range m.Line {
		if p.Minute < m.ReadyMin {
			continue
		}
		if p.ClingsG < last-1e-6 || p.MassG > m.MadeG+1e-6 {
			t.Fatalf("while it waits: %+v after %.3f", p, last)
		}
		last = p.ClingsG
	}
	if m.WaitMin < 3 || m.WaitMin > longestWait || m.SpoonG <= 0 || m.SpoonG > 0.2*m.MadeG {
		t.Errorf("it waits %.1f min, and %.1f g of water loosen %.0f g", m.WaitMin, m.SpoonG, m.MadeG)
	}
	lost := 0.0
	for _, p := range m.Line {
		if p.Minute <= m.ReadyMin+m.WaitMin {
			lost = m.MadeG - p.MassG
		}
	}
	if math.Abs(lost-m.SpoonG) > 0.5 {
		t.Errorf("it lost %.2f g, and wants %.2f back", lost, m.SpoonG)
	}
	early, late := 12.0, 2.0
	s.BeforeMin = &early
	a := made(t, s, twenty)
	s.BeforeMin = &late
	b := made(t, s, twenty)
	if math.Abs(a.KeptMin-(early-a.ReadyMin)) > 1e-9 && a.KeptMin != 0 || math.Abs(b.LateMin-(b.ReadyMin-late)) > 1e-9 || b.KeptMin != 0 {
		t.Errorf("on 12 min before it waits %.1f of %.1f, on 2 min before the food waits %.1f", a.KeptMin, a.ReadyMin, b.LateMin)
	}
}

// Words are there for every school, once, and name what they speak of.
func TestEverySauceIsTold(t *testing.T) {
	for _, school := range Schools {
		s := Serving{Name: "it", Sauce: Sauce{School: school.ID, First: []string{"onion"}, Items: of(t, "onion", 20.0, "butter", 20.0, "jam", 60.0, "stock", 120.0)}}
		m := made(t, s, twenty)
		told := m.Tell(s, larder.Shelf, units.Household{})
		if told.Makes == "" || told.Reads == "" || told.Waits == "" || len(told.Steps) == 0 {
			t.Errorf("%s: %+v", school.ID, told)
		}
		last := -1.0
		for _, step := range told.Steps {
			if step.Minute < last || strings.Contains(step.Says, "%!") {
				t.Errorf("%s: %+v", school.ID, told.Steps)
			}
			last = step.Minute
		}
		if n := len(m.Moments); school.ID != Mix && m.Moments[n-1].Kind != "ready" {
			t.Errorf("%s ends with %+v", school.ID, m.Moments)
		}
	}
	empty := Serving{Sauce: Sauce{School: Reduce}}
	if told := made(t, empty, twenty).Tell(empty, larder.Shelf, units.Household{}); !strings.Contains(told.Makes, "What is in it?") {
		t.Errorf("an empty pan says %+v", told)
	}
	for i, l := range Levels {
		if Reads(l.G) != l.Says || i > 0 && l.G <= Levels[i-1].G {
			t.Errorf("%g g read %q", l.G, Reads(l.G))
		}
	}
}

// Brushed it lies thinner than tossed, on one face half, beside it not at all,
// and of what is dipped no more is eaten than there is.
func TestHowItComesToTheFood(t *testing.T) {
	glaze := Sauce{School: Reduce, Items: of(t, "honey", 90.0, "water", 60.0)}
	on := map[string]float64{}
	for _, way := range Ways {
		m := made(t, Serving{Sauce: glaze, How: way.ID}, twenty)
		on[way.ID] = m.OnFoodG
		if m.EatenG > m.OnFoodG+m.OnPlateG+m.DipG+1e-9 || !way.Plated && m.OnPlateG > 0 {
			t.Errorf("%s: %.1f g eaten of %.1f, %.1f on the plate and %.1f", way.ID, m.EatenG, m.OnFoodG, m.OnPlateG, m.DipG)
		}
	}
	if !(on[Toss] > on[Brush] && on[Brush] > on[Up] && on[Up] > 0 && on[Beside] == 0) {
		t.Errorf("on the food: %v", on)
	}
	if r := on[Up] / on[Toss]; math.Abs(r-0.5) > 0.01 {
		t.Errorf("one face has %.2f of all", r)
	}
}

// What is ladled is as much as the cook made, all of it eaten but what stays in the
// pan; poured, a portion, of which some stays and the rest runs down.
func TestLadledAndPoured(t *testing.T) {
	wok := Sauce{School: Thicken, Items: of(t, "pineapple-pieces", 250.0, "onion-pieces", 120.0, "sweet-pepper", 150.0, "stock", 200.0, "ketchup", 80.0, "vinegar", 40.0)}
	four := SaucedFood{Surface: 20, Servings: 4}
	m := made(t, Serving{How: Ladle, Grain: Rice, Sauce: wok}, four)
	for k, it := range m.Items {
		if it.G != wok.Items[k].G {
			t.Errorf("%g g of %s were made %.1f", wok.Items[k].G, it.Ingredient, it.G)
		}
	}
	if m.EatenG < 0.92*m.MadeG || m.GrainG != 300 || m.OnPlateG < 100 {
		t.Errorf("%.0f g eaten of %.0f, %.0f around it, on %.0f of rice", m.EatenG, m.MadeG, m.OnPlateG, m.GrainG)
	}
	tossed := made(t, Serving{How: Toss, Sauce: wok}, four)
	if m.EatenG < 2*tossed.EatenG {
		t.Errorf("ladled %.0f g are eaten, tossed %.0f", m.EatenG, tossed.EatenG)
	}
	butter := Sauce{School: Melt, Items: of(t, "butter", 60.0, "lemon-juice", 20.0)}
	p := made(t, Serving{How: Pour, PourG: new(30.0), Sauce: butter}, SaucedFood{Surface: 4, Servings: 2})
	if math.Abs(p.OnFoodG+p.OnPlateG-60) > 0.1 || p.OnFoodG <= 0 || p.OnFoodG >= 60 {
		t.Errorf("poured, %.1f g stay and %.1f run down, of 60", p.OnFoodG, p.OnPlateG)
	}
}

// Pieces are soft after their minutes at a simmer, the tender ones first; they give
// juice, so that a sauce with tomatoes takes longer to boil down.
func TestPiecesSoften(t *testing.T) {
	sauce := func(simmer float64) Made {
		return made(t, Serving{How: Ladle, Sauce: Sauce{School: Thicken, SimmerMin: &simmer, Items: of(t, "carrot-pieces", 100.0, "pineapple-pieces", 100.0, "stock", 250.0)}}, SaucedFood{Surface: 10, Servings: 2})
	}
	short, long := sauce(4), sauce(14)
	if short.Soft[0].AtMin != nil || short.Soft[0].MoreMin < 6 || short.Soft[1].AtMin == nil {
		t.Errorf("after 4 min: %+v", short.Soft)
	}
	if long.Soft[0].AtMin == nil || *long.Soft[0].AtMin <= *long.Soft[1].AtMin {
		t.Errorf("after 14 min: %+v", long.Soft)
	}
	with := made(t, Serving{How: Ladle, Sauce: Sauce{School: Reduce, WidthCm: 24, Items: of(t, "tomato", 300.0, "stock", 100.0, "tomato-paste", 30.0)}}, SaucedFood{Surface: 10, Servings: 2})
	without := made(t, Serving{How: Ladle, Sauce: Sauce{School: Reduce, WidthCm: 24, Items: of(t, "stock", 100.0, "tomato-paste", 30.0)}}, SaucedFood{Surface: 10, Servings: 2})
	if with.ReadyMin < without.ReadyMin+3 || with.PiecesG > 170 {
		t.Errorf("with tomatoes ready at %.1f, without at %.1f; %.0f g of pieces are left", with.ReadyMin, without.ReadyMin, with.PiecesG)
	}
	says := short.Tell(Serving{How: Ladle, Sauce: Sauce{School: Thicken}}, larder.Shelf, units.Household{}).Reads
	if !strings.Contains(says, "The carrot still has bite") || !strings.Contains(says, "The pineapple is soft by minute") {
		t.Error(says)
	}
}
