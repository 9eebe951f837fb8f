// Package larder holds the ingredients: what is in 100 g of each, what a
// spoon of it weighs, and what lies on the food when it is coated with it.
package larder

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

// A Form is how an ingredient lies on food that is coated with it.
type Form string

// What has no form is a liquid or a paste: it is a binder.
const (
	Powder Form = "powder"
	Crumb  Form = "crumb"
	Pieces Form = "pieces" // lies in a sauce, and is eaten by the piece
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
	Acid  float64 `json:"acid"`
	Thick bool    `json:"thick"` // clings
	// Body is by how many powers of ten its pulp, pectin or gums thicken the
	// water in it, as bought, read slow as it drains off a spoon (±0.4); 0 of
	// what is Thick is pasty.
	Body float64 `json:"body,omitempty"`
	Form Form    `json:"form,omitempty"`
	// SoftMin is how long what is eaten by the piece simmers until it is soft,
	// minutes, and Gives the share of it that is juice by then (±30 %).
	SoftMin   float64  `json:"softMin,omitempty"`
	Gives     float64  `json:"gives,omitempty"`
	Allergens []string `json:"allergens,omitempty"`
	// Price is what the household pays for 1 kg; 0 is not known.
	Price float64 `json:"price,omitempty"`
	// Instead names others that do the same.
	Instead string `json:"instead,omitempty"`
	Source  string `json:"source"`
}

// Softens says whether it is softened in fat before the rest of a sauce goes in.
func (i Ingredient) Softens() bool {
	return i.Form == Pieces || i.ID == "onion" || i.ID == "garlic" || i.ID == "ginger"
}

// Brushes says whether it can be brushed on.
func (i Ingredient) Brushes() bool { return i.Form == "" && i.Role != Raising }

