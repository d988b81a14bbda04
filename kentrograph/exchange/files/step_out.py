"""A drawing as STEP (ISO 10303-21 with the schema of ISO 10303-214): a wireframe in the plane z = 0.

Source, published: the entities of ISO 10303-42 (line, circle, ellipse, trimmed_curve, composite_curve, geometric_curve_set) and
their context in ISO 10303-41 and -43, from memory. Groups are curve sets with their names, pens are layers.
"""

from collections.abc import Sequence
from datetime import datetime
from itertools import groupby
from typing import assert_never

from ...core.angles import unit_vector
from ...core.figures import Arc, Circle, Ellipse, EndlessLine, Figure, FigureSet, Line, Outline, Point
from ...core.figures.outline import Piece
from ...core.units import MILLIMETRES
from .found import Progress
from .items import Item
from .numbers import number_writer
from .part21 import encoded

_SI = {"mm": ".MILLI.", "cm": ".CENTI.", "m": "$"}
_CONVERTED = {"in": "INCH", "ft": "FOOT", "yd": "YARD"}
_EVERY = 500


def as_step(
    items: Sequence[Item], unit: str, title: str, decimals: int | None = None, progress: Progress | None = None
) -> tuple[str, list[str]]:
    """The file, and what could not be written, in words."""
    shown = [item for item in items if not isinstance(item.figure, EndlessLine)]
    writer = _Writer(decimals)
    context = writer.context(unit, title)
    sets: list[int] = []
    layers: dict[str, list[int]] = {}
    done = 0
    for group, members in groupby(shown, key=lambda item: item.group):
        elements: list[int] = []
        for item in members:
            element = writer.figure(item.figure, item.name)
            elements.append(element)
            layers.setdefault(item.pen, []).append(element)
            done += 1
            if progress is not None and done % _EVERY == 0:
                progress(done, len(shown))
        sets.append(writer.add(f"GEOMETRIC_CURVE_SET({encoded(group)},{_refs(elements)})"))
    shape = writer.add(
        f"GEOMETRICALLY_BOUNDED_WIREFRAME_SHAPE_REPRESENTATION({encoded(title)},{_refs([writer.origin, *sets])},#{context})"
    )
    writer.add(f"SHAPE_DEFINITION_REPRESENTATION(#{writer.definition},#{shape})")
    for pen, elements in layers.items():
        writer.add(f"PRESENTATION_LAYER_ASSIGNMENT({encoded(pen)},'',{_refs(elements)})")
    stamp = datetime.now().isoformat(timespec="seconds")
    head = (
        "ISO-10303-21;\nHEADER;\nFILE_DESCRIPTION((''),'2;1');\n"
        f"FILE_NAME({encoded(title)},'{stamp}',(''),(''),'Kentrograph','Kentrograph','');\n"
        "FILE_SCHEMA(('AUTOMOTIVE_DESIGN { 1 0 10303 214 1 1 1 1 }'));\nENDSEC;\nDATA;\n"
    )
    without = len(items) - len(shown)
    notes = [f"{without} lines without ends, which a bounded wireframe does not have"] if without else []
    return f"{head}{''.join(writer.lines)}ENDSEC;\nEND-ISO-10303-21;\n", notes


def _refs(ids: Sequence[int]) -> str:
    return f"({','.join(f'#{id}' for id in ids)})"


