package exchange

import (
	"archive/zip"
	"crypto/sha256"
	"encoding/csv"
	"encoding/hex"
	"encoding/json"
	"errors"
	"fmt"
	"hash"
	"io"
	"iter"
	"math"
	"slices"
	"strconv"
	"strings"
	"time"
)

// ArchiveVersion is the form in which a household leaves.
const ArchiveVersion = 1

const archiveFormat = "velocrustum-household"

// Document is one file of an archive: JSON of what it holds, or what is written.
type Document struct {
	Path  string
	Holds any
	Write func(io.Writer) error // where it is no JSON
}

// Manifest is the list of an archive, by which it is known to be whole.
type Manifest struct {
	Format  string   `json:"format"`
	Version int      `json:"version"`
	Made    string   `json:"made"`
	Files   []Listed `json:"files"`
}

// Listed is one file in it.
type Listed struct {
	Path   string `json:"path"`
	Bytes  int    `json:"bytes"`
	SHA256 string `json:"sha256"`
}

const readme = `This is a household of Velocrustum, as it was when it left.

settings.json and the folders pantry, marinades, coats, sauces, mixes, fryers,
dishes, suppers: one JSON document each, in the form of the contract.
sessions: one JSON document for each dish in all its baskets, or each supper
that was led through: what was planned, forecast, said and noted. What was
still going on is not in it.
pictures: those of the logbook, JPEG, called by their ids.
readings.csv: all that thermometers sent.
logbook.csv and events.csv: every cook in a line, and all that was said, for a
spreadsheet; they follow from the sessions and are not read in again.
manifest.json: every file with its length and its SHA-256 sum; the last file,
so that an archive without one has broken off.

Tables are as RFC 4180 has them. Temperatures are in degrees Celsius, weights in
grams, moments in UTC.
`

// WriteArchive writes a household as a zip file, one document after another, so
// that no more than one is held at a time. It calls progress after each.
func WriteArchive(w io.Writer, made time.Time, all iter.Seq2[Document, error], progress func(done int)) error {
	out := zip.NewWriter(w)
	list := Manifest{Format: archiveFormat, Version: ArchiveVersion, Made: made.UTC().Format(time.RFC3339), Files: []Listed{}}
	put := func(d Document) error {
		f, err := out.CreateHeader(&zip.FileHeader{Name: d.Path, Method: zip.Deflate, Modified: made.UTC()})
		if err != nil {
			return err
		}
		c := counted{f, sha256.New(), 0}
		if d.Write != nil {
			err = d.Write(&c)
		} else {
			e := json.NewEncoder(&c)
			e.SetEscapeHTML(false)
			err = e.Encode(d.Holds)
		}
		list.Files = append(list.Files, Listed{d.Path, c.n, hex.EncodeToString(c.sum.Sum(nil))})
		if err != nil {
			return fmt.Errorf("writing %s: %w", d.Path, err)
		}
		if progress != nil {
			progress(len(list.Files))
		}
		return nil
	}
	if err := put(Document{Path: "README.txt", Write: func(w io.Writer) error { _, err := io.WriteString(w, readme); return err }}); err != nil {
		return err
	}
	for d, err := range all {
		if err != nil {
			return err
		}
		if err := put(d); err != nil {
			return err
		}
	}
	b, err := json.Marshal(list)
	if err != nil {
		return err
	}
	f, err := out.Create(manifestName)
	if err != nil {
		return err
	}
	if _, err := f.Write(b); err != nil {
		return err
	}
	return out.Close()
}

// counted is what is written of a file, with its length and sum.
type counted struct {
	io.Writer
	sum hash.Hash
	n   int
}

func (c *counted) Write(p []byte) (int, error) {
	n, err := c.Writer.Write(p)
	c.sum.Write(p[:n])
	c.n += n
	return n, err
}

// ReadingsTable writes what thermometers read: which, when, °C.
func ReadingsTable(w io.Writer, rows func(add func(probe string, at time.Time, c float64) error) error) error {
	return writeTable(w, readingsHead, func(add func(...string) error) error {
		return rows(func(probe string, at time.Time, c float64) error {
			return add(probe, at.UTC().Format(time.RFC3339Nano), strconv.FormatFloat(c, 'g', -1, 64))
		})
	})
}

var readingsHead = []string{"thermometer", "at", "core (°C)"}

// ReadReadings reads such a table, row by row.
func ReadReadings(r io.Reader, row func(probe string, at time.Time, c float64) error) error {
	in := csv.NewReader(r)
	in.ReuseRecord, in.FieldsPerRecord = true, len(readingsHead)
	for n := 1; ; n++ {
		cells, err := in.Read()
		switch {
		case errors.Is(err, io.EOF):
			return nil
		case errors.As(err, new(RefusedError)):
			return err
		case err != nil:
			return refusef("line %d of the readings cannot be read (%v).", n, err)
		case n == 1:
			if !slices.Equal(cells, readingsHead) {
				return refusef("the readings are headed %q, not %q.", cells, readingsHead)
			}
			continue
		}
		at, errAt := time.Parse(time.RFC3339Nano, cells[1])
		c, errC := strconv.ParseFloat(cells[2], 64)
		if errAt != nil || errC != nil || math.IsNaN(c) || math.Abs(c) > 1000 || cells[0] == "" || len(cells[0]) > 80 {
			return refusef("line %d of the readings is %q.", n, strings.Join(cells, ","))
		}
		if err := row(strings.Clone(cells[0]), at, c); err != nil {
			return err
		}
	}
}

// LogbookRow is a cook in one line of a spreadsheet.
type LogbookRow struct {
	ID, Supper, Name string
	Basket, Baskets  int
	Started          time.Time
	Finished         *time.Time
	PlannedMin       float64
	ActualMin        *float64
	Crust, Inside    string
	Note, Change     string
}

// LogbookTable is cooks, one in a line.
type LogbookTable struct{ rowed }

// NewLogbookTable begins one.
func NewLogbookTable(w io.Writer) (LogbookTable, error) {
	t, err := newTable(w, []string{"cook", "supper", "dish", "basket", "of", "begun at", "over at", "planned (min)", "in the basket (min)", "crust", "inside", "note", "next time"})
	return LogbookTable{t}, err
}

// Add writes one.
func (t LogbookTable) Add(r LogbookRow) error {
	over, actual := "", ""
	if r.Finished != nil {
		over = r.Finished.UTC().Format(time.RFC3339)
	}
	if r.ActualMin != nil {
		actual = figure(*r.ActualMin)
	}
	return t.add(r.ID, words(r.Supper), words(r.Name), strconv.Itoa(r.Basket), strconv.Itoa(r.Baskets), r.Started.UTC().Format(time.RFC3339), over,
		figure(r.PlannedMin), actual, r.Crust, r.Inside, words(r.Note), words(r.Change))
}

// words are a cook's, which no spreadsheet is to take for a sum.
func words(s string) string {
	if s != "" && strings.ContainsRune("=+-@\t\r", rune(s[0])) {
		return "'" + s
	}
	return s
}
