"""People of an office: who they are, signing in and out, invitations by link."""

import unicodedata
from collections.abc import Sequence
from dataclasses import dataclass
from datetime import datetime, timedelta
from uuid import UUID, uuid4

from sqlalchemy import delete, func, select, update
from sqlalchemy.orm import Session

from .announce import announce_person
from .errors import StoreError
from .people_tables import Attempt, Invitation, Person, SignIn
from .secrets import hash_of, new_token

LONGEST_NAME = 80
SIGNED_IN = timedelta(days=30)
"""How long a browser stays signed in after it was last used."""
INVITED = timedelta(days=7)
SEEN = timedelta(hours=1)
"""How exactly it is kept when a browser was last used."""
WITHIN = timedelta(minutes=15)
MOST_ATTEMPTS = {"name and address": 10, "name": 60, "address": 60}
"""How many sign-ins may fail within a quarter of an hour. Common practice: many for one name from one address is a person who
has forgotten; many for one name or from one address is somebody who guesses."""


class NotSignedIn(StoreError):
    """Nobody is signed in, or the name or the password is not right."""

    code, status = "not_signed_in", 401


class TooManyAttempts(StoreError):
    """Too many sign-ins failed."""

    code, status = "too_many_attempts", 429


class NoInvitation(StoreError):
    """The link was used, taken back, or is too old."""

    code, status = "no_invitation", 404


class NoPerson(StoreError):
    """There is no such person."""

    code, status = "no_person", 404


class TakenName(StoreError):
    """Somebody else has the name, or one that looks the same."""

    code, status = "taken_name", 409


@dataclass(frozen=True, slots=True)
class Known:
    """Somebody who is known to the server."""

    id: UUID
    name: str
    keeper: bool


def local_person(session: Session, name: str) -> Known:
    """Who is at this machine where nobody signs in: the first who keeps the office, made with ``name`` if there is none."""
    row = session.scalar(select(Person).where(Person.keeper, Person.left_at.is_(None)).order_by(Person.made_at).limit(1))
    return known(row if row is not None else make_person(session, name, keeper=True))


def is_office(session: Session) -> bool:
    """Whether anybody has set a password: from then on people sign in."""
    return session.scalar(select(Person.id).where(Person.password.is_not(None)).limit(1)) is not None


def everyone(session: Session) -> Sequence[Person]:
    """All people, by name; those who have left too."""
    return session.scalars(select(Person).order_by(Person.key)).all()


def make_person(session: Session, name: str, keeper: bool = False) -> Person:
    """A new person without a password. Raises `StoreError`, `TakenName`."""
    kept = _checked(session, name)
    row = Person(id=uuid4(), name=kept, key=key_of(kept), keeper=keeper)
    session.add(row)
    session.flush()
    return row


def change_person(
    session: Session, id: UUID, name: str | None = None, keeper: bool | None = None, left: bool | None = None
) -> Person:
    """Gives somebody another name or standing. Raises `NoPerson`, `TakenName`; `StoreError` for the last who keeps the office."""
    # One after the other: two who leave at once must not both find that the other one stays.
    keepers = session.scalars(select(Person.id).where(Person.keeper, Person.left_at.is_(None)).with_for_update()).all()
    row = session.get(Person, id)
    if row is None:
        raise NoPerson("There is no such person.")
    if list(keepers) == [id] and (keeper is False or left):
        raise StoreError("Somebody has to keep the office: let another one keep it first.")
    if name is not None and key_of(name) != row.key:
        row.name, row.key = (kept := _checked(session, name)), key_of(kept)
    elif name is not None:
        row.name = " ".join(name.split())
    row.keeper = row.keeper if keeper is None else keeper
    if left is not None:
        row.left_at = func.now() if left else None
        if left:
            sign_out_everywhere(session, id)
    announce_person(session, id)
    session.flush()
    session.refresh(row)
    return row


def named(session: Session, name: str) -> tuple[Known, str | None] | None:
    """Somebody by name, and what is kept of their password; None where there is nobody (any more)."""
    row = session.scalar(select(Person).where(Person.key == key_of(name), Person.left_at.is_(None)))
    return (known(row), row.password) if row is not None else None


def person_of(session: Session, token: str) -> Known | None:
    """Who is signed in with a cookie; None where nobody is (any more)."""
    hashed = hash_of(token)
    query = select(Person, SignIn.seen_at).join(SignIn, SignIn.person_id == Person.id)
    found = session.execute(query.where(SignIn.token == hashed, SignIn.seen_at > func.now() - SIGNED_IN)).first()
    if found is None or found[0].left_at is not None:
        return None
    seen: datetime = found[1]
    if datetime.now(seen.tzinfo) - seen > SEEN:
        session.execute(update(SignIn).where(SignIn.token == hashed).values(seen_at=func.now()))
    return known(found[0])


def sign_out(session: Session, token: str) -> None:
    """Ends what one cookie is good for."""
    person = session.scalar(delete(SignIn).where(SignIn.token == hash_of(token)).returning(SignIn.person_id))
    if person is not None:
        announce_person(session, person)


