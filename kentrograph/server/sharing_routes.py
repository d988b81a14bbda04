"""HTTP: with whom a drawing is shared, and the links by which it is looked at."""

from typing import Any
from uuid import UUID

from fastapi import APIRouter, Request

from ..store import history, rights
from ..store.drawings import get_drawing
from ..store.people_tables import Link
from ..store.rights import May
from .caller import caller_of, may_of
from .people_routes import Token
from .people_schemas import LinkView, ShareView, Sharing, SharingView
from .service import service_of

router = APIRouter(prefix="/api/drawings/{id}")


@router.get("/sharing", response_model=SharingView)
def get_sharing(request: Request, id: UUID) -> Any:
    """Who may do what with a drawing."""
    if caller_of(request).person is None:
        # A guest may look at the drawing, and not at who is in the office.
        return SharingView(may="see", shares=[], links=[])
    with service_of(request).session() as session:
        get_drawing(session, id)
        found = rights.shares(session, id)
        shares = [ShareView(id=one.id, name=one.name, kind=one.kind, may=one.may.name.lower()) for one in found]
        links = [_link(row) for row in rights.links(session, id)] if may_of(request) is May.OWN else []
    return SharingView(may=may_of(request).name.lower(), shares=shares, links=links)


@router.put("/sharing", response_model=SharingView)
def put_sharing(request: Request, id: UUID, asked: Sharing) -> Any:
    """Lets somebody do so much with a drawing from now on, or no longer."""
    with service_of(request).session() as session:
        get_drawing(session, id)
        rights.share(session, id, asked.kind, asked.id, May[asked.may.upper()])
        whom = rights.named(session, asked.kind, asked.id)
        said = {"nothing": f"no longer shares it with {whom}", "own": f"lets {whom} own it"}
        history.happened(session, id, caller_of(request).name, said.get(asked.may, f"lets {whom} {asked.may} it"))
    return get_sharing(request, id)


@router.post("/links", status_code=201, response_model=LinkView)
def make_link(request: Request, id: UUID) -> Any:
    """A link by which its holder may look at a drawing."""
    with service_of(request).session() as session:
        get_drawing(session, id)
        history.happened(session, id, caller_of(request).name, "made a link to look at it")
        return _link(rights.make_link(session, id, caller_of(request).name))


@router.delete("/links/{token}", status_code=204)
def take_link_back(request: Request, id: UUID, token: Token) -> None:
    """Makes a link useless."""
    with service_of(request).session() as session:
        get_drawing(session, id)
        rights.take_link_back(session, id, token)
        history.happened(session, id, caller_of(request).name, "took a link to it back")


def _link(row: Link) -> LinkView:
    return LinkView(token=row.token, path=f"/look/{row.token}", made_by=row.made_by, made_at=row.made_at)
