package belief

import (
	"math"
	"slices"

	"velocrustum/core/ensemble"
	"velocrustum/core/load"
)

// A gaussian is what cooks have shown of a fryer, in units of a spread.
type gaussian struct {
	root [load.LearntFigures][load.LearntFigures]float64 // of its covariance
}

// learntPrior is what was learnt in units of a spread, nil where nothing was.
func learntPrior(l *load.Learnt, in ensemble.Spread) *gaussian {
	if l == nil {
		return nil
	}
	scaled := *l
	unit := [load.LearntFigures]float64{load.LearntAirflow: in.Airflow / 2, load.LearntDial: in.DialC / 2, load.LearntHeatUp: in.HeatUp / 2, load.LearntBrowning: in.Browns / 2}
	for i := range unit {
		for j := range unit {
			scaled.Covariance[i][j] /= unit[i] * unit[j]
		}
	}
	root, ok := scaled.Root()
	if !ok {
		return nil
	}
	return &gaussian{root}
}

// ofFryer says whether a dimension is one of the fryer's.
func ofFryer(k int) bool { return slices.Contains(ensemble.FryerDims[:], k) }

// log is the logarithm of its density at a point, but for a constant.
func (g *gaussian) log(z *ensemble.Point) (sum float64) {
	var y [load.LearntFigures]float64
	for i := range y {
		v := z[ensemble.FryerDims[i]]
		for j := range i {
			v -= g.root[i][j] * y[j]
		}
		y[i] = v / g.root[i][i]
		sum -= y[i]*y[i]/2 + math.Log(g.root[i][i])
	}
	return sum
}