def sign_out_everywhere(session: Session, person: UUID) -> None:
    """Ends what all cookies of a person are good for."""
    session.execute(delete(SignIn).where(SignIn.person_id == person))
    announce_person(session, person)


def set_password(session: Session, person: UUID, hashed: str) -> str:
    """Sets another password, as it is kept, and ends all sign-ins; the token of a new cookie."""
    session.get_one(Person, person).password = hashed
    sign_out_everywhere(session, person)
    return sign_in(session, person)


def failed(session: Session, name: str, address: str) -> None:
    """Counts a sign-in that failed."""
    session.add_all([Attempt(key=key) for key in _attempt_keys(name, address).values()])
    session.execute(delete(Attempt).where(Attempt.at < func.now() - WITHIN))


def check_attempts(session: Session, name: str, address: str) -> None:
    """Raises `TooManyAttempts` where too many sign-ins failed for the name, from the address, or both."""
    for what, key in _attempt_keys(name, address).items():
        recent = (Attempt.key == key, Attempt.at > func.now() - WITHIN)
        count = session.scalar(select(func.count()).select_from(Attempt).where(*recent)) or 0
        if count >= MOST_ATTEMPTS[what]:
            raise TooManyAttempts("Too many sign-ins failed. Try again in a quarter of an hour, or ask for a new link.")


def invite(session: Session, name: str = "", keeper: bool = False, person: UUID | None = None) -> str:
    """The token of a link by which somebody joins, or (``person``) sets a password anew. Raises `StoreError`, `NoPerson`."""
    if person is not None:
        row = session.get(Person, person)
        if row is None or row.left_at is not None:
            raise NoPerson("There is no such person any more.")
        session.execute(delete(Invitation).where(Invitation.person_id == person))
        name, keeper = row.name, row.keeper
    elif name:
        name = _checked(session, name)
    token = new_token()
    session.execute(delete(Invitation).where(Invitation.until < func.now()))
    until = func.now() + INVITED
    session.add(Invitation(token=hash_of(token), person_id=person, name=name, keeper=keeper, until=until))
    session.flush()
    return token


def invitations(session: Session) -> Sequence[Invitation]:
    """All links that still are good, the newest first."""
    return session.scalars(select(Invitation).where(Invitation.until > func.now()).order_by(Invitation.made_at.desc())).all()


def invitation(session: Session, token: str) -> Invitation:
    """What a link is for. Raises `NoInvitation`."""
    row = session.scalar(select(Invitation).where(Invitation.token == hash_of(token), Invitation.until > func.now()))
    if row is None:
        raise NoInvitation("This link was used already, was taken back, or is too old. Ask for a new one.")
    return row


def join(session: Session, token: str, name: str, hashed: str) -> tuple[Known, str]:
    """Takes an invitation: sets the password, as it is kept, makes the person where there is none; the token of a cookie.

    Raises `NoInvitation`, `TakenName`, `StoreError`.
    """
    invited = invitation(session, token)
    row = session.get(Person, invited.person_id) if invited.person_id is not None else None
    # The request that deletes the row has the link: it is good once, also for two who use it at the same moment.
    if not session.scalar(delete(Invitation).where(Invitation.token == invited.token).returning(Invitation.keeper.is_not(None))):
        raise NoInvitation("This link was used already, was taken back, or is too old. Ask for a new one.")
    if row is None:
        row = make_person(session, name, invited.keeper)
    cookie = set_password(session, row.id, hashed)
    session.execute(delete(Attempt).where(Attempt.key.startswith(f"name:{row.key}", autoescape=True)))
    return known(row), cookie


def take_invitation_back(session: Session, made_at: datetime) -> None:
    """Makes a link useless; it is known by when it was made."""
    session.execute(delete(Invitation).where(Invitation.made_at == made_at))


def key_of(name: str) -> str:
    """A name as it is compared: without case, without blanks around it, in one form of every letter (Unicode, UAX 15).

    >>> key_of("  Ada   Lovelock ") == key_of("ada lovelock")
    True
    """
    return unicodedata.normalize("NFKC", " ".join(name.split())).casefold()


def _checked(session: Session, name: str) -> str:
    kept = " ".join(name.split())
    if not 1 <= len(kept) <= LONGEST_NAME or not any(sign.isalnum() for sign in kept):
        raise StoreError(f"A name has 1 to {LONGEST_NAME} characters, a letter or digit among them.")
    if session.scalar(select(Person.id).where(Person.key == key_of(kept))) is not None:
        raise TakenName(f"Somebody is called {kept} already; add what tells the two apart.")
    return kept


def sign_in(session: Session, person: UUID) -> str:
    """Signs somebody in: the token of a cookie."""
    token = new_token()
    session.execute(delete(SignIn).where(SignIn.seen_at < func.now() - SIGNED_IN))
    session.add(SignIn(token=hash_of(token), person_id=person))
    session.flush()
    return token


def known(row: Person) -> Known:
    return Known(row.id, row.name, row.keeper)


def _attempt_keys(name: str, address: str) -> dict[str, str]:
    key = key_of(name)[:LONGEST_NAME]
    return {"name and address": f"name:{key}@{address}", "name": f"name:{key}", "address": f"from:{address}"}
