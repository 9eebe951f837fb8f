// Package crust turns what a face has been through into what a cook sees and
// hears: crispness, colour, bitterness.
package crust

import "math"

// Crispness maps a crust to 0–100: its thickness over that at which what it
// is made of is half as crisp as can be. The scale, by tenths: 0 raw or
// soggy, 10 tacky, 20 dry to the touch, 30 leathery, 40 firm, 50 first
// crackle, 60 crisp, 70 crisp and loud, 80 shattering, 90 hard, 100 brittle
// through.
func Crispness(halves float64) float64 {
	d := halves * math.Sqrt(halves)
	return 100 * d / (1 + d)
}

// Words returns what a crispness is like.
func Words(crispness float64) string {
	words := [...]string{"soggy", "tacky", "dry to the touch", "leathery", "firm", "barely crisp", "crisp", "crisp and loud", "shattering", "hard", "brittle through"}
	return words[int(max(0, min(100, crispness))/10)]
}

// Crisp is the crispness that most cooks want at least.
const Crisp = 60

// Browning grows by an Arrhenius rate in surface temperature; energy and
// rate after Ateba and Mittal (J. Food Eng. 21, 1994) and kin, 80 to
// 120 kJ/mol. Its reactants run out on the way to dark; what is darker is
// charred, which takes a hotter surface: 140 kJ/mol, as starches and proteins
// pyrolyse (120 to 180), two minutes a stage at 200 °C.
const (
	energy      = 80000.0 // J/mol
	gasConstant = 8.314
	referenceK  = 160 + 273.15
	rate        = 1.0 / 50 // 1/s at 160 °C on dry, plain food
	wetHalf     = 0.25     // kg/kg dry that halves the rate
	runsOut     = 3.1      // the stage at which nothing is left to brown
	charEnergy  = 140000.0
	charRate    = 1.0 / 120 // 1/s at 200 °C
)

// A Browner browns one face. Gain scales its rate: sugar, alkali, oil.
type Browner struct {
	Gain float64
	Stage
	last [2]float64 // rates at the end of the step before, 1/s
}

// Stage is how far a face is: 0 raw, 0.5 straw, 1 gold, 2 copper, 3 dark,
// 5 black.
type Stage float64

// rates are of browning and of charring, 1/s, every half kelvin.
var rates = func() (table [642][2]float64) {
	for i := range table {
		t := float64(i)/2 + 273.15
		table[i] = [2]float64{rate * math.Exp(-energy/gasConstant*(1/t-1/referenceK)),
			charRate * math.Exp(-charEnergy/gasConstant*(1/t-1/473.15))}
	}
	return table
}()

// Add browns the face for dt s that end at t °C with x kg water per kg dry at
// its surface; rates in between are the mean of those at both ends.
func (b *Browner) Add(dt, t, x float64) {
	now := [2]float64{}
	if t > 60 {
		f := min(2*t, 640)
		i := int(f)
		part := f - float64(i)
		w := x / wetHalf
		for k := range now {
			now[k] = (rates[i][k] + part*(rates[i+1][k]-rates[i][k])) / (1 + w*w)
		}
	}
	brown, char := (now[0]+b.last[0])/2, (now[1]+b.last[1])/2
	b.last = now
	b.Stage += Stage(dt) * (Stage(brown*b.Gain)*max(0, 1-b.Stage/runsOut) + Stage(char)*(1-b.Stage/5))
}

// Gain returns the scale of browning. Reducing sugar, percent of the
// surface's mass, feeds the Maillard reaction, with a saturating rate; alkali,
// pH units above plain meat, frees amines and doubles the rate about once a
// unit (Martins et al., Trends Food Sci. Technol. 11, 2001); coat is the
// matter's own readiness; and flour that stays dry for want of oil (oiled, 0
// to 1) scatters light and is poorly wetted by heat: it stays pale.
func Gain(sugarPct, alkali, coat, oiled float64) float64 {
	return coat * (1 + sugarPct/(1+0.25*sugarPct)) * math.Exp2(0.9*alkali) * (0.55 + 0.45*oiled)
}

// Limits of browning.
const (
	Straw       Stage = 0.5
	Gold        Stage = 1
	Copper      Stage = 2
	Dark        Stage = 3
	TooDark     Stage = 3.2 // bitter, where the cook has not asked for less
	BitterLimit Stage = 2.7 // with a percent or more of added sugar
	// StarchyLimit keeps starchy food gold rather than brown (acrylamide;
	// Regulation (EU) 2017/2158 and national advice: gold, not brown).
	StarchyLimit Stage = 2.2
)

// path is the colour of food as it browns, CIELAB under daylight: means of
// photographed skins and crusts against a chart, ±5 in each.
var path = []struct {
	stage Stage
	lab   [3]float64
}{
	{0, [3]float64{82, 3, 20}},
	{Straw, [3]float64{76, 7, 36}},
	{Gold, [3]float64{64, 16, 46}},
	{Copper, [3]float64{46, 22, 38}},
	{Dark, [3]float64{32, 16, 22}},
	{5, [3]float64{15, 4, 5}},
}

// Colour returns the CIELAB colour of a face that started as raw. The raw
// colour gives way to that of browning within the first stage.
func Colour(raw [3]float64, s Stage) [3]float64 {
	lab := path[len(path)-1].lab
	for i := 1; i < len(path); i++ {
		if s < path[i].stage {
			f := float64((s - path[i-1].stage) / (path[i].stage - path[i-1].stage))
			for k := range lab {
				lab[k] = path[i-1].lab[k] + f*(path[i].lab[k]-path[i-1].lab[k])
			}
			break
		}
	}
	own := math.Exp(-2.2 * float64(s))
	for k := range lab {
		lab[k] += own * (raw[k] - path[0].lab[k])
	}
	return lab
}
