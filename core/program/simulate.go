package program

import (
	"math"
	"slices"

	"velocrustum/core/crust"
	"velocrustum/core/fryer"
	"velocrustum/core/safety"
	"velocrustum/core/thermal"
)

// run is one load on its way through a program. It can be advanced to any
// minute, cloned there, and go on under another program.
type run struct {
	*setup
	res      resolution
	t        float64 // s
	stage    int     // and when it ends, s
	stageEnd float64
	turned   int     // turns that were made
	stir     float64 // when the faces came into new air, s
	nextLook float64
	judged   float64 // when last, s
	fryer    *fryer.State
	classes  []class
	gone     bool    // this kind was taken out, and waits on a rack
	beside   []*run  // the other kinds in the same fryer, which this one leads
	rough    float64 // scales the film
	oiled    float64 // how far a film of oil covers the surface, 0 to 1
	openTill float64 // s
	glazed   bool    // something was brushed on
	out      bool    // of the fryer
	pathogen safety.Pathogen
	film     [2]float64
}

// oilHolds is the share of evaporation that a full film of oil, 1 g/100 cm²,
// holds back; an unbroken film would stop nearly all. Steam breaks the film:
// from 60 to 90 °C at the surface the hold is lost.
const oilHolds = 0.5

// step lengths, s: short while a face is new to its air, then longer by a
// share of the time since.
const (
	shortStep   = 1.5
	longStep    = 10.0
	stepGrows   = 0.25
	judgeEvery  = 10.0
	preheatStep = 4.0
	longUse     = 900.0 // after which the fryer's metal is as hot as it gets
)

// resolution lets tests refine what production keeps fixed.
type resolution struct {
	shells thermal.Resolution
	steps  float64 // divides the step length
}

// edgeShells is how fine the edges are taken beside the middle.
const edgeShells = 0.3

var standard = resolution{thermal.DefaultResolution, 1}

// newRun heats the fryer as the program says and puts the load in.
func newRun(s *setup, v variation, res resolution) (*run, error) {
	spec := s.spec
	spec.Airflow *= v.airflow
	spec.DialOffsetC += v.dialC
	spec.MetalJK *= v.heatUp
	f, err := fryer.NewState(spec)
	if err != nil {
		return nil, err
	}
	r := &run{setup: s, res: res, fryer: f, openTill: -1, nextLook: record, stageEnd: s.program.Stages[0].Minutes * 60}
	hot, pre := s.program.Stages[0].AirC, s.program.PreheatMin*60
	if s.program.HotFromC > 0 {
		hot, pre = s.program.HotFromC, longUse
	}
	if pre > 0 {
		for range int(math.Round(pre / preheatStep)) {
			f.Step(preheatStep, hot, false, fryer.Take{})
		}
		for range int(fryer.OpenToLoad) {
			f.Step(1, 0, true, fryer.Take{})
		}
	}
	if err := r.board(v); err != nil {
		return nil, err
	}
	for _, o := range s.others {
		beside := &run{setup: o, res: res, fryer: f}
		if err := beside.board(v); err != nil {
			return nil, err
		}
		r.beside = append(r.beside, beside)
	}
	return r, nil
}

// board puts the pieces of one kind in.
func (r *run) board(v variation) error {
	s, res := r.setup, r.res
	r.oiled = min(1, s.coating.FilmOil())
	r.film, _ = s.below(r.fryer.Film(false))
	r.rough = s.coating.Film()
	start := s.startC + v.startC
	pathogen, _ := safety.PathogenFor(s.class(), 100*s.cut.Flesh.Fat)
	r.pathogen = pathogen
	for _, size := range v.sizes {
		piece := s.piece
		if size != 1 {
			// A thicker piece of the same kind is larger all over.
			piece = s.cut.Piece(s.massG*size*size*size, s.thick*size)
		}
		for _, e := range s.spec.Exposures(s.coverage) {
			e.Share /= float64(len(v.sizes)) // all classes of a run add up to one
			c := class{
				exposure: e, pieces: float64(s.pieces) * e.Share,
				massG:  s.massG*size*size*size + s.coating.Grams(piece),
				safeAt: math.NaN(), tenderAt: math.NaN(), crispAt: math.NaN(), overAt: math.NaN(), lastC: start,
			}
			mean := r.rough * (r.film[0]*e.Upper + r.film[1]*e.Lower) / 2
			if s.film > 0 {
				mean = s.film
			}
			for i, part := range s.cut.Columns(piece, s.coating, s.salt, mean) {
				shells := res.shells
				if i > 0 {
					shells = shells.Finer(edgeShells)
				}
				body, err := thermal.New(part.Shape, part.Layers, shells, start)
				if err != nil {
					return err
				}
				body.AddSurfaceWater(s.water)
				body.Wick(v.wicks)
				if i == 0 {
					c.body, c.bodyArea = body, part.Area
				} else {
					c.edge, c.edgeArea = body, part.Area
				}
			}
			c.flesh0, c.fat0 = c.both((*thermal.Body).FleshWater), c.both(firm)
			c.watch = safety.NewWatch(s.rule, start)
			for face := range c.brown {
				c.brown[face].Gain = s.gain * v.browns
			}
			r.classes = append(r.classes, c)
		}
	}
	return nil
}

