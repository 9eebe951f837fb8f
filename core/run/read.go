package run

import (
	"math"

	"velocrustum/core/crust"
	"velocrustum/core/load"
)

// A Moment is a lot at one minute.
type Moment struct {
	Minute      float64 `json:"minute"`
	AirC        float64 `json:"airC"`
	CoreC       float64 `json:"coreC"`
	UpperC      float64 `json:"upperC"` // surface that is up just now
	LowerC      float64 `json:"lowerC"`
	Faces       [2]Face `json:"faces"`
	MassLossPct float64 `json:"massLossPct"`
	JuicePct    float64 `json:"juicePct"`
}

// Face is one side of a piece, named by where it started.
type Face struct {
	Crust float64    `json:"crust"`
	Lab   [3]float64 `json:"lab"`
	Brown float64    `json:"brown"` // 0 raw, 1 gold, 2 copper, 3 dark
	// Lacquer is what sugar that was brushed on has become: wet, sticky or brittle.
	Lacquer string `json:"lacquer,omitempty"`
}

// Softer is the crust of the softer face, Crisper that of the other.
func (m Moment) Softer() float64  { return math.Min(m.Faces[0].Crust, m.Faces[1].Crust) }
func (m Moment) Crisper() float64 { return math.Max(m.Faces[0].Crust, m.Faces[1].Crust) }

// Browner is the stage of the browner face, Paler that of the other.
func (m Moment) Browner() float64 { return math.Max(m.Faces[0].Brown, m.Faces[1].Brown) }
func (m Moment) Paler() float64   { return math.Min(m.Faces[0].Brown, m.Faces[1].Brown) }

// Rounded is a minute to the hundredth of each unit: what is drawn shows
// less, and the digits behind weigh more than the rest.
func (m Moment) Rounded() Moment {
	for _, v := range []*float64{&m.Minute, &m.AirC, &m.CoreC, &m.UpperC, &m.LowerC, &m.MassLossPct, &m.JuicePct} {
		*v = Hundredth(*v)
	}
	for k := range m.Faces {
		f := &m.Faces[k]
		f.Crust, f.Brown = Hundredth(f.Crust), Hundredth(f.Brown)
		for i := range f.Lab {
			f.Lab[i] = Hundredth(f.Lab[i])
		}
	}
	return m
}

// Hundredth is a figure to the hundredth of its unit.
func Hundredth(v float64) float64 { return math.Round(v*100) / 100 }

// FirstFrom is the first of a timeline at a minute or after it, the last where
// it has ended before.
func FirstFrom(line []Moment, minute float64) (m Moment) {
	for _, m = range line {
		if m.Minute >= minute-LookMin/2 {
			break
		}
	}
	return m
}

// Nearest is the moment of a timeline nearest to a minute.
func Nearest(line []Moment, minute float64) Moment {
	best := line[0]
	for _, m := range line {
		if math.Abs(m.Minute-minute) < math.Abs(best.Minute-minute) {
			best = m
		}
	}
	return best
}

// Moment describes a lot now, which is the minute given. Each figure is of one thing
// all along, whichever pieces that is: the middle of the coldest, the crust and the
// colour of the softest and the palest, the juice of the driest, what all have lost
// and how hot their faces are in the mean. So no curve jumps back.
func (l *Lot) Moment(minute float64) Moment {
	m := Moment{Minute: minute, AirC: l.fryer.AirC(), CoreC: math.Inf(1), JuicePct: math.Inf(1)}
	brown := [2]crust.Stage{crust.Stage(math.Inf(1)), crust.Stage(math.Inf(1))}
	for face := range m.Faces {
		m.Faces[face].Crust = math.Inf(1)
	}
	for i := range l.places {
		p := &l.places[i]
		share := l.share(p)
		m.CoreC, m.JuicePct = min(m.CoreC, p.coldest()), min(m.JuicePct, p.juicePct())
		m.UpperC += share * p.body.Surface(p.up)
		m.LowerC += share * p.body.Surface(1-p.up)
		m.MassLossPct += share * p.massLossPct()
		for face := range m.Faces {
			m.Faces[face].Crust = min(m.Faces[face].Crust, p.crustOf(face))
			if i == 0 {
				m.Faces[face].Lacquer = p.lacquered(face)
			}
			brown[face] = min(brown[face], l.stageOf(p, face, palest))
		}
	}
	for face, stage := range brown {
		m.Faces[face].Lab, m.Faces[face].Brown = crust.Colour(l.of.Raw(), stage), float64(stage)
	}
	return m
}

