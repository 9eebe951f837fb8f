package household

import (
	"fmt"
	"regexp"
	"strconv"
	"strings"

	"velocrustum/core/refuse"
)

// fieldWords are what a cook calls a field; one of a list has its number in
// the place of %d. A field that is not here keeps its name: no screen sends it.
var fieldWords = map[string]string{
	"name": "The name", "load.cut": "The cut", "load.pieces": "How many pieces", "inMin": "When it goes in", "outMin": "When it comes out", "lots": "The lots", "program.turns.lots": "What turn %d is for", "load.pieceMassG": "The weight of one piece",
	"load.thicknessMm": "The thickness", "load.startC": "How cold it is inside", "load.surface": "How dry it is outside", "load.spreadPct": "How even the pieces are",
	"coat.id": "The coat", "coat.oilG": "The oil", "coat.sugarPct": "The sugar", "coat.saltPct": "The salt", "perBasket": "How many at a time",
	"fryerId": "The fryer", "secondFryerId": "The second fryer", "program.stages": "The stages", "program.turns": "The turns", "program.preheatMin": "Heating it first",
	"program.stages.airC": "Stage %d's dial", "program.stages.minutes": "Stage %d's minutes", "program.stages.rest": "Stage %d's rest", "program.stages.grill": "Stage %d's grill", "program.stages.fan": "Stage %d's fan", "program.stages.fryerId": "Stage %d's fryer", "program.stages.fryer": "Stage %d's fryer", "fryer.grill": "The grill",
	"program.turns.atMin": "Turn %d's minute", "program.turns.kind": "Turn %d",
	"fryer.basket.widthMm": "The basket's width", "fryer.basket.depthMm": "The basket's depth", "fryer.basket.diameterMm": "The basket, across", "fryer.basket.shape": "The basket's shape",
	"fryer.powerW": "The power", "fryer.airflow": "How hard it blows", "fryer.dialOffsetC": "Air beside the dial", "fryer.heatUpMin": "The minutes from cold to hot",
	"fryer.dial.minC": "Where the dial starts", "fryer.dial.maxC": "Where the dial ends", "fryer.dial.stepC": "The dial's steps", "fryer.trays": "The trays",
	"fryer.drawers": "The drawers", "fryer.drawerPowerW": "One drawer alone", "chambers": "The drawers", "drawer": "The drawer", "besideId": "What is in the other drawer", "ready": "When the drawers begin", "chambers.startMin": "When its food goes in", "fryer.rack": "The rack", "dialC": "The dial", "litres": "The litres", "guidanceC": "Your own minimum",
	"recipe.tempC": "The recipe's temperature", "recipe.minutes": "The recipe's minutes", "text": "The amount", "ingredient": "The ingredient", "session": "The evening", "basket": "The basket",
	"bench.servings": "The servings", "bench.drying.hours": "The hours on the rack", "bench.cutting.wholeG": "The whole weight", "bench.cutting.pieces": "How many pieces are cut",
	"bench.cutting.as": "What they are made into", "bench.salting.hours": "The hours in salt", "bench.salting.waterG": "The liquid of the brine", "bench.salting.strengthPct": "The brine's strength",
	"bench.salting.salt": "The salt", "bench.marinade.hours": "The hours in the marinade", "bench.marinade.items": "The ingredients", "bench.marinade.items.g": "An amount",
	"bench.marinade.items.ingredient": "An ingredient", "bench.finish": "The finish", "bench.finish.g": "An amount of the finish", "bench.finish.ingredient": "An ingredient of the finish", "marinade.items": "The ingredients", "marinade.items.ingredient": "An ingredient", "marinade.items.g": "An amount", "marinade.hours": "The hours in the marinade", "value": "The reading", "kind": "What was tapped",
	"salt": "The salt", "sugar": "The sugar", "carb": "The carbohydrate", "fat": "The fat", "protein": "The protein", "acid": "The acid", "density": "The weight of a teaspoon",
	"bench.sauces": "The sauces", "bench.mixes": "The mixes", "bench.sauces.share": "Sauce %d's share of the pieces", "bench.sauces.dipG": "Sauce %d to dip", "bench.sauces.how": "How sauce %d comes to the food",
	"bench.sauces.beforeMin": "When pan %d goes on", "bench.sauces.sauce.widthCm": "Pan %d, across", "bench.sauces.sauce.clingsG": "How thick sauce %d is", "bench.sauces.sauce.simmerMin": "How long sauce %d simmers",
	"bench.sauces.sauce.items": "What is in sauce %d", "bench.sauces.sauce.items.g": "An amount in sauce %d", "bench.sauces.sauce.items.ingredient": "An ingredient of sauce %d", "bench.sauces.sauce.starch": "The starch of sauce %d",
	"bench.sauces.sauce.first": "What is softened first in sauce %d", "bench.sauces.sauce.school": "How sauce %d is made", "bench.sauces.sauce.heat": "The heat under sauce %d", "bench.sauces.name": "The name of sauce %d",
	"bench.mixes.name": "The name of mix %d", "bench.mixes.items": "What is in mix %d", "bench.mixes.items.g": "An amount in mix %d", "bench.mixes.items.ingredient": "An ingredient of mix %d",
	"bench.mixes.gPerKg": "How much of mix %d", "bench.mixes.jarG": "The jar of mix %d", "sauce.items": "What is in it", "sauce.items.ingredient": "An ingredient", "sauce.items.g": "An amount", "items": "What is in it",
	"items.ingredient": "An ingredient", "items.g": "An amount", "sauce.clingsG": "How thick it is", "sauce.widthCm": "The pan, across",
	"serveAt": "The moment at the table", "hands": "The hands", "hobs": "The rings of the hob", "oven.warmC": "The warm oven", "dishes": "The dishes", "dishes.planId": "Dish %d", "sides.steps": "The steps of side %d",
	"sides.steps.minutes": "The minutes of a step", "sides.steps.hands": "The hands of a step", "sides.holdsMin": "How long a side holds", "pins": "What was pinned", "order": "The order", "away.until": "When hands are back",
	"each": "The weight of one", "price": "The price", "guidance": "What counts as safe", "temperature": "The degrees", "mass": "The weights", "fridgeC": "The fridge, °C", "aboveSeaM": "The height above the sea, m", "thermometerC": "What the thermometer is off by, °C",
	"program.turns.brush.g": "What is brushed on at turn %d", "program.turns.brush.parts": "What is brushed on at turn %d", "program.turns.brush.parts.share": "A part of what is brushed on at turn %d", "program.turns.brush.parts.ingredient": "An ingredient of what is brushed on at turn %d",
	"coat.layers": "The layers", "coat.layers.parts": "What is in layer %d", "coat.layers.parts.share": "A part of layer %d", "coat.layers.parts.ingredient": "An ingredient of layer %d", "bench.salting.targetPct": "The salt aimed for", "bench.salting.school": "How it is salted", "bench.drying.school": "How it is dried",
	"sides.steps.place": "Where a step is done", "evening": "The evening", "fryers": "The fryers", "people": "How many come", "warmC": "The warm oven",
	"tableTime": "The time at the table", "load": "What is cooked", "load.state": "How it is bought", "load.inside": "What it is inside", "bench": "The bench", "bench.drying": "How it is dried", "bench.coating": "How it is coated", "program": "The program",
}

