package store

import (
	"context"
	"errors"
	"fmt"
	"io/fs"
	"os"
	"path/filepath"
	"strings"
	"syscall"
	"testing"
	"time"
)

func TestBackupIsWholeWhileInUse(t *testing.T) {
	s, _, p := stocked(t)
	path := filepath.Join(t.TempDir(), "copy.db")
	for range 2 { // the second replaces the first
		if err := s.Backup(t.Context(), path); err != nil {
			t.Fatal(err)
		}
	}
	if _, err := os.Stat(path); err != nil {
		t.Fatal(err)
	}
	c, err := Open(t.Context(), path, time.Now)
	if err != nil {
		t.Fatal(err)
	}
	defer c.Close()
	if got, err := c.Plan(t.Context(), p.ID); err != nil || got.Name != p.Name || !got.ChangedAt.Equal(noon) {
		t.Errorf("plan in the copy: %+v, %v", got, err)
	}
}

func TestBackupReplacesNothingButACopy(t *testing.T) {
	s, path := open(t)
	dir := t.TempDir()
	letter := filepath.Join(dir, "letter.txt")
	if err := os.WriteFile(letter, []byte("Dear aunt, the wings"), 0o600); err != nil {
		t.Fatal(err)
	}
	other := filepath.Join(dir, "same.db")
	if err := os.Link(path, other); err != nil {
		t.Fatal(err)
	}
	for _, to := range []string{path, path + "-wal", path + "-shm", other, letter} {
		was, err := os.ReadFile(to)
		if err != nil {
			t.Fatal(err)
		}
		if err := s.Backup(t.Context(), to); err == nil {
			t.Errorf("a copy went over %s", to)
		}
		if is, err := os.ReadFile(to); err != nil || len(is) != len(was) {
			t.Errorf("%s has %d bytes of %d: %v", to, len(is), len(was), err)
		}
	}
	// A copy that fails leaves the earlier one, and nothing beside it.
	kept := filepath.Join(dir, "kept.db")
	if err := s.Backup(t.Context(), kept); err != nil {
		t.Fatal(err)
	}
	given, stop := context.WithCancel(t.Context())
	stop()
	if err := s.Backup(given, kept); err == nil {
		t.Error("a copy was made for nobody")
	}
	if err := s.Backup(t.Context(), kept); err != nil {
		t.Error(err)
	}
	whole, err := Open(t.Context(), kept, func() time.Time { return noon })
	if err != nil {
		t.Fatal(err)
	}
	defer whole.Close()
	if parts, _ := filepath.Glob(filepath.Join(dir, "*.part-*")); len(parts) > 0 {
		t.Errorf("left behind: %v", parts)
	}
}

func TestOneProcessServesAFile(t *testing.T) {
	dir := t.TempDir()
	path := filepath.Join(dir, "kitchen.db")
	claimed, err := Claim(path)
	if err != nil {
		t.Fatal(err)
	}
	s, err := Open(t.Context(), path, time.Now)
	if err != nil {
		t.Fatal(err)
	}
	// By its own name, through a link to it, to its folder, and by another name
	// of the same file.
	link, hard, folder := filepath.Join(dir, "link.db"), filepath.Join(t.TempDir(), "hard.db"), filepath.Join(t.TempDir(), "folder")
	if err := errors.Join(os.Symlink(path, link), os.Link(path, hard), os.Symlink(dir, folder)); err != nil {
		t.Fatal(err)
	}
	for _, name := range []string{path, link, hard, filepath.Join(folder, "kitchen.db")} {
		if _, err := Claim(name); !errors.Is(err, ErrClaimed) {
			t.Errorf("claimed twice, as %s: %v", name, err)
		}
	}
	// The claim costs the open database none of its locks.
	if _, err := s.AddFryer(t.Context(), OwnFryer{Name: "drawer"}); err != nil {
		t.Error(err)
	}
	if err := s.Close(); err != nil {
		t.Error(err)
	}
	claimed.Release()
	again, err := Claim(link)
	if err != nil {
		t.Fatalf("let go, it is still claimed: %v", err)
	}
	if real, _ := filepath.EvalSymlinks(path); again.Path != real {
		t.Errorf("through a link %s is served, not %s", again.Path, real)
	}
	again.Release()
	for _, no := range []string{"", ":memory:"} {
		if _, err := Claim(no); err == nil {
			t.Errorf("%q was taken for a file", no)
		}
	}
}

