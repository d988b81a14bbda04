"""What people may do with a drawing: see it, draw in it, own it; kept for persons, teams, everybody."""

from collections.abc import Sequence
from dataclasses import dataclass
from enum import IntEnum
from uuid import UUID

from sqlalchemy import ColumnElement, delete, exists, func, or_, select
from sqlalchemy.dialects.postgresql import insert
from sqlalchemy.orm import Session

from .announce import SHARED, announce
from .errors import StoreError
from .people import Known
from .people_tables import Link, Member, Person, Right, Team
from .secrets import new_token
from .tables import Drawing

ALL = "all"
MOST_LINKS = 50


class May(IntEnum):
    """What may be done with a drawing; each may all that the ones before it may."""

    NOTHING = 0
    SEE = 1
    DRAW = 2
    OWN = 3


class MayNot(StoreError):
    """It takes more than this person may do."""

    code, status = "may_not", 403


@dataclass(frozen=True, slots=True)
class Share:
    """Somebody who may do something with a drawing: a person, a team, or everybody (no id)."""

    id: UUID | None
    name: str
    kind: str
    may: May


def theirs(person: Known) -> ColumnElement[bool]:
    """Whether a row of `Right` holds for a person."""
    teams = select(Member.team_id).where(Member.person_id == person.id)
    return or_(Right.person_id == person.id, Right.whose == ALL, Right.team_id.in_(teams))


def may(session: Session, person: Known | None, drawing: UUID, tokens: Sequence[str] = ()) -> May:
    """What somebody may do with a drawing, also by links that they have followed."""
    if person is not None and person.keeper:
        return May.OWN
    most = 0
    if person is not None:
        most = session.scalar(select(func.max(Right.may)).where(Right.drawing_id == drawing, theirs(person))) or 0
    if most < May.SEE and tokens:
        by_link = select(Link.token).where(Link.drawing_id == drawing, Link.token.in_(tokens)).limit(1)
        most = May.SEE if session.scalar(by_link) is not None else May.NOTHING
    return May(most)


def visible(person: Known) -> ColumnElement[bool] | None:
    """Whether a drawing (of a query on drawings) is one that the person may see; None where they may see all."""
    return None if person.keeper else exists().where(Right.drawing_id == Drawing.id, theirs(person))


def shares(session: Session, drawing: UUID) -> list[Share]:
    """Who may do something with a drawing: owners first, then by name."""
    rows = session.execute(
        select(Right.may, Right.person_id, Right.team_id, Person.name, Team.name)
        .outerjoin(Person, Right.person_id == Person.id)
        .outerjoin(Team, Right.team_id == Team.id)
        .where(Right.drawing_id == drawing)
    )
    found = [
        Share(person or team, named or team_name or "Everybody", "person" if person else "team" if team else ALL, May(most))
        for most, person, team, named, team_name in rows
    ]
    return sorted(found, key=lambda one: (-one.may, one.kind != ALL, one.name.casefold()))


def owners(session: Session, drawings: Sequence[UUID]) -> dict[UUID, list[str]]:
    """The names of those who own each of several drawings."""
    query = select(Right.drawing_id, func.coalesce(Person.name, Team.name))
    query = query.outerjoin(Person, Right.person_id == Person.id).outerjoin(Team, Right.team_id == Team.id)
    found: dict[UUID, list[str]] = {}
    for id, name in session.execute(query.where(Right.drawing_id.in_(drawings), Right.may == May.OWN).order_by(Person.key)):
        found.setdefault(id, []).append(name or "Everybody")
    return found


def share(session: Session, drawing: UUID, kind: str, id: UUID | None, most: May) -> None:
    """Lets a person, a team or everybody do so much with a drawing; `May.NOTHING` takes it back. Raises `StoreError`."""
    if kind == "person" and (id is None or session.get(Person, id) is None):
        raise StoreError("There is no such person.")
    if kind == "team" and (id is None or session.get(Team, id) is None):
        raise StoreError("There is no such team.")
    whose = ALL if kind == ALL else str(id)
    if most is May.NOTHING:
        session.execute(delete(Right).where(Right.drawing_id == drawing, Right.whose == whose))
    else:
        row = {"drawing_id": drawing, "whose": whose, "may": int(most)}
        row |= {"person_id": id if kind == "person" else None, "team_id": id if kind == "team" else None}
        session.execute(
            insert(Right).values(row).on_conflict_do_update(index_elements=["drawing_id", "whose"], set_={"may": int(most)})
        )
    announce(session, drawing, SHARED)


def named(session: Session, kind: str, id: UUID | None) -> str:
    """Whom a share is with, in words."""
    row: Person | Team | None = None
    if kind != ALL:
        row = session.get(Person, id) if kind == "person" else session.get(Team, id)
    return row.name if row is not None else "everybody"


def links(session: Session, drawing: UUID) -> Sequence[Link]:
    """The links by which a drawing can be looked at, the newest first."""
    return session.scalars(select(Link).where(Link.drawing_id == drawing).order_by(Link.made_at.desc())).all()


def make_link(session: Session, drawing: UUID, by: str) -> Link:
    """A link by which its holder may look at a drawing. Raises `StoreError` where there are too many."""
    if len(links(session, drawing)) >= MOST_LINKS:
        raise StoreError(f"A drawing has at most {MOST_LINKS} links; take one back first.")
    row = Link(token=new_token(), drawing_id=drawing, made_by=by)
    session.add(row)
    session.flush()
    session.refresh(row)
    return row


def take_link_back(session: Session, drawing: UUID, token: str) -> None:
    """Makes a link useless."""
    session.execute(delete(Link).where(Link.drawing_id == drawing, Link.token == token))
    announce(session, drawing, SHARED)


def drawing_of_link(session: Session, token: str) -> UUID | None:
    """The drawing that a link shows; None where it was taken back."""
    return session.scalar(select(Link.drawing_id).where(Link.token == token))
