"""The commands that need a database: prepare, serve. Their imports wait until they are called, so that `run` needs none."""

import gc
import json
import os
import sys
from collections.abc import Sequence
from pathlib import Path

_VARIABLE = "KENTROGRAPH_DATABASE"
SWITCH_SECONDS = 0.0005
COLLECT = (10_000, 50, 100)


def prepare(demo: Path | None) -> int:
    """Applies migrations, and loads the demo drawings where there were never any drawings."""
    from sqlalchemy.orm import Session

    from .store.database import engine_for, migrate
    from .store.demo import load_demo

    url = _url()
    migrate(url)
    if demo is not None:
        with Session(engine_for(url)) as session, session.begin():
            for name in load_demo(session, demo):
                print(f"loaded {name}")
    return 0


def serve(port: int, allow: Sequence[str] = ()) -> int:
    """Serves until it is stopped; ``allow`` are further addresses under which it is reached, behind a proxy for one."""
    import uvicorn

    from .server.app import create_app
    from .server.doors import addresses

    try:
        origins = addresses(port, allow)
    except ValueError as error:
        print(f"kentrograph: {error}", file=sys.stderr)
        return 2
    # What is worked out for one drawing runs beside the loop that answers all others: it hands over ten times as often as
    # Python's threads do of themselves, so that a pointer elsewhere does not wait for it.
    sys.setswitchinterval(SWITCH_SECONDS)
    # The collector stops everybody for as long as it looks: short rounds, and seldom long ones.
    gc.set_threshold(*COLLECT)
    # To compress the message of a large drawing would hold the loop; a proxy in front can do it where the way is long.
    uvicorn.run(
        create_app(_url(), origins=origins),
        host="127.0.0.1", port=port, log_level="warning", ws_max_size=4_000_000, ws_per_message_deflate=False,
    )  # fmt: skip
    return 0


def print_schema() -> int:
    """Prints the schema of HTTP and the socket, for the front end's types; needs no database to answer."""
    from .server.app import create_app

    app = create_app("postgresql+psycopg://nobody@127.0.0.1/none")
    print(json.dumps(app.openapi(), indent=1, sort_keys=True))
    return 0


def _url() -> str:
    found = os.environ.get(_VARIABLE)
    if not found:
        print(f"kentrograph: {_VARIABLE} does not say where the database is; ./start sets it", file=sys.stderr)
        sys.exit(2)
    return found
