package crust

import (
	"math"
	"testing"
)

func TestThickerIsCrisper(t *testing.T) {
	last := -1.0
	for halves := 0.0; halves < 10; halves += 0.1 {
		c := Crispness(halves)
		if c <= last || c > 100 {
			t.Fatalf("%.2f half thicknesses: %g after %g", halves, c, last)
		}
		last = c
	}
	if c := Crispness(1); math.Abs(c-50) > 1e-9 {
		t.Errorf("half thickness gives %g", c)
	}
	if Words(-3) != "soggy" || Words(65) != "crisp" || Words(140) != "brittle through" {
		t.Error("the words do not fit the scale")
	}
}

func TestBrowning(t *testing.T) {
	after := func(minutes, c, x, gain float64) Stage {
		b := Browner{Gain: gain}
		for range int(minutes * 60) {
			b.Add(1, c, x)
		}
		return b.Stage
	}
	plain := after(10, 140, 0.02, 1)
	for name, more := range map[string]Stage{
		"hotter": after(10, 150, 0.02, 1), "longer": after(12, 140, 0.02, 1), "more alkaline": after(10, 140, 0.02, Gain(0, 0.8, 1, 1)), "sweeter": after(10, 140, 0.02, Gain(3, 0, 1, 1)),
	} {
		if more <= plain {
			t.Errorf("%s browns to %.2f, plain to %.2f", name, more, plain)
		}
	}
	if wet := after(10, 140, 1, 1); wet >= plain {
		t.Errorf("wet browns to %.2f, dry to %.2f", wet, plain)
	}
	if Gain(0, 0, 1, 0) >= Gain(0, 0, 1, 1) {
		t.Error("a dry coat browns as an oiled one")
	}
	// Ten kelvins at 160 °C raise the rate by exp(E/R·ΔT/T²), 1.63 to 1.67, a little
	// less as reactants run out.
	if r := after(0.1, 165, 0, 1) / after(0.1, 155, 0, 1); r < 1.55 || r > 1.7 {
		t.Errorf("ten kelvins change the rate %.2f times", r)
	}
}

func TestColourDarkensWithoutJumps(t *testing.T) {
	raw := [3]float64{70, 8, 14}
	last := Colour(raw, 0)
	if last != raw {
		t.Errorf("raw is shown as %v", last)
	}
	for s := Stage(0.01); s < 6; s += 0.01 {
		lab := Colour(raw, s)
		for k := range lab {
			if math.Abs(lab[k]-last[k]) > 1.2 {
				t.Fatalf("stage %.2f jumps from %v to %v", s, last, lab)
			}
		}
		last = lab
	}
	if last[0] > 20 {
		t.Errorf("charred is as light as %v", last)
	}
}
