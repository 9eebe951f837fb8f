package food

import (
	"fmt"
	"math"
	"slices"
	"strings"

	"velocrustum/core/thermal"
)

// A Coat is what the outside of a piece is given before the basket.
type Coat struct {
	ID   string
	Name string
	// Says is how the order line puts it: "in rice starch".
	Says  string
	Stuck []Stuck // from the inside out
	// LooseWater and LooseFat lie on it without solids to hold them, g per
	// 100 cm²: a layer of water or oil alone.
	LooseWater, LooseFat float64
	// Half is the thickness of its own dried layers that is half as crisp as
	// can be, mm: a starch shatters thin. Crackles is how much crisper it
	// makes the skin or flesh beneath; 0 is 1.
	Half, Crackles float64
	// Rough is how much more passes the film of air than on a smooth surface;
	// 0 is 1. Crags as high as the film is thick, 0.6 mm, add a fifth to a
	// third of surface.
	Rough float64
	// Browns is how readily the coat's own matter browns beside bare skin,
	// from its amines; Sugar adds percent of reducing sugar to that of the
	// cut; Alkali is how far it raises the surface's pH.
	Browns, Sugar, Alkali float64
	// NeedsOil is g of oil per 100 cm² without which dry coat stays pale.
	NeedsOil float64
	// Sets is the surface dryness, mm of dried shell, from which the coat
	// holds when it is moved; 0 needs no setting.
	Sets float64
	// Light coats can lift off in strong air until they are oiled or wet.
	Light   bool
	Starchy bool
	Renders float64
	Raw     [3]float64 // CIELAB; zero means that the food shows through
	Covers  float64    // share of the raw colour that the coat hides
	// Bowls are what a cook puts out for it, in the order of the hands; what
	// they hold is what allergens follow from.
	Bowls []Bowl
	// RestMin is how long it rests before the basket, to hold.
	RestMin float64
	// Layers are what it is composed of; none of a rub, a wrap or bare food.
	Layers []CoatLayer
	// LayerSticks is what of each stays on, g per 100 cm².
	LayerSticks []float64
	// Fried is the share of a finished deep-fried piece that is oil taken up:
	// bare skin 5 %, dusted 8, crumbed or in batter 15 (12 to 18).
	Fried  float64
	Source string
}

// A Bowl is an ingredient of the pantry and what of it sticks, g per 100 cm².
type Bowl struct {
	Ingredient string
	Sticks     float64
}

// Stuck is one layer of what sticks, g per 100 cm² of the piece's surface.
type Stuck struct {
	Dry, Wet, Fat float64
	Density       float64 // as it lies, kg/m³
	// Wicks is the diffusivity of water in the layer over that in meat:
	// hardly any through loose crumbs, more through dust, which hydrates.
	Wicks float64
	DryK  float64 // W/m·K, without water or oil
	// Pores is what of free diffusion is open to vapour in it once dry:
	// porosity over tortuosity.
	Pores float64
}

const (
	stuck   = "what sticks: mean of own weighings of coated pieces, ±25 %; crispness: sound and bite, ±20 %"
	ownRubs = "thin film, no layer of its own; alkali: own trials at 2 to 3 g/kg, ±30 %"
)

var (
	palePowder = [3]float64{88, 0, 9}
	paleCrumb  = [3]float64{79, 3, 27}
	paste      = [3]float64{82, 2, 24}
)

var coats = []Coat{
	{ID: "bare", Name: "bare", Says: "bare", Browns: 1, Fried: 0.05, Source: ownRubs},
	{ID: "oil-rub", Name: "oil rub", Says: "rubbed with oil", Browns: 1.05, Fried: 0.05, Source: ownRubs},
	{ID: "leavened-rub", Name: "leavened rub", Says: "in a leavened rub", Crackles: 1.25, Browns: 1, Alkali: 0.8, Fried: 0.05, Source: ownRubs},
	made("starch-dust", "starch dust", "dusted with starch", 2, only("corn-starch")),
	made("flour-dust", "flour dust", "dusted with flour", 12, only("wheat-flour")),
	made("flour-starch", "flour and starch", "in flour and starch", 12, CoatLayer{Parts: []Mixed{{"wheat-flour", 2}, {"corn-starch", 1}}}),
	made("double-dredge", "double dredge", "dredged twice", 12, only("wheat-flour"), only("egg"), only("wheat-flour")),
	made("three-bowl-crumb", "three-bowl crumb", "in three-bowl crumb", 15, only("wheat-flour"), only("egg"), only("crumbs")),
	made("low-carb-crumb", "low-carb crumb", "in low-carb crumb", 15, only("egg"), only("nut-crumbs")),
	made("paste", "batter-like paste", "in a thick paste", 0, CoatLayer{Parts: []Mixed{{"rice-flour", 3.2}, {"water", 2.8}}, Sticks: 6}),
	{ID: "wrap", Name: "fatty wrap", Says: "wrapped in a fatty slice", Stuck: []Stuck{{1.8, 5.3, 5.2, 980, 0.1, 0.1, 0}}, Half: 0.38, Browns: 1.8, Sugar: 0.5, Sets: 0.2, Renders: 1.3, Raw: rawPork, Covers: 1, Fried: 0.05, Source: "a cured streaky slice stretched to 1.3 mm, USDA FoodData Central; ±25 %"},
}

// Rested returns the coat after so many minutes: one that had less than it
// needs has to be drier before it holds; one that had its time has hydrated,
// and does not lift.
func (c Coat) Rested(min float64) Coat {
	if c.RestMin == 0 {
		return c
	}
	if held := math.Min(1, min/c.RestMin); held < 1 {
		c.Sets *= 2 - held
	} else if c.RestMin >= hydrates {
		c.Light = false
	}
	return c
}

