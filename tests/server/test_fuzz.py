"""Nearly right messages on a table's socket: each is answered, by no fault of ours, and the table lives on.

``pytest tests/server/test_fuzz.py --messages 100000`` seeks longer.
"""

import copy
import json
from random import Random
from typing import Any

import httpx
import pytest

from ..conftest import Server
from .support import write
from .test_live import Table, table

BOOK = (
    "P1 = point 1, 2", "C1 = circle centre P1 radius 5", "K1 = path from 0, 0 to 40, 0 to 40, 30 close", "a = 12",
    "L1 = line from P1 to 40, 5", "R1 = measure distance P1 C1 wanted 3", "circle centre 0, 0 radius a", "sheet a4",
    "dimension C1",
)  # fmt: skip
SNAPPING = {"off": [], "parts": 3, "turn": 15.0, "turns": [30.0], "step": 0.5, "grid": 5.0, "ink_only": False}
POINTER = {
    "x": 3.0, "y": 4.0, "reach": 2.0, "pixel": 0.1, "level": False, "swing": False, "turned": 0.0, "passed": ["P1"],
    "snapping": SNAPPING,
}  # fmt: skip
TEXTS = (
    "circle", "point 1, 2", "40 at 30", "touching C1", "radius 5", "line from P1 to C1", "measure area K1", "trim L1", "ink K1",
    "outline at 5, 5", "offset K1 by 2", "repeat C1 3 times step 20, 0", "a = 5 + C1.radius", "mirror C1 over L1", "=", "+ 3, 4",
    "edge 2 of K1", "crossing of L1 C1", "unit in", "datum 1, 2 along L1", "until C1", "wanted 5 within 0.1", "",
)  # fmt: skip
ODD: tuple[Any, ...] = (
    None, True, -1, 0, 1e15, -1e15, 1e-12, 0.5, 2**31, 10**30, "", "P1", "s1", "nowhere", "é" * 40, "\u202e", "((((", "1/0",
    "K1 " * 200,
    [], [[]], {}, [None], ["P1", 7], {"do": "undo"}, "NaN", "9" * 400, "  ", "\n", "# x", "2 of 3", "touching touching",
)  # fmt: skip


def acts(dice: Random, ids: list[str], number: int) -> dict[str, Any]:
    """An act that could be meant."""
    id, other, text = dice.choice(ids), dice.choice(ids), dice.choice(TEXTS)
    new = f"f{number}"
    return dice.choice(
        [
            {"do": "write", "id": new, "text": text, "in_front_of": dice.choice([None, id]), "pen": "ink", "beside": ""},
            {"do": "write_all", "id": new, "entries": [{"text": text}, {"away": "C1"}], "in_front_of": None, "pen": "pencil"},
            {"do": "mend", "id": id, "text": text},
            {"do": "strike", "id": id, "others": [other]},
            {"do": "take_away", "id": new, "figures": [id, f"{other}.1"]},
            {"do": "settle", "id": new, "findings": ["ends P1 C1"], "limit": 1.0},
            {"do": "paste", "id": new, "text": text, "x": 1.0, "y": 2.0, "in_front_of": None},
            {"do": "make_symbol", "id": new, "name": "S9", "figures": [id], "at": [1.0, 2.0]},
            {"do": "move", "id": id, "in_front_of": other},
            {"do": "rename", "id": id, "name": dice.choice(["Q", "P1", "radius", "2"])},
            {"do": "flag", "id": id, "others": [other], "hidden": True, "off": None},
            {"do": "set_out", "id": new, "figures": [id, other]},
            {"do": "turn_into", "id": new, "step": id},
            {"do": "restate", "id": id, "otherwise": "", "first": "", "word": "radius", "said": "7"},
            {"do": "bring_back", "revision": dice.randrange(12)},
            {"do": "undo"},
            {"do": "redo"},
        ]
    )


