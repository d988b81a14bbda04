"""Somebody who draws: what they press and point at, and what they then see."""

import json
import re
from math import cos, radians, sin
from typing import Any, Literal

import httpx
import pytest
from playwright.sync_api import Locator, Page, expect

from ..conftest import Server

Button = Literal["left", "right"]
Answering = Literal["server", "page"]
BOTH_WAYS = pytest.mark.parametrize("answering", ["server", "page"], indirect=True)
"""For journeys that are made with the server reading what is only looked at, and with the page doing it."""

# Two frames: the first may have begun before what was done, the second paints it and sends what it asks.
SETTLED = """async () => {
  const frame = () => new Promise((next) => requestAnimationFrame(next));
  const surface = document.querySelector('[aria-label="Drawing surface"]');
  const late = performance.now() + 10000;
  do { await frame(); await frame(); } while (surface?.ariaBusy === "true" && performance.now() < late);
  return surface?.ariaBusy !== "true";
}"""


def choose(page: Page, answering: Answering) -> None:
    """What this browser is to remember, where it remembers nothing yet."""
    kept = json.dumps({"state": {"answering": answering}, "version": 1})
    page.add_init_script(f"localStorage.kentrograph ??= {json.dumps(kept)}")


class Drafter:
    """Hands and eyes on one drawing."""

    def __init__(self, page: Page, server: Server, api: httpx.Client, id: str, answering: Answering = "server") -> None:
        self.answering = answering
        self.page = page
        self.server = server
        self.api = api
        self.id = id

    def settles(self) -> None:
        """Until all that was done has been answered and is seen."""
        assert self.page.evaluate(SETTLED), "the table is still busy"

    # Hands

    def open(self) -> None:
        self.page.goto(f"{self.server.url}/drawings/{self.id}")
        expect(self.page.get_by_text("Saved")).to_be_visible()
        if self.answering == "page":
            self.awakes()

    def awakes(self) -> None:
        """Until the page answers what is only looked at itself."""
        expect(self.page.locator("html")).to_have_attribute("data-core", "ready", timeout=30_000)

    def types(self, *entries: str) -> None:
        """Each entry with Enter after it, without a click anywhere."""
        for entry in entries:
            self.page.keyboard.type(entry)
            self.page.keyboard.press("Enter")

    def presses(self, *keys: str) -> None:
        for key in keys:
            self.page.keyboard.press(key)

    def clicks_at(self, x: float, y: float, button: Button = "left") -> None:
        """Clicks at a pixel of the surface, as a hand does: there first, then down."""
        box = self.surface.bounding_box()
        assert box is not None
        self.page.mouse.move(box["x"] + x - 3, box["y"] + y)
        self.page.mouse.move(box["x"] + x, box["y"] + y)
        self.page.mouse.down(button=button)
        self.page.mouse.up(button=button)

    def hovers_on(self, x: float, y: float) -> None:
        """The pointer to a place of the drawing."""
        self.page.mouse.move(*self.pixel(x, y))
        self.settles()

    def clicks_on(self, x: float, y: float, button: Button = "left") -> None:
        """Clicks at a place of the drawing, wherever the view has it."""
        px, py = self.pixel(x, y)
        box = self.surface.bounding_box()
        assert box is not None
        self.clicks_at(px - box["x"], py - box["y"], button)

    def rests_on(self, x: float, y: float) -> None:
        """The pointer to a place, and a moment there: sight lines start from it."""
        self.hovers_on(x, y)
        self.page.wait_for_timeout(450)

    def drags(self, start: tuple[float, float], end: tuple[float, float]) -> None:
        """From a place of the drawing to another with the button held."""
        self.hovers_on(*start)
        self.page.mouse.down()
        self.page.mouse.move(*self.pixel(*end), steps=6)
        self.settles()
        self.page.mouse.up()
        self.settles()

    def pixel(self, x: float, y: float) -> tuple[float, float]:
        """Where a place of the drawing is on the screen, once the view rests."""
        self.settles()
        camera = self.page.get_by_test_id("figures").get_attribute("data-camera")
        box = self.surface.bounding_box()
        assert camera is not None
        assert box is not None
        cx, cy, scale, turn = map(float, camera.split())
        c, s = cos(radians(turn)), sin(radians(turn))
        x, y = x * c + y * s, y * c - x * s
        return box["x"] + box["width"] / 2 + (x - cx) * scale, box["y"] + box["height"] / 2 - (y - cy) * scale

    def turns_to(self, words: str) -> None:
        """The arrow key, until the tag says this."""
        self.settles()
        for _ in range(12):
            if re.match(words, self.tag.inner_text()):
                return
            self.presses("ArrowDown")
            self.settles()
        raise AssertionError(f"never {words}: {self.tag.inner_text()}")

    # Eyes

    @property
    def surface(self) -> Locator:
        return self.page.get_by_label("Drawing surface")

    @property
    def tag(self) -> Locator:
        return self.page.get_by_test_id("pointer-tag")

    @property
    def row(self) -> Locator:
        return self.page.locator("#open-line-input")

    def step(self, name: str) -> Locator:
        return self.page.get_by_label("Steps").locator("li").filter(has=self.page.get_by_text(name, exact=False))

    def sees_steps(self, count: int) -> None:
        expect(self.page.get_by_label("Steps").locator("li")).to_have_count(count)

    # What is really stored

    def book(self) -> dict[str, Any]:
        self.settles()
        found: dict[str, Any] = self.api.get(f"/drawings/{self.id}").json()
        return found

    def figure(self, name: str) -> dict[str, Any]:
        found: dict[str, Any] = next(s for s in self.book()["steps"] if s["name"] == name)["figure"]
        return found

    def texts(self) -> list[str]:
        return [s["text"] for s in self.book()["steps"]]
