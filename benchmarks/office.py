"""An office at work on a server of its own: many writers, an idle crowd, one person who sends the worst there is.

`python -m benchmarks.office [ROW …]` measures all rows, or those named, and prints them for docs/trust.md. Client and server
share the machine's cores, as the figures do.
"""

import asyncio
import json
import os
import subprocess
import sys
import tempfile
import time
from collections.abc import AsyncIterator, Awaitable, Callable, Iterator
from contextlib import AsyncExitStack, asynccontextmanager, contextmanager
from pathlib import Path
from statistics import quantiles
from typing import Any

import httpx
from websockets.asyncio.client import ClientConnection, connect

ROOT = Path(__file__).parents[1]
sys.path.insert(0, str(ROOT / "tools"))

from postgres import Postgres, free_port  # noqa: E402

PASSWORD = "a mill race in May"
WRITERS, PAUSE, ROUNDS = 50, 2.0, 10
IDLE, OPENING = 1000, 20
ECHO_PAUSE = 0.02
STEPS, CHANGES = 300, 10_000
HOSTILE = (
    "(" * 9_000,
    "path from 0,0" + " to 1,1 to 2,2" * 700 + " close",
    "point " + "1+" * 4_900 + "1, 2",
    "a = " + "sqrt(" * 1_500 + "2" + ")" * 1_500,
    "repeat C1 500 times by 3, 1",
    "measure gap K1 K2",
    "measure distance " + "K1 " * 3_000,
    "trim " + "K1 " * 3_000,
    "offset K1 by 0.001",
    "circle touching K1 K2 radius 5",
    "join " + "K1 " * 3_000,
    "outline at 5, 5",
    "ink " + "K1 " * 3_000,
)
"""Texts of up to 10 kB that are read as if they were about to be written."""


class Client:
    """A table, as the browser has it."""

    def __init__(self, socket: ClientConnection) -> None:
        self.socket = socket
        self.seq = 0
        self.revision = -1
        self.waiting: dict[int, asyncio.Future[dict[str, Any]]] = {}
        self.reader = asyncio.create_task(self._read())

    async def _read(self) -> None:
        async for raw in self.socket:
            if raw[:16] == b'{"type":"others"':
                continue
            message = json.loads(raw)
            if message["type"] == "book":
                self.revision = message["revision"]
            elif (waiting := self.waiting.pop(message.get("seq", -1), None)) is not None:
                waiting.set_result(message)

    async def tell(self, **message: Any) -> None:
        """What is not answered."""
        await self.socket.send(json.dumps({**message, "seq": 0}))

    async def ask(self, **message: Any) -> tuple[dict[str, Any], float]:
        """The answer to a message, and the seconds that it took."""
        self.seq += 1
        answered = self.waiting[self.seq] = asyncio.get_running_loop().create_future()
        begun = time.perf_counter()
        await self.socket.send(json.dumps({**message, "seq": self.seq}))
        answer = await answered
        return answer, time.perf_counter() - begun


class Office:
    """A running server and the cookies of its people."""

    def __init__(self, address: str, start: Callable[[], "subprocess.Popen[bytes]"]) -> None:
        self.address = address
        self.cookies: list[str] = []
        self._start = start
        self._server = start()

    @property
    def process(self) -> int:
        """The id of the process that serves."""
        return self._server.pid

    def stop(self) -> None:
        """Ends the server."""
        self._server.terminate()
        self._server.wait(20)

    def again(self) -> None:
        """Ends the server and starts another one, which knows nothing yet."""
        self.stop()
        self._server = self._start()
        with httpx.Client(base_url=f"{self.address}/api", timeout=60, verify=False) as api:
            _until_ready(api)

    def api(self, number: int) -> httpx.Client:
        """Calls of one person."""
        cookies = {"kentrograph": self.cookies[number]}
        return httpx.Client(base_url=f"{self.address}/api", cookies=cookies, timeout=60, verify=False)

    @asynccontextmanager
    async def table(self, number: int, drawing: str) -> AsyncIterator[Client]:
        """An open table of one person."""
        address = f"{self.address.replace('http', 'ws')}/api/drawings/{drawing}/live"
        cookie = {"Cookie": f"kentrograph={self.cookies[number]}"}
        async with connect(address, additional_headers=cookie, max_size=None, compression=None) as socket:
            client = Client(socket)
            while client.revision < 0:
                await asyncio.sleep(0.01)
            yield client
            client.reader.cancel()


