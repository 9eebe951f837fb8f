package store

import (
	"context"
	"crypto/sha256"
	"encoding/hex"
	"time"

	"github.com/jmoiron/sqlx"
)

// Device is a phone that was let in.
type Device struct {
	ID       string `db:"id" json:"id"`
	Name     string `db:"name" json:"name"`
	PairedAt Time   `db:"paired_at" json:"pairedAt"`
	SeenAt   Time   `db:"seen_at" json:"seenAt"` // to the hour
	// Guest is whether it follows the cook, and nothing else.
	Guest bool `db:"guest" json:"guest,omitempty"`
}

func hashed(token string) string {
	sum := sha256.Sum256([]byte(token))
	return hex.EncodeToString(sum[:])
}

// Pair lets a device in by a token, which is not kept itself.
func (s *Store) Pair(ctx context.Context, name, token string, guest bool) (Device, error) {
	d := Device{ID: NewID(), Name: name, PairedAt: Time{s.now()}, SeenAt: Time{s.now()}, Guest: guest}
	_, err := s.exec(ctx, `INSERT INTO devices (id, name, token_hash, paired_at, seen_at, guest) VALUES (?, ?, ?, ?, ?, ?)`,
		d.ID, d.Name, hashed(token), d.PairedAt, d.SeenAt, d.Guest)
	return d, err
}

// Paired returns the device of a token, or ErrNotFound.
func (s *Store) Paired(ctx context.Context, token string) (d Device, err error) {
	err = found(s.db.GetContext(ctx, &d, `SELECT id, name, paired_at, seen_at, guest FROM devices WHERE token_hash = ?`, hashed(token)))
	if now := s.now(); err == nil && now.Sub(d.SeenAt.Time) > time.Hour {
		d.SeenAt = Time{now}
		_, err = s.exec(ctx, `UPDATE devices SET seen_at = ? WHERE id = ?`, d.SeenAt, d.ID)
	}
	return d, err
}

// Devices returns all that were let in, the latest first.
func (s *Store) Devices(ctx context.Context) ([]Device, error) {
	out := []Device{}
	err := s.db.SelectContext(ctx, &out, `SELECT id, name, paired_at, seen_at, guest FROM devices ORDER BY id DESC`)
	return out, err
}

// Unpair lets a device in no more.
func (s *Store) Unpair(ctx context.Context, id string) error {
	return touched(s.exec(ctx, `DELETE FROM devices WHERE id = ?`, id))
}

// Passphrase returns that of the home network; the first time it is the one
// that is offered.
func (s *Store) Passphrase(ctx context.Context, offered string) (kept string, err error) {
	err = s.write(ctx, func(tx *sqlx.Tx) error {
		if _, err := tx.ExecContext(ctx, `UPDATE settings SET lan_passphrase = ? WHERE lan_passphrase = ''`, offered); err != nil {
			return err
		}
		return tx.GetContext(ctx, &kept, `SELECT lan_passphrase FROM settings`)
	})
	return kept, err
}
