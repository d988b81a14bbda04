"""Places taken from what is there, by the pointer in the real interface: each kind once, and the slips of the trade."""

import re
from math import hypot, radians, tan

import pytest
from playwright.sync_api import expect

from .drafter import BOTH_WAYS, Drafter

pytestmark = BOTH_WAYS

DRAWING = (
    "point 20, 70", "line from 0, 0 to 100, 0", "line from 30, 20 to 50, 60", "circle centre 130, 60 radius 20",
    "arc centre 20, 40 from 30, 40 sweep 90", "rectangle from 150, 0 to 190, 24", "line from 60, 10 to 80, 30",
    "line from 70, 30 to 85, 15",
)  # fmt: skip

# The kind of place; the figure begun; what is done: a text typed, or a place rested on (with `over`) or clicked; the last text.
KINDS = [
    ("point mark", "point", [(20, 70)], "point P1"),
    ("end", "point", [(100, 0)], "point end of L1"),
    ("corner", "point", [(150, 24)], "point corner 4 of K1"),
    ("middle", "point", [(50, 0)], "point middle of L1"),
    ("n-th part, by word", "point", ["2/5", (44, 0)], "point 2/5 of L1"),
    ("distance from the nearer end, by word", "point", ["12 along", (98, 0)], "point 12 along L1 from end"),
    ("centre", "point", [(130, 60)], "point centre of C1"),
    ("quarter point", "point", [(150, 60)], "point on C1 at 0"),
    ("foot of the perpendicular", "line", [(20, 70), (20, 0)], "line from P1 to foot on L1"),
    ("foot, by word", "line", [(20, 70), "to foot", (70, 20)], "line from P1 to foot on L3"),
    ("touching point of a tangent", "line", [(20, 70), "to touch", (125, 79.4)], "line from P1 to touch on C1 left"),
    ("crossing", "point", [(75, 25)], "point crossing of L3 L4"),
    ("continuations", "point", [("over", 30, 20), (20, 0)], "point crossing of L2 L1"),
    ("nearest", "point", [(15.3, 0.2)], "point nearest to 15.3, 0.2 on L1"),
    ("area middle", "point", [(170, 12)], "point middle of K1"),
    ("past an end", "point", [("over", 100, 0), (112, 0)], "point 12 past end of L1"),
    ("past an end, by typed distance", "point", ["12.5 past", (99.6, 0)], "point 12.5 past end of L1"),
    ("level and plumb", "point", [("over", 20, 70), ("over", 100, 0), (100, 70)], "point (end of L1).x, P1.y"),
    ("level", "point", [("over", 20, 70), (60, 70)], "point 60, P1.y"),
    ("parallel to a line passed over", "point", [("over", 20, 70), ("over", 64, 14), (40, 90)], "point P1: 28.3 at L3.dir"),
    ("sight line and figure", "point", [("over", 20, 70), (130 - 300**0.5, 70)], "point crossing of (level P1) C1 entering"),
    ("x and y by pointing", "point", ["x", (50, 60), (130, 60)], "point (end of L2).x, (centre of C1).y"),
]  # fmt: skip


def test_each_kind_of_place(drafter: Drafter) -> None:
    drafter.types(*DRAWING)
    drafter.presses("Escape")
    drafter.sees_steps(len(DRAWING))
    drafter.presses("Control+Home")
    for what, kind, acts, expected in KINDS:
        drafter.types(kind)
        for act in acts:
            if isinstance(act, str):
                drafter.page.keyboard.type(act)
            elif act[0] == "over":
                drafter.rests_on(float(act[1]), float(act[2]))
            else:
                drafter.clicks_on(float(act[0]), float(act[1]))
        drafter.sees_steps(len(DRAWING) + 1)
        drafter.presses("Escape", "Escape")
        written = drafter.texts()[len(DRAWING) :]
        assert len(written) == 1, what
        # Positions between the pixels are as round as a pixel is wide.
        assert same_text(written[0], expected), (what, written[0])
        drafter.presses("Control+z")
        drafter.sees_steps(len(DRAWING))


def same_text(written: str, expected: str) -> bool:
    """The same words, and numbers that differ by less than a pixel or two."""
    number = r"-?\d+(?:\.\d+)?(?![\d/])"
    if re.sub(number, "n", written) != re.sub(number, "n", expected):
        return False
    pairs = zip(re.findall(number, written), re.findall(number, expected), strict=True)
    return all(abs(float(a) - float(b)) < 0.5 for a, b in pairs)


def test_a_wrong_pick_is_seen_and_mended_and_everything_follows(drafter: Drafter) -> None:
    # The middle of L1 lies beside its crossing with L2; the circle about it misses the line that it should touch.
    drafter.types("line from 0, 0 to 100, 0", "line from 52, -40 to 52, 40", "point middle of L1", "circle centre P1 radius 40")
    drafter.types("line from 92, -60 to 92, 60", "measure gap C1 L3")
    drafter.presses("Escape")
    drafter.sees_steps(6)
    drafter.presses("Control+Home")
    expect(drafter.step("R1").last).to_contain_text("gap")
    # Two actions: the step is opened, and the right place picked.
    drafter.step("P1").first.dblclick()
    expect(drafter.row).to_have_value("middle of L1")
    drafter.clicks_on(52, 0)
    expect(drafter.step("P1").first).to_contain_text("crossing of L1 L2")
    expect(drafter.step("R1").last).to_contain_text("touches")
    assert drafter.figure("C1")["centre"] == [52, 0]
    # Enter on a row that was only looked at leaves the step as it is, wherever the pointer is.
    drafter.step("C1").first.dblclick()
    expect(drafter.row).to_have_value("radius 40")
    drafter.hovers_on(20, 20)
    drafter.presses("Enter")
    expect(drafter.row).to_have_value("")
    assert drafter.texts()[3] == "circle centre P1 radius 40"


