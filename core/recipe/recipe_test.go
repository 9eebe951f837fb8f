package recipe

import (
	"slices"
	"strings"
	"testing"

	"velocrustum/core/advise"
	"velocrustum/core/baskets"
	"velocrustum/core/food"
	"velocrustum/core/load"
	"velocrustum/core/pan"
	"velocrustum/core/prep"
	"velocrustum/core/units"
)

func read(t *testing.T, text Text, fixes ...Fix) Understood {
	t.Helper()
	got := Understand(text, fixes, prep.NewPantry(nil), units.Household{Spoons: units.USSpoons})
	if len(got.Lines) != len(text.Ingredients)+len(text.Steps) {
		t.Fatalf("%d lines of %d", len(got.Lines), len(text.Ingredients)+len(text.Steps))
	}
	for _, l := range got.Lines {
		if l.Says == "" {
			t.Errorf("nothing is said of %q", l.Text)
		}
	}
	if got.Load != nil { // what is understood can be cooked
		d := prep.BenchDish{Dish: load.Dish{Request: load.Request{Load: *got.Load, Coat: got.Coat, Program: load.Program{Stages: []load.Stage{{AirC: 190, Minutes: 18}}}}}, Bench: got.Bench}
		if _, _, err := prep.NewPantry(nil).Ready(d); err != nil {
			t.Errorf("%s: %v", got.Name, err)
		}
	}
	return got
}

// What is fried together comes in together: drumettes and flats share marinade,
// coat and oil by their weights; what may be a side does not, unless it is put
// right that it is fried.
func TestARecipeOfTwoKinds(t *testing.T) {
	text := Text{Name: "Wings two ways", Servings: 3, Ingredients: lines("6 drumettes (300 g)", "8 wing flats (300 g)", "2 tbsp soy sauce", "1 tbsp honey", "1 tbsp oil", "40 g cornstarch", "400 g potato wedges"),
		Steps: []string{"Marinate the wings in the soy sauce and honey for 2 hours.", "Toss with the cornstarch and the oil, and air fry at 190 °C for 22 minutes."}}
	got := read(t, text)
	if len(got.Beside) != 1 || got.Beside[0].Load.Cut != "chicken-wing-flat" || got.Beside[0].Load.Pieces != 8 || !strings.Contains(got.Lines[6].Says, "left out here") {
		t.Fatalf("beside are %+v; %s", got.Beside, got.Lines[6].Says)
	}
	flats := got.Beside[0]
	if got.Bench.Marinade == nil || flats.Bench.Marinade == nil || got.Bench.Marinade.ForG != 604 || flats.Bench.Marinade.ForG != 604 || flats.Coat.ID != got.Coat.ID || flats.Coat.OilG <= 0 {
		t.Errorf("the drumettes have %+v in %+v, the flats %+v in %+v", got.Bench.Marinade, got.Coat, flats.Bench.Marinade, flats.Coat)
	}
	all := read(t, text, Fix{Line: 6, As: AsFood})
	if len(all.Beside) != 2 || all.Beside[1].Coat.ID != food.Bare || all.Beside[1].Bench.Marinade != nil || !slices.ContainsFunc(all.Missing, func(m string) bool { return strings.HasPrefix(m, "what is on the potato wedges") }) {
		t.Errorf("with the wedges fried: %+v; %q", all.Beside, all.Missing)
	}
}

func lines(of ...string) (out []Said) {
	for _, s := range of {
		out = append(out, Said{Text: s})
	}
	return out
}

