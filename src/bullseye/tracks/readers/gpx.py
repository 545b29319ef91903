"""GPX 1.1 and 1.0 [pub: GPX 1.1 schema documentation], with the speed and course that extensions carry."""

from __future__ import annotations

import io
from collections.abc import Sequence
from dataclasses import dataclass, field

import numpy as np
from lxml import etree

from bullseye.core.basis.constants import FPS_PER_KT, FT_PER_M
from bullseye.tracks.readers.times import iso_seconds
from bullseye.tracks.track import Floats, Track, UnreadableTrack, make_track

# What may stand anywhere under a point, by local name: GPX 1.0 puts speed and course beside the height, the usual
# extensions of 1.1 under ``extensions``. Speeds are metres a second in all of them.
_NUMBERS = {
    'ele': 'height',
    'speed': 'speed',
    'course': 'course',
    'airspeed': 'airspeed',
    'heading': 'heading',
    'pitch': 'pitch',
    'roll': 'bank',
    'bank': 'bank',
}
_MPS_TO_KT = FT_PER_M / FPS_PER_KT


def _number(text: str | None) -> float:
    try:
        return float(text) if text else float('nan')
    except ValueError:
        return float('nan')


@dataclass
class _Points:
    """Points as they come out of the file."""

    lats: list[str] = field(default_factory=list)
    lons: list[str] = field(default_factory=list)
    times: list[str] = field(default_factory=list)
    # by name: which points have one, and what it says; most files have few of them
    columns: dict[str, tuple[list[int], list[str | None]]] = field(
        default_factory=lambda: {name: ([], []) for name in set(_NUMBERS.values())}
    )
    count: int = 0
    untimed: int = 0
    segments: int = 0

    def take(self, point: etree._Element) -> None:
        """Note one track point."""
        self.count += 1
        time, told = None, []
        for child in point.iter():
            name = child.tag.rpartition('}')[2]
            if name == 'time':
                time = child.text
            elif name in _NUMBERS:
                told.append((_NUMBERS[name], child.text))
        if time is None:
            self.untimed += 1
            return
        for name, text in told:
            rows, texts = self.columns[name]
            rows.append(len(self.times))
            texts.append(text)
        self.lats.append(point.get('lat', ''))
        self.lons.append(point.get('lon', ''))
        self.times.append(time)

    def column(self, name: str, factor: float = 1.0) -> Floats:
        """A column in the units of a track."""
        rows, texts = self.columns[name]
        values = np.full(len(self.times), np.nan)
        values[rows] = _figures(texts)
        return values * factor


def _walk(data: bytes, points: _Points) -> etree._Element:
    """Read all points; the root element of the file.

    :raises lxml.etree.XMLSyntaxError: when the file ends or breaks before its end
    """
    walker = etree.iterparse(
        io.BytesIO(data),
        events=('end',),
        tag=('{*}trkpt', '{*}trkseg'),
        resolve_entities=False,
        no_network=True,
        load_dtd=False,
        huge_tree=False,
        remove_comments=True,
        remove_pis=True,
    )
    for _, element in walker:
        if element.tag.endswith('trkseg'):
            points.segments += 1
            continue
        points.take(element)
        element.clear()
        while element.getprevious() is not None:
            del element.getparent()[0]
    return walker.root


def read_gpx(data: bytes) -> Track:
    """Read the track points of a GPX file, all its tracks and segments one after the other.

    No entity is resolved, nothing is fetched, and a file with a document type of its own is refused.

    :raises UnreadableTrack: when it is no XML, no GPX, or has no track points with a time
    """
    if b'<!DOCTYPE' in data or b'<!ENTITY' in data:
        raise UnreadableTrack('the file declares a document type or entities, which no track needs: refused')
    points, device, warnings = _Points(), None, []
    try:
        root = _walk(data, points)
    except etree.XMLSyntaxError as error:
        if not points.times:
            raise UnreadableTrack(f'the file begins like XML but cannot be read: {error.msg}') from None
        warnings.append('the file is cut off: what came before the break was read')
    else:
        if root.tag.rpartition('}')[2] != 'gpx':
            raise UnreadableTrack(f'the file is XML, but not GPX: its first element is <{root.tag[:60]}>')
        if root.getroottree().docinfo.doctype:
            raise UnreadableTrack('the file declares a document type, which no track needs: refused')
        device = (root.get('creator') or '').strip()[:80] or None
    if not points.count:
        raise UnreadableTrack('the GPX file holds no track points')
    if not points.times:
        raise UnreadableTrack('the track points of the GPX file have no times')
    if points.untimed:
        warnings.append(f'{points.untimed} points without a time were left out')
    if points.segments > 1:
        warnings.append(f'{points.segments} segments were read as one track')
    return make_track(
        format='gpx',
        device=device,
        warnings=tuple(warnings),
        time_s=iso_seconds(points.times),
        lat_deg=_figures(points.lats),
        lon_deg=_figures(points.lons),
        height_ft=points.column('height', FT_PER_M),
        speed_kt=points.column('speed', _MPS_TO_KT),
        course_deg_true=points.column('course'),
        airspeed_kt=points.column('airspeed', _MPS_TO_KT),
        heading_deg_true=points.column('heading'),
        pitch_deg=points.column('pitch'),
        bank_deg=points.column('bank'),
    )


def _figures(texts: Sequence[str | None]) -> Floats:
    try:
        return np.array(texts, dtype=float)
    except (ValueError, TypeError):
        return np.array([_number(text) for text in texts])
