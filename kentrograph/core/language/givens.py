"""One given of a figure: its word and whatever that word asks for."""

from collections.abc import Callable
from typing import NoReturn

from ..book.kind import GivenSpec, Kind
from ..book.tree import (
    PLACES,
    Argument,
    Coordinates,
    Given,
    Name,
    Named,
    NamedPlace,
    OnAt,
    Place,
    Plain,
    Polar,
)
from ..problem import refusal
from .cursor import Cursor, nearest_words
from .limits import compared, of_dimension
from .lists import at_thing, goes_on, things
from .numbers import direction, number
from .paper_givens import choice, scale, two_words, way, words
from .places import place, place_or_number, sides, thing
from .readings import shown_in
from .vocabulary import CHOOSERS, SHORT, SIDES

_ALIASES = {"center": "centre"}


def read_given(c: Cursor, kind: Kind) -> list[Given]:
    """The given at the cursor; several where one word begins several (``touching L1 C2``)."""
    short = _short(c, kind)
    if short is not None:
        return short
    token = c.tok
    if token.kind == "word":
        word = _ALIASES.get(token.text, token.text)
        if word in CHOOSERS:
            return [_chooser(c)]
        spec = kind.given(word)
        if spec is not None and spec.word == word and spec.written and not _is_name_here(c, kind):
            if spec.takes in ("compared", "unit"):
                return compared(c, of_dimension(c)) if spec.takes == "compared" else shown_in(c, "")
            c.advance()
            return READERS[spec.takes](c, spec, token.start)
    chosen = next((g for g in kind.givens if token.kind == "word" and token.text in g.choices), None)
    if chosen is not None:
        return choice(c, chosen, token.start)
    if kind.givens and kind.givens[0].takes == "place" and not kind.givens[0].written:
        return [_bare_place(c)]
    if kind.givens and kind.givens[0].takes == "things" and (token.kind == "num" or at_thing(c)):
        return things(c, kind)
    if _at_copies(c, kind):
        return _copies(c, kind.givens[1], token.start)
    if kind.givens and kind.givens[0].word == "figures" and (c.at_name() or _at_corner(c, kind)):
        members = kind.shapes or bool(kind.marks)
        return _figures(c, kind.givens[0], token.start, whole=kind.shapes and not kind.edges, members=members, copies=kind)
    _no_such_given(c, kind)


def _short(c: Cursor, kind: Kind) -> list[Given] | None:
    """A size in the short form of the trade: ``r 12``, ``d24``, ``\u230024``."""
    if kind.given("radius") is None:
        return None
    c.part("r", "d")
    if not (c.at_short() or c.at_op("\u2300")):
        return None
    spec = kind.given(SHORT[c.tok.text])
    if spec is None:
        return None
    start = c.advance().start
    return READERS[spec.takes](c, spec, start)


def _no_such_given(c: Cursor, kind: Kind) -> NoReturn:
    token = c.tok
    words = [g.word for g in kind.givens if g.written]
    if token.kind == "word":
        if token.text in SIDES:
            raise refusal("stray_side", token.start, token.end, found=token.text)
        raise refusal(
            "unknown_given", token.start, token.end,
            kind=kind.word, found=c.text[token.start : token.end], expected=words, nearest=nearest_words(token.text, words),
        )  # fmt: skip
    things_first = bool(kind.givens) and kind.givens[0].takes == "things"
    c.fail(*(["a place or a figure"] if things_first else []), *words)


def _given(c: Cursor, word: str, start: int, *arguments: Argument) -> Given:
    found = sides(c)
    return Given(word, arguments, found, start, c.last)


def _chooser(c: Cursor) -> Given:
    token = c.advance()
    return _given(c, token.text, token.start, place(c) if token.text == "near" else number(c))


def _lying_on(c: Cursor, spec: GivenSpec, start: int) -> list[Given]:
    name = c.name()
    if c.take_word("at"):
        return [_given(c, "place", start, OnAt(name, direction(c)))]
    return [_given(c, spec.word, start, name)]


def _direction_from(c: Cursor, spec: GivenSpec, start: int) -> list[Given]:
    way = direction(c)
    c.need_word("from")
    return [_given(c, spec.word, start, way, place(c))]


def _bare_place(c: Cursor) -> Given:
    """Coordinates, or a distance from something: ``120 from P1``, ``30 from L1 left``."""
    start = c.tok.start
    value = place_or_number(c)
    if isinstance(value, NamedPlace) and c.at_word("from"):
        value = Named(value.name)
    if isinstance(value, PLACES):
        return _given(c, "place", start, value)
    if c.take_word("from"):
        return _given(c, "from", start, value, thing(c))
    c.fail(", and a y", "at and a direction", "from and a place or a line")


