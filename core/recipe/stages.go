package recipe

import (
	"math"
	"regexp"
	"slices"
	"strconv"
	"strings"

	"velocrustum/core/advise"
	"velocrustum/core/load"
)

// # What a recipe for an air fryer has the fryer do
//
// Its stages and turns one after the other, as they stand: "160 °C for 10 minutes, flip,
// then 200 °C for another 8".

var (
	turned = regexp.MustCompile(`(?i)\b(?:turn(?:ed|ing)?|flip(?:ped|ping)?|shak(?:e|en|ing)|toss(?:ed|ing)?)\b`)
	during = regexp.MustCompile(`(?i)\b(?:turning|flipping|shaking|tossing|turned|flipped|shaken|tossed)\b|` + turnTimes.String())
	shaken = regexp.MustCompile(`(?i)\b(?:shak|toss)`)
	// turnAfter is a turn at a minute, turnEvery one of many.
	turnAfter = regexp.MustCompile(`(?i)\b(?:turn|flip|shak|toss)\w*[^.;,]{0,30}?(?:\b(?:after|at)\s+|@\s*)(?:the first\s+|about\s+|minute\s+)?(\d+(?:\.\d+)?)(?:\s*(?:minutes?|mins?))?|\bafter\s+(?:the first\s+|about\s+)?(\d+(?:\.\d+)?)\s*(?:minutes?|mins?),?\s*(?:give\b[^.;,]*\b)?(?:turn|flip|shak|toss)`)
	turnEvery = regexp.MustCompile(`(?i)\bevery\s+(\d+(?:\.\d+)?)(?:\s*(?:-|–|to)\s*(\d+))?\s*(?:minutes?|mins?)`)
	// turnTimes is how often, and loosely how often where that is no number.
	turnTimes = regexp.MustCompile(`(?i)\b(?:once|twice|(?:two|three|four|2|3|4|a few|several|a couple of) times|now and then|now and again|occasionally|from time to time|regularly|often|frequently)\b`)
	// goesOn says that food stays in the heat.
	goesOn = regexp.MustCompile(`(?i)\b(?:air[- ]?fry|air[- ]?fried|air[- ]?frying|cook|cooks|cooked|cooking|fry|fries|roast|bake|crisp|continue|another|more|longer|further|return|back|finish|until)\b`)
	// elsewhere is where something else is heated.
	elsewhere = regexp.MustCompile(`(?i)\b(?:saucepan|skillet|simmer|microwave|boil|sauce|glaze|wok|pan|rest|stand|cool|marinat|refrigerat|fridge|chill|soak)`)
	preheats  = regexp.MustCompile(`(?i)\b(?:pre-?\s?heat\w*|heat (?:up )?(?:(?:the|your|an?) )?(?:air[- ]?fryer|oven|fryer|oil|basket|drawer)|heat (?:the )?oil|bring (?:the )?oil|(?:let|allow)\b[^.;,]{0,30}\b(?:heat|warm) up|warm(?: up)? (?:the |your )?(?:machine|air[- ]?fryer|fryer))\b`)
)

// mostPreheat is the longest that a fryer is heated before food goes in, minutes.
const mostPreheat = 15.0

// stages reads what is done in the fryer, where the heat that was taken is an air fryer's
// own.
func (r *reader) stages(t Text, aside map[int]int) {
	if r.out.Heat == nil || r.out.Heat.Kind != advise.FromPreset || r.out.Heat.Minutes == 0 {
		return
	}
	if slices.ContainsFunc(r.fixes, func(f Fix) bool { return f.Heat != nil }) {
		return // the cook says it in one
	}
	p := load.Program{}
	airC, begun := 0.0, false
	for k, step := range t.Steps {
		n := len(t.Ingredients) + k
		if _, side := aside[n]; side || r.fix(n).As == AsNote || r.out.Lines[n].As == AsNote {
			continue
		}
		for _, clause := range clauses.Split(counted(step), -1) {
			if pre, c, ok := r.preheat(clause); ok {
				p.PreheatMin = math.Max(p.PreheatMin, pre)
				if c > 0 && airC == 0 {
					airC = c
				}
				continue
			}
			if n < r.picked && !begun || elsewhere.MatchString(clause) && !strings.Contains(strings.ToLower(clause), "air f") && !strings.Contains(strings.ToLower(clause), "basket") {
				continue
			}
			if r.ofLeftovers(clause) {
				continue
			}
			if r.stage(&p, clause, &airC) {
				begun = true
			}
		}
	}
	total := p.Minutes()
	if len(p.Stages) == 0 || total == 0 {
		return
	}
	p.Turns = slices.DeleteFunc(p.Turns, func(t load.Turn) bool { return t.AtMin <= 0 || t.AtMin >= total })
	if len(p.Turns) == 0 && r.out.Turned {
		p.Turns = []load.Turn{{AtMin: math.Round(total / 2), Kind: load.Flip}}
	}
	slices.SortFunc(p.Turns, func(a, b load.Turn) int { return int(math.Copysign(1, a.AtMin-b.AtMin)) })
	p.Turns = slices.CompactFunc(p.Turns, func(a, b load.Turn) bool { return math.Abs(a.AtMin-b.AtMin) < 0.5 })
	r.out.Program = &p
	longest := slices.MaxFunc(p.Stages, func(a, b load.Stage) int { return int(math.Copysign(1, a.Minutes-b.Minutes)) })
	r.out.Heat = &advise.FormerWay{Kind: advise.FromPreset, TempC: longest.AirC, Minutes: total}
}

