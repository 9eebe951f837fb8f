package cook_test

import (
	"testing"

	"velocrustum/core/cook"
)

func TestRatingsOfLots(t *testing.T) {
	good := []cook.Rating{{Crust: "good"}, {Crust: "pale", Inside: "dry"}}
	if err := cook.CheckRatings(good, 2); err != nil {
		t.Error(err)
	}
	if err := cook.CheckRatings(nil, 1); err != nil {
		t.Error(err)
	}
	for name, bad := range map[string]error{
		"one of two":             cook.CheckRatings(good[:1], 2),
		"two of one":             cook.CheckRatings(good, 1),
		"one where there is one": cook.CheckRatings(good[:1], 1),
		"an unknown crust":       cook.CheckRatings([]cook.Rating{{}, {Crust: "loud"}}, 2),
		"an unknown inside":      cook.CheckRatings([]cook.Rating{{}, {Inside: "loud"}}, 2),
	} {
		if bad == nil {
			t.Errorf("%s is taken", name)
		}
	}
}

func TestWhatRatingsHaveInCommon(t *testing.T) {
	for _, c := range []struct {
		said []string
		want string
	}{
		{nil, ""}, {[]string{"", ""}, ""}, {[]string{"good", "good"}, "good"}, {[]string{"good", ""}, "good"},
		{[]string{"good", "pale"}, "pale"}, {[]string{"pale", "", "pale"}, "pale"}, {[]string{"pale", "burnt"}, ""}, {[]string{"good", "pale", "hard"}, ""},
	} {
		got := ""
		if p := cook.InCommon(c.said); p != nil {
			got = *p
		}
		if got != c.want {
			t.Errorf("%q have %q in common, want %q", c.said, got, c.want)
		}
	}
}
