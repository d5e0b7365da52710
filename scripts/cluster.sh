#!/usr/bin/env bash
# A private PostgreSQL cluster: cluster.sh create|start|stop|url|running DIR
# Loopback only, own port, own socket directory, password of its own. As root it runs as the postgres user.
set -euo pipefail

tool() { # newest installed server tools, wherever Debian put them
  local dir
  dir=$(ls -d /usr/lib/postgresql/*/bin 2>/dev/null | sort -V | tail -n 1)
  if [ -n "$dir" ] && [ -x "$dir/$1" ]; then echo "$dir/$1"; else command -v "$1"; fi
}

as_server() { if [ "$(id -u)" = 0 ]; then runuser -u postgres -- "$@"; else "$@"; fi; }

free_port() { node -e 'const s=require("net").createServer();s.listen(0,"127.0.0.1",()=>{console.log(s.address().port);s.close()})'; }

create() {
  local dir=$1
  mkdir -p "$dir"
  (umask 077; node -e 'console.log(require("crypto").randomBytes(24).toString("hex"))' >"$dir/password")
  free_port >"$dir/port"
  if [ "$(id -u)" = 0 ]; then chown -R postgres "$dir"; fi
  chmod 700 "$dir"
  as_server "$(tool initdb)" -D "$dir/data" -U blendt --auth=scram-sha-256 --pwfile="$dir/password" -E UTF8 --locale=C.UTF-8 >"$dir.log" 2>&1 ||
    { echo "The database cluster could not be made in $dir; see $dir.log." >&2; return 1; }
}

running() { [ -f "$1/data/postmaster.pid" ] && as_server "$(tool pg_ctl)" -D "$1/data" status >/dev/null 2>&1; }

start() {
  local dir=$1 port
  port=$(cat "$dir/port")
  if ! node -e 'const s=require("net").createServer();s.on("error",()=>process.exit(1));s.listen(+process.argv[1],"127.0.0.1",()=>s.close())' "$port"; then
    free_port >"$dir/port"
    port=$(cat "$dir/port")
  fi
  as_server "$(tool pg_ctl)" -D "$dir/data" -l "$dir/server.log" -w -t 30 -s \
    -o "-c listen_addresses=127.0.0.1 -c port=$port -c unix_socket_directories=$dir" start ||
    { echo "The database cluster in $dir does not start; see $dir/server.log." >&2; return 1; }
  PGPASSWORD=$(cat "$dir/password") psql -q -h 127.0.0.1 -p "$port" -U blendt -d postgres -tAc "select 1 from pg_database where datname='blendt'" | grep -q 1 ||
    PGPASSWORD=$(cat "$dir/password") psql -q -h 127.0.0.1 -p "$port" -U blendt -d postgres -c "create database blendt"
}

stop() { if running "$1"; then as_server "$(tool pg_ctl)" -D "$1/data" -m "${2:-fast}" -w -s stop; fi; }

url() { echo "postgresql://blendt:$(cat "$1/password")@127.0.0.1:$(cat "$1/port")/blendt"; }

"$@"