def reads(dice: Random, ids: list[str]) -> dict[str, Any]:
    """A reading that could be meant."""
    kind = dice.choice(["circle", "line", "path", "trim", "ink", "move", "measure distance", "read", "dimension", "repeat"])
    draft = {"kind": kind, "rows": [dice.choice(TEXTS)], "at": None, "again": False, "clicks": [[1.0, 2.0]]}
    return {
        "type": "read",
        "text": dice.choice(TEXTS),
        "draft": dice.choice([None, draft]),
        "mend": dice.choice([None, None, dice.choice(ids)]),
        "in_front_of": dice.choice([None, dice.choice(ids)]),
        "pointer": dice.choice([None, copy.deepcopy(POINTER)]),
        "choice": dice.choice([None, 0, 1, -1, 7]),
        "selected": dice.choice([[], [dice.choice(ids)]]),
        "pull": dice.choice([None, None, 0, 1, 9]),
        "aimed": dice.choice([True, False]),
        "carry": dice.choice([None, None, {"figures": [dice.choice(ids)], "x": 1.0, "y": 2.0, "copied": False}]),
        "stroke": dice.choice([[], [[0.0, 0.0], [40.0, 30.0]]]),
        "drag": dice.choice([None, None, copy.deepcopy(POINTER)]),
        "opened": dice.choice([True, False]),
        "pen": dice.choice(["ink", "pencil"]),
    }  # fmt: skip


def spoilt(dice: Random, message: Any) -> None:
    """Something in it is gone, is something odd, or is there twice."""
    where = message
    while True:
        keys = list(where) if isinstance(where, dict) else list(range(len(where)))
        if not keys:
            return
        key = dice.choice(keys)
        if isinstance(where[key], dict | list) and where[key] and dice.random() < 0.7:
            where = where[key]
            continue
        match dice.randrange(4):
            case 0:
                del where[key]
            case 1 if isinstance(where, dict):
                where[f"{key}x"] = where[key]
            case _:
                where[key] = copy.deepcopy(dice.choice(ODD))
        return


def answered(one: Table, seq: int) -> dict[str, Any]:
    while True:
        message: dict[str, Any] = json.loads(one.socket.recv(timeout=20))
        if message["type"] == "book":
            one.take(message)
        elif message.get("seq") in (seq, 0):
            return message


@pytest.mark.parametrize("seed", range(8))
def test_nearly_right_messages_are_answered(
    server: Server, api: httpx.Client, drawing: dict[str, Any], seed: int, request: pytest.FixtureRequest
) -> None:
    dice, id = Random(seed), drawing["id"]
    for text in BOOK:
        write(api, id, text)
    with table(server, id) as one:
        for number in range(int(request.config.getoption("--messages")) // 8):
            ids = [*list(one.steps)[:40], "nowhere"]
            match dice.choices(("do", "read", "where"), (8, 11, 1))[0]:
                case "do":
                    message = {"type": "do", "base": one.revision, "act": acts(dice, ids, number)}
                case "read":
                    message = reads(dice, ids)
                case where:
                    message = {"type": where, "at": [1.0, 2.0], "selected": [dice.choice(ids)], "mending": dice.choice(ids)}
            one.seq += 1
            message["seq"] = one.seq
            for _ in range(dice.choice([0, 1, 1, 2])):
                spoilt(dice, message)
            if isinstance(message.get("seq"), int) and message["seq"] != one.seq:
                message["seq"] = one.seq
            one.socket.send(json.dumps(message))
            if message.get("type") == "where" or "mending" in message:
                # Where somebody is is not answered; what comes after it is.
                one.socket.send(json.dumps({"type": "echo", "seq": message.get("seq", 0)}))
            answer = answered(one, message["seq"] if isinstance(message.get("seq"), int) else 0)
            assert answer["type"] in ("line", "done", "refused", "echo"), answer
            act = message.get("act")
            step = one.steps.get(act.get("id")) if isinstance(act, dict) and isinstance(act.get("id"), str) else None
            assert answer.get("code") != "fault", (seed, number, message, step and step["text"])
            if answer["type"] == "refused":
                assert answer["message"].strip(), message
