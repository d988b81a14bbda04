"""Handing over, as a drafter does it: dimensions by pointing and by typing, a centre set out, a sheet set up and printed."""

from io import BytesIO

import httpx
import pypdf
import pytest
from playwright.sync_api import Page, expect

from .drafter import Drafter
from .test_actions import Counting
from .test_checks import given
from .test_touching import AXE, no_serious

PLATE = (
    "rectangle from 0, 0 size 120, 70",
    "circle centre 40, 35 radius 14",
    "circle centre 90, 35 radius 9",
    "line from 20, 90 to 100, 100",
)


def hand_over(page: Page, word: str) -> None:
    tray = page.get_by_label("Tray")
    tray.get_by_role("button", name="Hand over", exact=True).click()
    tray.get_by_role("button", name=word, exact=True).click()


def said(drafter: Drafter, step: int) -> str:
    """What stands on the drawing of a step."""
    return "".join(one["words"] for one in drafter.book()["steps"][step]["figure"]["letters"])


def test_dimensions_by_pointing_alone(drafter: Drafter, page: Page) -> None:
    given(drafter, *PLATE)
    hand_over(page, "Dimension")
    hand = Counting(drafter)
    # Two places and where the line runs: above them it is measured across.
    hand.clicks((40, 35), (90, 35), (65, 60))
    drafter.sees_steps(5)
    assert drafter.texts()[-1] == "dimension centre of C1; centre of C2; at 65, 60"
    # One edge, then where its line runs; one rim.
    hand.clicks((60, 0.2), (60, -5))
    drafter.sees_steps(6)
    hand.clicks((40, 49), (15, 62))
    drafter.sees_steps(7)
    assert hand.actions == 7
    assert [said(drafter, n) for n in (4, 5, 6)] == ["50", "120", "28"]
    # Sloping, the tag offers along, across and up; across is what lies above both.
    drafter.clicks_on(40, 35)
    drafter.clicks_on(20, 90)
    drafter.hovers_on(30, 97)
    drafter.settles()
    drafter.clicks_on(30, 97)
    drafter.sees_steps(8)
    assert "across" in drafter.texts()[-1]
    assert said(drafter, 7) == "20"
    # A slip: a third place that was not meant is struck with Backspace, Esc leaves, undo takes back.
    drafter.clicks_on(40, 35)
    drafter.presses("Backspace", "Escape", "Escape", "Control+z")
    drafter.sees_steps(7)


def test_dimensions_by_typing_alone(drafter: Drafter) -> None:
    given(drafter, *PLATE)
    drafter.types("dimension across centre of C1; centre of C2 wanted 50 within 0.1")
    drafter.types("dimension K1 across")
    drafter.settles()
    # What will not do stays on the line with its reason; typed on, it is mended.
    expect(drafter.row).to_have_value("dimension K1 across")
    drafter.presses("Control+a")
    drafter.types("dimension C1 times 2")
    drafter.types("dimension", "centre of C1", "corner 1 of K1", "up", "")
    drafter.settles()
    assert drafter.texts()[4:] == [
        "dimension across centre of C1; centre of C2 wanted 50 within 0.1", "dimension C1 times 2",
        "dimension centre of C1; corner 1 of K1; up",
    ]  # fmt: skip
    assert [said(drafter, n) for n in (4, 5, 6)] == ["50 ±0.1", "2 × 28", "35"]


def test_a_dimension_is_dragged_and_follows_what_it_measures(drafter: Drafter, page: Page) -> None:
    circles = ("circle centre 40, 35 radius 14", "circle radius 9 centre 90, 35")
    given(drafter, *PLATE[:1], *circles, *PLATE[3:], "dimension centre of C1; centre of C2; at 65, 60")
    drafter.hovers_on(65, 60.2)
    drafter.settles()
    assert drafter.tag.inner_text().startswith("D1: dimension centre of C1")
    drafter.drags((65, 60.2), (65, 53))
    drafter.settles()
    assert drafter.texts()[-1] == "dimension centre of C1; centre of C2; at 65, 53"
    page.get_by_label("Steps").locator("li").nth(2).dblclick()
    drafter.settles()
    expect(drafter.row).to_have_value("centre 90, 35")
    drafter.presses("Control+a")
    drafter.types("centre 100, 35", "")
    drafter.settles()
    assert said(drafter, 4) == "60"


