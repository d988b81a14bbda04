"""Tangent constructions in the real interface: solutions seen and taken, picks by the pointer, mending, working."""

from math import hypot
from pathlib import Path

import pytest
from playwright.sync_api import expect

from .drafter import BOTH_WAYS, Drafter

pytestmark = BOTH_WAYS

AXE = Path(__file__).parents[2] / "web" / "node_modules" / "axe-core" / "axe.min.js"
ROUND = ("circle centre 0, 0 radius 20", "circle centre 70, 12 radius 14", "line from -40, -40 to 110, -34")


def begun(drafter: Drafter, *statements: str) -> None:
    drafter.types(*statements)
    # Written first, left then: on a slow machine the kind would stay open behind the key.
    drafter.sees_steps(len(statements))
    drafter.presses("Escape")
    drafter.presses("Control+Home")


def test_second_of_the_solutions_is_taken_with_the_arrow_keys(drafter: Drafter) -> None:
    begun(drafter, *ROUND)
    drafter.types("circle", "touching C1", "touching C2")
    drafter.page.keyboard.type("60")
    # What a bare number means stands beside it before it is entered.
    expect(drafter.page.get_by_test_id("echo")).to_have_text("radius")
    solutions = drafter.page.get_by_role("group", name="Solutions")
    expect(solutions).to_contain_text("1 of 8")
    drafter.presses("ArrowDown")
    expect(solutions).to_contain_text("2 of 8")
    drafter.presses("Enter")
    drafter.sees_steps(4)
    assert drafter.texts()[3] == "circle touching C1 outside touching C2 outside radius 60 right"
    circle = drafter.figure("C3")
    assert hypot(*circle["centre"]) == pytest.approx(80, abs=1e-12)


def test_a_wrong_number_at_the_root_is_mended_and_everything_follows(drafter: Drafter) -> None:
    begun(
        drafter,
        "circle centre 0, 0 radius 2",
        "circle centre 70, 12 radius 14",
        "circle touching C1 outside C2 outside radius 60",
    )
    drafter.types("line touching C3 left C1 left")
    drafter.sees_steps(4)
    before = drafter.figure("L1")
    drafter.step("C1").first.dblclick()
    expect(drafter.row).to_have_value("radius 2")
    drafter.types("24")
    expect(drafter.step("C1").first).to_contain_text("radius 24")
    after = drafter.figure("L1")
    assert before != after
    c1, c3 = drafter.figure("C1"), drafter.figure("C3")
    gap = hypot(c3["centre"][0] - c1["centre"][0], c3["centre"][1] - c1["centre"][1]) - c1["radius"] - c3["radius"]
    assert abs(gap) < 1e-12
    expect(drafter.row).to_have_value("")


def test_what_cannot_be_says_the_smallest_radius(drafter: Drafter) -> None:
    begun(drafter, *ROUND)
    drafter.page.keyboard.type("circle touching C1 outside C2 outside radius 5")
    expect(drafter.page.get_by_role("alert")).to_contain_text("18.510562 at least")
    drafter.presses("Control+Enter", "Enter")
    drafter.sees_steps(4)
    assert drafter.figure("C3")["radius"] == pytest.approx((hypot(70, 12) - 34) / 2, rel=1e-11)


def test_a_step_that_waits_takes_what_would_work_with_one_key(drafter: Drafter) -> None:
    begun(drafter, "a = 60", "point 0, 0", "point a, 0", "circle through P1 P2 radius 40 left")
    drafter.step("Number a").first.dblclick()
    expect(drafter.row).to_have_value("a = 60")
    drafter.row.fill("a = 100")
    drafter.presses("Enter")
    expect(drafter.step("C1").first).to_contain_text("so 50 at least")
    drafter.presses("ArrowUp")
    drafter.step("C1").first.click()
    drafter.presses("Control+Enter")
    expect(drafter.step("C1").first).not_to_contain_text("waits")
    assert drafter.texts()[3] == "circle through P1 P2 radius 50 left"


