package recipe

import (
	"slices"
	"strings"

	"velocrustum/core/larder"
	"velocrustum/core/prep"
)

// Unknown is something that the pantry does not have, as an ingredient of the
// household's own that waits for its figures.
type Unknown struct {
	Line       int               `json:"line"`
	Ingredient larder.Ingredient `json:"ingredient"`
	// Missing is what its label has to say; until then it counts as none.
	Missing []string `json:"missing"`
}

// byWord says what something is there for by a word of its name, the first that
// fits.
var byWord = []struct {
	role  larder.Role
	words []string
}{
	{larder.Acidic, []string{"vinegar", "juice", "lime", "lemon", "verjuice", "tamarind"}},
	{larder.Sweet, []string{"sugar", "syrup", "honey", "jam", "marmalade", "jelly", "molasses", "treacle", "agave", "nectar", "preserve"}},
	{larder.Fatty, []string{"oil", "butter", "ghee", "lard", "dripping", "mayonnaise", "tahini"}},
	{larder.Milky, []string{"milk", "cream", "yogurt", "yoghurt", "kefir", "cheese", "labneh"}},
	{larder.Starchy, []string{"flour", "starch", "crumb", "breadcrumb", "cracker", "cornflake", "meal", "semolina", "polenta", "panko", "crisp", "cereal"}},
	{larder.Raising, []string{"soda", "leavening"}},
	{larder.Egg, []string{"egg"}},
	{larder.Salty, []string{"salt", "soy", "sauce", "bouillon", "msg", "anchovy", "brine"}},
	{larder.Liquid, []string{"water", "stock", "broth", "wine", "beer", "cider", "sake", "rum", "whisky", "bourbon", "tea", "coffee", "cola"}},
}

// unknown is something that is called so as an own ingredient. What it is there
// for is guessed by its name, and what a spoon of it weighs by what else is
// there for that; the cook sees both.
func unknown(line int, name, amount string, counted bool, p prep.Pantry) Unknown {
	i := larder.Ingredient{Name: name, Role: larder.Spice}
	words := plain(name)
	for _, w := range byWord {
		if slices.ContainsFunc(w.words, func(word string) bool { return says(words, word) }) {
			i.Role = w.role
			break
		}
	}
	var like []float64
	for _, other := range p {
		if other.Role == i.Role {
			like = append(like, other.Density)
		}
	}
	slices.Sort(like)
	if i.Density = 1; len(like) > 0 {
		i.Density = like[len(like)/2]
	}
	id := "own-" + strings.Trim(strings.Join(strings.FieldsFunc(strings.ToLower(name), func(r rune) bool { return (r < 'a' || r > 'z') && (r < '0' || r > '9') }), "-"), "-")
	if len(id) > 28 {
		id = strings.Trim(id[:28], "-")
	}
	i.ID = id
	for n := 'b'; p[i.ID].Name != ""; n++ {
		i.ID = id + "-" + string(n)
	}
	u := Unknown{line, i, []string{"salt", "sugar", "carbohydrate", "fat", "protein", "acid"}}
	if amount != "" && counted {
		u.Missing = append(u.Missing, "what one weighs")
	}
	return u
}
