package cook

import (
	"math"
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
	// Minutes of the last stage; 0 where what happened says nothing of the dish.
	Minutes float64 `json:"minutes"`
	Says    string  `json:"says"`
}

// Where a cook ran so far from its plan, minutes or of its time, something else
// happened: it was forgotten, or taken out raw.
const accidentMin, accidentShare = 4.0, 0.25

// NextTime proposes a change; nil where it was as planned. crust is how it was
// rated, empty where it was not; safeBy are the minutes by which it is surely
// safe, by the plan and by what was seen, nil where that is not foreseen; raw
// says that it was not shown safe. Only a cook that was rated and ran near its
// plan teaches anything: an accident is no wish. It never proposes less than is
// safe by any of them.
func (l Live) NextTime(crust string, raw bool, safeBy ...*float64) *NextTime {
	loaded, in := l.loadedAt()
	out, isOut := l.OutAt()
	if !in || !isOut || crust == "" {
		return nil
	}
	planned, actual := l.Program.Minutes(), out.Sub(loaded).Minutes()
	by, why := math.Round(actual-planned), inForInstead(math.Round(actual), planned)
	if math.Abs(actual-planned) > math.Max(accidentMin, accidentShare*planned) {
		return &NextTime{0, accidentSays(actual - planned)}
	}
	if math.Abs(actual-planned) < matters {
		by = 0
	}
	switch crust {
	case CrustPale, CrustSoft:
		if by < crustMin {
			by, why = math.Max(0, by)+crustMin, crustCameOut(crust)
		}
	case CrustHard, CrustBurnt:
		if by > -crustMin {
			by, why = math.Min(0, by)-crustMin, crustCameOut(crust)
		}
	}
	for _, minute := range safeBy {
		switch {
		case minute == nil && by < 0, raw && by < 0:
			by = 0
		case minute == nil:
		default:
			if least := math.Ceil(*minute - planned); by < least {
				if by = least; least > 0 {
					why = safeOnlyThen
				}
			}
		}
	}
	last := l.Program.Stages[len(l.Program.Stages)-1].Minutes
	by = math.Max(by, math.Ceil(shortest-last))
	if math.Abs(by) < 1 {
		return nil
	}
	return &NextTime{by, nextTimeSays(by, why)}
}
