package session

import (
	"testing"
	"time"

	"velocrustum/internal/exchange"
)

// A logger that knows the time of day alone began next to when the food went in, on
// whichever side of midnight that is; one that knows the day began then, and one that
// knows neither with the food.
func TestAFileBeginsNextToItsCook(t *testing.T) {
	t.Parallel()
	zone := time.FixedZone("here", 3600)
	at := func(day, hour, minute int) time.Time { return time.Date(2026, 11, day, hour, minute, 0, 0, zone) }
	clock := func(hour, minute int) *time.Time { return new(time.Date(0, 1, 1, hour, minute, 0, 0, time.UTC)) }
	for name, c := range map[string]struct {
		got      exchange.Logged
		in, want time.Time
	}{
		"the same evening":      {exchange.Logged{Begun: clock(18, 2)}, at(20, 18, 0), at(20, 18, 2)},
		"begun before midnight": {exchange.Logged{Begun: clock(23, 58)}, at(21, 0, 5), at(20, 23, 58)},
		"begun after midnight":  {exchange.Logged{Begun: clock(0, 3)}, at(20, 23, 59), at(21, 0, 3)},
		"with a date":           {exchange.Logged{Begun: new(at(19, 12, 0)), Dated: true}, at(20, 18, 0), at(19, 12, 0)},
		"by nothing":            {exchange.Logged{}, at(20, 18, 0), at(20, 18, 0)},
	} {
		if got := begunAt(c.got, c.in, zone); !got.Equal(c.want) {
			t.Errorf("%s: %s, want %s", name, got, c.want)
		}
	}
}
