"""Nobody else's page gets in, nothing that can be sent is a fault of ours, and what becomes of a drawing is told."""

import json
import socket
from collections.abc import Iterator
from typing import Any

import httpx
import orjson
import pytest
from websockets.exceptions import InvalidStatus
from websockets.sync.client import connect

from kentrograph.server.app import create_app
from kentrograph.server.doors import addresses

from ..conftest import Server
from .support import act, book, picture, shelf, texts, write
from .test_live import Table, do, table

APP = create_app("postgresql+psycopg://nobody@127.0.0.1/none")
GONE = "00000000-0000-0000-0000-000000000000"


def every_route() -> list[tuple[str, str]]:
    """Method and path of every route in the schema, which is all there are but the pages."""
    return [(method.upper(), path) for path, methods in APP.openapi()["paths"].items() for method in sorted(methods)]


ROUTES = every_route()
FOREIGN = [
    {"Origin": "http://evil.example"}, {"Origin": "null"}, {"Origin": "https://127.0.0.1"}, {"Origin": "http://127.0.0.1:1"},
    {"Origin": "http://localhost.evil.example"}, {"Host": "evil.example"}, {"Host": "evil.example:8300"},
    {"Host": "127.0.0.1.evil.example"},
    {"Host": ""}, {"Sec-Fetch-Site": "cross-site", "Sec-Fetch-Mode": "no-cors"},
]  # fmt: skip


def test_the_walk_meets_every_route() -> None:
    assert len(ROUTES) >= 20
    assert ("POST", "/api/drawings/{id}/duplicate") in ROUTES


@pytest.mark.parametrize("headers", FOREIGN, ids=lambda h: "-".join(f"{k}_{v}" for k, v in h.items()))
def test_every_route_turns_a_foreign_page_away(
    server: Server, api: httpx.Client, drawing: dict[str, Any], headers: dict[str, str]
) -> None:
    before = [d["id"] for d in shelf(api)]
    for method, path in ROUTES:
        address = server.url + path.replace("{id}", drawing["id"]).replace("{step}", "s1")
        answer = httpx.request(method, address, headers=headers, verify=False)
        assert answer.status_code in (400, 403), (method, path, headers, answer.text[:200])
        if answer.status_code == 403:
            assert answer.json()["code"] in ("foreign_origin", "foreign_host")
            assert answer.headers["content-security-policy"]
    for page in ("/", f"/drawings/{drawing['id']}", "/mark.svg"):
        assert httpx.get(server.url + page, headers=headers, verify=False).status_code in (400, 403)
    assert [d["id"] for d in shelf(api)] == before


@pytest.mark.parametrize("origin", ["http://evil.example", "null", "http://127.0.0.1:1"])
def test_a_socket_of_a_foreign_page_gets_nothing(server: Server, drawing: dict[str, Any], origin: str) -> None:
    address = f"ws://127.0.0.1:{server.port}/api/drawings/{drawing['id']}/live"
    with pytest.raises(InvalidStatus) as refused, connect(address, origin=origin):  # type: ignore[arg-type]
        pass
    assert refused.value.response.status_code == 403


def test_a_socket_under_a_foreign_name_gets_nothing(server: Server, drawing: dict[str, Any]) -> None:
    asked = (
        f"GET /api/drawings/{drawing['id']}/live HTTP/1.1\r\nHost: evil.example\r\nUpgrade: websocket\r\nConnection: Upgrade\r\n"
        "Sec-WebSocket-Key: dGhlIHNhbXBsZSBub25jZQ==\r\nSec-WebSocket-Version: 13\r\n\r\n"
    )
    with socket.create_connection(("127.0.0.1", server.port), timeout=5) as raw:
        raw.sendall(asked.encode())
        assert raw.recv(100).startswith(b"HTTP/1.1 403")


