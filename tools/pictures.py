"""Makes the pictures in docs/screenshots anew from the demo drawings, on a server that is running with fresh demo data.

.venv/bin/python tools/pictures.py http://127.0.0.1:8300
"""

import json
import shutil
import sys
import urllib.request
from pathlib import Path

from playwright.sync_api import Page, sync_playwright

FOLDER = Path(__file__).resolve().parents[1] / "docs" / "screenshots"


def main(address: str) -> None:
    """One picture of each main view."""
    with urllib.request.urlopen(f"{address}/api/drawings") as answer:
        ids = {d["name"]: d["id"] for d in json.load(answer)["drawings"]}
    with sync_playwright() as playwright:
        browser = playwright.chromium.launch(executable_path=shutil.which("chromium"))
        page = browser.new_page(viewport={"width": 1280, "height": 800}, reduced_motion="reduce")
        shelf(page, address)
        table(page, f"{address}/drawings/{ids['Platform ring']}")
        writing(page, f"{address}/drawings/{ids['Belt guard']}")
        mending(page, f"{address}/drawings/{ids['Belt guard']}")
        solutions(page, f"{address}/drawings/{ids['Cam plate']}")
        working(page, f"{address}/drawings/{ids['Cam plate']}")
        plate(page, f"{address}/drawings/{ids['Cam plate']}")
        snapping(page, f"{address}/drawings/{ids['Belt guard']}")
        at_the_pointer(page, f"{address}/drawings/{ids['Platform ring']}")
        turned(page, f"{address}/drawings/{ids['Showground plan']}")
        helping(page, f"{address}/drawings/{ids['Cam plate']}")
        inking(page, f"{address}/drawings/{ids['Cam plate']}")
        grouped(page, f"{address}/drawings/{ids['Platform ring']}")
        checking(page, address)
        history(page, address)
        handing_over(page, f"{address}/drawings/{ids['Belt guard']}", f"{address}/drawings/{ids['Cam plate']}")
        blueprint(page, f"{address}/drawings/{ids['Cam plate']}")
        browser.close()


def take(page: Page, name: str) -> None:
    """A picture once everything has been drawn."""
    page.wait_for_timeout(400)
    page.screenshot(path=FOLDER / f"{name}.png")


def shelf(page: Page, address: str) -> None:
    """The shelf."""
    page.goto(address)
    page.wait_for_selector("article")
    take(page, "shelf")


def table(page: Page, address: str) -> None:
    """A drawing at rest, with a place under the pointer."""
    page.goto(address)
    page.wait_for_selector("[data-step]")
    page.wait_for_timeout(200)
    page.get_by_role("button", name="Read", exact=True).click()
    page.get_by_role("button", name="Distance").click()
    page.mouse.move(480, 395)
    page.mouse.move(481, 396)
    take(page, "table")
    page.keyboard.press("Escape")


def writing(page: Page, address: str) -> None:
    """A circle being written, with arithmetic in its radius."""
    page.goto(address)
    page.wait_for_selector("[data-step]")
    for entry in ("circle", "C1: 160, 22.5"):
        page.keyboard.type(entry)
        page.keyboard.press("Enter")
    page.wait_for_timeout(200)
    page.keyboard.type("140 - 48")
    page.mouse.move(560, 330)
    take(page, "writing")
    page.keyboard.press("Escape")
    page.keyboard.press("Escape")


def mending(page: Page, address: str) -> None:
    """The first pulley being made smaller; what hangs on it follows."""
    page.goto(address)
    page.wait_for_selector("[data-step]")
    page.locator("[data-step]").first.dblclick()
    page.wait_for_timeout(200)
    page.wait_for_timeout(300)
    page.locator("#open-line-input").fill("diameter 2*55")
    take(page, "mending")
    page.keyboard.press("Escape")


def solutions(page: Page, address: str) -> None:
    """A circle that touches two others: all of them, numbered, one about to be taken."""
    page.goto(address)
    page.wait_for_selector("[data-step]")
    for entry in ("circle", "touching C1", "touching C2"):
        page.keyboard.type(entry)
        page.keyboard.press("Enter")
    page.keyboard.type("radius 52")
    page.wait_for_timeout(300)
    for key in ("PageDown", "PageDown", "ArrowDown", "ArrowDown"):
        page.keyboard.press(key)
        page.wait_for_timeout(100)
    take(page, "solutions")
    for _ in range(3):
        page.keyboard.press("Escape")


