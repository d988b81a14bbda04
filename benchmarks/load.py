"""The core in the page, and what is left for the server: many drafters, moving pointers, a slow network, a large drawing.

`python -m benchmarks.load [ROW …]` measures all rows, or those named, and prints them for docs/benchmark-load.md. Client, server,
database and browser share the machine's cores, as the figures do.
"""

import asyncio
import os
import shutil
import sys
import time
from collections.abc import Callable
from contextlib import AsyncExitStack
from pathlib import Path
from random import Random
from statistics import quantiles
from typing import Any

from playwright.sync_api import BrowserContext, Page, sync_playwright
from websockets.exceptions import ConnectionClosed

from benchmarks.browser import FRAME, MOVE, MOVES, spread_book
from benchmarks.browser_large import in_sight, repaints
from benchmarks.core import SEED
from benchmarks.office import Office, drawing, office, told
from tests.browser.network import Network
from tools.large import large_text

PEOPLE, DRAWINGS, WRITES_EVERY, MOVES_EVERY, SECONDS = 30, 50, 4.0, 0.25, 24.0
BAR = 200.0
READING = {
    "type": "read", "text": "", "draft": {"kind": "line", "rows": ["0, 0"], "at": None, "again": False, "clicks": []},
    "pointer": {"x": 0.0, "y": 0.0, "reach": 5.0, "pixel": 0.5}, "aimed": True,
}  # fmt: skip


async def _drafting(place: Office, drafters: int, drawings: list[str]) -> list[float]:
    """So many drafters, each of whom writes a step every four seconds and moves the pointer, which the others see: the seconds
    until each step was acknowledged."""
    times: list[float] = []
    over = time.perf_counter() + SECONDS

    async def draft(number: int) -> None:
        dice = Random(number)
        async with place.table(number % PEOPLE, drawings[number % len(drawings)]) as table:
            await asyncio.sleep(WRITES_EVERY * dice.random())
            due, turn = time.perf_counter(), 0
            while (now := time.perf_counter()) < over:
                if now >= due:
                    turn, due = turn + 1, now + WRITES_EVERY
                    text = f"circle centre {dice.uniform(0, 500):.2f}, {dice.uniform(0, 500):.2f} radius 3"
                    act = {"do": "write", "id": f"d{drafters}-{number}-{turn}", "text": text}
                    answer, took = await table.ask(type="do", base=table.revision, act=act)
                    assert answer["type"] == "done", answer
                    times.append(took)
                await table.tell(type="where", at=[dice.uniform(0, 500), dice.uniform(0, 500)])
                await asyncio.sleep(MOVES_EVERY)

    await asyncio.gather(*(draft(n) for n in range(drafters)))
    return times


def drafters() -> str:
    """More and more of them, until the bar is passed."""
    parts = []
    for workers in (1, 2):
        with office(PEOPLE, "--workers", str(workers)) as place:
            drawings = [drawing(place, f"D{n}", spread_book(60)) for n in range(DRAWINGS)]
            for count in (200, 300):
                try:
                    times = asyncio.run(_drafting(place, count, drawings))
                except ConnectionClosed:
                    # Nobody answered for longer than a socket waits.
                    parts.append(f"{workers} worker{'s' * (workers > 1)}, {count}: not to be served")
                    break
                p95 = 1e3 * quantiles(times, n=20)[18]
                parts.append(f"{workers} worker{'s' * (workers > 1)}, {count}: {told(times)}")
                if p95 > BAR:
                    break
    return "; ".join(parts)


async def _pointing(place: Office, id: str, pointers: int) -> tuple[float, list[float]]:
    """Pointers that move all the time and are read by the server: readings a second, and the seconds of each."""
    times: list[float] = []
    over = time.perf_counter() + 6.0

    async def point(number: int, table: Any) -> None:
        dice = Random(number)
        while time.perf_counter() < over:
            at = {**READING["pointer"], "x": dice.uniform(0, 500), "y": dice.uniform(0, 500)}  # type: ignore[dict-item]
            times.append((await table.ask(**{**READING, "pointer": at}))[1])

    async with AsyncExitStack() as stack:
        tables = [await stack.enter_async_context(place.table(n % PEOPLE, id)) for n in range(pointers)]
        begun = time.perf_counter()
        await asyncio.gather(*(point(n, table) for n, table in enumerate(tables)))
        return len(times) / (time.perf_counter() - begun), times


