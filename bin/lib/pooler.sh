#!/usr/bin/env bash
# PgBouncer with the settings that are deployed, in the foreground: pooler.sh FOLDER PORT DB_PORT DATABASE POOL_SIZE USER=PASSWORD...
set -euo pipefail
root=$(cd "$(dirname "$(readlink -f "$0")")/../.." && pwd)
# shellcheck source=common.sh
. "$root/bin/lib/common.sh"
pooler=$(command -v pgbouncer || echo /usr/sbin/pgbouncer)
folder=$(cluster_folder "$1")
as_postgres mkdir -p "$folder"
filled=$(ADDRESS=127.0.0.1 POOLER_PORT=$2 DATABASE_HOST=127.0.0.1 DATABASE_PORT=$3 DATABASE=$4 POOL_SIZE=$5 STATE=$folder LOGS=$folder "$root/deploy/fill" "$root/deploy/pgbouncer.ini")
shift 5
printf '%s\n' "$filled" | as_postgres tee "$folder/pgbouncer.ini" >/dev/null
for one in "$@"; do printf '"%s" "%s"\n' "${one%%=*}" "${one#*=}"; done | (umask 077; as_postgres tee "$folder/userlist.txt" >/dev/null)
if [ "$(id -u)" = 0 ]; then cd / && exec setpriv --reuid=postgres --regid=postgres --clear-groups "$pooler" -q "$folder/pgbouncer.ini"; else exec "$pooler" -q "$folder/pgbouncer.ini"; fi
