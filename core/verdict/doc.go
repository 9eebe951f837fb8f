// Package verdict says what a load under its program comes to: when it is safe,
// crisp and no more than that, how sure that is, and what may go wrong.
//
// # Idea
//
// Of runs the nominal load and reads its window off an ensemble (judge.go,
// chance.go). Every lot then gets one verdict (verdict.go) and its warnings
// (warning.go), both first as figures: headline, band, sentences, ways, baskets
// and the live cook all follow from the same ones. What is said of them is put
// into words last, in words.go, and nowhere else.
//
// # Domain and error
//
// Figures are those of core/ensemble and core/run; whole minutes are rounded
// so that what must not be too early is late, and what must not be too late is
// early. Doubts are taken towards "not yet safe".
package verdict