// share is how many of the lot's pieces a place stands for, as a share.
func (l *Lot) share(p *place) float64 {
	if len(l.places) == 1 {
		return 1
	}
	return p.exposure.Share
}

// slowest returns the place whose answer counts for the lot: the last to be
// safe, then the last to be crisp, then the coldest.
func (l *Lot) slowest() *place {
	worst := &l.places[0]
	for i := 1; i < len(l.places); i++ {
		p := &l.places[i]
		if later(p.safeAt, worst.safeAt) || (p.safeAt == worst.safeAt || bothNever(p.safeAt, worst.safeAt)) && (later(p.crispAt, worst.crispAt) || p.coldC < worst.coldC) {
			worst = p
		}
	}
	return worst
}

// Times are when what happened to a lot, minutes, NaN for not yet.
type Times struct {
	First  float64 // piece safe
	Safe   float64 // all pieces
	Tender float64 // as it is best to eat, the slowest
	Crisp  float64 // all pieces
	Over   float64 // the first piece overdone, and of what
	Why    load.Overdone
}

// Times returns when what happened up to now.
func (l *Lot) Times() Times {
	t := Times{First: math.NaN(), Safe: math.NaN(), Tender: l.slowest().tenderAt, Crisp: math.NaN(), Over: math.NaN()}
	for i := range l.places {
		p := &l.places[i]
		if later(t.First, p.safeAt) {
			t.First = p.safeAt
		}
		if i == 0 || later(p.safeAt, t.Safe) {
			t.Safe = p.safeAt
		}
		if i == 0 || later(p.crispAt, t.Crisp) {
			t.Crisp = p.crispAt
		}
		if !math.IsNaN(p.overAt) && !(t.Over <= p.overAt) {
			t.Over, t.Why = p.overAt, p.over
		}
	}
	return t
}

// SafeAt is when all pieces are safe, minutes, NaN for not yet.
func (l *Lot) SafeAt() float64 { return l.slowest().safeAt }

// Gone says whether the lot was taken out by itself.
func (l *Lot) Gone() bool { return l.gone }

// CoreC is the coldest spot of the slowest pieces, °C, and ColdestC that of any
// piece.
func (l *Lot) CoreC() float64 { return l.slowest().coldest() }

func (l *Lot) ColdestC() float64 {
	cold := math.Inf(1)
	for i := range l.places {
		cold = min(cold, l.places[i].coldC)
	}
	return cold
}

// UpBrown is the stage of browning of the slowest pieces' face that is up.
func (l *Lot) UpBrown() float64 {
	p := l.slowest()
	return float64(p.brown[p.up].Stage)
}

// UpBrownAt is the same at an end of the basket, load.AtBack or load.AtFront, where it is
// uneven.
func (l *Lot) UpBrownAt(where string) float64 {
	p := l.slowest()
	switch {
	case l.atBack == mixed:
		return l.UpBrown()
	case where == load.AtBack:
		return float64(p.ends[l.atBack][p.up].Stage)
	}
	return float64(p.ends[1-l.atBack][p.up].Stage)
}

// Uneven says whether it browns quicker at one end of the basket, as far as is known.
func (l *Lot) Uneven() bool { return l.uneven }

// palest and brownest choose among the pieces of a place.
func palest(a, b crust.Stage) crust.Stage   { return min(a, b) }
func brownest(a, b crust.Stage) crust.Stage { return max(a, b) }

