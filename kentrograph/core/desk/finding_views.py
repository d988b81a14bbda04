"""Loose ends in words, with what would put each right; and what a reading hangs on."""

from collections.abc import Iterable, Iterator
from dataclasses import dataclass, replace
from itertools import islice
from math import hypot
from typing import assert_never

from ..book.book import Book
from ..book.readings import QUANTITIES
from ..book.values import StepResult
from ..checks.finding import Finding, FindingKind, Place
from ..checks.loose_ends import distinct, loose_ends, usual_limit
from ..figures import Outline, Point
from ..language import display
from ..language.report import FigureData
from ..problem import Refused
from ..snap.edge import edge_at
from ..units import plain
from .causes import Cause
from .handles.fitting import text_of
from .handles.handle import number_of
from .intents import mend, mended
from .settling import offer_for
from .views import together

_NUDGE = 0.01
"""By how much a number is changed to show how much it moves something."""
MOST_SHOWN = 200
MOST_OFFERS = 40
"""For so many findings it is tried what would put them right; for the others once these are gone."""


@dataclass(frozen=True, slots=True)
class FindingView:
    """A loose end: what it is, where, about which figures, and in words what would put it right (empty where nothing would)."""

    key: str
    kind: FindingKind
    words: str
    figures: list[str]
    at: list[float]
    amount: float
    offer: str


@dataclass(frozen=True, slots=True)
class LooseView:
    """The loose ends of a drawing, the most trouble first, up to a number; ``count`` is how many there are."""

    limit: float
    usual: float
    unit: str
    count: int
    findings: list[FindingView]


@dataclass(frozen=True, slots=True)
class CauseView:
    """A number on which a reading hangs: the step that it stands in, what it says, and in words by how much it moves the reading.

    ``text`` is the text of that step with which the reading is as wanted, ``becomes`` the number there, ``shown`` what would be
    drawn otherwise then; the first two are empty where no value of it would do. ``slip`` says that one wrong digit, or two that
    changed places, would explain it.
    """

    step: str
    name: str
    statement: str
    typed: str
    start: int
    row: str
    moves: str
    text: str
    becomes: str
    slip: bool
    shown: FigureData | None


def loose_view(book: Book, limit: float | None = None) -> LooseView:
    """The loose ends of a book, with a limit in the drawing's unit or the usual one; what is offered for each is told by
    `offered`."""
    unit = book.header.manner.unit
    used = limit or usual_limit(unit)
    found = distinct(book, loose_ends(book, used), used)
    return LooseView(used, usual_limit(unit), unit, len(found), [_view(book, one) for one in found[:MOST_SHOWN]])


def _view(book: Book, one: Finding) -> FindingView:
    at = one.second.at if one.kind in ("near", "double") and one.second is not None else one.first.at
    return FindingView(one.key, one.kind, words(book, one), list(one.figures), [at.x, at.y], one.amount, "")


def offered(book: Book, view: LooseView) -> Iterator[FindingView]:
    """The findings of a view, one by one as it is found what would put each right: that takes a while."""
    known = {one.key: one for one in loose_ends(book, view.limit)}
    for n, one in enumerate(view.findings):
        offer = offer_for(book, known[one.key], view.limit) if n < MOST_OFFERS else None
        yield replace(one, offer=offer.words) if offer is not None else one