def test_centre_of_the_platform_from_the_middles_of_two_edges(drafter: Drafter) -> None:
    drafter.types("path from 13, 7 to 97, 7 to 97, 71 to 13, 71 close")
    drafter.presses("Escape")
    drafter.sees_steps(1)
    drafter.presses("Control+Home")
    drafter.types("circle")
    drafter.rests_on(55, 7)
    drafter.rests_on(97, 39)
    drafter.clicks_on(55, 39)
    drafter.types("10")
    drafter.sees_steps(2)
    assert drafter.figure("C1")["centre"] == [55, 39]


def test_from_figure_to_figure_by_one_drag(drafter: Drafter) -> None:
    drafter.types("circle centre 0, 0 radius 20", "line from -60, 70 to 90, 70", "circle centre 90, 10 radius 14")
    drafter.presses("Escape")
    drafter.sees_steps(3)
    drafter.presses("Control+Home")
    tray = drafter.page.get_by_label("Tray")
    tray.get_by_role("button", name="Line", exact=True).click()
    drafter.drags((-40, 70), (-14.3, 14))
    drafter.sees_steps(4)
    assert drafter.texts()[3] == "line square L1 square C1 first"
    assert drafter.figure("L2")["to"] == pytest.approx([0, 20])
    # Tangent with both ends free: two clicks where it shall touch.
    tray.get_by_role("button", name="Line", exact=True).click()
    drafter.clicks_on(-8, -18.33)
    drafter.clicks_on(88, -3.85)
    drafter.sees_steps(5)
    line = drafter.figure("L3")
    assert abs(hypot(*line["from"]) - 20) < 1e-9


def test_the_list_at_the_pointer_takes_places_and_keeps_kinds_off(drafter: Drafter) -> None:
    drafter.types("line from 0, 0 to 100, 0", "line from 50, -30 to 50, 30")
    drafter.presses("Escape")
    drafter.sees_steps(2)
    drafter.presses("Control+Home")
    drafter.types("point")
    drafter.hovers_on(50, 0)
    expect(drafter.tag).to_contain_text("crossing of L1 L2 and 2 more")
    drafter.clicks_on(50, 0, button="right")
    menu = drafter.page.get_by_role("dialog", name="At the pointer")
    menu.get_by_role("button", name="middle of L2").click()
    drafter.sees_steps(3)
    assert drafter.texts()[2] == "point middle of L2"
    drafter.clicks_on(80, 20, button="right")
    menu.get_by_role("checkbox", name="crossing: where two figures cross or touch").uncheck()
    menu.get_by_role("checkbox", name="point: a point mark").uncheck()
    drafter.presses("Escape")
    drafter.hovers_on(50, 0)
    expect(drafter.tag).to_contain_text("middle of L2")
    # By word it is taken all the same.
    drafter.page.keyboard.type("crossing")
    drafter.clicks_on(50, 0)
    drafter.sees_steps(4)
    assert drafter.texts()[3] == "point crossing of L1 L2"


def test_directions_of_ones_own_are_held_to_and_nonsense_is_answered_there(drafter: Drafter) -> None:
    drafter.types("point 0, 0", "line", "P1")
    drafter.clicks_at(300, 300, button="right")
    menu = drafter.page.get_by_role("dialog", name="At the pointer")
    own = menu.get_by_label("Directions of your own (22.5, 67.5)")
    own.fill("37, nowhere")
    expect(menu.get_by_role("alert")).to_contain_text("nowhere")
    own.fill("N 53 E")
    expect(menu.get_by_role("alert")).to_have_count(0)
    drafter.page.wait_for_function("JSON.stringify(localStorage).includes('[37]')")
    distances = menu.get_by_label("Distances every (0 for any)")
    distances.fill("-4")
    expect(menu.get_by_role("alert")).to_contain_text("-4 will not do")
    distances.fill("0")
    expect(menu.get_by_role("alert")).to_have_count(0)
    drafter.presses("Escape")
    # Near a sight line from the last place in that direction.
    drafter.clicks_on(65, 49.3)
    drafter.sees_steps(2)
    assert drafter.figure("L1")["to"][1] / drafter.figure("L1")["to"][0] == pytest.approx(tan(radians(37)), rel=1e-9)


def test_what_was_taken_beside_something_special_is_marked(drafter: Drafter) -> None:
    drafter.types("line from 0, 0 to 100, 0")
    drafter.presses("Escape")
    drafter.sees_steps(1)
    drafter.presses("Control+Home")
    drafter.types("circle")
    drafter.hovers_on(100.13, 0.1)
    drafter.turns_to(r"centre \d")
    drafter.page.mouse.down()
    drafter.page.mouse.up()
    drafter.types("8")
    drafter.sees_steps(2)
    expect(drafter.step("C1").first).to_contain_text("beside end of L1, not on it")
