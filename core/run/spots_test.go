package run

import (
	"math"
	"testing"

	"velocrustum/core/food"
	"velocrustum/core/load"
)

func ran(t *testing.T, q load.Request) *Run {
	t.Helper()
	l, err := load.Of(q)
	if err != nil {
		t.Fatal(err)
	}
	r, err := Start(l, Nominal, Fine)
	if err != nil {
		t.Fatal(err)
	}
	return r
}

// A bird is safe when both of its coldest spots are: what is shown and decides is the
// colder of them at every minute.
func TestBothSpotsOfABirdCount(t *testing.T) {
	for _, id := range []string{"chicken-half", "chicken-whole"} {
		cut, err := food.FindCut(id)
		if err != nil {
			t.Fatal(err)
		}
		r := ran(t, load.Request{Load: load.Pieces{Cut: id, Pieces: 1, PieceMassG: cut.Typical}, Coat: &load.Covering{ID: "oil-rub", OilG: 4},
			Program: load.Program{PreheatMin: 3, Stages: []load.Stage{{AirC: 180, Minutes: 80}}, Turns: []load.Turn{{AtMin: 25, Kind: load.Flip}}}})
		colder := [2]bool{}
		at := [2]float64{math.NaN(), math.NaN()}
		r.Carry(func(minute float64) bool {
			p := &r.Only().places[0]
			breast, thigh := p.body.Coldest(), p.edge.Coldest()
			if got := r.Only().CoreC(); got != min(breast, thigh) {
				t.Fatalf("%s, minute %.1f: %.1f shown, breast %.1f and thigh %.1f", id, minute, got, breast, thigh)
			}
			colder[0], colder[1] = colder[0] || breast < thigh-0.5, colder[1] || thigh < breast-0.5
			for k, c := range []float64{breast, thigh} {
				if math.IsNaN(at[k]) && c >= r.Only().of.Rule.CoreC {
					at[k] = minute
				}
			}
			return true
		})
		if !colder[0] && !colder[1] {
			t.Errorf("%s: breast and thigh are alike all along", id)
		}
		if safe := r.Only().SafeAt(); math.Abs(safe-max(at[0], at[1])) > LookMin+0.01 {
			t.Errorf("%s: safe at %.1f, breast at %.1f and thigh at %.1f", id, safe, at[0], at[1])
		}
		// A thicker breast, by ruler, is later.
		mm := r.Only().of.Piece.Thickness * 1000 * 1.15
		thick := ran(t, load.Request{Load: load.Pieces{Cut: id, Pieces: 1, PieceMassG: cut.Typical, ThicknessMm: &mm}, Coat: &load.Covering{ID: "oil-rub", OilG: 4},
			Program: load.Program{PreheatMin: 3, Stages: []load.Stage{{AirC: 180, Minutes: 110}}}})
		thick.Carry(nil)
		if thick.SafeAt() < r.SafeAt()+3 {
			t.Errorf("%s: %.0f mm thick safe at %.1f, as usual at %.1f", id, mm, thick.SafeAt(), r.SafeAt())
		}
	}
}

// What melts runs out from some heat on, and what has a skin bursts, both after they
// are done; nothing else does.
func TestWhatRunsOutOrBursts(t *testing.T) {
	for _, cut := range food.Cuts() {
		r := ran(t, load.Request{Load: load.Pieces{Cut: cut.ID, Pieces: 1, PieceMassG: cut.Typical}, Coat: &load.Covering{ID: "oil-rub", OilG: 0.5},
			Program: load.Program{Stages: []load.Stage{{AirC: 160, Minutes: 110}}}})
		r.Carry(nil)
		p := &r.Only().places[0]
		out := p.over == load.RanOut || p.over == load.Burst
		if cut.OutC == 0 && out {
			t.Errorf("%s is %s", cut.ID, p.over)
		}
		if cut.OutC > 0 && (!out || p.overAt <= p.safeAt || cut.Molten != (p.over == load.RanOut) && cut.ID != "filled-roll") {
			t.Errorf("%s: safe at %.1f, %q at %.1f", cut.ID, p.safeAt, p.over, p.overAt)
		}
	}
}

// Sugar that was brushed on dries to a lacquer, of which crisp is not asked; butter
// does not, and a thick one stays wet for longer.
func TestLacquer(t *testing.T) {
	brushed := func(g float64, with string) []string {
		r := ran(t, load.Request{Load: load.Pieces{Cut: "chicken-wing-flat", Pieces: 12, PieceMassG: 42}, Coat: &load.Covering{ID: "bare", OilG: 2},
			Program: load.Program{PreheatMin: 3, Stages: []load.Stage{{AirC: 185, Minutes: 24}}, Turns: []load.Turn{
				{AtMin: 10, Kind: load.Flip}, {AtMin: 15, Kind: load.BrushOn, Brush: &load.Brush{G: g, Both: true, Parts: []food.Mixed{{Ingredient: with, Share: 1}}}}}}})
		var says []string
		r.Carry(func(minute float64) bool {
			m := r.Only().Moment(minute)
			says = append(says, m.Faces[0].Lacquer)
			if f := m.Faces[0]; f.Lacquer == LacquerSticky && f.Crust < 60 || f.Lacquer == LacquerWet && f.Crust >= 60 {
				t.Errorf("%g g of %s, minute %.1f: %+v", g, with, minute, f)
			}
			return true
		})
		return says
	}
	wetFor := func(says []string) (n int) {
		for _, s := range says {
			if s == LacquerWet {
				n++
			}
		}
		return n
	}
	thin, thick, butter := brushed(20, "barbecue"), brushed(80, "barbecue"), brushed(40, "butter")
	if end := thin[len(thin)-1]; end != LacquerSticky && end != LacquerBrittle {
		t.Errorf("after nine minutes it is %q", end)
	}
	if thin[20] != "" || wetFor(thin) == 0 || wetFor(thick) <= wetFor(thin) {
		t.Errorf("a thin one is wet for %d looks, a thick one for %d", wetFor(thin), wetFor(thick))
	}
	for _, s := range butter {
		if s != "" {
			t.Fatalf("butter is lacquer: %q", s)
		}
	}
}
