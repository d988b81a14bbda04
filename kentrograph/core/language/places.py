"""Places: coordinates, polar, relative, and everything that is taken from figures."""

from typing import Literal

from ..book.tree import (
    PLACES,
    Along,
    Binary,
    Coordinates,
    CornerOf,
    CrossingOf,
    FootOf,
    Given,
    MiddleOf,
    Name,
    Named,
    NamedPlace,
    Number,
    OnAt,
    Past,
    Place,
    PlaceOf,
    Plain,
    Polar,
    Portion,
    Relative,
    Toward,
)
from .cursor import LENGTH, Cursor, Wanted
from .lexer import Token
from .numbers import at_reading, direction, expression, named_number, number, part_of, part_of_name
from .sight_lines import name_or_sight
from .vocabulary import PLACE_WORDS, SIDES

_COUNTING = frozenset({".", "+", "-", "*", "/", "^", ",", "..", "//", "%"})
"""Marks after a name that say that it is a number, or has one as a part."""
_MEASURING = frozenset({"along", "of", "past"})
"""Words after a name that say that it is a number."""
_EXPECTED = (", and a y", "at and a direction")


def place(c: Cursor, bare: bool = False) -> Place:
    """A place. ``bare`` allows a number alone: that far toward the pointer."""
    start = c.tok.start
    if c.tok.kind == "end":
        c.fail("a place")
    value = place_or_number(c, bare=bare)
    if isinstance(value, PLACES):
        return value
    if bare:
        return Toward(value, None, start, c.last)
    c.fail(*_EXPECTED)


def thing(c: Cursor) -> Name | Place:
    """A figure by its name, or a place."""
    if c.at_name() and c.peek().text != ":":
        return c.name()
    if c.tok.kind == "end":
        c.fail("a place or a figure")
    found = place(c)
    return found.name if isinstance(found, NamedPlace) else found


def measured_thing(c: Cursor) -> Name | Place | Portion:
    """What is measured: a figure, a place, or the segment or the sector of an arc. Figures may bear these two words as names."""
    if c.at_word("segment", "sector") and c.peek().text == "of":
        what: Literal["segment", "sector"] = "segment" if c.advance().text == "segment" else "sector"
        c.advance()
        return Portion(what, c.name())
    return thing(c)


def reading_way(c: Cursor) -> Given:
    """How a reading is taken: along a direction or a line, at a place, from or to a place of what is measured."""
    token = c.advance()
    if token.text == "along":
        # A line gives the direction, or a number does.
        if c.tok.kind == "end":
            c.fail("a direction", "the name of a line")
        of = thing(c) if c.at_edge() or (c.at_name() and c.ask(c.tok, "step")) else direction(c)
        return Given("along", (of,), (), token.start, c.last)
    if token.text in ("from", "to") and c.at_word("start", "end") and c.peek().text != "of":
        return Given(token.text, (), (c.advance().text,), token.start, c.last)
    return Given(token.text, (place(c),), (), token.start, c.last)


def place_or_number(c: Cursor, wanted: Wanted = LENGTH, bare: bool = False) -> Place | Number:
    """Whatever stands here, read once from left to right. A name alone is a place; ``bare`` asks whether it is a number."""
    token = c.tok
    if token.kind == "op":
        if token.text == "+":
            return _based(c, _relative(c))
        if token.text == "(":
            start = token.start
            inside = parenthesised(c, wanted)
            if isinstance(inside, NamedPlace) and _counts(c, inside.name, c.tok, bare):
                inside = Named(inside.name)
            if not isinstance(inside, PLACES):
                return _after_number(c, expression(c, wanted, inside))
            if c.at_op("."):
                return _after_number(c, expression(c, wanted, part_of(c, inside, start)))
            return _based(c, inside)
    elif token.kind == "word":
        if token.text in PLACE_WORDS:
            return _based(c, _special(c))
        if c.at_part():
            name = c.name()
            if c.at_op("."):
                return _after_number(c, expression(c, wanted, part_of_name(c, name)))
            return _based(c, NamedPlace(name))
        if c.at_name():
            if not _counts(c, token, c.peek(), bare):
                return _based(c, NamedPlace(c.name()))
            if c.peek().kind != "op":
                return _after_number(c, named_number(c))
    return _after_number(c, expression(c, wanted))


def _counts(c: Cursor, name: Token | Name, following: Token, bare: bool) -> bool:
    """Whether a name, with this token after it, is a number: what follows says it, or what the name stands for.

    ``centre a at 30`` is the one phrase that only the latter can tell apart.
    """
    if following.kind == "op":
        return following.text in _COUNTING and not (following.text == "." and isinstance(name, Name))
    if following.kind == "word" and following.text in _MEASURING:
        return True
    if bare or (following.kind == "word" and following.text == "at"):
        return c.ask(name, "number")
    return False


def parenthesised(c: Cursor, wanted: Wanted) -> Place | Number:
    """A place or a number in parentheses; the cursor is at the opening one."""
    c.deeper()
    c.advance()
    # A name directly behind such a word makes a reading of it, though it may be a name as well.
    inside = _after_number(c, expression(c, wanted)) if at_reading(c) else place_or_number(c, wanted)
    if not c.take_op(")"):
        c.fail(")")
    c.depth -= 1
    return inside


