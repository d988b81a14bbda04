"""Work that takes a while, told line by line (JSON): how far it is, then what came of it. Going away calls it off."""

import asyncio
from collections.abc import AsyncIterator, Callable
from contextvars import copy_context
from threading import Event
from time import monotonic
from typing import TypeVar

from fastapi.responses import StreamingResponse
from pydantic import BaseModel

from ..core.budget import unlimited
from ..core.language.messages import sentence
from ..core.problem import Refused
from ..exchange.files.found import WATCH, Progress

_APART = 0.1
"""Seconds between two lines that say how far it is."""
Line = TypeVar("Line", bound=BaseModel)


class CalledOff(Exception):
    """Nobody waits for it any more."""


def in_lines(line: Callable[..., Line], work: Callable[[Progress], BaseModel]) -> StreamingResponse:
    """An answer in lines, each made by ``line``: with ``done`` and ``total``, in the end with ``found`` or ``refused``."""

    async def lines() -> AsyncIterator[bytes]:
        loop, told, stop = asyncio.get_running_loop(), asyncio.Queue[Line | None](), Event()
        last = 0.0

        def tell(one: Line | None) -> None:
            loop.call_soon_threadsafe(told.put_nowait, one)

        def watch() -> None:
            if stop.is_set():
                raise CalledOff

        def progress(done: int, total: int) -> None:
            nonlocal last
            watch()
            if monotonic() - last > _APART:
                last = monotonic()
                tell(line(done=done, total=total))

        def run() -> None:
            WATCH.set(watch)
            try:
                with unlimited():
                    tell(line(found=work(progress)))
            except Refused as refused:
                tell(line(refused=sentence(refused.problem)))
            except CalledOff:
                pass
            finally:
                tell(None)

        running = loop.run_in_executor(None, copy_context().run, run)
        try:
            while (one := await told.get()) is not None:
                yield one.model_dump_json(exclude_defaults=True).encode() + b"\n"
            await running
        finally:
            stop.set()

    return StreamingResponse(lines(), media_type="application/x-ndjson", headers={"Cache-Control": "no-store"})
