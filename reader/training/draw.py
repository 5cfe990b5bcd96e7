"""Draws text lines as the detector cuts them from photographed cards, and writes them in parts.

    draw.py FOLDER --from 0 --to 1000 [--kind lines|finishing|validation]

Line i depends on nothing but i and SEED. For each part a file of crops (48 pixels high, blue, green,
red bytes, one after another) and a JSON list of {"text", "width"} are written.
"""

import argparse
import io
import json
from pathlib import Path

import numpy as np
from PIL import Image, ImageDraw, ImageFilter, ImageFont

from fonts import families, has_capitals_only, is_held_out
from lines import LineWriter

SEED = 20261125
HEIGHT = 48
# Longer lines teach the same as two short ones, and cost more.
WIDEST = 880
PART = 1000
# The order is part of the seeds.
KINDS = ("lines", "validation", "finishing")


class LineDrawer:
    """:param validation: draw with the families kept for validation only, or with the others only"""

    def __init__(self, validation):
        chosen = {name: files for name, files in families().items() if is_held_out(name) == validation}
        self.families = list(chosen.items())

    def draw(self, rng, writer):
        """A crop as array [48, width, 3] (blue, green, red) and the text on it."""
        while True:
            text = writer.next()
            family, files = self.families[int(rng.integers(len(self.families)))]
            if has_capitals_only(family):
                text = text.upper()
            path, index, characters = files[int(rng.integers(len(files)))]
            if not set(text.replace(" ", "")) <= characters:
                continue
            crop = self._picture(rng, text, writer, path, index, characters)
            if crop is not None:
                return crop, text

    def _picture(self, rng, text, writer, path, index, characters):
        # Full shaping joins more letters than is usual ("oe"): only where the common ligatures are.
        shaped = any(pair in text for pair in ("fi", "fl", "ff")) and rng.random() < 0.5
        engine = ImageFont.Layout.RAQM if shaped else ImageFont.Layout.BASIC
        font = ImageFont.truetype(path, int(rng.integers(44, 60)), index=index, layout_engine=engine)
        spacing = _letter_spacing(rng, text)
        ink = _ink(text, font, spacing)
        box = ink.getbbox()
        if box is None or box[2] - box[0] < 6 or box[3] - box[1] < 6:
            return None
        # The height of a line as the detector sees it: at least that of small letters with capitals.
        line_height = max(box[3] - box[1], 0.55 * font.size)
        middle = (box[1] + box[3]) / 2
        pad = int(1.6 * font.size)
        canvas = Image.new("L", (ink.width + 2 * pad, ink.height + 2 * pad), 0)
        canvas.paste(ink, (pad, pad))
        if rng.random() < 0.4:
            _add_neighbours(rng, canvas, writer, font, characters, pad + box[1], pad + box[3])
        # Corners of the crop on the canvas, then as the photograph shows them.
        up, down = rng.uniform(0.04, 0.36, 2) * line_height
        left, right = rng.uniform(0.02, 0.55, 2) * line_height
        half = line_height / 2
        x0, x1 = pad + box[0] - left, pad + box[2] + right
        y0, y1 = pad + middle - half - up, pad + middle + half + down
        angle = rng.normal(0, 0.012) if rng.random() < 0.85 else rng.uniform(-0.06, 0.06)
        height, width = y1 - y0, x1 - x0
        tilt = np.clip(np.tan(angle) * width, -0.22 * height, 0.22 * height) / 2
        slant = rng.normal(0, 0.04) * height
        wedge = rng.normal(0, 0.02) * height
        corners = [(x0 + slant, y0 - tilt - wedge), (x0 - slant, y1 - tilt + wedge), (x1 - slant, y1 + tilt - wedge), (x1 + slant, y0 + tilt + wedge)]
        # Resolution of the photograph: pixels across the crop's height.
        pixels = float(rng.uniform(15, 58)) if rng.random() < 0.8 else float(rng.uniform(11, 18))
        small = (max(8, round(width / height * pixels)), max(8, round(pixels)))
        fine = (small[0] * 2, small[1] * 2)
        mask = canvas.transform(fine, Image.QUAD, [c for corner in corners for c in corner], Image.BICUBIC)
        mask = mask.resize(small, Image.BOX)
        shown = _photographed(rng, np.asarray(mask, np.float32) / 255, pixels)
        final = max(16, 8 * round(HEIGHT * width / height / 8))
        if final > WIDEST:
            return None
        if final > 600:
            final = 32 * round(final / 32)
        crop = shown.resize((final, HEIGHT), Image.BILINEAR if rng.random() < 0.6 else Image.BICUBIC)
        return np.ascontiguousarray(np.asarray(crop)[:, :, ::-1])