def reads() -> str:
    """By the server, with one worker and with two."""
    parts = []
    for workers in (1, 2):
        with office(PEOPLE, "--workers", str(workers)) as place:
            id = drawing(place, "Read", spread_book(1000))
            for pointers in (8, 32):
                rate, times = asyncio.run(_pointing(place, id, pointers))
                p95 = 1e3 * quantiles(times, n=20)[18]
                parts.append(f"{workers} worker{'s' * (workers > 1)}, {pointers} pointers: {rate:.0f} a second, p95 {p95:.0f} ms")
    return "; ".join(parts)


class Browsing:
    """A browser before an office, straight and over a network of our own."""

    def __init__(self, place: Office, network: Network) -> None:
        self.place = place
        self.network = network

    def context(self, browser: Any, answering: str) -> BrowserContext:
        made: BrowserContext = browser.new_context(viewport={"width": 1280, "height": 800}, reduced_motion="reduce")
        made.add_cookies([{"name": "kentrograph", "value": self.place.cookies[0], "domain": "127.0.0.1", "path": "/"}])
        kept = f'{{"state":{{"answering":"{answering}"}},"version":1}}'
        made.add_init_script(f"localStorage.kentrograph ??= '{kept}'")
        return made

    def opened(self, context: BrowserContext, id: str, slow: bool = False) -> Page:
        page = context.new_page()
        address = f"http://127.0.0.1:{self.network.port}" if slow else self.place.address
        page.goto(f"{address}/drawings/{id}")
        page.wait_for_selector("[data-step]", timeout=120_000)
        return page

    def begins(self, page: Page) -> None:
        """A circle is begun, whose radius follows the pointer."""
        page.keyboard.type("circle")
        page.keyboard.press("Enter")
        page.keyboard.type("300, 300")
        page.keyboard.press("Enter")
        page.wait_for_timeout(1500)


def _awake(page: Page) -> None:
    page.wait_for_selector("html[data-core=ready]", timeout=120_000)


def _woken(page: Page) -> float:
    """The seconds that the core took to wake."""
    return float(page.locator("html").get_attribute("data-woken") or "nan")


def _p95(times: list[float]) -> float:
    return sorted(times[5:])[int(0.95 * (len(times) - 5))]


def browser() -> str:
    """From a move of the pointer to its painted preview: by the page with a delay of 100 ms, over the server with none; how much
    of a core the server takes meanwhile; how long the core takes to wake."""
    parts = []
    network = Network(0)
    network.start()
    with office(1, "--allow", f"http://127.0.0.1:{network.port}") as place, sync_playwright() as playwright:
        network.to = int(place.address.rpartition(":")[2])
        here = Browsing(place, network)
        made = playwright.chromium.launch(executable_path=shutil.which("chromium"))
        for what, text in (("60 steps", spread_book(60)), ("10,000 figures", large_text(10_000))):
            id = drawing(place, what, text)
            with here.context(made, "server") as context:
                page = here.opened(context, id)
                here.begins(page)
                straight = _p95(page.evaluate(MOVE, [MOVES, SEED]))
            with here.context(made, "page") as context:
                begun = time.perf_counter()
                page = here.opened(context, id, slow=True)
                first = time.perf_counter() - begun
                _awake(page)
                cold = _woken(page)
                page.close()
                begun = time.perf_counter()
                page = here.opened(context, id, slow=True)
                _awake(page)
                warm = _woken(page)
                ready = time.perf_counter() - begun
                network.delay, network.jitter = 0.1, 0.02
                here.begins(page)
                slow = _p95(page.evaluate(MOVE, [MOVES, SEED]))
                network.delay = network.jitter = 0.0
            frames = (slow - straight) / FRAME
            parts.append(
                f"{what}: by the server without delay {straight:.1f} ms, by the page over 100 ± 20 ms {slow:.1f} ms,"
                f" {frames:+.2f} frames; first picture {first:.1f} s; awake in {cold:.1f} s cold, {warm:.1f} s warm, and the"
                f" drawing open {ready:.1f} s after the address was"
            )
        for answering in ("server", "page"):
            with here.context(made, answering) as context:
                page = here.opened(context, drawing(place, "CPU", spread_book(60)))
                if answering == "page":
                    _awake(page)
                here.begins(page)
                before, begun = _cpu(place.process), time.perf_counter()
                while time.perf_counter() - begun < 15.0:
                    page.evaluate(MOVE, [60, SEED])
                share = (_cpu(place.process) - before) / (time.perf_counter() - begun)
                parts.append(f"server while a pointer moves, read by the {answering}: {100 * share:.1f} % of a core")
        made.close()
    network.stop()
    return "; ".join(parts)


