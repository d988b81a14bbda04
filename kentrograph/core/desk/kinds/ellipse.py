"""Ellipses: the centre, then the end of an axis, then how wide."""

import re
from collections.abc import Iterator
from math import atan2, degrees, pi

from ...book.book import Book
from ...book.values import StepResult
from ...figures import Ellipse
from ...tolerance import SPOT_SHARE
from ...units import plain
from ..handles.handle import Handle, Pull, Rows, from_base, is_length, length_text, turn_text, turned_text
from ..handles.typed import Typed
from ..pointer import Pointer
from ..pointing import rounded
from .facet import Click, Facet


def _rows(c: Click) -> list[str]:
    if c.has & {"axis", "across"} and not c.has & {"other", "ratio", "through"}:
        # Through what is special; else as wide as the pointer is away from the axis.
        return [f"through {c.place}", *_other(c)] if c.special else [*_other(c), f"through {c.place}"]
    return [f"axis {c.place}" if "centre" in c.has else f"centre {c.place}"]


def _other(c: Click) -> list[str]:
    """The other half axis: how far the place is from the first, in round numbers where it is no special one."""
    trial = c.read(f"other 1{c.book.suffix}").value
    figure = trial.figure if isinstance(trial, StepResult) else None
    if not isinstance(figure, Ellipse):
        return []
    away = abs(figure.to_own(c.pointed.at.x, c.pointed.at.y)[1])
    if away <= SPOT_SHARE * c.pointer.reach:
        # On the axis itself.
        return []
    return [f"other {plain(away if c.special else rounded(c.pointer, away), 12)}{c.book.suffix}"]


_PAIR = re.compile(r"(\w+)\s+(.+?)\s*(?:,|\.\.)\s*(.+)", re.DOTALL)


def _handles(typed: Typed, value: StepResult) -> Iterator[Handle]:
    """The ends of its axes state their lengths, the first one the turn as well; the ends of a part its directions."""
    ellipse, numbers = value.figure, typed.numbers
    assert isinstance(ellipse, Ellipse)
    if "axes" in numbers:
        n = numbers["axes"]
        pair = _PAIR.fullmatch(typed.texts[n])
        assert pair is not None
        turning = "turned" in numbers

        def first(book: Book, pointer: Pointer) -> Rows | None:
            dx, dy, away = from_base(ellipse.centre, pointer)
            text = length_text(book, away if turning else abs(ellipse.to_own(pointer.x, pointer.y)[0]), pointer)
            rows: Rows = {n: f"axes {text}, {pair[3]}"}
            if turning:
                rows[numbers["turned"]] = turned_text(book, dx, dy, pointer)
            return rows if is_length(book, text) else None

        def second(book: Book, pointer: Pointer) -> Rows | None:
            text = length_text(book, abs(ellipse.to_own(pointer.x, pointer.y)[1]), pointer)
            return {n: f"axes {pair[2]}, {text}"} if is_length(book, text) else None

        yield typed.handle(ellipse.at(0.0), first, "axes", *(("turned",) if turning else ()))
        yield typed.handle(ellipse.at(pi / 2.0), second, "axes")
    if "ratio" in numbers:

        def ratio(_: Book, pointer: Pointer) -> Rows | None:
            share = round(abs(ellipse.to_own(pointer.x, pointer.y)[1]) / ellipse.a, 2)
            return {numbers["ratio"]: f"ratio {share:g}"} if share > 0.0 else None

        yield typed.handle(ellipse.at(pi / 2.0), ratio, "ratio")
    if "part" in numbers:
        yield typed.handle(ellipse.start, _part(ellipse, numbers["part"], True), "part")
        yield typed.handle(ellipse.end, _part(ellipse, numbers["part"], False), "part")


def _part(ellipse: Ellipse, n: int, from_start: bool) -> Pull:
    """The direction, counted from the first axis, of the end that is pulled; the other one stays."""

    def pull(_: Book, pointer: Pointer) -> Rows | None:
        u, v = ellipse.to_own(pointer.x, pointer.y)
        pulled = turn_text(degrees(atan2(v, u)) % 360.0, pointer)
        other = ellipse.begin + ellipse.sweep if from_start else ellipse.begin
        kept = f"{round(ellipse.direction_at(other), 9):g}"
        return {n: f"part {pulled} to {kept}" if from_start else f"part {kept} to {pulled}"}

    return pull


FACET = Facet(_rows, _handles)
