"""The server's processes: one that does it all, or several workers that one of them minds and starts again."""

import ctypes
import gc
import json
import os
import signal
import sys
import tempfile
from collections.abc import Iterator
from contextlib import contextmanager
from pathlib import Path
from typing import TYPE_CHECKING, Any

import uvicorn
from fastapi import FastAPI

from .logs import log_to

if TYPE_CHECKING:
    from ..service import Serving

HANDED = "KENTROGRAPH_WORKER"
"""The variable of the environment that tells a worker how it serves."""
SWITCH_SECONDS = 0.0005
COLLECT = (10_000, 50, 100)
_PARENT_DEATH_SIGNAL = 1
"""PR_SET_PDEATHSIG of prctl (Linux)."""


def run(how: "Serving", url: str, origins: frozenset[str]) -> None:
    """Serves until it is stopped. Raises `OSError` where a port or a folder cannot be had."""
    asked = {
        "url": url, "origins": sorted(origins), "office": how.office, "person": how.person,
        "backup": str(how.backup) if how.backup is not None else None,
        "logs": str(how.logs) if how.logs is not None else None,
    }  # fmt: skip
    # To compress the message of a large drawing would hold the loop; a proxy in front can do it where the way is long.
    options: dict[str, Any] = {
        "host": how.bind, "port": how.port, "log_config": None, "access_log": False, "ws_max_size": 4_000_000, "ws_max_queue": 2,
        "ws_per_message_deflate": False, "ssl_certfile": how.certificate, "ssl_keyfile": how.key,
    }  # fmt: skip
    log_to(how.logs)
    with _counting(how):
        if how.workers == 1:
            uvicorn.run(_application(asked), **options)
        else:
            os.environ[HANDED] = json.dumps(asked)
            uvicorn.run("kentrograph.server.serving:worker", factory=True, workers=how.workers, **options)


def worker() -> FastAPI:
    """The application of one of several workers, as the environment says."""
    # Their supervisor may be killed: without it they would keep the port, and would never be restarted.
    parent = os.getppid()
    ctypes.CDLL(None).prctl(_PARENT_DEATH_SIGNAL, signal.SIGKILL)
    if os.getppid() != parent:
        sys.exit(1)
    asked = json.loads(os.environ[HANDED])
    log_to(Path(asked["logs"]) if asked["logs"] is not None else None)
    return _application(asked)


def _application(asked: dict[str, Any]) -> FastAPI:
    from .app import create_app

    # What is worked out for one drawing runs beside the loop that answers all others: it hands over ten times as often as
    # Python's threads do of themselves, so that a pointer elsewhere does not wait for it.
    sys.setswitchinterval(SWITCH_SECONDS)
    # The collector stops everybody for as long as it looks: short rounds, and seldom long ones.
    gc.set_threshold(*COLLECT)
    return create_app(
        asked["url"], origins=frozenset(asked["origins"]), office=asked["office"], person=asked["person"],
        backup=Path(asked["backup"]) if asked["backup"] is not None else None,
    )  # fmt: skip


@contextmanager
def _counting(how: "Serving") -> Iterator[None]:
    """What is counted can be read for as long as this lasts; several workers count in files that they share."""
    if how.workers > 1:
        with tempfile.TemporaryDirectory(prefix="kentrograph-counts-") as folder:
            # Read by the library as it is loaded, here and in each worker.
            os.environ["PROMETHEUS_MULTIPROC_DIR"] = folder
            _serve_metrics(how)
            yield
    else:
        _serve_metrics(how)
        yield


def _serve_metrics(how: "Serving") -> None:
    if how.metrics is not None:
        from .metrics import serve_metrics

        serve_metrics(how.metrics)
