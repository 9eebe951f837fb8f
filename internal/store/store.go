// Package store keeps plans, fryers, cooks and settings in one SQLite file.
package store

import (
	"context"
	"database/sql"
	"database/sql/driver"
	"embed"
	"errors"
	"fmt"
	"io"
	"io/fs"
	"net/url"
	"os"
	"path/filepath"
	"strings"
	"time"

	"github.com/google/uuid"
	"github.com/jmoiron/sqlx"
	"github.com/pressly/goose/v3"
	"modernc.org/sqlite"
	sqlite3 "modernc.org/sqlite/lib"
)

//go:embed migrations/*.sql
var migrations embed.FS

var (
	// ErrNotFound is for an id that is not, or no longer, there.
	ErrNotFound = errors.New("not found")
	// ErrChanged is for a change made on an older version.
	ErrChanged = errors.New("changed meanwhile")
	// ErrLive is for a second live cook in one place, or a deleted live one.
	ErrLive = errors.New("a cook is going on")
)

// ErrTwice is for an id that is there already.
var ErrTwice = errors.New("an id that is there already")

// twice turns what a key does not allow into ErrTwice.
func twice(err error) error {
	var sq *sqlite.Error
	if errors.As(err, &sq) && (sq.Code() == sqlite3.SQLITE_CONSTRAINT_PRIMARYKEY || sq.Code() == sqlite3.SQLITE_CONSTRAINT_UNIQUE) {
		return errors.Join(ErrTwice, err)
	}
	return err
}

// NeededError is for a fryer that dishes need, or, without any, the last one.
type NeededError struct{ Dishes []string }

func (e NeededError) Error() string { return "still needed by " + strings.Join(e.Dishes, ", ") }

// Store is the open database. One connection writes at a time.
type Store struct {
	db       *sqlx.DB
	now      func() time.Time
	path     string
	file     fs.FileInfo // what was opened; nil where it is not watched
	pictures string      // the folder of what lies beside it
	health   health
	told     func() // of each change; nil where nobody asks
}

// Open opens or makes the file at path and brings it up to date; before a
// migration of an existing file a copy is kept beside it.
func Open(ctx context.Context, path string, now func() time.Time) (*Store, error) {
	if err := os.MkdirAll(filepath.Dir(path), 0o700); err != nil {
		return nil, fmt.Errorf("making the data folder: %w", err)
	}
	there, statErr := os.Stat(path)
	existed := statErr == nil && there.Size() > 0
	if err := private(path); err != nil {
		return nil, fmt.Errorf("the database %s cannot be written: %w; give it to the user that runs this, or name another file with --db", path, err)
	}
	s, err := connect(path, now)
	if err != nil {
		return nil, err
	}
	if err := s.migrate(ctx, path, existed); err != nil {
		_ = s.Close()
		return nil, broken(path, err)
	}
	if s.file, err = os.Stat(path); err != nil {
		return nil, errors.Join(err, s.Close())
	}
	if err := s.sweep(ctx); err != nil {
		_ = s.Close()
		return nil, broken(path, err)
	}
	return s, nil
}

// connect opens the file at path as it is. Each change is on the disk before it
// is answered: a device forgets a tap that was.
func connect(path string, now func() time.Time) (*Store, error) {
	q := url.Values{}
	for _, p := range []string{"busy_timeout(5000)", "journal_mode(WAL)", "foreign_keys(1)", "synchronous(FULL)"} {
		q.Add("_pragma", p)
	}
	q.Set("_txlock", "immediate")
	db, err := sqlx.Open("sqlite", "file:"+(&url.URL{Path: path}).EscapedPath()+"?"+q.Encode())
	if err != nil {
		return nil, fmt.Errorf("opening the database: %w", err)
	}
	db.SetMaxOpenConns(4)
	return &Store{db: db, now: now, path: path, pictures: picturesOf(path)}, nil
}

// Copy writes a consistent copy of the database at path to another, as it is:
// nothing of it is brought up to date.
func Copy(ctx context.Context, path, to string) error {
	s, err := connect(path, time.Now)
	if err != nil {
		return err
	}
	if err := s.Backup(ctx, to); err != nil {
		return errors.Join(broken(path, err), s.Close())
	}
	return s.Close()
}

// ErrSpoilt is for a file that is no database any more, or never was one.
var ErrSpoilt = errors.New("damaged, or not a database of Velocrustum")

// broken names the file and the way on where SQLite cannot read it.
func broken(path string, err error) error {
	var sq *sqlite.Error
	if errors.As(err, &sq) && (sq.Code() == sqlite3.SQLITE_CORRUPT || sq.Code() == sqlite3.SQLITE_NOTADB) {
		return fmt.Errorf("%s is %w. Put the latest copy in its place (%s.v… or your own backup), or name another file with --db. (%w)", path, ErrSpoilt, path, err)
	}
	return err
}

