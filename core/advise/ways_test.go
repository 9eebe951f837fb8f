package advise

import (
	"context"
	"errors"
	"math"
	"math/rand/v2"
	"testing"

	"velocrustum/core/crust"
	"velocrustum/core/load"
	"velocrustum/core/load/loadtest"
	"velocrustum/core/refuse"
	"velocrustum/core/run"
	"velocrustum/core/verdict"
)

// Over loads of every kind: what is called ready is safe by the sampled
// window, and the ways that fall short say so.
func TestNoWayIsReadyUnsafe(t *testing.T) {
	if testing.Short() {
		return // it computes: nothing meets in it that does not in others
	}
	t.Parallel()
	r := rand.New(rand.NewPCG(31, 7))
	for range loadtest.Cases(6) {
		q := loadtest.Any(r)
		rec, err := Recommend(context.Background(), q, Balanced, nil)
		if err != nil {
			t.Fatal(err)
		}
		for _, p := range rec.Ways[:3] {
			run := q
			run.Program = p.Program
			run.TailMin = 10
			a, err := verdict.Simulate(context.Background(), run, verdict.Options{})
			if err != nil {
				t.Fatal(err)
			}
			if p.Ready && loadtest.OrLate(a.Chance.SafeByMin) > 1.03*p.Minutes+0.5 {
				t.Errorf("%s in %s, %s: ready at %.0f, safe by %.1f", q.Load.Cut, q.Coat.ID, p.Way, p.Minutes, loadtest.OrLate(a.Chance.SafeByMin))
			}
		}
	}
}

func recommended(t *testing.T, q load.Request, want Want) Recommendation {
	t.Helper()
	r, err := Recommend(context.Background(), q, want, nil)
	if err != nil {
		t.Fatal(err)
	}
	return r
}

func TestEveryWayIsSearchedAndRanked(t *testing.T) {
	if testing.Short() {
		return // it computes: nothing meets in it that does not in others
	}
	t.Parallel()
	told := 0
	r, err := Recommend(context.Background(), loadtest.DozenWings(), Balanced, func(done, of int) {
		if told++; done != told || of != len(Ways) {
			t.Errorf("progress %d of %d, told %d times", done, of, told)
		}
	})
	if err != nil {
		t.Fatal(err)
	}
	seen := map[Way]bool{}
	for i, p := range r.Ways {
		seen[p.Way] = true
		if i > 0 && p.Score < r.Ways[i-1].Score {
			t.Errorf("%s is ranked below a worse one", p.Way)
		}
		if p.Minutes != p.Program.Minutes() || p.Turns != len(p.Program.Turns) || p.Reason == "" || p.Name == "" {
			t.Errorf("%s: %+v", p.Way, p)
		}
		for _, st := range p.Program.Stages {
			if math.Mod(st.AirC, 5) != 0 || st.AirC < 80 || st.AirC > 200 || st.Minutes != math.Trunc(st.Minutes) {
				t.Errorf("%s: %g °C for %g min is not on the dial", p.Way, st.AirC, st.Minutes)
			}
		}
		q := loadtest.DozenWings()
		q.Program = p.Program
		if err := load.Check(q); err != nil {
			t.Errorf("%s proposes what is refused: %v", p.Way, err)
		}
	}
	if len(seen) != len(Ways) || told != len(Ways) {
		t.Errorf("%d ways, %d of %d told", len(seen), told, len(Ways))
	}
}

func TestReadyMeansSafeCrispAndNotOverdone(t *testing.T) {
	if testing.Short() {
		return // it computes: nothing meets in it that does not in others
	}
	t.Parallel()
	r := recommended(t, loadtest.DozenWings(), Balanced)
	ready := 0
	for _, p := range r.Ways {
		q := loadtest.DozenWings()
		q.Program, q.TailMin = p.Program, 10
		a, err := verdict.Simulate(context.Background(), q, verdict.Options{})
		if err != nil {
			t.Fatal(err)
		}
		if d := loadtest.OrLate(p.SafeByMin) - *a.Chance.SafeByMin; math.Abs(d) > 0.05**a.Chance.SafeByMin {
			t.Errorf("%s: safe by %.1f, sampled in full by %.1f", p.Way, loadtest.OrLate(p.SafeByMin), *a.Chance.SafeByMin)
		}
		if !p.Ready {
			continue
		}
		ready++
		if *a.Chance.SafeByMin > p.Minutes+0.5 || a.End.Crust < crust.Crisp-2 || a.Window.ToMin != nil && *a.Window.ToMin < p.Minutes {
			t.Errorf("%s is called ready: safe by %.1f of %.0f min, crust %.0f, overdone at %v", p.Way, *a.Chance.SafeByMin, p.Minutes, a.End.Crust, a.Window.ToMin)
		}
	}
	if ready < 4 {
		t.Errorf("only %d ways are ready", ready)
	}
}

