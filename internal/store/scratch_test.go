package store

import (
	"errors"
	"io/fs"
	"os"
	"path/filepath"
	"testing"
	"time"
)

// What a program that was ended left lying is cleared away when the next one claims
// the file or makes a copy there; what is held stays.
func TestWhatWasLeftIsClearedAway(t *testing.T) {
	s := aHousehold(t)
	dir := filepath.Dir(s.path)
	made := func(name string, folder bool) string {
		at := filepath.Join(dir, name)
		err := os.WriteFile(at, []byte("half of it"), 0o600)
		if folder {
			err = errors.Join(os.Remove(at), os.MkdirAll(at, 0o700), os.WriteFile(filepath.Join(at, heldBy), nil, 0o600), os.WriteFile(filepath.Join(at, "brought.db"), nil, 0o600))
		}
		if err != nil {
			t.Fatal(err)
		}
		return at
	}
	there := func(at string) bool {
		_, err := os.Stat(at)
		return !errors.Is(err, fs.ErrNotExist)
	}
	name := filepath.Base(s.path)
	file, folder := made(name+broughtInfix+"1", false), made(name+broughtInfix+"2", true)
	bare := filepath.Join(dir, name+broughtInfix+"3")
	old := time.Now().Add(-time.Hour)
	if err := errors.Join(os.Mkdir(bare, 0o700), os.Chtimes(bare, old, old)); err != nil {
		t.Fatal(err)
	}
	held, err := s.TempFile()
	if err != nil {
		t.Fatal(err)
	}
	defer held.Close()
	other, discard, err := s.Beside(t.Context(), time.Now)
	if err != nil {
		t.Fatal(err)
	}
	defer discard()
	for _, gone := range []string{file, folder, bare} {
		if there(gone) {
			t.Errorf("%s is left lying", filepath.Base(gone))
		}
	}
	file = made(name+broughtInfix+"4", false)
	if err := s.Close(); err != nil {
		t.Fatal(err)
	}
	c, err := Claim(s.path)
	if err != nil {
		t.Fatal(err)
	}
	defer c.Release()
	if there(file) || !there(held.Name()) || !there(other.path) {
		t.Errorf("after the claim: left %v, held %v and %v", there(file), there(held.Name()), there(other.path))
	}
	part := made("copy.db"+partInfix+"9", false)
	back, err := Open(t.Context(), s.path, time.Now)
	if err != nil {
		t.Fatal(err)
	}
	defer back.Close()
	if err := back.Backup(t.Context(), filepath.Join(dir, "copy.db")); err != nil || there(part) {
		t.Errorf("a part of an earlier copy is there: %v, %v", there(part), err)
	}
}
