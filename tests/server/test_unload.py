"""All drawings out as texts with their history, and into another place; texts that were edited, cut off or made up on the way."""

import json
import subprocess
from pathlib import Path
from typing import Any

import httpx
import pytest

from ..conftest import Server, kentrograph
from .support import act, book, picture, shelf, write
from .test_backup import another, tried


@pytest.fixture(scope="module")
def folder(database: str, server: Server, tmp_path_factory: pytest.TempPathFactory) -> Path:
    """Drawings that were worked on, written to a folder."""
    place = another(database, "unloaded")
    kentrograph(place, "prepare")
    here = Server(place)
    here.start()
    found = tmp_path_factory.mktemp("out")
    try:
        with httpx.Client(base_url=here.url + "/api", timeout=20, verify=False) as api:
            for name in ("Gate: north / south", "Gate- north - south", "gate- NORTH - south"):
                id = api.post("/drawings", json={"name": name}).json()["id"]
                write(api, id, "P1 = point 1, 2")
                write(api, id, "circle centre P1 radius 5")
                act(api, id, do="undo")
                act(api, id, do="redo")
                write(api, id, "nonsense = 7")
                api.put(f"/drawings/{id}/history/1/name", json={"name": "the first"}).raise_for_status()
            api.put(f"/drawings/{id}/backing", content=picture()).raise_for_status()
            gone = api.post("/drawings", json={"name": "Gone"}).json()["id"]
            api.delete(f"/drawings/{gone}")
        assert "3 drawings" in kentrograph(place, "unload", str(found))
    finally:
        here.stop()
    return found


@pytest.fixture
def copy(folder: Path, tmp_path: Path) -> Path:
    """One of them, to be spoilt."""
    for ending in (".kent", ".history.jsonl"):
        (tmp_path / f"one{ending}").write_bytes((folder / f"Gate- north - south{ending}").read_bytes())
    return tmp_path


_PLACES = iter(range(100))


@pytest.fixture
def empty(database: str) -> str:
    """A place without drawings."""
    return another(database, f"empty{next(_PLACES)}")


def taken(place: str, folder: Path) -> "subprocess.CompletedProcess[str]":
    return tried(place, "load", str(folder))


def seen(place: str) -> dict[str, Any]:
    """Of every drawing there what a drafter sees: its name, book, history and picture."""
    server = Server(place)
    server.start()
    try:
        with httpx.Client(base_url=server.url + "/api", timeout=20, verify=False) as api:
            return {one["name"]: _seen(api, one["id"]) for one in shelf(api)}
    finally:
        server.stop()


def _seen(api: httpx.Client, id: str) -> list[Any]:
    address = f"/drawings/{id}"
    history = api.get(f"{address}/history").json()["entries"]
    return [
        book(api, id)["revision"],
        api.get(f"{address}/text").text,
        [(one["at"], one["author"], one["what"], one["name"]) for one in history],
        api.get(f"{address}/history/1").json(),
        api.get(f"{address}/backing").status_code,
    ]


def test_all_of_it_is_as_it_was_in_another_place(database: str, folder: Path, empty: str) -> None:
    assert sorted(file.name for file in folder.glob("*.kent")) == [
        "Gate- north - south 2.kent", "Gate- north - south.kent", "gate- NORTH - south 3.kent",
    ]  # fmt: skip
    assert (folder / "Gate- north - south.kent").read_text() == "P1 = point 1, 2\ncircle centre P1 radius 5\nnonsense = 7\n"
    done = taken(empty, folder)
    assert (done.returncode, done.stdout.count("taken in with 6 changes")) == (0, 3)
    assert seen(empty) == seen(another_with(database))
    # Once more changes nothing.
    again = taken(empty, folder)
    assert (again.returncode, again.stdout.count("is here already")) == (0, 3)


def another_with(database: str) -> str:
    """The place that they come from."""
    return f"{database.rpartition('/')[0]}/unloaded"


def test_a_text_that_was_written_in_since_is_taken_as_it_is(copy: Path, empty: str) -> None:
    with (copy / "one.kent").open("a") as text:
        text.write("point 9, 9\n")
    done = taken(empty, copy)
    assert done.returncode == 0
    assert "written in since" in done.stdout
    ((revision, text, *_),) = seen(empty).values()
    assert revision == 0
    assert text.endswith("point 9, 9\n")


def test_a_text_alone_is_a_drawing(copy: Path, empty: str) -> None:
    (copy / "one.history.jsonl").unlink()
    assert "without a history" in taken(empty, copy).stdout
    assert list(seen(empty)) == ["one"]


def _rows(copy: Path) -> list[dict[str, Any]]:
    return [json.loads(line) for line in (copy / "one.history.jsonl").read_text().splitlines()]


def _other_drawing(rows: list[dict[str, Any]]) -> None:
    rows[1]["row"]["drawing_id"] = "0" * 32


def _other_table(rows: list[dict[str, Any]]) -> None:
    rows[1]["table"] = "people"


def _other_step(rows: list[dict[str, Any]]) -> None:
    next(one for one in rows if one.get("table") == "steps")["row"]["text"] = "P1 = point 7, 7"


def _no_value(rows: list[dict[str, Any]]) -> None:
    rows[1]["row"]["position"] = {"a": []}


@pytest.mark.parametrize(
    ("spoil", "said"),
    [
        (_other_drawing, "of another drawing"),
        (_other_table, "cannot be read"),
        (_other_step, "does not end in this text"),
        (_no_value, "cannot be read"),
        (lambda rows: rows.pop(), ""),
        (lambda rows: rows.remove(next(one for one in rows if one.get("table") == "changes")), "not whole: of 6 changes"),
        (lambda rows: rows.clear(), "cannot be read"),
    ],
)  # fmt: skip
def test_a_history_that_is_made_up_is_not_taken_and_keeps_nothing_else_out(copy: Path, empty: str, spoil: Any, said: str) -> None:
    rows = _rows(copy)
    spoil(rows)
    (copy / "one.history.jsonl").write_text("".join(json.dumps(row) + "\n" for row in rows))
    (copy / "two.kent").write_text("point 3, 3\n")
    done = taken(empty, copy)
    assert "Traceback" not in done.stderr
    assert "two.kent: taken in" in done.stdout
    if said:
        assert done.returncode == 1
        assert said in done.stderr
        assert list(seen(empty)) == ["two"]


def test_what_is_no_folder_or_nobody_is_said(empty: str, tmp_path: Path) -> None:
    assert "is no folder" in taken(empty, tmp_path / "none").stderr
    assert "nobody here is called" in tried(empty, "load", str(tmp_path), "--owner", "Nobody At All").stderr
