package load

import (
	"math"

	"velocrustum/core/food"
	"velocrustum/core/fryer"
	"velocrustum/core/refuse"
)

// What a request may hold at most, where the core needs the figure itself.
const (
	MaxPieces  = 2000 // of a dish; how many a basket takes is a matter of its size
	MaxLots    = 6
	MaxBaskets = 20 // of one dish, one after another
	MaxMinutes = 120.0
	MinStartC  = -21.0 // of a freezer
	MinAirC    = 60.0
	MaxAirC    = 240.0
	MaxStages  = 8
	MaxTurns   = 30
)

// BrushLimit is what can be brushed on a load at once.
var BrushLimit = refuse.Range{Min: 1, Max: 500, Step: 1, Unit: "g on the whole load"}

// Limits are what the figures of a request may be. The weight of a piece and
// its thickness depend on its cut: food.Cut's Allowed and Thicknesses.
var Limits = refuse.Limits{
	"load.pieces":        {Min: 1, Max: MaxPieces, Step: 1, Unit: "pieces"},
	"load.startC":        {Min: MinStartC, Max: 60, Step: 1, Unit: "°C"},
	"load.glazePct":      {Min: 0, Max: 10, Step: 1, Unit: "g of ice in 100 g"},
	"load.clump":         {Min: 0, Max: 12, Step: 1, Unit: "pieces frozen together"},
	"load.spreadPct":     {Min: 0, Max: 40, Step: 1, Unit: "percent of the thickness"},
	"load.surfaceWaterG": {Min: -1.2, Max: 4, Step: 0.1, Unit: "g/100 cm²"},
	"groups":             {Min: 0, Max: MaxLots - 1, Step: 1, Unit: "kinds beside the first"},
	"lots":               {Min: 1, Max: MaxLots, Step: 1, Unit: "kinds"},
	"perBasket":          {Min: 1, Max: MaxPieces, Step: 1, Unit: "pieces"},
	"coat.oilG":          {Min: 0, Max: 200, Step: 1, Unit: "g on the whole load"},
	"coat.restMin":       {Min: 0, Max: 120, Step: 1, Unit: "minutes"},
	"coat.alkali":        {Min: 0, Max: 1.5, Step: 0.1, Unit: "of pH"},
	"coat.sugarPct":      {Min: 0, Max: 30, Step: 0.5, Unit: "percent"},
	"coat.saltPct":       {Min: 0, Max: 5, Step: 0.1, Unit: "percent"},
	"likes.crustMore":    {Min: -25, Max: 25, Step: 5, Unit: "on the scale of crispness"},
	"likes.browningMore": {Min: -0.8, Max: 0.8, Step: 0.2, Unit: "stages"},
	"crustWanted":        {Min: 20, Max: 95, Step: 5, Unit: "on the scale of crispness"},
	"tailMin":            {Min: 0, Max: 60, Step: 1, Unit: "minutes"},

	"program.preheatMin":     {Min: 0, Max: 30, Step: 1, Unit: "minutes"},
	"program.hotFromC":       {Min: MinAirC, Max: MaxAirC, Step: 5, Unit: "°C, or 0 for a fryer that stood"},
	"program.stages":         {Min: 1, Max: MaxStages, Step: 1, Unit: "stages"},
	"program.stages.airC":    {Min: MinAirC, Max: MaxAirC, Step: 5, Unit: "°C"},
	"program.stages.minutes": {Min: 0.5, Max: MaxMinutes, Step: 0.5, Unit: "minutes"},
	"program.stages.holdC":   {Min: 60, Max: 120, Step: 5, Unit: "°C"},
	"program.turns":          {Min: 0, Max: MaxTurns, Step: 1, Unit: "turns"},

	"fryer.powerW":            {Min: 600, Max: 3500, Step: 50, Unit: "W"},
	"fryer.airflow":           {Min: 0.3, Max: 2, Step: 0.05, Unit: "of a middling fryer"},
	"fryer.dialOffsetC":       {Min: -40, Max: 40, Step: 1, Unit: "°C"},
	"fryer.roomC":             {Min: 0, Max: 45, Step: 1, Unit: "°C"},
	"fryer.aboveSeaM":         {Min: 0, Max: 5000, Step: 50, Unit: "m above the sea"},
	"fryer.fridgeC":           {Min: 0, Max: 12, Step: 0.5, Unit: "°C"},
	"fryer.heatUpMin":         {Min: fryer.MinHeatUp, Max: fryer.MaxHeatUp, Step: 0.1, Unit: "minutes from cold to 200 °C"},
	"fryer.trays":             {Min: 1, Max: fryer.MaxTrays, Step: 1, Unit: "trays"},
	"fryer.drawerPowerW":      {Min: 300, Max: 3500, Step: 50, Unit: "W"},
	"fryer.grill":             {Min: 300, Max: 3500, Step: 50, Unit: "W"},
	"fryer.drawers":           {Min: 1, Max: 2, Step: 1, Unit: "drawers"},
	"fryer.basket.widthMm":    {Min: 100, Max: 600, Step: 5, Unit: "mm"},
	"fryer.basket.depthMm":    {Min: 100, Max: 600, Step: 5, Unit: "mm"},
	"fryer.basket.diameterMm": {Min: 100, Max: 600, Step: 5, Unit: "mm"},
	"fryer.dial.minC":         {Min: 30, Max: 150, Step: 5, Unit: "°C"},
	"fryer.dial.maxC":         {Min: 150, Max: MaxAirC, Step: 5, Unit: "°C"},
	"fryer.dial.stepC":        {Min: 1, Max: 25, Step: 1, Unit: "°C"},

	"recipe.minutes":      {Min: 0.5, Max: MaxMinutes, Step: 0.5, Unit: "minutes"},
	"recipe.oil.tempC":    {Min: 130, Max: 200, Step: 5, Unit: "°C"},
	"recipe.oven.tempC":   {Min: 100, Max: 280, Step: 5, Unit: "°C"},
	"recipe.preset.tempC": {Min: MinAirC, Max: MaxAirC, Step: 5, Unit: "°C"},
}

