"""Two states of a drawing compared, in words and by their figures; and an earlier one brought back as one change."""

from bisect import bisect_left
from collections.abc import Sequence
from dataclasses import dataclass
from typing import Literal

from ..book.book import Book
from ..book.edits import Delete, Edit, Insert, Move, Replace, SetHeader, Several
from ..book.manner import Header
from ..book.order import Key
from ..book.step import Step
from ..language.messages import sentence
from ..problem import Problem, refusal
from ..units import plain

What = Literal["came", "went", "changed", "followed", "moved"]


@dataclass(frozen=True, slots=True)
class Difference:
    """What became of one step between two states; what it says in the one and in the other."""

    id: str
    name: str
    what: What
    before: str
    after: str


def compared(before: Book, after: Book) -> list[Difference]:
    """What came, went or changed between two states, in the order of the later one, what went last. What says the same and is
    drawn otherwise, since something that it hangs on has changed, has *followed*."""
    found: list[Difference] = []
    if before.header != after.header:
        found.append(Difference("", "counting", "changed", _counts(before.header), _counts(after.header)))
    stays = [id for id in after.order if id in before.order]
    unmoved = _in_order([before.order.key(id) for id in stays])
    moved = {id for id, same in zip(stays, unmoved, strict=True) if not same}
    for id in after.order:
        step = after.steps[id]
        if id not in before.order:
            found.append(Difference(id, step.name, "came", "", _says(after, id)))
            continue
        one, other = _says(before, id), _says(after, id)
        if one != other:
            found.append(Difference(id, step.name, "changed", one, other))
        elif before.values[id] != after.values[id]:
            found.append(Difference(id, step.name, "followed", _held(before, id), _held(after, id)))
        elif id in moved:
            found.append(Difference(id, step.name, "moved", "", ""))
    gone = [id for id in before.order if id not in after.order]
    return found + [Difference(id, before.steps[id].name, "went", _says(before, id), "") for id in gone]


def bring_back(book: Book, header: Header, steps: Sequence[Step]) -> Edit:
    """What makes a drawing what it was: these steps in this order. Raises `Refused` (same_state) where it is that already."""
    edits: list[Edit] = [SetHeader(header)] if book.header != header else []
    wanted = {step.id: step for step in steps}
    # What has another name is written anew, once all such are gone: they may have changed names with each other.
    renamed = {id for id in book.order if id in wanted and book.steps[id].own != wanted[id].own}
    edits += [Delete(id) for id in book.order if id not in wanted or id in renamed]
    stays = [step.id for step in steps if step.id in book.order and step.id not in renamed]
    unmoved = dict(zip(stays, _in_order([book.order.key(id) for id in stays]), strict=True))
    following: str | None = None
    for step in reversed(steps):
        if step.id not in unmoved:
            edits.append(Insert(step, following))
        else:
            if book.steps[step.id] != step:
                edits.append(Replace(step))
            if not unmoved[step.id]:
                edits.append(Move(step.id, following))
        following = step.id
    if not edits:
        raise refusal("same_state")
    return Several(tuple(edits))


def _in_order(keys: Sequence[Key]) -> list[bool]:
    """Which of several can stay where they are, so that as few as possible have to move: a longest run that rises.

    Method: patience sorting (published: Fredman 1975, longest increasing subsequence).
    """
    tops: list[int] = []
    before: list[int] = []
    for n, key in enumerate(keys):
        low = bisect_left(tops, key, key=keys.__getitem__)
        before.append(tops[low - 1] if low else -1)
        tops[low : low + 1] = [n]
    stays = [False] * len(keys)
    n = tops[-1] if tops else -1
    while n >= 0:
        stays[n] = True
        n = before[n]
    return stays


def _counts(header: Header) -> str:
    """How a drawing counts, in words."""
    manner = header.manner
    turns = "clockwise" if manner.convention.clockwise else "counter-clockwise"
    datum = manner.datum
    at = f"datum {plain(datum.x, 9)}, {plain(datum.y, 9)} along {plain(datum.turn, 9)}"
    shown = f"in 1/{header.parts}" if header.parts else f"{header.decimals} decimals"
    way = "bearings" if header.bearings else f"0 {manner.convention.zero}, {turns}"
    return f"unit {manner.unit}, {shown}, {way}, {at}"


def _says(book: Book, id: str) -> str:
    """The text of a step, and what else was said of it."""
    step = book.steps[id]
    said = [step.statement.text, "hidden" if step.hidden else "", "switched off" if step.off else ""]
    return " · ".join(one for one in said if one)


def _held(book: Book, id: str) -> str:
    """Why a step is not drawn; nothing where it is."""
    value = book.values[id]
    return sentence(value) if isinstance(value, Problem) else ""
