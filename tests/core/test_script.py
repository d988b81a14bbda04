"""Texts: read, written, read again; whatever the bytes."""

import json
import subprocess
import sys
from pathlib import Path

import pytest
from hypothesis import given, settings
from hypothesis import strategies as st

from kentrograph.cli import main
from kentrograph.core.language.report import run_report
from kentrograph.core.language.script import book_of, read_script, write_script

from .support import report

DEMO = sorted(Path(__file__).parents[2].glob("demo/*.kent"))


@pytest.mark.parametrize("file", DEMO, ids=lambda f: f.stem)
def test_demo_drawing_has_no_problem_and_reads_back(file: Path) -> None:
    script = read_script(file.read_text(encoding="utf-8"))
    made = book_of(script)
    assert run_report(script, made)["problems"] == []
    again = book_of(read_script(write_script(made)))
    assert [(s.name, s.statement, s.manner) for s in again.steps.values()] == [
        (s.name, s.statement, s.manner) for s in made.steps.values()
    ]
    assert [again.values[id] for id in again.order] == [made.values[id] for id in made.order]
    assert again.header == made.header


@given(st.text() | st.binary().map(lambda b: b.decode("utf-8", "replace")))
@settings(max_examples=400, deadline=None)
def test_any_text_gives_figures_or_problems_with_a_place(text: str) -> None:
    script = read_script(text)
    found = run_report(script, book_of(script))
    for one in found["problems"]:
        assert one["line"] >= 1
        assert one["column"] >= 1
        assert one["message"]
    json.dumps(found, allow_nan=False)


WORDS = (
    "point line circle path measure distance from to at centre radius diameter through close P1 L1 C1 K1 = + - * / ^ ( ) , ; "
    ": .. // % 1 2.5 0 1e300 1e-300 30 ' \" ° of start end middle corner on along past "
    "crossing left N 45 E az mm ft .x .r .length sqrt touching unit pencil"
).split()


@given(st.lists(st.lists(st.sampled_from(WORDS), max_size=14).map(" ".join), max_size=6))
@settings(max_examples=600, deadline=None)
def test_any_words_give_figures_or_problems(lines: list[str]) -> None:
    script = read_script("\n".join(lines))
    found = run_report(script, book_of(script))
    for one in found["problems"]:
        assert 1 <= one["column"] <= len(lines[one["line"] - 1]) + 1
    json.dumps(found, allow_nan=False)


@pytest.mark.parametrize(
    ("line", "kind"),
    [
        ("a = 1 " + "9" * 400 + "/7", "too_large"), ("a = " + "9" * 4300, "too_large"), ("a = 1/" + "9" * 400, "too_large"),
        ("a = 1 1/" + "0" * 400, "divided_by_zero"), ("point 1, 2 # \x00", "control_sign"), ("point\x00 1, 2", "control_sign"),
        ("\x1b[2J", "control_sign"), ("decimals " + "9" * 5000, "bad_header"), ("unit \x00", "control_sign"),
        ("datum 1e400, 0", "too_large"), ("a = 1e300 ^ 1e300", "too_large"), ("a = 10 ^ 400", "too_large"),
        ("a = (-8) ^ 0.5", "no_number"),
        ("circle centre 0,0 radius " + "9" * 309, "too_large"), ("point 5 at " + "9" * 330, "too_large"),
        ("polygon centre 0,0 sides 1e300 radius 5", "bad_sides"), ("K9 = path from 0,0" + " to + 1,0" * 30_000, "too_long"),
    ],
    ids=lambda v: ascii(v)[:24],
)  # fmt: skip
def test_hostile_lines_are_answered_at_their_place(line: str, kind: str) -> None:
    found = report("point 1, 2", line, "point 3, 4")
    assert [(p["line"], p["kind"]) for p in found["problems"]] == [(2, kind)]
    assert [figure["at"] for figure in found["figures"].values()] == [[1.0, 2.0], [3.0, 4.0]]
    assert "\x00" not in found["problems"][0]["message"]
    json.dumps(found, allow_nan=False)


def test_numbers_read_back_to_the_same_double() -> None:
    found = report("point 0.1 + 0.2, 1/3")
    assert json.loads(json.dumps(found))["figures"]["P1"]["at"] == [0.1 + 0.2, 1 / 3]


def test_report_of_every_kind() -> None:
    found = report(
        "point 40, 25", "line from P1 to + 70, 0", "circle centre P1 diameter 24",
        "path from 0,0 to 4,0 to 4,3 close", "measure distance P1 C1", "a = 4",
        "R9 = measure distance P1; end of L1 wanted 69 within 0.5",
    )  # fmt: skip
    figures = found["figures"]
    assert figures["P1"] == {"kind": "point", "at": [40.0, 25.0]}
    assert figures["L1"] == {"kind": "line", "from": [40.0, 25.0], "to": [110.0, 25.0]}
    assert figures["C1"] == {"kind": "circle", "centre": [40.0, 25.0], "radius": 12.0}
    assert figures["K1"]["closed"] is True
    assert len(figures["K1"]["pieces"]) == 3
    assert figures["a"] == {"kind": "number", "value": 4.0}
    assert found["readings"][0] == {"name": "R1", "statement": "measure distance P1 C1", "kind": "distance", "value": 12.0}
    nine = found["readings"][1]
    assert (nine["across"], nine["up"], nine["direction"]) == (70.0, 0.0, 0.0)
    assert (nine["wanted"], nine["difference"], nine["within"]) == (69.0, 1.0, False)


def test_everything_that_does_not_depend_on_a_problem_is_drawn() -> None:
    found = report("point 1, 2", "circle centre P9 radius 3", "line from C1 to 5,5", "point 3, 4")
    assert list(found["figures"]) == ["P1", "P2"]
    assert [(p["line"], p["kind"]) for p in found["problems"]] == [(2, "unknown_name"), (3, "waits")]


def run(tmp_path: Path, content: bytes, *more: str) -> tuple[int, str, str]:
    file = tmp_path / "a.kent"
    file.write_bytes(content)
    done = subprocess.run(
        [sys.executable, "-m", "kentrograph.cli", "run", str(file), *more], capture_output=True, text=True, check=False
    )
    return done.returncode, done.stdout, done.stderr


def test_exit_status(tmp_path: Path, capsys: pytest.CaptureFixture[str]) -> None:
    code, out, _ = run(tmp_path, b"point 1, 2\n", "--json")
    assert (code, json.loads(out)["figures"]["P1"]["at"]) == (0, [1.0, 2.0])
    code, out, error = run(tmp_path, b"point 1, 2\r\npont 3\r\n")
    assert code == 1
    assert "line 2, column 1" in error
    assert "Traceback" not in error
    code, _, error = run(tmp_path, b"\xff\xfe\x00")
    assert code == 2
    assert "UTF-8" in error
    assert main(["run", str(tmp_path / "none")]) == 2
    assert "cannot read" in capsys.readouterr().err
