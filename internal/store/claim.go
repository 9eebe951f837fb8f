package store

import (
	"errors"
	"fmt"
	"os"
	"path/filepath"
)

// ErrClaimed is for a database that another process serves.
var ErrClaimed = errors.New("in use by another Velocrustum")

// Claim makes the calling process the one that serves the database at path,
// until the returned function is called or the process ends, however it does.
// The claim is on a file beside it, which stays.
func Claim(path string) (release func(), err error) {
	if path == "" || path == ":memory:" {
		return nil, fmt.Errorf("--db %q: want the path of a file, so that what you enter is kept", path)
	}
	if err := os.MkdirAll(filepath.Dir(path), 0o700); err != nil {
		return nil, fmt.Errorf("making the data folder: %w", err)
	}
	f, err := os.OpenFile(path+".lock", os.O_CREATE|os.O_RDWR, 0o600)
	if err != nil {
		return nil, fmt.Errorf("claiming the database: %w", err)
	}
	if err := lock(f); err != nil {
		return nil, errors.Join(fmt.Errorf("%s is %w: stop that one, or name another file with --db", path, ErrClaimed), f.Close())
	}
	return func() { _ = f.Close() }, nil // closing lets go
}

// private lets only its owner read the database and what belongs to it.
func private(path string) error {
	f, err := os.OpenFile(path, os.O_CREATE|os.O_RDWR, 0o600)
	if err != nil {
		return err
	}
	if err := f.Close(); err != nil {
		return err
	}
	for _, suffix := range []string{"", "-wal", "-shm"} {
		if err := os.Chmod(path+suffix, 0o600); err != nil && !errors.Is(err, os.ErrNotExist) {
			return err
		}
	}
	return nil
}
