package cook

import (
	"fmt"
	"testing"

	"velocrustum/core/refuse/goldentest"
)

// How a supper stands and what more minutes cost, over all that their figures may be, is
// as it was read: each word has its border.
func TestWordsOfACookAreAsTheyWereRead(t *testing.T) {
	t.Parallel()
	var f goldentest.File
	tables := [][]tableAt{{{"", "19:30"}}, {{"", "19:30"}, {"the children", "18:15"}}, {{"the children", "18:15"}, {"the others", "19:00"}}, {{"", "19:30"}, {"", "20:00"}}}
	for i, all := range tables {
		for late := 0.0; late < 4; late += 0.2 {
			f.Addf(fmt.Sprintf("%d %.1f late", i, late), "%s", standing{lateMin: late, tables: all, over: late > 3.5, heldUpBy: []string{"", "wings 1"}[i%2], canWait: []canWait{{"slaw", "18:40"}, {"glaze", "19:10"}}[:i%3]}.says())
		}
	}
	f.Addf("not shown", "%s | %s", standing{notShown: []string{"wings 1"}, tables: tables[0]}.says(), standing{notShown: []string{"wings 1", "fish"}, tables: tables[0]}.says())
	for m := -9.0; m < 9; m += 0.3 {
		f.Addf(fmt.Sprintf("%.1f min", m), "%s | %s | %s", costsSays(2, m, "19:40"), accidentSays(m), nextTimeSays(m, "it was pale"))
		f.Addf(fmt.Sprintf("%.1f min over", m), "%s | %s | %s", stoodSays(m, 70, 70-m), wentOnSays(m, "gold", "gold", 70, 70-m), wentOnSays(m, "gold", "copper", 70, 70-m))
	}
	// What is due half a minute from another thing is one thing to do.
	for m := 0.0; m < 2; m += 0.1 {
		l := plan()
		l.Program.Turns[0].AtMin = 12 - m
		list, end := dues(l.Program)
		f.Addf(fmt.Sprintf("turned %.1f min before", m), "%d to do in %g", len(list), end)
		f.Addf(fmt.Sprintf("then %.1f", m), "%s", l.after(list[1:], list[0].at, list[0].at+m))
	}
	f.Same(t, "words.txt")
}
