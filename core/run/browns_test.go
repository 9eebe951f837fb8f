package run

import (
	"math"
	"testing"

	"velocrustum/core/food"
	"velocrustum/core/load"
	"velocrustum/core/load/loadtest"
)

// What is brushed on browns as readily as its fryer and its evening have all else brown,
// and in another fryer as readily as that does.
func TestItGoesOnBrowningAsItsFryerDoes(t *testing.T) {
	t.Parallel()
	browning := func(by float64) *load.Fryer {
		return &load.Fryer{Learnt: &load.Learnt{Cooks: 5, Mean: [load.LearntFigures]float64{load.LearntBrowning: by},
			Covariance: [load.LearntFigures][load.LearntFigures]float64{{0.002}, {0, 3}, {0, 0, 0.01}, {0, 0, 0, 0.004}}}}
	}
	// gained is what the face that is up browns by in the two minutes from a minute.
	gained := func(fryer *load.Fryer, v Variation, from float64, stages ...load.Stage) float64 {
		t.Helper()
		q := loadtest.DozenWings()
		q.Fryer, q.Program.Stages = fryer, stages
		q.Program.Turns = []load.Turn{{AtMin: 8, Kind: load.BrushOn, Brush: &load.Brush{Parts: []food.Mixed{{Ingredient: "honey", Share: 1}}, G: 10, Both: true}}}
		l, err := load.Of(q)
		if err != nil {
			t.Fatal(err)
		}
		r, err := Start(l, v, Fine)
		if err != nil {
			t.Fatal(err)
		}
		var before, after float64
		r.Carry(func(minute float64) bool {
			if at := r.Lots[0].UpBrown(); math.Abs(minute-from) < 0.01 {
				before = at
			} else if math.Abs(minute-from-2) < 0.01 {
				after = at
			}
			return true
		})
		return after - before
	}
	quick := Nominal
	quick.Browns = 1.3
	one := load.Stage{AirC: 190, Minutes: 16}
	brushed := gained(browning(0), Nominal, 10, one)
	for name, got := range map[string]float64{"evening": gained(browning(0), quick, 10, one), "fryer": gained(browning(math.Log(1.3)), Nominal, 10, one)} {
		if got < 1.15*brushed || got > 1.3*brushed {
			t.Errorf("brushed, where its %s browns by 3/10 more: %.3f stages, else %.3f", name, got, brushed)
		}
	}
	first := load.Stage{AirC: 190, Minutes: 9}
	over := func(by float64) float64 {
		return gained(browning(0), Nominal, 12, first, load.Stage{AirC: 190, Minutes: 8, Fryer: browning(by)})
	}
	if same, got := over(0), over(math.Log(1.3)); got < 1.08*same || got > 1.3*same {
		t.Errorf("gone over to one that browns by 3/10 more: %.3f stages, else %.3f", got, same)
	}
}
