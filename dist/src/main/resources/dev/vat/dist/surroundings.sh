# What Vat needs of the shell that it is started from; read by its launchers.

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
