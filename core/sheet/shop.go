package sheet

import (
	"slices"
	"strings"

	"velocrustum/core/larder"
	"velocrustum/core/prep"
)

// shopping sums all dishes, coats and sauces, by the pantry's names; what is
// fried stands first.
func (k *Kitchen) shopping(all []readyDish) []Need {
	out := []Need{}
	sum, uses := map[string]float64{}, map[string][]string{}
	for i := range all {
		c := &all[i]
		for _, w := range c.worked.Lots {
			lot := w.Lot
			out = append(out, Need{Name: lot.Cut.Plural, G: lot.MassG(), Says: k.foodSays(lot.Pieces, lot.PieceG, lot.MassG()), For: forLot(c, lot)})
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
	return out
}

// forLot is what a lot is bought for: its dish, and its name where that has
// several.
func forLot(c *readyDish, lot prep.Lot) string {
	if len(c.worked.Lots) == 1 || lot.Name == "" {
		return c.name
	}
	return c.name + ", " + lot.Name
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
