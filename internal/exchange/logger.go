package exchange

import (
	"bytes"
	"encoding/csv"
	"errors"
	"fmt"
	"io"
	"math"
	"slices"
	"strconv"
	"strings"
	"time"
	"unicode/utf8"

	"velocrustum/core/refuse"
)

// Logged is what a thermometer's own file holds: readings by seconds from its
// first, and the moment of that where the file says it.
type Logged struct {
	// Begun is when its first reading was; nil where only time since then is
	// said. Of a clock time without a day the day is the 1st of January of
	// year 0.
	Begun   *time.Time
	Dated   bool
	Reads   []Read
	Says    []string // what was taken for what
	Skipped int      // lines without a reading
}

// Read is one reading, °C, after so many seconds.
type Read struct{ AfterS, C float64 }

const (
	// mostRows of a file are read, and mostKept of them kept, evenly.
	mostRows, mostKept = 200_000, 4000
	coldest, hottest   = -60.0, 500.0
	dayS               = 86400.0
)

// table is a file cut into cells.
func table(raw []byte) (rows [][]string, delimiter rune, err error) {
	raw = bytes.TrimPrefix(raw, []byte("\xef\xbb\xbf"))
	if !utf8.Valid(raw) {
		// The degree sign of older loggers is the one thing beyond ASCII in them.
		raw = bytes.ToValidUTF8(raw, []byte("°"))
	}
	delimiter, most := ',', 0
	lines := strings.SplitN(string(raw), "\n", 40)
	for _, d := range []rune{';', '\t', ','} {
		n := 0
		for _, l := range lines[:len(lines)-1+min(1, len(lines[len(lines)-1]))] {
			if strings.ContainsRune(l, d) {
				n++
			}
		}
		if n > most {
			delimiter, most = d, n
		}
	}
	in := csv.NewReader(bytes.NewReader(raw))
	in.Comma, in.FieldsPerRecord, in.LazyQuotes, in.TrimLeadingSpace = delimiter, -1, true, delimiter != '\t'
	for {
		row, err := in.Read()
		if errors.Is(err, io.EOF) {
			return rows, delimiter, nil
		} else if err != nil {
			return nil, delimiter, refuse.One("file", err.Error(), "a table, one line a reading")
		}
		if rows = append(rows, row); len(rows) > mostRows {
			return nil, delimiter, refuse.One("file", "more lines", fmt.Sprintf("up to %d", mostRows))
		}
	}
}

// number is a cell's figure, with a point or a comma, and what stands behind
// it; nothing where there is none.
func number(cell string) (v float64, unit string, ok bool) {
	cell = strings.TrimSpace(cell)
	end := strings.LastIndexAny(cell, "0123456789") + 1
	if end == 0 {
		return 0, "", false
	}
	figure, unit := cell[:end], strings.TrimSpace(cell[end:])
	if strings.Count(figure, ",") == 1 && !strings.Contains(figure, ".") {
		figure = strings.Replace(figure, ",", ".", 1)
	}
	v, err := strconv.ParseFloat(figure, 64)
	return v, unit, err == nil && !math.IsNaN(v) && !math.IsInf(v, 0)
}

var stamps = []string{time.RFC3339Nano, "2006-01-02T15:04:05", "2006-01-02 15:04:05", "2006-01-02 15:04", "2006/01/02 15:04:05", "02.01.2006 15:04:05", "02.01.2006 15:04",
	"2006-01-02 3:04:05 PM", "2006-01-02 3:04 PM", "02/01/2006 15:04:05", "01/02/2006 15:04:05", "02/01/2006 15:04", "01/02/2006 15:04", "01/02/2006 3:04:05 PM", "01/02/2006 3:04 PM"}
var clocks = []string{"15:04:05", "15:04:05.000", "15:04", "3:04:05 PM", "3:04 PM"}

// layoutOf is the layout in which all of some cells are moments; empty where
// none is.
func layoutOf(cells, layouts []string, zone *time.Location) string {
	for _, l := range layouts {
		if !slices.ContainsFunc(cells, func(c string) bool {
			_, err := time.ParseInLocation(l, strings.TrimSpace(c), zone)
			return err != nil
		}) {
			return l
		}
	}
	return ""
}

