package ensemble

import (
	"errors"
	"math"
	"testing"

	"velocrustum/core/load"
	"velocrustum/core/refuse"
	"velocrustum/core/units"
)

func TestAPortraitIsWhatTheFryerDoes(t *testing.T) {
	t.Parallel()
	timed := 5.0
	p, err := PortraitOf(load.Fryer{HeatUpMin: &timed, DialOffsetC: -6}, 0, units.Household{})
	if err != nil {
		t.Fatal(err)
	}
	if p.DialC != 200 || !p.Timed || p.HeatUpMin != 5 || p.SettlesC != 194 {
		t.Errorf("%+v", p)
	}
	last := p.Curve[len(p.Curve)-1]
	if math.Abs(last.AirC-p.SettlesC) > 2 {
		t.Errorf("settles at %.1f °C, the curve ends at %.1f", p.SettlesC, last.AirC)
	}
	for i, at := range p.Curve {
		if at.LowC > at.AirC+1e-9 || at.HighC < at.AirC-1e-9 {
			t.Errorf("minute %g: %.1f °C is outside %.1f to %.1f", at.Minute, at.AirC, at.LowC, at.HighC)
		}
		if i > 0 && at.AirC < p.Curve[i-1].AirC-0.5 {
			t.Errorf("minute %g: the air falls to %.1f °C", at.Minute, at.AirC)
		}
	}
	// Timed is surer than not, and asks for one thing less.
	loose, err := PortraitOf(load.Fryer{}, 0, units.Household{})
	if err != nil {
		t.Fatal(err)
	}
	at := p.Curve[12]
	if own, kind := at.HighC-at.LowC, loose.Curve[12].HighC-loose.Curve[12].LowC; own >= kind {
		t.Errorf("at minute 3 a timed fryer is known to %.0f K, another to %.0f", own, kind)
	}
	if len(p.Wanted) != 0 || len(loose.Wanted) != 1 || loose.Wanted[0].Field != "heatUpMin" {
		t.Errorf("wanted of a timed one %v, of another %v", p.Wanted, loose.Wanted)
	}
	var fields refuse.Fields
	if _, err := PortraitOf(load.Fryer{}, 260, units.Household{}); !errors.As(err, &fields) || fields[0].Field != "dialC" {
		t.Errorf("a dial of 260: %v", err)
	}
	slow := 30.0
	if err := load.CheckFryer(load.Fryer{HeatUpMin: &slow}); !errors.As(err, &fields) || fields[0].Field != "fryer.heatUpMin" {
		t.Errorf("half an hour to 200 °C: %v", err)
	}
}