func TestRecipesOfManyHabits(t *testing.T) {
	for _, c := range []struct {
		name     string
		text     Text
		cut      string
		pieces   int
		pieceG   float64
		coat     string
		oilG     float64
		marinade []string
		hours    float64
		sauce    []string
		kind     string
		tempC    float64
		minutes  float64
		unknown  string
		missing  string
	}{
		{name: "cups, °F, deep fried", text: Text{Name: "Buttermilk drumsticks", Servings: 4,
			Ingredients: lines("8 chicken drumsticks (about 2 lb)", "2 cups buttermilk", "1 tbsp kosher salt", "1 1/2 cups all-purpose flour", "1/2 cup cornstarch", "2 tsp smoked paprika", "6 cups vegetable oil for frying"),
			Steps:       []string{"Marinate the chicken in the buttermilk and salt overnight.", "Dredge in the flour, cornstarch and paprika.", "Fry in oil at 350°F for 12-14 minutes, turning halfway."}},
			cut: "chicken-drumstick", pieces: 8, pieceG: 113, coat: "flour-starch", marinade: []string{"buttermilk", "salt-flake"}, hours: 12, kind: "oil", tempC: 177, minutes: 13},
		{name: "oven, weight alone, a glaze", text: Text{Name: "Sticky wings",
			Ingredients: []Said{{"1 kg chicken wings, split", ""}, {"1 tbsp oil", ""}, {"2 tsp baking powder", ""}, {"4 tbsp honey", "For the glaze"}, {"2 tbsp soy sauce", "For the glaze"}, {"2 cloves garlic", "For the glaze"}},
			Steps:       []string{"Toss the wings with oil and baking powder.", "Bake at 220 °C for 40 minutes, turning once.", "Simmer the honey, soy and garlic, and toss."}},
			cut: "chicken-wing-flat", pieces: 24, pieceG: 42, coat: "leavened-rub", oilG: 14, sauce: []string{"honey", "soy-light", "garlic"}, kind: "oven", tempC: 220, minutes: 40},
		{name: "until golden", text: Text{Name: "Crumbed fish",
			Ingredients: lines("4 cod fillets, 150 g each", "1 egg", "100 g panko", "a splash of milk"),
			Steps:       []string{"Dip in egg, then the panko.", "Deep fry at 180 degrees until golden."}},
			cut: "fish-fillet-white", pieces: 4, pieceG: 150, coat: "three-bowl-crumb", kind: "oil", tempC: 180, missing: "how long it is in"},
		{name: "an air fryer's own, no weights", text: Text{Name: "Wedges", Ingredients: lines("3 large potatoes, in wedges", "2 tbsp olive oil", "1 tsp salt"), Steps: []string{"Air fry at 200C for 20 min, shaking the basket."}},
			cut: "potato-wedge", pieces: 22, pieceG: 31, coat: "oil-rub", oilG: 27, marinade: []string{"salt-fine"}, kind: "preset", tempC: 200, minutes: 20, missing: "the weight of the potato wedges"},
		{name: "what nobody has", text: Text{Name: "Odd thighs", Ingredients: lines("6 boneless thighs (700 g)", "2 tbsp moon dust", "salt to taste"), Steps: []string{"Say nothing of heat."}},
			cut: "chicken-thigh-boneless", pieces: 6, pieceG: 117, coat: "bare", unknown: "moon dust", missing: "how hot"},
		{name: "no food at all", text: Text{Name: "A sauce", Ingredients: lines("2 tbsp honey"), Steps: []string{"Stir."}}, missing: "what is fried"},
	} {
		got := read(t, c.text)
		if c.missing != "" && !strings.Contains(strings.Join(got.Missing, "; "), c.missing) {
			t.Errorf("%s: missing %q", c.name, got.Missing)
		}
		if c.unknown != "" && !slices.ContainsFunc(got.Unknown, func(u Unknown) bool { return u.Ingredient.Name == c.unknown }) {
			t.Errorf("%s: unknown %+v", c.name, got.Unknown)
		}
		if c.cut == "" {
			if got.Load != nil {
				t.Errorf("%s: it has %+v", c.name, got.Load)
			}
			continue
		}
		if got.Load == nil || got.Load.Cut != c.cut || got.Load.Pieces != c.pieces || c.pieceG > 0 && (got.Load.PieceMassG < c.pieceG-2 || got.Load.PieceMassG > c.pieceG+2) {
			t.Errorf("%s: fried is %+v", c.name, got.Load)
			continue
		}
		if got.Coat.ID != c.coat || got.Coat.OilG < c.oilG-2 || got.Coat.OilG > c.oilG+2 {
			t.Errorf("%s: coat %+v, want %s with %g g of oil", c.name, got.Coat, c.coat, c.oilG)
		}
		var in, on []string
		if m := got.Bench.Marinade; m != nil {
			for _, i := range m.Items {
				in = append(in, i.Ingredient)
			}
			if c.hours > 0 && m.Hours != c.hours {
				t.Errorf("%s: marinates %g h", c.name, m.Hours)
			}
		}
		for _, s := range got.Bench.Sauces {
			for _, i := range s.Sauce.Items {
				on = append(on, i.Ingredient)
			}
		}
		for _, id := range c.marinade {
			if !slices.Contains(in, id) {
				t.Errorf("%s: the marinade is %v, want %s in it", c.name, in, id)
			}
		}
		if !slices.Equal(on, c.sauce) {
			t.Errorf("%s: the sauce is %v, want %v", c.name, on, c.sauce)
		}
		switch h := got.Heat; {
		case c.kind == "" && h != nil, c.kind != "" && h == nil:
			t.Errorf("%s: heat %+v", c.name, h)
		case h != nil && (h.Kind != c.kind || h.TempC < c.tempC-1 || h.TempC > c.tempC+1 || h.Minutes != c.minutes):
			t.Errorf("%s: heat %+v, want %s %g °C %g min", c.name, h, c.kind, c.tempC, c.minutes)
		}
	}
}

