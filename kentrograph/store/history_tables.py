"""The tables of a drawing's history, beside the log of its changes."""

from datetime import datetime
from typing import Any
from uuid import UUID

from sqlalchemy import BigInteger, ForeignKey, Identity, func
from sqlalchemy.orm import Mapped, mapped_column

from .tables import Base


class Happening(Base):
    """Something that was done with a drawing and is no change of its book: a name, a deletion, a picture, sharing."""

    __tablename__ = "happenings"

    number: Mapped[int] = mapped_column(BigInteger, Identity(), primary_key=True)
    drawing_id: Mapped[UUID] = mapped_column(ForeignKey("drawings.id", ondelete="CASCADE"))
    at: Mapped[datetime] = mapped_column(server_default=func.now())
    author: Mapped[str]
    what: Mapped[str]


class NamedState(Base):
    """A state that somebody gave a name, to find it again."""

    __tablename__ = "named_states"

    drawing_id: Mapped[UUID] = mapped_column(ForeignKey("drawings.id", ondelete="CASCADE"), primary_key=True)
    revision: Mapped[int] = mapped_column(primary_key=True)
    name: Mapped[str]


class Snapshot(Base):
    """All steps of a drawing at a revision, as data, not evaluated: an old state is found from the nearest one."""

    __tablename__ = "snapshots"

    drawing_id: Mapped[UUID] = mapped_column(ForeignKey("drawings.id", ondelete="CASCADE"), primary_key=True)
    revision: Mapped[int] = mapped_column(primary_key=True)
    header: Mapped[dict[str, Any]]
    steps: Mapped[list[Any]]