// What was acknowledged is on the disk: SQLite waits for it on every
// connection.
func TestWritesAreSynced(t *testing.T) {
	s, _ := open(t)
	for range 4 { // all connections at once
		c, err := s.db.Connx(t.Context())
		if err != nil {
			t.Fatal(err)
		}
		defer c.Close()
		var how int
		var journal string
		if err := errors.Join(c.GetContext(t.Context(), &how, `PRAGMA synchronous`), c.GetContext(t.Context(), &journal, `PRAGMA journal_mode`)); err != nil || how != 2 || journal != "wal" {
			t.Errorf("synchronous is %d, journal %s: %v", how, journal, err)
		}
	}
}

// A copy can be read by its owner alone, and lets nobody into the network.
func TestCopiesArePrivate(t *testing.T) {
	s, _ := open(t)
	if _, err := s.Passphrase(t.Context(), "never-told-this"); err != nil {
		t.Fatal(err)
	}
	path := filepath.Join(t.TempDir(), "copy.db")
	if err := s.Backup(t.Context(), path); err != nil {
		t.Fatal(err)
	}
	if i, err := os.Stat(path); err != nil || i.Mode().Perm() != 0o600 {
		t.Errorf("the copy is open to others: %v, %v", i.Mode(), err)
	}
	if b, err := os.ReadFile(path); err != nil || strings.Contains(string(b), "never-told-this") {
		t.Errorf("the copy has the passphrase in it (%v)", err)
	}
	c, err := Open(t.Context(), path, time.Now)
	if err != nil {
		t.Fatal(err)
	}
	defer c.Close()
	if got, err := c.Passphrase(t.Context(), "another"); got != "another" || err != nil {
		t.Errorf("put back it lets in by %q: %v", got, err)
	}
	if kept, err := s.Passphrase(t.Context(), "another"); kept != "never-told-this" || err != nil {
		t.Errorf("the database itself has %q: %v", kept, err)
	}
}

// A database that is taken away under the program is told of, and nothing is
// called kept.
func TestADatabaseThatIsGoneIsTold(t *testing.T) {
	s, path := open(t)
	if err := os.Rename(path, path+".elsewhere"); err != nil {
		t.Fatal(err)
	}
	_, added := s.AddFryer(t.Context(), OwnFryer{Name: "drawer"})
	for _, err := range []error{added, s.Healthy(t.Context()), s.Unpair(t.Context(), "x")} {
		if !errors.Is(err, ErrGone) || !strings.Contains(Trouble(err), "moved or deleted") {
			t.Errorf("gone, it is told as %v", err)
		}
	}
	if err := os.Rename(path+".elsewhere", path); err != nil {
		t.Fatal(err)
	}
	if err := s.Healthy(t.Context()); err != nil {
		t.Errorf("put back: %v", err)
	}
}

// BenchmarkTell is one tap that is acknowledged.
func BenchmarkTell(b *testing.B) {
	for _, how := range []string{"FULL", "NORMAL"} {
		b.Run(how, func(b *testing.B) {
			s, err := Open(b.Context(), filepath.Join(b.TempDir(), "kitchen.db"), time.Now)
			if err != nil {
				b.Fatal(err)
			}
			defer s.Close()
			s.db.SetMaxOpenConns(1)
			s.db.MustExec(`PRAGMA synchronous = ` + how)
			for b.Loop() {
				if _, err := s.AddFryer(b.Context(), OwnFryer{Name: "drawer"}); err != nil {
					b.Fatal(err)
				}
			}
		})
	}
}

