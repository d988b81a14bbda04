"""A whole book as plain data, with what its steps hold: what is kept beside a large drawing, and what the page opens.

Of a step that can be drawn and holds one figure the data say what it needs and holds, as the core worked it out: such a step is
neither read nor planned nor drawn again when the book is put together, but only once an edit reaches it. All others are. Numbers
are doubles written in the fewest digits that read back to the same (RFC 8259 with the usual reading), so nothing is lost.
"""

from collections.abc import Callable, Sequence
from math import isfinite
from typing import Any

from ..book.book import Book, Known
from ..book.kinds.symbol import SYMBOL
from ..book.manner import Conventions
from ..book.planned import PlannedLater
from ..book.planner import DRAWING
from ..book.step import Step
from ..book.values import StepResult, Value
from ..figures import Arc, Circle, Line, Outline, Point
from .codec import header_data, header_from, manner_data, manner_from, step_from
from .later import Later

Row = list[Any]
PLAIN = 8
"""Columns of a step of which nothing but its text is kept."""


def packed(book: Book) -> dict[str, Any]:
    """The book as data: its header, each manner once, and a row for each step in order: id, name, whether that was dealt, text,
    the number of its manner, hidden, off, place; and of what need not be worked out again kind, pen and what it holds, and where
    it needs others the names, how many of them it takes, whether it counts from a last place, and the steps."""
    numbers: dict[Conventions, int] = {}
    rows: list[Row] = []
    for id in book.order:
        step = book.steps[id]
        manner = numbers.setdefault(step.manner, len(numbers))
        text = step.statement.text
        row = [step.id, step.name, step.dealt, text, manner, step.hidden, step.off, list(book.order.key(id))]
        rows.append(row + _known(book, step))
    return {"header": header_data(book.header), "manners": [manner_data(one) for one in numbers], "steps": rows}


def book_from(data: dict[str, Any]) -> Book:
    """The book of such data; rows may lack what their steps hold."""
    manners = data["manners"]
    made = [manner_from(one) for one in manners]
    header = header_from(data["header"])
    unit = header.manner.unit
    steps: list[Step] = []
    known: dict[str, Known] = {}
    for row in data["steps"]:
        id, name, dealt, text, manner, hidden, off = row[:7]
        if len(row) == PLAIN:
            written = {"id": id, "name": name, "dealt": dealt, "text": text, "manner": manners[manner]}
            steps.append(step_from({**written, "hidden": hidden, "off": off}))
            continue
        step = Step(id, name, dealt, Later.of(text, row[8], row[9]), made[manner], hidden, off)
        names, needed, needs_last, links = row[11:] or ((), 0, False, ())
        known[id] = Known(PlannedLater(step, unit, tuple(names), needed, needs_last), tuple(links), _value_from(row[10]))
        steps.append(step)
    return Book.put_together(header, steps, [tuple(row[7]) for row in data["steps"]], known)


def _known(book: Book, step: Step) -> Row:
    """What need not be worked out again of a step; nothing where it has to be."""
    statement = step.statement
    planned, links = book.plan_of(step.id)
    simple = not (step.carried or step.marked or step.off or statement.hinges or statement.problem or planned.problem)
    if not simple or step.statement.kind == SYMBOL or not all(isinstance(need, str) and need != DRAWING for need in links):
        return []
    value = _value_data(book.values[step.id])
    if value is None:
        return []
    found = [statement.kind, statement.pen, value]
    return [*found, list(planned.names), planned.needed, planned.needs_last, list(links)] if links else found


# Figures ----------------------------------------------------------------------------------------------


def _value_data(value: Value) -> Row | None:
    if type(value) is not StepResult or value.solutions or value.chosen_index or value.note or value.more:
        return None
    written = _WRITE.get(type(value.figure))
    if written is None:
        return None
    row, natural = written(value.figure)
    last = value.last
    row.append(0 if last is None else 1 if last is natural or last == natural else [last.x, last.y])
    return row if _finite(row) else None


def _finite(row: Sequence[Any]) -> bool:
    return all(_finite(one) if isinstance(one, list) else isinstance(one, str) or isfinite(one) for one in row)


def _value_from(row: Row) -> StepResult:
    figure, natural = _READ[row[0]](row)
    last = row[-1]
    return StepResult(figure, None if last == 0 else natural if last == 1 else Point(*last))


def _write_number(number: float) -> tuple[Row, None]:
    return ["n", number], None


def _write_point(point: Point) -> tuple[Row, Point]:
    return ["p", point.x, point.y], point


def _write_line(line: Line) -> tuple[Row, Point]:
    return ["l", line.start.x, line.start.y, line.end.x, line.end.y], line.end


def _write_circle(circle: Circle) -> tuple[Row, Point]:
    return ["c", circle.centre.x, circle.centre.y, circle.radius], circle.centre


def _write_arc(arc: Arc) -> tuple[Row, Point]:
    centre, start, end = arc.centre, arc.start, arc.end
    return ["a", centre.x, centre.y, arc.radius, start.x, start.y, end.x, end.y, arc.sweep], end


def _write_outline(outline: Outline) -> tuple[Row, Point]:
    # A piece that is described by more numbers than a row of its kind has is not finite, and the whole is not kept.
    pieces = [_WRITE[type(piece)](piece)[0] if type(piece) in (Line, Arc) else [float("nan")] for piece in outline.pieces]
    return ["o", outline.closed, pieces], outline.end


def _point(row: Row) -> tuple[Point, Point]:
    point = Point(row[1], row[2])
    return point, point


def _line(row: Row) -> tuple[Line, Point]:
    end = Point(row[3], row[4])
    return Line(Point(row[1], row[2]), end), end


def _circle(row: Row) -> tuple[Circle, Point]:
    centre = Point(row[1], row[2])
    return Circle(centre, row[3]), centre


def _arc(row: Row) -> tuple[Arc, Point]:
    end = Point(row[6], row[7])
    return Arc(Point(row[1], row[2]), row[3], Point(row[4], row[5]), end, row[8]), end


def _outline(row: Row) -> tuple[Outline, Point]:
    outline = Outline(tuple(_READ[piece[0]](piece)[0] for piece in row[2]), row[1])
    return outline, outline.end


_WRITE: dict[type, Callable[[Any], tuple[Row, Point | None]]] = {
    float: _write_number, Point: _write_point, Line: _write_line, Circle: _write_circle, Arc: _write_arc, Outline: _write_outline,
}  # fmt: skip
_READ: dict[str, Callable[[Row], tuple[Any, Point | None]]] = {
    "n": lambda row: (row[1], None), "p": _point, "l": _line, "c": _circle, "a": _arc, "o": _outline,
}  # fmt: skip