// What a cook says of a line comes before what is read from it.
func TestLinesAreCorrected(t *testing.T) {
	text := Text{Name: "Bites", Ingredients: lines("500 g chicken", "3 tbsp secret powder", "1 tbsp honey"), Steps: []string{"Fry in oil at 170 °C for 6 minutes."}}
	if got := read(t, text); got.Load != nil || got.Lines[0].Understood {
		t.Errorf("chicken of no cut is taken for %+v", got.Load)
	}
	g := 20.0
	got := read(t, text, Fix{Line: 0, As: AsFood, Cut: "chicken-breast-chunk"}, Fix{Line: 1, Ingredient: "corn-starch", As: AsCoat, G: &g}, Fix{Line: 2, As: AsNote})
	if got.Load == nil || got.Load.Cut != "chicken-breast-chunk" || got.Load.Pieces < 10 || got.Coat.ID != "starch-dust" || got.Bench.Marinade != nil || !got.Lines[2].Understood || got.Lines[1].G != 20 {
		t.Errorf("corrected: %+v, %+v, %+v", got.Load, got.Coat, got.Lines)
	}
	// A step, too: its heat, how long it waits, or that it is a note.
	text = Text{Name: "Legs", Ingredients: lines("6 drumsticks, 120 g each", "1 cup buttermilk"), Steps: []string{"Soak in the buttermilk for a while, in the fridge.", "Start at 120 °C for 10 min, then roast at 220 °C for 30 min.", "Fry in oil at 170 °C for 6 min, if you like."}}
	got = read(t, text)
	if h := got.Lines[3].Heat; h == nil || *h != (advise.FormerWay{Kind: advise.FromOven, TempC: 220, Minutes: 30}) || *got.Heat != *h || got.Lines[2].Hours != 0 {
		t.Errorf("%+v, %+v", got.Heat, got.Lines)
	}
	six := 6.0
	got = read(t, text, Fix{Line: 2, Hours: &six}, Fix{Line: 3, As: AsNote}, Fix{Line: 4, Heat: &advise.FormerWay{Kind: advise.FromOil, TempC: 165, Minutes: 8}})
	if *got.Heat != (advise.FormerWay{Kind: advise.FromOil, TempC: 165, Minutes: 8}) || got.Bench.Marinade.Hours != 6 || !got.Lines[2].Understood || got.Lines[3].Heat != nil || !strings.Contains(got.Lines[4].Says, "165 °C, 8 min, as you say") {
		t.Errorf("%+v, %+v, %+v", got.Heat, got.Bench.Marinade, got.Lines)
	}
}

