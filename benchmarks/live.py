"""Another person's echo while a table of 10,000 figures is opened, over the same echo while nothing goes on.

`python -m benchmarks.live ADDRESS`; the server must run. Every drawing that is opened is kept, and nobody has looked at it yet.
"""

import json
import multiprocessing
import sys
import time
from contextlib import AbstractContextManager
from statistics import quantiles

import httpx
from websockets.sync.client import ClientConnection, connect

from tools.large import large_text

OPENINGS = 6
QUIET = 400
PAUSE = 0.004
"""Seconds between two echoes: about as often as a hand moves."""


WHAT = "another person's echo while a table of 10,000 is opened (95th percentile), the same echo with nothing going on"


def echoes(address: str) -> tuple[float, float, float]:
    """95th percentiles of an echo in milliseconds, while tables are opened and while nothing goes on; and the longest."""
    with httpx.Client(base_url=f"{address}/api", headers={"Origin": address}, timeout=60) as api:
        small = api.post("/drawings", json={"name": "small", "text": "point 1, 1"}).json()["id"]
        large = [
            api.post("/drawings", json={"name": f"large {n}", "text": large_text(10_000)}).json()["id"] for n in range(OPENINGS)
        ]
        for id in large:
            while api.get(f"/drawings/{id}/opened").status_code != 200:
                time.sleep(0.5)
        with _table(address, small) as table:
            table.recv()
            quiet = [_echo(table, n) for n in range(QUIET)]
            busy: list[float] = []
            for id in large:
                opening = multiprocessing.Process(target=_open, args=(address, id))
                opening.start()
                while opening.is_alive():
                    busy.append(_echo(table, len(busy)))
                opening.join()
        for id in (small, *large):
            api.delete(f"/drawings/{id}")
    one, other = (quantiles(times, n=20)[18] for times in (busy, quiet))
    return 1e3 * one, 1e3 * other, 1e3 * max(busy)


def _table(address: str, id: str) -> AbstractContextManager[ClientConnection]:
    return connect(f"{address.replace('http', 'ws')}/api/drawings/{id}/live", origin=address, max_size=None)  # type: ignore[arg-type]


def _echo(table: ClientConnection, seq: int) -> float:
    time.sleep(PAUSE)
    begun = time.perf_counter()
    table.send(json.dumps({"type": "echo", "seq": seq}))
    while json.loads(table.recv())["type"] != "echo":
        pass
    return time.perf_counter() - begun


def _open(address: str, id: str) -> None:
    """As a page does: what was kept, then what has become of it."""
    with _table(address, id) as table:
        while (told := json.loads(table.recv())["type"]) != "book":
            if told == "opening":
                httpx.get(f"{address}/api/drawings/{id}/opened", timeout=60).raise_for_status()


if __name__ == "__main__":
    busy, quiet, longest = echoes(sys.argv[1])
    print(f"{WHAT}: {busy:.2f} ms, {quiet:.2f} ms, ratio {busy / quiet:.2f}; longest {longest:.0f} ms")
