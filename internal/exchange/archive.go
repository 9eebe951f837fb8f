package exchange

import (
	"archive/zip"
	"crypto/sha256"
	"encoding/hex"
	"encoding/json"
	"fmt"
	"io"
	"iter"
	"time"
)

// ArchiveVersion is the form in which a household leaves.
const ArchiveVersion = 1

// Document is one file of an archive: JSON of what it holds, or text.
type Document struct {
	Path  string
	Holds any    // written as JSON where there is no text
	Text  []byte // of tables
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

fryers, dishes, pantry, marinades, coats, sauces, mixes, suppers: one JSON
document each, in the form of the contract. cooks: what was planned, forecast,
said and noted of each, in JSON; beside it what was said as a table (RFC 4180).
settings.json: units and rules. manifest.json: every file with its length and
its SHA-256 sum; the last file, so that an archive without one has broken off.

Temperatures are in degrees Celsius, weights in grams, moments in UTC.
`

// WriteArchive writes a household as a zip file, one document after another, so
// that no more than one is held at a time.
func WriteArchive(w io.Writer, made time.Time, all iter.Seq2[Document, error]) error {
	out := zip.NewWriter(w)
	list := Manifest{Format: "velocrustum-household", Version: ArchiveVersion, Made: made.UTC().Format(time.RFC3339), Files: []Listed{}}
	put := func(path string, b []byte) error {
		f, err := out.CreateHeader(&zip.FileHeader{Name: path, Method: zip.Deflate, Modified: made.UTC()})
		if err != nil {
			return err
		}
		_, err = f.Write(b)
		return err
	}
	add := func(path string, b []byte) error {
		sum := sha256.Sum256(b)
		list.Files = append(list.Files, Listed{path, len(b), hex.EncodeToString(sum[:])})
		return put(path, b)
	}
	if err := add("README.txt", []byte(readme)); err != nil {
		return err
	}
	for d, err := range all {
		if err != nil {
			return err
		}
		b := d.Text
		if b == nil {
			if b, err = json.MarshalIndent(d.Holds, "", " "); err != nil {
				return fmt.Errorf("writing %s: %w", d.Path, err)
			}
		}
		if err := add(d.Path, b); err != nil {
			return err
		}
	}
	b, err := json.MarshalIndent(list, "", " ")
	if err != nil {
		return err
	}
	if err := put("manifest.json", b); err != nil {
		return err
	}
	return out.Close()
}
