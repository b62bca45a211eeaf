# Two commands do all the set-up on a fresh machine: make demo, make test.
SHELL := /bin/bash
.SHELLFLAGS := -eu -o pipefail -c
.DELETE_ON_ERROR:
.PHONY: demo dev build test bench screenshots generate tools format clean check-generated check-lint check-types check-format check-unit check-arrows check-unused go-test web-test e2e soak mutants stage classroom

VERSION := $(shell git describe --tags --always --dirty 2>/dev/null || echo dev)
WEB := $(shell find web/src web/public web/scripts -type f -not -path '*/generated/*' 2>/dev/null) web/index.html web/vite.config.ts
CORE := $(shell find core cmd/corewasm -name '*.go' -not -name '*_test.go')
GO := $(shell find core cmd internal demo docs web -name '*.go' -not -path '*/node_modules/*') go.mod

demo: build
	bin/unitbloom demo

# Pages that are changed are seen at once, at the address that it prints; the server
# behind them is at 8080.
dev: build
	bin/unitbloom demo --data data/dev.db & trap "kill $$!" EXIT; npm run --silent dev

build: bin/unitbloom

node_modules/.ready: package.json package-lock.json
	npm ci
	touch $@

web/src/core/generated/core.wasm: $(CORE) web/scripts/core.mjs node_modules/.ready
	node web/scripts/core.mjs

web/dist/index.html: web/src/core/generated/core.wasm $(WEB) go.mod node_modules/.ready
	npm run --silent build

bin/unitbloom: web/dist/index.html $(GO) demo/*.json
	CGO_ENABLED=0 go build -trimpath -ldflags "-s -w -X main.version=$(VERSION)" -o $@ ./cmd/unitbloom

# Schemas from the Go types, then TypeScript types from the schemas.
generate: node_modules/.ready
	go run ./cmd/gen
	node web/scripts/types.mjs

check-generated: generate
	git diff --exit-code -- docs/schema docs/models.md docs/methods.md docs/door.md docs/tasks.md web/src/core/types.gen.ts

# gcc is for the race detector; Chromium without windows for the browser tests, and whole for what
# is measured.
tools:
	@missing=; \
	command -v gcc >/dev/null || missing="$$missing gcc libc6-dev"; \
	for browser in chromium-headless-shell chromium; do \
		command -v $$browser >/dev/null || test -n "$${CHROMIUM:-}" || missing="$$missing $$browser"; \
	done; \
	if test -n "$$missing"; then apt-get update -q && DEBIAN_FRONTEND=noninteractive apt-get install -y -q --no-install-recommends $$missing; fi

# What is compiled and what is read of the source go side by side; the browser tests take both cores.
test: tools build
	$(MAKE) --no-print-directory -j2 --output-sync go-test web-test
	$(MAKE) --no-print-directory e2e

# What is called from nowhere is looked for where something has changed: go keeps no answer to that.
bin/.alive: $(GO)
	test -z "$$(go tool deadcode -test ./... | tee /dev/stderr)"
	mkdir -p bin && touch $@

# What does one thing at a time is not watched for races, which takes it ten times as long.
ALONE = Costly|ListedTasksAreMarked|ASetRises

go-test: bin/.alive
	test -z "$$(gofmt -l cmd core demo docs internal web/*.go)"
	! LC_ALL=C.UTF-8 grep -rnP --include='*.go' '^.{121,}' cmd core demo docs internal web/*.go | grep -v '`json:'
	go vet ./...
	go tool staticcheck ./...
	GOOS=js GOARCH=wasm go vet ./core/... ./cmd/corewasm
	GOGC=600 CGO_ENABLED=1 go test -race -skip '$(ALONE)' ./internal/server ./internal/store ./internal/live ./cmd/...
	GOGC=600 go test -run '$(ALONE)' ./internal/server ./cmd/unitbloom
	GOGC=600 UNITBLOOM_CASES=100 go test $$(go list ./... | grep -vE '/(core|cmd|internal/server|internal/store|internal/live)(/|$$)')
	GOGC=600 UNITBLOOM_CASES=10000 go test ./core/...

WEB_CHECKS = check-lint check-types check-format check-arrows check-unused check-unit
web-test: $(WEB_CHECKS)

$(WEB_CHECKS): check-%: web/src/core/generated/core.wasm check-generated
	npm run --silent $*

e2e: tools build
	npx playwright test --config e2e/playwright.config.ts

# For SOAK each: the fuzz targets with coverage guidance; the tests that kill; and every screen
# and state at every size.
SOAK ?= 60s
soak: build
	for target in ./core/model:FuzzNotation ./core/model:FuzzMove ./core/lesson:FuzzEdits; do \
		go test $${target%%:*} -run xxx -fuzz "^$${target##*:}$$" -fuzztime $(SOAK) -parallel 2; \
	done
	go test ./cmd/unitbloom -run 'Killed|WholeOrNot|FullDisk' -count 5
	EVERY_SIZE=1 npx playwright test --config e2e/playwright.config.ts everyone saving

# Small changes to the rules, one after another: which does no test notice? EACH a
# package, drawn by SEED.
EACH ?= 60
SEED ?= 1
mutants: node_modules/.ready
	go run ./cmd/mutants -each $(EACH) -seed $(SEED)

bench: tools build
	node e2e/bench.mjs

# Eight classes of thirty devices on one server, which is killed on the way.
classroom: build
	node e2e/classroom.mjs

# What the class sees of every method, measured on four screens.
stage: tools build
	node e2e/stage.mjs

screenshots: tools build
	node e2e/screenshots.mjs

format: node_modules/.ready
	gofmt -w cmd core demo internal web/*.go
	npx prettier --write .

clean:
	rm -rf bin web/dist/assets web/dist/index.html* web/src/core/generated