def test_a_centre_that_lies_outside_is_set_out_from_two_edges(drafter: Drafter, page: Page) -> None:
    """From the arc to the two offsets with the working: two actions."""
    given(drafter, "rectangle from 0, 0 size 120, 70", "arc centre 50, -30 radius 60 at 60 sweep 60")
    drafter.clicks_on(50, 30)
    drafter.settles()
    page.get_by_role("button", name="Set out centre").click()
    drafter.settles()
    table = page.get_by_role("region", name="Table T1")
    expect(table.get_by_role("row").nth(1)).to_contain_text("30.000")
    expect(table.get_by_role("row").nth(1)).to_contain_text("50.000")
    # By pointing a further place comes in, live.
    table.get_by_role("button", name="Add places").click()
    drafter.clicks_on(120, 70)
    drafter.settles()
    drafter.presses("Enter")
    drafter.settles()
    expect(table.get_by_role("row")).to_have_count(3)
    assert drafter.texts()[-1] == "table centre of A1; edges edge 1 of K1; edge 4 of K1; corner 3 of K1"
    with page.expect_download() as download:
        table.get_by_role("link", name="CSV").click()
    lines = download.value.path().read_bytes().decode().split("\r\n")
    assert lines[0].startswith("number,place,")
    assert lines[1].split(",")[1:] == ["centre of A1", "30.000", "50.000"]


def test_a_sheet_is_set_up_and_handed_over(drafter: Drafter, page: Page, api: httpx.Client) -> None:
    given(drafter, *PLATE, "dimension across corner 1 of K1; corner 2 of K1")
    page.get_by_role("radio", name="Sheet").click()
    paper = page.get_by_role("region", name="Sheet 1")
    expect(paper).to_be_visible()
    # A field is written in place; Tab goes to the next one.
    page.get_by_title("Number: empty").click()
    page.keyboard.type('HM-1 "b"')
    page.keyboard.press("Enter")
    expect(page.get_by_title('Number: HM-1 "b"')).to_be_visible()
    # The same without the pointer, as a list.
    page.get_by_role("button", name="Title block").click()
    page.get_by_label("Material", exact=True).fill("oak")
    page.keyboard.press("Enter")
    expect(page.get_by_title("Material: oak")).to_be_visible()
    drafter.presses("Escape")
    page.get_by_label("Paper").select_option("a3")
    expect(page.get_by_role("button", name="View of all 2:1")).to_be_visible()
    # The view is dragged, and then has a scale of its own.
    box = page.get_by_role("button", name="View of all 2:1").bounding_box()
    assert box is not None
    page.mouse.move(box["x"] + 40, box["y"] + 40)
    page.mouse.down()
    page.mouse.move(box["x"] + 10, box["y"] + 20, steps=4)
    page.mouse.up()
    page.get_by_role("button", name="View V1 2:1").click()
    page.get_by_label("Scale of the view").select_option("1:1")
    expect(page.get_by_role("button", name="View V1 1:1")).to_be_visible()
    assert drafter.texts()[-2] == 'sheet a3 landscape number "HM-1 ""b""" material "oak"'
    assert drafter.texts()[-1].startswith("view at ")
    assert drafter.texts()[-1].endswith("scale 1:1")
    for act in ("Undo", "Redo"):
        page.get_by_role("button", name=act).click()
        drafter.settles()
    page.evaluate(AXE.read_text(encoding="utf-8"))
    no_serious(drafter)
    # What is printed is the sheet, as large as it is: the page of the browser's own PDF, and ours.
    printed = pypdf.PdfReader(BytesIO(page.pdf(prefer_css_page_size=True)))
    assert len(printed.pages) == 1
    ours = pypdf.PdfReader(BytesIO(api.get(f"/drawings/{drafter.id}/sheets.pdf").content))
    for document in (printed, ours):
        size = document.pages[0].mediabox
        assert (float(size.width), float(size.height)) == pytest.approx((420 * 72 / 25.4, 297 * 72 / 25.4), abs=1.5)
        assert "HM-1" in document.pages[0].extract_text()
    page.get_by_role("radio", name="Table").click()
    expect(paper).to_be_hidden()


def test_what_dimensions_lack_and_say_twice(drafter: Drafter, page: Page) -> None:
    given(drafter, "rectangle from 0, 0 size 100, 60", "dimension edge 1 of K1", "dimension edge 3 of K1")
    page.get_by_role("tab", name="Checks").click()
    part = page.get_by_role("region", name="Dimensions")
    expect(part.get_by_text("corner 3 of K1: no dimension says how far up it lies")).to_be_visible()
    expect(part.get_by_text("D2 says what others say already")).to_be_visible()
    drafter.types("dimension edge 2 of K1")
    drafter.settles()
    expect(part.get_by_text("no dimension says")).to_have_count(0)
    part.get_by_text("D2 says").click()
    drafter.settles()
    drafter.presses("Delete")
    drafter.settles()
    page.get_by_role("tab", name="Checks").click()
    expect(page.get_by_text("They say where everything in ink lies, and nothing twice.")).to_be_visible()
