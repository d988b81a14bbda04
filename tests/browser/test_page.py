"""The core in the page: who answers is not noticed; where it fails, the server goes on answering."""

from playwright.sync_api import Page, WebSocket, expect

from .drafter import Drafter


def reads_of(page: Page) -> list[str]:
    """What the page asks the server to read from here on; filled as it goes."""
    found: list[str] = []

    def opened(socket: WebSocket) -> None:
        socket.on("framesent", lambda frame: found.append(str(frame)) if '"read"' in str(frame) else None)

    page.on("websocket", opened)
    return found


def draws(drafter: Drafter) -> list[str]:
    """A drawing, typed and clicked, with slips; what is stored of it in the end."""
    drafter.types("circle", "0, 0", "20", "60, 0", "radius 15")
    drafter.presses("Escape")
    drafter.types("line", "touching C1")
    drafter.clicks_on(60, 15)
    drafter.presses("Escape")
    drafter.types("path")
    for place in ((24, -8), (40, -8), (33, 10)):
        drafter.clicks_on(*place)
    drafter.presses("Backspace")
    drafter.types("60..20", "close", "measure area K1")
    drafter.presses("Escape", "Escape")
    drafter.types("circel touching C1")
    expect(drafter.page.get_by_role("alert")).to_contain_text("circle")
    drafter.row.fill("circle touching C1 touching C2 radius 30")
    drafter.settles()
    drafter.presses("ArrowDown", "Enter")
    drafter.presses("Control+z")
    drafter.settles()
    return drafter.texts()


def test_the_same_hands_draw_the_same_whoever_answers(drafter: Drafter, page: Page) -> None:
    reads = reads_of(page)
    drafter.open()
    by_server = draws(drafter)
    assert reads
    stored = drafter.book()["revision"]
    drafter.id = drafter.api.post("/drawings", json={"name": "Again"}).json()["id"]
    drafter.page.evaluate("localStorage.removeItem('kentrograph')")
    page.add_init_script("localStorage.kentrograph = JSON.stringify({state: {answering: 'page'}, version: 1})")
    drafter.answering = "page"
    drafter.open()
    reads.clear()
    by_page = draws(drafter)
    assert by_page == by_server
    assert drafter.book()["revision"] == stored
    # Not one reading went to the server.
    assert reads == []


def test_where_it_cannot_be_loaded_the_server_answers(drafter: Drafter, page: Page) -> None:
    page.route("**/core/**/memory.bin", lambda route: route.abort())
    page.evaluate("localStorage.setItem('kentrograph', JSON.stringify({state: {answering: 'page'}, version: 1}))")
    page.reload()
    expect(page.locator("html")).to_have_attribute("data-core", "failed", timeout=30_000)
    drafter.types("point 7, 8")
    drafter.sees_steps(1)
    page.get_by_text("mm ·").click()
    expect(page.get_by_text("It cannot here; the server does.")).to_be_visible()


def test_it_is_chosen_and_seen_who_answers(drafter: Drafter, page: Page) -> None:
    page.get_by_text("mm ·").click()
    box = page.get_by_label("This page works them out")
    expect(box).not_to_be_checked()
    box.check()
    drafter.awakes()
    expect(page.get_by_text("It does, however slow the network is.")).to_be_visible()
    box.uncheck()
    expect(page.locator("html")).to_have_attribute("data-core", "off")
    page.keyboard.press("Escape")
    drafter.types("point 7, 8")
    drafter.sees_steps(1)


def test_what_somebody_else_draws_is_there_for_the_page_too(drafter: Drafter, page: Page) -> None:
    page.evaluate("localStorage.setItem('kentrograph', JSON.stringify({state: {answering: 'page'}, version: 1}))")
    page.reload()
    drafter.answering = "page"
    drafter.awakes()
    for number in range(5):
        act = {"do": "write", "id": f"n{number}", "text": f"C{number + 1} = circle centre {number * 10}, 0 radius 4"}
        drafter.api.post(f"/drawings/{drafter.id}/changes", json={"act": act}).raise_for_status()
    drafter.sees_steps(5)
    drafter.types("line from 0, 30 touching C5 right")
    drafter.sees_steps(6)
    drafter.api.post(f"/drawings/{drafter.id}/changes", json={"act": {"do": "strike", "id": "n4", "others": []}})
    page.keyboard.type("line from 0, 40 touching C5")
    expect(page.get_by_role("alert")).to_contain_text("C5")
