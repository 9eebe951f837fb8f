package api

import (
	"testing"
	"time"
)

// A supper is written in the cook's own time zone, on a machine that may have none installed.
func TestTimeZonesAreKnown(t *testing.T) {
	for _, name := range []string{"Europe/Zurich", "America/New_York", "Asia/Kolkata"} {
		zone, err := time.LoadLocation(name)
		if err != nil {
			t.Fatalf("%s: %v", name, err)
		}
		if zone.String() != name {
			t.Errorf("%s is read as %s", name, zone)
		}
	}
}
