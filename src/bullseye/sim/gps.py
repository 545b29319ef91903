"""A simulated receiver: NMEA sentences over TCP, at the flight's own pace or faster."""

from __future__ import annotations

import socket
import time
from collections.abc import Callable

from bullseye.sim.recorder import Recording
from bullseye.sim.writers import nmea_fixes


def listen(host: str, port: int) -> socket.socket:
    """A socket that waits for readers.

    :raises OSError: when the port is taken
    """
    server = socket.create_server((host, port))
    server.listen(4)
    return server


def stream(
    server: socket.socket, recording: Recording, *, speed: float, wait: Callable[[float], None] = time.sleep
) -> int:
    """Send the recording once to the first reader that comes; the number of fixes it took.

    A fix is sent at its moment divided by ``speed``. A reader that goes away ends it.
    """
    reader, _ = server.accept()
    sent = 0
    with reader:
        begin = time.monotonic()
        first = float(recording.time_s[0]) if recording.time_s.size else 0.0
        for at_s, text in nmea_fixes(recording):
            ahead = (at_s - first) / speed - (time.monotonic() - begin)
            if ahead > 0:
                wait(ahead)
            try:
                reader.sendall(text.encode('ascii'))
            except OSError:
                break
            sent += 1
    return sent
