# What bin/start and bin/test share: the packages, a database cluster, and how to stop what was started.
# Sourced with `root` set to the checkout.

say() { printf '%s\n' "$*"; }
die() { printf '%s\n' "$*" >&2; exit 1; }

need_node() {
  command -v node >/dev/null 2>&1 || die "Node.js is missing. Install Node.js 20.19 or later with npm, then run this again."
  node -e 'const [a,b]=process.versions.node.split(".").map(Number); process.exit(a>20||(a===20&&b>=19)?0:1)' \
    || die "Node.js $(node --version) is too old. Install Node.js 20.19 or later, then run this again."
}

# Installs Debian packages as root or through sudo; otherwise says exactly what to install.
need_debian() {
  local missing="$*"
  if ! command -v apt-get >/dev/null 2>&1; then die "Please install these programs, then run this again: $missing"; fi
  say "Installing Debian packages: $missing"
  local as=()
  if [ "$(id -u)" != 0 ]; then
    if command -v sudo >/dev/null 2>&1 && { sudo -n true 2>/dev/null || [ -t 0 ]; }; then as=(sudo); else
      die "These Debian packages are missing and this user may not install them. As root: apt-get install -y $missing"
    fi
  fi
  "${as[@]}" apt-get update -qq || true
  # shellcheck disable=SC2086
  "${as[@]}" env DEBIAN_FRONTEND=noninteractive apt-get install -y -qq --no-install-recommends $missing >/dev/null \
    || die "The Debian packages could not be installed. As root: apt-get install -y $missing"
}

