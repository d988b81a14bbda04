"""Steps in words, and what they hold as data: what the book leaf, the readings leaf and the surface show."""

from collections.abc import Sequence
from dataclasses import replace
from typing import Any

from ..book.book import Book
from ..book.kinds.comparing import compares
from ..book.on_paper import reading_of
from ..book.readings import QUANTITIES
from ..book.scene import pen_of, seen
from ..book.step import Step
from ..book.tree import UNREAD
from ..book.values import OnPaper, Reading, StepResult, Untouchable, Value
from ..checks.verdict import verdict
from ..figures import Line, RoundCurve
from ..figures.box import box_around
from ..language import display
from ..language.limit_words import scale_of, wanted_words
from ..language.messages import sentence
from ..language.report import FigureData, figure_data
from ..problem import Problem
from ..sheet.at_table import paper_data, preview_data
from ..sheet.of_book import Annotation, note_of
from ..tolerance import TOLERANCE
from ..units import plain
from .derived import values_of, ways_to_state
from .draft import is_endless
from .intents import beside_of, helped
from .interpretation import given_texts, given_values, named
from .show_working import working_of
from .suggest import suggestion
from .traverse_table import legs_table
from .view_types import (
    Compared,
    FurtherView,
    Locus,
    ProblemView,
    ReadingPart,
    ReadingView,
    ResidualView,
    Row,
    StepView,
    ValueView,
    WayView,
    WorkingView,
)


def step_view(book: Book, id: str) -> StepView:
    """One step for the table: its words, its figure or reading, its problem."""
    step, value, index = book.steps[id], book.values[id], book.position(id)
    texts, values = given_texts(step.statement), given_values(book, step, index)
    drawn = value.figure if isinstance(value, StepResult) else None
    reading = reading_of(drawn)
    if reading is not None:
        # The value wanted stands beside the reading itself.
        texts = [t for t, g in zip(texts, step.statement.givens, strict=True) if not compares(g.word)]
        values = [""] * len(texts)
    rows = [Row(t, v, named(g)) for t, v, g in zip(texts, values, step.statement.givens, strict=False)]
    if step.statement.kind == UNREAD:
        rows = [Row(step.statement.text, "")]
    if is_endless(step.statement.kind):
        rows = folded(rows)
    shown = [one for one in book.figures_of(id) if not isinstance(one[2], Untouchable) and seen(book, one[0])]
    return StepView(
        id=id,
        kind=step.figure_kind,
        title=(step.figure_kind if step.reads else step.statement.kind).capitalize(),
        name=step.name,
        pen=pen_of(book, id),
        hidden=step.hidden,
        off=step.off,
        text=step.statement.text,
        rows=rows,
        uses=[n.text for n in step.statement.uses],
        figure=_on_paper(book, id, drawn) or next((_boxed(figure) for one, _, figure in shown if one == id), None),
        called=book.name_of(id),
        further=[
            FurtherView(one, name, figure_data(figure)["kind"], pen_of(book, one), _boxed(figure))
            for one, name, figure in shown
            if one != id
        ],
        reading=replace(reading_words(reading, book), table=legs_table(book, step, index)) if reading is not None else None,
        number=drawn if isinstance(drawn, float) else None,
        problem=problem_view(book, value, index, step) if isinstance(value, Problem) else None,
        note=note_of(book, id),
        beside=beside_of(step),
        residual=residual_view(value, book),
    )


def _on_paper(book: Book, id: str, drawn: object) -> FigureData | None:
    """What stands on the drawing of a step; nothing of what stands on a sheet, or is hidden."""
    return paper_data(book, id) if isinstance(drawn, Annotation) and not book.steps[id].hidden else None


def residual_view(value: Value, book: Book) -> ResidualView | None:
    """By how much a touching figure misses what it touches at most; what only rounding left of it is said in words."""
    if not isinstance(value, StepResult) or not value.solutions or not value.solutions[value.chosen_index].contacts:
        return None
    contacts = value.solutions[value.chosen_index].contacts
    largest = max(c.residual for c in contacts)
    away = max(max(abs(c.at.x), abs(c.at.y)) for c in contacts)
    said = f"{largest:.2g} {book.header.manner.unit}"
    exactly = largest <= TOLERANCE.length(max(_extent(value.figure), away), away)
    return ResidualView("exact" if exactly else f"misses by {said}", said)


def _extent(figure: object) -> float:
    """How far a circle, an arc or a line that touches others reaches across; 0 for one without ends."""
    if isinstance(figure, RoundCurve):
        return 2.0 * figure.radius
    return figure.length if isinstance(figure, Line) else 0.0


