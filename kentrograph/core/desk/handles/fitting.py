"""Numbers and solutions found by trying: the size with which a figure, held by its other givens, goes through a place."""

from collections.abc import Callable
from math import hypot, inf

from ...book.book import Book
from ...book.step import Step
from ...book.values import StepResult
from ...construct.solution import near as nearest_solution
from ...figures import Point, RoundCurve
from ...measure.closest import distance_between
from ...problem import Refused
from ..draft import Draft
from ..draft_from import before_kind
from ..intents import mended
from ..interpretation import given_texts
from ..side_words import worded
from .handle import Rows

_WIDER = 1.25
_STEPS_OUT = 24
"""How far sizes are tried: up to 1.25 ** 24, some 200 times larger and smaller."""
_CLOSER = 40


def text_of(step: Step, rows: Rows) -> str:
    """The text of a step with some of its givens written anew; what stands beyond its last given is added."""
    texts = given_texts(step.statement)
    for n, text in sorted(rows.items()):
        texts[n : n + 1] = [text]
    return before_kind(step) + Draft(step.statement.kind, tuple(texts)).text()


def fitting_radius(book: Book, step: Step, rows: Callable[[float], Rows], at: Point, near: float, close: float) -> float | None:
    """The radius with which the step's circle or arc runs ``close`` by a place, the nearest to the radius ``near``.

    ``rows`` are the givens that state a radius. Tried outward from ``near`` until the place changes from inside to
    outside, then closer by false position (published: the Illinois rule); where it never does, the radius that comes
    closest. None where nothing can be drawn.
    """

    def outside(radius: float) -> float | None:
        try:
            _, value = mended(book, step.id, text_of(step, rows(radius)))
        except Refused:
            return None
        figure = value.figure if isinstance(value, StepResult) else None
        if not isinstance(figure, RoundCurve):
            return None
        return hypot(at.x - figure.centre.x, at.y - figure.centre.y) - figure.radius

    best: tuple[float, float | None] = (inf, None)
    now_there = (near, outside(near))
    ends = {1: now_there, -1: now_there}
    for _ in range(_STEPS_OUT):
        for sense, (radius, was) in ends.items():
            further = radius * _WIDER**sense
            now = outside(further)
            ends[sense] = (further, now)
            for r, g in ((radius, was), (further, now)):
                if g is not None and abs(g) < best[0]:
                    best = (abs(g), r)
            if was is not None and now is not None and (was <= 0.0) != (now <= 0.0):
                return _closer(outside, radius, was, further, now, close)
    return best[1]


def _closer(outside: Callable[[float], float | None], a: float, ga: float, b: float, gb: float, close: float) -> float:
    """Between two radii of which one has the place inside, the other outside."""
    for _ in range(_CLOSER):
        c = b - gb * (b - a) / (gb - ga)
        gc = outside(c)
        if gc is None or abs(gc) <= close:
            return c
        if (gc <= 0.0) != (gb <= 0.0):
            a, ga = b, gb
        else:
            ga /= 2.0
        b, gb = c, gc
    return b


def nearest_worded(book: Book, step: Step, rows: Rows, at: Point) -> str | None:
    """The text of the step with these givens and the solution nearest to a place, taken by its side words."""
    try:
        made, value = mended(book, step.id, text_of(step, rows))
        if isinstance(value, StepResult) and len(value.solutions) > 1:
            which = nearest_solution(value.solutions, lambda figure: distance_between(at, figure))
            return worded(book, made, value, which, book.position(step.id))
    except Refused:
        return None
    return made.statement.text
