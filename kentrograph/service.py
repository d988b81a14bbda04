"""The commands that need a database: prepare, serve. Their imports wait until they are called, so that `run` needs none."""

import json
import os
import sys
from collections.abc import Sequence
from dataclasses import dataclass
from pathlib import Path

_VARIABLE = "KENTROGRAPH_DATABASE"
MOST_WORKERS = 64


@dataclass(frozen=True, slots=True)
class Serving:
    """Where it is served, and to whom."""

    port: int
    allow: Sequence[str] = ()
    """Further addresses under which it is reached, behind a proxy for one."""
    bind: str = "127.0.0.1"
    office: bool = False
    person: str = "drafter"
    certificate: Path | None = None
    key: Path | None = None
    backup: Path | None = None
    """A folder into which everything is written once a day."""
    workers: int = 1
    logs: Path | None = None
    """The folder of the log; standard error where there is none."""
    metrics: int | None = None
    """The port on loopback at which what is counted can be read."""


def back_up(file: Path) -> int:
    """Writes everything to a file: 0, or 2 with a sentence on standard error."""
    from . import __version__
    from .store.backup import back_up
    from .store.database import engine_for

    try:
        found = back_up(engine_for(_url()), file, __version__)
    except OSError as error:
        print(f"kentrograph: cannot write {file}: {error.strerror or error}", file=sys.stderr)
        return 2
    print(f"{file}: {found['drawings']} drawings, {found['changes']} changes, {found['people']} people")
    return 0


def restore(file: Path) -> int:
    """Takes everything back from a file: 0, or 2 with a sentence on standard error."""
    from .store.backup import restore
    from .store.database import engine_for, migrate
    from .store.errors import StoreError

    migrate(_url())
    try:
        found = restore(engine_for(_url()), file)
    except OSError as error:
        print(f"kentrograph: cannot read {file}: {error.strerror or error}", file=sys.stderr)
        return 2
    except StoreError as error:
        print(f"kentrograph: {error.message}", file=sys.stderr)
        return 2
    print(f"{found['drawings']} drawings, {found['changes']} changes, {found['people']} people are back")
    return 0


def unload(folder: Path) -> int:
    """Writes every drawing to a folder as text: 0, or 2 with a sentence on standard error."""
    from sqlalchemy.orm import Session

    from .store.database import engine_for
    from .store.unload import unload

    try:
        with Session(engine_for(_url())) as session, session.begin():
            found = unload(session, folder)
    except OSError as error:
        print(f"kentrograph: cannot write to {folder}: {error.strerror or error}", file=sys.stderr)
        return 2
    print(f"{folder}: {len(found)} drawings")
    return 0


def load(folder: Path, owner: str | None) -> int:
    """Takes drawings in from a folder: 0, 1 where one of them could not be, or 2 with a sentence on standard error."""
    from sqlalchemy import select
    from sqlalchemy.orm import Session

    from .store import people
    from .store.database import engine_for, migrate
    from .store.people_tables import Person
    from .store.unload import loaded

    if not folder.is_dir():
        print(f"kentrograph: {folder} is no folder", file=sys.stderr)
        return 2
    migrate(_url())
    good = True
    with Session(engine_for(_url())) as session, session.begin():
        somebody = people.local_person(session, "drafter") if owner is None else None
        if owner is not None:
            row = session.scalar(select(Person).where(Person.key == people.key_of(owner)))
            if row is None:
                print(f"kentrograph: nobody here is called {owner}", file=sys.stderr)
                return 2
            somebody = people.known(row)
        assert somebody is not None
        for one in loaded(session, folder, somebody):
            print(f"{one.file}: {one.said}", file=sys.stdout if one.good else sys.stderr)
            good = good and one.good
    return 0 if good else 1


def prepare(demo: Path | None, person: str) -> int:
    """Applies migrations, and loads the demo drawings where there were never any drawings."""
    from sqlalchemy.orm import Session

    from .store.database import engine_for, migrate
    from .store.demo import load_demo
    from .store.people import local_person

    url = _url()
    migrate(url)
    with Session(engine_for(url)) as session, session.begin():
        somebody = local_person(session, person)
        for name in load_demo(session, demo, somebody) if demo is not None else []:
            print(f"loaded {name}")
    return 0


def join(name: str, keeper: bool, address: str, first: bool) -> int:
    """Prints a link with which somebody sets a password: the person of a name, who is new if there is none, or (``first``) who
    keeps the office, where nobody has a password yet."""
    from sqlalchemy import select
    from sqlalchemy.orm import Session

    from .store import people
    from .store.database import engine_for
    from .store.errors import StoreError
    from .store.people_tables import Person

    try:
        with Session(engine_for(_url())) as session, session.begin():
            if first and people.is_office(session):
                return 0
            found = session.scalar(select(Person.id).where(Person.key == people.key_of(name)))
            if first:
                found = people.local_person(session, name).id
            token = people.invite(session, name if found is None else "", keeper, found)
            print(f"{address.rstrip('/')}/join/{token}")
    except StoreError as error:
        print(f"kentrograph: {error.message}", file=sys.stderr)
        return 2
    return 0


def serve(how: Serving) -> int:
    """Serves until it is stopped: 0, or 2 with a sentence on standard error."""
    from .server.doors import addresses
    from .server.serving import run

    try:
        origins = addresses(how.port, how.allow, tls=how.certificate is not None)
    except ValueError as error:
        print(f"kentrograph: {error}", file=sys.stderr)
        return 2
    if not how.office and (how.allow or how.bind not in ("127.0.0.1", "localhost", "::1")):
        print("kentrograph: what others can reach needs --office, so that people sign in", file=sys.stderr)
        return 2
    if not 1 <= how.workers <= MOST_WORKERS:
        print(f"kentrograph: {how.workers} workers cannot be had: 1 to {MOST_WORKERS}", file=sys.stderr)
        return 2
    try:
        run(how, _url(), origins)
    except OSError as error:
        print(f"kentrograph: {error.strerror or error}: {error.filename or how.metrics}", file=sys.stderr)
        return 2
    return 0


def print_schema() -> int:
    """Prints the schema of HTTP and the socket, for the front end's types; needs no database to answer."""
    from .server.app import create_app

    app = create_app("postgresql+psycopg://nobody@127.0.0.1/none")
    print(json.dumps(app.openapi(), indent=1, sort_keys=True))
    return 0


def print_declared() -> int:
    """Prints what the core declares, as a module of the front end; needs no database to answer."""
    from .server.declared import declared_module

    print(declared_module(), end="")
    return 0


def _url() -> str:
    found = os.environ.get(_VARIABLE)
    if not found:
        print(f"kentrograph: {_VARIABLE} does not say where the database is; ./start sets it", file=sys.stderr)
        sys.exit(2)
    return found
