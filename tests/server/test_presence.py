"""Who else is at a table: told to people, in every worker, and gone with those who go."""

import asyncio
import json
import time
from collections.abc import Iterator
from typing import Any
from uuid import uuid4

import pytest

from kentrograph.server.presence import ALIVE, FORGOTTEN, Presence
from kentrograph.server.socket_schemas import MOST_SHOWN, OtherView

from ..conftest import Server
from .office import Person, people_of
from .test_live import Table


def others(table: Table, *names: str) -> list[dict[str, Any]]:
    """Who else is there, once it is these."""
    while True:
        found: list[dict[str, Any]] = table.receive("others")["others"]
        if sorted(one["name"] for one in found) == sorted(names):
            return found


@pytest.fixture(scope="module")
def second(office: Server) -> Iterator[Server]:
    """Another worker on the same database."""
    running = Server(office.database, "--office")
    running.start()
    yield running
    running.stop()


def test_people_see_each_other_wherever_they_are_served(office: Server, second: Server, keeper: Person) -> None:
    ann, bo = people_of(office, keeper, "Ann Presence", "Bo Presence")
    id = ann.draws("Seen", "circle centre 0,0 radius 5")
    ann.shares(id, "person", "draw", bo.id)
    elsewhere = Person(second)
    elsewhere.cookies = bo.cookies
    with ann.socket(id) as one:
        with elsewhere.socket(id) as two:
            others(one, "Bo Presence")
            others(two, "Ann Presence")
            figure = next(iter(two.steps), None) or two.receive("book")["steps"][0]["id"]
            two.send(type="where", at=[3.5, 4], selected=[figure], mending=figure)
            found = others(one, "Bo Presence")
            while found[0]["at"] is None:
                found = others(one, "Bo Presence")
            assert {k: found[0][k] for k in ("at", "selected", "mending")} == {
                "at": [3.5, 4.0], "selected": [figure], "mending": figure,
            }  # fmt: skip
        others(one)


def test_who_only_has_a_link_is_seen_and_told_of_nobody(office: Server, keeper: Person) -> None:
    id = keeper.draws("Looked at")
    guest = Person(office)
    guest.post(f"/looking/{keeper.links(id).removeprefix('/look/')}").raise_for_status()
    with keeper.socket(id) as one, guest.socket(id) as looking:
        others(one, "a guest")
        one.send(type="where", at=[1, 1])
        # What the guest is sent until an echo comes back names nobody.
        time.sleep(0.5)
        seq, sent = looking.send(type="echo"), []
        while (message := json.loads(looking.socket.recv(timeout=10))).get("seq") != seq:
            sent.append(message["type"])
        assert "others" not in sent


def test_a_worker_that_falls_silent_is_forgotten_with_all_who_sat_there(monkeypatch: pytest.MonkeyPatch) -> None:
    now = 1000.0
    monkeypatch.setattr("kentrograph.server.presence.time.monotonic", lambda: now)
    one, two, drawings = Presence("none"), Presence("none"), [uuid4(), uuid4()]
    two.hear(next(one._payloads({}, asking=True)))
    for seat in range(40):
        selected = [f"{seat:02}-{n:03}" + "x" * 70 for n in range(MOST_SHOWN)]
        who = OtherView(seat=two.seat(), name=f"Person\n {seat} é", at=(1, 2), selected=selected)
        two.put(drawings[seat % 2], who.seat, who.model_dump_json().encode())
    pieces = list(two._payloads(two._moved, asking=True))
    assert len(pieces) > 5
    for payload in pieces:
        assert len(payload.encode()) < 8_000
        one.hear(payload)
    for drawing in drawings:
        assert one.at(drawing) == two.at(drawing)
        assert len(one.at(drawing)) == 20
    mine = one.seat()
    one.put(drawings[0], mine, b"{}")
    # What one says oneself is not heard.
    for payload in one._payloads({drawings[0]: {mine}}, asking=False):
        one.hear(payload.replace("{}", ""))
    now += FORGOTTEN - 1
    one._forget_silent()
    assert len(one.at(drawings[0])) == 21
    assert len(one.others(drawings[0], mine)) == 20
    now += 2
    one._forget_silent()
    assert one.at(drawings[0]) == {mine: b"{}"}
    assert one.at(drawings[1]) == {}
    assert ALIVE * 2 < FORGOTTEN


def test_while_there_is_one_worker_only_that_is_announced_and_whoever_comes_is_told_all() -> None:
    one, two, drawing = Presence("none"), Presence("none"), uuid4()
    one.put(drawing, one.seat(), b"{}")
    assert list(one._payloads(one._moved, asking=False)) == []
    assert list(one._payloads({}, asking=False)) == [f"{one.worker}\n"]
    one._moved.clear()
    # The other one comes, and asks: who is here is told.
    (asked,) = two._payloads({}, asking=True)
    one.hear(asked)
    (told,) = one._payloads(one._moved, asking=False)
    two.hear(told)
    assert two.at(drawing) == one.at(drawing) != {}


def test_who_goes_leaves_nothing_behind() -> None:
    one, two, drawing = Presence("none"), Presence("none"), uuid4()
    one.hear(next(two._payloads({}, asking=True)))
    seats = [one.seat() for _ in range(3)]
    for seat in seats:
        one.put(drawing, seat, b"{}")
    for payload in one._payloads(one._moved, asking=False):
        two.hear(payload)
    assert len(two.at(drawing)) == 3
    one._moved.clear()
    for seat in seats:
        one.leave(drawing, seat)
    for payload in one._payloads(one._moved, asking=False):
        two.hear(payload)
    assert one.at(drawing) == two.at(drawing) == {}
    assert one._tables == two._tables == {}
    one.leave(drawing, seats[0])


def test_without_a_database_the_tables_here_are_told(caplog: pytest.LogCaptureFixture) -> None:
    async def told() -> Any:
        one, heard = Presence("postgresql+psycopg://nobody@127.0.0.1:1/none"), asyncio.Queue[Any]()
        one.changed = heard.put_nowait
        running = asyncio.create_task(one.run())
        try:
            one.put(drawing, one.seat(), b"{}")
            first = await asyncio.wait_for(heard.get(), 5)
            await asyncio.sleep(0.3)
            one.put(drawing, one.seat(), b"{}")
            return first, await asyncio.wait_for(heard.get(), 5)
        finally:
            running.cancel()

    drawing = uuid4()
    assert asyncio.run(told()) == (drawing, drawing)
    assert "cannot be told" in caplog.text
