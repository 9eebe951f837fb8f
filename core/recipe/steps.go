package recipe

import (
	"fmt"
	"math"
	"regexp"
	"slices"
	"strconv"
	"strings"

	"velocrustum/core/advise"
	"velocrustum/core/food"
	"velocrustum/core/units"
)

// longIn is the first time that is said, in minutes; of a range its middle.
func longIn(text string) (minutes float64, took string, ok bool) {
	read := func(s string) float64 {
		v, _ := strconv.ParseFloat(strings.Replace(s, ",", ".", 1), 64)
		return v
	}
	both, m := hoursAnd.FindStringSubmatchIndex(text), span.FindStringSubmatchIndex(text)
	if both != nil && both[0] <= m[0] {
		return 60*read(text[both[2]:both[3]]) + read(text[both[4]:both[5]]), "", true
	}
	if m == nil {
		return 0, "", false
	}
	v := read(text[m[2]:m[3]])
	if m[4] >= 0 {
		from, to := text[m[2]:m[3]], text[m[4]:m[5]]
		took = fmt.Sprintf("the middle of %s to %s", from, to)
		v = (v + read(to)) / 2
	}
	if strings.EqualFold(text[m[6]:m[6]+1], "h") {
		v *= 60
	}
	return v, took, true
}

// heatsIn are the temperatures that are said, °C, each where it begins. One that
// is said in both scales counts once.
func heatsIn(text string) (all []float64, at []int) {
	for k, form := range []*regexp.Regexp{heat, degrees, bareHeat} {
		for _, m := range form.FindAllStringSubmatchIndex(text, mostHeats) {
			n := len(at)
			near := n > 0 && m[0]-at[n-1] < sameWithin
			if near && strings.HasPrefix(strings.ToLower(strings.TrimSpace(text[m[1]:])), "fan") {
				continue // the same oven with its fan on
			}
			c, _ := strconv.ParseFloat(text[m[2]:m[3]], 64)
			switch {
			case k == 0 && strings.EqualFold(text[m[4]:m[4]+1], "f"), k > 0 && c > hottestC:
				c = (c - 32) / 1.8
			case k == 2 && c <= boils:
				continue // "to 100" may be anything
			}
			if near && math.Abs(all[n-1]-c) < sameC {
				continue
			}
			all, at = append(all, c), append(at, m[0])
		}
		if len(all) > 0 {
			break
		}
	}
	// An oven's mark, where no more is said than what the food is to have inside.
	if m := gasMark.FindStringSubmatchIndex(text); m != nil && !slices.ContainsFunc(all, func(c float64) bool { return c >= boils }) {
		all, at = append(all, gasMarks[text[m[2]]-'1']), append(at, m[0])
	}
	return all, at
}

// heatsSaid are the heats of air, oil or an oven that are said, °C, each where it begins,
// and apart from them what the food is to have inside: nothing is fried under 100 °C.
func heatsSaid(text string) (all []float64, at []int, inside []float64) {
	degrees, places := heatsIn(text)
	for i, c := range degrees {
		if c < boils {
			inside = append(inside, c)
			continue
		}
		all, at = append(all, c), append(at, places[i])
	}
	return all, at, inside
}

// hottestC is more than which no kitchen's oil or oven is, °C: what is said
// without a scale is °F then.
const hottestC = 260.0

// gasMarks are the heats of an oven's marks 1 to 9, °C.
var gasMarks = [9]float64{140, 150, 170, 180, 190, 200, 220, 230, 240}

// Heats that lie so near each other, in °C and letters, are one in two scales.
const sameC, sameWithin, mostHeats = 8.0, 16, 6

// timesIn are the minutes that a text says; of a range its middle, where a side
// has them twice.
func timesIn(text string) (all []float64, took string) {
	rest := text
	for range mostHeats {
		v, one, ok := longIn(rest)
		if !ok {
			break
		}
		if one != "" {
			took = one
		}
		all = append(all, v)
		at := hoursAnd.FindStringIndex(rest)
		if m := span.FindStringIndex(rest); at == nil || m != nil && m[0] < at[0] {
			at = m
		}
		rest = rest[at[1]:]
	}
	if len(all) > 0 && aSide.MatchString(text) {
		for i := range all {
			all[i] *= 2
		}
		took = strings.TrimPrefix(took+", once for each side", ", ")
	}
	return all, took
}

// heated is a step in which something is made hot.
type heated struct {
	line          int
	kind          string
	tempC, minute float64
	food          bool // it names what is fried
	fixed         bool // the cook says so
}

