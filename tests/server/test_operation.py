"""What an office's keeper relies on: logs that tell what went wrong and nothing of a drawing, health, counts, several workers."""

import asyncio
import json
import logging
import os
import re
import signal
import stat
import time
from collections.abc import Iterator
from datetime import date, timedelta
from pathlib import Path
from typing import Any

import httpx
import psycopg
import pytest
from postgres import free_port
from starlette.types import Message, Receive, Scope, Send

from kentrograph.server.logs import KEPT_DAYS, NAME, DatedFile, fault, log_to
from kentrograph.server.tracking import HEADER, Tracking
from kentrograph.store.database import unanswered

from ..conftest import Server
from .support import act, book, write
from .test_live import table

SECRET = "a text that is nobody's business"


@pytest.fixture
def logged(tmp_path: Path) -> Iterator[Path]:
    """A folder that is logged to."""
    root, own = logging.getLogger(), logging.getLogger("kentrograph")
    before, levels = root.handlers, (root.level, own.level)
    log_to(tmp_path)
    yield tmp_path
    root.handlers = before
    root.setLevel(levels[0])
    own.setLevel(levels[1])


def lines(folder: Path) -> list[dict[str, Any]]:
    return [json.loads(line) for line in (folder / NAME.format(date.today())).read_text().splitlines()]


async def asked(method: str, path: str, *headers: tuple[bytes, bytes]) -> tuple[int, dict[bytes, bytes], bytes]:
    """What is answered where what is behind fails, and says what was typed."""
    sent: list[Message] = []

    async def behind(scope: Scope, receive: Receive, send: Send) -> None:
        try:
            raise ValueError(SECRET)
        except ValueError as error:
            raise KeyError(SECRET) from error

    async def send(message: Message) -> None:
        sent.append(message)

    async def receive() -> Message:
        return {"type": "http.disconnect"}

    await Tracking(behind)({"type": "http", "method": method, "path": path, "headers": list(headers)}, receive, send)
    return sent[0]["status"], dict(sent[0]["headers"]), sent[1]["body"]


def test_a_fault_is_told_with_its_number_and_found_in_the_log_without_what_was_typed(logged: Path) -> None:
    address = f"/api/invitations/{'x' * 32}"
    status, headers, body = asyncio.run(asked("POST", address))
    number = headers[HEADER.lower().encode()].decode()
    assert status == 500
    assert number in json.loads(body)["message"]
    raised, answered = lines(logged)
    assert raised["request"] == answered["request"] == number
    assert raised["fault"][0] == "builtins.KeyError"
    assert "builtins.ValueError" in raised["fault"]
    assert any("behind: raise KeyError(SECRET)" in line for line in raised["fault"])
    assert (answered["asked"], answered["status"]) == ("POST /api/invitations/{token}", 500)
    written = (logged / NAME.format(date.today())).read_text()
    # Neither what it said nor the secret of the address.
    assert SECRET not in written
    assert "x" * 32 not in written


@pytest.mark.parametrize(("given", "kept"), [(b"from-a-proxy-17", True), (b"short", False), (b"two words here", False)])
def test_the_number_that_a_proxy_gave_is_kept_where_it_is_one(logged: Path, given: bytes, kept: bool) -> None:
    _, headers, _ = asyncio.run(asked("GET", "/api/help", (HEADER.lower().encode(), given)))
    number = headers[HEADER.lower().encode()]
    assert (number == given) == kept
    assert re.fullmatch(rb"[A-Za-z0-9-]{8,64}", number)


def test_logs_are_dated_their_owners_own_and_go_after_a_month(tmp_path: Path) -> None:
    folder = tmp_path / "new"
    today = date.today()
    folder.mkdir()
    files = {days: folder / NAME.format(today - timedelta(days=days)) for days in (1, KEPT_DAYS, KEPT_DAYS + 1, 400)}
    for file in files.values():
        file.write_text("{}\n")
    (folder / "kept.txt").write_text("somebody's")
    handler = DatedFile(folder)
    for word in ("one", "two"):
        handler.emit(logging.LogRecord("n", logging.INFO, "f", 1, word, None, None))
    # Another worker writes to the same file.
    DatedFile(folder).emit(logging.LogRecord("n", logging.INFO, "f", 1, "three", None, None))
    now = folder / NAME.format(today)
    assert now.read_text().split() == ["one", "two", "three"]
    assert stat.S_IMODE(now.stat().st_mode) == 0o600
    assert {days for days, file in files.items() if file.exists()} == {1, KEPT_DAYS}
    assert (folder / "kept.txt").exists()


def test_a_log_that_cannot_be_written_is_said_and_stops_nothing(tmp_path: Path, capsys: pytest.CaptureFixture[str]) -> None:
    (tmp_path / "file").write_text("")
    DatedFile(tmp_path / "file" / "folder").emit(logging.LogRecord("n", logging.INFO, "f", 1, "one", None, None))
    assert "Logging error" in capsys.readouterr().err


def test_chains_of_faults_that_lead_to_themselves_end() -> None:
    one, two = ValueError(SECRET), KeyError(SECRET)
    one.__cause__, two.__cause__ = two, one
    assert 2 <= len(fault(one)) <= 400