@contextmanager
def office(people: int, *options: str) -> Iterator[Office]:
    """A server with so many people, and options, thrown away at the end."""
    with tempfile.TemporaryDirectory(prefix="kentrograph-") as folder:
        Path(folder).chmod(0o711)
        cluster = Postgres(Path(folder))
        cluster.start()
        environment = {**os.environ, "KENTROGRAPH_DATABASE": cluster.url}
        command = [sys.executable, "-m", "kentrograph.cli"]
        port = free_port()
        address = f"http://127.0.0.1:{port}"
        subprocess.run([*command, "prepare"], cwd=ROOT, env=environment, check=True)
        serving = [*command, "serve", "--office", "--port", str(port), *options]
        place = Office(address, lambda: subprocess.Popen(serving, cwd=ROOT, env=environment))
        try:
            place.cookies = _joined(address, command, environment, people)
            yield place
        finally:
            place.stop()
            cluster.stop()


def _joined(address: str, command: list[str], environment: dict[str, str], people: int) -> list[str]:
    with httpx.Client(base_url=f"{address}/api", timeout=60, verify=False) as api:
        _until_ready(api)
        first = [*command, "join", "drafter", "--first", "--address", address]
        link = subprocess.run(first, cwd=ROOT, env=environment, check=True, capture_output=True, text=True).stdout.strip()
        paths = [link.removeprefix(address)]
        cookies: list[str] = []
        for number in range(people):
            if number > 0:
                api.cookies.set("kentrograph", cookies[0])
                paths.append(api.post("/invitations", json={"name": ""}).raise_for_status().json()["path"])
            asked = {"name": "drafter" if number == 0 else f"Writer {number}", "password": PASSWORD}
            api.cookies.clear()
            answer = api.post(f"/invitations/{paths[-1].removeprefix('/join/')}", json=asked).raise_for_status()
            cookies.append(answer.cookies["kentrograph"])
        return cookies


def _until_ready(api: httpx.Client) -> None:
    for _ in range(600):
        try:
            if api.get("/health").status_code == 200:
                return
        except httpx.TransportError:
            time.sleep(0.05)
    raise AssertionError("the server did not start")


def drawing(place: Office, name: str, text: str = "", may: str = "draw") -> str:
    """A drawing of the first person, in which everybody may draw."""
    with place.api(0) as api:
        id: str = api.post("/drawings", json={"name": name, "text": text}).raise_for_status().json()["id"]
        api.put(f"/drawings/{id}/sharing", json={"kind": "all", "may": may}).raise_for_status()
        return id


async def writing(place: Office, drawings: list[str]) -> tuple[list[float], int]:
    """Every person writes a step every two seconds, in one of the drawings each: the seconds of each until it was acknowledged,
    and how many were not, or ended with another drawing than the others."""
    times: list[float] = []
    errors = 0

    async def write(number: int, id: str) -> int:
        nonlocal errors
        async with place.table(number, id) as table:
            await asyncio.sleep(PAUSE * number / WRITERS)
            for turn in range(ROUNDS):
                begun = time.perf_counter()
                act = {"do": "write", "id": f"w{number}-{turn}", "text": f"circle centre {number}, {turn} radius 0.4"}
                answer, took = await table.ask(type="do", base=table.revision, act=act)
                times.append(took)
                errors += answer["type"] != "done"
                await asyncio.sleep(max(0.0, PAUSE - (time.perf_counter() - begun)))
            await asyncio.sleep(1.5 * PAUSE)
            return table.revision

    revisions = await asyncio.gather(*(write(n, drawings[n % len(drawings)]) for n in range(WRITERS)))
    expected = WRITERS * ROUNDS // len(drawings)
    return times, errors + sum(revision != expected for revision in revisions)


def told(times: list[float]) -> str:
    """Median, 95th percentile and longest of some times, in milliseconds."""
    parts = quantiles(times, n=20)
    return f"{1e3 * parts[9]:.0f} / {1e3 * parts[18]:.0f} / {1e3 * max(times):.0f} ms"