// heatKind is what heats, by the words of a clause; "" where none says.
func heatKind(has func(...string) bool) string {
	switch {
	case has("air fry", "air fryer", "airfry", "af ", "basket", "drawer", "drawers"), has("fryer ") && !has("deep fryer", "deep fat fryer", "oil"):
		return advise.FromPreset
	case has("oven", "bake", "roast", "grill", "broil"):
		return advise.FromOven
	case has("deep fr", "hot oil", "oil to", "in oil", "in the oil", "fry", "fries"):
		return advise.FromOil
	}
	return ""
}

// heats reads what a step says of heat: one, or several after another.
func (r *reader) heats(n int, text, s string, has func(...string) bool) (out []heated, told string) {
	h := heated{line: n}
	h.kind = heatKind(has)
	degrees, at, _ := heatsSaid(text)
	times, took := timesIn(timed(text))
	if len(degrees)+len(times) == 0 {
		return nil, ""
	}
	if h.kind == "" && len(degrees) == 0 {
		// "Cook for 6 minutes" goes on in what was hot before.
		if len(r.hot) == 0 || !goesOn.MatchString(text) || elsewhere.MatchString(text) {
			return nil, ""
		}
		h.kind = r.hot[len(r.hot)-1].kind
	}
	if !has("grill", "broil", "broiler") { // from above it is not carried through
		r.takeFigures(text, len(degrees), len(times))
	}
	head, _, _ := strings.Cut(r.cut.ID, "-")
	h.food = slices.ContainsFunc(kindred[head], func(w string) bool { return says(s, w) })
	switch {
	case len(degrees) < 2:
		if len(degrees) > 0 {
			h.tempC = math.Round(degrees[0])
		}
		if len(times) > 0 {
			h.minute = times[0]
		}
		out = append(out, h)
	default:
		for i, c := range degrees {
			one := h
			one.tempC = math.Round(c)
			if len(times) == len(degrees) {
				one.minute = times[i]
			} else {
				end := len(text)
				if i+1 < len(at) {
					end = at[i+1]
				}
				if t, _ := timesIn(text[at[i]:end]); len(t) > 0 {
					one.minute = t[0]
				}
			}
			out = append(out, one)
		}
	}
	var all []string
	for _, one := range out {
		all = append(all, one.words(r.say))
	}
	told = strings.Join(all, ", then ")
	if h.kind != "" {
		told += map[string]string{advise.FromOil: ", in oil", advise.FromOven: ", in an oven", advise.FromPreset: ", in an air fryer"}[h.kind]
	}
	if told += "."; took != "" {
		told += " Taken: " + took + "."
	}
	if len(times) == 0 && has("until golden", "until crisp", "until cooked", "until done", "golden brown") {
		told += " How long is not said: the forecast finds it."
	}
	if has("grill", "broil", "broiler") {
		told += " From above it is not carried through: heat the stage by the grill, on the plan."
	}
	return out, told
}

// intoPieces is what a whole cut becomes when a step has it cut up.
var intoPieces = map[string]string{"chicken-thigh-boneless": "chicken-thigh-chunk", "chicken-breast-cutlet": "chicken-breast-chunk", "fish-fillet-white": "fish-strip"}

// cutInto takes what a step cuts up as its pieces, unless the cook says what it
// is.
func (r *reader) cutInto(n int, has func(...string) bool) string {
	small, ok := intoPieces[r.cut.ID]
	if !ok || r.pieces == 0 || !has("cut", "chop", "dice", "cube", "slice") || !has("bite", "chunk", "cube", "dice", "piece", "strip", "finger", "goujon", "nugget") {
		return ""
	}
	for _, f := range r.fixes {
		if f.Cut != "" || f.Line == n {
			return ""
		}
	}
	cut, err := food.FindCut(small)
	if err != nil {
		return ""
	}
	massG := r.pieceG * float64(r.pieces)
	r.cut, r.pieces = cut, int(math.Max(1, math.Round(massG/cut.Typical)))
	r.pieceG = math.Round(massG / float64(r.pieces))
	return fmt.Sprintf("Cut so, it is %d %s of about %s each.", r.pieces, cut.Plural, r.say.Grams(r.pieceG))
}

// mostAirC is the hottest that is taken for an air fryer's own, °C.
const mostAirC = 230.0

// boils is where what is said is no more the inside of food, °C.
const boils = 100.0

