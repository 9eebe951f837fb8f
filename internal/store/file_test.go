package store

import (
	"context"
	"errors"
	"fmt"
	"os"
	"path/filepath"
	"strings"
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
	path := filepath.Join(t.TempDir(), "kitchen.db")
	release, err := Claim(path)
	if err != nil {
		t.Fatal(err)
	}
	if _, err := Claim(path); !errors.Is(err, ErrClaimed) || !strings.Contains(err.Error(), path) {
		t.Errorf("claimed twice: %v", err)
	}
	release()
	again, err := Claim(path)
	if err != nil {
		t.Errorf("let go, it is still claimed: %v", err)
	} else {
		again()
	}
	for _, no := range []string{"", ":memory:"} {
		if _, err := Claim(no); err == nil {
			t.Errorf("%q was taken for a file", no)
		}
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
		if _, err = s.AddFryer(t.Context(), Fryer{Name: strings.Repeat("drawer ", 50)}); err != nil {
			break
		}
	}
	if says := Trouble(err); !strings.Contains(says, "full") {
		t.Errorf("%v is told as %q", err, says)
	}
	if Trouble(ErrChanged) != "" {
		t.Error("a lost race is no trouble of the disk")
	}
}
