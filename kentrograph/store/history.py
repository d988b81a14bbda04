"""A drawing's history: who did what when, and every state that it was in. The log keeps everything."""

from collections.abc import Iterable
from dataclasses import dataclass
from datetime import datetime
from math import ceil
from uuid import UUID

from sqlalchemy import delete, func, literal, null, select, union_all
from sqlalchemy.dialects.postgresql import insert
from sqlalchemy.orm import Session

from ..core.book.book import Book
from ..core.language.codec import header_data, step_data
from ..core.language.replay import Replayed
from .drawings import checked_name, get_drawing
from .errors import NoRevision
from .history_tables import Happening, NamedState, Snapshot
from .rows import load_steps
from .tables import Change

PAGE = 100
EVERY, STEPS = 250, 5_000
"""Changes between two snapshots; where there are more steps, so many times as many."""


@dataclass(frozen=True, slots=True)
class Entry:
    """Something that was done. A change of the book has a revision, and the state after it may have a name."""

    at: datetime
    author: str
    act: str
    what: str
    revision: int | None
    name: str | None


def happened(session: Session, drawing: UUID, author: str, what: str) -> None:
    """Writes down what was done with a drawing and is no change of its book."""
    session.add(Happening(drawing_id=drawing, author=author, what=what))


def entries(session: Session, id: UUID, before: datetime | None = None, most: int = PAGE) -> list[Entry]:
    """What was done with a drawing before a moment, the last first. Raises `NoDrawing`."""
    get_drawing(session, id)
    changes = select(Change.at, Change.author, Change.act, Change.label.label("what"), Change.revision).where(
        Change.drawing_id == id
    )
    others = select(
        Happening.at, Happening.author, literal("with it").label("act"), Happening.what, null().label("revision")
    ).where(Happening.drawing_id == id)
    both = union_all(changes, others).subquery()
    query = select(*both.c).order_by(both.c.at.desc(), both.c.revision.desc()).limit(most)
    rows = session.execute(query.where(both.c.at < before) if before is not None else query).all()
    names = dict(session.execute(select(NamedState.revision, NamedState.name).where(NamedState.drawing_id == id)).tuples().all())
    return [Entry(at, author, act, what, revision, names.get(revision)) for at, author, act, what, revision in rows]


def steps_at(session: Session, id: UUID, revision: int) -> Replayed:
    """The steps of a drawing at a revision: from the nearest state that is kept whole, on or back. Raises `NoDrawing`,
    `NoRevision`. For a transaction that sees one moment."""
    row = get_drawing(session, id)
    if not 0 <= revision <= row.revision:
        raise NoRevision(f"The drawing has the revisions 0 to {row.revision}.", revision=revision, newest=row.revision)
    far = func.abs(Snapshot.revision - revision)
    near = session.scalar(select(Snapshot).where(Snapshot.drawing_id == id).order_by(far).limit(1))
    if near is not None and abs(near.revision - revision) < row.revision - revision:
        found, at = Replayed(near.header, near.steps), near.revision
    else:
        header, steps, _ = load_steps(session, row)
        found, at = Replayed(header_data(header), [step_data(step) for step in steps]), row.revision
    low, high = sorted((at, revision))
    between = select(Change.edit if at < revision else Change.inverse).where(Change.drawing_id == id)
    between = between.where(Change.revision > low, Change.revision <= high)
    order = Change.revision if at < revision else Change.revision.desc()
    for edit in session.scalars(between.order_by(order)):
        found.edited(edit)
    return found


def keep_snapshot(session: Session, id: UUID, revision: int, book: Book) -> None:
    """Keeps the whole of a drawing now and then."""
    if revision % (EVERY * max(1, ceil(len(book.order) / STEPS))) == 0:
        session.add(Snapshot(drawing_id=id, revision=revision, header=header_data(book.header), steps=list(_data(book))))


def name_state(session: Session, id: UUID, revision: int, name: str) -> None:
    """Gives a state a name, or takes it away where nothing is stated. Raises `NoDrawing`, `NoRevision`, `StoreError`."""
    get_drawing(session, id)
    if session.get(Change, (id, revision)) is None:
        raise NoRevision(f"The drawing has no revision {revision}.", revision=revision)
    if not name.strip():
        session.execute(delete(NamedState).where(NamedState.drawing_id == id, NamedState.revision == revision))
        return
    kept = checked_name(name)
    anew = insert(NamedState).values(drawing_id=id, revision=revision, name=kept)
    session.execute(anew.on_conflict_do_update(index_elements=["drawing_id", "revision"], set_={"name": kept}))


def _data(book: Book) -> Iterable[dict[str, object]]:
    return (step_data(book.steps[id]) for id in book.order)
