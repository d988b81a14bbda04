"""The application: routes, the socket, errors, and the front end's files."""

import asyncio
import logging
from collections.abc import AsyncIterator
from contextlib import asynccontextmanager
from mimetypes import guess_type
from pathlib import Path
from typing import Any
from uuid import UUID

from fastapi import FastAPI, Request, WebSocket
from fastapi.exceptions import RequestValidationError
from fastapi.responses import FileResponse, JSONResponse, Response
from pydantic import TypeAdapter
from pydantic.json_schema import JsonSchemaMode

from .. import __version__
from ..core.language.messages import sentence
from ..core.problem import Refused
from ..store.database import UNANSWERED, engine_for, unanswered
from ..store.errors import StoreError
from . import file_routes, history_routes, people_routes, selecting, sharing_routes, sheet_routes
from .authorization import Authorization
from .backups import back_up_daily
from .caller import Callers, caller_of
from .declared import DeclaredView
from .doors import Doors
from .limits import Limits
from .listener import listen
from .live_session import LiveSession
from .packing import Packing
from .presence import Presence
from .rooms import Rooms
from .routes import router
from .schemas import ErrorView
from .sentences import schema_sentence
from .service import Service
from .shelf_pictures import ShelfPictures
from .socket_schemas import SOCKET_TYPES
from .tracking import Tracking
from .work import Work

log = logging.getLogger("kentrograph")
WEB = Path(__file__).resolve().parents[2] / "web" / "dist"


def create_app(
    database_url: str, web: Path = WEB, origins: frozenset[str] | None = None, office: bool = False,
    person: str = "drafter", backup: Path | None = None,
) -> FastAPI:  # fmt: skip
    """The application on a database that has its tables; ``origins`` are those of the addresses it is served at.

    In an ``office`` people sign in; elsewhere this machine has one ``person``. Once a day everything is written to
    the folder ``backup``.
    """
    engine = engine_for(database_url)
    service, work = Service(engine), Work()
    pictures = ShelfPictures(service, work)
    packing = Packing(service, work)
    rooms = Rooms(service, work, Presence(database_url), packing, pictures.changed)
    callers = Callers(service.session, office, person)

    @asynccontextmanager
    async def lifespan(app: FastAPI) -> AsyncIterator[None]:
        log.info("begins to serve", extra={"version": __version__, "office": office})
        runs = (listen(database_url, rooms), rooms.presence.run(), pictures.run(), packing.run())
        tasks = [asyncio.create_task(one) for one in runs]
        if backup is not None:
            tasks.append(asyncio.create_task(back_up_daily(backup)))
        yield
        for task in tasks:
            task.cancel()
        engine.dispose()

    app = FastAPI(
        title="Kentrograph", version=__version__, lifespan=lifespan, docs_url=None, redoc_url=None,
        responses={code: {"model": ErrorView} for code in (400, 401, 403, 404, 409, 422)},
    )  # fmt: skip
    app.state.service, app.state.rooms, app.state.packing = service, rooms, packing
    app.add_middleware(Limits, forget=service.forget)
    app.add_middleware(Authorization, callers=callers)
    app.add_middleware(Doors, origins=origins)
    app.add_middleware(Tracking)
    app.include_router(people_routes.router)
    app.include_router(sharing_routes.router)
    app.include_router(history_routes.router)
    app.include_router(router)
    app.include_router(selecting.router)
    app.include_router(sheet_routes.router)
    app.include_router(sheet_routes.office)
    app.include_router(file_routes.router)
    _errors(app)
    _schema(app)

    @app.websocket("/api/drawings/{id}/live")
    async def live(socket: WebSocket, id: UUID, whole: bool = False) -> None:
        await LiveSession(socket, rooms, callers, caller_of(socket), id, whole).serve()

    if web.is_dir():
        _front_end(app, web)
    return app


def _errors(app: FastAPI) -> None:
    @app.exception_handler(StoreError)
    async def store_error(request: Request, error: StoreError) -> JSONResponse:
        return _answer(error.status, error.code, error.message, error.fields)

    @app.exception_handler(Refused)
    async def refused(request: Request, error: Refused) -> JSONResponse:
        problem = error.problem
        return _answer(422, problem.kind, sentence(problem), {"start": problem.start, "end": problem.end})

    @app.exception_handler(RequestValidationError)
    async def bad_request(request: Request, error: RequestValidationError) -> JSONResponse:
        # The framework's own answer repeats what was sent, which need not be text at all.
        where, said = schema_sentence(error.errors()[0])
        return _answer(422, "bad_request", f"{where}: {said}", {"where": where})

    async def no_database(request: Request, error: Exception) -> JSONResponse:
        told = unanswered(error)
        return _answer(told.status, told.code, told.message, {})

    for kind in UNANSWERED:
        app.add_exception_handler(kind, no_database)


def _answer(status: int, code: str, message: str, fields: dict[str, Any]) -> JSONResponse:
    return JSONResponse({"code": code, "message": message, "fields": fields}, status)


def _schema(app: FastAPI) -> None:
    """Adds the socket's messages and what is declared to the schema: the front end's types come from one place."""
    plain = app.openapi

    def with_socket() -> dict[str, Any]:
        schema = plain()
        sent: list[tuple[str, JsonSchemaMode, TypeAdapter[object]]] = [
            (one.__name__, "serialization", TypeAdapter(one)) for one in (*SOCKET_TYPES, DeclaredView)
        ]
        _, definitions = TypeAdapter.json_schemas(sent, ref_template="#/components/schemas/{model}")
        schema["components"]["schemas"] |= definitions["$defs"]
        return schema

    app.openapi = with_socket  # type: ignore[method-assign]


def _front_end(app: FastAPI, web: Path) -> None:
    """The pages, and the files that were built for them: known from the start, so that no name is ever looked for on the disk."""
    files = {f.relative_to(web).as_posix(): f for f in web.rglob("*") if f.is_file() and not f.name.startswith(".")}

    @app.get("/{path:path}", include_in_schema=False)
    async def page(path: str, request: Request) -> Response:
        if path in files and path != "index.html":
            # What is built carries its contents, or its version, in its name; it never changes under it.
            kept = "public, max-age=31536000, immutable" if path.startswith(("assets/", "core/")) else "no-cache"
            headers = {"Cache-Control": kept}
            for coding, ending in _CODINGS.items():
                if path + ending in files and coding in request.headers.get("accept-encoding", ""):
                    headers |= {"Content-Encoding": coding, "Vary": "Accept-Encoding"}
                    kind = guess_type(path)[0] or "application/octet-stream"
                    return FileResponse(files[path + ending], headers=headers, media_type=kind)
            return FileResponse(files[path], headers=headers)
        if path.split("/")[0] in _PAGES:
            return FileResponse(files["index.html"], headers={"Cache-Control": "no-cache"})
        return _answer(404, "no_such_address", "There is no such page here.", {})


_CODINGS = {"br": ".br", "gzip": ".gz"}
"""What is large lies packed beside itself, in codings that browsers unpack (RFC 7932, RFC 1952): the smaller first."""
_PAGES = ("", "drawings", "join", "look", "people")
"""How the addresses of the front end's pages begin."""
