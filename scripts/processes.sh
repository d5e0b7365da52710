# Processes that are ours, and no stranger's: for ./blendt. An id alone may be another's by now; with the time of birth it names one process
# for as long as the machine runs.

born() { # process
  sed 's/^.*) //' "/proc/$1/stat" 2>/dev/null | cut -d' ' -f20
}

note_process() { # file, process
  echo "$2 $(born "$2")" >"$1"
}

is_ours() { # file
  local pid when
  [ -f "$1" ] && read -r pid when <"$1" && [ -n "$when" ] && [ "$(born "$pid")" = "$when" ] && [ "$(cut -d' ' -f3 "/proc/$pid/stat" 2>/dev/null)" != Z ]
}

pid_in() { cut -d' ' -f1 "$1"; }

# Ends a process of ours: kindly, then by force; fails when it is still there.
end_process() { # file, seconds
  local i pid
  is_ours "$1" || { rm -f "$1"; return 0; }
  pid=$(pid_in "$1")
  kill -TERM "$pid" 2>/dev/null || true
  for i in $(seq $(($2 * 10))); do
    is_ours "$1" || { rm -f "$1"; return 0; }
    sleep 0.1
  done
  kill -KILL "$pid" 2>/dev/null || true
  for i in $(seq 50); do
    is_ours "$1" || { rm -f "$1"; return 0; }
    sleep 0.1
  done
  return 1
}

# Keeps a log within bounds: what is over goes to .1, .2, .3. The writer appends, so its file stays the same one.
rotate() { # file, most bytes
  [ -f "$1" ] && [ "$(stat -c %s "$1")" -gt "$2" ] || return 0
  [ ! -f "$1.2" ] || mv -f "$1.2" "$1.3"
  [ ! -f "$1.1" ] || mv -f "$1.1" "$1.2"
  (umask 077; cp "$1" "$1.1")
  : >"$1"
}

# Falls of late: fails when there were more than so many within so many seconds.
FALLS=()
may_rise() { # most, seconds
  local now=$SECONDS one recent=()
  for one in "${FALLS[@]}" "$now"; do [ $((now - one)) -ge "$2" ] || recent+=("$one"); done
  FALLS=("${recent[@]}")
  [ "${#FALLS[@]}" -le "$1" ]
}
