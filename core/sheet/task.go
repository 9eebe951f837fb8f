package sheet

import (
	"fmt"
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
