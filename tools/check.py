"""Runs every check: formatting, lint, types on both sides, core, server and browser tests; then says what held."""

import argparse
import difflib
import subprocess
import sys
import time
from concurrent.futures import ThreadPoolExecutor
from itertools import chain
from pathlib import Path
from threading import Lock

from machine import LOGS, ROOT, VENV, WEB, debian_packages, proxy, python_and_node
from say import Stop, elapsed, give_up, say

BIN = VENV / "bin"
KILLS = "tests/server/test_kills.py"


def main() -> int:
    """Sets up, runs all, and prints a summary. Status 1 where anything failed."""
    parser = argparse.ArgumentParser(prog="./check", description="Sets up what is missing and runs every test and check.")
    parser.add_argument("--only", metavar="WORD", help="only the checks whose name contains this word")
    only = parser.parse_args().only or ""
    try:
        debian_packages(browser=True)
        python_and_node(tests=True)
        proxy()
    except Stop as stop:
        give_up(str(stop))
    wanted = [one for one in checks() if only in one[0]]
    # Two cores: what needs a server and a browser runs beside what needs neither.
    with ThreadPoolExecutor(2) as lanes:
        results = list(chain.from_iterable(lanes.map(run_lane, ([c for c in wanted if c[3] == lane] for lane in (0, 1)))))
    if only in "generated types":
        results.append(("generated types", *types_are_fresh()))
    say("")
    for name, good, seconds in results:
        say(f"{'ok    ' if good else 'FAILED'}  {name}  ({seconds:.0f} s)")
    failed = sum(not good for _, good, _ in results)
    say(f"\n{len(results) - failed} passed, {failed} failed")
    say(f"in {elapsed():.0f} s")
    return 1 if failed or not results else 0


Check = tuple[str, list[str], Path, int]
_PRINTING = Lock()


def checks() -> list[Check]:
    """Name, command, folder and lane of every check."""
    ruff, mypy, pytest = (str(BIN / name) for name in ("ruff", "mypy", "pytest"))
    core = folders("core", "files", "tools", "replica")
    return [
        ("python format", [ruff, "format", "--check", "-q", "."], ROOT, 0),
        ("python lint", [ruff, "check", "-q", "."], ROOT, 0),
        ("python types", [mypy], ROOT, 0),
        ("reference page", [str(BIN / "python"), "tools/reference.py", "--check"], ROOT, 0),
        ("web format", ["npx", "prettier", "--check", "--log-level", "warn", "src"], WEB, 0),
        ("web lint", ["npx", "eslint", "--max-warnings", "0", "src"], WEB, 0),
        ("web types", ["npx", "tsc", "--noEmit"], WEB, 0),
        ("web tests", ["npx", "vitest", "run"], WEB, 0),
        ("core tests", [pytest, "kentrograph/core", "kentrograph/exchange", *core], ROOT, 0),
        # Killed again and again, beside the tests of a server that is not.
        ("kills", [pytest, KILLS], ROOT, 0),
        ("server tests", [pytest, "tests/server", f"--ignore={KILLS}"], ROOT, 1),
        ("browser tests", [pytest, "tests/browser"], ROOT, 1),
    ]


def folders(*names: str) -> list[str]:
    """Of the tests."""
    return [f"tests/{name}" for name in names]


def run_lane(lane: list[Check]) -> list[tuple[str, bool, float]]:
    """Runs the checks of one lane, one after the other."""
    return [(name, *timed(name, command, folder)) for name, command, folder, _ in lane]


def timed(name: str, command: list[str], folder: Path) -> tuple[bool, float]:
    """Runs one check; its output is shown whole when it is done, so that two lanes do not run into one another."""
    begun = time.monotonic()
    say(f"... {name}")
    done = subprocess.run(
        command, cwd=folder, stdin=subprocess.DEVNULL, stdout=subprocess.PIPE, stderr=subprocess.STDOUT, text=True, check=False
    )
    with _PRINTING:
        say(f"\n== {name}")
        say(done.stdout.rstrip())
    return done.returncode == 0, time.monotonic() - begun


def types_are_fresh() -> tuple[bool, float]:
    """Whether the front end's types, and what it knows of the core, are those of the server as it is now."""
    begun = time.monotonic()
    say("\n== generated types")
    schema, types, declared = LOGS / "openapi.json", LOGS / "schema.gen.ts", LOGS / "declared.gen.ts"
    schema.write_text(_printed("schema"))
    declared.write_text(_printed("declared"))
    subprocess.run(["npx", "openapi-typescript", str(schema), "-o", str(types)], cwd=WEB, capture_output=True, check=True)
    differences = [line for made in (types, declared) for line in _differences(WEB / "src" / "api" / made.name, made)]
    if differences:
        say("\n".join(differences[:30]))
        say("Make them anew: (cd web && npm run generate)")
    return not differences, time.monotonic() - begun


def _printed(what: str) -> str:
    return subprocess.run([str(BIN / "kentrograph"), what], capture_output=True, text=True, check=True).stdout


def _differences(kept: Path, made: Path) -> list[str]:
    before, after = kept.read_text().splitlines(), made.read_text().splitlines()
    return list(difflib.unified_diff(before, after, "kept", "made", lineterm=""))


if __name__ == "__main__":
    sys.exit(main())
