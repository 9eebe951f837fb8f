package program

import (
	"context"
	"errors"
	"math"
	"math/rand/v2"
	"strings"
	"testing"

	"velocrustum/core/crust"
	"velocrustum/core/refuse"
)

func dozenWings() Request {
	return Request{Load: Load{Cut: "chicken-wing-flat", Pieces: 12, PieceMassG: 42}, Coat: &Coat{ID: "starch-dust", OilG: 4},
		Program: Program{PreheatMin: 4, Stages: []Stage{{AirC: 165, Minutes: 12}, {AirC: 200, Minutes: 14}}, Turns: []Turn{{AtMin: 12, Kind: Flip}}}}
}

func recommended(t *testing.T, q Request, want Want) Recommendation {
	t.Helper()
	r, err := Recommend(context.Background(), q, want, nil)
	if err != nil {
		t.Fatal(err)
	}
	return r
}

func TestEveryWayIsSearchedAndRanked(t *testing.T) {
	t.Parallel()
	told := 0
	r, err := Recommend(context.Background(), dozenWings(), Balanced, func(done, of int) {
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
		q := dozenWings()
		q.Program = p.Program
		if err := Check(q); err != nil {
			t.Errorf("%s proposes what is refused: %v", p.Way, err)
		}
	}
	if len(seen) != len(Ways) || told != len(Ways) {
		t.Errorf("%d ways, %d of %d told", len(seen), told, len(Ways))
	}
}

func TestReadyMeansSafeCrispAndNotOverdone(t *testing.T) {
	t.Parallel()
	r := recommended(t, dozenWings(), Balanced)
	ready := 0
	for _, p := range r.Ways {
		q := dozenWings()
		q.Program, q.TailMin = p.Program, 10
		a, err := Simulate(context.Background(), q, Options{})
		if err != nil {
			t.Fatal(err)
		}
		if d := orLate(p.SafeByMin) - *a.Chance.SafeByMin; math.Abs(d) > 0.05**a.Chance.SafeByMin {
			t.Errorf("%s: safe by %.1f, sampled in full by %.1f", p.Way, orLate(p.SafeByMin), *a.Chance.SafeByMin)
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
	t.Parallel()
	best := map[Want]Proposal{}
	for _, w := range Wants {
		best[w] = recommended(t, dozenWings(), w).Ways[0]
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
	wedges := Request{Load: Load{Cut: "potato-wedge", Pieces: 12, PieceMassG: 32}, Coat: &Coat{ID: "oil-rub", OilG: 12}}
	dark := func(w Want) float64 {
		f := recommended(t, wedges, w).Ways[0].last().Faces
		return max(f[0].Brown, f[1].Brown)
	}
	if p, c := dark(Paler), dark(Crisper); p >= c || p > 1.5 {
		t.Errorf("paler browns to %.2f, crisper to %.2f", p, c)
	}
}

func TestSchoolsAreWhatTheySay(t *testing.T) {
	t.Parallel()
	for _, p := range recommended(t, dozenWings(), Balanced).Ways {
		st, turns := p.Program.Stages, p.Program.Turns
		ok := map[Way]bool{
			Straight:       len(st) == 1 && len(turns) == 1 && turns[0].Kind == Flip,
			GentleHot:      len(st) == 2 && st[0].AirC <= st[len(st)-1].AirC-20,
			HotGentle:      len(st) == 2 && st[0].AirC >= st[len(st)-1].AirC+20,
			GentleRestHot:  len(st) == 3 && st[1%len(st)].Rest,
			TurnOften:      len(st) == 1 && len(turns) >= 2,
			ShakeOften:     len(st) == 1 && len(turns) == 2 && turns[0].Kind == Shake,
			SingleLateTurn: len(st) == 1 && len(turns) == 1 && turns[0].AtMin > 0.6*p.Minutes,
		}[p.Way]
		if !ok {
			t.Errorf("%s: %+v", p.Way, p.Program)
		}
	}
}

func TestSearchIsCloseToTheAnswer(t *testing.T) {
	t.Parallel()
	for _, c := range referenceCooks(t) {
		if c.quantity != "safe_at_min" {
			continue
		}
		s, err := resolve(c.request)
		if err != nil {
			t.Fatal(err)
		}
		full, err := s.answer(standard)
		if err != nil {
			t.Fatal(err)
		}
		coarse, err := s.answer(searching)
		if err != nil {
			t.Fatal(err)
		}
		if d := *coarse.SafeAtMin / *full.SafeAtMin - 1; math.Abs(d) > 0.03 {
			t.Errorf("%s: safe at is off by %.1f %% in a search", c.id, 100*d)
		}
	}
}

func TestSearchesStopAndRefuse(t *testing.T) {
	t.Parallel()
	ctx, cancel := context.WithCancel(context.Background())
	cancel()
	if _, err := Recommend(ctx, dozenWings(), Balanced, nil); !errors.Is(err, context.Canceled) {
		t.Errorf("a cancelled search answered %v", err)
	}
	var fields refuse.Fields
	if _, err := Recommend(context.Background(), dozenWings(), "fluffier", nil); !errors.As(err, &fields) || fields[0].Field != "want" {
		t.Errorf("an unknown want gave %v", err)
	}
	q := dozenWings()
	q.Load.Pieces = 0
	if err := CheckRecommend(q, Balanced); !errors.As(err, &fields) {
		t.Errorf("no pieces gave %v", err)
	}
}

func TestRestCoolsTheOutsideAndSteamsOff(t *testing.T) {
	t.Parallel()
	q := Request{Load: Load{Cut: "chicken-drumstick", Pieces: 3, PieceMassG: 110}, Program: Program{PreheatMin: 4,
		Stages: []Stage{{AirC: 180, Minutes: 14}, {AirC: 200, Minutes: 5, Rest: true}, {AirC: 200, Minutes: 8}}}}
	a := quick(t, q)
	out, in := at(a.Timeline, 14.5), at(a.Timeline, 18.5)
	if in.UpperC > out.UpperC-15 || in.MassLossPct <= out.MassLossPct {
		t.Errorf("resting, the surface goes from %.0f to %.0f °C and the loss from %.1f to %.1f %%", out.UpperC, in.UpperC, out.MassLossPct, in.MassLossPct)
	}
	if in.AirC < 190 {
		t.Errorf("the empty fryer stands at %.0f °C after the rest", in.AirC)
	}
	q.Program.Stages = q.Program.Stages[:2]
	var fields refuse.Fields
	if err := Check(q); !errors.As(err, &fields) || fields[0].Field != "program.stages[1].rest" {
		t.Errorf("a rest at the end gave %v", err)
	}
}

func TestACheckCostsHeatAndMovesNothing(t *testing.T) {
	t.Parallel()
	q := dozenWings()
	q.Program.Turns = []Turn{{AtMin: 8, Kind: LookIn}, {AtMin: 12, Kind: Flip}}
	looked, plain := quick(t, q), quick(t, dozenWings())
	if d := orLate(looked.SafeAtMin) - orLate(plain.SafeAtMin); d <= 0 || d > 1 {
		t.Errorf("a look makes it safe %.2f min later", d)
	}
	if d := looked.End.Crust - plain.End.Crust; d > 0.5 || d < -12 {
		t.Errorf("a look changes the crust by %.1f", d)
	}
}

func TestAHotFryerIsSooner(t *testing.T) {
	t.Parallel()
	r := rand.New(rand.NewPCG(3, 9))
	for range 20 {
		q := anyRequest(r)
		q.Program.PreheatMin = 0
		cold := quick(t, q)
		q.Program.HotFromC = 195
		hot := quick(t, q)
		if gain := orLate(cold.SafeAtMin) - orLate(hot.SafeAtMin); gain < 0.5 || gain > 6 {
			t.Errorf("%s: a hot fryer gains %.1f min", q.Load.Cut, gain)
		}
	}
}

func TestConversionKeepsTheInside(t *testing.T) {
	t.Parallel()
	fillet := Request{Load: Load{Cut: "fish-fillet-white", Pieces: 2, PieceMassG: 140}, Coat: &Coat{ID: "three-bowl-crumb", OilG: 6}, Program: Program{PreheatMin: 4}}
	c, err := Convert(context.Background(), fillet, Recipe{FromOil, 180, 6})
	if err != nil {
		t.Fatal(err)
	}
	end := c.Proposal.last().CoreC
	if !c.Source.Safe || math.Abs(end-max(c.Source.CoreC, 63)) > 12 {
		t.Errorf("oil ends at %.0f °C, the program at %.0f", c.Source.CoreC, end)
	}
	if c.Proposal.Minutes <= 6 || !strings.Contains(c.Says, "less heat than fat") {
		t.Errorf("%.0f min: %s", c.Proposal.Minutes, c.Says)
	}
	// Longer in the oil is hotter inside, and so longer here.
	long, err := Convert(context.Background(), fillet, Recipe{FromOil, 180, 7.5})
	if err != nil {
		t.Fatal(err)
	}
	if long.Source.CoreC <= c.Source.CoreC || long.Proposal.last().CoreC < end {
		t.Errorf("7.5 min in oil: %.0f °C there, %.0f here; 6 min: %.0f and %.0f", long.Source.CoreC, long.Proposal.last().CoreC, c.Source.CoreC, end)
	}
	// Raw in the middle is not converted, but cooked on.
	short, err := Convert(context.Background(), fillet, Recipe{FromOil, 180, 2})
	if err != nil {
		t.Fatal(err)
	}
	if short.Source.Safe || orLate(short.Proposal.SafeByMin) > short.Proposal.Minutes+0.5 {
		t.Errorf("two minutes in oil: %+v", short.Source)
	}
	oven, err := Convert(context.Background(), dozenWings(), Recipe{FromOven, 210, 45})
	if err != nil {
		t.Fatal(err)
	}
	if oven.Proposal.Minutes >= 40 || oven.Source.JuicePct >= oven.Proposal.JuicePct {
		t.Errorf("45 min of oven became %.0f, with %.0f %% juice for %.0f", oven.Proposal.Minutes, oven.Proposal.JuicePct, oven.Source.JuicePct)
	}
}

func TestPresetsAreJudged(t *testing.T) {
	t.Parallel()
	for minutes, fit := range map[float64]string{6: "short", 22: "fits", 50: "long"} {
		c, err := Convert(context.Background(), dozenWings(), Recipe{FromPreset, 200, minutes})
		if err != nil {
			t.Fatal(err)
		}
		if c.Fit != fit || (c.Proposal == nil) != (fit == "fits") {
			t.Errorf("%g min at 200 °C: %s, want %s: %s", minutes, c.Fit, fit, c.Says)
		}
	}
	var fields refuse.Fields
	for _, r := range []Recipe{{"pan", 180, 5}, {FromOil, 400, 5}, {FromOven, 200, 0}} {
		if _, err := Convert(context.Background(), dozenWings(), r); !errors.As(err, &fields) {
			t.Errorf("%+v gave %v", r, err)
		}
	}
}

// BenchmarkRecommend searches all ways for a dozen wings.
func BenchmarkRecommend(b *testing.B) {
	for b.Loop() {
		if _, err := Recommend(context.Background(), dozenWings(), Balanced, nil); err != nil {
			b.Fatal(err)
		}
	}
}

// BenchmarkRecommendExhaustive tries the same dial and minutes for gentle,
// then hot, alone, one by one: what the descent saves.
func BenchmarkRecommendExhaustive(b *testing.B) {
	s, err := resolve(dozenWings())
	if err != nil {
		b.Fatal(err)
	}
	g := goal{weights: wantWeights[Balanced], late: lateSafe, core: math.NaN()}
	for b.Loop() {
		for first := 140.0; first <= 180; first += 5 {
			for second := first + 20; second <= 200; second += 5 {
				for split := 4.0; split <= 18; split += 2 {
					if _, _, err := s.settled(context.Background(), GentleHot, choice{first, second, split, 22}, g, searching); err != nil {
						b.Fatal(err)
					}
				}
			}
		}
	}
}
