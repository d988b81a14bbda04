"""The book of a drawing as it stands: from the cache, from an earlier one and the log, or evaluated from its steps."""

import json
from collections.abc import Sequence
from dataclasses import dataclass
from typing import Any
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
from .tables import Change, Drawing, StepRow

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


def source(session: Session, id: UUID) -> dict[str, Any]:
    """The same as plain data, as `core.page.held` takes it: each manner once, and steps as lists, for there may be many."""
    row = session.get_one(Drawing, id)
    manners: dict[str, int] = {}
    every: list[Any] = []
    steps = []
    columns = (StepRow.id, StepRow.name, StepRow.dealt, StepRow.text, StepRow.manner, StepRow.hidden, StepRow.off, StepRow.place)
    for one in session.execute(select(*columns).where(StepRow.drawing_id == id).order_by(StepRow.place)):
        key = json.dumps(one.manner, sort_keys=True)
        if key not in manners:
            manners[key] = len(every)
            every.append(one.manner)
        steps.append([one.id, one.name, one.dealt, one.text, manners[key], one.hidden, one.off, one.place])
    return {"revision": row.revision, "header": row.header, "manners": every, "steps": steps}


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
