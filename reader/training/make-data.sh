#!/bin/sh
# Draws LINES lines, FINISHING lines for the last part of the training, and 2,000 for validation, with their
# features, in two processes.
#   make-data.sh FOLDER LINES FINISHING
set -e
here=$(cd "$(dirname "$0")" && pwd)
folder=$1
half=$(( $2 / 2000 * 1000 ))
half_finishing=$(( $3 / 2000 * 1000 ))
part() {
  /usr/bin/python3 "$here/draw.py" "$folder" --from "$1" --to "$2" --kind "$3"
  npx tsx "$here/features.mts" "$folder" --from "$1" --to "$2" --kind "$3"
}
{ part 0 2000 validation && part 0 "$half_finishing" finishing && part 0 "$half" lines; } &
first=$!
{ part "$half_finishing" "$3" finishing && part "$half" "$2" lines; } &
second=$!
wait "$first"
wait "$second"
