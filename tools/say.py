"""Telling the person at the terminal what is going on. Standard library only: this runs before anything is installed."""

import sys
import time
from collections.abc import Iterator
from contextlib import contextmanager
from typing import NoReturn

_BEGUN = time.monotonic()


class Stop(Exception):
    """Something that the person has to mend; the message says what and how."""


def say(text: str) -> None:
    """One line, at once."""
    print(text, flush=True)


@contextmanager
def doing(text: str) -> Iterator[None]:
    """Says what is being done, and how long it took."""
    begun = time.monotonic()
    say(f"· {text} ...")
    yield
    took = time.monotonic() - begun
    if took >= 1.0:
        say(f"  {text}: done in {took:.0f} s")


def give_up(message: str) -> NoReturn:
    """Ends with a message and status 1."""
    print(f"\n{message}", file=sys.stderr, flush=True)
    sys.exit(1)


def elapsed() -> float:
    """Seconds since this program began."""
    return time.monotonic() - _BEGUN
