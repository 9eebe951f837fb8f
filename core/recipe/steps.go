package recipe

import (
	"fmt"
	"math"
	"slices"
	"strconv"
	"strings"

	"velocrustum/core/program"
	"velocrustum/core/units"
)

// spanIn is a time that is said, in minutes; of a range its middle.
func spanIn(text string, hours bool) (minutes float64, took string, ok bool) {
	for _, m := range span.FindAllStringSubmatch(text, 6) {
		isHours := strings.HasPrefix(strings.ToLower(m[3]), "h")
		if isHours != hours {
			continue
		}
		read := func(s string) float64 {
			v, _ := strconv.ParseFloat(strings.Replace(s, ",", ".", 1), 64)
			return v
		}
		v := read(m[1])
		if m[2] != "" {
			took = fmt.Sprintf("the middle of %s to %s", m[1], m[2])
			v = (v + read(m[2])) / 2
		}
		if isHours {
			v *= 60
		}
		return v, took, true
	}
	return 0, "", false
}

// heatIn is a temperature that is said, °C.
func heatIn(text string) (c float64, ok bool) {
	if m := heat.FindStringSubmatch(text); m != nil {
		v, _ := strconv.ParseFloat(m[1], 64)
		if strings.HasPrefix(strings.ToLower(m[2]), "f") {
			v = (v - 32) / 1.8
		}
		return v, true
	}
	if m := degrees.FindStringSubmatch(text); m != nil {
		v, _ := strconv.ParseFloat(m[1], 64)
		if v > 260 {
			v = (v - 32) / 1.8 // no kitchen's oil or oven is so hot in °C
		}
		return v, true
	}
	return 0, false
}

// heated is a step in which something is made hot.
type heated struct {
	line          int
	kind          string
	tempC, minute float64
	food          bool // it names what is fried
}

// heats reads what a step says of heat.
func (r *reader) heats(n int, text, s string, has func(...string) bool) (h heated, told string) {
	h.line = n
	switch {
	case has("air fry", "air fryer", "airfry", "basket"):
		h.kind = program.FromPreset
	case has("oven", "bake", "roast", "grill", "broil"):
		h.kind = program.FromOven
	case has("deep fr", "hot oil", "oil to", "in oil", "in the oil", "fry", "fries"):
		h.kind = program.FromOil
	}
	c, hot := heatIn(text)
	minutes, took, timed := spanIn(text, false)
	if h.kind == "" && !hot {
		return h, ""
	}
	h.tempC, h.minute = math.Round(c), minutes
	head, _, _ := strings.Cut(r.cut.ID, "-")
	h.food = slices.ContainsFunc(kindred[head], func(w string) bool { return says(s, w) })
	var parts []string
	if hot {
		parts = append(parts, fmt.Sprintf("%.0f °C", h.tempC))
	}
	if timed {
		parts = append(parts, units.Minutes(minutes))
	}
	if len(parts) == 0 {
		return h, ""
	}
	told = strings.Join(parts, ", ")
	if h.kind != "" {
		told += map[string]string{program.FromOil: ", in oil", program.FromOven: ", in an oven", program.FromPreset: ", in an air fryer"}[h.kind]
	}
	if told += "."; took != "" {
		told += " Taken: " + took + "."
	}
	if !timed && has("until golden", "until crisp", "until cooked", "until done", "golden brown") {
		told += " How long is not said: the forecast finds it."
	}
	return h, told
}

// cooked picks the heat that the food gets: of the steps with a time the first
// that names it, else the first; a temperature or a way that it does not say
// is that of the step before.
func (r *reader) cooked() {
	if len(r.hot) == 0 {
		return
	}
	for i := 1; i < len(r.hot); i++ {
		h, before := &r.hot[i], r.hot[i-1]
		if h.tempC == 0 {
			h.tempC = before.tempC
		}
		if h.kind == "" {
			h.kind = before.kind
		}
	}
	pick := slices.IndexFunc(r.hot, func(h heated) bool { return h.minute > 0 && h.food && h.tempC > 0 && h.kind != "" })
	if pick < 0 {
		pick = slices.IndexFunc(r.hot, func(h heated) bool { return h.minute > 0 && h.tempC > 0 && h.kind != "" })
	}
	if pick < 0 {
		pick = slices.IndexFunc(r.hot, func(h heated) bool { return h.tempC > 0 && h.kind != "" })
	}
	if pick < 0 {
		return
	}
	h := r.hot[pick]
	r.out.Heat = &program.Recipe{Kind: h.kind, TempC: h.tempC, Minutes: h.minute}
	for i, o := range r.hot {
		if i != pick && o.minute > 0 {
			l := &r.out.Lines[o.line]
			l.Says += " Another heat than what is taken for the food: kept as a note."
		}
	}
}

// step reads one step.
func (r *reader) step(n int, text string) Line {
	l := Line{Text: text, Step: true, As: AsNote, Says: "Kept as a note: nothing that the forecast takes from it."}
	if r.fix(n).As == AsNote {
		l.Understood, l.Says = true, "Kept as a note."
		return l
	}
	s := plain(text)
	has := func(words ...string) bool {
		return slices.ContainsFunc(words, func(w string) bool { return strings.Contains(s, " "+w) })
	}
	var found []string
	if has("marinat", "refrigerat", "chill", "overnight", "fridge", "brine") && r.hours == 0 {
		v, took, ok := spanIn(text, true)
		if !ok {
			v, took, ok = spanIn(text, false)
		}
		if !ok && has("overnight") {
			v, took, ok = 12*60, "overnight as 12 hours", true
		}
		if ok {
			r.hours = v / 60
			l.As = AsTime
			found = append(found, fmt.Sprintf("Waits %s.", units.Minutes(v)))
			if took != "" {
				found = append(found, "Taken: "+took+".")
			}
		}
	}
	if h, told := r.heats(n, text, s, has); told != "" && l.As == AsNote {
		l.As = AsHeat
		found = append(found, told)
		r.hot = append(r.hot, h)
	}
	if has("turn", "flip", "shake", "halfway") {
		r.out.Turned = true
		found = append(found, "Turned on the way.")
		if l.As == AsNote {
			l.As = AsTurn
		}
	}
	if len(found) > 0 {
		l.Understood, l.Says = true, strings.Join(found, " ")
	}
	return l
}
