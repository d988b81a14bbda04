"""Changing a drawing: one transaction a change, refused on a stale base, logged, announced to every worker."""

from collections.abc import Callable
from contextlib import AbstractContextManager, nullcontext
from dataclasses import dataclass
from typing import Any, Literal
from uuid import UUID

from sqlalchemy import func, select
from sqlalchemy.orm import Session

from ..core.book.book import Book
from ..core.desk.acts import Make
from ..core.language.codec import edit_data, edit_from, header_data
from ..core.language.naming import edited_in_full
from ..core.problem import refusal
from .announce import announce
from .backings import convert_backing
from .books import current_book
from .cache import BookCache
from .drawings import get_drawing
from .errors import NoRevision, TooMuch
from .history import keep_snapshot
from .merging import Own, check_base
from .rows import write_difference
from .tables import Change, Drawing

Alone = Callable[[], AbstractContextManager[None]]
MOST_STEPS = 120_000


@dataclass(frozen=True, slots=True)
class State:
    """A drawing at a revision, with what undo and redo would take back (None where there is nothing)."""

    id: UUID
    name: str
    revision: int
    book: Book
    undo: str | None
    redo: str | None
    edit: dict[str, Any] | None = None
    """What led to it from the revision before, where that was done just now."""


@dataclass(frozen=True, slots=True)
class Facts:
    """What is known of a drawing as it stands without its book."""

    name: str
    revision: int
    undo: str | None
    redo: str | None


def facts(session: Session, id: UUID) -> Facts:
    """A drawing as it stands, without its book. Raises `NoDrawing`."""
    row = get_drawing(session, id)
    return Facts(row.name, row.revision, *_labels(session, id, row.revision))


@dataclass(frozen=True, slots=True)
class Asked:
    """By whom a change is asked for, on which revision (None: whatever stands), and what they call it, if they call it something:
    a client that lost the connection asks again, and must not have it twice."""

    author: str
    base: int | None = None
    idempotency_key: str | None = None


class KeptBefore(Exception):
    """What is asked for was asked for before, and done, in that revision."""

    def __init__(self, revision: int) -> None:
        super().__init__(f"kept in revision {revision}")
        self.revision = revision


def change(session: Session, cache: BookCache, id: UUID, asked: Asked, own: Own, make: Make, alone: Alone = nullcontext) -> State:
    """Does one change. ``own`` are the steps that must be as they were in the revision it was made on; None means all.
    ``alone`` keeps others off while the book is worked with: what is kept and shared with it (its index, its findings) is for
    one at a time.

    Raises `StaleBase`, `NoDrawing`, `KeptBefore`, and `Refused` for an edit that the book will not take. The caller commits, and
    then keeps the book: a revision that was rolled back must not be found in the cache.
    """
    row = _locked(session, id, asked, own)
    before = current_book(session, cache, row)
    with alone():
        edit, label = make(before)
        after, edit, inverse = edited_in_full(before, edit)
    if len(after.order) > max(MOST_STEPS, len(before.order)):
        raise TooMuch(f"A drawing has at most {MOST_STEPS:,} steps; this would make {len(after.order):,}.")
    revision = row.revision + 1
    data = edit_data(edit)
    session.add(
        Change(
            drawing_id=id, revision=revision, author=asked.author, label=label, act="do", edit=data, inverse=edit_data(inverse),
            next_undo=revision, idempotency_key=asked.idempotency_key,
        )
    )  # fmt: skip
    return _finish(session, row, before, after, data)


def undo(session: Session, cache: BookCache, id: UUID, asked: Asked, alone: Alone = nullcontext) -> State:
    """Takes back the last change that is not taken back yet. Raises `StaleBase`, `KeptBefore`, `Refused` (nothing_to_undo)."""
    row = _locked(session, id, asked, None)
    now = _change(session, id, row.revision)
    if now.next_undo is None:
        raise refusal("nothing_to_undo")
    target = _change(session, id, now.next_undo)
    below = _change(session, id, target.revision - 1).next_undo
    return _again(session, cache, row, asked, alone, "undo", target, target.inverse, target.edit, (below, row.revision + 1))


def redo(session: Session, cache: BookCache, id: UUID, asked: Asked, alone: Alone = nullcontext) -> State:
    """Does again what was taken back last. Raises `StaleBase`, `KeptBefore`, `Refused` (nothing_to_redo)."""
    row = _locked(session, id, asked, None)
    now = _change(session, id, row.revision)
    if now.next_redo is None:
        raise refusal("nothing_to_redo")
    undone = _change(session, id, now.next_redo)
    assert undone.target is not None
    below = _change(session, id, undone.revision - 1).next_redo
    return _again(session, cache, row, asked, alone, "redo", undone, undone.inverse, undone.edit, (undone.target, below))


def _again(
    session: Session, cache: BookCache, row: Drawing, asked: Asked, alone: Alone, kind: Literal["undo", "redo"],
    of: Change, edit: Any, inverse: Any, following: tuple[int | None, int | None],
) -> State:  # fmt: skip
    """Takes back, or does again, what the change ``of`` did; ``following`` is what undo and redo would take then."""
    before = current_book(session, cache, row)
    with alone():
        after, _ = before.edited(edit_from(edit))
    target = of.revision if kind == "undo" else of.target
    session.add(
        Change(
            drawing_id=row.id, revision=row.revision + 1, author=asked.author, label=of.label, act=kind, target=target, edit=edit,
            inverse=inverse, next_undo=following[0], next_redo=following[1], idempotency_key=asked.idempotency_key,
        )
    )  # fmt: skip
    return _finish(session, row, before, after, edit)


def author_of(session: Session, id: UUID, revision: int) -> str:
    """Who made a revision. Raises `NoRevision`."""
    row = session.get(Change, (id, revision))
    if row is None:
        raise NoRevision(f"The drawing has no revision {revision}.", revision=revision, newest=revision)
    return row.author


def _locked(session: Session, id: UUID, asked: Asked, own: Own) -> Drawing:
    row = get_drawing(session, id, lock=True)
    if asked.idempotency_key is not None:
        before = session.scalar(
            select(Change.revision).where(Change.drawing_id == id, Change.idempotency_key == asked.idempotency_key)
        )
        if before is not None:
            raise KeptBefore(before)
    check_base(session, row, asked.base, own)
    return row


def _finish(session: Session, row: Drawing, before: Book, after: Book, edit: dict[str, Any]) -> State:
    write_difference(session, row.id, before, after)
    row.revision += 1
    row.header = header_data(after.header)
    row.changed_at = func.now()
    if after.header.manner.unit != before.header.manner.unit:
        convert_backing(session, row.id, before.header.manner.unit, after.header.manner.unit)
    keep_snapshot(session, row.id, row.revision, after)
    announce(session, row.id, str(row.revision))
    session.flush()
    return State(row.id, row.name, row.revision, after, *_labels(session, row.id, row.revision), edit)


def _labels(session: Session, id: UUID, revision: int) -> tuple[str | None, str | None]:
    """What undo and redo would take back or do again after a revision."""
    now = _change(session, id, revision)
    undo_label = _change(session, id, now.next_undo).label if now.next_undo is not None else None
    return undo_label, _change(session, id, now.next_redo).label if now.next_redo is not None else None


def _change(session: Session, id: UUID, revision: int) -> Change:
    return session.get_one(Change, (id, revision))
