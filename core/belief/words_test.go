package belief

import (
	"fmt"
	"testing"

	"velocrustum/core/refuse/goldentest"
)

// What was seen of browning is told as it was read, over all that it may move.
func TestWordsOfBrowningAreAsTheyWereRead(t *testing.T) {
	t.Parallel()
	var f goldentest.File
	for m := 10.0; m < 24; m += 0.3 {
		f.Addf(fmt.Sprintf("%.1f", m), "%s | %s | %s", browningSays(new(16.2), &m), browningSays(nil, &m), browningSays(&m, nil))
	}
	f.Addf("never", "%s", browningSays(nil, nil))
	f.Same(t, "words.txt")
}
