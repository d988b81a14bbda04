"""The drafting table in the real interface: chains, units, datum, handles, values, selection, views."""

from math import atan2, degrees, hypot
from pathlib import Path

import pytest
from playwright.sync_api import expect

from .drafter import Drafter


def begun(drafter: Drafter, *statements: str) -> None:
    drafter.types(*statements)
    # Written first, left then: on a slow machine the kind would stay open behind the key.
    drafter.sees_steps(len(statements))
    drafter.presses("Escape")
    drafter.presses("Control+Home")


def test_a_chain_with_a_tangent_arc_by_the_pointer_alone(drafter: Drafter) -> None:
    begun(drafter, "point 0, 0", "point 60, 0", "point 90, 30", "point 90, 80")
    drafter.page.get_by_label("Tray").get_by_role("button", name="Path", exact=True).click()
    drafter.clicks_on(0, 0)
    drafter.clicks_on(60, 0)
    # Leaving the end for the first time a line follows; coming back and swinging away from it, an arc.
    drafter.hovers_on(70, 0.5)
    drafter.hovers_on(60, 0)
    drafter.hovers_on(62, 8)
    drafter.hovers_on(70, 25)
    expect(drafter.tag).to_contain_text("curve to")
    drafter.clicks_on(90, 30)
    drafter.clicks_on(90, 80)
    drafter.presses("Escape")
    drafter.sees_steps(5)
    assert drafter.texts()[4] == "path from P1 to P2 curve to P3 to P4"
    arc = drafter.figure("K1")["pieces"][1]
    assert arc["centre"] == pytest.approx([60, 30])


def test_an_arc_runs_the_way_the_pointer_went(drafter: Drafter) -> None:
    begun(drafter, "point 0, 0", "point 50, 0", "point 0, 50")
    drafter.presses("PageDown", "PageDown", "PageDown", "PageDown")
    for way, sweep in (((35, -35), -270), ((35, 35), 90)):
        drafter.types("arc", "centre P1", "from P2")
        drafter.hovers_on(50, 0.5)
        stops = [way, (0, way[1]), (-50, 0), (-35, 35)] if way[1] < 0 else [way, (20, 46)]
        for stop in stops:
            drafter.hovers_on(*stop)
        drafter.clicks_on(0, 50)
        drafter.presses("Escape", "Escape")
        drafter.sees_steps(4)
        assert drafter.book()["steps"][-1]["figure"]["sweep"] == pytest.approx(sweep)
        drafter.presses("Control+z")
        drafter.sees_steps(3)


def test_feet_and_inches_bearings_and_a_length_held(drafter: Drafter) -> None:
    drafter.types("unit ft", "decimals 2", "angles north clockwise")
    drafter.types("path", "from 0, 0")
    drafter.page.keyboard.type("to + 12'-6 1/2\" at N 30 E")
    expect(drafter.page.get_by_test_id("pointer-tag").or_(drafter.row)).to_have_count(2)
    drafter.presses("Enter")
    drafter.types("to + 40 at az 120", "close")
    drafter.sees_steps(1)
    pieces = drafter.figure("K1")["pieces"]
    assert hypot(*pieces[0]["to"]) == pytest.approx(150.5 / 12, rel=1e-14)
    assert degrees(atan2(pieces[0]["to"][0], pieces[0]["to"][1])) == pytest.approx(30)
    drafter.presses("Escape")
    drafter.types("circle", "0, 0")
    drafter.page.keyboard.type("12'-6 1/2\"")
    expect(drafter.page.get_by_test_id("echo")).to_contain_text("12.54")
    drafter.presses("Escape", "Escape")
    # The drawing shows them so, too, once it is told to.
    drafter.page.get_by_role("button", name="ft · 0.01").click()
    drafter.page.get_by_role("radio", name="1/16").click()
    drafter.page.get_by_role("radio", name="bearings").click()
    expect(drafter.page.get_by_role("button", name="ft · 1/16 in · bearings")).to_be_visible()
    drafter.presses("Escape")
    drafter.types("measure length edge 1 of K1", "measure direction edge 1 of K1")
    expect(drafter.step("Reading R1")).to_contain_text("12'-6 1/2\"")
    expect(drafter.step("Reading R2")).to_contain_text("N 30° E")


