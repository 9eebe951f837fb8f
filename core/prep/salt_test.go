package prep

import (
	"math"
	"testing"

	"velocrustum/core/food"
)

func cutOf(t testing.TB, id string) food.Cut {
	t.Helper()
	c, err := food.FindCut(id)
	if err != nil {
		t.Fatal(err)
	}
	return c
}

func salted(t testing.TB, id string, massG float64, pieces int, b Bath) Salted {
	t.Helper()
	c := cutOf(t, id)
	s, err := Salt(LotOf(c, massG, 0, pieces), b)
	if err != nil {
		t.Fatal(err)
	}
	return s
}

// A slab between two faces in an endless bath: Crank, The Mathematics of
// Diffusion, eq. 4.18.
func TestSaltFollowsTheAnalyticProfile(t *testing.T) {
	cut := cutOf(t, "chicken-breast-cutlet")
	piece := food.Piece{Form: food.Slab, Thickness: 0.020, Length: 1, Width: 1}
	piece.Volume = piece.Thickness
	piece.Surface = 2 // faces only: a slab without edges
	const hours = 6
	s, err := Salt(Lot{Cut: cut, Piece: piece, Pieces: 1}, Bath{SaltG: 5e7, WaterG: 1e9, TempC: 4, Hours: hours})
	if err != nil {
		t.Fatal(err)
	}
	const l = 0.010
	fo := 3e-10 * hours * 3600 / (l * l)
	mean := 1.0
	for n := range 60 {
		k := float64(2*n+1) * math.Pi / 2
		mean -= 2 / (k * k) * math.Exp(-k*k*fo)
	}
	if got := s.MeanPct / s.EquilibriumPct; math.Abs(got-mean) > 0.01 {
		t.Errorf("mean uptake %.3f, analytic %.3f", got, mean)
	}
	at := func(depth float64) float64 {
		c := 1.0
		for n := range 60 {
			k := float64(2*n+1) * math.Pi / 2
			sign := 1 - 2*float64(n%2)
			c -= 2 * sign / k * math.Exp(-k*k*fo) * math.Cos(k*(1-depth/l))
		}
		return c
	}
	for _, p := range s.Profile {
		if got, want := p.Pct/s.EquilibriumPct, at(p.Mm/1000); math.Abs(got-want) > 0.015 {
			t.Errorf("%.1f mm in: %.3f, analytic %.3f", p.Mm, got, want)
		}
	}
}

func TestSaltIsNeitherMadeNorLost(t *testing.T) {
	for name, b := range map[string]Bath{
		"brine": {SaltG: 60, WaterG: 1000, TempC: 4, Hours: 8}, "dry": {SaltG: 9, TempC: 4, Hours: 24}, "soak": {SaltG: 10, WaterG: 2000, TempC: 10, Hours: 0.5},
	} {
		cut := cutOf(t, "fish-fillet-white")
		s := salted(t, "fish-fillet-white", 140, 6, b)
		inside := s.MeanPct / 100 * 6 * 140
		if math.Abs(inside-s.TakenG) > 0.02*s.TakenG+0.01 {
			t.Errorf("%s: %.2f g in the flesh, %.2f g gone from the bath", name, inside, s.TakenG)
		}
		if s.TakenG > b.SaltG || s.MeanPct > s.EquilibriumPct*1.001 || s.CentrePct > s.MeanPct {
			t.Errorf("%s: %+v", name, s)
		}
		_ = cut
	}
}

// 1 kg of breast in 1 l of a 6 % brine: the salt shares out over both waters.
func TestBrineEquilibriumByHand(t *testing.T) {
	s := salted(t, "chicken-breast-cutlet", 125, 8, Bath{SaltG: 60, WaterG: 1000, TempC: 4, Hours: 90})
	byHand := 60.0 / (1000 + 750) * 0.75 * 100
	if math.Abs(s.EquilibriumPct-byHand) > 0.03 {
		t.Errorf("evens out at %.2f %%, by hand %.2f", s.EquilibriumPct, byHand)
	}
	if math.Abs(s.MeanPct-s.EquilibriumPct) > 0.05*s.EquilibriumPct || s.To80Hours <= 0 || s.To80Hours > 30 {
		t.Errorf("after 90 hours %.2f %%, four fifths at %.1f h", s.MeanPct, s.To80Hours)
	}
}

func TestSaltSense(t *testing.T) {
	b := Bath{SaltG: 10, TempC: 4, Hours: 6}
	thin, thick := salted(t, "chicken-breast-chunk", 12, 40, b), salted(t, "chicken-breast-chunk", 40, 12, b)
	if thick.CentrePct >= thin.CentrePct || thick.To80Hours <= thin.To80Hours {
		t.Errorf("thicker: centre %.2f for %.2f, four fifths at %.1f h for %.1f", thick.CentrePct, thin.CentrePct, thick.To80Hours, thin.To80Hours)
	}
	warm := b
	warm.TempC = 20
	if w := salted(t, "chicken-breast-chunk", 40, 12, warm); w.CentrePct <= thick.CentrePct {
		t.Error("warmer is slower")
	}
	skin, bare := salted(t, "chicken-drumstick", 115, 8, b), salted(t, "chicken-thigh-boneless", 115, 8, b)
	if skin.To80Hours <= bare.To80Hours {
		t.Errorf("through skin %.1f h, without %.1f", skin.To80Hours, bare.To80Hours)
	}
	twice := b
	twice.SaltG *= 2
	if w := salted(t, "chicken-breast-chunk", 40, 24, twice); math.Abs(w.MeanPct-thick.MeanPct) > 0.01 {
		t.Errorf("twice the meat with twice the salt has %.2f %%, once %.2f", w.MeanPct, thick.MeanPct)
	}
}

// The more even it is to be, the longer it takes; at the time given the
// middle has the share asked for.
func TestEvennessTakesItsTime(t *testing.T) {
	cut := cutOf(t, "chicken-breast-cutlet")
	lot := LotOf(cut, 140, 0, 2)
	last := 0.0
	for _, share := range []float64{0.2, 0.5, 0.8} {
		got, err := Salt(lot, Bath{SaltG: 2.8, TempC: 4, Hours: 4, Even: share})
		if err != nil || got.EvenHours <= last {
			t.Fatalf("%g of the mean after %g h, less after %g (%v)", share, got.EvenHours, last, err)
		}
		last = got.EvenHours
		then, err := Salt(lot, Bath{SaltG: 2.8, TempC: 4, Hours: last})
		if err != nil || then.CentrePct < share*then.MeanPct*0.98 || then.CentrePct > share*then.MeanPct*1.08 {
			t.Errorf("after %g h the middle has %.3f %%, the mean %.3f, wanted %g of it (%v)", last, then.CentrePct, then.MeanPct, share, err)
		}
	}
}
