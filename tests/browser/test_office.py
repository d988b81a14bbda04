"""An office in the real interface: the first start, an invitation, a sign-in, a drawing that is shared to be looked at."""

import re
from collections.abc import Callable, Iterator
from typing import Any

import pytest
from playwright.sync_api import Browser, Page, expect

from ..conftest import Server, kentrograph

KEEPERS, GUESTS = "a mill race in May", "walking on the moor"
Opened = Callable[[], Page]


@pytest.fixture(scope="module")
def office(office_database: str) -> Iterator[Server]:
    """A server at which people sign in."""
    running = Server(office_database, "--office")
    running.start()
    yield running
    running.stop()


@pytest.fixture
def opened(browser: Browser, browser_context_args: dict[str, Any]) -> Iterator[Opened]:
    """Browsers of several people."""
    contexts = []

    def one() -> Page:
        context = browser.new_context(**browser_context_args)
        contexts.append(context)
        page = context.new_page()
        page.set_default_timeout(30_000)
        return page

    expect.set_options(timeout=20_000)
    yield one
    for context in contexts:
        context.close()


def sets_password(page: Page, link: str, password: str) -> None:
    page.goto(link)
    fields = page.locator("input[type=password]")
    fields.nth(0).fill(password)
    fields.nth(1).fill(password)
    page.keyboard.press("Enter")
    expect(page.get_by_role("heading", name="Drawings")).to_be_visible()


def test_from_the_first_start_to_a_drawing_that_is_looked_at(office: Server, opened: Opened) -> None:
    # The link that the first start shows.
    link = kentrograph(office.database, "join", "Maud Oake", "--first", "--address", office.url).strip()
    keeper = opened()
    keeper.goto(office.url)
    expect(keeper.get_by_role("heading", name="Sign in")).to_be_visible()
    keeper.goto(link)
    # With slips: too short, then two that differ.
    fields = keeper.locator("input[type=password]")
    fields.nth(0).fill("short")
    fields.nth(1).fill("short")
    keeper.keyboard.press("Enter")
    expect(keeper.get_by_role("alert")).to_contain_text("12 to 200 characters")
    fields.nth(0).fill(KEEPERS)
    expect(keeper.get_by_text("not the same yet")).to_be_visible()
    fields.nth(1).fill(KEEPERS)
    keeper.keyboard.press("Enter")
    expect(keeper.get_by_role("heading", name="Drawings")).to_be_visible()
    # An invitation.
    keeper.get_by_role("button", name="Maud Oake").click()
    keeper.get_by_text("People and teams").click()
    keeper.get_by_label("Name of who is to join").fill("Ned Fell")
    keeper.keyboard.press("Enter")
    invited = keeper.get_by_test_id("invitation").inner_text()
    ned = opened()
    sets_password(ned, invited, GUESTS)
    used = opened()
    used.goto(invited)
    expect(used.get_by_role("alert")).to_contain_text("was used already")
    # A sign-in, with a slip.
    ned.get_by_role("button", name="Ned Fell").click()
    ned.get_by_role("button", name="Sign out", exact=True).click()
    expect(ned.get_by_role("heading", name="Sign in")).to_be_visible()
    ned.get_by_label("Name", exact=True).fill("ned fell")
    ned.get_by_label("Password").fill(KEEPERS)
    ned.keyboard.press("Enter")
    expect(ned.get_by_role("alert")).to_contain_text("The name or the password is not right")
    ned.get_by_label("Password").fill(GUESTS)
    ned.keyboard.press("Enter")
    expect(ned.get_by_text("No drawings yet.")).to_be_visible()
    # A drawing that is shared to be looked at, and by a link.
    keeper.get_by_title("All drawings").click()
    keeper.get_by_role("button", name="New drawing").click()
    expect(keeper.get_by_text("Saved")).to_be_visible()
    keeper.keyboard.type("circle centre 0,0 radius 20")
    keeper.keyboard.press("Enter")
    expect(keeper.get_by_label("Steps").locator("li")).to_have_count(1)
    keeper.get_by_role("button", name="Share").click()
    keeper.get_by_label("Share it with").select_option(label="Ned Fell")
    expect(keeper.get_by_label("What Ned Fell may do")).to_have_value("see")
    keeper.get_by_role("button", name="Make a link").click()
    expect(keeper.get_by_label("Link to look")).to_be_visible()
    path = keeper.get_by_label("Link to look").locator("p").first.get_attribute("title")
    assert path is not None
    ned.reload()
    ned.get_by_role("article").get_by_role("link", name="Open Drawing 1").click()
    expect(ned.get_by_text("Looking only")).to_be_visible()
    expect(ned.get_by_text("Undo")).to_be_disabled()
    ned.keyboard.type("point 1, 1")
    ned.keyboard.press("Enter")
    expect(ned.get_by_label("Open line").get_by_text(re.compile("look at this drawing, not change it")).first).to_be_visible()
    guest = opened()
    guest.goto(path)
    expect(guest.get_by_text("Looking only")).to_be_visible()
    expect(guest.get_by_text("Guest", exact=True)).to_be_visible()
    # What was typed is kept, and goes through once it may.
    keeper.get_by_label("What Ned Fell may do").select_option("draw")
    expect(ned.get_by_text("Saved")).to_be_visible()
    ned.keyboard.press("Enter")
    for page in (ned, keeper, guest):
        expect(page.get_by_label("Steps").locator("li")).to_have_count(2)
    # Taken back, all of it, while it is open.
    keeper.get_by_role("button", name="Take back").click()
    expect(guest.get_by_role("heading", name="Sign in")).to_be_visible()
    keeper.get_by_label("What Ned Fell may do").select_option("nothing")
    expect(ned.get_by_text("There is no such drawing")).to_be_visible()