// step moves all on from second t by dt with the dial at dialC.
func (r *run) step(t, dt, dialC float64) {
	if st := r.program.Stages[r.stage]; r.out {
		r.fryer.Step(dt, dialC, false, fryer.Take{})
		r.hold(t, dt, st)
		for _, o := range r.beside {
			o.hold(t, dt, st)
		}
		return
	}
	open := t < r.openTill
	film, convect := r.fryer.Film(open)
	var take fryer.Take
	r.takes(&take, film, convect)
	for _, o := range r.beside {
		o.takes(&take, film, convect)
	}
	if take.Conductance > 0 {
		take.SurfaceC /= take.Conductance
	}
	r.fryer.Step(dt, dialC, open, take)
	air := thermal.Air{T: r.fryer.AirC(), Vapour: r.fryer.VapourPressure()}
	heat, steam := r.fry(t, dt, air, film, convect)
	for _, o := range r.beside {
		h, v := o.fry(t, dt, air, film, convect)
		heat, steam = heat+h, steam+v
	}
	r.fryer.Settle(dt, heat, steam, take)
}

// takes adds what the pieces of one kind take from the air.
func (r *run) takes(take *fryer.Take, film, convect [2]float64) {
	if r.gone {
		return
	}
	film, _ = r.below(film, convect)
	for i := range r.classes {
		c := &r.classes[i]
		for face := range 2 {
			h := r.rough * c.film(face, film) * c.pieces / 2
			take.Conductance += h * (c.bodyArea + c.edgeArea)
			take.SurfaceC += h * c.both(func(b *thermal.Body) float64 { return b.Surface(face) })
		}
	}
}

// fry moves the pieces of one kind on, and returns what they took and gave, W
// and kg/s.
func (r *run) fry(t, dt float64, air thermal.Air, film, convect [2]float64) (heat, steam float64) {
	if r.gone {
		r.hold(t, dt, Stage{Hold: HoldRack})
		return 0, 0
	}
	film, convect = r.below(film, convect)
	for i := range r.classes {
		c := &r.classes[i]
		flow := r.expose(c, t, dt, air, film, convect)
		heat += flow.Heat * c.pieces
		steam += flow.Vapour * c.pieces
	}
	return heat, steam
}

// make does what a turn asks.
func (r *run) make(t Turn) {
	if t.Kind == TakeOut {
		r.openTill = r.t + fryer.OpenToTurn
		for _, of := range r.everyone() {
			of.gone = of.gone || of.group == t.Group
		}
		return
	}
	if t.Kind != BrushOn {
		r.turn(r.t, t.Kind)
		for _, o := range r.beside {
			o.turn(r.t, t.Kind)
		}
		return
	}
	r.openTill = r.t + brushTakes
	for _, of := range r.everyone() {
		if g, err := of.glaze(*t.Brush, r.find); err == nil && of.group == t.Group { // it was checked
			of.brush(g)
		}
	}
}

// everyone is the run of each kind in the basket, the load's own first.
func (r *run) everyone() []*run { return append([]*run{r}, r.beside...) }

// turn opens the drawer and moves the pieces, unless it is only to look.
func (r *run) turn(t float64, kind string) {
	r.openTill = t + fryer.OpenToTurn
	if kind == LookIn {
		return
	}
	if kind == Flip {
		for i := range r.classes {
			r.classes[i].up = 1 - r.classes[i].up
		}
		return
	}
	var now []fryer.Exposure
	for _, c := range r.classes {
		now = append(now, c.exposure)
	}
	for i, e := range fryer.Shaken(now, r.film) {
		r.classes[i].exposure = e
	}
}

