"""One lesson through the real API: a sortie of the made-up school, its brief, its laps and what is said of them."""

from __future__ import annotations

import copy
import dataclasses
import uuid
from typing import Any

import pytest
from apiflask import APIFlask
from pydantic import TypeAdapter
from sqlalchemy import select

from bullseye.core.exchange.geojson import airfield_to_geojson
from bullseye.core.given.aircraft import Aircraft as CoreAircraft
from bullseye.core.given.aircraft import AirspeedTable, FlapSetting
from bullseye.core.given.airfield import RunwayEnd
from bullseye.demo import seed
from bullseye.demo.fleet import MARRAM_160
from bullseye.store import scope
from bullseye.store.people import joining
from bullseye.store.rows.people import School as SchoolRow
from tests.api.conftest import (  # noqa: F401 - the fixtures of the application
    Browser,
    app,
    elias,
    empty_app,
    ines,
    kept_app,
    marta,
    open_app,
    owner,
)

_SAME = AirspeedTable(ias_kt=(30.0, 150.0), cas_kt=(30.0, 150.0))
# An unnamed nosewheel trainer: indicated is calibrated, its hold-off as the school measured it
TRAINER = dataclasses.replace(
    MARRAM_160,
    name='T1',
    max_weight_lb=1_800,
    empty_weight_lb=1_150,
    deceleration_fps2=3.0,
    eye_height_ft=7.0,
    blind_distance_ft=40.0,
    wing_height_ft=None,
    vx_kias=60,
    vy_kias=68,
    rotate_kias=50,
    flaps=(
        FlapSetting(name='up', stall_kcas=50, airspeed_table=_SAME, normal_approach_kias=66),
        FlapSetting(
            name='full', stall_kcas=44, airspeed_table=_SAME, normal_approach_kias=58, short_field_approach_kias=54
        ),
    ),
    ladder=dataclasses.replace(
        MARRAM_160.ladder,
        **{
            leg: dataclasses.replace(getattr(MARRAM_160.ladder, leg), flap='up')
            for leg in ('climb', 'downwind', 'abeam', 'base')
        },
    ),
)


@dataclasses.dataclass
class Lesson:
    """One sortie, spoken to as its instructor does."""

    browser: Browser
    id: int

    @property
    def path(self) -> str:
        return f'/api/sorties/{self.id}'

    def brief(self, **changes: Any) -> dict[str, Any]:
        found: dict[str, Any] = self.browser.call('POST', f'{self.path}/brief', changes)['brief']
        return found

    def plan(self) -> dict[str, Any]:
        found: dict[str, Any] = self.browser.call('POST', f'{self.path}/plan', {})['plan']
        return found

    def change(self, **values: Any) -> dict[str, Any]:
        found: dict[str, Any] = self.browser.call('PATCH', self.path, values)
        return found

    def fly(self, **seen: Any) -> dict[str, Any]:
        found: dict[str, Any] = self.browser.put_lap(self.id, **seen)
        return found

    def laps(self) -> dict[str, Any]:
        found: dict[str, Any] = self.browser.get(f'{self.path}/laps')
        return found


CHIEF = {
    'school_name': 'Sandling Aero',
    'name': 'Ada Field',
    'login': 'ada@sandling.example',
    'password': 'a long enough one',
}


class School:
    """The made-up school, as its chief instructor plans in it."""

    def __init__(self, browser: Browser) -> None:
        self.browser = browser
        self.catalogue = browser.get('/api/catalogue')

    def person(self, name: str) -> int:
        return int(next(one['id'] for one in self.catalogue['people'] if one['name'].startswith(name)))

    def aircraft(self, of: CoreAircraft | str) -> int:
        name = of if isinstance(of, str) else of.name
        known = next((one['id'] for one in self.catalogue['aircraft'] if one['name'] == name), None)
        if known is None:
            spec = TypeAdapter(CoreAircraft).dump_python(of, mode='json')
            made = self.browser.call('POST', '/api/aircraft', {'spec': copy.deepcopy(spec)}, status=201)
            self.catalogue = self.browser.get('/api/catalogue')
            known = made['id']
        return int(known)

    def end(self, field: str, ident: str) -> int:
        ends = next(one['ends'] for one in self.catalogue['airfields'] if one['name'] == field)
        return int(next(one['id'] for one in ends if one['ident'] == ident))

    def runway(self, length_ft: float, **more: Any) -> int:
        """A level asphalt runway at sea level, landed on to the east; its number at once."""
        here = {'course_deg_true': 90.0, 'length_ft': length_ft, 'width_ft': 75.0, 'elevation_ft': 0.0}
        there = here | more
        back = there | {'course_deg_true': 270.0, 'slope_pct': -there.get('slope_pct', 0.0)}
        ends = (
            (RunwayEnd(ident='09', magnetic_variation_deg=0.0, surface='asphalt', **there), 47.0, -38.0),
            (
                RunwayEnd(ident='27', magnetic_variation_deg=0.0, surface='asphalt', **back),
                47.0,
                -38.0 + length_ft / 364_567 / 0.682,
            ),
        )
        name = f'Whinchat Sand {uuid.uuid4().hex[:6]}'
        data = airfield_to_geojson(
            name=name, ident='WHIN', elevation_ft=0.0, pattern_altitude_ft=1_000.0, ends=ends, marks=()
        )
        made = self.browser.call('POST', '/api/airfields', {'geojson': data}, status=201)
        self.catalogue = self.browser.get('/api/catalogue')
        return int(next(one['id'] for one in made['ends'] if one['ident'] == '09'))

    def lesson(
        self,
        student: str,
        aircraft: CoreAircraft | str,
        runway_end_id: int,
        *,
        standard: str = 'US private',
        landing: str = 'normal',
        then: dict[str, Any] | None = None,
        **values: Any,
    ) -> Lesson:
        """A new sortie; ``then`` is what is changed right after."""
        standards = self.catalogue['standards']
        chosen = next(one['id'] for one in standards if one['name'].lower().startswith(standard.lower()))
        body = {
            'student_id': self.person(student),
            'aircraft_id': self.aircraft(aircraft),
            'runway_end_id': runway_end_id,
            'standard_id': chosen,
            'landing': landing,
            'wind_kt': 0.0,
            'weight_lb': None if isinstance(aircraft, str) else aircraft.max_weight_lb,
        } | values
        made = self.browser.call('POST', '/api/sorties', body, status=201)
        lesson = Lesson(self.browser, made['id'])
        if then:
            lesson.change(**then)
        return lesson


def _with_wren(there: APIFlask) -> None:
    """Wren, of whom no lap is known."""
    with owner(there) as db:
        scope.see_every_school(db)
        row = db.scalars(select(SchoolRow)).one()
        scope.bind(db, row.id)
        joining.add(db, school=row, login='wren@lantern.example', name='Wren', role='student', password=seed.PASSWORD)
        db.commit()


@pytest.fixture
def school(app: APIFlask) -> School:  # noqa: F811
    """The made-up school."""
    _with_wren(app)
    return School(Browser(app).sign_in('marta'))


@pytest.fixture
def founded(empty_app: APIFlask) -> School:  # noqa: F811
    """A school of which nothing is known yet: no pilot and no aircraft has taught anything."""
    with owner(empty_app) as db:
        code = joining.new_setup_code(db)
    chief = Browser(empty_app).enter('/api/setup', CHIEF | {'code': code}, status=201)
    _with_wren(empty_app)
    return School(chief)
