"""The book of a drawing as it stands: from the cache, from an earlier one and the log, or evaluated from its steps."""

from collections.abc import Sequence
from dataclasses import dataclass
from uuid import UUID

from sqlalchemy import select
from sqlalchemy.orm import Session

from ..core.book.book import Book
from ..core.book.manner import Header
from ..core.book.step import Step
from ..core.language.codec import edit_from
from .cache import BookCache
from .memory import making_books
from .rows import load_steps
from .tables import Change, Drawing

FAR = 60
"""Of a book that is more changes behind, all steps are read instead."""


@dataclass(frozen=True, slots=True)
class Loaded:
    """The steps of a drawing at a revision, not evaluated yet."""

    revision: int
    header: Header
    steps: list[Step]
    places: list[tuple[int, ...]]

    def evaluated(self) -> Book:
        """The book."""
        with making_books():
            return Book.new(self.header, self.steps, self.places)


def load(session: Session, id: UUID) -> Loaded:
    """The steps of a drawing as it stands, of one revision. For a transaction that sees one moment (REPEATABLE READ)."""
    row = session.get_one(Drawing, id)
    header, steps, places = load_steps(session, row)
    return Loaded(row.revision, header, steps, places)


def edits_since(session: Session, id: UUID, before: int, revision: int) -> Sequence[Change]:
    """The changes between two revisions, in order."""
    query = select(Change).where(Change.drawing_id == id, Change.revision > before, Change.revision <= revision)
    return session.scalars(query.order_by(Change.revision)).all()


def followed(book: Book, edits: Sequence[Change]) -> Book:
    """What a book has become after what the log says was done."""
    for one in edits:
        book, _ = book.edited(edit_from(one.edit))
    return book


def current_book(session: Session, cache: BookCache, row: Drawing) -> Book:
    """The evaluated book of a row that is locked: no other revision can come meanwhile."""
    found = cache.get(row.id, row.revision)
    if found is None:
        nearest = cache.nearest(row.id, row.revision)
        if nearest is not None and row.revision - nearest[0] <= FAR:
            found = followed(nearest[1], edits_since(session, row.id, nearest[0], row.revision))
        else:
            found = Loaded(row.revision, *load_steps(session, row)).evaluated()
        cache.put(row.id, row.revision, found)
    return found
