"""Turning: by an angle, or so that one direction becomes another."""

from ...figures.similarity import rotation
from ...measure.angle import at_corner
from ..kind import GivenSpec
from .carrying import about

KIND = about(
    "turn",
    "turned",
    rotation,
    lambda centre, start, end: rotation(centre, at_corner(start, centre, end)),
    GivenSpec("by", "turn", "how far; counter-clockwise, negative is clockwise"),
    ("in the direction that is turned", "in the direction"),
    explanation="turn about a place, by an angle or from one direction to another",
    examples=(
        ("turn L2 about P1 by 30", "by an angle; its name goes with it"),
        ("L9 = turn L2 about P1 from P2 to P3 keeping", "so that one direction becomes another; the original stays"),
    ),
)
