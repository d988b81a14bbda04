"""Who calls: a person, or nobody who is known, and by which links they look."""

from collections.abc import Callable
from contextlib import AbstractContextManager
from dataclasses import dataclass
from http.cookies import CookieError, SimpleCookie
from uuid import UUID

from sqlalchemy.orm import Session
from starlette.datastructures import Headers
from starlette.requests import HTTPConnection

from ..store import people, rights
from ..store.people import Known
from ..store.rights import May

SIGN_IN_COOKIE, LOOKING_COOKIE = "kentrograph", "kentrograph-looking"
MOST_LOOKED_AT = 20
Sessions = Callable[[], AbstractContextManager[Session]]


@dataclass(frozen=True, slots=True)
class Caller:
    """Who calls, and with what. ``token`` is that of the sign-in, ``links`` those that were followed."""

    person: Known | None
    office: bool
    token: str = ""
    links: tuple[str, ...] = ()

    @property
    def name(self) -> str:
        """Under which what they do is kept."""
        return self.person.name if self.person is not None else "a guest"


class Callers:
    """Finds out who calls. In an office people sign in; elsewhere everybody on this machine is one person.

    Once somebody has set a password it is an office, whatever is asked for: what was shut is not opened by a forgotten word.
    """

    def __init__(self, sessions: Sessions, office: bool, name: str) -> None:
        self.sessions = sessions
        self.office = office
        self.name = name
        self.local: Known | None = None

    def settle(self) -> None:
        """Finds out, once, whether it is an office and, where it is not, who the one person is."""
        if self.office or self.local is not None:
            return
        with self.sessions() as session:
            self.office = people.is_office(session)
            self.local = None if self.office else people.local_person(session, self.name)

    def standing(self, token: str, links: tuple[str, ...], drawing: UUID | None) -> tuple[Caller, May]:
        """Who calls with the cookie of a sign-in and links that were followed, and what they may do with a drawing: looked up in
        one go, for a request, and again for an open table when that may have changed."""
        self.settle()
        if self.local is not None:
            return Caller(self.local, office=False), May.OWN
        if not token and (drawing is None or not links):
            return Caller(None, office=True, links=links), May.NOTHING
        with self.sessions() as session:
            person = people.person_of(session, token) if token else None
            most = rights.may(session, person, drawing, links) if drawing is not None else May.NOTHING
        return Caller(person, True, token, links), most


def caller_of(connection: HTTPConnection) -> Caller:
    """Who the gate found out that calls."""
    found: Caller = connection.scope["state"]["caller"]
    return found


def person_of(connection: HTTPConnection) -> Known:
    """The person who calls, at an address that only persons reach."""
    person = caller_of(connection).person
    assert person is not None
    return person


def tokens_of(headers: Headers) -> tuple[str, tuple[str, ...]]:
    """What the cookies hold: of the sign-in, and of links that were followed. Cookies that are none hold nothing."""
    jar: SimpleCookie = SimpleCookie()
    try:
        jar.load(headers.get("cookie", "")[:8_000])
    except CookieError:
        return "", ()
    held = {name: jar[name].value for name in (SIGN_IN_COOKIE, LOOKING_COOKIE) if name in jar}
    links = [one for one in held.get(LOOKING_COOKIE, "").split(".") if one]
    return held.get(SIGN_IN_COOKIE, ""), tuple(links[:MOST_LOOKED_AT])


def may_of(connection: HTTPConnection) -> May:
    """What the gate found out that may be done with the drawing of the address."""
    found: May = connection.scope["state"]["may"]
    return found