const (
	record  = 30.0 // how often a run is looked at, s
	instant = 1e-6 // within which two things happen at once, s
)

// carry runs the program to its end and through the tail, and calls look
// every half minute, from 0 on, until it wants no more.
func (r *run) carry(look func(minute float64) bool) {
	if look == nil || look(0) {
		r.advance(r.minutes()+r.tail, look)
	}
}

// advance runs on to a minute, and calls look every half minute after the
// one it stands at, until it wants no more.
func (r *run) advance(minute float64, look func(minute float64) bool) {
	end := minute * 60
	for r.t < end-instant {
		r.happens()
		// Never step across anything that happens.
		dt := math.Min(longStep, shortStep+stepGrows*(r.t-r.stir)) / r.res.steps
		turnAt := math.Inf(1)
		if r.turned < len(r.program.Turns) {
			turnAt = r.program.Turns[r.turned].AtMin * 60
		}
		for _, at := range [...]float64{r.nextLook, r.stageEnd, r.openTill, end, turnAt} {
			if at > r.t+instant && at < r.t+dt {
				dt = at - r.t
			}
		}
		r.step(r.t, dt, r.program.Stages[r.stage].AirC)
		r.t += dt
		if r.t-r.judged > judgeEvery-instant {
			r.judge(r.t/60, (r.t-r.judged)/60)
			for _, o := range r.beside {
				o.judge(r.t/60, (r.t-r.judged)/60)
			}
			r.judged = r.t
		}
		if r.t > r.nextLook-instant {
			r.nextLook += record
			if look != nil && !look(r.t/60) {
				return
			}
		}
	}
}

// happens begins the stage and makes the turns that are due.
func (r *run) happens() {
	for r.stage < len(r.program.Stages)-1 && r.t > r.stageEnd-instant {
		r.stage++
		r.stageEnd += r.program.Stages[r.stage].Minutes * 60
		if out := r.program.Stages[r.stage].hold() != ""; out != r.out {
			if r.out = out; !out {
				r.openTill = r.t + fryer.OpenToLoad
			}
			r.stir = r.t
		}
	}
	for r.turned < len(r.program.Turns) && r.t > r.program.Turns[r.turned].AtMin*60-instant {
		r.make(r.program.Turns[r.turned])
		r.turned++
		r.stir = r.t
	}
}

// clone returns a run in the same state that goes its own way from here.
func (r *run) clone() *run {
	out := r.cloned(r.fryer.Clone())
	out.beside = make([]*run, len(r.beside))
	for i, o := range r.beside {
		out.beside[i] = o.cloned(out.fryer)
	}
	return out
}

// cloned is one kind in the same state, in a fryer of its own.
func (r *run) cloned(f *fryer.State) *run {
	out := *r
	out.fryer = f
	out.classes = slices.Clone(r.classes)
	for i := range out.classes {
		c := &out.classes[i]
		c.body = c.body.Clone()
		if c.edge != nil {
			c.edge = c.edge.Clone()
		}
	}
	return &out
}

// under goes on under another program that is the same up to now.
func (r *run) under(s *setup) *run {
	r.setup = s
	for i, o := range r.beside {
		o.setup = s.others[i]
	}
	r.stageEnd = 0
	for _, st := range s.program.Stages[:r.stage+1] {
		r.stageEnd += st.Minutes * 60
	}
	return r
}

// moment describes the slowest class now.
func (r *run) moment(minute float64) Moment {
	c := r.slowest()
	m := Moment{
		Minute: minute, AirC: r.fryer.AirC(), CoreC: c.body.Coldest(),
		UpperC: c.body.Surface(c.up), LowerC: c.body.Surface(1 - c.up),
		MassLossPct: r.massLoss(c), JuicePct: r.juice(c),
	}
	for face := range m.Faces {
		m.Faces[face] = Face{
			Crust: crust.Crispness(c.body.Crust(face)),
			Lab:   crust.Colour(r.raw(), c.brown[face].Stage),
			Brown: float64(c.brown[face].Stage),
		}
	}
	return m
}
