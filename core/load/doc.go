// Package load is what lies in a fryer's basket, and what is asked of it.
//
// # Idea
//
// A Request is what a cook says: pieces, what covers them, a fryer, a program
// of stages and turns (request.go, program.go). Of makes it whole, once: it
// checks every figure against its limit (check.go, limits.go), fills in what
// was left out, gives the pieces a shape and lays them in the basket
// (basket.go). What comes of it, a Load, is never changed after: less oil,
// fewer pieces or another program is another Load (load.go). A Dish is more
// than goes into one basket (dish.go).
//
// Here nothing is simulated, foretold or advised; what may enter is what is
// true of a load before it is hot.
package load
