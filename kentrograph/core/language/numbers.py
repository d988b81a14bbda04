"""Numbers and directions: arithmetic, mixed numbers, feet and inches, degrees-minutes-seconds, bearings."""

import re
from math import isfinite, pi

from ..book.readings import READINGS
from ..book.tree import (
    PLACES,
    Azimuth,
    Bearing,
    Binary,
    Call,
    CornerOf,
    Given,
    InUnit,
    Measured,
    Name,
    Named,
    NamedPlace,
    Negative,
    Number,
    Part,
    Place,
    Plain,
    Portion,
)  # fmt: skip
from ..problem import refusal
from ..units import MILLIMETRES
from .cursor import DIRECTION, LENGTH, Cursor, Wanted
from .lexer import Token
from .vocabulary import FUNCTIONS, NAMES_TOO, PARTS

_DEGREES = {"deg": 1.0, "gon": 0.9, "rad": 180.0 / pi}
_BEARING = re.compile(
    r"""(?P<from>[ns])\s*(?P<d>[0-9]+(?:\.[0-9]+)?)\s*
        (?:[°:]\s*(?:(?P<m>[0-9]+(?:\.[0-9]+)?)\s*(?:['\u2032\u2019:]\s*(?:(?P<s>[0-9]+(?:\.[0-9]+)?)\s*(?:"|\u2033|\u201d|'')?)?)?)?)?
        \s*(?P<to>[ew])(?![A-Za-z0-9_])""",
    re.VERBOSE | re.IGNORECASE,
)


def looks_like_bearing(text: str) -> bool:
    """Whether a name would read as a bearing."""
    return _BEARING.fullmatch(text) is not None


def number(c: Cursor) -> Number:
    """A number where a length, a ratio or a count is wanted."""
    return expression(c, LENGTH)


def direction(c: Cursor) -> Number:
    """A direction, or a turn: degrees unless it says otherwise."""
    return expression(c, DIRECTION)


def expression(c: Cursor, wanted: Wanted, first: Number | None = None) -> Number:
    """Sums of products of powers. ``first`` is a number that has been read already."""
    if c.depth == 0 and first is None:
        c.operations = 0
    left = _product(c, wanted, first)
    signed = False
    while c.tok.kind == "op" and c.tok.text in "+-" and c.tok.text:
        # Of three signed numbers none is a deviation.
        if c.limited and c.depth == 0 and not signed and c.at_deviations():
            break
        token = c.operate()
        signed = token.end == c.tok.start
        right = _product(c, wanted, None)
        left = Binary("+" if token.text == "+" else "-", left, right, token.start, token.end)
    return left


def _product(c: Cursor, wanted: Wanted, first: Number | None) -> Number:
    left = _signed(c, wanted) if first is None else _power(c, wanted, first)
    while c.tok.kind == "op" and (c.tok.text == "*" or c.tok.text == "/"):
        token = c.operate()
        right = _signed(c, wanted)
        left = Binary("*" if token.text == "*" else "/", left, right, token.start, token.end)
    return left


def _signed(c: Cursor, wanted: Wanted) -> Number:
    negative = False
    while c.tok.kind == "op" and (c.tok.text == "-" or c.tok.text == "+"):
        negative ^= c.advance().text == "-"
    value = _power(c, wanted, None)
    if not negative:
        return value
    return Plain(-value.value) if type(value) is Plain else Negative(value)


def _power(c: Cursor, wanted: Wanted, first: Number | None) -> Number:
    base = _primary(c, wanted) if first is None else first
    if c.tok.kind == "op" and c.tok.text == "^":
        token = c.advance()
        c.deeper()
        exponent = _signed(c, wanted)
        c.depth -= 1
        return Binary("^", base, exponent, token.start, token.end)
    return base


def _primary(c: Cursor, wanted: Wanted) -> Number:
    token = c.tok
    if token.kind == "num":
        return literal(c, wanted)
    if token.kind == "word":
        return _word(c, wanted, token)
    if token.kind == "op" and token.text == "(":
        return parenthesised_number(c, wanted)
    c.fail("a direction" if wanted is DIRECTION else "a number")


def parenthesised_number(c: Cursor, wanted: Wanted) -> Number:
    """A number in parentheses, or a part of a place in parentheses: ``(middle of L2).y``."""
    start = c.tok.start
    inside = c.parenthesised(wanted)
    if isinstance(inside, NamedPlace) and not c.at_op("."):
        return Named(inside.name)
    if isinstance(inside, PLACES):
        return part_of(c, inside, start)
    return inside


