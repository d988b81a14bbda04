"""Lines drawn one after the other go on from one another's ends, each a line of its own, until that is left. Common practice."""

import pytest

from kentrograph.core.desk.draft import Draft
from kentrograph.core.desk.hand import Hand
from kentrograph.core.desk.line_views import look
from kentrograph.core.desk.pointer import Pointer

from .support import book

ONWARD = Draft("line", ("from end of L1",), again=True)
DRAWING = ("L1 = line from 0, 0 to 40, 0", "C1 = circle centre 100, 50 radius 10")


def test_after_a_line_the_next_begins_where_it_ends() -> None:
    view = look(book(), Hand(draft=Draft("line", ("from 0, 0",)), text="40, 0"))
    assert view.enter.do == "write"
    assert view.enter.draft == ONWARD


@pytest.mark.parametrize(("kind", "rows", "text"), [("line", ("through 0, 0",), "9, 9"), ("circle", ("centre 0, 0",), "5")])
def test_what_has_no_end_does_not_go_on(kind: str, rows: tuple[str, ...], text: str) -> None:
    view = look(book(), Hand(draft=Draft(kind, rows), text=text))
    assert (view.enter.do, view.enter.draft) == ("write", Draft(kind, again=True))


@pytest.mark.parametrize(
    ("typed", "does", "text"),
    [
        ("40, 30", "write", "line from end of L1 to 40, 30"),
        ("+ 20 at 90", "write", "line from end of L1 to + 20 at 90"),
        ("direction 30", "given", "line from end of L1 direction 30"),
        # It was only supposed: whatever begins a line, or another figure, does so.
        ("from 5, 5", "given", "line from 5, 5"),
        ("through 5, 5; 9, 7", "write", "line through 5, 5; 9, 7"),
        ("circle", "begin", "circle"),
        ("cir", "begin", "circle"),
        ("line from 3, 3 to 9, 9", "write", "line from 3, 3 to 9, 9"),
    ],
)
def test_what_is_typed_then(typed: str, does: str, text: str) -> None:
    view = look(book(*DRAWING), Hand(draft=ONWARD, text=typed))
    assert view.problem is None
    stands = view.enter.draft.text() if view.enter.draft is not None else view.enter.statement
    assert (view.enter.do, view.enter.statement if does == "write" else stands) == (does, text)


def test_a_click_goes_on_and_touches_as_from_any_beginning() -> None:
    b = book(*DRAWING)
    view = look(b, Hand(draft=ONWARD, pointer=Pointer(40.1, 33.0, 2.0, 0.5), aimed=True))
    assert view.click is not None
    assert view.click.statement == "line from end of L1 to + 0, 33"
    assert view.click.draft == Draft("line", ("from end of L2",), again=True)
