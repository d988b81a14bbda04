"""The places where a curve meets others, worked out only where one comes by, against every meeting worked out at once."""

from math import cos, hypot, pi, radians, sin
from typing import Any

from hypothesis import given
from hypothesis import strategies as st

from kentrograph.core.figures import Circle, EndlessLine, Line, Point
from kentrograph.core.intersect import intersect
from kentrograph.core.shape.nodes import Nodes, Other
from kentrograph.core.shape.stretch import cut_at, part_of

from .support import moved

COORDS = st.integers(-6, 6).map(float)
SPOTS = st.builds(Point, COORDS, COORDS)
LINES = st.tuples(SPOTS, SPOTS).filter(lambda ends: ends[0] != ends[1]).map(lambda ends: Line(*ends))
CIRCLES = st.builds(Circle, SPOTS, st.integers(1, 5).map(float))
TENS = st.integers(1, 35).map(lambda n: 10.0 * n)
ARCS = st.builds(
    lambda c, r, first, sweep: arc(Circle(c, r), first, first + sweep), SPOTS, st.integers(1, 5).map(float), TENS, TENS
)
ENDLESS = st.builds(lambda p, d: EndlessLine(p, cos(d), sin(d)), SPOTS, st.integers(0, 11).map(lambda n: n * pi / 6))
CURVES = st.one_of(LINES, CIRCLES, ARCS, ENDLESS)


def arc(whole: Circle, *directions: float) -> Any:
    c, r = whole.centre, whole.radius
    return part_of(whole, *(cut_at(whole, Point(c.x + r * cos(radians(d)), c.y + r * sin(radians(d)))) for d in directions))


@given(own=CURVES, others=st.lists(CURVES, max_size=8), far=st.sampled_from([0.0, 1e5]))
def test_nodes_that_are_looked_for_only_where_asked_are_all_that_are_met(own: Any, others: list[Any], far: float) -> None:
    """Compared with every crossing worked out exactly; walked from any place on, both ways."""
    own, *others = (moved(one, far, -far) for one in (own, *others))
    nodes = Nodes(Other.of(("A", 0), own), [Other.of((f"B{n}", 0), one) for n, one in enumerate(others)])
    met = {(f"B{n}", 0): intersect(own, one) for n, one in enumerate(others)}
    every = list(nodes.all())
    assert [node.along for node in every] == sorted(node.along for node in every)
    for id, meeting in met.items():
        with_it = [node.cut.at for node in every if id in node.others]
        for spot in meeting.spots if meeting.how != "coincident" else ():
            assert min((hypot(p.x - spot.at.x, p.y - spot.at.y) for p in with_it), default=9.0) < 1e-9 * max(1.0, far), (id, spot)
        if meeting.how != "coincident":
            assert len(with_it) <= len(meeting.spots)
    if every:
        key = nodes.at(every[0].cut.at)
        walked = []
        while key is not None and key not in walked:
            walked.append(key)
            key = nodes.next(key, True)
        assert len(walked) == len(every)
        assert [nodes.next(key, False) for key in walked[1:]] == walked[:-1]