def _word(c: Cursor, wanted: Wanted, token: Token) -> Number:
    word = token.text
    if wanted is DIRECTION:
        if word[0] in "ns" and (bearing := _bearing(c)) is not None:
            return bearing
        if word == "az":
            c.advance()
            value = _signed(c, DIRECTION)
            return Bearing(90.0 - value.value) if type(value) is Plain else Azimuth(value)
    if word == "pi":
        c.advance()
        return Plain(pi)
    if word in FUNCTIONS:
        return _call(c)
    if at_reading(c):
        return measured(c)
    if c.at_name():
        return named_number(c)
    c.fail("a direction" if wanted is DIRECTION else "a number")


def at_reading(c: Cursor) -> bool:
    """Whether a reading stands here, and no figure with such a name."""
    following = c.peek().kind
    return c.at_word(*READINGS) and (following in ("word", "num") if c.at_word(*NAMES_TOO) else following != "op")


def named_number(c: Cursor) -> Number:
    """A named number, or a part of a named figure."""
    name = c.name()
    return part_of_name(c, name) if c.at_op(".") else Named(name)


def part_of_name(c: Cursor, name: "Part | object") -> Part:
    """``.x`` and the like after a name or a place."""
    c.advance()
    token = c.tok
    if token.kind != "word" or token.text not in PARTS:
        c.fail(*sorted(PARTS))
    c.advance()
    start = getattr(name, "start", token.start)
    return Part(name, token.text, start, token.end)  # type: ignore[arg-type]


def part_of(c: Cursor, of: Place, start: int) -> Part:
    """``.x`` or ``.y`` of a place in parentheses; a name in parentheses is that figure."""
    if not c.at_op("."):
        c.fail(".x", ".y")
    part = part_of_name(c, of.name if isinstance(of, NamedPlace) else of)
    return Part(part.of, part.part, start, part.end)


def _call(c: Cursor) -> Call:
    token = c.advance()
    c.deeper()
    if not c.take_op("("):
        c.fail("(")
    inside = DIRECTION if token.text in ("sin", "cos", "tan") else LENGTH
    arguments = [expression(c, inside)]
    while c.take_op(",", ";"):
        arguments.append(expression(c, inside))
    if not c.take_op(")"):
        c.fail(")", ",")
    c.depth -= 1
    fewest, most = FUNCTIONS[token.text]
    if not fewest <= len(arguments) <= most:
        raise refusal("argument_count", token.start, c.last, function=token.text, fewest=fewest, most=most, found=len(arguments))
    return Call(token.text, tuple(arguments), token.start, c.last)


def measured(c: Cursor) -> Measured:
    """A reading inside a number: ``distance P1 P2``, ``area K1 less C1``.

    Its ways, as ``length K1 from P1 to P2``, are read where they can be no givens of a figure: in a named number, in parentheses.
    """
    token, whole = c.advance(), c.only_number and c.depth == 0
    alone = whole or c.depth > 0
    c.deeper()
    kind = READINGS[token.text]
    ways, counts = kind.ways, kind.counts
    fewest = _FEWEST.get(token.text, min(counts))
    things: list[Place | Name | Portion] = []
    while len(things) < max(counts):
        # Of what takes any number of things those behind a semicolon may belong to a list around it.
        listed = c.at_op(";") and not whole and (max(counts) > _SEVERAL or not c.at_place(c.peek()))
        if len(things) >= fewest and (listed or not (c.at_op(";") or c.at_place())):
            break
        c.take_op(";")
        things.append(c.measured_thing())
        if isinstance(things[0], CornerOf):
            fewest = min(counts)
    how: list[Given] = []
    while alone and c.at_word(*ways) and not c.at_word("less", *(given.word for given in how)):
        how.append(c.reading_way())
    less: list[Place | Name | Portion] = []
    if "less" in ways and c.take_word("less"):
        less.append(c.measured_thing())
        while c.at_place():
            less.append(c.measured_thing())
    c.depth -= 1
    return Measured(token.text, tuple(things), tuple(less), token.start, c.last, tuple(how))


_SEVERAL = 3
_FEWEST = {"angle": 2}
"""How many things a reading is of at least, but for an angle at a corner."""


def literal(c: Cursor, wanted: Wanted) -> Number:
    """A number as it is written in digits, with its unit."""
    return _angle_literal(c) if wanted is DIRECTION else _length_literal(c)


def _length_literal(c: Cursor) -> Number:
    token = c.advance()
    value, whole = _value(token), token.text.isdigit()
    following = c.tok
    if whole and following.kind == "num" and following.start > token.end and _is_fraction(c, c.index):
        value += _fraction(c, c.advance())
    elif whole and following.kind == "op" and following.text == "/" and _fraction_has_unit(c):
        value = _fraction(c, token)
    return _with_unit(c, value)


