package run

import (
	"math"
	"slices"

	"velocrustum/core/crust"
	"velocrustum/core/fryer"
	"velocrustum/core/load"
	"velocrustum/core/safety"
	"velocrustum/core/thermal"
)

// A Lot is the pieces of one kind on their way.
type Lot struct {
	of       *load.Lot
	machine  *load.Machine
	through  []load.Place // the fryers that the load goes through
	fryer    *fryer.State // of the run, which it is led by
	film     [2]float64   // of the closed fryer, upper and lower face, W/m²·K
	rough    float64      // scales the film
	oiled    float64      // how far a film of oil covers the surface, 0 to 1
	glazed   bool         // something was brushed on
	stuck    float64      // scales the film while pieces are frozen together
	here     bool         // it went in
	gone     bool         // taken out by itself, it waits on a rack
	pathogen safety.Pathogen
	browns   float64 // scales, of this load
	uneven   bool    // its ends are told apart
	atBack   int     // which of a place's ends lies at the back, mixed where they are shaken up
	places   []place
}

// mixed is in the place of an end: the pieces lie anyhow.
const mixed = -1

// oilHolds is the share of evaporation that a full film of oil, 1 g/100 cm²,
// holds back; an unbroken film would stop nearly all. Steam breaks the film:
// from 60 to 90 °C at the surface the hold is lost.
const oilHolds = 0.5

// edgeShells is how fine the edges are taken beside the middle.
const edgeShells = 0.3

// layIn puts the pieces into the basket, by the places that they lie in. Their
// shape is worked out for the film given, or else for the fryer's own, W/m²·K.
func (l *Lot) layIn(v Variation, fineness Fineness, filmWM2K float64) error {
	of := l.of
	l.oiled = min(1, of.Coating.FilmOil())
	l.film, _ = of.Below(l.fryer.Film(false))
	l.rough = of.Coating.Film()
	l.stuck = math.Sqrt(1 / float64(max(1, of.Clump)))
	start := of.StartC + v.StartC*of.ColdVaries()
	l.pathogen, _ = safety.PathogenFor(of.Class(), 100*of.Cut.Flesh.Fat)
	l.browns = v.Browns
	for _, in := range l.through {
		l.uneven = l.uneven || in.Machine.Ends != 0 && of.All > 1 // one piece lies in the middle
	}
	sizes := v.sizes(of.Number)
	for _, size := range sizes {
		size *= of.Hand
		piece := of.Piece
		if size != 1 {
			// A thicker piece of the same kind is larger all over.
			piece = of.Cut.Piece(of.MassG*size*size*size, of.ThicknessMm*size)
		}
		for _, lies := range l.liesIn(len(sizes)) {
			e := lies[0].exposure
			p := place{
				exposure: e, pieces: lies[0].pieces, lies: lies,
				massG:  of.MassG*size*size*size + of.Coating.Grams(piece),
				safeAt: math.NaN(), tenderAt: math.NaN(), crispAt: math.NaN(), overAt: math.NaN(), coldC: start,
			}
			film := l.rough * (l.film[0]*e.Upper + l.film[1]*e.Lower) / 2
			if filmWM2K > 0 {
				film = filmWM2K
			}
			p.twin = len(of.Cut.Spots) > 0
			for i, part := range of.Cut.Columns(piece, of.Coating, of.SaltPct, film) {
				shells := fineness.Shells
				if i > 0 && !p.twin {
					shells = shells.Finer(edgeShells)
				}
				body, err := thermal.New(part.Shape, part.Layers, shells, start)
				if err != nil {
					return err
				}
				if of.Was.Fried {
					body.Fried(of.Was.Water, of.Was.Set)
				}
				body.AddSurfaceWater(of.Wet())
				body.Glaze(of.GlazeKgM2)
				body.Wick(v.Wicks)
				body.Under(thermal.SkyAt(l.machine.Spec.PressurePa))
				if i == 0 {
					p.body, p.bodyArea = body, part.Area
				} else {
					p.edge, p.edgeArea = body, part.Area
				}
			}
			p.looksUp(piece.Footprint())
			p.flesh0, p.fat0 = p.both((*thermal.Body).FleshWater), p.both(firmFat)
			p.watch = safety.NewWatch(of.Rule, start)
			for face := range p.brown {
				p.brown[face].Stage = crust.Stage(of.Was.Brown)
			}
			p.ends = [2][2]crust.Browner{p.brown, p.brown}
			l.gain(&p)
			l.places = append(l.places, p)
		}
	}
	return nil
}

