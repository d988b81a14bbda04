"""Is it right? Reading by pointing, loose ends found and mended, a reading put right by its offer, the report."""

import pytest
from playwright.sync_api import Locator, Page, expect

from .drafter import Drafter
from .test_actions import Counting
from .test_touching import AXE, no_serious

PLATE = (
    "line from 0, 0 to 80, 0", "line from 80, 0 to 80, 50", "line from 80, 50 to 0, 50", "line from 0, 50 to 0, 0",
    "circle centre 20, 25 diameter 12", "circle centre 60, 25 radius 8",
)  # fmt: skip


def given(drafter: Drafter, *lines: str) -> Drafter:
    drafter.types(*lines)
    drafter.presses("Escape", "Escape", "Control+Home")
    drafter.settles()
    return drafter


def checks(page: Page) -> None:
    page.get_by_role("tab", name="Checks").click()


def findings(page: Page) -> Locator:
    return page.get_by_role("list", name="Loose ends found").get_by_role("listitem")


def test_reading_by_pointing(drafter: Drafter, page: Page) -> None:
    """One tool: what lies under the pointer says what it measures, and a click keeps it, with slips between."""
    given(drafter, *PLATE)
    page.get_by_label("Tray").get_by_role("button", name="Read", exact=True).click()
    hand = Counting(drafter)
    drafter.hovers_on(66.4, 29.8)
    drafter.settles()
    assert drafter.tag.inner_text().splitlines()[:3] == ["diameter C2: 16.000 mm", "radius C2: 8.000 mm", "area C2: 201.062 mm²"]
    # The arrow keys choose another of them; what is kept is what the tag says.
    drafter.presses("ArrowDown")
    drafter.settles()
    drafter.clicks_on(66.4, 29.8)
    drafter.sees_steps(7)
    assert drafter.texts()[-1] == "measure radius C2"
    # From what was pointed at last; a half word and Esc in between lose nothing.
    drafter.rests_on(20, 25)
    page.keyboard.type("mea")
    drafter.presses("Escape")
    drafter.settles()
    hand.clicks((60, 25))
    drafter.sees_steps(8)
    assert drafter.texts()[-1] == "measure distance centre of C1; centre of C2"
    hand.clicks((40, 10))
    drafter.sees_steps(9)
    assert drafter.texts()[-1] == "measure area 40, 10"
    area = drafter.book()["steps"][-1]["reading"]["exact"]
    assert area == pytest.approx(80 * 50 - 3.141592653589793 * (36 + 64))
    assert hand.actions <= 2
    # What it should be is typed over what is pointed at, bare or with its limits.
    drafter.hovers_on(26, 25)
    drafter.settles()
    page.keyboard.type("12 within 0.1")
    drafter.settles()
    assert "diameter C1: 12.000 mm, wanted 12.000 mm ±0.1" in drafter.tag.inner_text()
    drafter.presses("Enter")
    drafter.sees_steps(10)
    assert drafter.texts()[-1] == "measure diameter C1 wanted 12 within 0.1"
    drafter.presses("Control+z")
    drafter.sees_steps(9)
    # By its word, with the pointer over a figure and a brush open, it is begun as well.
    drafter.presses("Escape", "Escape")
    drafter.types("ink")
    drafter.hovers_on(66.4, 29.8)
    drafter.settles()
    drafter.presses("Escape")
    drafter.types("read")
    drafter.settles()
    drafter.hovers_on(66.2, 29.9)
    drafter.settles()
    assert drafter.tag.inner_text().splitlines()[0] == "diameter C2: 16.000 mm"
    # Undo takes the last one back and the tool stays; what is typed begins something else.
    drafter.presses("Control+z")
    drafter.sees_steps(8)
    drafter.types("circle centre 40, 40 radius 3")
    drafter.sees_steps(9)


def test_a_wrong_snap_is_found_and_mended_from_the_leaf(drafter: Drafter, page: Page) -> None:
    given(drafter, *PLATE, "line from 40, 0.2 to 40, 30", "point 80.1, 50", "line from 0, 0 to 80, 0")
    checks(page)
    expect(findings(page)).to_have_count(3)
    row = findings(page).filter(has_text="falls 0.2 mm short of L1")
    row.hover()
    # Going there brings the place into the middle, large enough to be seen, and selects what it is about.
    row.get_by_role("button", name="The start of L5").click()
    drafter.settles()
    camera = page.get_by_test_id("figures").get_attribute("data-camera")
    assert camera is not None
    x, y, scale, _ = map(float, camera.split())
    assert (x, y) == pytest.approx((40, 0.2))
    assert 0.2 * scale > 8
    row.get_by_role("button", name="Mend").click()
    expect(findings(page)).to_have_count(2)
    assert drafter.texts()[-1] == "extend L5 start to L1"
    page.get_by_role("button", name="Mend all 2 that can be").click()
    expect(findings(page)).to_have_count(0)
    assert drafter.texts()[7] in ("point end of L2", "point start of L3")
    assert len(drafter.texts()) == 9
    # As one change.
    drafter.presses("Control+z")
    expect(findings(page)).to_have_count(2)
    # A limit of one's own, for this drawing.
    limit = page.get_by_label("Nearer than, in mm")
    limit.fill("0.05")
    limit.press("Enter")
    expect(findings(page)).to_have_count(1)
    limit.fill("")
    limit.press("Enter")
    expect(findings(page)).to_have_count(2)


def test_a_reading_is_put_right_by_its_offer(drafter: Drafter, page: Page) -> None:
    """84 for 48: the slip is named first, and one click mends it."""
    given(drafter, "C1 = circle centre 0, 0 radius 84", "C2 = circle centre 200, 0 radius 20", "line touching C1 left C2 left",
          "measure radius C1 wanted 48 within 0.1", "measure distance C1 C2 wanted 132 within 0.1")  # fmt: skip
    checks(page)
    out = page.get_by_role("region", name="Out")
    expect(out).to_contain_text("off by +36.000 mm: out")
    out.get_by_role("button", name="What would put it right").first.click()
    first = page.get_by_role("list", name="What R1 hangs on").get_by_role("listitem").first
    expect(first).to_contain_text("a slip of the hand?")
    first.get_by_role("button", name="Make it 48").click()
    expect(out).to_have_count(0)
    assert drafter.texts()[0] == "C1 = circle centre 0, 0 radius 48"
    expect(page.get_by_role("region", name="Readings")).to_contain_text("within")


def test_the_report_and_the_leaf_for_everybody(drafter: Drafter, page: Page) -> None:
    given(drafter, *PLATE, "measure radius C2 wanted 7.986 H7", "K9 = path from 0, 80 to 40, 80 to 40, 99",
          "measure closing K9")  # fmt: skip
    checks(page)
    expect(page.get_by_role("region", name="Close to a limit")).to_contain_text("wanted 7.986 mm, 0 to +0.015")
    expect(page.get_by_role("table", name="Legs")).to_contain_text("59.000")
    page.evaluate(AXE.read_text(encoding="utf-8"))
    no_serious(drafter)
    with page.expect_popup() as opened:
        page.get_by_role("link", name="Page to print").click()
    expect(opened.value.get_by_role("heading", name="Journey")).to_be_visible()
    expect(opened.value.get_by_text("within, close to the limit")).to_be_visible()
    opened.value.close()
