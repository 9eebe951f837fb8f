package verdict

import (
	"context"
	"fmt"
	"math"
	"testing"

	"velocrustum/core/load"
	"velocrustum/core/load/loadtest"
)

// The same mass takes longer the thicker it is.
func ExampleSimulate() {
	safeAt := func(mm float64) float64 {
		a, err := Simulate(context.Background(), load.Request{
			Load:    load.Pieces{Cut: "chicken-breast-cutlet", Pieces: 2, PieceMassG: 130, ThicknessMm: &mm},
			Program: load.Program{PreheatMin: 4, Stages: []load.Stage{{AirC: 190, Minutes: 40}}},
		}, Options{NoChance: true})
		if err != nil {
			panic(err)
		}
		return *a.SafeAtMin
	}
	fmt.Println("half as thick again, a fifth longer at least:", safeAt(24) > 1.2*safeAt(16))
	// Output: half as thick again, a fifth longer at least: true
}

// Golden cooks: what the engine answers today, to see what a change moves.
// They are not ranges of kitchens (those are the reference cooks), so a
// change that is meant to move them changes them here, and says so.
func TestGoldenCooks(t *testing.T) {
	t.Parallel()
	turn := func(at float64, kind string) []load.Turn { return []load.Turn{{AtMin: at, Kind: kind}} }
	for name, c := range map[string]struct {
		q                        load.Request
		safe, crisp, loss, juice float64 // minutes, minutes, percent, percent
		brown                    [2]float64
	}{
		"wings, gentle then hot": {loadtest.DozenWings(), 13.4, 17.8, 30.7, 51.8, [2]float64{1.75, 2.74}},
		"bream": {load.Request{Load: load.Pieces{Cut: "fish-whole", Pieces: 1, PieceMassG: 340, Surface: "racked"}, Coat: &load.Covering{ID: "oil-rub", OilG: 4},
			Program: load.Program{PreheatMin: 4, Stages: []load.Stage{{AirC: 200, Minutes: 23}}, Turns: turn(13, load.Flip)}}, 16.9, 16.7, 25.1, 69.0, [2]float64{1.40, 1.46}},
		"pollock fingers": {load.Request{Load: load.Pieces{Cut: "fish-strip", Pieces: 9, PieceMassG: 36}, Coat: &load.Covering{ID: "three-bowl-crumb", OilG: 10},
			Program: load.Program{PreheatMin: 4, Stages: []load.Stage{{AirC: 195, Minutes: 13}}, Turns: turn(8, load.Flip)}}, 6.6, 7.3, 20.8, 73.5, [2]float64{2.51, 2.25}},
		"wedges, shaken": {load.Request{Load: load.Pieces{Cut: "potato-wedge", Pieces: 14, PieceMassG: 32, StartC: new(18.0)}, Coat: &load.Covering{ID: "oil-rub", OilG: 14},
			Program: load.Program{PreheatMin: 3, Stages: []load.Stage{{AirC: 190, Minutes: 26}}, Turns: []load.Turn{{AtMin: 9, Kind: load.Shake}, {AtMin: 18, Kind: load.Shake}}}}, 11.3, 16.8, 31.4, 59.3, [2]float64{2.45, 2.14}},
		"belly": {load.Request{Load: load.Pieces{Cut: "pork-belly-slice", Pieces: 7, PieceMassG: 44, ThicknessMm: new(13.0)},
			Program: load.Program{PreheatMin: 3, Stages: []load.Stage{{AirC: 190, Minutes: 18}}, Turns: turn(9, load.Flip)}}, 5.4, 12.3, 39.5, 36.3, [2]float64{1.95, 2.34}},
	} {
		a := quick(t, c.q)
		last := a.Timeline[len(a.Timeline)-1]
		for _, f := range []struct {
			what            string
			got, want, slip float64
		}{
			{"safe at", loadtest.OrLate(a.SafeAtMin), c.safe, 0.02 * c.safe},
			{"crisp at", loadtest.OrLate(a.CrispAtMin), c.crisp, 0.03 * c.crisp},
			{"mass loss", a.End.MassLossPct, c.loss, 0.5},
			{"juice", a.End.JuiceKeptPct, c.juice, 1},
			{"first face browned", last.Faces[0].Brown, c.brown[0], 0.1},
			{"second face browned", last.Faces[1].Brown, c.brown[1], 0.1},
		} {
			if math.Abs(f.got-f.want) > f.slip {
				t.Errorf("%s: %s %.2f, was %.2f", name, f.what, f.got, f.want)
			}
		}
	}
}
