// Package api serves the contract in api/openapi.yaml, and the interface
// that is built into the program.
package api

import (
	"context"
	"crypto/rand"
	"errors"
	"io/fs"
	"log/slog"
	"net/http"
	"sync"
	"time"

	"github.com/getkin/kin-openapi/openapi3filter"
	"github.com/go-chi/chi/v5"
	"github.com/go-chi/chi/v5/middleware"
	validator "github.com/oapi-codegen/nethttp-middleware"

	"velocrustum/internal/archive"
	"velocrustum/internal/clock"
	"velocrustum/internal/household"
	"velocrustum/internal/session"
	"velocrustum/internal/store"
	"velocrustum/internal/work"
)

// Server answers requests over one store.
type Server struct {
	store    *store.Store
	clock    *clock.Clock
	access   *access
	home     *household.Household
	sessions *session.Sessions
	archives *archive.Archives
	shared   sharedFigures
	// camera has room for one picture, copies for one copy of the household on its way.
	camera, copies chan struct{}
}

var _ StrictServerInterface = (*Server)(nil)

// Options of a handler.
type Options struct {
	Files fs.FS // the built interface
	Clock *clock.Clock
	// Passphrase is asked of every request, if there is one.
	Passphrase string
	// LAN is how it is reached from the home network, if it is.
	LAN *LAN
	// Demo opens a made-up household beside the own one, new each time, with
	// what throws it away.
	Demo func(context.Context) (st *store.Store, discard func(), err error)
	// Longest is how long a search may take before it is given up; 0 for what is usual.
	Longest time.Duration
	Log     *slog.Logger
}

const maxBody = 1 << 20

// App is the whole of the application over HTTP.
type App struct {
	http.Handler
	own   *Server
	door  *access
	shown *shownHousehold
}

// End ends what would go on for as long as a device listens.
func (a *App) End() { a.own.sessions.End() }

// Close throws the made-up household away.
func (a *App) Close() { a.shown.leave() }

// KeepLearning learns from what is cooked until the context ends.
func (a *App) KeepLearning(ctx context.Context, log *slog.Logger) {
	a.own.sessions.KeepLearning(ctx, func(err error) { log.ErrorContext(ctx, "learning", "error", err) })
}

// PairURL is an address that lets one phone in, until when; it is what the
// code in a terminal says.
func (a *App) PairURL() (string, time.Time, error) { return a.door.pairURL(false) }

// NewHandler returns the whole of the application over HTTP.
func NewHandler(st *store.Store, o Options) (*App, error) {
	door := &access{store: st, passphrase: o.Passphrase, lan: o.LAN, now: o.Clock.Now, log: o.Log, codes: map[string]codeFor{}, seat: rand.Text()}
	s := newServer(st, o.Clock, door, work.NewPlaces(o.Longest))
	r := chi.NewRouter()
	r.Use(middleware.RequestID, logged(o.Log), middleware.Recoverer, ownOnly, door.guard, http.NewCrossOriginProtection().Handler)
	r.Get("/healthz", func(w http.ResponseWriter, r *http.Request) {
		if err := st.Healthy(r.Context()); err != nil {
			fail(w, r, err)
			return
		}
		_, _ = w.Write([]byte("ok\n"))
	})
	r.HandleFunc("/pair", door.pair)
	shown := &shownHousehold{open: o.Demo, serve: func(st *store.Store) (http.Handler, error) {
		shown := newServer(st, clock.System(), door, s.home.Places)
		if err := shown.sessions.Learn(context.Background()); err != nil { // its season is short
			return nil, err
		}
		return shown.serve("/demo", o.Files)
	}}
	if o.Demo != nil {
		r.Handle("/demo", shown)
		r.Handle("/demo/*", shown)
	}
	own, err := s.serve("", o.Files)
	if err != nil {
		return nil, err
	}
	r.NotFound(own.ServeHTTP)
	return &App{r, s, door, shown}, nil
}