// Beside opens an empty household beside this one, for something on its way in,
// and says how it is thrown away.
func (s *Store) Beside(ctx context.Context, now func() time.Time) (*Store, func(), error) {
	return s.beside(func(path string) (*Store, error) { return Open(ctx, path, now) })
}

// Snapshot opens a copy of this household as it is now, with the same pictures,
// and says how it is thrown away.
func (s *Store) Snapshot(ctx context.Context) (*Store, func(), error) {
	return s.beside(func(path string) (*Store, error) {
		if err := s.copyTo(ctx, path); err != nil {
			return nil, err
		}
		copied, err := connect(path, s.now)
		if err == nil {
			copied.pictures = s.pictures
		}
		return copied, err
	})
}

func (s *Store) beside(open func(path string) (*Store, error)) (*Store, func(), error) {
	clearLeft(s.path, broughtInfix)
	dir, discard, err := scratchFolder(s.path)
	if err != nil {
		return nil, nil, err
	}
	other, err := open(filepath.Join(dir, "brought.db"))
	if err != nil {
		discard()
		return nil, nil, err
	}
	return other, func() {
		_ = other.Close() // it is thrown away
		discard()
	}, nil
}

// steps are the migrations of a database.
func steps(db *sql.DB) (*goose.Provider, error) {
	sub, err := fs.Sub(migrations, "migrations")
	if err != nil {
		return nil, err
	}
	p, err := goose.NewProvider(goose.DialectSQLite3, db, sub)
	if err != nil {
		return nil, fmt.Errorf("reading the migrations: %w", err)
	}
	return p, nil
}

func (s *Store) migrate(ctx context.Context, path string, existed bool) error {
	p, err := steps(s.db.DB)
	if err != nil {
		return err
	}
	pending, err := p.HasPending(ctx)
	if err != nil {
		return fmt.Errorf("reading the database's version: %w", err)
	}
	version, err := p.GetDBVersion(ctx)
	if err != nil {
		return fmt.Errorf("reading the database's version: %w", err)
	}
	all := p.ListSources()
	if newest := all[len(all)-1].Version; version > newest {
		return fmt.Errorf("%s is of a newer Velocrustum (version %d, this one knows %d): start that one, or name another file with --db", path, version, newest)
	}
	kept := fmt.Sprintf("%s.v%d", path, version)
	if pending && existed {
		// A migration does not touch what lies beside the database.
		if err := s.copyTo(ctx, kept); err != nil {
			return err
		}
	}
	if _, err := p.Up(ctx); err != nil {
		if existed {
			return fmt.Errorf("bringing %s up to date: %w; as it was before it is in %s", path, err, kept)
		}
		return fmt.Errorf("making the database: %w", err)
	}
	return nil
}

// Backup writes a consistent copy to path, with its pictures beside it. It
// takes the place of an earlier copy only when it is whole, and never that of
// the database or of anything that is not a database.
func (s *Store) Backup(ctx context.Context, path string) error {
	if err := s.copyTo(ctx, path); err != nil {
		return err
	}
	if err := copyPictures(s.pictures, picturesOf(path)); err != nil {
		return fmt.Errorf("copying the pictures: %w", err)
	}
	return nil
}

func (s *Store) copyTo(ctx context.Context, path string) (err error) {
	if err := s.mayReplace(ctx, path); err != nil {
		return err
	}
	clearLeft(path, partInfix)
	part := path + partInfix + NewID()
	defer func() {
		if err != nil {
			_ = os.Remove(part)
		}
	}()
	// SQLite fills a file that is there and empty, and leaves its mode.
	f, err := os.OpenFile(part, os.O_CREATE|os.O_EXCL|os.O_RDWR, 0o600)
	if err != nil {
		return fmt.Errorf("making the copy: %w", err)
	}
	defer f.Close()
	if err := lock(f); err != nil {
		return fmt.Errorf("making the copy: %w", err)
	}
	if _, err := s.db.ExecContext(ctx, "VACUUM INTO ?", part); err != nil {
		return fmt.Errorf("copying the database: %w", err)
	}
	if err := withoutPassphrase(ctx, part); err != nil {
		return fmt.Errorf("taking the passphrase out of the copy: %w", err)
	}
	if err := f.Sync(); err != nil {
		return fmt.Errorf("keeping the copy: %w", err)
	}
	if err := os.Rename(part, path); err != nil {
		return fmt.Errorf("putting the copy in its place: %w", err)
	}
	return syncFolder(path)
}

