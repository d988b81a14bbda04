"""The socket: two tables on one drawing, the open line read live, and a server killed after it has acknowledged."""

import json
import time
from collections.abc import Iterator
from contextlib import contextmanager
from typing import Any

import httpx
import pytest
from websockets.sync.client import ClientConnection, connect

from ..conftest import Server
from .support import Receiver, act, book, picture, texts, write


class Table(Receiver):
    """One end of a table's socket."""

    def __init__(self, socket: ClientConnection) -> None:
        super().__init__()
        self.socket = socket
        self.seq = 0

    def receive(self, kind: str) -> dict[str, Any]:
        """The next message of a kind; books on the way are taken in."""
        over = time.monotonic() + 15
        while True:
            assert time.monotonic() < over, f"no {kind} has come"
            message: dict[str, Any] = json.loads(self.socket.recv(timeout=10))
            if message["type"] == "book":
                self.take(message)
            if message["type"] == kind:
                return message

    def send(self, **message: Any) -> int:
        self.seq += 1
        self.socket.send(json.dumps({**message, "seq": self.seq}))
        return self.seq

    def texts(self) -> list[str]:
        return [self.steps[id]["text"] for id in self.order]


@contextmanager
def table(server: Server, id: str) -> Iterator[Table]:
    with connect(f"ws://127.0.0.1:{server.port}/api/drawings/{id}/live") as socket:
        made = Table(socket)
        made.receive("book")
        yield made


def do(on: Table, base: int, **act: Any) -> None:
    on.send(type="do", base=base, act=act)


def test_two_tables_end_with_the_same_drawing(server: Server, drawing: dict[str, Any], api: httpx.Client) -> None:
    with table(server, drawing["id"]) as one, table(server, drawing["id"]) as two:
        do(one, 0, do="write", text="point 1, 1", id="a")
        one.receive("done")
        # The second table has not heard of it as far as its message says: what is written anew is done all the same.
        do(two, 0, do="write", text="point 2, 2", id="b")
        two.receive("done")
        while one.revision < two.revision:
            one.receive("book")
        assert one.texts() == two.texts() == texts(book(api, drawing["id"])) == ["point 1, 1", "point 2, 2"]


def test_what_somebody_else_changed_since_is_not_written_over(server: Server, drawing: dict[str, Any], api: httpx.Client) -> None:
    id = drawing["id"]
    a, b = (write(api, id, text)["steps"][-1]["id"] for text in ("point 1, 1", "point 2, 2"))
    with table(server, id) as one, table(server, id) as two:
        base = one.revision
        do(one, base, do="mend", id=a, text="point 7, 7")
        one.receive("done")
        for act in (
            {"do": "mend", "text": "point 9, 9"}, {"do": "strike"}, {"do": "rename", "name": "Q"}, {"do": "flag", "off": True}
        ):  # fmt: skip
            do(two, base, **act, id=a)
            refused = two.receive("refused")
            assert refused["code"] == "stale"
            assert "It now reads: point 7, 7" in refused["message"]
        # Another step is no hindrance, and undo means the change that was seen.
        do(two, base, do="mend", id=b, text="point 3, 3")
        two.receive("done")
        do(one, base, do="undo")
        assert "look at it before" in one.receive("refused")["message"]
        do(one, base + 2, do="undo")
        one.receive("done")
        assert texts(book(api, id)) == ["point 7, 7", "point 2, 2"]
        do(two, base + 90, do="undo")
        assert two.receive("refused")["code"] == "stale"


def test_what_is_asked_for_again_is_answered_as_it_was_and_done_once(
    server: Server, drawing: dict[str, Any], api: httpx.Client
) -> None:
    """As whoever lost the connection asks, who cannot know what became of it."""
    id = drawing["id"]
    write(api, id, "point 1, 1")
    a = write(api, id, "point 2, 2")["steps"][-1]["id"]
    base = book(api, id)["revision"]
    acts = [
        {"do": "write", "id": "n", "text": "point 3, 3"}, {"do": "mend", "id": a, "text": "point 4, 4"}, {"do": "undo"},
        {"do": "redo"}, {"do": "strike", "id": "n"}, {"do": "undo"},
    ]  # fmt: skip
    for number, what in enumerate(acts):
        with table(server, id) as one:
            one.send(type="do", base=base + number, key=f"key-{number}", act=what)
            assert one.receive("done")["revision"] == base + number + 1
    said = (book(api, id)["revision"], texts(book(api, id)))
    assert said == (base + len(acts), ["point 1, 1", "point 4, 4", "point 3, 3"])
    # Somebody else has gone on meanwhile: it is not written over, and nobody is told of a conflict with oneself.
    write(api, id, "point 5, 5")
    act(api, id, do="mend", id=a, text="point 6, 6")
    now = texts(book(api, id))
    with table(server, id) as one:
        for number, what in enumerate(acts):
            one.send(type="do", base=base + number, key=f"key-{number}", act=what)
            assert one.receive("done")["revision"] == base + number + 1
        for number, what in enumerate(acts):
            again = api.post(f"/drawings/{id}/changes", json={"act": what, "key": f"key-{number}"})
            assert (again.status_code, texts(again.json())) == (200, now)
    assert texts(book(api, id)) == now
    # Under another key, or in another drawing, it is another change.
    other = api.post("/drawings", json={"name": "Another"}).json()["id"]
    assert texts(api.post(f"/drawings/{other}/changes", json={"act": acts[0], "key": "key-0"}).json()) == ["point 3, 3"]
    assert (
        api.post(f"/drawings/{id}/changes", json={"act": {"do": "undo"}, "key": "key-x"}).json()["revision"]
        == base + len(acts) + 3
    )


