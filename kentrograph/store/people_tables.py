"""The tables of people: who signs in, in which teams they are, and what each may do with a drawing."""

from datetime import datetime
from uuid import UUID

from sqlalchemy import ForeignKey, SmallInteger, func
from sqlalchemy.orm import Mapped, mapped_column

from .tables import Base


class Person(Base):
    """Somebody of the office. One who has left signs in no more; the name stays with what they did."""

    __tablename__ = "people"

    id: Mapped[UUID] = mapped_column(primary_key=True)
    name: Mapped[str]
    key: Mapped[str] = mapped_column(unique=True)
    """The name as it is compared: nobody else may have one that only looks the same."""
    password: Mapped[str | None]
    """Its hash (Argon2id, RFC 9106); None for who has not set one yet."""
    keeper: Mapped[bool]
    """Whether they keep the office: let people in, and may do everything with every drawing."""
    made_at: Mapped[datetime] = mapped_column(server_default=func.now())
    left_at: Mapped[datetime | None]


class SignIn(Base):
    """A browser in which somebody is signed in; ``token`` is the hash of what its cookie holds."""

    __tablename__ = "sign_ins"

    token: Mapped[bytes] = mapped_column(primary_key=True)
    person_id: Mapped[UUID] = mapped_column(ForeignKey("people.id", ondelete="CASCADE"))
    made_at: Mapped[datetime] = mapped_column(server_default=func.now())
    seen_at: Mapped[datetime] = mapped_column(server_default=func.now())


class Invitation(Base):
    """A link by which somebody joins or, where there is a person already, sets a password anew; good once."""

    __tablename__ = "invitations"

    token: Mapped[bytes] = mapped_column(primary_key=True)
    person_id: Mapped[UUID | None] = mapped_column(ForeignKey("people.id", ondelete="CASCADE"))
    name: Mapped[str]
    keeper: Mapped[bool]
    made_at: Mapped[datetime] = mapped_column(server_default=func.now())
    until: Mapped[datetime]


class Attempt(Base):
    """A sign-in that failed: for a name, from an address, or both."""

    __tablename__ = "attempts"

    key: Mapped[str] = mapped_column(primary_key=True)
    at: Mapped[datetime] = mapped_column(server_default=func.now(), primary_key=True)


class Team(Base):
    """Several people who are named together."""

    __tablename__ = "teams"

    id: Mapped[UUID] = mapped_column(primary_key=True)
    name: Mapped[str]
    key: Mapped[str] = mapped_column(unique=True)


class Member(Base):
    """One of a team."""

    __tablename__ = "members"

    team_id: Mapped[UUID] = mapped_column(ForeignKey("teams.id", ondelete="CASCADE"), primary_key=True)
    person_id: Mapped[UUID] = mapped_column(ForeignKey("people.id", ondelete="CASCADE"), primary_key=True)


class Right(Base):
    """What a person, a team or everybody (``whose`` is ``all``) may do with a drawing."""

    __tablename__ = "rights"

    drawing_id: Mapped[UUID] = mapped_column(ForeignKey("drawings.id", ondelete="CASCADE"), primary_key=True)
    whose: Mapped[str] = mapped_column(primary_key=True)
    """The id of the person or of the team, or ``all``."""
    person_id: Mapped[UUID | None] = mapped_column(ForeignKey("people.id", ondelete="CASCADE"))
    team_id: Mapped[UUID | None] = mapped_column(ForeignKey("teams.id", ondelete="CASCADE"))
    may: Mapped[int] = mapped_column(SmallInteger)
    """A `store.rights.May`."""


class Link(Base):
    """A link by which its holder may look at a drawing, until it is taken back."""

    __tablename__ = "links"

    token: Mapped[str] = mapped_column(primary_key=True)
    drawing_id: Mapped[UUID] = mapped_column(ForeignKey("drawings.id", ondelete="CASCADE"))
    made_by: Mapped[str]
    made_at: Mapped[datetime] = mapped_column(server_default=func.now())
