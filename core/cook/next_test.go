package cook

import (
	"strings"
	"testing"
)

// The plan is 22 minutes.
func TestNextTimeFollowsTheDifference(t *testing.T) {
	by := func(all ...float64) (out []*float64) {
		for _, m := range all {
			out = append(out, ptr(m))
		}
		return out
	}
	for _, c := range []struct {
		name   string
		out    float64 // minutes in
		safeBy []*float64
		raw    bool
		crust  string
		by     float64 // 0 for nothing
		says   string
	}{
		{"as planned", 22.3, by(15), false, "good", 0, ""},
		{"longer", 26, by(15), false, "good", 4, "4 min more"},
		{"longer, and not rated", 26, by(15), false, "", 0, ""},
		{"sooner and safe", 19, by(15), false, "good", -3, "3 min less"},
		{"sooner, not shown safe", 19, by(15), true, "good", 0, ""},
		{"sooner than is safe", 19, by(20.5), false, "good", -1, "1 min less"},
		{"sooner by an unknown fryer", 19, []*float64{nil}, false, "good", 0, ""},
		{"what was seen is slower", 22, by(15, 24.2), false, "good", 3, "surely safe only then"},
		{"a reading too warm after a plan that is safe late", 19, by(21.5, 12), false, "good", 0, ""},
		{"forgotten", 46, by(15), false, "hard", 0, "24 min after its plan"},
		{"taken out raw", 2, by(13), true, "pale", 0, "says nothing of the dish"},
		{"soft", 22, by(15), false, CrustSoft, 2, "came out soft"},
		{"burnt", 22, by(15), false, CrustBurnt, -2, "came out burnt"},
		{"burnt and not safe sooner", 22, by(21.6), false, CrustBurnt, 0, ""},
	} {
		l := plan()
		say(t, &l, 4, Loaded, 0)
		say(t, &l, 4+c.out, Out, 0)
		got := l.NextTime(c.crust, c.raw, c.safeBy...)
		switch {
		case c.says == "" && got != nil:
			t.Errorf("%s: %+v", c.name, got)
		case c.says != "" && (got == nil || got.Minutes != c.by || !strings.Contains(got.Says, c.says)):
			t.Errorf("%s: %+v, want %g", c.name, got, c.by)
		}
	}
	l := plan()
	say(t, &l, 4, Loaded, 0)
	if l.NextTime(CrustBurnt, false) != nil {
		t.Error("proposed while it is in")
	}
}