def test_datum_along_a_sloping_edge_with_the_view_turned_to_it(drafter: Drafter) -> None:
    begun(drafter, "line from 10, 20 to 90, 80")
    drafter.step("L1").first.click()
    drafter.page.get_by_role("button", name="mm · 0.001").click()
    drafter.page.get_by_role("button", name="Along L1").click()
    expect(drafter.page.get_by_role("button", name="datum sloping 36.8699°")).to_be_visible()
    drafter.presses("Escape")
    drafter.surface.click(position={"x": 12, "y": 12})
    drafter.types("point 50, 10", "line", "0, 0")
    # The view is turned: along the edge is to the right on the screen.
    drafter.page.keyboard.down("Shift")
    drafter.clicks_on(10 + 64, 20 + 48)
    drafter.page.keyboard.up("Shift")
    drafter.sees_steps(3)
    assert drafter.figure("P1")["at"] == pytest.approx([10 + 50 * 0.8 - 10 * 0.6, 20 + 50 * 0.6 + 10 * 0.8])
    end = drafter.figure("L2")["to"]
    assert (end[1] - 20) / (end[0] - 10) == pytest.approx(0.75)


def test_with_the_keyboard_alone(drafter: Drafter) -> None:
    drafter.types("circle", "0, 0", "20", "c = circle centre 70, 12 radius 14")
    drafter.presses("Escape")
    drafter.page.keyboard.type("line touching C1")
    drafter.presses("Enter")
    drafter.page.keyboard.type("touching c")
    drafter.presses("ArrowDown", "Enter", "Escape")
    drafter.sees_steps(3)
    expect(drafter.page.get_by_label("Open line").first).to_contain_text("A word begins a step")
    drafter.presses("ArrowUp", "Enter")
    expect(drafter.page.get_by_label("Open line").first).to_contain_text("Mending Line L1")
    drafter.presses("Escape", "Escape")
    drafter.types("measure length", "L1")
    drafter.sees_steps(4)
    drafter.presses("Control+z", "Control+Home", "PageUp")
    drafter.sees_steps(3)
    assert drafter.texts()[2] == "line touching C1 left touching c right"


def test_with_the_pointer_alone(drafter: Drafter) -> None:
    begun(drafter, "point 0, 0", "point 80, 0", "point 80, 50", "point 0, 50")
    tray = drafter.page.get_by_label("Tray")
    tray.get_by_role("button", name="Line", exact=True).click()
    drafter.drags((0, 0), (80, 0))
    drafter.drags((80, 0), (80, 50))
    tray.get_by_role("button", name="Circle", exact=True).click()
    drafter.drags((0, 0), (80, 0))
    drafter.clicks_on(80, 50)
    drafter.sees_steps(7)
    tray.get_by_role("button", name="Read", exact=True).click()
    tray.get_by_role("button", name="Radius", exact=True).click()
    drafter.clicks_on(40, 25 + hypot(40, 25))
    drafter.sees_steps(8)
    assert drafter.figure("C1")["radius"] == pytest.approx(hypot(40, 25))


def test_handles_say_what_pulling_does_and_change_that_given(drafter: Drafter) -> None:
    begun(drafter, "point 0, 0", "circle centre P1 radius 20", "line from P1 direction 30 length 60", "point end of L1: 0, 10")
    drafter.step("C1").first.click()
    drafter.settles()
    drafter.hovers_on(14.142, 14.142)
    expect(drafter.tag).to_contain_text("pulling changes radius 20")
    drafter.drags((14.142, 14.142), (21.2, 21.2))
    expect(drafter.step("C1").first).not_to_contain_text("radius 20")
    assert drafter.figure("C1")["radius"] == pytest.approx(30, abs=0.5)
    drafter.hovers_on(0, 0)
    expect(drafter.tag).to_contain_text("pulling moves P1")
    drafter.drags((0, 0), (-10, -6))
    assert drafter.figure("P1")["at"] == pytest.approx([-10, -6], abs=0.5)
    assert drafter.figure("C1")["centre"] == drafter.figure("P1")["at"]


def test_sizes_of_shapes_and_touching_circles_are_pulled_and_the_tag_says_what_they_become(drafter: Drafter) -> None:
    begun(drafter, "rectangle from 0, 0 size 60, 40", "line from 0, 80 to 90, 80", "circle touching L1 right at 45, 80 radius 10")
    drafter.step("K1").first.click()
    drafter.hovers_on(60, 40)
    expect(drafter.tag).to_contain_text("pulling changes size 60, 40")
    drafter.page.mouse.down()
    drafter.hovers_on(72, 24)
    expect(drafter.tag).to_contain_text("size 72, 24")
    drafter.page.mouse.up()
    expect(drafter.step("K1").first).to_contain_text("size 72, 24")
    drafter.step("C1").first.click()
    # The place on its rim that lies away from what it touches.
    drafter.drags((45, 60), (45, 50))
    expect(drafter.step("C1").first).to_contain_text("radius 15")