// liesIn is how each place of a size is in each fryer that the load goes
// through: a piece's place in one says nothing of that in the next. All places
// of a run, of so many sizes, add up to one.
func (l *Lot) liesIn(sizes int) [][]lying {
	out := [][]lying{nil}
	share := []float64{1 / float64(sizes)}
	for _, in := range l.through {
		var next [][]lying
		var shares []float64
		for k, lies := range out {
			for _, e := range in.Machine.Spec.Exposures(in.Coverage) {
				next = append(next, append(slices.Clone(lies), lying{exposure: e}))
				shares = append(shares, share[k]*e.Share)
			}
		}
		out, share = next, shares
	}
	for k, lies := range out {
		for i := range lies {
			lies[i].exposure.Share = share[k]
			lies[i].pieces = float64(l.through[i].Pieces(l.of)) * share[k]
		}
	}
	return out
}

// mayGoTo adds a fryer that the load was not to go through when it went in: each
// place finds there what pieces find on the whole.
func (l *Lot) mayGoTo(to load.Place) {
	var mean fryer.Exposure
	for _, e := range to.Machine.Spec.Exposures(to.Coverage) {
		mean.Upper += e.Share * e.Upper
		mean.Lower += e.Share * e.Lower
		mean.Sky[0] += e.Share * e.Sky[0]
	}
	for i := range l.places {
		p := &l.places[i]
		mean.Share = p.exposure.Share
		p.lies = append(slices.Clone(p.lies), lying{mean, float64(to.Pieces(l.of)) * mean.Share})
	}
}

// moves lays the pieces in another of the fryers that the load goes through.
func (l *Lot) moves(to int, f *fryer.State) {
	l.machine, l.fryer = l.through[to].Machine, f
	l.film, _ = l.of.Below(f.Film(false))
	for i := range l.places {
		p := &l.places[i]
		p.exposure, p.pieces = p.lies[to].exposure, p.lies[to].pieces
	}
	l.laysEnds(0) // what was quick may be so again
}

// gain sets how readily the faces of a place brown.
func (l *Lot) gain(p *place) {
	for face := range 2 {
		g := l.of.GainWith(p.sugarPct[face]) * l.browns * l.machine.Browns()
		p.brown[face].Gain = g
		for end := range p.ends {
			switch l.atBack {
			case mixed:
				p.ends[end][face].Gain = g
			case end:
				p.ends[end][face].Gain = g * math.Exp(l.machine.Ends/2)
			default:
				p.ends[end][face].Gain = g * math.Exp(-l.machine.Ends/2)
			}
		}
	}
}

// laysEnds has one of the ends at the back from now on, or both mixed.
func (l *Lot) laysEnds(atBack int) {
	l.atBack = atBack
	for i := range l.places {
		l.gain(&l.places[i])
	}
}

// frozen says whether there is ice in any piece in the basket.
func (l *Lot) frozen() bool {
	if l.in() {
		for i := range l.places {
			if l.places[i].body.Frozen() {
				return true
			}
		}
	}
	return false
}

// in says whether the lot is in the basket.
func (l *Lot) in() bool { return l.here && !l.gone }

// takes adds what the pieces take from the air.
func (l *Lot) takes(take *fryer.Take, film, convect [2]float64) {
	if !l.in() {
		return
	}
	film, _ = l.of.Below(film, convect)
	for i := range l.places {
		p := &l.places[i]
		for face := range 2 {
			h := l.stuck * l.rough * p.film(face, film) * p.pieces / 2
			take.Conductance += h * (p.bodyArea + p.edgeArea)
			take.SurfaceC += h * p.both(func(b *thermal.Body) float64 { return b.Surface(face) })
			take.Sky += p.pieces * p.footprint * p.sky(face)
		}
	}
}

// fry moves the pieces on from second t by dt, and returns what they took and
// gave, W and kg/s.
func (l *Lot) fry(t, dt float64, air thermal.Air, film, convect [2]float64) (heat, steam float64) {
	switch {
	case l.gone:
		l.wait(t, dt, load.Stage{Hold: load.HoldRack})
		return 0, 0
	case !l.here: // as cold as it comes, until it goes in
		return 0, 0
	}
	film, convect = l.of.Below(film, convect)
	grill := l.fryer.GrillWM2()
	for i := range l.places {
		p := &l.places[i]
		flow := l.expose(p, t, dt, air, film, convect, grill)
		heat += flow.Heat * p.pieces
		steam += flow.Vapour * p.pieces
	}
	return heat, steam
}

