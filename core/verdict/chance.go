package verdict

import (
	"math"

	"velocrustum/core/ensemble"
	"velocrustum/core/load"
)

// Chance is the window over the spread of pieces, fryers and fridges.
type Chance struct {
	// LookFirstMin is when, in one load of ten, the first piece is safe:
	// before it there is nothing to find.
	LookFirstMin *float64 `json:"lookFirstMin"`
	// SafeByMin is when 95 loads in 100 are safe.
	SafeByMin *float64 `json:"safeByMin"`
	// CrispByMin is when 95 loads in 100 are crisp.
	CrispByMin *float64 `json:"crispByMin"`
	// HalfReadyMin is when half the loads are safe and crisp.
	HalfReadyMin *float64 `json:"halfReadyMin"`
	// BestUntilMin is when the first load in ten is overdone.
	BestUntilMin *float64 `json:"bestUntilMin"`
	// Samples is how many loads that is over, Runs how many were run for it,
	// and SlipMin by how many minutes a run that is left out is foretold
	// amiss; nil where loads were counted instead.
	Samples int      `json:"samples"`
	Runs    int      `json:"runs"`
	SlipMin *float64 `json:"slipMin"`
	// Doubts are the figures that would narrow it most, if they were known.
	Doubts []Doubt `json:"doubts"`
	// By is the chance each half minute that the whole load is safe, and
	// that it is safe and crisp, 0 to 1.
	By []ChanceAt `json:"by"`
	// Core is the spread of the coldest meat: the 5th and 95th percentile.
	Core []Band `json:"core"`
	// FromCooks is what cooks on the fryer have to do with it; nil where none have.
	FromCooks *FromCooks `json:"fromCooks,omitempty"`
}

// FromCooks says from how many cooks a fryer is known, and by how many minutes shorter the
// time is in which nineteen loads in twenty turn safe.
type FromCooks struct {
	Cooks       int     `json:"cooks"`
	NarrowerMin float64 `json:"narrowerMin"`
	Says        string  `json:"says"`
}

// ChanceAt is the chance at one minute.
type ChanceAt struct {
	Minute float64 `json:"minute"`
	Safe   float64 `json:"safe"`
	Crisp  float64 `json:"crisp"`
}

// Band is a spread at one minute, °C.
type Band struct {
	Minute float64 `json:"minute"`
	LowC   float64 `json:"lowC"`
	HighC  float64 `json:"highC"`
}

// A Doubt is a figure that could be known better, and what that would bring.
type Doubt struct {
	Field string `json:"field"`
	// Minutes is how much shorter the time would be in which nineteen loads
	// in twenty turn safe.
	Minutes float64 `json:"minutes"`
	Says    string  `json:"says"`
}

// chance reads the chances off the loads that were drawn.
func chance(e *ensemble.Ensemble, l *load.Load) *Chance {
	ready := make([]float64, len(e.Safe))
	for i := range ready {
		ready[i] = math.Max(e.Safe[i], e.Crisp[i])
	}
	safe, ready := ensemble.Sorted(e.Safe), ensemble.Sorted(ready)
	c := &Chance{
		LookFirstMin: ensemble.Quantile(ensemble.Sorted(e.First), 0.10), SafeByMin: ensemble.Quantile(safe, ensemble.Surely(&l.Machine)),
		CrispByMin: ensemble.Quantile(ensemble.Sorted(e.Crisp), 0.95), HalfReadyMin: ensemble.Quantile(ready, 0.5),
		BestUntilMin: ensemble.Quantile(ensemble.Sorted(e.Over), 0.10),
		Samples:      ensemble.Loads, Runs: e.Runs, SlipMin: happened(e.SlipMin), Doubts: []Doubt{},
	}
	for _, n := range e.Narrower {
		c.Doubts = append(c.Doubts, Doubt{n.Field, n.Minutes, doubtSays(n, l.Units)})
	}
	if l.Learnt != nil {
		c.FromCooks = &FromCooks{l.Learnt.Cooks, e.Narrowed, fromCooksSays(l.Learnt.Cooks, e.Narrowed)}
	}
	for i, band := range e.Core {
		m := float64(i) / 2
		c.By = append(c.By, ChanceAt{Minute: m, Safe: ensemble.Share(safe, m), Crisp: ensemble.Share(ready, m)})
		c.Core = append(c.Core, Band{Minute: m, LowC: band[0], HighC: band[1]})
	}
	return c
}
