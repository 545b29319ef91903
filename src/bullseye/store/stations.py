"""The weather station that the operator names: asked for the report of a field."""

from __future__ import annotations

import os
import urllib.error
import urllib.request

from bullseye.core.basis.errors import BullseyeError

_PATIENCE_S = 3.0
_LONGEST = 600


class NoReport(BullseyeError):
    """No report could be had; the text says why."""

    code = 'no_report'


def station_address() -> str | None:
    """Where the station is; None when the operator named none. Never taken from a user."""
    return os.environ.get('BULLSEYE_WEATHER_URL') or None


def latest(ident: str) -> str | None:
    """The latest report of a field as one line of text; None when no station is named.

    :raises NoReport: when the station does not answer, or not with a report
    """
    base = station_address()
    if base is None:
        return None
    if not ident.isalnum():
        raise NoReport(f'{ident} is no station')
    try:
        with urllib.request.urlopen(f'{base.rstrip("/")}/metar/{ident}', timeout=_PATIENCE_S) as answer:  # noqa: S310
            text = str(answer.read(_LONGEST + 1), 'ascii')
    except (urllib.error.URLError, OSError, UnicodeDecodeError) as error:
        raise NoReport(f'the weather station does not answer ({error})') from None
    line = text.strip()
    if not line or len(line) > _LONGEST or '\n' in line:
        raise NoReport('the weather station sent no report')
    return line
