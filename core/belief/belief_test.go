package belief

import (
	"math"
	"math/rand/v2"
	"slices"
	"strings"
	"testing"

	"velocrustum/core/ensemble"
	"velocrustum/core/load"
	"velocrustum/core/load/loadtest"
	"velocrustum/core/run"
	"velocrustum/core/verdict"
)

// hidden is a cook whose fryer, pieces and fridge the ensemble was not told.
type hidden struct {
	request load.Request
	truth   verdict.Answer
}

func hide(t *testing.T, q load.Request, airflow, dialC, thick, startC float64) hidden {
	t.Helper()
	s, err := load.Of(q)
	if err != nil {
		t.Fatal(err)
	}
	own := q
	own.Load.ThicknessMm = new(s.Only().Piece.Thickness * 1000 * thick)
	own.Load.PieceMassG = q.Load.PieceMassG * thick * thick * thick
	own.Load.StartC = new(startC)
	f := load.Fryer{}
	if q.Fryer != nil {
		f = *q.Fryer
	}
	f.Airflow, f.DialOffsetC = new(airflow), dialC
	own.Fryer = &f
	own.TailMin = 25
	a, err := verdict.Simulate(t.Context(), own, verdict.Options{NoChance: true})
	if err != nil {
		t.Fatal(err)
	}
	return hidden{q, a}
}

// reading is one of the truth with a tip that is seldom in the coldest spot.
func (h hidden) reading(r *rand.Rand, minute float64) Evidence {
	c := run.Nearest(h.truth.Timeline, minute).CoreC
	return Evidence{AtMin: minute, Kind: SeenProbe, C: c + 4*r.Float64() + r.NormFloat64(), Piece: "thickest"}
}

// Over random fryers, pieces and fridges: three readings bring the median to
// within a minute of the truth in nine of ten, and "safe by" is before it in
// one of twenty at most.
func TestReadingsFindTheHiddenFryer(t *testing.T) {
	if testing.Short() {
		return // it computes: nothing meets in it that does not in others
	}
	t.Parallel()
	r := rand.New(rand.NewPCG(7, 20))
	near, early, all := 0, 0, 0
	for n := range loadtest.Cases(36) {
		q := loadtest.Usual[n%len(loadtest.Usual)]
		h := hide(t, q, 0.75+0.55*r.Float64(), -12+20*r.Float64(), 0.88+0.24*r.Float64(), 3+4*r.Float64())
		if h.truth.SafeAtMin == nil {
			continue
		}
		truth := *h.truth.SafeAtMin
		var seen []Evidence
		for k := range 3 {
			seen = append(seen, h.reading(r, math.Round(truth*(0.45+0.2*float64(k)))))
		}
		got, err := Replay(t.Context(), q, seen)
		if err != nil {
			t.Fatal(err)
		}
		if len(got) != 4 {
			t.Fatalf("%d forecasts of three readings", len(got))
		}
		last := got[3]
		all++
		if last.SafeAtMin == nil || last.SafeByMin == nil {
			t.Logf("%s: true %.1f, not foreseen: %+v", q.Load.Cut, truth, last)
			continue
		}
		if math.Abs(*last.SafeAtMin-truth) <= 1 {
			near++
		}
		if *last.SafeByMin < truth {
			early++
			t.Logf("%s: safe by %.1f, truly %.1f; %v", q.Load.Cut, *last.SafeByMin, truth, seen)
		}
		if *last.SafeAtMin > *last.SafeByMin || last.CoreSdC <= 0 || last.CoreSdC > 8 {
			t.Errorf("%s: %+v", q.Load.Cut, last)
		}
		if c := run.Nearest(h.truth.Timeline, last.AtMin).CoreC; math.Abs(last.CoreC-c) > 4 {
			t.Errorf("%s: inside it has %.1f, believed %.1f", q.Load.Cut, c, last.CoreC)
		}
	}
	t.Logf("of %d cooks %d within a minute, %d said safe too soon", all, near, early)
	if float64(near) < 0.9*float64(all) {
		t.Errorf("of %d cooks %d are within a minute of the truth, want nine of ten", all, near)
	}
	if float64(early) > 0.05*float64(all) {
		t.Errorf("of %d cooks %d are called safe before they are, want one of twenty at most", all, early)
	}
}

