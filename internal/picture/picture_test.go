package picture_test

import (
	"bytes"
	"encoding/binary"
	"errors"
	"hash/crc32"
	"image"
	"image/color"
	"image/jpeg"
	"image/png"
	"runtime"
	"slices"
	"strings"
	"testing"

	"velocrustum/core/refuse"
	"velocrustum/internal/picture"
)

// quarters has a colour of its own in each corner: red, green, blue, white.
func quarters(w, h int) *image.RGBA {
	m := image.NewRGBA(image.Rect(0, 0, w, h))
	for y := range h {
		for x := range w {
			m.Set(x, y, [2][2]color.Color{{color.RGBA{220, 20, 20, 255}, color.RGBA{20, 200, 20, 255}}, {color.RGBA{20, 20, 220, 255}, color.White}}[2*y/h][2*x/w])
		}
	}
	return m
}

func asJPEG(t testing.TB, m image.Image) []byte {
	t.Helper()
	var b bytes.Buffer
	if err := jpeg.Encode(&b, m, nil); err != nil {
		t.Fatal(err)
	}
	return b.Bytes()
}

func asPNG(t testing.TB, m image.Image) []byte {
	t.Helper()
	var b bytes.Buffer
	if err := png.Encode(&b, m); err != nil {
		t.Fatal(err)
	}
	return b.Bytes()
}

// camera puts into a JPEG what a phone would: how it was held, its maker, and
// where that was.
func camera(jpg []byte, orientation uint16) []byte {
	const maker = "Held by hand\x00"
	var tiff bytes.Buffer
	le := binary.LittleEndian
	put := func(v any) { _ = binary.Write(&tiff, le, v) }
	tiff.WriteString("II")
	put(uint16(42))
	put(uint32(8))
	put(uint16(3))
	entry := func(tag, kind uint16, n, value uint32) { put(tag); put(kind); put(n); put(value) }
	entry(0x010F, 2, uint32(len(maker)), 62) // Make, after the two directories' heads
	entry(0x0112, 3, 1, uint32(orientation))
	entry(0x8825, 4, 1, 62+uint32(len(maker)))
	put(uint32(0))
	for tiff.Len() < 62 {
		tiff.WriteByte(0)
	}
	tiff.WriteString(maker)
	put(uint16(1))
	entry(0x0001, 2, 2, uint32('N')) // north
	put(uint32(0))
	seg := append([]byte("Exif\x00\x00"), tiff.Bytes()...)
	head := []byte{0xFF, 0xE1, byte((len(seg) + 2) >> 8), byte(len(seg) + 2)}
	comment := append([]byte{0xFF, 0xFE, 0, 9}, "at home"...)
	return bytes.Join([][]byte{jpg[:2], head, seg, comment, jpg[2:]}, nil)
}

// corners are the colours of a picture, from the first one on to the right and
// down: r, g, b, w.
func corners(t *testing.T, raw []byte) string {
	t.Helper()
	m, err := jpeg.Decode(bytes.NewReader(raw))
	if err != nil {
		t.Fatal(err)
	}
	w, h := m.Bounds().Dx(), m.Bounds().Dy()
	var out strings.Builder
	for _, p := range []image.Point{{w / 4, h / 4}, {3 * w / 4, h / 4}, {w / 4, 3 * h / 4}, {3 * w / 4, 3 * h / 4}} {
		r, g, b, _ := m.At(p.X, p.Y).RGBA()
		switch {
		case min(r, g, b) > 0xC000:
			out.WriteByte('w')
		case r > max(g, b):
			out.WriteByte('r')
		case g > max(r, b):
			out.WriteByte('g')
		default:
			out.WriteByte('b')
		}
	}
	return out.String()
}

// Every way of holding a camera comes out upright, and what it wrote beside the
// picture is gone.
func TestPicturesAreUprightAndBare(t *testing.T) {
	for o, want := range map[uint16]string{1: "rgbw", 2: "grwb", 3: "wbgr", 4: "bwrg", 5: "rbgw", 6: "brwg", 7: "wgbr", 8: "gwrb", 9: "rgbw"} {
		sent := camera(asJPEG(t, quarters(400, 200)), o)
		k, err := picture.Keep(sent)
		if err != nil {
			t.Fatal(o, err)
		}
		if got := corners(t, k.Full); got != want {
			t.Errorf("held as %d: %s, want %s", o, got, want)
		}
		if corners(t, k.Small) != want {
			t.Errorf("held as %d: the small one lies otherwise", o)
		}
		if tall := o >= 5 && o <= 8; tall != (k.Height > k.Width) || max(k.Width, k.Height) != 400 {
			t.Errorf("held as %d: %d by %d", o, k.Width, k.Height)
		}
		for _, word := range []string{"Exif", "Held", "home"} {
			if !bytes.Contains(sent, []byte(word)) || bytes.Contains(k.Full, []byte(word)) || bytes.Contains(k.Small, []byte(word)) {
				t.Errorf("held as %d: %q was not there, or still is", o, word)
			}
		}
		again, err := picture.Keep(k.Full)
		if err != nil || !bytes.Equal(again.Full, k.Full) {
			t.Errorf("held as %d: what was kept is kept otherwise: %v", o, err)
		}
	}
}

