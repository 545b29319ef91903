"""Simulated flights for the tests: flown once for a simulator, whoever asks, and kept."""

from __future__ import annotations

import fcntl
import hashlib
import json
import pickle
import shutil
import sys
from collections.abc import Callable
from contextlib import suppress
from dataclasses import replace
from datetime import date
from functools import cache
from pathlib import Path
from typing import Any

import numpy as np

import bullseye.sim
from bullseye.core.air.geo import RunwayFrame
from bullseye.core.exchange.geojson import airfield_to_geojson
from bullseye.demo.fleet import field_files
from bullseye.launch.places import ROOT
from bullseye.sim.air import Wind
from bullseye.sim.flight import Flight, Flown
from bullseye.sim.ground import read_ground
from bullseye.sim.pilot import Aeroplane, LapPlan, Student
from bullseye.sim.recorder import CLEAN, GNSS, Recorder, Recording, record
from bullseye.sim.scenarios import any_field, any_flight, scenario_flight
from bullseye.sim.writers import write
from bullseye.tracks.analyse import Analysis, analyse
from bullseye.tracks.events import Event
from bullseye.tracks.fields import Runway, runways_of
from bullseye.tracks.known import Known
from bullseye.tracks.readers import read_track
from tests.core.scene import COURSE_DEG_TRUE, LATITUDE_DEG, LONGITUDE_DEG, WIND_FROM_DEG_TRUE, WIND_KT, scene

DAY = date(2026, 5, 14)
LANTERN = field_files()['lant']


@cache
def flown(scenario: str, seed: int = 3, field: str = 'lant', runway: str | None = None) -> Flown:
    return flown_at(field_files()[field], scenario, seed=seed, runway=runway)


def flown_at(field_data: dict[str, Any], scenario: str, *, seed: int, runway: str | None = None) -> Flown:
    """A flight at any field."""
    return kept(
        [scenario, field_data, seed, runway],
        lambda: scenario_flight(scenario, field_data=field_data, seed=seed, runway=runway),
    )


@cache
def scene_field() -> dict[str, Any]:
    """The field of tests/core/scene.py: both ends displaced differently, a slope, a right pattern."""
    end = scene().runway
    other = replace(
        end,
        ident='10',
        course_deg_true=(COURSE_DEG_TRUE + 180) % 360,
        elevation_ft=end.elevation_ft + end.slope_pct / 100 * (end.length_ft - end.displaced_threshold_ft),
        slope_pct=-end.slope_pct,
        displaced_threshold_ft=0.0,
        pattern_side='left',
        obstacle=None,
        departure_obstacle=None,
    )
    frame = RunwayFrame(
        threshold_lat_deg=LATITUDE_DEG, threshold_lon_deg=LONGITUDE_DEG, course_deg_true=end.course_deg_true
    )
    far_lat_deg, far_lon_deg = frame.place(along_ft=end.length_ft - end.displaced_threshold_ft)[:2]
    return airfield_to_geojson(
        name='High and sloping',
        ident='HIGH',
        elevation_ft=end.elevation_ft,
        pattern_altitude_ft=end.elevation_ft + 1_100,
        ends=[(end, LATITUDE_DEG, LONGITUDE_DEG), (other, far_lat_deg, far_lon_deg)],
    )


@cache
def scene_flight(*, gust_sd_kt: float = 1.5) -> Flown:
    """Three laps there, in its wind from the left."""
    field, wind = scene_field(), Wind(from_deg_true=WIND_FROM_DEG_TRUE, speed_kt=WIND_KT, gust_sd_kt=gust_sd_kt)
    laps = [
        LapPlan(end=end, runway='28', aim_ft=aim_ft)
        for end, aim_ft in (('touch_and_go', 610.0), ('touch_and_go', 420.0), ('full_stop', 530.0))
    ]

    def fly() -> Flown:
        student = Student(drift_spread_kt=1.6, crab_left=0.4)
        rng = np.random.default_rng(28)
        flight = Flight(read_ground(field), wind=wind, aeroplane=Aeroplane(), student=student, rng=rng)
        flight.start_on_apron('28')
        return flight.fly(laps)

    return kept(['scene', field, gust_sd_kt], fly)


@cache
def made_up(seed: int, *, laps: int = 4) -> Flown:
    return kept(['any', seed, laps], lambda: any_flight(seed, laps=laps))


@cache
def kept_flight(seed: int, **habits: bool) -> Flown:
    """A flight of one kind, by the options of :func:`any_flight`."""
    return kept(['any', seed, habits], lambda: any_flight(seed, **habits))


@cache
def _folder() -> Path:
    """Where flights are kept: another one when the simulator, or what it computes with, has changed."""
    digest = hashlib.sha256(sys.version.encode() + (ROOT / 'requirements' / 'dev.txt').read_bytes())
    for file in sorted(Path(bullseye.sim.__file__).parent.glob('*.py')):
        digest.update(file.read_bytes())
    found = ROOT / '.data' / 'flights' / digest.hexdigest()[:16]
    found.mkdir(parents=True, exist_ok=True)
    for other in found.parent.iterdir():
        if other != found:
            shutil.rmtree(other, ignore_errors=True)
    return found


def kept(asked: list[Any], fly: Callable[[], Flown]) -> Flown:
    """A flight as it was flown the first time; processes side by side fly it once between them."""
    file = _folder() / hashlib.sha256(json.dumps(asked).encode()).hexdigest()[:24]
    with file.open('a+b') as kept:
        fcntl.flock(kept, fcntl.LOCK_EX)  # whoever comes second waits for the first
        kept.seek(0)
        with suppress(EOFError, pickle.UnpicklingError):  # empty: not flown yet, or cut off while it was written
            found: Flown = pickle.load(kept)  # noqa: S301  (our own)
            return found
        flight = fly()
        kept.truncate(0)
        pickle.dump(flight, kept)
    return flight


def recorded(flight: Flown, *, seed: int = 1, gnss: bool = True, **options: Any) -> Recording:
    recorder = Recorder(errors=GNSS if gnss else CLEAN, **options)
    return record(flight, recorder, np.random.default_rng(seed))


def runways(flight: Flown) -> list[Runway]:
    return runways_of(flight.ground.geojson, on=DAY)


def analysed(flight: Flown, recording: Recording, *, form: str = 'gpx', known: Known | None = None) -> Analysis:
    """Through a file and back, as a user's track comes."""
    return analyse(read_track(write(recording, form).encode()), runways(flight), known=known)


def of_kind(analysis: Analysis, kind: str) -> list[Event]:
    return [event for event in analysis.events if event.kind == kind]


def truths(flight: Flown, kind: str) -> list[dict[str, Any]]:
    return [event for event in flight.events if event['kind'] == kind]


__all__ = ['CLEAN', 'DAY', 'GNSS', 'LANTERN', 'any_field']
