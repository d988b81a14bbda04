"""The shelf: the drawings that somebody may see, searched and in pages. Nothing here waits for a lock or works out a drawing."""

from base64 import urlsafe_b64decode, urlsafe_b64encode
from collections.abc import Collection, Sequence
from dataclasses import dataclass
from datetime import datetime
from typing import Any
from uuid import UUID

from sqlalchemy import ColumnElement, exists, func, select, tuple_
from sqlalchemy.orm import Session

from .drawings import Listed
from .errors import StoreError
from .people import Known
from .people_tables import Right
from .rights import May, owners, theirs, visible
from .tables import Drawing, ShelfPicture

PAGE = 24


@dataclass(frozen=True, slots=True)
class Page:
    """Some drawings, how many there are in all, and from where to go on (None where these are the last)."""

    drawings: list[Listed]
    count: int
    after: str | None


@dataclass(frozen=True, slots=True)
class Wanted:
    """Which drawings: those with words in their name, owned by a person, shared with a team, or struck from the shelf."""

    words: str = ""
    person: UUID | None = None
    team: UUID | None = None
    deleted: bool = False


def listed(session: Session, who: Known, wanted: Wanted, after: str | None = None, most: int = PAGE) -> Page:
    """A page of the shelf, the last changed first. Raises `StoreError` for a mark to go on from that is none."""
    query = _chosen(_rows(), who, wanted)
    if after is not None:
        at, id = _place(after)
        query = query.where(tuple_(Drawing.changed_at, Drawing.id) < tuple_(at, id))
    rows = session.execute(query.order_by(Drawing.changed_at.desc(), Drawing.id.desc()).limit(most + 1)).all()
    count = session.scalar(_chosen(select(func.count()).select_from(Drawing), who, wanted)) or 0
    shown = rows[:most]
    return Page(_listed(session, who, shown), count, _mark(shown[-1]) if len(rows) > most else None)


def one(session: Session, who: Known, id: UUID) -> Listed:
    """A drawing as the shelf shows it."""
    return _listed(session, who, [session.execute(_rows().where(Drawing.id == id)).one()])[0]


def without_picture(session: Session, but: Collection[UUID]) -> UUID | None:
    """The drawing changed last, ``but`` some, whose picture is not of what it is now."""
    behind = ShelfPicture.revision.is_distinct_from(Drawing.revision)
    query = select(Drawing.id).outerjoin(ShelfPicture, ShelfPicture.drawing_id == Drawing.id)
    query = query.where(behind, Drawing.deleted_at.is_(None), Drawing.id.not_in(but))
    return session.scalar(query.order_by(Drawing.changed_at.desc()).limit(1))


def _rows() -> Any:
    columns = (Drawing.id, Drawing.name, Drawing.revision, Drawing.changed_at, ShelfPicture.revision)
    return select(*columns).select_from(Drawing).outerjoin(ShelfPicture, ShelfPicture.drawing_id == Drawing.id)


def _chosen(query: Any, who: Known, wanted: Wanted) -> Any:
    query = query.where(Drawing.deleted_at.is_not(None) if wanted.deleted else Drawing.deleted_at.is_(None))
    if (seen := visible(who)) is not None:
        query = query.where(seen)
    if wanted.deleted and not who.keeper:
        query = query.where(_holds(theirs(who), Right.may == May.OWN))
    for word in wanted.words.split():
        query = query.where(Drawing.name.icontains(word, autoescape=True))
    if wanted.person is not None:
        query = query.where(_holds(Right.person_id == wanted.person, Right.may == May.OWN))
    if wanted.team is not None:
        query = query.where(_holds(Right.team_id == wanted.team))
    return query


def _holds(*conditions: ColumnElement[bool]) -> ColumnElement[bool]:
    return exists().where(Right.drawing_id == Drawing.id, *conditions)


def _listed(session: Session, who: Known, rows: Sequence[Any]) -> list[Listed]:
    ids = [row[0] for row in rows]
    rights: dict[UUID, int] = dict.fromkeys(ids, int(May.OWN)) if who.keeper else {}
    if not who.keeper:
        query = select(Right.drawing_id, func.max(Right.may)).where(Right.drawing_id.in_(ids), theirs(who))
        rights = dict(session.execute(query.group_by(Right.drawing_id)).tuples().all())
    names = owners(session, ids)
    return [
        Listed(id, name, revision, at, May(rights[id]).name.lower(), names.get(id, []), pictured)
        for id, name, revision, at, pictured in rows
    ]


def _mark(row: Any) -> str:
    return urlsafe_b64encode(f"{row[3].isoformat()} {row[0]}".encode()).decode()


def _place(mark: str) -> tuple[datetime, UUID]:
    try:
        at, id = urlsafe_b64decode(mark.encode()).decode().split(" ")
        return datetime.fromisoformat(at), UUID(id)
    except ValueError as error:
        raise StoreError("There is no such page of the shelf; go on from its beginning.") from error