def _place(c: Cursor, spec: GivenSpec, start: int) -> list[Given]:
    if spec.word == "centre" and c.at_word("on"):
        c.advance()
        name = c.name()
        if not c.take_word("at"):
            return [_given(c, "centre on", start, name)]
        return [_given(c, "centre", start, OnAt(name, direction(c)))]
    bare = spec.word == "to"
    return [_given(c, spec.word, start, place(c, bare))]


def _stop(c: Cursor, spec: GivenSpec, start: int) -> list[Given]:
    """``from PLACE``, ``from start``, ``to end``: of the figure that is cut."""
    if c.at_word("start", "end") and c.peek().text != "of":
        return [Given(spec.word, (), (c.advance().text,), start, c.last)]
    if c.tok.kind == "end":
        c.fail("start", "end", "a place")
    return [_given(c, spec.word, start, place(c))]


def _places(c: Cursor, spec: GivenSpec, start: int) -> list[Given]:
    """One given for each place: ``through P1 P2; 40, 25``."""
    givens = [_given(c, spec.word, start, place(c))]
    while c.at_op(";") or (c.at_place() and not c.at_size()):
        c.take_op(";")
        givens.append(_given(c, spec.word, c.tok.start, place(c)))
    return givens


def _pair(c: Cursor, spec: GivenSpec, start: int) -> list[Given]:
    first = place(c)
    c.take_op(";")
    return [_given(c, spec.word, start, first, place(c))]


def _two_things(c: Cursor, spec: GivenSpec, start: int) -> list[Given]:
    first = thing(c)
    c.take_op(";")
    return [_given(c, spec.word, start, first, thing(c))]


def _number(c: Cursor, spec: GivenSpec, start: int) -> list[Given]:
    return [_given(c, spec.word, start, number(c))]


def _direction(c: Cursor, spec: GivenSpec, start: int) -> list[Given]:
    return [_given(c, spec.word, start, direction(c))]


def _size(c: Cursor, spec: GivenSpec, start: int) -> list[Given]:
    """``40, 25``, or as one says it: ``40 x 25``."""
    first = number(c)
    if not c.take_op(",", "..", "\u00d7"):
        if not c.part("x"):
            c.fail(", and the other one")
        c.advance()
    return [_given(c, spec.word, start, first, number(c))]


def _range(c: Cursor, spec: GivenSpec, start: int) -> list[Given]:
    first = direction(c)
    c.need_word("to")
    return [_given(c, spec.word, start, first, direction(c))]


def _figure(c: Cursor, spec: GivenSpec, start: int) -> list[Given]:
    which: tuple[str, ...] = ()
    if spec.word == "continuing" and c.at_word("start", "end"):
        which = (c.advance().text,)
        c.need_word("of")
    name = c.name()
    return [Given(spec.word, (name,), which + sides(c), start, c.last)]


def _figures(
    c: Cursor, spec: GivenSpec, start: int, whole: bool = False, members: bool = False, copies: Kind | None = None
) -> list[Given]:
    """One given for each figure, each with its own side words: ``touching L1 left C2 enclosing``. ``whole`` refuses edges."""
    givens: list[Given] = []
    while not givens or (not c.at_size() and goes_on(c) and not (copies and (_at_copies(c, copies) or _at_given(c, copies)))):
        c.take_op(";")
        start = start if not givens else c.tok.start
        if whole and c.at_edge():
            outline = c.peek(3)
            raise refusal("whole_figure", c.tok.start, outline.end, name=c.text[outline.start : outline.end])
        touched: Place | Argument = thing(c)
        touched = touched.name if isinstance(touched, NamedPlace) else touched
        # A name that was read just now stands at the end of those that were.
        found = c.members(touched) if members and isinstance(touched, Name) and touched in c.uses[-2:] else None
        if found is not None and isinstance(touched, Name):
            others = tuple(Name(name, touched.start, touched.end) for name in found.members)
            named = others if found.instead else (touched,)
            givens.append(Given(spec.word, named, (), start, c.last, () if found.instead else others))
            continue
        givens.append(_given(c, spec.word, start, touched))
    return givens


def _at_given(c: Cursor, kind: Kind) -> bool:
    """Whether a given of the kind begins here, by a word that could be a name, too."""
    return c.tok.kind == "word" and any(g.word == c.tok.text for g in kind.givens if g.written)


def _is_name_here(c: Cursor, kind: Kind) -> bool:
    """Whether a word of the kind that figures may bear as a name, too, is one here: where an equals sign or a dot says so."""
    return c.peek().text == "." and kind.givens[0].takes == "things"


def _thing(c: Cursor, spec: GivenSpec, start: int) -> list[Given]:
    return [_given(c, spec.word, start, thing(c))]


def _none(c: Cursor, spec: GivenSpec, start: int) -> list[Given]:
    return [Given(spec.word, (), (), start, c.last)]


