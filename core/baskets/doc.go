// Package baskets deals a dish to baskets, and follows each of them from the
// fryer to the plate.
//
// # Idea
//
// Batch plans a dish in each possible way, all at once, one basket after
// another, two fryers together, and says which is worth it (batch.go). What is
// out before the rest waits (wait.go). A supper asks more of one basket: Fry has
// how long it takes in a fryer as hot as the one before left it, and what its
// crust is after any wait (fry.go). A sauce goes on in one way or another, and
// Fates says what becomes of the crust under it (fate.go). words.go says all of
// it.
package baskets
