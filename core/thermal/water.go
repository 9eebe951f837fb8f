package thermal

import (
	"math"
	"sync"
)

// Constants of water and steam. Sources: IAPWS-IF97 for saturation, and the
// usual linear fit to its latent heat (0.5 % to 120 °C, 4.4 at 200).
const (
	StandardPressure = 101325.0 // Pa
	waterHeat        = 4180.0   // J/kg·K, liquid, within 1.5 % from 0 to 120 °C
	gasConstantSteam = 461.5    // J/kg·K
)

// LatentHeat returns the heat of evaporation of water at t °C, in J/kg.
func LatentHeat(t float64) float64 { return 2.5009e6 - 2380*t }

// SaturationPressure returns the vapour pressure of pure water at t °C in Pa,
// from the backward-solvable saturation equation of IAPWS-IF97 (region 4),
// valid from 0 to 350 °C; colder, the value at 0 °C.
func SaturationPressure(t float64) float64 {
	k := math.Max(t, 0) + 273.15
	const (
		n1, n2, n3, n4 = 0.11670521452767e4, -0.72421316703206e6, -0.17073846940092e2, 0.12020824702470e5
		n5, n6, n7, n8 = -0.32325550322333e7, 0.14915108613530e2, -0.48232657361591e4, 0.40511340542057e6
		n9, n10        = -0.23855557567849, 0.65017534844798e3
	)
	v := k + n9/(k-n10)
	a := v*v + n1*v + n2
	b := n3*v*v + n4*v + n5
	c := n6*v*v + n7*v + n8
	p := 2 * c / (-b + math.Sqrt(b*b-4*a*c))
	return p * p * p * p * 1e6
}

// A curve is a function of temperature tabulated every half kelvin, so that
// the inner loop needs no exponential. Linear in between: at half a kelvin
// the error of the steepest curve here (saturation) stays under 0.03 %.
type curve [2*curveTop + 2]float64

const curveTop = 320 // °C; hotter is held at this

func tabulate(f func(t float64) float64) *curve {
	c := new(curve)
	for i := range c {
		c[i] = f(float64(i) / 2)
	}
	return c
}

// at returns the curve's value at t °C.
func (c *curve) at(t float64) float64 {
	v, _ := c.both(t)
	return v
}

// both returns the value and the slope per kelvin at t °C.
func (c *curve) both(t float64) (value, slope float64) {
	x := 2 * t
	if !(x > 0) {
		x = 0
	} else if x > 2*curveTop {
		x = 2 * curveTop
	}
	i := int(x)
	d := c[i+1] - c[i]
	return c[i] + (x-float64(i))*d, 2 * d
}

var saturation = tabulate(SaturationPressure)

// Sorption follows Oswin's isotherm, X = k·(a/(1−a))^n, with n = 1/2, which
// lies inside the 0.4 to 0.55 published for meats, flours and crumbs near
// 100 °C and keeps powers out of the inner loop. k is the water content at
// which the activity is one half.
const oswinK = 0.085 // kg/kg dry, spread 0.06 to 0.12

// WaterActivity returns the activity over food of x kg water per kg dry.
func WaterActivity(x float64) float64 {
	if x <= 0 {
		return 0
	}
	a, _ := activitySlope(x)
	return a
}

// activitySlope returns the water activity over x kg/kg, and its slope.
func activitySlope(x float64) (a, slope float64) {
	x2 := x * x
	return x2 / (x2 + oswinK*oswinK), scaledSlope(1, x)
}

// scaledSlope is so many times the slope of the activity.
func scaledSlope(times, x float64) float64 {
	d := x*x + oswinK*oswinK
	return times * 2 * x * oswinK * oswinK / (d * d)
}

// boilingPoint is tabulated over the activity.
var boilingPoint = func() (table [1001]float64) {
	lo := 0.02
	for i := range table {
		a := math.Max(float64(i)/1000, lo)
		// Saturation falls monotonically with a, so bisect.
		from, to := 99.0, float64(curveTop)
		for range 60 {
			mid := (from + to) / 2
			if SaturationPressure(mid)*a < StandardPressure {
				from = mid
			} else {
				to = mid
			}
		}
		table[i] = (from + to) / 2
	}
	return table
}()

// BoilingPoint returns the temperature in °C at which water of activity a
// boils under standard pressure. Below an activity of 0.02 it stays at that
// of 0.02: what water is left there is bound.
func BoilingPoint(a float64) float64 {
	x := 1000 * a
	if x >= 1000 {
		return boilingPoint[1000]
	}
	if !(x > 0) {
		return boilingPoint[0]
	}
	i := int(x)
	return boilingPoint[i] + (x-float64(i))*(boilingPoint[i+1]-boilingPoint[i])
}

// A Sky is the air that a kitchen stands in: the higher, the thinner, so that water
// boils sooner and leaves more readily.
type Sky struct {
	pressure float64 // Pa
	thin     float64 // standard pressure over it
	// boiling is the boiling point over food of a water content, and how fast it
	// climbs as water leaves, in steps of boilingStep; from 1 kg/kg on it is that of
	// water.
	boiling [502]struct{ t, rise float64 }
	// leastBoiling is a temperature, °C, under which nothing boils.
	leastBoiling float64
}

const boilingStep = 0.002 // kg/kg

// sea is the air at the level of the sea.
var sea = newSky(StandardPressure)

func newSky(pressure float64) *Sky {
	s := &Sky{pressure: pressure, thin: StandardPressure / pressure}
	at := func(x float64) float64 { return boilsAt(WaterActivity(x) * s.thin) }
	for i := range s.boiling {
		x := max(float64(i)*boilingStep, boilingStep/2)
		s.boiling[i].t = at(x)
		s.boiling[i].rise = max(0, (at(0.97*x)-at(x))/(0.03*x))
	}
	s.leastBoiling = leastBoiling + boilsAt(s.thin) - boilsAt(1)
	return s
}

// boilsAt is BoilingPoint, and of thinner air that of an activity over one.
func boilsAt(a float64) float64 {
	if a <= 1 {
		return BoilingPoint(a)
	}
	from, to := 50.0, 100.0
	for range 60 {
		if mid := (from + to) / 2; SaturationPressure(mid)*a < StandardPressure {
			from = mid
		} else {
			to = mid
		}
	}
	return (from + to) / 2
}

// PressureAt is that of the air so many metres above the sea, Pa: the standard
// atmosphere (ISO 2533).
func PressureAt(aboveSeaM float64) float64 {
	return StandardPressure * math.Pow(1-2.25577e-5*aboveSeaM, 5.25588)
}

var skies sync.Map // by pressure, hPa

// SkyAt is the air of a pressure, Pa; 0 is standard.
func SkyAt(pressure float64) *Sky {
	if pressure == 0 || pressure == StandardPressure {
		return sea
	}
	hPa := math.Round(pressure / 100)
	if s, ok := skies.Load(hPa); ok {
		return s.(*Sky)
	}
	s, _ := skies.LoadOrStore(hPa, newSky(100*hPa))
	return s.(*Sky)
}

// Pressure is of the air, Pa.
func (s *Sky) Pressure() float64 { return s.pressure }

func (s *Sky) boilingOver(x float64) (t, rise float64) {
	f := x / boilingStep
	if !(f > 0) {
		f = 0
	} else if f >= 500 {
		return s.boiling[500].t, 0
	}
	i := int(f)
	f -= float64(i)
	a, b := &s.boiling[i], &s.boiling[i+1]
	return a.t + f*(b.t-a.t), a.rise + f*(b.rise-a.rise)
}
