"""A network of the tests' own, between a browser and a server: slow, uneven, or not there."""

import asyncio
import threading
from collections import deque
from contextlib import suppress
from random import Random

from postgres import free_port


class Network:
    """Passes on what comes to its port, ``delay`` seconds later each way, give or take ``jitter``; nothing while it is cut."""

    def __init__(self, to: int) -> None:
        self.to = to
        self.port = free_port()
        self.delay = self.jitter = 0.0
        self.passed = 0
        """Bytes that came through, either way."""
        self._dice = Random(11)
        self._cut = False
        self._swallows = False
        self._writers: set[asyncio.StreamWriter] = set()
        self._loop = asyncio.new_event_loop()
        self._begun = threading.Event()
        self._thread = threading.Thread(target=self._run, daemon=True)

    def start(self) -> None:
        self._thread.start()
        assert self._begun.wait(10)

    def stop(self) -> None:
        self.cut()
        self._loop.call_soon_threadsafe(self._end)
        self._thread.join(10)

    def cut(self) -> None:
        """Every connection is lost, and none can be made."""
        self._cut = True
        self._loop.call_soon_threadsafe(self._lose)

    def swallow(self) -> None:
        """Every connection stays, and nothing comes through any more: as where somebody walks out of reach."""
        self._swallows = True

    def mend(self) -> None:
        """Connections can be made again; those that have swallowed something are of no use."""
        self._cut = False
        if self._swallows:
            self._swallows = False
            self._loop.call_soon_threadsafe(self._lose)

    def _end(self) -> None:
        for task in asyncio.all_tasks(self._loop):
            task.cancel()
        # Behind what the tasks do when they are called off.
        self._loop.call_later(0.1, self._loop.stop)

    def _lose(self) -> None:
        for writer in list(self._writers):
            writer.transport.abort()
        self._writers.clear()

    def _run(self) -> None:
        asyncio.set_event_loop(self._loop)
        self._loop.run_until_complete(asyncio.start_server(self._pass_on, "127.0.0.1", self.port))
        self._begun.set()
        self._loop.run_forever()

    async def _pass_on(self, reader: asyncio.StreamReader, writer: asyncio.StreamWriter) -> None:
        if self._cut:
            writer.transport.abort()
            return
        try:
            there, back = await asyncio.open_connection("127.0.0.1", self.to)
        except OSError:
            writer.transport.abort()
            return
        self._writers |= {writer, back}
        # What is called off at the end is nobody's fault, and nothing to be logged.
        with suppress(asyncio.CancelledError):
            await asyncio.gather(self._one_way(reader, back), self._one_way(there, writer))
        self._writers -= {writer, back}

    async def _one_way(self, reader: asyncio.StreamReader, writer: asyncio.StreamWriter) -> None:
        loop, last = asyncio.get_running_loop(), 0.0
        waiting: deque[tuple[float, bytes]] = deque()
        more = asyncio.Event()

        async def deliver() -> None:
            while True:
                while not waiting:
                    more.clear()
                    await more.wait()
                at, data = waiting.popleft()
                await asyncio.sleep(max(0.0, at - loop.time()))
                if not data:
                    writer.close()
                    return
                writer.write(data)
                await writer.drain()

        delivering = asyncio.create_task(deliver())
        try:
            while True:
                data = await reader.read(65_536)
                if self._swallows and data:
                    continue
                self.passed += len(data)
                # In their order, however uneven: a stream overtakes nothing.
                last = max(last, loop.time() + self.delay + self._dice.uniform(-1, 1) * self.jitter)
                waiting.append((last, data))
                more.set()
                if not data:
                    break
            await delivering
        except (ConnectionError, OSError):
            delivering.cancel()
            writer.transport.abort()
