// Package program simulates one cook of one load: a program of stages and
// turns in a fryer, the window in which it is safe, crisp and not overdone,
// and how sure that is.
//
// # Idea
//
// A request is resolved once into a kitchen, what lies in which fryer and
// when it is done, and a program, how it is run (kitchen.go, request.go). A
// run carries the load through it: the air feeds on the food and the food on
// the air, in classes of places in the basket (simulate.go). Everything else
// asks runs. The window asks many, over what varies from load to load
// (spread.go, ensemble.go); the verdict reads a nominal run and its window,
// once, for all who show it (verdict.go); a warning's change, a way, a
// batching and a converted recipe are other programs or other kitchens, run
// and judged the same way (change.go, ways.go, baskets.go, convert.go).
//
// # Method
//
// Steps begin at 1.5 s after anything moves and grow to 10 s, never across an
// event. A run can be advanced to a minute, cloned there, and gone on with
// under another program. Ways are searched by descent on the dial's own steps
// over a coarser run, and proved by a whole window. 2,000 loads are drawn from
// a quadratic through 64 sampled runs (Box and Draper 1987), which is checked
// by leaving each out; where it does not hold, loads are run and counted.
//
// # Domain and error
//
// Limits are in limits.go; frozen food is refused. A window costs about 50 ms
// on two cores and its minutes are those of 200 loads run within half a
// minute; halving shells and quartering steps moves safe by under 1 % and
// crisp by under 2 %. What the model leaves out, and which way that errs, is
// in docs/model.md; doubts are taken towards "not yet safe".
package program
