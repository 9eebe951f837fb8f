package household

import (
	"strings"
	"testing"
)

// What is said of a picture is as long as it says, in letters and not in bytes.
func TestWhatIsSaidOfAPictureHasAnEnd(t *testing.T) {
	t.Parallel()
	for _, letter := range []string{"a", "ü", "🍗"} {
		if err := CheckAlt(strings.Repeat(letter, 300)); err != nil {
			t.Errorf("300 of %s: %v", letter, err)
		}
		if err := CheckAlt(strings.Repeat(letter, 301)); err == nil || !strings.Contains(err.Error(), "301 letters") {
			t.Errorf("301 of %s: %v", letter, err)
		}
	}
}