@pytest.mark.parametrize("host", ["127.0.0.1", "localhost"])
def test_our_own_page_gets_in(server: Server, drawing: dict[str, Any], host: str) -> None:
    own = f"http://{host}:{server.port}"
    headers = {"Host": f"{host}:{server.port}", "Origin": own, "Sec-Fetch-Site": "same-origin"}
    copied = httpx.post(f"{server.url}/api/drawings/{drawing['id']}/duplicate", headers=headers, verify=False)
    assert copied.status_code == 201
    with connect(f"ws://{host}:{server.port}/api/drawings/{drawing['id']}/live", origin=own) as live:  # type: ignore[arg-type]
        assert [json.loads(live.recv(timeout=10))["type"] for _ in range(2)] == ["standing", "book"]


@pytest.mark.parametrize("bad", ["", "http://", "ftp://office.example", "https://office.example/path"])
def test_an_address_that_is_none_is_refused(bad: str) -> None:
    with pytest.raises(ValueError, match=r"office\.example"):
        addresses(8300, [bad])


def test_every_answer_has_the_headers_that_keep_a_page_in_its_place(server: Server, drawing: dict[str, Any]) -> None:
    for path in ("/", "/mark.svg", "/nothing", "/api/drawings", f"/api/drawings/{drawing['id']}", f"/api/drawings/{GONE}"):
        headers = httpx.get(server.url + path, verify=False).headers
        policy = headers["content-security-policy"]
        # Nothing that is written into a page runs; what lets the core in, which is WebAssembly, lets no text in.
        assert "script-src 'self' 'wasm-unsafe-eval';" in policy
        assert "frame-ancestors 'none'" in policy
        assert headers["x-content-type-options"] == "nosniff"
        assert headers["referrer-policy"] == "no-referrer"


def test_what_hides_in_a_picture_cannot_run(server: Server, api: httpx.Client, drawing: dict[str, Any]) -> None:
    path = f"/drawings/{drawing['id']}/backing"
    assert api.put(path, content=picture() + b"<script>alert(1)</script>").status_code == 200
    answer = api.get(f"{path}/picture")
    assert answer.headers["content-security-policy"] == "default-src 'none'; sandbox"
    assert (answer.headers["content-type"], answer.headers["x-content-type-options"]) == ("image/png", "nosniff")


@pytest.mark.parametrize(
    ("path", "status"),
    [
        ("/%00", 404), ("/" + "a" * 5000, 404), ("/.stamp", 404), ("/assets/.stamp", 404), ("/..%2f..%2fpyproject.toml", 404),
        ("/assets/..%2findex.html", 404), ("/drawings/%00", 200), ("/api/%00", 404), ("/api/" + "a" * 5000, 404),
        ("/" + "%f0%9f%92%a9" * 900, 404),
    ],
)  # fmt: skip
def test_odd_addresses_are_answered(server: Server, path: str, status: int) -> None:
    assert httpx.get(server.url + path, verify=False).status_code == status


# Inputs -----------------------------------------------------------------------------------------------

ODD = ("\x00", "a\x00b", "\x1b[2J", "\x7f", "\ud800")


@pytest.fixture
def two(api: httpx.Client, drawing: dict[str, Any]) -> dict[str, Any]:
    """A drawing with a circle, and a step that waits."""
    write(api, drawing["id"], "circle centre 25, 20 radius 8")
    write(api, drawing["id"], "a = 5")
    write(api, drawing["id"], "circle centre 0, 0 radius a")
    found: dict[str, Any] = book(api, drawing["id"])
    return found


def sent(api: httpx.Client, method: str, path: str, body: Any) -> httpx.Response:
    """As a browser sends it: JSON in which any sign can stand, as its code."""
    return api.request(method, path, content=json.dumps(body), headers={"Content-Type": "application/json"})


