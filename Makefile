SHELL := /bin/bash
PY := .venv/bin/python
# Debian's own where there is one that can make environments: it is compiled by what it was seen to do most, a twentieth faster.
PYTHON := $(shell /usr/bin/python3.11 -c 'import venv, ensurepip; print("/usr/bin/python3.11")' 2>/dev/null || echo python3)
# Matrices here are small: threads of several processes would only wait for each other.
export OPENBLAS_NUM_THREADS ?= 1
# A start and the tests begin dozens of processes: what one has compiled, the others load.
unexport PYTHONDONTWRITEBYTECODE
.PHONY: demo serve test bench torture truth build setup setup-test client format clean

# Everything on this machine with the demo study. Ctrl-C stops it.
demo: setup web/dist/index.html
	@exec .venv/bin/crevlo up --demo

# Real use: an empty database on first start, kept in .crevlo/serve.
serve: setup web/dist/index.html
	@exec .venv/bin/crevlo up

test: setup-test web/dist/index.html
	@scripts/test

bench: setup
	@$(PY) -m bench.run

build: web/dist/index.html

setup: .crevlo/stamps/compiled .crevlo/stamps/node

setup-test: setup
	@scripts/debian chromium

# The stamps are newer than the lock files they were made from, so that a second start does nothing twice.
.crevlo/stamps/python: pyproject.toml uv.lock
	@scripts/debian postgres $(PYTHON)
	@test -x .venv/bin/python || $(PYTHON) -m venv .venv
	@test -x .venv/bin/uv || .venv/bin/pip install --quiet --disable-pip-version-check uv==0.13.9
	@.venv/bin/uv sync --frozen --quiet --compile-bytecode
	@mkdir -p .crevlo/stamps && touch $@

# The reader of sliced files is compiled before anybody waits for it, and again whenever it has changed.
.crevlo/stamps/compiled: .crevlo/stamps/python $(wildcard crevlo/core/motion/*.py)
	@$(PY) -c "from crevlo.core.motion.stream import compiled; compiled()" && touch $@

.crevlo/stamps/node: web/package.json web/package-lock.json
	@scripts/debian node
	@mkdir -p .crevlo/stamps
# Of two makes started together the second waits, then finds the work done.
	@flock .crevlo/stamps sh -c '[ $@ -nt web/package-lock.json -a $@ -nt web/package.json ] || \
	  { (cd web && npm ci --no-audit --no-fund --no-update-notifier --loglevel=error) && touch $@; }'

web/dist/index.html: .crevlo/stamps/node web/index.html web/vite.config.ts $(shell find web/src -type f)
	@cd web && npm run --silent build
	@touch $@

# The TypeScript client, from the API's own description.
client: setup
	@.venv/bin/crevlo openapi > .crevlo/openapi.json && cd web && npm run --silent client -- ../.crevlo/openapi.json -o src/api/generated.ts

format: setup
	@.venv/bin/ruff check --fix --quiet . ; .venv/bin/ruff format --quiet . ; cd web && npm run --silent format

clean:
	rm -rf .venv web/node_modules web/dist .crevlo/stamps

# Whether stated uncertainties and chances hold, on simulated studies; writes docs/truth.md. About ten minutes.
truth: setup
	@$(PY) -m tests.truth

# What it must stand: kills, fuzzed calls, a full disk, an hour of twenty people. Takes about an hour and a half.
torture: setup web/dist/index.html
	@$(PY) -m bench.torture
