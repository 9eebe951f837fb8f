package api

import (
	"context"
	"crypto/rand"
	"crypto/subtle"
	"errors"
	"fmt"
	"html/template"
	"log/slog"
	"net"
	"net/http"
	"net/url"
	"slices"
	"strings"
	"sync"
	"sync/atomic"
	"time"
	"unicode"

	"rsc.io/qr"

	"velocrustum/internal/store"
)

// LAN is how the program is reached from the home network.
type LAN struct {
	// URL is without a path, like http://192.168.1.20:8642.
	URL        string
	Passphrase string
}

type lanKey struct{}

// OnLAN marks the requests of a listener on the home network.
func OnLAN(ctx context.Context) context.Context { return context.WithValue(ctx, lanKey{}, true) }

const (
	deviceCookie = "velocrustum_device"
	seatCookie   = "velocrustum_seat"
	// codeLasts is how long a code on the screen lets a phone in, once.
	codeLasts = 10 * time.Minute
	// tokenLasts is how long browsers keep it at most.
	tokenLasts = 400 * 24 * time.Hour
	deviceName = 40
)

// access lets devices in: by a passphrase, or paired once by a code.
type access struct {
	store      *store.Store
	passphrase string // asked of every request, if there is one
	lan        *LAN
	now        func() time.Time
	log        *slog.Logger
	guesses    guesser
	// seat is what a browser that knew the passphrase gets until the program ends: it
	// still says the passphrase, but does not wait for its turn.
	seat string
	// left counts phones that were taken back, so that open streams look again.
	left  atomic.Int64
	mu    sync.Mutex
	codes map[string]codeFor
}

// guard keeps strangers out: on loopback by the host's name, elsewhere by
// the passphrase or a paired device's token.
func (a *access) guard(next http.Handler) http.Handler {
	return http.HandlerFunc(func(w http.ResponseWriter, r *http.Request) {
		if r.URL.Path == "/healthz" { // says nothing of the household, and whoever watches knows no passphrase
			next.ServeHTTP(w, r)
			return
		}
		passphrase := a.passphrase
		if on, _ := r.Context().Value(lanKey{}).(bool); on && passphrase == "" {
			passphrase = a.lan.Passphrase
		}
		if r.Header.Get("Sec-Fetch-Site") == "cross-site" && isAPI(r.URL.Path) {
			writeProblem(w, Problem{Status: http.StatusForbidden, Title: "Another page may not ask for this"})
			return
		}
		if passphrase == "" {
			if host := hostOnly(r.Host); host != "localhost" && !IsLoopback(host) {
				writeProblem(w, Problem{Status: http.StatusMisdirectedRequest, Title: "Not under this name"})
				return
			}
			if forwarded(r) {
				// Whoever is behind the proxy would be let in as if at this machine.
				writeProblem(w, Problem{Status: http.StatusForbidden, Title: "Behind a proxy it wants a passphrase", Detail: text("Start it with VELOCRUSTUM_PASSPHRASE set.")})
				return
			}
			next.ServeHTTP(w, r)
			return
		}
		device, err := a.device(r)
		if err != nil && !errors.Is(err, store.ErrNotFound) {
			fail(w, r, err)
			return
		}
		if err == nil && device.Guest && !guestMay(r) {
			writeProblem(w, Problem{Status: http.StatusForbidden, Title: "A guest’s phone follows the cook", Detail: text("The rest is for those of the household.")})
			return
		}
		if err == nil || r.URL.Path == "/pair" {
			next.ServeHTTP(w, r)
			return
		}
		if _, given, ok := r.BasicAuth(); ok {
			from := hostOnly(r.RemoteAddr)
			// Who has said it before asks for many things at once.
			known := a.seated(r)
			if !known && !a.guesses.turn(r.Context(), from) {
				w.Header().Set("Retry-After", "10")
				writeProblem(w, Problem{Status: http.StatusTooManyRequests, Title: "Too many passphrases", Detail: text("Wait ten seconds, then try it once more.")})
				return
			}
			if subtle.ConstantTimeCompare([]byte(given), []byte(passphrase)) == 1 {
				if !known {
					a.guesses.right(from)
					http.SetCookie(w, &http.Cookie{Name: seatCookie, Value: a.seat, Path: "/", HttpOnly: true, SameSite: http.SameSiteStrictMode, Secure: r.TLS != nil})
				}
				next.ServeHTTP(w, r)
				return
			}
			a.log.WarnContext(r.Context(), "wrong passphrase", "from", from)
		}
		w.Header().Set("WWW-Authenticate", `Basic realm="Velocrustum", charset="UTF-8"`)
		writeProblem(w, Problem{Status: http.StatusUnauthorized, Title: "The passphrase, please"})
	})
}

