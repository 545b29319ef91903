"""Reading track files: the kind is told by what is in the file, never by its name."""

from __future__ import annotations

import zlib

from bullseye.tracks.readers.columns import Columns
from bullseye.tracks.readers.csvdetect import detect, has_figures
from bullseye.tracks.readers.csvtrack import read_csv
from bullseye.tracks.readers.device import read_device
from bullseye.tracks.readers.gpx import read_gpx
from bullseye.tracks.readers.igc import looks_like_igc, read_igc
from bullseye.tracks.readers.nmea import looks_like_nmea, read_nmea
from bullseye.tracks.track import MOST_BYTES, Format, Track, UnreadableTrack

__all__ = ['Columns', 'Track', 'UnreadableTrack', 'as_text', 'beginning', 'looks_like', 'read_track', 'unpacked']

# [own] limits and habits of reading
_GZIP = b'\x1f\x8b'
_HEAD = 4_096
_LOOKED_AT = 200_000


def unpacked(data: bytes) -> bytes:
    """The bytes of a file, gunzipped when need be.

    :raises UnreadableTrack: when there are more than 50 MB of them, packed or not, or the packing is broken
    """
    if len(data) > MOST_BYTES:
        raise UnreadableTrack('the file is larger than 50 MB')
    if not data.startswith(_GZIP):
        return data
    machine = zlib.decompressobj(wbits=31)
    try:
        plain = machine.decompress(data, MOST_BYTES + 1)
    except zlib.error:
        raise UnreadableTrack('the file is packed with gzip, but broken') from None
    if len(plain) > MOST_BYTES:
        raise UnreadableTrack('unpacked, the file is larger than 50 MB')
    if not machine.eof:
        raise UnreadableTrack('the file is packed with gzip, but cut off')
    return plain


def beginning(data: bytes) -> bytes:
    """The first of the bytes of a file, gunzipped when need be: enough to tell its kind, however large it unpacks.

    :raises UnreadableTrack: when it is larger than 50 MB as it is, or its packing is broken at the beginning
    """
    if len(data) > MOST_BYTES:
        raise UnreadableTrack('the file is larger than 50 MB')
    if not data.startswith(_GZIP):
        return data[:_LOOKED_AT]
    machine = zlib.decompressobj(wbits=31)
    try:
        plain = machine.decompress(data[:_LOOKED_AT], _LOOKED_AT)
    except zlib.error:
        raise UnreadableTrack('the file is packed with gzip, but broken') from None
    if len(data) <= _LOOKED_AT and len(plain) < _LOOKED_AT and not machine.eof:
        raise UnreadableTrack('the file is packed with gzip, but cut off')
    return plain


def as_text(data: bytes) -> str:
    """Text of a file by its byte order mark, else UTF-8, else Latin-1."""
    if data.startswith((b'\xff\xfe', b'\xfe\xff')):
        return data.decode('utf-16', errors='replace')
    try:
        return data.decode('utf-8-sig')
    except UnicodeDecodeError:
        return data.decode('latin-1')


def read_track(data: bytes, *, columns: Columns | None = None) -> Track:
    """Read a track file of any kind: GPX 1.0 or 1.1, IGC, NMEA 0183, CSV, positions of a tablet; plain or gzipped.

    :param columns: what the columns of a CSV file mean, where the guess was corrected by hand
    :raises UnreadableTrack: saying what is wrong with it
    """
    plain = unpacked(data)
    kind = _kind(plain)
    if kind == 'gpx':
        return read_gpx(plain)
    if kind == 'device':
        return read_device(plain)
    text = as_text(plain)
    if kind == 'nmea':
        return read_nmea(text)
    return read_igc(text) if kind == 'igc' else read_csv(text, columns=columns)


def _kind(plain: bytes) -> Format:
    start = plain[:_HEAD].lstrip(b'\xef\xbb\xbf\xff\xfe\x00 \t\r\n')
    if not start and not plain.strip(b'\x00 \t\r\n'):
        raise UnreadableTrack('the file is empty')
    if b'<' in start[:2]:
        return 'gpx'
    if start[:1] == b'{':
        return 'device'
    text = as_text(plain[:_LOOKED_AT])
    if looks_like_nmea(text[:_HEAD]):
        return 'nmea'
    return 'igc' if looks_like_igc(text) else 'csv'


def looks_like(data: bytes) -> Format:
    """What kind of track a file looks like, by its beginning: the rest is the worker's to read.

    :raises UnreadableTrack: when it plainly is none
    """
    plain = beginning(data)
    kind = _kind(plain)
    if kind == 'csv':
        text = as_text(plain)
        try:
            detect(text)
        except UnreadableTrack:
            if not has_figures(text):
                raise
    return kind
