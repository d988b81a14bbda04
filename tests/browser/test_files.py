"""Files, as a drafter hands them out and takes them in: looked at first, kept, dropped, left again."""

import json
from pathlib import Path

import httpx
import pytest
from playwright.sync_api import Page, expect

from kentrograph.exchange.files.formats import found_in

from .drafter import Drafter
from .test_checks import given

PLATE = ("rectangle from 0, 0 size 100, 60", "circle centre 30, 30 radius 10", "circle centre 30.3, 53.7 radius 3.21")
DROP = """([selector, name, text]) => {
  const data = new DataTransfer();
  data.items.add(new File([text], name));
  const at = document.querySelector(selector);
  for (const type of ["dragover", "drop"])
    at.dispatchEvent(new DragEvent(type, {dataTransfer: data, bubbles: true, cancelable: true}));
}"""


def files(page: Page) -> None:
    page.get_by_role("radio", name="Files").click()
    expect(page.get_by_text("Read back:")).to_be_visible()


@pytest.mark.parametrize(("word", "ending"), [("svg", "svg"), ("step", "step"), ("iges", "igs"), ("nc", "nc")])
def test_a_format_is_looked_at_and_kept(drafter: Drafter, page: Page, word: str, ending: str) -> None:
    given(drafter, *PLATE)
    files(page)
    page.get_by_label("Format").select_option(word)
    expect(page.get_by_text(f"Journey.{ending}")).to_be_visible()
    expect(page.get_by_role("img", name="What will be written")).to_be_visible()
    with page.expect_download() as download:
        page.get_by_role("button", name="Keep the file").click()
    kept = Path(download.value.path()).read_bytes()
    assert download.value.suggested_filename == f"Journey.{ending}"
    assert sum(found_in(f"a.{ending}", kept).counts().values()) == 3


def test_what_is_selected_with_too_few_decimals(drafter: Drafter, page: Page) -> None:
    """The number that is enough is taken with one click. A change of the drawing is seen at once."""
    given(
        drafter, "circle centre 0.123, 0.456 radius 7.777", "line from 40.1, 3.3 touching C1 left", "circle centre 90, 0 radius 5"
    )
    files(page)
    page.get_by_label("Format").select_option("step")
    page.get_by_label("Decimals").select_option("0")
    page.get_by_role("button", name="Take ").click()
    expect(page.get_by_text("decimals would keep them together")).to_be_hidden()
    expect(page.get_by_text("3 figures")).to_be_visible()
    drafter.types("circle centre 120, 0 radius 5")
    expect(page.get_by_text("4 figures")).to_be_visible()
    page.get_by_role("radio", name="Table").click()
    drafter.presses("Escape", "Escape")
    drafter.clicks_on(95, 0)
    page.get_by_role("radio", name="Files").click()
    page.get_by_label("What", exact=True).select_option("selected")
    expect(page.get_by_text("1 figure,")).to_be_visible()


def test_a_file_is_dropped_on_the_table_seen_and_taken_in(drafter: Drafter, page: Page) -> None:
    given(drafter, *PLATE)
    # A slip: a file that is none says so, and is left.
    page.evaluate(DROP, ["canvas", "plan.svg", "<svg"])
    expect(page.get_by_role("alert")).to_contain_text("no whole XML")
    page.get_by_role("button", name="Leave it").click()
    text = (
        '<svg xmlns="http://www.w3.org/2000/svg" width="50mm" height="20mm" viewBox="0 0 50 20"><g id="rail">'
        '<circle id="C1" cx="10" cy="10" r="4"/><path id="edge" d="M20 10h20"/></g><text>Rail</text></svg>'
    )
    page.evaluate(DROP, ["[data-files-page]", "rail.svg", text])
    section = page.get_by_role("region", name="Take in")
    expect(section).to_contain_text("1 circle, 1 line")
    expect(page.get_by_role("region", name="Left out")).to_contain_text("1 text: text is not read")
    page.get_by_role("button", name="Take in 3 steps").click()
    drafter.sees_steps(6)
    circle, line = "C1_1 = circle centre 10, 10 radius 4", "edge = line from 20, 10 to 40, 10"
    assert drafter.texts()[3:] == [circle, line, "rail = group C1_1 edge"]
    # All of it is one change, and is taken back as one.
    drafter.presses("Control+z")
    drafter.sees_steps(3)


def test_points_whose_columns_are_chosen(drafter: Drafter, page: Page, tmp_path: Path) -> None:
    given(drafter, "point 0, 0")
    page.get_by_role("radio", name="Files").click()
    table = tmp_path / "posts.csv"
    table.write_text("no,a,b\n1,10,20\n2,30,40\n")
    page.get_by_label("File to take in").set_input_files(table)
    expect(page.get_by_text("2 points")).to_be_visible()
    page.get_by_label("Column 2").select_option("y")
    page.get_by_label("Column 3").select_option("x")
    page.get_by_label("Unit of the file").select_option("cm")
    expect(page.get_by_text("20 by 20 cm")).to_be_visible()
    page.get_by_role("button", name="Take in 3 steps").click()
    drafter.sees_steps(4)
    assert drafter.texts()[1:3] == ["posts_1 = point 200, 100", "posts_2 = point 400, 300"]


def test_a_file_dropped_on_the_shelf_becomes_a_drawing(drafter: Drafter, page: Page, api: httpx.Client) -> None:
    page.goto(drafter.server.url)
    expect(page.get_by_text("A file dropped here")).to_be_visible()
    page.evaluate(DROP, ["main", "Old rail.kent", "unit in\nC1 = circle centre 0, 0 radius 2\n"])
    box = page.get_by_role("region", name="File that was dropped")
    expect(box).to_contain_text("1 circle")
    expect(box).to_contain_text("4 by 4 in")
    box.get_by_role("button", name="Make a drawing of it").click()
    expect(page.get_by_role("button", name="Old rail", exact=True)).to_be_visible()
    made = next(one for one in api.get("/drawings").json() if one["name"] == "Old rail")
    text = json.dumps(api.get(f"/drawings/{made['id']}").json())
    assert "circle centre 0, 0 radius 2" in text
    api.delete(f"/drawings/{made['id']}")
