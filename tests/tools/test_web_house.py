"""The house of the front end, as that of the core: files stay short, nothing is imported in a circle, and imports go one way."""

import re
from functools import cache
from pathlib import Path

import pytest

SOURCES = Path(__file__).parents[2] / "web" / "src"
LONGEST = 400
ORDER = ("api", "state", "core", "session", "surface")
"""Folders that import nothing of those behind them."""
IMPORT = re.compile(r'^(?:import|export)\b[^"]*?from "(\.[^"]*)";', re.MULTILINE | re.DOTALL)


@cache
def graph() -> dict[Path, list[Path]]:
    """Every file that is no test and not generated, with those that it imports."""
    files = [file for file in SOURCES.rglob("*.ts*") if not re.search(r"\.(test|gen)\.tsx?$", file.name)]
    return {file: [there for path in IMPORT.findall(file.read_text()) if (there := found(file, path)) in files] for file in files}


def found(file: Path, path: str) -> Path:
    at = (file.parent / path).resolve()
    ways = (at.with_name(f"{at.name}.ts"), at.with_name(f"{at.name}.tsx"), at / "index.ts")
    return next((way for way in ways if way.exists()), at)


def named(files: list[Path]) -> list[str]:
    return [file.relative_to(SOURCES).as_posix() for file in files]


def test_the_files_and_what_they_import_are_found() -> None:
    assert len(graph()) > 120
    assert sum(map(len, graph().values())) > 400


def test_files_stay_short() -> None:
    assert named([file for file in graph() if len(file.read_text().splitlines()) > LONGEST]) == []


def test_nothing_is_imported_in_a_circle() -> None:
    done: set[Path] = set()

    def walk(file: Path, way: list[Path]) -> None:
        assert file not in way, named([*way[way.index(file) :], file])
        if file not in done:
            for other in graph()[file]:
                walk(other, [*way, file])
            done.add(file)

    for file in graph():
        walk(file, [])


@pytest.mark.parametrize("folder", ORDER)
def test_imports_go_one_way(folder: str) -> None:
    behind = ORDER[ORDER.index(folder) + 1 :]
    wrong = [
        named([file, other])
        for file, others in graph().items()
        for other in others
        if file.relative_to(SOURCES).parts[0] == folder and other.relative_to(SOURCES).parts[0] in behind
    ]
    assert wrong == []


def test_what_the_person_is_doing_changes_through_named_actions() -> None:
    stray = [file for file in graph() if "useInterface.setState" in file.read_text() and file.parent.name != "state"]
    assert named(stray) == []


def test_folders_of_logic_have_tests() -> None:
    """Files that are not only what a component draws, of some length."""
    logic = {file.parent for file in graph() if file.suffix == ".ts" and len(file.read_text().splitlines()) > 60}
    without = [folder for folder in logic if not list(folder.glob("*.test.ts*"))]
    assert named(without) == []
