"""A large drawing at the table: it opens by what was kept of it, and is drawn in like any other."""

import time

from playwright.sync_api import Page, expect

from tools.large import large_text

from ..server.support import act
from .drafter import BOTH_WAYS, Drafter

FIGURES = 6_000


@BOTH_WAYS
def test_it_opens_at_once_and_is_drawn_in(drafter: Drafter, page: Page) -> None:
    made = drafter.api.post("/drawings", json={"name": "Lamp field", "text": large_text(FIGURES)}, timeout=60)
    drafter.id = made.raise_for_status().json()["id"]
    over = time.monotonic() + 60
    while drafter.api.get(f"/drawings/{drafter.id}/opened").status_code != 200:
        assert time.monotonic() < over, "it is not kept"
        time.sleep(0.2)
    fetched: list[int] = []
    page.on("response", lambda answer: fetched.append(answer.status) if answer.url.endswith("/opened") else None)
    drafter.open()
    expect(drafter.surface).to_be_visible()
    # Asked for once, and early.
    assert fetched == [200]
    # From the middle of a lamp to that of another one, with the view moved in between, after a half word and a wrong digit.
    first, second = ([s["figure"]["centre"] for s in drafter.book()["steps"] if s["kind"] == "circle"][n] for n in (36, 38))
    page.keyboard.type("lin")
    drafter.presses("Escape")
    drafter.types("line")
    drafter.clicks_on(*first)
    page.mouse.wheel(40, 25)
    drafter.types("9000, 1")
    drafter.presses("Control+z", "Escape")
    drafter.settles()
    before = len(drafter.texts())
    drafter.types("line")
    drafter.clicks_on(*first)
    page.mouse.wheel(-40, 10)
    drafter.clicks_on(*second)
    drafter.presses("Escape")
    drafter.settles()
    # What is stored is what was pointed at: the middles of lamps, by the name of what has its centre there.
    line = drafter.book()["steps"][-1]
    assert len(drafter.texts()) == before + 1
    assert line["text"].count("centre of") == 2
    assert (line["figure"]["from"], line["figure"]["to"]) == (first, second)
    # Opened again: what was done since follows what was kept.
    drafter.open()
    drafter.settles()
    assert fetched == [200, 200]
    expect(drafter.step(f"Line {line['name']}")).to_be_visible()
    drafter.presses("Control+z")
    drafter.settles()
    assert len(drafter.texts()) == before


REMEMBER = """canvas => {
  window.painted = canvas.getContext("2d").getImageData(0, 0, canvas.width, canvas.height).data;
}"""
FARTHEST = """canvas => canvas.getContext("2d").getImageData(0, 0, canvas.width, canvas.height).data.reduce(
  (most, value, n) => Math.max(most, Math.abs(value - window.painted[n])), 0)"""


def test_what_an_edit_leaves_alone_is_not_painted_again(drafter: Drafter, page: Page) -> None:
    made = drafter.api.post("/drawings", json={"name": "Lamp field", "text": large_text(FIGURES)}, timeout=60)
    drafter.id = made.raise_for_status().json()["id"]
    drafter.open()
    drafter.settles()
    canvas = page.get_by_test_id("figures")
    lamps = [s for s in drafter.book()["steps"] if s["kind"] == "circle"]

    def other(**what: object) -> None:
        """Somebody else does it: nothing is typed or pointed at here."""
        answer = act(drafter.api, drafter.id, **what)
        assert answer.status_code == 200, answer.text

    edits = [
        lambda: other(do="write", id="new1", text="circle centre 300, 200 radius 90"),
        lambda: other(do="mend", id=lamps[5]["id"], text=lamps[5]["text"].rsplit(" ", 1)[0] + " 80"),
        lambda: other(do="write", id="new2", text="line from 0, 0 to 900, 600"),
        lambda: other(do="strike", id=lamps[40]["id"]),
        lambda: other(do="undo"),
        lambda: drafter.types("point 120, 90"),
    ]
    for edit in edits:
        before, whole = drafter.book()["revision"], canvas.get_attribute("data-whole")
        edit()
        expect(canvas).to_have_attribute("data-revision", str(before + 1))
        drafter.settles()
        assert canvas.get_attribute("data-whole") == whole, "all was painted"
        canvas.evaluate(REMEMBER)
        drafter.presses("Alt+p", "Alt+p")
        drafter.settles()
        assert canvas.get_attribute("data-whole") != whole, "not all was painted"
        # The edges of thousands of strokes are smoothed more coarsely than those of some; a stroke too many or too few is opaque.
        assert canvas.evaluate(FARTHEST) < 128
