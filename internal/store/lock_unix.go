//go:build unix

package store

import (
	"os"
	"syscall"
)

// locks says whether a lock tells who holds a file.
const locks = true

func lock(f *os.File) error { return syscall.Flock(int(f.Fd()), syscall.LOCK_EX|syscall.LOCK_NB) }
