"""A phrase that was begun by typing and is finished by pointing: `foot`, `12 past`, `P1.x,`, `through` and a click.

What is typed asks for one kind of place for just this once, whether that kind is on or not.
"""

import re
from dataclasses import replace
from math import hypot

from ..angles import direction_of
from ..book.book import Book
from ..book.kinds import STATEMENT_KINDS
from ..book.kinds.touching import SIZES
from ..figures import Outline, Point
from ..language.vocabulary import PARTS
from ..snap.kinds import KINDS as PLACE_KINDS
from ..snap.sight_lines import coordinate
from ..units import plain
from .draft import Draft
from .kinds.facet import figure_under
from .pointer import Pointer
from .pointing import Pointed, own_last, places_at, rounded

_MOST = 6
_WIDER = 4.0
"""Where one kind is asked for, nothing else is in the way: the pointer need not be so near."""
_ASKED: dict[str, frozenset[str]] = {
    **{kind.word: frozenset({kind.key}) for kind in PLACE_KINDS.values()},
    "start": frozenset({"end"}), "end": frozenset({"end"}), "corner": frozenset({"end"}),
    "middle": frozenset({"middle", "area"}), "box middle": frozenset({"area"}),
    "crossing": frozenset({"crossing", "onward", "sights"}), "plumb": frozenset({"level"}),
    "sights": frozenset({"sights", "level", "past", "beside"}),
    "on": frozenset({"nearest", "quarter"}),
}  # fmt: skip
"""The kinds of place that a word asks for."""


def phrases(book: Book, draft: Draft, text: str, index: int, pointer: Pointer, places: list[Pointed]) -> list[str]:
    """The rows that the text could become with what is under the pointer, likeliest first; not all of them can be read.

    A row that ends with a comma waits for another place.
    """
    typed = text.strip()
    if typed.lower() == "x":
        return [f"{coordinate(p.words, 'x')}," for p in places if p.kind]
    if typed.endswith(","):
        return [f"{typed} {coordinate(p.words, 'y')}" for p in places if p.kind]
    if typed.startswith(":"):
        # Beside a place: so far across and up from it, or so far in a direction.
        return [f"{p.words}: {typed[1:].strip()}" for p in places if p.kind]
    rows = [*_first_of_two(book, draft, typed, places), *_measured(book, draft, typed, index, pointer, places[0])]
    asked = _asked(typed.lower())
    if asked and typed.lower() not in _givens(draft):
        head = typed[: len(typed) - len(asked)]
        wider = replace(pointer, reach=_WIDER * pointer.reach)
        found = places_at(book, wider, _MOST, draft, index, _ASKED[asked])[:-1]
        if asked == "sights":
            # Where they cross, and not along one of them.
            found = [p for p in found if p.kind == "sights"]
        # `start` asks for an end, and for a start before that.
        found.sort(key=lambda p: not p.words.startswith(asked))
        rows.extend(f"{head}{p.words}" for p in found)
        rows.extend(_first_of_crossing(book, head, asked, places))
    rows.extend(_second_of_crossing(typed, places))
    rows.extend(f"{typed} {place.words}" for place in places)
    # Of an outline the edge there is meant, before the whole of it.
    edges = (figure_under(book, p)[1] for p in places if isinstance(book.figure_of(p.figure), Outline))
    rows.extend(f"{typed} {edge}" for edge in dict.fromkeys(edges))
    for id in dict.fromkeys(p.figure for p in places if p.figure and not isinstance(book.figure_of(p.figure), Point)):
        name = book.name_of(id)
        if asked in ("foot", "touch"):
            rows.extend(f"{typed} on {name}{side}" for side in ("", " left", " right"))
        nearer = _nearer_end(book, id, pointer)
        rows.extend([f"{typed} {name}{' from end' if nearer == 'end' else ''}", f"{typed} {name}", f"{typed} of {name}"])
        rows.append(f"{typed} {nearer} of {name}")
    return list(dict.fromkeys(rows))


