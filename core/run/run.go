package run

import (
	"math"
	"slices"

	"velocrustum/core/fryer"
	"velocrustum/core/load"
	"velocrustum/core/thermal"
)

// A Run is one load on its way through its program.
type Run struct {
	// Lots are on their way together, in the order of the load's.
	Lots []*Lot

	load     *load.Load
	fineness Fineness
	vary     Variation
	fryer    *fryer.State // that it is in now
	through  []load.Place // the fryers that it goes through
	at       int          // in which of them it is
	spentJ   float64      // in those that it was in before
	out      bool         // of the fryer: all of it waits
	meter    *meter       // reads what the heater draws; nil where nobody asks

	// Seconds since the food went in: now, when the stage ends, when the faces
	// came into new air, until when the drawer is open, when the lots were last
	// judged and when they are looked at next.
	now, stageEnd, stirred, openTill, judged, nextLook float64

	stage  int
	turned int // turns that were made
}

// Lengths of steps, s: short while a face is new to its air, then longer by a
// share of the time since.
const (
	shortStep   = 1.5
	longStep    = 10.0
	thawStep    = 7.0 // while there is ice
	stepGrows   = 0.25
	judgeEvery  = 10.0
	preheatStep = 4.0
	longUse     = 900.0 // after which the fryer's metal is as hot as it gets
	readyFor    = 600.0 // for which another fryer is heated before the food comes
	brushTakes  = 40.0  // for which a drawer is open to brush all pieces
)

const (
	// LookMin is how often a run is looked at, minutes.
	LookMin = lookEvery / 60

	lookEvery = 30.0 // s
	instant   = 1e-6 // within which two things happen at once, s
)

// Start heats the fryer as the program says and puts the load in. The error
// is of a shape or a fryer that cannot be computed.
func Start(l *load.Load, v Variation, fineness Fineness) (*Run, error) {
	return startRead(l, v, fineness, nil)
}

// startRead is Start with a meter on the heater.
func startRead(l *load.Load, v Variation, fineness Fineness, m *meter) (*Run, error) {
	r := &Run{load: l, fineness: fineness, vary: v, through: l.Places(), meter: m, openTill: -1, nextLook: lookEvery, stageEnd: l.Program.Stages[0].Minutes * 60}
	r.at = r.placeOf(l.Program.Stages[0])
	f, err := r.turnedOn(r.at)
	if err != nil {
		return nil, err
	}
	r.fryer = f
	p := &l.Program
	r.fryer.Heat(p.Stages[0].Heating())
	switch {
	case p.HotFromC == 0:
		r.heat(p.Stages[0].AirC, p.PreheatMin*60)
	case r.at == 0:
		r.heat(p.HotFromC, longUse)
	default: // while the basket before was in the load's own
		r.heat(p.Stages[0].AirC, readyFor)
	}
	for _, of := range l.Lots {
		lot := &Lot{of: of, machine: r.through[r.at].Machine, through: r.through, fryer: f}
		if err := lot.layIn(v, fineness, l.FilmWM2K); err != nil {
			return nil, err
		}
		lot.moves(r.at, f)
		r.Lots = append(r.Lots, lot)
	}
	return r, nil
}

// placeOf is in which of the fryers that the load goes through a stage is.
func (r *Run) placeOf(st load.Stage) int {
	for k, p := range r.through {
		if p.Key == st.PlaceKey() {
			return k
		}
	}
	return 0
}

// turnedOn is one of the fryers that the load goes through, cold.
func (r *Run) turnedOn(k int) (*fryer.State, error) {
	spec := r.through[k].Machine.Spec
	spec.Airflow *= r.vary.Airflow
	spec.GrillReaches = r.vary.Airflow
	spec.DialOffsetC += r.vary.DialC
	spec.MetalJK *= r.vary.HeatUp
	return fryer.NewState(spec)
}

// goesInto takes the load to another fryer, which is hot by then.
func (r *Run) goesInto(k int, st load.Stage) {
	f, err := r.turnedOn(k)
	if err != nil {
		return // its kind was checked
	}
	r.spentJ += r.spent()
	r.at, r.fryer = k, f
	f.Heat(st.Heating())
	r.heat(st.AirC, readyFor)
	for _, lot := range r.Lots {
		lot.moves(k, f)
	}
}

// spent is what the fryer that it is in has used, in all of its drawers, J.
func (r *Run) spent() float64 {
	return r.fryer.EnergyJ() * float64(r.through[r.at].Machine.Drawers)
}

