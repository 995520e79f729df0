#!/usr/bin/env bash
# How each route's time grows with labs, batches and entries: npm run bench:growth. It writes twenty million entries and takes a quarter of an hour; GROWTH=small for a look whether it runs.
set -euo pipefail
root=$(cd "$(dirname "$(readlink -f "$0")")/.." && pwd)
# shellcheck source=lib.sh
. "$root/bench/lib.sh"
begin_bench
start_process direct
SERVER_PID=${processes[0]} ZIP_LEDGER_URL=$first_url run_bundle bench/growth.ts
