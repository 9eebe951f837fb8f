package cook

import (
	"fmt"
	"testing"
	"time"

	"velocrustum/core/refuse/goldentest"
)

// What an evening asks for, minute by minute, is as it was read.
func TestAnEveningIsLedAsItWasRead(t *testing.T) {
	if testing.Short() {
		return // it computes: nothing meets in it that does not in others
	}
	t.Parallel()
	var f goldentest.File
	for hands := 1; hands <= 2; hands++ {
		for _, late := range []time.Duration{0, 90 * time.Second} {
			e := night(t, hands)
			asked, end := lead(t, e, func() time.Duration { return late })
			f.Add(t, fmt.Sprint(hands, " hands"), asked)
			f.Addf("ends", "%s", end.Format(time.RFC3339))
			for at := e.Sheet.StartAt; at.Before(end); at = at.Add(10 * time.Minute) {
				f.Add(t, at.Format("15:04"), e.By(at))
			}
		}
	}
	f.Same(t, "evening.txt")
}