// heat brings the fryer to where it is when it shuts on the food, after so many
// seconds at a dial.
func (r *Run) heat(dialC, seconds float64) {
	if seconds <= 0 {
		return
	}
	steps := int(math.Round(seconds / preheatStep))
	at := -fryer.OpenToLoad - preheatStep*float64(steps)
	for range steps {
		r.heats(at, preheatStep, dialC, false, fryer.Take{})
		at += preheatStep
	}
	for range int(fryer.OpenToLoad) {
		r.heats(at, 1, 0, true, fryer.Take{})
		at++
	}
}

// heats moves the fryer on from t by dt, s, on what its plug leaves to it.
func (r *Run) heats(t, dt, dialC float64, open bool, take fryer.Take) {
	if r.load.OfTwo && r.at == 0 {
		r.fryer.Limit(r.load.LimitW(t))
	}
	r.fryer.Step(dt, dialC, open, take)
	if r.meter != nil {
		r.meter.read(t, dt, r.fryer.DrawnW())
	}
}

// Carry runs the program to its end and through the tail, and calls look
// every half minute, from 0 on, until it wants no more.
func (r *Run) Carry(look func(minute float64) bool) {
	if look == nil || look(0) {
		r.Advance(r.load.Minutes()+r.load.TailMin, look)
	}
}

// Advance runs on to a minute, and calls look every half minute after the
// one it stands at, until it wants no more.
func (r *Run) Advance(minute float64, look func(minute float64) bool) {
	end := minute * 60
	for r.now < end-instant {
		r.stagesAndTurns()
		r.lotsInAndOut()
		r.step(r.stepTo(end))
		if r.now-r.judged > judgeEvery-instant {
			for _, lot := range r.Lots {
				if lot.here {
					lot.judge(r.now/60, (r.now-r.judged)/60)
				}
			}
			r.judged = r.now
		}
		if r.now > r.nextLook-instant {
			r.nextLook += lookEvery
			if look != nil && !look(r.now/60) {
				return
			}
		}
	}
}

// stepTo is how long the next step is, s: never across anything that happens.
func (r *Run) stepTo(end float64) float64 {
	long := longStep
	for _, lot := range r.Lots {
		if lot.frozen() {
			long = thawStep
		}
	}
	dt := math.Min(long, shortStep+stepGrows*(r.now-r.stirred)) / r.fineness.Steps
	turnAt := math.Inf(1)
	if r.turned < len(r.load.Program.Turns) {
		turnAt = r.load.Program.Turns[r.turned].AtMin * 60
	}
	soonest := func(at float64) {
		if at > r.now+instant && at < r.now+dt {
			dt = at - r.now
		}
	}
	for _, at := range [...]float64{r.nextLook, r.stageEnd, r.openTill, end, turnAt} {
		soonest(at)
	}
	for _, lot := range r.Lots {
		soonest(lot.of.In * 60)
		soonest(lot.of.Out * 60)
	}
	if r.load.OfTwo {
		soonest((math.Floor((r.now+instant)/load.SupplyStep) + 1) * load.SupplyStep)
	}
	return dt
}

// step moves fryer and food on by dt, s.
func (r *Run) step(dt float64) {
	t, st := r.now, r.load.Program.Stages[r.stage]
	r.now += dt
	if r.out {
		r.heats(t, dt, st.AirC, false, fryer.Take{})
		for _, lot := range r.Lots {
			if lot.here {
				lot.wait(t, dt, st)
			}
		}
		return
	}
	open := t < r.openTill
	film, convect := r.fryer.Film(open)
	var take fryer.Take
	for _, lot := range r.Lots {
		lot.takes(&take, film, convect)
	}
	if take.Conductance > 0 {
		take.SurfaceC /= take.Conductance
	}
	r.heats(t, dt, st.AirC, open, take)
	air := thermal.Air{T: r.fryer.AirC(), Vapour: r.fryer.VapourPressure()}
	var heat, steam float64
	for _, lot := range r.Lots {
		h, v := lot.fry(t, dt, air, film, convect)
		heat, steam = heat+h, steam+v
	}
	r.fryer.Settle(dt, heat, steam, take)
}

