#!/bin/sh
# Makes reader/models/latin-head.onnx from nothing: packages, drawn lines, features, training, export.
#
#   sh reader/training/train.sh [FOLDER] [LINES] [EPOCHS]
#
# FOLDER (default .data/training) takes about 15 GB for 62,000 lines and 24,000 finishing ones. On two shared cores drawing
# and features take about an hour and a half, training another hour. Work already done is kept and not done again.
set -e
here=$(cd "$(dirname "$0")" && pwd)
root=$(cd "$here/../.." && pwd)
folder=${1:-$root/.data/training}
lines=${2:-62000}
epochs=${3:-3}
cd "$root"
mkdir -p "$folder"
apt-get install -y -qq --no-install-recommends $(sed 's/#.*//' "$here/packages.txt")
sh "$here/make-data.sh" "$folder/data" "$lines" 24000
train() { /usr/bin/python3 "$here/train.py" "$folder/data" "$@"; }
[ -f "$folder/begun.onnx" ] || train --out "$folder/begun.onnx" --epochs "$epochs"
train --kind finishing --start "$folder/begun.onnx" --average --epochs 2 --rate 4e-4 --out "$folder/latin-head.onnx"
cp "$folder/latin-head.onnx" "$root/reader/models/latin-head.onnx"
