// Package ensemble is a thousand loads that are said alike: pieces, fryers and
// fridges differ, so that one load's minutes are not another's.
//
// # Idea
//
// What varies, and how far, is a Spread of a load (spread.go). Loads are drawn
// from it evenly, each by its thickest and its thinnest piece (draw.go). What
// those come to depends smoothly on the few figures that vary; a quadratic
// through sampled runs gives it for as many loads as are wanted in
// microseconds, and steadier quantiles than the runs alone (quadratic.go:
// response surface methodology, Box and Draper, Empirical Model-Building and
// Response Surfaces, 1987). Of gathers it for every lot of a load
// (ensemble.go); SafeTimes asks for safe alone, from fewer runs (safe.go);
// doubts.go says what would narrow it, portrait.go what is known of a fryer.
//
// # Method and error
//
// The quadratic is checked by leaving each run out in turn; where it does not
// hold, as in loads that are crisp or safe only now and then, loads are run and
// counted. Runs that end before something has happened are not thrown away:
// what is not there yet is taken for the later of the run's end and what the
// quadratic says of it, until that no longer moves (Schmee and Hahn,
// Technometrics 21, 1979). An ensemble costs about 50 ms on two cores and its
// minutes are those of 200 loads run within half a minute.
package ensemble
