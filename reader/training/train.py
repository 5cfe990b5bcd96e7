"""Trains the Latin head on drawn lines and writes it as ONNX.

    train.py FOLDER --out HEAD.onnx [--kind lines|finishing] [--epochs 3] [--start HEAD.onnx] [--rate 2e-3] [--average]

FOLDER holds what `make-data.sh` wrote. The order of the lines and the first weights come from SEED; with
`--start` the weights are those of a head written before, and with `--average` what is written lies half way between
those and what was learned (Wortsman et al. 2022): it keeps what the first training knew.
"""

import argparse
import json
import math
import random
import time
from collections import defaultdict
from pathlib import Path

import numpy as np
import onnx
import onnx.numpy_helper
import torch
from torch.nn.functional import ctc_loss, log_softmax

from lines import CHARSET
from network import Exported, LatinHead

SEED = 20261125
BATCH = 32
WARM_UP = 300
WEIGHT_DECAY = 1e-3
CLIP = 5.0
# As in features.mts.
LIMITS = ((-1.35, 86.0), (-0.3, 10.0))
CLASS_OF = {character: i + 1 for i, character in enumerate(CHARSET)}


class Lines:
    """Features of all lines of a kind, by crop width."""

    def __init__(self, folder, kind):
        self.of_width = defaultdict(list)
        for labels_file in sorted(folder.glob(f"{kind}-*.json")):
            features = np.memmap(labels_file.with_suffix(".features"), np.uint8, "r")
            at = 0
            for label in json.loads(labels_file.read_text(encoding="utf8")):
                width = label["width"]
                classes = [CLASS_OF.get(c) for c in label["text"]]
                # What cannot be aligned teaches nothing: a step for each character and for each repetition.
                needed = len(classes) + sum(a == b for a, b in zip(classes, classes[1:]))
                # In capitals a few signs turn into letters that are not read ("µ").
                if None not in classes and needed <= width // 4:
                    self.of_width[width].append((features, at, classes))
                at += _sizes(width)[0] + _sizes(width)[1]

    def batches(self, order):
        """Batches of lines of one width, in the order drawn by `order` (a random.Random)."""
        found = []
        for width in sorted(self.of_width):
            lines = list(self.of_width[width])
            order.shuffle(lines)
            size = max(4, min(BATCH, BATCH * 700 // width))
            found += [(width, lines[i : i + size]) for i in range(0, len(lines), size)]
        order.shuffle(found)
        return found

    def load(self, width, lines):
        """Tensors of a batch: [N, 480, 3, T], [N, T/2, 120]."""
        first, second = _sizes(width)
        rows = np.stack([features[at : at + first + second] for features, at, _ in lines])
        both = torch.from_numpy(rows)
        convolutions = _spread(both[:, :first], *LIMITS[0]).reshape(len(lines), 480, 3, width // 4)
        return convolutions, _spread(both[:, first:], *LIMITS[1]).reshape(len(lines), width // 8, 120)


def _sizes(width):
    return 480 * 3 * (width // 4), (width // 8) * 120


def _spread(bytes_, least, span):
    """Bytes → values."""
    return bytes_.float().div_(255).square_().mul_(span).add_(least)


def _loss(head, lines, width, batch):
    scores = head(*lines.load(width, batch))
    steps = scores.shape[2]
    targets = torch.tensor([c for _, _, classes in batch for c in classes])
    lengths = torch.tensor([len(classes) for _, _, classes in batch])
    return ctc_loss(
        log_softmax(scores, dim=1).permute(2, 0, 1), targets, torch.full((len(batch),), steps), lengths,
        reduction="none", zero_infinity=True,
    ).div(lengths).mean()


def train(head, lines, epochs, validation, peak_rate):
    order = random.Random(SEED)
    steps = epochs * len(lines.batches(random.Random(0)))
    optimiser = torch.optim.AdamW(head.parameters(), lr=peak_rate, weight_decay=WEIGHT_DECAY)
    step, mean, began = 0, 0.0, time.time()
    for epoch in range(epochs):
        head.train()
        for width, batch in lines.batches(order):
            rate = min(1.0, (step + 1) / WARM_UP) * 0.5 * (1 + math.cos(math.pi * step / steps))
            for group in optimiser.param_groups:
                group["lr"] = peak_rate * rate
            loss = _loss(head, lines, width, batch)
            optimiser.zero_grad()
            loss.backward()
            torch.nn.utils.clip_grad_norm_(head.parameters(), CLIP)
            optimiser.step()
            mean = float(loss) if step == 0 else 0.99 * mean + 0.01 * float(loss)
            step += 1
            if step % 100 == 0:
                print(f"epoch {epoch + 1} step {step}/{steps} loss {mean:.4f} {time.time() - began:.0f} s", flush=True)
        print(f"epoch {epoch + 1}: {measure(head, validation)}", flush=True)


@torch.no_grad()
def measure(head, lines):
    """Character error rate and share of lines read exactly, on typefaces never trained with."""
    head.eval()
    wrong = total = exact = count = 0
    for width, batch in lines.batches(random.Random(0)):
        best = head(*lines.load(width, batch)).argmax(dim=1).numpy()
        for row, (_, _, classes) in zip(best, batch):
            read = [int(c) for i, c in enumerate(row) if c and (i == 0 or row[i - 1] != c)]
            distance = _distance(read, classes)
            wrong, total, exact, count = wrong + distance, total + len(classes), exact + (distance == 0), count + 1
    return {"cer": round(100 * wrong / total, 2), "exact": round(100 * exact / count, 2), "lines": count}


def _distance(a, b):
    """Levenshtein (1966)."""
    row = list(range(len(b) + 1))
    for i, x in enumerate(a, 1):
        last, row[0] = row[0], i
        for j, y in enumerate(b, 1):
            last, row[j] = row[j], min(row[j] + 1, row[j - 1] + 1, last + (x != y))
    return row[-1]


def export(head, path):
    head.eval()
    torch.onnx.export(
        Exported(head), (torch.zeros(1, 480, 3, 40), torch.zeros(1, 20, 120)), str(path), opset_version=12,
        input_names=["p2o.Add.231", "transpose_51.tmp_0"], output_names=["probabilities"],
        dynamic_axes={"p2o.Add.231": {3: "steps"}, "transpose_51.tmp_0": {1: "half"}, "probabilities": {1: "steps"}},
    )


def load(head, path):
    """Takes over the weights of an exported head: they are stored under their own names."""
    stored = {tensor.name.removeprefix("head."): tensor for tensor in onnx.load(str(path)).graph.initializer}
    head.load_state_dict({name: torch.from_numpy(onnx.numpy_helper.to_array(stored[name]).copy()) for name in head.state_dict()})


def main():
    arguments = argparse.ArgumentParser()
    arguments.add_argument("folder", type=Path)
    arguments.add_argument("--out", type=Path, required=True)
    arguments.add_argument("--kind", default="lines")
    arguments.add_argument("--epochs", type=int, default=3)
    arguments.add_argument("--start", type=Path)
    arguments.add_argument("--rate", type=float, default=2e-3)
    arguments.add_argument("--average", action="store_true")
    options = arguments.parse_args()
    torch.manual_seed(SEED)
    torch.set_num_threads(1)
    head = LatinHead(len(CHARSET) + 1)
    if options.start:
        load(head, options.start)
    before = {name: weights.clone() for name, weights in head.state_dict().items()}
    train(head, Lines(options.folder, options.kind), options.epochs, Lines(options.folder, "validation"), options.rate)
    if options.average:
        head.load_state_dict({name: (before[name] + weights) / 2 for name, weights in head.state_dict().items()})
        print(f"averaged: {measure(head, Lines(options.folder, 'validation'))}", flush=True)
    export(head, options.out)


if __name__ == "__main__":
    main()
