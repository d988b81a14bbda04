"""Drawings: make, rename, duplicate, delete and bring back."""

from dataclasses import dataclass
from datetime import datetime
from typing import NamedTuple
from uuid import UUID, uuid4

from sqlalchemy import func, select, text, update
from sqlalchemy.orm import Session

from ..core.book.book import Book
from ..core.language.codec import header_data
from ..core.language.script import book_of, read_script
from .announce import DELETED, RENAMED, RESTORED, announce
from .errors import NoDrawing, StoreError
from .people import Known
from .pictures import keep_picture
from .rights import May, share
from .rows import insert_steps
from .tables import Change, Drawing

LONGEST_NAME = 200
WAITS = "200ms"
"""How long a transaction waits for a drawing that another worker is changing, before it gives its connection back."""


@dataclass(frozen=True, slots=True)
class Listed:
    """A drawing as the shelf shows it. ``may`` is what the client may do with it; ``pictured`` the revision of its picture."""

    id: UUID
    name: str
    revision: int
    changed_at: datetime
    may: str
    owners: list[str]
    pictured: int | None


def get_drawing(session: Session, id: UUID, lock: bool = False) -> Drawing:
    """A drawing's row. Raises `NoDrawing`."""
    query = select(Drawing).where(Drawing.id == id, Drawing.deleted_at.is_(None))
    if lock:
        session.execute(text(f"set local lock_timeout = '{WAITS}'"))
        query = query.with_for_update()
    row = session.scalar(query)
    if row is None:
        raise NoDrawing("There is no such drawing; it may have been deleted.", id=str(id))
    return row


class Made(NamedTuple):
    """A drawing that is new, and its book."""

    listed: Listed
    book: Book


def create_drawing(session: Session, name: str, person: Known, book_text: str = "") -> Made:
    """A new drawing, empty or with the steps of a text, owned by who makes it. Raises `StoreError` for what will not do."""
    script = read_script(book_text)
    if script.misread:
        first = script.misread[0]
        raise StoreError(f"Line {first.line} of the text could not be read.", line=first.line, kind=first.problem.kind)
    return store_drawing(session, checked_name(name), book_of(script), person, f"new drawing {name}")


def duplicate_drawing(session: Session, id: UUID, book: Book, person: Known) -> Made:
    """A copy of a drawing with this book, with a history of its own, owned by who makes it."""
    original = get_drawing(session, id)
    return store_drawing(session, _free_name(session, original.name), book, person, f"copy of {original.name}")


def rename_drawing(session: Session, id: UUID, name: str) -> str:
    """Gives a drawing another name; the one that it had."""
    row = get_drawing(session, id, lock=True)
    before, row.name = row.name, checked_name(name)
    announce(session, id, RENAMED)
    return before


def delete_drawing(session: Session, id: UUID) -> None:
    """Takes a drawing from the shelf; `restore_drawing` brings it back."""
    get_drawing(session, id, lock=True).deleted_at = func.now()
    announce(session, id, DELETED)


def restore_drawing(session: Session, id: UUID) -> None:
    """Brings a deleted drawing back as it was."""
    session.execute(update(Drawing).where(Drawing.id == id).values(deleted_at=None))
    announce(session, id, RESTORED)


def checked_name(name: str) -> str:
    """The name without blanks around it. Raises `StoreError` for an empty or a very long one."""
    kept = " ".join(name.split())
    if not kept or len(kept) > LONGEST_NAME or "\x00" in kept:
        raise StoreError(f"A name has 1 to {LONGEST_NAME} characters.", length=len(kept))
    return kept


def store_drawing(session: Session, name: str, book: Book, person: Known, label: str) -> Made:
    """Keeps a book as a drawing of its own."""
    # By the clock, not by the transaction: of several that are made in one the order is known.
    now = func.clock_timestamp()
    row = Drawing(id=uuid4(), name=name, revision=0, header=header_data(book.header), created_at=now, changed_at=now)
    session.add(row)
    session.flush()
    insert_steps(session, row.id, book)
    nothing = {"op": "several", "edits": []}
    session.add(Change(drawing_id=row.id, revision=0, author=person.name, label=label, act="do", edit=nothing, inverse=nothing))
    session.flush()
    keep_picture(session, row.id, 0, book)
    share(session, row.id, "person", person.id, May.OWN)
    session.refresh(row)
    return Made(Listed(row.id, row.name, row.revision, row.changed_at, "own", [person.name], 0), book)


def _free_name(session: Session, name: str) -> str:
    taken = set(session.scalars(select(Drawing.name).where(Drawing.deleted_at.is_(None))))
    stem = f"{name[: LONGEST_NAME - 12]} (copy"
    if f"{stem})" not in taken:
        return f"{stem})"
    number = 2
    while f"{stem} {number})" in taken:
        number += 1
    return f"{stem} {number})"
