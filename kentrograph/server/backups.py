"""A backup once a day, by a process of its own: nobody waits for it."""

import asyncio
import logging
import sys
from datetime import datetime, timedelta
from pathlib import Path

log = logging.getLogger("kentrograph")
KEPT = 14
LOOKS = 600.0
"""Seconds between two looks whether one is due: several workers, or one that was started anew, make no second one."""


async def back_up_daily(folder: Path) -> None:
    """Writes a dated file as soon as there is none of today, until cancelled; the newest ones are kept."""
    while True:
        try:
            await _if_due(folder)
        except OSError as error:
            log.error("no backup could be written to %s: %s", folder, error.strerror or error)
        await asyncio.sleep(LOOKS)


async def _if_due(folder: Path) -> None:
    folder.mkdir(parents=True, exist_ok=True)
    file = folder / f"kentrograph-{datetime.now():%Y-%m-%d}.zip"
    if file.exists():
        return
    command = (sys.executable, "-m", "kentrograph.cli", "backup", str(file))
    process = await asyncio.create_subprocess_exec(*command, stdout=asyncio.subprocess.DEVNULL, stderr=asyncio.subprocess.PIPE)
    _, said = await process.communicate()
    if process.returncode:
        log.error("no backup was made: %s", said.decode(errors="replace").strip()[-500:])
        return
    for old in sorted(folder.glob("kentrograph-????-??-??.zip"))[:-KEPT]:
        old.unlink()
    for part in folder.glob("*.part"):
        if datetime.now() - datetime.fromtimestamp(part.stat().st_mtime) > timedelta(days=1):
            part.unlink()
