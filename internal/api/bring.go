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
	"time"

	"velocrustum/core/refuse"
	"velocrustum/internal/exchange"
	"velocrustum/internal/store"
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

// mostArchive is the largest archive that is taken in, bytes.
const mostArchive = 8 << 30

// Choices are what becomes of what both households have, but not alike.
type Choices struct {
	// Others is for all that is not named; it may be left out.
	Others store.Choice            `json:"others,omitempty"`
	Each   map[string]store.Choice `json:"each,omitempty"` // by kind/id
}

func (c Choices) check() error {
	all := map[string]store.Choice{"others": c.Others}
	for key, one := range c.Each {
		all["each."+key] = one
	}
	for key, one := range all {
		switch one {
		case store.Keep, store.Take, store.Both:
		default:
			if one != "" || key != "others" {
				return refuse.One(key, fmt.Sprintf("%q", one), "keep, take or both")
			}
		}
	}
	return nil
}

// Of is what was chosen of one.
func (c Choices) Of(d store.Difference) store.Choice {
	if one, ok := c.Each[d.Kind+"/"+d.ID]; ok {
		return one
	}
	return c.Others
}

// told is one line of what is said of an archive on its way in.
type told struct {
	Progress *Stage   `json:"progress,omitempty"`
	Brought  *Brought `json:"brought,omitempty"`
	Problem  *Problem `json:"problem,omitempty"`
}

// bring answers POST /archive: a form whose part "archive" is the file. With a
// part "choices" before it, it is put in; without, it is only looked at. It
// answers line by line, the last of which says what came of it.
func (s *Server) bring(w http.ResponseWriter, r *http.Request) {
	if err := unhurried(w); err != nil {
		fail(w, r, err)
		return
	}
	if !s.bringing.TryLock() {
		fail(w, r, errBusy)
		return
	}
	defer s.bringing.Unlock()
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
	say := func(t told) {
		_ = out.Encode(t) // who asked may be gone: their context ends then
		_ = flush.Flush()
	}
	var last time.Time
	progress := func(p Stage) {
		if now := time.Now(); now.Sub(last) > 150*time.Millisecond {
			last = now
			say(told{Progress: &p})
		}
	}
	var choose func(store.Difference) store.Choice
	if choices != nil {
		choose = choices.Of
	}
	got, err := s.readArchive(r.Context(), file, size, choose, progress)
	if err != nil {
		p := problemFor(r, err)
		say(told{Problem: &p})
		return
	}
	say(told{Brought: &got})
}

// sent keeps what is sent in a file beside the database.
func (s *Server) sent(r *http.Request) (file *os.File, choices *Choices, err error) {
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
			c, err := refuse.Decode[Choices](io.LimitReader(p, maxBody))
			if err == nil {
				err = c.check()
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
