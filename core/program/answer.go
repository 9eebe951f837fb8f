package program

import (
	"math"

	"velocrustum/core/fryer"
	"velocrustum/core/safety"
)

// Answer is what comes of a request.
type Answer struct {
	SafeAtMin *float64 `json:"safeAtMin"`
	// TenderAtMin is when the coldest flesh is also at its best to eat: for
	// meat on the bone that is well past safe.
	TenderAtMin *float64 `json:"tenderAtMin"`
	CrispAtMin  *float64 `json:"crispAtMin"`
	Window      Window   `json:"window"`
	Chance      *Chance  `json:"chance,omitempty"`
	Verdict     Verdict  `json:"verdict"`
	// Groups are the answers of each kind in the basket, the load's own
	// first; none where there is one kind.
	Groups []GroupAnswer `json:"groups,omitempty"`
	// Brushes are the brushes of the program, where changes are asked for.
	Brushes  []Brushed `json:"brushes,omitempty"`
	Coverage float64   `json:"coverage"`
	Layers   int       `json:"layers"`
	End      End       `json:"end"`
	Rule     Rule      `json:"rule"`
	Piece    PieceSize `json:"piece"`
	Basket   *InBasket `json:"basket,omitempty"`
	Timeline []Moment  `json:"timeline"`
	Warnings []Warning `json:"warnings"`
}

// Window is when the load is safe, crisp and not yet overdone.
type Window struct {
	FromMin *float64 `json:"fromMin"`
	ToMin   *float64 `json:"toMin"`
	// Bound says what ends it: "burnt", "bitter", "brown", "dry", or nothing yet.
	Bound string `json:"bound,omitempty"`
}

// End is the load when the program is over.
type End struct {
	CoreC          float64  `json:"coreC"`
	MassLossPct    float64  `json:"massLossPct"`
	JuiceKeptPct   float64  `json:"juiceKeptPct"`
	FatRenderedPct *float64 `json:"fatRenderedPct"`
	Crust          float64  `json:"crust"` // of the softer face
	CrustWords     string   `json:"crustWords"`
	EnergyWh       float64  `json:"energyWh"` // with preheating
	// LogReduction is for information; the rule decides.
	LogReduction *float64 `json:"logReduction"`
	Pathogen     string   `json:"pathogen,omitempty"`
	// PathogenSource says where its figures come from.
	PathogenSource string `json:"pathogenSource,omitempty"`
}

// Rule is what "safe" meant, and what the inside is when it is met: safe, or
// soft where no rule applies.
type Rule struct {
	safety.Rule
	Inside string `json:"inside"`
}

// Insides.
const (
	SafeInside = "safe"
	SoftInside = "soft"
)

// PieceSize is the geometry used.
type PieceSize struct {
	ThicknessMm float64 `json:"thicknessMm"`
	LengthMm    float64 `json:"lengthMm"`
	WidthMm     float64 `json:"widthMm"`
	SurfaceCm2  float64 `json:"surfaceCm2"`
	ShapeNumber float64 `json:"shapeNumber"`
	BoneShare   float64 `json:"boneShare"`
	// LeastMm and MostMm are the thicknesses taken for this mass.
	LeastMm float64 `json:"leastMm"`
	MostMm  float64 `json:"mostMm"`
}

// InBasket is how the pieces lie.
type InBasket struct {
	Words string `json:"words"`
	// Room is how many more go in before they crowd.
	Room int `json:"room"`
	// Most is how many go in at all.
	Most int `json:"most"`
	// Seam is that of a wrap: it lies down.
	Seam bool `json:"seam"`
	// Tender: tongs would take the coat off.
	Tender bool         `json:"tender"`
	Pieces []fryer.Spot `json:"pieces"`
}

// Moment is the slowest class of pieces at one minute.
type Moment struct {
	Minute      float64 `json:"minute"`
	AirC        float64 `json:"airC"`
	CoreC       float64 `json:"coreC"`
	UpperC      float64 `json:"upperC"` // surface that is up just now
	LowerC      float64 `json:"lowerC"`
	Faces       [2]Face `json:"faces"`
	MassLossPct float64 `json:"massLossPct"`
	JuicePct    float64 `json:"juicePct"`
}

// Rounded is an answer with its timeline to the hundredth of each unit.
func (a Answer) Rounded() Answer {
	line := make([]Moment, len(a.Timeline))
	for i, m := range a.Timeline {
		line[i] = m.Rounded()
	}
	a.Timeline = line
	groups := make([]GroupAnswer, len(a.Groups))
	for i, g := range a.Groups {
		groups[i] = g
		groups[i].Answer = g.Answer.Rounded()
	}
	if a.Groups = groups; len(groups) == 0 {
		a.Groups = nil
	}
	return a
}

// Rounded is a minute to the hundredth of each unit: what is drawn shows
// less, and the digits behind weigh more than the rest.
func (m Moment) Rounded() Moment {
	for _, v := range []*float64{&m.Minute, &m.AirC, &m.CoreC, &m.UpperC, &m.LowerC, &m.MassLossPct, &m.JuicePct} {
		*v = hundredth(*v)
	}
	for k := range m.Faces {
		f := &m.Faces[k]
		f.Crust, f.Brown = hundredth(f.Crust), hundredth(f.Brown)
		for i := range f.Lab {
			f.Lab[i] = hundredth(f.Lab[i])
		}
	}
	return m
}

func hundredth(v float64) float64 { return math.Round(v*100) / 100 }

// Face is one side of a piece, named by where it started.
type Face struct {
	Crust float64    `json:"crust"`
	Lab   [3]float64 `json:"lab"`
	Brown float64    `json:"brown"` // 0 raw, 1 gold, 2 copper, 3 dark
}

// Softer is the crust of the softer face.
func (m Moment) Softer() float64 { return math.Min(m.Faces[0].Crust, m.Faces[1].Crust) }

// Browner is the stage of the browner face.
func (m Moment) Browner() float64 { return math.Max(m.Faces[0].Brown, m.Faces[1].Brown) }

// MomentAt is the first of a timeline at a minute or after it, the last where
// it has ended before.
func MomentAt(line []Moment, minute float64) (m Moment) {
	for _, m = range line {
		if m.Minute >= minute-record/120 {
			break
		}
	}
	return m
}
