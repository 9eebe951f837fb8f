package recipe

import (
	"fmt"
	"math/rand/v2"
	"strings"
	"testing"

	"velocrustum/core/refuse/goldentest"
)

// What is understood of recipes as they are written is as it was read.
func TestRecipesAreUnderstoodAsTheyWereRead(t *testing.T) {
	t.Parallel()
	var f goldentest.File
	for _, text := range ofManyHands {
		text.Ingredients = headed(text.Ingredients)
		f.Add(t, text.Name, read(t, text))
	}
	f.Same(t, "recipes.txt")
}

// Recipes whose lines come from several of those are understood as they were read: what no
// hand has written yet.
func TestRecipesOfMixedLinesAreUnderstoodAsTheyWereRead(t *testing.T) {
	t.Parallel()
	var f goldentest.File
	r := rand.New(rand.NewPCG(16, 1))
	one := func() Text { return ofManyHands[r.IntN(len(ofManyHands))] }
	for n := range 60 {
		text := Text{Name: fmt.Sprint("Mixed ", n), Servings: r.IntN(7)}
		text.Ingredients = append(text.Ingredients, one().Ingredients[0])
		for range 2 + r.IntN(4) {
			from := one().Ingredients
			text.Ingredients = append(text.Ingredients, from[r.IntN(len(from))])
		}
		for range 1 + r.IntN(3) {
			from := one().Steps
			text.Steps = append(text.Steps, from[r.IntN(len(from))])
		}
		text.Ingredients = headed(text.Ingredients)
		f.Addf(text.Name, "%v %q", text.Ingredients, text.Steps)
		f.Add(t, text.Name, read(t, text))
	}
	f.Same(t, "mixed.txt")
}

