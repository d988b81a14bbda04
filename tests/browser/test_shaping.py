"""From construction to outline by hand: the jobs of the guide's table with their actions, strokes, carrying, groups, paste."""

from math import hypot, pi

import pytest
from playwright.sync_api import Page, expect

from .drafter import Drafter
from .test_actions import Counting
from .test_touching import AXE, no_serious


@pytest.fixture
def hand(drafter: Drafter) -> Counting:
    return Counting(drafter)


def given(hand: Counting, *lines: str) -> Drafter:
    drafter = hand.drafter
    drafter.types(*lines)
    drafter.presses("Escape", "Escape", "Control+Home")
    drafter.settles()
    return drafter


def strokes(drafter: Drafter, *places: tuple[float, float]) -> None:
    drafter.hovers_on(*places[0])
    drafter.page.mouse.down()
    for place in places[1:]:
        drafter.page.mouse.move(*drafter.pixel(*place), steps=4)
    drafter.settles()
    drafter.page.mouse.up()
    drafter.settles()


def area(drafter: Drafter, name: str) -> float:
    drafter.types(f"measure area {name}")
    drafter.settles()
    found: float = drafter.book()["steps"][-1]["reading"]["exact"]
    return found


def test_a_plate_onto_the_centre_of_a_column(hand: Counting) -> None:
    drafter = given(hand, "rectangle from 0, 0 size 60, 60", "circle centre 130, 40 radius 20")
    hand.clicks((10, 0))
    drafter.hovers_on(30, 30)
    drafter.page.mouse.down()
    drafter.page.mouse.move(*drafter.pixel(100, 40), steps=4)
    drafter.page.mouse.move(*drafter.pixel(130, 40), steps=4)
    drafter.settles()
    # Both places are said before the button is let go.
    assert drafter.tag.inner_text().splitlines() == ["move K1", "from middle of K1", "to centre of C1"]
    drafter.page.mouse.up()
    hand.actions += 1
    drafter.sees_steps(3)
    assert drafter.texts()[-1] == "move K1 from middle of K1 to centre of C1"
    assert hand.actions <= 2
    # It stays selected, and a copy is one drag more.
    drafter.page.keyboard.down("Control")
    drafter.drags((100, 10), (0, 10))
    drafter.page.keyboard.up("Control")
    drafter.sees_steps(4)
    assert drafter.texts()[-1] == "copy K1 from corner 1 of K1 to 0, 10"
    drafter.presses("Control+z", "Control+z")
    drafter.sees_steps(2)


def test_blend_arcs_between_two_bosses(hand: Counting) -> None:
    drafter = given(hand, "pencil circle centre 0, 0 radius 20", "pencil circle centre 90, 0 radius 12")
    hand.chooses("Arc")
    hand.clicks((6, 19), (87, 11.6))
    hand.enters("60")
    hand.clicks((6, -19), (87, -11.6))
    hand.enters("60")
    drafter.sees_steps(4)
    hand.chooses("Shape")
    hand.chooses("Ink")
    # One stroke around them: over the outer rim of the one and of the other.
    strokes(drafter, (-14, 0), (-30, 0), (-30, -40), (110, -40), (110, 0), (98, 0))
    hand.actions += 1
    expect(drafter.page.locator("#open-line-hint")).to_contain_text("meet end to end all round: Enter joins them.")
    hand.presses("Enter")
    drafter.sees_steps(7)
    hand.presses("Alt+p")
    assert drafter.texts()[-1].startswith("join ")
    outline = drafter.figure("K1")
    assert outline["closed"]
    assert len(outline["pieces"]) == 4
    assert hand.actions <= 12