// Binds says whether powders and crumbs hold on to it.
func (i Ingredient) Binds() bool {
	return i.Form == "" && (i.Thick || i.Role == Egg || i.Role == Fatty || i.Role == Milky || i.Role == Liquid)
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
	{ID: "oyster-style", Name: "oyster-style sauce", Role: Salty, Density: 1.25, Salt: 10, Sugar: 18, Carb: 24, Protein: 2, Thick: true, Body: 3.2, Allergens: []string{"molluscs", "wheat", "soy"}, Instead: "light soy sauce with sugar and starch", Source: labels},
	{ID: "miso", Name: "light miso", Role: Salty, Density: 1.15, Salt: 11, Sugar: 8, Carb: 24, Fat: 5, Protein: 11, Thick: true, Body: 5, Allergens: []string{"soy"}, Instead: "light soy sauce with nut butter", Source: labels},
	{ID: "stock-powder", Name: "stock powder", Role: Salty, Density: 0.9, Salt: 45, Sugar: 6, Carb: 20, Fat: 8, Protein: 10, Allergens: []string{"celery"}, Source: labels},
	{ID: "buttermilk", Name: "buttermilk", Role: Milky, Density: 1.03, Salt: 0.2, Sugar: 4.8, Carb: 4.8, Fat: 1, Protein: 3.3, Acid: 0.9, Thick: true, Body: 1.5, Allergens: []string{"milk"}, Instead: "milk with 6 % lemon juice or vinegar, after 10 minutes", Source: fdc},
	{ID: "yoghurt", Name: "plain yoghurt", Role: Milky, Density: 1.04, Salt: 0.1, Sugar: 4.7, Carb: 4.7, Fat: 3.3, Protein: 3.5, Acid: 1, Thick: true, Body: 3.2, Allergens: []string{"milk"}, Instead: "buttermilk", Source: fdc},
	{ID: "milk", Name: "milk", Role: Liquid, Density: 1.03, Salt: 0.1, Sugar: 4.8, Carb: 4.8, Fat: 3.3, Protein: 3.2, Allergens: []string{"milk"}, Source: fdc},
	{ID: "lemon-juice", Name: "lemon juice", Role: Acidic, Density: 1.03, Each: 45, Sugar: 2.5, Carb: 6.9, Acid: 5.5, Instead: "vinegar, a little more", Source: fdc},
	{ID: "vinegar", Name: "wine vinegar", Role: Acidic, Density: 1.01, Carb: 0.3, Acid: 6, Instead: "lemon juice", Source: labels},
	{ID: "ginger", Name: "fresh ginger", Role: Enzyme, Density: 0.9, Each: 15, Sugar: 1.7, Carb: 17.8, Fat: 0.8, Protein: 1.8, Body: 2, Source: fdc},
	{ID: "pineapple", Name: "fresh pineapple juice", Role: Enzyme, Density: 1.05, Sugar: 10, Carb: 13, Acid: 0.8, Source: fdc},
	{ID: "sugar", Name: "sugar", Role: Sweet, Density: 0.85, Sugar: 100, Carb: 100, Source: fdc},
	{ID: "honey", Name: "honey", Role: Sweet, Density: 1.42, Sugar: 82, Carb: 82, Thick: true, Instead: "syrup", Source: fdc},
	{ID: "rice-wine", Name: "rice wine", Role: Liquid, Density: 1, Salt: 0.5, Sugar: 3, Carb: 4, Instead: "dry sherry, or stock with a little vinegar", Source: labels},
	{ID: "water", Name: "water", Role: Liquid, Density: 1, Source: fdc},
	{ID: "oil", Name: "oil", Role: Fatty, Density: 0.92, Fat: 100, Source: fdc},
	{ID: "harissa", Name: "harissa paste", Role: Spice, Density: 1.05, Salt: 3, Sugar: 6, Carb: 10, Fat: 7, Protein: 2, Thick: true, Body: 4.2, Source: labels},
	{ID: "spices", Name: "ground spices", Role: Spice, Density: 0.5, Sugar: 5, Carb: 50, Fat: 8, Protein: 10, Body: 3, Source: fdc},
	{ID: "garlic", Name: "garlic", Role: Spice, Density: 0.6, Each: 4, Sugar: 1, Carb: 33, Fat: 0.5, Protein: 6.4, Body: 3, Source: fdc},
	{ID: "mustard", Name: "mustard", Role: Spice, Density: 1.05, Salt: 5, Sugar: 3, Carb: 6, Fat: 4, Protein: 4, Acid: 1.5, Thick: true, Body: 4.5, Allergens: []string{"mustard"}, Source: labels},
	{ID: "wheat-flour", Name: "wheat flour", Role: Starchy, Form: Powder, Density: 0.53, Sugar: 0.3, Carb: 76, Fat: 1, Protein: 10, Allergens: []string{"wheat"}, Instead: "rice flour with a fifth of starch", Source: fdc},
	{ID: "rice-flour", Name: "rice flour", Role: Starchy, Form: Powder, Density: 0.6, Carb: 80, Fat: 1.4, Protein: 6, Source: fdc},
	{ID: "chickpea-flour", Name: "chickpea flour", Role: Starchy, Form: Powder, Density: 0.4, Sugar: 11, Carb: 58, Fat: 6.7, Protein: 22, Source: fdc},
	{ID: "corn-starch", Name: "corn starch", Role: Starchy, Form: Powder, Density: 0.54, Carb: 91, Protein: 0.3, Instead: "potato starch", Source: fdc},
	{ID: "potato-starch", Name: "potato starch", Role: Starchy, Form: Powder, Density: 0.65, Carb: 83, Protein: 0.1, Instead: "corn starch", Source: fdc},
	{ID: "crumbs", Name: "dry breadcrumbs", Role: Starchy, Form: Crumb, Density: 0.45, Salt: 1.2, Sugar: 6, Carb: 72, Fat: 5, Protein: 13, Allergens: []string{"wheat", "milk"}, Source: fdc},
	{ID: "rice-crumbs", Name: "rice crumbs, gluten-free", Role: Starchy, Form: Crumb, Density: 0.42, Salt: 0.8, Sugar: 1, Carb: 83, Fat: 1, Protein: 7, Source: labels},
	{ID: "nut-crumbs", Name: "ground nuts and hard cheese", Role: Starchy, Form: Crumb, Density: 0.5, Salt: 1.5, Sugar: 3, Carb: 12, Fat: 42, Protein: 25, Allergens: []string{"nuts", "milk"}, Source: fdc},
	{ID: "rice-starch", Name: "rice starch", Role: Starchy, Form: Powder, Density: 0.55, Carb: 87, Protein: 0.5, Instead: "potato starch", Source: labels},
	{ID: "tapioca-starch", Name: "tapioca starch", Role: Starchy, Form: Powder, Density: 0.5, Carb: 88, Protein: 0.2, Instead: "potato starch", Source: labels},
	{ID: "cornmeal", Name: "fine cornmeal", Role: Starchy, Form: Powder, Density: 0.6, Sugar: 1, Carb: 77, Fat: 2, Protein: 7, Instead: "semolina", Source: fdc},
	{ID: "semolina", Name: "semolina", Role: Starchy, Form: Powder, Density: 0.68, Sugar: 1, Carb: 73, Fat: 1, Protein: 12.5, Allergens: []string{"wheat"}, Instead: "fine cornmeal", Source: fdc},
	{ID: "coarse-crumbs", Name: "coarse white crumbs", Role: Starchy, Form: Crumb, Density: 0.25, Salt: 1, Sugar: 5, Carb: 75, Fat: 2.5, Protein: 12, Allergens: []string{"wheat"}, Source: labels},
	{ID: "cornflakes", Name: "crushed cornflakes", Role: Starchy, Form: Crumb, Density: 0.35, Salt: 1.5, Sugar: 8, Carb: 84, Fat: 0.9, Protein: 7, Allergens: []string{"barley"}, Source: fdc},
	{ID: "crackling", Name: "crushed pork crackling", Role: Fatty, Form: Crumb, Density: 0.3, Salt: 3, Fat: 34, Protein: 58, Source: fdc},
	{ID: "coconut", Name: "desiccated coconut", Role: Fatty, Form: Crumb, Density: 0.36, Sugar: 7, Carb: 24, Fat: 64, Protein: 7, Source: fdc},
	{ID: "coconut-sweet", Name: "sweetened coconut", Role: Sweet, Form: Crumb, Density: 0.38, Salt: 0.7, Sugar: 43, Carb: 48, Fat: 34, Protein: 3, Source: fdc},
	{ID: "almonds", Name: "ground almonds", Role: Fatty, Form: Crumb, Density: 0.42, Sugar: 4, Carb: 20, Fat: 50, Protein: 21, Allergens: []string{"nuts"}, Source: fdc},
	{ID: "peanuts", Name: "ground peanuts", Role: Fatty, Form: Crumb, Density: 0.5, Sugar: 4.5, Carb: 18, Fat: 49, Protein: 25, Allergens: []string{"peanuts"}, Source: fdc},
	{ID: "hard-cheese", Name: "grated hard cheese", Role: Fatty, Form: Crumb, Density: 0.4, Salt: 2.5, Carb: 3, Fat: 29, Protein: 35, Allergens: []string{"milk"}, Source: fdc},
	{ID: "sesame", Name: "sesame seeds", Role: Fatty, Form: Crumb, Density: 0.6, Carb: 23, Fat: 50, Protein: 18, Allergens: []string{"sesame"}, Source: fdc},
	{ID: "sesame-oil", Name: "sesame oil", Role: Fatty, Density: 0.92, Fat: 100, Allergens: []string{"sesame"}, Instead: "oil", Source: fdc},
	{ID: "butter", Name: "butter", Role: Fatty, Density: 0.96, Each: 113, Salt: 1.5, Carb: 0.1, Fat: 81, Protein: 0.9, Thick: true, Body: 0.5, Allergens: []string{"milk"}, Instead: "oil, four fifths", Source: fdc},
	{ID: "mayonnaise", Name: "mayonnaise", Role: Fatty, Density: 0.93, Salt: 1.5, Sugar: 1, Carb: 1.5, Fat: 75, Protein: 1, Acid: 0.3, Thick: true, Body: 1.7, Allergens: []string{"egg", "mustard"}, Source: fdc},
	{ID: "coconut-milk", Name: "coconut milk", Role: Liquid, Density: 0.97, Sugar: 3, Carb: 5, Fat: 20, Protein: 2, Body: 1, Source: fdc},
	{ID: "lime-juice", Name: "lime juice", Role: Acidic, Density: 1.03, Each: 30, Sugar: 1.7, Carb: 8.4, Acid: 6, Instead: "lemon juice", Source: fdc},
	{ID: "orange-juice", Name: "orange juice", Role: Acidic, Density: 1.04, Each: 80, Sugar: 8.4, Carb: 10.4, Protein: 0.7, Acid: 1, Source: fdc},
	{ID: "rice-vinegar", Name: "rice vinegar", Role: Acidic, Density: 1.01, Carb: 0.5, Acid: 4.5, Instead: "wine vinegar with a little water", Source: labels},
	{ID: "sugar-brown", Name: "brown sugar", Role: Sweet, Density: 0.9, Sugar: 97, Carb: 98, Instead: "sugar with a little molasses", Source: fdc},
	{ID: "maple", Name: "maple syrup", Role: Sweet, Density: 1.32, Sugar: 60, Carb: 67, Instead: "honey with a little water", Source: fdc},
	{ID: "jam", Name: "fruit jam", Role: Sweet, Density: 1.3, Sugar: 49, Carb: 69, Acid: 0.5, Thick: true, Body: 3.2, Source: fdc},
	{ID: "ketchup", Name: "tomato ketchup", Role: Sweet, Density: 1.13, Salt: 2.3, Sugar: 21, Carb: 27, Protein: 1, Acid: 1.2, Thick: true, Body: 3.8, Source: fdc},
	{ID: "barbecue", Name: "barbecue sauce", Role: Sweet, Density: 1.15, Salt: 2.5, Sugar: 33, Carb: 41, Fat: 0.6, Protein: 0.8, Acid: 1, Thick: true, Body: 3.5, Allergens: []string{"mustard"}, Source: labels},
	{ID: "sweet-chilli", Name: "sweet chilli sauce", Role: Sweet, Density: 1.2, Salt: 2, Sugar: 45, Carb: 50, Acid: 0.8, Thick: true, Body: 2.9, Source: labels},
	{ID: "teriyaki-style", Name: "teriyaki-style sauce", Role: Salty, Density: 1.2, Salt: 7, Sugar: 28, Carb: 33, Protein: 3, Thick: true, Body: 2.3, Allergens: []string{"soy", "wheat"}, Source: labels},
	{ID: "hoisin-style", Name: "hoisin-style sauce", Role: Sweet, Density: 1.25, Salt: 4, Sugar: 35, Carb: 44, Fat: 3, Protein: 3, Thick: true, Body: 4, Allergens: []string{"soy", "wheat", "sesame"}, Source: labels},
	{ID: "worcester-style", Name: "Worcester-style sauce", Role: Salty, Density: 1.12, Salt: 3.3, Sugar: 10, Carb: 19, Acid: 2, Body: 0.3, Allergens: []string{"fish", "barley"}, Source: labels},
	{ID: "hot-sauce", Name: "hot sauce", Role: Acidic, Density: 1.03, Salt: 6.5, Sugar: 0.5, Carb: 1.5, Fat: 0.4, Protein: 0.5, Acid: 3.5, Body: 1.2, Source: labels},
	{ID: "prawn-paste", Name: "prawn paste", Role: Salty, Density: 1.15, Salt: 25, Sugar: 1, Carb: 4, Fat: 2, Protein: 22, Thick: true, Body: 5, Allergens: []string{"crustaceans"}, Instead: "fish sauce", Source: labels},
	{ID: "curry-paste", Name: "curry paste", Role: Spice, Density: 1.05, Salt: 5, Sugar: 4, Carb: 12, Fat: 8, Protein: 3, Thick: true, Body: 4.8, Allergens: []string{"crustaceans"}, Source: labels},
	{ID: "chilli-paste", Name: "fermented chilli paste", Role: Spice, Density: 1.2, Salt: 7, Sugar: 20, Carb: 42, Fat: 2, Protein: 5, Thick: true, Body: 4.2, Allergens: []string{"soy", "wheat"}, Source: labels},
	{ID: "tomato-paste", Name: "tomato paste", Role: Spice, Density: 1.1, Salt: 0.3, Sugar: 12, Carb: 19, Protein: 4, Acid: 1, Thick: true, Body: 5.5, Source: fdc},
	{ID: "onion", Name: "onion", Role: Spice, Density: 0.65, Each: 110, Sugar: 4.2, Carb: 9.3, Protein: 1.1, Body: 1.5, Source: fdc},
	{ID: "herbs", Name: "chopped fresh herbs", Role: Spice, Density: 0.2, Carb: 6, Fat: 0.8, Protein: 3, Body: 2, Source: fdc},
	{ID: "soda", Name: "baking soda", Role: Raising, Density: 0.93, Salt: 0, Instead: "baking powder, three times as much", Source: labels},
	{ID: "egg", Name: "egg", Role: Egg, Density: 1.03, Each: 50, Salt: 0.35, Sugar: 0.4, Carb: 0.7, Fat: 9.5, Protein: 12.6, Body: 1.5, Allergens: []string{"egg"}, Source: fdc},
	{ID: "egg-white", Name: "egg white", Role: Egg, Density: 1.04, Each: 33, Salt: 0.42, Sugar: 0.7, Carb: 0.7, Fat: 0.2, Protein: 10.9, Body: 1.3, Allergens: []string{"egg"}, Instead: "egg", Source: fdc},
	{ID: "egg-yolk", Name: "egg yolk", Role: Egg, Density: 1.03, Each: 17, Salt: 0.12, Sugar: 0.6, Carb: 3.6, Fat: 26.5, Protein: 15.9, Thick: true, Body: 1.9, Allergens: []string{"egg"}, Instead: "egg", Source: fdc},
	{ID: "cream", Name: "double cream", Role: Liquid, Density: 1, Sugar: 2.8, Carb: 2.8, Fat: 40, Protein: 2, Body: 0.7, Allergens: []string{"milk"}, Instead: "coconut milk", Source: fdc},
	{ID: "stock", Name: "stock, unsalted", Role: Liquid, Density: 1, Salt: 0.1, Carb: 0.4, Protein: 1.5, Instead: "water", Source: labels},
	{ID: "apple-juice", Name: "apple juice", Role: Liquid, Density: 1.04, Sugar: 10, Carb: 11, Acid: 0.5, Instead: "orange juice", Source: fdc},
	{ID: "pineapple-pieces", Name: "pineapple in pieces", Role: Sweet, Form: Pieces, SoftMin: 4, Gives: 0.15, Density: 0.7, Sugar: 10, Carb: 13, Protein: 0.5, Acid: 0.8, Source: fdc},
	{ID: "plums", Name: "plums, stoned", Role: Sweet, Density: 0.7, Each: 60, Sugar: 10, Carb: 11, Protein: 0.7, Acid: 1.5, Body: 2.6, Instead: "plum jam, a third", Source: fdc},
	{ID: "sweet-pepper", Name: "sweet pepper in pieces", Role: Spice, Form: Pieces, SoftMin: 6, Gives: 0.12, Density: 0.5, Each: 150, Sugar: 4.2, Carb: 6, Protein: 1, Source: fdc},
	{ID: "onion-pieces", Name: "onion in pieces", Role: Spice, Form: Pieces, SoftMin: 8, Gives: 0.20, Density: 0.55, Each: 110, Sugar: 4.2, Carb: 9.3, Protein: 1.1, Source: fdc},
	{ID: "tomato", Name: "fresh tomato in pieces", Role: Spice, Form: Pieces, SoftMin: 6, Gives: 0.50, Density: 0.75, Each: 110, Sugar: 2.6, Carb: 3.9, Fat: 0.2, Protein: 0.9, Acid: 0.5, Source: fdc},
	{ID: "carrot-pieces", Name: "carrot in pieces", Role: Spice, Form: Pieces, SoftMin: 12, Gives: 0.06, Density: 0.55, Each: 70, Sugar: 4.7, Carb: 9.6, Fat: 0.2, Protein: 0.9, Source: fdc},
	{ID: "mango-pieces", Name: "mango in pieces", Role: Sweet, Form: Pieces, SoftMin: 3, Gives: 0.15, Density: 0.7, Each: 200, Sugar: 13.7, Carb: 15, Fat: 0.4, Protein: 0.8, Acid: 0.3, Source: fdc},
	{ID: "rice", Name: "rice, dry", Role: Starchy, Form: Pieces, Density: 0.85, Carb: 79, Fat: 0.6, Protein: 7, Source: fdc},
	{ID: "noodles", Name: "noodles, dry", Role: Starchy, Form: Pieces, Density: 0.4, Sugar: 2, Carb: 71, Fat: 4.4, Protein: 14, Allergens: []string{"wheat", "egg"}, Source: fdc},
	{ID: "gherkins", Name: "chopped gherkins", Role: Spice, Form: Pieces, Density: 0.6, Salt: 2, Sugar: 3, Carb: 4, Protein: 0.5, Acid: 0.7, Source: labels},
	{ID: "tahini", Name: "tahini", Role: Fatty, Density: 1, Salt: 0.1, Sugar: 0.5, Carb: 17, Fat: 54, Protein: 20, Thick: true, Body: 3.6, Allergens: []string{"sesame"}, Instead: "ground peanuts with a little oil", Source: fdc},
	{ID: "tamarind", Name: "tamarind paste", Role: Acidic, Density: 1.15, Salt: 1, Sugar: 30, Carb: 45, Protein: 2, Acid: 9, Thick: true, Body: 4, Instead: "lime juice with brown sugar", Source: labels},
	{ID: "chilli-flakes", Name: "chilli flakes", Role: Spice, Density: 0.35, Sugar: 10, Carb: 50, Fat: 17, Protein: 12, Body: 1.5, Source: fdc},
	{ID: "paprika", Name: "sweet paprika", Role: Spice, Density: 0.46, Sugar: 10, Carb: 54, Fat: 13, Protein: 14, Body: 3, Source: fdc},
	{ID: "garlic-powder", Name: "garlic powder", Role: Spice, Density: 0.65, Sugar: 2.4, Carb: 73, Fat: 0.7, Protein: 16.5, Body: 4, Source: fdc},
	{ID: "lemon-zest", Name: "grated lemon zest", Role: Spice, Density: 0.4, Sugar: 4, Carb: 16, Fat: 0.3, Protein: 1.5, Source: fdc},
	{ID: "celery-salt", Name: "celery salt", Role: Salty, Density: 1, Salt: 80, Carb: 8, Protein: 2, Allergens: []string{"celery"}, Source: labels},
	{ID: "leavening", Name: "baking powder", Role: Raising, Density: 0.9, Salt: 20, Carb: 28, Instead: "none; soda alone tastes of soap", Source: labels},
}

