package ensemble

import (
	"fmt"

	"velocrustum/core/units"
)

// Blows words an airflow beside a middling fryer's.
func Blows(airflow float64) string {
	switch {
	case airflow < 0.8:
		return "a good deal less than most"
	case airflow < 0.95:
		return "a little less than most"
	case airflow <= 1.05:
		return "as most do"
	case airflow <= 1.2:
		return "a little harder than most"
	}
	return "a good deal harder than most"
}

// howToKnow says how a figure of a fryer is come by, and what hangs on it.
func howToKnow(field string, say units.Household) string {
	switch field {
	case "heatUpMin":
		return fmt.Sprintf("Time it: empty and cold, dial at %s, until a thermometer in the basket reads that. A cold start and the time to preheat hang on it.", say.Degrees(200))
	case "basket":
		return "Measure the basket inside with a ruler: what fits and what crowds hangs on it."
	case "powerW":
		return "Read the watts off the label underneath: a weak heater sags under a full basket."
	case "dial":
		return "Look at the dial: where it starts, where it ends, and by how much it steps."
	case "airflow":
		return "How hard it blows is on no label. Probe a few cooks: if they are ready early it blows harder than most."
	}
	return ""
}
