"""Files over the wire: looked at before they are kept or taken in."""

import asyncio
import json
from collections.abc import AsyncGenerator
from threading import Event
from time import sleep
from typing import Any, cast

import httpx
import pytest

from kentrograph.exchange.files.found import Progress
from kentrograph.server.file_schemas import FileLook, LookLine
from kentrograph.server.long_work import CalledOff, in_lines

from .support import act, book, write


def lines(answer: httpx.Response) -> list[dict[str, Any]]:
    assert answer.status_code == 200, answer.text
    return [json.loads(line) for line in answer.text.splitlines()]


def looked(api: httpx.Client, id: str, word: str, **asked: Any) -> dict[str, Any]:
    found: dict[str, Any] = lines(api.post(f"/drawings/{id}/files/{word}/look", json=asked))[-1]
    return found


@pytest.fixture
def plate(api: httpx.Client, drawing: dict[str, Any]) -> str:
    for text in ("rectangle from 0, 0 size 100, 60", "circle centre 30, 30 radius 10", "line from 0, 0 to 50, 50", "point 1, 2"):
        write(api, drawing["id"], text)
    return str(drawing["id"])


@pytest.mark.parametrize("word", ["svg", "step", "iges", "nc", "csv"])
def test_a_file_is_looked_at_kept_and_read_again(api: httpx.Client, plate: str, word: str) -> None:
    look = looked(api, plate, word)["found"]
    assert look["good"]
    assert look["count"] == (1 if word == "csv" else 3)
    file = api.post(f"/drawings/{plate}/files/{word}", json={})
    assert file.status_code == 200
    assert len(file.content) == look["size"]
    ending = {"step": "step", "iges": "igs"}.get(word, word)
    found = lines(api.post(f"/files/read?name=a.{ending}", content=file.content))[-1]["found"]
    assert sum(found["counts"].values()) == look["count"]
    assert found["unit"] == "mm"
    assert not found.get("left_out")


def test_what_is_selected_alone(api: httpx.Client, plate: str) -> None:
    ids = [step["id"] for step in book(api, plate)["steps"]]
    assert looked(api, plate, "svg", figures=ids[1:2])["found"]["count"] == 1
    assert "K9" in looked(api, plate, "svg", names=["K9"])["refused"]
    assert "nothing of what was chosen" in looked(api, plate, "svg", pens=["axis"])["refused"]


def test_lengths_are_read_as_they_are_typed(api: httpx.Client, plate: str) -> None:
    """With their units and what the drawing knows; half a word says so, and is not taken for nothing."""
    whole = looked(api, plate, "nc", names=["K1"], tool="10 mm", side="outside")["found"]
    assert looked(api, plate, "nc", names=["K1"], tool="C1.radius", side="outside")["found"]["size"] == whole["size"]
    for slip in ("6x", "C9.radius", "-3", "0"):
        answer = api.post(f"/drawings/{plate}/files/nc/look", json={"tool": slip})
        assert answer.status_code == 422, slip
        assert answer.json()["message"]


def test_what_is_selected_is_nothing_where_nothing_is(api: httpx.Client, plate: str) -> None:
    assert "nothing of what was chosen" in looked(api, plate, "svg", figures=[])["refused"]


def test_too_few_decimals_say_how_many_are_enough(api: httpx.Client, drawing: dict[str, Any]) -> None:
    id = drawing["id"]
    for text in ("circle centre 0.123, 0.456 radius 7.777", "line from 40.1, 3.3 touching C1 left"):
        write(api, id, text)
    look = looked(api, id, "step", decimals=1)["found"]
    assert not look["good"]
    assert look["worst"][0]["names"]
    assert looked(api, id, "step", decimals=look["enough"])["found"]["good"]


def test_a_file_is_taken_into_a_drawing_as_steps_with_a_name_for_the_lot(api: httpx.Client, plate: str) -> None:
    data = b'name,"x, in","y, in"\r\nC1,1,2\r\npost,3,4\r\n'
    found = lines(api.post(f"/drawings/{plate}/found?name=posts.csv", content=data))[-1]["found"]
    assert found["entries"] == ["C1_1 = point 25.4, 50.8", "post = point 76.2, 101.6", "posts = group C1_1 post"]
    assert (found["unit"], found["sheet"]["x"]) == ("in", 1)
    entries = [{"text": text} for text in found["entries"]]
    assert act(api, plate, do="write_all", id="lot", entries=entries).status_code == 200
    assert [step["name"] for step in book(api, plate)["steps"]][-3:] == ["C1_1", "post", "posts"]
    other = lines(api.post(f"/drawings/{plate}/found?name=posts.csv&x=2&y=1&unit=mm", content=data))[-1]["found"]
    assert other["entries"][0] == "posts_1_1 = point 2, 1"


def test_a_drawing_of_our_own_comes_as_it_is(api: httpx.Client) -> None:
    text = "unit in\nC1 = circle centre 0, 0 radius 2\nL1 = line from C9 to 0, 0\n"
    found = lines(api.post("/files/read?name=old.kent", content=text.encode()))[-1]["found"]
    assert found["text"] == text
    assert (found["counts"], found["unit"], found["extents"]) == ({"circle": 1}, "in", [4.0, 4.0])
    assert found["left_out"][0]["count"] == 1
    made = api.post("/drawings", json={"name": "Old", "text": found["text"]})
    assert made.status_code == 201


@pytest.mark.parametrize(
    ("name", "data", "why"),
    [
        ("a.svg", b"<svg", "no whole XML"),
        ("a.doc", b"x", "ends with none of"),
        ("a.step", b"ISO-10303-21;\nDATA;\n#1=LINE(", "cut off"),
        ("a.csv", b"only,words\nhere,too\n", "no two columns"),
        ("a.nc", b"\n", "no figure"),
    ],
)
def test_a_file_that_cannot_be_read_says_why(api: httpx.Client, name: str, data: bytes, why: str) -> None:
    assert why in lines(api.post(f"/files/read?name={name}", content=data))[-1]["refused"]


def test_more_than_25_mb_is_refused_while_it_comes(api: httpx.Client) -> None:
    answer = api.post("/files/read?name=a.svg", content=b"<" * 26_000_000)
    assert answer.status_code == 422
    assert "up to 25 MB" in answer.json()["message"]


def test_the_cutter_shows_what_it_leaves(api: httpx.Client, plate: str) -> None:
    page = api.post(f"/drawings/{plate}/cut", json={"tool": "6", "names": ["K1"], "side": "inside"})
    assert page.status_code == 200
    assert "left standing 1.24264" in page.text
    assert "It differs at 4 places" in page.text


def test_going_away_calls_the_work_off() -> None:
    """Whoever reads the lines leaves after the first: the work is stopped where it next says how far it is."""
    called_off = Event()

    def work(progress: Progress) -> FileLook:
        try:
            for n in range(10_000):
                progress(n, 10_000)
                sleep(0.002)
        except CalledOff:
            called_off.set()
            raise
        raise AssertionError("nobody has called it off")

    async def read_one_line() -> LookLine:
        lines = cast("AsyncGenerator[bytes]", in_lines(LookLine, work).body_iterator)
        first = LookLine.model_validate_json(await anext(lines))
        await lines.aclose()
        return first

    assert asyncio.run(read_one_line()).total == 10_000
    assert called_off.wait(5.0)