func newServer(st *store.Store, c *clock.Clock, door *access, places work.Places) *Server {
	home := household.New(st, places)
	return &Server{store: st, clock: c, access: door, home: home, sessions: session.New(home, c), archives: archive.New(home, c, fitsContract),
		camera: make(chan struct{}, 1), copies: make(chan struct{}, 1)}
}

// ownOnly has browsers take what is served as what it is said to be, and for the
// program's own pages alone.
func ownOnly(next http.Handler) http.Handler {
	return http.HandlerFunc(func(w http.ResponseWriter, r *http.Request) {
		w.Header().Set("X-Content-Type-Options", "nosniff")
		w.Header().Set("Cross-Origin-Resource-Policy", "same-origin")
		next.ServeHTTP(w, r)
	})
}

// serve serves one household: its programming interface, and its pages,
// under a first part of the address.
func (s *Server) serve(under string, files fs.FS) (http.Handler, error) {
	spec, err := GetSpec()
	if err != nil {
		return nil, err
	}
	r := chi.NewRouter()
	r.Route("/api", func(r chi.Router) {
		r.Use(middleware.Compress(5), noStore)
		docs(r)
		// What is no JSON is taken and given as it comes.
		r.Get("/v1/live/stream", s.stream)
		r.Get("/v1/archive", s.takeOut)
		r.Post("/v1/archive", s.bring)
		r.Get("/v1/logbook", s.logbook)
		r.Post("/v1/cooks/{id}/pictures", s.addPicture)
		r.Get("/v1/pictures/{id}", s.picture)
		r.Group(func(r chi.Router) {
			r.Use(wholeBody, validator.OapiRequestValidatorWithOptions(spec, &validator.Options{
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
		nothing := func(status int) http.HandlerFunc {
			return func(w http.ResponseWriter, _ *http.Request) {
				writeProblem(w, Problem{Status: status, Title: "There is nothing here"})
			}
		}
		r.NotFound(nothing(http.StatusNotFound))
		r.MethodNotAllowed(nothing(http.StatusMethodNotAllowed))
	})
	page, err := interfaceFiles(files, under)
	if err != nil {
		return nil, err
	}
	r.NotFound(page)
	return http.StripPrefix(under, r), nil
}

// shownHousehold is a made-up household that is opened when somebody looks
// in, and is gone when they leave.
type shownHousehold struct {
	open    func(context.Context) (*store.Store, func(), error)
	serve   func(*store.Store) (http.Handler, error)
	mu      sync.Mutex
	discard func()
	handler http.Handler
}

func (d *shownHousehold) ServeHTTP(w http.ResponseWriter, r *http.Request) {
	if r.Method == http.MethodDelete && r.URL.Path == "/demo" {
		d.leave()
		w.WriteHeader(http.StatusNoContent)
		return
	}
	h, err := d.opened(r.Context())
	if err != nil {
		fail(w, r, err)
		return
	}
	h.ServeHTTP(w, r)
}

func (d *shownHousehold) leave() {
	d.mu.Lock()
	defer d.mu.Unlock()
	if d.discard != nil {
		d.discard()
		d.discard, d.handler = nil, nil
	}
}

func (d *shownHousehold) opened(ctx context.Context) (http.Handler, error) {
	d.mu.Lock()
	defer d.mu.Unlock()
	if d.handler == nil {
		st, discard, err := d.open(context.WithoutCancel(ctx))
		if err != nil {
			return nil, err
		}
		if d.handler, err = d.serve(st); err != nil {
			discard()
			return nil, err
		}
		d.discard = discard
	}
	return d.handler, nil
}

func noStore(next http.Handler) http.Handler {
	return http.HandlerFunc(func(w http.ResponseWriter, r *http.Request) {
		w.Header().Set("Cache-Control", "no-store")
		next.ServeHTTP(w, r)
	})
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
