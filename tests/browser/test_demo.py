"""Demo drawings drawn through the interface, with snaps: what comes of it is what is kept as `.kent`."""

from math import cos, radians, sin
from pathlib import Path

import pytest

from .drafter import Drafter

DEMO = Path(__file__).parents[2] / "demo"


HERE = Path(__file__).parent


def kept(name: str, folder: Path = DEMO) -> list[str]:
    lines = (folder / name).read_text(encoding="utf-8").splitlines()
    headers = ("unit", "decimals", "fractions", "angles")
    drawn = [line for line in lines if line and not line.startswith(("#", *headers))]
    # What is said of it on paper comes last.
    return drawn[: next((n for n, line in enumerate(drawn) if line.startswith("dimension ")), len(drawn))]


def test_showground_plan(drafter: Drafter) -> None:
    text = kept("showground-plan.kent")
    drafter.types("unit ft", "decimals 2", "angles north clockwise")
    drafter.types(text[0])
    drafter.presses("Escape", "Escape")
    drafter.types(text[1])
    drafter.presses("Escape")
    drafter.sees_steps(2)
    drafter.presses("Control+Home")
    corners = [piece["from"] for piece in drafter.figure("K1")["pieces"]]
    tray = drafter.page.get_by_label("Tray")
    # The boundary as agreed: the five pegs, picked one after the other.
    tray.get_by_role("button", name="Path", exact=True).click()
    for x, y in corners:
        drafter.clicks_on(x, y)
    drafter.types("close")
    drafter.sees_steps(3)
    drafter.presses("Escape")
    # From peg to peg in pencil, by a drag.
    drafter.page.get_by_role("radio", name="Pencil").click()
    tray.get_by_role("button", name="Line", exact=True).click()
    drafter.drags(corners[0], corners[2])
    drafter.sees_steps(4)
    drafter.page.get_by_role("radio", name="Ink").click()
    # The carousel in the middle of it, then its fence about the same centre.
    tray.get_by_role("button", name="Circle", exact=True).click()
    middle = [(a + b) / 2 for a, b in zip(corners[0], corners[2], strict=True)]
    drafter.clicks_on(*middle)
    drafter.types("24'")
    drafter.sees_steps(5)
    drafter.types("31'-6\"")
    drafter.sees_steps(6)
    # The shortest way from the hedge, an edge of the boundary, to the fence: a drag.
    tray.get_by_role("button", name="Line", exact=True).click()
    drafter.drags((77.5 - 9.2, -158.8 + 3.7), (106.0, -88.9))
    drafter.sees_steps(7)
    # The organ wagon: plumb with the middle of the hedge, level with the third peg.
    tray.get_by_role("button", name="Point", exact=True).click()
    hedge = [(a + b) / 2 for a, b in zip(corners[3], corners[4], strict=True)]
    drafter.rests_on(*hedge)
    drafter.rests_on(*corners[2])
    drafter.clicks_on(hedge[0], corners[2][1])
    drafter.sees_steps(8)
    drafter.types("measure length L2", "measure area K2 less C2")
    drafter.sees_steps(10)
    written = drafter.texts()
    assert [plain(line) for line in written] == [plain(line) for line in text]
    area = drafter.book()["steps"][-1]["reading"]["exact"]
    assert area == pytest.approx(35050.86243977923)


def plain(line: str) -> str:
    """A statement as it counts: a `;` may be left out between names, and the word for a place may stand once or on every row."""
    line = line.replace("path from corner 1 of K1 corner", "path from corner 1 of K1 to corner").replace(";", " ")
    return " ".join(line.split())


def test_platform_ring_drawn_with_sight_lines_as_it_is_kept(drafter: Drafter) -> None:
    text = kept("ring_by_sight_lines.kent", HERE)
    drafter.types("decimals 1", *text[:5])
    drafter.presses("Escape", "Escape")
    drafter.sees_steps(5)
    drafter.presses("Control+Home")
    # Sight lines at every 15 degrees, set in the list at the pointer.
    drafter.types("circle")
    drafter.clicks_on(600, 600, button="right")
    menu = drafter.page.get_by_role("dialog", name="At the pointer")
    menu.get_by_label("Directions every (degrees, 0 for any)").fill("15")
    drafter.presses("Escape")
    for pole in range(12):
        # Twelve poles; the kind stays open, and the sight lines of the one placed last are gone.
        drafter.page.keyboard.type("centre")
        if pole % 3:
            drafter.rests_on(0, 0)
        drafter.clicks_on(*polar(2450, 30 * pole))
        drafter.types("diameter pole")
        drafter.sees_steps(6 + pole)
    drafter.presses("Escape")
    drafter.types("line")
    for joint in range(12):
        drafter.rests_on(0, 0)
        drafter.clicks_on(*polar(1650, 15 + 30 * joint))
        drafter.clicks_on(*polar(3100, 15 + 30 * joint))
        drafter.sees_steps(18 + joint)
        # The next one begins elsewhere, and does not go on from there.
        drafter.presses("Backspace")
    drafter.presses("Escape")
    # The step up: from a joint down by 320, across to under the next one, up to it.
    first, second = polar(3100, 255), polar(3100, 285)
    drafter.types("path")
    drafter.clicks_on(*first)
    drafter.types("+ 0, -320", "(end of L10).x, (end of L9).y - 320")
    drafter.clicks_on(*second)
    drafter.presses("Enter", "Escape")
    drafter.sees_steps(30)
    drafter.types("measure distance")
    drafter.clicks_on(*polar(2450, 0))
    drafter.clicks_on(*polar(2450, 30))
    drafter.sees_steps(31)
    drafter.clicks_on(*polar(3100, 15))
    drafter.clicks_on(*polar(3100, 45))
    drafter.sees_steps(32)
    drafter.types("ring_inner; ring_outer wanted 1450")
    drafter.sees_steps(33)
    assert [plain(line) for line in drafter.texts()] == [plain(line) for line in text]


def polar(radius: float, degrees: float) -> tuple[float, float]:
    return radius * cos(radians(degrees)), radius * sin(radians(degrees))
