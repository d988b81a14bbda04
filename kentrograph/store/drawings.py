"""Drawings on the shelf: list, make, rename, duplicate, delete and bring back."""

import logging
from dataclasses import dataclass
from datetime import datetime
from typing import Any
from uuid import UUID, uuid4

from sqlalchemy import func, select, update
from sqlalchemy.exc import SQLAlchemyError
from sqlalchemy.orm import Session

from ..core.book.book import Book
from ..core.language.codec import header_data
from ..core.language.script import book_of, read_script
from .announce import DELETED, RENAMED, RESTORED, announce
from .books import current_book
from .cache import BookCache
from .errors import NoDrawing, StoreError
from .pictures import picture_of
from .rows import insert_steps, load_book, log_change
from .tables import Drawing

log = logging.getLogger("kentrograph")
LONGEST_NAME = 200


@dataclass(frozen=True, slots=True)
class Listed:
    """A drawing as the shelf shows it."""

    id: UUID
    name: str
    revision: int
    changed_at: datetime
    picture: dict[str, Any]


def list_drawings(session: Session, cache: BookCache) -> list[Listed]:
    """All drawings that are not deleted, the last changed first; the picture of one that has changed is made anew."""
    rows = session.scalars(select(Drawing).where(Drawing.deleted_at.is_(None)).order_by(Drawing.changed_at.desc(), Drawing.id))
    found: list[Listed] = []
    for row in rows:
        if row.picture.get("of") != row.revision:
            try:
                row.picture = picture_of(current_book(session, cache, row), row.revision)
            except SQLAlchemyError:
                raise
            except Exception:
                # A fault of ours in one drawing must not take the shelf from everybody.
                log.exception("no picture can be made of drawing %s at revision %s", row.id, row.revision)
        found.append(_listed(row))
    return found


def get_drawing(session: Session, id: UUID, lock: bool = False) -> Drawing:
    """A drawing's row. Raises `NoDrawing`."""
    query = select(Drawing).where(Drawing.id == id, Drawing.deleted_at.is_(None))
    row = session.scalar(query.with_for_update() if lock else query)
    if row is None:
        raise NoDrawing("There is no such drawing; it may have been deleted.", id=str(id))
    return row


def create_drawing(session: Session, name: str, author: str, text: str = "") -> Listed:
    """A new drawing, empty or with the steps of a text. Raises `StoreError` for a name or a text that will not do."""
    script = read_script(text)
    if script.misread:
        first = script.misread[0]
        raise StoreError(f"Line {first.line} of the text could not be read.", line=first.line, kind=first.problem.kind)
    return _store(session, checked_name(name), book_of(script), author, f"new drawing {name}")


def duplicate_drawing(session: Session, id: UUID, author: str) -> Listed:
    """A copy of a drawing as it stands, with a history of its own."""
    original = get_drawing(session, id)
    return _store(session, _free_name(session, original.name), load_book(session, original), author, f"copy of {original.name}")


def rename_drawing(session: Session, id: UUID, name: str) -> Listed:
    """Gives a drawing another name."""
    row = get_drawing(session, id, lock=True)
    row.name = checked_name(name)
    announce(session, id, RENAMED)
    session.flush()
    return _listed(row)


def delete_drawing(session: Session, id: UUID) -> None:
    """Takes a drawing from the shelf; `restore_drawing` brings it back."""
    get_drawing(session, id, lock=True).deleted_at = func.now()
    announce(session, id, DELETED)


def restore_drawing(session: Session, id: UUID) -> Listed:
    """Brings a deleted drawing back as it was."""
    session.execute(update(Drawing).where(Drawing.id == id).values(deleted_at=None))
    announce(session, id, RESTORED)
    return _listed(get_drawing(session, id))


def checked_name(name: str) -> str:
    """The name without blanks around it. Raises `StoreError` for an empty or a very long one."""
    kept = " ".join(name.split())
    if not kept or len(kept) > LONGEST_NAME or "\x00" in kept:
        raise StoreError(f"A name has 1 to {LONGEST_NAME} characters.", length=len(kept))
    return kept


def _store(session: Session, name: str, book: Book, author: str, label: str) -> Listed:
    row = Drawing(id=uuid4(), name=name, revision=0, header=header_data(book.header), picture=picture_of(book, 0))
    session.add(row)
    session.flush()
    insert_steps(session, row.id, book)
    log_change(
        session, row.id, 0, author, label, "do", None, {"op": "several", "edits": []}, {"op": "several", "edits": []}, None, None
    )
    session.refresh(row)
    return _listed(row)


def _free_name(session: Session, name: str) -> str:
    taken = set(session.scalars(select(Drawing.name).where(Drawing.deleted_at.is_(None))))
    stem = f"{name[: LONGEST_NAME - 12]} (copy"
    if f"{stem})" not in taken:
        return f"{stem})"
    number = 2
    while f"{stem} {number})" in taken:
        number += 1
    return f"{stem} {number})"


def _listed(row: Drawing) -> Listed:
    return Listed(row.id, row.name, row.revision, row.changed_at, row.picture)