// words are a heat and its time.
func (h heated) words(say units.Household) string {
	var parts []string
	if h.tempC > 0 {
		parts = append(parts, say.Degrees(h.tempC))
	}
	if h.minute > 0 {
		parts = append(parts, units.Minutes(h.minute))
	}
	return strings.Join(parts, ", ")
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
	for _, o := range r.hot {
		if l := &r.out.Lines[o.line]; o.tempC > 0 && (l.Heat == nil || o.minute > l.Heat.Minutes) {
			l.Heat = &advise.FormerWay{Kind: o.kind, TempC: o.tempC, Minutes: o.minute}
		}
	}
	// Nowhere does it say in what: it is brought to an air fryer, and judged as one.
	if !slices.ContainsFunc(r.hot, func(h heated) bool { return h.kind != "" }) && slices.ContainsFunc(r.hot, func(h heated) bool { return h.tempC > 0 && h.minute > 0 && h.tempC <= mostAirC }) {
		for i := range r.hot {
			r.hot[i].kind = advise.FromPreset
		}
		r.out.Missing = append(r.out.Missing, "in what it is cooked: an air fryer is taken")
	}
	pick := slices.IndexFunc(r.hot, func(h heated) bool { return h.fixed })
	if pick < 0 {
		pick = slices.IndexFunc(r.hot, func(h heated) bool { return h.minute > 0 && h.food && h.tempC > 0 && h.kind != "" })
	}
	if pick < 0 {
		pick = slices.IndexFunc(r.hot, func(h heated) bool { return h.minute > 0 && h.tempC > 0 && h.kind != "" })
	}
	if pick < 0 {
		pick = slices.IndexFunc(r.hot, func(h heated) bool { return h.tempC > 0 && h.kind != "" })
	}
	if pick < 0 {
		return
	}
	for i, o := range r.hot {
		// Of several in one step the longest is the one that cooks it through.
		if o.line == r.hot[pick].line && o.minute > r.hot[pick].minute {
			pick = i
		}
	}
	h := r.hot[pick]
	r.picked = h.line
	for i := range pick { // the first of the stages, where the longest is not that
		if r.hot[i].kind == h.kind && r.hot[i].minute > 0 && h.kind == advise.FromPreset {
			r.picked = r.hot[i].line
			break
		}
	}
	r.out.Heat = &advise.FormerWay{Kind: h.kind, TempC: h.tempC, Minutes: h.minute}
	for i, o := range r.hot {
		l := &r.out.Lines[o.line]
		const another = " Another heat than what is taken for the food: kept as a note."
		switch {
		case i == pick || o.minute == 0:
		case o.line == h.line:
			if of := fmt.Sprintf(" Of these, %s is taken; the stages here are the forecast’s own.", h.words(r.say)); h.kind != advise.FromPreset && !strings.Contains(l.Says, of) {
				l.Says += of
			}
		case h.kind == advise.FromPreset && o.kind == h.kind && i > pick: // stage by stage
		case !strings.Contains(l.Says, another):
			l.Says += another
		}
	}
}

// step reads one step.
func (r *reader) step(n int, text string) Line {
	l := Line{Text: text, Step: true, As: AsNote, Says: nothingTaken}
	if r.fix(n).As == AsNote {
		l.Understood, l.Says = true, "Kept as a note."
		return l
	}
	s := plain(text)
	r.taken = map[string]bool{}
	has := func(words ...string) bool {
		return slices.ContainsFunc(words, func(w string) bool { return strings.Contains(s, " "+w) })
	}
	switch f := r.fix(n); {
	case f.Heat != nil:
		h := heated{line: n, kind: f.Heat.Kind, tempC: f.Heat.TempC, minute: f.Heat.Minutes, food: true, fixed: true}
		r.hot = append(r.hot, h)
		l.As, l.Understood, l.Says = AsHeat, true, h.words(r.say)+", as you say."
		r.out.Turned = r.out.Turned || has("turn", "flip", "shake", "halfway")
		return l
	case f.Hours != nil:
		r.hours = *f.Hours
		l.As, l.Understood, l.Hours = AsTime, true, r.hours
		l.Says = fmt.Sprintf("Waits %g h, as you say.", r.hours)
		return l
	}
	if name, only := r.onlyLeftOut(s); only {
		l.Understood, l.Says = true, leftOutSays(name)
		for _, clause := range clauses.Split(counted(text), -1) { // but one oven is hot for both
			if _, c, ok := r.preheat(clause); ok && c > 0 {
				p := plain(clause)
				r.hot = append(r.hot, heated{line: n, tempC: c, kind: heatKind(func(words ...string) bool {
					return slices.ContainsFunc(words, func(w string) bool { return strings.Contains(p, " "+w) })
				})})
			}
		}
		return l
	}
	var found []string
	add := func(says string) {
		if !slices.Contains(found, says) {
			found = append(found, says)
		}
	}
	for _, clause := range clauses.Split(counted(text), -1) {
		r.clause(n, &l, clause, s, add)
	}
	l.Understood = true
	if len(found) > 0 {
		l.Says = strings.Join(found, " ")
	}
	if r.figures { // as they stood before they were counted
		r.take(fractionOf.FindAllString(text, -1)...)
		r.take(numberOf.FindAllString(text, -1)...)
		r.figures = false
	}
	idle := idleStep
	if more := r.unlisted(text); len(more) > 0 {
		of := set(strings.Join(more, " "))
		for key := range of {
			delete(r.taken, key)
		}
		idle = func(key string) bool { return !of[key] && idleStep(key) }
		add(fmt.Sprintf("Write “%s” on its own line: left out here.", strings.Join(more, "” and “")))
		l.Says = strings.Join(found, " ")
	}
	if left := r.mark(&l, idle); len(left) > 0 {
		l.Understood = false
		if l.Says == nothingTaken {
			l.Says = "Kept as a note."
		}
		l.Says += notUsed(left)
	}
	return l
}

