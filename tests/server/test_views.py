"""What goes over the wire has the shape that it declares: for every kind, row by row, wherever the pointer is."""

from functools import cache
from typing import TypeVar

import orjson
import pytest
from pydantic import TypeAdapter

from kentrograph.core.book.book import Book
from kentrograph.core.book.kinds import ALL
from kentrograph.core.desk.interpretation import given_texts
from kentrograph.core.desk.line_views import look
from kentrograph.core.desk.view_types import LineView, StepView, ValueView, WorkingView
from kentrograph.core.desk.views import step_view, values_view, working_view
from kentrograph.core.language.script import read
from kentrograph.server.socket_schemas import ReadRequest
from tests.core.support import book
from tools.examples import DRAWING

EXAMPLES = [(kind.word, text) for kind in ALL.values() for text, _ in kind.examples]
POINTERS = ((10.0, 10.0), (55.0, 15.0), (40.0, 10.0), (33.3, 44.4), (-500.0, 0.0))
"""On a point, on a rim, on a line, beside everything, far away."""


T = TypeVar("T")


@pytest.fixture(scope="module")
def drawing() -> Book:
    return book(*DRAWING)


def answer(b: Book, **request: object) -> LineView:
    """The open line as it is sent, judged by its schema; nothing that it does not declare may be in it."""
    view = look(b, adapter(ReadRequest).validate_python({"type": "read", "seq": 1, **request}), 1)
    return sent(LineView, view)


@cache
def adapter(kind: type[T]) -> TypeAdapter[T]:
    return TypeAdapter(kind)


def sent(kind: type[T], view: T) -> T:
    """What a receiver reads of it, judged by its schema. A number that JSON has no word for would come as none."""
    return adapter(kind).validate_json(orjson.dumps(view), strict=True)


@pytest.mark.parametrize(("word", "text"), EXAMPLES)
def test_every_row_of_every_kind_under_every_pointer(drawing: Book, word: str, text: str) -> None:
    statement = read(text).settled(lambda name: drawing.kind_at(name, len(drawing.order)))
    measured = f"measure {text.split()[1]}"
    rows = [] if word == "measure" else given_texts(statement)
    draft = {"kind": measured if word == "measure" else word}
    for count in range(len(rows) + 1):
        for x, y in POINTERS:
            for held in ({}, {"level": True}, {"swing": True, "passed": ["P1", "middle of L2"]}):
                pointer = {"x": x, "y": y, "reach": 2.0, "pixel": 0.2, **held}
                line = answer(drawing, draft={**draft, "rows": rows[:count]}, pointer=pointer, aimed=True)
                assert line.hint or line.problem
                # No click is swallowed: it states something, or it is said beforehand why it does not.
                assert line.click or line.unfit or (line.brush and (line.brush.entries or line.brush.why))
        if count < len(rows):
            typed = answer(drawing, draft={**draft, "rows": rows[:count]}, text=rows[count])
            assert typed.problem is None or typed.problem.message
    whole = answer(drawing, text=text)
    # Where several are left, it is asked first which one is meant.
    assert whole.enter.do == ("begin" if len(whole.solutions) > 1 and not any(g.chooses for g in statement.givens) else "write")


@pytest.mark.parametrize(("word", "text"), EXAMPLES)
def test_every_step_as_it_is_shown_mended_and_pulled(drawing: Book, word: str, text: str) -> None:
    b = book(*DRAWING, text)
    id = b.order[-1]
    for one in b.order:
        shown = sent(StepView, step_view(b, one))
        assert shown.title
    for value in values_view(b, id):
        assert sent(ValueView, value).word
    assert sent(WorkingView, working_view(b, id))
    pointer = {"x": 33.3, "y": 44.4, "reach": 2.0, "pixel": 0.2}
    answer(b, mend=id)
    answer(b, mend=id, text=text, pointer=pointer)
    selected = answer(b, selected=[id], pointer=pointer)
    for n in range(len(selected.handles)):
        answer(b, selected=[id], pull=n, pointer=pointer)
