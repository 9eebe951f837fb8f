//go:build !linux

package clock

import "time"

// sinceBoot counts while the machine is awake.
func sinceBoot() time.Duration { return time.Since(started) }

var started = time.Now()
