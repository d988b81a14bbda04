"""The tables: drawings, their steps as they stand, and the log of every change."""

from datetime import datetime
from typing import Any
from uuid import UUID

from sqlalchemy import BigInteger, ForeignKey, Index, Text, func, text
from sqlalchemy.dialects.postgresql import ARRAY, JSONB, TIMESTAMP
from sqlalchemy.orm import DeclarativeBase, Mapped, mapped_column


class Base(DeclarativeBase):
    """All tables."""

    type_annotation_map = {  # noqa: RUF012
        dict[str, Any]: JSONB,
        list[Any]: JSONB,
        list[int]: ARRAY(BigInteger),
        datetime: TIMESTAMP(timezone=True),
        str: Text,
    }


class Drawing(Base):
    """A drawing on the shelf. ``revision`` counts its changes; ``deleted_at`` keeps what was struck from the shelf."""

    __tablename__ = "drawings"

    id: Mapped[UUID] = mapped_column(primary_key=True)
    name: Mapped[str]
    revision: Mapped[int] = mapped_column(default=0)
    header: Mapped[dict[str, Any]]
    created_at: Mapped[datetime] = mapped_column(server_default=func.now())
    changed_at: Mapped[datetime] = mapped_column(server_default=func.now())
    deleted_at: Mapped[datetime | None]


class StepRow(Base):
    """A step as it stands now. ``text`` is what was typed; ``givens`` are the same as structured data."""

    __tablename__ = "steps"

    drawing_id: Mapped[UUID] = mapped_column(ForeignKey("drawings.id", ondelete="CASCADE"), primary_key=True)
    id: Mapped[str] = mapped_column(primary_key=True)
    place: Mapped[list[int]]
    """Where it stands: arrays compare item by item, as the keys of `core.book.order` do."""
    name: Mapped[str]
    dealt: Mapped[bool]
    kind: Mapped[str]
    text: Mapped[str]
    givens: Mapped[list[Any]]
    manner: Mapped[dict[str, Any]]
    hidden: Mapped[bool]
    off: Mapped[bool]

    __table_args__ = (Index("steps_in_order", "drawing_id", "place"),)


class ShelfPicture(Base):
    """What the shelf draws of a drawing: its figures, made in the background after a change."""

    __tablename__ = "pictures"

    drawing_id: Mapped[UUID] = mapped_column(ForeignKey("drawings.id", ondelete="CASCADE"), primary_key=True)
    revision: Mapped[int]
    picture: Mapped[dict[str, Any]]


class PackedBook(Base):
    """A large drawing as a core worked it out at a revision: its book, and its steps as they are shown (`store.packed`)."""

    __tablename__ = "packed_books"

    drawing_id: Mapped[UUID] = mapped_column(ForeignKey("drawings.id", ondelete="CASCADE"), primary_key=True)
    revision: Mapped[int]
    core: Mapped[str]
    steps: Mapped[int]
    book: Mapped[bytes]
    views: Mapped[bytes]


class Change(Base):
    """One change, never altered: who and when, the edit, its inverse, and what undo and redo would take after it."""

    __tablename__ = "changes"

    drawing_id: Mapped[UUID] = mapped_column(ForeignKey("drawings.id", ondelete="CASCADE"), primary_key=True)
    revision: Mapped[int] = mapped_column(primary_key=True)
    author: Mapped[str]
    at: Mapped[datetime] = mapped_column(server_default=func.now())
    label: Mapped[str]
    act: Mapped[str]
    """do, undo or redo."""
    target: Mapped[int | None]
    """The change that was undone or redone."""
    edit: Mapped[dict[str, Any]]
    inverse: Mapped[dict[str, Any]]
    next_undo: Mapped[int | None]
    """The change that undo takes back after this one."""
    next_redo: Mapped[int | None]
    """The undo that redo takes back after this one."""
    idempotency_key: Mapped[str | None] = mapped_column("key")
    """The name that the client gave it: asked for again, it is not done again."""

    __table_args__ = (Index("changes_by_key", "drawing_id", "key", unique=True, postgresql_where=text("key IS NOT NULL")),)


class Backing(Base):
    """A picture that lies under a drawing: a scan of the part, to be looked at and drawn over."""

    __tablename__ = "backings"

    drawing_id: Mapped[UUID] = mapped_column(ForeignKey("drawings.id", ondelete="CASCADE"), primary_key=True)
    media_type: Mapped[str]
    content: Mapped[bytes]
    width: Mapped[int]
    height: Mapped[int]
    version: Mapped[int]
    """Counts the pictures that have lain here, so that a browser may keep each."""
    placing: Mapped[dict[str, Any]]


class OwnMark(Base):
    """A picture (PNG) that stands in title blocks: that of the office."""

    __tablename__ = "marks"

    of: Mapped[str] = mapped_column(primary_key=True)
    content: Mapped[bytes]
