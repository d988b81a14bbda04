"""The history in the real interface: a slip found in what was done, an earlier state named, compared and brought back."""

from playwright.sync_api import expect

from .drafter import Drafter


def test_an_earlier_state_is_compared_and_brought_back(drafter: Drafter) -> None:
    page = drafter.page
    drafter.types("P1 = point 0, 0", "circle centre P1 radius 20", "line from P1 to 40, 0")
    drafter.sees_steps(3)
    agreed = drafter.texts()
    # A slip somewhere upstream, noticed later.
    first = drafter.book()["steps"][0]["id"]
    drafter.api.post(f"/drawings/{drafter.id}/changes", json={"act": {"do": "mend", "id": first, "text": "P1 = point 0, 70"}})
    drafter.types("point 5, 5")
    drafter.sees_steps(4)
    page.get_by_title("Its history").click()
    done = page.get_by_label("What was done").get_by_role("option")
    expect(done).to_have_count(6)
    done.nth(2).click()
    page.get_by_text("Give this state a name").click()
    page.get_by_label("Name of this state").fill("as agreed")
    page.keyboard.press("Enter")
    expect(done.nth(2)).to_contain_text("as agreed")
    differs = page.get_by_label("What differs")
    expect(differs).to_contain_text("P1 = point 0, 0 → P1 = point 0, 70")
    for name, what in (("P1", "changed"), ("C1", "followed"), ("L1", "followed"), ("P2", "came")):
        expect(differs.get_by_text(name, exact=True)).to_be_visible()
        expect(differs.get_by_text(what).first).to_be_visible()
    page.get_by_role("radio", name="What was done").click()
    expect(differs).to_contain_text("line from P1 to 40, 0")
    expect(differs).not_to_contain_text("P2")
    page.get_by_role("radio", name="As it was").click()
    expect(page.get_by_role("img", name="Revision 3")).to_be_visible()
    # The keys go through it; Escape leaves it, and nothing has changed.
    page.keyboard.press("Escape")
    expect(page.get_by_label("History", exact=True)).to_have_count(0)
    drafter.sees_steps(4)
    page.get_by_title("Its history").click()
    done.nth(2).click()
    page.get_by_role("button", name="Bring it back").click()
    drafter.sees_steps(3)
    assert drafter.texts() == agreed
    # It is a change like any other.
    drafter.presses("Control+z")
    drafter.sees_steps(4)
    page.get_by_title("Its history").click()
    expect(done.first).to_contain_text("took back return to revision 3")