def test_two_radii_ended_at_a_post(hand: Counting) -> None:
    """Two circles that cross, and a post: what is wanted is a hook of two arcs that ends at the post."""
    drafter = given(
        hand,
        "C1 = circle centre 0, 0 radius 30",
        "C2 = circle centre 40, 0 radius 20",
        "L1 = line from -40, -10 to 70, -10",
    )
    hand.chooses("Shape")
    hand.chooses("Trim")
    # Three strokes: what of each lies below, and within the other.
    strokes(drafter, (0, -35), (0, -26), (22, -12.3), (29, -12.3))
    strokes(drafter, (33, 2.7), (18, 2.7))
    strokes(drafter, (42.8, -25), (42.8, -16))
    hand.actions += 3
    hand.chooses("Join")
    hand.clicks((-21.2, 21.2), (54, 14.3))
    hand.presses("Enter")
    drafter.settles()
    assert drafter.texts()[-1] == "join C1 C2"
    hook = drafter.figure("K1")
    assert [len(hook["pieces"]), hook["closed"]] == [2, False]
    assert {round(piece[end][1], 9) for piece in hook["pieces"] for end in ("from", "to")} >= {-10.0}
    assert hand.actions <= 12


def test_twelve_holes_about_a_centre(hand: Counting) -> None:
    drafter = given(hand, "point 0, 0", "circle centre 40, 0 radius 5")
    hand.clicks((45, 0))
    hand.chooses("Carry")
    hand.chooses("Repeat")
    hand.enters("12")
    hand.clicks((0, 0))
    drafter.sees_steps(3)
    assert drafter.texts()[-1] == "repeat C1 12 times about P1"
    assert hand.actions <= 6


def test_an_offset_inwards_and_all_corners_rounded(hand: Counting) -> None:
    drafter = given(hand, "rectangle from 0, 0 size 60, 40")
    hand.clicks((30, 0))
    hand.chooses("Offset")
    drafter.page.keyboard.type("5")
    hand.clicks((30, 8))
    drafter.sees_steps(2)
    assert drafter.texts()[-1] == "offset K1 by 5 inside"
    assert hand.actions <= 4
    hand.actions = 0
    drafter.presses("Escape", "Escape")
    hand.clicks((30, 0))
    hand.chooses("Fillet")
    hand.enters("3")
    drafter.sees_steps(3)
    assert drafter.texts()[-1] == "fillet K1 radius 3"
    assert hand.actions <= 4
    drafter.presses("Escape", "Escape")
    assert area(drafter, "K1") == pytest.approx(60 * 40 - (4 - pi) * 9)


def test_a_piece_cut_out_of_a_circle_and_made_whole_again(hand: Counting) -> None:
    drafter = given(hand, "circle centre 0, 0 radius 20", "pencil line from -30, 5 to 30, 5")
    hand.chooses("Shape")
    hand.chooses("Trim")
    hand.clicks((0, 20))
    drafter.sees_steps(3)
    assert drafter.texts()[-1] == "trim C1 from crossing of C1 L1 leaving to crossing of C1 L1 entering"
    assert hand.actions <= 3
    hand.actions = 0
    hand.chooses("Whole")
    hand.clicks((0, -20))
    drafter.sees_steps(4)
    assert drafter.texts()[-1] == "whole C1"
    assert hand.actions <= 2


def test_a_symbol_from_another_drawing(hand: Counting, page: Page) -> None:
    drafter = given(hand, "point 0, 0")
    other = "symbol washer\n  circle centre 0, 0 radius 6\n  circle centre 0, 0 radius 3\nend symbol\n"
    drafter.api.post("/drawings", json={"name": "Washers", "text": other})
    page.get_by_role("tab", name="Groups").click()
    page.get_by_role("button", name="From another drawing").click()
    page.get_by_role("button", name="washer of Washers").first.click()
    hand.actions += 3
    drafter.settles()
    page.keyboard.type("30")
    hand.presses("Tab")
    drafter.settles()
    hand.enters("40,25")
    page.get_by_role("tab", name="Book").click()
    drafter.sees_steps(3)
    assert drafter.texts()[-1] == "place washer turned 30 at 40,25"
    assert hand.actions <= 6
    # It stays in hand for the next one.
    drafter.types("80,25")
    drafter.sees_steps(4)
    assert drafter.texts()[-1] == "place washer turned 30 at 80,25"