def working(page: Page, address: str) -> None:
    """The working of the full flank."""
    page.goto(address)
    page.wait_for_selector("[data-step]")
    page.locator("[data-step]").nth(4).click()
    page.get_by_role("button", name="Show working").click()
    page.wait_for_timeout(300)
    page.keyboard.press("PageDown")
    take(page, "working")
    page.keyboard.press("Escape")


def plate(page: Page, address: str) -> None:
    """The cam plate at rest."""
    page.goto(address)
    page.wait_for_selector("[data-step]")
    page.mouse.move(400, 300)
    take(page, "cam-plate")


def on_screen(page: Page, x: float, y: float) -> tuple[float, float]:
    """Where a place of the drawing is on the screen, in a view that is not turned."""
    canvas = page.get_by_test_id("figures")
    camera, box = canvas.get_attribute("data-camera"), canvas.bounding_box()
    assert camera is not None
    assert box is not None
    cx, cy, scale, _ = map(float, camera.split())
    return box["x"] + box["width"] / 2 + (x - cx) * scale, box["y"] + box["height"] / 2 - (y - cy) * scale


def snapping(page: Page, address: str) -> None:
    """A place level with one centre and plumb with an end, about to be taken."""
    page.goto(address)
    page.wait_for_selector("[data-step]")
    page.keyboard.press("Control+Home")
    page.keyboard.type("circle")
    page.keyboard.press("Enter")
    page.wait_for_timeout(300)
    steps = page.evaluate("fetch(location.pathname.replace('/drawings', '/api/drawings')).then(r => r.json())")["steps"]
    rounds = [s["figure"] for s in steps if s["kind"] == "circle"]
    lines = [s["figure"] for s in steps if s["kind"] == "line" and (s["figure"] or {}).get("to")]
    (cx, cy), (ex, ey) = rounds[0]["centre"], lines[0]["to"]
    for x, y in ((cx, cy), (ex, ey)):
        page.mouse.move(*on_screen(page, x, y), steps=4)
        page.wait_for_timeout(500)
    page.mouse.move(*on_screen(page, ex, cy), steps=4)
    take(page, "snapping")
    page.keyboard.press("Escape")
    page.keyboard.press("Escape")


def at_the_pointer(page: Page, address: str) -> None:
    """The list of what can be taken at the quarter point of a ring."""
    page.goto(address)
    page.wait_for_selector("[data-step]")
    page.keyboard.press("Control+Home")
    page.keyboard.type("line")
    page.keyboard.press("Enter")
    page.wait_for_timeout(300)
    x, y = on_screen(page, -1650, 0)
    page.mouse.move(x, y, steps=4)
    page.wait_for_timeout(300)
    page.mouse.click(x, y, button="right")
    take(page, "at-the-pointer")
    page.keyboard.press("Escape")
    page.keyboard.press("Escape")


def turned(page: Page, address: str) -> None:
    """The showground with the datum along its hedge, the view turned to it."""
    page.goto(address)
    page.wait_for_selector("[data-step]")
    page.keyboard.type("datum along L2")
    page.keyboard.press("Enter")
    page.wait_for_timeout(400)
    page.keyboard.press("Control+Home")
    page.keyboard.press("Escape")
    page.mouse.move(300, 600)
    take(page, "showground")
    page.keyboard.press("Control+z")
    page.wait_for_timeout(300)


def helping(page: Page, address: str) -> None:
    """The help, with the kind that is being written first."""
    page.goto(address)
    page.wait_for_selector("[data-step]")
    page.keyboard.type("arc")
    page.keyboard.press("Enter")
    page.keyboard.press("F1")
    page.wait_for_selector("details img")
    page.wait_for_timeout(600)
    page.mouse.move(420, 250)
    take(page, "help")
    page.keyboard.press("Escape")


def inking(page: Page, address: str) -> None:
    """A stroke with ink over what is still in pencil between hub and nose, before the button is let go."""
    page.goto(address)
    page.wait_for_selector("[data-step]")
    page.keyboard.type("ink")
    page.keyboard.press("Enter")
    page.wait_for_timeout(300)
    page.mouse.move(*on_screen(page, 12, 3.5))
    page.mouse.down()
    for x, y in ((30, 9), (56, 16.5)):
        page.mouse.move(*on_screen(page, x, y), steps=8)
    take(page, "inking")
    page.keyboard.press("Escape")
    page.mouse.up()
    page.keyboard.press("Escape")


