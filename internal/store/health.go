package store

import (
	"context"
	"errors"
	"fmt"
	"os"
	"path/filepath"
	"sync"
	"syscall"
	"time"

	"github.com/jmoiron/sqlx"
	"modernc.org/sqlite"
	sqlite3 "modernc.org/sqlite/lib"
)

// health is what was found when it was last asked whether the disk takes anything.
type health struct {
	sync.Mutex
	at    time.Time
	found error
}

const (
	// healthHolds is how long what was found holds: whoever asks every second costs
	// the disk nothing.
	healthHolds = 5 * time.Second
	roomWanted  = 256 << 10 // bytes
)

// Healthy says whether the household can be read, written and added to: the
// database takes a change that changes nothing, and the disk has room beside it.
func (s *Store) Healthy(ctx context.Context) error {
	if err := s.stillThere(); err != nil {
		return err
	}
	var n int
	if err := s.db.GetContext(ctx, &n, `SELECT count(*) FROM settings`); err != nil {
		return err
	}
	s.health.Lock()
	defer s.health.Unlock()
	if time.Since(s.health.at) < healthHolds && s.health.found == nil {
		return nil
	}
	err := s.takesWrites(ctx)
	if ctx.Err() != nil || IsBusy(err) {
		return err // says nothing of the disk
	}
	s.health.at, s.health.found = time.Now(), err
	return err
}

func (s *Store) takesWrites(ctx context.Context) error {
	if err := s.write(ctx, func(tx *sqlx.Tx) error {
		_, err := tx.ExecContext(ctx, `UPDATE settings SET id = id WHERE id = 1`)
		return err
	}); err != nil {
		return err
	}
	f, err := os.CreateTemp(filepath.Dir(s.path), filepath.Base(s.path)+broughtInfix)
	if err != nil {
		return fmt.Errorf("asking the disk for room: %w", err)
	}
	_, err = f.Write(make([]byte, roomWanted))
	if err = errors.Join(err, f.Close(), os.Remove(f.Name())); err != nil {
		return fmt.Errorf("asking the disk for room: %w", err)
	}
	return nil
}

const (
	saysFull = "The disk of the kitchen computer is full. What you did stays on this device; make room there, and it is sent again."
	saysShut = "The kitchen computer may not write its database any more. What you did stays on this device; give the file back to the user that runs it, and it is sent again."
	saysHurt = "The database of the kitchen computer is damaged, or its disk is. What you did stays on this device; stop the program there and put the latest copy in its place."
)

// Trouble says in plain words what ails the disk or the file, and the way on;
// empty if it is something else.
func Trouble(err error) string {
	var sq *sqlite.Error
	switch {
	case errors.Is(err, ErrGone):
		return "The database of the kitchen computer was moved or deleted while the program ran. What you did stays on this device; stop the program there, put the file back and start it again."
	case errors.Is(err, syscall.ENOSPC), errors.Is(err, syscall.EDQUOT):
		return saysFull
	case errors.Is(err, syscall.EROFS), errors.Is(err, os.ErrPermission):
		return saysShut
	case !errors.As(err, &sq):
		return ""
	}
	switch sq.Code() & 0xff {
	case sqlite3.SQLITE_FULL:
		return saysFull
	case sqlite3.SQLITE_READONLY, sqlite3.SQLITE_CANTOPEN, sqlite3.SQLITE_PERM:
		return saysShut
	case sqlite3.SQLITE_CORRUPT, sqlite3.SQLITE_NOTADB, sqlite3.SQLITE_IOERR:
		return saysHurt
	}
	return ""
}

// IsBusy says whether the database was held by another write for too long.
func IsBusy(err error) bool {
	var sq *sqlite.Error
	return errors.As(err, &sq) && (sq.Code()&0xff == sqlite3.SQLITE_BUSY || sq.Code()&0xff == sqlite3.SQLITE_LOCKED)
}
