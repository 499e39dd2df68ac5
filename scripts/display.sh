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

# Starts a virtual display, of the number wished for where one is; its number is in $display then.
start_display() {
  local ready waited=0
  ready="$(mktemp)"
  Xvfb ${1:+":$1"} -displayfd 3 -r -screen 0 "${CUVEE_SCREEN:-1280x800}x24" -dpi 96 -nolisten tcp -noreset \
    3>"$ready" 2>/dev/null &
  local server=$!
  until [ -s "$ready" ]; do
    sleep 0.1
    waited=$((waited + 1))
    if [ $waited -gt 100 ] || ! kill -0 $server 2>/dev/null; then
      kill $server 2>/dev/null || true
      rm -f "$ready"
      return 1
    fi
  done
  display="$(cat "$ready")"
  rm -f "$ready"
  servers+=($server)
}

# Ends the displays that were started here.
end_displays() {
  [ ${#servers[@]} -eq 0 ] || kill "${servers[@]}" 2>/dev/null || true
}

# Runs a command with a display; ends a display of our own when the command ends.
with_display() {
  if [ -n "${DISPLAY:-}" ] || [ "$(uname -s)" != Linux ]; then
    "$@"
    return
  fi
  need_packages "${window_packages[@]}"
  servers=()
  trap end_displays EXIT INT TERM HUP
  if ! start_display; then
    echo "No virtual display could be started." >&2
    exit 4
  fi
  DISPLAY=":$display"
  export DISPLAY
  echo "No monitor here: the window is shown on the virtual display $DISPLAY." >&2
  local status=0
  "$@" || status=$?
  return $status
}

# Runs a command with several displays; their numbers are $displays followed by 1, 2 and so on.
with_displays() {
  local many=$1
  shift
  displays=""
  if [ "$(uname -s)" != Linux ]; then
    "$@"
    return
  fi
  need_packages "${window_packages[@]}"
  servers=()
  trap end_displays EXIT INT TERM HUP
  for displays in {1..40}; do
    local number=1
    while [ $number -le "$many" ] && start_display "$displays$number"; do
      number=$((number + 1))
    done
    if [ $number -gt "$many" ]; then
      echo "No monitor here: the windows are shown on the virtual displays :${displays}1 to :$displays$many." >&2
      local status=0
      "$@" || status=$?
      return $status
    fi
    end_displays
    servers=()
  done
  echo "No virtual displays could be started." >&2
  exit 4
}
