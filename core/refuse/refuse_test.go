package refuse

import (
	"errors"
	"fmt"
	"math"
	"testing"
)

func TestAllThatIsWrongIsNamed(t *testing.T) {
	var c Check
	c.Within("hours", 3, 0, 3, "hours")
	c.Among("school", "rack", "", "wipe", "rack")
	if err := c.Err(); err != nil {
		t.Fatalf("nothing is wrong, but %v", err)
	}
	c.Within("hours", math.NaN(), 0, 3, "hours")
	c.Within("share", 1.2, 0, 1, "")
	c.Among("school", "wring", "", "wipe", "rack")
	var f Fields
	if err := Under("bench.", fmt.Errorf("at the bench: %w", c.Err())); !errors.As(err, &f) || len(f) != 3 {
		t.Fatalf("%v", err)
	}
	for i, want := range []Field{{"bench.hours", "NaN", "0 to 3 hours"}, {"bench.share", "1.2", "0 to 1"}, {"bench.school", `"wring"`, "wipe, rack"}} {
		if f[i] != want {
			t.Errorf("%+v, want %+v", f[i], want)
		}
	}
	if other := errors.New("no disk"); !errors.Is(Under("bench.", other), other) || Under("bench.", nil) != nil {
		t.Error("another error was changed")
	}
	if got := One("pieces", "0", "1 to 60").Error(); got != "pieces: 0 is not possible; allowed: 1 to 60" {
		t.Error(got)
	}
}
