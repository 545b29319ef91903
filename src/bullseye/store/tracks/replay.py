"""One lap of a recorded flight, as it is drawn again."""

from __future__ import annotations

from typing import Any

from sqlalchemy.orm import Session

from bullseye.store.errors import Conflict, NotFound
from bullseye.store.rows.tracks import TrackFile
from bullseye.store.tracks import measuring
from bullseye.tracks.events import FlightReport, iso
from bullseye.tracks.fields import Runway
from bullseye.tracks.flightlog import FlightLog, on_runway, unpack

_HALF_THE_NUMBERS = 18  # each runway has one number up to this, and one above
_BEFORE_S = 5.0
_AFTER_S = 30.0  # the rollout, or the climb away


def kept_of(row: TrackFile) -> tuple[FlightReport, FlightLog]:
    """Report and columns of a flight.

    :raises Conflict: when it has not been analysed
    """
    if row.log is None:
        raise Conflict('this track has not been analysed')
    return measuring.report_of(row), unpack(row.log)


def _drawn(one: Runway, on: Runway) -> dict[str, Any] | None:
    """Another runway on the axes of the one in use; None for the same pavement, and for its other direction."""
    start_ft = -one.end.displaced_threshold_ft
    places = [one.frame.place(along_ft=feet) for feet in (start_ft, start_ft + one.end.length_ft)]
    begins, ends = (on.frame.locate(lat_deg=lat, lon_deg=lon) for lat, lon in places)
    off_ft = max(abs(begins[1]), abs(ends[1]))
    digits = ''.join(filter(str.isdigit, one.end.ident))
    number = int(digits) if digits else 0
    if off_ft < on.end.width_ft / 2 or number > _HALF_THE_NUMBERS:
        return None
    return {'begins': begins, 'ends': ends, 'width_ft': one.end.width_ft}


def lap_of(db: Session, row: TrackFile, number: int) -> dict[str, Any]:
    """A lap on the axes of its runway, from a little before its beginning until it has rolled out or climbed away.

    :raises NotFound: when the flight has no such lap
    :raises Conflict: when its runway is gone, or the flight has not been analysed
    """
    report, log = kept_of(row)
    lap = next((one for one in report.laps if one.number == number), None)
    if lap is None:
        raise NotFound('lap')
    of_field = [one for one in measuring.runways(db) if one.field == lap.field]
    runway = next((one for one in of_field if one.end.ident == lap.runway), None)
    if runway is None:
        raise Conflict(f'{lap.field} {lap.runway} is not one of the school’s runways any more: analyse again')
    part = log.between(lap.from_s - _BEFORE_S, lap.to_s + _AFTER_S)
    threshold_ft = float(runway.surface_ft(0.0))  # type: ignore[arg-type]
    return {
        'number': number,
        'runway': runway.end,
        'zero': iso(lap.to_s),
        'others': [drawn for one in of_field if (drawn := _drawn(one, runway)) is not None],
        **on_runway(part, runway.frame, elevation_ft=threshold_ft, zero_s=lap.to_s),
    }
