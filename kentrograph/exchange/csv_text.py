"""Rows as CSV: lines end as RFC 4180, section 2, has it."""

import csv
from collections.abc import Iterable, Sequence
from io import StringIO


def csv_text(*tables: Iterable[Sequence[str]]) -> str:
    """Tables of rows, apart by an empty line."""
    out = StringIO(newline="")
    writer = csv.writer(out, lineterminator="\r\n")
    for n, table in enumerate(tables):
        if n:
            out.write("\r\n")
        writer.writerows(table)
    return out.getvalue()
