"""Teams: several people who are named together where a drawing is shared."""

from collections.abc import Iterable, Sequence
from dataclasses import dataclass
from uuid import UUID, uuid4

from sqlalchemy import delete, select
from sqlalchemy.orm import Session

from .announce import announce_person
from .errors import StoreError
from .people import LONGEST_NAME, TakenName, key_of
from .people_tables import Member, Person, Team


class NoTeam(StoreError):
    """There is no such team."""

    code, status = "no_team", 404


@dataclass(frozen=True, slots=True)
class TeamOf:
    """A team and who is in it."""

    id: UUID
    name: str
    members: list[UUID]


def teams(session: Session) -> list[TeamOf]:
    """All teams, by name."""
    inside: dict[UUID, list[UUID]] = {}
    for team, person in session.execute(select(Member.team_id, Member.person_id)):
        inside.setdefault(team, []).append(person)
    return [TeamOf(row.id, row.name, inside.get(row.id, [])) for row in session.scalars(select(Team).order_by(Team.key))]


def make_team(session: Session, name: str) -> TeamOf:
    """A new team with nobody in it. Raises `StoreError`, `TakenName`."""
    kept = _checked(session, name, None)
    row = Team(id=uuid4(), name=kept, key=key_of(kept))
    session.add(row)
    session.flush()
    return TeamOf(row.id, row.name, [])


def change_team(session: Session, id: UUID, name: str | None, members: Iterable[UUID] | None) -> TeamOf:
    """Gives a team another name, or other members. Raises `NoTeam`, `StoreError`, `TakenName`."""
    row = session.get(Team, id)
    if row is None:
        raise NoTeam("There is no such team.")
    if name is not None:
        row.name = _checked(session, name, id)
        row.key = key_of(row.name)
    if members is not None:
        _set_members(session, id, set(members))
    session.flush()
    return next(one for one in teams(session) if one.id == id)


def delete_team(session: Session, id: UUID) -> None:
    """Takes a team away, and with it what it might do. Raises `NoTeam`."""
    _set_members(session, id, set())
    if session.scalar(delete(Team).where(Team.id == id).returning(Team.id)) is None:
        raise NoTeam("There is no such team.")


def _set_members(session: Session, id: UUID, members: set[UUID]) -> None:
    before: Sequence[UUID] = session.scalars(select(Member.person_id).where(Member.team_id == id)).all()
    here = set(session.scalars(select(Person.id).where(Person.id.in_(members))))
    if members - here:
        raise StoreError("There is no such person.")
    session.execute(delete(Member).where(Member.team_id == id))
    session.add_all([Member(team_id=id, person_id=one) for one in members])
    for one in members ^ set(before):
        announce_person(session, one)


def _checked(session: Session, name: str, own: UUID | None) -> str:
    kept = " ".join(name.split())
    if not 1 <= len(kept) <= LONGEST_NAME:
        raise StoreError(f"A team's name has 1 to {LONGEST_NAME} characters.")
    if session.scalar(select(Team.id).where(Team.key == key_of(kept))) not in (None, own):
        raise TakenName(f"There is a team called {kept} already.")
    return kept
