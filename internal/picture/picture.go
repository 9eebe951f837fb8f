// Package picture turns what a phone's camera made into what a logbook keeps:
// upright, no larger than a screen, and nothing in it but what is seen.
package picture

import (
	"bytes"
	"errors"
	"fmt"
	"image"
	"image/color"
	"image/jpeg"
	_ "image/png" // decoders, by content
	"math"

	"github.com/bep/imagemeta"
	"golang.org/x/image/draw"
	_ "golang.org/x/image/webp"

	"velocrustum/core/refuse"
)

const (
	// MostBytes is the largest file that is read.
	MostBytes = 20 << 20
	// mostPixels are of the largest picture that is decoded.
	mostPixels = 50e6
	// longest sides of what is kept, pixels.
	longest, longestSmall = 1600, 320
	quality               = 85
)

// Kept is a picture as it is kept: JPEG, without any metadata.
type Kept struct {
	Full, Small   []byte
	Width, Height int // of the full one, pixels
}

// Kinds are the image types that are read.
const Kinds = "a picture as JPEG, PNG or WebP"

var metaFormat = map[string]imagemeta.ImageFormat{"jpeg": imagemeta.JPEG, "png": imagemeta.PNG, "webp": imagemeta.WebP}

// Keep reads a picture by its content, whatever it is called.
func Keep(raw []byte) (Kept, error) {
	head, kind, err := look(raw)
	if err != nil {
		return Kept{}, err
	}
	if kind == "jpeg" && readJPEG(raw).bare && max(head.Width, head.Height) <= longest {
		return whole(raw)
	}
	src, _, err := image.Decode(bytes.NewReader(raw))
	if err != nil {
		return Kept{}, refuse.One("picture", "a damaged "+kind, Kinds+" that opens")
	}
	return made(upright(fitted(src, longest), orientation(raw, kind)))
}

// look says how large a picture is and of what type, without decoding it.
func look(raw []byte) (head image.Config, kind string, err error) {
	if len(raw) > MostBytes {
		return head, "", refuse.One("picture", fmt.Sprintf("%.0f MB", math.Ceil(float64(len(raw))/(1<<20))), fmt.Sprintf("up to %d MB", MostBytes>>20))
	}
	if isHEIF(raw) {
		return head, "", refuse.One("picture", "HEIF", Kinds+"; phones make JPEG where their camera is set to the most compatible format")
	}
	head, kind, err = image.DecodeConfig(bytes.NewReader(raw))
	if errors.Is(err, image.ErrFormat) {
		return head, "", refuse.One("picture", "no picture that is known here", Kinds)
	} else if err != nil {
		return head, "", refuse.One("picture", "a damaged one", Kinds+" that opens")
	}
	n := float64(head.Width) * float64(head.Height)
	if n > mostPixels || n == 0 {
		return head, kind, refuse.One("picture", fmt.Sprintf("%d by %d pixels", head.Width, head.Height), fmt.Sprintf("up to %.0f million pixels", mostPixels/1e6))
	}
	if takes := decodedBytes(raw, head, kind); takes > mostDecoded {
		return head, kind, refuse.One("picture", fmt.Sprintf("%d by %d pixels that take %.0f MB", head.Width, head.Height, takes/(1<<20)), fmt.Sprintf("up to %d MB: send it smaller, as a plain JPEG", mostDecoded>>20))
	}
	if kind == "jpeg" && readJPEG(raw).scans > mostScans {
		return head, kind, refuse.One("picture", "a JPEG in more than a picture’s scans", Kinds)
	}
	return head, kind, nil
}

func isHEIF(raw []byte) bool {
	return len(raw) > 12 && string(raw[4:8]) == "ftyp" && bytes.ContainsAny(raw[8:9], "hma")
}

// whole keeps a JPEG that was kept before as it is.
func whole(raw []byte) (k Kept, err error) {
	src, err := jpeg.Decode(bytes.NewReader(raw))
	if err != nil {
		return k, refuse.One("picture", "a damaged jpeg", Kinds+" that opens")
	}
	k = Kept{Full: raw, Width: src.Bounds().Dx(), Height: src.Bounds().Dy()}
	k.Small, err = encoded(fitted(src, longestSmall))
	return k, err
}

