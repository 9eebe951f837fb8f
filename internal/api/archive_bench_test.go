package api_test

import (
	"archive/zip"
	"bytes"
	"io"
	"testing"

	"velocrustum/internal/archive"
)

// What it takes to let a household leave, to look at it, and to put it into an
// empty one, beside unpacking the same file.
func BenchmarkArchive(b *testing.B) {
	k := lived(b)
	raw := takenAway(k)
	b.Run("out", func(b *testing.B) {
		for b.Loop() {
			if err := k.Handler.Archives().WriteStill(b.Context(), io.Discard, nil); err != nil {
				b.Fatal(err)
			}
		}
	})
	b.Run("look", func(b *testing.B) {
		for b.Loop() {
			if _, err := k.Handler.Archives().Read(b.Context(), bytes.NewReader(raw), int64(len(raw)), nil, nil); err != nil {
				b.Fatal(err)
			}
		}
	})
	b.Run("into an empty one", func(b *testing.B) {
		for b.Loop() {
			b.StopTimer()
			empty := emptyKitchen(b)
			b.StartTimer()
			if _, err := empty.Handler.Archives().Read(b.Context(), bytes.NewReader(raw), int64(len(raw)), archive.Choices{Others: "keep"}.Of, nil); err != nil {
				b.Fatal(err)
			}
		}
	})
	b.Run("unpacking", func(b *testing.B) {
		for b.Loop() {
			z, err := zip.NewReader(bytes.NewReader(raw), int64(len(raw)))
			if err != nil {
				b.Fatal(err)
			}
			for _, f := range z.File {
				r, err := f.Open()
				if err != nil {
					b.Fatal(err)
				}
				if _, err := io.Copy(io.Discard, r); err != nil {
					b.Fatal(err)
				}
			}
		}
	})
}
