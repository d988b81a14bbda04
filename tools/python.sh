# Finds a Python that serves, or installs Debian's; leaves its name in $python. Sourced by ./start and ./check.
serves='import sys; sys.exit(not (3, 11) <= sys.version_info[:2] <= (3, 13))'
python=
find_python() {
  for one in python3 python3.13 python3.12 python3.11; do
    if command -v "$one" >/dev/null && "$one" -c "$serves"; then python=$one && return; fi
  done
}
find_python
if [ -z "$python" ] && [ "$(id -u)" = 0 ] && command -v apt-get >/dev/null; then
  echo "· installing Debian's Python ..."
  said=$({ apt-get update && DEBIAN_FRONTEND=noninteractive apt-get install -y --no-install-recommends python3 python3-venv; } 2>&1 </dev/null) ||
    printf '%s\n' "$said" | tail -n 5 >&2
  find_python
fi
if [ -z "$python" ]; then
  echo "Python 3.11, 3.12 or 3.13 is needed. On Debian 12 and 13: sudo apt-get install python3 python3-venv" >&2
  exit 1
fi
