# Shared by ./start and ./test: gets what is missing and builds what has changed. Sourced, not run.
export DOTNET_CLI_TELEMETRY_OPTOUT=1 DOTNET_NOLOGO=1 DOTNET_SKIP_FIRST_TIME_EXPERIENCE=1
# The compiler and the tests live too short for what is learned while they run: without it a build takes a third less.
export DOTNET_TieredPGO=0
export MSBUILDDISABLENODEREUSE=1
stamps="$root/artifacts/stamps"
# Room for young objects, in bytes (hexadecimal), for what runs for minutes and makes much.
young=0x10000000

say() { printf '%s\n' "$*" >&2; }

# quietly NAME COMMAND…: shows the output only when the command fails.
quietly() {
  local log="$root/artifacts/logs/$1.log"
  mkdir -p "${log%/*}"
  shift
  if ! "$@" >"$log" 2>&1; then
    tail -n 60 "$log" >&2
    say "Failed: $* (whole log: $log)"
    return 1
  fi
}

# The content of some files and folders as one line.
content_of() {
  (cd "$root" && find "$@" -type f -not -path '*/node_modules/*' -not -path '*/bin/*' -not -path '*/obj/*' -print0 |
    LC_ALL=C sort -z | xargs -0 sha256sum | sha256sum)
}

# once NAME "INPUTS" COMMAND…: runs the command unless it has succeeded with the same inputs before.
once() {
  local name="$1" inputs now
  read -ra inputs <<<"$2"
  shift 2
  now="$(content_of "${inputs[@]}")"
  if [ "$(cat "$stamps/$name" 2>/dev/null)" != "$now" ]; then
    say "  $name …"
    quietly "$name" "$@" || return 1
    mkdir -p "$stamps"
    printf '%s' "$now" >"$stamps/$name"
  fi
}

require_tools() {
  command -v dotnet >/dev/null || { say "The .NET SDK 10 is missing. Install it and try again."; return 1; }
  command -v npm >/dev/null || { say "Node.js 20.19 or newer with npm is missing. Install it and try again."; return 1; }
  node -e 'const [a, b] = process.versions.node.split("."); process.exit(a > 20 || (a == 20 && b >= 19) ? 0 : 1)' ||
    { say "Node.js $(node --version) is too old; 20.19 or newer is needed."; return 1; }
}

client="$root/src/Gorvix.Client"
server_inputs="Directory.Build.props Directory.Packages.props global.json .editorconfig src/Gorvix.Core src/Gorvix.Storage src/Gorvix.Web"

client_packages() {
  [ -d "$client/node_modules" ] || rm -f "$stamps/client-packages"
  once client-packages "src/Gorvix.Client/package.json src/Gorvix.Client/package-lock.json" \
    npm --prefix "$client" ci --no-audit --no-fund
}

build_client() {
  client_packages || return 1
  [ -f "$root/artifacts/client/index.html" ] || rm -f "$stamps/client"
  once client "src/Gorvix.Client" npm --prefix "$client" run build
}

# client_beside COMMAND…: the client is built while the command runs. The packages come first: the browser's tests copy one of them.
client_beside() {
  client_packages || return 1
  build_client &
  local building=$! code=0
  "$@" || code=$?
  wait "$building" || code=$?
  return "$code"
}

# compiled PROJECT…: built for use. One compiler serves all projects and ends after the last: each by itself would be warmed up anew, half as long again.
compiled() {
  local code=0
  DOTNET_GCgen0size="$young" dotnet build "$@" -c Release --nologo -v q -p:UseSharedCompilation=true || code=$?
  dotnet build-server shutdown --vbcscompiler >/dev/null 2>&1
  return "$code"
}

build_server() {
  [ -f "$root/src/Gorvix.Web/bin/Release/net10.0/Gorvix.Web.dll" ] || rm -f "$stamps/server"
  once server "$server_inputs" compiled "$root/src/Gorvix.Web"
}

# Server, tests and benchmarks in one go; the server need not be built again after it.
build_everything() {
  [ -f "$root/tests/Gorvix.Browser.Tests/bin/Release/net10.0/Gorvix.Browser.Tests.dll" ] || rm -f "$stamps/everything"
  once everything "$server_inputs Gorvix.slnx tests benchmarks demo docs" \
    compiled "$root/Gorvix.slnx" || return 1
  # shellcheck disable=SC2086
  content_of $server_inputs >"$stamps/server"
}

server="$root/src/Gorvix.Web/bin/Release/net10.0/Gorvix.Web.dll"
