package cook

import (
	"fmt"
	"strings"
	"time"

	"velocrustum/core/larder"
	"velocrustum/core/load"
	"velocrustum/core/units"
)

// Step returns what to do at now.
func (l Live) Step(now time.Time) Step {
	if l.over() {
		return Step{Phase: Finished, Title: "Out of the basket", Detail: "Note how it came out, while it is fresh."}
	}
	first := l.Degrees.Words(l.Program.Stages[0].AirC)
	all := l.all()
	if out, ok := l.OutAt(); ok {
		s := Step{Phase: Resting, Title: fmt.Sprintf("Let %s rest for %s", all, units.Minutes(l.RestMin)), Until: out.Add(minutes(l.RestMin)), Next: "rest", Action: Rested, Label: "It has rested",
			Detail: "The rest belongs to the rule: heat from outside goes on to the middle."}
		return s
	}
	loaded, ok := l.loadedAt()
	if !ok {
		on := l.heated()
		if on.IsZero() && l.Program.PreheatMin > 0 {
			return Step{Phase: Waiting, Title: "Turn the empty fryer on, at " + first, Detail: "No loose paper in it while it heats.", Action: HeatOn, Label: "It heats"}
		}
		ready := on.Add(minutes(l.Program.PreheatMin))
		in := fmt.Sprintf("%s in%s. %s", units.Capital(all), l.side(), l.gaps())
		if now.Before(ready) {
			return Step{Phase: Heating, Title: "Heat the empty basket to " + first,
				Detail: "No loose paper in it while it heats. Then " + units.Lower(in), Until: ready, Next: "load", Action: Loaded, Label: "Food is in"}
		}
		return Step{Phase: Loading, Title: fmt.Sprintf("Put %s in%s", all, l.side()),
			Detail: l.gaps() + "Set " + first + ", shut it, and tap: the clock starts then.", Action: Loaded, Label: "Food is in"}
	}
	c := l.course()
	at := func(m float64) time.Time { return loaded.Add(minutes(m)) }
	for i, d := range c.dues {
		if d.done() {
			continue
		}
		s := Step{Phase: Running, Until: at(d.at), Title: l.words(d)}
		var phase string
		s.Action, s.Label, s.Next, phase = d.asks()
		s.Detail = l.after(c.dues[i+1:], d.at, c.end)
		if d.turn == load.Flip || d.turn == load.Shake {
			s.Detail += l.handling(d.turn, i == 0)
		}
		if !now.Before(s.Until) {
			s.Phase = phase
		}
		return s
	}
	s := Step{Phase: Running, Until: at(c.end), Next: "out", Title: "Take " + all + " out", Action: Out, Label: "It is out",
		Detail: tell[l.Judged]}
	if !now.Before(s.Until) {
		s.Phase = TakingOut
	}
	return s
}

// asks is what is said when it is done: the event and its words, what it is
// called and the phase in which it is due.
func (d due) asks() (action, label, next, phase string) {
	action, label, next, phase = Turned, "Turned", "turn", Turning
	switch d.turn {
	case load.Shake:
		label = "Shaken"
	case load.LookIn:
		label, next = "Looked", "check"
	case load.BrushOn:
		label, next = "Brushed", "brush"
	case load.TakeOut:
		label, next = "Out", "some out"
	}
	switch {
	case d.move == toRest:
		return Dialled, "It is out to rest", "rest", Dialling
	case d.move == backIn:
		return Dialled, "It is back in", "rest", Dialling
	case d.turn == "":
		return Dialled, "Set", "dial", Dialling
	case d.dialC > 0:
		label += " and set"
	}
	return action, label, next, phase
}

// after says what follows a thing that is due at a minute.
func (l Live) after(rest []due, at, end float64) string {
	for _, d := range rest {
		if !d.done() {
			return fmt.Sprintf("%s later: %s.", units.Minutes(d.at-at), units.Lower(l.words(d)))
		}
	}
	return fmt.Sprintf("Then %s more.", units.Minutes(end-at))
}

// handling says with what a piece is turned: raw tools stay away after the
// first turn, tongs tear a crumb, a wrap is rolled.
func (l Live) handling(turn string, first bool) (out string) {
	tool := "clean tongs"
	if l.Tender && turn == load.Flip {
		tool, out = "a clean spatula", " Slide a spatula under each: tongs pull the coat off."
	}
	if l.Seam && turn == load.Flip {
		out += " Roll them gently, the seam down again."
	}
	if first && l.Judged != ByBite {
		out += fmt.Sprintf(" Use %s from here: what touched it raw stays away.", tool)
	}
	return out
}

// words says what is to be done.
func (l Live) words(d due) string {
	all := l.all()
	set := ""
	if d.dialC > 0 {
		set = "set " + l.Degrees.Words(d.dialC)
	}
	switch {
	case d.move == toRest:
		return "Take the basket out to rest, " + set
	case d.move == backIn:
		return "Basket back in"
	case d.turn == load.LookIn:
		look := "Look at one and probe it"
		if l.Judged == ByBite {
			look = "Look at one and try it"
		}
		if set != "" {
			look += ", " + set
		}
		return look
	case d.turn == load.TakeOut:
		out := "Take the " + l.kind(d.group) + " out, leave the others; probe one of them first"
		if set != "" {
			out += ", " + set
		}
		return out
	case d.turn == load.BrushOn:
		if len(l.Kinds) > 0 {
			all = "the " + l.kind(d.group)
		}
		side := "what is up of " + all
		if d.brush.Both {
			side = all + " on both sides"
		}
		brush := fmt.Sprintf("Brush %s with %s of %s", side, l.Say.Grams(d.brush.G), l.names(d.brush))
		if set != "" {
			brush += ", " + set
		}
		return brush
	case d.turn == "":
		return units.Capital(set)
	case d.turn == load.Shake && set != "":
		return "Shake the basket, " + set
	case d.turn == load.Shake:
		return "Shake the basket"
	case set != "":
		return "Turn " + all + ", " + set
	}
	if l.Judged == ByBite {
		return "Turn " + all
	}
	return "Turn " + all + ", " + units.Lower(l.Faces[1]) + " up"
}

// kind is what one kind in the basket is called.
func (l Live) kind(group int) string {
	if group < len(l.Kinds) {
		return l.Kinds[group]
	}
	return l.Plural
}

// names says what is brushed on.
func (l Live) names(b *load.Brush) string {
	var out []string
	for _, p := range b.Parts {
		name := p.Ingredient
		if i, err := larder.Shelf(p.Ingredient); err == nil {
			name = i.Name
		}
		if own, ok := l.Larder[p.Ingredient]; ok {
			name = own.Name
		}
		out = append(out, name)
	}
	return strings.Join(out, " and ")
}

// side says which side is up, where it matters.
func (l Live) side() string {
	if l.Judged == ByBite {
		return ""
	}
	return ", " + units.Lower(l.Faces[0]) + " up"
}

// gaps says how several pieces lie.
func (l Live) gaps() string {
	if l.Pieces == 1 {
		return ""
	}
	return "One layer with gaps. "
}

func (l Live) all() string {
	if l.Pieces == 1 {
		return "the " + l.Piece
	}
	return "all " + units.Count(l.Pieces)
}

func minutes(m float64) time.Duration { return time.Duration(m * float64(time.Minute)) }
