// Package api serves the contract in api/openapi.yaml, and the interface
// that is built into the program.
package api

import (
	"context"
	"crypto/subtle"
	"errors"
	"io/fs"
	"log/slog"
	"net"
	"net/http"
	"strings"
	"sync"
	"time"

	"github.com/getkin/kin-openapi/openapi3filter"
	"github.com/go-chi/chi/v5"
	"github.com/go-chi/chi/v5/middleware"
	validator "github.com/oapi-codegen/nethttp-middleware"

	"velocrustum/internal/clock"
	"velocrustum/internal/store"
)

// Server answers requests over one store.
type Server struct {
	store *store.Store
	clock *clock.Clock
	work  workshop
	// cooking lets one change of a cook happen at a time: two devices may
	// say the same thing at once.
	cooking sync.Mutex
	foretold
}

var _ StrictServerInterface = (*Server)(nil)

// Options of a handler.
type Options struct {
	Files fs.FS // the built interface
	Clock *clock.Clock
	// Passphrase is asked of every request, if there is one.
	Passphrase string
	Log        *slog.Logger
}

const maxBody = 1 << 20

// NewHandler returns the whole of the application over HTTP.
func NewHandler(st *store.Store, o Options) (http.Handler, error) {
	spec, err := GetSpec()
	if err != nil {
		return nil, err
	}
	s := &Server{store: st, clock: o.Clock, work: newWorkshop(), foretold: foretold{of: map[string]string{}}}
	r := chi.NewRouter()
	r.Use(middleware.RequestID, logged(o.Log), middleware.Recoverer, s.guard(o.Passphrase, o.Log), http.NewCrossOriginProtection().Handler)
	r.Get("/healthz", func(w http.ResponseWriter, r *http.Request) {
		if err := st.Healthy(r.Context()); err != nil {
			fail(w, r, err)
			return
		}
		_, _ = w.Write([]byte("ok\n"))
	})
	r.Route("/api", func(r chi.Router) {
		r.Use(middleware.Compress(5), noStore, wholeBody)
		r.Group(func(r chi.Router) {
			r.Use(validator.OapiRequestValidatorWithOptions(spec, &validator.Options{
				SilenceServersWarning: true,
				Options:               openapi3filter.Options{MultiError: true},
				ErrorHandlerWithOpts: func(_ context.Context, err error, w http.ResponseWriter, r *http.Request, o validator.ErrorHandlerOpts) {
					var schema *openapi3filter.RequestError
					if o.StatusCode == http.StatusNotFound || o.StatusCode == http.StatusMethodNotAllowed {
						writeProblem(w, Problem{Status: o.StatusCode, Title: "There is nothing here"})
					} else if errors.As(err, &schema) {
						fail(w, r, err)
					} else {
						writeProblem(w, Problem{Status: o.StatusCode, Title: "That could not be read", Detail: text(err.Error())})
					}
				},
			}))
			strict := NewStrictHandlerWithOptions(s, nil, StrictHTTPServerOptions{
				RequestErrorHandlerFunc: func(w http.ResponseWriter, r *http.Request, err error) {
					writeProblem(w, Problem{Status: http.StatusBadRequest, Title: "That could not be read", Detail: text(err.Error())})
				},
				ResponseErrorHandlerFunc: fail,
			})
			HandlerWithOptions(strict, ChiServerOptions{BaseRouter: r, BaseURL: "/v1", ErrorHandlerFunc: func(w http.ResponseWriter, r *http.Request, err error) {
				writeProblem(w, Problem{Status: http.StatusBadRequest, Title: "That could not be read", Detail: text(err.Error())})
			}})
		})
		r.NotFound(func(w http.ResponseWriter, _ *http.Request) {
			writeProblem(w, Problem{Status: http.StatusNotFound, Title: "There is nothing here"})
		})
	})
	page, err := interfaceFiles(o.Files)
	if err != nil {
		return nil, err
	}
	r.NotFound(page)
	return r, nil
}

func noStore(next http.Handler) http.Handler {
	return http.HandlerFunc(func(w http.ResponseWriter, r *http.Request) {
		w.Header().Set("Cache-Control", "no-store")
		next.ServeHTTP(w, r)
	})
}

// guard keeps strangers out: on loopback by the host's name, elsewhere by
// the passphrase.
func (s *Server) guard(passphrase string, log *slog.Logger) func(http.Handler) http.Handler {
	var guesses guesser
	return func(next http.Handler) http.Handler {
		return http.HandlerFunc(func(w http.ResponseWriter, r *http.Request) {
			if passphrase != "" {
				_, given, ok := r.BasicAuth()
				if !ok || subtle.ConstantTimeCompare([]byte(given), []byte(passphrase)) != 1 {
					if ok {
						log.WarnContext(r.Context(), "wrong passphrase", "from", hostOnly(r.RemoteAddr))
						guesses.slow(r.Context())
					}
					w.Header().Set("WWW-Authenticate", `Basic realm="Velocrustum", charset="UTF-8"`)
					writeProblem(w, Problem{Status: http.StatusUnauthorized, Title: "The passphrase, please"})
					return
				}
			} else if host := hostOnly(r.Host); host != "localhost" && !IsLoopback(host) {
				writeProblem(w, Problem{Status: http.StatusMisdirectedRequest, Title: "Not under this name"})
				return
			}
			next.ServeHTTP(w, r)
		})
	}
}

// guessEvery is the least time between two wrong passphrases that are
// answered, from wherever they come.
const guessEvery = 400 * time.Millisecond

// guesser answers wrong passphrases one after another.
type guesser struct{ sync.Mutex }

func (g *guesser) slow(ctx context.Context) {
	g.Lock()
	defer g.Unlock()
	select {
	case <-time.After(guessEvery):
	case <-ctx.Done():
	}
}

func hostOnly(hostport string) string {
	if host, _, err := net.SplitHostPort(hostport); err == nil {
		return host
	}
	return strings.Trim(hostport, "[]")
}

// IsLoopback says whether a host's address stays on this machine.
func IsLoopback(host string) bool {
	ip := net.ParseIP(host)
	return host == "localhost" || ip != nil && ip.IsLoopback()
}

// logged writes one line a request, without private data.
func logged(log *slog.Logger) func(http.Handler) http.Handler {
	return func(next http.Handler) http.Handler {
		return http.HandlerFunc(func(w http.ResponseWriter, r *http.Request) {
			ww := middleware.NewWrapResponseWriter(w, r.ProtoMajor)
			start := time.Now()
			next.ServeHTTP(ww, r)
			log.DebugContext(r.Context(), "request", "method", r.Method, "path", r.URL.Path, "status", ww.Status(), "ms", time.Since(start).Milliseconds())
		})
	}
}
