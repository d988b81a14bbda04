"""Prints the table, and keeps it in docs/benchmark.md."""

import os
import platform
import sys
from pathlib import Path

from benchmarks import checks, core, edits, files, shaping, sheet, snapping, touching

KEPT = Path(__file__).resolve().parents[1] / "docs" / "benchmark.md"


def main() -> int:
    """Runs everything."""
    rows = [
        *core.rows(),
        *touching.rows(),
        *snapping.snap_rows(),
        *edits.edit_rows(),
        *shaping.shaping_rows(),
        *checks.check_rows(),
        *sheet.sheet_rows(),
        *files.file_rows(),
    ]
    model = next((line.split(":")[1].strip() for line in _cpu() if line.startswith("model name")), platform.machine())
    lines = [
        "# Benchmark",
        "",
        "Made by `./bench`: fixed seeds, ratios within one run (of the round with the median one). The last run:",
        "",
        f"{model}, {os.cpu_count()} cores · Python {platform.python_version()} · {platform.system()} {platform.release()}",
        "",
        "| what | measured | ratio | bar |",
        "|---|---|---|---|",
        *(f"| {' | '.join(row)} |" for row in rows),
    ]
    text = "\n".join(lines) + "\n"
    KEPT.write_text(text, encoding="utf-8")
    print(text)
    return 1 if "MISSED" in text else 0


def _cpu() -> list[str]:
    try:
        return Path("/proc/cpuinfo").read_text(encoding="utf-8").splitlines()
    except OSError:
        return []


if __name__ == "__main__":
    sys.exit(main())
