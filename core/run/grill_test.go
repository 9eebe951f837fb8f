package run

import (
	"math"
	"testing"

	"velocrustum/core/crust"
	"velocrustum/core/fryer"
	"velocrustum/core/load"
	"velocrustum/core/thermal"
)

// grillOven has a grill of so many watts.
func grillOven(watts float64) *load.Fryer {
	return &load.Fryer{Kind: "oven", PowerW: new(2400.0), Grill: &watts, Dial: &load.Dial{MinC: 60, MaxC: 240, StepC: 5},
		Basket: &fryer.Basket{Shape: fryer.Rectangle, WidthMm: 320, DepthMm: 280}}
}

func steak(watts float64, stages ...load.Stage) load.Request {
	return load.Request{Load: load.Pieces{Cut: "pork-loin-cutlet", Pieces: 2, PieceMassG: 230, ThicknessMm: new(25.0), Surface: "wiped"},
		Coat: &load.Covering{ID: "oil-rub", OilG: 8}, Fryer: grillOven(watts), Program: load.Program{PreheatMin: 5, Stages: stages}}
}

func ranThrough(t *testing.T, q load.Request, minutes float64) *Run {
	t.Helper()
	l, err := load.Of(q)
	if err != nil {
		t.Fatal(err)
	}
	r := start(t, l)
	r.Advance(minutes, nil)
	return r
}

// up is how brown the face is that began up, down the other.
func up(r *Run) float64   { return float64(r.Lots[0].places[0].brown[0].Stage) }
func down(r *Run) float64 { return float64(r.Lots[0].places[0].brown[1].Stage) }

// Under a grill the upper face of a steak of 25 mm browns in the four to nine
// minutes that cookery books give a side, before the lower one and far before
// the same air browns it; a stronger one is sooner; turned, the other follows.
func TestAGrillBrownsASteaksTop(t *testing.T) {
	t.Parallel()
	under := load.Stage{AirC: 240, Minutes: 20, Grill: true, Fan: new(false)}
	gold := func(watts float64, st load.Stage) (minute float64) {
		for minute = 1.0; minute < 20; minute++ {
			if up(ranThrough(t, steak(watts, st), minute)) >= 1 {
				break
			}
		}
		return minute
	}
	plain := under
	plain.Grill, plain.Fan = false, nil
	weak, strong, none := gold(1500, under), gold(2200, under), gold(2200, plain)
	if !(strong < weak && weak < none) || strong < 4 || strong > 9 {
		t.Errorf("gold after %g min under 2200 W, %g under 1500, %g in the same air alone", strong, weak, none)
	}
	r := ranThrough(t, steak(2200, under), 9)
	if up(r) < down(r)+0.5 {
		t.Errorf("after 9 min the upper face is at stage %.2f, the lower at %.2f", up(r), down(r))
	}
	q := steak(2200, under)
	q.Program.Turns = []load.Turn{{AtMin: 8, Kind: load.Flip}}
	if r := ranThrough(t, q, 16); down(r) < 1 {
		t.Errorf("turned at 8 min, the other face is at stage %.2f after 16", down(r))
	}
	over, apart := steak(2200, under), steak(2200, under)
	over.Fryer.Trays = 2
	if two, one := ranThrough(t, over, 9), ranThrough(t, apart, 9); float64(two.Lots[0].places[1].brown[0].Stage) > up(one)/2 {
		t.Error("the lower tray browns under the upper one")
	}
}

