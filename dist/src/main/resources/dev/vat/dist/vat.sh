#!/bin/sh
# Starts Vat from where it lies: the window for no word, for paths and for the demo, else a command.
set -eu
self=$(readlink -f "$0")
here=$(dirname "$(dirname "$self")")
app=$here/lib/app

# With less a virtual machine ends in the middle of something, with words that help nobody.
enough() {
  [ "$1" = unlimited ] || [ "$1" -ge "$2" ] || { echo "vat: $3" >&2; exit 1; }
}
enough "$(ulimit -n)" 128 "this shell lets a program have $(ulimit -n) files open; Vat needs 128 (ulimit -n 128)"
enough "$(ulimit -v)" 6000000 "this shell lets a program take $(ulimit -v) kB of addresses; Vat needs 6000000 (ulimit -v 6000000)"

# Under the plain C locale Java takes file names for ASCII and can't name a file with an umlaut.
if [ "$(locale charmap 2>/dev/null)" = ANSI_X3.4-1968 ] && locale -a 2>/dev/null | grep -qi '^C\.utf-\{0,1\}8$'; then
  export LC_ALL=C.UTF-8
fi

kind=window
for word in "$@"; do
  case $word in -*) kind=command ;; *) [ -e "$word" ] || kind=command ;; esac
done
[ "${1:-}" != demo ] || kind=window
[ "${1:-}" != --worker ] || kind=command

# Classes that are kept ready (an AOT cache, JEP 514) are packed; they are unpacked once, among what may be deleted at any time.
ready() {
  packed=$app/$1.aot.gz
  cache=${VAT_HOME:+$VAT_HOME/cache}
  cache=${cache:-${XDG_CACHE_HOME:-$HOME/.cache}/vat}/ready-$(cksum <"$app/$1.options" | cut -d' ' -f1)
  if [ -f "$packed" ] && [ ! -f "$cache/$1.aot" ]; then
    { mkdir -p "$cache" && gzip -dc "$packed" >"$cache/$1.aot.$$" && mv "$cache/$1.aot.$$" "$cache/$1.aot"; } 2>/dev/null \
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
