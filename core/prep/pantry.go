package prep

import (
	"fmt"
	"slices"
	"strings"

	"velocrustum/core/refuse"
)

// A Role is what an ingredient does in a marinade or a coat.
type Role string

const (
	Salty   Role = "salt"
	Acidic  Role = "acid"
	Milky   Role = "dairy"
	Enzyme  Role = "enzyme"
	Sweet   Role = "sugar"
	Fatty   Role = "fat"
	Starchy Role = "starch"
	Raising Role = "leavening"
	Spice   Role = "spice"
	Liquid  Role = "liquid"
	Egg     Role = "egg"
)

// An Ingredient has its density and what is in it, per 100 g.
type Ingredient struct {
	ID      string  `json:"id"`
	Name    string  `json:"name"`
	Role    Role    `json:"role"`
	Density float64 `json:"density"` // g/ml as measured by the spoon
	Each    float64 `json:"each"`    // g a piece; 0 if it is not counted
	Salt    float64 `json:"salt"`    // g per 100 g
	Sugar   float64 `json:"sugar"`
	Carb    float64 `json:"carb"` // sugar included
	Fat     float64 `json:"fat"`
	Protein float64 `json:"protein"`
	// Acid is g of acid, as citric or lactic, per 100 g.
	Acid      float64  `json:"acid"`
	Thick     bool     `json:"thick"` // clings
	Allergens []string `json:"allergens,omitempty"`
	// Price is what the household pays for 1 kg; 0 is not known.
	Price float64 `json:"price,omitempty"`
	// Instead names others that do the same.
	Instead string `json:"instead,omitempty"`
	Source  string `json:"source"`
}

const (
	fdc    = "USDA FoodData Central; density by level spoon, ±10 %"
	labels = "mean of what labels declare, ±15 %; density by level spoon, ±10 %"
)

