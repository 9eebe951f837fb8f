package recipe

import (
	"testing"

	"velocrustum/core/refuse/goldentest"
)

// What is understood of recipes as they are written is as it was read.
func TestRecipesAreUnderstoodAsTheyWereRead(t *testing.T) {
	t.Parallel()
	var f goldentest.File
	for _, text := range []Text{
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
	} {
		f.Add(t, text.Name, read(t, text))
	}
	f.Same(t, "recipes.txt")
}
