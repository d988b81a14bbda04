"""The right that each address requires: the one table of rights, for HTTP and sockets alike."""

from collections.abc import Mapping
from dataclasses import dataclass
from enum import Enum

from starlette.routing import compile_path

from ..store.rights import May


class Need(Enum):
    """Who is let in: anybody, without being looked up or with; who is signed in; who keeps the office; who may do so much with
    the drawing of the address."""

    UNASKED = "not even who it is"
    NOTHING = "nothing"
    SIGNED_IN = "signed in"
    KEEPER = "keeps the office"
    SEE = "see"
    COPY = "signed in, and see"
    DRAW = "draw"
    OWN = "own"

    @property
    def may(self) -> May | None:
        """What of a drawing it asks for; None where it asks for none."""
        return {Need.SEE: May.SEE, Need.COPY: May.SEE, Need.DRAW: May.DRAW, Need.OWN: May.OWN}.get(self)


PERMISSIONS: Mapping[str, Need] = {
    # Nothing of anybody's is sent.
    "GET /api/health": Need.UNASKED,
    "GET /api/health/process": Need.UNASKED,
    "GET /api/who": Need.NOTHING,
    "POST /api/sign-in": Need.NOTHING,
    "POST /api/sign-out": Need.NOTHING,
    "GET /api/invitations/{token}": Need.NOTHING,
    "POST /api/invitations/{token}": Need.NOTHING,
    "POST /api/looking/{token}": Need.NOTHING,
    "GET /api/help": Need.NOTHING,
    "GET /api/help/pictures/{name}": Need.NOTHING,
    "GET /api/files/formats": Need.NOTHING,
    # Of the office.
    "GET /api/office/mark": Need.NOTHING,
    "PUT /api/office/mark": Need.KEEPER,
    "DELETE /api/office/mark": Need.KEEPER,
    "POST /api/password": Need.SIGNED_IN,
    "GET /api/people": Need.SIGNED_IN,
    "PATCH /api/people/{person}": Need.KEEPER,
    "GET /api/teams": Need.SIGNED_IN,
    "POST /api/teams": Need.KEEPER,
    "PATCH /api/teams/{team}": Need.KEEPER,
    "DELETE /api/teams/{team}": Need.KEEPER,
    "GET /api/invitations": Need.KEEPER,
    "POST /api/invitations": Need.KEEPER,
    "DELETE /api/invitations": Need.KEEPER,
    # The shelf: what is on it is what the person may see.
    "GET /api/drawings": Need.SIGNED_IN,
    "POST /api/drawings": Need.SIGNED_IN,
    "POST /api/files/read": Need.SIGNED_IN,
    # A drawing looked at.
    "GET /api/drawings/{id}": Need.SEE,
    "GET /api/drawings/{id}/picture": Need.SEE,
    "GET /api/drawings/{id}/text": Need.SEE,
    "GET /api/drawings/{id}/source": Need.SEE,
    "GET /api/drawings/{id}/opened": Need.SEE,
    "GET /api/drawings/{id}/numbers": Need.SEE,
    "GET /api/drawings/{id}/working/{step}": Need.SEE,
    "GET /api/drawings/{id}/before/{step}": Need.SEE,
    "GET /api/drawings/{id}/values/{step}": Need.SEE,
    "GET /api/drawings/{id}/ways/{step}": Need.SEE,
    "GET /api/drawings/{id}/loose": Need.SEE,
    "GET /api/drawings/{id}/check.html": Need.SEE,
    "GET /api/drawings/{id}/check.csv": Need.SEE,
    "GET /api/drawings/{id}/check.pdf": Need.SEE,
    "GET /api/drawings/{id}/causes/{step}": Need.SEE,
    "GET /api/drawings/{id}/backing": Need.SEE,
    "GET /api/drawings/{id}/backing/picture": Need.SEE,
    "GET /api/drawings/{id}/inside": Need.SEE,
    "GET /api/drawings/{id}/alike/{figure}": Need.SEE,
    "GET /api/drawings/{id}/groups": Need.SEE,
    "POST /api/drawings/{id}/copied": Need.SEE,
    "POST /api/drawings/{id}/drawn": Need.SEE,
    "GET /api/drawings/{id}/tables": Need.SEE,
    "GET /api/drawings/{id}/tables.csv": Need.SEE,
    "GET /api/drawings/{id}/dimensions": Need.SEE,
    "GET /api/drawings/{id}/sheets/{number}": Need.SEE,
    "GET /api/drawings/{id}/sheets.pdf": Need.SEE,
    "GET /api/drawings/{id}/sheets/{number}/picture.png": Need.SEE,
    "GET /api/drawings/{id}/sheets/{number}/plot": Need.SEE,
    "POST /api/drawings/{id}/files/{word}": Need.SEE,
    "POST /api/drawings/{id}/files/{word}/look": Need.SEE,
    "POST /api/drawings/{id}/cut": Need.SEE,
    "POST /api/drawings/{id}/found": Need.SEE,
    "GET /api/drawings/{id}/history": Need.SEE,
    "GET /api/drawings/{id}/history/{revision}": Need.SEE,
    "GET /api/drawings/{id}/sharing": Need.SEE,
    # The table opens for who may see; what changes something there asks for more, see `MESSAGES`.
    "SOCKET /api/drawings/{id}/live": Need.SEE,
    # A copy is one's own: it takes a place on the shelf as well.
    "POST /api/drawings/{id}/duplicate": Need.COPY,
    # Changed.
    "POST /api/drawings/{id}/changes": Need.DRAW,
    "PATCH /api/drawings/{id}": Need.DRAW,
    "PUT /api/drawings/{id}/history/{revision}/name": Need.DRAW,
    "PUT /api/drawings/{id}/backing": Need.DRAW,
    "PATCH /api/drawings/{id}/backing": Need.DRAW,
    "DELETE /api/drawings/{id}/backing": Need.DRAW,
    "POST /api/drawings/{id}/backing/scale": Need.DRAW,
    # Given, taken away.
    "DELETE /api/drawings/{id}": Need.OWN,
    "POST /api/drawings/{id}/restore": Need.OWN,
    "PUT /api/drawings/{id}/sharing": Need.OWN,
    "POST /api/drawings/{id}/links": Need.OWN,
    "DELETE /api/drawings/{id}/links/{token}": Need.OWN,
}

MESSAGES: Mapping[str, Need] = {"read": Need.SEE, "echo": Need.SEE, "do": Need.DRAW, "where": Need.SEE}
"""What each message of a table's socket asks for."""

_PATTERNS = [(key, compile_path(key.split(" ")[1])[0], need) for key, need in PERMISSIONS.items()]


@dataclass(frozen=True, slots=True)
class Asked:
    """One address: its key in `PERMISSIONS`, what it asks for, and the drawing that it names (as it is written there)."""

    key: str
    need: Need
    drawing: str | None


def asked_of(method: str, path: str) -> Asked | None:
    """What an address asks for; None where there is no such address."""
    for key, pattern, need in _PATTERNS:
        if key.startswith(f"{method} ") and (found := pattern.match(path)):
            return Asked(key, need, found.groupdict().get("id"))
    return None
