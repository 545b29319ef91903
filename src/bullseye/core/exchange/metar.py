"""Reading a METAR; the parsing itself is the ``metar`` package's."""

from __future__ import annotations

import warnings
from dataclasses import dataclass
from datetime import datetime, timedelta

from metar.Metar import Metar, ParserError

from bullseye.core.basis.errors import InvalidInput

_OLD = timedelta(hours=2)
_LONGEST = 600


@dataclass(frozen=True, slots=True, kw_only=True)
class Report:
    """What a METAR says; None where it says nothing. The wind is by its true direction, None when variable or calm."""

    text: str
    station: str | None
    observed_at: datetime | None
    wind_dir_deg_true: float | None
    wind_kt: float | None
    gust_kt: float | None
    temperature_c: float | None
    dew_point_c: float | None
    qnh_hpa: float | None
    missing: tuple[str, ...]
    warnings: tuple[str, ...]


def read_metar(text: str, *, now: datetime, station: str | None = None) -> Report:
    """Read a METAR, as it was reported at some time before ``now`` (with a zone).

    :param station: the one expected; another is used, with a warning
    :raises InvalidInput: naming the part that cannot be read
    """
    cleaned = ' '.join(text.replace('=', ' ').split()).upper()
    if not cleaned or len(cleaned) > _LONGEST:
        raise InvalidInput('metar', text[:40], f'one METAR of up to {_LONGEST} characters')
    found = _parsed(cleaned, now)
    if found.wind_speed is None and found.temp is None and found.press is None:
        raise InvalidInput('metar', cleaned[:80], 'a report with wind, temperature or pressure; enter them by hand')
    observed_at = None if found.time is None else found.time.replace(tzinfo=now.tzinfo)
    wind_kt = _value(found.wind_speed, 'KT')
    values = {
        'wind': wind_kt,
        'temperature': _value(found.temp, 'C'),
        'pressure': _value(found.press, 'HPA'),
    }
    return Report(
        text=cleaned,
        station=found.station_id,
        observed_at=observed_at,
        wind_dir_deg_true=found.wind_dir.value() if found.wind_dir is not None and wind_kt else None,
        wind_kt=wind_kt,
        gust_kt=_value(found.wind_gust, 'KT'),
        temperature_c=values['temperature'],
        dew_point_c=_value(found.dewpt, 'C'),
        qnh_hpa=values['pressure'],
        missing=tuple(name for name, value in values.items() if value is None),
        warnings=tuple(_warnings(found, observed_at, now=now, station=station)),
    )


def _parsed(text: str, now: datetime) -> Metar:
    """Parse with the month of ``now``, or the one before it when the day has not come yet."""
    last_month = now.replace(day=1) - timedelta(days=1)
    try:
        for when in (now, last_month):
            with warnings.catch_warnings():
                warnings.simplefilter('error')
                found = Metar(text, month=when.month, year=when.year)
            if found.time is None or found.time.replace(tzinfo=now.tzinfo) <= now + timedelta(days=1):
                return found
    except (ParserError, RuntimeWarning) as error:
        said = str(error).split(' while processing')[0]
        raise InvalidInput('metar', text[:80], f'a METAR ({said}); or enter the weather by hand') from None
    return found


def _value(quantity: object, unit: str) -> float | None:
    """A value in our unit, to a tenth: no report tells more, and screens show the very figure that is used."""
    return None if quantity is None else round(float(quantity.value(unit)), 1)  # type: ignore[attr-defined]


def _warnings(found: Metar, observed_at: datetime | None, *, now: datetime, station: str | None) -> list[str]:
    said = []
    if station and found.station_id and found.station_id != station.upper():
        said.append(f'METAR of {found.station_id}, not of {station.upper()}: the wind here may differ.')
    if observed_at is None:
        said.append('METAR without a time: its age is unknown.')
    elif now - observed_at > _OLD:
        hours = (now - observed_at).total_seconds() / 3600
        said.append(f'METAR {hours:.0f} hours old: look at the sock.')
    elif observed_at - now > timedelta(minutes=30):
        said.append('METAR from the future: check its time.')
    return said
