#!/usr/bin/env bash
# Entries a second, by clients, processes and ways to the database, beside pgbench: npm run bench:entries
set -euo pipefail
root=$(cd "$(dirname "$(readlink -f "$0")")/.." && pwd)
# shellcheck source=lib.sh
. "$root/bench/lib.sh"
begin_bench
start_pooler
direct=() pooled=()
for _ in 1 2; do start_process direct; direct+=("$url"); done
for _ in 1 2; do start_process pooled; pooled+=("$url"); done
PGBENCH="$pg_bin/pgbench" WORK="$work" DIRECT="${direct[*]}" POOLED="${pooled[*]}" run_bundle bench/entries.ts
