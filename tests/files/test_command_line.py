"""``kentrograph export`` and ``import``: what is printed, the exit status, what lies in the files."""

from pathlib import Path

import pytest

from kentrograph.cli import main
from kentrograph.core.language.script import book_of, read_script

PLATE = """K1 = rectangle from 0, 0 size 100, 60
C1 = circle centre 30, 30 radius 10
L1 = pencil line from 0, 0 to 50, 50
P1 = point 5, 6
"""


@pytest.fixture
def plate(tmp_path: Path) -> Path:
    file = tmp_path / "plate.kent"
    file.write_text(PLATE)
    return file


@pytest.mark.parametrize("ending", ["svg", "step", "stp", "igs", "nc"])
def test_there_and_back(plate: Path, ending: str, capsys: pytest.CaptureFixture[str]) -> None:
    out, again = plate.with_suffix(f".{ending}"), plate.with_name("again.kent")
    assert main(["export", str(plate), str(out)]) == 0
    assert "2 figures" in capsys.readouterr().out
    assert main(["import", str(out), "-o", str(again)]) == 0
    assert "1 circle, 1 outline, 100 by 60 mm" in capsys.readouterr().err
    made = book_of(read_script(again.read_text()))
    names = [made.steps[id].name for id in made.order]
    assert names == (["plate_1", "plate_2", "plate"] if ending == "nc" else ["K1", "C1", "plate"])


def test_points_and_readings(plate: Path, capsys: pytest.CaptureFixture[str]) -> None:
    out = plate.with_suffix(".csv")
    assert main(["export", str(plate), str(out), "--content", "points"]) == 0
    assert out.read_bytes() == b'name,"x, mm","y, mm"\r\nP1,5,6\r\n'
    assert main(["export", str(plate), str(out), "--only", "C1"]) == 0
    assert out.read_bytes() == b'name,"x, mm","y, mm"\r\ncentre of C1,30,30\r\n'
    assert main(["export", str(plate), str(out), "--content", "readings"]) == 2
    assert "nothing is measured" in capsys.readouterr().err


@pytest.mark.parametrize(
    ("options", "count"),
    [([], 2), (["--only", "C1"], 1), (["--pen", "pencil"], 1), (["--construction"], 4)],
)
def test_what_is_chosen(plate: Path, options: list[str], count: int, capsys: pytest.CaptureFixture[str]) -> None:
    assert main(["export", str(plate), str(plate.with_suffix(".svg")), *options]) == 0
    assert capsys.readouterr().out.startswith(f"{count} figures")


def test_what_is_no_longer_tangent_is_said(tmp_path: Path, capsys: pytest.CaptureFixture[str]) -> None:
    demo = Path(__file__).parents[2] / "demo" / "rounding-board.kent"
    assert main(["export", str(demo), str(tmp_path / "board.igs"), "--decimals", "1", "--within", "0.001"]) == 1
    said = capsys.readouterr()
    assert "apart; " in said.err
    assert "decimals would keep it" in said.err


@pytest.mark.parametrize(
    ("arguments", "why"),
    [
        (["export", "{plate}", "{folder}/a.doc"], "says no format"),
        (["export", "{plate}", "{folder}/a.svg", "--only", "K9"], "K9"),
        (["export", "{plate}", "{folder}/a.nc", "--tool", "90", "--side", "inside"], "does not fit"),
        (["export", "{plate}", "{folder}/none/a.svg"], "cannot write"),
        (["import", "{folder}/none.svg"], "No such file"),
        (["import", "{folder}"], "Is a directory"),
    ],
)
def test_what_is_wrong_has_its_sentence(plate: Path, arguments: list[str], why: str, capsys: pytest.CaptureFixture[str]) -> None:
    assert main([one.format(plate=plate, folder=plate.parent) for one in arguments]) == 2
    assert why in capsys.readouterr().err
