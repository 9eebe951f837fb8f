package belief

import (
	"cmp"
	"fmt"
	"math"
	"slices"

	"velocrustum/core/load"
	"velocrustum/core/refuse"
)

// Kinds of evidence.
const (
	SeenProbe = "probe" // C, in the piece said
	SeenLook  = "look"  // Shade of the face that is up
	SeenCut   = "cut"   // Raw at the bone, or clear
	SeenTurn  = "turned"
	// SeenLeftIn is a reading of a probe that stays in, of one insertion.
	SeenLeftIn = "left-in"
	SeenSoft   = "soft"   // not crisp under the tongs
	SeenFloury = "floury" // patches of dry flour; weighs nothing
	// SeenDisplay is what a fryer that shows its air shows, C.
	SeenDisplay = "display"
)

// ProbeLimit is what a thermometer in food may read.
var ProbeLimit = refuse.Range{Min: -5, Max: 120, Step: 1, Unit: "°C"}

// Shades by name, and the stage of browning that each is.
var Shades = []struct {
	Name  string
	Stage float64
}{{"pale", 0.15}, {"straw", 0.5}, {"gold", 1}, {"copper", 2}, {"dark", 3}}

// Evidence is one thing that was seen in a cook, at its minute.
type Evidence struct {
	AtMin float64 `json:"atMin"`
	Kind  string  `json:"kind"`
	// Lot is whose it is, by its place from 0.
	Lot   int     `json:"lot,omitempty"`
	C     float64 `json:"c,omitempty"`
	Piece string  `json:"piece,omitempty"` // thickest, or any
	Shade string  `json:"shade,omitempty"`
	// Where in the basket a look was, load.AtFront or load.AtBack; "" of all of it.
	Where string `json:"where,omitempty"`
	Raw   bool   `json:"raw,omitempty"`
	// Insertion tells one placing of a probe that is left in from the next.
	Insertion string `json:"insertion,omitempty"`
}

// ofLot is what was seen of one lot, and of what is the same for all.
func ofLot(all []Evidence, lot int) (out []Evidence) {
	for _, e := range all {
		if e.Lot == lot || e.Kind == SeenDisplay || e.Kind == SeenTurn {
			out = append(out, e)
		}
	}
	return thinned(out)
}

// Of readings by hand, handMost are weighed each; of more, the coldest of each handSlot
// minutes, as if the others had not been: each takes its time to weigh, and somebody waits.
const handMost, handSlot = 24, 0.25

func thinned(all []Evidence) []Evidence {
	slot := func(e Evidence) int { return int(e.AtMin / handSlot) }
	n, coldest := 0, map[int]float64{}
	for _, e := range all {
		if e.Kind != SeenProbe {
			continue
		}
		n++
		if c, ok := coldest[slot(e)]; !ok || e.C < c {
			coldest[slot(e)] = e.C
		}
	}
	if n <= handMost {
		return all
	}
	return slices.DeleteFunc(all, func(e Evidence) bool {
		if e.Kind != SeenProbe {
			return false
		}
		c, is := coldest[slot(e)]
		if !is || e.C > c {
			return true
		}
		delete(coldest, slot(e)) // one of those that are as cold
		return false
	})
}

// isReading says whether it is a thermometer's.
func (e Evidence) isReading() bool { return e.Kind == SeenProbe || e.Kind == SeenLeftIn }

// ShadeOf is what a stage of browning is called.
func ShadeOf(stage float64) string {
	best := Shades[0]
	for _, s := range Shades {
		if math.Abs(s.Stage-stage) < math.Abs(best.Stage-stage) {
			best = s
		}
	}
	return best.Name
}

func stageOf(shade string) float64 {
	for _, s := range Shades {
		if s.Name == shade {
			return s.Stage
		}
	}
	return math.NaN()
}

// CheckEvidence returns what is wrong with what was said to be seen, as
// refuse.Fields, or nil.
func CheckEvidence(all []Evidence, lots int) error {
	var c refuse.Check
	for i, e := range all {
		at := fmt.Sprintf("events[%d].", i)
		c.Within(at+"lot", float64(e.Lot), 0, float64(lots-1), "as many as there are lots, from 0")
		c.Within(at+"atMin", e.AtMin, 0, load.MaxMinutes, "minutes")
		c.Among(at+"kind", e.Kind, SeenProbe, SeenLook, SeenCut, SeenTurn, SeenLeftIn, SeenSoft, SeenFloury, SeenDisplay)
		switch e.Kind {
		case SeenProbe, SeenLeftIn:
			c.Within(at+"c", e.C, ProbeLimit.Min, ProbeLimit.Max, ProbeLimit.Unit)
			c.Among(at+"piece", e.Piece, "", "thickest", "any")
		case SeenDisplay:
			c.Within(at+"c", e.C, 0, 300, "°C")
		case SeenLook:
			if math.IsNaN(stageOf(e.Shade)) {
				c.Add(at+"shade", fmt.Sprintf("%q", e.Shade), "pale, straw, gold, copper or dark")
			}
			c.Among(at+"where", e.Where, "", load.AtFront, load.AtBack)
		}
	}
	return c.Err()
}

// insertions are the readings of each probe that was left in, thinned.
func insertions(all []Evidence) (out [][]Evidence) {
	var names []string
	for _, e := range all {
		if e.Kind != SeenLeftIn {
			continue
		}
		i := slices.Index(names, e.Insertion)
		if i < 0 {
			i, names, out = len(names), append(names, e.Insertion), append(out, nil)
		}
		out[i] = append(out[i], e)
	}
	for i, in := range out {
		slices.SortFunc(in, func(a, b Evidence) int { return cmp.Compare(a.AtMin, b.AtMin) })
		thin := in[:0:0]
		for k := range min(len(in), leftMost) {
			thin = append(thin, in[(k+1)*len(in)/min(len(in), leftMost)-1])
		}
		out[i] = thin
	}
	return out
}
