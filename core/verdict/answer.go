package verdict

import (
	"slices"

	"velocrustum/core/fryer"
	"velocrustum/core/load"
	"velocrustum/core/run"
	"velocrustum/core/safety"
)

// Answer is what comes of a load; of one with several lots what holds for all:
// safe with the last, overdone with the first.
type Answer struct {
	SafeAtMin *float64 `json:"safeAtMin"`
	// TenderAtMin is when the coldest flesh is also at its best to eat: for
	// meat on the bone that is well past safe.
	TenderAtMin *float64 `json:"tenderAtMin"`
	CrispAtMin  *float64 `json:"crispAtMin"`
	// OverAtMin is when the first of it is overdone, which ends the window.
	OverAtMin *float64 `json:"overAtMin"`
	Window    Window   `json:"window"`
	Chance    *Chance  `json:"chance,omitempty"`
	Verdict   Verdict  `json:"verdict"`
	// Lots are the answers of each lot, in the order of the request;
	// where there is one, only if asked for.
	Lots []LotAnswer `json:"lots,omitempty"`
	// Chambers are the answers of two drawers that run apart, and Plug what
	// both draw of the plug that they share.
	Chambers []ChamberAnswer `json:"chambers,omitempty"`
	Plug     []PlugMoment    `json:"plug,omitempty"`
	// PlugSays is what the two cost each other.
	PlugSays string `json:"plugSays,omitempty"`
	// Brushes are the brushes of the program, where changes are asked for.
	Brushes  []Brushed    `json:"brushes,omitempty"`
	Coverage float64      `json:"coverage"`
	Layers   int          `json:"layers"`
	End      End          `json:"end"`
	Rule     Rule         `json:"rule"`
	Piece    PieceSize    `json:"piece"`
	Basket   *InBasket    `json:"basket,omitempty"`
	Timeline []run.Moment `json:"timeline"`
	Warnings []Warning    `json:"warnings"`
}

// Window is when the load is safe, crisp and not yet overdone.
type Window struct {
	FromMin *float64 `json:"fromMin"`
	ToMin   *float64 `json:"toMin"`
	// Bound says what ends it, or nothing yet.
	Bound load.Overdone `json:"bound,omitempty"`
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

// Rule is what "safe" meant, and what the inside is when it is met.
type Rule struct {
	safety.Rule
	Inside string `json:"inside"`
}

// PieceSize is the geometry used.
type PieceSize struct {
	ThicknessMm float64 `json:"thicknessMm"`
	LengthMm    float64 `json:"lengthMm"`
	WidthMm     float64 `json:"widthMm"`
	SurfaceCm2  float64 `json:"surfaceCm2"`
	ShapeNumber float64 `json:"shapeNumber"`
	BoneShare   float64 `json:"boneShare"`
	// Spots are its coldest spots, where there are two.
	Spots []string `json:"spots,omitempty"`
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

// LotAnswer is what comes of one lot in a basket.
type LotAnswer struct {
	Name   string `json:"name"`
	Cut    string `json:"cut"`
	Pieces int    `json:"pieces"`
	// InMin is when it goes in.
	InMin float64 `json:"inMin"`
	// OutMin is when it comes out.
	OutMin float64 `json:"outMin"`
	// MayComeOutMin is when it may come out before the others: as soon as it
	// is safe and crisp; where it is too much before, as late as it stands,
	// and never before it is safe. nil where it stays with the last.
	MayComeOutMin *float64 `json:"mayComeOutMin"`
	Answer
}

// Brushed is when and how hot a brush stands; core/advise works it out.
type Brushed struct {
	Turn int `json:"turn"` // of the program's turns
	// LatestMin is the last minute at which it still dries to a glaze by the
	// end; BestMin that at which it is tacky, browned and not bitter; nil if
	// there is none within the program.
	BestMin   *float64 `json:"bestMin"`
	LatestMin *float64 `json:"latestMin"`
	// HottestC is the hottest last stage that it stands from its minute on.
	HottestC float64 `json:"hottestC"`
	Says     string  `json:"says"`
}

// Rounded is an answer with its timeline to the hundredth of each unit.
func (a Answer) Rounded() Answer {
	line := make([]run.Moment, len(a.Timeline))
	for i, m := range a.Timeline {
		line[i] = m.Rounded()
	}
	a.Timeline = line
	lots := make([]LotAnswer, len(a.Lots))
	for i, g := range a.Lots {
		lots[i] = g
		lots[i].Answer = g.Answer.Rounded()
	}
	if a.Lots = lots; len(lots) == 0 {
		a.Lots = nil
	}
	a.Chambers = slices.Clone(a.Chambers)
	for i := range a.Chambers {
		a.Chambers[i].Answer = a.Chambers[i].Answer.Rounded()
	}
	return a
}

// Warns says whether an answer has a warning of a code.
func (a *Answer) Warns(codes ...Code) bool {
	for _, w := range a.Warnings {
		for _, c := range codes {
			if w.Code == c {
				return true
			}
		}
	}
	return false
}