func TestWantsMoveTheRanking(t *testing.T) {
	if testing.Short() {
		return // it computes: nothing meets in it that does not in others
	}
	t.Parallel()
	best := map[Want]Proposal{}
	for _, w := range Wants {
		best[w] = recommended(t, loadtest.DozenWings(), w).Ways[0]
	}
	if best[Crisper].Crust <= best[Balanced].Crust+5 {
		t.Errorf("crisper ends at %.0f, balanced at %.0f", best[Crisper].Crust, best[Balanced].Crust)
	}
	if best[Juicier].JuicePct < best[Balanced].JuicePct || best[Juicier].JuicePct <= best[Crisper].JuicePct {
		t.Errorf("juicier keeps %.0f %%, balanced %.0f, crisper %.0f", best[Juicier].JuicePct, best[Balanced].JuicePct, best[Crisper].JuicePct)
	}
	if best[Sooner].Minutes > best[Balanced].Minutes {
		t.Errorf("sooner takes %.0f min, balanced %.0f", best[Sooner].Minutes, best[Balanced].Minutes)
	}
	wedges := load.Request{Load: load.Pieces{Cut: "potato-wedge", Pieces: 12, PieceMassG: 32}, Coat: &load.Covering{ID: "oil-rub", OilG: 12}}
	dark := func(w Want) float64 {
		f := lastOf(&recommended(t, wedges, w).Ways[0]).Faces
		return max(f[0].Brown, f[1].Brown)
	}
	if p, c := dark(Paler), dark(Crisper); p >= c || p > 1.5 {
		t.Errorf("paler browns to %.2f, crisper to %.2f", p, c)
	}
}

func TestSchoolsAreWhatTheySay(t *testing.T) {
	if testing.Short() {
		return // it computes: nothing meets in it that does not in others
	}
	t.Parallel()
	for _, p := range recommended(t, loadtest.DozenWings(), Balanced).Ways {
		st, turns := p.Program.Stages, p.Program.Turns
		ok := map[Way]bool{
			Straight:       len(st) == 1 && len(turns) == 1 && turns[0].Kind == load.Flip,
			GentleHot:      len(st) == 2 && st[0].AirC <= st[len(st)-1].AirC-20,
			HotGentle:      len(st) == 2 && st[0].AirC >= st[len(st)-1].AirC+20,
			GentleRestHot:  len(st) == 3 && st[1%len(st)].Rest,
			TurnOften:      len(st) == 1 && len(turns) >= 2,
			ShakeOften:     len(st) == 1 && len(turns) == 2 && turns[0].Kind == load.Shake,
			SingleLateTurn: len(st) == 1 && len(turns) == 1 && turns[0].AtMin > 0.6*p.Minutes,
		}[p.Way]
		if !ok {
			t.Errorf("%s: %+v", p.Way, p.Program)
		}
	}
}

func TestSearchIsCloseToTheAnswer(t *testing.T) {
	t.Parallel()
	for _, c := range loadtest.ReferenceCooks(t) {
		if c.Quantity != "safe_at_min" {
			continue
		}
		s, err := load.Of(c.Request)
		if err != nil {
			t.Fatal(err)
		}
		safeAt := func(fineness run.Fineness) float64 {
			r, err := run.Start(s, run.Nominal, fineness)
			if err != nil {
				t.Fatal(err)
			}
			r.Carry(nil)
			return r.Only().SafeAt()
		}
		full, coarse := safeAt(run.Fine), safeAt(run.Coarse)
		if d := coarse/full - 1; math.Abs(d) > 0.03 {
			t.Errorf("%s: safe at is off by %.1f %% in a search", c.ID, 100*d)
		}
	}
}

func TestSearchesStopAndRefuse(t *testing.T) {
	t.Parallel()
	ctx, cancel := context.WithCancel(context.Background())
	cancel()
	if _, err := Recommend(ctx, loadtest.DozenWings(), Balanced, nil); !errors.Is(err, context.Canceled) {
		t.Errorf("a cancelled search answered %v", err)
	}
	var fields refuse.Fields
	if _, err := Recommend(context.Background(), loadtest.DozenWings(), "fluffier", nil); !errors.As(err, &fields) || fields[0].Field != "want" {
		t.Errorf("an unknown want gave %v", err)
	}
	q := loadtest.DozenWings()
	q.Load.Pieces = 0
	if err := CheckRecommend(q, Balanced); !errors.As(err, &fields) {
		t.Errorf("no pieces gave %v", err)
	}
}

// BenchmarkRecommend searches all ways for a dozen wings.
func BenchmarkRecommend(b *testing.B) {
	for b.Loop() {
		if _, err := Recommend(context.Background(), loadtest.DozenWings(), Balanced, nil); err != nil {
			b.Fatal(err)
		}
	}
}

// BenchmarkRecommendExhaustive tries the same dial and minutes for gentle,
// then hot, alone, one by one: what the descent saves.
func BenchmarkRecommendExhaustive(b *testing.B) {
	s, err := load.Of(loadtest.DozenWings())
	if err != nil {
		b.Fatal(err)
	}
	w := search{load: s, way: GentleHot, goal: goalOf(Balanced)}
	for b.Loop() {
		for first := 140.0; first <= 180; first += 5 {
			for second := first + 20; second <= 200; second += 5 {
				for split := 4.0; split <= 18; split += 2 {
					if _, _, err := w.settled(context.Background(), heats{first, second, split, 22}, run.Coarse); err != nil {
						b.Fatal(err)
					}
				}
			}
		}
	}
}

// lastOf is what a proposal ends at.
func lastOf(p *Proposal) run.Moment { return p.Timeline[len(p.Timeline)-1] }
