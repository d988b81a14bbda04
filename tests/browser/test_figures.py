"""Other kinds of figure, by tray and by words, in the real interface."""

from math import hypot

import pytest
from playwright.sync_api import expect

from .drafter import Drafter


def test_kinds_of_the_tray_each_draw_with_bare_entries(drafter: Drafter) -> None:
    tray = drafter.page.get_by_label("Tray")
    for kind, entries in (
        ("Arc", ("0, 0", "40, 0", "20, 20")),
        ("Rectangle", ("0, 0", "40, -25")),
        ("Polygon", ("100, 0", "6", "20")),
        ("Ellipse", ("60, 60", "30, 10")),
        ("Line", ("0, 60", "+ 20 at 90")),
    ):
        tray.get_by_role("button", name=kind, exact=True).click()
        drafter.types(*entries)
        drafter.presses("Escape")
    drafter.sees_steps(5)
    assert drafter.texts() == [
        "arc from 0, 0 to 40, 0 via 20, 20",
        "rectangle from 0, 0 to 40, -25",
        "polygon centre 100, 0 sides 6 radius 20",
        "ellipse centre 60, 60 axes 30, 10",
        "line from 0, 60 to + 20 at 90",
    ]
    assert drafter.figure("A1")["sweep"] == -180


def test_words_are_offered_and_taken(drafter: Drafter) -> None:
    drafter.types("line from 0, 0 to 50, 0", "circle centre 50, 0 radius 20")
    drafter.presses("Escape")
    drafter.page.keyboard.type("point cro")
    drafter.page.get_by_role("button", name="crossing of").click()
    expect(drafter.row).to_have_value("point crossing of ")
    drafter.types("L1 C1 entering")
    drafter.sees_steps(3)
    assert drafter.figure("P1")["at"] == [30.0, 0.0]


def test_radius_too_small_is_mended_by_typing_on(drafter: Drafter) -> None:
    drafter.types("0, 0", "31.4, 0", "circle", "through P1", "through P2")
    drafter.page.keyboard.type("radius 12")
    expect(drafter.page.get_by_role("alert")).to_contain_text("they are 31.4 apart, so 15.7 at least")
    drafter.presses("Enter")
    expect(drafter.row).to_have_value("radius 12")
    # What was refused is selected, and typed over. Two circles are left: the next Enter takes the one that is shown.
    drafter.types("57", "")
    drafter.sees_steps(3)
    circle = drafter.figure("C1")
    for place in ([0, 0], [31.4, 0]):
        assert hypot(circle["centre"][0] - place[0], circle["centre"][1] - place[1]) == pytest.approx(57, abs=1e-12)


def test_pencil_is_written_into_the_step(drafter: Drafter) -> None:
    drafter.page.get_by_role("radio", name="Pencil").click()
    drafter.types("circle centre 0,0 radius 5")
    drafter.sees_steps(1)
    assert drafter.texts() == ["pencil circle centre 0,0 radius 5"]
    drafter.page.get_by_role("radio", name="Ink").click()


def test_reading_is_compared_and_feet_and_inches_are_understood(drafter: Drafter) -> None:
    drafter.types("unit in", "decimals 3", "0, 0")
    drafter.page.keyboard.type("12'-6 1/2\", 0")
    drafter.presses("Enter")
    drafter.types("measure distance P1 P2 wanted 12'-6\" within 0.25")
    drafter.sees_steps(3)
    reading = drafter.step("Reading R1")
    expect(reading).to_contain_text("150.500 in")
    expect(reading).to_contain_text("off by +0.500 in: out")