// Times and amounts have many forms; what is cut up is counted whole.
func TestAmountsAndTimesOfManyForms(t *testing.T) {
	for step, want := range map[string]advise.FormerWay{
		"Roast at gas mark 7 for 1 hour 10 minutes.":                        {Kind: "oven", TempC: 220, Minutes: 70},
		"Bake at 140C for 2 1/2 hours.":                                     {Kind: "oven", TempC: 140, Minutes: 150},
		"Bake at 400 degrees for about a quarter of an hour.":               {Kind: "oven", TempC: 204, Minutes: 15},
		"Air fry twelve minutes @ 400, flipping once.":                      {Kind: "preset", TempC: 204, Minutes: 12},
		"Pan-fry at 170 °C for 2-3 minutes per side.":                       {Kind: "oil", TempC: 170, Minutes: 5},
		"Heat oven to 220C/200C fan. Roast for 1½ hours.":                   {Kind: "oven", TempC: 220, Minutes: 90},
		"Marinate 2 hours, then bake at 350°F (177°C) for half an hour.":    {Kind: "oven", TempC: 177, Minutes: 30},
		"Deep fry at 375 for 2 to 3 minutes. It should reach 165°F inside.": {Kind: "oil", TempC: 191, Minutes: 2.5},
		"Fry at 130 °C for 5 min, then at 180 °C for 2 min.":                {Kind: "oil", TempC: 130, Minutes: 5},
	} {
		got := read(t, Text{Name: "x", Ingredients: lines("4 chicken drumsticks, 100 g each"), Steps: []string{step}})
		if got.Heat == nil || *got.Heat != want {
			t.Errorf("%s: %+v", step, got.Heat)
		}
	}
	for line, want := range map[string]struct {
		pieces int
		g      float64
	}{
		"16 large prawns, peeled":                           {16, 16},
		"2 chicken breasts (1 lb), cut in bite-size bits":   {25, 18},
		"3 chicken breasts, cubed":                          {33, 18},
		"Chicken thighs, boneless – 800 g":                  {7, 114},
		"1 1/2 lb. chicken tenderloins (about 12)":          {12, 57},
		"4 pork loin cutlets (pounded to 5 mm, 120 g each)": {4, 120},
		"1 whole sea bream (about 400 g), gutted":           {1, 400},
	} {
		got := read(t, Text{Name: "x", Ingredients: lines(line)})
		if got.Load == nil || got.Load.Pieces != want.pieces || got.Load.PieceMassG != want.g {
			t.Errorf("%s: %+v, %q", line, got.Load, got.Lines[0].Says)
		}
	}
	// A step may cut it up.
	got := read(t, Text{Name: "x", Ingredients: lines("600 g boneless chicken thighs"), Steps: []string{"Cut the chicken into bite-sized pieces.", "Air fry at 190 °C for 12 minutes."}})
	if got.Load.Cut != "chicken-thigh-chunk" || got.Load.Pieces != 35 || !strings.Contains(got.Lines[1].Says, "35 thigh chunks") {
		t.Errorf("%+v, %+v", got.Load, got.Lines)
	}
	// What is cut otherwise than what it is taken for is not passed over.
	if l := read(t, Text{Name: "x", Ingredients: lines("1 lb salmon fillet, cut in 1-inch cubes")}).Lines[0]; l.Understood || !strings.Contains(l.Says, "25 mm weigh about 17 g") {
		t.Errorf("%+v", l)
	}
}

// What the pantry lacks is offered as an ingredient of one's own: what it is
// there for by its name, its figures to be said.
func TestWhatIsUnknownIsOffered(t *testing.T) {
	got := read(t, Text{Name: "x", Ingredients: lines("6 chicken drumsticks (700 g)", "2 tbsp sudachi juice", "3 kaffir leaves", "1 tsp moon dust", "1 cup puffed spelt crumbs", "1 tsp moon dust")})
	want := []struct {
		line       int
		name, role string
		missing    int
	}{{1, "sudachi juice", "acid", 6}, {2, "kaffir leaves", "spice", 7}, {3, "moon dust", "spice", 6}, {4, "puffed spelt crumbs", "starch", 6}}
	if len(got.Unknown) != 5 {
		t.Fatalf("%+v", got.Unknown)
	}
	for k, w := range want {
		u := got.Unknown[k]
		if u.Line != w.line || u.Ingredient.Name != w.name || string(u.Ingredient.Role) != w.role || len(u.Missing) != w.missing || !strings.HasPrefix(u.Ingredient.ID, "own-") || u.Ingredient.Check() != nil {
			t.Errorf("%+v, %v", u, u.Ingredient.Check())
		}
	}
	// Put into the pantry, it is understood.
	own := got.Unknown[2].Ingredient
	if l := Understand(Text{Name: "x", Ingredients: lines("1 tsp moon dust")}, nil, prep.NewPantry([]prep.Ingredient{own}), units.Household{Spoons: units.MetricSpoons}).Lines[0]; !l.Understood || l.Ingredient != own.ID || l.G <= 0 {
		t.Errorf("%+v", l)
	}
}

