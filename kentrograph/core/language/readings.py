"""What is read, and what it is compared with: ``measure length K1 from P1 to P2 wanted 45 within -0.1 to +0.2 in cm``."""

from ..book.readings import READINGS
from ..book.readings.reading_kind import POWERS
from ..book.tree import Argument, Given
from ..problem import refusal
from ..units import MILLIMETRES
from .cursor import DIRECTION, LENGTH, Cursor, nearest_words
from .limits import compared
from .places import measured_thing, reading_way


def read_reading(c: Cursor) -> list[Given]:
    """The givens of a reading: what it is of, how it is taken, and what it is compared with."""
    start = c.tok.start
    if c.tok.kind == "word" and c.tok.text not in READINGS:
        nearest = nearest_words(c.tok.text, list(READINGS))
        raise refusal("unknown_word", start, c.tok.end, found=c.text[start : c.tok.end], nearest=nearest)
    word = c.need_word(*READINGS)
    kind = READINGS[word]
    how = [one for one in kind.ways if one != "less"]
    givens = [Given(word, _things(c, (*how, "less", "wanted")), (), start, c.last)]
    while c.at_word(*how) and c.tok.text not in {g.word for g in givens}:
        givens.append(reading_way(c))
        c.take_op(";")
    if c.at_word("less"):
        start = c.advance().start
        holes = _things(c, ("wanted",))
        if not holes:
            c.fail("the name of a hole")
        givens.append(Given("less", holes, (), start, c.last))
    # An area is written in `m2`, second moments in `m4`; a length in the unit alone.
    power = str(POWERS[kind.quantity]) if POWERS.get(kind.quantity, 1) > 1 else ""
    shown = _as_bearing(c) if word == "direction" else shown_in(c, power)
    against = compared(c, DIRECTION if word in ("direction", "angle") else LENGTH)
    if not shown:
        shown = _as_bearing(c) if word == "direction" else shown_in(c, power)
        return [*givens, *against, *shown]
    return [*givens, *shown, *against]


def _as_bearing(c: Cursor) -> list[Given]:
    """``in bearing``: a direction from north or south to east or west, however the drawing counts."""
    if not c.at_word("in"):
        return []
    start = c.advance().start
    c.need_word("bearing")
    return [Given("in bearing", (), (), start, c.last)]


def _things(c: Cursor, until: tuple[str, ...]) -> tuple[Argument, ...]:
    things: list[Argument] = []
    while c.tok.kind != "end" and not c.at_word(*until) and not (things and (_at_limit(c) or c.at_word("in"))):
        things.append(measured_thing(c))
        c.take_op(";")
    return tuple(things)


def _at_limit(c: Cursor) -> bool:
    """Whether a limit follows, and no figure with such a name."""
    return c.at_word("least", "most") and c.peek().kind != "end" and c.peek().text not in (";", "less", "wanted", "least", "most")


def shown_in(c: Cursor, power: str) -> list[Given]:
    """``in m2``, ``in ft``, ``in 1/16``: the unit that it is shown in, with its power or without, or the parts of an inch."""
    if not c.at_word("in"):
        return []
    start = c.advance().start
    token = c.tok
    unit = token.text.removesuffix(power) if power else token.text
    if token.kind == "word" and unit in MILLIMETRES:
        c.advance()
        return [Given(f"in {unit}", (), (), start, c.last)]
    if token.kind == "num" and token.text == "1" and c.peek().text == "/" and c.peek(2).text in PARTS_OF_INCH:
        parts = c.peek(2).text
        for _ in range(3):
            c.advance()
        return [Given(f"in 1/{parts}", (), (), start, c.last)]
    c.fail(*(f"{unit}{power}" for unit in MILLIMETRES), *([] if power else ["1/16"]))


PARTS_OF_INCH = frozenset({"2", "4", "8", "16", "32", "64"})
