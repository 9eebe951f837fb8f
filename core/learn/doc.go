// Package learn is what a household's cooks show together: how its fryer differs from
// what was said of it, how thick its pieces really are, which evenings were odd.
//
// # Idea
//
// Each cook leaves a belief.Site: what its evidence says of the fryer and of the hand
// that cut the pieces, whatever was known before left out. What is known is a Gaussian
// over the fryer's four figures and each cut's hand: the product of what was said of
// the fryer and all sites (assumed-density filtering: Minka, Expectation Propagation
// for Approximate Bayesian Inference, 2001). The sites do not know of each other, so
// that the order of cooks is no matter but for what follows.
//
// Three things are not as simple (product.go):
//
// An evening may be odd, of which nothing is learnt: a site counts by the probability
// that it was as usual, by how well all others foretold it.
//
// A fryer changes, slowly or at once: a site counts for less the older it is, and the
// fryer may have changed before one of the last cooks, each with a probability by how
// well what came before foretold what came after. Where somebody said so, it has.
//
// A household may be a strange one: one in four has a fryer further from what was said
// than the window takes fryers to be. As far as cooks speak for it, it is so.
//
// What comes of it is a load.Learnt: its means take the place of what was said, and its
// covariance, with what is of one evening alone, that of how far fryers differ. With no
// cook there is none, and every answer is as it was.
package learn
