"""Spoilt files and pictures, sent to a server: each is answered with a reason or what it holds, and leaves no fault in the log.

``pytest tests/server/test_hostile.py --files 100000`` seeks longer. (The readers themselves are tried in tests/files, where a
case costs less; here it is what stands around them.)
"""

import json
from random import Random
from typing import Any

import httpx
import pytest

from ..core.test_texts_at_random import SCRAPS
from ..files.test_readers import mutated, samples
from .support import book, picture, write


@pytest.fixture
def count(request: pytest.FixtureRequest) -> int:
    return int(request.config.getoption("--files"))


def test_spoilt_files_are_answered(api: httpx.Client, drawing: dict[str, Any], count: int) -> None:
    dice, every, outcomes = Random(19), list(samples().items()), {"found": 0, "refused": 0}
    write(api, drawing["id"], "P1 = point 1, 2")
    for number in range(count):
        name, data = every[number % len(every)]
        address = dice.choice(["/files/read", f"/drawings/{drawing['id']}/found"])
        answer = api.post(address, params={"name": name}, content=mutated(data, dice))
        assert answer.status_code in (200, 422), (number, name, answer.text[:300])
        if answer.status_code == 422:
            assert answer.json()["message"]
            continue
        last = json.loads(answer.content.strip().split(b"\n")[-1])
        outcomes["found" if last.get("found") else "refused"] += 1
        assert last.get("found") or last["refused"], (number, name, last)
    assert min(outcomes.values()) > count / 50, outcomes


def test_spoilt_pictures_are_answered(api: httpx.Client, drawing: dict[str, Any], count: int) -> None:
    dice, taken, address = Random(20), 0, f"/drawings/{drawing['id']}/backing"
    every = [picture(kind=kind) for kind in ("PNG", "JPEG", "GIF", "BMP", "TIFF")]
    for number in range(count // 2):
        answer = api.put(address, content=mutated(every[number % len(every)], dice))
        assert answer.status_code in (200, 400, 413, 422), (number, answer.text[:300])
        taken += answer.status_code == 200
        if answer.status_code == 200:
            # What was taken is shown.
            assert api.get(f"{address}/picture").status_code == 200
    assert 0 < taken < count / 2


def test_texts_made_of_scraps_are_answered(api: httpx.Client, drawing: dict[str, Any], count: int) -> None:
    dice, id, written = Random(21), drawing["id"], 0
    for text in ("P1 = point 1, 2", "C1 = circle centre P1 radius 5", "K1 = path from 0, 0 to 40, 0 to 40, 30 close", "a = 12"):
        write(api, id, text)
    for number in range(count):
        text = " ".join(dice.choices(SCRAPS, k=dice.randint(1, 12)))
        answer = api.post(
            f"/drawings/{id}/changes", json={"base": None, "act": {"do": "write", "id": f"h{number}", "text": text}}
        )
        assert answer.status_code in (200, 422), (text, answer.text[:300])
        written += answer.status_code == 200
        if answer.status_code == 422:
            said = answer.json()
            assert said["message"], text
            # Where it is wrong lies in what was typed.
            where = said["fields"]
            assert 0 <= where.get("start", 0) <= where.get("end", 0) <= len(text), (text, said)
    assert len(book(api, id)["steps"]) >= 4
    assert written < count