// A PNG says in a chunk of its own how the camera was held.
func TestAPNGIsTurned(t *testing.T) {
	jpg := camera(asJPEG(t, quarters(8, 8)), 6)
	at := bytes.Index(jpg, []byte("Exif\x00\x00")) + 6
	tiff := jpg[at : at+62+len("Held by hand\x00")+18]
	chunk := append([]byte("eXIf"), tiff...)
	var b bytes.Buffer
	png := asPNG(t, quarters(400, 200))
	const head = 8 + 25 // signature and IHDR
	b.Write(png[:head])
	_ = binary.Write(&b, binary.BigEndian, uint32(len(tiff)))
	b.Write(chunk)
	_ = binary.Write(&b, binary.BigEndian, crc32.ChecksumIEEE(chunk))
	b.Write(png[head:])
	k, err := picture.Keep(b.Bytes())
	if err != nil || corners(t, k.Full) != "brwg" || bytes.Contains(k.Full, []byte("Held")) {
		t.Errorf("%d by %d, %s, %v", k.Width, k.Height, corners(t, k.Full), err)
	}
}

func TestLargePicturesShrink(t *testing.T) {
	k, err := picture.Keep(asPNG(t, quarters(4000, 1000)))
	if err != nil || k.Width != 1600 || k.Height != 400 || corners(t, k.Full) != "rgbw" {
		t.Fatalf("%d by %d, %v", k.Width, k.Height, err)
	}
	small, err := jpeg.DecodeConfig(bytes.NewReader(k.Small))
	if err != nil || small.Width != 320 || small.Height != 80 {
		t.Errorf("%+v, %v", small, err)
	}
	if tiny, err := picture.Keep(asPNG(t, image.NewNRGBA(image.Rect(0, 0, 3000, 1)))); err != nil || tiny.Height != 1 || corners(t, tiny.Full) != "wwww" {
		t.Errorf("see-through and one pixel high: %d, %v", tiny.Height, err)
	}
}

func TestWhatIsNoPicture(t *testing.T) {
	jpg := asJPEG(t, quarters(64, 64))
	bomb := asPNG(t, image.NewGray(image.Rect(0, 0, 8000, 8000)))
	for name, raw := range map[string][]byte{
		"nothing":             {},
		"a page":              []byte("<!doctype html><script>alert(1)</script>"),
		"a drawing":           []byte(`<svg xmlns="http://www.w3.org/2000/svg"/>`),
		"an animation":        []byte("GIF89a\x01\x00\x01\x00\x00\x00\x00;"),
		"a program called so": []byte("\x7fELF picture.jpg"),
		"a JPEG cut short":    jpg[:len(jpg)/2],
		"a JPEG's head":       jpg[:40],
		"too many pixels":     bomb,
		"too large a file":    append(bytes.Clone(jpg), make([]byte, picture.MostBytes)...),
		"HEIF":                []byte("\x00\x00\x00\x18ftypheic\x00\x00\x00\x00mif1heic"),
	} {
		_, err := picture.Keep(raw)
		var f refuse.Fields
		if !errors.As(err, &f) || f[0].Field != "picture" || f[0].Allowed == "" {
			t.Errorf("%s: %v", name, err)
		}
	}
	// What stands after its end does not come along.
	k, err := picture.Keep(append(bytes.Clone(jpg), "my street"...))
	if err != nil || bytes.Contains(k.Full, []byte("street")) {
		t.Errorf("words after the end: %v", err)
	}
}

// progressive is a JPEG in so many scans of w by h pixels, grey all over: a bit for
// each block.
func progressive(w, h, scans int) []byte {
	out := []byte{0xFF, 0xD8, 0xFF, 0xDB, 0, 67, 0}
	out = append(out, bytes.Repeat([]byte{1}, 64)...)
	out = append(out, 0xFF, 0xC2, 0, 17, 8, byte(h>>8), byte(h), byte(w>>8), byte(w), 3, 1, 0x11, 0, 2, 0x11, 0, 3, 0x11, 0)
	out = append(out, 0xFF, 0xC4, 0, 20, 0, 1)
	out = append(out, make([]byte, 16)...) // one code of one bit: no difference
	blocks := 3 * ((w + 7) / 8) * ((h + 7) / 8)
	for k := range scans {
		approx := byte(0)
		if scans > 1 {
			approx = 1
		}
		if k > 0 {
			approx = 0x10 // each block's last bit
		}
		out = append(out, 0xFF, 0xDA, 0, 12, 3, 1, 0, 2, 0, 3, 0, 0, 0, approx)
		out = append(out, make([]byte, blocks/8+2)...)
	}
	return append(out, 0xFF, 0xD9)
}

