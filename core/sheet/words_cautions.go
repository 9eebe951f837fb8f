package sheet

import (
	"fmt"
	"slices"
	"strings"

	"velocrustum/core/prep"
)

// cautions are what an evening has to be told of.
func (k *Kitchen) cautions(s *Supper, all []readyDish, c *candidate) []string {
	out := []string{}
	if slices.ContainsFunc(all, func(d readyDish) bool {
		return slices.ContainsFunc(d.worked.Lots, func(w *prep.Worked) bool { return !w.Lot.Cut.Plant() })
	}) {
		out = append(out, "Check with a thermometer: the thickest piece of each basket, before it waits or is served. Local rules come first.")
	}
	said := map[string]bool{}
	for i := range all {
		d := &all[i]
		if d.ServeAt == nil || !d.ServeAt.After(s.ServeAt) || said[d.For] {
			continue
		}
		said[d.For] = true
		whom := d.For
		if whom == "" {
			whom = "those who come later"
		}
		out = append(out, fmt.Sprintf("What is for %s stays raw in the fridge until it is prepared, and goes in fresh: kept hot it would be soft.", whom))
	}
	cold := 60.0
	for _, d := range all {
		if d.Request.Guidance == "uk" {
			cold = 63
		}
	}
	for _, b := range c.plates {
		if b.coreC < cold && b.wait > 5 {
			out = append(out, fmt.Sprintf("%s, basket %d, falls under %s while it waits, at which hot food is to be held: keep an oven warm, or serve it sooner.", all[b.dish].name, b.basket, k.Units.Degrees(cold)))
			break
		}
	}
	return append(out, k.bakedBeside(s, all, c)...)
}

// bakedBeside is said where a side bakes in the oven in which something is kept warm: it is
// one oven.
func (k *Kitchen) bakedBeside(s *Supper, all []readyDish, c *candidate) (out []string) {
	for _, side := range c.tasks {
		if side.Place != InOven || side.Kind != Own {
			continue
		}
		var kept []string
		for _, t := range c.tasks {
			if t.Kind == Hold && t.Place == InOven && t.from < side.to-tick && t.to > side.from+tick && !slices.Contains(kept, t.Dish) {
				kept = append(kept, t.Dish)
			}
		}
		if len(kept) == 0 {
			continue
		}
		var names []string
		for _, d := range all {
			if slices.Contains(kept, d.ID) {
				names = append(names, d.name)
			}
		}
		out = append(out, fmt.Sprintf("“%s” and what is kept warm at %s (%s) share one oven: if it wants more heat, bake it sooner, or let the others stand outside.", side.Says, k.Units.Degrees(s.Oven.WarmC), strings.Join(names, ", ")))
	}
	return out
}
