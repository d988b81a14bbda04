"""Who may do what: every request and every socket passes here, before anything of it is read.

`permissions.PERMISSIONS` says what an address asks for, `Callers` who calls, `store.rights` what they may. A drawing that
somebody may not see is answered as one that is not there.
"""

from uuid import UUID

from pydantic import TypeAdapter, ValidationError
from starlette.concurrency import run_in_threadpool
from starlette.datastructures import Headers
from starlette.types import ASGIApp, Receive, Scope, Send

from ..store.database import UNANSWERED, unanswered
from ..store.errors import StoreError
from ..store.people import NotSignedIn
from ..store.rights import May, MayNot
from .caller import Caller, Callers, tokens_of
from .permissions import Need, asked_of
from .refusals import answer_refused, close_refused

_UUIDS: TypeAdapter[UUID] = TypeAdapter(UUID)
NO_DRAWING = "There is no such drawing; it may have been deleted, or is not shared with you."


class NotShared(StoreError):
    """There is no such drawing for this client."""

    code, status = "no_drawing", 404


class Authorization:
    """Lets in who may, and says why not to who may not."""

    def __init__(self, app: ASGIApp, callers: Callers) -> None:
        self.app = app
        self.callers = callers

    async def __call__(self, scope: Scope, receive: Receive, send: Send) -> None:
        """One request or socket."""
        verb = {"http": scope.get("method"), "websocket": "SOCKET"}.get(scope["type"])
        asked = asked_of(verb, scope["path"]) if verb is not None else None
        if asked is None or asked.need is Need.UNASKED:
            await self.app(scope, receive, send)
            return
        try:
            caller, most = await self._let_in(Headers(scope=scope), asked.need, asked.drawing)
        except StoreError as error:
            if verb == "SOCKET":
                await close_refused(error, receive, send)
            else:
                await answer_refused(error, send)
            return
        scope.setdefault("state", {}).update(caller=caller, may=most)
        await self.app(scope, receive, send)

    async def _let_in(self, headers: Headers, need: Need, written: str | None) -> tuple[Caller, May]:
        """Who calls, and what they may do with the drawing. Raises `NotSignedIn`, `MayNot`, `NotShared`."""
        if self.callers.local is not None:
            return Caller(self.callers.local, office=False), May.OWN
        try:
            return await run_in_threadpool(_let_in, self.callers, headers, need, written)
        except UNANSWERED as error:
            raise unanswered(error) from error


def _let_in(callers: Callers, headers: Headers, need: Need, written: str | None) -> tuple[Caller, May]:
    caller, most = callers.standing(*tokens_of(headers), _drawing(written))
    if not caller.office:
        return caller, most
    if caller.person is None and need in (Need.SIGNED_IN, Need.KEEPER, Need.COPY):
        raise NotSignedIn("Nobody is signed in here; sign in first.")
    if need is Need.KEEPER and not (caller.person and caller.person.keeper):
        raise MayNot("Only who keeps the office may do this.")
    if written is None or _drawing(written) is not None:
        check(caller, most, need)
    return caller, most


def _drawing(written: str | None) -> UUID | None:
    """The drawing that an address names, read as its route reads it; None where it names none. What is no name of one its route
    says, with what is wrong about it."""
    try:
        return _UUIDS.validate_python(written)
    except ValidationError:
        return None


def check(caller: Caller, most: May, need: Need) -> None:
    """Whether who may do so much with a drawing may do what ``need`` asks. Raises `NotSignedIn`, `MayNot`, `NotShared`."""
    if need.may is None or most >= need.may:
        return
    if most >= May.SEE:
        what = "change it" if need is Need.DRAW else "give it away or delete it: only who owns it may"
        raise MayNot(f"You may {'draw in' if most is May.DRAW else 'look at'} this drawing, but not {what}.")
    if caller.person is None:
        raise NotSignedIn("Nobody is signed in here; sign in first.")
    raise NotShared(NO_DRAWING)