// hydrates is the rest, minutes, of a coat that takes up water by it.
const hydrates = 8.0

// Coats returns all coats, the lightest first.
func Coats() []Coat { return slices.Clone(coats) }

// FindCoat returns the coat with the id.
func FindCoat(id string) (Coat, error) {
	for _, c := range coats {
		if c.ID == id {
			return c, nil
		}
	}
	return Coat{}, fmt.Errorf("no coat is called %q; known are %s", id, strings.Join(CoatIDs(), ", "))
}

// CoatIDs returns the ids of all coats.
func CoatIDs() []string {
	ids := make([]string, len(coats))
	for i, c := range coats {
		ids[i] = c.ID
	}
	return ids
}

// A Coating is a coat on a piece with its oil.
type Coating struct {
	Coat
	Oil float64 // g per 100 cm², with what is loose of the coat's own
}

// Oiled returns how far the coat has the oil it needs, 0 to 1.
func (c Coating) Oiled() float64 {
	if c.NeedsOil == 0 {
		return 1
	}
	return min(1, c.Oil/c.NeedsOil)
}

// OwnFat returns what of the outer layer's fat counts as its oil, g per 100 cm²: half
// of that of crackling, cheese or nuts comes out; bread's twentieth stays in the
// crumb (own judgement, ±0.2).
func (c Coating) OwnFat() float64 {
	if len(c.Stuck) == 0 {
		return 0
	}
	s := c.Stuck[len(c.Stuck)-1]
	return 0.5 * max(0, s.Fat-0.05*(s.Dry+s.Wet+s.Fat))
}

// Grams returns what sticks to a piece, oil included.
func (c Coating) Grams(p Piece) float64 {
	g := c.Oil + c.LooseWater
	for _, l := range c.Stuck {
		g += l.grams()
	}
	return g * p.Surface * 100
}

func (l Stuck) grams() float64 { return l.Dry + l.Wet + l.Fat }

// layers returns the coat's own layers around a body of radius r and shape e,
// if it has any: as thick as what sticks to each unit of the food's surface
// needs where it curves. Oil fills the outer one's pores up to a third of its
// weight: a loose coat conducts 0.07 W/m·K dry, oil brings it towards 0.17
// and water towards 0.5.
func (c Coating) layers(r, e float64) (out []thermal.Layer) {
	volume := r / e // under it, m³ per m² of the food's surface
	edge := r
	for i, l := range c.Stuck {
		kept := l.grams()
		dens := l.Density / kept
		m := thermal.Material{
			Solids: l.Dry * dens, Water: l.Wet * dens, Fat: l.Fat * dens, SolidsHeat: 1700,
			DryK: l.DryK, WetK: 0.40, Diffusivity: l.Wicks, Pores: l.Pores, Crisp: c.Half / 1000 * (1 + dryIsDull*(1-c.Oiled())), Rendering: c.Renders, Drains: wrapDrains, Part: thermal.Coat,
			Ice: thermal.Ice{FreezesC: coatFreezes, Bound: boundByCarb},
		}
		if i == len(c.Stuck)-1 {
			oil := c.Oil - c.FilmOil()
			m.Fat += oil * dens
			m.DryK += 0.25 * oil / kept
		}
		volume += kept * 0.1 / l.Density // g/100 cm² is 0.1 kg/m²
		next := r * math.Pow(volume*e/r, 1/e)
		out = append(out, thermal.Layer{Thickness: next - edge, Material: m})
		edge = next
	}
	return out
}

// coatFreezes is where the water of a coat freezes, °C: of a batter or a crumb of
// one to two percent of salt.
const coatFreezes = -2.0

// Film returns how much more heat and vapour pass the film on the coat than
// on a smooth surface.
func (c Coating) Film() float64 { return orDefault(c.Rough, 1) }

// dryIsDull is how much more of a coat without its oil it takes to be as
// crisp: it is baked dry and crumbles, where oil fries it (cooks' word, ±0.1).
const dryIsDull = 0.25

// FilmOil returns the oil that lies on the outside as a film, g per 100 cm²:
// a loose layer takes it into its pores, up to a third of its own weight.
func (c Coating) FilmOil() float64 {
	if n := len(c.Stuck); n > 0 && c.Stuck[n-1].Pores > 0 {
		return max(0, c.Oil-c.Stuck[n-1].grams()/3)
	}
	return c.Oil
}

// crackles returns how much crisper the coat makes what it lies on.
func (c Coating) crackles() float64 { return orDefault(c.Crackles, 1) }

// A Surface says how dry the outside is when the food goes in.
type Surface string

const (
	Wet    Surface = "wet"
	Wiped  Surface = "wiped"
	Racked Surface = "racked"
)

// Words returns what a surface is called, and how an order has it.
func (s Surface) Words() (name, says string) {
	switch s {
	case Wet:
		return "Wet from the tap or the brine", "still wet"
	case Racked:
		return "Wiped, then two hours on a rack in the fridge", "dried on the rack"
	}
	return "Wiped with paper", "wiped dry"
}

// Surfaces lists the known ones, the wettest first.
var Surfaces = []Surface{Wet, Wiped, Racked}

// Water returns the free water on a surface, kg/m²; negative where the rack
// has also dried the outer layer below it.
//
// Wiped 0.3 g/100 cm² (spread 0.2 to 0.5), from the tap 2.5 (2 to 3); two
// hours uncovered on a rack at 4 °C take 0.2 g/100 cm²·h, the free water
// first.
func (s Surface) Water() float64 {
	switch s {
	case Wet:
		return 0.25
	case Racked:
		return -0.01
	}
	return 0.03
}