def working_view(book: Book, id: str) -> WorkingView:
    """What a person would draw with compasses to find a step's figure, and the sums. Raises `Refused` (no_step)."""
    book.position(id)
    working = working_of(book, id)
    if working is None:
        return WorkingView([], [])
    return WorkingView([Locus(figure_data(f), w) for f, w in working.loci], list(working.sums))


def before_view(book: Book, id: str) -> list[FigureData]:
    """The figures that a verb works on, as they stand before it. Raises `Refused` (no_step)."""
    book.position(id)
    at = book.order.key(id)
    versions = dict.fromkeys(book.version(name.key, at) for name in book.steps[id].statement.operands)
    figures = [book.figure_of(one) for one in versions if one is not None]
    return [figure_data(figure) for figure in figures if figure is not None and not isinstance(figure, Untouchable)]


def values_view(book: Book, id: str) -> list[ValueView]:
    """The values of a step's figure that can be stated. Raises `Refused` (no_step)."""
    book.position(id)
    return [ValueView(v.word, v.shown, v.exact, v.stated) for v in values_of(book, id)]


def ways_view(book: Book, id: str, word: str, typed: str) -> list[WayView]:
    """The ways in which a step could state another value. Raises `Refused`."""
    book.position(id)
    ways = ways_to_state(book, id, word, typed)
    return [WayView(list(w.instead), w.text, figure_data(w.figure)) for w in ways]


def folded(rows: list[Row]) -> list[Row]:
    """A long chain in few rows: its beginning, how many places lie between, and its end."""
    if len(rows) <= 8:
        return rows
    return [*rows[:3], Row(f"… {len(rows) - 6} more …", ""), *rows[-3:]]


def _boxed(figure: Any) -> FigureData:
    return {**figure_data(figure), "box": box_of_things([figure])}


def previewed(book: Book, drawn: StepResult, step: Step | None, id: str = "") -> FigureData | None:
    """What a step would draw, as one thing to show; what stands on paper lies clear of what stands there. ``id`` is the step
    whose place it takes."""
    if isinstance(drawn.figure, OnPaper):
        return preview_data(book, drawn.figure, step.name if step is not None else "", id)
    return together(drawn.results)


def together(figures: Sequence[Any]) -> FigureData | None:
    """Figures as one thing to show: several are a set; None where there are none, numbers and readings aside."""
    shown = [figure_data(figure) for figure in figures if not isinstance(figure, Untouchable)]
    if len(shown) > 1:
        return {"kind": "set", "pieces": shown}
    return shown[0] if shown else None


def box_of_things(things: Sequence[Any]) -> list[float]:
    """The box around those of what a step holds that are figures."""
    return box_around(thing for thing in things if not isinstance(thing, Untouchable))


def problem_view(book: Book, problem: Problem, index: int, step: Step | None = None) -> ProblemView:
    """A problem in one sentence, with its place in the step's text, and what would work where that is known."""
    problem = helped(book, problem, index)
    better = suggestion(step, problem, book.header.manner.unit) if step else None
    return ProblemView(
        kind=problem.kind, message=sentence(problem), start=problem.start, end=problem.end,
        suggestion=better.words if better else None, suggested=better.text if better else None,
    )  # fmt: skip


def reading_words(reading: Reading, book: Book) -> ReadingView:
    """A reading in words: its value, then its parts, each with its name, and the difference from what was wanted."""
    header = book.header

    def told(value: float, kind: str) -> str:
        return display.measured(value, QUANTITIES[kind], header, reading.shown)

    rows = [ReadingPart(part, told(value, part)) for part, value in reading.parts.items()]
    scale = scale_of(reading, header)
    said = scale.value(reading.value)
    if "square" in reading.parts:
        said += ", to its end"
    if reading.state:
        # A gap is looked at for what is left of it, so it is shown with more digits than are drawn to.
        digits = header.decimals + 6
        told_all = abs(reading.value) < 10.0**-digits
        # What only rounding left of it is said in words; the figure stands behind them.
        said = reading.state if told_all else f"{reading.state}, {plain(reading.value, digits)} {header.manner.unit}"
    off = reading.difference
    compared = None
    if reading.wanted is not None and off is not None:
        compared = Compared(wanted_words(reading, header), scale.difference(off), verdict(reading, header))
    return ReadingView(reading.kind, said, reading.value, rows, compared, [])