def test_a_value_that_follows_asks_what_gives_way(drafter: Drafter) -> None:
    begun(drafter, "point 0, 0", "point 60, 0", "point 20, 40", "circle through P1 P2 P3")
    drafter.step("C1").first.click()
    drafter.page.get_by_role("button", name="radius 31.623").click()
    drafter.page.get_by_label("Another radius of C1").fill("45")
    drafter.presses("Enter")
    group = drafter.page.get_by_role("group", name="Which givens give way")
    group.get_by_role("button", name="through P3", exact=True).click()
    expect(drafter.step("C1").first).to_contain_text("radius 45")
    assert drafter.texts()[3] == "circle through P1 through P2 radius 45 left"
    drafter.page.get_by_role("button", name="radius 45.000").click()
    drafter.page.get_by_label("Another radius of C1").fill("50")
    drafter.presses("Enter")
    expect(drafter.step("C1").first).to_contain_text("radius 50")


def test_selecting_by_box_and_by_what_hangs_together(drafter: Drafter) -> None:
    begun(
        drafter, "line from 0, 0 to 50, 0", "line from 50, 0 to 50, 40", "circle centre 25, 20 radius 8",
        "line from 80, 0 to 80, 60", "circle centre 90, 30 radius 5",
    )  # fmt: skip
    drafter.presses("PageDown", "PageDown")
    lit = drafter.page.locator("li[data-chosen=true]")
    drafter.drags((-8, -8), (60, 50))
    expect(lit).to_have_count(3)
    drafter.presses("Escape")
    drafter.page.keyboard.down("Shift")
    drafter.drags((70, 20), (88, 34))
    drafter.page.keyboard.up("Shift")
    expect(lit).to_have_count(2)
    drafter.presses("Escape")
    drafter.hovers_on(20, 0)
    drafter.page.mouse.dblclick(*drafter.pixel(20, 0))
    expect(lit).to_have_count(2)
    drafter.presses("Delete")
    drafter.sees_steps(3)
    drafter.presses("Control+z")
    drafter.sees_steps(5)


def test_a_picture_is_laid_under_and_scaled_by_two_places(drafter: Drafter, tmp_path: Path) -> None:
    from PIL import Image, ImageDraw

    scan = Image.new("RGB", (400, 300), "white")
    ImageDraw.Draw(scan).rectangle((50, 50, 350, 250), outline="black", width=3)
    scan.save(tmp_path / "scan.png")
    (tmp_path / "not.png").write_bytes(b"no picture")
    begun(drafter, "line from 0, 0 to 100, 0")
    drafter.page.get_by_role("button", name="Picture").click()
    drafter.page.get_by_label("Picture file").set_input_files(tmp_path / "not.png")
    expect(drafter.page.get_by_role("alert")).to_contain_text("PNG or JPEG")
    drafter.page.get_by_label("Picture file").set_input_files(tmp_path / "scan.png")
    drafter.page.get_by_role("button", name="Scale by two places").click()
    found = drafter.api.get(f"/drawings/{drafter.id}/backing").json()
    scale = found["placing"]["scale"]
    drafter.clicks_on(50 * scale, 50 * scale)
    drafter.clicks_on(350 * scale, 50 * scale)
    drafter.page.get_by_label("How far apart the two places are").fill("60")
    drafter.presses("Enter")
    expect(drafter.page.get_by_label("How far apart the two places are")).to_have_count(0)
    after = drafter.api.get(f"/drawings/{drafter.id}/backing").json()
    assert after["placing"]["scale"] == pytest.approx(60 / 300, rel=0.02)
    drafter.page.get_by_role("button", name="Picture").click()
    drafter.page.get_by_role("button", name="Pin in the corner").click()
    expect(drafter.page.get_by_role("button", name="Lie under the drawing")).to_be_visible()


def test_with_the_book_folded_away(drafter: Drafter) -> None:
    begun(drafter, "circle centre 0, 0 radius 20")
    drafter.page.get_by_role("button", name="Fold").click()
    drafter.types("line", "0, 0")
    expect(drafter.page.get_by_label("Open line").first).to_contain_text("from 0, 0")
    drafter.types("60, 10")
    drafter.page.get_by_role("button", name="Unfold the book").click()
    drafter.sees_steps(2)


def test_striking_what_others_hang_on_says_who_waits_with_undo_beside_it(drafter: Drafter) -> None:
    begun(
        drafter, "line from 0, 0 to 60, 0", "circle touching L1 left at 20, 0 radius 8", "point 30, 40", "line from P1 square L1"
    )
    drafter.step("L1").first.click()
    drafter.presses("Delete")
    told = drafter.page.get_by_role("status", name="What waits")
    expect(told).to_contain_text("C1 and L2 cannot be drawn any more, after striking line L1.")
    told.get_by_role("button", name="Undo").click()
    expect(told).to_have_count(0)
    drafter.sees_steps(4)
    assert drafter.figure("C1")["radius"] == 8