def grouped(page: Page, address: str) -> None:
    """What belongs together, a group of it selected, another figure marked."""
    page.goto(address)
    page.wait_for_selector("[data-step]")
    page.get_by_role("tab", name="Groups").click()
    page.mouse.click(*on_screen(page, 2450, 30))
    page.wait_for_timeout(300)
    page.get_by_role("button", name="Mark what is selected").click()
    page.get_by_role("button", name="rings").click()
    page.mouse.move(*on_screen(page, 1650, 0))
    take(page, "groups")
    page.get_by_role("tab", name="Book").click()


def checking(page: Page, address: str) -> None:
    """The belt guard with two digits that changed places, and an end that was not snapped."""
    text = (FOLDER.parents[1] / "demo" / "belt-guard.kent").read_text(encoding="utf-8")
    text = text.replace("320, 45 radius 48", "320, 45 radius 84") + "fine line from 0, -94.8 to P2\n"
    page.goto(f"{address}/drawings/{made(address, 'Belt guard, first try', text)}")
    page.wait_for_selector("[data-step]")
    page.get_by_role("tab", name="Checks").click()
    page.get_by_role("button", name="What would put it right").first.click()
    page.wait_for_timeout(600)
    page.get_by_role("list", name="Loose ends found").get_by_role("listitem").first.hover()
    take(page, "checks")
    page.get_by_role("tab", name="Book").click()


def history(page: Page, address: str) -> None:
    """What became of the belt guard since its pulley was agreed, after it was made smaller."""
    text = (FOLDER.parents[1] / "demo" / "belt-guard.kent").read_text(encoding="utf-8")
    page.goto(f"{address}/drawings/{made(address, 'Belt guard, smaller', text)}")
    page.wait_for_selector("[data-step]")
    page.keyboard.type("circle centre 160, 30 radius 9")
    page.keyboard.press("Enter")
    page.wait_for_timeout(300)
    page.locator("[data-step]").first.dblclick()
    page.wait_for_timeout(500)
    page.locator("#open-line-input").fill("diameter 2*52")
    page.keyboard.press("Enter")
    page.wait_for_timeout(400)
    page.keyboard.press("Escape")
    page.get_by_title("Its history").click()
    page.get_by_role("option").last.click()
    page.get_by_text("Give this state a name").click()
    page.keyboard.type("as agreed with the shop")
    page.keyboard.press("Enter")
    page.wait_for_timeout(500)
    take(page, "history")
    page.get_by_role("button", name="Done").click()


def handing_over(page: Page, guard: str, cam: str) -> None:
    """The sheet of the belt guard; the cam plate's centres that lie outside, in the leaf that sets them out."""
    page.goto(guard)
    page.wait_for_selector("[data-step]")
    page.get_by_role("radio", name="Sheet").click()
    page.wait_for_selector(".sheet-paper svg")
    take(page, "sheet")
    page.goto(cam)
    page.wait_for_selector("[data-step]")
    page.get_by_role("tab", name="Points").click()
    page.get_by_role("region", name="Table T1").get_by_role("row").nth(1).hover()
    take(page, "points")
    page.get_by_role("tab", name="Book").click()
    page.get_by_role("radio", name="Files").click()
    page.get_by_label("Format").select_option("nc")
    page.get_by_label("Diameter of the tool").fill("6")
    page.get_by_label("Diameter of the tool").press("Enter")
    page.get_by_text("3 figures").wait_for()
    take(page, "files")


def made(address: str, name: str, text: str) -> str:
    """A new drawing with a text; its id."""
    body = json.dumps({"name": name, "text": text}).encode()
    request = urllib.request.Request(f"{address}/api/drawings", body, {"content-type": "application/json"})
    with urllib.request.urlopen(request) as answer:
        return str(json.load(answer)["id"])


def blueprint(page: Page, address: str) -> None:
    """The other look, with the names of the figures."""
    page.goto(address)
    page.wait_for_selector("[data-step]")
    page.get_by_role("button", name="Blueprint").click()
    page.keyboard.press("Alt+n")
    page.mouse.move(560, 380)
    take(page, "blueprint")
    page.keyboard.press("Alt+n")
    page.get_by_role("button", name="Paper").click()


if __name__ == "__main__":
    main(sys.argv[1].rstrip("/"))
