"""Changing a drawing: one transaction a change, refused on a stale base, logged, announced to every worker."""

from collections.abc import Callable
from contextlib import AbstractContextManager, nullcontext
from dataclasses import dataclass
from typing import Any, Literal
from uuid import UUID

from sqlalchemy import event, func, select
from sqlalchemy.orm import Session

from ..core.book.book import Book
from ..core.book.edits import Edit
from ..core.language.codec import edit_data, edit_from, header_data
from ..core.language.naming import edited_in_full
from ..core.problem import refuse
from .announce import announce
from .backings import convert_backing
from .books import current_book
from .cache import BookCache
from .drawings import get_drawing
from .errors import NoRevision, StaleBase
from .rows import log_change, write_difference
from .tables import Change, Drawing

Make = Callable[[Book], tuple[Edit, str]]
Alone = Callable[[], AbstractContextManager[None]]


@dataclass(frozen=True, slots=True)
class State:
    """A drawing at a revision, with what undo and redo would take back (None where there is nothing)."""

    id: UUID
    name: str
    revision: int
    book: Book
    undo: str | None
    redo: str | None


def current_state(session: Session, cache: BookCache, id: UUID) -> State:
    """A drawing as it stands."""
    row = get_drawing(session, id)
    return _state(session, row, current_book(session, cache, row))


def change(
    session: Session, cache: BookCache, id: UUID, base: int | None, author: str, make: Make, alone: Alone = nullcontext
) -> State:
    """Does one change. ``base`` is the revision it was made against; None means whatever stands. ``alone`` keeps others off while
    the book is worked with: what is kept and shared with it (its index, its findings) is for one at a time.

    Raises `StaleBase`, `NoDrawing`, and `Refused` for an edit that the book will not take. The caller commits.
    """
    row = _locked(session, id, base)
    before = current_book(session, cache, row)
    with alone():
        edit, label = make(before)
        after, edit, inverse = edited_in_full(before, edit)
    revision = row.revision + 1
    log_change(session, id, revision, author, label, "do", None, edit_data(edit), edit_data(inverse), revision, None)
    return _finish(session, cache, row, before, after)


def undo(session: Session, cache: BookCache, id: UUID, base: int | None, author: str, alone: Alone = nullcontext) -> State:
    """Takes back the last change that is not taken back yet. Raises `Refused` (nothing_to_undo)."""
    row = _locked(session, id, base)
    now = _change(session, id, row.revision)
    if now.next_undo is None:
        raise refuse("nothing_to_undo")
    target = _change(session, id, now.next_undo)
    below = _change(session, id, target.revision - 1).next_undo
    return _again(session, cache, row, author, alone, "undo", target, target.inverse, target.edit, (below, row.revision + 1))


def redo(session: Session, cache: BookCache, id: UUID, base: int | None, author: str, alone: Alone = nullcontext) -> State:
    """Does again what was taken back last. Raises `Refused` (nothing_to_redo)."""
    row = _locked(session, id, base)
    now = _change(session, id, row.revision)
    if now.next_redo is None:
        raise refuse("nothing_to_redo")
    undone = _change(session, id, now.next_redo)
    assert undone.target is not None
    below = _change(session, id, undone.revision - 1).next_redo
    return _again(session, cache, row, author, alone, "redo", undone, undone.inverse, undone.edit, (undone.target, below))


def _again(
    session: Session, cache: BookCache, row: Drawing, author: str, alone: Alone, kind: Literal["undo", "redo"],
    of: Change, edit: Any, inverse: Any, following: tuple[int | None, int | None],
) -> State:  # fmt: skip
    """Takes back, or does again, what the change ``of`` did; ``following`` is what undo and redo would take then."""
    before = current_book(session, cache, row)
    with alone():
        after, _ = before.edited(edit_from(edit))
    target = of.revision if kind == "undo" else of.target
    log_change(session, row.id, row.revision + 1, author, of.label, kind, target, edit, inverse, *following)
    return _finish(session, cache, row, before, after)


def state_at(session: Session, cache: BookCache, id: UUID, revision: int) -> Book:
    """The book as it was at an earlier revision: every later change taken back. Raises `NoRevision`."""
    row = get_drawing(session, id)
    if not 0 <= revision <= row.revision:
        raise NoRevision(f"The drawing has the revisions 0 to {row.revision}.", revision=revision, newest=row.revision)
    book = current_book(session, cache, row)
    later = session.scalars(
        select(Change).where(Change.drawing_id == id, Change.revision > revision).order_by(Change.revision.desc())
    )
    for one in later:
        book, _ = book.edited(edit_from(one.inverse))
    return book


def author_of(session: Session, id: UUID, revision: int) -> str:
    """Who made a revision. Raises `NoRevision`."""
    row = session.get(Change, (id, revision))
    if row is None:
        raise NoRevision(f"The drawing has no revision {revision}.", revision=revision, newest=revision)
    return row.author


def _locked(session: Session, id: UUID, base: int | None) -> Drawing:
    row = get_drawing(session, id, lock=True)
    if base is not None and base != row.revision:
        raise StaleBase("The drawing was changed elsewhere meanwhile.", base=base, revision=row.revision)
    return row


def _finish(session: Session, cache: BookCache, row: Drawing, before: Book, after: Book) -> State:
    write_difference(session, row.id, before, after)
    row.revision += 1
    row.header = header_data(after.header)
    row.changed_at = func.now()
    if after.header.manner.unit != before.header.manner.unit:
        convert_backing(session, row.id, before.header.manner.unit, after.header.manner.unit)
    announce(session, row.id, str(row.revision))
    session.flush()
    state = _state(session, row, after)
    # Kept only once it is committed: a revision that was rolled back must not be found in the cache.
    event.listen(session, "after_commit", lambda _: cache.put(state.id, state.revision, after), once=True)
    return state


def _state(session: Session, row: Drawing, book: Book) -> State:
    now = _change(session, row.id, row.revision)
    undo_label = _change(session, row.id, now.next_undo).label if now.next_undo is not None else None
    redo_label = _change(session, row.id, now.next_redo).label if now.next_redo is not None else None
    return State(row.id, row.name, row.revision, book, undo_label, redo_label)


def _change(session: Session, id: UUID, revision: int) -> Change:
    return session.get_one(Change, (id, revision))
