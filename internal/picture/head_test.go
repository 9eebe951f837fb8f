package picture

import (
	"bytes"
	"encoding/binary"
	"fmt"
	"image"
	"image/color"
	"image/jpeg"
	"image/png"
	"maps"
	"slices"
	"strings"
	"testing"

	"velocrustum/core/refuse/goldentest"
)

// segment is one of a JPEG, with its length.
func segment(marker byte, body ...byte) []byte {
	return append([]byte{0xFF, marker, byte((len(body) + 2) >> 8), byte(len(body) + 2)}, body...)
}

// frame is the head of a frame of so many samples.
func frame(marker byte, samples ...byte) []byte {
	body := []byte{8, 0, 16, 0, 16, byte(len(samples))}
	for k, s := range samples {
		body = append(body, byte(k+1), s, 0)
	}
	return segment(marker, body...)
}

// What the heads of files say that are as encoders write them, and as somebody might who
// wants a gigabyte for a kilobyte, is as it was read.
func TestHeadsAreAsTheyWereRead(t *testing.T) {
	t.Parallel()
	var f goldentest.File
	file := func(parts ...[]byte) []byte {
		return append(append([]byte{0xFF, 0xD8}, bytes.Join(parts, nil)...), 0xFF, 0xD9)
	}
	tables, scan := segment(0xDB, make([]byte, 65)...), append(segment(0xDA, 1, 1, 0, 0, 63, 0), 1, 2, 0xFF, 0x00, 3, 0xFF, 0xD0, 4)
	colour := frame(0xC0, 0x22, 0x11, 0x11)
	heads := map[string][]byte{
		"bare":             file(tables, colour, segment(0xC4, 0), scan),
		"grey":             file(tables, frame(0xC0, 0x11), scan),
		"full":             file(tables, frame(0xC1, 0x11, 0x11, 0x11), scan),
		"four":             file(tables, frame(0xC0, 0x22, 0x11, 0x11, 0x22), scan),
		"progressive":      file(tables, frame(0xC2, 0x22, 0x11, 0x11), scan, scan, scan),
		"two scans":        file(tables, colour, scan, scan),
		"no scan":          file(tables, colour),
		"maker":            file(segment(0xE1, 'E', 'x', 'i', 'f'), tables, colour, scan),
		"comment":          file(tables, colour, segment(0xFE, 'h', 'i'), scan),
		"comment after":    file(tables, colour, scan, segment(0xFE, 'h', 'i')),
		"tables after":     file(tables, colour, scan, tables),
		"restart before":   file([]byte{0xFF, 0xD3}, tables, colour, scan),
		"fill":             file([]byte{0xFF, 0xFF, 0xFF}, tables, colour, scan),
		"rubbish before":   file([]byte{1, 2, 3}, tables, colour, scan),
		"end in between":   file(tables, colour, scan, []byte{0xFF, 0xD9}, tables),
		"after the end":    append(file(tables, colour, scan), 7, 7),
		"length none":      file(tables, colour, []byte{0xFF, 0xDD, 0, 0}, scan),
		"length one":       file(tables, colour, []byte{0xFF, 0xDD, 0, 1}, scan),
		"length two":       file(tables, colour, []byte{0xFF, 0xDD, 0, 2}, scan),
		"length past":      file(tables, colour, []byte{0xFF, 0xDD, 0xFF, 0xFF}, scan),
		"frame cut":        file(tables, segment(0xC0, 8, 0, 16, 0), scan),
		"frame of nothing": file(tables, segment(0xC0, 8, 0, 16, 0, 16, 0), scan),
		"frame of less":    file(tables, segment(0xC0, 8, 0, 16, 0, 16, 3, 1, 0x22), scan),
		"flat frame":       file(tables, frame(0xC0, 0x00, 0x00), scan),
		"nothing":          {0xFF, 0xD8},
		"next to nothing":  {0xFF, 0xD8, 0xFF},
	}
	for _, name := range slices.Sorted(maps.Keys(heads)) {
		raw := heads[name]
		j := readJPEG(raw)
		f.Addf("jpeg "+name, "%+v %g", j, decodedBytes(raw, image.Config{Width: 100, Height: 10}, "jpeg"))
	}
	for depth := range 3 {
		for _, kind := range []byte{0, 2, 3, 4, 6} {
			for _, interlaced := range []byte{0, 1} {
				raw := make([]byte, 33)
				raw[24], raw[25], raw[28] = byte(4<<depth), kind, interlaced
				f.Addf(fmt.Sprintf("png %d %d %d", raw[24], kind, interlaced), "%g", decodedBytes(raw, image.Config{Width: 100, Height: 10}, "png"))
			}
		}
	}
	for cut := 27; cut < 31; cut++ {
		f.Addf(fmt.Sprint("png of ", cut), "%g", pngBytes(make([]byte, cut)))
	}
	for name, model := range []color.Model{color.YCbCrModel, color.NRGBAModel, color.NYCbCrAModel} {
		f.Addf(fmt.Sprint("webp ", name), "%g", decodedBytes(nil, image.Config{Width: 100, Height: 10, ColorModel: model}, "webp"))
	}
	// As the encoders of the standard library write them.
	for _, m := range []image.Image{image.NewGray(image.Rect(0, 0, 20, 9)), image.NewRGBA(image.Rect(0, 0, 20, 9)), image.NewNRGBA64(image.Rect(0, 0, 20, 9))} {
		var j, p bytes.Buffer
		if jpeg.Encode(&j, m, nil) != nil || png.Encode(&p, m) != nil {
			t.Fatal("it is not written")
		}
		config, kind, err := image.DecodeConfig(bytes.NewReader(p.Bytes()))
		name := strings.TrimPrefix(fmt.Sprintf("%T", m), "*image.")
		f.Addf(name, "%+v %g %s %v", readJPEG(j.Bytes()), decodedBytes(p.Bytes(), config, kind), kind, err)
	}
	if n := binary.BigEndian.Uint16(tables[2:]); n != 67 {
		t.Fatalf("a segment is %d long", n)
	}
	f.Same(t, "heads.txt")
}