def _flats(c: Cursor, spec: GivenSpec, start: int) -> list[Given]:
    c.need_word("flats")
    return [_given(c, "across flats", start, number(c))]


def _copies(c: Cursor, spec: GivenSpec, start: int) -> list[Given]:
    """``12 times``, ``5 by 3``; also ``times 12``."""
    worded = c.tok.start != start
    first = number(c)
    if c.take_word("by"):
        return [_given(c, spec.word, start, first, number(c))]
    if not worded:
        c.need_word("times", "by")
    return [_given(c, spec.word, start, first)]


def _at_copies(c: Cursor, kind: Kind) -> bool:
    """Whether the number of copies stands here: the number stands before its word."""
    if kind.given("times") is None:
        return False
    named = c.at_name() and c.peek().text in ("times", "by") and c.peek(2).kind != "num"
    return c.tok.kind == "num" or c.at_op("(") or named


def _steps(c: Cursor, spec: GivenSpec, start: int) -> list[Given]:
    """``step 20, 0``, ``step 20, 0; 0, 15``, ``step 20 at 30``."""
    offsets = [_one_offset(c)]
    if c.take_op(";"):
        offsets.append(_one_offset(c))
    return [_given(c, spec.word, start, *offsets)]


def _one_offset(c: Cursor) -> Coordinates | Polar:
    found = place(c)
    if not isinstance(found, Coordinates | Polar):
        c.fail(", and how far up", "at and a direction")
    return found


def _offset(c: Cursor, spec: GivenSpec, start: int) -> list[Given]:
    """``by 40, 0``, ``by 20 at 30``."""
    return [_given(c, spec.word, start, _one_offset(c))]


def _one_or_two_things(c: Cursor, spec: GivenSpec, start: int) -> list[Given]:
    """``in L1``, ``in P1 P2``."""
    things = [thing(c)]
    if c.take_op(";") or c.at_place():
        things.append(thing(c))
    return [_given(c, spec.word, start, *things)]


def _axis(c: Cursor, spec: GivenSpec, start: int) -> list[Given]:
    """``axis of E1``, ``axis 2 of E1``."""
    which = Plain(1.0) if c.at_word("of") else number(c)
    c.need_word("of")
    return [Given(spec.word, (which, c.name()), (), start, c.last)]


def _at_corner(c: Cursor, kind: Kind) -> bool:
    """Whether a corner of an outline stands where a verb takes figures."""
    return kind.edges and c.at_word("corner")


def _cut(c: Cursor, spec: GivenSpec, start: int) -> list[Given]:
    """``by 5``, ``by 5; 8``, ``by 5 at 30``."""
    first = number(c)
    if c.take_word("at"):
        return [_given(c, f"{spec.word} at", start, first, direction(c))]
    if c.take_op(";"):
        return [_given(c, spec.word, start, first, number(c))]
    return [_given(c, spec.word, start, first)]


def _curve(c: Cursor, spec: GivenSpec, start: int) -> list[Given]:
    """``curve to PLACE``, ``curve via PLACE to PLACE``, ``curve radius 18 left to PLACE``, ``curve along E1 to PLACE``."""
    c.part("r", "d")
    which = SHORT[c.advance().text] if c.at_short() and c.tok.text == "r" else c.need_word("to", "via", "radius", "along")
    if which == "along":
        name = c.name()
        c.need_word("to")
        return [_given(c, "curve along", start, name, place(c))]
    if which == "to":
        return [_given(c, "curve to", start, place(c, True))]
    if which == "via":
        via = place(c)
        c.need_word("to")
        return [_given(c, "curve via", start, via, place(c, True))]
    radius = number(c)
    found = sides(c)
    c.need_word("to")
    end = place(c, True)
    return [Given("curve radius", (radius, end), found + sides(c), start, c.last)]


READERS: dict[str, Callable[[Cursor, GivenSpec, int], list[Given]]] = {
    "place": _place,
    "stop": _stop,
    "places": _places,
    "two places": _pair,
    "two things": _two_things,
    "one or two things": _one_or_two_things,
    "offset": _offset,
    "thing": _thing,
    "figure": _figure,
    "figures": _figures,
    "distance from": _number,
    "length": _number,
    "factor": _number,
    "count": _number,
    "pair": _size,
    "flats": _flats,
    "direction": _direction,
    "direction from": _direction_from,
    "lying on": _lying_on,
    "turn": _direction,
    "turns": _range,
    "curve": _curve,
    "axis": _axis,
    "cut": _cut,
    "copies": _copies,
    "steps": _steps,
    "things": _thing,
    "way": way,
    "compared": _none,
    "unit": _none,
    "words": words,
    "two words": two_words,
    "choice": choice,
    "scale": scale,
    "spot": _size,
    "nothing": _none,
}
"""How what a given takes is read."""
