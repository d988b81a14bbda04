"""The book of a drawing as it stands: from the cache, from an earlier one and the log, or evaluated from its steps."""

import json
from dataclasses import dataclass
from typing import Any
from uuid import UUID

import orjson
from sqlalchemy import select
from sqlalchemy.orm import Session

from ..core.book.book import Book
from ..core.book.manner import Header
from ..core.book.step import Step
from .cache import BookCache
from .memory import making_books
from .packed import FAR, Kept, edits_since, followed, kept
from .rows import load_steps
from .tables import Drawing, StepRow


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


def load(session: Session, id: UUID) -> Loaded | Kept:
    """A drawing as it stands, of one revision: as it was kept, or its steps. For a transaction that sees one moment (REPEATABLE
    READ), or that has locked the drawing."""
    if (found := kept(session, id)) is not None:
        return found
    row = session.get_one(Drawing, id)
    header, steps, places = load_steps(session, row)
    return Loaded(row.revision, header, steps, places)


def opened(found: Loaded | Kept, id: UUID, cache: BookCache) -> Book:
    """The book of what was loaded. One that was kept stays in the cache: tables that open have its views."""
    if isinstance(found, Loaded):
        return found.evaluated()
    first = cache.get(id, found.first)
    if first is None:
        first = found.opened()
    cache.pin(id, found.first, first)
    return found.followed(first)


def source(session: Session, id: UUID) -> bytes:
    """A drawing as it stands as JSON, as `core.replica.held` takes it: as it was kept, or its steps as they are written."""
    found = kept(session, id)
    return found.source() if found is not None else orjson.dumps(_written(session, session.get_one(Drawing, id)))


def _written(session: Session, row: Drawing) -> dict[str, Any]:
    """Each manner once, and steps as lists, for there may be many."""
    manners: dict[str, int] = {}
    every: list[Any] = []
    steps = []
    columns = (StepRow.id, StepRow.name, StepRow.dealt, StepRow.text, StepRow.manner, StepRow.hidden, StepRow.off, StepRow.place)
    for one in session.execute(select(*columns).where(StepRow.drawing_id == row.id).order_by(StepRow.place)):
        key = json.dumps(one.manner, sort_keys=True)
        if key not in manners:
            manners[key] = len(every)
            every.append(one.manner)
        steps.append([one.id, one.name, one.dealt, one.text, manners[key], one.hidden, one.off, one.place])
    return {"revision": row.revision, "header": row.header, "manners": every, "steps": steps, "edits": []}


def current_book(session: Session, cache: BookCache, row: Drawing) -> Book:
    """The evaluated book of a row that is locked: no other revision can come meanwhile."""
    found = cache.get(row.id, row.revision)
    if found is None:
        nearest = cache.nearest(row.id, row.revision)
        if nearest is not None and row.revision - nearest[0] <= FAR:
            found = followed(nearest[1], edits_since(session, row.id, nearest[0], row.revision))
        else:
            found = opened(load(session, row.id), row.id, cache)
        cache.put(row.id, row.revision, found)
    return found
