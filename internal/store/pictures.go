package store

import (
	"context"
	"errors"
	"fmt"
	"io/fs"
	"os"
	"path/filepath"
	"slices"
	"strings"
	"time"

	"github.com/jmoiron/sqlx"
)

// Picture is one of what was cooked; its two sizes lie in a folder beside the
// database, and never change.
type Picture struct {
	ID      string `db:"id"`
	CookID  string `db:"cook_id"`
	Alt     string `db:"alt"` // what is seen on it, in the cook's words
	Width   int    `db:"width"`
	Height  int    `db:"height"`
	AddedAt Time   `db:"added_at"`
}

const (
	pictureColumns = `id, cook_id, alt, width, height, added_at`
	// MostPictures are kept of one cook.
	MostPictures = 12
	// regret is how long a picture that was taken out can be brought back.
	regret = 24 * time.Hour
)

// ErrFull is for one picture more than a cook can have.
var ErrFull = errors.New("no more pictures of this cook")

// picturesOf is the folder of a database's pictures.
func picturesOf(path string) string { return path + ".pictures" }

const smallPicture, fullPicture = ".small.jpg", ".jpg"

// PictureFiles are what the files of a picture end in, after its id.
var PictureFiles = []string{fullPicture, smallPicture}

// PicturesOf returns a cook's pictures, the first taken first.
func (s *Store) PicturesOf(ctx context.Context, cookID string) ([]Picture, error) {
	out := []Picture{}
	err := s.db.SelectContext(ctx, &out, `SELECT `+pictureColumns+` FROM pictures WHERE cook_id = ? AND deleted_at IS NULL ORDER BY added_at, id`, cookID)
	return s.there(out), err
}

// there are those of pictures whose files are: a database may have been moved
// without them.
func (s *Store) there(all []Picture) []Picture {
	return slices.DeleteFunc(all, func(p Picture) bool {
		_, err := os.Stat(filepath.Join(s.pictures, p.ID+fullPicture))
		return err != nil
	})
}

// FirstPictures returns the first picture of each cook that has one.
func (s *Store) FirstPictures(ctx context.Context) (map[string]Picture, error) {
	var rows []Picture
	err := s.db.SelectContext(ctx, &rows, `SELECT `+pictureColumns+` FROM pictures WHERE deleted_at IS NULL ORDER BY added_at DESC, id DESC`)
	out := map[string]Picture{}
	for _, p := range s.there(rows) {
		out[p.CookID] = p
	}
	return out, err
}

// AddPicture keeps one of a cook, under an id of its own where it has none.
func (s *Store) AddPicture(ctx context.Context, p Picture, full, small []byte) (Picture, error) {
	if p.ID == "" {
		p.ID, p.AddedAt = NewID(), Time{s.now()}
	}
	if err := s.putPicture(p.ID, full, small); err != nil {
		return p, err
	}
	err := twice(s.write(ctx, func(tx *sqlx.Tx) error {
		var there int
		if err := found(tx.GetContext(ctx, &there, `SELECT (SELECT COUNT(*) FROM pictures WHERE cook_id = cooks.id AND deleted_at IS NULL) FROM cooks WHERE id = ? AND deleted_at IS NULL`, p.CookID)); err != nil {
			return err
		}
		if there >= MostPictures {
			return ErrFull
		}
		_, err := tx.NamedExecContext(ctx, `INSERT INTO pictures (`+pictureColumns+`) VALUES (:id, :cook_id, :alt, :width, :height, :added_at)`, p)
		return err
	}))
	if err != nil && !errors.Is(err, ErrTwice) {
		s.dropPicture(p.ID)
	}
	return p, err
}

