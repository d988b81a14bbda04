"""The connection is lost in the midst of a figure, while somebody else goes on: the table goes on, and all of it is kept."""

import time
from collections.abc import Callable, Iterator
from typing import Any

import httpx
import pytest
from playwright.sync_api import Browser, Page, expect

from ..conftest import Server, kentrograph
from ..server.office import PASSWORD, Person
from .drafter import Drafter
from .network import Network

AWAY = 30.0
"""Seconds without a connection."""


@pytest.fixture(scope="module")
def lines(office_database: str) -> Iterator[tuple[Server, Network]]:
    """An office, and the network on the way to it."""
    server = Server(office_database, "--office")
    network = Network(server.port)
    server.options = (*server.options, "--allow", f"http://127.0.0.1:{network.port}")
    server.start()
    network.start()
    yield server, network
    network.stop()
    server.stop()


@pytest.fixture(scope="module")
def people(lines: tuple[Server, Network]) -> tuple[Person, Person]:
    """Two people, who are signed in straight at the server."""
    server, _ = lines
    found = []
    for name in ("Ann Offline", "Bo Offline"):
        link = kentrograph(server.database, "join", name, "--address", server.url).strip()
        found.append(Person(server).joins(link.removeprefix(server.url), name))
    return found[0], found[1]


@pytest.fixture
def away(
    lines: tuple[Server, Network], people: tuple[Person, Person], browser: Browser, browser_context_args: dict[str, Any]
) -> Iterator[Callable[[str], Drafter]]:
    """Opens a drawing for the first of them, over the network, with the core awake."""
    server, network = lines
    network.mend()
    network.delay = network.jitter = 0.0
    context = browser.new_context(**browser_context_args)
    context.request.post(f"{server.url}/api/sign-in", data={"name": "Ann Offline", "password": PASSWORD})

    class Over:
        url = f"http://127.0.0.1:{network.port}"

    def opened(id: str) -> Drafter:
        page = context.new_page()
        page.set_default_timeout(30_000)
        someone = Drafter(page, Over(), people[0], id, "page")  # type: ignore[arg-type]
        someone.open()
        return someone

    expect.set_options(timeout=20_000)
    yield opened
    context.close()


def status(page: Page) -> Any:
    return page.locator("header").get_by_role("status")


def stored(api: httpx.Client, id: str) -> list[str]:
    return [step["text"] for step in api.get(f"/drawings/{id}").json()["steps"]]


def test_a_chain_goes_on_while_the_connection_is_lost_and_somebody_else_draws(
    away: Callable[[str], Drafter], lines: tuple[Server, Network], people: tuple[Person, Person]
) -> None:
    ann, bo = people
    id = ann.draws("Chain", "P1 = point 0, 0\nP2 = point 10, 0\n")
    ann.shares(id, "person", "draw", bo.id)
    drafter = away(id)
    drafter.types("path", "P1", "40, 0")
    drafter.settles()
    lines[1].cut()
    begun = time.monotonic()
    expect(status(drafter.page)).to_contain_text("Connection lost")
    # The figure in the midst of which it was lost, another one on it, and a slip that is taken back.
    drafter.types("40, 30", "close", "circle", "P2", "5")
    drafter.presses("Escape", "Escape")
    drafter.types("point 7, 7", "measure area K1")
    drafter.presses("Escape", "Escape")
    drafter.sees_steps(6)
    drafter.presses("Control+z")
    drafter.sees_steps(5)
    drafter.types("measure area K1")
    drafter.sees_steps(6)
    expect(status(drafter.page)).to_contain_text("4 wait here")
    expect(drafter.page.get_by_text("waits here for the connection")).to_have_count(4)
    # A reading of what waits: it is worked out, and shown.
    expect(drafter.step("Reading R1")).to_contain_text("600.000 mm²")
    # What is looked at goes on, too.
    drafter.page.keyboard.type("circle touching C1")
    expect(drafter.page.get_by_role("region", name="Open line")).to_contain_text("more")
    drafter.presses("Escape")
    # Meanwhile somebody else, who has a connection.
    bo.post(f"/drawings/{id}/changes", json={"act": {"do": "write", "id": "b1", "text": "point 90, 90"}}).raise_for_status()
    bo.post(f"/drawings/{id}/changes", json={"act": {"do": "mend", "id": step_of(bo, id, "P2"), "text": "point 20, 0"}})
    assert len(stored(bo, id)) == 3
    # The table tries again and again for half a minute.
    drafter.page.wait_for_timeout(1e3 * max(0.0, begun + AWAY - time.monotonic()))
    lines[1].mend()
    expect(status(drafter.page)).to_have_text("Saved", timeout=15_000)
    drafter.sees_steps(7)
    assert stored(bo, id) == [
        "P1 = point 0, 0", "point 20, 0", "point 90, 90", "path from P1 to 40, 0 to 40, 30 close", "circle centre P2 radius 5",
        "point 7, 7", "measure area K1",
    ]  # fmt: skip
    expect(drafter.page.get_by_text("waits here for the connection")).to_have_count(0)
    # And it goes on with the connection.
    drafter.awakes()
    drafter.types("point 1, 1")
    drafter.sees_steps(8)


