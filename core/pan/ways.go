package pan

import "fmt"

// How a sauce comes to the food.
const (
	Toss   = "toss"   // all of it, in a bowl
	Brush  = "brush"  // all of it, thinner
	Up     = "up"     // one face, the other stays dry
	Pour   = "pour"   // over it on the plate: what does not stay runs down
	Ladle  = "ladle"  // all of it over it
	Under  = "under"  // all of it on the plate, the pieces on top
	Beside = "beside" // to dip
)

// A Way is how a sauce may come, in the words of each place that says so.
type Way struct {
	ID, Name string
	Says     string // in the sentence: "tossed over" the pieces
	To       string // of an amount: "to toss it in"
	task     string // of a dish and its sauce
	step     string // of a recipe, whom it is for
	// Lays is how much of what clings in a bowl lies on a piece: a brush takes off a
	// third, one face is half, of what is poured the top and some of the sides keep
	// theirs, and of what is dipped a third of the surface goes in (±0.1).
	Lays float64
	// Plated says that all of it is eaten, from the plate too: at the table, and of
	// what is ladled as much as the cook makes.
	Plated, Own bool
}

// Ways it may come.
var Ways = []Way{
	{Toss, "Tossed, all of it", "tossed over", "to toss it in", "Toss %s in %s", "toss %s in it", 1, false, false},
	{Brush, "Brushed, thinner", "brushed on", "to brush on", "Brush %s with %s", "brush it on %s", 0.65, false, false},
	{Up, "On one face, the other dry", "on one face of", "on one face", "Spoon over %s, on one face: %s", "spoon it over one face of %s", 0.5, false, false},
	{Pour, "Poured over, on the plate", "poured over", "to pour over", "Pour over %s, on the plates: %s", "pour it over %s, on the plates", 0.6, true, false},
	{Ladle, "Ladled over, all of it", "ladled over", "to ladle over", "Ladle over %s: %s", "ladle it over %s", 1, true, true},
	{Under, "Ladled under, the top dry", "ladled under", "to ladle under it", "Ladle onto the plates, %s on top: %s", "ladle it onto the plates and lay %s on top", 0.5, true, true},
	{Beside, "Beside, to dip", "beside", "beside it", "", "serve it beside %s", 0.35, false, false},
}

// WayOf is the way of an id, the first where there is none.
func WayOf(id string) Way {
	for _, w := range Ways {
		if w.ID == id {
			return w
		}
	}
	return Ways[0]
}

// WayIDs lists them.
func WayIDs() (out []string) {
	for _, w := range Ways {
		out = append(out, w.ID)
	}
	return out
}

// Task is what is done to a dish with a sauce, and Step what a recipe says of it.
func (w Way) Task(dish, sauce string) string { return fmt.Sprintf(w.task, dish, sauce) }
func (w Way) Step(whom string) string        { return fmt.Sprintf(w.step, whom) }

// On says whether it goes on the food before it is eaten.
func (w Way) On() bool { return w.ID != Beside }

// What is eaten with a sauce that is ladled.
const (
	Rice    = "rice"
	Noodles = "noodles"
)

// A Grain is what may lie under a sauce.
type Grain struct {
	ID, Name      string
	G, Boil, Rest float64
}

// Grains are what may lie under a sauce, dry grams of each a serving (packets: 60 to
// 90), and how long they take of a hob: on the boil, and standing or draining.
var Grains = []Grain{{Rice, "rice", 75, 12, 10}, {Noodles, "noodles", 80, 5, 2}}
