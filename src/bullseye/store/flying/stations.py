"""The weather station that the operator names: asked for the report of a field."""

from __future__ import annotations

import http.client
import io
import os
import socket
import time
import urllib.error
import urllib.request
from typing import Any, cast

from bullseye.core.basis.errors import BullseyeError
from bullseye.core.basis.unknown import known_or

_PATIENCE_S = 3.0  # [own] for the whole reply, however it trickles in
_LONGEST = 600


class NoReport(BullseyeError):
    """No report could be had; the text says why."""

    code = 'no_report'


class _InTime(io.RawIOBase):
    """What comes from a socket until an hour is reached; each part may take what is left, and no more."""

    def __init__(self, sock: socket.socket, until_s: float) -> None:
        self._sock, self._until_s = sock, until_s
        self._raw = sock.makefile('rb', buffering=0)  # holds the connection open until it is read

    def readable(self) -> bool:
        """It can be read."""
        return True

    def readinto(self, buffer: Any) -> int:
        """Read some, in the time that is left."""
        left_s = self._until_s - time.monotonic()
        if left_s <= 0:
            raise TimeoutError('timed out')
        self._sock.settimeout(left_s)
        return known_or(self._raw.readinto(buffer), 0)

    def close(self) -> None:
        """Let the connection go."""
        self._raw.close()
        super().close()

    def makefile(self, _mode: str) -> io.BufferedReader:
        """As a response asks a socket for what it reads from."""
        return io.BufferedReader(self)


class _Response(http.client.HTTPResponse):
    def __init__(self, sock: socket.socket, *arguments: Any, **more: Any) -> None:
        super().__init__(cast(socket.socket, _InTime(sock, time.monotonic() + _PATIENCE_S)), *arguments, **more)


class _Plain(urllib.request.HTTPHandler):
    class _Connection(http.client.HTTPConnection):
        response_class = _Response

    def http_open(self, req: urllib.request.Request) -> http.client.HTTPResponse:
        """Open an address whose answer comes in time."""
        return self.do_open(self._Connection, req)


class _Secret(urllib.request.HTTPSHandler):
    class _Connection(http.client.HTTPSConnection):
        response_class = _Response

    def https_open(self, req: urllib.request.Request) -> http.client.HTTPResponse:
        """Open an address whose answer comes in time."""
        return self.do_open(self._Connection, req)


_OPENER = urllib.request.build_opener(_Plain, _Secret)


def station_address() -> str | None:
    """Where the station is; None when the operator named none. Never taken from a user."""
    return os.environ.get('BULLSEYE_WEATHER_URL') or None


def latest(ident: str) -> str | None:
    """The latest report of a field as one line of text; None when no station is named.

    :raises NoReport: when the station does not answer in time, or not with a report
    """
    base = station_address()
    if base is None:
        return None
    if not (ident.isascii() and ident.isalnum()):
        raise NoReport(f'{ident} is no station')
    try:
        with _OPENER.open(f'{base.rstrip("/")}/metar/{ident}', timeout=_PATIENCE_S) as answer:
            raw = answer.read(_LONGEST + 1)
            if answer.length and len(raw) <= _LONGEST:  # half a report reads like a whole one
                raise http.client.IncompleteRead(raw, answer.length)
            text = str(raw, 'ascii')
    except urllib.error.HTTPError as error:
        error.close()
        raise NoReport(f'The weather station has no report for {ident} (it answers {error.code}).') from None
    except UnicodeDecodeError:
        raise NoReport('The weather station sent something that is no report.') from None
    except (http.client.HTTPException, OSError, ValueError) as error:
        why = 'it took too long' if isinstance(error, TimeoutError) else 'its answer broke off or cannot be read'
        if isinstance(error, urllib.error.URLError):
            why = 'it cannot be reached'
        raise NoReport(f'The weather station does not answer: {why}.') from None
    line = text.strip()
    if not line or len(line) > _LONGEST or not line.isprintable():
        raise NoReport('The weather station sent something that is no report.')
    return line
