package fryer

import (
	"math"
	"testing"
)

func grillOven() Spec {
	return Spec{Kind: Oven, PowerW: 1800, GrillW: 1500, Basket: Basket{Shape: Rectangle, WidthMm: 320, DepthMm: 280}, Airflow: 1, RoomC: 21}
}

// What the plug gave is in metal, air and element, lost, or in the food, whatever
// heats, with the fan or without, with the door opened and after the grill.
func TestAGrillsHeatCloses(t *testing.T) {
	f, err := NewState(grillOven())
	if err != nil {
		t.Fatal(err)
	}
	load := Take{Conductance: 2, SurfaceC: 60, Sky: 0.04}
	lost, taken, fell := 0.0, 0.0, 0.0
	for s := range 1800 {
		f.Heat(Heating{Grill: s < 900, Still: s < 400})
		open := s%300 < 20
		f.Step(1, 230, open, load)
		fresh := f.build.Fresh
		if f.how.Still {
			fresh /= 2
		}
		if open {
			fresh = openAir
		}
		lost += f.build.Loss*(f.metalC-f.spec.RoomC) + fresh*airHeat*(f.airC-f.spec.RoomC)
		fell += f.GrillWM2() * load.Sky
		q := load.Conductance * (f.airC - load.SurfaceC)
		f.Settle(1, q, 0, load)
		taken += q
	}
	stored := f.metal*(f.metalC-f.spec.RoomC) + (f.build.Cavity*0.8*airHeat+elementHeat)*(f.airC-f.spec.RoomC) + f.grillJ
	if d := f.energyJ - stored - lost - taken - fell; math.Abs(d) > 1e-6*f.energyJ {
		t.Errorf("%.0f J of %.0f are astray", d, f.energyJ)
	}
	if fell < 0.05*f.energyJ {
		t.Errorf("%.0f J of %.0f fell on the food", fell, f.energyJ)
	}
}

// A grill of 1.5 to 2 kW sends 4.5 to 12 kW/m² down: what household grills were
// found to give on the upper levels (±40 % over the floor). It glows within two
// minutes, and is cold some minutes after.
func TestAGrillGlows(t *testing.T) {
	f, _ := NewState(grillOven())
	f.Heat(Heating{Grill: true, Still: true})
	at := map[int]float64{}
	for s := range 1200 {
		f.Heat(Heating{Grill: s < 600, Still: true})
		f.Step(1, 240, false, Take{Sky: 0.04})
		at[s] = f.GrillWM2()
	}
	if at[200] < 4500 || at[200] > 12000 {
		t.Errorf("%.0f W/m² after 200 s", at[200])
	}
	if at[5] > at[200]/3 || at[1150] != 0 {
		t.Errorf("%.0f W/m² after 5 s, %.0f after 200, %.0f nine minutes after it was off", at[5], at[200], at[1150])
	}
}

// What lies on top shades what lies below, and a tray the tray under it.
func TestWhatLiesAboveShades(t *testing.T) {
	s := grillOven()
	s.Levels = 2
	sky := map[int]float64{}
	for i, e := range s.Exposures(1.5) {
		sky[i] = e.Sky[0]
	}
	if !(sky[0] == 1 && sky[1] < 1 && sky[2] < 0.2 && sky[3] < sky[1]) {
		t.Errorf("the classes see %v of the roof", sky)
	}
	sum := 0.0
	for _, e := range Shaken(s.Exposures(0.5), [2]float64{40, 30}) {
		sum += e.Share * (e.Sky[0] + e.Sky[1])
	}
	if math.Abs(sum-(1+lowerSees)/2) > 1e-9 {
		t.Errorf("after a shake faces see %.3f of the roof together", sum)
	}
}
