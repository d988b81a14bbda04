"""What is done once while the core for the page is made, so that no drafter waits for it: everything is imported and tried."""

import gc
import json

from kentrograph.core.language.packed import packed
from kentrograph.core.replica.held import Held

MANNER = {"unit": "mm", "zero": "east", "clockwise": False, "datum": [0, 0, 0]}
POINTER = {"x": 3.0, "y": 4.0, "reach": 2.0, "pixel": 0.1}
TEXTS = (
    "point 1, 2",
    "circle centre P1 radius 5",
    "line from P1 to 40, 30",
    "path from 0, 0 to 40, 0 to 40, 30 close",
    "measure area K1",
)
READS = ("", "p", "circle touching C1", "line from P1", "measure", "40 at 30", "trim C1", "nonsense")


def source(texts):
    steps = [[f"s{n}", "", True, text, 0, False, False, [n]] for n, text in enumerate(texts)]
    return json.dumps({"revision": 0, "edits": [], "header": {**MANNER, "decimals": 2}, "manners": [MANNER], "steps": steps})


def warm():
    held = Held()
    held.open(source(TEXTS))
    # As a large drawing comes: with what its steps hold.
    held.open(json.dumps({"revision": 0, "edits": [], **packed(held.book)}))
    for text in READS:
        for pointer in (None, POINTER):
            held.read(json.dumps({"seq": 1, "text": text, "pointer": pointer}))
    for kind in ("circle", "line", "path"):
        held.read(json.dumps({"seq": 1, "draft": {"kind": kind, "rows": ["1, 2"]}, "pointer": POINTER}))


warm()
held = Held()
gc.collect()