// A dish in words says how much of what, what is done, when, and what to take
// care of.
func TestADishIsWritten(t *testing.T) {
	p := prep.NewPantry(nil)
	d := prep.BenchDish{Dish: load.Dish{Request: load.Request{Load: load.Pieces{Cut: "pork-loin-cutlet", Pieces: 2, PieceMassG: 150, Surface: "wiped"}, Coat: &load.Covering{ID: "oil-rub", OilG: 5},
		Program: load.Program{PreheatMin: 4, Stages: []load.Stage{{AirC: 190, Minutes: 12}}, Turns: []load.Turn{{AtMin: 6, Kind: load.Flip}}}}},
		Bench: &prep.Bench{Servings: 2, Drying: prep.Drying{School: "wipe"}, Marinade: &prep.Marinade{Items: []prep.Item{{Ingredient: "mustard", G: 15}}, Hours: 2}, Finish: []prep.Item{{Ingredient: "salt-flake", G: 1}},
			Sauces: []pan.Serving{{Name: "Cold dip", How: pan.Beside, Sauce: pan.Sauce{School: pan.Mix, Items: []prep.Item{{Ingredient: "mayonnaise", G: 40}}}}}}}
	f, err := p.Forecast(t.Context(), d, units.Household{})
	if err != nil {
		t.Fatal(err)
	}
	r, err := Write("Mustard cutlets", d, nil, f, p, units.Household{})
	if err != nil {
		t.Fatal(err)
	}
	all := strings.Join(r.Ingredients, "\n") + "\n"
	for _, s := range r.Steps {
		all += s.Says + "\n"
	}
	all += strings.Join(r.Cautions, "\n")
	for _, want := range []string{"2 pork loin cutlets of about 150 g", "15 g mustard", "12 min at 190 °C", "At minute 6 turn", "Finish with dense flake salt", "Stir Cold dip together; serve it beside them.", "Contains egg, mustard.", "63 °C", "3 min of rest", "thermometer", "mustard"} {
		if !strings.Contains(all, want) {
			t.Errorf("it does not say %q:\n%s", want, all)
		}
	}
	if strings.Contains(all, "It in") || !strings.Contains(all, "Leave them in the marinade for 2 h, in the fridge.") {
		t.Errorf("its waits read badly:\n%s", all)
	}
	if r.CookMin != 16 || r.PrepMin < 100 || r.Servings != 2 || r.Plate.Kcal < 100 {
		t.Errorf("%+v", r)
	}
}

// Baskets, kinds in one basket, and what is brushed on have their words.
func TestADishOfSeveralPartsIsWritten(t *testing.T) {
	p := prep.NewPantry(nil)
	pieces := load.Pieces{Cut: "chicken-drumette", Pieces: 4, PieceMassG: 45, Surface: "wiped"}
	d := prep.BenchDish{Dish: load.Dish{Request: load.Request{Load: pieces, Coat: &load.Covering{ID: "bare"}, Groups: []load.Group{{Name: "mustard ones", Load: pieces}},
		Program: load.Program{Stages: []load.Stage{{AirC: 190, Minutes: 18}, {AirC: 190, Minutes: 3, Rest: true}, {AirC: 190, Minutes: 2, Hold: load.HoldWarm}, {AirC: 200, Minutes: 4}},
			Turns: []load.Turn{{AtMin: 9, Kind: load.Shake}, {AtMin: 22, Kind: load.BrushOn, Group: 1, Brush: &load.Brush{G: 8, Parts: []food.Mixed{{Ingredient: "mustard", Share: 1}, {Ingredient: "honey", Share: 1}}}}}}}},
		Bench: &prep.Bench{Servings: 2}}
	f, err := p.Forecast(t.Context(), d, units.Household{})
	if err != nil {
		t.Fatal(err)
	}
	written := func(baskets []baskets.Basketful) (string, Recipe) {
		r, err := Write("Drumettes", d, baskets, f, p, units.Household{})
		if err != nil {
			t.Fatal(err)
		}
		all := strings.Join(r.Ingredients, "\n")
		for _, s := range r.Steps {
			all += "\n" + s.Says
		}
		return all, r
	}
	all, r := written(nil)
	for _, want := range []string{"4 drumettes of about 45 g each (180 g): the mustard ones", "Lay the 4 drumettes and the 4 mustard ones in one layer", "18 min at 190 °C, then rest them outside for 3 min, then rest them on a rack in the warm oven at 90 °C for 2 min, then 4 min at 200 °C.", "At minute 9 shake the basket.", "4 g mustard", "4 g honey", "At minute 22 brush 8 g of mustard and honey on the mustard ones."} {
		if !strings.Contains(all, want) {
			t.Errorf("it does not say %q:\n%s", want, all)
		}
	}
	if r.CookMin != 27 {
		t.Errorf("%g min in the fryer", r.CookMin)
	}
	one := d.Program
	all, r = written([]baskets.Basketful{{Pieces: 3, EndMin: 25, Program: one}, {Pieces: 1, StartMin: 27, EndMin: 52, Program: one}, {Fryer: 1, Pieces: 2, EndMin: 25, Program: one}})
	for _, want := range []string{"Basket 1 of 3, 3 drumettes in one layer", "Basket 2 of 3, 1 drumette in", "In the second fryer, 2 drumettes:"} {
		if !strings.Contains(all, want) {
			t.Errorf("it does not say %q:\n%s", want, all)
		}
	}
	if r.CookMin != 52 {
		t.Errorf("%g min in the fryers", r.CookMin)
	}
}

