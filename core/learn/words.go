package learn

import (
	"fmt"
	"math"

	"velocrustum/core/belief"
	"velocrustum/core/ensemble"
	"velocrustum/core/load"
	"velocrustum/core/units"
)

// Says is what cooks show of a fryer, in a sentence.
func (k *Known) Says(say units.Household) string {
	if k.Cooks == 0 {
		return "Nothing is learnt of it yet: probe a cook and say how it looks, and the next one is foretold by that."
	}
	out := fmt.Sprintf("From %s: runs %s, blows %s, browns %s%s.", cooksSay(k.Cooks), k.runs(say), ensemble.Blows(math.Exp(k.Mean[load.LearntAirflow])), browns(k.Mean[load.LearntBrowning]), k.backSays())
	if k.Since > 0 {
		out += " It has likely changed since the cooks before."
	}
	return out
}

func cooksSay(n int) string {
	if n == 1 {
		return "one cook"
	}
	return units.Count(n) + " cooks"
}

// runs words the air over the dial, and how surely that is known.
func (k *Known) runs(say units.Household) string {
	at, sd := k.Mean[load.LearntDial], k.sd(load.LearntDial)
	if math.Abs(at) < math.Max(1, sd/2) {
		return "as its dial says, within " + say.Temperature.Apart(2*sd)
	}
	where := "over"
	if at < 0 {
		where = "under"
	}
	return fmt.Sprintf("%s %s its dial, give or take %s", say.Temperature.Apart(math.Abs(at)), where, say.Temperature.Apart(sd))
}

func (k *Known) sd(figure int) float64 { return math.Sqrt(math.Max(0, k.Lasting[figure][figure])) }

// browns words how readily food browns, from its logarithm.
func browns(log float64) string {
	switch {
	case log < -0.15:
		return "a good deal slower than most"
	case log < -0.05:
		return "a little slower than most"
	case log <= 0.05:
		return "as most do"
	case log <= 0.15:
		return "a little faster than most"
	}
	return "a good deal faster than most"
}

// back is how much more readily it browns at the back than at the front, a logarithm.
func (k *Known) back() float64 {
	if k.Back == nil {
		return 0
	}
	return k.Back.Mean
}

// backSays tells the ends of the basket apart, where they are known to differ.
func (k *Known) backSays() string {
	switch k.Quicker() {
	case load.AtBack:
		return ", and quicker at the back than at the front"
	case load.AtFront:
		return ", and quicker at the front than at the back"
	}
	return ""
}

// Moved says what one cook did to what is known: before it, and with it.
func Moved(before, with *Known, odd bool, say units.Household) string {
	if odd {
		return "nothing much: it is taken as odd"
	}
	dial := with.Mean[load.LearntDial] - before.Mean[load.LearntDial]
	fan := 100 * (math.Exp(with.Mean[load.LearntAirflow]-before.Mean[load.LearntAirflow]) - 1)
	brown := 100 * (math.Exp(with.Mean[load.LearntBrowning]-before.Mean[load.LearntBrowning]) - 1)
	ends := 100 * (math.Exp(with.back()-before.back()) - 1)
	// The one that moved most, beside what moves a forecast by as much.
	switch {
	case math.Abs(dial) >= 0.5 && math.Abs(dial) >= math.Abs(fan)/3:
		return fmt.Sprintf("its air by %s", signed(dial, say.Temperature.Apart(math.Abs(dial))))
	case math.Abs(fan) >= 1 && math.Abs(fan) >= math.Abs(brown)/2:
		return fmt.Sprintf("its fan by %s", signed(fan, fmt.Sprintf("%.0f %%", math.Abs(fan))))
	case math.Abs(brown) >= 1:
		return fmt.Sprintf("its browning by %s", signed(brown, fmt.Sprintf("%.0f %%", math.Abs(brown))))
	case math.Abs(ends) >= 1:
		return fmt.Sprintf("its back beside its front by %s", signed(ends, fmt.Sprintf("%.0f %%", math.Abs(ends))))
	case with.less(before):
		return "nothing, but it is surer"
	}
	return "nothing"
}

// less says whether a fryer is known more surely than before.
func (k *Known) less(before *Known) bool {
	sum := 0.0
	for i := range load.LearntFigures {
		sum += math.Log(k.Lasting[i][i] / before.Lasting[i][i])
	}
	return sum < -0.01
}

func signed(v float64, words string) string {
	if v < 0 {
		return "−" + words
	}
	return "+" + words
}

// Calibration says how right what was foretold of cooks was: of so many windows that said
// 95 in 100, so many held, and of so many readings so many within the band that nine in
// ten keep to. It has a plain word where either is far from that: by chance alone it
// would be so in one of twenty households.
func Calibration(windows, held, readings, within int) (says string, well bool) {
	if windows+readings == 0 {
		return "No cook has told yet: a reading by the minute that it says is safe tells whether that held.", true
	}
	if windows > 0 {
		says = fmt.Sprintf("Safe by, said for 95 in 100: %d of %d held. ", held, windows)
	}
	if readings > 0 {
		says += fmt.Sprintf("Readings within the band for nine in ten: %d of %d. ", within, readings)
	}
	switch {
	case windows > 0 && atMost(held, windows, 0.95) < 0.05:
		return says + "That is too few: take the minutes for too soon until more cooks are in, and probe.", false
	case readings > 0 && atMost(within, readings, 0.9) < 0.05:
		return says + "That is too few: this kitchen differs by more than was thought.", false
	}
	return says + "That is as it should be.", true
}

// Within says whether a reading lies in a band of the coldest spot, °C: its tip may lie
// where it is warmer.
func Within(readC, lowC, highC float64) bool {
	return readC >= lowC && readC <= highC+belief.TipC
}

// atMost is how likely no more than k of n are so, each with probability p.
func atMost(k, n int, p float64) (sum float64) {
	of := math.Pow(1-p, float64(n)) // none
	for i := 0; i <= k; i++ {
		sum += of
		of *= float64(n-i) / float64(i+1) * p / (1 - p)
	}
	return math.Min(1, sum)
}
