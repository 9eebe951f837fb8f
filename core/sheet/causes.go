package sheet

import (
	"fmt"
	"slices"
)

// causes notes what comes before what.
func (p *planner) causes() {
	byID := map[TaskID]int{}
	for i := range p.out.tasks {
		byID[p.out.tasks[i].ID] = i
		p.out.tasks[i].After = []TaskID{}
	}
	link := func(id TaskID, after ...TaskID) {
		i, ok := byID[id]
		if !ok {
			return
		}
		for _, a := range after {
			if _, ok := byID[a]; ok && !slices.Contains(p.out.tasks[i].After, a) {
				p.out.tasks[i].After = append(p.out.tasks[i].After, a)
			}
		}
	}
	served := map[string]bool{} // sauces that a dish has
	for i := range p.all {
		d := &p.all[i]
		var lasts []TaskID // of each lot
		for _, tasks := range d.tasks {
			var last TaskID
			for _, t := range tasks {
				id := taskOf(d.ID, t.ID)
				if last != "" {
					link(id, last)
				}
				if last = id; t.Wait.Most > 0 {
					link(id.wait(), id)
					if _, ok := byID[id.wait()]; ok {
						last = id.wait()
					}
				}
			}
			lasts = append(lasts, last)
		}
		end := taskOf(d.ID, "toss")
		for _, b := range d.baskets {
			at := func(what string) TaskID { return TaskOfBasket(d.ID, b.number, what) }
			link(at("load"), append([]TaskID{at("heat")}, lasts...)...)
			link(at("run"), at("load"))
			for k := range len(p.out.fried[[2]int{i, b.number}].Program.Turns) {
				t := at(fmt.Sprintf("turn%d", k+1))
				link(t, at("load"))
				if j, ok := byID[t]; ok {
					p.out.tasks[j].in, p.out.tasks[j].at = at("run"), p.out.tasks[j].from-p.out.tasks[byID[at("run")]].from
				}
			}
			link(at("out"), at("run"))
			link(at("rest"), at("out"))
			link(at("hold"), at("out"), at("rest"))
			link(taskOf(d.ID, "flash-in"), at("out"), at("rest"), at("hold"))
			link(end, at("out"), at("rest"), at("hold"))
			link(taskOf(d.ID, "finish"), at("out"), at("rest"), at("hold"))
			link(d.tableTask(p.s), at("out"), at("rest"), at("hold"))
		}
		link(taskOf(d.ID, "flash"), taskOf(d.ID, "flash-in"))
		link(taskOf(d.ID, "flash-out"), taskOf(d.ID, "flash"))
		link(end, taskOf(d.ID, "flash-out"))
		link(taskOf(d.ID, "finish"), end, taskOf(d.ID, "flash-out"))
		link(d.tableTask(p.s), end, taskOf(d.ID, "flash-out"), taskOf(d.ID, "finish"))
		for _, of := range d.sauces {
			served[of.id] = true
			for _, at := range []TaskID{end, d.tableTask(p.s)} {
				link(at, taskOf(of.id, "mix"), taskOf(of.id, "simmer"), taskOf(of.id, "off"))
			}
		}
	}
	for _, a := range p.s.Sauces {
		link(taskOf(a.ID, "simmer"), taskOf(a.ID, "mix"))
		link(taskOf(a.ID, "off"), taskOf(a.ID, "simmer"))
		if !served[a.ID] {
			link(TableTask, taskOf(a.ID, "mix"), taskOf(a.ID, "simmer"), taskOf(a.ID, "off"))
		}
	}
	for _, a := range p.s.Sides {
		for k := range a.Steps {
			if k > 0 {
				link(stepOf(a.ID, k+1), stepOf(a.ID, k))
			}
		}
		link(TableTask, stepOf(a.ID, len(a.Steps)))
	}
}
