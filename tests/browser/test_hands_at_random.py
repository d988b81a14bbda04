"""Whatever hands do at the table: what is sent is an act of the reading that is on the screen, as it stands there."""

from random import Random
from typing import Any

import pytest
from playwright.sync_api import Page

from .drafter import Drafter

RECORD = """
const Plain = WebSocket, lines = {}, sent = new Set();
window.acts = [];
window.WebSocket = class extends Plain {
  constructor(...given) {
    super(...given);
    this.addEventListener("message", ({ data }) => {
      const message = JSON.parse(typeof data === "string" ? data : new TextDecoder().decode(data));
      if (message.type === "line") lines[message.seq] = message;
    });
  }
  send(text) {
    const message = JSON.parse(text);
    if (message.type === "do" && !sent.has(message.key)) {
      sent.add(message.key);
      const line = lines[document.querySelector("[data-read]")?.dataset.read];
      const outcomes = line ? [line.enter, line.click, line.leave].filter((one) => one?.act) : [];
      const tag = document.querySelector("[data-testid=pointer-tag]")?.textContent ?? "";
      window.acts.push({ act: message.act, named: outcomes.map((one) => one.act), pick: line?.picks[line.picked] ?? "", tag });
    }
    super.send(text);
  }
};
"""
"""Records each act that is sent, with those that the reading named which is on the screen then, and the tag."""
TEXTS = ("40", "12, 7", "+ 30, 4", "lin", "radius 15", "touching", "P1", "nonsens", "point 50, 50", "+ 40 at 30", "less")
KINDS = ("line", "circle", "arc", "path", "rectangle", "trim", "move", "offset", "measure distance", "read", "point")
DRAWING = (
    "line from 0, 0 to 120, 0",
    "circle centre 60, 40 radius 25",
    "path from 0, 60 to 40, 60 to 40, 90 close",
    "point 100, 80",
)


def one_hand(drafter: Drafter, dice: Random) -> None:
    """Something that a hand does on the surface or the keys."""
    mouse, box = drafter.page.mouse, drafter.surface.bounding_box()
    assert box is not None
    x, y = box["x"] + dice.uniform(40, box["width"] - 40), box["y"] + dice.uniform(60, box["height"] - 60)
    match dice.randrange(30):
        case 0 | 1 | 12 | 13:
            drafter.presses("Escape", "Escape")
            drafter.types(dice.choice(KINDS))
        case 2 | 3 | 4 | 14 | 15 | 16 | 17 | 18 | 19 | 20 | 21 | 22:
            mouse.click(x, y)
        case 5:
            mouse.dblclick(x, y)
        case 6 | 23 | 24 | 25 | 26:
            key = dice.choice((None, None, "Shift", "Control"))
            if key:
                drafter.page.keyboard.down(key)
            mouse.move(x, y)
            mouse.down()
            mouse.move(x + dice.uniform(-80, 80), y + dice.uniform(-80, 80), steps=3)
            mouse.up()
            if key:
                drafter.page.keyboard.up(key)
        case 7:
            drafter.types(dice.choice(TEXTS))
        case 8:
            drafter.page.keyboard.type(dice.choice(TEXTS))
        case 9:
            drafter.presses(dice.choice(("Escape", "Escape", "Control+z", "ArrowDown", "Enter", "Backspace")))
        case 10:
            mouse.move(x, y)
            mouse.wheel(0, dice.choice((-100, 100)))
        case 11:
            # The connection is lost for a moment, in the middle of it.
            drafter.page.context.set_offline(True)
            mouse.click(x, y)
            drafter.page.context.set_offline(False)


def test_what_is_sent_is_what_was_on_the_screen(drafter: Drafter, page: Page, request: pytest.FixtureRequest) -> None:
    page.add_init_script(RECORD)
    for text in DRAWING:
        drafter.types(text)
    drafter.open()
    drafter.presses("Control+Home")
    drafter.settles()
    dice = Random(33)
    for _ in range(200):
        one_hand(drafter, dice)
        if dice.random() < 0.5:
            drafter.settles()
    drafter.settles()
    done: list[dict[str, Any]] = page.evaluate("acts")
    changes = [one for one in done if one["act"]["do"] not in ("undo", "redo")]
    assert len(changes) > 15
    for one in changes:
        assert one["act"] in one["named"], one
