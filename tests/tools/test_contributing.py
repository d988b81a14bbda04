"""What CONTRIBUTING.md shows works as it stands there: done on a copy of the core, and used."""

import re
import shutil
import subprocess
import sys
from pathlib import Path

import pytest

ROOT = Path(__file__).parents[2]
PAGE = (ROOT / "CONTRIBUTING.md").read_text()
USES = (
    "P1 = point 0, 0\\nP2 = point 4, 2\\nC1 = circle centre P1 radius 8 * slope P1 P2\\n"
    "measure slope P1 P2 wanted 0.5\\nhalve C1 about P2\\nmeasure radius C1\\n"
    "L1 = line from 100, 0 to 130, 0\\ncircle centre 50, 50 radius 0.01"
)
"""What was added, used. *From memory*: a rise of 2 on 4 is 0.5; half of 8 times 0.5 is 2; a third of 30 from 100 is 110."""
ASK = f"""
from kentrograph.core.checks.loose_ends import loose_ends
from kentrograph.core.desk.finding_views import words
from kentrograph.core.language.report import run_report
from kentrograph.core.language.script import book_of, read_script
from kentrograph.core.snap.candidates import take_at
from kentrograph.core.snap.kinds import ON
from kentrograph.core.snap.query import Query
from kentrograph.exchange.files.formats import Options, format_of, found_in, written
from kentrograph.exchange.files.items import Choice
script = read_script("{USES}")
book = book_of(script)
report = run_report(script, book)
assert not report["problems"], report["problems"]
print(*(reading["value"] for reading in report["readings"]))
print(take_at(book, Query(110.2, 0.1, 3.0, 0.3, ON))[0].words)
print(*(words(book, one) for one in loose_ends(book, 0.5) if one.kind == "tiny"))
file = written(book, format_of("a.wkt"), "a", Options(choice=Choice(construction=True)))
print(file.data.decode().splitlines()[-1], len(file.left_out), file.back.deviation)
print([one.figure for one in found_in("a.wkt", file.data).figures][-1])
"""


@pytest.fixture
def copy(tmp_path: Path) -> Path:
    for folder in ("core", "exchange"):
        shutil.copytree(
            ROOT / "kentrograph" / folder, tmp_path / "kentrograph" / folder, ignore=shutil.ignore_patterns("__pycache__")
        )
    (tmp_path / "kentrograph" / "__init__.py").touch()
    return tmp_path


def test_the_examples_are_done_and_used(copy: Path) -> None:
    files = {match[1]: match[0] for match in re.finditer(r"(?<=```python\n)# (\S+)\n.*?(?=```)", PAGE, re.DOTALL)}
    patches = [patch for block in re.findall(r"```diff\n@@ (.*?)```", PAGE, re.DOTALL) for patch in block.split("@@ ")]
    assert (len(files), len(patches)) == (2, 11)
    for path, text in files.items():
        (copy / path).write_text(text)
    for patch in patches:
        head, *lines = patch.splitlines(keepends=True)
        file = copy / head.strip()
        before = "".join(line[1:] or line for line in lines if not line.startswith("+"))
        after = "".join(line[1:] or line for line in lines if not line.startswith("-"))
        assert file.read_text().count(before) == 1, f"{file.name} is another one now: {before}"
        file.write_text(file.read_text().replace(before, after))
    asked = subprocess.run([sys.executable, "-c", ASK], cwd=copy, capture_output=True, text=True, check=False)
    assert asked.returncode == 0, asked.stderr
    values, *lines = asked.stdout.splitlines()
    assert values.split() == ["0.5", "2.0"]
    assert lines[0] == "1/3 of L1"
    assert lines[1] == "C2 has a radius of only 0.01 mm."
    assert lines[2].startswith("LINESTRING (100 0, 130 0) 2 ")
    assert lines[3] == "Line(start=Point(x=100.0, y=0.0), end=Point(x=130.0, y=0.0))"