// Ingredients of the pantry. Salts by the level teaspoon of 4.93 ml: fine
// table 6.0 g, fine sea 5.5, coarse sea 5.0, dense flake 4.8, light flake 2.8.
var ingredients = []Ingredient{
	{ID: "salt-fine", Name: "fine table salt", Role: Salty, Density: 6.0 / 4.93, Salt: 100, Source: labels},
	{ID: "salt-sea", Name: "fine sea salt", Role: Salty, Density: 5.5 / 4.93, Salt: 100, Source: labels},
	{ID: "salt-coarse", Name: "coarse sea salt", Role: Salty, Density: 5.0 / 4.93, Salt: 100, Source: labels},
	{ID: "salt-flake", Name: "dense flake salt", Role: Salty, Density: 4.8 / 4.93, Salt: 100, Source: labels},
	{ID: "salt-flake-light", Name: "light flake salt", Role: Salty, Density: 2.8 / 4.93, Salt: 100, Source: labels},
	{ID: "soy-light", Name: "light soy sauce", Role: Salty, Density: 1.17, Salt: 15, Sugar: 2, Carb: 6, Protein: 8, Allergens: []string{"soy", "wheat"}, Instead: "salt in water, 15 g to 100 ml, with a little sugar", Source: labels},
	{ID: "soy-dark", Name: "dark soy sauce", Role: Salty, Density: 1.2, Salt: 16, Sugar: 14, Carb: 22, Protein: 7, Allergens: []string{"soy", "wheat"}, Instead: "light soy sauce with a little molasses", Source: labels},
	{ID: "fish-sauce", Name: "fish sauce", Role: Salty, Density: 1.2, Salt: 24, Sugar: 3, Carb: 4, Protein: 5, Allergens: []string{"fish"}, Instead: "light soy sauce, half as much again", Source: labels},
	{ID: "oyster-style", Name: "oyster-style sauce", Role: Salty, Density: 1.25, Salt: 10, Sugar: 18, Carb: 24, Protein: 2, Thick: true, Allergens: []string{"crustaceans", "wheat", "soy"}, Instead: "light soy sauce with sugar and starch", Source: labels},
	{ID: "miso", Name: "light miso", Role: Salty, Density: 1.15, Salt: 11, Sugar: 8, Carb: 24, Fat: 5, Protein: 11, Thick: true, Allergens: []string{"soy"}, Instead: "light soy sauce with nut butter", Source: labels},
	{ID: "stock-powder", Name: "stock powder", Role: Salty, Density: 0.9, Salt: 45, Sugar: 6, Carb: 20, Fat: 8, Protein: 10, Allergens: []string{"celery"}, Source: labels},
	{ID: "buttermilk", Name: "buttermilk", Role: Milky, Density: 1.03, Salt: 0.2, Sugar: 4.8, Carb: 4.8, Fat: 1, Protein: 3.3, Acid: 0.9, Thick: true, Allergens: []string{"milk"}, Instead: "milk with 6 % lemon juice or vinegar, after 10 minutes", Source: fdc},
	{ID: "yoghurt", Name: "plain yoghurt", Role: Milky, Density: 1.04, Salt: 0.1, Sugar: 4.7, Carb: 4.7, Fat: 3.3, Protein: 3.5, Acid: 1, Thick: true, Allergens: []string{"milk"}, Instead: "buttermilk", Source: fdc},
	{ID: "milk", Name: "milk", Role: Liquid, Density: 1.03, Salt: 0.1, Sugar: 4.8, Carb: 4.8, Fat: 3.3, Protein: 3.2, Allergens: []string{"milk"}, Source: fdc},
	{ID: "lemon-juice", Name: "lemon juice", Role: Acidic, Density: 1.03, Sugar: 2.5, Carb: 6.9, Acid: 5.5, Instead: "vinegar, a little more", Source: fdc},
	{ID: "vinegar", Name: "wine vinegar", Role: Acidic, Density: 1.01, Carb: 0.3, Acid: 6, Instead: "lemon juice", Source: labels},
	{ID: "ginger", Name: "fresh ginger", Role: Enzyme, Density: 0.9, Each: 15, Sugar: 1.7, Carb: 17.8, Fat: 0.8, Protein: 1.8, Source: fdc},
	{ID: "pineapple", Name: "fresh pineapple juice", Role: Enzyme, Density: 1.05, Sugar: 10, Carb: 13, Acid: 0.8, Source: fdc},
	{ID: "sugar", Name: "sugar", Role: Sweet, Density: 0.85, Sugar: 100, Carb: 100, Source: fdc},
	{ID: "honey", Name: "honey", Role: Sweet, Density: 1.42, Sugar: 82, Carb: 82, Thick: true, Instead: "syrup", Source: fdc},
	{ID: "rice-wine", Name: "rice wine", Role: Liquid, Density: 1, Salt: 0.5, Sugar: 3, Carb: 4, Instead: "dry sherry, or stock with a little vinegar", Source: labels},
	{ID: "water", Name: "water", Role: Liquid, Density: 1, Source: fdc},
	{ID: "oil", Name: "oil", Role: Fatty, Density: 0.92, Fat: 100, Source: fdc},
	{ID: "harissa", Name: "harissa paste", Role: Spice, Density: 1.05, Salt: 3, Sugar: 6, Carb: 10, Fat: 7, Protein: 2, Thick: true, Source: labels},
	{ID: "spices", Name: "ground spices", Role: Spice, Density: 0.5, Sugar: 5, Carb: 50, Fat: 8, Protein: 10, Source: fdc},
	{ID: "garlic", Name: "garlic", Role: Spice, Density: 0.6, Each: 4, Sugar: 1, Carb: 33, Fat: 0.5, Protein: 6.4, Source: fdc},
	{ID: "mustard", Name: "mustard", Role: Spice, Density: 1.05, Salt: 5, Sugar: 3, Carb: 6, Fat: 4, Protein: 4, Acid: 1.5, Thick: true, Allergens: []string{"mustard"}, Source: labels},
	{ID: "wheat-flour", Name: "wheat flour", Role: Starchy, Density: 0.53, Sugar: 0.3, Carb: 76, Fat: 1, Protein: 10, Allergens: []string{"wheat"}, Instead: "rice flour with a fifth of starch", Source: fdc},
	{ID: "rice-flour", Name: "rice flour", Role: Starchy, Density: 0.6, Carb: 80, Fat: 1.4, Protein: 6, Source: fdc},
	{ID: "chickpea-flour", Name: "chickpea flour", Role: Starchy, Density: 0.4, Sugar: 11, Carb: 58, Fat: 6.7, Protein: 22, Source: fdc},
	{ID: "corn-starch", Name: "corn starch", Role: Starchy, Density: 0.54, Carb: 91, Protein: 0.3, Instead: "potato starch", Source: fdc},
	{ID: "potato-starch", Name: "potato starch", Role: Starchy, Density: 0.65, Carb: 83, Protein: 0.1, Instead: "corn starch", Source: fdc},
	{ID: "crumbs", Name: "dry breadcrumbs", Role: Starchy, Density: 0.45, Salt: 1.2, Sugar: 6, Carb: 72, Fat: 5, Protein: 13, Allergens: []string{"wheat", "milk"}, Source: fdc},
	{ID: "rice-crumbs", Name: "rice crumbs, gluten-free", Role: Starchy, Density: 0.42, Salt: 0.8, Sugar: 1, Carb: 83, Fat: 1, Protein: 7, Source: labels},
	{ID: "nut-crumbs", Name: "ground nuts and hard cheese", Role: Starchy, Density: 0.5, Salt: 1.5, Sugar: 3, Carb: 12, Fat: 42, Protein: 25, Allergens: []string{"nuts", "milk"}, Source: fdc},
	{ID: "egg", Name: "egg", Role: Egg, Density: 1.03, Each: 50, Salt: 0.35, Sugar: 0.4, Carb: 0.7, Fat: 9.5, Protein: 12.6, Allergens: []string{"egg"}, Source: fdc},
	{ID: "leavening", Name: "baking powder", Role: Raising, Density: 0.9, Salt: 20, Carb: 28, Instead: "none; soda alone tastes of soap", Source: labels},
}