def test_working_is_shown_with_its_sums(drafter: Drafter) -> None:
    begun(drafter, *ROUND, "circle touching C1 enclosing C2 outside radius 48 left")
    drafter.presses("ArrowUp")
    drafter.page.get_by_role("button", name="Show working").click()
    sums = drafter.page.get_by_role("list", name="Working")
    expect(sums).to_contain_text("R - r = 48 - 20 = 28")
    expect(sums).to_contain_text("R + r = 48 + 14 = 62")
    drafter.page.get_by_role("button", name="Hide working").click()
    expect(sums).to_have_count(0)


def test_steps_are_inserted_moved_renamed_hidden_and_switched_off(drafter: Drafter) -> None:
    begun(drafter, "circle centre 0, 0 radius 20", "point C1: 30, 0")
    drafter.step("C1").first.click()
    drafter.page.get_by_role("button", name="Insert before").click()
    drafter.types("a = 25")
    drafter.page.get_by_role("button", name="at the end again").click()
    assert drafter.texts()[0] == "a = 25"
    drafter.step("C1").first.click()
    drafter.page.get_by_role("button", name="Rename", exact=True).click()
    drafter.page.get_by_label("New name of C1").fill("hub")
    drafter.presses("Enter")
    expect(drafter.step("hub").first).to_be_visible()
    assert drafter.texts() == ["a = 25", "hub = circle centre 0, 0 radius 20", "point hub: 30, 0"]
    drafter.page.get_by_role("button", name="Later", exact=True).click()
    expect(drafter.page.get_by_text("comes later").first).to_be_visible()
    drafter.page.get_by_role("button", name="Switch off").click()
    expect(drafter.step("P1").first).to_contain_text("waits")
    drafter.page.get_by_role("button", name="Switch on").click()
    expect(drafter.step("P1").first).not_to_contain_text("waits")
    drafter.page.get_by_role("button", name="Hide", exact=True).click()
    drafter.page.get_by_role("button", name="Show", exact=True).click()
    expect(drafter.page.get_by_role("button", name="Hide", exact=True)).to_be_visible()
    assert [s["hidden"] for s in drafter.book()["steps"]] == [False] * 3


def test_circle_in_three_lines_with_the_pointer_alone(drafter: Drafter) -> None:
    begun(drafter, "line from 0, 0 to 120, 0", "line from 120, 0 to 0, 90", "line from 0, 90 to 0, 0")
    drafter.page.get_by_label("Tray").get_by_role("button", name="Circle", exact=True).click()
    for x, y in ((40, 0), (80, 30), (0, 30)):
        drafter.clicks_on(x, y)
    drafter.sees_steps(4)
    assert drafter.figure("C1")["radius"] == pytest.approx(30, abs=1e-12)


def test_action_counts_of_the_guide(drafter: Drafter) -> None:
    """Keys that are not digits, and clicks, as the table in docs/guide.md counts them."""
    begun(
        drafter, "circle centre 0, 0 radius 20", "circle centre 90, 12 radius 14", "point 10, 60", "point 60, 70", "point 100, 40"
    )
    tray = drafter.page.get_by_label("Tray")
    # Circle through three places: the word, a drag from one to the next, and a click.
    tray.get_by_role("button", name="Circle", exact=True).click()
    drafter.drags((10, 60), (60, 70))
    drafter.clicks_on(100, 40)
    drafter.sees_steps(6)
    assert drafter.texts()[5] == "circle through P1 through P2 through P3"
    drafter.presses("Escape")
    # Belt line outside two pulleys: the word, two clicks where it shall touch.
    tray.get_by_role("button", name="Line", exact=True).click()
    drafter.clicks_on(0, -20)
    drafter.clicks_on(92, -1.8)
    drafter.sees_steps(7)
    assert drafter.texts()[6] == "line touching C1 left touching C2 left"
    drafter.presses("Escape")
    # Arc by centre, radius and sweep: the word, a click, three entries.
    tray.get_by_role("button", name="Arc", exact=True).click()
    drafter.clicks_on(0, 0)
    drafter.types("30", "15", "120")
    drafter.sees_steps(8)
    arc = drafter.figure("A1")
    assert (arc["radius"], arc["sweep"]) == (30, 120)


