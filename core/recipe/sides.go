package recipe

import (
	"fmt"
	"regexp"
	"slices"
	"strings"

	"velocrustum/core/units"
)

// # What is eaten beside
//
// A slaw in a recipe for wings has ingredients, steps and waits of its own. None of
// them is the dish's: they are kept together, as they stood, for a supper.

// Side is something eaten beside: what it takes and what is done, as it stood.
type Side struct {
	Name  string   `json:"name"`
	Buys  []string `json:"buys"`
	Steps []string `json:"steps"`
}

// sideGroup is a heading of what is eaten beside.
var sideGroup = regexp.MustCompile(`(?i)\b(?:slaw|coleslaw|salad|mash|pickles?|couscous|greens|vegetables|veg)\b`)

// asides are the lines of sides, by number, ingredients before steps, with the number
// of their side.
func (r *reader) asides(t Text) map[int]int {
	of := map[int]int{}
	var called []string // of each side, words that name it
	at := func(name string) int {
		for i, s := range r.out.Sides {
			if s.Name == name {
				return i
			}
		}
		r.out.Sides = append(r.out.Sides, Side{Name: name, Buys: []string{}, Steps: []string{}})
		called = append(called, "")
		return len(r.out.Sides) - 1
	}
	for n, s := range t.Ingredients {
		name := ""
		switch f := r.fix(n); {
		case f.As == AsSide:
			name = s.Text
			if cut, _, ok := r.cutIn(plain(s.Text)); ok {
				name = cut.Plural
			}
		case f.As == "" && f.Cut == "" && sideGroup.MatchString(s.Group):
			name = strings.ToLower(s.Group)
			for _, before := range []string{"for the ", "for "} {
				name = strings.TrimPrefix(name, before)
			}
		default:
			continue
		}
		name = units.Capital(name)
		i := at(name)
		of[n] = i
		r.out.Sides[i].Buys = append(r.out.Sides[i].Buys, s.Text)
		called[i] += " " + plain(s.Text) + plain(name)
	}
	if len(of) == 0 {
		return of
	}
	mine := ""
	for n, s := range t.Ingredients {
		if _, side := of[n]; !side {
			mine += " " + s.Text
		}
	}
	for k, step := range t.Steps {
		p := plain(step)
		for i := range r.out.Sides {
			// It names what only the side has, and nothing that the dish has.
			theirs := slices.ContainsFunc(strings.Fields(called[i]), func(w string) bool {
				return !idleOf(keyOf(w)) && named(p, w) && !named(plain(mine), w)
			})
			if theirs && !namesAny(p, mine) {
				of[len(t.Ingredients)+k] = i
				r.out.Sides[i].Steps = append(r.out.Sides[i].Steps, step)
				break
			}
		}
	}
	return of
}

// namesAny says whether a text names an ingredient of some lines that matters.
func namesAny(text, lines string) bool {
	return slices.ContainsFunc(strings.Fields(plain(lines)), func(w string) bool {
		return !idleOf(keyOf(w)) && !readied[keyOf(w)] && named(text, w)
	})
}

// aside is a line of a side.
func (r *reader) aside(text, group string, step bool, side int) Line {
	return Line{Text: text, Group: group, Step: step, As: AsSide, Understood: true, Says: fmt.Sprintf("Of the %s: eaten beside, and no part of the dish.", strings.ToLower(r.out.Sides[side].Name))}
}
