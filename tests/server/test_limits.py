"""What one person may ask for at once: each limit with its sentence, and nobody else waits."""

import json
import socket
import threading
from contextlib import ExitStack
from typing import Any

import httpx
import pytest
from websockets.sync.client import connect

from kentrograph.server import limits
from kentrograph.store.changes import MOST_STEPS

from ..conftest import Server
from .office import Person, closed_with, people_of, told
from .support import act, book, write
from .test_live import Table, do, table


def test_a_body_that_is_too_large_is_not_read(server: Server) -> None:
    size = 50_000_000
    head = (
        f"POST /api/files/read?name=a.svg HTTP/1.1\r\nHost: 127.0.0.1:{server.port}\r\n"
        f"Content-Type: application/octet-stream\r\nContent-Length: {size}\r\n\r\n"
    )
    with socket.create_connection(("127.0.0.1", server.port), timeout=10) as raw:
        raw.sendall(head.encode())
        answer = raw.recv(2000).decode()
        while "message" not in answer:
            answer += raw.recv(2000).decode()
    # Answered before any of it was sent.
    assert answer.startswith("HTTP/1.1 413")
    assert "more than 32 MB" in answer


def test_one_that_does_not_say_how_large_it_is_is_cut_off(server: Server) -> None:
    head = f"POST /api/drawings HTTP/1.1\r\nHost: 127.0.0.1:{server.port}\r\nTransfer-Encoding: chunked\r\n\r\n"
    chunk = b"100000\r\n" + b" " * 0x100000 + b"\r\n"
    begun, answer = 0, b""
    with socket.create_connection(("127.0.0.1", server.port), timeout=20) as raw:
        raw.sendall(head.encode())
        try:
            for _ in range(200):
                begun += 1
                raw.sendall(chunk)
            answer = raw.recv(2000)
        except OSError:
            # Cut off while it was sending.
            pass
    assert begun < 200
    assert answer == b"" or b" 413 " in answer[:20]


def test_steps_have_a_limit(api: httpx.Client, drawing: dict[str, Any], monkeypatch: pytest.MonkeyPatch) -> None:
    entries = [{"text": f"point {n}, 1"} for n in range(20_001)]
    assert act(api, drawing["id"], do="write_all", id="w", entries=entries).status_code == 422
    assert MOST_STEPS >= 100_000


def test_one_person_has_so_many_tables_open(office: Server, keeper: Person) -> None:
    one, *_ = people_of(office, keeper, "Opens Many")
    id = one.draws("Often open")
    kept = {"Cookie": f"kentrograph={one.cookies['kentrograph']}"}
    address = f"ws://127.0.0.1:{office.port}/api/drawings/{id}/live"
    with ExitStack() as open_tables:
        for _ in range(limits.SOCKETS - 1):
            Table(open_tables.enter_context(connect(address, additional_headers=kept))).receive("book")
        with one.socket(id) as last:
            last.receive("book")
            with one.socket(id) as too_many:
                assert closed_with(too_many) == 4429
            # Nobody else is kept out.
            with keeper.socket(id) as other:
                other.receive("book")
        with one.socket(id) as again:
            again.receive("book")


def test_too_many_requests_of_one_person_are_refused_and_none_is_lost(office: Server, keeper: Person) -> None:
    one, other = people_of(office, keeper, "Asks Often", "Asks Once")
    id = one.draws("Asked for", "circle centre 0,0 radius 5")
    found: list[tuple[int, Any]] = []

    def ask() -> None:
        found.append(told(one.get(f"/drawings/{id}/check.html")))

    several = [threading.Thread(target=ask) for _ in range(limits.AT_ONCE + limits.WAITING + 30)]
    for thread in several:
        thread.start()
    assert other.get("/drawings").status_code == 200
    for thread in several:
        thread.join()
    assert {status for status, _ in found} <= {200, 429}
    assert [status for status, _ in found].count(200) >= limits.AT_ONCE
    assert one.get(f"/drawings/{id}").status_code == 200


def test_what_takes_too_long_is_cut_short_and_the_table_lives_on(
    server: Server, api: httpx.Client, drawing: dict[str, Any]
) -> None:
    id = drawing["id"]
    chain = " ".join(f"to {n}, {n * 7919 % 101}" for n in range(1, 200))
    write(api, id, f"K1 = path from 0,0 {chain}")
    write(api, id, f"K2 = path from 0,40 {chain}")
    with table(server, id) as one:
        one.send(type="read", text="outline at 5, 5")
        line = one.receive("line")
        assert (line["problem"]["kind"], line["enter"]["do"]) == ("over_budget", "nothing")
        before = one.revision
        do(one, before, do="write", id="slow", text="outline at 5, 5")
        refused = one.receive("refused")
        assert refused["code"] == "over_budget"
        do(one, before, do="write", id="quick", text="point 1, 1")
        one.receive("done")
    assert [s["id"] for s in book(api, id)["steps"]][-1] == "quick"


def test_a_slow_reader_gets_the_newest_and_holds_nobody_up(server: Server, api: httpx.Client, drawing: dict[str, Any]) -> None:
    id = drawing["id"]
    with table(server, id) as slow, table(server, id) as quick:
        for number in range(60):
            do(quick, quick.revision, do="write", id=f"n{number}", text=f"circle centre {number}, 0 radius 1 # {'x' * 5000}")
            quick.receive("done")
        # It has read nothing for all that time; now it has everything, each step once.
        while slow.revision < quick.revision:
            slow.receive("book")
        assert slow.in_order() == quick.in_order()


def test_answers_that_nobody_takes_end_the_reading_of_more(server: Server, drawing: dict[str, Any]) -> None:
    address = f"ws://127.0.0.1:{server.port}/api/drawings/{drawing['id']}/live"
    with connect(address, max_queue=1) as flooding, table(server, drawing["id"]) as other:
        for number in range(3_000):
            flooding.send(json.dumps({"type": "echo", "seq": number}))
            if number % 500 == 0:
                other.send(type="echo")
                other.receive("echo")
        seen = 0
        while seen < 2_999:
            message = json.loads(flooding.recv(timeout=10))
            if message["type"] == "echo":
                assert message["seq"] >= seen
                seen = message["seq"]
