package units

import "testing"

func TestAHouseholdReadsItsOwnUnits(t *testing.T) {
	metric, pound := Household{Celsius, Gram, MetricSpoons}, Household{Fahrenheit, Ounce, USSpoons}
	for _, c := range []struct {
		what, metric, pound string
		say                 func(Household) string
	}{
		{"the fridge", "4 °C", "39 °F", func(h Household) string { return h.Degrees(4) }},
		{"a wing", "42 g", "1.5 oz", func(h Household) string { return h.Grams(42) }},
		{"a rub", "7.5 g", "0.26 oz", func(h Household) string { return h.Grams(7.5) }},
		{"a whole gram", "9 g", "0.32 oz", func(h Household) string { return h.Grams(9.04) }},
		{"a cutlet", "16 mm", "5/8 inch", func(h Household) string { return h.Millimetres(16) }},
		{"a belly", "38 mm", "1 1/2 inch", func(h Household) string { return h.Millimetres(38) }},
		{"a skin", "0 mm", "under 1/16 inch", func(h Household) string { return h.Millimetres(0.4) }},
		{"two inches", "51 mm", "2 inch", func(h Household) string { return h.Millimetres(50.8) }},
		{"a brine", "1 l", "1.1 quarts", func(h Household) string { return h.Litres(1000) }},
		{"a quart", "0.9 l", "1 quart", func(h Household) string { return h.Litres(946) }},
		{"a spoon", "1 tsp", "1 tsp", func(h Household) string { return h.Spooned(5) }},
	} {
		if got := c.say(metric); got != c.metric {
			t.Errorf("%s is %q, not %q", c.what, got, c.metric)
		}
		if got := c.say(pound); got != c.pound {
			t.Errorf("%s is %q, not %q", c.what, got, c.pound)
		}
	}
	if g, says := pound.Whole(); g < 453 || g > 454 || says != "1 lb" {
		t.Errorf("a pound is %g g, %q", g, says)
	}
}
