"""A large drawing opens by what was kept of it, and is the one that is worked out from its texts."""

import json
import time
from collections.abc import Callable, Iterator
from typing import Any

import httpx
import psycopg
import pytest
from websockets.sync.client import ClientConnection, connect

from kentrograph.core.replica.held import Held
from kentrograph.server.packing import EVERY
from kentrograph.store.packed import FROM, core_version
from tools.large import large_text

from ..conftest import Server
from .support import Receiver, act, book, write

STEPS = FROM + 100
LAST = f"w = 4\ncircle centre P1 radius w\nmeasure distance P1 C{STEPS // 5}\nline from P{STEPS // 5} to Nowhere\n"


@pytest.fixture(scope="module")
def large(server: Server) -> Iterator[str]:
    """A large drawing in which some steps hang on others, and one waits."""
    with httpx.Client(base_url=f"{server.url}/api", timeout=60, verify=False) as api:
        made = api.post("/drawings", json={"name": "Large", "text": large_text(STEPS) + LAST})
        yield made.raise_for_status().json()["id"]


def until(found: Callable[[], Any], seconds: float = 60.0) -> Any:
    """What is found once there is something."""
    over = time.monotonic() + seconds
    while not (one := found()):
        assert time.monotonic() < over, "it did not come"
        time.sleep(0.1)
    return one


def kept(api: httpx.Client, id: str) -> Receiver | None:
    """What a table has by what was kept; None where nothing is."""
    answer = api.get(f"/drawings/{id}/opened").raise_for_status()
    if answer.status_code == 204:
        return None
    frame, columns, *rows = [json.loads(line) for line in answer.text.split("\n")]
    assert (frame["type"], frame["whole"], frame["steps"]) == ("book", True, [])
    made = Receiver()
    made.take({**frame, "steps": [dict(zip(columns, row, strict=True)) for row in rows]})
    return made


def received(socket: ClientConnection) -> dict[str, Any]:
    while (found := json.loads(socket.recv(timeout=60)))["type"] == "alive":
        pass
    told: dict[str, Any] = found
    return told


def opened(server: Server, api: httpx.Client, id: str) -> tuple[Receiver, dict[str, Any]]:
    """A table as it is opened, and the book that it was sent."""
    with connect(f"ws://127.0.0.1:{server.port}/api/drawings/{id}/live", max_size=None) as socket:
        assert received(socket)["type"] == "standing"
        opening = received(socket)
        assert (opening["type"], opening["name"]) == ("opening", "Large")
        table = kept(api, id)
        assert table is not None
        assert (table.revision, len(table.order)) == (opening["revision"], opening["steps"])
        message = received(socket)
        assert (message["type"], message["whole"], message["since"]) == ("book", False, opening["revision"])
        table.take(message)
        return table, message


def same_as_whole(table: Receiver, api: httpx.Client, id: str) -> None:
    whole = book(api, id)
    assert table.revision == whole["revision"]
    assert table.in_order() == whole["steps"]


def test_what_is_kept_is_the_whole_drawing(server: Server, large: str, api: httpx.Client) -> None:
    table = until(lambda: kept(api, large))
    same_as_whole(table, api, large)
    table, message = opened(server, api, large)
    assert (message["steps"], message["edits"], message["name"]) == ([], [], "Large")
    same_as_whole(table, api, large)


def test_a_table_that_cannot_have_it_is_sent_the_whole(server: Server, large: str, api: httpx.Client) -> None:
    until(lambda: kept(api, large))
    with connect(f"ws://127.0.0.1:{server.port}/api/drawings/{large}/live?whole=true", max_size=None) as socket:
        assert received(socket)["type"] == "standing"
        message = received(socket)
    assert (message["type"], message["whole"]) == ("book", True)
    assert message["steps"] == book(api, large)["steps"]


def test_what_was_done_since_follows(server: Server, large: str, api: httpx.Client) -> None:
    first = until(lambda: kept(api, large)).revision
    ids = [step["id"] for step in book(api, large)["steps"]]
    write(api, large, "point 7, 7")
    act(api, large, do="mend", id=ids[-4], text="w = 6").raise_for_status()
    act(api, large, do="strike", id=ids[4]).raise_for_status()
    act(api, large, do="move", id=ids[0], in_front_of=ids[50]).raise_for_status()
    act(api, large, do="flag", id=ids[9], hidden=True).raise_for_status()
    act(api, large, do="undo").raise_for_status()
    table, message = opened(server, api, large)
    assert len(message["edits"]) == 6
    # No more is told anew than was touched and hangs on that.
    assert {ids[-4], ids[-3]} < {step["id"] for step in message["steps"]} < {*ids[-4:], *ids[:5], ids[9], table.order[-1]}
    same_as_whole(table, api, large)
    # A server that knows nothing yet finds the same, and so does a page that opens the drawing itself.
    other = Server(server.database)
    other.start()
    with httpx.Client(base_url=f"{other.url}/api", timeout=60, verify=False) as there:
        table, message = opened(other, there, large)
        assert message["since"] == first
        same_as_whole(table, api, large)
        held = Held()
        assert held.open(there.get(f"/drawings/{large}/source").text) == table.revision
        assert [held.book.steps[id].statement.text for id in held.book.order] == [step["text"] for step in table.in_order()]
    other.stop()


def test_it_is_kept_anew_now_and_then(server: Server, large: str, api: httpx.Client) -> None:
    before = until(lambda: kept(api, large)).revision
    with connect(f"ws://127.0.0.1:{server.port}/api/drawings/{large}/live", max_size=None) as socket:
        for n in range(EVERY + 1):
            written = {"do": "write", "id": f"anew{n}", "text": f"point {n}, 9"}
            socket.send(json.dumps({"type": "do", "seq": n, "base": before, "act": written}))
            while received(socket)["type"] != "done":
                pass
        table = until(lambda: one if (one := kept(api, large)) and one.revision > before else None)
    assert table.in_order() == book(api, large, revision=table.revision)["steps"]


def test_what_another_core_has_kept_counts_for_nothing(server: Server, large: str, api: httpx.Client) -> None:
    until(lambda: kept(api, large))
    with psycopg.connect(server.database.replace("+psycopg", ""), autocommit=True) as connection:
        connection.execute("UPDATE packed_books SET core = 'another'")
        assert kept(api, large) is None
        assert api.get(f"/drawings/{large}/source").json()["edits"] == []
        # It is kept while it is opened, and the table waits for that.
        table, message = opened(server, api, large)
        assert message["steps"] == []
        same_as_whole(table, api, large)
        connection.execute("UPDATE packed_books SET core = 'another'")
        # A server of another core keeps it anew by itself.
        other = Server(server.database)
        other.start()
        until(lambda: kept(api, large))
        other.stop()
        found = connection.execute("SELECT core FROM packed_books").fetchall()
        assert found == [(core_version(),)]


def test_of_any_other_drawing_nothing_is_kept(server: Server, drawing: dict[str, Any], api: httpx.Client) -> None:
    assert kept(api, drawing["id"]) is None
    with connect(f"ws://127.0.0.1:{server.port}/api/drawings/{drawing['id']}/live") as socket:
        assert [received(socket)["type"], received(socket)["type"]] == ["standing", "book"]
