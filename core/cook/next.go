package cook

import (
	"fmt"
	"math"

	"velocrustum/core/program"
	"velocrustum/core/units"
)

// How a crust came out, in the logbook's words.
const (
	CrustPale, CrustSoft, CrustHard, CrustBurnt = "pale", "soft", "hard", "burnt"
)

// crustMin is by how much a program is changed for a crust that came out
// otherwise than it was liked, minutes.
const crustMin = 2.0

// matters is a difference in time that is worth a change, minutes.
const matters = 1.5

// NextTime is a change proposed from how a cook differed from its plan.
type NextTime struct {
	Minutes float64 `json:"minutes"` // of the last stage
	Says    string  `json:"says"`
}

// NextTime proposes a change; nil where it was as planned. seen is what was
// foreseen by what was seen of it, and safeBy the minute by which the plan had
// it safe; nil where nothing was. It never proposes less than is safe by
// either.
func (l Live) NextTime(seen *program.Foreseen, safeBy *float64, crust string) *NextTime {
	loaded, in := l.loadedAt()
	out, isOut := l.OutAt()
	if !in || !isOut {
		return nil
	}
	planned, actual := l.Program.Minutes(), out.Sub(loaded).Minutes()
	by, why := math.Round(actual-planned), fmt.Sprintf("it was in for %s instead of %s", units.Minutes(math.Round(actual)), units.Minutes(planned))
	if math.Abs(actual-planned) < matters {
		by = 0
	}
	switch crust {
	case CrustPale, CrustSoft:
		if by < crustMin {
			by, why = math.Max(0, by)+crustMin, "its crust came out "+crust
		}
	case CrustHard, CrustBurnt:
		if by > -crustMin {
			by, why = math.Min(0, by)-crustMin, "its crust came out "+crust
		}
	}
	if seen != nil && seen.SafeByMin != nil {
		safeBy = seen.SafeByMin
	}
	if safeBy != nil {
		if least := math.Ceil(*safeBy - planned); by < least {
			by = least
			if why = "by what was seen it is safe only then"; seen == nil {
				why = "it is surely safe only then"
			}
		}
	} else if by < 0 {
		return nil
	}
	last := l.Program.Stages[len(l.Program.Stages)-1].Minutes
	by = math.Max(by, math.Ceil(shortest-last))
	switch {
	case by >= 1:
		return &NextTime{by, fmt.Sprintf("%.0f min more next time: %s.", by, why)}
	case by <= -1:
		return &NextTime{by, fmt.Sprintf("%.0f min less next time: %s.", -by, why)}
	}
	return nil
}