def test_two_people_at_one_drawing_write_and_undo_their_own_way(office: Server, opened: Opened) -> None:
    one, two = opened(), opened()
    for page, name, password in ((one, "Maud Oake", KEEPERS), (two, "Ned Fell", GUESTS)):
        page.goto(office.url)
        expect(page.get_by_role("heading", name="Sign in")).to_be_visible()
        page.get_by_label("Name", exact=True).fill(name)
        page.get_by_label("Password").fill(password)
        page.keyboard.press("Enter")
        expect(page.get_by_role("heading", name="Drawings")).to_be_visible()
    one.get_by_role("button", name="New drawing").click()
    expect(one.get_by_text("Saved")).to_be_visible()
    one.get_by_role("button", name="Share").click()
    one.get_by_label("Share it with").select_option(label="Everybody")
    one.get_by_label("What Everybody may do").select_option("draw")
    one.keyboard.press("Escape")
    two.goto(one.url)
    expect(two.get_by_text("Saved")).to_be_visible()
    for number in range(4):
        for page in (one, two):
            page.keyboard.type(f"point {number}, {1 if page is one else 2}")
            page.keyboard.press("Enter")
    for page in (one, two):
        expect(page.get_by_label("Steps").locator("li")).to_have_count(8)
    assert one.get_by_label("Steps").inner_text() == two.get_by_label("Steps").inner_text()
    # Each sees that the other is there, and what they mend; who goes is gone.
    expect(one.get_by_role("button", name="Ned Fell")).to_be_visible()
    two.get_by_label("Steps").locator("li").first.dblclick()
    expect(one.get_by_text("Ned Fell is mending this")).to_be_visible()
    one.get_by_role("button", name="Ned Fell").click()
    expect(one.get_by_role("dialog", name="Who else is at this drawing")).to_contain_text("mends point P1")
    one.keyboard.press("Escape")
    # First the row that is open, then the step.
    two.keyboard.press("Escape")
    two.keyboard.press("Escape")
    expect(two.get_by_text("being mended below")).to_have_count(0)
    expect(one.get_by_text("Ned Fell is mending this")).to_have_count(0)
    two.close()
    expect(one.get_by_role("button", name="Ned Fell")).to_have_count(0)
