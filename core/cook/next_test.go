package cook

import (
	"strings"
	"testing"

	"velocrustum/core/program"
)

// The plan is 22 minutes.
func TestNextTimeFollowsTheDifference(t *testing.T) {
	for _, c := range []struct {
		name   string
		out    float64 // minutes in
		seen   *program.Foreseen
		safeBy *float64
		crust  string
		by     float64 // 0 for nothing
		says   string
	}{
		{"as planned", 22.3, nil, ptr(15.0), "", 0, ""},
		{"longer", 26, nil, ptr(15.0), "", 4, "4 min more"},
		{"sooner and safe", 19, nil, ptr(15.0), "", -3, "3 min less"},
		{"sooner than is safe", 14, nil, ptr(19.5), "", -2, "surely safe"},
		{"sooner by an unknown fryer", 19, nil, nil, "", 0, ""},
		{"what was seen is slower", 22, &program.Foreseen{SafeByMin: ptr(24.2)}, ptr(15.0), "", 3, "by what was seen"},
		{"soft", 22, nil, ptr(15.0), CrustSoft, 2, "came out soft"},
		{"burnt", 22, nil, ptr(15.0), CrustBurnt, -2, "came out burnt"},
		{"burnt and not safe sooner", 22, nil, ptr(21.6), CrustBurnt, 0, ""},
	} {
		l := plan()
		say(t, &l, 4, Loaded, 0)
		say(t, &l, 4+c.out, Out, 0)
		got := l.NextTime(c.seen, c.safeBy, c.crust)
		switch {
		case c.by == 0 && got != nil:
			t.Errorf("%s: %+v", c.name, got)
		case c.by != 0 && (got == nil || got.Minutes != c.by || !strings.Contains(got.Says, c.says)):
			t.Errorf("%s: %+v, want %g", c.name, got, c.by)
		}
	}
	l := plan()
	say(t, &l, 4, Loaded, 0)
	if l.NextTime(nil, nil, CrustBurnt) != nil {
		t.Error("proposed while it is in")
	}
}
