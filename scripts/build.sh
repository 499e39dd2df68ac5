# Builds the application into .build/app. Sourced by ./cuvee; expects root and app.

newest_change() {
  find "$root/pom.xml" "$root"/{engine,command,model,desktop,demo}/pom.xml "$root"/{engine,command,model,desktop,demo}/src/main \
    "$root/scripts/build.sh" -type f -newer "$app/built" -print -quit 2>/dev/null
}

is_built() {
  [ -f "$app/built" ] && [ -z "$(newest_change)" ]
}

build_if_needed() {
  if is_built; then
    return
  fi
  # Two that start at once build once: the second waits, and finds it built.
  mkdir -p "$root/.build"
  exec 9>"$root/.build/lock"
  if command -v flock >/dev/null; then
    flock 9
  fi
  if ! is_built; then
    build
  fi
  exec 9>&-
}

build() {
  for tool in java javac mvn; do
    if ! command -v "$tool" >/dev/null; then
      echo "Cuvee needs a JDK 17 and Maven; $tool is missing." >&2
      exit 4
    fi
  done
  echo "Building Cuvee; this is needed once after a change." >&2
  local fresh="$root/.build/app.new"
  rm -rf "$fresh"
  mkdir -p "$fresh/lib" "$fresh/native"
  touch "$fresh/built"
  if ! (cd "$root" && mvn -q -B package -DskipTests -Dmaven.test.skip=true -pl desktop -am) >&2; then
    echo "The build failed; see above." >&2
    exit 4
  fi
  cp "$root"/desktop/target/lib/*.jar "$root"/desktop/target/cuvee-desktop-*.jar "$fresh/lib/"
  slim_store "$fresh"
  rm -rf "$app"
  mv "$fresh" "$app"
  share_classes
}

# The store's driver unpacks its library at every start unless it finds it on the library path.
slim_store() {
  local machine library work="$1/slim"
  machine="$(uname -m)"
  case "$(uname -s)-$machine" in
    Linux-x86_64) library=libduckdb_java.so_linux_amd64 ;;
    Linux-aarch64) library=libduckdb_java.so_linux_arm64 ;;
    *) return ;;
  esac
  local jar
  jar="$(ls "$1"/lib/duckdb_jdbc-*.jar)"
  mkdir -p "$work"
  (cd "$work" && jar xf "$jar")
  mv "$work/$library" "$1/native/libduckdb_java.so"
  rm -f "$work"/libduckdb_java.* "$work"/duckdb_java.*
  (cd "$work" && jar cf "$jar" .)
  rm -rf "$work"
}

# Class data sharing halves the start of the command line. Without the archive everything works, only slower.
share_classes() {
  local trial="$root/.build/trial"
  rm -rf "$trial"
  mkdir -p "$trial/data"
  printf 'Date,Name,Amount\n2026-01-01,a,1.5\n2026-01-02,b,2\n' >"$trial/data/a.csv"
  cp "$root"/demo/files/returns/Brannock/*01*.xlsx "$trial/data/" 2>/dev/null || true
  local run=(java -Xmx400m -XX:+UseSerialGC -XX:TieredStopAtLevel=1 --add-opens=java.base/java.nio=ALL-UNNAMED
    "-Djava.library.path=$app/native" -Darrow.enable_unsafe_memory_access=true -Darrow.enable_null_check_for_get=false
    -Dfile.encoding=UTF-8 -Dcuvee.ends.gently=true -cp "$app/lib/*")
  local environment=(env "CUVEE_CACHE=$trial/cache" "CUVEE_STATE=$trial/state")
  {
    "${environment[@]}" "${run[@]}" -XX:ArchiveClassesAtExit="$app/command.jsa" \
      cuvee.command.Main draft "$trial/data" --out "$trial/trial.cuvee" --json
  } >"$trial/log" 2>&1 || true
  # The window's classes are learned from one run up to its first master, where a display can be had.
  if command -v Xvfb >/dev/null; then
    {
      (
        # shellcheck source=display.sh
        source "$root/scripts/display.sh"
        unset DISPLAY
        with_display "${environment[@]}" java -Xmx512m -XX:+UseSerialGC --add-opens=java.base/java.nio=ALL-UNNAMED \
          "-Djava.library.path=$app/native" -Darrow.enable_unsafe_memory_access=true -Darrow.enable_null_check_for_get=false \
          -Dfile.encoding=UTF-8 -Dcuvee.trial=true -cp "$app/lib/*" -XX:ArchiveClassesAtExit="$app/window.jsa" \
          cuvee.desktop.Launcher open "$trial/trial.cuvee"
      )
    } >>"$trial/log" 2>&1 || true
  fi
  rm -rf "$trial"
}
