"""Making books without stopping everybody: Python's collector looks through all that lives, and no thread runs meanwhile."""

import ctypes
import gc
from collections.abc import Iterator
from contextlib import contextmanager
from threading import Lock

_lock = Lock()
_making = 0


@contextmanager
def making_books() -> Iterator[None]:
    """While books are made the collector rests; what was made is then left out of its rounds for good.

    A book is made of hundreds of thousands of small objects that form no rings: each goes when the last that uses it goes,
    collector or not. (CPython, `gc.freeze`.) A ring of something else that lay about just then is lost: a few kilobytes.
    """
    global _making
    with _lock:
        _making += 1
        gc.disable()
    try:
        yield
    finally:
        with _lock:
            _making -= 1
            if not _making:
                gc.freeze()
                gc.enable()


def give_back() -> None:
    """Gives the system back what is free: after a peak the C library keeps what lies between what lives. (malloc_trim(3), of the
    GNU C library; elsewhere nothing is done.)"""
    trim = getattr(ctypes.CDLL(None), "malloc_trim", None)
    if trim is not None:
        trim(0)
