package apitest

import (
	"net/http"
	"net/http/httptest"
	"net/url"
	"strings"

	"velocrustum/internal/api"
)

// FromLAN sends a request as a phone on the home network does.
func (k *Kitchen) FromLAN(r *http.Request, cookies ...*http.Cookie) *httptest.ResponseRecorder {
	r.Host = "192.168.1.20:8642"
	for _, c := range cookies {
		r.AddCookie(c)
	}
	w := httptest.NewRecorder()
	k.Handler.ServeHTTP(w, r.WithContext(api.OnLAN(r.Context())))
	return w
}

// LetIn pairs a phone by a new code, and returns what it is known by.
func (k *Kitchen) LetIn(as string) []*http.Cookie {
	code := Get[struct{ URL string }](k, 201, "POST", "/api/v1/access/codes"+as, "").URL
	form := url.Values{"code": {code[strings.Index(code, "code=")+5:]}, "name": {"Hob phone"}}
	r := httptest.NewRequest("POST", "/pair", strings.NewReader(form.Encode()))
	r.Header.Set("Content-Type", "application/x-www-form-urlencoded")
	return k.FromLAN(r).Result().Cookies()
}
