// Package advise looks for programs that end better: the best of each way for a
// load, what would mend a warning, when a brush stands, and what a recipe for
// oil, an oven or a preset is in this fryer.
//
// # Idea
//
// What a cook wants more of is a Goal, which weighs what a load comes to in
// percents of juice (goal.go). A program is run on to find its best minute to
// end (goal.go), and programs of one way are searched by descent on the dial's
// own steps (search.go). Everything else is that search with another question:
// Recommend (ways.go), Changes (change.go), Brushes (brush.go), Convert
// (convert.go). What is found is proved by a whole window before it is said, and
// words.go says it.
//
// # Method
//
// The search runs coarsely (run.Coarse); its length is settled finely, and by
// 95 loads in 100. It costs some 130 ms on two cores.
package advise
