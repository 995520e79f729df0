#!/usr/bin/env bash
# The server's benchmarks, with their peers in the same run and on a database of PostgreSQL's own settings: npm run bench:server
set -euo pipefail
root=$(cd "$(dirname "$(readlink -f "$0")")/.." && pwd)
# shellcheck source=lib.sh
. "$root/bench/lib.sh"
begin_bench
start_process direct
export ZIP_LEDGER_URL=$first_url
run_bundle bench/door.ts
run_bundle bench/journal.ts
SERVER_PID=${processes[0]} run_bundle bench/export.ts
run_bundle bench/record.ts
run_bundle bench/shelf.ts
SERVER_PID=${processes[0]} run_bundle bench/streams.ts
