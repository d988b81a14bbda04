"""Large drawings as they were worked out, kept beside a revision: they open without their texts being read.

What is kept can be made again at any time, and counts only for the core that made it.
"""

import hashlib
import zlib
from collections.abc import Sequence
from dataclasses import dataclass
from datetime import timedelta
from functools import cache
from pathlib import Path
from typing import Any, Literal, NamedTuple
from uuid import UUID

import orjson
from sqlalchemy import func, select
from sqlalchemy.dialects.postgresql import insert
from sqlalchemy.orm import Session

from ..core.book.book import Book
from ..core.language.codec import edit_from
from ..core.language.packed import book_from, packed
from .memory import making_books
from .tables import Change, Drawing, PackedBook

FROM = 5_000
"""Steps from which a drawing is kept like that."""
FAR = 60
"""Changes that are done again on what was kept; of a drawing that is further on all is read."""
RECENT = 30
"""Days."""
FORM = b"2"
"""Of what is kept here: another one where it is written otherwise."""
_CORE = Path(__file__).parents[1] / "core"
_LEVEL = 1


@cache
def core_version() -> str:
    """Which core this is: what it works out may differ from what another one did."""
    found = hashlib.sha256(FORM)
    for file in sorted(_CORE.rglob("*.py")):
        found.update(file.relative_to(_CORE).as_posix().encode() + b"\0" + file.read_bytes() + b"\0")
    return found.hexdigest()[:16]


@dataclass(frozen=True, slots=True)
class Kept:
    """A book as it was kept, and what was done since."""

    first: int
    """The revision that was kept."""
    revision: int
    content: bytes
    edits: Sequence[dict[str, Any]]

    def opened(self) -> Book:
        """The book that was kept."""
        with making_books():
            return book_from(orjson.loads(zlib.decompress(self.content)))

    def followed(self, book: Book) -> Book:
        """What has become of it."""
        return followed(book, self.edits)

    def source(self) -> bytes:
        """Both as JSON, as `core.replica.held` takes it."""
        head = orjson.dumps({"revision": self.revision, "edits": self.edits})
        return head[:-1] + b"," + zlib.decompress(self.content)[1:]


@dataclass(frozen=True, slots=True)
class Opening:
    """What can be shown of a drawing before its book is there: the views of a revision, of how many steps, under which name."""

    revision: int
    steps: int
    name: str


def followed(book: Book, edits: Sequence[dict[str, Any]]) -> Book:
    """What a book has become after what was done; it knows all that was touched on the way."""
    first, touched = book, set[str]()
    for edit in edits:
        book, _ = book.edited(edit_from(edit))
        touched |= book.touched
    if book is not first:
        book.before, book.touched = first.stamp, touched
    return book


def edits_since(session: Session, id: UUID, before: int, revision: int) -> list[dict[str, Any]]:
    """What was done between two revisions, in order, as data."""
    query = select(Change.edit).where(Change.drawing_id == id, Change.revision > before, Change.revision <= revision)
    return list(session.scalars(query.order_by(Change.revision)))


def keep(session: Session, id: UUID, revision: int, book: Book, views: bytes) -> None:
    """Keeps a book at a revision, with its views (gzip), unless a later one is kept."""
    content = zlib.compress(orjson.dumps(packed(book)), _LEVEL)
    row = {"drawing_id": id, "revision": revision, "core": core_version(), "steps": len(book.order)}
    made = insert(PackedBook).values({**row, "book": content, "views": views})
    anew = {name: made.excluded[name] for name in ("revision", "core", "steps", "book", "views")}
    newer = (PackedBook.revision <= made.excluded.revision) | (PackedBook.core != made.excluded.core)
    session.execute(made.on_conflict_do_update(index_elements=["drawing_id"], set_=anew, where=newer))


def opening(session: Session, id: UUID) -> Opening | None:
    """What can be shown at once of a drawing as it stands; None where nothing is kept, or what is kept is too old."""
    query = select(PackedBook.revision, PackedBook.steps, Drawing.name).join(Drawing, Drawing.id == PackedBook.drawing_id)
    near = Drawing.revision - PackedBook.revision <= FAR
    found = session.execute(query.where(PackedBook.drawing_id == id, PackedBook.core == core_version(), near)).one_or_none()
    return Opening(found.revision, found.steps, found.name) if found is not None else None


def views(session: Session, id: UUID, revision: int | None = None) -> bytes | None:
    """The views that were kept, where they are of a ``revision`` that is asked for: a `BookView` without steps, the names of what
    belongs to a step, and that of each step, one to a line (gzip)."""
    found = _read(session, "views", id)
    return found.content if found is not None and revision in (None, found.revision) else None


def kept(session: Session, id: UUID) -> Kept | None:
    """A drawing as it stands, by what was kept; None as in `opening`. For a transaction that sees one moment."""
    found = _read(session, "book", id)
    if found is None:
        return None
    return Kept(found.revision, found.now, found.content, edits_since(session, id, found.revision, found.now))


class _Read(NamedTuple):
    revision: int
    now: int
    """The revision of the drawing as it stands."""
    content: bytes


def _read(session: Session, column: Literal["book", "views"], id: UUID) -> _Read | None:
    """What was kept, in binary: as text, in which a driver reads of itself, ten megabytes take five times as long."""
    query = (
        f"SELECT p.revision, d.revision, p.{column} FROM packed_books p JOIN drawings d ON d.id = p.drawing_id"
        " WHERE p.drawing_id = %s AND p.core = %s AND d.revision - p.revision <= %s"
    )
    with session.connection().connection.driver_connection.cursor(binary=True) as cursor:  # type: ignore[union-attr]
        found = cursor.execute(query, (id, core_version(), FAR)).fetchone()
    return _Read(*found) if found is not None else None


def left_behind(session: Session) -> Sequence[UUID]:
    """Large drawings that another core has kept and that were changed in the last weeks, the latest first."""
    query = select(PackedBook.drawing_id).join(Drawing, Drawing.id == PackedBook.drawing_id)
    recent = Drawing.changed_at > func.now() - timedelta(days=RECENT)
    mine = query.where(PackedBook.core != core_version(), Drawing.deleted_at.is_(None), recent)
    return session.scalars(mine.order_by(Drawing.changed_at.desc())).all()
