package apitest

import (
	"archive/zip"
	"bytes"
	"encoding/json"
	"errors"
	"io"
	"mime/multipart"
	"net/http/httptest"
	"strings"
	"testing"

	"velocrustum/internal/api"
	"velocrustum/internal/archive"
)

// TakenAway is all of a household, as it takes it away.
func TakenAway(k *Kitchen) []byte {
	k.T.Helper()
	w := k.Send("GET", "/api/v1/archive", "")
	if w.Code != 200 || w.Header().Get("Content-Type") != "application/zip" {
		k.T.Fatal(w.Code, w.Header())
	}
	return w.Body.Bytes()
}

type Line struct {
	Progress *archive.Stage   `json:"progress"`
	Brought  *archive.Brought `json:"brought"`
	Problem  *api.Problem     `json:"problem"`
}

// SendArchive sends an archive in a form, with what was chosen if anything was.
func SendArchive(k *Kitchen, raw []byte, choices string) *httptest.ResponseRecorder {
	k.T.Helper()
	var form bytes.Buffer
	m := multipart.NewWriter(&form)
	if choices != "" {
		if err := m.WriteField("choices", choices); err != nil {
			k.T.Fatal(err)
		}
	}
	f, err := m.CreateFormFile("archive", "household.zip")
	if err != nil {
		k.T.Fatal(err)
	}
	_, err = f.Write(raw)
	if err := errors.Join(err, m.Close()); err != nil {
		k.T.Fatal(err)
	}
	return k.Send("POST", "/api/v1/archive", form.String(), "Content-Type", m.FormDataContentType())
}

// Bring sends an archive and returns what came of it, and its problem.
func Bring(k *Kitchen, raw []byte, choices string) (*archive.Brought, *api.Problem) {
	k.T.Helper()
	w := SendArchive(k, raw, choices)
	if w.Code != 200 {
		k.T.Fatalf("%d %s", w.Code, w.Body)
	}
	lines := strings.Split(strings.TrimSpace(w.Body.String()), "\n")
	var l Line
	for i, text := range lines {
		l = Line{}
		if err := json.Unmarshal([]byte(text), &l); err != nil || (l.Progress == nil) != (i == len(lines)-1) {
			k.T.Fatalf("line %d of %d: %s, %v", i+1, len(lines), text, err)
		}
	}
	return l.Brought, l.Problem
}

// Unpacked are the files of an archive.
func Unpacked(t testing.TB, raw []byte) map[string][]byte {
	t.Helper()
	z, err := zip.NewReader(bytes.NewReader(raw), int64(len(raw)))
	if err != nil {
		t.Fatal(err)
	}
	out := map[string][]byte{}
	for _, f := range z.File {
		r, err := f.Open()
		if err != nil {
			t.Fatal(err)
		}
		if out[f.Name], err = io.ReadAll(r); err != nil {
			t.Fatal(err)
		}
	}
	return out
}

// Documents are what an archive says, without what counts changes.
func Documents(t testing.TB, raw []byte) map[string]string {
	t.Helper()
	out := map[string]string{}
	for name, b := range Unpacked(t, raw) {
		var doc map[string]any
		if name == "manifest.json" {
			continue
		}
		if json.Unmarshal(b, &doc) == nil {
			delete(doc, "version")
			b, _ = json.Marshal(doc)
		}
		out[name] = string(b)
	}
	return out
}
