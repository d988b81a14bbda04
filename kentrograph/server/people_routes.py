"""HTTP: who calls, signing in and out, people, teams and invitations."""

from collections.abc import Callable
from datetime import datetime
from typing import Annotated, Any, ParamSpec, TypeVar
from uuid import UUID

from fastapi import APIRouter, Path, Query, Request, Response
from fastapi.concurrency import run_in_threadpool

from ..store import people, rights, teams
from ..store.errors import StoreError
from ..store.people import SIGNED_IN, Known, NotSignedIn
from ..store.people_tables import Invitation, Person
from ..store.secrets import hashed_password, is_password
from .authorization import NotShared
from .caller import LOOKING_COOKIE, MOST_LOOKED_AT, SIGN_IN_COOKIE, caller_of, person_of
from .people_schemas import (
    InvitationView,
    InvitedView,
    Inviting,
    Joining,
    LookedAt,
    Me,
    NewPassword,
    NewTeam,
    PersonChange,
    PersonView,
    SigningIn,
    SigningOut,
    TeamChange,
    TeamView,
    WhoView,
)
from .rooms import rooms_of
from .service import service_of

router = APIRouter(prefix="/api")
P = ParamSpec("P")
T = TypeVar("T")
Token = Annotated[str, Path(min_length=20, max_length=100, pattern=r"^[A-Za-z0-9_-]+$")]


@router.get("/who", response_model=WhoView)
def who(request: Request) -> Any:
    """Who calls, and whether people sign in here at all."""
    caller = caller_of(request)
    with service_of(request).session() as session:
        looking = [id for token in caller.links if (id := rights.drawing_of_link(session, token)) is not None]
    return WhoView(office=caller.office, person=_me(caller.person), looking=looking)


@router.post("/sign-in", response_model=Me)
async def sign_in(request: Request, response: Response, asked: SigningIn) -> Any:
    """Signs somebody in; the cookie is the browser's only."""

    def look() -> tuple[Known, str | None] | None:
        with service_of(request).session() as session:
            people.check_attempts(session, asked.name, _address(request))
            return people.named(session, asked.name)

    found = await run_in_threadpool(look)
    right = await _worked_out(request, is_password, found[1] if found else None, asked.password)

    def finish() -> str | None:
        with service_of(request).session() as session:
            if right and found is not None:
                return people.sign_in(session, found[0].id)
            people.failed(session, asked.name, _address(request))
            return None

    token = await run_in_threadpool(finish)
    if token is None or found is None:
        raise NotSignedIn("The name or the password is not right.")
    _give(request, response, SIGN_IN_COOKIE, token)
    return _me(found[0])


@router.post("/sign-out", status_code=204)
def sign_out(request: Request, response: Response, asked: SigningOut) -> None:
    """Signs out, in this browser or in all."""
    caller = caller_of(request)
    if caller.person is not None and caller.office:
        with service_of(request).session() as session:
            if asked.everywhere:
                people.sign_out_everywhere(session, caller.person.id)
            else:
                people.sign_out(session, caller.token)
    response.delete_cookie(SIGN_IN_COOKIE, path="/", httponly=True, samesite="strict")


@router.post("/password", status_code=204)
async def change_password(request: Request, response: Response, asked: NewPassword) -> None:
    """Sets another password; all other browsers are signed out."""
    person = person_of(request)

    def look() -> tuple[Known, str | None] | None:
        with service_of(request).session() as session:
            people.check_attempts(session, person.name, _address(request))
            return people.named(session, person.name)

    found = await run_in_threadpool(look)
    right = await _worked_out(request, is_password, found[1] if found else None, asked.now)
    hashed = await _worked_out(request, hashed_password, asked.new, person.name) if right else None

    def finish() -> str | None:
        with service_of(request).session() as session:
            if hashed is not None:
                return people.set_password(session, person.id, hashed)
            people.failed(session, person.name, _address(request))
            return None

    token = await run_in_threadpool(finish)
    if token is None:
        # Nobody is signed out by a slip.
        raise StoreError("This is not the password you have now.")
    _give(request, response, SIGN_IN_COOKIE, token)


@router.get("/people", response_model=list[PersonView])
def list_people(request: Request) -> Any:
    """All people of the office, by name."""
    with service_of(request).session() as session:
        return [_person(row) for row in people.everyone(session)]


@router.patch("/people/{person}", response_model=PersonView)
def change_person(request: Request, person: UUID, asked: PersonChange) -> Any:
    """Gives somebody another name or standing."""
    with service_of(request).session() as session:
        return _person(people.change_person(session, person, asked.name, asked.keeper, asked.left))


