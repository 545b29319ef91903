"""Where things are: the checkout, and the folder of data."""

from __future__ import annotations

import hashlib
import os
import shutil
from pathlib import Path

ROOT = Path(__file__).resolve().parents[3]
VENV = ROOT / '.venv'
PYTHON = VENV / 'bin' / 'python'
WEB = ROOT / 'web'
DEBIAN_PYTHON = Path('/usr/bin/python3')
# of Debian, for the tests: the first draws the same pages for less than half the work
WIDE_FONT = Path('/usr/share/fonts/truetype/dejavu/DejaVuSans.ttf')  # of Debian's fonts-dejavu-core, for paper
# of fonts-droid-fallback, for Chinese, Japanese and Korean names on paper
EAST_ASIAN_FONT = Path('/usr/share/fonts-droid-fallback/truetype/DroidSansFallback.ttf')
CHROMIUM = ('chromium-headless-shell', 'chromium')
SMALLEST_FREE_BYTES = 500_000_000


def data_folder() -> Path:
    """Folder of database, keys and settings.

    ``BULLSEYE_DATA`` names it. Else it is ``.data`` in the checkout; but root's database runs as another user, who
    may not be able to reach the checkout, so root's is under /var/lib, and ``.data/where`` keeps the way to it.
    """
    if named := os.environ.get('BULLSEYE_DATA'):
        return Path(named).resolve()
    local = ROOT / '.data'
    if os.geteuid() != 0:
        return local
    note = local / 'where'
    if note.exists():
        return Path(note.read_text(encoding='utf-8').strip())
    folder = Path('/var/lib/bullseye') / hashlib.sha256(str(ROOT).encode()).hexdigest()[:12]
    local.mkdir(exist_ok=True)
    note.write_text(f'{folder}\n', encoding='utf-8')
    return folder


def chromium() -> str | None:
    """The program that the browser tests drive; None when it is not installed."""
    return next((found for name in CHROMIUM if (found := shutil.which(name))), None)