var ofLot = regexp.MustCompile(`^lots\[(\d+)\]\.`)

var numbered = regexp.MustCompile(`\[(\d+)\]`)

// Refused says in a cook's words what cannot be.
func Refused(f refuse.Field) string {
	// Of several lots the first is as a dish of one.
	lot := 0
	if at := ofLot.FindStringSubmatch(f.Field); at != nil {
		lot, _ = strconv.Atoi(at[1]) // digits, by the pattern
		f.Field = strings.TrimPrefix(f.Field, at[0])
	}
	key := numbered.ReplaceAllString(f.Field, "")
	words, ok := fieldWords[key]
	for _, of := range []string{"fryer." + key, strings.TrimPrefix(key, "evening.")} { // as they are of what else is sent
		if !ok {
			words, ok = fieldWords[of]
		}
	}
	if !ok {
		words = f.Field
	}
	if lot > 0 {
		words += fmt.Sprintf(" of lot %d", lot+1)
	}
	if at := numbered.FindStringSubmatch(f.Field); at != nil && ok && strings.Contains(words, "%d") {
		n, _ := strconv.Atoi(at[1]) // digits, by the pattern
		words = fmt.Sprintf(words, n+1)
	}
	return fmt.Sprintf("%s: %s is not possible; allowed: %s.", words, f.Value, f.Allowed)
}
