package sheet

import (
	"strings"

	"velocrustum/core/load"
)

// # Two drawers of one fryer
//
// Each is a place of its own, with its own baskets and programs. What one leaves
// of the plug to the other is not counted on: both are taken to be on full, so
// that nothing is promised sooner than it comes.

const (
	rightDrawer = "/right" // behind the id of its fryer, which is the left one's
	bothDrawers = "/both"  // baskets of a dish by turns in one and the other
)

// inDrawers are fryers by the places in which they fry.
func inDrawers(fryers []NamedFryer) (out []NamedFryer) {
	for _, f := range fryers {
		if f.Fryer == nil || f.Fryer.Drawers != 2 || f.Fryer.Drawer != "" {
			out = append(out, f)
			continue
		}
		out = append(out, NamedFryer{ID: f.ID, Name: DrawerName(f.Name, load.Left), Fryer: f.Fryer.In(load.Left)},
			NamedFryer{ID: f.ID + rightDrawer, Name: DrawerName(f.Name, load.Right), Fryer: f.Fryer.In(load.Right)})
	}
	return out
}

// DrawerOf is the place of one drawer of a fryer.
func DrawerOf(fryer, drawer string) string {
	if drawer == load.Right {
		return fryer + rightDrawer
	}
	return fryer
}

// FryerOf is the fryer that a place is in.
func FryerOf(place string) string {
	id, _, _ := strings.Cut(place, "/")
	return id
}

// wheres are the places that a dish may be fried in: of its fryer, in its drawer
// where it has one, or of any.
func (s *Supper) wheres(d *readyDish) (out []string) {
	fryer, baskets := d.FryerID, len(d.baskets)
	for _, f := range s.Fryers {
		if fryer != "" && FryerOf(f.ID) != fryer {
			continue
		}
		if fryer != "" && d.Drawer != "" && f.Fryer != nil && f.Fryer.Drawer != "" {
			if f.Fryer.Drawer == d.Drawer {
				out = append(out, f.ID)
			}
			continue
		}
		if fryer == "" && d.grilled() && (f.Fryer == nil || f.Fryer.Grill == nil) {
			continue
		}
		if out = append(out, f.ID); baskets > 1 && strings.HasSuffix(f.ID, rightDrawer) {
			out = append(out, FryerOf(f.ID)+bothDrawers)
		}
	}
	return out
}

// placeOf is where a basket is fried, by its number, of a dish that is fried
// where it is said.
func placeOf(where string, basket int) string {
	id, both := strings.CutSuffix(where, bothDrawers)
	if both && basket%2 == 0 {
		return id + rightDrawer
	}
	return id
}
