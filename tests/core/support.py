"""Short ways to a book and to what its steps hold."""

from typing import Any

from kentrograph.core.book.book import Book
from kentrograph.core.book.values import StepResult
from kentrograph.core.figures import Arc, Circle, Curve, Ellipse, EndlessLine, Line, Point
from kentrograph.core.language.report import run_report
from kentrograph.core.language.script import book_of, read_script


def book(*lines: str) -> Book:
    """The book of these lines; every one of them must be readable."""
    script = read_script("\n".join(lines))
    unread = [(s.statement.text, s.statement.problem) for s in script.steps if s.statement.problem is not None]
    assert not script.misread, script.misread
    assert not unread, unread
    return book_of(script)


def report(*lines: str) -> dict[str, Any]:
    """What `run --json` prints for these lines."""
    script = read_script("\n".join(lines))
    return run_report(script, book_of(script))


def figure(book: Book, name: str) -> Any:
    """What the step of this name draws."""
    step = book.find(name.lower())
    assert step is not None, name
    value = book.values[step.id]
    assert isinstance(value, StepResult), value
    return value.figure


def number(text: str, *headers: str, before: tuple[str, ...] = ()) -> float:
    """The value of a number as it is typed."""
    value = figure(book(*headers, *before, f"n_ = {text}"), "n_")
    assert isinstance(value, float)
    return value


def place(text: str, *before: str) -> tuple[float, float]:
    """The coordinates of a place as it is typed."""
    point = figure(book(*before, f"Q_ = point {text}"), "Q_")
    return point.x, point.y


def problem(*lines: str) -> dict[str, Any]:
    """The only problem of these lines."""
    found = report(*lines)["problems"]
    assert len(found) == 1, found
    result: dict[str, Any] = found[0]
    return result


def moved(figure: Curve, dx: float, dy: float) -> Curve:
    """A figure, carried by so much."""

    def to(p: Point) -> Point:
        return Point(p.x + dx, p.y + dy)

    match figure:
        case Line(a, b):
            return Line(to(a), to(b))
        case EndlessLine(p, ux, uy):
            return EndlessLine(to(p), ux, uy)
        case Circle(c, r):
            return Circle(to(c), r)
        case Arc(c, r, a, b, sweep):
            return Arc(to(c), r, to(a), to(b), sweep)
        case Ellipse(c, a, b, turn, begin, sweep):
            return Ellipse(to(c), a, b, turn, begin, sweep)
