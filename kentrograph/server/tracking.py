"""Every request has a number, which stands in the log, in the answer's header and in the message of a fault; and is counted."""

import logging
import re
import secrets
from time import perf_counter

import structlog
from starlette.datastructures import Headers, MutableHeaders
from starlette.types import ASGIApp, Message, Receive, Scope, Send

from ..store.errors import StoreError
from .metrics import FAULTS, REQUEST_SECONDS, REQUESTS, TABLES
from .permissions import asked_of
from .refusals import answer_refused

log = logging.getLogger("kentrograph")
HEADER = "X-Request-ID"
SLOW = 1.0
"""Seconds; what took longer is logged, as is what changed something and what was refused."""
_NUMBER = re.compile(r"[A-Za-z0-9-]{8,64}")


class Fault(StoreError):
    """The server could not do it, by a fault of its own."""

    code, status = "fault", 500

    def __init__(self) -> None:
        FAULTS.inc()
        super().__init__(f"The server could not do this; the fault is in its log, under {number()}.")


def number() -> str:
    """Of the request that is being answered."""
    return str(structlog.contextvars.get_contextvars().get("request", "no number"))


class Tracking:
    """Stands in front of everything else."""

    def __init__(self, app: ASGIApp) -> None:
        self.app = app

    async def __call__(self, scope: Scope, receive: Receive, send: Send) -> None:
        """One request or socket."""
        if scope["type"] not in ("http", "websocket"):
            await self.app(scope, receive, send)
            return
        # A proxy in front may have given it one, which then stands in both logs.
        given = Headers(scope=scope).get(HEADER, "")
        own = given if _NUMBER.fullmatch(given) else secrets.token_hex(6)
        with structlog.contextvars.bound_contextvars(request=own):
            if scope["type"] == "websocket":
                await self._socket(scope, receive, send)
            else:
                await self._request(own, scope, receive, send)

    async def _socket(self, scope: Scope, receive: Receive, send: Send) -> None:
        TABLES.inc()
        begun = perf_counter()
        try:
            await self.app(scope, receive, send)
        finally:
            TABLES.dec()
            asked = asked_of("SOCKET", scope["path"])
            if asked is not None:
                log.info("table closed", extra={"drawing": asked.drawing, "seconds": round(perf_counter() - begun, 1)})

    async def _request(self, own: str, scope: Scope, receive: Receive, send: Send) -> None:
        begun, status = perf_counter(), 0

        async def noting(message: Message) -> None:
            nonlocal status
            if message["type"] == "http.response.start":
                status = message["status"]
                MutableHeaders(scope=message)[HEADER] = own
            await send(message)

        try:
            await self.app(scope, receive, noting)
        except Exception:
            log.exception("fault")
            if status == 0:
                await answer_refused(Fault(), noting)
            else:
                raise
        finally:
            took = perf_counter() - begun
            # What an address is like, not the address: some hold secrets.
            asked = asked_of(scope["method"], scope["path"])
            key = asked.key if asked is not None else "no address of the interface"
            REQUESTS.labels(key, str(status)).inc()
            REQUEST_SECONDS.labels(key).observe(took)
            if status >= 400 or took > SLOW or not key.startswith("GET"):
                said = {"asked": key, "drawing": asked and asked.drawing, "status": status, "seconds": round(took, 3)}
                log.log(logging.WARNING if status >= 500 else logging.INFO, "answered", extra=said)