def step_of(api: httpx.Client, id: str, name: str) -> str:
    found: str = next(s for s in api.get(f"/drawings/{id}").json()["steps"] if s["name"] == name)["id"]
    return found


def test_what_somebody_else_changed_meanwhile_is_not_written_over_and_nothing_is_lost(
    away: Callable[[str], Drafter], lines: tuple[Server, Network], people: tuple[Person, Person]
) -> None:
    ann, bo = people
    id = ann.draws("Conflict", "P1 = point 0, 0\nP2 = point 10, 0\n")
    ann.shares(id, "person", "draw", bo.id)
    drafter = away(id)
    page = drafter.page
    lines[1].cut()
    expect(status(page)).to_contain_text("Connection lost")
    for text in ("1, 1", "2, 2"):
        # Twice the same step: one's own change is no hindrance to the next one.
        drafter.step("Point P1").get_by_text("Mend").click()
        drafter.row.fill(text)
        drafter.presses("Enter")
        expect(drafter.step("Point P1")).to_contain_text(text)
    drafter.step("Point P2").get_by_text("Mend").click()
    drafter.row.fill("3, 3")
    drafter.presses("Enter")
    expect(drafter.step("Point P2")).to_contain_text("3, 3")
    act = {"do": "mend", "id": step_of(bo, id, "P2"), "text": "P2 = point 77, 0"}
    bo.post(f"/drawings/{id}/changes", json={"act": act}).raise_for_status()
    # The page is closed, and opened again once there is a connection: what waited is still there.
    page.close()
    lines[1].mend()
    drafter = away(id)
    page = drafter.page
    aside = page.get_by_role("alert", name="Could not be kept")
    expect(aside).to_contain_text("P2 = point 3, 3")
    expect(aside).to_contain_text("Bo Offline changed this step meanwhile")
    assert stored(bo, id) == ["P1 = point 2, 2", "P2 = point 77, 0"]
    # Not yet settled, it outlives a closed page as well.
    page.reload()
    aside.get_by_text("Into the row").click()
    expect(drafter.row).to_have_value("P2 = point 3, 3")
    expect(aside).to_have_count(0)
    # Having seen both, the drafter settles it.
    drafter.presses("Enter")
    expect(drafter.step("Point P2")).to_contain_text("3, 3")
    assert stored(bo, id) == ["P1 = point 2, 2", "P2 = point 3, 3"]


def test_over_a_slow_network_what_is_looked_at_asks_nobody(
    away: Callable[[str], Drafter], lines: tuple[Server, Network], people: tuple[Person, Person]
) -> None:
    network = lines[1]
    id = people[0].draws("Slow", "C1 = circle centre 0, 0 radius 20\nC2 = circle centre 60, 0 radius 15\n")
    drafter = away(id)
    network.delay, network.jitter = 0.1, 0.02
    passed = network.passed
    drafter.hovers_on(0, 20)
    expect(drafter.tag).to_contain_text("C1")
    assert network.passed == passed
    # What is written goes to the server and back: only then it is true.
    drafter.types("line touching C1 right touching C2 right")
    drafter.sees_steps(3)
    assert network.passed > passed
    assert stored(people[0], id)[-1] == "line touching C1 right touching C2 right"
    network.delay = network.jitter = 0.0


def test_a_connection_that_is_only_silent_is_taken_for_lost(
    away: Callable[[str], Drafter], lines: tuple[Server, Network], people: tuple[Person, Person]
) -> None:
    ann, _ = people
    id = ann.draws("Out of reach", "P1 = point 0, 0\n")
    drafter = away(id)
    lines[1].swallow()
    drafter.types("circle centre P1 radius 5")
    expect(status(drafter.page)).to_contain_text("Connection lost; 1 wait here", timeout=20_000)
    drafter.sees_steps(2)
    drafter.types("point 9, 9")
    drafter.sees_steps(3)
    assert stored(ann, id) == ["P1 = point 0, 0"]
    lines[1].mend()
    expect(status(drafter.page)).to_have_text("Saved", timeout=20_000)
    assert stored(ann, id) == ["P1 = point 0, 0", "circle centre P1 radius 5", "point 9, 9"]
