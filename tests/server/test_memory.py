"""The collector rests while books are made, and is back whatever happens."""

import gc
import weakref
from contextlib import suppress
from pathlib import Path

from kentrograph.store.memory import give_back, making_books

from ..core.support import book


def test_collector_rests_until_the_last_book_is_made() -> None:
    assert gc.isenabled()
    with making_books():
        with making_books():
            assert not gc.isenabled()
        assert not gc.isenabled()
    assert gc.isenabled()
    with suppress(ValueError), making_books():
        raise ValueError
    assert gc.isenabled()
    gc.unfreeze()


def test_a_book_that_is_let_go_is_gone_though_the_collector_leaves_it_out() -> None:
    with making_books():
        made = book("P1 = point 0, 0", "circle centre P1 radius 5", "line from P1 touching C1", "move C1 by 4, 0")
        gone = weakref.ref(made.plans["s2"].plan)  # type: ignore[arg-type]
    del made
    assert gone() is None
    gc.unfreeze()


def test_what_is_free_after_a_peak_is_given_back() -> None:
    # Larger than what Python keeps for itself, and here and there one that stays.
    held = [bytes(1_000) for _ in range(200_000)]
    held = held[::50]
    peak = _resident()
    give_back()
    assert peak - _resident() > 50
    assert len(held) == 4_000


def _resident() -> float:
    """MB of this process that are in memory."""
    lines = Path("/proc/self/status").read_text().splitlines()
    return next(float(line.split()[1]) / 1e3 for line in lines if line.startswith("VmRSS"))
