# Shared by ./run and ./test. Sourced, not run. Expects $project.
# shellcheck shell=bash

say() { printf '%s\n' "$*"; }
fail() { printf 'Stopped: %s\n' "$*" >&2; exit 1; }

as_root() {
  if [ "$(id -u)" -eq 0 ]; then "$@"
  elif command -v sudo >/dev/null 2>&1; then sudo "$@"
  else fail "this needs root once to install packages, and there is no sudo. Run it as root."
  fi
}

# The user PostgreSQL runs as: it refuses root, so then the package's own user.
pg_owner() { if [ "$(id -u)" -eq 0 ]; then echo postgres; else id -un; fi; }
as_pg() { if [ "$(id -u)" -eq 0 ]; then (cd / && runuser -u postgres -- "$@"); else "$@"; fi; }

install_packages() {
  say "Installing from Debian's packages: $*"
  as_root env DEBIAN_FRONTEND=noninteractive apt-get -o DPkg::Lock::Timeout=600 -qq update \
    || fail "the package lists could not be fetched; is there a network?"
  as_root env DEBIAN_FRONTEND=noninteractive apt-get -o DPkg::Lock::Timeout=600 -qq -y install "$@" >/dev/null \
    || fail "these packages could not be installed: $*"
}

pg_bin() { ls -d /usr/lib/postgresql/*/bin 2>/dev/null | sort -V | tail -n 1; }

node_is_enough() {
  command -v node >/dev/null 2>&1 && command -v npm >/dev/null 2>&1 \
    && node -e 'const [a,b]=process.versions.node.split(".").map(Number);process.exit(a>20||a===20&&b>=19?0:1)' 2>/dev/null
}

# What building and running need. Further package names may be given.
ensure_tools() {
  local missing=()
  { command -v javac >/dev/null 2>&1 && javac -version 2>&1 | grep -qE ' (1[7-9]|[2-9][0-9])'; } || missing+=(openjdk-17-jdk-headless)
  command -v mvn >/dev/null 2>&1 || missing+=(maven)
  command -v npm >/dev/null 2>&1 || missing+=(nodejs npm)
  command -v flock >/dev/null 2>&1 || missing+=(util-linux)
  [ -n "$(pg_bin)" ] && [ -x "$(pg_bin)/initdb" ] || missing+=(postgresql)
  local wanted
  for wanted in "$@"; do dpkg-query -W -f='${Status}' "$wanted" 2>/dev/null | grep -q 'ok installed' || missing+=("$wanted"); done
  [ ${#missing[@]} -eq 0 ] || install_packages "${missing[@]}"
  export PATH="$project/.tools/node/node_modules/.bin:$PATH"
  if ! node_is_enough; then
    say "This Node is too old to build the interface (20.19 is wanted): installing a newer one under .tools."
    npm install --silent --no-audit --no-fund --prefix "$project/.tools/node" node@22 npm@11 \
      || fail "a newer Node could not be installed from the npm registry."
    node_is_enough || fail "the newer Node under .tools does not run; remove .tools and try again."
  fi
}

# One sentence instead of a page of errors when files belong to somebody else.
check_ownership() {
  local path
  for path in "$project" "$project"/.bough "$project"/.tools "$project"/*/target "$project"/web/node_modules "$project"/web/dist "$project"/web/src/api; do
    if [ -e "$path" ] && [ ! -w "$path" ]; then
      fail "$path belongs to $(stat -c %U "$path"), and you are $(id -un): run as that user, or give it to yourself with: sudo chown -R $(id -un) '$path'"
    fi
  done
}

port_taken() { (exec 3<>"/dev/tcp/127.0.0.1/$1") 2>/dev/null; }
free_port() { local port=$1; while port_taken "$port"; do port=$((port + 1)); done; echo "$port"; }

random_word() { head -c 24 /dev/urandom | base64 | tr -dc 'A-Za-z0-9'; }

# pg_create FOLDER: a cluster of our own, on loopback with a password, with no socket.
pg_create() {
  local folder=$1
  [ -s "$folder/data/PG_VERSION" ] && return
  if [ "$(id -u)" -eq 0 ]; then install -d -m 700 -o postgres -g postgres "$folder"; else mkdir -p -m 700 "$folder"; fi
  local word; word=$(random_word)
  printf '%s' "$word" | as_pg tee "$folder/password" >/dev/null
  as_pg chmod 600 "$folder/password"
  as_pg "$(pg_bin)/initdb" -D "$folder/data" -U bough -E UTF8 --locale=C.UTF-8 --auth=scram-sha-256 \
    --pwfile="$folder/password" >"$folder/../initdb.log" 2>&1 || fail "PostgreSQL could not be set up; see $folder/../initdb.log"
}

pg_running() { as_pg "$(pg_bin)/pg_ctl" -D "$1/data" status >/dev/null 2>&1; }

# pg_start FOLDER [FIRST_PORT] [MORE OPTIONS]: sets pg_port. Waits out what a killed server left behind.
pg_start() {
  local folder=$1 first=${2:-5470} more=${3:-} tries=0
  if pg_running "$folder"; then pg_port=$(as_pg sed -n 4p "$folder/data/postmaster.pid"); return; fi
  pg_port=$(free_port "$first")
  until as_pg "$(pg_bin)/pg_ctl" -D "$folder/data" -w -t 60 -s -l "$folder/postgres.log" \
      -o "-p $pg_port -c listen_addresses=127.0.0.1 -c unix_socket_directories='' $more" start >/dev/null 2>&1; do
    tries=$((tries + 1))
    [ $tries -lt 20 ] || fail "PostgreSQL does not start; see $folder/postgres.log"
    sleep 1
    pg_port=$(free_port "$first")
  done
}

pg_stop() { if pg_running "$1"; then as_pg "$(pg_bin)/pg_ctl" -D "$1/data" -m fast -w -t 60 -s stop >/dev/null 2>&1 || true; fi; }

# Where clusters live: under the project when PostgreSQL's user can get there, else under /var/lib.
pg_home() {
  if [ "$(id -u)" -ne 0 ] || runuser -u postgres -- test -x "$project" 2>/dev/null; then echo "$project/.bough"
  else echo "/var/lib/diligent-bough/$(printf '%s' "$project" | sha256sum | cut -c1-12)"; fi
}
