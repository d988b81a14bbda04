"""Refusals of requests and sockets that no route has seen yet."""

import orjson
from starlette.types import Receive, Send

from ..store.errors import StoreError

CLOSED = {401: 4401, 403: 4403, 404: 4404, 429: 4429, 503: 1013, 507: 1013}
"""The codes with which a socket is closed, by the status that a request would have had (RFC 6455, 7.4.2: private use)."""
LONGEST_REASON = 120
"""Bytes of a reason (RFC 6455, 5.5)."""


async def answer_refused(error: StoreError, send: Send, close: bool = False) -> None:
    """Answers a request; with ``close`` nothing more is read on this connection."""
    body = orjson.dumps({"code": error.code, "message": error.message, "fields": {}})
    headers = [(b"content-type", b"application/json"), (b"content-length", str(len(body)).encode())]
    headers += [(b"connection", b"close")] if close else []
    await send({"type": "http.response.start", "status": error.status, "headers": headers})
    await send({"type": "http.response.body", "body": body})


async def close_refused(error: StoreError, receive: Receive, send: Send) -> None:
    """A socket is taken and closed at once: a browser tells its page nothing of one that was not taken."""
    await receive()
    await send({"type": "websocket.accept"})
    await send({"type": "websocket.close", "code": CLOSED[error.status], "reason": error.message[:LONGEST_REASON]})
