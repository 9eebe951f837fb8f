package cook

import (
	"fmt"
	"strings"

	"velocrustum/core/belief"
	"velocrustum/core/load"
)

// FileProbe begins the name of what a thermometer's own file holds.
const FileProbe = "file-"

// told are what was said, in words.
var told = map[string]string{HeatOn: "it heats", Loaded: "food is in", Dialled: "dial set", Out: "it is out", Rested: "it has rested", Stop: "given up",
	Raw: "raw inside", Soft: "soft", Floury: "floury patches", TakenOut: "thermometer taken out"}

// turns are the kinds of turn, done; a flip is "turned".
var turns = map[string]string{load.Shake: "shaken", load.LookIn: "looked at", load.BrushOn: "brushed", load.TakeOut: "some out"}

// Words are one thing said, in words.
func (l Live) Words(e Event) string {
	switch e.Kind {
	case Turned:
		if word := turns[l.TurnOf(e.ID)]; word != "" {
			return word
		}
		return "turned"
	case More:
		return fmt.Sprintf("%g min more", e.Value)
	case Set:
		return "set to " + l.Degrees.Words(e.Value)
	case Probe:
		return "read " + l.Degrees.Words(e.Value)
	case Look:
		n := min(max(0, int(e.Value+0.5)), len(belief.Shades)-1)
		return "looks " + belief.Shades[n].Name
	case LeftIn:
		if strings.HasPrefix(e.Probe, FileProbe) {
			return "a thermometer’s file laid over it"
		}
		return "thermometer " + e.Probe + " left in"
	}
	return told[e.Kind]
}
