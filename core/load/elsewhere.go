package load

import (
	"encoding/json"
	"fmt"

	"velocrustum/core/refuse"
)

// An elsewhere is another fryer that a load is in for a stage, as it lies there.
type elsewhere struct {
	machine  Machine
	key      string // the same for the same fryer
	coverage float64
}

// A Place is a fryer that a load goes through, and how full it is then.
type Place struct {
	Machine  *Machine
	Key      string // "" for the load's own
	Coverage float64
}

// Pieces is how many of a lot lie in one drawer there.
func (p Place) Pieces(lot *Lot) int { return (lot.All + p.Machine.Drawers - 1) / p.Machine.Drawers }

// Places are the fryers that the load goes through: its own, then others in the
// order of the stages.
func (l *Load) Places() []Place {
	out := []Place{{Machine: &l.Machine, Coverage: l.Lots[0].Coverage}}
next:
	for _, st := range l.Program.Stages {
		if st.there == nil {
			continue
		}
		for _, p := range out {
			if p.Key == st.there.key {
				continue next
			}
		}
		out = append(out, Place{&st.there.machine, st.there.key, st.there.coverage})
	}
	return out
}

// PlaceKey says which fryer a stage is in, by the key of its Place.
func (s Stage) PlaceKey() string {
	switch {
	case s.FryerID != "" || s.Fryer == nil:
		return s.FryerID
	case s.there != nil:
		return s.there.key
	}
	raw, err := json.Marshal(s.Fryer)
	if err != nil {
		return "other"
	}
	return string(raw)
}

// heatings checks from where each stage is heated, and in which fryer.
func (c *checker) heatings(l *Load) {
	for i := range l.Program.Stages {
		st := &l.Program.Stages[i]
		at := fmt.Sprintf("program.stages[%d].", i)
		machine := &l.Machine
		if st.Elsewhere() {
			if st.Fryer == nil {
				c.Add(at+"fryerId", st.FryerID, "the id of one of your fryers")
				continue
			}
			if st.there = c.elsewhere(at, *st, l); st.there == nil {
				continue
			}
			machine = &st.there.machine
		}
		if st.Grill && machine.Spec.GrillW == 0 {
			c.Add(at+"grill", "true", "false where the fryer has no grill")
		}
		if st.Grill && st.WaitsIn() != "" {
			c.Add(at+"grill", "true", "false where the food waits outside")
		}
		if st.Heating().Still && !st.Grill {
			c.Add(at+"fan", "false", "true, or left out: only under the grill can the fan stand")
		}
	}
}

// elsewhere makes another fryer whole, as the load lies in it; nil where it is
// refused.
func (c *checker) elsewhere(at string, st Stage, l *Load) *elsewhere {
	var own checker
	machine := own.machine(*st.Fryer)
	waits := st.WaitsIn() != ""
	c.Fields = append(c.Fields, under(at, own.Err())...)
	switch {
	case waits:
		c.Add(at+"fryer", "another", "the load's own where the food waits outside")
	case l.OfTwo:
		c.Add(at+"fryer", "another", "the drawer's own: of two that run apart, none goes to another fryer")
	}
	if len(own.Fields) > 0 || waits || l.OfTwo {
		return nil
	}
	machine.Spec = machine.InDrawer()
	machine.weigh()
	e := &elsewhere{machine: machine, key: st.PlaceKey()}
	there := Place{Machine: &e.machine}
	for _, lot := range l.Lots {
		e.coverage += machine.Covers(lot.Piece, there.Pieces(lot))
	}
	if e.coverage > MaxCoverage {
		c.Add(at+"fryer", fmt.Sprintf("%.1f layers", e.coverage), fmt.Sprintf("up to %g in that fryer", MaxCoverage))
		return nil
	}
	return e
}

// under puts a place before the names of what is refused.
func under(at string, err error) refuse.Fields {
	fields, _ := refuse.Under(at, err).(refuse.Fields)
	return fields
}
