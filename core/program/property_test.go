package program

import (
	"context"
	"errors"
	"math"
	"math/rand/v2"
	"testing"

	"velocrustum/core/food"
	"velocrustum/core/fryer"
	"velocrustum/core/refuse"
	"velocrustum/core/thermal"
)

// typical is a cut's usual load in a coat, long enough for all to happen.
func typical(cut food.Cut, coat string, airC float64) Request {
	return Request{
		Load: Load{Cut: cut.ID, Pieces: 4, PieceMassG: cut.Typical}, Coat: &Coat{ID: coat, OilG: 4},
		Program: Program{PreheatMin: 4, Stages: []Stage{{AirC: airC, Minutes: 60}}, Turns: []Turn{{AtMin: 10, Kind: Flip}}},
	}
}

// A loose coat lets vapour through: it keeps no skin wet, and hides no raw
// middle.
func TestADustHelpsTheCrustAndBarelyMovesSafe(t *testing.T) {
	t.Parallel()
	for _, cut := range food.Cuts() {
		if cut.Wrapped() || cut.ID == "duck-leg" { // its fat is a wrap of its own
			continue
		}
		for _, airC := range []float64{170, 185, 200} {
			bare := quick(t, typical(cut, "bare", airC))
			for _, coat := range []string{"starch-dust", "flour-dust", "flour-starch", "double-dredge"} {
				a := quick(t, typical(cut, coat, airC))
				if orLate(a.CrispAtMin) > orLate(bare.CrispAtMin)+0.1 {
					t.Errorf("%s at %g °C: crisp at %.1f in %s, at %.1f bare", cut.ID, airC, orLate(a.CrispAtMin), coat, orLate(bare.CrispAtMin))
				}
				// A minute and a half; of what takes over 20, a thirteenth.
				if d := orLate(a.SafeAtMin) - orLate(bare.SafeAtMin); math.Abs(d) > math.Max(1.5, orLate(bare.SafeAtMin)/13) {
					t.Errorf("%s at %g °C: safe %+.1f min in %s, at %.1f bare", cut.ID, airC, d, coat, orLate(bare.SafeAtMin))
				}
			}
		}
	}
}

// At one mass a thicker piece is safe no sooner, millimetre by millimetre.
func TestThickerIsLaterMillimetreByMillimetre(t *testing.T) {
	t.Parallel()
	for _, cut := range food.Cuts() {
		least, most := cut.Thicknesses(cut.Typical)
		last := 0.0
		for mm := least; mm <= most; mm++ {
			q := typical(cut, "oil-rub", 185)
			q.Load.ThicknessMm, q.Load.Pieces = &mm, 1
			q.Program.Turns = nil
			safe := orLate(quick(t, q).SafeAtMin)
			if safe < last-0.1 {
				t.Errorf("%s: safe at %.2f with %g mm, at %.2f with one less", cut.ID, safe, mm, last)
			}
			last = safe
		}
	}
}

// jump is the most that one step of a scan may move an answer of m minutes:
// one, or a sixteenth of a long time; an eighth where pieces crowd, since there
// each one more begins to take air from the rest.
func jump(m, coverage float64) float64 {
	if coverage > fryer.FreeCoverage {
		return math.Max(1, 0.12*m)
	}
	return math.Max(1, 0.06*m)
}

// One piece, one gram, one millimetre or one kelvin more moves no answer by
// over a minute where nothing new begins.
func TestAnswersHaveNoCorners(t *testing.T) {
	t.Parallel()
	for _, c := range []struct{ cut, coat string }{
		{"chicken-wing-flat", "starch-dust"}, {"chicken-drumstick", "double-dredge"}, {"chicken-thigh-chunk", "flour-starch"},
		{"chicken-breast-chunk", "three-bowl-crumb"}, {"fish-strip", "three-bowl-crumb"}, {"potato-wedge", "oil-rub"}, {"pork-belly-slice", "bare"},
	} {
		cut, err := food.FindCut(c.cut)
		if err != nil {
			t.Fatal(err)
		}
		scan := func(what string, from, to, step float64, set func(q *Request, v float64)) {
			var last *Answer
			for v := from; v <= to; v += step {
				q := typical(cut, c.coat, 185)
				set(&q, v)
				a, err := Simulate(context.Background(), q, Options{NoChance: true})
				if fields := (refuse.Fields)(nil); errors.As(err, &fields) {
					last = nil
					continue // not taken, and said so
				} else if err != nil {
					t.Fatal(err)
				}
				if last != nil {
					for name, pair := range map[string][2]*float64{"safe": {a.SafeAtMin, last.SafeAtMin}, "crisp": {a.CrispAtMin, last.CrispAtMin}} {
						if pair[0] == nil || pair[1] == nil {
							continue
						}
						if d := *pair[0] - *pair[1]; math.Abs(d) > jump(*pair[0], a.Coverage) {
							t.Errorf("%s in %s, %s %g: %s moves by %+.2f to %.1f", c.cut, c.coat, what, v, name, d, *pair[0])
						}
					}
				}
				last = &a
			}
		}
		scan("pieces", 1, 40, 1, func(q *Request, v float64) { q.Load.Pieces = int(v) })
		scan("grams", 30, 90, 1, func(q *Request, v float64) { q.Load.PieceMassG = v })
		scan("grams in a dozen", 30, 90, 1, func(q *Request, v float64) { q.Load.PieceMassG, q.Load.Pieces = v, 12 })
		scan("mm", 8, 70, 1, func(q *Request, v float64) { q.Load.ThicknessMm = &v })
		scan("°C", 120, 230, 1, func(q *Request, v float64) { q.Program.Stages[0].AirC = v })
	}
}

