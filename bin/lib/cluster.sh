#!/usr/bin/env bash
# A throwaway database for a test or a benchmark: cluster.sh make|start|hang|go|kill|stop FOLDER PORT [PASSWORD]
# Settings are PostgreSQL's own: what it acknowledges is on the disk.
set -euo pipefail
root=$(cd "$(dirname "$(readlink -f "$0")")/../.." && pwd)
# shellcheck source=common.sh
. "$root/bin/lib/common.sh"
need_postgres
what=$1 folder=$2 port=$3

case $what in
  make)
    folder=$(cluster_folder "$folder")
    make_cluster "$folder" "$4"
    start_cluster "$folder" "$port"
    ;;
  start)
    # The backends of a killed server may hold its memory for a moment.
    for _ in $(seq 50); do
      if as_postgres "$pg_bin/pg_ctl" -w -t 60 -D "$folder" -l "$folder/server.log" \
        -o "-p $port -c listen_addresses=127.0.0.1 -c unix_socket_directories=''" start >/dev/null 2>&1; then exit 0; fi
      sleep 0.2
    done
    die "PostgreSQL did not start again: see $folder/server.log"
    ;;
  hang | go)
    first=$(as_postgres head -n 1 "$folder/postmaster.pid")
    if [ "$what" = hang ]; then signal=STOP; else signal=CONT; fi
    # shellcheck disable=SC2046
    kill -"$signal" "$first" $(pgrep -P "$first")
    ;;
  kill) kill -KILL "$(as_postgres head -n 1 "$folder/postmaster.pid")" ;;
  stop) stop_cluster "$folder" ;;
esac
