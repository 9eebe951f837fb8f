package advise

import (
	"context"
	"errors"
	"math"
	"strings"
	"testing"

	"velocrustum/core/load"
	"velocrustum/core/load/loadtest"
	"velocrustum/core/refuse"
)

func TestConversionKeepsTheInside(t *testing.T) {
	if testing.Short() {
		return // it computes: nothing meets in it that does not in others
	}
	t.Parallel()
	fillet := load.Request{Load: load.Pieces{Cut: "fish-fillet-white", Pieces: 2, PieceMassG: 140}, Coat: &load.Covering{ID: "three-bowl-crumb", OilG: 6}, Program: load.Program{PreheatMin: 4}}
	c, err := Convert(context.Background(), fillet, FormerWay{FromOil, 180, 6})
	if err != nil {
		t.Fatal(err)
	}
	end := lastOf(c.Proposal).CoreC
	if !c.Source.Safe || math.Abs(end-max(c.Source.CoreC, 63)) > 12 {
		t.Errorf("oil ends at %.0f °C, the program at %.0f", c.Source.CoreC, end)
	}
	if c.Proposal.Minutes <= 6 || !strings.Contains(c.Says, "less heat than fat") {
		t.Errorf("%.0f min: %s", c.Proposal.Minutes, c.Says)
	}
	// Longer in the oil is hotter inside, and so longer here.
	long, err := Convert(context.Background(), fillet, FormerWay{FromOil, 180, 7.5})
	if err != nil {
		t.Fatal(err)
	}
	if long.Source.CoreC <= c.Source.CoreC || lastOf(long.Proposal).CoreC < end {
		t.Errorf("7.5 min in oil: %.0f °C there, %.0f here; 6 min: %.0f and %.0f", long.Source.CoreC, lastOf(long.Proposal).CoreC, c.Source.CoreC, end)
	}
	// Raw in the middle is not converted, but cooked on.
	short, err := Convert(context.Background(), fillet, FormerWay{FromOil, 180, 2})
	if err != nil {
		t.Fatal(err)
	}
	if short.Source.Safe || loadtest.OrLate(short.Proposal.SafeByMin) > short.Proposal.Minutes+0.5 {
		t.Errorf("two minutes in oil: %+v", short.Source)
	}
	oven, err := Convert(context.Background(), loadtest.DozenWings(), FormerWay{FromOven, 210, 45})
	if err != nil {
		t.Fatal(err)
	}
	if oven.Proposal.Minutes >= 40 || oven.Source.JuicePct >= oven.Proposal.JuicePct {
		t.Errorf("45 min of oven became %.0f, with %.0f %% juice for %.0f", oven.Proposal.Minutes, oven.Proposal.JuicePct, oven.Source.JuicePct)
	}
}

func TestPresetsAreJudged(t *testing.T) {
	if testing.Short() {
		return // it computes: nothing meets in it that does not in others
	}
	t.Parallel()
	for minutes, fit := range map[float64]string{6: "short", 22: "fits", 50: "long"} {
		c, err := Convert(context.Background(), loadtest.DozenWings(), FormerWay{FromPreset, 200, minutes})
		if err != nil {
			t.Fatal(err)
		}
		if string(c.Fit) != fit || (c.Proposal == nil) != (fit == "fits") {
			t.Errorf("%g min at 200 °C: %s, want %s: %s", minutes, c.Fit, fit, c.Says)
		}
	}
	var fields refuse.Fields
	for _, r := range []FormerWay{{"pan", 180, 5}, {FromOil, 400, 5}, {FromOven, 200, 0}} {
		if _, err := Convert(context.Background(), loadtest.DozenWings(), r); !errors.As(err, &fields) {
			t.Errorf("%+v gave %v", r, err)
		}
	}
}