func made(full *image.RGBA) (k Kept, err error) {
	k = Kept{Width: full.Rect.Dx(), Height: full.Rect.Dy()}
	if k.Full, err = encoded(full); err == nil {
		k.Small, err = encoded(fitted(full, longestSmall))
	}
	return k, err
}

func encoded(m image.Image) ([]byte, error) {
	var b bytes.Buffer
	err := jpeg.Encode(&b, m, &jpeg.Options{Quality: quality})
	return b.Bytes(), err
}

// fitted is a picture with no side longer than most, on white where it is
// see-through.
func fitted(src image.Image, most int) *image.RGBA {
	w, h := src.Bounds().Dx(), src.Bounds().Dy()
	if long := max(w, h); long > most {
		w, h = max(1, w*most/long), max(1, h*most/long)
	}
	out := image.NewRGBA(image.Rect(0, 0, w, h))
	if sized := src.Bounds().Size(); sized == out.Rect.Size() {
		draw.Draw(out, out.Rect, image.NewUniform(color.White), image.Point{}, draw.Src)
		draw.Draw(out, out.Rect, src, src.Bounds().Min, draw.Over)
		return out
	}
	sees := true // what is behind it
	if o, ok := src.(interface{ Opaque() bool }); ok && o.Opaque() {
		sees = false
	}
	if w*2 > src.Bounds().Dx() {
		scaled(out, out.Rect, src, src.Bounds(), sees)
		return out
	}
	// Twice as large first and then by half, so that each pixel is a mean; in bands,
	// so that it takes no more room than a band.
	b := src.Bounds()
	double := image.NewRGBA(image.Rect(0, 0, 2*w, 2*band))
	for y := 0; y < h; y += band {
		to := image.Rect(0, y, w, min(y+band, h))
		part := image.Rect(0, 0, 2*w, 2*to.Dy())
		scaled(double, part, src, image.Rect(b.Min.X, b.Min.Y+to.Min.Y*b.Dy()/h, b.Max.X, b.Min.Y+to.Max.Y*b.Dy()/h), sees)
		draw.ApproxBiLinear.Scale(out, to, double, part, draw.Src, nil)
	}
	return out
}

// scaled draws a part of a picture into another's, on white where it is see-through.
func scaled(out *image.RGBA, to image.Rectangle, src image.Image, from image.Rectangle, sees bool) {
	op := draw.Src
	if sees {
		draw.Draw(out, to, image.NewUniform(color.White), image.Point{}, draw.Src)
		op = draw.Over
	}
	draw.ApproxBiLinear.Scale(out, to, src, from, op, nil)
}

// band is how many rows are scaled at once.
const band = 64

// orientation is how a camera was held, 1 to 8 as Exif has it; 1 where that is
// not said.
func orientation(raw []byte, kind string) int {
	o := 1
	_, err := imagemeta.Decode(imagemeta.Options{R: bytes.NewReader(raw), ImageFormat: metaFormat[kind], Sources: imagemeta.EXIF,
		ShouldHandleTag: func(t imagemeta.TagInfo) bool { return t.Tag == "Orientation" },
		HandleTag: func(t imagemeta.TagInfo) error {
			var n int
			if _, err := fmt.Sscan(fmt.Sprint(t.Value), &n); err == nil && n >= 1 && n <= 8 {
				o = n
			}
			return nil
		}})
	if err != nil {
		return 1 // its metadata cannot be read: it is taken as it lies
	}
	return o
}

// upright turns a picture as its orientation asks: 2 to 4 mirrored, half round,
// and both; 5 to 8 a quarter round.
func upright(src *image.RGBA, o int) *image.RGBA {
	if o == 1 {
		return src
	}
	w, h := src.Rect.Dx(), src.Rect.Dy()
	size := image.Rect(0, 0, w, h)
	if o >= 5 {
		size = image.Rect(0, 0, h, w)
	}
	out := image.NewRGBA(size)
	for y := range h {
		for x := range w {
			at := [9]image.Point{2: {w - 1 - x, y}, 3: {w - 1 - x, h - 1 - y}, 4: {x, h - 1 - y}, 5: {y, x}, 6: {h - 1 - y, x}, 7: {h - 1 - y, w - 1 - x}, 8: {y, w - 1 - x}}[o]
			out.SetRGBA(at.X, at.Y, src.RGBAAt(x, y))
		}
	}
	return out
}
