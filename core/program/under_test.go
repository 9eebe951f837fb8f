package program

import (
	"slices"
	"testing"
)

// The less air comes from below, the later it is crisp and the later safe; a
// greased grate takes none, and lets a coat be turned sooner.
func TestWhatLiesUnderTheFood(t *testing.T) {
	t.Parallel()
	on := func(under string) Answer {
		return quick(t, Request{Load: Load{Cut: "chicken-thigh-chunk", Pieces: 14, PieceMassG: 24, Under: under}, Coat: &Coat{ID: "double-dredge", OilG: 9},
			Program: Program{PreheatMin: 4, Stages: []Stage{{AirC: 190, Minutes: 22}}, Turns: []Turn{{AtMin: 5, Kind: Flip}}}})
	}
	bare := on("")
	last := bare
	for _, under := range Unders {
		now := on(under)
		if *now.SafeAtMin < *last.SafeAtMin-1e-9 || *now.CrispAtMin < *last.CrispAtMin-1e-9 {
			t.Errorf("on %s safe at %.2f and crisp at %.2f, sooner than with more air, %.2f and %.2f", under, *now.SafeAtMin, *now.CrispAtMin, *last.SafeAtMin, *last.CrispAtMin)
		}
		says := slices.ContainsFunc(now.Warnings, func(w Warning) bool { return w.Code == "liner" })
		if wanted := under == Perforated || under == HalfSheet || under == Foil; says != wanted {
			t.Errorf("on %s the liner is spoken of: %v", under, says)
		}
		last = now
	}
	if *last.CrispAtMin < *bare.CrispAtMin+1 || *on(Greased).CrispAtMin != *bare.CrispAtMin {
		t.Errorf("crisp at %.1f on the grate, %.1f on it greased, %.1f on foil", *bare.CrispAtMin, *on(Greased).CrispAtMin, *last.CrispAtMin)
	}
	if err := Check(Request{Load: Load{Cut: "prawn", Pieces: 4, PieceMassG: 18, Under: "straw"}, Program: bare1}); err == nil {
		t.Error("straw was taken")
	}
}

var bare1 = Program{Stages: []Stage{{AirC: 190, Minutes: 9}}}