// Ingredients returns the pantry as it ships.
func Ingredients() []Ingredient { return slices.Clone(ingredients) }

// A Pantry is the household's ingredients by id.
type Pantry map[string]Ingredient

// NewPantry returns the pantry as it ships with the household's own changes
// over it.
func NewPantry(own []Ingredient) Pantry {
	p := Pantry{}
	for _, i := range ingredients {
		p[i.ID] = i
	}
	for _, i := range own {
		p[i.ID] = i
	}
	return p
}

// Find returns an ingredient, or says which there are.
func (p Pantry) Find(id string) (Ingredient, error) {
	if i, ok := p[id]; ok {
		return i, nil
	}
	var known []string
	for id := range p {
		known = append(known, id)
	}
	slices.Sort(known)
	return Ingredient{}, fmt.Errorf("no ingredient is called %q; known are %s", id, strings.Join(known, ", "))
}

// isSalt says whether an ingredient is a salt, to be used as one.
func (i Ingredient) isSalt() bool { return i.Salt >= 90 }

// Salts returns the ids of the salts.
func (p Pantry) Salts() []string {
	out := []string{}
	for id, i := range p {
		if i.isSalt() {
			out = append(out, id)
		}
	}
	slices.Sort(out)
	return out
}

var inHundred = refuse.Range{Min: 0, Max: 100, Step: 0.1, Unit: "g in 100 g"}

// IngredientLimits are what the figures of an ingredient may be.
var IngredientLimits = refuse.Limits{
	"salt": inHundred, "sugar": inHundred, "carb": inHundred, "fat": inHundred, "protein": inHundred, "acid": inHundred,
	"density": {Min: 0.1, Max: 3, Step: 0.02, Unit: "g/ml"},
	"each":    {Min: 0, Max: 2000, Step: 1, Unit: "g a piece"},
	"price":   {Min: 0, Max: 10000, Step: 0.1, Unit: "for 1 kg"},
}

// Check returns what is wrong with an ingredient's figures as refuse.Fields,
// or nil.
func (i Ingredient) Check() error {
	var c refuse.Check
	for _, f := range [...]struct {
		field string
		v     float64
	}{{"salt", i.Salt}, {"sugar", i.Sugar}, {"carb", i.Carb}, {"fat", i.Fat}, {"protein", i.Protein}, {"acid", i.Acid},
		{"density", i.Density}, {"each", i.Each}, {"price", i.Price}} {
		c.In(IngredientLimits, f.field, f.v)
	}
	if i.Sugar > i.Carb {
		c.Add("sugar", fmt.Sprintf("%g", i.Sugar), fmt.Sprintf("up to the carbohydrate, %g g", i.Carb))
	}
	if sum := i.Salt + i.Carb + i.Fat + i.Protein + i.Acid; sum > 101 {
		c.Add("carb", fmt.Sprintf("%g g of salt, carbohydrate, fat, protein and acid together", sum), "up to 100 g in 100 g")
	}
	return c.Err()
}
