package load_test

import (
	"fmt"
	"maps"
	"slices"
	"testing"

	"velocrustum/core/food"
	"velocrustum/core/fryer"
	"velocrustum/core/load"
	"velocrustum/core/load/loadtest"
	"velocrustum/core/refuse/goldentest"
)

// What is taken of requests, and the machine that is made of a fryer, are as they were read.
func TestRequestsAreTakenAsTheyWereRead(t *testing.T) {
	t.Parallel()
	var f goldentest.File
	for _, name := range slices.Sorted(maps.Keys(load.Limits)) {
		f.Add(t, "limit "+name, load.Limits[name])
	}
	f.Add(t, "first", []any{load.FirstLoad, load.FirstCoat, load.FirstProgram})
	f.Add(t, "presets", load.Presets)
	fryers := []load.Fryer{{}, {HeatUpMin: new(4.5), Airflow: new(0.8), DialOffsetC: -6, AboveSeaM: 1600}, {HeatUpMin: new(4.5), Inferred: []string{"heatUp"}}, {PowerW: new(1300.0), Basket: &fryer.Basket{Shape: fryer.Round, DiameterMm: 210}, RoomC: new(17.0)},
		{Rack: true}, {Drawers: 2, PowerW: new(2400.0)}, {Drawers: 2, PowerW: new(2400.0), DrawerPowerW: new(1500.0), Drawer: load.Left}, {Kind: string(fryer.Oven), Trays: 2, Grill: new(800.0)}}
	for _, k := range fryer.Kinds {
		fryers = append(fryers, load.Fryer{Kind: string(k)}, load.Fryer{Kind: string(k), PowerW: new(1900.0), Dial: &load.Dial{MinC: 60, MaxC: 230, StepC: 10}})
	}
	for i, one := range fryers {
		name := fmt.Sprint("fryer ", i)
		m, err := load.MachineOf(one)
		f.Addf(name, "%v", err)
		f.Add(t, name, m)
		f.Add(t, name+" by itself", m.InDrawer())
		for _, q := range loadtest.Usual {
			q.Fryer = &one
			if l, err := load.Of(q); err == nil {
				f.Add(t, name+" takes", []int{m.Most(l.Only().Piece), m.Comfortable(l.Only().Piece), l.Room(l.Only())})
				f.Add(t, name+" lies", l.Lies(l.Only()))
			}
		}
	}
	of := func(name string, q load.Request) {
		l, err := load.Of(q)
		f.Addf(name, "%v", err)
		if err != nil {
			return
		}
		for _, lot := range l.Lots {
			one := *lot
			one.Out, one.Cut, one.Was, one.Coating = l.End(lot), food.Cut{}, food.Before{}, food.Coating{}
			f.Add(t, name, one)
			f.Addf(name, "%s %+v %s %v %v", lot.Outside(), lot.Liner(), lot.Coating.ID, lot.State, lot.Coating.Oiled())
		}
		f.Add(t, name+" program", l.Program)
		f.Add(t, name+" hottest", l.HottestC())
	}
	coats := []string{"", "oil-rub", "three-bowl-crumb", "leavened-rub", "double-dredge"}
	for k, cut := range []string{"chicken-drumstick", "chicken-wing-flat", "fish-fillet-white", "pork-belly-slice", "prawn", "potato-wedge", "chicken-breast-whole"} {
		for i, p := range []load.Pieces{{}, {Surface: "racked", ThicknessMm: new(22.0), Under: load.Perforated}, {StartC: new(-18.0), GlazePct: 6, Clump: 3, State: "par-fried", Inside: "raw", Under: load.Foil}, {State: "cooked", SpreadPct: new(20.0), SurfaceWaterG: new(0.4), Under: load.Greased}, {Under: load.HalfSheet, Surface: "wet"}} {
			coat := coats[(i+k)%len(coats)]
			p.Cut, p.Pieces, p.PieceMassG = cut, 6, 60
			q := load.Request{Load: p, Program: loadtest.Usual[0].Program}
			if coat != "" {
				q.Coat = &load.Covering{ID: coat, OilG: 4, SugarPct: float64(i), SaltPct: 0.4 * float64(i)}
			}
			of(fmt.Sprint(cut, " ", coat, " ", i), q)
		}
	}
	two := load.Request{Guidance: "uk", CrustWanted: new(50.0), Likes: load.Likes{CrustMore: 8, BrowningMore: -0.2}, Program: load.Program{PreheatMin: 4, Stages: []load.Stage{{AirC: 180, Minutes: 14}, {AirC: 200, Minutes: 8}}, Turns: []load.Turn{{AtMin: 9, Kind: load.Flip}, {AtMin: 15, Kind: load.Shake}}},
		Lots: []load.LotRequest{{Load: load.Pieces{Cut: "chicken-drumstick", Pieces: 4, PieceMassG: 110}, Coat: &load.Covering{ID: "oil-rub", OilG: 4}}, {Name: "Chips", Load: load.Pieces{Cut: "potato-wedge", Pieces: 14, PieceMassG: 24}, InMin: 4, OutMin: new(20.0), CrustWanted: new(40.0)}}}
	of("two lots", two)
	two.Fryer = &load.Fryer{Drawers: 2, PowerW: new(2400.0)}
	of("two lots in two drawers", two)
	f.Same(t, "requests.txt")
}