@pytest.mark.parametrize("odd", ODD, ids=ascii)
def test_control_characters_are_refused_wherever_they_stand(api: httpx.Client, two: dict[str, Any], odd: str) -> None:
    path, step = f"/drawings/{two['id']}", two["steps"][0]["id"]
    changes: list[dict[str, Any]] = [
        {"act": {"do": "write", "id": "n1", "text": "point 1, 2", "beside": odd}},
        {"act": {"do": "write", "id": "n1", "text": f"point 1, 2 # {odd}"}},
        {"act": {"do": "write", "id": f"n{odd}", "text": "point 1, 2"}},
        {"act": {"do": "mend", "id": step, "text": f"circle centre 0,0 radius 5 # {odd}"}},
        {"act": {"do": "rename", "id": step, "name": odd}},
        {"act": {"do": "strike", "id": odd}},
    ]
    for change in changes:
        answer = sent(api, "POST", f"{path}/changes", change)
        assert answer.status_code == 422, (change, answer.text)
        assert answer.json()["message"]
    for method, where, body in (
        ("POST", "/drawings", {"name": odd}), ("POST", "/drawings", {"name": "x", "text": f"point 1, 2 # {odd}"}),
        ("PATCH", path, {"name": odd}),
    ):  # fmt: skip
        assert sent(api, method, where, body).status_code == 422, (where, body)
    if odd != "\ud800":
        for where in (f"{path}/ways/{step}", f"{path}/numbers"):
            assert api.get(where, params={"word": "radius", "typed": odd, "field": "length"}).status_code == 422
    assert book(api, two["id"])["revision"] == two["revision"]


@pytest.mark.parametrize(
    ("path", "query", "code"),
    [
        ("working/none", {}, "no_step"),
        ("values/none", {}, "no_step"),
        ("ways/none", {"word": "radius", "typed": "5"}, "no_step"),
        ("ways/{step}", {"word": "diameter", "typed": "a = 5"}, None),
        ("ways/{step}", {"word": "", "typed": "5"}, "not_stated"),
        ("ways/{step}", {"word": "centre 0,0 # ", "typed": "5"}, "not_stated"),
        ("ways/{waiting}", {"word": "radius", "typed": "5"}, "not_stated"),
        ("numbers", {"field": "length", "typed": "arc from 0,0 to 40,0 radius 25"}, "unread_number"),
        ("numbers", {"field": "length", "typed": "point 1, 2"}, "unread_number"),
        ("numbers", {"field": "turn", "typed": "measure distance 0,0; 1,1"}, "unread_number"),
        ("numbers", {"field": "length", "typed": "1 " + "9" * 390 + "/7"}, "unread_number"),
        ("numbers", {"field": "length", "typed": "none_"}, "unknown_name"),
        ("numbers", {"field": "directions", "typed": "30 length 5 #"}, "unread_direction"),
        ("numbers", {"field": "length", "typed": "5" * 401}, "bad_request"),
        ("inside", {"left": "inf", "bottom": 0, "right": 1, "top": 1}, "bad_request"),
        ("inside", {"left": "nan", "bottom": 0, "right": 1, "top": 1}, "bad_request"),
        ("inside", {"left": -1e308, "bottom": 0, "right": 1e308, "top": 1}, "bad_request"),
    ],
)
def test_what_is_asked_about_a_drawing_is_answered(
    api: httpx.Client, two: dict[str, Any], path: str, query: dict[str, Any], code: str | None
) -> None:
    a = next(s["id"] for s in two["steps"] if s["name"] == "a")
    assert act(api, two["id"], do="strike", id=a).status_code == 200
    ids = {"step": two["steps"][0]["id"], "waiting": two["steps"][2]["id"]}
    answer = api.get(f"/drawings/{two['id']}/{path.format(**ids)}", params=query)
    assert answer.status_code == 422, answer.text
    assert code is None or answer.json()["code"] == code, answer.text


POINTER = {"x": 1.0, "y": 2.0, "reach": 1.0, "pixel": 0.1}
SNAPPING = {"off": [], "turns": []}


