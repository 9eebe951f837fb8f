package exchange

import (
	"archive/zip"
	"bytes"
	"crypto/sha256"
	"encoding/hex"
	"encoding/json"
	"errors"
	"fmt"
	"hash"
	"io"
	"path"
	"regexp"
	"slices"
	"strings"
)

// RefusedError says in a cook's words why an archive is not read; none of it
// is.
type RefusedError struct{ Why string }

func (e RefusedError) Error() string { return "This archive is not read: " + e.Why }

func refusef(format string, args ...any) error { return RefusedError{fmt.Sprintf(format, args...)} }

// Limits of an archive, so that a small file cannot fill a disk.
const (
	mostFiles    = 500_000
	mostDocument = 32 << 20 // of one document or picture, bytes
	mostTable    = 2 << 30  // of one table
	// mostPacked is how many times a large file may have been packed smaller.
	mostPacked  = 400
	packedFrom  = 1 << 20
	mostListing = 128 << 20
)

// Archive is one that is open, and of which every file is listed.
type Archive struct {
	Manifest
	files  map[string]*zip.File
	listed map[string]Listed
	opened map[string]bool
}

// IsArchive says whether a file begins as a zip file does.
func IsArchive(head []byte) bool { return bytes.HasPrefix(head, []byte("PK\x03\x04")) }

var aName = regexp.MustCompile(`^[A-Za-z0-9_-][A-Za-z0-9_.-]{0,99}(/[A-Za-z0-9_-][A-Za-z0-9_.-]{0,99})?$`)

// OpenArchive opens an archive and holds its list against what is in it. What
// the files hold is checked as they are read; Rest reads the others.
func OpenArchive(at io.ReaderAt, size int64) (*Archive, error) {
	z, err := zip.NewReader(at, size)
	if err != nil {
		return nil, refusef("it is no zip file, or its end is missing. Take it away again from where it was made.")
	}
	if len(z.File) > mostFiles {
		return nil, refusef("it has %d files; up to %d are read.", len(z.File), mostFiles)
	}
	a := &Archive{files: map[string]*zip.File{}, listed: map[string]Listed{}, opened: map[string]bool{}}
	for _, f := range z.File {
		switch {
		case strings.HasSuffix(f.Name, "/") && f.UncompressedSize64 == 0 && aName.MatchString(strings.TrimSuffix(f.Name, "/")):
			continue // a folder, of one that was unpacked and packed again
		case !aName.MatchString(f.Name):
			return nil, refusef("a file in it is called %q, which no archive of this kind has.", f.Name)
		case a.files[f.Name] != nil:
			return nil, refusef("%s is in it twice.", f.Name)
		case !f.Mode().IsRegular():
			return nil, refusef("%s is no plain file.", f.Name)
		case f.Flags&1 != 0:
			return nil, refusef("%s is locked by a password.", f.Name)
		case f.Method != zip.Store && f.Method != zip.Deflate:
			return nil, refusef("%s is packed in a way that is not read (%d).", f.Name, f.Method)
		}
		a.files[f.Name] = f
	}
	if err := a.list(); err != nil {
		return nil, err
	}
	return a, nil
}

const manifestName = "manifest.json"

// list reads the manifest, and holds it against the files.
func (a *Archive) list() error {
	f := a.files[manifestName]
	if f == nil {
		return refusef("it has no %s: it is of something else, or broke off as it was written.", manifestName)
	}
	b, err := content(f, mostListing)
	if err != nil {
		return err
	}
	// The version comes first: a newer form may have other fields.
	if err := json.Unmarshal(b, &a.Manifest); err != nil {
		return refusef("%s cannot be read (%v).", manifestName, err)
	}
	switch {
	case a.Format != archiveFormat:
		return refusef("it is no household of Velocrustum (%q).", a.Format)
	case a.Version > ArchiveVersion:
		return refusef("it is of a newer Velocrustum (version %d; this one reads up to %d). Bring this one up to date first.", a.Version, ArchiveVersion)
	case a.Version < 1:
		return refusef("its version is %d; versions begin at 1.", a.Version)
	}
	for _, l := range a.Files {
		f := a.files[l.Path]
		switch {
		case l.Path == manifestName || a.listed[l.Path].Path != "":
			return refusef("%s is listed twice.", l.Path)
		case f == nil:
			return refusef("%s is listed, but missing.", l.Path)
		case l.Bytes < 0 || uint64(l.Bytes) != f.UncompressedSize64:
			return refusef("%s has %d bytes, %d are listed.", l.Path, f.UncompressedSize64, l.Bytes)
		}
		a.listed[l.Path] = l
	}
	for name := range a.files {
		if name != manifestName && a.listed[name].Path == "" {
			return refusef("%s is in it, but not listed.", name)
		}
	}
	return nil
}