def test_change_made_over_http_reaches_the_table(server: Server, drawing: dict[str, Any], api: httpx.Client) -> None:
    with table(server, drawing["id"]) as one:
        write(api, drawing["id"], "circle centre 0,0 radius 5")
        one.receive("book")
        assert one.texts() == ["circle centre 0,0 radius 5"]
        api.delete(f"/drawings/{drawing['id']}")


def test_a_picture_moved_at_one_table_is_told_to_the_others(server: Server, drawing: dict[str, Any], api: httpx.Client) -> None:
    path = f"/drawings/{drawing['id']}/backing"
    with table(server, drawing["id"]) as one:
        placing = api.put(path, content=picture()).json()["placing"]
        one.receive("backing")
        api.patch(path, json={**placing, "x": 50.8, "y": 25.4, "scale": 2.54})
        one.receive("backing")
        # The drawing counts in inches from now on: the picture stays where it lies, there and back.
        write(api, drawing["id"], "unit in")
        one.receive("backing")
        lies = api.get(path).json()["placing"]
        assert (lies["x"], lies["y"], lies["scale"]) == pytest.approx((2, 1, 0.1))
        assert act(api, drawing["id"], do="undo").status_code == 200
        one.receive("backing")
        assert api.get(path).json()["placing"]["x"] == pytest.approx(50.8)
        api.delete(path)
        one.receive("backing")


def test_open_line_is_read_live(server: Server, drawing: dict[str, Any], api: httpx.Client) -> None:
    write(api, drawing["id"], "point 40, 25")
    pointer = {"x": 39.8, "y": 25.3, "reach": 1.0, "pixel": 0.1}
    with table(server, drawing["id"]) as one:
        seq = one.send(type="read", text="140 - 16", draft={"kind": "circle", "rows": ["centre P1"]}, pointer=pointer)
        line = one.receive("line")
        assert line["seq"] == seq
        assert (line["row"], line["value"], line["enter"]["do"]) == ("radius 140 - 16", "124 mm", "write")
        assert (line["preview"]["kind"], line["preview"]["radius"]) == ("circle", 124.0)
        assert (line["tag"]["words"], line["tag"]["kind"]) == ("P1", "point")
        one.send(type="read", text="", draft={"kind": "circle", "rows": ["centre 0, 0"]}, pointer=pointer)
        line = one.receive("line")
        assert line["click"]["statement"] == "circle centre 0, 0 through P1"
        assert line["preview"]["radius"] == (40**2 + 25**2) ** 0.5


def test_mending_shows_all_that_follows_before_it_is_done(server: Server, drawing: dict[str, Any], api: httpx.Client) -> None:
    root = write(api, drawing["id"], "point 1, 2")["steps"][0]["id"]
    write(api, drawing["id"], "circle centre P1: 10, 0 radius 4")
    with table(server, drawing["id"]) as one:
        one.send(type="read", text="point 5, 5", mend=root)
        follows = one.receive("line")["follows"]
        assert [f["figure"]["kind"] for f in follows] == ["point", "circle"]
        assert follows[1]["figure"]["centre"] == [15.0, 5.0]
    assert texts(book(api, drawing["id"]))[0] == "point 1, 2"


def test_nonsense_on_the_socket_is_answered_and_the_table_lives_on(server: Server, drawing: dict[str, Any]) -> None:
    with table(server, drawing["id"]) as one:
        for raw in (
            "",
            "[]",
            "{}",
            '{"type":"read","seq":-1}',
            '{"type":"read","seq":1,"text":5}',
            '{"type":"do","seq":2}',
            "\x00",
        ):
            one.socket.send(raw)
            assert one.receive("refused")["code"] == "bad_message"
        one.send(type="read", text="(" * 5000)
        assert one.receive("line")["problem"]["kind"] == "too_deep"
        one.send(type="echo")
        one.receive("echo")


def test_acknowledged_change_outlives_a_killed_server(database: str) -> None:
    server = Server(database)
    server.start()
    try:
        with httpx.Client(base_url=server.url + "/api", timeout=20, verify=False) as api:
            id = api.post("/drawings", json={"name": "Killed"}).json()["id"]
        with table(server, id) as one:
            do(one, 0, do="write", text="point 3, 4", id="a")
            one.receive("done")
            server.kill()
        server.start()
        with httpx.Client(base_url=server.url + "/api", timeout=20, verify=False) as api:
            assert texts(book(api, id)) == ["point 3, 4"]
            assert book(api, id)["undo"] == "point P1"
    finally:
        server.stop()


def test_who_hears_nothing_new_hears_that_it_is_there(server: Server, drawing: dict[str, Any]) -> None:
    with table(server, drawing["id"]) as one:
        begun = time.monotonic()
        for _ in range(2):
            assert one.receive("alive") == {"type": "alive"}
        assert time.monotonic() - begun > 8.0
