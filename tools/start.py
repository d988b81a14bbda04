"""Serves Kentrograph on this machine: installs what is missing, starts the database, loads the demo drawings, serves."""

import argparse
import fcntl
import os
import pwd
import signal
import socket
import ssl
import subprocess
import sys
import time
import urllib.error
import urllib.request
from pathlib import Path
from types import FrameType
from typing import IO

from machine import ROOT, VENV, debian_packages, python_and_node
from postgres import Postgres
from say import Stop, doing, elapsed, give_up, say

READY_SECONDS = 60.0
WATCH_SECONDS = 0.3
OUTPUT = "server-output.log"
"""What the server says besides its log: of the last start only."""
MOST_ENDS = 5
"""So often in a row may the server end by itself before it has answered: then it is given up."""


def main() -> None:
    """Does it all, and waits for Ctrl-C."""
    parser = argparse.ArgumentParser(prog="./start", description="Sets up and serves Kentrograph on this machine.")
    parser.add_argument("--port", type=int, default=8300, help="port of the web page on 127.0.0.1 (8300)")
    parser.add_argument("--data", type=Path, default=ROOT / "var" / "data", help="folder for the drawings (var/data)")
    parser.add_argument(
        "--allow", action="append", default=[], metavar="ADDRESS",
        help="a further address under which it is reached, such as https://office.example; may stand more than once",
    )  # fmt: skip
    parser.add_argument("--bind", default="127.0.0.1", metavar="ADDRESS", help="the address it listens at (127.0.0.1)")
    parser.add_argument("--office", action="store_true", help="people sign in; at first a link for the first of them is shown")
    parser.add_argument("--person", default=whoever(), metavar="NAME", help="who keeps the office, or is alone at this machine")
    parser.add_argument("--certificate", type=Path, metavar="FILE", help="a certificate (PEM): it is then served over TLS")
    parser.add_argument("--key", type=Path, metavar="FILE", help="its private key (PEM)")
    parser.add_argument("--backup", type=Path, metavar="FOLDER", help="once a day all is written to a file there; 14 are kept")
    parser.add_argument("--workers", type=int, default=1, metavar="N", help="processes that answer, about one a core (1)")
    here = own_logs()
    parser.add_argument("--logs", type=Path, default=here, metavar="FOLDER", help=f"a log a day is kept there ({here})")
    parser.add_argument("--metrics", type=int, metavar="PORT", help="what is counted can be read at this port of 127.0.0.1")
    parser.add_argument("--no-demo", action="store_true", help="do not load the demo drawings")
    chosen = parser.parse_args()
    # Set for both: a shell in the background hands an ignored SIGINT down.
    signal.signal(signal.SIGTERM, _interrupt)
    signal.signal(signal.SIGINT, _interrupt)
    try:
        serve(chosen)
    except Stop as stop:
        give_up(str(stop))
    except KeyboardInterrupt:
        say("\nStopped.")


def now() -> str:
    """The time of day."""
    return time.strftime("%H:%M:%S")


def whoever() -> str:
    """The name of the account that starts it; root is nobody in particular."""
    name = pwd.getpwuid(os.getuid()).pw_name
    return "drafter" if name == "root" else name


def own_logs() -> Path:
    """Where logs of this account's programs are kept, outside of the program (XDG Base Directory Specification, state)."""
    return Path(os.environ.get("XDG_STATE_HOME") or Path.home() / ".local" / "state") / "kentrograph"


def serve(chosen: argparse.Namespace) -> None:
    """Starts everything, and stops all of it again at the end."""
    port, data = chosen.port, chosen.data.resolve()
    check_port(port)
    debian_packages(browser=False)
    python_and_node(tests=False)
    held = lock(data)
    database = Postgres(data)
    database.start()
    server: subprocess.Popen[bytes] | None = None
    try:
        environment = {**os.environ, "KENTROGRAPH_DATABASE": database.url}
        command = [str(VENV / "bin" / "kentrograph")]
        with doing("bringing the drawings up to date"):
            prepare(command, environment, chosen)
        serve_it = [*command, "serve", *serving(chosen)]
        server = launch(serve_it, environment, chosen.logs)
        here = f"{'https' if chosen.certificate else 'http'}://127.0.0.1:{port}"
        wait_until_ready(server, here, chosen.logs)
        say(f"\n  Kentrograph is at {here}   (ready after {elapsed():.1f} s; Ctrl-C stops it)\n")
        greet(command, environment, chosen, here)
        ends, answered = 0, True
        while True:
            time.sleep(WATCH_SECONDS)
            if not database.alive():
                say(f"  {now()}  The database ended by itself; it is started again.")
                database.start()
            if (code := server.poll()) is not None:
                ends = 1 if answered else ends + 1
                if ends > MOST_ENDS:
                    raise Stop(f"The server ended again and again, now with status {code}; see {chosen.logs / OUTPUT}.")
                say(f"  {now()}  The server ended by itself with status {code}; it is started again.")
                server, answered = launch(serve_it, environment, chosen.logs), False
            answered = answered or answers(here)
    finally:
        signal.signal(signal.SIGINT, signal.SIG_IGN)
        if server is not None and server.poll() is None:
            server.terminate()
            try:
                server.wait(10)
            except subprocess.TimeoutExpired:
                server.kill()
        database.stop()
        held.close()