def _first_of_two(book: Book, draft: Draft, typed: str, places: list[Pointed]) -> list[str]:
    """The word of a given that takes two things, with the first of them: it waits for the other."""
    given = STATEMENT_KINDS[draft.kind].given(typed.lower()) if draft.kind in STATEMENT_KINDS else None
    if given is None or given.word != typed.lower() or given.takes not in ("two places", "two things"):
        return []
    lines = [p.figure for p in places if p.figure and not p.special] if given.takes == "two things" else []
    return [*(f"{typed} {book.name_of(id)};" for id in dict.fromkeys(lines)), *(f"{typed} {p.words};" for p in places)]


def _first_of_crossing(book: Book, head: str, asked: str, places: list[Pointed]) -> list[str]:
    """A word for what lies beyond, with the first of the two that lead there; it waits for the other: `level P1`, `onward L1`."""
    if asked in ("level", "plumb"):
        return [f"{head}crossing of ({asked} {p.words});" for p in places if p.kind]
    if asked in ("onward", "crossing"):
        figures = dict.fromkeys(p.figure for p in places if p.figure and not isinstance(book.figure_of(p.figure), Point))
        return [f"{head}crossing of {book.name_of(id)};" for id in figures]
    return []


def _second_of_crossing(typed: str, places: list[Pointed]) -> list[str]:
    """The other one, where it is a place: level with the first is crossed plumb with this one."""
    found = re.search(r"crossing of \((level|plumb)\s.*;$", typed, re.IGNORECASE)
    other = {"level": "plumb", "plumb": "level"}.get(found[1].lower()) if found else None
    return [f"{typed} ({other} {p.words})" for p in places if p.special] if other else []


def _measured(book: Book, draft: Draft, typed: str, index: int, pointer: Pointer, place: Pointed) -> list[str]:
    """The word of a given that takes a length or a direction: that of the figure pointed at, or as far as the place.

    A circle about a centre goes through a special place, which then holds it.
    """
    word = typed.lower()
    given = STATEMENT_KINDS[draft.kind].given(word) if draft.kind in STATEMENT_KINDS else None
    if given is None or given.word != word or given.takes not in ("length", "direction"):
        return []
    part = [f"{typed} {book.name_of(place.figure)}.{word}"] if place.figure is not None and word in PARTS else []
    last = own_last(book, draft, index)
    if last is None:
        return part
    dx, dy = place.at.x - last.x, place.at.y - last.y
    if given.takes == "direction":
        shown = book.writing.direction_from_core(direction_of(dx, dy))
        number = plain(shown if place.special else round(shown) % 360, 9)
    else:
        away = hypot(dx, dy) / SIZES.get(word, 1.0)
        number = f"{plain(away if place.special else rounded(pointer, away), 12)}{book.suffix}"
    held = place.special and word in SIZES and STATEMENT_KINDS[draft.kind].given("through")
    through = [f"through {place.words}"] if held else []
    rows = [*through, f"{typed} {number}"]
    return [*rows, *part] if place.special else [*part, *rows]


def _asked(typed: str) -> str:
    """The word for a kind of place that the text ends with."""
    found = [word for word in _ASKED if typed == word or typed.endswith(f" {word}")]
    return max(found, key=len, default="")


def _givens(draft: Draft) -> set[str]:
    kind = STATEMENT_KINDS.get(draft.kind)
    return {given.word for given in kind.givens} if kind else set()


def _nearer_end(book: Book, id: str, pointer: Pointer) -> str:
    """Which end of a figure the pointer is nearer to; the start of one that has no ends."""
    figure = book.figure_of(id)
    start, end = getattr(figure, "start", None), getattr(figure, "end", None)
    if not isinstance(start, Point) or not isinstance(end, Point):
        return "start"
    return "end" if _away(end, pointer) < _away(start, pointer) else "start"


def _away(at: Point, pointer: Pointer) -> float:
    return hypot(at.x - pointer.x, at.y - pointer.y)
