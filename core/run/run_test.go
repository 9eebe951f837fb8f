package run

import (
	"math"
	"testing"

	"velocrustum/core/food"
	"velocrustum/core/load"
	"velocrustum/core/load/loadtest"
	"velocrustum/core/thermal"
)

// Heat and water close in every coat, on every cut: what the faces took is
// stored, spent or carried off, and what the piece lost the air or the drip
// has. The coat's own surface counts.
func TestHeatAndWaterCloseInEveryCoat(t *testing.T) {
	t.Parallel()
	for i, cut := range food.Cuts() {
		for k, coat := range food.CoatIDs() {
			if (i+k)%3 != 0 { // a third of all pairs has every cut and every coat
				continue
			}
			s, err := load.Of(loadtest.Typical(cut, coat, 190))
			if err != nil {
				t.Fatal(err)
			}
			s.Program.Stages[0].Minutes = 25
			r, err := Start(s, Nominal, Fine)
			if err != nil {
				t.Fatal(err)
			}
			c := &r.Only().places[0]
			start := c.both(func(b *thermal.Body) float64 { return b.Mass() }) * 1000
			own := s.Only()
			edible := own.MassG*(1-cut.Bone*1250/cut.Density()) + own.Coating.Grams(own.Piece) - own.Coating.FilmOil()*own.Piece.Surface*100
			if math.Abs(start/edible-1) > 0.04 {
				t.Errorf("%s in %s: the parts weigh %.2f g, the piece %.2f", cut.ID, coat, start, edible)
			}
			r.Carry(nil)
			for name, b := range map[string]*thermal.Body{"middle": c.body, "edges": c.edge} {
				if b == nil {
					continue
				}
				l := b.Ledger()
				if d := b.StoredHeat() - l.StartHeat + l.Latent + l.Carried - l.Heat; math.Abs(d) > 0.005*math.Abs(l.Heat) {
					t.Errorf("%s in %s, %s: %.0f of %.0f J/m² astray", cut.ID, coat, name, d, l.Heat)
				}
				if lost := l.StartWater - b.Water(); math.Abs(lost-l.Vapour-l.Drip) > 0.001*lost {
					t.Errorf("%s in %s, %s: lost %.4f kg/m², vapour %.4f and drip %.4f", cut.ID, coat, name, lost, l.Vapour, l.Drip)
				}
			}
		}
	}
}

// What the food gives, the fryer gets: over whole cooks, with turns, a rest
// and an opened drawer, the water that left the pieces is the steam that the
// cavity was told of and the drip, and no heat is made on the way.
func TestALoadAndItsFryerBalance(t *testing.T) {
	t.Parallel()
	for name, q := range map[string]load.Request{
		"flipped": loadtest.DozenWings(),
		"two layers, shaken": {Load: load.Pieces{Cut: "potato-wedge", Pieces: 30, PieceMassG: 32}, Coat: &load.Covering{ID: "oil-rub", OilG: 10},
			Program: load.Program{Stages: []load.Stage{{AirC: 195, Minutes: 24}}, Turns: []load.Turn{{AtMin: 8, Kind: load.Shake}, {AtMin: 16, Kind: load.Shake}}}},
		"crumbed": {Load: load.Pieces{Cut: "fish-strip", Pieces: 8, PieceMassG: 36}, Coat: &load.Covering{ID: "three-bowl-crumb", OilG: 8},
			Program: load.Program{PreheatMin: 3, Stages: []load.Stage{{AirC: 200, Minutes: 12}}, Turns: []load.Turn{{AtMin: 6, Kind: load.Flip}}}},
	} {
		s, err := load.Of(q)
		if err != nil {
			t.Fatal(err)
		}
		r, err := Start(s, Nominal, Fine)
		if err != nil {
			t.Fatal(err)
		}
		r.Carry(nil)
		for i := range r.Only().places {
			b := r.Only().places[i].body
			l := b.Ledger()
			if lost := l.StartWater - b.Water(); math.Abs(lost-l.Vapour-l.Drip) > 0.001*lost {
				t.Errorf("%s: %.4f kg/m² of water left, %.4f as steam and %.4f as drip", name, lost, l.Vapour, l.Drip)
			}
			if spent := b.StoredHeat() - l.StartHeat + l.Latent + l.Carried; math.Abs(spent-l.Heat) > 0.005*l.Heat {
				t.Errorf("%s: %.0f J/m² in, %.0f stored and spent", name, l.Heat, spent)
			}
		}
	}
}

// A run that is stopped, cloned and gone on with is the run that was never
// stopped, and neither of the two moves the other.
func TestARunIsResumedAndCloned(t *testing.T) {
	t.Parallel()
	for _, c := range loadtest.ReferenceCooks(t) {
		s, err := load.Of(c.Request)
		if err != nil {
			t.Fatal(err)
		}
		whole, half := start(t, s), start(t, s)
		whole.Carry(nil)
		half.Advance(math.Floor(s.Minutes())/2, nil)
		stopped := half.Only().Moment(0)
		twin := half.Clone()
		half.Carry(nil)
		if got, want := half.Only().Moment(0), whole.Only().Moment(0); got != want {
			t.Errorf("%s: resumed it ends as %+v, straight as %+v", c.ID, got, want)
		}
		if twin.Only().Moment(0) != stopped {
			t.Errorf("%s: the clone moved with the run it was taken from", c.ID)
		}
		twin.Carry(nil)
		if twin.Only().Moment(0) != whole.Only().Moment(0) || twin.fryer.EnergyJ() != whole.fryer.EnergyJ() {
			t.Errorf("%s: the clone ends elsewhere", c.ID)
		}
	}
}

