"""The made-up aircraft and fields as a school of its own may have them, to begin with."""

from __future__ import annotations

from dataclasses import asdict

from sqlalchemy.orm import Session

from bullseye.demo.fleet import AIRCRAFT, FIELDS
from bullseye.store.equipment import catalogue
from bullseye.store.rows.equipment import Aircraft, Airfield, RunwayEnd
from bullseye.store.rows.people import School


def add_fleet(db: Session, school: School) -> None:
    """Give a school the made-up aircraft and fields."""
    for aircraft in AIRCRAFT.values():
        db.add(Aircraft(school_id=school.id, name=aircraft.name, spec=catalogue.spec_of(aircraft)))
    for field in FIELDS:
        airfield = Airfield(
            school_id=school.id,
            name=field.name,
            ident=field.ident,
            is_fictional=True,
            elevation_ft=field.elevation_ft,
            pattern_altitude_ft=field.pattern_altitude_ft,
            marks=[asdict(mark) for mark in field.marks],
        )
        db.add(airfield)
        db.flush()
        for end, lat_deg, lon_deg in field.ends:
            db.add(
                RunwayEnd(
                    school_id=school.id,
                    airfield_id=airfield.id,
                    ident=end.ident,
                    threshold_lat_deg=lat_deg,
                    threshold_lon_deg=lon_deg,
                    spec=catalogue.spec_of(end),
                )
            )
        db.flush()
