package sheet

import (
	"fmt"
	"slices"
	"strings"

	"velocrustum/core/larder"
)

// shopping sums all dishes, coats and sauces, by the pantry's names; what is
// fried stands first.
func (k *Kitchen) shopping(all []readyDish) []Need {
	out := []Need{}
	sum, uses := map[string]float64{}, map[string][]string{}
	for i := range all {
		c := &all[i]
		lot := c.worked.Lot
		out = append(out, Need{Name: lot.Cut.Plural, G: lot.MassG(), Says: fmt.Sprintf("%d of about %s, %s in all", lot.Pieces, k.Units.Grams(lot.PieceG), k.Units.Grams(lot.MassG())), For: c.name})
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
		says := fmt.Sprintf("%s, %s", k.Units.Grams(g), k.Units.Spooned(g/i.Density))
		if i.Each > 0 {
			says += fmt.Sprintf(", about %.1g of them", g/i.Each)
		}
		slices.Sort(uses[id])
		out = append(out, Need{Ingredient: id, Name: i.Name, G: g, Says: says, For: strings.Join(uses[id], ", ")})
	}
	return out
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
		c := &all[i]
		what := t.ID.benchTask()
		says := ""
		switch {
		case what == "dry" || what == "salt":
			says = fmt.Sprintf("For the raw %s: a tray, kitchen paper, the salt in a bowl, tongs that stay with what is raw.", c.name)
		case what == "marinade":
			says = fmt.Sprintf("For the %s: a bowl with a lid, and room in the fridge below what is eaten raw.", c.name)
		case what == "coat":
			var bowls []string
			for _, b := range c.worked.Coated.Bowls {
				bowls = append(bowls, fmt.Sprintf("%s of %s", k.Units.Grams(b.PutOutG), k.Pantry[b.Ingredient].Name))
			}
			if len(bowls) == 0 {
				continue
			}
			says = fmt.Sprintf("For the %s, in this order: %s; a rack to rest them on.", c.name, strings.Join(bowls, ", "))
		case t.Kind == Load:
			says = fmt.Sprintf("For the cooked %s: clean tongs, the thermometer, a rack over a tray.", c.name)
		case t.Kind == Dress:
			says = fmt.Sprintf("A wide bowl to toss the %s in, and the warm plates.", c.name)
		}
		if says != "" {
			out = append(out, Setting{t.Start, says})
		}
	}
	return out
}
