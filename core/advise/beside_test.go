package advise

import "testing"

// A way is held beside straight heat in whole figures, by what it costs and brings.
func TestAWayBesideStraightHeat(t *testing.T) {
	straight := &Proposal{JuicePct: 70, Crust: 60, Minutes: 20}
	for says, p := range map[string]*Proposal{
		"Much the same as straight heat.":                                                          {JuicePct: 70.4, Crust: 61.4, Minutes: 20.4},
		"Beside straight heat: 1 point of juice more.":                                             {JuicePct: 71, Crust: 60, Minutes: 20},
		"Beside straight heat: 2 points of juice less and 1 minute less.":                          {JuicePct: 68, Crust: 61, Minutes: 19},
		"Beside straight heat: 3 points of juice more, 2 points of crust less and 4 minutes more.": {JuicePct: 73, Crust: 58, Minutes: 24},
	} {
		if got := besideStraight(p, straight); got != says {
			t.Errorf("%q, want %q", got, says)
		}
	}
}
