"""A server of its own for a benchmark: ./bullseye up in a throw-away data folder."""

import os
import re
import shutil
import signal
import subprocess
import sys
import tempfile
from collections.abc import Iterator
from contextlib import contextmanager
from pathlib import Path

ROOT = Path(__file__).resolve().parents[1]


@contextmanager
def serving(port: int) -> Iterator[str]:
    """Run the demo school on a port and give its address."""
    folder = Path(tempfile.mkdtemp(prefix='bullseye-bench-'))
    folder.chmod(0o755)  # PostgreSQL, which does not run as root, must be able to reach it
    command = [sys.executable, str(ROOT / 'bullseye'), 'up', '--port', str(port)]
    environment = os.environ | {'BULLSEYE_DATA': str(folder)}
    with subprocess.Popen(command, env=environment, stdout=subprocess.PIPE, text=True) as running:
        try:
            assert running.stdout is not None
            for line in running.stdout:
                if re.search('student +owen', line):
                    break
            yield f'http://127.0.0.1:{port}'
        finally:
            running.send_signal(signal.SIGINT)
            running.wait(timeout=30)
            shutil.rmtree(folder, ignore_errors=True)
