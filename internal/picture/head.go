package picture

import (
	"bytes"
	"encoding/binary"
	"image"
	"image/color"
)

// What a file would cost is told by its head, before anything is decoded: a few
// kilobytes may stand for a gigabyte.

const (
	// mostDecoded is what one picture may take while it is decoded, bytes; with the
	// file, what is drawn of it and a scaler's band it stays under 100 MB.
	mostDecoded = 60 << 20
	// mostScans of a progressive JPEG are gone through, each over the whole picture;
	// encoders write about ten.
	mostScans = 32
)

// jpegHead is what the segments of a JPEG say.
type jpegHead struct {
	progressive bool
	scans       int
	// samples for each pixel, over all components.
	samples float64
	// bare says that there is nothing in it but what is seen: neither application's
	// segments nor comments anywhere, one baseline scan, and nothing after the end.
	bare bool
}

// readJPEG goes through a JPEG's segments to its end, also between its scans.
func readJPEG(raw []byte) jpegHead {
	h := jpegHead{bare: true, samples: 3}
	at := 2
	for at+4 <= len(raw) {
		if raw[at] != 0xFF {
			// Inside a scan, or rubbish: on to the next marker.
			h.bare = h.bare && h.scans > 0
			at++
			continue
		}
		marker := raw[at+1]
		switch {
		case marker == 0x00 || marker >= 0xD0 && marker <= 0xD7: // a stuffed byte, a restart
			h.bare = h.bare && h.scans > 0
			at += 2
			continue
		case marker == 0xFF: // fill
			at++
			continue
		case marker == 0xD9:
			h.bare = false // it ends before the file does
			at += 2
			continue
		}
		length := int(binary.BigEndian.Uint16(raw[at+2:]))
		if length < 2 {
			h.bare = false
			at += 2
			continue
		}
		body := raw[min(at+4, len(raw)):min(at+2+length, len(raw))]
		switch marker {
		case 0xC0, 0xC1, 0xC2:
			h.progressive = h.progressive || marker == 0xC2
			if s := samplesOf(body); s > 0 {
				h.samples = s
			}
		case 0xDA:
			h.scans++
		case 0xC4, 0xDB, 0xDD:
			h.bare = h.bare && h.scans == 0
		default:
			h.bare = false
		}
		at += 2 + length
	}
	h.bare = h.bare && !h.progressive && h.scans == 1 && bytes.HasSuffix(raw, []byte{0xFF, 0xD9})
	return h
}

// samplesOf is how many samples there are for each pixel by a frame's head.
func samplesOf(frame []byte) float64 {
	if len(frame) < 6 {
		return 0
	}
	n, all, most := int(frame[5]), 0, 0
	for k := range n {
		if 7+3*k >= len(frame) {
			return 0
		}
		h, v := int(frame[7+3*k]>>4), int(frame[7+3*k]&15)
		all, most = all+h*v, max(most, h*v)
	}
	if most == 0 {
		return 0
	}
	return float64(all) / float64(most)
}

// decodedBytes is what a picture takes while it is decoded, by its head.
func decodedBytes(raw []byte, head image.Config, kind string) float64 {
	pixels := float64(head.Width) * float64(head.Height)
	switch kind {
	case "jpeg":
		j := readJPEG(raw)
		if j.progressive {
			return pixels * j.samples * (1 + 4) // and the coefficients of all scans
		}
		return pixels * j.samples
	case "png":
		return pixels * pngBytes(raw)
	default: // webp
		if head.ColorModel == color.NRGBAModel {
			return pixels * 8 // without loss: the pixels, and what they are predicted from
		}
		return pixels * 3
	}
}

// pngBytes is what a pixel of a PNG takes: by its depth and its kind of colour, and
// twice where it is interlaced.
func pngBytes(raw []byte) float64 {
	const depthAt, colourAt, interlaceAt = 24, 25, 28
	if len(raw) <= interlaceAt {
		return 8
	}
	each := 4.0
	switch raw[colourAt] {
	case 0, 3: // grey, a palette
		each = 1
	}
	if raw[depthAt] == 16 {
		each = map[bool]float64{true: 2, false: 8}[raw[colourAt] == 0]
	}
	if raw[interlaceAt] != 0 {
		each *= 2
	}
	return each
}