def words(book: Book, one: Finding) -> str:
    """A finding in one sentence."""
    by = _amount(book, one.amount)
    first = _place(book, one.first)
    second = _place(book, one.second) if one.second is not None else ""
    match one.kind:
        case "crosses":
            return f"{first} crosses itself."
        case "open":
            return f"{_name(book, one.first)} does not close: {by} between its ends."
        case "ends" if one.second is not None and one.second.what == "body":
            return f"The {first} runs {by} past {second}." if one.past else f"The {first} falls {by} short of {second}."
        case "ends":
            return f"The {first} and the {second} miss each other by {by}."
        case "near":
            return f"{first} and {second} almost touch: they miss by {by}."
        case "double":
            rest = f", but for {by}" if one.amount > 0.0 else ""
            return f"{first} lies upon {second}{rest}."
        case "beside":
            subject = first if one.first.what == "point" else f"The {first}"
            beside = second if one.second is not None and one.second.what in ("body", "point") else f"the {second}"
            return f"{subject} lies {by} beside {beside}."
        case "weak":
            subject = first if one.first.what == "point" else f"The {first}"
            if " and " in one.word:
                return f"{subject} is badly held: {one.word} cross there at {display.dms(one.amount)}."
            moved = _moved(book, one)
            return f"{subject} is badly held: " + (
                f"{_NUDGE:g} in its {one.word} moves it by {_amount(book, moved)}."
                if moved is not None
                else f"what it touches lies nearly in line, {display.dms(one.amount)} off."
            )
        case "short":
            return f"A stretch of {first} is only {by} long."
        case _:
            assert_never(one.kind)


def _shown_then(book: Book, one: Cause) -> FigureData | None:
    """What would be drawn otherwise with the number that puts a reading right."""
    after, _ = book.edited(mend(book, one.step, one.text)[0])
    changed = [after.values[id] for id in islice(after.changed, _MOST_PREVIEWED)]
    return together([figure for value in changed if isinstance(value, StepResult) for figure in value.results])


_MOST_PREVIEWED = 300


def _moved(book: Book, one: Finding) -> float | None:
    """How far the centre of a figure moves where the size that was typed for it is a little larger; None where it has none then,
    or the size was not typed as a number."""
    step = book.steps[book.step_of(one.first.figure)]
    n, given = next((n, g) for n, g in enumerate(step.statement.givens) if g.word == one.word)
    size = number_of(given.arguments[0])
    if size is None:
        return None
    try:
        _, value = mended(book, step.id, text_of(step, {n: f"{one.word} {plain(size + _NUDGE, 12)}"}))
    except Refused:
        return None
    centre = getattr(value.figure, "centre", None) if isinstance(value, StepResult) else None
    return hypot(centre.x - one.first.at.x, centre.y - one.first.at.y) if isinstance(centre, Point) else None


def _amount(book: Book, amount: float) -> str:
    """A small length with two digits that say something, however many decimals the drawing has."""
    return f"{float(f'{amount:.2g}'):g} {book.header.manner.unit}"


def _name(book: Book, place: Place) -> str:
    return book.name_of(place.figure) or "a figure without a name"


def _place(book: Book, place: Place) -> str:
    name = _name(book, place)
    figure = book.figure_of(place.figure)
    match place.what:
        case "point":
            return name
        case "body":
            return edge_at(figure, name, place.at.x, place.at.y)[1] if isinstance(figure, Outline) else name
        case "corner":
            return f"corner {place.number} of {name}"
        case _:
            return f"{place.what} of {name}"


def cause_views(book: Book, reading: str, found: Iterable[Cause]) -> Iterator[CauseView]:
    """What a reading hangs on, in words, one by one: what each offer would draw takes a while."""
    quantity = QUANTITIES[book.steps[reading].statement.givens[0].word]
    for one in found:
        step = book.steps[one.step]
        much = one.slope * _NUDGE
        angle = quantity in ("direction", "turn")
        shown = display.dms(abs(much)) if angle else plain(float(f"{abs(much):.2g}"), 12)
        moves = f"{_NUDGE:g} more makes it {shown} {'more' if much > 0.0 else 'less'}"
        yield CauseView(
            step=one.step,
            name=step.name,
            statement=step.statement.text,
            typed=one.typed,
            start=one.start,
            row=one.row,
            moves=moves,
            text=one.text,
            becomes=one.becomes,
            slip=one.slip,
            shown=_shown_then(book, one) if one.text else None,
        )
