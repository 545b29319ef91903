"""When the school was last backed up, as the folder tells that ``./bullseye up`` writes backups to."""

from __future__ import annotations

from dataclasses import dataclass
from datetime import UTC, datetime, timedelta
from pathlib import Path

_OLD = timedelta(hours=36)  # a daily backup that has been missed once


@dataclass(frozen=True, slots=True, kw_only=True)
class LastBackup:
    """The newest backup; ``is_seen`` is False where this server does not see any being made."""

    is_seen: bool
    made_at: datetime | None = None
    size: int | None = None
    kept: int = 0
    is_old: bool = False


def last_backup(folder: str, *, now: datetime) -> LastBackup:
    """Look at a folder of backups; '' stands for none that is known."""
    if not folder:
        return LastBackup(is_seen=False)
    try:
        files = sorted(
            ((one.stat().st_mtime, one.stat().st_size) for one in Path(folder).glob('bullseye-school-*.tar')),
        )
    except OSError:
        files = []
    if not files:
        return LastBackup(is_seen=True, is_old=True)
    made_at = datetime.fromtimestamp(files[-1][0], UTC)
    return LastBackup(is_seen=True, made_at=made_at, size=files[-1][1], kept=len(files), is_old=now - made_at > _OLD)
