"""The order of a book: a list that is never changed, and keys that stay whatever is put in or taken out elsewhere."""

import pytest
from hypothesis import given
from hypothesis import strategies as st

from kentrograph.core.book.order import END, Order, key_between
from kentrograph.core.problem import Refused

CHANGES = st.lists(st.tuples(st.sampled_from(["in", "in", "in", "out"]), st.integers(0, 10**6)), max_size=60)


@given(CHANGES, st.sampled_from([0, 3, 1100]))
def test_is_the_list_that_the_same_changes_make(changes: list[tuple[str, int]], had: int) -> None:
    plain = [f"s{n}" for n in range(had)]
    order = Order(plain)
    for number, (what, at) in enumerate(changes):
        before = {id: order.key(id) for id in plain}
        if what == "out" and plain:
            id = plain.pop(at % len(plain))
            order = order.without(id)
        else:
            # Mostly at one spot: whoever writes a series of steps does that.
            index = min(at % 5, len(plain)) if at % 3 else at % (len(plain) + 1)
            order = order.inserted(f"i{number}", plain[index] if index < len(plain) else None)
            plain.insert(index, f"i{number}")
        assert all(order.key(id) == before[id] for id in plain if id in before)
    assert list(order) == plain
    assert [order.position(id) for id in plain] == list(range(len(plain)))
    keys = [order.key(id) for id in plain]
    assert keys == sorted(set(keys))
    assert all(key < END for key in keys)
    assert Order(plain, keys) == order
    for at in (0, len(plain) // 2, len(plain)):
        assert list(order.before(order.key_at(at))) == plain[:at][::-1]
        assert order[at:] == tuple(plain[at:])
        assert order[:at] == tuple(plain[:at])
    assert order[::-1] == tuple(plain[::-1])
    assert [order.next_to(id) for id in plain] == [*plain[1:], None][: len(plain)]


def paths() -> st.SearchStrategy[tuple[int, ...]]:
    return st.lists(st.integers(-3, 3), min_size=1, max_size=5).map(tuple)


@given(paths(), paths())
def test_there_is_always_a_key_between_two(one: tuple[int, ...], other: tuple[int, ...]) -> None:
    low, high = sorted((one, other))
    if low != high:
        assert low < key_between(low, high) < high
    assert key_between(None, low) < low < key_between(low, None)


def test_a_series_of_a_thousand_in_one_spot_keeps_its_keys_short() -> None:
    behind, in_front = Order(("a", "z")), Order(("a", "z"))
    for n in range(1000):
        behind = behind.inserted(f"b{n}", "z")
        in_front = in_front.inserted(f"f{n}", f"f{n - 1}" if n else "z")
    assert max(len(behind.key(id)) for id in behind) == 2
    assert max(len(in_front.key(id)) for id in in_front) == 2


def test_refuses_what_is_not_there_or_there_already() -> None:
    order = Order(("a", "b"))
    for wrong, kind in (
        (lambda: order.inserted("a"), "step_twice"),
        (lambda: order.inserted("c", "d"), "no_step"),
        (lambda: order.without("d"), "no_step"),
        (lambda: order.position("d"), "no_step"),
    ):
        with pytest.raises(Refused) as refused:
            wrong()
        assert refused.value.problem.kind == kind
    with pytest.raises(IndexError):
        order[2]