// Gone on with hotter from its last stage, a clone is what the hotter program
// gives from the start.
func TestACloneGoesOnUnderAnotherProgram(t *testing.T) {
	t.Parallel()
	q := loadtest.ReferenceCooks(t)[0].Request
	q.Program = load.Program{Stages: []load.Stage{{AirC: 165, Minutes: 10}, {AirC: 180, Minutes: 9}}, Turns: []load.Turn{{AtMin: 12, Kind: load.Flip}}}
	s, err := load.Of(q)
	if err != nil {
		t.Fatal(err)
	}
	hotter := s.Program
	hotter.Stages = []load.Stage{{AirC: 165, Minutes: 10}, {AirC: 200, Minutes: 7}}
	on := start(t, s)
	on.Advance(9.5, nil)
	on = on.Under(s.UnderProgram(hotter))
	on.Carry(nil)
	straight := start(t, s.UnderProgram(hotter))
	straight.Carry(nil)
	if on.Only().Moment(0) != straight.Only().Moment(0) {
		t.Errorf("it ends as %+v, not as %+v", on.Only().Moment(0), straight.Only().Moment(0))
	}
}

func start(t *testing.T, l *load.Load) *Run {
	r, err := Start(l, Nominal, Fine)
	if err != nil {
		t.Fatal(err)
	}
	return r
}

func TestNoAllocationPerStep(t *testing.T) {
	allocs := func(minutes float64) float64 {
		q := loadtest.ReferenceCooks(t)[0].Request
		q.Program.Stages = []load.Stage{{AirC: 190, Minutes: minutes}}
		s, err := load.Of(q)
		if err != nil {
			t.Fatal(err)
		}
		return testing.AllocsPerRun(3, func() {
			r, err := Start(s, Nominal, Fine)
			if err != nil {
				t.Fatal(err)
			}
			r.Carry(nil)
		})
	}
	if short, long := allocs(15), allocs(60); long > short {
		t.Errorf("15 minutes allocate %g times, 60 minutes %g", short, long)
	}
}

// What a sauce has of water goes into the crust, into the room, or is still
// there.
func TestASaucesWaterIsAccountedFor(t *testing.T) {
	t.Parallel()
	l, err := load.Of(loadtest.Waited("chicken-wing-flat", 11, 43, "starch-dust", 18, 20, load.HoldRack))
	if err != nil {
		t.Fatal(err)
	}
	r := start(t, l)
	r.Advance(18, nil)
	const water = 0.0264 // kg/m² of a face
	r.Only().Dress(water, 0.012, true, true)
	p := &r.Only().places[0]
	before := p.body.Ledger().Poured
	r.Advance(38, nil)
	taken := 2 * (p.body.Ledger().Poured - before)
	left := p.sauce[0].water + p.sauce[1].water
	if gone := 2*water - left - taken; gone < 0 || taken <= 0 {
		t.Errorf("of %.4f kg/m² %.4f went in, %.4f are left, %.4f dried", 2*water, taken, left, gone)
	}
}

// No curve jumps back in a load of several layers, whose slowest pieces change on
// the way: what all have lost and how brown the palest are only rises.
func TestCurvesAreOfOneThing(t *testing.T) {
	t.Parallel()
	for _, c := range []struct {
		cut    string
		pieces int
		mass   float64
		turn   string
	}{{"chicken-wing-flat", 30, 42, load.Shake}, {"potato-wedge", 44, 32, load.Shake}, {"chicken-drumstick", 12, 105, load.Flip}, {"potato-stick", 120, 7, load.Shake}} {
		l, err := load.Of(load.Request{Load: load.Pieces{Cut: c.cut, Pieces: c.pieces, PieceMassG: c.mass}, Coat: &load.Covering{ID: "oil-rub", OilG: 10},
			Program: load.Program{Stages: []load.Stage{{AirC: 200, Minutes: 34}}, Turns: []load.Turn{{AtMin: 8, Kind: c.turn}, {AtMin: 16, Kind: c.turn}}}})
		if err != nil {
			t.Fatal(err)
		}
		r := start(t, l)
		was := r.Only().Moment(0)
		if len(r.Only().places) < 2 {
			t.Errorf("%s: one class", c.cut)
		}
		r.Carry(func(minute float64) bool {
			m := r.Only().Moment(minute)
			if m.MassLossPct < was.MassLossPct-1e-3 || m.JuicePct > was.JuicePct+1.5 || m.Faces[0].Brown < was.Faces[0].Brown-1e-9 || m.Faces[1].Brown < was.Faces[1].Brown-1e-9 {
				t.Errorf("%s, minute %g: %+v after %+v", c.cut, minute, m, was)
				return false
			}
			was = m
			return true
		})
	}
}

// High up it is safe later, since the air gives less and water takes more of it along.
func TestHigherUpIsLater(t *testing.T) {
	t.Parallel()
	safe := func(m float64) float64 {
		q := loadtest.DozenWings()
		q.Fryer = &load.Fryer{AboveSeaM: m}
		l, err := load.Of(q)
		if err != nil {
			t.Fatal(err)
		}
		r, err := Start(l, Nominal, Fine)
		if err != nil {
			t.Fatal(err)
		}
		r.Carry(func(float64) bool { return true })
		return r.Only().SafeAt()
	}
	if sea, high := safe(0), safe(2500); high < sea+0.3 {
		t.Errorf("safe at %.2f min by the sea, at %.2f at 2,500 m", sea, high)
	}
}