// isAPI says whether an address is one of the programming interface: of the own
// household or of one to look at.
func isAPI(path string) bool {
	return strings.HasPrefix(path, "/api/") || strings.HasPrefix(path, "/demo/api/")
}

// forwarded says whether a request came through a proxy, as far as it says so.
func forwarded(r *http.Request) bool {
	for _, name := range []string{"Forwarded", "X-Forwarded-For", "X-Forwarded-Host", "X-Real-Ip", "Via"} {
		if r.Header.Get(name) != "" {
			return true
		}
	}
	return false
}

func (a *access) seated(r *http.Request) bool {
	c, err := r.Cookie(seatCookie)
	return err == nil && subtle.ConstantTimeCompare([]byte(c.Value), []byte(a.seat)) == 1
}

// admits says whether who came by a phone's token is still let in.
func (a *access) admits(r *http.Request) bool {
	if _, err := r.Cookie(deviceCookie); err != nil {
		return true
	}
	if on, _ := r.Context().Value(lanKey{}).(bool); a.passphrase == "" && !on {
		return true
	}
	if _, _, ok := r.BasicAuth(); ok {
		return true
	}
	_, err := a.device(r)
	return err == nil
}

// device returns the paired device that a request comes from.
func (a *access) device(r *http.Request) (store.Device, error) {
	c, err := r.Cookie(deviceCookie)
	if err != nil {
		return store.Device{}, store.ErrNotFound
	}
	return a.store.Paired(r.Context(), c.Value)
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

// codeFor is what a code lets in, until when.
type codeFor struct {
	until time.Time
	guest bool
}

// guestMay says what a guest's phone is for: the pages themselves, what is cooked now,
// what that page needs to be read, and to say in it what is done.
func guestMay(r *http.Request) bool {
	path, isAPI := strings.CutPrefix(r.URL.Path, "/api/v1/")
	if !isAPI {
		return r.Method == http.MethodGet && !strings.HasPrefix(r.URL.Path, "/demo") && !strings.HasPrefix(r.URL.Path, "/api/")
	}
	first, rest, _ := strings.Cut(path, "/")
	switch {
	case first == "cooks" || first == "evenings":
		_, what, _ := strings.Cut(rest, "/")
		said := what == "events" || strings.HasPrefix(what, "events/")
		return said && r.Method != http.MethodGet || r.Method == http.MethodGet && rest != "" && !strings.HasPrefix(what, "tables")
	case r.Method != http.MethodGet:
		return false
	}
	return slices.Contains([]string{"live", "catalog", "settings", "fryers", "plans", "probes"}, first)
}

// newCode makes a code that lets one device in.
func (a *access) newCode(guest bool) (code string, until time.Time) {
	a.mu.Lock()
	defer a.mu.Unlock()
	now := a.now()
	for c, of := range a.codes {
		if now.After(of.until) {
			delete(a.codes, c)
		}
	}
	code, until = rand.Text(), now.Add(codeLasts)
	a.codes[code] = codeFor{until, guest}
	return code, until
}

// spend takes a code, once.
func (a *access) spend(code string) (of codeFor, ok bool) {
	a.mu.Lock()
	defer a.mu.Unlock()
	of, ok = a.codes[code]
	delete(a.codes, code)
	return of, ok && !a.now().After(of.until)
}

var pairPage = template.Must(template.New("pair").Parse(`<!doctype html>
<html lang="en"><meta charset="utf-8"><meta name="viewport" content="width=device-width, initial-scale=1">
<title>Velocrustum: let this phone in</title>
<style nonce="{{.Nonce}}">
body { font: 18px/1.45 sans-serif; margin: 0; padding: 32px 20px; background: #eef2ee; color: #17211f }
main { max-width: 420px; margin: auto; display: grid; gap: 16px }
h1 { font-size: 26px; margin: 0 } p { margin: 0 } form, label { display: grid; gap: 8px }
input, button { font: inherit; padding: 12px 14px; border-radius: 10px; border: 2px solid #6f8a86; background: #fff; color: inherit }
button { background: #17211f; color: #fff; min-height: 56px }
@media (prefers-color-scheme: dark) { body { background: #14201e; color: #eef2ee } input { background: #1d2b29 } button { background: #eef2ee; color: #17211f } }
</style>
<main><h1>{{.Title}}</h1><p>{{.Says}}</p>
{{with .Code}}<form method="post" action="pair"><input type="hidden" name="code" value="{{.}}">
<label>What this phone is called<input name="name" value="Phone" maxlength="40" required></label>
<button>Let it in</button></form>{{end}}</main></html>`))

// pair shows the page that a scanned code leads to, and lets the phone in
// when its button is pressed: what only looks at an address spends no code.
func (a *access) pair(w http.ResponseWriter, r *http.Request) {
	show := func(status int, title, says, code string) {
		nonce := rand.Text()
		w.Header().Set("Content-Security-Policy", "default-src 'none'; style-src 'nonce-"+nonce+"'; form-action 'self'; base-uri 'none'; frame-ancestors 'none'")
		w.Header().Set("Content-Type", "text/html; charset=utf-8")
		w.Header().Set("Cache-Control", "no-store")
		w.Header().Set("Referrer-Policy", "no-referrer")
		w.WriteHeader(status)
		_ = pairPage.Execute(w, map[string]string{"Nonce": nonce, "Title": title, "Says": says, "Code": code})
	}
	const over = "It lets one phone in, within ten minutes. Show a new one on the household's page and scan that."
	switch r.Method {
	case http.MethodGet:
		show(http.StatusOK, "Let this phone in", "It will follow the cook and say what is done, without the passphrase. It can be taken back on the household's page.", r.URL.Query().Get("code"))
	case http.MethodPost:
		r.Body = http.MaxBytesReader(w, r.Body, 4<<10)
		name := strings.TrimSpace(strings.Map(func(c rune) rune {
			if !unicode.IsPrint(c) {
				return -1
			}
			return c
		}, r.PostFormValue("name")))
		if n := []rune(name); len(n) > deviceName {
			name = string(n[:deviceName])
		}
		if name == "" {
			name = "Phone"
		}
		if !a.guesses.turn(r.Context(), hostOnly(r.RemoteAddr)) {
			show(http.StatusTooManyRequests, "Too many codes", "Wait ten seconds, then scan a new one.", "")
			return
		}
		of, ok := a.spend(r.PostFormValue("code"))
		if !ok {
			a.log.WarnContext(r.Context(), "a code that lets nobody in", "from", hostOnly(r.RemoteAddr))
			show(http.StatusForbidden, "This code is over", over, "")
			return
		}
		a.guesses.right(hostOnly(r.RemoteAddr))
		token := rand.Text()
		if _, err := a.store.Pair(r.Context(), name, token, of.guest); err != nil {
			fail(w, r, err)
			return
		}
		http.SetCookie(w, &http.Cookie{Name: deviceCookie, Value: token, Path: "/", HttpOnly: true, SameSite: http.SameSiteStrictMode,
			Secure: r.TLS != nil, MaxAge: int(tokenLasts.Seconds())})
		http.Redirect(w, r, "/cook", http.StatusSeeOther)
	default:
		w.Header().Set("Allow", "GET, POST")
		writeProblem(w, Problem{Status: http.StatusMethodNotAllowed, Title: "This can only be read or sent"})
	}
}

// pairURL is where a new code leads to, until when.
func (a *access) pairURL(guest bool) (string, time.Time, error) {
	if a.lan == nil {
		return "", time.Time{}, errNoLAN
	}
	code, until := a.newCode(guest)
	return a.lan.URL + "/pair?code=" + url.QueryEscape(code), until, nil
}

var errNoLAN = errors.New("not on the home network")

// GetAccess answers GET /access.
func (s *Server) GetAccess(ctx context.Context, _ GetAccessRequestObject) (GetAccessResponseObject, error) {
	devices, err := s.store.Devices(ctx)
	out := GetAccess200JSONResponse{Devices: devices}
	if s.access.lan != nil {
		out.Url = &s.access.lan.URL
	}
	return out, err
}

// ShowCode answers POST /access/codes.
func (s *Server) ShowCode(_ context.Context, r ShowCodeRequestObject) (ShowCodeResponseObject, error) {
	to, until, err := s.access.pairURL(orElse(r.Params.Guest, false))
	if err != nil {
		return nil, err
	}
	code, err := qr.Encode(to, qr.M)
	if err != nil {
		return nil, fmt.Errorf("drawing the code: %w", err)
	}
	var path strings.Builder
	for y := range code.Size {
		for x := range code.Size {
			if code.Black(x, y) {
				fmt.Fprintf(&path, "M%d %dh1v1h-1z", x, y)
			}
		}
	}
	return ShowCode201JSONResponse{Url: to, Until: until, Size: code.Size, Path: path.String()}, nil
}

// TakeBack answers DELETE /access/devices/{id}.
func (s *Server) TakeBack(ctx context.Context, r TakeBackRequestObject) (TakeBackResponseObject, error) {
	if err := s.store.Unpair(ctx, r.Id); err != nil {
		return nil, err
	}
	s.access.left.Add(1)
	s.sessions.Tell() // its open streams end
	return TakeBack204Response{}, nil
}