func TestFilesArePrivateAndOfThisVersion(t *testing.T) {
	s, path := open(t)
	for _, suffix := range []string{"", "-wal", "-shm"} {
		if i, err := os.Stat(path + suffix); err == nil && i.Mode().Perm() != 0o600 {
			t.Errorf("%s is open to others: %v", path+suffix, i.Mode())
		}
	}
	if _, err := s.db.ExecContext(t.Context(), `INSERT INTO goose_db_version (version_id, is_applied) VALUES (9000, 1)`); err != nil {
		t.Fatal(err)
	}
	if err := s.Close(); err != nil {
		t.Fatal(err)
	}
	if _, err := Open(t.Context(), path, time.Now); err == nil || !strings.Contains(err.Error(), "newer Velocrustum") || !strings.Contains(err.Error(), path) {
		t.Errorf("of a newer version: %v", err)
	}
	// It can still be copied as it is.
	if err := Copy(t.Context(), path, path+".copy"); err != nil {
		t.Errorf("copying it: %v", err)
	}
	if err := os.WriteFile(path, []byte("SQLite format 3\x00 and then nothing of the kind, over and over again, for longer than a header is"), 0o600); err != nil {
		t.Fatal(err)
	}
	for _, suffix := range []string{"-wal", "-shm"} {
		_ = os.Remove(path + suffix) // may not be there
	}
	if _, err := Open(t.Context(), path, time.Now); !errors.Is(err, ErrSpoilt) || !strings.Contains(err.Error(), path) {
		t.Errorf("damaged: %v", err)
	}
}

func TestADiskThatIsFullIsToldPlainly(t *testing.T) {
	s, _ := open(t)
	if err := s.Healthy(t.Context()); err != nil {
		t.Fatal(err)
	}
	s.db.SetMaxOpenConns(1)
	var pages int
	if err := s.db.GetContext(t.Context(), &pages, `PRAGMA page_count`); err != nil {
		t.Fatal(err)
	}
	if _, err := s.db.ExecContext(t.Context(), fmt.Sprintf(`PRAGMA max_page_count = %d`, pages)); err != nil {
		t.Fatal(err)
	}
	var err error
	for range 200 {
		if _, err = s.AddFryer(t.Context(), OwnFryer{Name: strings.Repeat("drawer ", 50)}); err != nil {
			break
		}
	}
	if says := Trouble(err); !strings.Contains(says, "full") {
		t.Errorf("%v is told as %q", err, says)
	}
	if says := Trouble(fmt.Errorf("keeping a picture: %w", &fs.PathError{Op: "write", Path: "x.jpg", Err: syscall.ENOSPC})); !strings.Contains(says, "full") {
		t.Errorf("a file that finds no room is told as %q", says)
	}
	if Trouble(ErrChanged) != "" {
		t.Error("a lost race is no trouble of the disk")
	}
}

// A backup only adds: it may hold the last copies of what the household's own
// folder has lost.
func TestABackupOnlyAdds(t *testing.T) {
	s, _ := open(t)
	path := filepath.Join(t.TempDir(), "copy.db")
	if err := s.putPicture("one", []byte("full"), []byte("small")); err != nil {
		t.Fatal(err)
	}
	if err := s.Backup(t.Context(), path); err != nil {
		t.Fatal(err)
	}
	foreign := filepath.Join(picturesOf(path), "letter.txt")
	if err := os.WriteFile(foreign, []byte("Dear aunt"), 0o600); err != nil {
		t.Fatal(err)
	}
	there := func(when string) {
		t.Helper()
		for _, name := range []string{foreign, filepath.Join(picturesOf(path), "one.jpg"), filepath.Join(picturesOf(path), "one.small.jpg")} {
			if _, err := os.Stat(name); err != nil {
				t.Errorf("%s: %v", when, err)
			}
		}
	}
	if err := s.putPicture("two", []byte("full"), []byte("small")); err != nil {
		t.Fatal(err)
	}
	s.dropPicture("one")
	if err := s.Backup(t.Context(), path); err != nil {
		t.Fatal(err)
	}
	there("one was swept away")
	if _, err := os.Stat(filepath.Join(picturesOf(path), "two.jpg")); err != nil {
		t.Error(err)
	}
	if err := os.RemoveAll(s.pictures); err != nil {
		t.Fatal(err)
	}
	if err := s.Backup(t.Context(), path); err != nil {
		t.Fatal(err)
	}
	there("the folder lies elsewhere")
}
