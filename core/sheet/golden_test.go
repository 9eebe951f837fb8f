package sheet

import (
	"testing"

	"velocrustum/core/refuse/goldentest"
)

// Two evenings, with every task and word of them, are as they were read.
func TestSheetsAreAsTheyWereRead(t *testing.T) {
	if testing.Short() {
		return // it computes: nothing meets in it that does not in others
	}
	t.Parallel()
	var f goldentest.File
	f.Add(t, "limits", Limits)
	f.Add(t, "card night", plan(t, cardNight()))
	f.Add(t, "large", plan(t, large()))
	drawers := cardNight()
	drawers.Hands, drawers.Hobs = 2, nil
	f.Add(t, "two hands", plan(t, drawers))
	f.Same(t, "sheets.txt")
}