def test_a_symbol_turned_while_it_is_placed(hand: Counting, page: Page) -> None:
    """A drag states its place and how far it is turned; a handle its scale. What is let go of is what was shown."""
    drafter = given(hand, "point 0, 0", "line from 0, 40 to 90, 40")
    other = "symbol arm\n  line from 0, 0 to 20, 0\n  line from 0, 0 to 0, 5\nend symbol\n"
    drafter.api.post("/drawings", json={"name": "Arms", "text": other})
    page.get_by_role("tab", name="Groups").click()
    page.get_by_role("button", name="From another drawing").click()
    page.get_by_role("button", name="arm of Arms").first.click()
    page.get_by_role("tab", name="Book").click()
    drafter.settles()
    drafter.drags((0, 0), (0, 30))
    drafter.sees_steps(4)
    assert drafter.texts()[-1] == "place arm at P1 turned 90"
    # A click places the next one as the last was; another drag turns it otherwise; the arrow keys choose the scale, too.
    drafter.clicks_on(60, 0)
    drafter.sees_steps(5)
    assert drafter.texts()[-1].startswith("place arm turned 90 at ")
    drafter.hovers_on(90, 40)
    page.mouse.down()
    page.mouse.move(*drafter.pixel(70, 40), steps=3)
    page.mouse.move(*drafter.pixel(50, 40), steps=3)
    drafter.settles()
    drafter.presses("ArrowDown")
    page.mouse.move(*drafter.pixel(50, 40.1))
    drafter.settles()
    page.mouse.up()
    drafter.sees_steps(6)
    assert drafter.texts()[-1] == "place arm at end of L1 turned 180 scale 2"
    # Its handles do the same to one that stands there.
    drafter.presses("Escape", "Escape")
    drafter.clicks_on(60, 40)
    drafter.drags((90, 0), (90, 20))
    drafter.settles()
    assert drafter.texts()[-1] == "place arm at end of L1 turned 180 scale 1"


def test_slips_while_stroking(hand: Counting) -> None:
    """A view moved in mid-job, Esc in mid-stroke, undo of a stroke, a click beside everything, a stretch inked twice."""
    drafter = given(
        hand, "pencil circle centre 0, 0 radius 30", "pencil line from -40, 0 to 40, 0", "pencil line from 0, -40 to 0, 40"
    )
    drafter.types("ink")
    drafter.clicks_on(12, 15)
    drafter.sees_steps(3)
    strokes(drafter, (26, 26), (14, 14), (14, -14))
    drafter.sees_steps(5)
    drafter.presses("PageUp")
    drafter.clicks_on(21.2, 21.2)
    expect(drafter.page.get_by_text("is in ink there already").first).to_be_visible()
    drafter.sees_steps(5)
    drafter.clicks_on(10, 13)
    expect(drafter.page.get_by_text("There is nothing to ink here.").first).to_be_visible()
    drafter.presses("Control+z")
    drafter.sees_steps(3)
    drafter.presses("Control+y")
    drafter.sees_steps(5)
    assert [t.split(" from ")[0] for t in drafter.texts()[3:]] == ["ink C1", "ink L1"]
    # Shaping while another table shapes the same figure: both end alike.
    other = drafter.page.context.new_page()
    second = Drafter(other, drafter.server, drafter.api, drafter.id)
    second.open()
    second.types("trim L1 from crossing of L1 L2 to end")
    second.settles()
    drafter.sees_steps(6)
    drafter.clicks_on(-20, 0)
    drafter.sees_steps(7)
    second.sees_steps(7)
    assert drafter.texts()[-1] == "ink L1 from crossing of L1 C1 entering to crossing of L1 L2"
    other.close()


def test_a_given_mended_upstream_of_a_trim(hand: Counting) -> None:
    drafter = given(hand, "circle centre 0, 0 radius 20", "pencil line from -60, 5 to 60, 5")
    drafter.types("trim")
    drafter.clicks_on(0, 20)
    drafter.sees_steps(3)
    drafter.presses("Escape", "Escape")
    drafter.step("C1").first.dblclick()
    drafter.settles()
    drafter.types("50")
    drafter.settles()
    arc = next(s for s in drafter.book()["steps"] if s["called"] == "C1" and s["figure"])["figure"]
    assert arc["radius"] == 50
    assert hypot(arc["from"][0], arc["from"][1]) == pytest.approx(50)
    assert arc["from"][1] == pytest.approx(5)


