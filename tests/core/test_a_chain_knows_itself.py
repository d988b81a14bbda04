"""A chain that is being written knows its own corners: it is closed by a click on its beginning, and runs level with it.

*Common practice*: what has just been drawn is drawn to, whether it is finished or not.
"""

import pytest

from kentrograph.core.desk.draft import Draft
from kentrograph.core.desk.hand import Hand
from kentrograph.core.desk.line_views import look
from kentrograph.core.desk.pointer import Pointer

from .support import book

CHAIN = ("from 10, 10", "to + 60, 0", "to + 0, 40")

CASES = [
    (CHAIN, (10.3, 10.2), "close", "write", "on its beginning it is closed"),
    (CHAIN[:2], (10.2, 10.2), "10, 10", "given", "two places enclose nothing: it only goes back"),
    (CHAIN, (70.4, 10.2), "70, 10", "given", "on another of its corners"),
    (CHAIN, (40.3, 10.2), "40, 10", "given", "on the middle of one of its pieces"),
    (CHAIN, (33, 10.3), "33, 10", "given", "level with its beginning"),
    (CHAIN, (10.3, 77), "10, 77", "given", "plumb with its beginning"),
    (CHAIN, (10.3, 50.4), "crossing of (level) (plumb 10, 10)", "given", "level with the last corner, plumb with the first"),
    (CHAIN, (-40, -30), "-40, -30", "given", "anywhere else"),
]


@pytest.mark.parametrize(("rows", "at", "picked", "does", "why"), CASES, ids=[c[4] for c in CASES])
@pytest.mark.parametrize("header", [(), ("datum 100, 50 direction 30",), ("unit in",)])
def test_what_a_click_takes(
    rows: tuple[str, ...], at: tuple[float, float], picked: str, does: str, why: str, header: tuple[str, ...]
) -> None:
    b = book(*header)
    x, y = b.writing.to_world(*at)
    view = look(b, Hand(draft=Draft("path", rows), pointer=Pointer(x, y, 2.4, 0.2), aimed=True))
    assert view.click is not None
    assert (view.picks[view.picked], view.click.do) == (picked, does)
    assert view.tag is not None
    # What is ringed is what is taken.
    assert view.preview is not None
    end = view.preview["to"] if "to" in view.preview else view.preview["pieces"][-1]["to"]
    assert view.tag.at == pytest.approx(end, abs=1e-9)


def test_a_point_that_lies_there_is_taken_by_its_name() -> None:
    b = book("P1 = point 70, 10")
    view = look(b, Hand(draft=Draft("path", CHAIN), pointer=Pointer(70.2, 10.1, 2.4, 0.2), aimed=True))
    assert view.picks[view.picked] == "P1"
