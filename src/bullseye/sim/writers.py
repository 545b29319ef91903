"""Writes what a simulated recorder has recorded: GPX, IGC, NMEA, CSV, and the truth as JSON."""

from __future__ import annotations

import json
import math
from collections.abc import Iterator
from datetime import UTC, datetime, timedelta
from functools import reduce

from bullseye.sim.recorder import Recording

FORMATS = ('gpx', 'igc', 'nmea', 'csv')
_FT = 0.3048
_KT_MPS = 1852 / 3600


def _moment(recording: Recording, k: int) -> datetime:
    return recording.start.astimezone(UTC) + timedelta(milliseconds=round(float(recording.time_s[k]) * 1_000))


def gpx(recording: Recording) -> str:
    """GPX 1.1, speed and course under the point's extensions."""
    out = [
        '<?xml version="1.0" encoding="UTF-8"?>',
        '<gpx version="1.1" creator="Bullseye simulated recorder" xmlns="http://www.topografix.com/GPX/1/1">',
        '<trk><trkseg>',
    ]
    for k in range(recording.time_s.size):
        time = _moment(recording, k).isoformat(timespec='milliseconds').replace('+00:00', 'Z')
        more = ''
        if recording.speed_kt is not None and recording.course_deg is not None:
            more += (
                f'<speed>{recording.speed_kt[k] * _KT_MPS:.3f}</speed><course>{recording.course_deg[k]:.2f}</course>'
            )
        if recording.airspeed_kt is not None:
            more += f'<airspeed>{recording.airspeed_kt[k] * _KT_MPS:.3f}</airspeed>'
        if recording.heading_deg is not None and recording.pitch_deg is not None and recording.bank_deg is not None:
            more += f'<heading>{recording.heading_deg[k]:.2f}</heading><pitch>{recording.pitch_deg[k]:.2f}</pitch>'
            more += f'<roll>{recording.bank_deg[k]:.2f}</roll>'
        extensions = f'<extensions>{more}</extensions>' if more else ''
        out.append(
            f'<trkpt lat="{recording.lat_deg[k]:.8f}" lon="{recording.lon_deg[k]:.8f}">'
            f'<ele>{recording.height_ft[k] * _FT:.3f}</ele><time>{time}</time>{extensions}</trkpt>'
        )
    out.append('</trkseg></trk></gpx>\n')
    return '\n'.join(out)


def _place(recording: Recording, k: int, digits: int) -> list[tuple[str, int, str]]:
    """Latitude and longitude of a fix: whole degrees, minutes in units of so many digits, letter of the side."""
    found = []
    for degrees, sides, wide in ((recording.lat_deg[k], 'NS', 2), (recording.lon_deg[k], 'EW', 3)):
        # rounded before it is split, so that 60 minutes never appear
        whole, minutes = divmod(round(abs(float(degrees)) * 60 * 10**digits), 60 * 10**digits)
        found.append((f'{whole:0{wide}d}', minutes, sides[0] if degrees >= 0 else sides[1]))
    return found


def igc(recording: Recording) -> str:
    """IGC with more digits of place and time than its oldest form, and the groundspeed."""
    day = recording.start.astimezone(UTC)
    out = ['AXBESIM Bullseye simulated recorder', f'HFDTE{day:%d%m%y}', 'HFFTYFRTYPE:Bullseye,simulated']
    columns, at = [], 36
    for code, wide in (('LAD', 2), ('LOD', 2), ('TDS', 3)) + (
        (('GSP', 5), ('TRT', 5)) if recording.speed_kt is not None else ()
    ):
        columns.append(f'{at:02d}{at + wide - 1:02d}{code}')
        at += wide
    out.append(f'I{len(columns):02d}{"".join(columns)}')
    for k in range(recording.time_s.size):
        moment = _moment(recording, k)
        places = _place(recording, k, 5)
        where = ''.join(f'{whole}{minutes // 100:05d}{side}' for whole, minutes, side in places)
        extra = ''.join(f'{minutes % 100:02d}' for _, minutes, _ in places)
        metres = round(float(recording.height_ft[k]) * _FT)
        height = f'-{-metres:04d}' if metres < 0 else f'{metres:05d}'
        extra += f'{moment.microsecond // 1_000:03d}'
        if recording.speed_kt is not None and recording.course_deg is not None:
            extra += f'{round(float(recording.speed_kt[k]) * 1.852 * 100):05d}'
            extra += f'{round(float(recording.course_deg[k]) * 100) % 36_000:05d}'
        out.append(f'B{moment:%H%M%S}{where}A{height}{height}{extra}')
    return '\r\n'.join(out) + '\r\n'


def _sentence(body: str) -> str:
    return f'${body}*{reduce(lambda a, b: a ^ b, body.encode("ascii"), 0):02X}\r\n'