func FuzzUnderstand(f *testing.F) {
	f.Add("8 chicken drumsticks (about 1 kg)", "Fry at 170 °C for 10 min", "Sauce")
	f.Add("½ cup flour", "marinate 2-4 hours", "")
	p := prep.NewPantry(nil)
	f.Fuzz(func(t *testing.T, ingredient, step, group string) {
		got := Understand(Text{Ingredients: []Said{{ingredient, group}}, Steps: []string{step}}, nil, p, units.Household{Spoons: units.MetricSpoons})
		if len(got.Lines) != 2 {
			t.Errorf("%d lines", len(got.Lines))
		}
		if got.Load != nil && (got.Load.Pieces < 1 || !(got.Load.PieceMassG > 0)) {
			t.Errorf("%q: %+v", ingredient, got.Load)
		}
	})
}

// What comes frozen, fried or cooked before is taken so, and said to be.
func TestHowItComesIsRead(t *testing.T) {
	bake := []string{"Air fry at 180 °C for 25 minutes."}
	for _, c := range []struct {
		text                     Text
		frozen                   bool
		state, inside, cut, coat string
	}{
		{Text{Name: "Chicken", Ingredients: lines("3 chicken breasts, frozen, 180 g each"), Steps: bake}, true, "", "", "chicken-breast-whole", ""},
		{Text{Name: "Breasts", Ingredients: lines("2 chicken breasts, 220 g each"), Steps: bake}, false, "", "", "chicken-breast-whole", ""},
		{Text{Name: "Chicken and mushrooms", Ingredients: lines("150 g chestnut courgettes", "4 chicken drumsticks"), Steps: bake}, false, "", "", "chicken-drumstick", ""},
		{Text{Name: "Chicken", Ingredients: lines("3 frozen chicken cutlets, 130 g each"), Steps: []string{"From frozen, air fry at 180 °C for 25 min."}}, true, "", "", "chicken-breast-cutlet", ""},
		{Text{Name: "Wings", Ingredients: lines("1 kg chicken wings"), Steps: []string{"Straight in, no thawing needed.", "Air fry at 200 °C for 25 min."}}, true, "", "", "chicken-wing-whole", ""},
		{Text{Name: "Frozen nuggets", Ingredients: lines("20 chicken nuggets"), Steps: bake}, true, "par-fried", "", "nugget", "three-bowl-crumb"},
		{Text{Name: "Nuggets", Ingredients: lines("20 frozen cooked chicken nuggets"), Steps: bake}, true, "par-fried", "cooked", "nugget", "three-bowl-crumb"},
		{Text{Name: "Chips", Ingredients: lines("500 g frozen oven chips"), Steps: bake}, true, "par-fried", "cooked", "potato-stick", "bare"},
		{Text{Name: "Leftover fried chicken", Ingredients: lines("4 drumsticks"), Steps: []string{"Reheat at 180 °C for 6 minutes."}}, false, "cooked", "", "chicken-drumstick", ""},
		{Text{Name: "Crisp again", Ingredients: lines("4 cooked drumsticks"), Steps: bake}, false, "cooked", "", "chicken-drumstick", ""},
		{Text{Name: "Wings", Ingredients: lines("12 frozen wing flats"), Steps: []string{"Thaw the wings overnight in the fridge.", "Air fry at 200 °C for 20 min."}}, false, "", "", "chicken-wing-flat", ""},
	} {
		got := read(t, c.text)
		if got.Load == nil {
			t.Errorf("%v: no load, %v", c.text.Ingredients, got.Refused)
			continue
		}
		l := got.Load
		if (l.StartC != nil && *l.StartC < -2) != c.frozen || l.State != c.state || l.Inside != c.inside || l.Cut != c.cut || c.coat != "" && got.Coat.ID != c.coat {
			t.Errorf("%v: %+v in %+v", c.text.Ingredients, l, got.Coat)
		}
		if said := strings.Join(got.Missing, " "); (c.frozen || c.state != "") && !strings.Contains(said, "are taken as") {
			t.Errorf("%v: said %q", c.text.Ingredients, said)
		}
	}
}

