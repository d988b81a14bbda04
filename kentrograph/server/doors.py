"""Who may come in: only pages that this server sent out itself, under an address that it was started for.

A browser sends every page's requests with the cookies and the reach of its person, so each request and each socket says by
`Host` under which name it came and by `Origin` which page made it. A name that is not ours is a foreign domain that was made
to point here (DNS rebinding); a foreign origin is another page. Both are turned away before anything is read. What is no
browser (a script, a test) sends no `Origin` and is let in: it could send whatever it likes. Sources, published: RFC 6454
(origins), RFC 6455 section 10.2 (sockets), W3C Content Security Policy 3.
"""

from collections.abc import Iterable

from starlette.datastructures import Headers, MutableHeaders
from starlette.types import ASGIApp, Message, Receive, Scope, Send

from ..store.errors import StoreError
from .refusals import answer_refused

LOOPBACK = ("127.0.0.1", "localhost", "[::1]")

HEADERS = {
    # Styles are put in by the component library as the page runs; scripts are ours, from files, and nothing else; and the core
    # beside the drafter, which is WebAssembly (the name of what lets that in, and no text be run, is the standard's).
    "Content-Security-Policy": (
        "default-src 'none'; script-src 'self' 'wasm-unsafe-eval'; style-src 'self' 'unsafe-inline';"
        " img-src 'self' data: blob:; font-src 'self';"
        " connect-src 'self'; manifest-src 'self'; base-uri 'none'; form-action 'none'; frame-ancestors 'none'"
    ),
    "X-Content-Type-Options": "nosniff",
    "X-Frame-Options": "DENY",
    "Referrer-Policy": "no-referrer",
    "Cross-Origin-Opener-Policy": "same-origin",
    "Cross-Origin-Resource-Policy": "same-origin",
}
PICTURE_HEADERS = {"Content-Security-Policy": "default-src 'none'; sandbox", "Content-Disposition": "inline"}
"""A picture that somebody sent is shown as a picture: nothing that may hide in it can run, even when it is opened alone."""


def addresses(port: int, more: Iterable[str] = (), tls: bool = False) -> frozenset[str]:
    """The origins under which a server on the loopback address is reached, and ``more``.

    Each of these is an origin (``https://office.example``) or a host, with its port where that is not the usual one, which
    is then reached by http and https. Raises `ValueError` for what is neither.

    >>> sorted(addresses(8300, ["https://office.example"]))[-1]
    'https://office.example'
    """
    found = {f"{'https' if tls else 'http'}://{host}:{port}" for host in LOOPBACK}
    for one in more:
        scheme, mark, host = one.strip().lower().rpartition("://")
        if not host or "/" in host or scheme not in ("", "http", "https") or (mark and not scheme):
            raise ValueError(f"{one!r} is no address: office.example, office.example:8443 or https://office.example would be one")
        found |= {f"{scheme}://{host}"} if scheme else {f"http://{host}", f"https://{host}"}
    return frozenset(found)


def any_loopback(host: str) -> bool:
    """Whether a `Host` is this machine's own, on whatever port."""
    name, _, port = host.rpartition(":") if not host.endswith("]") else (host, "", "")
    return (name or host) in LOOPBACK and (not port or port.isdigit())


class Foreign(StoreError):
    """Another page, or another name."""

    status = 403

    def __init__(self, code: str, message: str) -> None:
        super().__init__(message)
        self.code = code


class Doors:
    """Turns foreign requests away, and puts the security headers on every answer.

    Where no addresses are known (the application is made without having been told where it serves) those of this
    machine are let in, each to itself.
    """

    def __init__(self, app: ASGIApp, origins: frozenset[str] | None) -> None:
        self.app = app
        self.origins = origins
        self.hosts = None if origins is None else frozenset(origin.partition("://")[2] for origin in origins)

    async def __call__(self, scope: Scope, receive: Receive, send: Send) -> None:
        """One request or socket."""
        if scope["type"] not in ("http", "websocket"):
            await self.app(scope, receive, send)
            return
        foreign = self._foreign(Headers(scope=scope))
        if scope["type"] == "websocket":
            if foreign:
                await receive()
                await send({"type": "websocket.close", "code": 1008, "reason": foreign[0]})
            else:
                await self.app(scope, receive, send)
            return
        if foreign:
            await _turn_away(foreign, send)
            return

        async def with_headers(message: Message) -> None:
            if message["type"] == "http.response.start":
                headers = MutableHeaders(scope=message)
                for name, value in HEADERS.items():
                    headers.setdefault(name, value)
            await send(message)

        await self.app(scope, receive, with_headers)

    def _foreign(self, headers: Headers) -> tuple[str, str] | None:
        """Code and sentence for a request that is turned away; None for one of ours."""
        host, origin = headers.get("host", "").lower(), headers.get("origin")
        if not (host in self.hosts if self.hosts is not None else any_loopback(host)):
            return "foreign_host", "This server does not answer under that name; --allow NAME lets it, when it is started."
        if origin is not None:
            ours = origin.lower() in self.origins if self.origins is not None else origin.lower() == f"http://{host}"
            if not ours or origin.lower().partition("://")[2] != host:
                return "foreign_origin", "This request comes from another page, which may not read or change drawings here."
        if headers.get("sec-fetch-site") == "cross-site" and headers.get("sec-fetch-mode") != "navigate":
            return "foreign_origin", "This request comes from another page, which may not read or change drawings here."
        return None


async def _turn_away(foreign: tuple[str, str], send: Send) -> None:
    async def with_headers(message: Message) -> None:
        if message["type"] == "http.response.start":
            message["headers"] += [(name.lower().encode(), value.encode()) for name, value in HEADERS.items()]
        await send(message)

    await answer_refused(Foreign(*foreign), with_headers)
