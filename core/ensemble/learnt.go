package ensemble

import (
	"math"

	"velocrustum/core/load"
)

// FryerDims are the dimensions of a fryer's figures, in the order of load.Learnt.
var FryerDims = [load.LearntFigures]int{ByAirflow, ByDial, ByHeatUp, ByBrowning}

// handShare is how much of what is not known of a load's mean thickness, of its
// variance, is a cook's hand and not the evening's: own judgement.
const handShare = 0.5

// HandSd is how far a cook's hand differs from what is said of a cut, as a standard
// deviation of the logarithm of thickness.
func HandSd(lot *load.Lot) float64 { return meanOf(lot) / 2 * math.Sqrt(handShare) }

// jitters are the standard deviations by which a fryer's figures differ from one
// evening to the next, of voltage, load and light: own judgement.
var jitters = [load.LearntFigures]float64{load.LearntAirflow: 0.03, load.LearntDial: 1.5, load.LearntHeatUp: 0.04, load.LearntBrowning: 0.06}

// mostJitter is the most that the evening's own is of a figure's variance.
const mostJitter = 0.5

// FryerPrior is what is known of a fryer before any cook: what was said of it, how
// far it and its kind differ from that for good, and how far an evening does from
// it, as variances. The two add up to what SpreadOf has.
func FryerPrior(m *load.Machine) (said, lasting, evening [load.LearntFigures]float64) {
	own := *m
	own.Learnt = nil
	v := machineSpread(&own)
	said[load.LearntAirflow], said[load.LearntDial] = math.Log(m.Spec.Airflow), m.Spec.DialOffsetC
	for k, spread := range [...]float64{v.Airflow, v.DialC, v.HeatUp, v.Browns} {
		all := spread * spread / 4
		evening[k] = math.Min(jitters[k]*jitters[k], mostJitter*all)
		lasting[k] = all - evening[k]
	}
	return said, lasting, evening
}

// fryerAt is by how much a fryer's figures differ from their means at a point.
func (v *Spread) fryerAt(z *Point) (of [load.LearntFigures]float64) {
	for i := range of {
		for j := range i + 1 {
			of[i] += v.root[i][j] * z[FryerDims[j]]
		}
	}
	return of
}

// Apart is the same spread with each of the fryer's figures by itself.
func (v Spread) Apart() Spread {
	v.root = nil
	v.Browns = math.Max(v.Browns, brownsSpread)
	return v
}
