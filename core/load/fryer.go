package load

import (
	"cmp"
	"fmt"
	"slices"

	"velocrustum/core/fryer"
	"velocrustum/core/thermal"
)

// machine checks a fryer and its dial.
func (c *checker) machine(given Fryer) Machine {
	f := given.Whole()
	m := Machine{Spec: c.spec(f), Drawers: f.Drawers, Dial: *f.Dial, Timed: f.timed(), Inferred: f.Inferred, PlugW: *f.PowerW, ElementW: *f.PowerW}
	if f.Drawers == 2 {
		m.ElementW = orElse(f.DrawerPowerW, ElementShare*m.PlugW)
		c.In(Limits, "fryer.drawerPowerW", m.ElementW)
		c.Among("fryer.drawer", f.Drawer, "", Left, Right)
		c.Within("fryer.drawerPowerW", m.ElementW, m.PlugW/4, m.PlugW, "W, of one drawer alone: a quarter of the plug's to all of it")
	} else if f.Drawer != "" {
		c.Add("fryer.drawer", f.Drawer, "nothing where there is one drawer")
	}
	c.In(Limits, "fryer.dial.minC", m.Dial.MinC)
	c.In(Limits, "fryer.dial.maxC", m.Dial.MaxC)
	c.In(Limits, "fryer.dial.stepC", m.Dial.StepC)
	c.In(Limits, "fryer.drawers", float64(f.Drawers))
	if f.Kind == string(fryer.Oven) {
		c.In(Limits, "fryer.trays", float64(f.Trays))
		if f.Rack {
			c.Add("fryer.rack", "true", "false for an oven; give its trays")
		}
		if f.Drawers > 1 {
			c.Add("fryer.drawers", fmt.Sprint(f.Drawers), "1 for an oven; give its trays")
		}
		m.Spec.Levels = f.Trays
	} else {
		c.Within("fryer.trays", float64(f.Trays), 0, 1, "tray in a drawer; a rack makes a second level")
		if m.Spec.Levels = 1; f.Rack {
			m.Spec.Levels = 2
		}
	}
	if m.FridgeC = f.FridgeC; f.FridgeC != nil {
		c.In(Limits, "fryer.fridgeC", *f.FridgeC)
	}
	c.learnt(&m, f.Learnt)
	return m
}

// spec checks what a fryer without its levels is.
func (c *checker) spec(f Fryer) fryer.Spec {
	c.Among("fryer.kind", f.Kind, names(fryer.Kinds)...)
	b := *f.Basket
	c.Among("fryer.basket.shape", string(b.Shape), string(fryer.Rectangle), string(fryer.Round))
	switch b.Shape {
	case fryer.Rectangle:
		c.In(Limits, "fryer.basket.widthMm", b.WidthMm)
		c.In(Limits, "fryer.basket.depthMm", b.DepthMm)
	case fryer.Round:
		c.In(Limits, "fryer.basket.diameterMm", b.DiameterMm)
	}
	s := fryer.Spec{
		Kind: fryer.Kind(f.Kind), PowerW: *f.PowerW, Airflow: *f.Airflow, DialOffsetC: f.DialOffsetC, RoomC: orElse(f.RoomC, roomC),
		Basket: b,
	}
	if f.HeatUpMin != nil {
		c.In(Limits, "fryer.heatUpMin", *f.HeatUpMin)
		s.HeatUpMin = *f.HeatUpMin
	}
	if f.Grill != nil {
		c.Within("fryer.grill", *f.Grill, Limits["fryer.grill"].Min, s.PowerW, "W, of no more than the plug gives")
		s.GrillW = *f.Grill
	}
	c.In(Limits, "fryer.powerW", s.PowerW)
	c.In(Limits, "fryer.airflow", s.Airflow)
	c.In(Limits, "fryer.dialOffsetC", f.DialOffsetC)
	c.In(Limits, "fryer.roomC", s.RoomC)
	if f.AboveSeaM != 0 {
		c.In(Limits, "fryer.aboveSeaM", f.AboveSeaM)
		s.PressurePa = thermal.PressureAt(f.AboveSeaM)
	}
	return s
}

// Whole returns the fryer with its defaults in.
func (f Fryer) Whole() Fryer {
	if f.Kind == "" {
		f.Kind = string(fryer.Drawer)
	}
	f.PowerW, f.Airflow = new(orElse(f.PowerW, powerW)), new(orElse(f.Airflow, 1))
	f.Basket = new(orElse(f.Basket, fryer.Basket{Shape: fryer.Rectangle, WidthMm: basketMm, DepthMm: basketMm}))
	f.Dial = new(orElse(f.Dial, usualDial))
	f.Trays, f.Drawers = cmp.Or(f.Trays, 1), cmp.Or(f.Drawers, 1)
	if f.Inferred == nil {
		f.Inferred = []string{}
	}
	return f
}

// timed says whether its minutes to 200 °C were timed by its owner.
func (f Fryer) timed() bool { return f.HeatUpMin != nil && !slices.Contains(f.Inferred, "heatUp") }
