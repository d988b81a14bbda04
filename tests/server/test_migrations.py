"""The log of older drawings, in which edits counted places by index, says the same by neighbours."""

import importlib
from random import Random
from typing import Any

import pytest

from kentrograph.core.book.book import Book
from kentrograph.core.book.edits import Delete, Edit, Insert, Move, Several
from kentrograph.core.language.codec import edit_data, edit_from
from kentrograph.core.problem import Refused

from ..core.test_round_trip import some_edit

places = importlib.import_module("kentrograph.store.migrations.versions.0003_places")


def with_indexes(edit: Edit, order: list[str]) -> dict[str, Any]:
    """The data of an edit as it was written before: with indexes; done to ``order`` as well."""
    data = edit_data(edit)
    match edit:
        case Several(edits):
            return {**data, "edits": [with_indexes(one, order) for one in edits]}
        case Delete(id):
            order.remove(id)
        case Insert(_, in_front_of) | Move(_, in_front_of):
            id = data.get("id") or data["step"]["id"]
            if isinstance(edit, Move):
                if in_front_of == id:
                    in_front_of = (*order, None)[order.index(id) + 1]
                order.remove(id)
            index = order.index(in_front_of) if in_front_of in order else len(order)
            order.insert(index, id)
            return {**{k: v for k, v in data.items() if k != "in_front_of"}, "index": index}
    return data


@pytest.mark.parametrize("seed", range(30))
def test_edits_by_index_become_edits_by_neighbour(seed: int) -> None:
    dice, book = Random(seed), Book.new()
    for number in range(25):
        try:
            after, inverse = book.edited(edit := some_edit(dice, book, number))
        except Refused:
            continue
        for one, before in ((edit, book), (inverse, after)):
            order = list(before.order)
            old = with_indexes(one, order)
            found = list(before.order)
            again = before.edited(edit_from(places.translated(old, found)))[0]
            assert found == order == list(again.order)
            assert list(again.order) == list((after if one is edit else book).order), (seed, number)
        book = after
