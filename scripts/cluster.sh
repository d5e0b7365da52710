#!/usr/bin/env bash
# A private PostgreSQL cluster: cluster.sh create|start|stop|url|owner-url|running|dump|restore DIR …
# Loopback only, own port, own socket directory, passwords of its own. As root it runs as the postgres user. Its owner makes and changes
# tables; the app has a role of its own, which reads and writes rows and can do nothing else.
set -euo pipefail

tool() { # newest installed server tools, wherever Debian put them
  local dir
  dir=$(ls -d /usr/lib/postgresql/*/bin 2>/dev/null | sort -V | tail -n 1)
  if [ -n "$dir" ] && [ -x "$dir/$1" ]; then echo "$dir/$1"; else command -v "$1"; fi
}

as_server() { if [ "$(id -u)" = 0 ]; then runuser -u postgres -- "$@"; else "$@"; fi; }

port_is_free() { node -e 'const s=require("net").createServer();s.on("error",()=>process.exit(1));s.listen(+process.argv[1],"127.0.0.1",()=>s.close())' "$1"; }
free_port() { node -e 'const s=require("net").createServer();s.listen(0,"127.0.0.1",()=>{process.stdout.write(String(s.address().port));s.close()})'; }
secret() { (umask 077; node -e 'console.log(require("crypto").randomBytes(24).toString("hex"))' >"$1"); }

# Made beside its place and moved there when it is whole: one that was cut off is made again.
create() {
  local to=$1 dir=$1.coming
  rm -rf "$dir"
  mkdir -p "$dir"
  secret "$dir/password"
  free_port >"$dir/port"
  if [ "$(id -u)" = 0 ]; then chown -R postgres "$dir"; fi
  chmod 700 "$dir"
  as_server "$(tool initdb)" -D "$dir/data" -U blendt --auth=scram-sha-256 --pwfile="$dir/password" -E UTF8 --locale=C.UTF-8 >"$to.log" 2>&1 ||
    { echo "The database cluster could not be made in $to; see $to.log." >&2; return 1; }
  chmod 600 "$to.log"
  # What an earlier one left there is no cluster.
  [ -d "$to/data" ] || rm -rf "$to"
  mv -T "$dir" "$to"
}

# The postmaster's process, if the one that is written down is one. One that is dead and whose end nobody has asked for yet is none.
postmaster() {
  local pid
  pid=$(head -n 1 "$1/data/postmaster.pid" 2>/dev/null) && [ "$(cat "/proc/$pid/comm" 2>/dev/null)" = postgres ] &&
    ! grep -qs '^State:[[:space:]]*Z' "/proc/$pid/status" && echo "$pid"
}

running() { postmaster "$1" >/dev/null; }

sql() { # dir, database, statement
  PGPASSWORD=$(cat "$1/password") psql -q -X -v ON_ERROR_STOP=1 -h 127.0.0.1 -p "$(cat "$1/port")" -U blendt -d "$2" -tAc "$3"
}

has() { [ -n "$(sql "$1" postgres "select 1 from pg_database where datname like '$2'")" ]; }

launch() {
  local dir=$1 port safety=
  # Of tests alone: what is written need not survive the machine's own end.
  [ "${BLENDT_THROWAWAY:-}" != yes ] || safety="-c fsync=off -c full_page_writes=off"
  # What is written down of a postmaster that is gone, or of a stranger who has its number now, is in the way.
  running "$dir" || rm -f "$dir/data/postmaster.pid"
  port=$(cat "$dir/port")
  # Who waits for a database that has just stopped may hold its port for a moment; another one would leave them waiting for ever.
  for _ in 1 2 3 4 5 6; do
    port_is_free "$port" && break
    sleep 0.5
  done
  if ! port_is_free "$port"; then
    free_port >"$dir/port"
    port=$(cat "$dir/port")
  fi
  rm -f "$dir/.s.PGSQL."*
  as_server "$(tool pg_ctl)" -D "$dir/data" -l "$dir/server.log" -w -t 30 -s \
    -o "-c listen_addresses=127.0.0.1 -c port=$port -c unix_socket_directories=$dir -c log_parameter_max_length=0 -c log_parameter_max_length_on_error=0 -c log_min_error_statement=panic -c log_error_verbosity=terse $safety" start 2>/dev/null
}

# Finishes a restore that was cut off between its last steps, or lets people in again if it had only shut them out; says whether there was one.
settle() { # dir
  exec 8>"$1/exchanging"
  flock -n 8 || return 0
  if ! has "$1" blendt; then
    has "$1" blendt_coming && has "$1" 'blendt\_before\_%' || return 0
    sql "$1" postgres "alter database blendt_coming rename to blendt"
  elif [ -n "$(sql "$1" postgres "select 1 from pg_database where datname = 'blendt' and datallowconn")" ]; then
    return 0
  fi
  sql "$1" postgres "alter database blendt allow_connections true"
  echo settled
}

start() {
  local dir=$1 i
  # A postmaster that was killed leaves children that fade for a while, and holds its memory until then.
  for i in $(seq 30); do
    launch "$dir" && break
    [ "$i" -lt 30 ] || { echo "The database cluster in $dir does not start; see $dir/server.log." >&2; return 1; }
    sleep 1
  done
  settle "$dir" >/dev/null
  has "$dir" blendt || sql "$dir" postgres "create database blendt"
  # Clusters that were made before have no such role yet.
  [ -f "$dir/app-password" ] || secret "$dir/app-password"
  [ -n "$(sql "$dir" postgres "select 1 from pg_roles where rolname='blendt_app'")" ] || sql "$dir" postgres "create role blendt_app login nosuperuser nocreatedb nocreaterole"
  sql "$dir" postgres "alter role blendt_app password '$(cat "$dir/app-password")'"
}

stop() { if running "$1"; then as_server "$(tool pg_ctl)" -D "$1/data" -m "${2:-fast}" -w -s stop; fi; }

url() { echo "postgresql://blendt_app:$(cat "$1/app-password")@127.0.0.1:$(cat "$1/port")/${2:-blendt}"; }
owner-url() { echo "postgresql://blendt:$(cat "$1/password")@127.0.0.1:$(cat "$1/port")/${2:-blendt}"; }

# Everything in one file of pg_dump's own format.
dump() { # dir, file
  PGPASSWORD=$(cat "$1/password") "$(tool pg_dump)" -h 127.0.0.1 -p "$(cat "$1/port")" -U blendt -Fc --no-owner --no-acl -f "$2" blendt
}

# Whether a file is a whole backup of ours: it is read to its end.
check() { # file
  "$(tool pg_restore)" --list "$1" 2>/dev/null | grep 'TABLE DATA public studios' >/dev/null && "$(tool pg_restore)" -f /dev/null "$1" 2>/dev/null
}

# Reads a backup into a database beside the one in use.
read-beside() { # dir, file
  sql "$1" postgres "drop database if exists blendt_coming"
  sql "$1" postgres "create database blendt_coming"
  # It may lie where the server's user cannot go: it is read here.
  PGPASSWORD=$(cat "$1/password") "$(tool pg_restore)" -h 127.0.0.1 -p "$(cat "$1/port")" -U blendt --exit-on-error --no-owner --no-acl -d blendt_coming "$2"
}

# Puts what was read in place of the database in use, which is kept under another name until the next time.
exchange() { # dir
  local old
  exec 8>"$1/exchanging"
  flock 8
  for old in $(sql "$1" postgres "select datname from pg_database where datname like 'blendt\_before\_%'"); do sql "$1" postgres "drop database \"$old\" with (force)"; done
  # Racks are kept by version in browsers; those of another past must not be taken for these.
  sql "$1" postgres "alter database blendt_coming set blendt.epoch = '$(date +%s)'"
  sql "$1" postgres "alter database blendt allow_connections false"
  sql "$1" postgres "select pg_terminate_backend(pid) from pg_stat_activity where datname = 'blendt'" >/dev/null
  sql "$1" postgres "alter database blendt rename to blendt_before_$(date +%Y%m%d_%H%M%S)"
  sql "$1" postgres "alter database blendt_coming rename to blendt"
}

"$@"
