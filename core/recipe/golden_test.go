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
	} {
		f.Add(t, text.Name, read(t, text))
	}
	f.Same(t, "recipes.txt")
}