// putPicture writes the files of one, whole or not at all.
func (s *Store) putPicture(id string, full, small []byte) error {
	if strings.ContainsAny(id, `/\`) || strings.HasPrefix(id, ".") {
		return fmt.Errorf("a picture called %q", id)
	}
	if err := os.MkdirAll(s.pictures, 0o700); err != nil {
		return fmt.Errorf("making the folder of pictures: %w", err)
	}
	for suffix, b := range map[string][]byte{fullPicture: full, smallPicture: small} {
		path := filepath.Join(s.pictures, id+suffix)
		if err := WriteWhole(path, BytesOf(b)); err != nil {
			return fmt.Errorf("keeping a picture: %w", err)
		}
	}
	return nil
}

func (s *Store) dropPicture(id string) {
	for _, suffix := range PictureFiles {
		_ = os.Remove(filepath.Join(s.pictures, id+suffix)) // the next sweep finds what stays
	}
}

// PictureFile returns the bytes of one, JPEG.
func (s *Store) PictureFile(ctx context.Context, id string, small bool) ([]byte, error) {
	var there bool
	if err := s.db.GetContext(ctx, &there, `SELECT EXISTS (SELECT 1 FROM pictures WHERE id = ?)`, id); err != nil {
		return nil, err
	}
	if !there {
		return nil, ErrNotFound
	}
	suffix := fullPicture
	if small {
		suffix = smallPicture
	}
	b, err := os.ReadFile(filepath.Join(s.pictures, id+suffix))
	if errors.Is(err, fs.ErrNotExist) {
		err = ErrNotFound
	}
	return b, err
}

// SayAlt keeps what is seen on a picture.
func (s *Store) SayAlt(ctx context.Context, id, alt string) (Picture, error) {
	return s.pictureAfter(ctx, id, `UPDATE pictures SET alt = ? WHERE id = ? AND deleted_at IS NULL`, alt, id)
}

// DeletePicture takes one out of the logbook; for a day it can be brought back.
func (s *Store) DeletePicture(ctx context.Context, id string) error {
	if err := touched(s.exec(ctx, `UPDATE pictures SET deleted_at = ? WHERE id = ? AND deleted_at IS NULL`, Time{s.now()}, id)); err != nil {
		return err
	}
	return s.sweep(ctx)
}

// RestorePicture brings one back.
func (s *Store) RestorePicture(ctx context.Context, id string) (Picture, error) {
	return s.pictureAfter(ctx, id, `UPDATE pictures SET deleted_at = NULL WHERE id = ?`, id)
}

func (s *Store) pictureAfter(ctx context.Context, id, change string, args ...any) (p Picture, err error) {
	if err := touched(s.exec(ctx, change, args...)); err != nil {
		return p, err
	}
	err = s.db.GetContext(ctx, &p, `SELECT `+pictureColumns+` FROM pictures WHERE id = ?`, id)
	return p, found(err)
}

// sweep forgets the pictures that were taken out a day ago, and files that are
// of none.
func (s *Store) sweep(ctx context.Context) error {
	before := s.now().Add(-regret)
	if _, err := s.exec(ctx, `DELETE FROM pictures WHERE deleted_at < ?`, Time{before}); err != nil {
		return fmt.Errorf("forgetting pictures: %w", err)
	}
	var ids []string
	if err := s.db.SelectContext(ctx, &ids, `SELECT id FROM pictures`); err != nil {
		return err
	}
	known := map[string]bool{}
	for _, id := range ids {
		known[id+fullPicture], known[id+smallPicture] = true, true
	}
	files, err := os.ReadDir(s.pictures)
	if errors.Is(err, fs.ErrNotExist) {
		return nil
	} else if err != nil {
		return fmt.Errorf("looking through the pictures: %w", err)
	}
	for _, f := range files {
		// What is new may be one whose line is not written yet.
		if info, err := f.Info(); !known[f.Name()] && err == nil && time.Since(info.ModTime()) > time.Hour {
			_ = os.Remove(filepath.Join(s.pictures, f.Name())) // the next sweep finds it again
		}
	}
	return nil
}

// copyPictures puts into a folder what another holds and it does not. A picture
// never changes, so that one which is there is whole. Nothing is taken out: it
// may be the last copy of what the other has lost.
func copyPictures(from, to string) error {
	files, err := os.ReadDir(from)
	if errors.Is(err, fs.ErrNotExist) {
		return nil
	} else if err != nil {
		return err
	}
	if err := os.MkdirAll(to, 0o700); err != nil {
		return err
	}
	for _, f := range files {
		if strings.HasSuffix(f.Name(), ".part") {
			continue
		}
		if _, err := os.Stat(filepath.Join(to, f.Name())); err == nil {
			continue
		}
		b, err := os.ReadFile(filepath.Join(from, f.Name()))
		if errors.Is(err, fs.ErrNotExist) {
			continue // it was swept away meanwhile
		}
		if err == nil {
			err = WriteWhole(filepath.Join(to, f.Name()), BytesOf(b))
		}
		if err != nil {
			return err
		}
	}
	return nil
}
