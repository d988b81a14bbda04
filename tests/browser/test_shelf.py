"""The shelf in the real interface."""

from playwright.sync_api import Page, expect

from ..conftest import Server


def test_drawing_is_made_renamed_duplicated_deleted_and_put_back(page: Page, server: Server) -> None:
    page.goto(server.url)
    page.get_by_role("button", name="New drawing").click()
    expect(page.get_by_text("Type to draw.")).to_be_visible()
    title = page.locator("header").get_by_title("click to rename")
    title.click()
    page.get_by_label("Name of the drawing").fill("Organ bellows")
    page.keyboard.press("Enter")
    expect(title).to_have_text("Organ bellows")
    page.get_by_title("All drawings").click()

    def card(name: str):  # type: ignore[no-untyped-def]
        return page.get_by_role("article", name=name, exact=True)

    card("Organ bellows").get_by_role("button", name="Duplicate").click()
    expect(card("Organ bellows (copy)")).to_be_visible()
    card("Organ bellows (copy)").get_by_role("button", name="Rename").click()
    page.get_by_label("Name of the drawing").fill("Spare bellows")
    page.keyboard.press("Enter")
    card("Spare bellows").get_by_role("button", name="Delete").click()
    expect(card("Spare bellows")).to_have_count(0)
    page.get_by_role("button", name="Put it back").click()
    expect(card("Spare bellows")).to_be_visible()


def test_drawing_that_is_not_there_says_so(page: Page, server: Server) -> None:
    page.goto(f"{server.url}/drawings/00000000-0000-0000-0000-000000000000")
    expect(page.get_by_text("not on the shelf")).to_be_visible()
