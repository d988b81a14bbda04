"""The database of the application's own: it comes back after a kill, keeps what was committed, and says what is wrong."""

import os
import signal
import sys
from pathlib import Path

import psycopg
import pytest

ROOT = Path(__file__).parents[2]
sys.path.insert(0, str(ROOT / "tools"))

import postgres  # noqa: E402
from say import Stop  # noqa: E402


def query(cluster: postgres.Postgres, text: str) -> list[tuple[object, ...]]:
    with psycopg.connect(cluster.url.replace("+psycopg", ""), autocommit=True) as connection:
        cursor = connection.execute(text)  # type: ignore[call-overload]
        return cursor.fetchall() if cursor.description else []


def test_killed_database_starts_again_with_what_was_committed(tmp_path: Path) -> None:
    for folder in (tmp_path, *tmp_path.parents):
        if folder.owner() == "root" and str(folder).startswith("/tmp/"):
            folder.chmod(0o755)
    cluster = postgres.Postgres(tmp_path / "data")
    cluster.start()
    query(cluster, "create table kept (n int)")
    query(cluster, "insert into kept values (7)")
    pid = int((cluster.cluster / "postmaster.pid").read_text().splitlines()[0])
    os.kill(pid, signal.SIGKILL)
    again = postgres.Postgres(tmp_path / "data")
    again.start()
    try:
        assert query(again, "select n from kept") == [(7,)]
        assert query(again, "show server_encoding") == [("UTF8",)]
        assert query(again, "show fsync") == [("on",)]
    finally:
        again.stop()


def test_full_disk_is_said_before_anything_is_made(tmp_path: Path, monkeypatch: pytest.MonkeyPatch) -> None:
    monkeypatch.setattr(postgres, "NEEDED_BYTES", 10**18)
    with pytest.raises(Stop, match="disk is full"):
        postgres.Postgres(tmp_path / "data").start()
    assert not (tmp_path / "data" / "postgres").exists()


def test_folder_that_cannot_be_made_is_named() -> None:
    with pytest.raises(Stop, match="/proc/nowhere"):
        postgres.Postgres(Path("/proc/nowhere")).start()
