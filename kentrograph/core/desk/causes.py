"""What a reading hangs on: the numbers that were typed, how much each moves it, and what each would have to be.

Method: every number is changed by a little and the book evaluated, which gives the slope; then regula falsi on the book itself
(the secant rule, published: any textbook of numerical methods), since there is no closed form through a whole drawing.
"""

from collections.abc import Iterable, Iterator
from dataclasses import dataclass
from math import isfinite

from ..book.book import Book
from ..book.on_paper import reading_of
from ..book.step import Step
from ..book.values import Reading, StepResult
from ..checks.verdict import verdict
from ..language.lexer import Token, tokens_of
from ..problem import Refused, refusal
from ..tolerance import TOLERANCE
from ..units import plain
from .intents import mend

MOST_EVALUATED = 50_000
"""Steps, counted each time that one is evaluated."""
MOST_NUMBERS = 40
"""No more numbers than this are looked at, the nearest to the reading first."""
LEAST_SHARE = 0.002
"""What moves a reading by less than this share of what the strongest number does, it does not hang on."""
_LITTLE = 0.002
"""Share of a number by which it is changed to see how much it moves the reading."""
_ROUNDS = 12
_MOST_DIGITS = 9


@dataclass(frozen=True, slots=True)
class Cause:
    """A number that moves a reading: the step that it stands in, in which given (``row``), and where in that.

    ``slope`` is by how much the reading changes for each unit of the number. ``text`` is the step's text with which the reading
    would be as it is wanted, ``becomes`` the number there; both empty where nothing is out, or no value of it would do. ``slip``
    says that it would take one wrong digit, or two that changed places.
    """

    step: str
    typed: str
    start: int
    row: str
    slope: float
    text: str = ""
    becomes: str = ""
    slip: bool = False


def causes(book: Book, reading: str) -> list[Cause]:
    """The numbers on which a reading hangs, by its step's id, in the order of `in_order`. Raises `Refused` (no_step)."""
    return in_order(each_cause(book, reading))


def each_cause(book: Book, reading: str) -> Iterator[Cause]:
    """The same one by one, as they are found: each takes a while. No more are looked for once so many steps were evaluated that
    the client would not wait for them."""
    book.position(reading)
    if not book.steps[reading].reads:
        raise refusal("not_measured")
    value = _read(book, reading)
    if value is None:
        return
    trial = _Trial(book, reading, value)
    for step, token in _numbers(book, reading):
        if trial.spent > MOST_EVALUATED:
            return
        found = trial.cause(step, token)
        if found is not None:
            yield found


def in_order(found: Iterable[Cause]) -> list[Cause]:
    """What would take a slip of the hand first, then what would have to change least, then what moves it most."""
    every = list(found)
    most = max((abs(one.slope) for one in every), default=0.0)
    wanted = [one for one in every if abs(one.slope) >= LEAST_SHARE * most]
    return sorted(wanted, key=lambda one: (not one.becomes, not one.slip, _change(one), -abs(one.slope)))


def _change(cause: Cause) -> float:
    """The share of a number by which it would have to change."""
    if not cause.becomes:
        return 0.0
    was = float(cause.typed)
    return abs(float(cause.becomes) - was) / max(abs(was), abs(float(cause.becomes)))


def _numbers(book: Book, reading: str) -> Iterator[tuple[Step, Token]]:
    """The numbers typed in the steps that a reading hangs on, those of the nearest steps first."""
    waiting, known, count = [reading], {reading}, 0
    while waiting and count < MOST_NUMBERS:
        for id in waiting:
            step = book.steps[id]
            if id == reading:
                continue
            for token in tokens_of(step.statement.text):
                if token.kind == "num" and count < MOST_NUMBERS:
                    count += 1
                    yield step, token
        below = [need for id in waiting for need in book.needs_of(id)]
        waiting = [id for id in dict.fromkeys(below) if id not in known]
        known.update(waiting)


def _read(book: Book, id: str) -> Reading | None:
    value = book.values.get(id)
    return reading_of(value.figure) if isinstance(value, StepResult) else None