// columns are where times and temperatures stand.
type columns struct{ day, time, temp int }

// find says which columns those are: by the names in the head, else the first
// two.
func find(head []string) (c columns, named bool) {
	c = columns{-1, -1, -1}
	for i, h := range head {
		h = strings.ToLower(strings.TrimSpace(h))
		has := func(words ...string) bool {
			return slices.ContainsFunc(words, func(w string) bool { return strings.Contains(h, w) })
		}
		switch {
		case c.day < 0 && (h == "date" || h == "datum" || h == "day"):
			c.day = i
		case c.time < 0 && (has("time", "elapsed", "zeit", "uhr", "sec", "minute", "stamp") || h == "at" || h == "s" || h == "min" || h == "t"):
			c.time = i
		case c.temp < 0 && (has("temp", "°", "probe", "core", "celsius", "fahrenheit", "channel", "reading") || h == "c" || h == "f"):
			c.temp = i
		}
	}
	if c.time < 0 && c.day >= 0 {
		c.time, c.day = c.day, -1
	}
	if c.time >= 0 && c.temp < 0 && len(head) > c.time+1 {
		c.temp = c.time + 1
	}
	return c, c.time >= 0 && c.temp >= 0
}

// Logger reads the file of a thermometer that logs: tables with commas,
// semicolons or tabs, points or decimal commas, °C or °F, seconds, minutes,
// clock times or dates; lines without a reading are left out. Moments without a
// zone are in the given one. What had to be taken for something is said. The
// error is refuse.Fields.
func Logger(raw []byte, zone *time.Location) (out Logged, err error) {
	rows, delimiter, err := table(raw)
	if err != nil {
		return out, err
	}
	where, head := columns{-1, 0, 1}, []string(nil)
	for i, r := range rows[:min(len(rows), 30)] {
		c, named := find(r)
		if !named {
			continue
		}
		if _, _, figure := number(r[c.temp]); figure && strings.Trim(r[c.temp], "0123456789.,-+ °CFcf") == "" {
			break // a line of figures is no head
		}
		where, head, rows = c, r, rows[i+1:]
		break
	}
	if head == nil && len(rows) > 0 && len(rows[0]) < 2 {
		return out, refuse.One("file", fmt.Sprintf("%q", strings.Join(rows[0], string(delimiter))), "a table with at least two columns, of time and of temperature")
	}
	var times []string
	var temps []float64
	fahrenheit := 0
	headUnit := ""
	if head != nil {
		headUnit = strings.ToLower(head[where.temp])
	}
	for _, r := range rows {
		if len(r) <= max(where.time, where.temp) {
			out.Skipped++
			continue
		}
		c, unit, ok := number(r[where.temp])
		when := strings.TrimSpace(r[where.time])
		if where.day >= 0 {
			when = strings.TrimSpace(r[where.day]) + " " + when
		}
		if !ok || strings.TrimSpace(r[where.time]) == "" {
			out.Skipped++
			continue
		}
		if strings.HasSuffix(strings.ToUpper(unit), "F") {
			fahrenheit++
		}
		times, temps = append(times, when), append(temps, c)
	}
	if len(temps) < 2 {
		return out, refuse.One("file", fmt.Sprintf("%d lines with a time and a temperature", len(temps)), "at least two")
	}
	switch {
	case fahrenheit*2 > len(temps), strings.Contains(headUnit, "°f"), strings.Contains(headUnit, "fahrenheit"), strings.TrimSpace(headUnit) == "f", strings.Contains(headUnit, "(f)"), strings.Contains(headUnit, "[f]"), strings.HasSuffix(headUnit, "_f"):
		for i := range temps {
			temps[i] = (temps[i] - 32) / 1.8
		}
		out.Says = append(out.Says, "Temperatures are in °F.")
	default:
		out.Says = append(out.Says, "Temperatures are in °C.")
	}
	after, err := out.seconds(times, head, where, zone)
	if err != nil {
		return out, err
	}
	out.keep(after, temps)
	switch n := out.Skipped; {
	case n == 1:
		out.Says = append(out.Says, "One line has no reading and is left out.")
	case n > 1:
		out.Says = append(out.Says, fmt.Sprintf("%d lines have no reading and are left out.", n))
	}
	return out, nil
}