def _letter_spacing(rng, text):
    if rng.random() < 0.75:
        return 0.0
    return float(rng.uniform(0.05, 0.45 if text.isupper() else 0.15)) if rng.random() < 0.8 else float(rng.uniform(-0.04, 0))


def _ink(text, font, spacing):
    """The text in white on black, with `spacing` em between its letters."""
    if spacing == 0:
        box = font.getbbox(text)
        image = Image.new("L", (max(1, box[2] + 8), int(2.2 * font.size)), 0)
        ImageDraw.Draw(image).text((4, 0.4 * font.size), text, fill=255, font=font)
        return image
    step = spacing * font.size
    advances = [font.getlength(c) + step for c in text]
    image = Image.new("L", (max(1, int(sum(advances) + 12)), int(2.2 * font.size)), 0)
    pen = ImageDraw.Draw(image)
    x = 4.0
    for character, advance in zip(text, advances):
        pen.text((x, 0.4 * font.size), character, fill=255, font=font)
        x += advance
    return image


def _add_neighbours(rng, canvas, writer, font, characters, top, bottom):
    """Pieces of the lines above and below, a rule, or another column."""
    for side in (-1, 1):
        if rng.random() < 0.5:
            continue
        text = "".join(c for c in writer.next() if c in characters or c == " ").strip()
        if not text:
            continue
        other = _ink(text, font, 0)
        box = other.getbbox()
        if box is None:
            continue
        piece = other.crop(box)
        gap = int(rng.uniform(0.08, 0.5) * font.size)
        y = top - gap - piece.height if side < 0 else bottom + gap
        canvas.paste(piece, (int(rng.uniform(-0.3, 0.7) * canvas.width), int(y)), piece)
    if rng.random() < 0.12:
        gap = int(rng.uniform(0.12, 0.5) * font.size)
        y = bottom + gap if rng.random() < 0.8 else top - gap
        ImageDraw.Draw(canvas).line([(0, y), (canvas.width, y)], fill=int(rng.integers(80, 255)), width=int(rng.integers(1, 5)))


def _photographed(rng, mask, pixels):
    """Colours, light, blur, noise and JPEG, at the photograph's own resolution."""
    height, width = mask.shape
    if rng.random() < 0.12:
        mask = np.clip(mask * rng.uniform(1.3, 2.2), 0, 1)  # ink that spreads
    elif rng.random() < 0.12:
        mask = mask ** rng.uniform(1.2, 2.0)  # thin print
    ground, ink = _colours(rng)
    if rng.random() < 0.2:  # a second colour across part of the line: edge of a band, a logo
        other = np.clip(ground + rng.normal(0, 30, 3), 0, 255)
        edge = rng.uniform(0, width)
        share = 1 / (1 + np.exp(-(np.arange(width) - edge) / rng.uniform(0.5, width / 4 + 1)))
        back = ground + (other - ground) * share[None, :, None]
    else:
        back = np.broadcast_to(ground, (height, width, 3))
    picture = back * (1 - mask[:, :, None]) + ink * mask[:, :, None]
    if rng.random() < 0.5:  # light falling off
        slope = rng.normal(0, 0.18, 2)
        xs, ys = np.linspace(-1, 1, width), np.linspace(-1, 1, height)
        picture = picture * np.clip(1 + slope[0] * xs[None, :, None] + slope[1] * ys[:, None, None], 0.3, 1.6)
    if rng.random() < 0.1:  # glare
        cx, cy, r = rng.uniform(0, width), rng.uniform(0, height), rng.uniform(0.5, 3) * height
        d2 = (np.arange(width)[None, :] - cx) ** 2 + (np.arange(height)[:, None] - cy) ** 2
        picture = picture + (rng.uniform(20, 120) * np.exp(-d2 / (2 * r * r)))[:, :, None]
    if rng.random() < 0.25:  # paper with a grain
        grain = rng.normal(0, rng.uniform(2, 9), (height, width, 1))
        picture = picture + grain
    image = Image.fromarray(np.clip(picture, 0, 255).astype(np.uint8))
    if rng.random() < 0.65:
        strength = 0.035 if rng.random() < 0.75 else 0.065
        image = image.filter(ImageFilter.GaussianBlur(abs(rng.normal(0, strength)) * pixels))
    if rng.random() < 0.15:
        image = _motion(rng, image, pixels)
    picture = np.asarray(image, np.float32)
    if rng.random() < 0.7:
        picture = picture + rng.normal(0, rng.uniform(1, 9), (height, width, 3 if rng.random() < 0.5 else 1))
    if rng.random() < 0.12:  # too dark or too light
        picture = 255 * (np.clip(picture, 0, 255) / 255) ** rng.uniform(0.5, 1.9)
    image = Image.fromarray(np.clip(picture, 0, 255).astype(np.uint8))
    if rng.random() < 0.1:
        image = image.filter(ImageFilter.UnsharpMask(radius=2, percent=int(rng.integers(60, 200)), threshold=2))
    if rng.random() < 0.75:
        data = io.BytesIO()
        image.save(data, "JPEG", quality=int(rng.integers(50, 96)))
        image = Image.open(data).convert("RGB")
    return image


