"""The typefaces of Debian's font packages, by family, with the characters each can show."""

import hashlib
import subprocess
from collections import defaultdict

from fontTools.ttLib import TTCollection, TTFont

# Families that are not letters as cards print them.
LEAVE_OUT = ("math", "symbol", "dingbat", "emoji", "barcode", "icon", "music", "braille", "initials", "outline", "ding", "webdings",
             "marlett", "opensymbol", "standard symbols", "d050000l", "bwht", "msam", "msbm", "cmex", "esint", "dsrom", "stmary",
             "wasy", "lmmath", "redacted", "last resort", "keyboard", "keyfont")
KEPT_NOTO = ("noto sans", "noto serif", "noto sans display", "noto serif display", "noto mono", "noto sans mono", "noto sans ui")
ASCII = frozenset(map(chr, range(33, 127)))
HELD_OUT_PERCENT = 12


def families():
    """Family name → list of (path, index in the file, characters), in a fixed order."""
    listing = subprocess.run(
        ["fc-list", "--format", "%{file}\t%{index}\t%{family[0]}\n"], check=True, capture_output=True, text=True
    ).stdout
    found = defaultdict(list)
    for row in sorted(set(listing.splitlines())):
        path, index, family = row.split("\t")
        name = family.lower()
        if not path.lower().endswith((".ttf", ".otf", ".ttc")) or any(word in name for word in LEAVE_OUT):
            continue
        if name.startswith("noto") and name not in KEPT_NOTO:
            continue
        if int(index) > 0xFFFF:  # a named instance of a variable font
            continue
        characters = _characters(path, int(index))
        if ASCII <= characters:
            found[family].append((path, int(index), characters))
    return dict(sorted(found.items()))


def _characters(path, index):
    try:
        font = TTCollection(path, lazy=True).fonts[index] if path.lower().endswith(".ttc") else TTFont(path, lazy=True)
        characters = frozenset(map(chr, font.getBestCmap() or {}))
        font.close()
        return characters
    except Exception:  # a font file that fontTools cannot read is of no use here
        return frozenset()


def is_held_out(family):
    """Whether a family is kept for validation: by its name, so that more fonts do not move the others."""
    return int(hashlib.sha1(family.encode()).hexdigest(), 16) % 100 < HELD_OUT_PERCENT


def has_capitals_only(family):
    """Families whose small letters are drawn as capitals: only capitals can be told on their pictures."""
    name = family.lower()
    return any(word in name for word in (" sc", "caps", "bebas", "titling"))
