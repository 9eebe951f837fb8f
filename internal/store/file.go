package store

import (
	"errors"
	"io"
	"os"
	"path/filepath"
	"runtime"
)

// WriteWhole writes a file that is there only once all of it is. Only the user
// that runs the program can read it.
func WriteWhole(path string, write func(io.Writer) error) error {
	part := path + ".part"
	f, err := os.OpenFile(part, os.O_WRONLY|os.O_CREATE|os.O_TRUNC, 0o600)
	if err != nil {
		return err
	}
	err = write(f)
	if err = errors.Join(err, f.Sync(), f.Close()); err == nil {
		err = errors.Join(os.Rename(part, path), syncFolder(path))
	}
	if err != nil {
		_ = os.Remove(part) // what failed is told
	}
	return err
}

// syncFolder has a file's name on the disk, as Sync has what is in it.
func syncFolder(path string) error {
	dir, err := os.Open(filepath.Dir(path))
	if err != nil {
		return err
	}
	err = dir.Sync()
	if runtime.GOOS == "windows" {
		err = nil // it has no such thing
	}
	return errors.Join(err, dir.Close())
}

func BytesOf(b []byte) func(io.Writer) error {
	return func(w io.Writer) error { _, err := w.Write(b); return err }
}
