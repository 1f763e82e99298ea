#!/bin/sh
# Starts Vat from where it lies: the window for no word, for paths and for the demo, else a command.
set -eu
self=$(readlink -f "$0")
here=$(dirname "$(dirname "$self")")
app=$here/lib/app

. "$app/surroundings.sh"

kind=window
for word in "$@"; do
  case $word in -*) kind=command ;; *) [ -e "$word" ] || kind=command ;; esac
done
[ "${1:-}" != demo ] || kind=window

# Classes that are kept ready (an AOT cache, JEP 514) are packed; they are unpacked once, among what may be deleted at any time.
# Those of another build go.
place=${VAT_HOME:+$VAT_HOME/cache}
place=${place:-${XDG_CACHE_HOME:-$HOME/.cache}/vat}
cache=$place/ready-$(cat "$app/ready.id")
ready() {
  if [ ! -f "$cache/$1.aot" ]; then
    [ -d "$cache" ] || rm -rf "$place"/ready-*
    { mkdir -p "$cache" && gzip -dc "$app/$1.aot.gz" >"$cache/$1.aot.$$" && mv "$cache/$1.aot.$$" "$cache/$1.aot"; } 2>/dev/null \
      || rm -f "$cache/$1.aot.$$"
  fi
  echo "$cache/$1.aot"
}

set -- dev.vat.app.Main "$@"
commands=$(ready command)
[ ! -f "$commands" ] || set -- "-Dvat.worker.cache=$commands" "$@"
own=$commands
[ "$kind" = command ] || own=$(ready "$kind")
if [ -f "$own" ]; then set -- "-XX:AOTCache=$own" "$@"; else set -- -XX:AOTMode=off "$@"; fi
classes=
while read -r jar; do classes=$classes:$app/$jar; done <"$app/classes"
# shellcheck disable=SC2046,SC2086 # several options, none with a space
exec "$here/lib/runtime/bin/java" $(cat "$app/$kind.options") ${VAT_OPTIONS:-} -cp "${classes#:}" "$@"