def _put(step: Step, token: Token, number: str) -> str:
    text = step.statement.text
    return f"{text[: token.start]}{number}{text[token.end :]}"


def _aim(value: Reading) -> float:
    """By how much a reading is off the middle of what is wanted."""
    off, wanted = value.difference, value.wanted
    assert off is not None
    assert wanted is not None
    both = isfinite(wanted.low) and isfinite(wanted.high)
    return off - 0.5 * (wanted.low + wanted.high) if both else off


class _Trial:
    """Evaluates the book with other numbers; ``spent`` is how many steps that took so far."""

    def __init__(self, book: Book, reading: str, value: Reading) -> None:
        self.book, self.reading, self.value = book, reading, value
        self.spent = 0

    def cause(self, step: Step, token: Token) -> Cause | None:
        """A number as a cause; None for one that moves nothing, as the number of a corner does."""
        value, x0 = self.value, float(token.text)
        little = _LITTLE * abs(x0) or _LITTLE
        nudged = self._with(step, _put(step, token, plain(x0 + little, 12)))
        if nudged is None:
            return None
        moved = nudged.value - value.value
        slope = moved / little
        if abs(moved) <= TOLERANCE.length(abs(value.value)) or not isfinite(slope):
            return None
        # What is right is not to be changed.
        becomes = self._solved(step, token, slope) if verdict(value, self.book.header) == "out" else ""
        text = _put(step, token, becomes) if becomes else ""
        start, end = next(
            ((g.start, g.end) for g in step.statement.givens if g.start <= token.start < g.end), (token.start, token.end)
        )
        row = step.statement.text[start:end]
        return Cause(
            step.id, token.text, token.start - start, row, slope, text, becomes, bool(becomes) and _is_slip(token.text, becomes)
        )

    def _with(self, step: Step, text: str) -> Reading | None:
        """The reading as it would be with another text of a step; None where that cannot be drawn."""
        try:
            after, _ = self.book.edited(mend(self.book, step.id, text)[0])
        except Refused:
            return None
        self.spent += len(after.changed)
        return _read(after, self.reading)

    def _solved(self, step: Step, token: Token, slope: float) -> str:
        """The number, with the fewest digits, with which the reading is within what is wanted; empty where none is found."""
        x, off = float(token.text), _aim(self.value)
        for _ in range(_ROUNDS):
            to = x - off / slope
            # The sign stands in front of the number, and stays.
            now = self._with(step, _put(step, token, plain(to, 15))) if isfinite(to) and to > 0.0 else None
            if now is None or self.spent > MOST_EVALUATED:
                return ""
            moved, before = to - x, off
            x, off = to, _aim(now)
            if off == 0.0 or moved == 0.0 or off == before:
                break
            slope = (off - before) / moved
        for digits in range(_MOST_DIGITS + 1):
            number = plain(round(x, digits), 12)
            now = self._with(step, _put(step, token, number)) if float(number) > 0.0 else None
            if now is not None and verdict(now, self.book.header) in ("within", "close"):
                return number
        return ""


def _is_slip(typed: str, becomes: str) -> bool:
    """Whether two numbers differ by one digit, by one left out or put in, or by two that changed places.

    >>> _is_slip("48", "84"), _is_slip("48", "49"), _is_slip("48", "480"), _is_slip("48", "51.3")
    (True, True, True, False)
    """
    if len(typed) == len(becomes):
        differ = [n for n, (a, b) in enumerate(zip(typed, becomes, strict=True)) if a != b]
        swapped = len(differ) == 2 and differ[1] == differ[0] + 1
        return len(differ) == 1 or (swapped and typed[differ[0]] == becomes[differ[1]] and typed[differ[1]] == becomes[differ[0]])
    longer, shorter = sorted((typed, becomes), key=len, reverse=True)
    return len(longer) == len(shorter) + 1 and any(longer[:n] + longer[n + 1 :] == shorter for n in range(len(longer)))
