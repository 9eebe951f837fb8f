package store

import (
	"errors"
	"fmt"
	"os"
	"path/filepath"
)

// ErrClaimed is for a database that another process serves.
var ErrClaimed = errors.New("in use by another Velocrustum")

// A Claimed is a database that one process serves, until it is released or the
// process ends, however it does.
type Claimed struct {
	// Path is the file itself, whatever it was called.
	Path string
	held []*os.File
}

// Claim makes the calling process the one that serves the database at path: by
// a file beside it, which stays, and by the database itself, which may have
// other names.
func Claim(path string) (*Claimed, error) {
	if path == "" || path == ":memory:" {
		return nil, fmt.Errorf("--db %q: want the path of a file, so that what you enter is kept", path)
	}
	if err := os.MkdirAll(filepath.Dir(path), 0o700); err != nil {
		return nil, fmt.Errorf("making the data folder: %w", err)
	}
	// A link leads to the file that its neighbours, -wal and the pictures, lie by.
	if real, err := filepath.EvalSymlinks(path); err == nil {
		path = real
	}
	c := &Claimed{Path: path}
	if err := c.hold(path + ".lock"); err != nil {
		return nil, err
	}
	if err := c.Hold(); err != nil {
		c.Release()
		return nil, err
	}
	clearLeft(path, broughtInfix)
	return c, nil
}

// Hold claims the database itself, which is made where it is not there yet. It
// is asked again once another was put in its place.
func (c *Claimed) Hold() error { return c.hold(c.Path) }

func (c *Claimed) hold(path string) error {
	f, err := os.OpenFile(path, os.O_CREATE|os.O_RDWR, 0o600)
	if err != nil {
		return fmt.Errorf("claiming the database: %w; give it to the user that runs this, or name another file with --db", err)
	}
	// It stays open to the end: closing any handle of a file would let go what
	// SQLite has locked of it.
	c.held = append(c.held, f)
	if err := lock(f); err != nil {
		return fmt.Errorf("%s is %w: stop that one, or name another file with --db", c.Path, ErrClaimed)
	}
	return nil
}

// Release lets go.
func (c *Claimed) Release() {
	for _, f := range c.held {
		_ = f.Close()
	}
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
