package recipe

import (
	"regexp"
	"slices"
	"strings"

	"velocrustum/core/food"
	"velocrustum/core/prep"
	"velocrustum/core/units"
)

// # Two drawers
//
// A recipe that runs one food in drawer 1 and another in drawer 2 is two dishes:
// each has the steps of its drawer, those that name none, and the ingredients
// that its steps name. What no step names goes with the first.

// inDrawerN finds a drawer by its number or its side. "The second basket" may be
// the next batch, and is none.
var inDrawerN = regexp.MustCompile(`(?i)\b(?:drawer|zone|compartment)s?\s*(?:no\.?\s*|#\s*)?(1|2|one|two|a|b)\b|\b(first|second|left|right)(?:-hand)?(?: side)? (?:drawer|zone|compartment)\b|\b(left|right)(?:-hand)? basket\b`)

// drawerOf is which of two drawers a match of inDrawerN is, from 0.
func drawerOf(match []string) int {
	switch strings.ToLower(strings.Join(match[1:], "")) {
	case "2", "two", "b", "second", "right":
		return 1
	}
	return 0
}

// A halved recipe is what each of two drawers has of a text, by lines: the
// ingredients, then the steps.
type halved struct {
	text Text // with one drawer a step
	of   []int
	own  bool // the second is a dish of its own, and in no drawer
}

// inBoth is where a line belongs that is of both, beside 0 and 1.
const inBoth = 2

// apart splits off what the cook says is a dish of its own: its lines, and the steps that
// name nothing else.
func apart(t Text, fixes []Fix) (h halved, ok bool) {
	h = halved{text: t, own: true}
	var words [2]string
	for n, s := range t.Ingredients {
		at := 0
		if slices.ContainsFunc(fixes, func(f Fix) bool { return f.Line == n && f.As == AsDish }) {
			at, ok = 1, true
		}
		h.of = append(h.of, at)
		words[at] += " " + s.Text
	}
	for _, step := range t.Steps {
		p, at := plain(step), inBoth
		switch mine, theirs := namesAny(p, words[0]), namesAny(p, words[1]); {
		case theirs && !mine:
			at = 1
		case mine && !theirs:
			at = 0
		}
		h.of = append(h.of, at)
	}
	return h, ok
}

// halve splits a recipe of two drawers; not ok where it is of one.
func halve(t Text) (h halved, ok bool) {
	h.text = t
	h.text.Steps = nil
	var found [2]bool
	var words [2]string
	for _, step := range t.Steps {
		for _, part := range byDrawer(step) {
			at := inBoth
			if m := inDrawerN.FindStringSubmatch(part); m != nil {
				at = drawerOf(m)
				found[at] = true
				words[at] += plain(part)
			}
			h.text.Steps = append(h.text.Steps, part)
			h.of = append(h.of, at)
		}
	}
	if !found[0] || !found[1] {
		return halved{}, false
	}
	of := make([]int, 0, len(t.Ingredients)+len(h.of))
	for _, s := range t.Ingredients {
		at := 0
		if named(words[1], s.Text) && !named(words[0], s.Text) {
			at = 1
		}
		of = append(of, at)
	}
	h.of = append(of, h.of...)
	return h, true
}

// byDrawer cuts a step where it goes on to the other drawer.
func byDrawer(step string) (out []string) {
	places := inDrawerN.FindAllStringSubmatchIndex(step, -1)
	from := 0
	for k := 1; k < len(places); k++ {
		between := step[places[k-1][1]:places[k][0]]
		cut := -1
		for _, sep := range []string{". ", "; ", ", and ", " and ", ", "} {
			if i := strings.LastIndex(between, sep); i >= 0 {
				cut = places[k-1][1] + i + len(sep)
				break
			}
		}
		if cut < 0 || drawerOf(inDrawerN.FindStringSubmatch(step[places[k-1][0]:])) == drawerOf(inDrawerN.FindStringSubmatch(step[places[k][0]:])) {
			continue
		}
		out = append(out, strings.TrimRight(strings.TrimSpace(step[from:cut]), ";,"))
		from = cut
	}
	return append(out, strings.TrimSpace(step[from:]))
}

// named says whether a step's plain words name what a line has.
func named(words, line string) bool {
	return slices.ContainsFunc(strings.Fields(plain(line)), func(w string) bool {
		w = strings.TrimSuffix(w, "s")
		return len(w) > 3 && (strings.Contains(words, " "+w+" ") || strings.Contains(words, " "+w+"s ") || strings.Contains(words, " "+w+"es "))
	})
}

// UnderstandDrawers is Understand of a recipe that may be of two drawers, or have a dish
// of its own in it: then other is the second, and the lines of the first are those of both.
func UnderstandDrawers(t Text, fixes []Fix, p prep.Pantry, say units.Household) (u Understood, other *Understood) {
	h, ok := halve(t)
	if !ok {
		h, ok = apart(t, fixes)
	}
	if !ok {
		return Understand(t, fixes, p, say), nil
	}
	var each [2]Understood
	var lines [2][]int // of each, where they stand in the whole
	n := len(t.Ingredients)
	for k := range each {
		own := Text{Name: t.Name, Servings: t.Servings}
		for i, at := range h.of {
			switch {
			case at != k && at != inBoth:
				continue
			case i < n:
				own.Ingredients = append(own.Ingredients, t.Ingredients[i])
			default:
				own.Steps = append(own.Steps, h.text.Steps[i-n])
			}
			lines[k] = append(lines[k], i)
		}
		if k == 0 {
			own.Rest = t.Rest
		}
		var put []Fix
		for _, f := range fixes {
			if i := slices.Index(lines[k], f.Line); i >= 0 {
				if f.Line = i; f.As == AsDish {
					f.As = AsFood
				}
				put = append(put, f)
			}
		}
		each[k] = Understand(own, put, p, say)
	}
	whole := make([]Line, len(h.of))
	for k := 1; k >= 0; k-- { // what both have is told as the first took it
		for i, at := range lines[k] {
			whole[at] = each[k].Lines[i]
			if whole[at].Drawer = h.of[at] + 1; h.of[at] == inBoth || h.own {
				whole[at].Drawer = 0
			}
			if h.own && k == 1 && h.of[at] == 1 {
				whole[at].Says = "Of a dish of its own: " + units.Lower(whole[at].Says)
			}
		}
	}
	u = each[0]
	u.Lines = append(whole, u.Lines[len(lines[0]):]...)
	for k := range each {
		for i := range each[k].Unknown {
			each[k].Unknown[i].Line = lines[k][each[k].Unknown[i].Line]
		}
	}
	u.Unknown = append(u.Unknown, each[1].Unknown...)
	other = &each[1]
	other.Own = h.own
	other.Name = u.Name + ", the other drawer"
	if other.Load != nil {
		if cut, err := food.FindCut(other.Load.Cut); err == nil {
			other.Name = units.Capital(plural(cut, other.Load.Pieces))
		}
	}
	return u, other
}
