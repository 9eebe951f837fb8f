package food

import (
	"fmt"
	"maps"
	"slices"
	"testing"

	"velocrustum/core/larder"
	"velocrustum/core/refuse/goldentest"
)

// Every cut, coat and name, and what is made of them, is as it was read.
func TestFoodsAreAsTheyWereRead(t *testing.T) {
	t.Parallel()
	var f goldentest.File
	for i, c := range Cuts() {
		f.Addf(c.ID, "%+v", c)
		for _, share := range []float64{0.6, 1, 1.5} {
			p := c.Piece(share*c.Typical, 0)
			f.Add(t, fmt.Sprintf("%s %.1f", c.ID, share), p)
			least, most := c.Thicknesses(share * c.Typical)
			f.Add(t, c.ID+" thicknesses", []float64{least, most, p.Footprint(), p.ThawHours(FridgeC), c.Density(), c.SkinDrains()})
			if share == 1 {
				columns := c.Columns(p, Coating{Coat: Coats()[i%len(Coats())], Oil: 1}, share, 40)
				f.Addf(c.ID+" columns", "%d %+v", len(columns), columns[len(columns)-1])
			}
		}
	}
	for _, id := range slices.Sorted(maps.Keys(grains)) {
		f.Addf("grain "+id, "%+v", grains[id])
	}
	// Solids of all proportions, discs and rods among them, as heat sees them.
	for _, form := range []Form{Slab, Cylinder, Ellipsoid} {
		for _, of := range [][3]float64{{20, 20, 20}, {60, 40, 20}, {20, 40, 60}, {12, 50, 50}, {50, 50, 12}, {90, 18, 15}, {40, 15, 60}} {
			p := NewPiece(form, of[0]/1000, of[1]/1000, of[2]/1000)
			for _, bi := range []float64{0.3, 1, 4, 30} {
				f.Addf(fmt.Sprint("solid ", form, of, bi), "%.5g", p.middle(p.Half(), bi))
			}
		}
	}
	for _, c := range Cuts() {
		at, first := c.Ruler()
		f.Addf(c.ID+" ruler", "%+v %v %v", at, first, c.Allergens())
	}
	for _, c := range Coats() {
		f.Addf(c.ID, "%+v", c)
		made, err := Compose(c.Layers, larder.Shelf)
		f.Addf(c.ID+" composed", "%+v %v", made, err)
	}
	layers := func(all ...CoatLayer) {
		made, err := Compose(all, larder.Shelf)
		f.Addf(fmt.Sprintf("%+v", all), "%+v %v", made, err)
	}
	for _, one := range FirstLayers {
		layers(one)
		for _, two := range FirstLayers {
			layers(one, two)
		}
	}
	for _, n := range Names {
		f.Addf("name", "%+v", n)
	}
	for _, s := range Shapes {
		f.Addf("shape", "%+v", s)
	}
	f.Same(t, "foods.txt")
}
