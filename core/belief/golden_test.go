package belief

import (
	"fmt"
	"sync/atomic"
	"testing"

	"velocrustum/core/load"
	"velocrustum/core/load/loadtest"
	"velocrustum/core/refuse/goldentest"
	"velocrustum/core/run"
)

// What is foreseen of some cooks, by all that can be seen, is as it was read.
func TestForesightIsAsItWasRead(t *testing.T) {
	if testing.Short() {
		return // it computes: nothing meets in it that does not in others
	}
	t.Parallel()
	var f goldentest.File
	for i, seen := range [][]Evidence{
		{{AtMin: 8, Kind: SeenProbe, C: 40}, {AtMin: 11, Kind: SeenProbe, C: 52, Piece: "any"}, {AtMin: 12, Kind: SeenLook, Shade: "straw"}, {AtMin: 14, Kind: SeenTurn}, {AtMin: 18, Kind: SeenSoft}},
		{{AtMin: 6, Kind: SeenDisplay, C: 170}, {AtMin: 9, Kind: SeenCut, Raw: true}, {AtMin: 10, Kind: SeenLook, Shade: "copper"}, {AtMin: 15, Kind: SeenFloury}, {AtMin: 16, Kind: SeenProbe, C: 70}},
		{{AtMin: 4, Kind: SeenLeftIn, C: 18, Insertion: "a"}, {AtMin: 6, Kind: SeenLeftIn, C: 28, Insertion: "a"}, {AtMin: 8, Kind: SeenLeftIn, C: 37, Insertion: "a"}, {AtMin: 9, Kind: SeenLeftIn, C: 41, Insertion: "b"}},
		{{AtMin: 6.3, Kind: SeenLeftIn, C: 26, Insertion: "a"}, {AtMin: 7.8, Kind: SeenLeftIn, C: 35, Insertion: "a"}, {AtMin: 9.15, Kind: SeenProbe, C: 36}, {AtMin: 10.4, Kind: SeenLook, Shade: "straw"}, {AtMin: 13.7, Kind: SeenProbe, C: 58, Piece: "any"}},
	} {
		for k, q := range loadtest.Usual[:2] {
			got, err := Replay(t.Context(), q, seen)
			f.Addf("replay", "%v", err)
			f.Add(t, fmt.Sprint("replay ", i, k), got)
			sites, err := SitesOf(t.Context(), q, seen, []Outcome{{Crust: []string{"pale", "burnt", "good", ""}[i], Inside: "raw"}})
			f.Addf("sites", "%v", err)
			f.Add(t, fmt.Sprint("sites ", i, k), sites)
		}
	}
	// Of a fryer of which cooks have shown something, and by measured runs.
	known := loadtest.Usual[0]
	known.Fryer = &load.Fryer{Learnt: &load.Learnt{Cooks: 3, Mean: [load.LearntFigures]float64{-0.1, -5, 0.1, 0.08}, Back: &load.Hand{Mean: 0.4, Sd: 0.1},
		Covariance: [load.LearntFigures][load.LearntFigures]float64{{0.006, 0.05, 0, 0.001}, {0.05, 6, 0.02, 0.01}, {0, 0.02, 0.02, 0}, {0.001, 0.01, 0, 0.01}}, Hands: map[string]load.Hand{known.Load.Cut: {Mean: 0.04, Sd: 0.02}}}}
	got, err := Replay(t.Context(), known, []Evidence{{AtMin: 8, Kind: SeenProbe, C: 40}, {AtMin: 12, Kind: SeenLook, Shade: "gold", Where: load.AtBack}, {AtMin: 14, Kind: SeenLook, Shade: "straw", Where: load.AtFront}})
	f.Addf("learnt", "%v", err)
	f.Add(t, "learnt", got)
	for name, r := range []MeasuredRun{
		{DialC: 200, Readings: []RunReading{{1, 70}, {2, 120}, {4, 172}, {6, 185}, {10, 187}}},
		{DialC: 200, Potato: &FirstPotato, Readings: []RunReading{{0, 20}, {6, 26}, {9, 35}, {12, 45}, {15, 54}, {18, 63}}},
	} {
		f.Add(t, fmt.Sprint("asked ", name), []any{r.AskedAt(), r.MostMin()})
		for _, fryer := range []load.Fryer{{}, {AboveSeaM: 1500, HeatUpMin: new(5.0), RoomC: new(18.0)}} {
			s, err := r.Site(t.Context(), fryer)
			f.Addf("measured", "%v", err)
			f.Add(t, fmt.Sprint("measured ", name, fryer.AboveSeaM), s)
		}
	}
	f.Same(t, "foresight.txt")
}

// A cook is learnt from run by run, so that an answer waits for no more than one.
func TestEachRunOfASiteGivesWay(t *testing.T) {
	t.Parallel()
	var waited atomic.Int32
	ctx := run.Giving(t.Context(), func() { waited.Add(1) })
	if _, err := SitesOf(ctx, loadtest.Usual[0], []Evidence{{AtMin: 8, Kind: SeenProbe, C: 40}}, nil); err != nil {
		t.Fatal(err)
	}
	if waited.Load() != siteRuns {
		t.Errorf("waited %d times for %d runs", waited.Load(), siteRuns)
	}
}
