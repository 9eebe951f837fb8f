package sheet

import (
	"slices"
	"strings"
)

// finishMin is what salt, seeds or a dry mix take of hands, minutes (±30 %).
const finishMin = 1.0

// sprinkled names what goes on by hand afterwards.
func (d *readyDish) sprinkled(k *Kitchen) string {
	var names []string
	add := func(name, whom string) {
		if whom != "" {
			name = forSays(name, whom)
		}
		if !slices.Contains(names, name) {
			names = append(names, name)
		}
	}
	for _, m := range d.worked.MixesForAll() {
		add(m.Name, "")
	}
	for _, w := range d.worked.Lots {
		whom := ""
		if len(d.worked.Lots) > 1 {
			whom = w.Lot.Called()
		}
		for _, m := range w.Bench.Mixes {
			add(m.Name, whom)
		}
		for _, it := range w.Bench.Finish {
			if i, err := k.Pantry.Find(it.Ingredient); err == nil {
				add(i.Name, whom)
			}
		}
	}
	return strings.Join(names, ", ")
}

// dress places what goes on before the table, and says when a dish has to be
// there.
func (p *planner) dress() {
	for i := range p.all {
		d := &p.all[i]
		limit := p.carried[p.at(d)]
		p.limits[d.ID] = limit
		if names := d.sprinkled(p.k); names != "" {
			end := p.put(block{{Task{ID: taskOf(d.ID, "finish"), Dish: d.ID, Kind: Finish, Says: p.say(func() string { return finishSays(d.name, names) }), Place: Board, Hands: 1}, -finishMin, 0}}, limit)
			p.limits[d.ID] = end - finishMin
		}
		if !d.sauced {
			continue
		}
		end := p.put(block{{Task{ID: taskOf(d.ID, "toss"), Dish: d.ID, Kind: Dress, Says: p.say(func() string { return dressSays(d.How, d.name, p.dressings(d)) }), Place: Board, Hands: 1}, -tossMin, 0}}, p.limits[d.ID])
		p.limits[d.ID] = end - tossMin
	}
}

// dressings names what a dish is dressed with.
func (p *planner) dressings(d *readyDish) string {
	var names []string
	for _, a := range p.s.Sauces {
		switch whom, ok := d.dressedWith(a.ID); {
		case ok && whom != "":
			names = append(names, forSays(a.called(), whom))
		case ok:
			names = append(names, a.called())
		}
	}
	return strings.Join(names, " and ")
}

// dressedWith says whether a dish has a sauce, and which lot it is for; "" is all.
func (d *readyDish) dressedWith(sauce string) (whom string, ok bool) {
	k := slices.IndexFunc(d.sauces, func(o dressing) bool { return o.id == sauce })
	if k < 0 {
		return "", false
	}
	return d.sauces[k].whom, true
}

func (a SupperSauce) called() string {
	if a.Name != "" {
		return a.Name
	}
	return a.ID
}