// What cannot be said yet is refused with the reason and the way on, and never
// taken for what is raw, thawed or thin.
func TestWhatCannotBeSaidIsRefused(t *testing.T) {
	bake := []string{"Air fry at 180 °C for 25 minutes."}
	for _, c := range []struct {
		text Text
		why  string // empty where a dish comes of it
	}{
		{Text{Name: "Prawns", Ingredients: lines("12 frozen prawns, thawed"), Steps: bake}, ""},
		{Text{Name: "Wings", Ingredients: lines("12 frozen wing flats"), Steps: []string{"Thaw the wings overnight in the fridge.", "Air fry at 200 °C for 20 min."}}, ""},
		{Text{Name: "Wings", Ingredients: lines("12 wing flats", "100 g frozen peas"), Steps: bake}, ""},
		{Text{Name: "Drumsticks", Ingredients: lines("4 uncooked drumsticks"), Steps: bake}, ""},
		{Text{Name: "Roast", Ingredients: lines("1 whole chicken (1.4 kg)"), Steps: bake}, ""},
		{Text{Name: "Roast", Ingredients: lines("1 whole turkey (4 kg)"), Steps: bake}, "cut up"},
		{Text{Name: "Roast", Ingredients: lines("2 half chickens, 650 g each"), Steps: bake}, ""},
		{Text{Name: "Breasts", Ingredients: lines("2 chicken breasts, 220 g each"), Steps: bake}, ""},
		{Text{Name: "Breasts", Ingredients: lines("2 chicken breasts"), Steps: bake}, ""},
		{Text{Name: "Schnitzel", Ingredients: lines("2 chicken breasts, 150 g each, pounded to 12 mm"), Steps: bake}, ""},
		{Text{Name: "Cutlets", Ingredients: lines("2 chicken breasts (600 g), halved horizontally"), Steps: bake}, ""},
		{Text{Name: "Tenders", Ingredients: lines("8 chicken tenders"), Steps: bake}, ""},
	} {
		got := read(t, c.text)
		why := strings.Join(got.Refused, " ")
		if c.why == "" && (why != "" || got.Load == nil) {
			t.Errorf("%v: refused: %q", c.text.Ingredients, why)
		}
		if c.why != "" && (!strings.Contains(why, c.why) || got.Load != nil) {
			t.Errorf("%v: %q, want %q; load %v", c.text.Ingredients, why, c.why, got.Load)
		}
	}
	halved := read(t, Text{Name: "Cutlets", Ingredients: lines("2 chicken breasts (600 g), halved horizontally"), Steps: bake})
	if halved.Load.Pieces != 4 || halved.Load.PieceMassG != 150 {
		t.Errorf("two breasts of 600 g, halved: %+v", halved.Load)
	}
}