// With nothing seen it is the window; the order of what is seen at one moment
// is no matter; one wild reading moves it little.
func TestWhatEvidenceMayDo(t *testing.T) {
	if testing.Short() {
		return // it computes: nothing meets in it that does not in others
	}
	t.Parallel()
	q := loadtest.Usual[0]
	none, err := Replay(t.Context(), q, nil)
	if err != nil {
		t.Fatal(err)
	}
	a, err := verdict.Simulate(t.Context(), q, verdict.Options{})
	if err != nil {
		t.Fatal(err)
	}
	if len(none) != 1 || math.Abs(*none[0].SafeByMin-*a.Chance.SafeByMin) > 0.6 || none[0].AtMin != 0 {
		t.Errorf("with nothing seen safe by %v, the window %v", *none[0].SafeByMin, *a.Chance.SafeByMin)
	}
	r := rand.New(rand.NewPCG(3, 9))
	h := hide(t, q, 1, 0, 1, 5)
	seen := []Evidence{h.reading(r, 8), h.reading(r, 11), h.reading(r, 14)}
	calm, err := Replay(t.Context(), q, seen)
	if err != nil {
		t.Fatal(err)
	}
	for _, off := range []float64{-25, 25} {
		wild := append(slices.Clone(seen[:2]), Evidence{AtMin: 12, Kind: SeenProbe, C: run.Nearest(h.truth.Timeline, 12).CoreC + off}, seen[2])
		got, err := Replay(t.Context(), q, wild)
		if err != nil {
			t.Fatal(err)
		}
		if d := *got[len(got)-1].SafeAtMin - *calm[3].SafeAtMin; math.Abs(d) > 1.5 {
			t.Errorf("a reading %+.0f °C amiss moves safe by %.1f min", off, d)
		}
	}
	look, probe := Evidence{AtMin: 12, Kind: SeenLook, Shade: "straw"}, h.reading(r, 12)
	one, err := Replay(t.Context(), q, []Evidence{look, probe})
	if err != nil {
		t.Fatal(err)
	}
	two, err := Replay(t.Context(), q, []Evidence{probe, look})
	if err != nil {
		t.Fatal(err)
	}
	if *one[2].SafeByMin != *two[2].SafeByMin || *one[2].CrispAtMin != *two[2].CrispAtMin {
		t.Errorf("in another order %v and %v", *one[2].SafeByMin, *two[2].SafeByMin)
	}
}

