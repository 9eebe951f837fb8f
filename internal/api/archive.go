package api

import (
	"context"
	"encoding/json"
	"errors"
	"fmt"
	"io"
	"mime/multipart"
	"net/http"
	"os"
	"sync"
	"time"

	"github.com/getkin/kin-openapi/openapi3"

	"velocrustum/core/refuse"
	"velocrustum/internal/archive"
	"velocrustum/internal/exchange"
	"velocrustum/internal/store/merge"
	"velocrustum/internal/work"
)

// unhurried lets a request take as long as it needs, both ways.
func unhurried(w http.ResponseWriter) error {
	c := http.NewResponseController(w)
	for _, set := range []func(time.Time) error{c.SetWriteDeadline, c.SetReadDeadline} {
		if err := set(time.Time{}); err != nil && !errors.Is(err, http.ErrNotSupported) {
			return err
		}
	}
	return nil
}

// takeOut answers GET /archive: all that the household keeps, as one file that
// is written as it is read.
func (s *Server) takeOut(w http.ResponseWriter, r *http.Request) {
	if err := unhurried(w); err != nil {
		fail(w, r, err)
		return
	}
	select {
	case s.copies <- struct{}{}:
		defer func() { <-s.copies }()
	default:
		fail(w, r, fmt.Errorf("one archive is on its way already: %w", work.ErrBusy))
		return
	}
	still, discard, err := s.archives.Still(r.Context())
	if err != nil {
		fail(w, r, err)
		return
	}
	defer discard()
	w.Header().Set("Content-Type", "application/zip")
	w.Header().Set("Content-Disposition", fmt.Sprintf(`attachment; filename="household-%s.zip"`, s.clock.Now().Format(time.DateOnly)))
	if err := still.Write(r.Context(), w, nil); err != nil {
		// It has begun: broken off, it has no manifest, and is no archive.
		panic(http.ErrAbortHandler)
	}
}

// logbook answers GET /logbook: every cook that is over, one in a line.
func (s *Server) logbook(w http.ResponseWriter, r *http.Request) {
	if err := unhurried(w); err != nil {
		fail(w, r, err)
		return
	}
	w.Header().Set("Content-Type", "text/csv; charset=utf-8; header=present")
	w.Header().Set("Content-Disposition", `attachment; filename="logbook.csv"`)
	if err := s.archives.WriteLogbook(r.Context(), w); err != nil {
		panic(http.ErrAbortHandler) // it has begun
	}
}

// contract is the description of the interface, parsed once.
var contract = sync.OnceValues(GetSpec)

// fitsContract holds a document against a schema of the contract.
func fitsContract(schema string, document []byte) error {
	spec, err := contract()
	if err != nil {
		return err
	}
	of := spec.Components.Schemas[schema]
	if of == nil {
		return fmt.Errorf("the contract has no %s", schema)
	}
	var any any
	if err := json.Unmarshal(document, &any); err != nil {
		return err
	}
	if err := of.Value.VisitJSON(any, openapi3.MultiErrors()); err != nil {
		return schemaFields(err)
	}
	return nil
}

// Archives are those of the own household.
func (a *App) Archives() *archive.Archives { return a.own.archives }

// mostArchive is the largest archive that is taken in, bytes.
const mostArchive = 8 << 30

// cameIn is one line of what is said of an archive on its way in.
type cameIn struct {
	Progress *archive.Stage   `json:"progress,omitempty"`
	Brought  *archive.Brought `json:"brought,omitempty"`
	Problem  *Problem         `json:"problem,omitempty"`
}

// bring answers POST /archive: a form whose part "archive" is the file. With a
// part "choices" before it, it is put in; without, it is only looked at. It
// answers line by line, the last of which says what came of it.
func (s *Server) bring(w http.ResponseWriter, r *http.Request) {
	if err := unhurried(w); err != nil {
		fail(w, r, err)
		return
	}
	free, err := s.archives.Reserve()
	if err != nil {
		fail(w, r, err)
		return
	}
	defer free()
	r.Body = http.MaxBytesReader(w, r.Body, mostArchive)
	file, choices, err := s.sent(r)
	if err != nil {
		fail(w, r, problemOfSent(err))
		return
	}
	defer os.Remove(file.Name())
	defer file.Close()
	size, err := file.Seek(0, io.SeekEnd)
	if err != nil {
		fail(w, r, err)
		return
	}
	w.Header().Set("Content-Type", "application/x-ndjson")
	out, flush := json.NewEncoder(w), http.NewResponseController(w)
	say := func(t cameIn) {
		_ = out.Encode(t) // who asked may be gone: their context ends then
		_ = flush.Flush()
	}
	var last time.Time
	progress := func(p archive.Stage) {
		if now := time.Now(); now.Sub(last) > 150*time.Millisecond {
			last = now
			say(cameIn{Progress: &p})
		}
	}
	var choose func(merge.Difference) merge.Choice
	if choices != nil {
		choose = choices.Of
	}
	got, err := s.archives.Read(r.Context(), file, size, choose, progress)
	if err != nil {
		p := problemFor(r, err)
		say(cameIn{Problem: &p})
		return
	}
	if got.Kept {
		s.sessions.Tell()
	}
	say(cameIn{Brought: &got})
}

// sent keeps what is sent in a file beside the database.
func (s *Server) sent(r *http.Request) (file *os.File, choices *archive.Choices, err error) {
	parts, err := r.MultipartReader()
	if err != nil {
		return nil, nil, refuse.One("(request)", r.Header.Get("Content-Type"), "multipart/form-data")
	}
	for {
		p, err := parts.NextPart()
		switch {
		case errors.Is(err, io.EOF):
			return nil, nil, refuse.One("archive", "missing", "a file that was taken away from here")
		case err != nil:
			return nil, nil, err
		case p.FormName() == "choices":
			c, err := refuse.Decode[archive.Choices](io.LimitReader(p, maxBody))
			if err == nil {
				err = c.Check()
			}
			if err != nil {
				return nil, nil, err
			}
			choices = &c
		case p.FormName() == "archive":
			file, err := s.spooled(r.Context(), p)
			return file, choices, err
		default:
			return nil, nil, refuse.One(p.FormName(), "unknown part", "choices, archive")
		}
	}
}

func (s *Server) spooled(ctx context.Context, p *multipart.Part) (*os.File, error) {
	file, err := s.store.TempFile()
	if err != nil {
		return nil, err
	}
	if _, err = io.Copy(file, p); err == nil {
		err = ctx.Err()
	}
	if err != nil {
		return nil, errors.Join(err, file.Close(), os.Remove(file.Name()))
	}
	return file, nil
}

// problemOfSent words what went wrong on the way here.
func problemOfSent(err error) error {
	var large *http.MaxBytesError
	if errors.As(err, &large) {
		return refuse.One("archive", "larger", fmt.Sprintf("up to %d GB", mostArchive>>30))
	}
	if errors.Is(err, io.ErrUnexpectedEOF) {
		return exchange.RefusedError{Why: "it broke off on its way here. Send it again."}
	}
	return err
}