def test_length_is_held_with_tab_and_the_direction_follows_the_pointer(drafter: Drafter) -> None:
    drafter.types("line", "0, 0")
    drafter.page.keyboard.type("50")
    drafter.presses("Tab")
    expect(drafter.page.get_by_label("Givens so far")).to_contain_text("length 50")
    drafter.types("30")
    drafter.sees_steps(1)
    assert drafter.texts() == ["line from 0, 0 length 50 direction 30"]


def test_a_series_of_sizes_about_one_centre(drafter: Drafter) -> None:
    drafter.types("circle", "40, 25", "20", "24", "32")
    drafter.sees_steps(3)
    assert drafter.texts() == ["circle centre 40, 25 radius 20", "circle centre C1 radius 24", "circle centre C2 radius 32"]
    drafter.types("70, 70", "5")
    drafter.sees_steps(4)
    assert drafter.texts()[3] == "circle centre 70, 70 radius 5"


def test_shift_holds_a_line_level(drafter: Drafter) -> None:
    begun(drafter, "line from 0, 0 to 100, 80")
    drafter.types("line", "0, 0")
    drafter.page.keyboard.down("Shift")
    drafter.clicks_on(70, 12)
    drafter.page.keyboard.up("Shift")
    drafter.sees_steps(2)
    assert drafter.figure("L2")["to"][1] == 0
    assert drafter.figure("L2")["to"][0] == pytest.approx(70, abs=1)


def test_view_before_comes_back_and_the_open_line_is_left_alone(drafter: Drafter) -> None:
    begun(drafter, *ROUND)
    drafter.page.keyboard.type("circle touching C1")
    scale = drafter.page.get_by_test_id("figures")
    first = scale.screenshot()
    drafter.presses("Control+Home", "PageUp", "PageUp", "Control+Home", "Control+PageDown")
    expect(drafter.row).to_have_value("circle touching C1")
    drafter.presses("Control+PageDown")
    assert scale.screenshot() == first


def test_no_serious_finding_by_axe(drafter: Drafter) -> None:
    """Library: axe-core 4.14, rules of WCAG 2.2 A and AA."""
    begun(drafter, *ROUND, "circle touching C1 outside C2 outside radius 60 left")
    drafter.presses("ArrowUp")
    drafter.types("circle", "touching C1", "touching C2")
    drafter.page.keyboard.type("60")
    expect(drafter.page.get_by_role("group", name="Solutions")).to_be_visible()
    # Into the page by the debugger: its own policy lets no script in.
    drafter.page.evaluate(AXE.read_text(encoding="utf-8"))
    no_serious(drafter)
    # With the list at the pointer, and the settings of the drawing, open.
    drafter.clicks_on(35, 40, button="right")
    no_serious(drafter)
    drafter.presses("Escape", "Escape", "Escape")
    drafter.page.get_by_role("button", name="mm · 0.001").click()
    no_serious(drafter)
    drafter.presses("Escape")
    # The help, and all of it in the other look.
    drafter.presses("F1")
    expect(drafter.page.get_by_label("Search the help")).to_be_visible()
    no_serious(drafter)
    drafter.page.get_by_role("button", name="Blueprint").click()
    no_serious(drafter)
    drafter.presses("F1")
    no_serious(drafter)


def no_serious(drafter: Drafter) -> None:
    found = drafter.page.evaluate("axe.run(document, {runOnly: ['wcag2a', 'wcag2aa', 'wcag22aa']}).then(r => r.violations)")
    serious = [(v["id"], [n["html"][:120] for n in v["nodes"]]) for v in found if v["impact"] in ("serious", "critical")]
    assert serious == []
