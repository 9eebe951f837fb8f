package sheet

import "time"

// Pin holds a task to a moment. With Toward it is held to the first moment from
// there on, sooner or later, at which its place and hands are free.
type Pin struct {
	Task   TaskID    `json:"task"`
	Start  time.Time `json:"start"`
	Toward Toward    `json:"toward,omitempty"`
}

// Toward is the side to which a pin gives way.
type Toward string

// Sides to which a pin gives way; without one it does not.
const (
	Sooner Toward = "sooner"
	Later  Toward = "later"
)
