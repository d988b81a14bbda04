"""Rules of the house that a machine can watch."""

import ast
import re
from pathlib import Path
from typing import get_args

import pytest

import kentrograph
from kentrograph.core.book.book import Book
from kentrograph.core.book.kinds import ALL
from kentrograph.core.book.manner import Conventions
from kentrograph.core.book.step import Step, deal_name
from kentrograph.core.book.tree import Plain
from kentrograph.core.desk.completion import complete_beginning
from kentrograph.core.desk.draft import known
from kentrograph.core.desk.kind_views import kind_views
from kentrograph.core.desk.open_line import read_open_line
from kentrograph.core.figures import FIGURE_NAMES, Figure
from kentrograph.core.language.givens import READERS
from kentrograph.core.language.messages import SENTENCES
from kentrograph.core.language.script import read
from kentrograph.core.language.vocabulary import READINGS, SIDES

ROOT = Path(kentrograph.__file__).parent
ROOMS = [
    "budget", "tolerance", "problem", "angles", "units", "figures", "intersect", "measure", "construct", "tangency", "shape",
    "book", "snap", "checks", "language", "sheet", "desk", "replica",
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


def modules() -> dict[str, Path]:
    """Every module of the core by its dotted name within it; a folder's own file by the folder's."""
    files = {file: file.relative_to(ROOT / "core").with_suffix("").parts for file in (ROOT / "core").rglob("*.py")}
    return {".".join(parts[:-1] if parts[-1] == "__init__" else parts): file for file, parts in files.items()}


def imported_modules(name: str, file: Path, known: dict[str, Path]) -> set[str]:
    """The modules of the core that a module imports, wherever in it that is said."""
    here = name.split(".") if file.name == "__init__.py" else name.split(".")[:-1]
    found: set[str] = set()
    for node in ast.walk(ast.parse(file.read_text(encoding="utf-8"))):
        if isinstance(node, ast.ImportFrom) and node.level:
            base = [*here[: len(here) - node.level + 1], *(node.module.split(".") if node.module else [])]
            found |= {".".join(base), *(".".join([*base, alias.name]) for alias in node.names)}
    return {one for one in found if one in known and one != name}


def test_no_imports_in_circles() -> None:
    """Inside rooms either: a file can be read from the top, knowing only what stands before it."""
    known = modules()
    waits = {name: imported_modules(name, file, known) for name, file in known.items()}
    # A folder's own file is what its files make together: it does not stand before them.
    while waits:
        ready = {name for name, needs in waits.items() if not needs & waits.keys()}
        assert ready, f"in a circle, or waiting for one: {sorted(waits)}"
        waits = {name: needs for name, needs in waits.items() if name not in ready}


def test_imports_stand_at_the_top() -> None:
    for name, file in modules().items():
        tree = ast.parse(file.read_text(encoding="utf-8"))
        inside = [n for n in ast.walk(tree) if isinstance(n, ast.Import | ast.ImportFrom) and n not in tree.body]
        assert not inside, f"{name} imports within a function: that hides a circle"


def test_only_the_tolerance_decides() -> None:
    """A number so small that it can only be there to tell something from nothing has a name in `tolerance.py`."""
    for name, file in modules().items():
        for node in ast.walk(ast.parse(file.read_text(encoding="utf-8"))):
            if isinstance(node, ast.Constant) and isinstance(node.value, float) and name != "tolerance":
                assert node.value == 0.0 or abs(node.value) > 1e-3, f"{name}, line {node.lineno}: {node.value}"


FIGURE_KINDS = {kind.__name__ for kind in get_args(Figure)} - {"FigureSet"}


def test_every_kind_of_figure_has_a_name() -> None:
    assert FIGURE_NAMES.keys() == set(get_args(Figure))


def test_a_new_kind_of_figure_is_found_by_the_type_checker() -> None:
    """Whoever tells figures apart says what becomes of all others: with `assert_never`, or by a refusal."""
    for file in ROOT.rglob("*.py"):
        for node in ast.walk(ast.parse(file.read_text(encoding="utf-8"))):
            if not isinstance(node, ast.Match):
                continue
            told = {ast.unparse(p.cls) for case in node.cases for p in ast.walk(case.pattern) if isinstance(p, ast.MatchClass)}
            if len(told & FIGURE_KINDS) < 3:
                continue
            last = node.cases[-1]
            rest = ast.unparse(last.body[0])
            where = f"{file.relative_to(ROOT)}, line {node.lineno}"
            assert ast.unparse(last.pattern) == "_", where
            assert rest.startswith(("assert_never(", "raise ")), where


KIND_OF = re.compile(r"(^|\.)(statement|step|draft|line\.draft)\.kind$|^kind$|\.figure_kind$|(^|_)kind\.word$")
"""What holds the word of a statement kind."""
OWN = ("core/book/kinds/", "core/desk/kinds/")


def test_kinds_are_told_apart_by_what_they_declare() -> None:
    """No word of a kind is compared with outside its own files: what differs is declared, in the kind or in its facet."""
    for file in (ROOT / "core").rglob("*.py"):
        name = file.relative_to(ROOT).as_posix()
        compared = [n for n in ast.walk(ast.parse(file.read_text(encoding="utf-8"))) if isinstance(n, ast.Compare)]
        for node in compared if not name.startswith(OWN) else ():
            sides = [node.left, *node.comparators]
            words = {n.value for side in sides for n in ast.walk(side) if isinstance(n, ast.Constant)} & ALL.keys()
            assert not words or not any(KIND_OF.search(ast.unparse(side)) for side in sides), (
                f"{name}, line {node.lineno}: {words}"
            )


def test_core_needs_only_the_standard_library_and_one_persistent_map() -> None:
    for file in (ROOT / "core").rglob("*.py"):
        text = file.read_text(encoding="utf-8")
        assert not re.search(r"^\s*(from|import) (fastapi|pydantic|sqlalchemy|numpy|orjson)", text, re.MULTILINE), file


def test_every_kind_of_problem_has_a_sentence() -> None:
    raised: set[str] = set()
    for file in (ROOT / "core").rglob("*.py"):
        raised.update(re.findall(r"(?:refusal|Problem)\(\s*\"(\w+)\"", file.read_text(encoding="utf-8")))
    for file in (ROOT / "exchange").rglob("*.py"):
        raised.update(re.findall(r'refusal\("(\w+)"', file.read_text(encoding="utf-8")))
    raised |= set(re.findall(r'refusal\("(\w+)"\)', (ROOT / "store" / "changes.py").read_text(encoding="utf-8")))
    assert raised <= set(SENTENCES), raised - set(SENTENCES)
    assert set(SENTENCES) <= raised, f"sentences that nothing says: {set(SENTENCES) - raised}"


def test_every_word_is_explained() -> None:
    assert all(READINGS.values())


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
    if kind.group in ("number", "block"):
        return
    assert kind.examples
    assert kind.first[-1] in ".?"
    assert deal_name(word, set()) == (f"{kind.letter}1" if kind.letter else "")
    assert kind.letter or kind.shapes
    for text, _ in kind.examples:
        statement = read(text)
        assert statement.kind == word
        step = Step("s", "", True, statement, Conventions())
        assert step.figure_kind == kind.draws or "trimmed" in text
        for given in statement.givens:
            numbers = [a for a in given.arguments if isinstance(a, Plain)]
            assert not numbers or word == "measure" or kind.quantity(given.word) is not None, given
    if kind.group in ("place", "shape", "carry"):
        assert word in [c.word for c in complete_beginning(word)]
        assert set(kind.implied_words(())) <= {g.word for g in kind.givens}
        line = read_open_line(Book.new(), None, word)
        assert (line.do, line.hint) == ("begin", kind.first)
        assert known(word) == word
        assert [(one.title, one.group) for one in kind_views() if one.word == word] == [(kind.title, kind.group)]
        for ends in [kind.drag] if kind.drag else []:
            assert {ends.start, ends.end, ends.figure} - {""} <= {g.word for g in kind.givens}
        if kind.tab_order:
            assert set(kind.tab_order.words) <= {g.word for g in kind.givens if g.quantity in ("length", "direction", "turn")}


def test_files_stay_short() -> None:
    for file in ROOT.rglob("*.py"):
        count = len(file.read_text(encoding="utf-8").splitlines())
        assert count <= 400, f"{file.relative_to(ROOT)} has {count} lines"
