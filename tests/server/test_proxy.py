"""The example of docs/office.md, with nginx itself: two servers on one database, any of which serves any table."""

import json
import re
import socket
import ssl
import subprocess
import tempfile
import time
from collections.abc import Iterator
from contextlib import contextmanager
from pathlib import Path
from typing import Any

import httpx
import pytest
from machine import proxy
from postgres import free_port
from websockets import Origin
from websockets.sync.client import ClientConnection, connect

from kentrograph.server.caller import SIGN_IN_COOKIE

from ..conftest import ROOT, Server
from .office import Person

ORIGIN = "https://office.example"


def example(port: int, servers: list[int], certificate: Path, key: Path) -> str:
    """The example, with the ports and files of this test in place of those that it names."""
    block = re.search(r"```\n(upstream .+?)```", (ROOT / "docs" / "office.md").read_text(), re.DOTALL)
    assert block is not None
    said = block[1]
    for there, here in (
        ("    server 127.0.0.1:8300;\n", "".join(f"server 127.0.0.1:{one};\n" for one in servers)),
        ("listen 443 ssl;", f"listen 127.0.0.1:{port} ssl;"),
        ("/etc/ssl/office.pem", str(certificate)),
        ("/etc/ssl/office.key", str(key)),
    ):
        assert said.count(there) == 1, there
        said = said.replace(there, here)
    return said


@pytest.fixture(scope="module")
def servers(office_database: str) -> Iterator[list[Server]]:
    two = [Server(office_database, "--office", "--allow", ORIGIN) for _ in range(2)]
    for one in two:
        one.start()
    yield two
    for one in two:
        one.stop()


@pytest.fixture(scope="module")
def address(servers: list[Server]) -> Iterator[str]:
    """Where nginx answers."""
    with tempfile.TemporaryDirectory(prefix="kentrograph-") as made:
        # It takes in large bodies as another user.
        Path(made).chmod(0o711)
        yield from answering(servers, Path(made))


def answering(servers: list[Server], folder: Path) -> Iterator[str]:
    port = free_port()
    certificate, key = folder / "office.pem", folder / "office.key"
    subject = ["-subj", "/CN=office.example", "-days", "2", "-nodes", "-keyout", str(key), "-out", str(certificate)]
    subprocess.run(["openssl", "req", "-x509", "-newkey", "rsa:2048", *subject], check=True, capture_output=True)
    places = "".join(f"{kind}_temp_path {folder}/{kind};\n" for kind in ("client_body", "proxy", "fastcgi", "uwsgi", "scgi"))
    said = example(port, [one.port for one in servers], certificate, key)
    whole = f"pid {folder}/pid;\nerror_log {folder}/errors;\nevents {{}}\nhttp {{\naccess_log off;\n{places}{said}}}\n"
    (folder / "nginx.conf").write_text(whole)
    command = [str(proxy()), "-p", str(folder), "-c", str(folder / "nginx.conf"), "-g", "daemon off;"]
    running = subprocess.Popen(command, stderr=subprocess.PIPE)
    try:
        for _ in range(200):
            assert running.poll() is None, running.stderr and running.stderr.read().decode()
            try:
                httpx.get(f"https://127.0.0.1:{port}/", verify=False, headers={"Host": "office.example"})
                break
            except httpx.TransportError:
                time.sleep(0.05)
        yield f"https://127.0.0.1:{port}"
    finally:
        running.terminate()
        running.wait(10)


@pytest.fixture
def api(address: str, keeper: Person) -> Iterator[httpx.Client]:
    """The calls of who keeps the office, by way of nginx."""
    cookies = {SIGN_IN_COOKIE: keeper.cookies[SIGN_IN_COOKIE]}
    headers = {"Host": "office.example", "Origin": ORIGIN}
    with httpx.Client(base_url=f"{address}/api", verify=False, headers=headers, cookies=cookies, timeout=30) as client:
        yield client


@contextmanager
def table(address: str, api: httpx.Client, id: str) -> Iterator[ClientConnection]:
    """A table by way of nginx, as a browser opens it; the drawing has been sent."""
    trusting = ssl.create_default_context()
    trusting.check_hostname, trusting.verify_mode = False, ssl.CERT_NONE
    port = int(address.rpartition(":")[2])
    cookie = {"Cookie": f"{SIGN_IN_COOKIE}={api.cookies[SIGN_IN_COOKIE]}"}
    place = f"wss://office.example/api/drawings/{id}/live"
    straight = socket.create_connection(("127.0.0.1", port))
    with connect(place, sock=straight, ssl=trusting, origin=Origin(ORIGIN), additional_headers=cookie, max_size=None) as socket_:
        heard(socket_, "book")
        yield socket_


def heard(table: ClientConnection, kind: str) -> dict[str, Any]:
    while True:
        message: dict[str, Any] = json.loads(table.recv(timeout=20))
        if message["type"] == kind:
            return message


def test_tables_at_different_servers_draw_together(address: str, api: httpx.Client, servers: list[Server]) -> None:
    id = api.post("/drawings", json={"name": "Behind a proxy"}).raise_for_status().json()["id"]
    with table(address, api, id) as one, table(address, api, id) as two:
        for number, (writes, hears) in enumerate([(one, two), (two, one)]):
            act = {"do": "write", "id": f"p{number}", "text": f"point {number}, 1"}
            writes.send(json.dumps({"type": "do", "seq": 1, "base": number, "act": act}))
            assert heard(writes, "done")["revision"] == number + 1
            assert [step["text"] for step in heard(hears, "book")["steps"]] == [f"point {number}, 1"]
    # Both were asked: nginx takes them in turn.
    time.sleep(0.5)
    closed = [[line for line in one.logged() if line["event"] == "table closed" and line["drawing"] == id] for one in servers]
    assert [len(lines) for lines in closed] == [1, 1]


def test_only_its_own_name_and_pages_get_through(api: httpx.Client) -> None:
    assert api.get("/who").json()["person"]["name"] == "Maud Oake"
    assert api.get("/who", headers={"Host": "elsewhere.example"}).status_code == 403
    assert api.post("/drawings", json={"name": "No"}, headers={"Origin": "https://elsewhere.example"}).status_code == 403


def test_what_is_too_large_is_turned_away(api: httpx.Client) -> None:
    assert api.post("/files/read", content=b"x" * 34_000_000).status_code == 413
    # Below that it is the server that says so, in its own words.
    refused = api.post("/files/read", content=b"x" * 28_000_000)
    assert (refused.status_code, bool(refused.json()["message"])) == (422, True)
