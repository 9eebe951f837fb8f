// Package belief is what is believed of a cook while it goes on: what is seen
// corrects what was forecast.
//
// # Idea
//
// A forecast is a set of sampled loads. Live, each carries a weight, and
// evidence (evidence.go) weighs them: it never edits a temperature. Fryers differ
// by more than the window's spread, so that the runs are laid wider here, and
// the window's own figures are the prior over them; where the weights collapse
// on a few loads, the set is drawn anew around the best (loads.go: importance
// sampling, Robert and Casella, Monte Carlo Statistical Methods, 2004, ch. 3).
// Those loads answer for crust, colour and the run that is drawn.
//
// What a thermometer says of the inside weighs the pace alone (pace.go), so
// that caution is one-sided for certain: a colder reading never makes it safe
// earlier, what is seen and the colour of juices never make it safe, and nothing
// does before a reading that is itself under the rule.
//
// A Belief is laid once for a program (belief.go) and asked as more is seen
// (foresee.go); Replay asks it after each thing in turn (replay.go). words.go
// says what is foreseen.
package belief
