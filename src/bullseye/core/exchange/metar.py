"""Reading a METAR; the parsing itself is the ``metar`` package's.

Everything a report says is used, or told as not used; a group that cannot be read takes no other with it.
"""

from __future__ import annotations

import re
import warnings
from collections.abc import Iterable
from dataclasses import dataclass
from datetime import datetime, timedelta

from metar.Metar import Metar, ParserError

from bullseye.core.basis.errors import InvalidInput
from bullseye.core.basis.kinds import SurfaceState, WeatherHazard
from bullseye.core.basis.unknown import known_or

# [own] unless it says otherwise: limits of what is read, and when the weather is worth a word
_OLD = timedelta(hours=2)
_LONGEST = 600
_TRENDS = re.compile(r'\s(NOSIG|TEMPO|BECMG|INTER|PROB\d\d)\b')
_TEMPERATURES = re.compile(r'\s(M?-?\d{1,2}(?:\.\d)?)/(M?-?\d{1,2}(?:\.\d)?|//|XX)?(?=\s|$)')
_HALF_READ = re.compile(r'^[AQ](?=.*/)[\d/]{3,4}$')  # a pressure of which digits are missing
_ABOVE_99_KT = re.compile(r'\b(\d{3}|VRB)?P(\d{2,3})(G\d{2,3})?(KT|MPS|KMH)\b')
_COLOUR = re.compile(r'\s((?:BLACK)?(?:BLU\+?|WHT|GRN|YLO[12]?|AMB|RED))\b')
_UNPARSED = re.compile(r"Unparsed groups in body '(.*?)'$", re.DOTALL)
_CLOUD_LAYERS = ('BKN', 'OVC', 'VV')
_DESCRIPTOR_WORDS = {
    'MI': 'shallow',
    'PR': 'partial',
    'BC': 'patches of',
    'DR': 'low drifting',
    'BL': 'blowing',
    'SH': 'showers of',
    'TS': 'thunderstorm with',
    'FZ': 'freezing',
}
_PHENOMENON_WORDS = {
    'DZ': 'drizzle',
    'RA': 'rain',
    'SN': 'snow',
    'SG': 'snow grains',
    'IC': 'ice crystals',
    'PL': 'ice pellets',
    'GR': 'hail',
    'GS': 'small hail',
    'UP': 'precipitation of unknown kind',
    'BR': 'mist',
    'FG': 'fog',
    'FU': 'smoke',
    'VA': 'volcanic ash',
    'DU': 'dust',
    'SA': 'sand',
    'HZ': 'haze',
    'PY': 'spray',
    'PO': 'dust whirls',
    'SQ': 'squalls',
    'FC': 'funnel cloud',
    'SS': 'sandstorm',
    'DS': 'dust storm',
}
# [own] of a trend, worth a word to a pattern lesson whatever the school's own minima
_LATER_VISIBILITY_M = 5_000.0
_LATER_CEILING_FT = 1_500.0
_LATER_WIND_KT = 20.0
_WET = ('DZ', 'RA', 'UP')
_FROZEN = ('SN', 'SG', 'IC', 'PL', 'GR', 'GS')


@dataclass(frozen=True, slots=True, kw_only=True)
class Report:
    """What a METAR says; None where it says nothing. The wind is by its true direction, None when variable or calm.

    A range of directions runs clockwise. ``ceiling_ft`` is the lowest broken or overcast layer above the field;
    ``surface_state`` is what precipitation makes of a runway; ``later`` are the hazards of the trend.
    """

    text: str
    station: str | None
    observed_at: datetime | None
    wind_dir_deg_true: float | None
    wind_range_from_deg_true: float | None
    wind_range_to_deg_true: float | None
    wind_kt: float | None
    gust_kt: float | None
    temperature_c: float | None
    dew_point_c: float | None
    qnh_hpa: float | None
    visibility_m: float | None
    ceiling_ft: float | None
    weather: tuple[str, ...]
    hazards: tuple[WeatherHazard, ...]
    later: tuple[WeatherHazard, ...]
    trend: str | None
    surface_state: SurfaceState | None
    missing: tuple[str, ...]
    not_used: tuple[str, ...]
    warnings: tuple[str, ...]


