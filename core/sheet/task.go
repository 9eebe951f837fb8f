package sheet

import (
	"fmt"
	"slices"
	"strings"
)

// A TaskID names a task of a sheet: whose it is, of which basket, and what is
// done. It is the same on paper, in calendars and in what is said of a supper.
type TaskID string

// TableTask is when the plates go to the table.
const TableTask TaskID = "table"

// OvenTask is when the oven goes on in which what is out waits.
const OvenTask TaskID = "oven/on"

// Parts of a task's id.
const (
	keepHot   = "keep"
	waitAfter = "wait"
)

// taskOf is the id of what is done of a dish, a sauce or a side.
func taskOf(owner, what string) TaskID { return TaskID(owner + "/" + what) }

// stepOf is the id of a side's step, from 1.
func stepOf(side string, step int) TaskID { return TaskID(fmt.Sprintf("%s/%d", side, step)) }

// TaskOfBasket is the id of what is done of one basket of a dish, from 1.
func TaskOfBasket(dish string, basket int, what string) TaskID {
	return TaskID(fmt.Sprintf("%s/%d/%s", dish, basket, what))
}

// wait is the id of the time that lies after a task.
func (t TaskID) wait() TaskID { return t + "/" + waitAfter }

// benchTask is which task of the bench it is, or the wait after it; empty where
// it is none of a bench.
func (t TaskID) benchTask() string {
	_, what, _ := strings.Cut(strings.TrimSuffix(string(t), "/"+waitAfter), "/")
	return what
}

// KeepsHot says whether it is a fryer that is kept hot for the next basket.
func (t TaskID) KeepsHot() bool { return strings.HasSuffix(string(t), "/"+keepHot) }

// TableOf is the task with which a dish comes to its table.
func (s *Sheet) TableOf(dish string) TaskID {
	of := map[TaskID]string{}
	for _, t := range s.Tasks {
		of[t.ID] = t.Dish
	}
	for _, t := range s.Tasks {
		if t.Kind == Table && slices.ContainsFunc(t.After, func(id TaskID) bool { return of[id] == dish }) {
			return t.ID
		}
	}
	return TableTask
}

// Flashed is the task with which a dish goes back in before its table; "" where it
// does not.
func (s *Sheet) Flashed(dish string) TaskID {
	id := taskOf(dish, "flash-in")
	if slices.ContainsFunc(s.Tasks, func(t Task) bool { return t.ID == id }) {
		return id
	}
	return ""
}

// Keeps is where a basket waits, "" where it does not.
func (s *Sheet) Keeps(dish string, basket int) string {
	for _, t := range s.Tasks {
		if t.Kind == Hold && t.ID == TaskOfBasket(dish, basket, "hold") {
			return t.Place
		}
	}
	return ""
}
