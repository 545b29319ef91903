"""A landing kind is known to every table that is keyed by it: adding one without the rest fails here."""

import re
from typing import get_args

import pytest

from bullseye.core.basis.kinds import NOT_LANDED, TAILWHEEL_ONLY, ExerciseKind, LandingKind
from bullseye.core.brief.landing import make_brief
from bullseye.core.brief.lapplan import LapPlanTask, LessonTime, make_lap_plan
from bullseye.core.given.technique import Technique, usual_flap
from bullseye.launch.places import WEB
from bullseye.store.rows.flying import Sortie
from tests.core.making import make_request

KINDS = get_args(LandingKind)


def test_every_landing_is_an_exercise_and_every_other_exercise_does_not_land():
    assert set(KINDS) < set(get_args(ExerciseKind))
    assert len(set(get_args(ExerciseKind)) - set(KINDS)) == len(NOT_LANDED)


@pytest.mark.parametrize('kind', KINDS)
def test_a_kind_has_its_card_flap_watch_label_and_place_in_the_database(kind):
    assert usual_flap(('up', 'half', 'full'), kind, Technique()) in ('up', 'half', 'full')
    aircraft = {'aircraft': 'Bramble 90T', 'weight_lb': 1_250} if kind in TAILWHEEL_ONLY else {}
    brief = make_brief(make_request(landing=kind, standard='us_commercial', **aircraft))
    assert brief.card.steps
    task = LapPlanTask(
        main=kind,
        runway='28',
        spot_ft=700.0,
        spots_ft={kind: (400.0, 1_000.0)},
        lap_s=300.0,
        time=LessonTime(),
        fuel_burn_gph=None,
        daylight_min=None,
        crosswind_kt=4.0,
        gust_spread_kt=0.0,
        headwind_kt=3.0,
    )
    assert {lap.watch for lap in make_lap_plan(task).laps if lap.kind == kind} != {''}
    words = (WEB / 'src' / 'words.ts').read_text()
    labels = words.split('LANDING_NAMES = ')[1].split('}')[0]
    assert re.search(rf'\b{kind}: ', labels)
    check = next(one for one in Sortie.__table__.constraints if one.name and 'landing_known' in str(one.name))
    assert f"'{kind}'" in str(check.sqltext)