// Ingredients returns all that ship.
func Ingredients() []Ingredient { return slices.Clone(ingredients) }

// Shelf finds an ingredient as it ships.
func Shelf(id string) (Ingredient, error) {
	for _, i := range ingredients {
		if i.ID == id {
			return i, nil
		}
	}
	return Ingredient{}, fmt.Errorf("no ingredient is called %q", id)
}

// pieceNames are what pieces of an ingredient are called beside its own name.
var pieceNames = map[string][]string{"garlic": {"clove"}, "butter": {"stick"}, "lemon-juice": {"lemon"}, "lime-juice": {"lime"}, "orange-juice": {"orange"}, "ginger": {"thumb", "inch"}}

// Counts are what pieces of it may be called: its own name in one, and others.
func (i Ingredient) Counts() []string {
	if i.Each == 0 {
		return nil
	}
	return append(strings.Fields(strings.ToLower(i.Name)), pieceNames[i.ID]...)
}

// Water is what of 100 g is water. In what is dry the rest that no label
// names is fibre and ash, beyond what such a thing holds.
func (i Ingredient) Water() float64 {
	rest := max(0, 100-i.Salt-i.Carb-i.Protein-i.Acid-i.Fat)
	switch {
	case i.Role == Raising:
		return 5
	case i.Form == Powder:
		return min(rest, 13)
	case i.Form == Crumb:
		return min(rest, 8)
	}
	return rest
}

