package api

import (
	"crypto/rand"
	"net/http"
	"strings"

	"github.com/go-chi/chi/v5"
	swagger "github.com/swaggo/files/v2"
)

// docsPage shows the contract. Its parts ship with the program; nothing is fetched
// from elsewhere, and nothing runs that it does not name.
const docsPage = `<!doctype html>
<html lang="en"><meta charset="utf-8"><meta name="viewport" content="width=device-width, initial-scale=1">
<title>Velocrustum: the programming interface</title>
<link rel="stylesheet" href="docs/swagger-ui.css">
<main id="contract"></main>
<script src="docs/swagger-ui-bundle.js"></script>
<script nonce="%">SwaggerUIBundle({ url: 'openapi.json', dom_id: '#contract', deepLinking: true, validatorUrl: null, supportedSubmitMethods: [] })</script></html>`

// docs serves the contract as a document and as a page to read it by.
func docs(r chi.Router) {
	files := http.StripPrefix("/docs/", http.FileServerFS(swagger.FS))
	r.Get("/openapi.json", func(w http.ResponseWriter, r *http.Request) {
		spec, err := GetSpecJSON()
		if err != nil {
			fail(w, r, err)
			return
		}
		w.Header().Set("Content-Type", "application/json")
		_, _ = w.Write(spec) // the client may be gone
	})
	r.Get("/docs", func(w http.ResponseWriter, _ *http.Request) {
		nonce := rand.Text()
		w.Header().Set("Content-Security-Policy", strings.ReplaceAll(csp, "%", nonce))
		w.Header().Set("Content-Type", "text/html; charset=utf-8")
		w.Header().Set("Referrer-Policy", "no-referrer")
		_, _ = w.Write([]byte(strings.ReplaceAll(docsPage, "%", nonce))) // the client may be gone
	})
	r.Get("/docs/{file}", func(w http.ResponseWriter, r *http.Request) {
		switch chi.URLParam(r, "file") {
		case "swagger-ui.css", "swagger-ui-bundle.js":
			r.URL.Path = "/docs/" + chi.URLParam(r, "file")
			files.ServeHTTP(w, r)
		default:
			writeProblem(w, Problem{Status: http.StatusNotFound, Title: "There is nothing here"})
		}
	})
}
