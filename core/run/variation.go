package run

import "velocrustum/core/thermal"

// A Variation is one draw from what varies between loads that are said alike.
type Variation struct {
	Sizes []float64 // scale a piece's thickness; one class of pieces each
	// OfLot are the sizes by lot, where they are not the same.
	OfLot   [][]float64
	Airflow float64 // scales
	DialC   float64 // adds
	StartC  float64 // adds
	HeatUp  float64 // scales
	Wicks   float64 // scales how readily the surface supplies water
	Browns  float64 // scales
}

// sizes are those of a lot.
func (v Variation) sizes(lot int) []float64 {
	if len(v.OfLot) > lot {
		return v.OfLot[lot]
	}
	return v.Sizes
}

// Nominal is a load as it was said.
var Nominal = Variation{Sizes: []float64{1}, Airflow: 1, HeatUp: 1, Wicks: 1, Browns: 1}

// Fineness is how finely a run is computed.
type Fineness struct {
	Shells thermal.Resolution
	Steps  float64 // divides the step length
}

// Fine is an answer's; Coarse a search's, with fewer shells and longer steps,
// and close to it (TestSearchIsCloseToTheAnswer).
var (
	Fine   = Fineness{thermal.DefaultResolution, 1}
	Coarse = Fineness{thermal.Resolution{Surface: 0.2e-3, Growth: 0.45}, 0.75}
)
