"""What a book holds, as plain data for ``run --json`` and for drawing it. Numbers keep every digit."""

from dataclasses import dataclass
from math import isinf
from typing import Any, Literal, Required, TypedDict, assert_never

from ..book.book import Book
from ..book.scene import pen_of, seen
from ..book.tree import UNREAD
from ..book.values import Mark, OnPaper, Reading, StepResult
from ..construct.solution import Solution
from ..figures import Arc, Circle, Ellipse, EndlessLine, Figure, FigureSet, Line, Outline, Point
from ..problem import Problem
from .messages import sentence
from .script import Script


@dataclass(frozen=True, slots=True)
class LetteringData:
    """Words on the drawing: from, about or up to a place on their base line; capitals are ``height`` high."""

    words: str
    at: list[float]
    height: float
    direction: float
    anchor: Literal["start", "middle", "end"]
    strong: bool


FigureData = TypedDict(
    "FigureData",
    {
        "kind": Required[Literal["point", "line", "circle", "arc", "ellipse", "outline", "set", "paper"]],
        "at": list[float],
        "from": list[float],
        "to": list[float],
        "through": list[float],
        "direction": float,
        "centre": list[float],
        "radius": float,
        "sweep": float,
        "axes": list[float],
        "turned": float,
        "part": list[float],
        "pieces": "list[FigureData]",
        "closed": bool,
        "pen": str,
        "name": str,
        "box": list[float],
        "fills": list[list[list[float]]],
        "letters": list[LetteringData],
    },
    total=False,
)
"""A figure as data: ``kind`` says which fields it has; ``box`` is left, bottom, right, top. What stands on paper has pieces,
filled polygons and letters."""


def figure_data(figure: Figure) -> FigureData:
    """A figure as data: every length in the drawing's unit, every angle in degrees counter-clockwise from east."""
    match figure:
        case Point(x, y):
            return {"kind": "point", "at": [x, y]}
        case Line(start, end):
            return {"kind": "line", "from": _xy(start), "to": _xy(end)}
        case EndlessLine(through):
            return {"kind": "line", "through": _xy(through), "direction": figure.direction}
        case Circle(centre, radius):
            return {"kind": "circle", "centre": _xy(centre), "radius": radius}
        case Arc(centre, radius, start, end, sweep):
            return {
                "kind": "arc", "centre": _xy(centre), "radius": radius, "from": _xy(start), "to": _xy(end), "sweep": sweep,
            }  # fmt: skip
        case Ellipse(centre, a, b, turn):
            data: FigureData = {"kind": "ellipse", "centre": _xy(centre), "axes": [a, b], "turned": turn}
            if figure.whole:
                return data
            # A part is written counter-clockwise; its ends as it runs.
            low, high = sorted((figure.begin, figure.begin + figure.sweep))
            part = [figure.direction_at(low), figure.direction_at(high)]
            return {**data, "part": part, "from": _xy(figure.start), "to": _xy(figure.end)}
        case Outline(pieces, closed):
            return {"kind": "outline", "pieces": [figure_data(p) for p in pieces], "closed": closed}
        case FigureSet(members, names, _, pens):
            shown = [figure_data(member) for member in members]
            for one, name in zip(shown, names, strict=False):
                one["name"] = name
            for one, pen in zip(shown, pens, strict=False):
                if pen:
                    one["pen"] = pen
            return {"kind": "set", "pieces": shown}
        case _:
            assert_never(figure)


def run_report(script: Script, book: Book) -> dict[str, Any]:
    """The one object that ``run --json`` prints."""
    figures: dict[str, Any] = {}
    readings: list[dict[str, Any]] = []
    problems = [problem_data(m.problem, m.line, m.text) for m in script.misread]
    for id in book.order:
        step, value = book.steps[id], book.values[id]
        if isinstance(value, Problem):
            line, indent = script.lines[id]
            placed = value.at(value.start + indent, value.end + indent) if step.statement.kind == UNREAD else value
            problems.append(problem_data(placed, line, step.statement.text))
        elif isinstance(value.figure, Mark | OnPaper):
            continue
        elif isinstance(value.figure, Reading):
            readings.append(reading_data(step.name, step.statement.text, value.figure))
        else:
            # A name that several steps define stands for what the last of them has made of it.
            figures.update({name: _of_step(book, value, one, figure) for one, name, figure in book.figures_of(id) if name})
    problems.sort(key=lambda p: p["line"])
    return {"figures": figures, "readings": readings, "problems": problems}


def _of_step(book: Book, value: StepResult, id: str, figure: Any) -> dict[str, Any]:
    """One of the figures that come of a step, with what it is drawn with, and whether it is out of sight. The solutions of the
    step stand with the figure that has them."""
    whole = value._replace(figure=figure, more=())
    solved = not value.more or (value.solutions and figure == value.solutions[value.chosen_index].figure)
    data = drawn_data(whole if solved else whole._replace(solutions=()))
    if isinstance(figure, float):
        return data
    pen = pen_of(book, id)
    if pen != "ink":
        data["pen"] = pen
    if not seen(book, id):
        data["seen"] = False
    return data


def drawn_data(drawn: StepResult) -> dict[str, Any]:
    """A drawn step's figure, with its other solutions where there are any."""
    if isinstance(drawn.figure, float):
        return {"kind": "number", "value": drawn.figure}
    assert not isinstance(drawn.figure, Reading | Mark | OnPaper)
    data: dict[str, Any] = {**figure_data(drawn.figure)}
    if drawn.note:
        data["note"] = drawn.note
    if len(drawn.solutions) > 1:
        data["solutions"] = len(drawn.solutions)
        data["taken"] = drawn.chosen_index
        data["all"] = [solution_data(s) for s in drawn.solutions]
    elif drawn.solutions:
        data |= contact_data(drawn.solutions[0])
        data["signature"] = drawn.solutions[0].signature
    return data


def solution_data(solution: Solution) -> dict[str, Any]:
    """One of several solutions: its figure, signature, and where it touches its givens and by how much it misses them."""
    data: dict[str, Any] = {**figure_data(solution.figure)}
    del data["kind"]
    data["signature"] = solution.signature
    if solution.note:
        data["note"] = solution.note
    return data | contact_data(solution)


def contact_data(solution: Solution) -> dict[str, Any]:
    """Where a figure touches its givens; nothing for one that touches none."""
    if not solution.contacts:
        return {}
    return {
        "touching": [_xy(c.at) for c in solution.contacts],
        "residuals": [c.residual for c in solution.contacts],
    }


def reading_data(name: str, statement: str, reading: Reading) -> dict[str, Any]:
    """A reading with its parts, and the difference from the value wanted."""
    data: dict[str, Any] = {
        "name": name, "statement": statement, "kind": reading.kind, "value": reading.value, **reading.parts,
    }  # fmt: skip
    if reading.state:
        data["state"] = reading.state
    if reading.wanted is not None:
        data |= {"wanted": reading.wanted.value, "difference": reading.difference}
    if reading.wanted is not None and reading.good is not None:
        data["within"] = reading.good
        data["limits"] = [None if isinf(off) else reading.wanted.value + off for off in (reading.wanted.low, reading.wanted.high)]
    return data


def problem_data(problem: Problem, line: int, statement: str) -> dict[str, Any]:
    """A problem with the place where it stands; lines and columns count from 1."""
    return {
        "line": line, "column": problem.start + 1, "statement": statement, "kind": problem.kind,
        "message": sentence(problem),
    }  # fmt: skip


def _xy(point: Point) -> list[float]:
    return [point.x, point.y]