def check_port(port: int) -> None:
    """Raises `Stop` where the port cannot be had."""
    if not 1 <= port <= 65535:
        raise Stop(f"{port} is no port: 1 to 65535.")
    with socket.socket() as s:
        s.setsockopt(socket.SOL_SOCKET, socket.SO_REUSEADDR, 1)
        try:
            s.bind(("127.0.0.1", port))
        except OSError as error:
            raise Stop(f"Port {port} cannot be used ({error.strerror}). Try: ./start --port {min(port + 1, 65535)}") from None


def lock(data: Path) -> IO[str]:
    """Holds the data folder for this program alone. Raises `Stop` where another one has it."""
    try:
        data.mkdir(parents=True, exist_ok=True)
        file = (data / "lock").open("w")
    except OSError as error:
        raise Stop(f"The folder {data} cannot be used: {error.strerror}.") from None
    try:
        fcntl.flock(file, fcntl.LOCK_EX | fcntl.LOCK_NB)
    except OSError:
        raise Stop(
            f"Kentrograph is running already with the drawings in {data}. Stop it, or name another folder with --data."
        ) from None
    return file


def serving(chosen: argparse.Namespace) -> list[str]:
    """The options of the server, from those of this command."""
    words = ["--port", str(chosen.port), "--bind", chosen.bind, "--person", chosen.person]
    words += [word for address in chosen.allow for word in ("--allow", address)]
    words += ["--office"] if chosen.office else []
    words += ["--workers", str(chosen.workers)]
    words += ["--metrics", str(chosen.metrics)] if chosen.metrics is not None else []
    for option in ("certificate", "key", "backup", "logs"):
        file: Path | None = getattr(chosen, option)
        words += [f"--{option}", str(file.resolve())] if file is not None else []
    return words


def greet(command: list[str], environment: dict[str, str], chosen: argparse.Namespace, here: str) -> None:
    """Says who gets in: in an office that has nobody yet, by a link that is shown once."""
    if not chosen.office:
        # Where somebody has set a password it is an office all the same, and says so when it is opened.
        say(f"  It opens without a sign-in, for {chosen.person} alone on this machine. --office lets people sign in.\n")
        return
    address = chosen.allow[0] if chosen.allow and "://" in chosen.allow[0] else here
    first = subprocess.run(
        [*command, "join", chosen.person, "--first", "--address", address],
        env=environment, stdin=subprocess.DEVNULL, capture_output=True, text=True, check=False,
    )  # fmt: skip
    if first.returncode:
        raise Stop(f"Nobody can be let in: {first.stderr.strip()}")
    if first.stdout.strip():
        say(f"  Nobody has a password yet. {chosen.person} keeps the office; this link, good once, sets the password:\n")
        say(f"      {first.stdout.strip()}\n")


def prepare(command: list[str], environment: dict[str, str], chosen: argparse.Namespace) -> None:
    """Applies migrations and loads the demo drawings once."""
    demo = [] if chosen.no_demo else ["--demo", str(ROOT / "demo")]
    result = subprocess.run(
        [*command, "prepare", "--person", chosen.person, *demo],
        env=environment, stdin=subprocess.DEVNULL, capture_output=True, text=True, check=False,
    )  # fmt: skip
    if result.returncode:
        raise Stop(f"The drawings could not be brought up to date:\n\n{result.stderr.strip()[-2000:]}")


def launch(command: list[str], environment: dict[str, str], logs: Path) -> "subprocess.Popen[bytes]":
    """The server, with its output in a file and out of reach of the terminal's Ctrl-C. Raises `Stop` where it cannot be kept."""
    try:
        logs.mkdir(parents=True, exist_ok=True, mode=0o700)
        opened = os.open(logs / OUTPUT, os.O_WRONLY | os.O_TRUNC | os.O_CREAT, 0o600)
    except OSError as error:
        raise Stop(f"The folder {logs} cannot be used for the log: {error.strerror}. Name another one with --logs.") from None
    with open(opened, "wb") as log:
        return subprocess.Popen(
            command,
            env=environment,
            cwd=ROOT,
            stdin=subprocess.DEVNULL,
            stdout=log,
            stderr=subprocess.STDOUT,
            start_new_session=True,
        )


def wait_until_ready(server: "subprocess.Popen[bytes]", address: str, logs: Path) -> None:
    """Waits until the server answers. Raises `Stop` where it does not."""
    deadline = time.monotonic() + READY_SECONDS
    while time.monotonic() < deadline:
        if server.poll() is not None:
            raise Stop(f"The server ended with status {server.returncode}; its last words are in {logs / OUTPUT}.")
        if answers(address):
            return
        time.sleep(0.05)
    raise Stop(f"The server did not answer within {READY_SECONDS:.0f} s; see {logs}.")


def answers(address: str) -> bool:
    """Whether the server answers, and the database behind it."""
    # To itself it answers under a certificate that is made out for another name, too.
    unchecked = ssl.create_default_context()
    unchecked.check_hostname, unchecked.verify_mode = False, ssl.CERT_NONE
    try:
        with urllib.request.urlopen(f"{address}/api/health", timeout=2, context=unchecked):
            return True
    except (urllib.error.URLError, OSError):
        return False


def _interrupt(number: int, frame: FrameType | None) -> None:
    raise KeyboardInterrupt


if __name__ == "__main__":
    sys.exit(main())
