package larder

import (
	"testing"

	"velocrustum/core/refuse/goldentest"
)

// Every figure of the shelf is as it was read in its source.
func TestTheShelfIsAsItWasRead(t *testing.T) {
	t.Parallel()
	var f goldentest.File
	for _, i := range Ingredients() {
		f.Addf(i.ID, "%+v", i)
	}
	f.Same(t, "shelf.txt")
}