@dataclass(frozen=True, slots=True)
class _Text:
    """A report taken apart before it is parsed."""

    body: str
    trend: str | None
    remarks: str | None
    temperatures_c: tuple[float | None, float | None]
    left_out: tuple[str, ...]  # groups that say they know nothing, or only half


def read_metar(text: str, *, now: datetime, station: str | None = None) -> Report:
    """Read a METAR, as it was reported at some time before ``now`` (with a zone).

    :param station: the one expected; another is used, with a warning
    :raises InvalidInput: when it holds no wind, temperature or pressure that can be read
    """
    cleaned = ' '.join(text.replace('=', ' ').split()).upper()
    if not cleaned or len(cleaned) > _LONGEST:
        raise InvalidInput('metar', text[:40], f'one METAR of up to {_LONGEST} characters')
    if re.match(r'TAF\b', cleaned):
        raise InvalidInput('metar', cleaned[:80], 'a METAR: this is a forecast (TAF)')
    parts = _taken_apart(cleaned)
    found, unread = _parsed(parts.body, now)
    temperature_c, dew_point_c = parts.temperatures_c
    wind_kt, qnh_hpa = _value(found.wind_speed, 'KT'), _value(found.press, 'HPA')
    if wind_kt is None and temperature_c is None and qnh_hpa is None:
        raise InvalidInput('metar', cleaned[:80], 'a report with wind, temperature or pressure; enter them by hand')
    observed_at = None if found.time is None else found.time.replace(tzinfo=now.tzinfo)
    gust_kt = _value(found.wind_gust, 'KT')
    gust_is_less = gust_kt is not None and wind_kt is not None and gust_kt < wind_kt
    values = {'wind': wind_kt, 'temperature': temperature_c, 'pressure': qnh_hpa}
    said = [*_warnings(found, observed_at, now=now, station=station)]
    said += ['The gust of the METAR is less than its wind, and is left out: look at the sock.'] if gust_is_less else []
    said += ['Wind above 99 kt: do not fly.'] if _ABOVE_99_KT.search(cleaned) else []
    said += ['The height of the cloud is not reported.'] if _hides_its_height(found) else []
    said += [f'"{" ".join(unread)}" of the METAR cannot be read and is left out: check it.'] if unread else []
    return Report(
        text=cleaned,
        station=found.station_id,
        observed_at=observed_at,
        wind_dir_deg_true=found.wind_dir.value() if found.wind_dir is not None and wind_kt else None,
        wind_range_from_deg_true=_direction(found.wind_dir_from) if wind_kt else None,
        wind_range_to_deg_true=_direction(found.wind_dir_to) if wind_kt else None,
        wind_kt=wind_kt,
        gust_kt=None if gust_is_less else gust_kt,
        temperature_c=temperature_c,
        dew_point_c=dew_point_c,
        qnh_hpa=qnh_hpa,
        visibility_m=_value(found.vis, 'M'),
        ceiling_ft=_ceiling_ft(found),
        weather=tuple(_weather_words(found.weather)),
        hazards=_hazards(found),
        later=_later(parts, now),
        trend=parts.trend,
        surface_state=_surface_state(found),
        missing=tuple(name for name, value in values.items() if value is None),
        not_used=tuple(_not_used(found, parts)),
        warnings=tuple(said),
    )


def _taken_apart(text: str) -> _Text:
    """Split off trend and remarks, and take out what the parser would stumble over."""
    body, _, remarks = text.partition(' RMK')
    at = _TRENDS.search(body)
    trend = None if at is None or at[1] == 'NOSIG' else body[at.start() :].strip()
    body = body if at is None else body[: at.start()]
    found = _TEMPERATURES.search(body)
    temperatures_c = (None, None) if found is None else (_celsius(found[1]), _celsius(found[2]))
    body = _TEMPERATURES.sub('', body)
    body = _ABOVE_99_KT.sub(r'\1\2\3\4', body)
    groups = body.split()
    empty = [one for one in groups if set(one) == {'/'} or _HALF_READ.match(one) or one.strip('/') in ('KT', 'Q', 'A')]
    kept = [one for one in groups if one not in empty and one not in ('$', 'AUTO', 'COR', 'NIL')]
    # a pressure of which digits are missing is missing itself: the usual report names what it lacks
    return _Text(' '.join(kept), trend, remarks.strip() or None, temperatures_c, tuple(empty))


