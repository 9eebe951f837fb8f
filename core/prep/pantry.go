package prep

import (
	"fmt"
	"slices"
	"strings"

	"velocrustum/core/larder"
)

// Ingredient is what the pantry is made of.
type Ingredient = larder.Ingredient

// Ingredients returns the pantry as it ships.
func Ingredients() []Ingredient { return larder.Ingredients() }

// A Pantry is the household's ingredients by id.
type Pantry map[string]Ingredient

// NewPantry returns the pantry as it ships with the household's own changes
// over it.
func NewPantry(own []Ingredient) Pantry {
	p := Pantry{}
	for _, i := range larder.Ingredients() {
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

// Salts returns the ids of the salts.
func (p Pantry) Salts() []string {
	out := []string{}
	for id, i := range p {
		if i.IsSalt() {
			out = append(out, id)
		}
	}
	slices.Sort(out)
	return out
}
