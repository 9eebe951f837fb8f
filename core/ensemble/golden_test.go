package ensemble

import (
	"fmt"
	"math"
	"testing"

	"velocrustum/core/fryer"
	"velocrustum/core/load"
	"velocrustum/core/load/loadtest"
	"velocrustum/core/refuse/goldentest"
	"velocrustum/core/units"
)

// What varies, when what happens over all of it, and portraits are as they were read.
func TestWhatVariesIsAsItWasRead(t *testing.T) {
	if testing.Short() {
		return // it computes: nothing meets in it that does not in others
	}
	t.Parallel()
	var f goldentest.File
	learnt := &load.Learnt{Cooks: 4, Mean: [load.LearntFigures]float64{-0.1, -5, 0.12, 0.08},
		Covariance: [load.LearntFigures][load.LearntFigures]float64{{0.006, 0.05, 0, 0.001}, {0.05, 6, 0.02, 0.01}, {0, 0.02, 0.02, 0}, {0.001, 0.01, 0, 0.01}}, Hands: map[string]load.Hand{"chicken-wing-flat": {Mean: 0.04, Sd: 0.02}}}
	fryers := []load.Fryer{{}, {HeatUpMin: new(4.5), Airflow: new(0.8), DialOffsetC: -6}, {HeatUpMin: new(4.5), Inferred: []string{"heatUpMin", "airflow", "basket", "powerW", "dial"}}, {Kind: string(fryer.Oven), PowerW: new(2000.0), RoomC: new(17.0)},
		{Drawers: 2, PowerW: new(2400.0)}, {Drawers: 2, PowerW: new(2400.0), DrawerPowerW: new(1500.0), Drawer: load.Left}, {Learnt: learnt, AboveSeaM: 1500, FridgeC: new(7.0)}}
	for i, of := range fryers {
		name := fmt.Sprint("fryer ", i)
		for _, dialC := range []float64{0, 150} {
			for _, say := range []units.Household{{}, {Temperature: units.Fahrenheit}} {
				p, err := PortraitOf(of, dialC, say)
				f.Addf(name, "%v", err)
				f.Add(t, name+" portrait", p)
			}
		}
		m, err := load.MachineOf(of)
		if err != nil {
			t.Fatal(err)
		}
		said, lasting, evening := FryerPrior(&m)
		f.Add(t, name+" prior", []any{said, lasting, evening})
		for k, q := range append([]load.Request{loadtest.DozenWings()}, loadtest.Usual[1:]...) {
			q.Fryer = &of
			if k == 1 {
				q.Load.ThicknessMm, q.Load.SpreadPct = new(17.0), new(14.0)
			}
			if k == 2 {
				q.Load.StartC = new(-18.0)
			}
			l, err := load.Of(q)
			if err != nil {
				t.Fatal(err)
			}
			v := SpreadOf(&l.Machine, l.Lots...)
			f.Addf(fmt.Sprint(name, " varies ", k), "%.5g hand %.5g size %.5g apart %.5g", []float64{v.Piece, v.Mean, v.Airflow, v.DialC, v.StartC, v.HeatUp, v.Wicks, v.Browns}, HandSd(l.Only()), v.Size(), v.Apart().Browns)
			for _, z := range []Point{{}, {1, -1, 0.5, 2, -1, 1, 0.3}} {
				at := v.At(&z)
				f.Addf(fmt.Sprint(name, " at ", k), "%.5g %.5g %.5g %.5g %.5g %.5g %.5g", at.Sizes, at.Airflow, at.DialC, at.StartC, at.HeatUp, at.Wicks, at.Browns)
			}
		}
	}
	figures := func(name string, e *Ensemble) {
		for k, minutes := range [][]float64{e.First, e.Safe, e.Crisp, e.Over} {
			of, all := []string{"first", "safe", "crisp", "over"}[k], Sorted(minutes)
			for _, q := range []float64{0.05, 0.5, 0.95} {
				if m := Quantile(all, q); m != nil {
					f.Addf(fmt.Sprint(name, " ", of, " ", q), "%.5g", *m)
				} else {
					f.Addf(fmt.Sprint(name, " ", of, " ", q), "never")
				}
			}
			f.Addf(name+" "+of+" by 15", "%.5g", Share(all, 15))
		}
		for i := 0; i < len(e.Core); i += 9 {
			f.Addf(fmt.Sprint(name, " core ", i), "%.5g", e.Core[i])
		}
		f.Addf(name, "%d runs, slip %.4g, narrower %+v, narrowed %.4g", e.Runs, math.Round(100*e.SlipMin)/100, e.Narrower, e.Narrowed)
	}
	known := loadtest.DozenWings()
	known.Fryer = &load.Fryer{Learnt: learnt}
	short := loadtest.Usual[2]
	short.Program.Stages = []load.Stage{{AirC: 160, Minutes: 8}}
	frozen := loadtest.Usual[0]
	frozen.Load.StartC, frozen.Load.Pieces = new(-18.0), 3
	two := load.Request{Program: loadtest.Usual[0].Program, Lots: []load.LotRequest{{Load: load.Pieces{Cut: "chicken-drumstick", Pieces: 3, PieceMassG: 110}}, {Load: load.Pieces{Cut: "potato-wedge", Pieces: 8, PieceMassG: 26}, InMin: 4}}}
	for i, q := range []load.Request{known, short, frozen, two} {
		l, err := load.Of(q)
		if err != nil {
			t.Fatal(err)
		}
		lots, whole, err := Of(t.Context(), l)
		if err != nil {
			t.Fatal(err)
		}
		for k, e := range append(lots, whole) {
			figures(fmt.Sprint("load ", i, " ", k), e)
		}
		by, err := SafeBy(t.Context(), l)
		f.Add(t, fmt.Sprint("load ", i, " safe by"), by)
		f.Addf(fmt.Sprint("load ", i), "%v", err)
	}
	f.Same(t, "varies.txt")
}
