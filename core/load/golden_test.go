package load_test

import (
	"encoding/json"
	"fmt"
	"maps"
	"math/rand/v2"
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

// Requests that are spoilt in one place are refused, or taken, as they were read.
func TestSpoiltRequestsAreRefusedAsTheyWereRead(t *testing.T) {
	t.Parallel()
	var f goldentest.File
	honey := &load.Brush{Parts: []food.Mixed{{Ingredient: "honey", Share: 2}, {Ingredient: "mustard", Share: 1}}, G: 12, Both: true}
	whole := loadtest.DozenWings()
	whole.Load.ThicknessMm, whole.Load.StartC, whole.Load.SpreadPct, whole.Load.SurfaceWaterG = new(19.0), new(6.0), new(12.0), new(0.3)
	whole.Coat.SugarPct, whole.Coat.SaltPct, whole.CrustWanted, whole.Guidance = 1.5, 0.8, new(70.0), "us"
	whole.Program.Turns = append(whole.Program.Turns, load.Turn{AtMin: 20, Kind: load.BrushOn, Brush: honey})
	whole.Fryer = &load.Fryer{Kind: "drawer", PowerW: new(1500.0), HeatUpMin: new(4.0), Airflow: new(0.9), DialOffsetC: -4, AboveSeaM: 400, RoomC: new(20.0), Dial: &load.Dial{MinC: 80, MaxC: 200, StepC: 5}, Basket: &fryer.Basket{Shape: fryer.Rectangle, WidthMm: 230, DepthMm: 230},
		Learnt: &load.Learnt{Cooks: 3, Mean: [load.LearntFigures]float64{0.1, 2, 0.1, 0.1}, Covariance: [load.LearntFigures][load.LearntFigures]float64{{0.01}, {0, 4}, {0, 0, 0.02}, {0, 0, 0, 0.01}}, Hands: map[string]load.Hand{"chicken-wing-flat": {Mean: 0.05, Sd: 0.03}}, Back: &load.Hand{Mean: 0.3, Sd: 0.1}}}
	frozen := load.Request{Load: load.Pieces{Cut: "fish-strip", Pieces: 8, PieceMassG: 36, State: "par-fried", Inside: "raw", StartC: new(-18.0), GlazePct: 6, Clump: 2, Under: load.Perforated},
		Program: load.Program{Stages: []load.Stage{{AirC: 180, Minutes: 8}, {AirC: 190, Minutes: 4, Hold: load.HoldWarm, HoldC: new(85.0)}, {AirC: 200, Minutes: 5, FryerID: "other", Fryer: &load.Fryer{PowerW: new(1300.0)}}}, Turns: []load.Turn{{AtMin: 6, Kind: load.Shake}}}}
	lots := load.Request{CrustWanted: new(55.0), Program: load.Program{PreheatMin: 4, Stages: []load.Stage{{AirC: 180, Minutes: 14}, {AirC: 200, Minutes: 8}}, Turns: []load.Turn{{AtMin: 9, Kind: load.Flip, Lots: []int{0}}, {AtMin: 15, Kind: load.Shake}}},
		Lots: []load.LotRequest{{Load: load.Pieces{Cut: "chicken-drumstick", Pieces: 4, PieceMassG: 110}, Coat: &load.Covering{ID: "oil-rub", OilG: 4}}, {Name: "Chips", Load: load.Pieces{Cut: "potato-wedge", Pieces: 10, PieceMassG: 24}, InMin: 4, OutMin: new(20.0), CrustWanted: new(40.0)}}}
	r := rand.New(rand.NewPCG(9, 1))
	for name, q := range []load.Request{whole, frozen, lots} {
		for range 250 {
			what, raw := goldentest.Spoil(t, r, q)
			var spoilt load.Request
			if err := json.Unmarshal(raw, &spoilt); err != nil {
				continue // of another kind altogether: not for here
			}
			at := fmt.Sprint(name, " ", what)
			l, err := load.Of(spoilt)
			if err != nil {
				f.Addf(at, "%v", err)
				continue
			}
			one := l.Lots[len(l.Lots)-1]
			says := fmt.Sprintf("%.4g g %.4g mm %.4g °C %.4g wet %.4g gain %.4g layers, in %g out %g, %d places, hottest %.4g, crust %.4g, rule %.4g, metal %.4g fan %.4g dial %.4g browns %.4g", one.MassG, one.ThicknessMm, one.StartC, one.Wet(), one.GainWith(0), one.Coverage,
				one.In, l.End(one), len(l.Places()), l.HottestC(), one.CrustWanted, one.Rule.CoreC, l.Spec.MetalJK, l.Spec.Airflow, l.Spec.DialOffsetC, l.Browns())
			for _, turn := range l.Program.Turns {
				if turn.Brush != nil {
					g, err := l.Glaze(turn)
					says += fmt.Sprintf(", brushed %.4g %.4g %.4g %.4g %v %v", g.Water, g.Fat, g.SugarPct, g.FilmMm, g.Faces, err)
				}
			}
			f.Addf(at, "%s", says)
		}
	}
	// Dishes: what fits at a time, and what goes into a second fryer.
	for _, pieces := range []int{0, 1, 20, 40, 90, 400} {
		for _, per := range []int{0, 1, 12, 60} {
			q := loadtest.DozenWings()
			q.Load.Pieces = pieces
			for i, second := range []*load.Fryer{nil, {Basket: &fryer.Basket{Shape: fryer.Round, DiameterMm: 190}}} {
				d := load.Dish{Request: q, PerBasket: per, Second: second}
				at := fmt.Sprint("dish of ", pieces, " by ", per, " ", i)
				n, says, err := d.Fitting()
				f.Addf(at, "%d %s %v; %v %v", n, says, err, d.Check(), d.CheckPiece())
				f.Addf(at+" first", "%d", d.First().Pieces())
			}
		}
	}
	f.Same(t, "spoilt.txt")
}
