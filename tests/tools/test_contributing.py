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
    "measure slope P1 P2 wanted 0.5\\nhalve C1 about P2\\nmeasure radius C1"
)
"""What was added, used. *From memory*: a rise of 2 on 4 is 0.5; half of 8 times 0.5 is 2."""
ASK = f"""
from kentrograph.core.language.report import run_report
from kentrograph.core.language.script import book_of, read_script
script = read_script("{USES}")
report = run_report(script, book_of(script))
assert not report["problems"], report["problems"]
print(*(reading["value"] for reading in report["readings"]))
"""


@pytest.fixture
def copy(tmp_path: Path) -> Path:
    shutil.copytree(
        ROOT / "kentrograph" / "core", tmp_path / "kentrograph" / "core", ignore=shutil.ignore_patterns("__pycache__")
    )
    (tmp_path / "kentrograph" / "__init__.py").touch()
    return tmp_path


def test_the_examples_are_done_and_used(copy: Path) -> None:
    files = {match[1]: match[0] for match in re.finditer(r"(?<=```python\n)# (\S+)\n.*?(?=```)", PAGE, re.DOTALL)}
    patches = [patch for block in re.findall(r"```diff\n@@ (.*?)```", PAGE, re.DOTALL) for patch in block.split("@@ ")]
    assert (len(files), len(patches)) == (1, 3)
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
    assert asked.stdout.split() == ["0.5", "2.0"]
