package belief

import (
	"fmt"
	"math"
	"math/rand/v2"
	"slices"
	"strings"
	"testing"

	"velocrustum/core/ensemble"
	"velocrustum/core/food"
	"velocrustum/core/fryer"
	"velocrustum/core/load"
	"velocrustum/core/load/loadtest"
	"velocrustum/core/run"
	"velocrustum/core/verdict"
)

// windowKinds are what the window's "safe by" is held to by brute force.
func windowKinds() []struct {
	name string
	q    load.Request
} {
	wings := loadtest.Usual[1]
	glazed := wings
	glazed.Program.Turns = []load.Turn{{AtMin: 10, Kind: load.Flip}, {AtMin: 15, Kind: load.BrushOn, Brush: &load.Brush{Parts: []food.Mixed{{Ingredient: "honey", Share: 2}, {Ingredient: "water", Share: 1}}, G: 15}}}
	drawers := beliefKitchens[0]
	drawers.Load.Pieces = 8
	drawers.Fryer = &load.Fryer{Drawers: 2, PowerW: new(2400.0), Basket: &fryer.Basket{Shape: fryer.Rectangle, WidthMm: 180, DepthMm: 230}}
	unknown := loadtest.Usual[0]
	unknown.Fryer = &load.Fryer{Inferred: []string{"airflow", "heatUp"}}
	cold := loadtest.Usual[0]
	cold.Program.PreheatMin = 0
	staged := wings
	staged.Program = load.Program{PreheatMin: 3, Stages: []load.Stage{{AirC: 160, Minutes: 12}, {AirC: 200, Minutes: 10}}, Turns: []load.Turn{{AtMin: 12, Kind: load.Flip}}}
	layers := wings
	layers.Load.Pieces = 22
	layers.Program.Turns = slices.Clone(layers.Program.Turns) // others have them too
	layers.Program.Turns[0].Kind = load.Shake
	uk := loadtest.Usual[2]
	uk.Guidance = "uk"
	one := func(cut string, pieces int, g float64, coat load.Covering, air, minutes float64) load.Request {
		return load.Request{Load: load.Pieces{Cut: cut, Pieces: pieces, PieceMassG: g, Surface: "wiped"}, Coat: &coat,
			Program: load.Program{PreheatMin: 4, Stages: []load.Stage{{AirC: air, Minutes: minutes}}, Turns: []load.Turn{{AtMin: minutes / 2, Kind: load.Flip}}}}
	}
	return []struct {
		name string
		q    load.Request
	}{
		{"wing flats in starch", wings},
		{"drumsticks, oiled", loadtest.Usual[0]},
		{"drumsticks from cold", cold},
		{"bone-in thighs", beliefKitchens[0]},
		{"prawns in a wrap", one("prawn-wrapped", 10, 24, load.Covering{ID: "bare"}, 190, 12)},
		{"pork in a wrap", one("pork-loin-cutlet", 4, 110, load.Covering{ID: "wrap"}, 185, 18)},
		{"two drawers", drawers},
		{"glazed wings", glazed},
		{"gentle then hot", staged},
		{"more than one layer", layers},
		{"crumbed fillets", one("fish-fillet-white", 4, 130, load.Covering{ID: "three-bowl-crumb", OilG: 8}, 200, 14)},
		{"stuffed wings", one("chicken-wing-stuffed", 5, 75, load.Covering{ID: "oil-rub", OilG: 4}, 190, 28)},
		{"pork under the UK's rule", uk},
		{"a fryer nobody measured", unknown},
	}
}

// bruteForce draws so many loads, piece by piece, fryer by fryer, and runs each
// of them. It returns how many of them are safe by a minute.
func bruteForce(t testing.TB, q load.Request, loads int, by float64) int {
	t.Helper()
	s, err := load.Of(q)
	if err != nil {
		t.Fatal(err)
	}
	on := s.CarriedOn(math.Max(20, s.Minutes()))
	v := ensemble.SpreadOf(&s.Machine, s.Only())
	r := rand.New(rand.NewPCG(uint64(len(q.Load.Cut)), 5))
	draws := make([]run.Variation, loads)
	for i := range draws {
		var z ensemble.Point
		for k := ensemble.ByAirflow; k < ensemble.Dims; k++ {
			z[k] = r.NormFloat64()
		}
		draws[i] = v.At(&z)
		mean := 1 + v.Mean/2*r.NormFloat64()
		most := math.Inf(-1)
		for range s.Only().Pieces * max(1, s.Drawers) {
			most = math.Max(most, mean+v.Piece/2*r.NormFloat64())
		}
		// The thickest among pieces of that mean.
		draws[i].Sizes = []float64{mean, most}
	}
	safe := make([]bool, loads)
	if err := run.Each(loads, func(i int) error {
		one, err := run.Start(on, draws[i], run.Fine)
		if err != nil {
			return err
		}
		one.Carry(func(minute float64) bool { return minute < by && math.IsNaN(one.Only().SafeAt()) })
		safe[i] = one.Only().SafeAt() <= by
		return nil
	}); err != nil {
		t.Fatal(err)
	}
	n := 0
	for _, ok := range safe {
		if ok {
			n++
		}
	}
	return n
}

// windowLines are the table, for docs/validation.md.
var windowLines []string

// Of loads that are run one by one, 95 in 100 are safe by the window's "safe
// by".
func TestTheWindowCoversWhatItSays(t *testing.T) {
	if testing.Short() {
		return // it computes: nothing meets in it that does not in others
	}
	loads := loadtest.Cases(500)
	all, within := 0, 0
	for _, k := range windowKinds() {
		a, err := verdict.Simulate(t.Context(), k.q, verdict.Options{})
		if err != nil {
			t.Fatal(k.name, err)
		}
		if a.Chance.SafeByMin == nil {
			t.Fatalf("%s: not safe by any minute", k.name)
		}
		n := bruteForce(t, k.q, loads, *a.Chance.SafeByMin)
		all, within = all+loads, within+n
		windowLines = append(windowLines, fmt.Sprintf("%-26s %5.1f min  %.3f", k.name, *a.Chance.SafeByMin, float64(n)/float64(loads)))
		if float64(n) < 0.93*float64(loads) {
			t.Errorf("%s: %d of %d loads are safe by %.1f", k.name, n, loads, *a.Chance.SafeByMin)
		}
	}
	t.Logf("\n%s\npooled %.3f", strings.Join(windowLines, "\n"), float64(within)/float64(all))
	if float64(within) < 0.95*float64(all) {
		t.Errorf("%d of %d loads are safe by then", within, all)
	}
	windowLines = append(windowLines, fmt.Sprintf("%-26s            %.3f", "all of them", float64(within)/float64(all)))
}
