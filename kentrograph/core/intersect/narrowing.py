"""Narrowing a zero that is known to lie between two numbers."""

from collections.abc import Callable

ROUNDS = 90


def zero_between(
    value: Callable[[float], float], low: float, high: float, below: float, above: float, rounds: int = ROUNDS
) -> float:
    """The place between ``low`` and ``high`` where a function changes sign; ``below`` and ``above`` are its values there.

    Method: false position, each end that stays halved in weight (Dowell and Jarratt, BIT 11, 1971: the Illinois
    algorithm), with a halving every third time, so that it never takes longer than halving would.

    >>> zero_between(lambda x: x * x - 2.0, 0.0, 2.0, -2.0, 2.0)
    1.4142135623730951
    """
    t = 0.5 * (low + high)
    for n in range(rounds):
        middle = 0.5 * (low + high)
        if not low < middle < high:
            break
        t = low - below * (high - low) / (above - below) if n % 3 != 2 else middle
        if not low < t < high:
            t = middle
        here = value(t)
        if here == 0.0:
            break
        if (here > 0.0) == (below > 0.0):
            low, below = t, here
            above *= 0.5
        else:
            high, above = t, here
            below *= 0.5
    return t


def newton_between(
    value_and_slope: Callable[[float], tuple[float, float]], low: float, high: float, start: float, sign: int
) -> float:
    """The same by Newton's method, halved wherever a step would leave the bounds; ``sign`` is that of the function at ``low``.

    >>> round(newton_between(lambda x: (2.0 - x * x, -2.0 * x), 0.0, 2.0, 1.0, 1), 12)
    1.414213562373
    """
    t = start
    for _ in range(ROUNDS):
        value, slope = value_and_slope(t)
        if value == 0.0:
            break
        if (value > 0.0) == (sign > 0):
            low = t
        else:
            high = t
        better = t - value / slope if slope != 0.0 else low
        if not low < better < high:
            better = 0.5 * (low + high)
        if better in (low, high, t):
            break
        t = better
    return t