// Whatever part an ingredient is taken for, who may not eat it is told.
func TestAllergensFollowWhatIsInIt(t *testing.T) {
	for _, c := range []struct {
		lines []string
		want  []string
	}{
		{[]string{"300 g squid rings", "1 egg white", "50 g cornstarch", "1 tsp salt"}, []string{"molluscs", "egg"}},
		{[]string{"4 chicken cutlets", "1 egg", "100 g panko", "50 g parmesan", "2 tbsp sesame seeds"}, []string{"egg", "wheat", "milk", "sesame"}},
		{[]string{"4 cod fillets", "100 ml buttermilk", "100 g potato starch"}, []string{"fish", "milk"}},
		{[]string{"12 wing flats", "2 tbsp mustard", "1 tbsp soy sauce"}, []string{"mustard", "soy", "wheat"}},
	} {
		got := read(t, Text{Name: "x", Ingredients: lines(c.lines...), Steps: []string{"Dip in the egg or milk, then coat in the rest.", "Air fry at 190 °C for 12 minutes."}})
		p := prep.NewPantry(nil)
		d := prep.BenchDish{Dish: load.Dish{Request: load.Request{Load: *got.Load, Coat: got.Coat, Program: load.Program{Stages: []load.Stage{{AirC: 190, Minutes: 18}}}}}, Bench: got.Bench}
		f, err := p.Forecast(t.Context(), d, units.Household{})
		if err != nil {
			t.Fatal(err)
		}
		for _, a := range c.want {
			if !slices.Contains(f.Allergens(), a) {
				t.Errorf("%v: %v lack %s; coat %+v", c.lines, f.Allergens(), a, got.Coat)
			}
		}
	}
}

// A sauce with much in it is ladled, all of it, with the rice that is named; one that
// is poured is poured; and the other words stay what they were.
func TestSaucesAsTheyAreServed(t *testing.T) {
	bake := []string{"Air fry at 190 °C for 14 minutes."}
	wok := Text{Name: "Sweet and sour chicken", Servings: 4, Ingredients: []Said{{Text: "900 g boneless thighs"}, {Text: "60 g corn starch"}, {Text: "1 onion, cut into wedges"}, {Text: "1 green bell pepper"}, {Text: "300 g pineapple chunks"}, {Text: "3 tomatoes"}, {Text: "100 g ketchup"}, {Text: "60 ml vinegar"}, {Text: "300 g jasmine rice"}},
		Steps: append(bake, "Coat the thighs in the corn starch.", "Simmer the onion, pepper, pineapple, tomatoes, ketchup and vinegar in a wok for 5 minutes.", "Serve over the rice.")}
	got := Understand(wok, nil, prep.NewPantry(nil), units.Household{Spoons: units.MetricSpoons})
	if got.Bench == nil || len(got.Bench.Sauces) != 1 {
		t.Fatalf("%+v", got)
	}
	s := got.Bench.Sauces[0]
	in := map[string]float64{}
	for _, it := range s.Sauce.Items {
		in[it.Ingredient] = it.G
	}
	if s.How != pan.Ladle || s.Grain != pan.Rice || s.GrainG == nil || *s.GrainG != 75 || in["onion-pieces"] == 0 || in["tomato"] < 300 || in["pineapple-pieces"] != 300 || in["sweet-pepper"] == 0 || in["rice"] != 0 {
		t.Errorf("%s, %s %v: %v", s.How, s.Grain, s.GrainG, in)
	}
	butter := Text{Name: "Cod", Ingredients: []Said{{Text: "2 cod fillets, 140 g each"}, {Text: "60 g butter", Group: "For the sauce"}, {Text: "1 lemon", Group: "For the sauce"}}, Steps: append(bake, "Melt the butter with the lemon and pour it over the fish.")}
	if got := Understand(butter, nil, prep.NewPantry(nil), units.Household{Spoons: units.MetricSpoons}); len(got.Bench.Sauces) != 1 || got.Bench.Sauces[0].How != pan.Pour {
		t.Errorf("%+v", got.Bench.Sauces)
	}
	glaze := Text{Name: "Wings", Ingredients: []Said{{Text: "12 wing flats"}, {Text: "90 g honey", Group: "For the glaze"}}, Steps: append(bake, "Toss the wings in the glaze.")}
	if got := Understand(glaze, nil, prep.NewPantry(nil), units.Household{Spoons: units.MetricSpoons}); len(got.Bench.Sauces) != 1 || got.Bench.Sauces[0].How != "" {
		t.Errorf("%+v", got.Bench.Sauces)
	}
	near := Text{Name: "Halloumi fries", Ingredients: []Said{{Text: "400 g halloumi"}, {Text: "2 tbsp corn starch"}}, Steps: bake}
	if got := Understand(near, nil, prep.NewPantry(nil), units.Household{Spoons: units.MetricSpoons}); got.Load == nil || got.Load.Cut != "tofu-cube" || !strings.Contains(strings.Join(got.Missing, " "), "nearest by shape") {
		t.Errorf("%+v %v", got.Load, got.Missing)
	}
}
