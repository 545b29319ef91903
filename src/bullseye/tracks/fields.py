"""The runways a track may have used, each landing direction with its axes on the earth."""

from __future__ import annotations

from collections.abc import Mapping, Sequence
from dataclasses import dataclass
from datetime import date
from typing import Any

import numpy as np

from bullseye.core.air.geo import RunwayFrame
from bullseye.core.exchange.geojson import airfield_from_geojson, thresholds_from_geojson
from bullseye.core.given.airfield import RunwayEnd
from bullseye.tracks.track import Floats


@dataclass(frozen=True, slots=True, kw_only=True)
class Runway:
    """One landing direction of a known field."""

    field: str  # its ident
    field_name: str | None
    end: RunwayEnd
    frame: RunwayFrame
    pattern_altitude_ft: float | None

    @property
    def half_width_ft(self) -> float:
        """From the centreline to the edge."""
        return self.end.width_ft / 2

    def surface_ft(self, along_ft: Floats) -> Floats:
        """Elevation of the pavement above sea level along the runway, level beyond its ends."""
        end = self.end
        inside = np.clip(along_ft, -end.displaced_threshold_ft, end.landing_distance_available_ft)
        # the elevation of an end is that of its pavement; the landing threshold lies further in
        found: Floats = end.elevation_ft + (inside + end.displaced_threshold_ft) * end.slope_pct / 100
        return found

    @property
    def name(self) -> str:
        """Field and runway, as people say it."""
        return f'{self.field} {self.end.ident}'


def runways_of(data: Mapping[str, Any], *, on: date) -> list[Runway]:
    """The landing directions of a field given as GeoJSON.

    :raises InvalidInput: naming the wrong member
    """
    airfield = airfield_from_geojson(data, on=on)
    return [
        Runway(
            field=airfield.ident,
            field_name=airfield.name,
            end=end,
            frame=RunwayFrame(threshold_lat_deg=lat, threshold_lon_deg=lon, course_deg_true=end.course_deg_true),
            pattern_altitude_ft=airfield.pattern_altitude_ft,
        )
        for end, lat, lon in thresholds_from_geojson(data, airfield)
    ]


def near(runways: Sequence[Runway], *, lat_deg: Floats, lon_deg: Floats, within_ft: float = 20_000.0) -> list[Runway]:
    """Those runways that the track comes near."""
    found = []
    for runway in runways:
        along, lateral = runway.frame.locate_all(lat_deg=lat_deg[::10], lon_deg=lon_deg[::10])
        if np.any(np.hypot(along, lateral) < within_ft + runway.end.length_ft):
            found.append(runway)
    return found