def nmea_fixes(recording: Recording) -> Iterator[tuple[float, str]]:
    """Sentences fix by fix, with the seconds from the start."""
    for k in range(recording.time_s.size):
        moment = _moment(recording, k)
        clock = f'{moment:%H%M%S}.{moment.microsecond // 1_000:03d}'
        where = ','.join(
            f'{whole}{minutes // 1_000_000:02d}.{minutes % 1_000_000:06d},{side}'
            for whole, minutes, side in _place(recording, k, 6)
        )
        text = _sentence(f'GPGGA,{clock},{where},1,09,0.9,{recording.height_ft[k] * _FT:.3f},M,0.0,M,,')
        speed = course = ''
        if recording.speed_kt is not None and recording.course_deg is not None:
            speed, course = f'{recording.speed_kt[k]:.3f}', f'{recording.course_deg[k]:.2f}'
        text += _sentence(f'GPRMC,{clock},A,{where},{speed},{course},{moment:%d%m%y},,,A')
        if speed:
            text += _sentence(f'GPVTG,{course},T,,M,{speed},N,{float(speed) * 1.852:.3f},K,A')
        yield float(recording.time_s[k]), text


def nmea(recording: Recording) -> str:
    """NMEA 0183: GGA, RMC and VTG for every fix."""
    return ''.join(text for _, text in nmea_fixes(recording))


# Time, latitude, longitude, altitude, groundspeed, course, airspeed, heading, pitch, roll: as tables are headed where
# these languages are spoken, with the separator and the decimal sign that spreadsheets write there [com]
_HEADINGS = {
    'english': (
        *('time', 'latitude', 'longitude', 'altitude (ft)', 'ground speed (kt)', 'course (deg true)'),
        *('airspeed (kt)', 'heading (deg true)', 'pitch (deg)', 'roll (deg)'),
    ),
    'german': (
        *('Uhrzeit', 'Breite', 'Länge', 'Höhe (ft)', 'Geschwindigkeit über Grund (kt)', 'Kurs (°)'),
        *('Fahrt (kt)', 'Steuerkurs (°)', 'Längsneigung (°)', 'Querneigung (°)'),
    ),
    'french': (
        *('Heure', 'Latitude', 'Longitude', 'Altitude (ft)', 'Vitesse sol (kt)', 'Route (°)'),
        *('Vitesse air (kt)', 'Cap (°)', 'Assiette (°)', 'Inclinaison (°)'),
    ),
    'spanish': (
        *('Hora', 'Latitud', 'Longitud', 'Altitud (ft)', 'Velocidad sobre el suelo (kt)', 'Derrota (°)'),
        *('Velocidad aérea (kt)', 'Rumbo (°)', 'Cabeceo (°)', 'Alabeo (°)'),
    ),
    # of a language that nobody foresaw, so that only what the columns hold can tell
    'unknown': ('aika', 'leveys', 'pituus', 'korkeus', 'nopeus', 'suunta', 'ilma', 'nokka', 'kallistus', 'vino'),
}
LANGUAGES = tuple(_HEADINGS)


def csv(recording: Recording, *, language: str = 'english', separator: str = ',', decimal: str = '.') -> str:
    """A table with named columns and their units."""
    columns = [
        ('{:.8f}', recording.lat_deg),
        ('{:.8f}', recording.lon_deg),
        ('{:.2f}', recording.height_ft),
        ('{:.3f}', recording.speed_kt),
        ('{:.2f}', recording.course_deg),
        ('{:.2f}', recording.airspeed_kt),
        ('{:.2f}', recording.heading_deg),
        ('{:.2f}', recording.pitch_deg),
        ('{:.2f}', recording.bank_deg),
    ]
    first, *names = _HEADINGS[language]
    there = {name: (form, values) for name, (form, values) in zip(names, columns, strict=True) if values is not None}
    out = [separator.join([first, *there])]
    for k in range(recording.time_s.size):
        time = _moment(recording, k).isoformat(timespec='milliseconds').replace('+00:00', 'Z')
        cells = [form.format(values[k]).replace('.', decimal) for form, values in there.values()]
        out.append(separator.join([time, *cells]))
    return '\n'.join(out) + '\n'


def write(recording: Recording, format: str, *, language: str = 'english') -> str:
    """The recording in one of the formats; a table headed in a language, with the decimal sign written there."""
    if format == 'csv' and language != 'english':
        return csv(recording, language=language, separator=';', decimal=',')
    return {'gpx': gpx, 'igc': igc, 'nmea': nmea, 'csv': csv}[format](recording)


def truth(recording: Recording) -> str:
    """What truly happened, as JSON; numbers that do not exist are null."""

    def plain(value: object) -> object:
        if isinstance(value, float):
            return round(value, 4) if math.isfinite(value) else None
        return value

    events = []
    for event in recording.truth['events']:
        moment = recording.start + timedelta(seconds=event['time_s'])
        events.append(
            {'time': moment.isoformat(timespec='milliseconds').replace('+00:00', 'Z')}
            | {name: plain(value) for name, value in event.items()}
        )
    return json.dumps({**recording.truth, 'events': events}, indent=2) + '\n'