// A slice of bread, 0.38 water of a weight of 0.25 g/cm³, turns gold in the one to
// three minutes a side that cookery books give under a hot grill, in little more
// than half of that under twice as much, and long before its middle is dry.
func TestAGrillToastsBread(t *testing.T) {
	t.Parallel()
	crumb := thermal.Material{Solids: 150, Water: 95, DryK: 0.07, WetK: 0.25, Pores: 0.5, Diffusivity: 3, Crisp: 1e-3}
	gold := func(flux float64) (minute, left float64) {
		b, err := thermal.New(1, []thermal.Layer{{Thickness: 7e-3, Material: crumb}}, thermal.DefaultResolution, 20)
		if err != nil {
			t.Fatal(err)
		}
		air := thermal.Air{T: 180, Vapour: 3000, H: [2]float64{16, 14}, Convect: [2]float64{7, 7}, Radiant: [2]float64{flux, 0}}
		brown := crust.Browner{Gain: 1}
		start := b.Water()
		for s := 0.0; s < 1200; s += 2 {
			b.Step(2, air)
			if brown.Add(2, b.Surface(0), b.SurfaceWater(0)); brown.Stage >= 1 {
				return s / 60, b.Water() / start
			}
		}
		return math.NaN(), 0
	}
	at, left := gold(6000)
	if !(at > 1 && at < 3) || left < 0.5 {
		t.Errorf("gold after %.1f min with %.2f of its water", at, left)
	}
	if twice, _ := gold(12000); !(twice < 0.65*at) {
		t.Errorf("gold after %.1f min of twice the flux, %.1f of it once", twice, at)
	}
}

// What goes from under the grill into the basket goes as it is: heat, water and
// crust of every place are those that it came out with, and then it is as hot as
// the basket makes it. Two fryers that are one in all keep the load in one place.
func TestALoadGoesToAnotherFryerAsItIs(t *testing.T) {
	t.Parallel()
	q := steak(2000, load.Stage{AirC: 230, Minutes: 8, Grill: true}, load.Stage{AirC: 190, Minutes: 8, Fryer: &load.Fryer{}})
	l, err := load.Of(q)
	if err != nil {
		t.Fatal(err)
	}
	r := start(t, l)
	r.Advance(8, nil)
	before := r.Clone()
	r.Advance(8.05, nil)
	for i := range r.Lots[0].places {
		was, is := &before.Lots[0].places[i], &r.Lots[0].places[i]
		if math.Abs(was.body.Mean()-is.body.Mean()) > 0.6 || math.Abs(was.body.Water()-is.body.Water()) > 0.01*was.body.Water() || is.brown[0].Stage < was.brown[0].Stage {
			t.Errorf("place %d: %.1f °C and %.3f kg/m² of water, before %.1f and %.3f", i, is.body.Mean(), is.body.Water(), was.body.Mean(), was.body.Water())
		}
	}
	r.Advance(16, nil)
	own := steak(2000, q.Program.Stages[0], load.Stage{AirC: 190, Minutes: 8})
	stayed := ranThrough(t, own, 16)
	if r.CoreC() < stayed.CoreC()+2 || r.EnergyWh() <= stayed.EnergyWh() {
		t.Errorf("%.1f °C after the drawer with %.0f Wh, %.1f with %.0f in the oven alone: a drawer blows harder, and had to be heated", r.CoreC(), r.EnergyWh(), stayed.CoreC(), stayed.EnergyWh())
	}
	for i, p := range r.Lots[0].places {
		l := p.body.Ledger()
		if spent := p.body.StoredHeat() - l.StartHeat + l.Latent + l.Carried; math.Abs(spent-l.Heat) > 0.005*l.Heat {
			t.Errorf("place %d: %.0f J/m² in, %.0f stored and spent", i, l.Heat, spent)
		}
	}
}

// A place in one fryer says nothing of the place in the next: all pairs of them
// share the pieces.
func TestPiecesLieAnewInAnotherFryer(t *testing.T) {
	q := steak(2000, load.Stage{AirC: 200, Minutes: 4}, load.Stage{AirC: 190, Minutes: 8, Fryer: &load.Fryer{Basket: &fryer.Basket{Shape: fryer.Round, DiameterMm: 160}}})
	q.Load.Pieces, q.Fryer.Trays = 4, 2
	r := ranThrough(t, q, 2)
	sum := 0.0
	for _, p := range r.Lots[0].places {
		sum += p.pieces
	}
	if n := len(r.Lots[0].places); n != 4 || math.Abs(sum-4) > 1e-9 {
		t.Errorf("%d places of %.2f pieces; want two trays by two layers, and four pieces", n, sum)
	}
	r.Advance(6, nil)
	sum = 0
	for _, p := range r.Lots[0].places {
		sum += p.pieces
	}
	if math.Abs(sum-4) > 1e-9 {
		t.Errorf("%.2f pieces in the second fryer", sum)
	}
}
