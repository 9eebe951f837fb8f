package store

import (
	"errors"
	"fmt"
	"os"
	"path/filepath"
	"strings"
	"time"
)

// What lies beside a database only while a household comes or goes: files and folders
// on its way in or out, and copies that are not whole yet. Each is held by its maker
// while it is needed; what nobody holds was left by a program that was ended, and is
// cleared away.
const (
	broughtInfix = ".brought-"
	partInfix    = ".part-"
	heldBy       = "held" // in a folder
)

// TempFile makes a file beside the database, for something on its way in or out.
func (s *Store) TempFile() (*os.File, error) {
	f, err := os.CreateTemp(filepath.Dir(s.path), filepath.Base(s.path)+broughtInfix)
	if err != nil {
		return nil, err
	}
	return f, lock(f)
}

// scratchFolder makes one beside a path, and says how it is thrown away.
func scratchFolder(path string) (dir string, discard func(), err error) {
	dir, err = os.MkdirTemp(filepath.Dir(path), filepath.Base(path)+broughtInfix)
	if err != nil {
		return "", nil, fmt.Errorf("making room beside the database: %w", err)
	}
	held, err := os.OpenFile(filepath.Join(dir, heldBy), os.O_CREATE|os.O_RDWR, 0o600)
	if err == nil {
		err = lock(held)
	}
	if err != nil {
		return "", nil, errors.Join(fmt.Errorf("making room beside the database: %w", err), os.RemoveAll(dir))
	}
	return dir, func() {
		_ = os.RemoveAll(dir)
		_ = held.Close()
	}, nil
}

// young is what may not be held yet by whoever is making it, and old what surely is
// not needed where no lock tells.
const young, old = time.Minute, 24 * time.Hour

// clearLeft takes away what was left lying beside a path.
func clearLeft(path, infix string) {
	there, err := os.ReadDir(filepath.Dir(path))
	if err != nil {
		return // whoever needs the folder says so
	}
	for _, e := range there {
		if !strings.HasPrefix(e.Name(), filepath.Base(path)+infix) {
			continue
		}
		at := filepath.Join(filepath.Dir(path), e.Name())
		by := at
		if e.IsDir() {
			by = filepath.Join(at, heldBy)
		}
		if left(at, by) {
			_ = os.RemoveAll(at)
		}
	}
}

// left says whether nobody holds a thing any more.
func left(at, by string) bool {
	f, err := os.Open(by)
	if err != nil || !locks {
		info, err := os.Stat(at)
		return err == nil && time.Since(info.ModTime()) > young && (locks || time.Since(info.ModTime()) > old)
	}
	defer f.Close()
	return lock(f) == nil
}
