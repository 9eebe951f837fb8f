package program

import (
	"context"
	"errors"
	"math"
	"slices"
	"testing"

	"velocrustum/core/refuse"
	"velocrustum/core/units"
)

// answered is a request's answer with its window and its changes.
func answered(t *testing.T, q Request) Answer {
	t.Helper()
	a, err := Simulate(context.Background(), q, Options{Changes: true})
	if err != nil {
		t.Fatal(err)
	}
	return a
}

// quantileOf is a quantile of a list that need not be sorted.
func quantileOf(list []float64, q float64) float64 {
	sorted := slices.Clone(list)
	slices.Sort(sorted)
	return orLate(quantile(sorted, q))
}

func TestAPortraitIsWhatTheFryerDoes(t *testing.T) {
	t.Parallel()
	timed := 5.0
	p, err := PortraitOf(Fryer{HeatUpMin: &timed, DialOffsetC: -6}, 0, units.Household{})
	if err != nil {
		t.Fatal(err)
	}
	if p.DialC != 200 || !p.Timed || p.HeatUpMin != 5 || p.SettlesC != 194 {
		t.Errorf("%+v", p)
	}
	last := p.Curve[len(p.Curve)-1]
	if math.Abs(last.AirC-p.SettlesC) > 2 {
		t.Errorf("settles at %.1f °C, the curve ends at %.1f", p.SettlesC, last.AirC)
	}
	for i, at := range p.Curve {
		if at.LowC > at.AirC+1e-9 || at.HighC < at.AirC-1e-9 {
			t.Errorf("minute %g: %.1f °C is outside %.1f to %.1f", at.Minute, at.AirC, at.LowC, at.HighC)
		}
		if i > 0 && at.AirC < p.Curve[i-1].AirC-0.5 {
			t.Errorf("minute %g: the air falls to %.1f °C", at.Minute, at.AirC)
		}
	}
	// Timed is surer than not, and asks for one thing less.
	loose, err := PortraitOf(Fryer{}, 0, units.Household{})
	if err != nil {
		t.Fatal(err)
	}
	at := p.Curve[12]
	if own, kind := at.HighC-at.LowC, loose.Curve[12].HighC-loose.Curve[12].LowC; own >= kind {
		t.Errorf("at minute 3 a timed fryer is known to %.0f K, another to %.0f", own, kind)
	}
	if len(p.Wanted) != 0 || len(loose.Wanted) != 1 || loose.Wanted[0].Field != "heatUpMin" {
		t.Errorf("wanted of a timed one %v, of another %v", p.Wanted, loose.Wanted)
	}
	var fields refuse.Fields
	if _, err := PortraitOf(Fryer{}, 260, units.Household{}); !errors.As(err, &fields) || fields[0].Field != "dialC" {
		t.Errorf("a dial of 260: %v", err)
	}
	slow := 30.0
	if err := CheckFryer(Fryer{HeatUpMin: &slow}); !errors.As(err, &fields) || fields[0].Field != "fryer.heatUpMin" {
		t.Errorf("half an hour to 200 °C: %v", err)
	}
}

// What is known better is narrower, and the answer says what would be.
func TestKnownFiguresNarrowTheWindow(t *testing.T) {
	t.Parallel()
	q := Request{Load: Load{Cut: "chicken-drumstick", Pieces: 5, PieceMassG: 112}, Coat: &Coat{ID: "oil-rub", OilG: 5},
		Program: Program{Stages: []Stage{{AirC: 190, Minutes: 28}}, Turns: []Turn{{AtMin: 14, Kind: Flip}}}}
	width := func(q Request) float64 {
		t.Helper()
		a := answered(t, q)
		return *a.Chance.SafeByMin - *a.SafeAtMin
	}
	unknown := width(q)
	thick := 40.0
	q.Load.ThicknessMm = &thick
	if measured := width(q); measured > unknown-0.3 {
		t.Errorf("safe by %.1f min after the nominal piece with a ruler, %.1f without", measured, unknown)
	}
	q.Load.ThicknessMm = nil
	two := q
	two.Fryer = &Fryer{Drawers: 2}
	guessed := q
	guessed.Fryer = &Fryer{Inferred: []string{"airflow"}}
	for name, r := range map[string]Request{"two drawers": two, "an inferred fryer": guessed} {
		if w := width(r); w < unknown+0.03 {
			t.Errorf("%s: %.2f min, one alone and known %.2f", name, w, unknown)
		}
	}
	d := answered(t, q).Chance.Doubts
	if len(d) == 0 || d[0].Field != "load.thicknessMm" || d[0].Minutes < 1 {
		t.Errorf("what would narrow it: %+v", d)
	}
}

// The quadratic is as good as running the loads: its quantiles are those of
// two hundred loads that were run, within half a minute.
func TestAQuadraticStandsForManyRuns(t *testing.T) {
	t.Parallel()
	for _, c := range referenceCooks(t) {
		if c.quantity != "safe_at_min" || c.id != "wings-hot" && c.id != "thighs-bone-in" && c.id != "cutlet-crumbed" {
			continue
		}
		s, err := resolve(c.request)
		if err != nil {
			t.Fatal(err)
		}
		s.tail = 12
		kinds, err := s.gather(t.Context())
		if err != nil {
			t.Fatal(err)
		}
		e := kinds[0]
		v := s.spread()
		ran := make([]outcome, 200)
		loads := v.loads(len(ran), s.pieces)
		if err := parallel(len(ran), func(i int) (err error) {
			draw := v.at(&loads[i].thick)
			draw.sizes = append(draw.sizes, v.at(&loads[i].thin).sizes...)
			got, err := s.outcomes(t.Context(), draw, standard)
			if err == nil {
				ran[i] = got[0]
			}
			return err
		}); err != nil {
			t.Fatal(err)
		}
		for name, pair := range map[string]struct {
			drawn []float64
			run   func(outcome) float64
			q     float64
		}{
			"safe by 95 in 100":   {e.safe, func(o outcome) float64 { return o.safe }, 0.95},
			"first safe, 1 in 10": {e.first, func(o outcome) float64 { return o.first }, 0.10},
			"crisp, half":         {e.crisp, func(o outcome) float64 { return o.crisp }, 0.50},
		} {
			var run []float64
			for _, o := range ran {
				m := pair.run(o)
				if math.IsNaN(m) {
					m = math.Inf(1)
				}
				run = append(run, m)
			}
			if got, want := quantileOf(pair.drawn, pair.q), quantileOf(run, pair.q); math.Abs(got-want) > 0.5 {
				t.Errorf("%s, %s: %.2f by the quadratic, %.2f run", c.id, name, got, want)
			}
		}
		if !(e.slip < 0.3) {
			t.Errorf("%s: a run left out is foretold amiss by %.2f min", c.id, e.slip)
		}
	}
}
