"""STEP (ISO 10303-21) as figures: lines, circles, ellipses, trimmed and composite curves, polylines, points, edges, in one plane.

Read are the curve sets of the file; where it has none, its edges; where it has neither, all curves that no other uses. What lies
in another plane, and splines, are left out and counted.
"""

from collections.abc import Iterator
from itertools import pairwise
from math import hypot, isclose, pi
from typing import Any

from ...core.construct.outlines import reversed_piece
from ...core.figures import Circle, EndlessLine, Figure, FigureSet, Line, Outline, Point
from ...core.figures.along import place_along
from ...core.figures.outline import Piece
from ...core.problem import Refused
from ...core.units import MILLIMETRES
from .affine import Round
from .chains import figure_of
from .found import Found, bad_file
from .part21 import Enum, Instances, Ref, Typed, read_part21
from .splines import whole_of
from .step_plane import FLAT, LEVEL, THROUGH, NotTaken, Space, Vector, in_plane, number, refs_in

_PREFIX = {None: 1000.0, "MILLI": 1.0, "CENTI": 10.0, "DECI": 100.0, "MICRO": 1e-3, "NANO": 1e-6, "KILO": 1e6}
_CURVES = ("TRIMMED_CURVE", "COMPOSITE_CURVE", "CIRCLE", "ELLIPSE", "POLYLINE", "EDGE_CURVE")
_SETS = ("GEOMETRIC_CURVE_SET", "GEOMETRIC_SET")
_MOST_DEEP = 12


class _NotFlat(Exception):
    """It does not lie in the plane of the drawing."""


def read_step(data: bytes) -> Found:
    """The figures of a file. Raises `Refused` (bad_file)."""
    found = Found()
    text = data.decode("utf-8", "replace")
    _Reader(read_part21(text, found.in_time), found).read()
    return found


