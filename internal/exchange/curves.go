package exchange

import (
	"encoding/csv"
	"fmt"
	"io"
	"math"
	"slices"
	"strconv"
	"time"

	"velocrustum/core/belief"
	"velocrustum/core/cook"
	"velocrustum/core/run"
)

// Tables of a cook, as RFC 4180 has them: one row a moment, units in the head,
// moments in UTC, figures with a point.

// rowed is a table that is written row by row.
type rowed struct{ *csv.Writer }

func newTable(w io.Writer, head []string) (rowed, error) {
	out := csv.NewWriter(w)
	out.UseCRLF = true
	return rowed{out}, out.Write(head)
}

func (t rowed) add(cells ...string) error { return t.Write(cells) }

// End writes what is still held back.
func (t rowed) End() error {
	t.Flush()
	return t.Error()
}

// writeTable writes a head and its rows.
func writeTable(w io.Writer, head []string, rows func(add func(...string) error) error) error {
	t, err := newTable(w, head)
	if err != nil {
		return err
	}
	if err := rows(t.add); err != nil {
		return err
	}
	return t.End()
}

func figure(v float64) string { return strconv.FormatFloat(math.Round(v*100)/100, 'f', -1, 64) }

func moment(from time.Time, minute float64) string {
	return from.Add(time.Duration(minute * float64(time.Minute))).UTC().Format("2006-01-02T15:04:05Z")
}

// A Line is what was forecast of a lot; its name is empty where there is one.
type Line struct {
	Lot     string
	Moments []run.Moment
}

// Forecast writes what was forecast of a cook whose food went in at a moment,
// one lot after the other.
func Forecast(w io.Writer, loaded time.Time, lots []Line) error {
	head := []string{"at", "minute", "air (°C)", "core (°C)", "upper surface (°C)", "lower surface (°C)",
		"crust first face (of 100)", "crust second face (of 100)", "browning first face", "browning second face", "mass lost (%)", "juice kept (%)", "lot"}
	return writeTable(w, head, func(add func(...string) error) error {
		for _, lot := range lots {
			for _, m := range lot.Moments {
				if err := add(moment(loaded, m.Minute), figure(m.Minute), figure(m.AirC), figure(m.CoreC), figure(m.UpperC), figure(m.LowerC),
					figure(m.Faces[0].Crust), figure(m.Faces[1].Crust), figure(m.Faces[0].Brown), figure(m.Faces[1].Brown), figure(m.MassLossPct), figure(m.JuicePct), lot.Lot); err != nil {
					return err
				}
			}
		}
		return nil
	})
}

// lotOf is what a lot of a cook is called, "" where it is of one.
func lotOf(l cook.Live, lot int) string {
	if lot < len(l.Lots) {
		return l.Lots[lot].Name
	}
	return ""
}

var eventsHead = []string{"at", "minute", "kind", "value", "unit", "says", "lot", "where"}

// Events writes what was said in a cook.
func Events(w io.Writer, l cook.Live) error {
	return writeTable(w, eventsHead, func(add func(...string) error) error { return eventRows(l, add) })
}

// EventsTable is what was said in several cooks.
type EventsTable struct{ rowed }

// NewEventsTable begins one.
func NewEventsTable(w io.Writer) (EventsTable, error) {
	t, err := newTable(w, append([]string{"cook"}, eventsHead...))
	return EventsTable{t}, err
}

// Add writes what was said in a cook, its id first.
func (t EventsTable) Add(id string, l cook.Live) error {
	return eventRows(l, func(cells ...string) error { return t.add(append([]string{id}, cells...)...) })
}

func eventRows(l cook.Live, add func(...string) error) error {
	loaded, in := l.LoadedAt()
	for _, e := range l.Events {
		minute, value, unit := "", "", ""
		if in {
			minute = figure(e.At.Sub(loaded).Minutes())
		}
		if r, ok := cook.Limits[e.Kind]; ok {
			value, unit = figure(e.Value), r.Unit
		}
		lot := ""
		if slices.Contains(cook.OfALot, e.Kind) {
			lot = lotOf(l, e.Lot)
		}
		if err := add(e.At.UTC().Format(time.RFC3339), minute, e.Kind, value, unit, l.Words(e), lot, e.Where); err != nil {
			return err
		}
	}
	return nil
}

// Readings writes what thermometers read in a cook, by minutes since its food
// went in.
func Readings(w io.Writer, l cook.Live, loaded time.Time, seen []belief.Evidence) error {
	return writeTable(w, []string{"at", "minute", "core (°C)", "kind", "lot"}, func(add func(...string) error) error {
		for _, e := range seen {
			if e.Kind != belief.SeenProbe && e.Kind != belief.SeenLeftIn {
				continue
			}
			if err := add(moment(loaded, e.AtMin), figure(e.AtMin), figure(e.C), e.Kind, lotOf(l, e.Lot)); err != nil {
				return fmt.Errorf("writing a reading: %w", err)
			}
		}
		return nil
	})
}