// seconds are the times of a file from its first.
func (l *Logged) seconds(times, head []string, where columns, zone *time.Location) ([]float64, error) {
	after := make([]float64, len(times))
	if layout := layoutOf(times, stamps, zone); layout != "" {
		first, _ := time.ParseInLocation(layout, times[0], zone)
		for i, t := range times {
			at, _ := time.ParseInLocation(layout, t, zone)
			after[i] = at.Sub(first).Seconds()
		}
		l.Begun, l.Dated = &first, true
		l.Says = append(l.Says, "Times are moments, the first "+first.Format("2 January 2006, 15:04:05")+".")
		return after, nil
	}
	if layout := layoutOf(times, clocks, zone); layout != "" {
		first, _ := time.ParseInLocation(layout, times[0], zone)
		past, last := 0.0, 0.0
		for i, t := range times {
			at, _ := time.ParseInLocation(layout, t, zone)
			s := at.Sub(first).Seconds()
			if s+past < last-dayS/2 {
				past += dayS // it went on past midnight
			}
			last = s + past
			after[i] = last
		}
		l.Begun = &first
		l.Says = append(l.Says, "Times are by the clock, the first "+first.Format("15:04:05")+".")
		return after, nil
	}
	unit := ""
	if head != nil {
		unit = strings.ToLower(head[where.time])
	}
	most := 0.0
	for i, t := range times {
		v, own, ok := number(t)
		if !ok {
			return nil, refuse.One("file", fmt.Sprintf("%q", t), "times as "+strings.Join([]string{"2026-11-20 18:04:05", "18:04:05", "245 (seconds)", "4.1 (minutes)"}, ", ")+", alike in all lines")
		}
		if own != "" {
			unit = own
		}
		after[i], most = v, math.Max(most, v)
	}
	in := 60.0
	word := "minutes"
	if strings.Contains(unit, "ms") || strings.Contains(unit, "milli") {
		in, word = 0.001, "milliseconds"
	} else if strings.Contains(unit, "min") {
		in = 60
	} else if strings.Contains(unit, "sec") || strings.TrimSpace(unit) == "s" || strings.Contains(unit, "(s)") || strings.Contains(unit, "[s]") || most > 180 {
		in, word = 1, "seconds"
	}
	first := after[0]
	for i := range after {
		after[i] = (after[i] - first) * in
	}
	l.Says = append(l.Says, "Times are "+word+" since it began.")
	return after, nil
}

// keep puts readings in their order, leaves out what no food has, and thins
// what is many.
func (l *Logged) keep(after, temps []float64) {
	order := make([]int, len(after))
	for i := range order {
		order[i] = i
	}
	slices.SortStableFunc(order, func(a, b int) int {
		switch {
		case after[a] < after[b]:
			return -1
		case after[a] > after[b]:
			return 1
		}
		return 0
	})
	var all []Read
	for _, i := range order {
		if temps[i] < coldest || temps[i] > hottest {
			l.Skipped++
			continue
		}
		if n := len(all); n > 0 && all[n-1].AfterS == after[i] {
			continue // twice
		}
		all = append(all, Read{after[i], temps[i]})
	}
	if len(all) > 0 && all[0].AfterS != 0 {
		first := all[0].AfterS
		for i := range all {
			all[i].AfterS -= first
		}
		if l.Begun != nil {
			at := l.Begun.Add(time.Duration(first * float64(time.Second)))
			l.Begun = &at
		}
	}
	step := (len(all) + mostKept - 1) / mostKept
	for i := 0; i < len(all); i += max(1, step) {
		l.Reads = append(l.Reads, all[i])
	}
	if step > 1 {
		l.Says = append(l.Says, fmt.Sprintf("Of %d readings each %dth is kept.", len(all), step))
	}
}