def test_what_is_written_to_the_log_of_a_server(server: Server, api: httpx.Client, drawing: dict[str, Any]) -> None:
    id = drawing["id"]
    answer = act(api, id, do="write", text="point 71237123, 9 nonsense", id="a")
    assert answer.status_code == 422
    write(api, id, "P7 = point 71237123, 9")
    number = answer.headers[HEADER]
    found = next(line for line in server.logged() if line.get("request") == number)
    assert (found["status"], found["drawing"], found["asked"]) == (422, id, "POST /api/drawings/{id}/changes")
    assert not any("71237123" in json.dumps(line) for line in server.logged())


def test_health_tells_the_process_from_the_database() -> None:
    # A database that is not there: nobody listens at this port.
    away = Server("postgresql+psycopg://nobody@127.0.0.1:1/none")
    with pytest.raises(AssertionError, match="did not start"):
        away.start(seconds=6)
    try:
        answer = httpx.get(f"{away.url}/api/health", verify=False)
        assert (answer.status_code, answer.json()) == (503, {"process": "answers", "database": "away"})
        alive = httpx.get(f"{away.url}/api/health/process", verify=False)
        assert (alive.status_code, alive.json()) == (200, {"process": "answers"})
        said = httpx.get(f"{away.url}/api/drawings", verify=False)
        assert (said.status_code, said.json()["code"]) == (503, "no_database")
    finally:
        away.stop()


def test_a_full_disk_is_said_to_be_full_and_nothing_was_changed(
    database: str, server: Server, api: httpx.Client, drawing: dict[str, Any]
) -> None:
    """PostgreSQL says so with 53100; a trigger says it here, for this drawing (published: PostgreSQL, error codes)."""
    id = drawing["id"]
    write(api, id, "point 1, 1")
    with psycopg.connect(database.replace("+psycopg", ""), autocommit=True) as connection:
        connection.execute(
            "CREATE FUNCTION full_disk() RETURNS trigger LANGUAGE plpgsql AS"
            " $$ BEGIN RAISE EXCEPTION 'could not extend file' USING ERRCODE = '53100'; END $$"
        )
        connection.execute(
            f"CREATE TRIGGER full_disk BEFORE INSERT ON steps FOR EACH ROW WHEN (NEW.drawing_id = '{id}')"
            " EXECUTE FUNCTION full_disk()"
        )
        try:
            answer = act(api, id, do="write", text="point 2, 2", id="b")
            assert (answer.status_code, answer.json()["code"]) == (507, "disk_full")
            assert "full" in answer.json()["message"]
            with table(server, id) as one:
                one.send(type="do", base=1, act={"do": "write", "text": "point 2, 2", "id": "c"})
                assert one.receive("refused")["code"] == "disk_full"
        finally:
            connection.execute("DROP FUNCTION full_disk CASCADE")
    assert len(book(api, id)["steps"]) == 1
    write(api, id, "point 2, 2")


def test_what_else_the_database_refuses_to_answer_is_not_said_to_be_a_full_disk() -> None:
    assert unanswered(TimeoutError()).code == "no_database"


def counted(port: int) -> dict[str, float]:
    text = httpx.get(f"http://127.0.0.1:{port}/metrics", verify=False).text
    return {line.rpartition(" ")[0]: float(line.rpartition(" ")[2]) for line in text.splitlines() if not line.startswith("#")}


def workers_of(server: Server) -> list[int]:
    assert server.process is not None
    children = Path(f"/proc/{server.process.pid}/task/{server.process.pid}/children").read_text().split()
    return [int(pid) for pid in children if b"spawn_main" in Path(f"/proc/{pid}/cmdline").read_bytes()]


def test_several_workers_serve_one_drawing_are_counted_together_and_started_again(
    database: str, api: httpx.Client, drawing: dict[str, Any]
) -> None:
    id, port = drawing["id"], free_port()
    several = Server(database, "--workers", "2", "--metrics", str(port))
    several.start()
    try:
        assert len(workers_of(several)) == 2
        with table(several, id) as one, table(several, id) as two, table(several, id) as three:
            for number in range(12):
                # A connection each: whichever worker takes it.
                with httpx.Client(base_url=several.url + "/api", timeout=20, verify=False) as anew:
                    write(anew, id, f"point {number}, 1")
            for each in (one, two, three):
                while each.revision < 12:
                    each.receive("book")
            assert one.texts() == two.texts() == three.texts()
            found = counted(port)
            assert found['kentrograph_changes_total{outcome="kept"}'] == 12
            assert found["kentrograph_tables"] == 3
            assert found['kentrograph_requests_total{asked="POST /api/drawings/{id}/changes",status="200"}'] == 12
            killed = workers_of(several)
            for pid in killed:
                os.kill(pid, signal.SIGKILL)
        begun = time.monotonic()
        while len(workers_of(several)) < 2 or set(killed) & set(workers_of(several)) or counted(port)["kentrograph_tables"]:
            assert time.monotonic() - begun < 60
            time.sleep(0.1)
        with table(several, id) as again:
            assert len(again.texts()) == 12
        # Whoever minds them is killed: none is left that would hold the port.
        assert several.process is not None
        left = workers_of(several)
        several.kill()
        while any(Path(f"/proc/{pid}").exists() and "Z" not in _state(pid) for pid in left):
            assert time.monotonic() - begun < 90
            time.sleep(0.05)
    finally:
        several.stop()


def _state(pid: int) -> str:
    try:
        return Path(f"/proc/{pid}/stat").read_text().rpartition(")")[2][:3]
    except FileNotFoundError:
        return "Z"