// expose moves the piece of one place on by dt from second t in the given air,
// with so much from a grill, W/m². Returns what one piece took from the air and
// gave, W and kg/s.
func (l *Lot) expose(p *place, t, dt float64, air thermal.Air, film, convect [2]float64, grill float64) thermal.Flow {
	for face := range 2 {
		air.Radiant[face] = grill * p.sky(face) * p.bodySees
		air.H[face] = l.stuck * l.rough * p.film(face, film)
		hold := oilHolds * l.oiled * min(1, max(0, (90-p.body.Surface(face))/30))
		air.Convect[face] = l.stuck * l.rough * p.film(face, convect) * (1 - hold)
	}
	if p.sauce[0].water > 0 || p.sauce[1].water > 0 {
		p.saucy(dt, &air)
	}
	flow := p.body.Step(dt, air)
	flow.Heat *= p.bodyArea
	flow.Vapour *= p.bodyArea
	if p.edge != nil {
		for face := range 2 {
			air.Radiant[face] = grill * p.sky(face) * p.edgeSees
		}
		e := p.edge.Step(dt, air)
		flow.Heat += p.edgeArea * e.Heat
		flow.Vapour += p.edgeArea * e.Vapour
	}
	for face := range 2 {
		p.brown[face].Add(dt, p.body.Surface(face), p.body.SurfaceWater(face))
		for end := 0; end < 2 && l.uneven; end++ {
			p.ends[end][face].Add(dt, p.body.Surface(face), p.body.SurfaceWater(face))
		}
		if p.lacquer[face] {
			p.lacquerC[face] = max(p.lacquerC[face], p.body.Surface(face))
		}
	}
	p.feel((t+dt)/60, dt/60, l.pathogen)
	return flow
}

// turn moves the pieces, unless it is only to look.
func (l *Lot) turn(kind string) {
	if kind == load.Flip || kind == load.Shake {
		l.stuck = 1 // they are parted
	}
	switch kind {
	case load.Flip:
		for i := range l.places {
			l.places[i].up = 1 - l.places[i].up
		}
		if l.machine.ChangesOver && l.of.All > 1 && l.atBack != mixed {
			l.laysEnds(1 - l.atBack)
		}
	case load.Shake:
		now := make([]fryer.Exposure, len(l.places))
		for i := range l.places {
			now[i] = l.places[i].exposure
		}
		for i, e := range fryer.Shaken(now, l.film) {
			l.places[i].exposure = e
		}
		l.laysEnds(mixed)
	}
}

// lacquersFrom is the sugar of what is brushed on, percent, from which it dries to a
// lacquer: barbecue sauce and sweeter.
const lacquersFrom = 20.0

// coldPotC is what is brushed on has, °C.
const coldPotC = 25.0

// brush puts a glaze on: its water lies on the face and has to leave again, its
// sugar browns from that minute on.
func (l *Lot) brush(g load.Glaze) {
	for i := range l.places {
		p := &l.places[i]
		for face := range 2 {
			if face != p.up && !g.Faces[1] || face == p.up && !g.Faces[0] {
				continue
			}
			p.body.Pour(face, g.Water, coldPotC)
			if p.edge != nil {
				p.edge.Pour(face, g.Water, coldPotC)
			}
			p.lacquer[face] = p.lacquer[face] || g.SugarPct >= lacquersFrom
			// Sugar in the film and the first millimetre under it, as of a marinade.
			p.sugarPct[face] += g.SugarPct * g.FilmMm / (g.FilmMm + 1)
		}
		l.gain(p)
	}
	l.oiled = math.Min(1, l.oiled+10*g.Fat)
	l.glazed = true
}

// judge notes which places turned crisp or were overdone, at a minute, so many
// minutes after it was last asked.
func (l *Lot) judge(minute, since float64) {
	limit, why := l.of.TooBrown()
	if l.glazed && !l.of.Cut.Starchy {
		limit, why = crust.BitterLimit, load.Bitter
	}
	for i := range l.places {
		p := &l.places[i]
		if math.IsNaN(p.tenderAt) && p.coldC >= l.of.Cut.Tender {
			p.tenderAt = minute
		}
		if math.IsNaN(p.crispAt) {
			now := p.softer()
			if now >= l.of.CrustWanted {
				p.crispAt = minute
				if now > p.crust {
					p.crispAt -= since * (now - l.of.CrustWanted) / (now - p.crust)
				}
			}
			p.crust = now
		}
		if math.IsNaN(p.overAt) {
			out := l.of.Cut.OutC
			switch {
			case out > 0 && p.coldC > out:
				p.overAt, p.over = minute, l.of.RunsOut()
			case max(l.stageOf(p, 0, brownest), l.stageOf(p, 1, brownest)) > limit:
				p.overAt, p.over = minute, why
			case p.juicePct() < l.of.Cut.Juice:
				p.overAt, p.over = minute, load.Dry
			}
		}
	}
}

// clone is the lot in the same state, in a fryer of its own.
func (l *Lot) clone(f *fryer.State) *Lot {
	out := *l
	out.fryer = f
	out.places = append([]place(nil), l.places...)
	for i := range out.places {
		p := &out.places[i]
		p.body = p.body.Clone()
		if p.edge != nil {
			p.edge = p.edge.Clone()
		}
	}
	return &out
}
