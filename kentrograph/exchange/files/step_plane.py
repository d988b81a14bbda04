"""In which plane the curves of a STEP file lie: that of its round and bent curves, which is laid flat."""

from collections import Counter
from collections.abc import Iterator
from math import hypot, inf
from typing import Any

from .part21 import Instances, Ref, Typed

FLAT = 1e-9
"""How far from the plane, or from square to it, something may lie, as a share of its size."""
THROUGH = ("SURFACE_CURVE", "SEAM_CURVE", "INTERSECTION_CURVE", "BOUNDED_SURFACE_CURVE")
"""Curves on surfaces, which name the curve itself first."""
Vector = tuple[float, float, float]
LEVEL: tuple[Vector, Vector, Vector] = ((1.0, 0.0, 0.0), (0.0, 1.0, 0.0), (0.0, 0.0, 1.0))
"""Across, up and out of the plane of the drawing."""
_UPRIGHT = {
    0: ((0.0, 1.0, 0.0), (0.0, 0.0, 1.0), (1.0, 0.0, 0.0)), 1: ((1.0, 0.0, 0.0), (0.0, 0.0, 1.0), (0.0, -1.0, 0.0)), 2: LEVEL,
}  # fmt: skip
"""The same of what lies in a plane square to x, to y or to z: seen from before, with z upward."""


class NotTaken(Exception):
    """It is nothing that a drawing has; with the word for it."""


class Space:
    """Places and directions of a file as they stand there, in three dimensions; lengths times ``scale``."""

    def __init__(self, instances: Instances) -> None:
        self.of = instances
        self.scale = 1.0

    def plane(self, roots: list[Ref]) -> tuple[Vector, Vector, Vector]:
        """The plane in which the file's curves lie, or to which most of those that tell it are parallel: level unless they say
        otherwise."""
        counted: Counter[Vector] = Counter()
        for ref in self._below(roots):
            normal = self._normal(ref)
            if normal is not None:
                counted[normal] += 1
        if not counted:
            points = [self.place(ref) for ref in self._below(roots) if self.of.entity(ref, "CARTESIAN_POINT") is not None]
            flat = [n for n in (2, 0, 1) if points and len({point[n] for point in points}) == 1]
            return _UPRIGHT[flat[0]] if flat else LEVEL
        normal = max(counted, key=lambda one: (counted[one], one == LEVEL[2]))
        axis = next((n for n in range(3) if abs(abs(normal[n]) - 1.0) <= FLAT), None)
        if axis is not None:
            return _UPRIGHT[axis]
        # Across as level as the plane allows.
        x, y, z = normal
        size = hypot(x, y)
        across = (-y / size, x / size, 0.0)
        return across, (-z * across[1], z * across[0], x * across[1] - y * across[0]), normal

    def _below(self, roots: list[Ref]) -> Iterator[Ref]:
        """What curves are made of, and what that is made of."""
        seen: set[int] = set()
        waiting = list(roots)
        while waiting:
            ref = waiting.pop()
            if ref.id not in seen and ref.id in self.of:
                seen.add(ref.id)
                yield ref
                for entity in self.of[ref.id]:
                    # A surface beside a curve says nothing of the plane of the curve.
                    values = entity.values[:2] if entity.word in THROUGH else entity.values
                    waiting.extend(refs_in(values))

    def _normal(self, ref: Ref) -> Vector | None:
        """The normal of the plane of a round curve or of a bent polyline, looking up or forward; None where it tells none."""
        try:
            if (values := self.of.entity(ref, "CIRCLE", "ELLIPSE")) is not None:
                placement = self.of.entity(values[1], "AXIS2_PLACEMENT_3D")
                if placement is None:
                    return None
                found = self.direction(placement[2]) if placement[2] is not None else LEVEL[2]
            elif (values := self.of.entity(ref, "POLYLINE")) is not None and len(values[1]) > 2:
                a, b, c = (self.place(one) for one in (values[1][0], values[1][1], values[1][2]))
                found = _cross(_less(b, a), _less(c, a))
            else:
                return None
        except (TypeError, ValueError, IndexError, NotTaken):
            return None
        size = hypot(*found)
        if not 0.0 < size < inf:
            return None
        x, y, z = (round(v / size, 12) + 0.0 for v in found)
        sign = -1.0 if next((v for v in (z, y, x) if v), 1.0) < 0.0 else 1.0
        return sign * x + 0.0, sign * y + 0.0, sign * z + 0.0

    def place(self, ref: Any) -> Vector:
        """A place. Raises `NotTaken` for anything else."""
        values = self.of.entity(ref, "CARTESIAN_POINT")
        if values is None:
            raise NotTaken("point")
        x, y, *rest = (number(value) * self.scale for value in values[1])
        return x, y, rest[0] if rest else 0.0

    def direction(self, ref: Any) -> Vector:
        """A direction as a unit vector. Raises `NotTaken` for anything else."""
        values = self.of.entity(ref, "DIRECTION")
        if values is None:
            raise NotTaken("direction")
        x, y, *rest = (number(value) for value in values[1])
        z = rest[0] if rest else 0.0
        size = hypot(x, y, z)
        if not 0.0 < size < inf:
            raise ValueError("a direction of no length, or of none that can be had")
        # One that is as long as it should be keeps its digits.
        return (x, y, z) if abs(size - 1.0) <= 1e-15 else (x / size, y / size, z / size)


def in_plane(plane: tuple[Vector, Vector, Vector], raw: Vector) -> Vector:
    """A vector along the two directions of a plane, and out of it."""
    return dot(raw, plane[0]), dot(raw, plane[1]), dot(raw, plane[2])


def dot(a: Vector, b: Vector) -> float:
    """The sum of the products of their coordinates."""
    return a[0] * b[0] + a[1] * b[1] + a[2] * b[2]


def _less(a: Vector, b: Vector) -> Vector:
    return a[0] - b[0], a[1] - b[1], a[2] - b[2]


def _cross(a: Vector, b: Vector) -> Vector:
    return a[1] * b[2] - a[2] * b[1], a[2] * b[0] - a[0] * b[2], a[0] * b[1] - a[1] * b[0]


def number(value: Any) -> float:
    """A number of a file. Raises `TypeError` for anything else."""
    if not isinstance(value, float):
        raise TypeError(value)
    return value


def refs_in(values: list[Any]) -> Iterator[Ref]:
    """All instances that values name."""
    waiting: list[Any] = list(values)
    while waiting:
        value = waiting.pop()
        if isinstance(value, Ref):
            yield value
        elif isinstance(value, Typed):
            waiting += value.values
        elif isinstance(value, list):
            waiting += value
