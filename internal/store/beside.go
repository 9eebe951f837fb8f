package store

import (
	"context"
	"database/sql"
	"errors"
	"fmt"

	"github.com/jmoiron/sqlx"
)

// A Pair is another household's file beside this one's, as one connection sees
// them: the schemas main and brought. Mine and Theirs are where their pictures
// lie.
type Pair struct {
	DB interface {
		sqlx.QueryerContext
		sqlx.ExecerContext
	}
	Mine, Theirs string
}

// Compare lets another household be read beside this one.
func (s *Store) Compare(ctx context.Context, other *Store, do func(Pair) error) error {
	return s.attached(ctx, other, func(conn *sqlx.Conn) error { return do(Pair{conn, s.pictures, other.pictures}) })
}

// Change lets this household be changed by another one, as a whole or not at
// all. The error is ErrLive where something is being cooked.
func (s *Store) Change(ctx context.Context, other *Store, do func(Pair) error) error {
	return s.attached(ctx, other, func(conn *sqlx.Conn) error {
		tx, err := conn.BeginTxx(ctx, nil)
		if err != nil {
			return fmt.Errorf("beginning a change: %w", err)
		}
		if err = s.alone(ctx, tx, "", ""); err == nil {
			if err = do(Pair{tx, s.pictures, other.pictures}); err == nil {
				err = tx.Commit()
			}
		}
		if err != nil {
			if failed := tx.Rollback(); !errors.Is(failed, sql.ErrTxDone) {
				err = errors.Join(err, failed)
			}
		}
		return err
	})
}

// attached opens another household's file beside this one's, as brought.
func (s *Store) attached(ctx context.Context, other *Store, do func(*sqlx.Conn) error) error {
	conn, err := s.db.Connx(ctx)
	if err != nil {
		return err
	}
	defer conn.Close()
	var theirs string
	if err := other.db.GetContext(ctx, &theirs, `SELECT file FROM pragma_database_list WHERE name = 'main'`); err != nil {
		return err
	}
	if _, err := conn.ExecContext(ctx, `ATTACH DATABASE ? AS brought`, theirs); err != nil {
		return fmt.Errorf("opening what comes: %w", err)
	}
	err = do(conn)
	_, failed := conn.ExecContext(context.WithoutCancel(ctx), `DETACH DATABASE brought`)
	return errors.Join(err, failed)
}