// Paths returns the files in a folder, in the order of their names.
func (a *Archive) Paths(folder string) (out []string) {
	for name := range a.listed {
		if path.Dir(name) == folder {
			out = append(out, name)
		}
	}
	slices.Sort(out)
	return out
}

// Has says whether a file is in it.
func (a *Archive) Has(name string) bool { return a.listed[name].Path != "" }

// Rest reads every file that was not opened yet, and holds it against its sum.
func (a *Archive) Rest(each func()) error {
	for _, l := range a.Files {
		if a.opened[l.Path] {
			continue
		}
		each()
		r, err := a.Open(l.Path)
		if err != nil {
			return err
		}
		_, err = io.Copy(io.Discard, r)
		if err := errors.Join(err, r.Close()); err != nil {
			return err
		}
	}
	return nil
}

// Open opens a file of it; at its end it is known to be whole, or the read
// fails.
func (a *Archive) Open(name string) (io.ReadCloser, error) {
	l, f := a.listed[name], a.files[name]
	if l.Path == "" {
		return nil, refusef("%s is missing.", name)
	}
	most := int64(mostDocument)
	if strings.HasSuffix(name, ".csv") {
		most = mostTable
	}
	if err := fits(f, most); err != nil {
		return nil, err
	}
	r, err := f.Open()
	if err != nil {
		return nil, refusef("%s is damaged (%v).", name, err)
	}
	a.opened[name] = true
	return &summed{r, l, sha256.New(), 0}, nil
}

// Read returns a file of it that is whole.
func (a *Archive) Read(name string) ([]byte, error) {
	r, err := a.Open(name)
	if err != nil {
		return nil, err
	}
	b, err := io.ReadAll(r)
	return b, errors.Join(err, r.Close())
}

// fits says whether a file is not too large, and not packed beyond what any
// document is.
func fits(f *zip.File, most int64) error {
	size := f.UncompressedSize64
	if size > uint64(most) || size > packedFrom && size > mostPacked*max(f.CompressedSize64, 1) {
		return refusef("%s is too large (%d MB).", f.Name, size>>20)
	}
	return nil
}

func content(f *zip.File, most int64) ([]byte, error) {
	if err := fits(f, most); err != nil {
		return nil, err
	}
	r, err := f.Open()
	if err == nil {
		var b []byte
		if b, err = io.ReadAll(io.LimitReader(r, most+1)); err == nil {
			return b, r.Close()
		}
		_ = r.Close() // it failed before
	}
	return nil, refusef("%s is damaged (%v).", f.Name, err)
}

// summed is a file that is held against its length and sum as it is read.
type summed struct {
	io.ReadCloser
	listed Listed
	sum    hash.Hash
	n      int
}

func (s *summed) Read(p []byte) (int, error) {
	n, err := s.ReadCloser.Read(p)
	s.sum.Write(p[:n])
	switch s.n += n; {
	case s.n > s.listed.Bytes:
		return n, refusef("%s is longer than what is listed.", s.listed.Path)
	case errors.Is(err, io.EOF):
		if s.n != s.listed.Bytes || !strings.EqualFold(hex.EncodeToString(s.sum.Sum(nil)), s.listed.SHA256) {
			return n, refusef("%s is not what was taken away: its sum differs.", s.listed.Path)
		}
	case err != nil:
		return n, refusef("%s is damaged (%v).", s.listed.Path, err)
	}
	return n, err
}
