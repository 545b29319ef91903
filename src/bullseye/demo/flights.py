"""A recorded flight for the made-up school: flown by the simulator, its laps noted by an instructor who missed one."""

from __future__ import annotations

import gzip
import hashlib
import uuid
from dataclasses import dataclass
from datetime import UTC, date, datetime, time, timedelta
from functools import cache

import numpy as np
from sqlalchemy.orm import Session

from bullseye.demo.fleet import field_files
from bullseye.sim.flight import Flown
from bullseye.sim.recorder import CLEAN, Recorder, record
from bullseye.sim.scenarios import scenario_flight
from bullseye.sim.writers import write
from bullseye.store.flying import laps
from bullseye.store.rows.flying import Sortie
from bullseye.store.rows.people import User
from bullseye.store.rows.tracks import TrackFile

_SEED = 41
_RATE_HZ = 4
_BEGUN = time(14)
_MISSED = 2  # this lap was not noted
_TAP_AFTER_S, _TAP_SD_FT = 7.0, 35.0


@dataclass(frozen=True)
class RecordedFlight:
    """What was flown, and the file a tablet's logger wrote of it."""

    flown: Flown
    raw: bytes


@cache
def recorded_flight(on: date) -> RecordedFlight:
    """The flight of a day."""
    flown = scenario_flight('overshooting', field_data=field_files()['lant'], seed=_SEED, runway='05')
    recorder = Recorder(errors=CLEAN, rate_hz=_RATE_HZ, start=datetime.combine(on, _BEGUN, UTC))
    recording = record(flown, recorder, np.random.default_rng(_SEED))
    return RecordedFlight(flown, gzip.compress(write(recording, 'gpx').encode(), mtime=0))


def add_recorded_flight(db: Session, sortie: Sortie, *, by: User) -> None:
    """Put the flight into the school, to be analysed, and the laps into its sortie as they were tapped."""
    flight = recorded_flight(sortie.planned_on)
    begun = datetime.combine(sortie.planned_on, _BEGUN, UTC)
    rng = np.random.default_rng(_SEED)
    landings = [event for event in flight.flown.events if event['kind'] == 'touchdown']
    for number, event in enumerate(landings):
        off_ft = _TAP_SD_FT * float(rng.normal())
        if number == _MISSED:
            continue
        values = {
            'flown_at': begun + timedelta(seconds=event['time_s'] + _TAP_AFTER_S),
            'outcome': event['then'],
            'along_ft': float(round(event['along_ft'] + off_ft, -1)),
            'known_by': {'along_ft': 'tapped'},
        }
        laps.keep(db, sortie, lap_id=uuid.UUID(bytes=rng.bytes(16), version=4), by=by, values=values)
    db.add(
        TrackFile(
            school_id=sortie.school_id,
            id=uuid.UUID(bytes=rng.bytes(16), version=4),
            name=f'lantern-bay-{sortie.planned_on:%Y-%m-%d}.gpx.gz',
            size=len(flight.raw),
            digest=hashlib.sha256(flight.raw).hexdigest(),
            raw=flight.raw,
            state='waiting',
            progress='waiting for its turn',
            attempts=0,
            format='gpx',
            warnings=[],
            uploaded_by=by.id,
        )
    )
