# Velocrustum: `make demo` to try it, `make test` to check it.
SHELL := /bin/bash
.ONESHELL:
.SHELLFLAGS := -euo pipefail -c
export CGO_ENABLED ?= 0
# One set of flags for all, so that nothing is compiled twice; a busy machine takes its time.
export GOFLAGS ?= -trimpath -timeout=1h
BIN := bin/velocrustum
ADDR ?= 127.0.0.1:8642
WEB_SOURCES := $(shell find web/src web/public web/index.html web/vite.config.ts web/tsconfig.json -type f 2>/dev/null)

.PHONY: help demo build test check dev fmt generate generate-check lint go-test thorough race race-test mutate e2e bench bench-drag screenshots validate need-go need-node need-chromium

help:
	@echo "make demo         build and start with demo data (RESET=1 starts over, ADDR=host:port)"
	@echo "make test         everything: generated code, lint, Go tests, browser tests"
	@echo "make check        before a commit: form, types, the quick tests"
	@echo "make dev          server and interface with reload while editing"
	@echo "make fmt          Go and the interface in their form"
	@echo "make thorough     every Go test with all of its cases (a quarter of an hour)"
	@echo "make race         every Go test with the race detector (an hour)"
	@echo "make mutate       small faults put in at random: which does no test notice? (N=100 SEED=1 IN=core NEAR=1)"
	@echo "make generate     server and browser types from api/openapi.yaml"
	@echo "make bench        speed of the engine"
	@echo "make bench-drag   how fast the drawing follows the hand, in the browser"
	@echo "make screenshots  the pictures in docs/screenshots"

need-go:
	@command -v go >/dev/null || { echo "Go 1.26 or newer is missing: see go.dev"; exit 1; }

need-node:
	@command -v npm >/dev/null || { echo "Node.js 20 with npm 11 is missing (Debian: nodejs, npm)"; exit 1; }

need-chromium:
	@if [ ! -x /usr/bin/chromium ]; then
	  echo "== installing Debian's chromium for the browser tests"
	  if [ "$$(id -u)" != 0 ]; then echo "chromium is missing: apt-get install chromium"; exit 1; fi
	  apt-get update -qq && apt-get install -y -qq chromium >/dev/null
	fi

web/node_modules/.installed: web/package-lock.json web/package.json | need-node
	@echo "== installing the interface's packages"
	cd web && npm ci --silent --no-progress && touch node_modules/.installed

web/dist/index.html: $(WEB_SOURCES) web/node_modules/.installed api/openapi.yaml
	@echo "== building the interface"
	cd web && npx --no-install vite build --logLevel warn && touch dist/.gitkeep

build: need-go web/dist/index.html
	@echo "== building the program"
	go build -o $(BIN) ./cmd/velocrustum

demo: build
	@echo "== starting with demo data"
	exec $(BIN) demo --addr $(ADDR) $(if $(RESET),--reset)

dev: build
	@echo "== server on 8642, interface with reload on 5173"
	tools/reload $(BIN) demo --addr 127.0.0.1:8642 & server=$$!
	trap 'kill $$server' EXIT
	cd web && npx --no-install vite

fmt: need-go web/node_modules/.installed
	gofmt -w cmd core internal tools web/*.go
	cd web && npx --no-install prettier --write --log-level warn src e2e

# What a minute shows; the rest is make test.
check: need-go web/node_modules/.installed
	@echo "== form, types, the quick tests"
	test -z "$$(gofmt -l cmd core internal tools web/*.go)" || { gofmt -l cmd core internal tools web/*.go; exit 1; }
	cd web && npx --no-install tsc --noEmit & types=$$!
	go vet ./...
	go test -vet=off -short ./...
	wait $$types

race: need-go
	CGO_ENABLED=1 go test -race -timeout 3h ./...

mutate: need-go
	go run ./tools/mutate -n $(or $(N),100) $(if $(SEED),-seed $(SEED)) $(if $(IN),-in $(IN)) $(if $(NEAR),-near)

generate: need-go web/node_modules/.installed
	go generate ./internal/api
	cd web && npm run --silent generate

generate-check: need-go web/node_modules/.installed
	@echo "== checking that generated code is current"
	was=$$(mktemp -d)
	trap 'rm -rf $$was' EXIT
	cp internal/api/contract.gen.go web/src/api/schema.gen.d.ts $$was
	go generate ./internal/api
	(cd web && npm run --silent generate >/dev/null)
	cmp -s $$was/contract.gen.go internal/api/contract.gen.go && cmp -s $$was/schema.gen.d.ts web/src/api/schema.gen.d.ts || { echo "it was not: commit what make generate makes"; exit 1; }

lint: need-go web/node_modules/.installed
	@echo "== lint"
	test -z "$$(gofmt -l cmd core internal tools web/*.go)" || { gofmt -l cmd core internal tools web/*.go; exit 1; }
	(cd web && npx --no-install tsc --noEmit && npm run --silent lint) & web=$$!
	go vet ./...
	go tool staticcheck ./...
	wait $$web

# The longest first, so that none runs alone in the end; lint has looked at all of it.
go-test: need-go
	@echo "== Go tests"
	go test -vet=off ./internal/api ./internal/session ./...

# With every case of those that are drawn or listed: a quarter of an hour.
thorough: need-go
	VELOCRUSTUM_THOROUGH=1 go test ./...

# Every package in which goroutines may meet, without the tests that only compute.
race-test: need-go
	@echo "== Go tests with the race detector"
	CGO_ENABLED=1 go test -vet=off -race -short ./internal/api ./internal/clock ./internal/exchange ./internal/kitchen ./internal/session ./internal/store ./internal/work ./core/advise ./core/baskets ./core/belief ./core/ensemble ./core/learn ./core/run ./core/sheet ./core/verdict

e2e: build need-chromium
	@echo "== browser tests"
	cd web && npx --no-install playwright test

test: generate-check lint go-test race-test e2e
	@echo "== all is well"

bench: need-go
	go test -run '^$$' -bench . -benchmem ./core/thermal ./core/run ./core/ensemble ./core/verdict ./core/advise ./core/belief

bench-drag: build need-chromium
	cd web && npx --no-install playwright test --config bench.config.ts

validate: need-go
	export VELOCRUSTUM_THOROUGH=1
	go test -count 1 -v -run 'TestReferenceCooks|TestKitchenTendencies|TestTheWindowCovers|TestTruthsOutside' ./core/verdict ./core/belief -args -write ../../docs | grep -v '^===\|^---\|^ok\|^PASS'
	go test -count 1 -timeout 1h -v -run TestFiveCooksTeachAFryer ./core/learn -args -households 200 -write ../../docs | grep -v '^===\|^---\|^ok\|^PASS'

screenshots: build need-chromium
	cd web && npx --no-install playwright test --config screenshots.config.ts