# Invitations --------------------------------------------------------------------------------------------


@router.get("/invitations", response_model=list[InvitationView])
def list_invitations(request: Request) -> Any:
    """The links that were given and not yet used."""
    with service_of(request).session() as session:
        return [_invitation(row) for row in people.invitations(session)]


@router.post("/invitations", status_code=201, response_model=InvitedView)
def invite(request: Request, asked: Inviting) -> Any:
    """A link by which somebody joins, or sets a password anew: told once, good once, for a week."""
    with service_of(request).session() as session:
        token = people.invite(session, asked.name.strip(), asked.keeper, asked.person)
        row = people.invitation(session, token)
        return InvitedView(**_invitation(row).model_dump(), path=f"/join/{token}")


@router.delete("/invitations", status_code=204)
def take_invitation_back(request: Request, made_at: Annotated[datetime, Query()]) -> None:
    """Makes a link useless."""
    with service_of(request).session() as session:
        people.take_invitation_back(session, made_at)


@router.get("/invitations/{token}", response_model=InvitationView)
def get_invitation(request: Request, token: Token) -> Any:
    """What a link is for."""
    with service_of(request).session() as session:
        return _invitation(people.invitation(session, token))


@router.post("/invitations/{token}", response_model=Me)
async def join(request: Request, response: Response, token: Token, asked: Joining) -> Any:
    """Takes an invitation, and signs in."""
    invited = await run_in_threadpool(get_invitation, request, token)
    hashed = await _worked_out(request, hashed_password, asked.password, invited.name if invited.again else asked.name)

    def finish() -> tuple[Known, str]:
        with service_of(request).session() as session:
            return people.join(session, token, asked.name, hashed)

    person, made = await run_in_threadpool(finish)
    _give(request, response, SIGN_IN_COOKIE, made)
    return _me(person)


@router.post("/looking/{token}", response_model=LookedAt)
def follow_link(request: Request, response: Response, token: Token) -> Any:
    """Follows a link by which a drawing may be looked at: the browser may from now on."""
    with service_of(request).session() as session:
        drawing = rights.drawing_of_link(session, token)
    if drawing is None:
        raise NotShared("This link was taken back. Ask whoever gave it for another one.")
    links = [token, *(one for one in caller_of(request).links if one != token)]
    _give(request, response, LOOKING_COOKIE, ".".join(links[:MOST_LOOKED_AT]))
    return LookedAt(id=drawing)


# Teams --------------------------------------------------------------------------------------------------


@router.get("/teams", response_model=list[TeamView])
def list_teams(request: Request) -> Any:
    """All teams, by name."""
    with service_of(request).session() as session:
        return teams.teams(session)


@router.post("/teams", status_code=201, response_model=TeamView)
def make_team(request: Request, asked: NewTeam) -> Any:
    """A new team."""
    with service_of(request).session() as session:
        return teams.make_team(session, asked.name)


@router.patch("/teams/{team}", response_model=TeamView)
def change_team(request: Request, team: UUID, asked: TeamChange) -> Any:
    """Gives a team another name, or other members."""
    with service_of(request).session() as session:
        return teams.change_team(session, team, asked.name, asked.members)


@router.delete("/teams/{team}", status_code=204)
def delete_team(request: Request, team: UUID) -> None:
    """Takes a team away; its people stay."""
    with service_of(request).session() as session:
        teams.delete_team(session, team)


async def _worked_out(request: Request, function: Callable[P, T], *args: P.args, **kwargs: P.kwargs) -> T:
    """What a password comes to, two at a time: the request that waits for it holds neither a thread nor a connection."""
    return await rooms_of(request).work.run("passwords", function, *args, **kwargs)


def _address(request: Request) -> str:
    return request.client.host if request.client else ""


def _give(request: Request, response: Response, cookie: str, value: str) -> None:
    """A cookie that no script reads and no other site's request carries; over TLS it goes over TLS only."""
    secure = request.headers.get("origin", "").startswith("https://") or request.url.scheme == "https"
    age = int(SIGNED_IN.total_seconds())
    response.set_cookie(cookie, value, max_age=age, path="/", httponly=True, samesite="strict", secure=secure)


def _me(person: Known | None) -> Me | None:
    return Me(id=person.id, name=person.name, keeper=person.keeper) if person is not None else None


def _person(row: Person) -> PersonView:
    return PersonView(id=row.id, name=row.name, keeper=row.keeper, joined=row.password is not None, left=row.left_at is not None)


def _invitation(row: Invitation) -> InvitationView:
    again = row.person_id is not None
    return InvitationView(name=row.name, again=again, keeper=row.keeper, made_at=row.made_at, until=row.until)
