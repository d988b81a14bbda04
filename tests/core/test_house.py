"""Rules of the house that a machine can watch."""

import ast
import re
from pathlib import Path

import pytest

import kentrograph
from kentrograph.core.book.book import Book
from kentrograph.core.book.kinds import ALL
from kentrograph.core.book.manner import Manner
from kentrograph.core.book.step import Step, deal_name
from kentrograph.core.book.tree import Plain
from kentrograph.core.desk.completion import complete_beginning
from kentrograph.core.desk.open_line import read_open_line
from kentrograph.core.language.givens import READERS
from kentrograph.core.language.messages import SENTENCES
from kentrograph.core.language.statements import read
from kentrograph.core.language.vocabulary import READINGS, SIDES, VERBS
from kentrograph.server.socket_schemas import known_draft

ROOT = Path(kentrograph.__file__).parent
ROOMS = [
    "tolerance", "problem", "angles", "units", "figures", "meet", "measure", "construct", "tangency", "shape",
    "book", "snap", "language", "desk",
]  # fmt: skip


def room_of(file: Path) -> str:
    return file.relative_to(ROOT / "core").parts[0].removesuffix(".py")


def imported_rooms(file: Path) -> set[str]:
    """Rooms of the core that a file of the core imports."""
    depth = len(file.relative_to(ROOT / "core").parts)
    found: set[str] = set()
    for node in ast.walk(ast.parse(file.read_text(encoding="utf-8"))):
        if isinstance(node, ast.ImportFrom) and node.level == depth and node.module:
            found.add(node.module.split(".")[0])
        assert not (isinstance(node, ast.ImportFrom) and node.level > depth), f"{file} reaches out of the core"
    return found & set(ROOMS)


def test_core_imports_one_way() -> None:
    for file in (ROOT / "core").rglob("*.py"):
        room = room_of(file)
        if room in ROOMS:
            later = {r for r in imported_rooms(file) if ROOMS.index(r) > ROOMS.index(room)}
            assert not later, f"{file.relative_to(ROOT)} imports {later}"


def test_core_needs_only_the_standard_library() -> None:
    for file in (ROOT / "core").rglob("*.py"):
        text = file.read_text(encoding="utf-8")
        assert not re.search(r"^\s*(from|import) (fastapi|pydantic|sqlalchemy|numpy|orjson)", text, re.MULTILINE), file


def test_every_kind_of_problem_has_a_sentence() -> None:
    raised: set[str] = set()
    for file in (ROOT / "core").rglob("*.py"):
        raised.update(re.findall(r"(?:refuse|Problem)\(\s*\"(\w+)\"", file.read_text(encoding="utf-8")))
    raised |= set(re.findall(r'refuse\("(\w+)"\)', (ROOT / "store" / "changes.py").read_text(encoding="utf-8")))
    assert raised <= set(SENTENCES), raised - set(SENTENCES)
    assert set(SENTENCES) <= raised, f"sentences that nothing says: {set(SENTENCES) - raised}"


def test_every_word_is_explained() -> None:
    assert all(READINGS.values())
    assert all(VERBS.values())


@pytest.mark.parametrize("word", ALL)
def test_every_kind_is_known_wherever_kinds_are_looked_for(word: str) -> None:
    """Its declaration is read by the parser, completion, the hints, the echo, dealt names, the reference page and the wire."""
    kind = ALL[word]
    assert (ROOT / "core" / "book" / "kinds" / f"{word}.py").exists()
    assert kind.explanation
    assert all(g.explanation for g in kind.givens)
    assert all(g.takes in READERS for g in kind.givens)
    assert set().union(*(g.blamed for g in kind.givens)) <= set(SENTENCES)
    assert set().union(*(g.sides for g in kind.givens)) <= SIDES
    if word == "number":
        return
    assert kind.examples
    assert kind.first[-1] in ".?"
    assert deal_name(word, set()) == (f"{kind.letter}1" if kind.letter else "")
    assert kind.letter or kind.shapes
    for text, _ in kind.examples:
        statement = read(text)
        assert statement.kind == word
        step = Step("s", "", True, statement, Manner())
        assert step.figure_kind == kind.draws or "trimmed" in text
        for given in statement.givens:
            numbers = [a for a in given.arguments if isinstance(a, Plain)]
            assert not numbers or word == "measure" or kind.quantity(given.word) is not None, given
    if kind.group in ("place", "shape"):
        assert word in [c.word for c in complete_beginning(word)]
        assert set(kind.bare(())) <= {g.word for g in kind.givens}
        line = read_open_line(Book.new(), None, word)
        assert (line.do, line.hint) == ("begin", kind.first)
        assert known_draft(word) == word


def test_files_stay_short() -> None:
    for file in ROOT.rglob("*.py"):
        count = len(file.read_text(encoding="utf-8").splitlines())
        assert count <= 400, f"{file.relative_to(ROOT)} has {count} lines"
