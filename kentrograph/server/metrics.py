"""What is counted, in the text format that scrapers read (OpenMetrics and the one before it), on a port of its own.

Several workers count in files of a folder that they share, which the environment names; a request gets the sums.
"""

import os
from collections.abc import Iterable, Iterator
from contextlib import contextmanager
from pathlib import Path
from time import perf_counter

from prometheus_client import REGISTRY, CollectorRegistry, Counter, Gauge, Histogram, start_http_server
from prometheus_client.metrics_core import Metric
from prometheus_client.multiprocess import MultiProcessCollector, mark_process_dead

SHARED = "PROMETHEUS_MULTIPROC_DIR"
"""The variable of the environment that names the folder; the library's own."""
_SECONDS = (0.005, 0.01, 0.025, 0.05, 0.1, 0.2, 0.3, 0.5, 1.0, 2.0, 5.0, 10.0, 30.0)

REQUESTS = Counter("kentrograph_requests", "Requests answered", ["asked", "status"])
REQUEST_SECONDS = Histogram("kentrograph_request_seconds", "How long requests took", ["asked"], buckets=_SECONDS)
CHANGES = Counter("kentrograph_changes", "Changes of drawings, by what became of them", ["outcome"])
CHANGE_SECONDS = Histogram("kentrograph_change_seconds", "From a change's coming to its being kept", buckets=_SECONDS)
READ_SECONDS = Histogram("kentrograph_read_seconds", "From an open line's coming to its being read", buckets=_SECONDS)
TABLES = Gauge("kentrograph_tables", "Tables that are open", multiprocess_mode="livesum")
FAULTS = Counter("kentrograph_faults", "What the server could not do by a fault of its own")


@contextmanager
def changing() -> Iterator[None]:
    """Around one change."""
    begun = perf_counter()
    try:
        yield
    except Exception:
        CHANGES.labels("refused").inc()
        raise
    CHANGES.labels("kept").inc()
    CHANGE_SECONDS.observe(perf_counter() - begun)


class _Living(MultiProcessCollector):
    """The sums of all workers; what those had open that are gone counts no more."""

    def collect(self) -> Iterable[Metric]:
        """All that is counted, as it is now."""
        for file in Path(os.environ[SHARED]).glob("gauge_live*_*.db"):
            process = file.stem.rpartition("_")[2]
            if not Path("/proc", process).exists():
                mark_process_dead(int(process))  # type: ignore[no-untyped-call]
        found: Iterable[Metric] = super().collect()  # type: ignore[no-untyped-call]
        return found


def serve_metrics(port: int) -> None:
    """Answers on loopback from a thread of its own. Raises `OSError` where the port cannot be had."""
    registry = REGISTRY
    if SHARED in os.environ:
        registry = CollectorRegistry()
        registry.register(_Living(None))  # type: ignore[no-untyped-call]
    start_http_server(port, "127.0.0.1", registry)