def _celsius(text: str | None) -> float | None:
    if not text or text in ('//', 'XX'):
        return None
    return float(text.replace('M', '-').replace('--', '-')) + 0.0


def _parsed(text: str, now: datetime) -> tuple[Metar, list[str]]:
    """Parse with the month of ``now``, or the one before it when the day has not come yet; with what was not read."""
    last_month = now.replace(day=1) - timedelta(days=1)
    unread: list[str] = []
    for _ in range(len(text.split())):
        try:
            for when in (now, last_month):
                with warnings.catch_warnings():
                    warnings.simplefilter('error')
                    found = Metar(text, month=when.month, year=when.year)
                if found.time is None or found.time.replace(tzinfo=now.tzinfo) <= now + timedelta(days=1):
                    break
            return found, unread
        except (ParserError, RuntimeWarning) as error:
            said = str(error).split(' while processing')[0]
            groups = _UNPARSED.search(said)
            if groups is None:
                raise InvalidInput('metar', text[:80], f'a METAR ({said}); or enter the weather by hand') from None
            odd = groups[1].split()
            unread += odd
            text = ' '.join(one for one in text.split() if one not in odd)
        except (ValueError, TypeError, AttributeError, IndexError):
            # the parser meets some malformed groups with Python's own errors
            break
    raise InvalidInput('metar', text[:80], 'a METAR; or enter the weather by hand')


def _value(quantity: object, unit: str) -> float | None:
    """A value in our unit, to a tenth: no report tells more, and screens show the very figure that is used."""
    return None if quantity is None else round(float(quantity.value(unit)), 1)  # type: ignore[attr-defined]


def _direction(quantity: object) -> float | None:
    return None if quantity is None else float(quantity.value()) % 360 or 360.0  # type: ignore[attr-defined]


def _ceiling_ft(found: Metar) -> float | None:
    """Height of the lowest broken or overcast layer, or into an obscured sky [ft]; None without one."""
    heights = [_value(height, 'FT') for cover, height, _ in found.sky if cover in _CLOUD_LAYERS]
    known = [height for height in heights if height is not None]
    return min(known) if known else None


def _hides_its_height(found: Metar) -> bool:
    return any(cover in ('BKN', 'OVC') and height is None for cover, height, _ in found.sky)


def _codes(weather: Iterable[tuple[str | None, ...]]) -> list[tuple[str, str, list[str]]]:
    """Each phenomenon as intensity, descriptor and the two-letter codes of what falls or obscures."""
    found = []
    for intensity, descriptor, *kinds in weather:
        letters = ''.join(kind or '' for kind in kinds)
        codes = [letters[i : i + 2] for i in range(0, len(letters), 2)]
        found.append((intensity or '', descriptor or '', [code for code in codes if code in _PHENOMENON_WORDS]))
    return found


def _weather_words(weather: Iterable[tuple[str | None, ...]]) -> Iterable[str]:
    """Weather in words: ``light showers of rain``, ``fog in the vicinity``."""
    for intensity, descriptor, codes in _codes(weather):
        what = ' and '.join(_PHENOMENON_WORDS[code] for code in codes)
        how = _DESCRIPTOR_WORDS.get(descriptor, '')
        if descriptor in ('TS', 'SH') and not what:
            how = {'TS': 'thunderstorm', 'SH': 'showers'}[descriptor]
        strength = {'-': 'light', '+': 'heavy'}.get(intensity.strip(), '')
        words = ' '.join(part for part in (strength, how, what) if part)
        if words:
            yield f'{words} in the vicinity' if 'VC' in intensity else words