def reads() -> Iterator[tuple[dict[str, Any], str]]:
    """Messages that were a fault of ours, or could be, with how each is answered."""
    for x in (1e16, -1e300, 2e15):
        yield {"pointer": {**POINTER, "x": x}}, "refused"
    for key in ("reach", "pixel"):
        yield {"pointer": {**POINTER, key: 1e300}}, "refused"
    for key in ("grid", "step"):
        yield {"pointer": {**POINTER, "snapping": {**SNAPPING, key: 1e-300}}}, "refused"
        yield {"pointer": {**POINTER, "snapping": {**SNAPPING, key: 1e-9}}}, "line"
        yield {"pointer": {**POINTER, "x": 1e15, "snapping": {**SNAPPING, key: 1e-9}}}, "line"
    yield {"pointer": {**POINTER, "passed": ["\x00"]}}, "refused"
    yield {"pointer": {**POINTER, "passed": ["((((", "middle of", "P9"]}, "draft": {"kind": "line", "rows": []}}, "line"
    for kind in ("nonsense", "", "measure", "measure nonsense", "symbol", "number"):
        yield {"draft": {"kind": kind, "rows": []}, "pointer": POINTER}, "refused"
    for text in ("\x00", "a\x00", "# \x1b", "\x7f" * 9, "1 " + "9" * 400 + "/7", "9" * 5000, "a = 1 " + "9" * 400 + "/7"):
        yield {"text": text}, "line"
        yield {"text": text, "draft": {"kind": "circle", "rows": ["centre 0, 0"]}, "pointer": POINTER}, "line"
    yield {"mend": "none", "text": "point 1, 2"}, "line"
    yield {"selected": ["none"], "pull": 3, "pointer": POINTER}, "line"
    yield {"draft": {"kind": "circle", "rows": ["\x00"]}}, "refused"
    yield {"text": "line from 0,0 to 5,5", "in_front_of": "nowhere"}, "line"


@pytest.mark.parametrize(("message", "kind"), list(reads()))
def test_every_reading_is_answered_without_a_fault(
    server: Server, drawing: dict[str, Any], message: dict[str, Any], kind: str
) -> None:
    with table(server, drawing["id"]) as one:
        one.send(type="read", **message)
        while (answer := json.loads(one.socket.recv(timeout=10)))["type"] in ("book", "standing"):
            pass
        assert answer["type"] == kind, answer
        if kind == "refused":
            assert answer["code"] == "bad_message"
            assert answer["seq"] == one.seq
            assert "Value error" not in answer["message"]


def test_binary_frames_and_nonsense_leave_the_table_open(server: Server, drawing: dict[str, Any]) -> None:
    with table(server, drawing["id"]) as one:
        for raw in (
            b"\xff\xfe",
            b"",
            b"{}",
            b'{"type":"read"',
            "[1]",
            '{"type":"read","seq":1e400}',
        ):
            one.socket.send(raw)
            assert one.receive("refused")["code"] == "bad_message", raw
        one.socket.send(orjson.dumps({"type": "echo", "seq": 7}))
        assert one.receive("echo")["seq"] == 7


def test_a_body_that_is_no_json_is_refused(server: Server, drawing: dict[str, Any]) -> None:
    for body in (b"\xff\xff", b"{", b"[" * 100_000, b'{"name": "' + b"\\ud800" + b'"}', b""):
        answer = httpx.post(
            server.url + "/api/drawings", content=body, headers={"Content-Type": "application/json"}, verify=False
        )
        assert 400 <= answer.status_code < 500, body[:20]
    with socket.create_connection(("127.0.0.1", server.port), timeout=5) as raw:
        raw.sendall(b"GET /\x00 HTTP/1.1\r\nHost: \xff\r\n\r\n")
        assert raw.recv(100).startswith(b"HTTP/1.1 4")


# News -------------------------------------------------------------------------------------------------


def test_renaming_deleting_and_bringing_back_are_told_to_open_tables(
    server: Server, drawing: dict[str, Any], api: httpx.Client
) -> None:
    id = drawing["id"]
    write(api, id, "point 1, 2")
    with table(server, id) as one, table(server, id) as two:
        api.patch(f"/drawings/{id}", json={"name": "Told elsewhere"})
        for t in (one, two):
            while t.receive("book")["name"] != "Told elsewhere":
                pass
        api.delete(f"/drawings/{id}")
        for t in (one, two):
            t.receive("gone")
        api.post(f"/drawings/{id}/restore")
        for t in (one, two):
            assert t.receive("book")["name"] == "Told elsewhere"
            assert t.texts() == texts(book(api, id)) == ["point 1, 2"]
        _goes_on(one)


def _goes_on(one: Table) -> None:
    do(one, one.revision, do="write", text="point 3, 4", id="again")
    one.receive("done")
