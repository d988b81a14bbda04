"""A tablet: one finger draws, two move and zoom the paper, one that rests opens the list."""

from typing import Any

import pytest
from playwright.sync_api import expect

from .drafter import Drafter


class Fingers:
    """Touches as the browser gets them from a screen."""

    def __init__(self, drafter: Drafter) -> None:
        self.drafter = drafter
        self.wire = drafter.page.context.new_cdp_session(drafter.page)

    def sends(self, what: str, *points: tuple[float, float]) -> None:
        touches: list[Any] = [{"x": x, "y": y, "id": n} for n, (x, y) in enumerate(points)]
        self.wire.send("Input.dispatchTouchEvent", {"type": what, "touchPoints": touches})

    def taps(self, x: float, y: float) -> None:
        """At a place of the drawing. Nothing is waited for in between: a finger that stays is one that rests."""
        self.sends("touchStart", self.drafter.pixel(x, y))
        self.sends("touchEnd")
        self.drafter.settles()


def test_fingers_draw_move_the_paper_and_open_the_list(drafter: Drafter) -> None:
    drafter.types("point 0, 0", "point 80, 50")
    drafter.presses("Control+Home")
    drafter.sees_steps(2)
    fingers = Fingers(drafter)
    drafter.types("line")
    fingers.taps(0, 0)
    fingers.taps(80, 50)
    drafter.sees_steps(3)
    assert drafter.texts()[2] == "line from P1 to P2"
    drafter.presses("Escape")
    # Two fingers apart: twice as large, about their middle, and nothing is drawn by it.
    camera = drafter.page.get_by_test_id("figures")
    scale = float((camera.get_attribute("data-camera") or "").split()[2])
    (x, y), reach = drafter.pixel(40, 25), 60.0
    fingers.sends("touchStart", (x - reach, y))
    fingers.sends("touchStart", (x - reach, y), (x + reach, y))
    fingers.sends("touchMove", (x - 2 * reach, y), (x + 2 * reach, y))
    fingers.sends("touchEnd")
    drafter.settles()
    assert float((camera.get_attribute("data-camera") or "").split()[2]) == pytest.approx(2 * scale, rel=0.01)
    assert drafter.pixel(40, 25) == pytest.approx((x, y), abs=2)
    drafter.sees_steps(3)
    # One that rests.
    fingers.sends("touchStart", drafter.pixel(40, 25))
    expect(drafter.page.get_by_role("dialog", name="At the pointer")).to_be_visible()
    fingers.sends("touchEnd")
