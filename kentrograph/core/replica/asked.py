"""What a table asks, from the data of its message, by what its type declares."""

from collections.abc import Callable
from dataclasses import fields, is_dataclass
from functools import cache
from types import NoneType, UnionType
from typing import Annotated, Any, Union, get_args, get_origin, get_type_hints


def from_data(kind: Any, data: Any) -> Any:
    """The value of a declared type that some data (of JSON) is. What that does not declare is left out; limits are not checked.

    Raises `TypeError` or `KeyError` where something is missing.
    """
    return _maker(kind)(data)


@cache
def _maker(kind: Any) -> Callable[[Any], Any]:
    origin, inner = get_origin(kind), get_args(kind)
    if origin is Annotated:
        return _maker(inner[0])
    if origin in (Union, UnionType):
        return _of_union(inner)
    if is_dataclass(kind):
        return _of_dataclass(kind)
    if origin is tuple and len(inner) == 2 and inner[1] is Ellipsis:
        each = _maker(inner[0])
        return lambda data: tuple(map(each, data))
    if origin is tuple:
        makers = [_maker(one) for one in inner]
        return lambda data: tuple(make(one) for make, one in zip(makers, data, strict=True))
    if origin is frozenset:
        return frozenset
    return float if kind is float else lambda data: data


def _of_union(kinds: tuple[Any, ...]) -> Callable[[Any], Any]:
    """One of several dataclasses, told by the words of its first field, or nothing."""
    others = [one for one in kinds if one is not NoneType]
    if len(others) == 1:
        make = _maker(others[0])
    else:
        makers = {get_args(get_type_hints(one)["do"])[0]: _maker(one) for one in others}

        def make(data: Any) -> Any:
            return makers[data["do"]](data)

    return lambda data: None if data is None else make(data)


def _of_dataclass(kind: Any) -> Callable[[Any], Any]:
    hints = get_type_hints(kind)
    makers = {one.name: _maker(hints[one.name]) for one in fields(kind)}
    return lambda data: kind(**{name: makers[name](value) for name, value in data.items() if name in makers})
