package learn

import (
	"fmt"
	"math"
	"slices"

	"velocrustum/core/belief"
	"velocrustum/core/crust"
	"velocrustum/core/load"
)

// Rated is how one lot was called, one of cook.CrustRatings, and what it was like by the
// last forecast of it.
type Rated struct {
	Crust string `json:"crust"`
	// Crisp is of its softer face, of 100, nil where it is not to be crisp, and Browning
	// the stage of its paler and of its darker face.
	Crisp    *float64   `json:"crisp,omitempty"`
	Browning [2]float64 `json:"browning"`
}

// Liked is what ratings show of how a household differs from most in what it likes: means
// and standard deviations. Of no ratings its means are 0.
type Liked struct {
	Ratings  int    `json:"ratings"`
	Crust    Figure `json:"crust"`    // on the scale of crispness
	Browning Figure `json:"browning"` // stages
}

// Ratings are ordered answers around thresholds that lie where most have them and move
// with what is liked (an ordinal probit: McCullagh, J. R. Stat. Soc. B 42, 1980).
const (
	// How far households differ in what they like: on the scale of crispness, and in
	// stages. Own judgement: a tenth of the scale, a third of the way from gold to copper.
	// What is liked moves slowly, since this is no wider than how surely a rating tells.
	crustLikedSd, browningLikedSd = 8.0, 0.3
	// What is liked reaches from what is wanted at least to this much more, where it is
	// called hard, and how far one who rates differs from day to day.
	likedTo, calledCrustSd = 28.0, 8.0
	// One rating in so many is of something else: a slip, a guest, a mood.
	otherwise = 0.05
	// likedSteps are the figures tried, over three deviations on either side.
	likedSteps = 120
)

// LikedBy is what a household likes, by all it has rated.
func LikedBy(rated []Rated) (out Liked) {
	var crusts, browns []answer
	for _, r := range rated {
		if r.Crust == "" {
			continue
		}
		out.Ratings++
		crisp, brown := -1, -1
		switch r.Crust {
		case "soft":
			crisp = below
		case "hard":
			crisp = above
		case "pale":
			brown = below
		case "burnt":
			brown = above
		default:
			crisp, brown = between, between
		}
		if crisp >= 0 && r.Crisp != nil {
			crusts = append(crusts, answer{*r.Crisp - crust.Crisp, crisp})
		}
		if brown >= 0 {
			browns = append(browns, answer{[...]float64{below: r.Browning[0], between: (r.Browning[0] + r.Browning[1]) / 2, above: r.Browning[1]}[brown], brown})
		}
	}
	out.Crust = ordered(crusts, 0, likedTo, calledCrustSd, crustLikedSd)
	out.Browning = ordered(browns, belief.CalledPale, belief.CalledBurnt, belief.CalledSd, browningLikedSd)
	return out
}

// Where an answer has a figure beside what is liked.
const (
	below = iota
	between
	above
)

type answer struct {
	is    float64
	where int
}

// ordered is by how much thresholds lie higher than most have them, by answers around
// them that differ by sd; before any it is 0, give or take prior.
func ordered(answers []answer, low, high, sd, prior float64) Figure {
	at := func(i int) float64 { return 3 * prior * (2*float64(i)/likedSteps - 1) }
	var logs [likedSteps + 1]float64 // of how likely each is
	for i := range logs {
		more := at(i)
		logs[i] = -more * more / (2 * prior * prior)
		for _, a := range answers {
			under, over := math.Erfc((a.is-low-more)/sd/math.Sqrt2)/2, math.Erfc((high+more-a.is)/sd/math.Sqrt2)/2
			p := [...]float64{below: under, between: max(0, 1-under-over), above: over}[a.where]
			logs[i] += math.Log((1-otherwise)*p + otherwise/3)
		}
	}
	likeliest := slices.Max(logs[:])
	var weight, sum, squares float64
	for i, log := range logs {
		more, w := at(i), math.Exp(log-likeliest)
		weight, sum, squares = weight+w, sum+w*more, squares+w*more*more
	}
	mean := sum / weight
	return Figure{mean, math.Sqrt(max(0, squares/weight-mean*mean))}
}

// Likes are what to plan by: those that were said, each nil where nobody did, and what
// ratings show in their place, in steps that a cook can tell apart.
func (l *Liked) Likes(crustMore, browningMore *float64) load.Likes {
	of := func(said *float64, by float64, field string) float64 {
		if said != nil {
			return *said
		}
		r := load.Limits[field]
		step := r.Step / 5
		return min(r.Max, max(r.Min, step*math.Round(by/step)+0)) // of -0 too
	}
	return load.Likes{CrustMore: of(crustMore, l.Crust[0], "likes.crustMore"), BrowningMore: of(browningMore, l.Browning[0], "likes.browningMore")}
}

// Says is what ratings show, in a sentence.
func (l *Liked) Says() string {
	if l.Ratings == 0 {
		return "Nothing is rated yet: say in the logbook how a crust came out, and it shows what is liked here."
	}
	ratings := "one rating"
	if l.Ratings > 1 {
		ratings = fmt.Sprintf("%d ratings", l.Ratings)
	}
	return fmt.Sprintf("From %s: %s, and %s.", ratings, CrustLiked(l.Crust[0]), BrowningLiked(l.Browning[0]))
}

// A Step is by how much more something is liked than most like it, as a cook chooses it
// and in words.
type Step struct {
	More float64 `json:"more"`
	Name string  `json:"name"`
	Says string  `json:"says"`
}

// CrustSteps and BrowningSteps are those to choose from.
var (
	CrustSteps    = stepsOf(CrustLiked, []Step{{More: -10, Name: "Softer"}, {Name: "As most do"}, {More: 10, Name: "Crisper"}, {More: 20, Name: "Much crisper"}})
	BrowningSteps = stepsOf(BrowningLiked, []Step{{More: -0.4, Name: "Paler"}, {Name: "As most do"}, {More: 0.4, Name: "Browner"}})
)

func stepsOf(says func(more float64) string, steps []Step) []Step {
	for i := range steps {
		steps[i].Says = says(steps[i].More)
	}
	return steps
}

// CrustLiked words how much crisper a crust is liked.
func CrustLiked(more float64) string {
	return inWords(more, []float64{-8, -2, 2, 8, 15}, []string{"a softer crust than most", "a slightly softer crust than most", "a crust as most do", "a slightly crisper crust than most", "a crisper crust than most", "a much crisper crust than most"})
}

// BrowningLiked words how much browner it is liked.
func BrowningLiked(more float64) string {
	return inWords(more, []float64{-0.3, -0.08, 0.08, 0.3}, []string{"paler than most", "slightly paler than most", "as brown as most", "slightly browner than most", "browner than most"})
}

// inWords is the word of the part of a scale that a figure lies in.
func inWords(v float64, from []float64, words []string) string {
	at, _ := slices.BinarySearch(from, v)
	return words[at]
}
