"""Simulated flights for the tests: flown once a run, whoever asks."""

from __future__ import annotations

import fcntl
import os
import pickle
from collections.abc import Callable
from datetime import date
from functools import cache
from pathlib import Path
from typing import Any

import numpy as np

from bullseye.demo.fleet import field_files
from bullseye.sim.flight import Flown
from bullseye.sim.recorder import CLEAN, GNSS, Recorder, Recording, record
from bullseye.sim.scenarios import any_field, any_flight, scenario_flight
from bullseye.sim.writers import write
from bullseye.tracks.analyse import Analysis, Known, analyse
from bullseye.tracks.events import Event
from bullseye.tracks.fields import Runway, runways_of
from bullseye.tracks.readers import read_track

DAY = date(2026, 5, 14)
LANTERN = field_files()['lant']


@cache
def flown(scenario: str, seed: int = 3, field: str = 'lant', runway: str | None = None) -> Flown:
    return _shared(
        f'{scenario}-{seed}-{field}-{runway}',
        lambda: scenario_flight(scenario, field_data=field_files()[field], seed=seed, runway=runway),
    )


@cache
def made_up(seed: int) -> Flown:
    return _shared(f'any-{seed}', lambda: any_flight(seed))


def _shared(name: str, fly: Callable[[], Flown]) -> Flown:
    """A flight that the processes which run the tests side by side fly once between them."""
    folder = os.environ.get('BULLSEYE_TEST_FOLDER')
    if not folder:
        return fly()
    file = Path(folder) / f'flight-{name}'
    with file.open('a+b') as kept:
        fcntl.flock(kept, fcntl.LOCK_EX)  # whoever comes second waits for the first
        kept.seek(0)
        if packed := kept.read():
            found: Flown = pickle.loads(packed)  # noqa: S301  (our own, of this run)
            return found
        flight = fly()
        kept.write(pickle.dumps(flight))
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
