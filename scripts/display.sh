# A display for the window: the one that is there, else a virtual one of our own. Sourced by ./cuvee and ./check.

window_packages=(xvfb libgtk-3-0 libxtst6 libgl1 fonts-dejavu-core)

# Installs Debian packages that are missing, where that is allowed; otherwise prints the line to run.
need_packages() {
  command -v dpkg >/dev/null || return 0
  local missing=()
  for package in "$@"; do
    dpkg -s "$package" >/dev/null 2>&1 || missing+=("$package")
  done
  [ ${#missing[@]} -eq 0 ] && return 0
  local as=()
  if [ "$(id -u)" -ne 0 ]; then
    if command -v sudo >/dev/null && sudo -n true 2>/dev/null; then
      as=(sudo)
    else
      echo "Cuvee needs packages that are missing here. Please run: sudo apt-get install ${missing[*]}" >&2
      exit 4
    fi
  fi
  echo "Installing what is missing: ${missing[*]}" >&2
  {
    "${as[@]}" apt-get update -qq
    DEBIAN_FRONTEND=noninteractive "${as[@]}" apt-get install -y -qq --no-install-recommends "${missing[@]}"
  } >&2 || {
    echo "The packages could not be installed. Please run: apt-get install ${missing[*]}" >&2
    exit 4
  }
}

# Runs a command with a display; ends a display of our own when the command ends.
with_display() {
  if [ -n "${DISPLAY:-}" ] || [ "$(uname -s)" != Linux ]; then
    "$@"
    return
  fi
  need_packages "${window_packages[@]}"
  local ready
  ready="$(mktemp)"
  Xvfb -displayfd 3 -r -screen 0 "${CUVEE_SCREEN:-1280x800}x24" -dpi 96 -nolisten tcp -noreset 3>"$ready" 2>/dev/null &
  local server=$!
  # shellcheck disable=SC2064
  trap "kill $server 2>/dev/null || true; rm -f '$ready'" EXIT INT TERM HUP
  local waited=0
  until [ -s "$ready" ]; do
    sleep 0.1
    waited=$((waited + 1))
    if [ $waited -gt 100 ] || ! kill -0 $server 2>/dev/null; then
      echo "No virtual display could be started." >&2
      exit 4
    fi
  done
  DISPLAY=":$(cat "$ready")"
  export DISPLAY
  echo "No monitor here: the window is shown on the virtual display $DISPLAY." >&2
  local status=0
  "$@" || status=$?
  return $status
}
