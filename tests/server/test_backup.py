"""The drill: everything written to one file, taken back into another place, and found as it was."""

import json
import subprocess
import sys
import time
from pathlib import Path
from typing import Any
from zipfile import ZipFile

import httpx
import psycopg
import pytest

from ..conftest import ROOT, Server, kentrograph
from .office import Person, people_of
from .support import act, picture, shelf, write


def another(database: str, name: str) -> str:
    """A new, empty database beside one."""
    with psycopg.connect(database.replace("+psycopg", ""), autocommit=True) as connection:
        connection.execute(f"CREATE DATABASE {name}")
    return f"{database.rpartition('/')[0]}/{name}"


def tried(database: str, *words: str) -> "subprocess.CompletedProcess[str]":
    return subprocess.run(
        [sys.executable, "-m", "kentrograph.cli", *words], cwd=ROOT, capture_output=True, text=True, check=False,
        env={"KENTROGRAPH_DATABASE": database, "PATH": "/usr/bin:/bin"},
    )  # fmt: skip


def all_of(one: httpx.Client) -> dict[str, Any]:
    """What somebody sees of every drawing: book, history, sharing, pictures."""
    found: dict[str, Any] = {}
    for drawing in [*shelf(one), *shelf(one, deleted=True)]:
        id = drawing["id"]
        asked = ("", "/history", "/sharing", "/text", "/backing", "/backing/picture", "/picture")
        found[id] = [drawing, *(one.get(f"/drawings/{id}{path}").content for path in asked)]
    return found


def test_the_drill(office: Server, keeper: Person, tmp_path: Path) -> None:
    one, two = people_of(office, keeper, "Drills One", "Drills Two")
    id = one.draws("Drilled", "P1 = point 1, 2\ncircle centre P1 radius 5\nnonsense here\n")
    write(one, id, "unit in")
    act(one, id, do="undo")
    one.put(f"/drawings/{id}/backing", content=picture()).raise_for_status()
    one.shares(id, "person", "draw", two.id)
    one.links(id)
    gone = one.draws("Deleted before it")
    one.delete(f"/drawings/{gone}")
    file = tmp_path / "office.zip"
    assert "drawings" in kentrograph(office.database, "backup", str(file))
    assert file.stat().st_mode & 0o077 == 0
    before = all_of(keeper)
    place = another(office.database, "drill")
    kentrograph(place, "restore", str(file))
    restored = Server(place, "--office")
    restored.start()
    try:
        again = Person(restored)
        # Nobody is signed in there, and everybody has the password they had.
        assert again.get("/who").json()["person"] is None
        assert again.signs_in("Maud Oake").status_code == 200
        assert all_of(again) == before
        writer = Person(restored)
        assert writer.signs_in("Drills Two").status_code == 200
        write(writer, id, "point 7, 7")
        assert writer.get(f"/drawings/{id}/history").json()["entries"][0]["author"] == "Drills Two"
        writer.patch(f"/drawings/{id}", json={"name": "Goes on"}).raise_for_status()
    finally:
        restored.stop()
    second = tried(place, "restore", str(file))
    assert (second.returncode, "drawings here already" in second.stderr) == (2, True)


@pytest.mark.parametrize("spoil", ["cut", "line", "other", "nothing", "version"])
def test_what_is_not_whole_is_not_taken_back(office: Server, keeper: Person, tmp_path: Path, spoil: str) -> None:
    keeper.draws("In every backup", "point 1, 2")
    file, bad = tmp_path / "office.zip", tmp_path / "bad.zip"
    kentrograph(office.database, "backup", str(file))
    with ZipFile(file) as held:
        parts = {name: held.read(name) for name in held.namelist()}
    match spoil:
        case "cut":
            bad.write_bytes(file.read_bytes()[:-40])
        case "nothing":
            bad.write_bytes(b"")
        case _:
            if spoil == "line":
                parts["steps.jsonl"] = parts["steps.jsonl"].replace(b"point 1, 2", b"point 1, 3")
            elif spoil == "other":
                del parts["changes.jsonl"]
            else:
                parts["facts.json"] = json.dumps({**json.loads(parts["facts.json"]), "migration": "0001"}).encode()
            with ZipFile(bad, "w") as out:
                for name, content in parts.items():
                    out.writestr(name, content)
    place = another(office.database, f"spoilt_{spoil}")
    done = tried(place, "restore", str(bad))
    assert (done.returncode, done.stdout) == (2, "")
    assert done.stderr.startswith("kentrograph: ")
    with psycopg.connect(place.replace("+psycopg", "")) as connection:
        assert connection.execute("SELECT count(*) FROM drawings").fetchone() == (0,)


def test_a_backup_that_cannot_be_written_says_so(office: Server) -> None:
    done = tried(office.database, "backup", "/nowhere/at/all.zip")
    assert (done.returncode, "cannot write /nowhere/at/all.zip" in done.stderr) == (2, True)


def test_one_is_made_every_day_by_itself(office: Server, keeper: Person, tmp_path: Path) -> None:
    folder = tmp_path / "kept"
    server = Server(office.database, "--office", "--backup", str(folder))
    server.start()
    try:
        for _ in range(300):
            if list(folder.glob("kentrograph-*.zip")):
                break
            time.sleep(0.1)
    finally:
        server.stop()
    assert len(list(folder.glob("kentrograph-*.zip"))) == 1