def _of_weather(weather: Iterable[tuple[str | None, ...]]) -> set[WeatherHazard]:
    said: set[WeatherHazard] = set()
    for intensity, descriptor, codes in _codes(weather):
        if descriptor == 'TS':
            said.add('thunderstorm')
        if 'FG' in codes and descriptor not in ('MI', 'BC', 'PR') and 'VC' not in intensity:
            said.add('fog')
        if 'FG' in codes and (descriptor in ('MI', 'BC', 'PR') or 'VC' in intensity):
            said.add('fog_near')
        if descriptor == 'FZ' or {'PL', 'IC'} & set(codes):
            said.add('freezing')
        if '+' in intensity and {*_WET, *_FROZEN} & set(codes):
            said.add('heavy_precipitation')
        if {*_FROZEN} & set(codes):
            said.add('snow_or_hail')
        if {'SQ', 'FC'} & set(codes):
            said.add('squall')
        if {'VA', 'SS', 'DS', 'PO', 'SA'} & set(codes):
            said.add('dust_or_ash')
    return said


def _hazards(found: Metar) -> tuple[WeatherHazard, ...]:
    said = _of_weather(found.weather)
    if any(kind in ('CB', 'TCU') for _, _, kind in found.sky):
        said.add('towering_cloud')
    if found.windshear:
        said.add('windshear')
    if any(cover == 'VV' and height is None for cover, height, _ in found.sky):
        said.add('sky_hidden')
    return tuple(sorted(said))


def _later(parts: _Text, now: datetime) -> tuple[WeatherHazard, ...]:
    """Hazards of the trend: its groups read as a report of their own."""
    if parts.trend is None:
        return ()
    said: set[WeatherHazard] = set()
    for one in re.split(r'\b(?:TEMPO|BECMG|INTER|PROB\d\d)\b', parts.trend):
        groups = ' '.join(group for group in one.split() if not re.match(r'(FM|TL|AT)\d{4}$|\d{4}/\d{4}$', group))
        if not groups:
            continue
        try:
            found, _ = _parsed(f'ZZZZ {now:%d%H%M}Z {groups}', now)
        except InvalidInput:
            continue
        said |= set(_hazards(found))
        visibility_m, ceiling_ft = _value(found.vis, 'M'), _ceiling_ft(found)
        if visibility_m is not None and visibility_m < _LATER_VISIBILITY_M:
            said.add('low_visibility')
        if ceiling_ft is not None and ceiling_ft < _LATER_CEILING_FT:
            said.add('low_cloud')
        if _value(found.wind_gust, 'KT') is not None or known_or(_value(found.wind_speed, 'KT'), 0) >= _LATER_WIND_KT:
            said.add('strong_wind')
    return tuple(sorted(said))


def _surface_state(found: Metar) -> SurfaceState | None:
    """What falls now makes the runway wet, or white; None where nothing falls on it."""
    for intensity, descriptor, codes in _codes(found.weather):
        if 'VC' in intensity:
            continue
        if (descriptor == 'FZ' and {*_WET} & set(codes)) or {*_FROZEN} & set(codes):
            return 'snow_or_ice'
    for intensity, _, codes in _codes([*found.weather, *found.recent]):
        if 'VC' not in intensity and {*_WET} & set(codes):
            return 'wet'
    return None


def _not_used(found: Metar, parts: _Text) -> Iterable[str]:
    """What a report tells that no figure is worked out from."""
    if found.runway:
        yield 'visual range along the runway'
    if parts.left_out:
        yield f'empty groups ({" ".join(dict.fromkeys(parts.left_out))})'
    if parts.remarks:
        yield f'remarks ({parts.remarks})'
    if colour := _COLOUR.search(parts.body):
        yield f'colour state ({colour[1]})'
    if found.recent:
        yield f'recent weather ({", ".join(_weather_words(found.recent))}), but for a wet runway'
    if any(cover in ('FEW', 'SCT') for cover, _, _ in found.sky):
        yield 'few or scattered cloud'
    if parts.temperatures_c[1] is not None:
        yield 'dew point'


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
