package clock

import (
	"time"

	"golang.org/x/sys/unix"
)

// sinceBoot counts while the machine sleeps, too: the food does not.
func sinceBoot() time.Duration {
	var t unix.Timespec
	if err := unix.ClockGettime(unix.CLOCK_BOOTTIME, &t); err != nil {
		return time.Since(started)
	}
	return time.Duration(t.Nano())
}

var started = time.Now()