class _Writer:
    def __init__(self, decimals: int | None) -> None:
        self.lines: list[str] = []
        self._told, self._exactly = number_writer(decimals), number_writer(None)
        self._directions: dict[tuple[float, float], int] = {}
        self.up = self.add("DIRECTION('',(0.,0.,1.))")
        self.origin = self._placement(Point(0.0, 0.0), 0.0)
        self.definition = 0

    def add(self, entity: str) -> int:
        """Writes an instance; its number."""
        id = len(self.lines) + 1
        self.lines.append(f"#{id}={entity};\n")
        return id

    def context(self, unit: str, title: str) -> int:
        """What the drawing is, and in which units; the number of the context."""
        add, name = self.add, encoded(title)
        application = add("APPLICATION_CONTEXT('automotive design')")
        add(f"APPLICATION_PROTOCOL_DEFINITION('international standard','automotive_design',2000,#{application})")
        market = add(f"PRODUCT_CONTEXT('',#{application},'mechanical')")
        product = add(f"PRODUCT({name},{name},'',(#{market}))")
        formation = add(f"PRODUCT_DEFINITION_FORMATION('','',#{product})")
        design = add(f"PRODUCT_DEFINITION_CONTEXT('part definition',#{application},'design')")
        defined = add(f"PRODUCT_DEFINITION('design','',#{formation},#{design})")
        self.definition = add(f"PRODUCT_DEFINITION_SHAPE('','',#{defined})")
        if unit in _SI:
            length = add(f"(LENGTH_UNIT()NAMED_UNIT(*)SI_UNIT({_SI[unit]},.METRE.))")
        else:
            mm = add("(LENGTH_UNIT()NAMED_UNIT(*)SI_UNIT(.MILLI.,.METRE.))")
            measure = add(f"LENGTH_MEASURE_WITH_UNIT(LENGTH_MEASURE({self._real(float(MILLIMETRES[unit]), exactly=True)}),#{mm})")
            exponents = add("DIMENSIONAL_EXPONENTS(1.,0.,0.,0.,0.,0.,0.)")
            length = add(f"(CONVERSION_BASED_UNIT('{_CONVERTED[unit]}',#{measure})LENGTH_UNIT()NAMED_UNIT(#{exponents}))")
        angle = add("(NAMED_UNIT(*)PLANE_ANGLE_UNIT()SI_UNIT($,.RADIAN.))")
        solid = add("(NAMED_UNIT(*)SI_UNIT($,.STERADIAN.)SOLID_ANGLE_UNIT())")
        near = add(f"UNCERTAINTY_MEASURE_WITH_UNIT(LENGTH_MEASURE(1.E-07),#{length},'distance_accuracy_value','')")
        return add(
            f"(GEOMETRIC_REPRESENTATION_CONTEXT(3)GLOBAL_UNCERTAINTY_ASSIGNED_CONTEXT((#{near}))"
            f"GLOBAL_UNIT_ASSIGNED_CONTEXT((#{length},#{angle},#{solid}))REPRESENTATION_CONTEXT('',''))"
        )

    def figure(self, figure: Figure, name: str = "") -> int:
        """Writes a figure; the number of its curve, or of its point."""
        match figure:
            case Point():
                return self._point(figure, name)
            case Circle():
                return self._circle(figure.centre, figure.radius, name)
            case Ellipse() if figure.whole:
                return self._ellipse(figure, name)
            case Line() | Arc() | Ellipse():
                return self._trimmed(figure, name)
            case Outline(pieces, closed):
                last = len(pieces) - 1
                segments = [
                    self.add(
                        f"COMPOSITE_CURVE_SEGMENT({'.DISCONTINUOUS.' if n == last and not closed else '.CONTINUOUS.'},.T.,"
                        f"#{self._trimmed(piece)})"
                    )
                    for n, piece in enumerate(pieces)
                ]
                return self.add(f"COMPOSITE_CURVE({encoded(name)},{_refs(segments)},.F.)")
            case EndlessLine() | FigureSet():
                raise AssertionError(figure)
            case _:
                assert_never(figure)

    def _trimmed(self, piece: Piece, name: str = "") -> int:
        start, end = self._point(piece.start), self._point(piece.end)
        agrees = ".T."
        match piece:
            case Line(a, b):
                length = piece.length
                along = self.add(f"VECTOR('',#{self._direction((b.x - a.x) / length, (b.y - a.y) / length)},{self._real(1.0)})")
                basis = self.add(f"LINE('',#{start},#{along})")
            case Arc(centre, radius, _, _, sweep):
                basis = self._circle(centre, radius)
                agrees = ".T." if sweep > 0.0 else ".F."
            case Ellipse():
                basis = self._ellipse(piece)
                agrees = ".T." if piece.sweep > 0.0 else ".F."
            case _:
                assert_never(piece)
        return self.add(f"TRIMMED_CURVE({encoded(name)},#{basis},(#{start}),(#{end}),{agrees},.CARTESIAN.)")

    def _circle(self, centre: Point, radius: float, name: str = "") -> int:
        return self.add(f"CIRCLE({encoded(name)},#{self._placement(centre, 0.0)},{self._real(radius)})")

    def _ellipse(self, e: Ellipse, name: str = "") -> int:
        # Some readers want the longer axis first.
        a, b, turn = (e.a, e.b, e.turn) if e.a >= e.b else (e.b, e.a, e.turn + 90.0)
        return self.add(f"ELLIPSE({encoded(name)},#{self._placement(e.centre, turn)},{self._real(a)},{self._real(b)})")

    def _placement(self, at: Point, turn: float) -> int:
        return self.add(f"AXIS2_PLACEMENT_3D('',#{self._point(at)},#{self.up},#{self._direction(*unit_vector(turn))})")

    def _point(self, at: Point, name: str = "") -> int:
        return self.add(f"CARTESIAN_POINT({encoded(name)},({self._real(at.x)},{self._real(at.y)},0.))")

    def _direction(self, x: float, y: float) -> int:
        if (x, y) not in self._directions:
            # A direction says nothing about lengths: it has every digit.
            self._directions[x, y] = self.add(f"DIRECTION('',({self._real(x, True)},{self._real(y, True)},0.))")
        return self._directions[x, y]

    def _real(self, value: float, exactly: bool = False) -> str:
        text = (self._exactly if exactly else self._told)(value)
        return text if "." in text else f"{text}."
