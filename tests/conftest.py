"""A PostgreSQL and a server of the tests' own."""

import json
import os
import shutil
import subprocess
import sys
import tempfile
import time
from collections.abc import Iterator
from pathlib import Path
from typing import Any

import httpx
import psycopg
import pytest
from hypothesis import settings

# `./check` tries the same cases on every machine, so that a change is judged by what it changes; new ones are sought
# with `pytest --hypothesis-profile=seek`, and what that finds becomes a case of its own.
# How long a case takes is the machine's business: speed is shown by the benchmark.
settings.register_profile("same", derandomize=True, deadline=None)
settings.register_profile("seek", derandomize=False, print_blob=True, deadline=None)
settings.load_profile("same")


def pytest_addoption(parser: pytest.Parser) -> None:
    """How many files are spoiled and read, and how often server and database are killed: ``--mutations 100000``, ``--kills 1000``
    seek longer."""
    parser.addoption("--mutations", default="1000")
    parser.addoption("--acts", default="900")
    parser.addoption("--kills", default="50")
    parser.addoption("--messages", default="2000")
    parser.addoption("--files", default="400")
    parser.addoption("--hands", default="500")
    parser.addoption("--answering", default="server", choices=["server", "page"])


ROOT = Path(__file__).parents[1]
sys.path.insert(0, str(ROOT / "tools"))

from postgres import Postgres, free_port  # noqa: E402

SECONDS_TO_START = 30


class Server:
    """One server process on the tests' database."""

    def __init__(self, database: str, *options: str) -> None:
        self.database = database
        self.options = options
        self.port = free_port()
        self.url = f"http://127.0.0.1:{self.port}"
        self.process: subprocess.Popen[bytes] | None = None
        self.logs = Path(tempfile.mkdtemp(prefix="kentrograph-logs-"))

    def start(self, seconds: int = SECONDS_TO_START) -> None:
        environment = {**os.environ, "KENTROGRAPH_DATABASE": self.database}
        self.process = subprocess.Popen(
            [sys.executable, "-m", "kentrograph.cli", "serve", "--port", str(self.port), "--logs", str(self.logs), *self.options],
            cwd=ROOT,
            env=environment,
        )
        for _ in range(seconds * 20):
            try:
                if httpx.get(f"{self.url}/api/health", verify=False).status_code == 200:
                    return
            except httpx.TransportError:
                time.sleep(0.05)
        raise AssertionError("the server did not start")

    def kill(self) -> None:
        assert self.process is not None
        self.process.kill()
        self.process.wait()

    def stop(self) -> None:
        """Ends it. Whatever was asked of it in the tests, no fault may stand in its log."""
        if self.process is not None and self.process.poll() is None:
            self.process.terminate()
            self.process.wait(10)
        faults = [line for line in self.logged() if "fault" in line]
        shutil.rmtree(self.logs, ignore_errors=True)
        assert not faults, "\n".join(json.dumps(one) for one in faults[:3])

    def logged(self) -> list[dict[str, Any]]:
        """The lines of its log."""
        return [
            json.loads(line) for file in sorted(self.logs.glob("kentrograph-*.log")) for line in file.read_text().splitlines()
        ]


@pytest.fixture(scope="session")
def database() -> Iterator[str]:
    """The address of a migrated database, thrown away at the end."""
    with tempfile.TemporaryDirectory(prefix="kentrograph-") as folder:
        Path(folder).chmod(0o711)
        cluster = Postgres(Path(folder), durable=False)
        cluster.start()
        try:
            kentrograph(cluster.url, "prepare")
            yield cluster.url
        finally:
            cluster.stop()


@pytest.fixture(scope="session")
def server(database: str) -> Iterator[Server]:
    """A running server."""
    running = Server(database)
    running.start()
    yield running
    running.stop()


@pytest.fixture(scope="session")
def office_database(database: str) -> str:
    """A database in which people sign in: for once somebody does, nobody comes in without."""
    with psycopg.connect(database.replace("+psycopg", ""), autocommit=True) as connection:
        connection.execute("CREATE DATABASE office")
    address = database.removesuffix("/postgres") + "/office"
    kentrograph(address, "prepare", "--person", "Maud Oake")
    return address


def kentrograph(database: str, *words: str) -> str:
    """What a command prints."""
    environment = {**os.environ, "KENTROGRAPH_DATABASE": database}
    command = [sys.executable, "-m", "kentrograph.cli", *words]
    return subprocess.run(command, cwd=ROOT, env=environment, check=True, capture_output=True, text=True).stdout


@pytest.fixture
def api(server: Server) -> Iterator[httpx.Client]:
    """Calls to the server."""
    # A server ends a connection that has been idle for some seconds, and tests rest between.
    limits = httpx.Limits(max_keepalive_connections=0)
    with httpx.Client(base_url=server.url + "/api", timeout=20, verify=False, limits=limits) as client:
        yield client


@pytest.fixture
def drawing(api: httpx.Client) -> dict[str, Any]:
    """A new, empty drawing."""
    made: dict[str, Any] = api.post("/drawings", json={"name": "A drawing"}).json()
    return made