// nothingTaken is said of a step from which nothing was taken.
const nothingTaken = "Kept as a note: nothing in it that the forecast hangs on."

// clause reads one of a step: a wait, a heat, a turn.
func (r *reader) clause(n int, l *Line, text, step string, add func(string)) {
	if r.ofLeftovers(text) {
		r.take(text)
		add("What is left over: kept as a note.")
		return
	}
	s := plain(text)
	has := func(words ...string) bool {
		return slices.ContainsFunc(words, func(w string) bool { return strings.Contains(s, " "+w) })
	}
	as := func(what string) {
		if l.As == AsNote || what == AsHeat {
			l.As = what
		}
	}
	if has("batter") && !has("batter fried") {
		add("A wet batter drips through a basket before it sets: what is in it is taken as a dry coat.")
	}
	if told := r.cutInto(n, has); told != "" {
		add(told)
		as(AsFood)
	}
	waits := has("marinat", "refrigerat", "chill", "overnight", "fridge", "brine", "soak") || leaves.MatchString(text) && !goesOn.MatchString(text) && !slices.ContainsFunc(r.hot, func(h heated) bool { return h.minute > 0 })
	if waits && r.hours == 0 {
		v, took, ok := longIn(text)
		if !ok && has("overnight") {
			v, took, ok = 12*60, "overnight as 12 hours", true
		}
		if ok {
			r.takeFigures(text, 0, 1)
			r.take("marinate marinating refrigerate chill overnight fridge brine soak stand")
			r.hours = v / 60
			l.Hours = r.hours
			as(AsTime)
			add(fmt.Sprintf("Waits %s.", units.Long(v)))
			if took != "" {
				add("Taken: " + took + ".")
			}
		}
	}
	if _, _, inside := heatsSaid(text); len(inside) > 0 {
		r.takeFigures(text, len(inside)+len(heat.FindAllString(text, -1)), 0)
		switch {
		case has("keep warm", "kept warm", "warm oven", "hold"):
			add(fmt.Sprintf("Kept warm at %s: say it with the supper.", r.say.Degrees(inside[0])))
		case has("oven") && !has("inside", "internal", "probe", "thermometer", "read", "core", "until"):
			add(fmt.Sprintf("An oven at %s warms and does not fry: kept as a note.", r.say.Degrees(inside[0])))
		default:
			add(fmt.Sprintf("%s inside: not taken, the rule of this household is kept.", r.say.Degrees(inside[0])))
		}
		r.take("internal inside probe thermometer")
	}
	if pre, c, ok := r.preheat(text); ok {
		r.takeFigures(text, 1, 1)
		r.take(preheats.FindString(text))
		if kind := heatKind(has); kind != "" || c > 0 {
			r.hot = append(r.hot, heated{line: n, kind: kind, tempC: c})
		}
		as(AsHeat)
		switch {
		case pre > 0 && c > 0:
			add(fmt.Sprintf("Heated to %s first, %s.", r.say.Degrees(c), units.Minutes(pre)))
		case c > 0:
			add(fmt.Sprintf("Heated to %s first.", r.say.Degrees(c)))
		default:
			add("Heated first.")
		}
	} else if hot, told := r.heats(n, text, step, has); told != "" && !waits {
		as(AsHeat)
		add(told)
		r.hot = append(r.hot, hot...)
	}
	r.also(text, s, add)
	if has("turn", "flip", "shake", "shaking", "halfway") {
		r.out.Turned = true
		r.take("turn turned turning flip flipped flipping shake shaking toss tossing again")
		r.take(turnTimes.FindString(text))
		for _, m := range turnAfter.FindAllString(text, -1) {
			r.take(m)
		}
		r.take(turnEvery.FindString(text))
		add("Turned on the way.")
		if n, loosely := timesTurned(text); loosely != "" {
			add(fmt.Sprintf("Taken: %s as %s.", loosely, map[int]string{2: "twice", 3: "three times"}[n]))
		}
		as(AsTurn)
	}
}
