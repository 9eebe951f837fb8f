package learn

import (
	"math"
	"math/rand/v2"
	"slices"
	"strings"
	"testing"

	"velocrustum/core/belief"
	"velocrustum/core/crust"
	"velocrustum/core/load"
)

// called is how one who likes it so much crisper and browner calls a crust.
func called(rng *rand.Rand, crisp, brown float64, l load.Likes) string {
	over, seen := crisp-crust.Crisp-l.CrustMore+calledCrustSd*rng.NormFloat64(), brown-l.BrowningMore+belief.CalledSd*rng.NormFloat64()
	switch {
	case seen < belief.CalledPale:
		return "pale"
	case seen > belief.CalledBurnt:
		return "burnt"
	case over < 0:
		return "soft"
	case over > likedTo:
		return "hard"
	}
	return "good"
}

// What two hundred made-up households like is found from twenty ratings better than by
// taking them for most, and as surely as it says.
func TestRatingsShowWhatIsLiked(t *testing.T) {
	rng := rand.New(rand.NewPCG(33, 5))
	const households = 200
	var before, after, brownBefore, brownAfter float64
	inside := 0
	for range households {
		likes := load.Likes{CrustMore: crustLikedSd * rng.NormFloat64(), BrowningMore: browningLikedSd * rng.NormFloat64()}
		var rated []Rated
		for range 20 {
			crisp, brown := 50+35*rng.Float64(), 0.6+1.8*rng.Float64()
			rated = append(rated, Rated{Crust: called(rng, crisp, brown, likes), Crisp: &crisp, Browning: [2]float64{brown, brown}})
		}
		l := LikedBy(rated)
		before, after = before+math.Abs(likes.CrustMore), after+math.Abs(likes.CrustMore-l.Crust[0])
		brownBefore, brownAfter = brownBefore+math.Abs(likes.BrowningMore), brownAfter+math.Abs(likes.BrowningMore-l.Browning[0])
		if math.Abs(likes.CrustMore-l.Crust[0]) < 1.645*l.Crust[1] {
			inside++
		}
	}
	t.Logf("crust off by %.1f instead of %.1f, colour by %.2f instead of %.2f, %d of %d within nine in ten", after/households, before/households, brownAfter/households, brownBefore/households, inside, households)
	if after > 0.65*before || brownAfter > 0.75*brownBefore || inside < 170 {
		t.Errorf("crust off by %.1f instead of %.1f, colour by %.2f instead of %.2f, %d within", after, before, brownAfter, brownBefore, inside)
	}
}

func TestNothingRatedLikesWhatMostDo(t *testing.T) {
	for _, rated := range [][]Rated{nil, {{Crust: ""}}} {
		l := LikedBy(rated)
		if l.Likes(nil, nil) != (load.Likes{}) || l.Ratings != 0 || !strings.HasPrefix(l.Says(), "Nothing is rated yet") {
			t.Errorf("%v: %+v, %s", rated, l, l.Says())
		}
	}
	// Pieces that are not to be crisp say nothing of the crust.
	if l := LikedBy([]Rated{{Crust: "hard", Browning: [2]float64{1, 1}}}); math.Abs(l.Crust[0]) > 1e-9 || l.Ratings != 1 {
		t.Errorf("%+v", l)
	}
}

// One rating moves what is liked a little, ten alike move it more, and no number of them
// further than can be asked for; what was said goes before what they show.
func TestWhatIsLikedMovesSlowly(t *testing.T) {
	soft := func(n int, crisp float64) (out []Rated) {
		for range n {
			out = append(out, Rated{Crust: "soft", Crisp: &crisp, Browning: [2]float64{1, 1.4}})
		}
		return out
	}
	last := 0.0
	for _, n := range []int{1, 3, 10, 100} {
		l := LikedBy(soft(n, 72))
		if l.Crust[0] <= last || n == 1 && l.Crust[0] > 12 {
			t.Errorf("%d soft ones at 72: %.1f after %.1f", n, l.Crust[0], last)
		}
		last = l.Crust[0]
	}
	l := LikedBy(soft(500, 95))
	if got := l.Likes(nil, nil); got.Check() != nil || got.CrustMore < 15 {
		t.Errorf("%+v", got)
	}
	if got := l.Likes(new(-5.0), new(0.2)); got != (load.Likes{CrustMore: -5, BrowningMore: 0.2}) {
		t.Errorf("said -5 and 0.2, planned by %+v", got)
	}
	if says := l.Says(); says != "From 500 ratings: a much crisper crust than most, and as brown as most." {
		t.Error(says)
	}
	for _, c := range []struct {
		more float64
		says string
	}{{-9, "a softer crust than most"}, {-3, "a slightly softer crust than most"}, {0, "a crust as most do"}, {3, "a slightly crisper crust than most"}, {9, "a crisper crust than most"}, {15.5, "a much crisper crust than most"}} {
		if got := CrustLiked(c.more); got != c.says {
			t.Errorf("%g: %s", c.more, got)
		}
	}
	for _, c := range []struct {
		more float64
		says string
	}{{-0.4, "paler than most"}, {-0.2, "slightly paler than most"}, {0, "as brown as most"}, {0.2, "slightly browner than most"}, {0.4, "browner than most"}} {
		if got := BrowningLiked(c.more); got != c.says {
			t.Errorf("%g: %s", c.more, got)
		}
	}
}

// Whatever is chosen can be planned by, and is called by a word of its own.
func TestEachStepOfWhatIsLikedHasItsWords(t *testing.T) {
	var words []string
	for _, s := range CrustSteps {
		if err := (load.Likes{CrustMore: s.More}).Check(); err != nil {
			t.Error(err)
		}
		words = append(words, s.Says)
	}
	for _, s := range BrowningSteps {
		if err := (load.Likes{BrowningMore: s.More}).Check(); err != nil {
			t.Error(err)
		}
		words = append(words, s.Says)
	}
	slices.Sort(words)
	if said := slices.Compact(slices.Clone(words)); len(said) != len(words) {
		t.Errorf("only %q", said)
	}
}
