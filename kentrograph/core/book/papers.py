"""Sizes of paper, in mm as the sheet stands upright."""

PAPERS: dict[str, tuple[float, float]] = {
    # ISO 216: 2007, trimmed sizes of the A series. From memory.
    "a4": (210.0, 297.0), "a3": (297.0, 420.0), "a2": (420.0, 594.0), "a1": (594.0, 841.0), "a0": (841.0, 1189.0),
    # ANSI/ASME Y14.1, sizes A to E, in inches 8.5 x 11, 11 x 17, 17 x 22, 22 x 34, 34 x 44. From memory.
    "ansi_a": (215.9, 279.4), "ansi_b": (279.4, 431.8), "ansi_c": (431.8, 558.8), "ansi_d": (558.8, 863.6),
    "ansi_e": (863.6, 1117.6),
}  # fmt: skip

SCALES = (
    *((factor, 1) for factor in (50, 20, 10, 5, 2)),
    *((1, factor) for factor in (1, 2, 5, 10, 20, 50, 100, 200, 500, 1000, 2000, 5000, 10000)),
)  # fmt: skip
"""Scales, paper : nature, the largest first. Source: ISO 5455: 1979, recommended scales, from memory."""
IMPERIAL_SCALES = ((1, 1), (1, 2), (1, 4), (1, 8), (1, 12), (1, 16), (1, 24), (1, 32), (1, 48), (1, 96), (1, 192), (1, 384))
"""Scales where the unit is the inch or the foot: halves, and inches to the foot. *Common practice*."""


def scales_for(unit: str) -> list[float]:
    """The scales of a drawing in a unit of length, the largest first."""
    return [a / b for a, b in (IMPERIAL_SCALES if unit in ("in", "ft", "yd") else SCALES)]


def scale_words(scale: float) -> str:
    """A scale as it is written: ``1:5``, ``2:1``.

    >>> scale_words(0.2), scale_words(2.0), scale_words(0.4)
    ('1:5', '2:1', '1:2.5')
    """
    larger = scale if scale >= 1.0 else 1.0 / scale
    said = f"{larger:.6g}"
    return f"{said}:1" if scale > 1.0 else f"1:{said}"