def test_copied_and_put_down_by_pointing(hand: Counting, page: Page) -> None:
    page.context.grant_permissions(["clipboard-read", "clipboard-write"])
    drafter = given(hand, "circle centre 30, 20 radius 8", "line from 0, 0 to 60, 0")
    drafter.clicks_on(30, 28)
    drafter.hovers_on(30, 20)
    drafter.presses("Control+c")
    expect(page.get_by_text("1 figure is on the clipboard, carried by centre of C1.")).to_be_visible()
    assert "circle centre 0, 0 radius 8" in page.evaluate("navigator.clipboard.readText()")
    drafter.presses("Control+v")
    drafter.hovers_on(60.2, 0.2)
    expect(drafter.tag).to_contain_text("1 figure at end of L1")
    drafter.clicks_on(60.2, 0.2)
    drafter.clicks_on(10, 15)
    drafter.sees_steps(4)
    drafter.presses("Escape")
    drafter.clicks_on(50, 15)
    drafter.sees_steps(4)
    assert drafter.texts()[2:] == ["circle centre 60, 0 radius 8", "circle centre 10, 15 radius 8"]


def test_groups_pens_and_marks(hand: Counting, page: Page) -> None:
    drafter = given(
        hand, "rectangle from 0, 0 size 60, 40", "circle centre 30, 20 radius 8", "pencil line from -10, 20 to 70, 20"
    )
    page.get_by_role("tab", name="Groups").click()
    drafter.clicks_on(30, 28)
    page.keyboard.down("Shift")
    drafter.clicks_on(20, 40)
    page.keyboard.up("Shift")
    page.get_by_role("button", name="Group what is selected").click()
    drafter.settles()
    assert drafter.texts()[-1] == "group K1 C1"
    groups = page.get_by_role("region", name="Groups")
    groups.get_by_role("button", name="Lock").click()
    # The lock holds without the leaf, too, after the table was opened again.
    drafter.open()
    drafter.settles()
    drafter.clicks_on(30, 28)
    page.get_by_role("tab", name="Groups").click()
    expect(page.get_by_role("button", name="Mark what is selected")).to_be_disabled()
    groups.get_by_role("button", name="Unlock").click()
    drafter.clicks_on(30, 28)
    page.get_by_role("button", name="Mark what is selected").click()
    expect(page.get_by_role("region", name="Marked")).to_contain_text("C1")
    groups.get_by_role("button", name="Hide").click()
    drafter.settles()
    assert drafter.texts()[-1] == "hide G1"
    page.get_by_role("region", name="Pens").get_by_role("button", name="Hide").first.click()
    drafter.settles()
    assert drafter.texts()[-1] == "hide pencil"


def test_no_serious_finding_by_axe(hand: Counting, page: Page) -> None:
    """Library: axe-core 4.14, rules of WCAG 2.2 A and AA: the leaf Groups, a brush, the list that selects, in both looks."""
    drafter = given(hand, "rectangle from 0, 0 size 60, 40", "circle centre 30, 20 radius 8", "group K1 C1")
    page.evaluate(AXE.read_text(encoding="utf-8"))
    drafter.clicks_on(30, 28)
    page.get_by_role("tab", name="Groups").click()
    page.get_by_role("button", name="Mark what is selected").click()
    page.get_by_role("button", name="Make one of what is selected").click()
    no_serious(drafter)
    page.get_by_role("button", name="Leave").click()
    drafter.clicks_on(30, 28, button="right")
    no_serious(drafter)
    drafter.presses("Escape", "Escape")
    page.get_by_role("button", name="Blueprint").click()
    drafter.types("ink")
    drafter.hovers_on(30, 28)
    no_serious(drafter)
