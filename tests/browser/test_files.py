"""Files, as a drafter hands them out and takes them in: looked at first, kept, dropped, left again."""

import json
from base64 import b64encode
from io import BytesIO
from math import cos, pi, sin
from pathlib import Path
from typing import Any

import httpx
import pytest
from PIL import Image
from playwright.sync_api import Page, expect

from kentrograph.core.figures import Circle, Ellipse, Line, Point
from kentrograph.core.figures.along import place_along
from kentrograph.core.figures.box import box_around
from kentrograph.core.sheet.style import SMALL
from kentrograph.exchange.files.formats import found_in
from kentrograph.exchange.files.items import Item
from kentrograph.exchange.files.svg_out import as_svg

from ..files.support import arc
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
    # Where nothing is selected any more, that is nothing, and not all of it.
    page.get_by_role("radio", name="Table").click()
    drafter.presses("Escape", "Escape")
    page.get_by_role("radio", name="Files").click()
    expect(page.get_by_role("alert")).to_contain_text("nothing of what was chosen")


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
    made = next(one for one in api.get("/drawings").json()["drawings"] if one["name"] == "Old rail")
    text = json.dumps(api.get(f"/drawings/{made['id']}").json())
    assert "circle centre 0, 0 radius 2" in text
    api.delete(f"/drawings/{made['id']}")


def test_chromium_shows_the_svg_where_the_drawing_is(page: Page, tmp_path: Path) -> None:
    """Ink on places of the figures, none beside them. 96 pixels of CSS are an inch."""
    figures = [
        Circle(Point(20.0, 30.0), 10.0),
        Line(Point(0.0, 0.0), Point(50.0, 0.0)),
        arc(Point(40.0, 20.0), 12.0, -30.0, 200.0),
        Ellipse(Point(25.0, 8.0), 9.0, 4.0, 25.0, 20.0, 280.0),
    ]
    file = tmp_path / "drawing.svg"
    file.write_text(as_svg([Item(one, "", "ink") for one in figures], "mm", "x")[0])
    left, _, right, top = _page(figures)
    page.set_viewport_size({"width": 900, "height": 700})
    # As it is, its own size says how large it is; it is looked at several times as large.
    page.set_content(f'<body style="margin:0"><img id="it" src="data:image/svg+xml;base64,{_coded(file)}">')
    width = page.evaluate("document.getElementById('it').naturalWidth")
    assert width == pytest.approx((right - left) * 96.0 / 25.4, abs=1.0)
    page.evaluate("document.getElementById('it').style.zoom = 3")
    page.wait_for_timeout(200)
    picture = Image.open(BytesIO(page.screenshot())).convert("L")
    per_mm = 3.0 * 96.0 / 25.4

    def dark(at: Point) -> bool:
        x, y = (at.x - left) * per_mm, (top - at.y) * per_mm
        return int(picture.getpixel((int(x), int(y)))) < 128  # type: ignore[arg-type]

    for figure in figures:
        for share in (0.05, 0.31, 0.5, 0.77, 0.93):
            at = place_along(figure, share * figure.length) if not isinstance(figure, Circle) else figure_at(figure, share)
            assert dark(at), (figure, share)
    assert not any(dark(at) for at in (Point(20.0, 30.0), Point(40.0, 20.0), Point(25.0, 8.0), Point(10.0, 18.0)))


def figure_at(circle: Circle, share: float) -> Point:
    turn = 2.0 * pi * share
    return Point(circle.centre.x + circle.radius * cos(turn), circle.centre.y + circle.radius * sin(turn))


def _page(figures: list[Any]) -> tuple[float, float, float, float]:
    box = box_around(figures)
    return box[0] - SMALL.wide, box[1] - SMALL.wide, box[2] + SMALL.wide, box[3] + SMALL.wide


def _coded(file: Path) -> str:
    return b64encode(file.read_bytes()).decode()