// A basket that goes into a hot fryer is never slower than the first.
func TestAHotFryerIsNeverSlower(t *testing.T) {
	t.Parallel()
	r := rand.New(rand.NewPCG(5, 8))
	for range 30 {
		q := anyRequest(r)
		q.Program.PreheatMin = 10 * r.Float64()
		first := quick(t, q)
		q.Program.HotFromC = q.Program.Stages[0].AirC
		next := quick(t, q)
		if orLate(next.SafeAtMin) > orLate(first.SafeAtMin)+0.02 || orLate(next.CrispAtMin) > orLate(first.CrispAtMin)+0.05 {
			t.Errorf("%s in %s: safe at %.2f from hot and %.2f first, crisp at %.2f and %.2f", q.Load.Cut, q.Coat.ID,
				orLate(next.SafeAtMin), orLate(first.SafeAtMin), orLate(next.CrispAtMin), orLate(first.CrispAtMin))
		}
	}
}

// While the air stays hot the coldest meat never cools, in any coat.
func TestTheColdestMeatNeverFalls(t *testing.T) {
	t.Parallel()
	r := rand.New(rand.NewPCG(6, 1))
	for range 60 {
		q := anyRequest(r)
		q.Program.Stages[0].AirC = 140 + 90*r.Float64()
		q.Program.Turns = nil // the drawer stays shut
		last := -10.0
		for _, m := range quick(t, q).Timeline {
			if m.CoreC < last-0.02 {
				t.Errorf("%s in %s, %.0f g: %.2f °C at minute %g, %.2f before", q.Load.Cut, q.Coat.ID, q.Load.PieceMassG, m.CoreC, m.Minute, last)
			}
			last = m.CoreC
		}
	}
}

// Heat and water close in every coat, on every cut: what the faces took is
// stored, spent or carried off, and what the piece lost the air or the drip
// has. The coat's own surface counts.
func TestHeatAndWaterCloseInEveryCoat(t *testing.T) {
	t.Parallel()
	for i, cut := range food.Cuts() {
		for k, coat := range food.CoatIDs() {
			if (i+k)%3 != 0 { // a third of all pairs has every cut and every coat
				continue
			}
			s, err := resolve(typical(cut, coat, 190))
			if err != nil {
				t.Fatal(err)
			}
			s.program.Stages[0].Minutes = 25
			r, err := newRun(&s, nominal, standard)
			if err != nil {
				t.Fatal(err)
			}
			c := &r.classes[0]
			start := c.both(func(b *thermal.Body) float64 { return b.Mass() }) * 1000
			edible := s.massG*(1-cut.Bone*1250/cut.Density()) + s.coating.Grams(s.piece) - s.coating.FilmOil()*s.piece.Surface*100
			if math.Abs(start/edible-1) > 0.04 {
				t.Errorf("%s in %s: the parts weigh %.2f g, the piece %.2f", cut.ID, coat, start, edible)
			}
			r.carry(nil)
			for name, b := range map[string]*thermal.Body{"middle": c.body, "edges": c.edge} {
				if b == nil {
					continue
				}
				l := b.Ledger()
				if d := b.StoredHeat() - l.StartHeat + l.Latent + l.Carried - l.Heat; math.Abs(d) > 0.005*math.Abs(l.Heat) {
					t.Errorf("%s in %s, %s: %.0f of %.0f J/m² astray", cut.ID, coat, name, d, l.Heat)
				}
				if lost := l.StartWater - b.Water(); math.Abs(lost-l.Vapour-l.Drip) > 0.001*lost {
					t.Errorf("%s in %s, %s: lost %.4f kg/m², vapour %.4f and drip %.4f", cut.ID, coat, name, lost, l.Vapour, l.Drip)
				}
			}
		}
	}
}

// What is in the heat before a thing can be said of it is refused: ice.
func TestIceIsRefused(t *testing.T) {
	t.Parallel()
	cut, _ := food.FindCut("fish-strip")
	q := typical(cut, "bare", 190)
	q.Load.StartC = ptr(-1.5)
	var fields refuse.Fields
	if err := Check(q); !errors.As(err, &fields) || fields[0].Field != "load.startC" {
		t.Errorf("−1.5 °C: %v", err)
	}
}

func TestAWrapCountsOnce(t *testing.T) {
	t.Parallel()
	cut, _ := food.FindCut("prawn-wrapped")
	bare, wrapped := quick(t, typical(cut, "bare", 190)), quick(t, typical(cut, food.Wrap, 190))
	if *bare.SafeAtMin != *wrapped.SafeAtMin || bare.End.MassLossPct != wrapped.End.MassLossPct {
		t.Errorf("safe at %v and %v", *bare.SafeAtMin, *wrapped.SafeAtMin)
	}
}