find_postgres() { ls -d /usr/lib/postgresql/*/bin 2>/dev/null | sort -V | tail -n 1; }

need_postgres() {
  pg_bin=$(find_postgres)
  if [ -z "$pg_bin" ] || [ ! -x "$pg_bin/initdb" ]; then need_debian postgresql; pg_bin=$(find_postgres); fi
  [ -n "$pg_bin" ] && [ -x "$pg_bin/initdb" ] || die "PostgreSQL's programs were not found under /usr/lib/postgresql."
}

need_packages() {
  if [ ! -f "$root/node_modules/.package-lock.json" ] || [ "$root/package-lock.json" -nt "$root/node_modules/.package-lock.json" ]; then
    say "Installing the packages of the lock file."
    (cd "$root" && npm ci --no-audit --no-fund --loglevel=error) || die "npm ci failed: see above."
    touch "$root/node_modules/.package-lock.json"
  fi
}

# PostgreSQL refuses to run as root, so there the cluster belongs to the user postgres.
as_postgres() { if [ "$(id -u)" = 0 ]; then (cd / && runuser -u postgres -- "$@"); else "$@"; fi; }

# A folder for a cluster that its user can reach: the wanted one, or one under /var/lib for root in a closed place.
cluster_folder() {
  local wanted=$1
  if [ "$(id -u)" != 0 ]; then mkdir -p "$wanted"; chmod 700 "$wanted"; printf '%s' "$wanted"; return; fi
  mkdir -p "$(dirname "$wanted")"
  if ! as_postgres test -x "$(dirname "$wanted")"; then
    wanted="/var/lib/zip-ledger/$(printf '%s' "$wanted" | cksum | cut -d' ' -f1)"
    install -d -m 755 /var/lib/zip-ledger
  fi
  [ -d "$wanted" ] || install -d -o postgres -m 700 "$wanted"
  printf '%s' "$wanted"
}

# use_version_of FOLDER: the programs of the major version that made a cluster; another one cannot read it.
use_version_of() {
  local made
  made=$(as_postgres cat "$1/PG_VERSION" 2>/dev/null) || return 0
  [ -n "$made" ] || return 0
  [ "$(basename "$(dirname "$pg_bin")")" = "$made" ] && return 0
  if [ -x "/usr/lib/postgresql/$made/bin/pg_ctl" ]; then pg_bin="/usr/lib/postgresql/$made/bin"; return 0; fi
  die "The database in $1 was made by PostgreSQL $made, and only $(basename "$(dirname "$pg_bin")") is installed. Install postgresql-$made and start again,
or move the data: with PostgreSQL $made run pg_dump, set the folder aside, start once, and load the dump with psql."
}

# save_before_migrating FOLDER: a dump of what is there, where this code would change its tables.
save_before_migrating() {
  local pending dump
  pending=$(run_bundle server/db/pending.ts) || die "The database could not be looked at."
  case $pending in
    newer*) die "${pending#newer }" ;;
    '') return 0 ;;
  esac
  command -v "${pg_bin:-}/pg_dump" >/dev/null 2>&1 || command -v pg_dump >/dev/null 2>&1 || die "The tables are about to change ($pending), and there is no pg_dump to save them with first."
  mkdir -p "$1"
  dump="$1/before-${pending%% *}-$(date +%Y%m%d-%H%M%S).sql"
  (umask 077; PATH="${pg_bin:+$pg_bin:}$PATH" pg_dump "$DATABASE_URL" >"$dump") || die "The database could not be saved to $dump before its tables change."
  say "Saved what is there to $dump before its tables change."
}

answers() { node -e 'fetch(process.argv[1]).then(r=>process.exit(r.ok?0:1),()=>process.exit(1))' "$1"; }

free_port() { node -e 'const s=require("net").createServer();s.listen(0,"127.0.0.1",()=>{console.log(s.address().port);s.close()})'; }

is_free() { node -e 'const s=require("net").createServer();s.once("error",()=>process.exit(1));s.listen(+process.argv[1],"127.0.0.1",()=>s.close())' "$1"; }

# make_cluster FOLDER PASSWORD: initdb with a password, on loopback only and without a socket file.
make_cluster() {
  local folder=$1 secret; secret=$(mktemp)
  printf '%s' "$2" >"$secret"
  [ "$(id -u)" = 0 ] && chown postgres "$secret"
  as_postgres "$pg_bin/initdb" -D "$folder" -U postgres --pwfile="$secret" --auth=scram-sha-256 --encoding=UTF8 --locale=C.UTF-8 --data-checksums >/dev/null
  rm -f "$secret"
}

# start_cluster FOLDER PORT [more settings]
start_cluster() {
  local folder=$1 port=$2; shift 2
  as_postgres "$pg_bin/pg_ctl" -w -t 60 -D "$folder" -l "$folder/server.log" \
    -o "-p $port -c listen_addresses=127.0.0.1 -c unix_socket_directories='' $*" start >/dev/null 9>&- \
    || die "PostgreSQL did not start: see $folder/server.log"
}

# Stops by the id of the server we started: SIGINT is PostgreSQL's fast shutdown.
stop_cluster() {
  local folder=$1 pid
  pid=$(as_postgres head -n 1 "$folder/postmaster.pid" 2>/dev/null) || return 0
  [ -n "$pid" ] || return 0
  kill -INT "$pid" 2>/dev/null || return 0
  for _ in $(seq 100); do kill -0 "$pid" 2>/dev/null || return 0; sleep 0.1; done
}

# need_database: DATABASE_URL as the owner of the tables: the one that was given, or that of this checkout, which is started where it does not run, and then
# stopped again by stop_database.
need_database() {
  need_postgres
  database_started=
  [ -n "${DATABASE_URL:-}" ] && return 0
  local folder db_port
  folder=$(cluster_folder "$root/.data/postgres")
  as_postgres test -f "$folder/PG_VERSION" || die "There is no database here yet. Start the app once with bin/start, or name a database in DATABASE_URL."
  use_version_of "$folder"
  if ! cluster_runs "$folder"; then
    start_cluster "$folder" "$(free_port)"
    database_started=$folder
  fi
  db_port=$(as_postgres sed -n 4p "$folder/postmaster.pid")
  export DATABASE_URL="postgres://postgres:$(cat "$root/.data/password")@127.0.0.1:$db_port/postgres"
}
stop_database() { [ -z "${database_started:-}" ] || stop_cluster "$database_started"; }

cluster_runs() { as_postgres "$pg_bin/pg_ctl" -D "$1" status >/dev/null 2>&1; }

# run_bundle NAME [arguments]: server code outside the app (the database's preparation), bundled so that it needs no build of the app.
run_bundle() {
  local source=$1; shift
  (cd "$root" && node_modules/.bin/esbuild "$source" --bundle --platform=node --format=esm --target=node20 --packages=external \
    --outfile=".build/$(basename "$source" .ts).mjs" --log-level=error && node ".build/$(basename "$source" .ts).mjs" "$@")
}

build_app() {
  local stamp="$root/.output/built"
  if [ ! -f "$stamp" ] || [ -n "$(find "$root/app" "$root/core" "$root/server" "$root/instruments" "$root/nuxt.config.ts" "$root/package-lock.json" -newer "$stamp" -type f -not -name '*.test.ts' -print -quit 2>/dev/null)" ]; then
    say "Building the app."
    local begun; begun=$(mktemp)
    (cd "$root" && NUXT_TELEMETRY_DISABLED=1 npm run --silent build >"$root/.build/build.log" 2>&1) || { tail -n 40 "$root/.build/build.log" >&2; die "The build failed."; }
    touch -r "$begun" "$stamp"; rm -f "$begun"
  fi
}
