package api

import (
	"context"
	"encoding/json"
	"errors"
	"fmt"
	"io"
	"net/http"
	"strings"

	"github.com/go-chi/chi/v5"

	"velocrustum/core/refuse"
	"velocrustum/internal/household"
	"velocrustum/internal/picture"
	"velocrustum/internal/store"
)

func pictureOut(p store.Picture) Picture {
	return Picture{Id: p.ID, Alt: p.Alt, Width: p.Width, Height: p.Height, AddedAt: p.AddedAt.Time}
}

// addPicture answers POST /cooks/{id}/pictures, whose body is the picture.
func (s *Server) addPicture(w http.ResponseWriter, r *http.Request) {
	if err := unhurried(w); err != nil {
		fail(w, r, err)
		return
	}
	p, err := s.keepPicture(r.Context(), chi.URLParam(r, "id"), r.URL.Query().Get("alt"), http.MaxBytesReader(w, r.Body, picture.MostBytes+1))
	if err != nil {
		fail(w, r, err)
		return
	}
	s.sessions.Tell()
	w.Header().Set("Content-Type", "application/json")
	w.WriteHeader(http.StatusCreated)
	_ = json.NewEncoder(w).Encode(pictureOut(p)) // the client may be gone
}

func (s *Server) keepPicture(ctx context.Context, cook, alt string, body io.Reader) (store.Picture, error) {
	if err := household.CheckAlt(alt); err != nil {
		return store.Picture{}, err
	}
	raw, err := io.ReadAll(body)
	var large *http.MaxBytesError
	if errors.As(err, &large) {
		return store.Picture{}, refuse.One("picture", fmt.Sprintf("over %d MB", picture.MostBytes>>20), fmt.Sprintf("up to %d MB", picture.MostBytes>>20))
	} else if err != nil {
		return store.Picture{}, refuse.One("picture", "broken off on its way", "all of it: send it again")
	}
	// One at a time: a large one takes a lot of room while it is turned.
	select {
	case s.camera <- struct{}{}:
	case <-ctx.Done():
		return store.Picture{}, ctx.Err()
	}
	k, err := picture.Keep(raw)
	<-s.camera
	if err != nil {
		return store.Picture{}, err
	}
	return s.store.AddPicture(ctx, store.Picture{CookID: cook, Alt: strings.TrimSpace(alt), Width: k.Width, Height: k.Height}, k.Full, k.Small)
}

// picture answers GET /pictures/{id}.
func (s *Server) picture(w http.ResponseWriter, r *http.Request) {
	b, err := s.store.PictureFile(r.Context(), chi.URLParam(r, "id"), r.URL.Query().Get("size") == "small")
	if err != nil {
		fail(w, r, err)
		return
	}
	h := w.Header()
	h.Set("Content-Type", "image/jpeg")
	// A picture never changes; it stays on the device that may see it.
	h.Set("Cache-Control", "private, max-age=31536000, immutable")
	_, _ = w.Write(b) // the client may be gone
}

// PutPicture answers PUT /pictures/{id}.
func (s *Server) PutPicture(ctx context.Context, r PutPictureRequestObject) (PutPictureResponseObject, error) {
	if err := household.CheckAlt(r.Body.Alt); err != nil {
		return nil, err
	}
	p, err := s.store.SayAlt(ctx, r.Id, strings.TrimSpace(r.Body.Alt))
	return PutPicture200JSONResponse(pictureOut(p)), err
}

// DeletePicture answers DELETE /pictures/{id}.
func (s *Server) DeletePicture(ctx context.Context, r DeletePictureRequestObject) (DeletePictureResponseObject, error) {
	return DeletePicture204Response{}, s.store.DeletePicture(ctx, r.Id)
}

// RestorePicture answers POST /pictures/{id}/restore.
func (s *Server) RestorePicture(ctx context.Context, r RestorePictureRequestObject) (RestorePictureResponseObject, error) {
	p, err := s.store.RestorePicture(ctx, r.Id)
	return RestorePicture200JSONResponse(pictureOut(p)), err
}

// picturesOut are a cook's pictures.
func (s *Server) picturesOut(ctx context.Context, cook string) ([]Picture, error) {
	all, err := s.store.PicturesOf(ctx, cook)
	out := make([]Picture, len(all))
	for i, p := range all {
		out[i] = pictureOut(p)
	}
	return out, err
}
