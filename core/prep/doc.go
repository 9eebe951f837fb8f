// Package prep works out everything before the basket: cutting, drying, salt,
// marinade, coat and oil, and what of them is on the plate.
//
// # Idea
//
// A dish is the pieces as they were bought, the coat that was chosen and a
// bench of choices (dish.go, bench.go). What the basket gets follows from all
// three each time it is asked for, and is never written back. Figures come
// first, in g, °C and hours (work.go, salt.go, marinade.go, coat.go, plate.go);
// sentences are made of them last, in a household's units (words.go). What a
// step does to the clock and the crust is the difference of two simulations,
// with it and without (forecast.go).
//
// # Method
//
// Salt moves by Fick's law on the grid of core/thermal, in the piece's own
// geometry, from a bath that the pieces deplete. A coat is what sticks to the
// surface that the engine sees. A marinade's hours are limited by what is
// strongest in it. Dry salt makes up what all other sources leave of a target.
//
// # Domain and error
//
// 0 to 96 hours in a fridge of 4 °C. Diffusivity ±40 %, pick-up of coats
// ±25 %, hours of marinades ±30 %; sources are in docs/model.md and in the
// tables. Salt and water balances close to rounding (salt_test.go).
package prep
