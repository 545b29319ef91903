"""Sorties and their briefs."""

from __future__ import annotations

import math
from dataclasses import asdict
from typing import Any

from apiflask import APIBlueprint
from flask_login import login_required
from pydantic import JsonValue

from bullseye.api.context import database, person, seen_revision
from bullseye.api.flying.sortiefields import SortieChange, SortieIn, SortieOut
from bullseye.store.errors import ChangedMeanwhile
from bullseye.store.flying import sorties
from bullseye.store.rows.flying import Sortie

bp = APIBlueprint('sorties', __name__, url_prefix='/api/sorties', tag='Sorties')


@bp.post('')
@login_required
@bp.input(SortieIn)
@bp.output(SortieOut, status_code=201)
@bp.doc(responses=[401, 403])
def create_sortie(json_data: SortieIn) -> SortieOut:
    """Plan a sortie."""
    values = {k: v for k, v in json_data.model_dump().items() if v is not None or k == 'gust_kt'}
    return SortieOut.of(sorties.create(database(), by=person(), values=values))


@bp.get('/<int:sortie_id>')
@login_required
@bp.output(SortieOut)
@bp.doc(responses=[401, 404])
def read_sortie(sortie_id: int) -> SortieOut:
    """Read one sortie."""
    return SortieOut.of(sorties.find(database(), sortie_id, person=person()))


def _plain(change: SortieChange) -> dict[str, Any]:
    """What is said of a sortie, as the store takes it; what is left out is not in it."""
    values = change.model_dump(exclude={'was'})
    if isinstance(change.lap_plan, list):
        values['lap_plan'] = [asdict(lap) for lap in change.lap_plan]
    return values


def _require_unchanged(sortie: Sortie, change: SortieChange, seen: dict[str, JsonValue]) -> None:
    """Refuse a change of what somebody else has changed since it was seen; the same change by both is none."""
    now = SortieOut.of(sortie).model_dump(mode='json')
    now |= {f'{name}_id': now[name]['id'] for name in ('student', 'instructor', 'aircraft', 'standard', 'technique')}
    wanted = change.model_dump(mode='json', exclude={'was'})
    for name, mine in wanted.items():
        if name not in seen or name not in now:
            continue
        theirs = now[name]
        if not _same(theirs, seen[name]) and not _same(theirs, mine):
            raise ChangedMeanwhile(
                f'Somebody else set {_SAID.get(name, name)} meanwhile{_told(theirs)}; you would set it'
                f'{_told(mine) or " otherwise"}. Look again, and set it once more if yours is right.',
                {name: theirs},
            )


_SAID = {
    'wind_kt': 'the wind',
    'wind_dir_deg_mag': 'the direction of the wind',
    'wind_dir_deg_true': 'the direction of the wind',
    'gust_kt': 'the gusts',
    'temperature_c': 'the temperature',
    'qnh_hpa': 'the pressure',
    'weight_lb': 'the weight',
    'fuel_gal': 'the fuel',
    'spot_ft': 'the spot',
    'approach_speed_kias': 'the approach speed',
    'runway_end_id': 'the runway',
    'landing': 'the landing',
    'flap': 'the flap',
    'takeoff': 'the takeoff',
    'pattern': 'the pattern',
    'overruled': 'the numbers set by hand',
    'lap_plan': 'the plan of the laps',
    'planned_on': 'the day',
    'planned_time': 'the time',
    'student_id': 'the student',
    'instructor_id': 'the instructor',
    'aircraft_id': 'the aircraft',
    'technique_id': 'the technique',
    'standard_id': 'the standard',
}


def _same(one: Any, other: Any) -> bool:
    if isinstance(one, float | int) and isinstance(other, float | int):
        return math.isclose(one, other, abs_tol=0.05)
    return bool(one == other) or (not one and not other)


def _told(value: Any) -> str:
    """A number or a word as part of a sentence; nothing of what is neither, such as a row's number."""
    return f' to {value:g}' if isinstance(value, float) else ''


@bp.patch('/<int:sortie_id>')
@login_required
@bp.input(SortieChange)
@bp.output(SortieOut)
@bp.doc(responses=[401, 403, 404, 409, 428])
def change_sortie(sortie_id: int, json_data: SortieChange) -> SortieOut:
    """Change a sortie; laps flown before keep the brief they were flown by.

    ``If-Match`` names the revision that was seen. A change of an older one counts where ``was`` shows that what it
    changes is still as it was seen.
    """
    db, seen = database(), seen_revision()
    sortie = sorties.find(db, sortie_id, person=person(), right='coach', lock=True)
    was = json_data.was if isinstance(json_data.was, dict) else {}
    _require_unchanged(sortie, json_data, was)
    if seen is not None and sortie.revision != seen and json_data.model_fields_set - {'was'} - was.keys():
        raise ChangedMeanwhile(
            'Somebody else changed this sortie meanwhile. Look again, and change it once more.',
            {'revision': sortie.revision},
        )
    changed = sorties.change(db, sortie, by=person(), values=_plain(json_data))
    return SortieOut.of(changed)