def _based(c: Cursor, base: Place) -> Place:
    depth = c.depth
    while c.at_op(":"):
        c.deeper()
        c.advance()
        c.take_op("+")
        base = Relative(base, _offset(c, number(c)))
    c.depth = depth
    return base


def _offset(c: Cursor, first: Number) -> Coordinates | Polar:
    if c.take_op(",", ".."):
        return Coordinates(first, number(c))
    if c.take_word("at") or c.take_op("//"):
        return Polar(first, direction(c))
    c.fail(*_EXPECTED)


def _relative(c: Cursor) -> Place:
    start = c.advance().start
    first = number(c)
    if c.at_op(",", "..", "//") or c.at_word("at"):
        return Relative(None, _offset(c, first))
    target = place(c) if c.take_word("toward") else None
    return Toward(first, target, start, c.last)


def _after_number(c: Cursor, first: Number) -> Place | Number:
    token = c.tok
    if token.kind == "op":
        if token.text in (",", "..", "//"):
            return _based(c, _offset(c, first))
        if token.text == "%":
            c.advance()
            c.need_word("of", "along")
            return _along(c, first, 100.0)
    elif token.kind == "word":
        if token.text == "at":
            return _based(c, _offset(c, first))
        if token.text == "along":
            c.advance()
            return _along(c, first, None)
        if token.text == "of":
            c.advance()
            return _along(c, first, 1.0)
        if token.text == "past":
            c.advance()
            which = c.need_word("start", "end")
            c.need_word("of")
            name = c.name()
            straight = c.take_word("straight") is not None
            return _based(c, Past(first, "end" if which == "end" else "start", name, straight, token.start, c.last))
    return first


def _along(c: Cursor, amount: Number, share: float | None) -> Place:
    start = c.tok.start
    name = c.name()
    from_end = False
    if c.at_word("from") and c.peek().text in ("start", "end") and c.peek(2).text != "of":
        c.advance()
        from_end = c.advance().text == "end"
    if share == 100.0:
        amount = Plain(amount.value / 100.0) if type(amount) is Plain else Binary("/", amount, Plain(100.0), start, c.last)
    return _based(c, Along(amount, name, from_end, share is not None, start, c.last))


def sides(c: Cursor) -> tuple[str, ...]:
    """The side words that stand here."""
    found: list[str] = []
    while c.tok.kind == "word":
        if c.tok.text in SIDES:
            found.append(c.advance().text)
        elif c.tok.text == "counter" and c.peek().text == "-" and c.peek(2).text == "clockwise":
            c.advance(), c.advance(), c.advance()
            found.append("counter-clockwise")
        else:
            break
    return tuple(found)


def _special(c: Cursor) -> Place:
    start = c.tok.start
    c.deeper()
    word = c.advance().text
    found: Place
    match word:
        case "start" | "end" | "centre" | "center":
            c.need_word("of")
            found = PlaceOf("centre" if word == "center" else word, c.name())
        case "box":
            c.need_word("middle")
            c.need_word("of")
            found = PlaceOf("box middle", c.name())
        case "corner":
            which = number(c)
            c.need_word("of")
            found = CornerOf(which, c.name(), start, c.last)
        case "middle":
            c.need_word("of")
            found = _middle(c)
        case "on":
            name = c.name()
            c.need_word("at")
            found = OnAt(name, direction(c))
        case "crossing":
            c.need_word("of")
            first = name_or_sight(c, place)
            c.take_op(";")
            second = name_or_sight(c, place)
            found = CrossingOf(first, second, sides(c), start, c.last)
        case _:
            found = _foot(c, word, start)
    c.depth -= 1
    return found


def _foot(c: Cursor, word: str, start: int) -> Place:
    origin = None
    if not c.take_word("on"):
        # Without a place it is from the last one.
        c.need_word("to" if word == "nearest" else "of", "on")
        origin = place(c)
        c.need_word("on")
    name = c.name()
    what: Literal["foot", "nearest", "touch"] = "foot" if word == "foot" else "nearest" if word == "nearest" else "touch"
    return FootOf(what, origin, name, sides(c), start, c.last)


def _middle(c: Cursor) -> Place:
    """``middle of L1``, ``middle of P1 P2``.

    A point alone has no middle, so another place must follow it. Two circles named one after the other stand for their
    centres; an arc has a middle of its own.
    """
    if c.at_part():
        return PlaceOf("middle", c.name())
    if c.at_name() and c.peek().text != ":":
        token = c.tok
        name = c.name()
        if c.ask(token, "point") or (c.at_name() and c.ask(token, "round") and c.ask(c.tok, "centred")):
            c.take_op(";")
            return MiddleOf(NamedPlace(name), place(c))
        return PlaceOf("middle", name)
    first = place(c)
    c.take_op(";")
    return MiddleOf(first, place(c))


class Reader(Cursor):
    """A cursor that reads whole statements: numbers find here the places that they may hold."""

    __slots__ = ()

    def parenthesised(self, wanted: Wanted) -> Place | Number:
        return parenthesised(self, wanted)

    def measured_thing(self) -> Place | Name | Portion:
        return measured_thing(self)

    def reading_way(self) -> Given:
        return reading_way(self)
