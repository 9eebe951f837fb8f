package fryer

import (
	"math"
	"slices"
	"testing"
)

func TestInferredFryersLookLikeThoseInShops(t *testing.T) {
	for _, c := range []struct {
		known  ReadOff
		side   float64 // mm: width, or diameter
		powerW float64
	}{
		{ReadOff{Kind: Drawer, Shape: Rectangle, Litres: 5}, 230, 1500},
		{ReadOff{Kind: Drawer, Shape: Round, Litres: 3}, 205, 1200},
		{ReadOff{Kind: Drawer, Litres: 8, Drawers: 2}, 175, 2000},
		{ReadOff{Kind: Oven, Litres: 12}, 285, 1450},
		{ReadOff{Kind: Oven, Litres: 25}, 365, 2050},
	} {
		got, err := Infer(c.known)
		if err != nil {
			t.Fatal(err)
		}
		side := math.Max(got.Basket.WidthMm, got.Basket.DiameterMm)
		if math.Abs(side-c.side) > 0.12*c.side || math.Abs(got.PowerW-c.powerW) > 0.15*c.powerW {
			t.Errorf("%+v: side %.0f mm and %.0f W, want about %.0f and %.0f", c.known, side, got.PowerW, c.side, c.powerW)
		}
		if got.Airflow < 0.7 || got.Airflow > 1.25 {
			t.Errorf("%+v: airflow %g", c.known, got.Airflow)
		}
	}
}

func TestWhatIsKnownIsNotGuessed(t *testing.T) {
	got, err := Infer(ReadOff{Kind: Drawer, Shape: Round, Litres: 4, PowerW: 1700})
	if err != nil {
		t.Fatal(err)
	}
	for _, name := range []string{"powerW", "litres", "shape"} {
		if slices.Contains(got.Guessed, name) {
			t.Errorf("%s was known and is called inferred", name)
		}
	}
	if got.PowerW != 1700 || got.Basket.Shape != Round || !slices.Contains(got.Guessed, "basket") {
		t.Errorf("%+v", got)
	}
	weak, err := Infer(ReadOff{Kind: Drawer, Shape: Round, Litres: 4, PowerW: 900})
	if err != nil || weak.Airflow >= got.Airflow {
		t.Errorf("airflow %g at 900 W, %g at 1700", weak.Airflow, got.Airflow)
	}
	if _, err := Infer(ReadOff{Kind: "kettle"}); err == nil {
		t.Error("a kettle was taken for a fryer")
	}
	if _, err := Infer(ReadOff{Kind: Drawer, Litres: 90}); err == nil {
		t.Error("90 litres were taken")
	}
}
