"""What would put a loose end right, tried before it is offered: an end snapped, a double struck, a line carried on.

An offer is the edit that a person would make: nothing is offered that does not make the finding go away.
"""

from collections.abc import Iterator, Sequence
from dataclasses import dataclass, replace

from ..book.book import Book
from ..book.caches import Kept
from ..book.edits import Edit, Insert, Several
from ..book.kinds import STATEMENT_KINDS
from ..book.values import StepResult
from ..checks.finding import Finding, Place
from ..checks.loose_ends import around_an_edit, loose_ends
from ..figures import Line, Outline
from ..measure.distance_to import distance_to
from ..problem import Refused, refusal
from ..snap.kinds import KINDS as PLACE_KINDS
from ..tolerance import SPOT_SHARE
from .intents import mend, take_away, write
from .pointer import Pointer, Snapping
from .pointing import exactly_at
from .pulling import handles, pulled

_PLACES = frozenset({"point", "end", "centre", "crossing", "middle"}) & PLACE_KINDS.keys()
"""The kinds of place to which an end is snapped."""


@dataclass(frozen=True, slots=True)
class Offer:
    """What would put a finding right: in words, and the edit."""

    words: str
    edit: Edit


def offer_for(book: Book, finding: Finding, limit: float) -> Offer | None:
    """The first thing tried that makes a finding go away, and no new one come; None where there is no honest one."""
    kept = _OFFERS.of(book)
    key = (finding.key, limit)
    if key not in kept:
        kept[key] = next(_good(book, finding, limit), None)
    return kept[key]


_OFFERS: Kept[dict[tuple[str, float], Offer | None]] = Kept(dict)


def _good(book: Book, finding: Finding, limit: float) -> Iterator[Offer]:
    for words, edit in _tried(book, finding, limit):
        try:
            after, _ = book.edited(edit)
        except Refused:
            continue
        if any(
            isinstance(book.values.get(id), StepResult) and not isinstance(after.values[id], StepResult) for id in after.changed
        ):
            # Something else would wait.
            continue
        had, have = around_an_edit(book, after, limit)
        if finding.key in had and finding.key not in have and have <= had:
            yield Offer(words, edit)


def _tried(book: Book, finding: Finding, limit: float) -> Iterator[tuple[str, Edit]]:
    """What a person would try, in that order."""
    first, second = finding.first, finding.second
    if second is None:
        return
    match finding.kind:
        case "ends" | "beside":
            pairs = [(first, second)] if second.what == "body" else _later_first(book, first, second)
            if second.what == "body" and first.what in ("start", "end"):
                yield from _carried_on(book, first, second)
            for moved, onto in pairs:
                yield from _snapped(book, moved, onto)
        case "open":
            yield from _snapped(book, first, second)
            step = book.steps[book.step_of(first.figure)]
            kind = STATEMENT_KINDS.get(step.statement.kind)
            if kind is not None and kind.given("within") and not any(g.word == "within" for g in step.statement.givens):
                edit, _ = mend(book, step.id, f"{step.statement.text} within {finding.amount * 1.01:.1g}")
                yield f"Close {step.name}", edit
        case "double":
            for extra, beneath in _later_first(book, first, second):
                if _covers(book, beneath.figure, extra.figure, finding.amount) and not book.users_of(book.step_of(extra.figure)):
                    edit, _ = take_away(book, [extra.figure], "settled")
                    yield f"Strike {book.name_of(extra.figure)}", edit


def _later_first(book: Book, one: Place, other: Place) -> list[tuple[Place, Place]]:
    """A pair both ways: the figure that was drawn later gives way first."""
    position = {place.figure: book.position(book.step_of(place.figure)) for place in (one, other)}
    return [(one, other), (other, one)] if position[one.figure] >= position[other.figure] else [(other, one), (one, other)]


def _snapped(book: Book, moved: Place, onto: Place) -> Iterator[tuple[str, Edit]]:
    """The handle that holds a place, pulled onto another one, as by hand."""
    step = book.step_of(moved.figure)
    size = 1.0 + abs(moved.at.x) + abs(moved.at.y)
    kinds = _PLACES | {"nearest"} if onto.what == "body" else _PLACES
    at = exactly_at(Pointer(onto.at.x, onto.at.y, size, size, snapping=Snapping(frozenset(PLACE_KINDS) - kinds)), onto.at)
    at = replace(at, reach=SPOT_SHARE * size, pixel=SPOT_SHARE * SPOT_SHARE * size)
    for handle in handles(book, step):
        if abs(handle.at.x - moved.at.x) + abs(handle.at.y - moved.at.y) > SPOT_SHARE * size:
            continue
        found = pulled(book, handle, at)
        if found is None:
            continue
        try:
            edit, _ = mend(book, handle.step, found.text)
        except Refused:
            continue
        yield f"{book.steps[handle.step].name or 'It'} becomes: {found.becomes}", edit


def _carried_on(book: Book, end: Place, onto: Place) -> Iterator[tuple[str, Edit]]:
    """A line or an arc carried on, or taken back, to where it meets what it should."""
    name, target = book.name_of(end.figure), book.name_of(onto.figure)
    if not name or not target or isinstance(book.figure_of(end.figure), Outline):
        return
    text = f"extend {name} {end.what} to {target}"
    for sides in ("", " entering", " leaving", " left", " right"):
        try:
            edit, _ = write(book, text + sides, "settled")
        except Refused:
            continue
        yield f"E{text[1:]}{sides}", edit


def _covers(book: Book, beneath: str, extra: str, amount: float) -> bool:
    """Whether all of a figure lies on another one, but for an amount."""
    one, other = book.figure_of(beneath), book.figure_of(extra)
    curves = other.pieces if isinstance(other, Outline) else (other,)
    slack = amount + SPOT_SHARE * (1.0 + max(abs(v) for v in _spots(curves[0])[0]))
    return all(distance_to(one, x, y) <= slack for curve in curves for x, y in _spots(curve))


def _spots(curve: object) -> list[tuple[float, float]]:
    """A few places of a curve that lie on another one together only where the whole of it does."""
    if isinstance(curve, Line):
        a, b = curve.start, curve.end
        return [(a.x, a.y), (b.x, b.y)]
    start, end, centre = (getattr(curve, word, None) for word in ("start", "end", "centre"))
    if centre is not None and start is None:
        radius = getattr(curve, "radius", 0.0)
        return [(centre.x + radius, centre.y), (centre.x, centre.y + radius)]
    return [(p.x, p.y) for p in (start, end) if p is not None] or [(float("inf"), 0.0)]


def settle(book: Book, keys: Sequence[str], limit: float, id: str) -> tuple[Edit, str]:
    """The edit that puts findings right, by their keys, one after the other; those that have gone with another are left out.

    Raises `Refused` (nothing_to_settle) where none of them can be put right.
    """
    edits: list[Edit] = []
    said = ""
    for key in keys:
        finding = next((one for one in loose_ends(book, limit) if one.key == key), None)
        offer = offer_for(book, finding, limit) if finding is not None else None
        if offer is None:
            continue
        edit = _named(offer.edit, f"{id}-{len(edits)}" if len(keys) > 1 else id)
        edits.append(edit)
        said = offer.words
        book, _ = book.edited(edit)
    if not edits:
        raise refusal("nothing_to_settle")
    return (edits[0], said) if len(edits) == 1 else (Several(tuple(edits)), f"{len(edits)} loose ends")


def _named(edit: Edit, id: str) -> Edit:
    """The edit with an id of its own for the step that it writes."""
    return Insert(replace(edit.step, id=id), edit.in_front_of) if isinstance(edit, Insert) else edit