// stageOf is the stage of a face of the pieces in a place that are the palest, or the
// brownest, of the middle and both ends.
func (l *Lot) stageOf(p *place, face int, of func(a, b crust.Stage) crust.Stage) crust.Stage {
	if !l.uneven {
		return p.brown[face].Stage
	}
	return of(p.brown[face].Stage, of(p.ends[0][face].Stage, p.ends[1][face].Stage))
}

// Bend is how fast it gets warmer away from the slowest pieces' coldest spot,
// °C per mm².
func (l *Lot) Bend() float64 {
	p := l.slowest()
	hot, away := p.tip(4, l.of.Piece.Thickness)
	return (hot - p.coldest()) / (away * away * 1e6)
}

// TipC is what a thermometer has whose tip lies so many mm off the slowest
// pieces' coldest spot, towards heat, °C.
func (l *Lot) TipC(mm float64) float64 {
	c, _ := l.slowest().tip(mm, l.of.Piece.Thickness)
	return c
}

// Brown is the stage of browning of a face of the pieces that lie best.
func (l *Lot) Brown(face int) crust.Stage { return l.places[0].brown[face].Stage }

// Shape is the shape number of the pieces that lie best.
func (l *Lot) Shape() float64 { return l.places[0].body.Shape() }

// Worst is the least of crust and juice, percent, of any piece and the palest
// and the brownest of any face.
type Worst struct {
	Crust, JuicePct  float64
	Palest, Brownest float64
}

// With is the worst of two.
func (w Worst) With(o Worst) Worst {
	return Worst{min(w.Crust, o.Crust), min(w.JuicePct, o.JuicePct), min(w.Palest, o.Palest), max(w.Brownest, o.Brownest)}
}

// Worst reads a lot as it is now.
func (l *Lot) Worst() Worst {
	w := Worst{Crust: math.Inf(1), JuicePct: math.Inf(1), Palest: math.Inf(1)}
	for i := range l.places {
		p := &l.places[i]
		w.Crust = min(w.Crust, p.softer())
		w.JuicePct = min(w.JuicePct, p.juicePct())
		for face := range p.brown {
			w.Palest = min(w.Palest, float64(l.stageOf(p, face, palest)))
			w.Brownest = max(w.Brownest, float64(l.stageOf(p, face, brownest)))
		}
	}
	return w
}

// Crusts are that of the softest face of any piece, and of the crispest.
func (l *Lot) Crusts() (softest, crispest float64) {
	softest = 100
	for i := range l.places {
		softest = math.Min(softest, l.places[i].softer())
		crispest = math.Max(crispest, l.places[i].crisper())
	}
	return softest, crispest
}

// State is a lot when it is taken out.
type State struct {
	CoreC, MassLossPct, JuicePct float64
	Crust                        float64 // of the softer face
	Lacquer                      string  // of the softer face, "" where it has none
	RenderedPct                  float64 // of its fat; NaN where it has none
	Reductions                   float64 // decimal, of what the rule is about
	Pathogen, PathogenSource     string  // empty where nobody is watched
}

// State reads a lot as it is now, each figure as in its Moment.
func (l *Lot) State() State {
	s := State{CoreC: math.Inf(1), JuicePct: math.Inf(1), Crust: math.Inf(1), Reductions: math.Inf(1),
		RenderedPct: math.NaN(), Pathogen: l.pathogen.Name, PathogenSource: l.pathogen.Source}
	fat, firm := 0.0, 0.0
	for i := range l.places {
		p := &l.places[i]
		share := l.share(p)
		s.CoreC, s.JuicePct = min(s.CoreC, p.coldest()), min(s.JuicePct, p.juicePct())
		for face := range 2 {
			if now := p.crustOf(face); now < s.Crust {
				s.Crust, s.Lacquer = now, p.lacquered(face)
			}
		}
		s.Reductions = min(s.Reductions, p.reductions)
		s.MassLossPct += share * p.massLossPct()
		fat, firm = fat+share*p.fat0, firm+share*p.both(firmFat)
	}
	if fat > 0 {
		s.RenderedPct = 100 * (1 - firm/fat)
	}
	return s
}