def _is_fraction(c: Cursor, index: int) -> bool:
    """Whether whole digits, a stroke and whole digits stand at ``index``."""
    tokens = c.tokens
    return (
        index + 2 < len(tokens)
        and tokens[index].text.isdigit()
        and tokens[index + 1].text == "/"
        and tokens[index + 2].kind == "num"
        and tokens[index + 2].text.isdigit()
    )


def _fraction_has_unit(c: Cursor) -> bool:
    denominator, mark = c.peek(1), c.peek(2)
    return denominator.text.isdigit() and (mark.text in ("'", '"') or (mark.kind == "word" and mark.text in MILLIMETRES))


def _fraction(c: Cursor, numerator: Token) -> float:
    """The fraction whose numerator has just been taken."""
    c.advance()
    denominator = c.advance()
    under = _value(denominator)
    if under == 0.0:
        raise refusal("divided_by_zero", denominator.start, denominator.end)
    return _value(numerator) / under


def _with_unit(c: Cursor, value: float) -> Number:
    token = c.tok
    if token.kind == "op":
        if token.text == "'":
            c.advance()
            return InUnit(12.0 * value + _inches(c, token), "in")
        if token.text == '"':
            c.advance()
            return InUnit(value, "in")
    elif token.kind == "word" and token.text in MILLIMETRES and not (token.text == "in" and _shows(c.peek())):
        c.advance()
        if token.text == "ft" and c.tok.kind == "num":
            return InUnit(12.0 * value + _inches(c, token), "in")
        return InUnit(value, token.text)
    return Plain(value)


def _shows(token: Token) -> bool:
    """Whether `in` in front of this says in which unit something is shown, and is none itself."""
    return token.kind == "word" and token.text.rstrip("24") in MILLIMETRES


def _inches(c: Cursor, foot: Token) -> float:
    """The inches after a foot mark, joined by a hyphen or a blank; 0 where none stand there."""
    mark = c.tok
    if mark.text == "-" and mark.start == foot.end and c.peek().kind == "num":
        c.advance()
    elif mark.kind != "num":
        return 0.0
    token = c.advance()
    value = _value(token)
    if token.text.isdigit():
        if c.tok.kind == "num" and c.tok.start > token.end and _is_fraction(c, c.index):
            value += _fraction(c, c.advance())
        elif c.tok.text == "/" and c.peek().text.isdigit():
            value = _fraction(c, token)
    if not (c.take_op('"') or c.take_word("in")):
        c.fail('" for inches')
    return value


def _angle_literal(c: Cursor) -> Number:
    token = c.advance()
    value = _value(token)
    mark = c.tok
    if mark.kind == "word" and mark.text in _DEGREES:
        c.advance()
        return Plain(value * _DEGREES[mark.text])
    if mark.kind != "op" or mark.text not in ("°", ":", "'", '"'):
        return Plain(value)
    minutes = seconds = 0.0
    if mark.text in ("°", ":"):
        if mark.text == ":" and c.peek().kind != "num":
            return Plain(value)
        c.advance()
        if c.tok.kind == "num" and (mark.text == ":" or c.peek().text in ("'", '"')):
            unit = c.peek().text
            part = c.advance()
            if unit == '"':
                seconds = _sixtieth(part)
            else:
                minutes = _sixtieth(part)
                if c.take_op("'", ":") and c.tok.kind == "num" and (mark.text == ":" or c.peek().text == '"'):
                    seconds = _sixtieth(c.advance())
            c.take_op('"')
        return Plain((value * 3600.0 + minutes * 60.0 + seconds) / 3600.0)
    c.advance()
    return Plain(value / 60.0 if mark.text == "'" else value / 3600.0)


def _sixtieth(token: Token) -> float:
    value = _value(token)
    if value >= 60.0:
        raise refusal("sixty", token.start, token.end, value=value)
    return value


def _bearing(c: Cursor) -> Bearing | None:
    start = c.tok.start
    m = _BEARING.match(c.text, start)
    if m is None:
        return None
    d, minutes, s = (float(m[g] or 0.0) for g in ("d", "m", "s"))
    angle = (d * 3600.0 + minutes * 60.0 + s) / 3600.0
    if angle > 90.0 or minutes >= 60.0 or s >= 60.0:
        raise refusal("bad_bearing", start, m.end(), found=m[0])
    c.skip_to(m.end())
    north, east = m["from"] in "nN", m["to"] in "eE"
    return Bearing((90.0 if north else -90.0) + (-angle if north == east else angle))


def _value(token: Token) -> float:
    value = float(token.text)
    if not isfinite(value):
        raise refusal("too_large", token.start, token.end, value=value)
    return value
