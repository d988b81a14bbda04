"""Server and database are killed while somebody draws: all that was asked for is done, and done once, and both are back by
themselves.

`pytest tests/server/test_kills.py --kills 1000` does it longer; what it measured is printed.
"""

import os
import signal
import subprocess
import sys
import threading
import time
from collections.abc import Callable, Iterator, Mapping
from pathlib import Path
from random import Random
from statistics import quantiles

import httpx
import pytest
from postgres import free_port

from ..conftest import ROOT

READY = 60.0


Victim = Callable[[], int | None]


def _command_of(pid: str) -> bytes:
    try:
        return Path(f"/proc/{pid}/cmdline").read_bytes()
    except FileNotFoundError:
        return b""


class Started:
    """What `./start` has started."""

    def __init__(self, folder: Path) -> None:
        self.data = folder
        self.port = free_port()
        command = [sys.executable, str(ROOT / "tools" / "start.py"), "--port", str(self.port), "--data", str(folder), "--no-demo"]
        command += ["--logs", str(folder / "logs")]
        self.said = folder / "said.txt"
        # Into a file: a pipe that nobody reads is full after some hundred kills, and whoever writes into it waits for ever.
        with self.said.open("wb") as out:
            self.process = subprocess.Popen(command, cwd=ROOT, stdout=out, stderr=subprocess.STDOUT)

    def answers(self) -> bool:
        try:
            return httpx.get(f"http://127.0.0.1:{self.port}/api/health", timeout=5, verify=False).status_code == 200
        except httpx.TransportError:
            return False

    def ready(self, without: Mapping[Victim, int] | None = None) -> float:
        """Seconds until it answers and each of those that were killed has a successor.

        What a killed database has begun goes on answering for a moment: an answer alone says nothing.
        """
        begun = time.monotonic()
        while not (all(victim() not in (None, pid) for victim, pid in (without or {}).items()) and self.answers()):
            assert self.process.poll() is None, f"./start has ended: {self.said.read_text()[-400:]}"
            assert time.monotonic() - begun < READY, f"it did not come back: {self.said.read_text()[-400:]}"
            time.sleep(0.05)
        return time.monotonic() - begun

    def kill(self, *victims: Victim) -> float:
        """Kills them; seconds until all is back."""
        killed: dict[Victim, int] = {}
        for victim in victims:
            pid = victim()
            assert pid is not None
            os.kill(pid, signal.SIGKILL)
            killed[victim] = pid
        return self.ready(killed)

    def server(self) -> int | None:
        """The process that serves: a child of ours that is not the database."""
        children = Path(f"/proc/{self.process.pid}/task/{self.process.pid}/children").read_text().split()
        return next((int(pid) for pid in children if b"kentrograph" in _command_of(pid)), None)

    def database(self) -> int | None:
        file = self.data / "postgres" / "postmaster.pid"
        try:
            return int(file.read_text().split()[0])
        except (FileNotFoundError, IndexError):
            return None


@pytest.fixture
def started(tmp_path: Path) -> Iterator[Started]:
    tmp_path.chmod(0o711)
    one = Started(tmp_path)
    one.ready()
    yield one
    one.process.terminate()
    one.process.wait(60)


def test_all_that_is_asked_for_until_it_is_answered_is_done_once(started: Started, request: pytest.FixtureRequest) -> None:
    rounds, dice = int(request.config.getoption("--kills")), Random(7)
    address = f"http://127.0.0.1:{started.port}/api/drawings"
    id = httpx.post(address, json={"name": "Killed"}, timeout=20, verify=False).json()["id"]
    stands: list[str] = []
    asked = again = 0
    over = threading.Event()

    def draw() -> None:
        nonlocal asked, again
        while not over.is_set():
            asked += 1
            # What is taken back twice is another drawing; what is written twice is, too.
            act: dict[str, str] = {"do": "undo"}
            if asked % 3:
                act = {"do": "write", "id": f"k{asked}", "text": f"point {asked}, 1"}
                stands.append(act["text"])
            else:
                stands.pop()
            while not is_done({"act": act, "key": f"key-{asked}"}):
                again += 1
                time.sleep(0.02)

    def is_done(change: dict[str, object]) -> bool:
        try:
            answer = httpx.post(f"{address}/{id}/changes", json=change, timeout=20, verify=False)
        except httpx.TransportError:
            return False
        assert answer.status_code in (200, 503), answer.text
        return answer.status_code == 200

    drawing = threading.Thread(target=draw)
    drawing.start()
    times: list[float] = []
    server, database = started.server, started.database
    try:
        for _ in range(rounds):
            time.sleep(dice.uniform(0.2, 0.8))
            times.append(started.kill(*dice.choice([(server,), (database,), (server, database)])))
    finally:
        over.set()
        drawing.join()
    answer = httpx.get(f"{address}/{id}", timeout=60, verify=False)
    assert answer.status_code == 200, answer.text
    book = answer.json()
    assert [step["text"] for step in book["steps"]] == stands, "something is lost, done twice or half done"
    assert book["revision"] == asked
    assert again > 0
    told = f"{rounds} kills, {asked} changes asked for, {again} times once more; each done once"
    print(f"\n{told}; ready again after {max(times):.1f} s at most, 95th percentile {quantiles(times, n=20)[18]:.1f} s")