// withoutPassphrase takes the passphrase of the home network out of a copy,
// which goes on sticks and to others; where it is put back another is made.
func withoutPassphrase(ctx context.Context, path string) error {
	db, err := sqlx.Open("sqlite", "file:"+(&url.URL{Path: path}).EscapedPath()+"?_pragma=secure_delete(1)&_pragma=journal_mode(MEMORY)")
	if err != nil {
		return err
	}
	var has bool
	err = db.GetContext(ctx, &has, `SELECT EXISTS (SELECT 1 FROM pragma_table_info('settings') WHERE name = 'lan_passphrase')`)
	if err == nil && has {
		_, err = db.ExecContext(ctx, `UPDATE settings SET lan_passphrase = ''`)
	}
	return errors.Join(err, db.Close())
}

// sqliteMagic opens every SQLite file.
const sqliteMagic = "SQLite format 3\x00"

// mayReplace says why a copy cannot go to path.
func (s *Store) mayReplace(ctx context.Context, path string) error {
	there, err := os.Stat(path)
	if errors.Is(err, fs.ErrNotExist) {
		return nil
	} else if err != nil {
		return fmt.Errorf("looking at where the copy goes: %w", err)
	}
	var own string
	if err := s.db.GetContext(ctx, &own, `SELECT file FROM pragma_database_list WHERE name = 'main'`); err != nil {
		return fmt.Errorf("looking for the database's file: %w", err)
	}
	for _, name := range []string{own, own + "-wal", own + "-shm"} {
		if mine, err := os.Stat(name); err == nil && os.SameFile(mine, there) {
			return fmt.Errorf("%s is the database itself; give the copy another name", path)
		}
	}
	f, err := os.Open(path)
	if err != nil {
		return fmt.Errorf("looking at what would be replaced: %w", err)
	}
	defer f.Close()
	head := make([]byte, len(sqliteMagic))
	if _, err := io.ReadFull(f, head); err != nil || string(head) != sqliteMagic {
		return fmt.Errorf("%s is there and is no database; give the copy another name", path)
	}
	return nil
}

// Close closes the file.
func (s *Store) Close() error { return s.db.Close() }

// ErrGone is for a database whose file was moved or deleted while it was open:
// what is written to it then is lost with the program's end.
var ErrGone = errors.New("the database was moved or deleted while the program ran")

// stillThere says whether the file is still the one that was opened.
func (s *Store) stillThere() error {
	if s.file == nil {
		return nil
	}
	if is, err := os.Stat(s.path); err != nil || !os.SameFile(is, s.file) {
		return fmt.Errorf("%s: %w", s.path, ErrGone)
	}
	return nil
}

// exec runs one change.
func (s *Store) exec(ctx context.Context, query string, args ...any) (sql.Result, error) {
	if err := s.stillThere(); err != nil {
		return nil, err
	}
	out, err := s.db.ExecContext(ctx, query, args...)
	if err == nil {
		s.tell()
	}
	return out, err
}

// OnChange has f called after each change that is kept. It is for one who asks before
// the household is in use.
func (s *Store) OnChange(f func()) { s.told = f }

func (s *Store) tell() {
	if s.told != nil {
		s.told()
	}
}

// write runs f in one transaction.
func (s *Store) write(ctx context.Context, f func(tx *sqlx.Tx) error) error {
	if err := s.stillThere(); err != nil {
		return err
	}
	tx, err := s.db.BeginTxx(ctx, nil)
	if err != nil {
		return fmt.Errorf("beginning a change: %w", err)
	}
	if err := f(tx); err != nil {
		return errors.Join(err, tx.Rollback())
	}
	if err := tx.Commit(); err != nil {
		return fmt.Errorf("keeping a change: %w", err)
	}
	s.tell()
	return nil
}

// found turns an empty result into ErrNotFound.
func found(err error) error {
	if errors.Is(err, sql.ErrNoRows) {
		return ErrNotFound
	}
	return err
}

// touched turns a change of nothing into ErrNotFound.
func touched(r sql.Result, err error) error {
	if err != nil {
		return err
	}
	if n, err := r.RowsAffected(); err != nil || n == 0 {
		return errors.Join(err, ErrNotFound)
	}
	return nil
}

// NewID is one for something new, later than those before it.
func NewID() string { return uuid.Must(uuid.NewV7()).String() }

// Time is a UTC time kept as text that sorts.
type Time struct{ time.Time }

const timeLayout = "2006-01-02T15:04:05.000000Z"

// Value implements driver.Valuer.
func (t Time) Value() (driver.Value, error) { return t.UTC().Format(timeLayout), nil }

// Scan implements sql.Scanner.
func (t *Time) Scan(src any) (err error) {
	switch v := src.(type) {
	case string:
		t.Time, err = time.Parse(timeLayout, v)
		return err
	case time.Time:
		t.Time = v.UTC()
		return nil
	}
	return fmt.Errorf("a time column holds %T", src)
}