async def echoing(place: Office, id: str, until: Awaitable[None]) -> list[float]:
    """A neighbour's echo for as long as something goes on."""
    times: list[float] = []
    async with place.table(1, id) as table:
        going_on = asyncio.ensure_future(until)
        while not going_on.done():
            times.append((await table.ask(type="echo"))[1])
            await asyncio.sleep(ECHO_PAUSE)
        await going_on
    return times


def on_one(place: Office) -> str:
    """50 writers on one drawing."""
    times, errors = asyncio.run(writing(place, [drawing(place, "one")]))
    return f"{told(times)}, {errors} errors"


def on_fifty(place: Office) -> str:
    """50 writers on 50 drawings."""
    drawings = [drawing(place, f"of {n}") for n in range(WRITERS)]
    times, errors = asyncio.run(writing(place, drawings))
    return f"{told(times)}, {errors} errors"


def the_worst(place: Office) -> str:
    """A neighbour's echo while one person sends the worst there is, on eight tables."""
    chain = " ".join(f"to {n}, {(n * 7919) % 101}" for n in range(1, 200))
    text = f"C1 = circle centre 0,0 radius 1\nK1 = path from 0,0 {chain}\nK2 = path from 0,500 {chain}"
    victim = drawing(place, "heavy", text)
    longest: list[tuple[float, str]] = []

    async def hostile(number: int, rounds: int) -> None:
        async with place.table(2, victim) as table:
            for turn, text in enumerate(HOSTILE * rounds):
                answer, took = await table.ask(type="read", text=text)
                longest.append((took, f"look at {text[:24]}"))
                act = {"do": "write", "id": f"h{number}-{turn}", "text": text}
                answer, took = await table.ask(type="do", base=table.revision, act=act)
                longest.append((took, f"write {text[:24]}"))
                assert answer.get("code") != "fault", (text[:60], answer)

    # Alone first: how long each holds a worker.
    asyncio.run(hostile(0, 1))
    took, text = max(longest)

    async def all_of_them() -> None:
        await asyncio.gather(*(hostile(n, 2) for n in range(1, 9)))

    times = asyncio.run(echoing(place, drawing(place, "neighbour"), all_of_them()))
    return f"{told(times)}; the longest answer {took:.1f} s ({text})"


def the_idle(place: Office) -> str:
    """A neighbour's echo with 1,000 idle sockets of 50 people."""
    id = drawing(place, "watched")

    async def all_of_it() -> list[float]:
        doors = asyncio.Semaphore(OPENING)
        async with AsyncExitStack() as tables:

            async def sit(number: int) -> None:
                async with doors:
                    await tables.enter_async_context(place.table(number % WRITERS, id))

            await asyncio.gather(*(sit(n) for n in range(IDLE)))
            return await echoing(place, drawing(place, "neighbour"), asyncio.sleep(10))

    return told(asyncio.run(all_of_it()))


def old_states(place: Office) -> str:
    """An old state found and drawn, of a drawing of 300 steps that was changed 10,000 times."""
    text = "\n".join(f"P{n} = point {n}, 0" for n in range(STEPS))
    id = drawing(place, "long history", text)
    times: list[float] = []
    with place.api(0) as api:
        steps = [step["id"] for step in api.get(f"/drawings/{id}").raise_for_status().json()["steps"]]
        for number in range(CHANGES):
            n = number % STEPS
            act = {"do": "mend", "id": steps[n], "text": f"P{n} = point {number}, {number % 7}"}
            api.post(f"/drawings/{id}/changes", json={"act": act}).raise_for_status()
        for revision in (*range(0, CHANGES, CHANGES // 23), CHANGES):
            begun = time.perf_counter()
            api.get(f"/drawings/{id}/history/{revision}").raise_for_status()
            times.append(time.perf_counter() - begun)
    return told(times)


ROWS: dict[str, Callable[[Office], str]] = {
    "one": on_one,
    "fifty": on_fifty,
    "worst": the_worst,
    "idle": the_idle,
    "old": old_states,
}


def main(names: list[str]) -> None:
    """Measures rows and prints them."""
    with office(WRITERS) as place:
        for name in names or list(ROWS):
            said = (ROWS[name].__doc__ or "").rstrip(".")
            print(f"| {said} | {ROWS[name](place)} |", flush=True)


if __name__ == "__main__":
    main(sys.argv[1:])
