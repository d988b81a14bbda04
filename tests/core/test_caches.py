"""What is worked out about a book and kept with it: for one revision, or for all of them; never for another drawing."""

from kentrograph.core.book.caches import Kept, Shared
from kentrograph.core.book.edits import Delete
from kentrograph.core.book.manner import Conventions
from kentrograph.core.snap.candidates import take_at
from kentrograph.core.snap.query import Query

from .support import book

KEPT: Kept[list[str]] = Kept(list)
SHARED: Shared[list[str]] = Shared(list)
OTHER: Shared[list[str]] = Shared(list)


def test_kept_is_of_one_revision_and_shared_of_all() -> None:
    made, stranger = book("point 1, 1", "point 2, 2"), book("point 1, 1")
    KEPT.of(made).append("a")
    SHARED.of(made).append("b")
    after, inverse = made.edited(Delete("s2"))
    back, _ = after.edited(inverse)
    for one in (after, back, made.in_hand(Conventions("in"))):
        assert KEPT.of(one) == []
        assert SHARED.of(one) == ["b"]
    assert KEPT.of(made) == ["a"]
    assert SHARED.of(stranger) == []


def test_each_cache_is_its_own() -> None:
    made = book("point 1, 1")
    SHARED.of(made).append("a")
    assert OTHER.of(made) == []


def test_the_shared_index_serves_whichever_revision_asks() -> None:
    """Asked in any order: what is taken is what stands in the revision that is asked, not in the one looked at last."""
    first = book("point 10, 10", "circle centre 50, 50 radius 5")
    second, _ = first.edited(Delete("s1"))
    for asked, wanted in ((first, ["P1"]), (second, []), (first, ["P1"]), (second, [])):
        assert [c.words for c in take_at(asked, Query(10.0, 10.0, 1.0))] == wanted
