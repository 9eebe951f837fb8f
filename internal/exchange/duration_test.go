package exchange

import "testing"

// Minutes are as others write them: whole hours without minutes, none of nothing.
func TestMinutesAreAsOthersWriteThem(t *testing.T) {
	t.Parallel()
	for minutes, want := range map[float64]string{0: "PT0M", 1: "PT1M", 59.4: "PT59M", 59.6: "PT1H", 60: "PT1H", 61: "PT1H1M", 120: "PT2H", 150.2: "PT2H30M", 1440: "PT24H"} {
		if got := duration(minutes); got != want {
			t.Errorf("%g min: %s, want %s", minutes, got, want)
		}
	}
}
