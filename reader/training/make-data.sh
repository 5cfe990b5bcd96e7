#!/bin/sh
# Draws LINES lines (and 2,000 for validation) and their features, in two processes.
#   make-data.sh FOLDER LINES
set -e
here=$(cd "$(dirname "$0")" && pwd)
folder=$1
half=$(( $2 / 2000 * 1000 ))
part() {
  /usr/bin/python3 "$here/draw.py" "$folder" --from "$1" --to "$2" $4
  npx tsx "$here/features.mts" "$folder" --from "$1" --to "$2" --kind "$3"
}
{ part 0 2000 validation --validation && part 0 "$half" lines; } &
first=$!
part "$half" "$2" lines &
second=$!
wait "$first"
wait "$second"