// What is seen never makes it safe: not a colour, not clear juices; and a
// reading under the rule wins over any estimate.
func TestCautionIsOneSided(t *testing.T) {
	if testing.Short() {
		return // it computes: nothing meets in it that does not in others
	}
	t.Parallel()
	q := loadtest.Usual[0]
	safeBy := func(seen ...Evidence) float64 {
		t.Helper()
		got, err := Replay(t.Context(), q, seen)
		if err != nil {
			t.Fatal(err)
		}
		last := got[len(got)-1]
		if last.SafeByMin == nil {
			return math.Inf(1)
		}
		return *last.SafeByMin
	}
	cold := Evidence{AtMin: 10, Kind: SeenProbe, C: 45}
	base := safeBy(cold)
	for _, shade := range []string{"gold", "copper", "dark"} {
		if got := safeBy(cold, Evidence{AtMin: 10, Kind: SeenLook, Shade: shade}); got < base-1e-9 {
			t.Errorf("looking %s makes it safe by %.2f, without %.2f", shade, got, base)
		}
	}
	if got := safeBy(cold, Evidence{AtMin: 10, Kind: SeenCut}); got < base-1e-9 {
		t.Errorf("clear juices make it safe by %.2f, without %.2f", got, base)
	}
	if got := safeBy(cold, Evidence{AtMin: 10, Kind: SeenCut, Raw: true}); got < base-1e-9 {
		t.Errorf("raw at the bone makes it safe by %.2f, without %.2f", got, base)
	}
	if got := safeBy(Evidence{AtMin: 30, Kind: SeenProbe, C: 71}); got <= 30 {
		t.Errorf("read 71 °C at minute 30 it is safe by %.1f", got)
	}
	// A reading far under what is believed binds: the inside heats from it.
	one, two := safeBy(Evidence{AtMin: 20, Kind: SeenProbe, C: 45}), safeBy(Evidence{AtMin: 20, Kind: SeenProbe, C: 45}, Evidence{AtMin: 20.5, Kind: SeenProbe, C: 46})
	if one < 26 || one > 38 || two < 26 || two > 38 {
		t.Errorf("read 45 °C at minute 20 it is safe by %.1f, read twice by %.1f", one, two)
	}
	hot, colder := safeBy(Evidence{AtMin: 12, Kind: SeenProbe, C: 70}), safeBy(Evidence{AtMin: 12, Kind: SeenProbe, C: 40})
	if hot >= colder {
		t.Errorf("70 °C inside is safe by %.1f, 40 °C by %.1f", hot, colder)
	}
}

func TestEvidenceThatCannotBe(t *testing.T) {
	t.Parallel()
	for field, e := range map[string]Evidence{
		"events[0].c":     {AtMin: 3, Kind: SeenProbe, C: 300},
		"events[0].kind":  {AtMin: 3, Kind: "smell"},
		"events[0].shade": {AtMin: 3, Kind: SeenLook, Shade: "pink"},
		"events[0].atMin": {AtMin: -1, Kind: SeenTurn},
		"events[0].piece": {AtMin: 3, Kind: SeenProbe, C: 30, Piece: "mine"},
	} {
		if _, err := Replay(t.Context(), loadtest.Usual[0], []Evidence{e}); err == nil || !strings.Contains(err.Error(), field) {
			t.Errorf("%s: %v", field, err)
		}
	}
	late, err := Replay(t.Context(), loadtest.Usual[0], []Evidence{{AtMin: 17, Kind: SeenTurn}, {AtMin: 18, Kind: SeenLook, Shade: "gold"}})
	if err != nil || len(late) != 3 || late[1].AtMin != 17 {
		t.Errorf("a late turn: %+v, %v", late, err)
	}
	if q := loadtest.Usual[0]; q.Program.Turns[0].AtMin != 13 {
		t.Error("replaying has changed the request")
	}
}

func BenchmarkBelieve(b *testing.B) {
	s, err := load.Of(loadtest.Usual[0])
	if err != nil {
		b.Fatal(err)
	}
	for b.Loop() {
		if _, err := believe(b.Context(), s); err != nil {
			b.Fatal(err)
		}
	}
}

func BenchmarkForesee(b *testing.B) {
	s, err := load.Of(loadtest.Usual[0])
	if err != nil {
		b.Fatal(err)
	}
	held, err := believe(b.Context(), s)
	if err != nil {
		b.Fatal(err)
	}
	few := []Evidence{{AtMin: 8, Kind: SeenProbe, C: 40}, {AtMin: 11, Kind: SeenProbe, C: 52}, {AtMin: 12, Kind: SeenLook, Shade: "straw"}}
	many := slices.Clone(few)
	for i := range 50 {
		many = append(many, Evidence{AtMin: 12, Kind: SeenProbe, C: 50 + float64(i%5)})
	}
	for name, seen := range map[string][]Evidence{"three": few, "fifty more": many} {
		b.Run(name, func(b *testing.B) {
			for b.Loop() {
				if _, _, err := held.Foresee(seen); err != nil {
					b.Fatal(err)
				}
			}
		})
	}
}