// timesTurned is how often a clause has food turned on its way; once where it does not
// say. loosely is the word for it where that is no number.
func timesTurned(clause string) (n int, loosely string) {
	switch said := strings.ToLower(turnTimes.FindString(clause)); strings.TrimSuffix(said, " times") {
	case "", "once":
		return 1, ""
	case "twice", "two", "2":
		return 2, ""
	case "three", "3":
		return 3, ""
	case "four", "4":
		return 4, ""
	case "a few", "several":
		return 3, said
	default:
		return 2, said
	}
}

// preheat is how long an empty fryer is heated, minutes, and to what, °C, by a clause
// that says nothing else.
func (r *reader) preheat(clause string) (minutes, airC float64, ok bool) {
	if !preheats.MatchString(clause) || aSide.MatchString(clause) { // "in a fryer preheated to 200, 6 min a side"
		return 0, 0, false
	}
	if all, _, _ := heatsSaid(clause); len(all) > 0 {
		airC = math.Round(all[0])
	}
	if v, _, said := longIn(clause); said && v <= mostPreheat {
		minutes = v
	}
	return minutes, airC, true
}

// stage adds what a clause has the fryer do, and says whether it has it do anything.
func (r *reader) stage(p *load.Program, clause string, airC *float64) bool {
	number := func(s string) float64 {
		v, _ := strconv.ParseFloat(s, 64)
		return v
	}
	begin := p.Minutes()
	kind := load.Flip
	if shaken.MatchString(clause) {
		kind = load.Shake
	}
	turns := turned.MatchString(clause)
	rest := clause
	var after []float64
	every := 0.0
	for _, m := range turnAfter.FindAllStringSubmatch(clause, -1) {
		after = append(after, number(m[1]+m[2]))
		rest = strings.ReplaceAll(rest, m[0], " ")
	}
	if m := turnEvery.FindStringSubmatch(clause); m != nil && turns {
		every = number(m[1])
		if m[2] != "" {
			every = (every + number(m[2])) / 2
		}
		rest = strings.ReplaceAll(rest, m[0], " ")
	}
	heats, _, _ := heatsSaid(rest)
	times, _ := timesIn(rest)
	n := len(p.Stages)
	switch {
	case len(heats) == len(times):
		for i := range heats {
			p.Stages = append(p.Stages, load.Stage{AirC: math.Round(heats[i]), Minutes: times[i]})
		}
	case len(heats) == 1 && len(times) > 1 && goesOn.MatchString(rest):
		for _, m := range times {
			p.Stages = append(p.Stages, load.Stage{AirC: math.Round(heats[0]), Minutes: m})
		}
	case len(heats) <= 1 && len(times) == 1 && (len(heats) == 1 || *airC > 0 && goesOn.MatchString(rest)):
		at := *airC
		if len(heats) == 1 {
			at = math.Round(heats[0])
		}
		p.Stages = append(p.Stages, load.Stage{AirC: at, Minutes: times[0]})
	}
	if len(heats) > 0 {
		*airC = math.Round(heats[len(heats)-1])
	}
	// One heat that goes on is one stage, whatever is done between.
	for i := max(1, n); i < len(p.Stages); {
		if p.Stages[i].AirC == p.Stages[i-1].AirC {
			p.Turns = r.between(p, i, turns, kind)
			p.Stages[i-1].Minutes += p.Stages[i].Minutes
			p.Stages = slices.Delete(p.Stages, i, i+1)
			continue
		}
		i++
	}
	end := p.Minutes()
	turn := func(at float64) { p.Turns = append(p.Turns, load.Turn{AtMin: math.Round(at), Kind: kind}) }
	for _, m := range after {
		turn(begin + m)
	}
	for m := begin + every; every > 0 && m < end-1; m += every {
		turn(m)
	}
	if turns && len(after) == 0 && every == 0 {
		first, long := turned.FindStringIndex(clause), span.FindStringIndex(clause)
		half := strings.Contains(strings.ToLower(clause), "half")
		switch {
		case end == begin && begin == 0:
			return false // nothing is in yet
		case end == begin: // of the stage before: half way, or where the next one begins
			last := p.Stages[len(p.Stages)-1].Minutes
			if half {
				turn(begin - last/2)
			} else {
				turn(begin)
			}
		case !half && begin > 0 && long != nil && first[0] < long[0]:
			turn(begin) // "flip, and another 5 minutes"
		case !half && !during.MatchString(clause) && long != nil && first[0] > long[0]:
			turn(end) // "14 minutes, flip": where the next one begins
		default:
			n, _ := timesTurned(clause)
			for k := range n {
				turn(begin + (end-begin)*float64(k+1)/float64(n+1))
			}
		}
	}
	return end > begin
}

// between are the turns with one more where two stages of one heat meet, if it is turned
// there.
func (r *reader) between(p *load.Program, i int, turns bool, kind string) []load.Turn {
	if !turns {
		return p.Turns
	}
	at := 0.0
	for _, s := range p.Stages[:i] {
		at += s.Minutes
	}
	return append(p.Turns, load.Turn{AtMin: math.Round(at), Kind: kind})
}