// ofManyHands are recipes as people write them.
var ofManyHands = []Text{
	{Name: "Sticky drumsticks", Servings: 4, Ingredients: lines("8 chicken drumsticks (900 g)", "3 tbsp soy sauce", "2 tbsp honey", "2 cloves garlic, crushed", "1 tsp smoked paprika", "2 tbsp oil", "sesame seeds, to finish"),
		Steps: []string{"Marinate overnight in the fridge.", "Pat dry and rub with the oil.", "Preheat to 200 °C and air fry for 25 minutes, turning halfway.", "Rest for 5 minutes and scatter with sesame seeds."}},
	{Name: "Fish fingers", Servings: 2, Ingredients: lines("300 g cod loin, in fingers", "50 g plain flour", "1 egg, beaten", "80 g panko", "1/2 tsp salt", "oil spray"),
		Steps: []string{"Coat the fish in flour, egg and crumbs.", "Spray and cook at 400 F for 10 to 12 minutes until golden."}},
	{Name: "Frozen wings", Servings: 2, Ingredients: lines("1 kg frozen chicken wings", "1 tbsp baking powder", "1 tsp salt", "For the sauce:", "60 g butter", "80 ml hot sauce"),
		Steps: []string{"Deep fry at 175 °C for 10 minutes.", "Melt the butter with the hot sauce and toss."}},
	{Name: "Schnitzel", Servings: 3, Ingredients: lines("3 pork loin cutlets", "flour", "2 eggs", "breadcrumbs", "lemon wedges", "400 g potato wedges"), Steps: []string{"Bread the cutlets. Bake in the oven at 220 °C for 20 minutes."}},
	{Name: "Two drawers", Servings: 4, Ingredients: lines("8 chicken thighs, bone-in, about 150 g each", "600 g potato wedges", "3 tbsp olive oil", "2 tsp salt"),
		Steps: []string{"Drawer 1: toss the thighs with half of the oil and cook at 190 °C for 28 minutes, turn after 14 minutes.", "Drawer 2: toss the wedges with the rest and cook at 200 °C for 22 minutes, shaking every 8 minutes."}},
	{Name: "A cut-up bird", Servings: 4, Ingredients: lines("1 whole chicken, cut into 8 pieces", "500 ml buttermilk", "200 g flour", "1 tbsp paprika", "2 tsp salt"),
		Steps: []string{"Soak for 8 hours.", "Dredge twice.", "Deep-fry at 170 C for 14 minutes."}},
	{Name: "By the pound", Servings: 6, Ingredients: lines("2 1/2 lb chicken wings", "1 Tbsp baking powder", "1 1/2 tsp kosher salt", "½ tsp garlic powder", "For the glaze:", "1/3 cup honey", "2 Tbsp. soy sauce", "1 tsp grated ginger"),
		Steps: []string{"Heat the air fryer to 400°F for 3 minutes.", "Cook 10 minutes, flip, then another 10-12 minutes.", "Simmer the glaze for 4 minutes over medium heat; toss."}},
	{Name: "In the oven", Servings: 2, Ingredients: lines("2 salmon fillets (about 150 g each)", "1 tbsp oil", "a pinch of salt"), Steps: []string{"Oven 200C/180C fan.", "Roast for 12 to 15 minutes.", "Rest 2 minutes."}},
	{Name: "In the pan", Servings: 2, Ingredients: lines("250 g halloumi, sliced", "2 tbsp flour", "oil for frying"), Steps: []string{"Dust with flour and fry in a pan over medium-high heat for 3 minutes a side."}},
	{Name: "From the freezer", Servings: 3, Ingredients: lines("750 g frozen oven chips", "1 tsp salt"), Steps: []string{"Cook from frozen at 200 °C for 20 minutes, shake after 8 and 14 minutes."}},
	{Name: "Low, then high", Servings: 2, Ingredients: lines("600 g pork belly slices", "1 tsp five spice", "2 tsp salt", "1 tbsp sugar"), Steps: []string{"Rub and leave uncovered for 24 hours.", "Air fry at 120 °C for 25 minutes, then at 200 °C for 12 minutes until crackled.", "Rest for 5 min."}},
	{Name: "Prawns", Servings: 2, Ingredients: lines("400 g raw king prawns, peeled", "60 g cornflour", "1 egg", "100 g panko", "lime wedges", "4 tbsp sweet chilli sauce, to serve"), Steps: []string{"Coat and spray.", "8 minutes at 190 °C, turning once."}},
	{Name: "Meatballs", Servings: 4, Ingredients: lines("500 g minced beef", "1 onion, chopped", "50 g breadcrumbs", "1 egg"), Steps: []string{"Shape into 20 balls.", "Air fry 12 minutes at 180 °C."}},
	{Name: "Nothing of it", Ingredients: lines("some love", "2 cups of tea"), Steps: []string{"Enjoy."}},
	{Name: "Larger numbers", Servings: 12, Ingredients: lines("36 chicken drumettes", "100 ml oil", "6 tsp salt", "0.5 kg flour", "3 eggs"), Steps: []string{"In batches, 180 °C for 18 minutes each, turn half-way."}},
	{Name: "Bites", Servings: 3, Ingredients: lines("3 chicken breasts, cut into bites", "2 tbsp cornflour", "1 tsp salt", "2 tbsp oil"), Steps: []string{"Toss with the cornflour.", "Cook at 390 for 9 to 11 minutes, shake twice.", "Leave to stand for 3 minutes."}},
	{Name: "Thigh cubes", Servings: 2, Ingredients: lines("4 boneless skinless chicken thighs, cubed (2 cm)", "1 tbsp soy sauce", "1 tsp cornflour"), Steps: []string{"Marinate 30 min.", "Deep fry at 340 F for 6 mins."}},
	{Name: "A dozen and more", Servings: 40, Ingredients: lines("14 chicken breasts, cut into pieces", "a dozen eggs", "several handfuls of flour"), Steps: []string{"Fry in 5 cm of oil at 180 °C for 7 minutes in batches."}},
	{Name: "By gas mark", Servings: 4, Ingredients: lines("4 chicken legs (quarters), about 300 g each", "1 lemon", "2 tsp thyme", "1½ tsp salt"), Steps: []string{"Rub in the salt and leave for 1 hour 30 minutes.", "Roast at gas mark 6 for 40-45 minutes until it reads 82 °C inside.", "Stand 10 minutes."}},
	{Name: "Mark nine", Servings: 2, Ingredients: lines("500 g cauliflower florets", "1 tbsp oil"), Steps: []string{"Oven at gas 9 for 15 min; or 240C."}},
	{Name: "Each side", Servings: 2, Ingredients: lines("2 salmon fillets, skin on, 3 cm thick", "salt"), Steps: []string{"Pan-fry 4 minutes per side at 180 °C.", "Rest 1,5 minutes."}},
	{Name: "Dry mix at the end", Servings: 2, Ingredients: lines("700 g chicken wings", "For the seasoning mix:", "1 tsp chilli powder", "1 tsp garlic powder", "2 tsp salt", "1 tsp sugar"), Steps: []string{"Air fry the wings at 200 °C for 22 minutes.", "Toss in the mix while hot."}},
	{Name: "Dry mix before", Servings: 2, Ingredients: lines("700 g chicken wings", "Spice mix:", "1 tsp chilli powder", "2 tsp salt"), Steps: []string{"Rub the wings with the mixture.", "Air fry at 200 °C for 22 minutes."}},
	{Name: "Brushed", Servings: 4, Ingredients: lines("1 kg chicken drumsticks", "4 tbsp BBQ sauce", "1 tbsp honey", "1 tsp oil"), Steps: []string{"Air fry at 180 °C for 20 minutes.", "Brush with the sauce, raise to 200 °C and cook 4 minutes more, brushing again after 2 minutes."}},
	{Name: "With a side", Servings: 4, Ingredients: lines("4 haddock fillets (140 g each)", "100 g plain flour", "150 ml beer", "For the chips:", "1 kg potatoes", "2 tbsp oil", "1 tsp salt", "For the mushy peas:", "300 g frozen peas", "a knob of butter"),
		Steps: []string{"Cut the potatoes into chips, toss in the oil and air fry at 190 °C for 25 minutes, shaking now and then.", "Whisk the flour with the beer and dip the fish.", "Deep fry at 185 °C for 6 to 8 minutes.", "Boil the peas for 5 minutes and crush with the butter."}},
	{Name: "Skin off", Servings: 2, Ingredients: lines("2 skinless chicken breasts (180 g each)", "1 egg white", "40 g cornflakes, crushed", "cooking spray"), Steps: []string{"Bash to 1.5 cm.", "Coat, mist with oil and air fry for 12 minutes at 375°F (190°C), flipping halfway."}},
	{Name: "Stuffed", Servings: 2, Ingredients: lines("2 chicken breasts (200 g), halved horizontally", "4 slices ham", "100 g gruyere", "flour, egg and breadcrumbs for coating"), Steps: []string{"Layer, crumb and chill for 1 hr.", "Bake at 200C/180C fan/gas 6 for 25 minutes."}},
	{Name: "Brined", Servings: 4, Ingredients: lines("1.5 kg bone-in chicken thighs", "1 l water", "50 g salt", "2 tbsp sugar", "For the dredge:", "250 g flour", "1 tbsp cornflour", "2 tsp baking powder", "1 tsp white pepper"), Steps: []string{"Brine for 4 hours.", "Drain, dredge, rest 15 minutes on a rack and dredge again.", "Fry at 160 °C for 12 minutes, rest for 5 minutes, then at 190 °C for 3 minutes until crisp."}},
	{Name: "Mixed numbers", Servings: 3, Ingredients: lines("1-1/2 lb chicken wings", "a half cup of flour", "a quarter cup of milk", "1-½ tsp salt"), Steps: []string{"Cook at 400F for 24 minutes, shaking now and then.", "Leave to stand 2 minutes."}},
	{Name: "Tofu", Servings: 2, Ingredients: lines("280 g firm tofu, pressed, in 2 cm cubes", "2 tbsp cornstarch", "1 tbsp soy sauce", "1 tbsp sesame oil", "sriracha mayo for dipping"), Steps: []string{"Press for half an hour.", "Air fry at 195 °C for 14 min, shake every 5 min."}},
	{Name: "Ribs", Servings: 2, Ingredients: lines("800 g pork ribs", "2 tbsp brown sugar", "1 tbsp paprika", "100 ml barbecue sauce"), Steps: []string{"Rub and leave 2-3 hrs.", "Cook at 130 °C for 1 hour, lined with foil, then brush and 10 minutes at 190 °C."}},
	{Name: "Karaage", Servings: 3, Ingredients: lines("500 g boneless skin-on chicken thighs, in 4 cm pieces", "2 tbsp sake", "2 tbsp light soy sauce", "1 thumb of ginger, grated", "80 g potato starch", "1 lemon, in wedges, to serve", "Kewpie-style mayonnaise, to serve"), Steps: []string{"Marinate at least 30 minutes, up to 2 hours.", "Dust with the starch.", "Fry at 170 °C for 3 minutes, rest 3 minutes, fry again at 190 °C for 1 minute.", "Serve with lemon."}},
	{Name: "A dish of its own", Servings: 4, Ingredients: lines("8 chicken drumsticks", "2 tsp salt", "600 g sweet potato wedges", "1 tbsp oil"), Steps: []string{"Left: cook the drumsticks at 185 °C for 26 minutes.", "Right: cook the sweet potatoes at 200 °C for 18 minutes, shake after 9 minutes.", "Both: sync finish."}},
	{Name: "Calamari", Servings: 2, Ingredients: lines("300 g squid rings", "120 ml milk", "60 g semolina", "60 g flour", "½ tsp salt", "marinara sauce for dipping"), Steps: []string{"Soak in the milk for 1 hour.", "Shallow fry in 1 inch of oil at 375 F, 2-3 minutes."}},
	{Name: "Sauce alone twice", Servings: 4, Ingredients: lines("1.2 kg chicken wings", "Hot sauce:", "80 g butter", "120 ml cayenne sauce", "Garlic glaze:", "4 cloves garlic", "60 g honey", "3 tbsp soy sauce", "1 tsp cornflour", "50 ml water"), Steps: []string{"Half of the wings go in each sauce.", "Air fry at 180 °C for 12 min and 200 °C for 12 min.", "Reduce the glaze for 3 minutes.", "Melt butter, stir in the cayenne sauce."}},
	{Name: "Hardly said", Ingredients: lines("chicken", "salt and pepper", "oil"), Steps: []string{"Fry until done."}},
	{Name: "Too many", Servings: 60, Ingredients: lines("400 chicken wings", "12 kg flour"), Steps: []string{"Fry at 350 for 12 minutes."}},
	{Name: "Own crumb", Servings: 2, Ingredients: lines("4 chicken breasts, cut into strips 1/2 inch thick", "60 g plain flour", "1 egg", "80 g cornflakes, crushed", "1 tbsp oil"), Steps: []string{"Flour, egg and crumb the strips.", "Air fry at 195 °C for 14 minutes, turning once."}},
	{Name: "Own batter", Servings: 2, Ingredients: lines("500 g cod, in pieces x/y cm thick", "60 g rice flour", "40 g tapioca starch", "2 egg whites", "30 ml soda water", "1 tsp chilli flakes", "20 g sesame seeds", "20 g panko"), Steps: []string{"Dip in the whites, then the flours, then seeds and panko.", "Air fry at 200 °C for 11 minutes."}},
	{Name: "Powder alone", Servings: 2, Ingredients: lines("400 g pork belly, 2.5 cm thick slices", "20 g rice flour", "10 g five spice", "5 g salt"), Steps: []string{"Dust and air fry at 190 °C for 18 minutes."}},
	{Name: "Sauce first", Servings: 2, Ingredients: lines("700 g chicken wings", "60 g butter", "80 ml hot sauce", "1 tsp salt"), Steps: []string{"Warm the butter and the hot sauce in the oven at 90 °C for 5 minutes.", "Air fry the wings at 200 °C for 22 minutes."}},
	{Name: "Halves", Servings: 4, Ingredients: lines("4 half potatoes", "2 jacket potatoes", "1 tbsp oil", "1 tsp salt"), Steps: []string{"Air fry cut side down at 190 °C for 35 minutes."}},
	{Name: "Thick cut", Servings: 2, Ingredients: lines("2 pork chops, bone-in, 1 inch thick (about 8 oz each)", "1 tsp fennel seeds", "1 tsp salt"), Steps: []string{"Score the fat. Salt and leave uncovered overnight.", "Preheat 3 minutes, then 400F for 12-14 minutes turning once, until 145°F.", "Rest 5."}},
}

// headed puts lines under the headings among them, as they come out of a file.
func headed(all []Said) (out []Said) {
	group := ""
	for _, s := range all {
		if name, is := strings.CutSuffix(s.Text, ":"); is {
			group = name
			continue
		}
		out = append(out, Said{Text: s.Text, Group: group})
	}
	return out
}
