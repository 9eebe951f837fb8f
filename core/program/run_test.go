package program

import (
	"math"
	"testing"
)

// A run that is stopped, cloned and gone on with is the run that was never
// stopped, and neither of the two moves the other.
func TestARunIsResumedAndCloned(t *testing.T) {
	t.Parallel()
	for _, c := range referenceCooks(t) {
		s, err := resolve(c.request)
		if err != nil {
			t.Fatal(err)
		}
		whole, half := start(t, &s), start(t, &s)
		whole.carry(nil)
		half.advance(math.Floor(s.minutes())/2, nil)
		stopped := half.moment(0)
		twin := half.clone()
		half.carry(nil)
		if got, want := half.moment(0), whole.moment(0); got != want {
			t.Errorf("%s: resumed it ends as %+v, straight as %+v", c.id, got, want)
		}
		if twin.moment(0) != stopped {
			t.Errorf("%s: the clone moved with the run it was taken from", c.id)
		}
		twin.carry(nil)
		if twin.moment(0) != whole.moment(0) || twin.fryer.EnergyJ() != whole.fryer.EnergyJ() {
			t.Errorf("%s: the clone ends elsewhere", c.id)
		}
	}
}

// Gone on with hotter from its last stage, a clone is what the hotter program
// gives from the start.
func TestACloneGoesOnUnderAnotherProgram(t *testing.T) {
	t.Parallel()
	q := referenceCooks(t)[0].request
	q.Program = Program{Stages: []Stage{{AirC: 165, Minutes: 10}, {AirC: 180, Minutes: 9}}, Turns: []Turn{{AtMin: 12, Kind: Flip}}}
	s, err := resolve(q)
	if err != nil {
		t.Fatal(err)
	}
	hotter := s.program
	hotter.Stages = []Stage{{AirC: 165, Minutes: 10}, {AirC: 200, Minutes: 7}}
	on := start(t, &s)
	on.advance(9.5, nil)
	on = on.under(s.with(hotter))
	on.carry(nil)
	straight := start(t, s.with(hotter))
	straight.carry(nil)
	if on.moment(0) != straight.moment(0) {
		t.Errorf("it ends as %+v, not as %+v", on.moment(0), straight.moment(0))
	}
}

func start(t *testing.T, s *setup) *run {
	r, err := newRun(s, nominal, standard)
	if err != nil {
		t.Fatal(err)
	}
	return r
}