def _colours(rng):
    """Ground and ink in red, green, blue that differ enough to be seen."""
    while True:
        lot = rng.random()
        if lot < 0.62:
            ground = np.clip(rng.normal(238, 14) + rng.normal(0, 8, 3), 120, 255)
            ink = rng.uniform(0, 110, 3) if rng.random() < 0.5 else np.full(3, rng.uniform(5, 140))
        elif lot < 0.86:
            ground = np.clip(rng.uniform(5, 90) + rng.normal(0, 22, 3), 0, 150)
            ink = np.clip(rng.normal(230, 22) + rng.normal(0, 14, 3), 90, 255)
        else:
            ground, ink = rng.uniform(0, 255, 3), rng.uniform(0, 255, 3)
        weights = np.array([0.3, 0.59, 0.11])
        if abs(float((ground - ink) @ weights)) > (26 if rng.random() < 0.15 else 55):
            return ground, ink


def _motion(rng, image, pixels):
    """Camera shake: the mean of the picture moved along a short way."""
    length = rng.uniform(0.02, 0.11) * pixels
    angle = rng.uniform(0, np.pi)
    steps = 5
    total = np.zeros((image.height, image.width, 3), np.float32)
    for k in np.linspace(-0.5, 0.5, steps):
        dx, dy = k * length * np.cos(angle), k * length * np.sin(angle)
        total += np.asarray(image.transform(image.size, Image.AFFINE, (1, 0, dx, 0, 1, dy), Image.BILINEAR), np.float32)
    return Image.fromarray(np.clip(total / steps, 0, 255).astype(np.uint8))


def main():
    arguments = argparse.ArgumentParser()
    arguments.add_argument("folder", type=Path)
    arguments.add_argument("--from", dest="first", type=int, required=True)
    arguments.add_argument("--to", dest="end", type=int, required=True)
    arguments.add_argument("--kind", choices=KINDS, default="lines")
    options = arguments.parse_args()
    options.folder.mkdir(parents=True, exist_ok=True)
    kind = KINDS.index(options.kind)
    drawer, writer = LineDrawer(options.kind == "validation"), LineWriter(options.kind == "finishing")
    for start in range(options.first, options.end, PART):
        seed = [SEED, kind, start]
        rng = np.random.default_rng(seed)
        writer.begin(rng, SEED + start + (kind << 30))
        name = f"{options.kind}-{start:06d}"
        if (options.folder / f"{name}.json").exists():
            continue
        labels, crops = [], []
        for _ in range(start, min(options.end, start + PART)):
            crop, text = drawer.draw(rng, writer)
            labels.append({"text": text, "width": crop.shape[1]})
            crops.append(crop.tobytes())
        (options.folder / f"{name}.crops").write_bytes(b"".join(crops))
        (options.folder / f"{name}.json").write_text(json.dumps(labels, ensure_ascii=False), encoding="utf8")


if __name__ == "__main__":
    main()