// Whatever its head says, a picture takes no more than 100 MB, or is refused before
// it is decoded.
func TestNoPictureIsABomb(t *testing.T) {
	if testing.Short() {
		return // it computes: nothing meets in it that does not in others
	}
	deep := image.NewNRGBA64(image.Rect(0, 0, 2600, 2600))
	files := map[string]struct {
		raw  []byte
		kept bool
	}{
		"progressive":               {progressive(2000, 1900, 1), true},
		"progressive, large":        {progressive(6000, 6000, 1), false},
		"progressive, many scans":   {progressive(800, 800, 200), false},
		"a bit a pixel, tall":       {asPNG(t, image.NewPaletted(image.Rect(0, 0, 3000, 16000), color.Palette{color.White, color.Black})), true},
		"a bit a pixel, large":      {asPNG(t, image.NewPaletted(image.Rect(0, 0, 7000, 7100), color.Palette{color.White, color.Black})), true},
		"sixteen bits a channel":    {asPNG(t, deep), true},
		"sixteen bits, larger":      {asPNG(t, image.NewNRGBA64(image.Rect(0, 0, 3000, 3000))), false},
		"a photograph of 24 MP":     {asJPEG(t, image.NewYCbCr(image.Rect(0, 0, 6000, 4000), image.YCbCrSubsampleRatio420)), true},
		"a photograph of 40 MP":     {asJPEG(t, image.NewYCbCr(image.Rect(0, 0, 7300, 5480), image.YCbCrSubsampleRatio420)), true},
		"twice its size, beyond 50": {asJPEG(t, image.NewGray(image.Rect(0, 0, 9000, 6000))), false},
	}
	for name, c := range files {
		var before, after runtime.MemStats
		runtime.ReadMemStats(&before)
		_, err := picture.Keep(c.raw)
		runtime.ReadMemStats(&after)
		took := float64(after.TotalAlloc-before.TotalAlloc) / (1 << 20)
		t.Logf("%-26s %6.1f MB, file %.2f MB: %v", name, took, float64(len(c.raw))/(1<<20), err)
		if (err == nil) != c.kept || took > 100 || err != nil && took > 2 {
			t.Errorf("%s takes %.0f MB: %v", name, took, err)
		}
	}
}

// What is hidden between the parts of a picture does not come along, wherever it is.
func TestNothingHidesInAPicture(t *testing.T) {
	jpg := asJPEG(t, quarters(64, 64))
	note := []byte{0xFF, 0xFE, 0, 11, 'm', 'y', ' ', 's', 't', 'r', 'e', 'e', 't'}
	scan := bytes.Index(jpg, []byte{0xFF, 0xDA})
	for name, raw := range map[string][]byte{
		"before the scan": slices.Concat(jpg[:scan], note, jpg[scan:]),
		"after the scan":  slices.Concat(jpg[:len(jpg)-2], note, jpg[len(jpg)-2:]),
		"after the end":   slices.Concat(jpg, note),
		"two pictures":    slices.Concat(jpg, note, jpg),
	} {
		k, err := picture.Keep(raw)
		if err != nil || bytes.Contains(k.Full, []byte("street")) {
			t.Errorf("%s: %v, kept with it", name, err)
		}
	}
}

func FuzzKeep(f *testing.F) {
	f.Add(camera(asJPEG(f, quarters(16, 8)), 6))
	f.Add(asPNG(f, quarters(8, 8)))
	f.Add([]byte("RIFF\x1a\x00\x00\x00WEBPVP8L\x0d\x00\x00\x00\x2f\x00\x00\x00\x00\x00\x00\x00\x00\x00\x00\x00\x00"))
	f.Fuzz(func(t *testing.T, raw []byte) {
		k, err := picture.Keep(raw)
		if err != nil {
			return
		}
		again, err := picture.Keep(k.Full)
		if err != nil || !bytes.Equal(again.Full, k.Full) {
			t.Errorf("%d by %d is kept otherwise the second time: %v", k.Width, k.Height, err)
		}
	})
}

// What one picture of a phone costs, and one that was kept before.
func BenchmarkKeep(b *testing.B) {
	sent := camera(asJPEG(b, quarters(4000, 3000)), 6)
	k, err := picture.Keep(sent)
	if err != nil {
		b.Fatal(err)
	}
	for name, raw := range map[string][]byte{"12 million pixels": sent, "kept before": k.Full} {
		b.Run(name, func(b *testing.B) {
			for b.Loop() {
				if _, err := picture.Keep(raw); err != nil {
					b.Fatal(err)
				}
			}
		})
	}
}
