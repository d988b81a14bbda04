"""Server and database are killed while somebody draws: nothing acknowledged is lost, and both are back by themselves.

`pytest tests/tools/test_kills.py --kills 1000` does it longer; what it measured is printed.
"""

import os
import signal
import subprocess
import sys
import threading
import time
from collections.abc import Iterator
from pathlib import Path
from random import Random
from statistics import quantiles

import httpx
import pytest
from postgres import free_port

from ..conftest import ROOT

READY = 60.0


class Started:
    """What `./start` has started."""

    def __init__(self, folder: Path) -> None:
        self.data = folder
        self.port = free_port()
        command = [sys.executable, str(ROOT / "tools" / "start.py"), "--port", str(self.port), "--data", str(folder), "--no-demo"]
        self.process = subprocess.Popen(command, cwd=ROOT, stdout=subprocess.PIPE, stderr=subprocess.STDOUT)

    def answers(self) -> bool:
        try:
            return httpx.get(f"http://127.0.0.1:{self.port}/api/health", timeout=5, verify=False).status_code == 200
        except httpx.TransportError:
            return False

    def ready(self) -> float:
        """Seconds until it answers."""
        begun = time.monotonic()
        while not self.answers():
            assert self.process.poll() is None, "./start has ended"
            assert time.monotonic() - begun < READY, "it did not come back"
            time.sleep(0.05)
        return time.monotonic() - begun

    def server(self) -> int:
        """The process that serves: a child of ours that is not the database."""
        children = Path(f"/proc/{self.process.pid}/task/{self.process.pid}/children").read_text().split()
        return next(int(pid) for pid in children if b"kentrograph" in Path(f"/proc/{pid}/cmdline").read_bytes())

    def database(self) -> int:
        return int((self.data / "postgres" / "postmaster.pid").read_text().split()[0])


@pytest.fixture
def started(tmp_path: Path) -> Iterator[Started]:
    tmp_path.chmod(0o711)
    one = Started(tmp_path)
    one.ready()
    yield one
    one.process.terminate()
    one.process.wait(60)


def test_nothing_acknowledged_is_lost(started: Started, request: pytest.FixtureRequest) -> None:
    rounds, dice = int(request.config.getoption("--kills")), Random(7)
    address = f"http://127.0.0.1:{started.port}/api/drawings"
    id = httpx.post(address, json={"name": "Killed"}, timeout=20, verify=False).json()["id"]
    acknowledged: list[str] = []
    over = threading.Event()

    def draw() -> None:
        number = 0
        while not over.is_set():
            number += 1
            act = {"do": "write", "id": f"k{number}", "text": f"point {number}, 1"}
            try:
                answer = httpx.post(f"{address}/{id}/changes", json={"act": act}, timeout=20, verify=False)
            except httpx.TransportError:
                time.sleep(0.02)
                continue
            if answer.status_code == 200:
                acknowledged.append(f"point {number}, 1")

    drawing = threading.Thread(target=draw)
    drawing.start()
    times: list[float] = []
    try:
        for _ in range(rounds):
            time.sleep(dice.uniform(0.2, 0.8))
            for victim in dice.choice([(started.server,), (started.database,), (started.server, started.database)]):
                os.kill(victim(), signal.SIGKILL)
            times.append(started.ready())
            # Five ends within half a minute are taken for a fault that no new start mends.
            time.sleep(5.0)
    finally:
        over.set()
        drawing.join()
    book = httpx.get(f"{address}/{id}", timeout=60, verify=False).json()
    written = [step["text"] for step in book["steps"]]
    assert len(set(written)) == len(written) == book["revision"], "something is half done"
    assert set(acknowledged) <= set(written)
    assert acknowledged
    told = f"{rounds} kills, {len(acknowledged)} acknowledged changes, 0 lost; ready again after {max(times):.1f} s at most"
    print(f"\n{told}, 95th percentile {quantiles(times, n=20)[18]:.1f} s")