def large() -> str:
    """A drawing of 100,000 figures: until it is made; until the first picture and until the page answers, right after that, once
    it is kept, and from a server that knows nothing; how long a move and a written step take then, and by how much memory."""
    with office(1) as place, sync_playwright() as playwright:
        here = Browsing(place, Network(0))
        begun = time.perf_counter()
        id = drawing(place, "Large", large_text(100_000))
        parts = [f"made in {time.perf_counter() - begun:.0f} s"]
        made = playwright.chromium.launch(executable_path=shutil.which("chromium"))
        for when in ("right after that", "kept", "after a new start of the server"):
            if when.startswith("after"):
                place.again()
            with here.context(made, "page") as context:
                begun = time.perf_counter()
                page = here.opened(context, id)
                page.wait_for_selector("canvas[data-steps]:not([data-steps='0'])", timeout=120_000)
                first = time.perf_counter() - begun
                _awake(page)
                ready = time.perf_counter() - begun
                parts.append(f"{when}: first picture {first:.1f} s, the page answers after {ready:.1f} s")
                if when == "kept":
                    parts.append(_worked_on(here, page))
                    parts.append(_repainted(page, _figures(place, id)))
        made.close()
        parts.append(f"server {_memory(place.process):.0f} MB")
        return "; ".join(parts)


def _worked_on(here: Browsing, page: Page) -> str:
    """How long moves and steps take at an open table, and the memory of its page."""
    written = []
    for number in range(12):
        page.keyboard.type(f"circle centre {300 + number}, 300 radius 7")
        begun = time.perf_counter()
        page.keyboard.press("Enter")
        page.get_by_text(f"centre {300 + number}, 300").first.wait_for(timeout=60_000)
        written.append(1e3 * (time.perf_counter() - begun))
    here.begins(page)
    moved = _p95(page.evaluate(MOVE, [60, SEED]))
    memory = max(_memory(int(one.name)) for one in Path("/proc").iterdir() if one.name.isdigit() and _is_page(one))
    return (
        f"a move {moved:.0f} ms (p95), a step in the book after {sorted(written)[6]:.0f} ms, the page's process {memory:.0f} MB"
    )


def _figures(place: Office, id: str) -> list[Any]:
    with place.api(0) as api:
        return [step["figure"] for step in api.get(f"/drawings/{id}").raise_for_status().json()["steps"]]


def _repainted(page: Page, figures: list[Any]) -> str:
    """Sharp repaints against a bare loop over what is in sight: of all, and close by."""
    parts = []
    page.keyboard.press("Escape")
    for what, nearer in (("of all", 0), ("close by", 5)):
        for _ in range(nearer):
            page.keyboard.press("PageUp")
        page.wait_for_timeout(1000)
        seen = in_sight(page, figures)
        times = repaints(page, seen)
        ours, theirs = _p95(times["ours"]), _p95(times["theirs"])
        parts.append(f"a sharp repaint {what} ({len(seen):,} in sight) {ours:.0f} ms, a bare loop {theirs:.0f} ms (p95)")
    return "; ".join(parts)


def _is_page(process: Path) -> bool:
    try:
        return b"--type=renderer" in (process / "cmdline").read_bytes()
    except OSError:
        return False


def _memory(process: int) -> float:
    """What a process holds in memory, in MB."""
    lines = Path(f"/proc/{process}/status").read_text().splitlines()
    return next(float(line.split()[1]) / 1e3 for line in lines if line.startswith("VmRSS"))


def _cpu(process: int) -> float:
    """Seconds of a core that a process has taken."""
    with open(f"/proc/{process}/stat") as file:
        parts = file.read().rpartition(")")[2].split()
    return (int(parts[11]) + int(parts[12])) / os.sysconf("SC_CLK_TCK")


ROWS: dict[str, tuple[str, Callable[[], str]]] = {
    "drafters": (f"Drafters at work on {DRAWINGS} drawings, acknowledged after (median / 95th percentile / longest)", drafters),
    "reads": ("Readings by the server", reads),
    "browser": ("In the browser", browser),
    "large": ("100,000 figures", large),
}


def main() -> None:
    """Prints the rows that are asked for."""
    for name in sys.argv[1:] or ROWS:
        what, measure = ROWS[name]
        print(f"| {what} | {measure()} |", flush=True)


if __name__ == "__main__":
    main()
