"""The stand-in for `immutables.Map` in the page, held against it."""

from typing import Any

from hypothesis import given
from hypothesis import strategies as st
from immutables import Map

from kentrograph.core.replica import tables

KEYS = st.sampled_from("abcdefg")
ACTS = st.lists(st.tuples(st.sampled_from(["set", "delete", "many"]), KEYS, st.integers()), max_size=12)


@given(st.dictionaries(KEYS, st.integers()), ACTS)
def test_it_is_as_the_real_one_and_no_change_reaches_an_earlier_one(
    first: dict[str, int], acts: list[tuple[str, str, int]]
) -> None:
    real: Any = Map(first)
    ours: Any = tables.Map(first)
    seen = [(ours, dict(first))]
    for act, key, value in acts:
        if act == "many":
            open_real, open_ours = real.mutate(), ours.mutate()
            for table in (open_real, open_ours):
                table[key] = value
                table["z"] = table.get(key) + table.pop("y", 1)
            real, ours = open_real.finish(), open_ours.finish()
        elif act == "set":
            real, ours = real.set(key, value), ours.set(key, value)
        elif key in real:
            real, ours = real.delete(key), ours.delete(key)
        assert dict(ours) == dict(real)
        assert (len(ours), key in ours, ours.get(key, -1)) == (len(real), key in real, real.get(key, -1))
        assert sorted(ours.values()) == sorted(real.values())
        seen.append((ours, dict(real)))
    assert all(dict(table) == then for table, then in seen)
    assert tables.Map(first) == tables.Map(first.items())
    assert hash(tables.Map(first)) == hash(tables.Map(dict(reversed(first.items()))))
