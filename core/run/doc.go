// Package run carries one load through its program: heat, water, crust and
// browning in every lot, and the fryer's air that all of them share.
//
// # Idea
//
// A Run is one load with one draw of what varies (variation.go). It heats the
// fryer and lays every lot in as a few pieces, each of which stands for all in
// one kind of place (place.go); in a step the air feeds on the food and the
// food on the air (run.go). It can be advanced to a minute, cloned there, and
// gone on with under another program. What it comes to is read from its lots
// (lot.go). Beside the air of the basket there is the air in which food waits
// (hold.go) and what is laid over a crust (sauce.go).
//
// # Method
//
// Steps begin at 1.5 s after anything moves and grow to 10 s, never across an
// event; each is that of core/thermal, with the fryer's air of core/fryer
// settled by what the food took and gave. Halving shells and quartering steps
// moves safe by under 1 % and crisp by under 2 %. What the model leaves out,
// and which way that errs, is in docs/model.md.
package run