// Of many readings by hand the coldest of each quarter of a minute are weighed: a hundred
// are weighed as those, warmer ones beside them change nothing, and none makes it safe
// sooner.
func TestManyReadingsAreWeighedByTheColdest(t *testing.T) {
	t.Parallel()
	b, err := Believe(t.Context(), loadtest.DozenWings())
	if err != nil {
		t.Fatal(err)
	}
	var many, coldest []Evidence
	for i := range 100 {
		at := 6 + 0.05*float64(i/10)
		many = append(many, Evidence{AtMin: at, Kind: SeenProbe, C: 46 + float64(i%10), Piece: "thickest"})
	}
	for _, at := range []float64{6, 6.25} {
		coldest = append(coldest, Evidence{AtMin: at, Kind: SeenProbe, C: 46, Piece: "thickest"})
	}
	by := func(seen []Evidence) float64 {
		f, _, err := b.Foresee(append([]Evidence{{AtMin: 6.45, Kind: SeenLook, Shade: "pale"}}, seen...))
		if err != nil || f.SafeByMin == nil {
			t.Fatal(f, err)
		}
		return *f.SafeByMin
	}
	if got, want := by(many), by(coldest); math.Abs(got-want) > 1e-9 {
		t.Errorf("a hundred readings: safe by %.3f, the coldest of them by %.3f", got, want)
	}
	if few := by(many[:handMost]); few > by(many)+1e-9 {
		t.Errorf("two dozen are safe by %.3f, a hundred by %.3f", few, by(many))
	}
}

// What is paler at an end that is known to be paler asks for no oil, and what is as pale
// in the middle does; at an end whose pieces came from the other one it is no longer so,
// and where they were shaken up an end is like all of it.
func TestAPaleEndIsNoPaleCook(t *testing.T) {
	t.Parallel()
	for _, c := range []struct {
		turns []load.Turn
		at    float64
		paler bool // at the front
	}{
		{nil, 16, true},
		{[]load.Turn{{AtMin: 17, Kind: load.Flip}}, 19, false},
		{[]load.Turn{{AtMin: 9, Kind: load.Shake}}, 19, false},
	} {
		q := loadtest.DozenWings()
		q.Coat.OilG = 0
		q.Program.Stages, q.Program.Turns = []load.Stage{{AirC: 200, Minutes: 24}}, c.turns
		q.Fryer = &load.Fryer{Learnt: &load.Learnt{Cooks: 9, Covariance: [load.LearntFigures][load.LearntFigures]float64{{0.002}, {0, 3}, {0, 0, 0.01}, {0, 0, 0, 0.004}}, Back: &load.Hand{Mean: 1.4, Sd: 0.1}}}
		b, err := Believe(t.Context(), q)
		if err != nil {
			t.Fatal(err)
		}
		lot := b.lots[0]
		stage := func(where string) float64 { return lot.at(lot.upAt(where), &ensemble.Point{}, c.at) }
		middle, front, back := stage(""), stage(load.AtFront), stage(load.AtBack)
		if paler := front < 0.75*middle && back > 1.25*middle; paler != c.paler {
			t.Errorf("turned %v: stage %.2f, at the front %.2f, at the back %.2f", c.turns, middle, front, back)
		}
		if c.turns != nil {
			continue
		}
		mist := func(where string) bool {
			f, _, err := b.Foresee([]Evidence{{AtMin: c.at, Kind: SeenLook, Shade: "straw", Where: where}})
			if err != nil {
				t.Fatal(err)
			}
			return f.Mist
		}
		if !mist("") || mist(load.AtFront) {
			t.Errorf("stage %.2f is straw, oil helps %v; at the front, of %.2f, %v", middle, mist(""), front, mist(load.AtFront))
		}
	}
}
