package store

import (
	"errors"
	"io"
	"os"
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
		err = os.Rename(part, path)
	}
	if err != nil {
		_ = os.Remove(part) // what failed is told
	}
	return err
}

func bytesOf(b []byte) func(io.Writer) error {
	return func(w io.Writer) error { _, err := w.Write(b); return err }
}