// What a new dish begins with: ten flats in starch, gentle then hot.
var (
	FirstLoad    = Pieces{Cut: "chicken-wing-flat", Pieces: 10, PieceMassG: 42, Surface: "wiped"}
	FirstCoat    = Covering{ID: "starch-dust", OilG: 4}
	FirstProgram = Program{PreheatMin: 4, Stages: []Stage{{AirC: 170, Minutes: 12}, {AirC: 200, Minutes: 12}}, Turns: []Turn{{AtMin: 12, Kind: Flip}}}
)

// FirstBrush is what a brush begins with, a thin film of something sweet, and
// BrushBeforeEndMin how long before the end it goes on: sugar has time to dry
// and none to burn.
var FirstBrush = Brush{Parts: []food.Mixed{{Ingredient: "barbecue", Share: 1}}, G: 15}

const BrushBeforeEndMin = 5.0

// SplitSteps is by how many steps of the dial the second half of a stage that
// is split is hotter.
const SplitSteps = 2

// OilByMass is the power of a piece's mass that its surface goes with, and the
// oil on it.
const OilByMass = 2.0 / 3

// What a request takes where it does not say.
const (
	powerW         = 1500.0
	basketMm       = 230.0
	roomC          = 21.0
	crustPlain     = 20.0 // of what is liked brown, not crisp
	carefulHandPct = 8.0  // of thickness, by which a careful hand's pieces differ
)

var usualDial = Dial{80, 200, 5}

// A Warm is what a piece is called under so many °C inside.
type Warm struct {
	UnderC float64
	Says   string
}

// Warmth words how cold a piece is inside, up from the coldest, where what comes out of
// the fridge has so many °C: that is fridge-cold whatever the fridge.
func Warmth(outOfFridgeC float64) []Warm {
	return []Warm{{food.FrozenUnderC, "from the freezer"}, {math.Min(1, outOfFridgeC), "barely thawed"}, {math.Max(7.5, outOfFridgeC+0.5), "fridge-cold"}, {14.5, "cool"}, {61, "at room temperature"}}
}
