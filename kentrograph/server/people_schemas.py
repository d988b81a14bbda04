"""What goes over the wire of people, teams and sharing."""

from datetime import datetime
from typing import Annotated, Literal
from uuid import UUID

from pydantic import BaseModel, Field

from ..core.desk.bounds import WRITABLE
from ..store.people import LONGEST_NAME
from ..store.secrets import LONGEST
from .schemas import MayWord, Model

PersonName = Annotated[str, Field(min_length=1, max_length=LONGEST_NAME, pattern=WRITABLE)]
Password = Annotated[str, Field(max_length=LONGEST)]
MayOrNot = Literal["nothing", "see", "draw", "own"]


class Me(BaseModel):
    """Somebody who is signed in, or the one person of this machine."""

    id: UUID
    name: str
    keeper: bool


class WhoView(BaseModel):
    """Who calls, whether people sign in here, and which drawings may be looked at by links that were followed."""

    office: bool
    person: Me | None
    looking: list[UUID]


class SigningIn(Model):
    """A name and a password."""

    name: PersonName
    password: Password


class SigningOut(Model):
    """Whether it is everywhere, or in this browser only."""

    everywhere: bool = False


class NewPassword(Model):
    """The password as it is, and as it will be."""

    now: Password
    new: Password


class PersonView(BaseModel):
    """Somebody of the office."""

    id: UUID
    name: str
    keeper: bool
    joined: bool
    """Whether they have a password: without one nobody can sign in as them."""
    left: bool


class PersonChange(Model):
    """Another name or standing of somebody."""

    name: PersonName | None = None
    keeper: bool | None = None
    left: bool | None = None


class Inviting(Model):
    """For whom a link is: a new person, named or not, or one who sets a password anew."""

    name: Annotated[str, Field(max_length=LONGEST_NAME, pattern=WRITABLE)] = ""
    keeper: bool = False
    person: UUID | None = None


class InvitationView(BaseModel):
    """A link that was given and not yet used."""

    name: str
    again: bool
    """Whether it is for somebody who sets a password anew."""
    keeper: bool
    made_at: datetime
    until: datetime


class InvitedView(InvitationView):
    """One that was just made: its address is sent once."""

    path: str


class Joining(Model):
    """The name and the password of who takes an invitation."""

    name: PersonName
    password: Password


class TeamView(BaseModel):
    """A team and who is in it."""

    id: UUID
    name: str
    members: list[UUID]


class NewTeam(Model):
    """A new team."""

    name: PersonName


class TeamChange(Model):
    """Another name, or other members."""

    name: PersonName | None = None
    members: Annotated[list[UUID], Field(max_length=1_000)] | None = None


class ShareView(BaseModel):
    """Somebody who may do something with a drawing; everybody has no id."""

    id: UUID | None
    name: str
    kind: Literal["person", "team", "all"]
    may: MayWord


class Sharing(Model):
    """What somebody may do with a drawing from now on."""

    kind: Literal["person", "team", "all"]
    id: UUID | None = None
    may: MayOrNot


class LinkView(BaseModel):
    """A link by which a drawing may be looked at."""

    token: str
    path: str
    made_by: str
    made_at: datetime


class SharingView(BaseModel):
    """Who may do what with a drawing; its links are sent only to its owner."""

    may: MayWord
    shares: list[ShareView]
    links: list[LinkView]


class LookedAt(BaseModel):
    """The drawing that a link shows."""

    id: UUID
