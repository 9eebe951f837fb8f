package store

import (
	"bytes"
	"context"
	"encoding/json"
	"errors"

	"github.com/jmoiron/sqlx"
)

// versioned is where a thing is kept that two devices may change.
type versioned struct {
	table, column string
	// alive is what holds for a row that has not been put aside.
	alive string
}

var (
	plansVersion    = versioned{"plans", "version", "deleted_at IS NULL"}
	fryersVersion   = versioned{"fryers", "version", "deleted_at IS NULL"}
	outcomesVersion = versioned{"cooks", "outcome_version", "deleted_at IS NULL"}
	pantryVersion   = versioned{"pantry", "version", "TRUE"}
)

// of returns a row's version, or ErrChanged if it is not the one wanted.
// Version 0 is wanted of what is not there yet.
func (v versioned) of(ctx context.Context, tx *sqlx.Tx, id string, want *int) (have int, err error) {
	err = found(tx.GetContext(ctx, &have, `SELECT `+v.column+` FROM `+v.table+` WHERE id = ? AND `+v.alive, id))
	if errors.Is(err, ErrNotFound) && want != nil && *want == 0 {
		var aside int
		if err := tx.GetContext(ctx, &aside, `SELECT COUNT(*) FROM `+v.table+` WHERE id = ?`, id); err != nil || aside == 0 {
			return 0, err
		}
		return 0, ErrNotFound // it was put aside meanwhile
	}
	if err == nil && want != nil && *want != have {
		err = ErrChanged
	}
	return have, err
}

// same says whether two things are kept alike. What is sent again, because
// its answer was lost, has been kept already and is no other's change.
func same(a, b any) bool {
	x, errX := json.Marshal(a)
	y, errY := json.Marshal(b)
	return errX == nil && errY == nil && bytes.Equal(x, y)
}
