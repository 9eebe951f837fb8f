package sheet

import (
	"cmp"
	"slices"
	"strings"

	"velocrustum/core/larder"
	"velocrustum/core/prep"
)

// shopping sums all dishes, coats and sauces, by the pantry's names; what is
// fried stands first.
func (k *Kitchen) shopping(s *Supper, all []readyDish) []Need {
	out := []Need{}
	sum, uses := map[string]float64{}, map[string][]string{}
	for i := range all {
		c := &all[i]
		for n, w := range c.worked.Lots {
			lot := w.Lot
			alike := func(o *prep.Worked) bool { return o.Lot.Cut.ID == lot.Cut.ID && o.Lot.PieceG == lot.PieceG }
			if slices.IndexFunc(c.worked.Lots, alike) < n {
				continue // bought with the lot that is of the same
			}
			pieces, massG, whose := 0, 0.0, []string{}
			for _, o := range c.worked.Lots {
				if alike(o) {
					pieces, massG, whose = pieces+o.Lot.Pieces, massG+o.Lot.MassG(), append(whose, o.Lot.Name)
				}
			}
			out = append(out, Need{Name: lot.Cut.Plural, G: massG, Says: k.foodSays(pieces, lot.PieceG, massG), For: forLots(c, whose)})
		}
		for id, g := range c.worked.Items() {
			sum[id] += g
			uses[id] = append(uses[id], c.name)
		}
	}
	var ids []string
	for id, g := range sum {
		if i := k.Pantry[id]; i.Role != larder.Liquid || id != "water" {
			if g >= 0.05 {
				ids = append(ids, id)
			}
		}
	}
	slices.SortFunc(ids, func(a, b string) int { return strings.Compare(k.Pantry[a].Name, k.Pantry[b].Name) })
	for _, id := range ids {
		i, g := k.Pantry[id], sum[id]
		slices.Sort(uses[id])
		out = append(out, Need{Ingredient: id, Name: i.Name, G: g, Says: k.amountSays(i, g), For: strings.Join(uses[id], ", ")})
	}
	for _, a := range s.Sides {
		for _, what := range a.Buys {
			out = append(out, Need{Name: what, For: cmp.Or(a.Name, a.ID)})
		}
	}
	return out
}

// forLots is what lots are bought for: their dish, and what they are called where
// it has several.
func forLots(c *readyDish, names []string) string {
	names = slices.DeleteFunc(names, func(name string) bool { return name == "" })
	if len(c.worked.Lots) == 1 || len(names) == 0 {
		return c.name
	}
	return c.name + ", " + strings.Join(names, " and ")
}

// counter says what stands ready from when on.
func (k *Kitchen) counter(all []readyDish, s Sheet) []Setting {
	out := []Setting{}
	for _, t := range s.Tasks {
		if t.Kind != Bench && !(t.Kind == Load && t.Basket == 1) && t.Kind != Dress {
			continue
		}
		i := slices.IndexFunc(all, func(c readyDish) bool { return c.ID == t.Dish })
		if i < 0 {
			continue
		}
		says := k.settingSays(&all[i], t)
		if says != "" {
			out = append(out, Setting{t.Start, says})
		}
	}
	return out
}
