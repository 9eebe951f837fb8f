package run

import (
	"fmt"
	"math"
	"testing"

	"velocrustum/core/load"
	"velocrustum/core/load/loadtest"
	"velocrustum/core/refuse/goldentest"
)

// Loads that wait, are brushed, lie beside each other, come from the freezer or are
// fried in oil, and what two drawers on one plug draw, are as they were read.
func TestRunsAreAsTheyWereRead(t *testing.T) {
	if testing.Short() {
		return // it computes: nothing meets in it that does not in others
	}
	t.Parallel()
	var f goldentest.File
	figure := func(v float64) *float64 { // nil for never
		if math.IsNaN(v) || math.IsInf(v, 0) {
			return nil
		}
		return &v
	}
	of := func(name string, l *load.Load, v Variation) {
		r, err := Start(l, v, Coarse)
		if err != nil {
			f.Addf(name, "%v", err)
			return
		}
		n := 0
		r.Carry(func(minute float64) bool {
			if n%12 == 0 {
				for k, lot := range r.Lots {
					f.Add(t, fmt.Sprint(name, " ", k), lot.Moment(minute).Rounded())
				}
			}
			n++
			return true
		})
		for k, lot := range r.Lots {
			at, s, w := lot.Times(), lot.State(), lot.Worst()
			softest, crispest := lot.Crusts()
			f.Add(t, fmt.Sprint(name, " ", k, " when"), []*float64{figure(at.First), figure(at.Safe), figure(at.Tender), figure(at.Crisp), figure(at.Over)})
			f.Addf(fmt.Sprint(name, " ", k, " why"), "%v %s %s", at.Why, s.Lacquer, s.Pathogen)
			f.Add(t, fmt.Sprint(name, " ", k, " end"), []*float64{figure(s.CoreC), figure(s.MassLossPct), figure(s.JuicePct), figure(s.Crust), figure(s.RenderedPct), figure(s.Reductions), figure(w.Crust), figure(w.Palest), figure(w.Brownest), figure(softest), figure(crispest), figure(lot.TipC(3)), figure(lot.Bend()), figure(lot.Shape())})
		}
		f.Add(t, name+" spent", r.EnergyWh())
	}
	made := func(q load.Request) *load.Load {
		l, err := load.Of(q)
		if err != nil {
			t.Fatal(err)
		}
		return l
	}
	for _, hold := range []string{load.HoldWarm, load.HoldRack, load.HoldBowl, load.HoldCovered} {
		of("waits "+hold, made(loadtest.Waited("chicken-drumstick", 5, 112, "starch-dust", 22, 12, hold)), Nominal)
	}
	of("brushed", made(loadtest.BrushedWings(14, 20, 200)), Nominal)
	frozen := loadtest.Usual[1]
	frozen.Load.StartC, frozen.Load.GlazePct, frozen.Load.Clump, frozen.Load.Surface = new(-18.0), 6, 3, ""
	of("frozen", made(frozen), Nominal)
	two := load.Request{Program: load.Program{PreheatMin: 4, Stages: []load.Stage{{AirC: 180, Minutes: 14}, {AirC: 200, Minutes: 10}}, Turns: []load.Turn{{AtMin: 8, Kind: load.Flip}, {AtMin: 16, Kind: load.Shake}}},
		Lots: []load.LotRequest{{Load: loadtest.Usual[0].Load, Coat: loadtest.Usual[0].Coat}, {Load: load.Pieces{Cut: "potato-wedge", Pieces: 12, PieceMassG: 24, Under: load.Foil}, Coat: &load.Covering{ID: "oil-rub", OilG: 6}, InMin: 4}}}
	of("two kinds", made(two), Nominal)
	v := Nominal
	v.Airflow, v.DialC, v.StartC = 0.8, -6, 2
	of("in another fryer", made(loadtest.Usual[2]), v)

	for k, m := range []Medium{HotOil, StillOven} {
		r, err := Start(made(loadtest.Usual[0]), Nominal, Fine)
		if err != nil {
			t.Fatal(err)
		}
		for range 4 {
			r.Only().Immerse(m, 175+25*float64(k), 3)
			core, safe, crust, juice := r.Only().Immersed()
			f.Addf(fmt.Sprint("in ", k), "%v", safe)
			f.Add(t, fmt.Sprint("in ", k), []float64{core, crust, juice})
		}
	}
	twin := &load.Fryer{Drawers: 2, PowerW: new(2400.0)}
	chambers := []load.Chamber{{Request: loadtest.Usual[0]}, {Request: loadtest.Usual[1], StartMin: 5}}
	for k := range chambers {
		chambers[k].Fryer = twin
	}
	loads, starts, err := load.OfChambers(chambers)
	if err != nil {
		t.Fatal(err)
	}
	loads, drawn, err := OnOnePlug(loads, starts)
	f.Addf("one plug", "%v", err)
	f.Add(t, "one plug", drawn)
	for k, l := range loads {
		of(fmt.Sprint("drawer ", k), l, Nominal)
	}
	f.Same(t, "runs.txt")
}
