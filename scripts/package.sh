#!/usr/bin/env bash
# Makes what is installed: an application image with its own Java, and a Debian package, by the JDK's own packager.
# Usage: scripts/package.sh [FOLDER]   (default: .build/package)
set -euo pipefail
root="$(cd "$(dirname "$(readlink -f "${BASH_SOURCE[0]}")")/.." && pwd)"
app="$root/.build/app"
out="$(mkdir -p "${1:-$root/.build/package}" && cd "${1:-$root/.build/package}" && pwd)"
# shellcheck source=build.sh
source "$root/scripts/build.sh"
# shellcheck source=display.sh
source "$root/scripts/display.sh"
if ! command -v jpackage >/dev/null; then
  echo "The packager of the JDK, jpackage, is missing here." >&2
  exit 4
fi
need_packages fakeroot
build_if_needed

work="$(mktemp -d)"
trap 'rm -rf "$work"' EXIT
mkdir -p "$work/input/native" "$work/resources"
cp "$app"/lib/*.jar "$work/input/"
cp "$app"/native/* "$work/input/native/" 2>/dev/null || true
cp -r "$root/demo/files" "$work/input/demo-files"
cp -r "$root/demo/truth" "$work/input/demo-truth"
cp "$root"/packaging/postinst "$root"/packaging/prerm "$work/resources/"
sed "s#ICON#$root/packaging/cuvee.png#" "$root/packaging/job.properties" >"$work/job.properties"
version="$(sed -n 's#^  <version>\([0-9.]*\).*</version>#\1#p' "$root/pom.xml" | head -n 1)"

rm -rf "$out/cuvee"
jpackage --type app-image --name cuvee --app-version "$version" --vendor Cuvee --dest "$out" \
  --description "One master table from many workbooks" --icon "$root/packaging/cuvee.png" \
  --input "$work/input" --main-jar "$(cd "$work/input" && ls cuvee-desktop-*.jar)" --main-class cuvee.desktop.Launcher \
  --java-options "-Xmx512m" --java-options "-XX:+UseSerialGC" --java-options "-XX:TieredStopAtLevel=1" \
  --java-options "--add-opens=java.base/java.nio=ALL-UNNAMED" \
  --java-options "-Djava.library.path=\$APPDIR/native" \
  --java-options "-Darrow.enable_unsafe_memory_access=true" --java-options "-Darrow.enable_null_check_for_get=false" \
  --java-options "-Dfile.encoding=UTF-8" --java-options "-Djava.awt.headless=true" \
  --java-options "-Dcuvee.demo=\$APPDIR/demo-files" --java-options "-Dcuvee.truth=\$APPDIR/demo-truth"
echo "application image: $out/cuvee (start it with $out/cuvee/bin/cuvee)"

if command -v dpkg-deb >/dev/null; then
  jpackage --type deb --name cuvee --app-version "$version" --vendor Cuvee --dest "$out" --app-image "$out/cuvee" \
    --description "One master table from many workbooks" --resource-dir "$work/resources" \
    --file-associations "$work/job.properties" --linux-shortcut --linux-menu-group Office --linux-app-category office \
    --linux-deb-maintainer cuvee@localhost --linux-package-deps "libgtk-3-0, libxtst6, libgl1"
  echo "Debian package: $(ls "$out"/cuvee_*.deb)"
fi