class _Reader:
    def __init__(self, instances: Instances, found: Found) -> None:
        self.of, self.found = instances, found
        self.height: float | None = None
        self.heights: list[float] = []
        self.plane = LEVEL
        self.space = Space(instances)
        self.scale = 1.0
        self.radian = 1.0
        self.layers: dict[int, str] = {}
        self.wires: dict[frozenset[Any], float | None] = {}
        """In which plane each wire was found first, by where its pieces lie."""

    def read(self) -> None:
        """Reads all of it."""
        try:
            self._units()
        except (TypeError, IndexError) as other:
            raise bad_file("a unit of it cannot be read") from other
        for id in self.of:
            layer = self.of.entity(Ref(id), "PRESENTATION_LAYER_ASSIGNMENT")
            if layer is not None and len(layer) > 2 and isinstance(layer[2], list):
                self.layers.update({ref.id: str(layer[0]) for ref in layer[2] if isinstance(ref, Ref)})
        self.space.scale = self.scale
        roots = list(self._roots())
        self.plane = self.space.plane([ref for ref, _ in roots])
        if self.plane != LEVEL:
            self.found.notes.append("it lies in a plane of its own, which is laid flat")
        loops, alone = self._wires(roots)
        for ref, group in alone:
            self._take(ref, group)
        for wire in loops:
            self._take_wire(wire)
        if len(self.heights) > 1:
            self.found.notes.append(
                f"its wires lie in {len(self.heights)} planes side by side, which are laid flat onto one another"
            )

    def _units(self) -> None:
        for id in self.of:
            context = self.of.entity(Ref(id), "GLOBAL_UNIT_ASSIGNED_CONTEXT")
            for unit in context[0] if context and isinstance(context[0], list) else ():
                if self.of.entity(unit, "LENGTH_UNIT") is not None:
                    mm = self._millimetres(unit)
                    name = next((word for word, size in MILLIMETRES.items() if isclose(mm, float(size), rel_tol=1e-12)), None)
                    self.found.unit, self.scale = (name, 1.0) if name else ("mm", mm)
                elif self.of.entity(unit, "PLANE_ANGLE_UNIT") is not None:
                    self.radian = self._radians(unit)
            if context:
                return

    def _millimetres(self, unit: Any) -> float:
        si = self.of.entity(unit, "SI_UNIT")
        if si is not None:
            prefix = si[0].word if isinstance(si[0], Enum) else None
            if prefix not in _PREFIX:
                raise bad_file(f"its unit of length, {prefix} metres, is not known")
            return _PREFIX[prefix]
        value, base = self._converted(unit)
        return value * (self._millimetres(base) if self.of.entity(base, "SI_UNIT") else 1.0)

    def _radians(self, unit: Any) -> float:
        return 1.0 if self.of.entity(unit, "SI_UNIT") is not None else self._converted(unit)[0]

    def _converted(self, unit: Any) -> tuple[float, Any]:
        converted = self.of.entity(unit, "CONVERSION_BASED_UNIT")
        measure = None
        if converted is not None and len(converted) > 1:
            measure = self.of.entity(
                converted[1], "LENGTH_MEASURE_WITH_UNIT", "PLANE_ANGLE_MEASURE_WITH_UNIT", "MEASURE_WITH_UNIT"
            )
        if measure is None or len(measure) < 2:
            raise bad_file("a unit of it cannot be read")
        # Some write the bare number, without the type of the measure.
        said = measure[0].values[0] if isinstance(measure[0], Typed) and measure[0].values else measure[0]
        value = number(said)
        if not value > 0.0:
            raise bad_file("a unit of it is no larger than nothing")
        return value, measure[1]

    def _roots(self) -> Iterator[tuple[Ref, str]]:
        """What is read, each with the name of the set that it stands in."""
        sets = [(values, id) for id in self.of if (values := self.of.entity(Ref(id), *_SETS)) is not None]
        for values, _ in sets:
            elements = values[1] if len(values) > 1 and isinstance(values[1], list) else []
            yield from ((ref, str(values[0] or "")) for ref in elements if isinstance(ref, Ref))
        if sets:
            return
        edges = [Ref(id) for id in self.of if self.of.entity(Ref(id), "EDGE_CURVE") is not None]
        if edges:
            yield from ((edge, "") for edge in edges)
            return
        curves = [id for id in self.of if self.of.entity(Ref(id), *_CURVES) is not None]
        used = {ref.id for entities in self.of.values() for one in entities for ref in refs_in(one.values)}
        yield from ((Ref(id), "") for id in curves if id not in used)

    def _wires(self, roots: list[tuple[Ref, str]]) -> tuple[list[list[tuple[Ref, bool]]], list[tuple[Ref, str]]]:
        """The edges that follow one another in loops, each with whether it is run forward; and what stands alone."""
        edges = {ref.id for ref, _ in roots if self.of.entity(ref, "EDGE_CURVE") is not None}
        loops: list[list[tuple[Ref, bool]]] = []
        used: set[int] = set()
        for id in self.of if edges else ():
            loop = self.of.entity(Ref(id), "EDGE_LOOP")
            oriented = [self.of.entity(one, "ORIENTED_EDGE") for one in loop[1]] if loop and isinstance(loop[1], list) else []
            run = [
                (one[3], one[4] == Enum("T")) for one in oriented if one is not None and len(one) > 4 and isinstance(one[3], Ref)
            ]
            if run and len(run) == len(oriented) and all(ref.id in edges for ref, _ in run):
                loops.append(run)
                used.update(ref.id for ref, _ in run)
        return loops, [(ref, group) for ref, group in roots if ref.id not in used]

    def _take_wire(self, wire: list[tuple[Ref, bool]]) -> None:
        """The edges of a loop as one outline; one by one where they do not make one."""
        self.height = None
        try:
            run = [
                (self._edge(edge), forward) for ref, forward in wire if (edge := self.of.entity(ref, "EDGE_CURVE")) is not None
            ]
            pieces = [one if forward else reversed_piece(one) for one, forward in run if isinstance(one, Piece)]
            whole = run[0][0] if len(run) == 1 else figure_of(pieces, True, share=0.0)
            if len(run) > 1 and len(pieces) < len(run):
                raise ValueError("a circle in a chain")
        except (_NotFlat, NotTaken, TypeError, ValueError, IndexError, AttributeError, KeyError, Refused):
            for ref, _ in wire:
                self._take(ref, "")
            return
        self._stands()
        if self.wires.setdefault(_lies(whole), self.height) != self.height:
            # The other face of a plate.
            self.found.leave_out("edge loop", "laid flat it lies on one of another plane", f"#{wire[0][0].id}")
            return
        self.found.add(whole, "", "", "", f"#{wire[0][0].id}")

    def _stands(self) -> None:
        """Notes in which plane the last curve lay."""
        if self.height is not None and not any(abs(self.height - one) <= FLAT * max(1.0, abs(one)) for one in self.heights):
            self.heights.append(self.height)

    def _take(self, ref: Ref, group: str) -> None:
        where = f"#{ref.id}"
        self.height = None
        kind = next((entity.word for entity in self.of.get(ref.id, ())), "nothing").lower().replace("_", " ")
        try:
            figure = self._figure(ref)
        except _NotFlat:
            self.found.leave_out(kind, "it does not lie in the plane of the drawing", where)
        except NotTaken as other:
            self.found.leave_out(str(other) or kind, "a drawing has no such curve", where)
        except (TypeError, ValueError, IndexError, AttributeError, KeyError):
            self.found.leave_out(kind, "it is not as the standard has it", where)
        except Refused as refused:
            if refused.problem.kind == "bad_file":
                raise
            self.found.leave_out(kind, "it has no size", where)
        else:
            self._stands()
            self.found.add(figure, self._name(ref), group, self.layers.get(ref.id, ""), where)

    def _name(self, ref: Ref) -> str:
        values = self.of[ref.id][0].values
        return values[0] if values and isinstance(values[0], str) else ""

    def _through(self, ref: Any) -> Any:
        """The curve itself of one that lies on surfaces."""
        for _ in range(_MOST_DEEP):
            values = self.of.entity(ref, *THROUGH)
            if values is None:
                return ref
            ref = values[1]
        raise bad_file("its curves refer to one another without end")

    def _figure(self, ref: Any) -> Figure:
        ref = self._through(ref)
        if self.of.entity(ref, "CARTESIAN_POINT") is not None:
            return self._flat(ref)
        if (edge := self.of.entity(ref, "EDGE_CURVE")) is not None:
            return self._edge(edge)
        if (whole := self._round(ref)) is not None:
            return whole.figure()
        if (curve := self.of.entity(ref, "TRIMMED_CURVE")) is not None:
            return self._trimmed(curve)
        pieces = self._pieces(ref, 0)
        closed = (pieces[0].start.x, pieces[0].start.y) == (pieces[-1].end.x, pieces[-1].end.y)
        return figure_of(pieces, closed, share=0.0)

    def _pieces(self, ref: Any, deep: int) -> list[Piece]:
        if deep > _MOST_DEEP:
            raise bad_file("its curves refer to one another without end")
        ref = self._through(ref)
        if (curve := self.of.entity(ref, "TRIMMED_CURVE")) is not None:
            piece = self._trimmed(curve)
            if isinstance(piece, Circle):
                raise NotTaken("composite curve")
            return [piece]
        if (curve := self.of.entity(ref, "POLYLINE")) is not None:
            places = [self._flat(one) for one in curve[1]]
            return [Line(a, b) for a, b in pairwise(places) if a != b]
        if (curve := self.of.entity(ref, "COMPOSITE_CURVE")) is not None:
            found: list[Piece] = []
            for segment in curve[1]:
                values = self.of.entity(segment, "COMPOSITE_CURVE_SEGMENT")
                if values is None:
                    raise NotTaken("composite curve")
                pieces = self._pieces(values[2], deep + 1)
                found += pieces if values[1] == Enum("T") else [reversed_piece(piece) for piece in reversed(pieces)]
            return found
        raise NotTaken(next((entity.word for entity in self.of.get(ref.id, ())), "nothing").lower().replace("_", " "))

    def _trimmed(self, values: list[Any]) -> Piece | Circle:
        basis, agrees = self._through(values[1]), values[4] == Enum("T")
        if (line := self.of.entity(basis, "LINE")) is not None:
            return Line(self._on_line(line, values[2]), self._on_line(line, values[3]))
        whole = self._round(basis)
        if whole is None:
            raise NotTaken(next((entity.word for entity in self.of.get(basis.id, ())), "nothing").lower().replace("_", " "))
        start, end = self._trim(values[2]), self._trim(values[3])
        return self._between(whole, start, end, agrees)

    def _between(self, whole: Round, start: Point | float, end: Point | float, agrees: bool) -> Piece | Circle:
        a = start if isinstance(start, float) else whole.angle_of(start.x, start.y)
        b = end if isinstance(end, float) else whole.angle_of(end.x, end.y)
        sweep = (b - a) % (2.0 * pi) if agrees else -((a - b) % (2.0 * pi))
        if min(abs(sweep), 2.0 * pi - abs(sweep)) < FLAT:
            # It ends where it begins: all of it is there.
            return whole.figure()
        return Round(whole.centre, whole.u, whole.v, a, sweep).figure(
            start if isinstance(start, Point) else None, end if isinstance(end, Point) else None
        )

    def _trim(self, values: list[Any]) -> Point | float:
        """A place where a curve is cut off: as a place where there is one, else as a parameter."""
        place = next((ref for ref in values if isinstance(ref, Ref)), None)
        if place is not None:
            return self._flat(place)
        return _parameter(values) * self.radian

    def _on_line(self, line: list[Any], values: list[Any]) -> Point:
        place = next((ref for ref in values if isinstance(ref, Ref)), None)
        if place is not None:
            return self._flat(place)
        t = _parameter(values)
        vector = self.of.entity(line[2], "VECTOR")
        at = self._flat(line[1])
        if vector is None:
            raise NotTaken("line")
        x, y, _ = self._direction(vector[1])
        far = t * number(vector[2]) * self.scale
        return Point(at.x + far * x, at.y + far * y)

    def _round(self, ref: Any) -> Round | None:
        values = self.of.entity(ref, "CIRCLE", "ELLIPSE")
        if values is None:
            return self._spline(ref)
        a = number(values[2]) * self.scale
        b = number(values[3]) * self.scale if len(values) > 3 else a
        placement = self.of.entity(values[1], "AXIS2_PLACEMENT_3D")
        if placement is not None:
            axis = self._direction(placement[2]) if placement[2] is not None else in_plane(self.plane, LEVEL[2])
            across = self._direction(placement[3]) if placement[3] is not None else in_plane(self.plane, LEVEL[0])
            if hypot(axis[0], axis[1]) > FLAT or abs(across[2]) > FLAT:
                raise _NotFlat
            sign = 1.0 if axis[2] > 0.0 else -1.0
        else:
            placement = self.of.entity(values[1], "AXIS2_PLACEMENT_2D")
            if placement is None:
                raise NotTaken("circle")
            across, sign = self._direction(placement[2]) if placement[2] is not None else (1.0, 0.0, 0.0), 1.0
        ux, uy = across[0], across[1]
        u, v = (a * ux, a * uy), (-sign * b * uy, sign * b * ux)
        if not (hypot(*u) > 0.0 and hypot(*v) > 0.0):
            raise ValueError("a radius of nothing")
        return Round(self._flat(placement[1]), u, v, 0.0, 2.0 * pi)

    def _edge(self, values: list[Any]) -> Figure:
        """An edge between vertices on a curve without ends."""
        ends = [self.of.entity(ref, "VERTEX_POINT") for ref in values[1:3]]
        start, end = (self._flat(one[1]) for one in ends if one is not None)
        curve, agrees = self._through(values[3]), values[4] == Enum("T")
        if self.of.entity(curve, "LINE") is not None:
            return Line(start, end)
        whole = self._round(curve)
        if whole is None:
            return figure_of(self._pieces(curve, 0), False)
        return whole.figure() if start == end else self._between(whole, start, end, agrees)

    def _spline(self, ref: Any) -> Round | None:
        """The whole circle or ellipse that a rational spline is in truth; None for all others."""
        plain, knotted = self.of.entity(ref, "B_SPLINE_CURVE"), self.of.entity(ref, "B_SPLINE_CURVE_WITH_KNOTS")
        weighted = self.of.entity(ref, "RATIONAL_B_SPLINE_CURVE")
        if knotted is None or weighted is None or plain is None:
            return None
        degree, refs = int(number(plain[0])), plain[1]
        knots = [number(knot) for knot, times in zip(knotted[1], knotted[0], strict=True) for _ in range(int(number(times)))]
        places = [self._flat(one) for one in refs]
        return whole_of(degree, [(at.x, at.y) for at in places], [number(one) for one in weighted[0]], knots)

    def _flat(self, ref: Any) -> Point:
        raw = self.space.place(ref)
        x, y, z = in_plane(self.plane, raw)
        if self.height is None:
            self.height = z
        if abs(z - self.height) > FLAT * max(1.0, abs(x), abs(y)):
            raise _NotFlat
        return Point(x, y)

    def _direction(self, ref: Any) -> Vector:
        return in_plane(self.plane, self.space.direction(ref))


def _lies(figure: Figure) -> frozenset[Any]:
    """Where the pieces of a figure lie, in whatever order and sense they run."""

    def told(at: Point) -> tuple[float, float]:
        return round(at.x, _ALIKE) + 0.0, round(at.y, _ALIKE) + 0.0

    pieces = figure.pieces if isinstance(figure, Outline) else (figure,)
    return frozenset(
        (frozenset((told(place_along(one, 0.0)), told(place_along(one, one.length)))), told(place_along(one, 0.5 * one.length)))
        for one in pieces
        if not isinstance(one, Point | EndlessLine | FigureSet | Outline)
    )


_ALIKE = 6
"""Decimals to which places of two wires agree."""


def _parameter(values: list[Any]) -> float:
    """The first parameter of a trim."""
    return number(next((value.values[0] for value in values if isinstance(value, Typed)), None))