// stagesAndTurns begins the stage and makes the turns that are due.
func (r *Run) stagesAndTurns() {
	p := &r.load.Program
	for r.stage < len(p.Stages)-1 && r.now > r.stageEnd-instant {
		r.stage++
		r.stageEnd += p.Stages[r.stage].Minutes * 60
		r.fryer.Heat(p.Stages[r.stage].Heating())
		if k := r.placeOf(p.Stages[r.stage]); k != r.at {
			r.goesInto(k, p.Stages[r.stage])
			r.stirred = r.now
		}
		if out := p.Stages[r.stage].WaitsIn() != ""; out != r.out {
			if r.out = out; !out {
				r.openTill = r.now + fryer.OpenToLoad
			}
			r.stirred = r.now
		}
	}
	for r.turned < len(p.Turns) && r.now > p.Turns[r.turned].AtMin*60-instant {
		r.turn(p.Turns[r.turned])
		r.turned++
		r.stirred = r.now
	}
}

// turn opens the drawer and does what a turn asks.
func (r *Run) turn(t load.Turn) {
	r.openTill = r.now + fryer.OpenToTurn
	switch t.Kind {
	case load.PutIn, load.TakeOut: // by the lot's own minute
	case load.BrushOn:
		r.openTill = r.now + brushTakes
		g, err := r.load.Glaze(t)
		for _, lot := range r.Lots {
			if err == nil && t.For(lot.of.Number) && lot.in() { // it was checked
				lot.brush(g)
			}
		}
	default:
		for _, lot := range r.Lots {
			if t.For(lot.of.Number) && lot.in() {
				lot.turn(t.Kind)
			}
		}
	}
}

// lotsInAndOut opens the drawer for what goes in or comes out now.
func (r *Run) lotsInAndOut() {
	for _, lot := range r.Lots {
		if !lot.here && !lot.gone && r.now > lot.of.In*60-instant {
			lot.here = true
			if lot.of.In > 0 {
				r.openTill, r.stirred = r.now+fryer.OpenToLoad, r.now
			}
		}
		if !lot.gone && r.now > lot.of.Out*60-instant {
			lot.gone = true
			r.openTill, r.stirred = r.now+fryer.OpenToTurn, r.now
		}
	}
}

// Clone returns a run in the same state that goes its own way from here.
func (r *Run) Clone() *Run {
	out := *r
	out.fryer = r.fryer.Clone()
	out.Lots = make([]*Lot, len(r.Lots))
	for i, lot := range r.Lots {
		out.Lots[i] = lot.clone(out.fryer)
	}
	return &out
}

// Under goes on under the program of another load that is the same up to now.
func (r *Run) Under(l *load.Load) *Run {
	r.load = l
	r.through = slices.Clone(r.through)
	for _, p := range l.Places() {
		if k := slices.IndexFunc(r.through, func(was load.Place) bool { return was.Key == p.Key }); k >= 0 {
			r.through[k] = p
			continue
		}
		r.through = append(r.through, p)
		for _, lot := range r.Lots {
			lot.mayGoTo(p)
		}
	}
	for i, lot := range r.Lots {
		lot.of, lot.machine, lot.through = l.Lots[i], r.through[r.at].Machine, r.through
	}
	r.stageEnd = 0
	for _, st := range l.Program.Stages[:r.stage+1] {
		r.stageEnd += st.Minutes * 60
	}
	return r
}

// Only is the lot of a load that has one.
func (r *Run) Only() *Lot { return r.Lots[0] }

// SafeAt is when the last lot is safe, minutes, NaN for not yet.
func (r *Run) SafeAt() (at float64) {
	for _, lot := range r.Lots {
		if s := lot.SafeAt(); math.IsNaN(s) || s > at {
			at = s
		}
		if math.IsNaN(at) {
			return at
		}
	}
	return at
}

// CoreC is the coldest spot of the slowest pieces of any lot, °C.
func (r *Run) CoreC() float64 {
	cold := math.Inf(1)
	for _, lot := range r.Lots {
		cold = min(cold, lot.CoreC())
	}
	return cold
}

// Worst is the least of crust and juice, and the palest and the brownest face,
// of any lot.
func (r *Run) Worst() Worst {
	w := r.Lots[0].Worst()
	for _, lot := range r.Lots[1:] {
		w = w.With(lot.Worst())
	}
	return w
}

// Softest is the crust of the softest face of any lot.
func (r *Run) Softest() float64 {
	soft := math.Inf(1)
	for _, lot := range r.Lots {
		s, _ := lot.Crusts()
		soft = min(soft, s)
	}
	return soft
}

// Load is what is run.
func (r *Run) Load() *load.Load { return r.load }

// AirC is the fryer's air now, °C.
func (r *Run) AirC() float64 { return r.fryer.AirC() }

// EnergyWh is what the fryer has used so far, with preheating, in all of its
// drawers.
func (r *Run) EnergyWh() float64 { return (r.spentJ + r.spent()) / 3600 }
