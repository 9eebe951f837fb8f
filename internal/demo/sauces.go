package demo

import (
	"velocrustum/core/larder"
	"velocrustum/core/pan"
	"velocrustum/core/prep"
)

// of reads a recipe: names and grams in turn.
func of(list ...any) (out []larder.Item) {
	for i := 0; i+1 < len(list); i += 2 {
		out = append(out, larder.Item{Ingredient: list[i].(string), G: list[i+1].(float64)})
	}
	return out
}

var (
	harissaGlaze = pan.Sauce{School: pan.Reduce, WidthCm: 14, ClingsG: 8, Items: of("honey", 60.0, "harissa", 25.0, "lemon-juice", 20.0, "water", 40.0, "salt-fine", 1.0)}
	wideGlaze    = pan.Sauce{School: pan.Reduce, WidthCm: 20, ClingsG: 7, Items: harissaGlaze.Items}
	plumGinger   = pan.Sauce{School: pan.Reduce, WidthCm: 20, ClingsG: 10, First: []string{"ginger"},
		Items: of("plums", 240.0, "ginger", 12.0, "oil", 5.0, "sugar-brown", 30.0, "rice-vinegar", 20.0, "soy-light", 12.0, "water", 60.0)}
	mustardDill  = pan.Sauce{School: pan.Mix, Items: of("mustard", 30.0, "honey", 20.0, "yoghurt", 40.0, "herbs", 4.0)}
	sweetAndSour = pan.Sauce{School: pan.Thicken, Heat: "simmer", WidthCm: 24, ClingsG: 8, Starch: "potato-starch", First: []string{"onion-pieces", "sweet-pepper"},
		Items: of("onion-pieces", 80.0, "sweet-pepper", 100.0, "oil", 8.0, "pineapple-pieces", 150.0, "ketchup", 50.0, "rice-vinegar", 40.0, "sugar", 40.0, "water", 120.0, "salt-fine", 2.0)}
	soyHoney = pan.Sauce{School: pan.Thicken, WidthCm: 18, ClingsG: 8, Starch: "corn-starch", First: []string{"garlic"},
		Items: of("garlic", 8.0, "oil", 3.0, "soy-light", 40.0, "honey", 60.0, "rice-vinegar", 8.0, "water", 70.0)}
	ketchupSoy = pan.Sauce{School: pan.Reduce, WidthCm: 14, ClingsG: 12, Items: of("ketchup", 90.0, "soy-light", 20.0, "sugar-brown", 25.0, "vinegar", 15.0, "water", 40.0)}
	hotButter  = pan.Sauce{School: pan.Melt, WidthCm: 14, ClingsG: 4, Items: of("butter", 60.0, "hot-sauce", 60.0, "honey", 5.0)}
)

// sauces of the household, of every kind.
var sauces = []pan.Own{
	{Name: "Honey-harissa glaze", Sauce: harissaGlaze},
	{Name: "Brown butter with hot pepper", Sauce: hotButter},
	{Name: "Plum and ginger", Sauce: plumGinger},
	{Name: "Mustard-dill dip", Sauce: mustardDill},
	{Name: "Soy, honey and garlic", Sauce: soyHoney},
	{Name: "Sweet and sour with pineapple", Sauce: sweetAndSour},
	{Name: "Jam and chilli", Sauce: pan.Sauce{School: pan.Loosen, WidthCm: 16, ClingsG: 12, Items: of("jam", 90.0, "honey", 20.0, "chilli-flakes", 1.5, "vinegar", 10.0, "salt-fine", 1.5)}},
	{Name: "Ketchup, soy and brown sugar", Sauce: ketchupSoy},
	{Name: "Orange and caraway", Sauce: pan.Sauce{School: pan.Thicken, WidthCm: 20, ClingsG: 6, Starch: "potato-starch", Items: of("orange-juice", 150.0, "stock", 60.0, "honey", 15.0, "spices", 2.0, "salt-fine", 1.5)}},
	{Name: "Tahini and lemon", Sauce: pan.Sauce{School: pan.Mix, Items: of("tahini", 50.0, "lemon-juice", 15.0, "water", 30.0, "garlic", 3.0, "salt-fine", 1.2)}},
	{Name: "Gherkin mayonnaise", Sauce: pan.Sauce{School: pan.Mix, Items: of("mayonnaise", 70.0, "gherkins", 25.0, "mustard", 5.0, "herbs", 2.0)}},
	{Name: "Cream gravy", Sauce: pan.Sauce{School: pan.Thicken, WidthCm: 20, ClingsG: 6, Starch: "wheat-flour", Items: of("stock", 160.0, "cream", 40.0, "spices", 1.0, "salt-fine", 2.0)}},
}

var (
	sumacSalt  = prep.Mix{Name: "Sumac and thyme salt", GPerKg: 8, JarG: 70, Items: of("spices", 30.0, "salt-sea", 10.0)}
	fennelSalt = prep.Mix{Name: "Fennel salt", GPerKg: 6, JarG: 40, Items: of("spices", 20.0, "salt-flake", 10.0)}
)

// mixes stand in jars.
var mixes = []prep.Mix{
	sumacSalt, fennelSalt,
	{Name: "Paprika and garlic", GPerKg: 12, JarG: 90, Items: of("paprika", 30.0, "garlic-powder", 14.0, "salt-fine", 12.0, "sugar-brown", 6.0)},
}

// twoOver are two sauces over one batch, each on half of it.
var twoOver = []pan.Serving{
	{Name: "Plum and ginger", Sauce: plumGinger, How: pan.Up, Share: 0.5},
	{Name: "Ketchup, soy and brown sugar", Sauce: ketchupSoy, How: pan.Brush, Share: 0.5},
}

// with serves a sauce of the household.
func with(name string, s pan.Sauce, how string, atTable bool) []pan.Serving {
	return []pan.Serving{{Name: name, Sauce: s, How: how, AtTable: atTable}}
}

// onRice is a sauce that is ladled over, on rice.
func onRice(name string, s pan.Sauce) []pan.Serving {
	return []pan.Serving{{Name: name, Sauce: s, How: pan.Ladle, Grain: pan.Rice}}
}