// pasty is the body of what clings and of which no more is known.
const pasty = 3.3

// Stiffness is its body, or what its thickness stands for.
func (i Ingredient) Stiffness() float64 {
	if i.Body == 0 && i.Thick && i.Fat < 80 && i.Sugar < 80 {
		return pasty
	}
	return i.Body
}

// IsSalt says whether an ingredient is a salt, to be used as one.
func (i Ingredient) IsSalt() bool { return i.Salt >= 90 }

var inHundred = refuse.Range{Min: 0, Max: 100, Step: 0.1, Unit: "g in 100 g"}

// Limits are what the figures of an ingredient may be.
var Limits = refuse.Limits{
	"salt": inHundred, "sugar": inHundred, "carb": inHundred, "fat": inHundred, "protein": inHundred, "acid": inHundred,
	"density": {Min: 0.1, Max: 3, Step: 0.02, Unit: "g/ml"},
	"each":    {Min: 0, Max: 2000, Step: 1, Unit: "g a piece"},
	"price":   {Min: 0, Max: 10000, Step: 0.1, Unit: "for 1 kg"},
	"softMin": {Min: 0, Max: 60, Step: 1, Unit: "minutes"},
	"gives":   {Min: 0, Max: 0.9, Step: 0.05, Unit: "of it"},
}

// Check returns what is wrong with an ingredient's figures as refuse.Fields,
// or nil.
func (i Ingredient) Check() error {
	var c refuse.Check
	for _, f := range [...]struct {
		field string
		v     float64
	}{{"salt", i.Salt}, {"sugar", i.Sugar}, {"carb", i.Carb}, {"fat", i.Fat}, {"protein", i.Protein}, {"acid", i.Acid},
		{"density", i.Density}, {"each", i.Each}, {"price", i.Price}, {"softMin", i.SoftMin}, {"gives", i.Gives}} {
		c.In(Limits, f.field, f.v)
	}
	if i.Sugar > i.Carb {
		c.Add("sugar", fmt.Sprintf("%g", i.Sugar), fmt.Sprintf("up to the carbohydrate, %g g", i.Carb))
	}
	if sum := i.Salt + i.Carb + i.Fat + i.Protein + i.Acid; sum > 101 {
		c.Add("carb", fmt.Sprintf("%g g of salt, carbohydrate, fat, protein and acid together", sum), "up to 100 g in 100 g")
	}
	return c.Err()
}
