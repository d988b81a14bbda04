"""Rules of the house that a machine can watch."""

import ast
import re
from pathlib import Path

import kentrograph
from kentrograph.core.book.kinds import PLANS
from kentrograph.core.book.step import FIGURE_KINDS, NAME_LETTERS
from kentrograph.core.language.messages import SENTENCES
from kentrograph.core.language.vocabulary import KINDS, READINGS, VERBS

ROOT = Path(kentrograph.__file__).parent
ROOMS = [
    "tolerance", "problem", "angles", "units", "figures", "meet", "measure", "construct", "tangency", "shape",
    "book", "snap", "language",
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


def test_every_word_is_explained_and_every_plan_has_a_word() -> None:
    for kind in KINDS.values():
        assert kind.explanation
        assert NAME_LETTERS[kind.word] == kind.letter
        assert all(g.explanation for g in kind.givens)
    assert all(READINGS.values())
    assert all(VERBS.values())
    assert set(PLANS) <= set(KINDS) | {"measure", "number"}
    assert set(FIGURE_KINDS) <= set(NAME_LETTERS)


def test_files_stay_short() -> None:
    for file in ROOT.rglob("*.py"):
        count = len(file.read_text(encoding="utf-8").splitlines())
        assert count <= 400, f"{file.relative_to(ROOT)} has {count} lines"
