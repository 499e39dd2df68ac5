# The database server for the tests of deliveries to one: Debian's package, never started as a service. Sourced by ./check.

postgres_packages=(postgresql)

# Installs the server where it is missing and says where its programs lie.
find_postgres() {
  if ! compgen -G '/usr/lib/postgresql/*/bin/initdb' >/dev/null; then
    need_packages "${postgres_packages[@]}"
  fi
  CUVEE_POSTGRES="$(dirname "$(compgen -G '/usr/lib/postgresql/*/bin/initdb' | sort -V | tail -1)")"
  export CUVEE_POSTGRES
}
