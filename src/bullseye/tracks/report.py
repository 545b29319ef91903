"""What was found, as plain data and as a table for the terminal."""

from __future__ import annotations

import csv
import io
import math
from collections.abc import Mapping, Sequence
from typing import TYPE_CHECKING, Any

import numpy as np

from bullseye.core.basis.constants import FT_PER_M
from bullseye.tracks.events import EVENT_COLUMNS, Event, FlightReport, WindFound, flat_event, iso, plain_report
from bullseye.tracks.track import Floats

if TYPE_CHECKING:  # who only shows what was found need not load the analysis
    from bullseye.tracks.analyse import Analysis


def report_of(analysis: Analysis) -> FlightReport:
    """All that an analysis found, as it is kept and told."""
    track = analysis.track
    return FlightReport(
        format=track.format,
        device=track.device,
        fixes=track.count,
        from_s=float(track.time_s[0]),
        to_s=float(track.time_s[-1]),
        events=analysis.events,
        laps=analysis.laps,
        wind=tuple(
            WindFound(
                from_s=wind.from_s,
                to_s=wind.to_s,
                from_deg_true=wind.from_deg_true,
                speed_kt=wind.speed_kt,
                uncertainty_kt=1.96 * wind.sd_kt,
                turns=wind.turns,
                source=wind.source,
            )
            for wind in analysis.winds
        ),
        warnings=tuple(analysis.warnings),
        held_aloft=analysis.held,
    )


def as_dict(analysis: Analysis) -> dict[str, Any]:
    """The whole of an analysis as plain data for the command line, its events flat."""
    plain = plain_report(report_of(analysis))
    return {**plain, 'events': [flat_event(event) for event in plain['events']]}


def flat_events(report: FlightReport) -> list[dict[str, Any]]:
    """The events of a report as plain data, for files and tables."""
    return [flat_event(event) for event in plain_report(report)['events']]


_WORDS = {'takeoff': 'takeoff', 'touchdown': 'touchdown', 'go_around': 'go-around', 'low_approach': 'low approach'}
_THEN = {'full_stop': 'full stop', 'touch_and_go': 'touch-and-go', 'stop_and_go': 'stop-and-go'}


def as_text(analysis: Analysis) -> str:
    """A table of the events, the winds and the warnings."""
    rows: list[tuple[str, ...]] = [
        ('time UTC', 'what', 'runway', 'from threshold', 'from spot', '±', 'speed', 'sink', 'float', 'then')
    ]
    rows += [_row(event) for event in analysis.events]
    widths = [max(len(row[k]) for row in rows) for k in range(len(rows[0]))]
    lines = ['  '.join(cell.ljust(width) for cell, width in zip(row, widths, strict=True)).rstrip() for row in rows]
    if len(rows) == 1:
        lines = ['No takeoff, landing or go-around found.']
    for wind in analysis.winds:
        lines.append(
            f'Wind by the {wind.source} from {iso(wind.from_s)[11:16]} to {iso(wind.to_s)[11:16]}: '
            f'{wind.from_deg_true:03.0f}° true, {wind.speed_kt:.0f} kt ± {1.96 * wind.sd_kt:.0f}'
        )
    lines += [f'Note: {words}' for words in analysis.warnings]
    return '\n'.join(lines)


def _row(event: Event) -> tuple[str, ...]:
    def ft(value: float | None, *, signed: bool = False) -> str:
        return '' if value is None else f'{value:+,.0f} ft' if signed else f'{value:,.0f} ft'

    where = f'{event.field} {event.runway or ""}'.strip() if event.field else 'no known runway'
    return (
        iso(event.time_s)[11:21],
        _WORDS[event.kind],
        where,
        ft(event.along_ft),
        ft(event.from_spot_ft, signed=True),
        ft(event.uncertainty_ft),
        '' if event.groundspeed_kt is None else f'{event.groundspeed_kt:.0f} kt',
        '' if event.sink_fpm is None else f'{event.sink_fpm:.0f} ft/min',
        '' if event.hold_off.float_ft is None else f'{event.hold_off.float_ft:,.0f} ft, {event.hold_off.float_s:.1f} s',
        _THEN[event.then] if event.then else '',
    )


def events_csv(events: Sequence[Mapping[str, Any]]) -> str:
    """Events, as a report has them, as a table: a column for each thing known of one."""
    out = io.StringIO()
    writer = csv.DictWriter(out, EVENT_COLUMNS)
    writer.writeheader()
    writer.writerows(events)
    return out.getvalue()


def cleaned_gpx(analysis: Analysis) -> str:
    """The cleaned track as GPX 1.1; its heights are above the sea where they could be tied to a runway."""
    track = analysis.track
    height_ft = np.where(np.isfinite(analysis.height_ft), analysis.height_ft, track.height_ft)
    return gpx_of(time_s=track.time_s, lat_deg=track.lat_deg, lon_deg=track.lon_deg, height_ft=height_ft)


def gpx_of(*, time_s: Floats, lat_deg: Floats, lon_deg: Floats, height_ft: Floats) -> str:
    """A track as GPX 1.1. Source: [pub: GPX 1.1 schema documentation]."""
    out = [
        '<?xml version="1.0" encoding="UTF-8"?>',
        '<gpx version="1.1" creator="Bullseye" xmlns="http://www.topografix.com/GPX/1/1"><trk><trkseg>',
    ]
    for k in range(time_s.size):
        height = f'<ele>{height_ft[k] / FT_PER_M:.2f}</ele>' if math.isfinite(height_ft[k]) else ''
        out.append(
            f'<trkpt lat="{lat_deg[k]:.8f}" lon="{lon_deg[k]:.8f}">{height}<time>{iso(float(time_s[k]))}</time></trkpt>'
        )
    return '\n'.join([*out, '</trkseg></trk></gpx>\n'])


def events_geojson(events: Sequence[Mapping[str, Any]]) -> dict[str, Any]:
    """Events, as a report has them, as points [pub: RFC 7946]."""
    features = []
    for event in events:
        properties = dict(event)
        place = [properties.pop('longitude_deg'), properties.pop('latitude_deg')]
        features.append(
            {'type': 'Feature', 'geometry': {'type': 'Point', 'coordinates': place}, 'properties': properties}
        )
    return {'type': 'FeatureCollection', 'features': features}
