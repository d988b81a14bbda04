"""From a typed coordinate to a stored drawing to a measured number, in the real interface."""

from math import cos, radians, sin, sqrt
from typing import Any

import pytest
from playwright.sync_api import Browser, expect

from .drafter import BOTH_WAYS, Drafter

pytestmark = BOTH_WAYS


def test_typed_path_is_stored_measured_mended_and_found_again(drafter: Drafter) -> None:
    # All four ways of giving a place: absolute, relative, polar from the last place, from a named place.
    drafter.types("10, 10", "path", "P1", "80..10", "+ 0, 30", "+ 25 at 120", "P1: 14 at 90", "close")
    drafter.types("circle", "centre P1: 35, 15", "diameter 24/2")
    drafter.presses("Escape")
    drafter.types("measure distance P1 C1")
    drafter.sees_steps(4)

    corners = [piece["from"] for piece in drafter.figure("K1")["pieces"]]
    expected = [(10, 10), (80, 10), (80, 40), (80 + 25 * cos(radians(120)), 40 + 25 * sin(radians(120))), (10, 24)]
    for found, right in zip(corners, expected, strict=True):
        assert found == pytest.approx(right, abs=1e-12)
    assert drafter.figure("C1")["centre"] == [45.0, 25.0]
    assert drafter.figure("C1")["radius"] == 6.0
    reading = sqrt(35**2 + 15**2) - 6
    expect(drafter.step("Reading R1")).to_contain_text(f"{reading:.3f} mm")

    # Mending the first step: everything else follows.
    drafter.presses("Escape", "Escape")
    drafter.step("Point P1").get_by_text("Mend").click()
    expect(drafter.row).to_have_value("10, 10")
    drafter.row.fill("0, 20")
    drafter.presses("Enter")
    expect(drafter.step("Point P1")).to_contain_text("0, 20")
    assert drafter.figure("C1")["centre"] == [35.0, 35.0]
    assert drafter.figure("K1")["pieces"][0]["from"] == [0.0, 20.0]

    drafter.open()
    drafter.sees_steps(4)
    assert drafter.figure("C1")["centre"] == [35.0, 35.0]
    drafter.presses("Control+z")
    expect(drafter.step("Point P1")).to_contain_text("10, 10")
    assert drafter.figure("C1")["centre"] == [45.0, 25.0]
    drafter.presses("Control+Shift+z")
    expect(drafter.step("Point P1")).to_contain_text("0, 20")
    expect(drafter.page.get_by_role("button", name="Undo")).to_contain_text("change of point P1")


def test_problem_is_said_where_it_was_typed_and_nothing_is_lost(drafter: Drafter) -> None:
    drafter.types("circle", "40, 25")
    drafter.page.keyboard.type("radios 12")
    expect(drafter.page.get_by_role("alert")).to_contain_text("perhaps radius")
    expect(drafter.page.locator("mark")).to_have_text("radios")
    drafter.presses("Enter")
    expect(drafter.row).to_have_value("radios 12")
    drafter.row.fill("radius 12")
    drafter.open()
    expect(drafter.row).to_have_value("radius 12")
    expect(drafter.page.get_by_label("Givens so far")).to_contain_text("centre 40, 25")
    drafter.presses("Enter")
    drafter.sees_steps(1)
    assert drafter.texts() == ["circle centre 40, 25 radius 12"]


def test_backspace_takes_the_last_given_back_and_escape_keeps_a_chain(drafter: Drafter) -> None:
    drafter.types("path", "0, 0", "50, 0", "50, 99")
    expect(drafter.page.get_by_label("Givens so far").locator("li")).to_have_count(3)
    drafter.presses("Backspace")
    expect(drafter.page.get_by_label("Givens so far").locator("li")).to_have_count(2)
    drafter.types("+ 0, 40")
    drafter.presses("Escape")
    drafter.sees_steps(1)
    assert drafter.texts() == ["path from 0, 0 to 50, 0 to + 0, 40"]
    expect(drafter.page.get_by_label("Givens so far")).to_have_count(0)


def test_pointer_alone_places_and_measures(drafter: Drafter) -> None:
    page = drafter.page
    page.get_by_role("button", name="Point", exact=True).click()
    drafter.clicks_at(300, 300)
    drafter.clicks_at(500, 300)
    drafter.sees_steps(2)
    page.get_by_role("button", name="Read", exact=True).click()
    page.get_by_role("button", name="Distance").click()
    drafter.clicks_at(302, 299)
    expect(page.get_by_label("Givens so far")).to_contain_text("P1")
    drafter.clicks_at(499, 302)
    drafter.sees_steps(3)
    assert drafter.texts()[2] == "measure distance P1; P2"
    first, second = drafter.figure("P1")["at"], drafter.figure("P2")["at"]
    assert first[1] == second[1]
    page.get_by_role("tab", name="Checks").click()
    readings = page.get_by_role("region", name="Readings")
    expect(readings).to_contain_text(f"{second[0] - first[0]:.3f} mm")
    expect(readings).to_contain_text("direction 0°")


def test_view_follows_what_is_placed_and_never_touches_what_is_written(drafter: Drafter) -> None:
    drafter.types("circle centre 0,0 radius 20", "circle")
    drafter.page.keyboard.type("4000, 0")
    drafter.presses("PageUp", "Control+ArrowLeft", "Control+Home")
    drafter.surface.hover()
    drafter.page.mouse.wheel(0, -100)
    expect(drafter.row).to_have_value("4000, 0")
    drafter.types("", "30")
    drafter.sees_steps(2)
    # The second circle lies far outside the first view: its pixels are on the surface all the same.
    drafter.settles()
    assert dark_columns(drafter)[0] < 200
    assert dark_columns(drafter)[1] > 700


def dark_columns(drafter: Drafter) -> tuple[int, int]:
    """The first and last columns of the surface in which something is drawn."""
    found: Any = drafter.page.get_by_test_id("figures").evaluate(
        """canvas => {
          const { data, width, height } = canvas.getContext("2d").getImageData(0, 0, canvas.width, canvas.height);
          let first = width, last = 0;
          for (let i = 3; i < data.length; i += 4) if (data[i] > 100) {
            const x = ((i - 3) / 4) % width; first = Math.min(first, x); last = Math.max(last, x);
          }
          return [first, last];
        }"""
    )
    return found[0], found[1]


def test_struck_step_leaves_what_needs_it_waiting(drafter: Drafter) -> None:
    drafter.types("10, 10", "circle centre P1 radius 5")
    drafter.sees_steps(2)
    drafter.step("Point P1").hover()
    drafter.step("Point P1").get_by_role("button", name="Strike").click()
    expect(drafter.step("Circle C1")).to_contain_text("waits: there is no P1 before this step")
    drafter.presses("Control+z")
    expect(drafter.step("Circle C1")).not_to_contain_text("waits")


def test_two_windows_end_with_the_same_drawing(drafter: Drafter, browser: Browser) -> None:
    with browser.new_context(viewport={"width": 1280, "height": 800}) as context:
        other = Drafter(context.new_page(), drafter.server, drafter.api, drafter.id)
        other.open()
        drafter.types("1, 1")
        other.types("2, 2")
        drafter.sees_steps(2)
        other.sees_steps(2)
        assert sorted(drafter.texts()) == ["point 1, 1", "point 2, 2"]
